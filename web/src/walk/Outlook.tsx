import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { S } from '../api/client';
import { Thorns } from '../drawing/Thorns';
import { plain } from '../guide/words';
import { Button, Chip, Field, LinkButton, Note, Soft } from '../theme/bits';
import { heaps, toPack, upWords } from './outlook';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1.25fr 1fr;
  gap: 32px;
  align-items: start;
  > div {
    display: grid;
    gap: 12px;
    min-width: 0;
  }
  @media (max-width: 900px) {
    grid-template-columns: 1fr;
  }
`;
const Dangers = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  > li {
    display: grid;
    grid-template-columns: 84px 1fr;
    gap: 12px;
    border-top: 1.5px solid var(--line);
    padding: 8px 0;
  }
`;
const Pack = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 8px;
    align-items: center;
    border-top: 1.5px solid var(--line);
    padding: 6px 0;
  }
  li.done span {
    text-decoration: line-through;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

function Danger({ d }: { d: S['DangerLine'] }) {
  return (
    <li>
      <Thorns grade={d.grade} left={d.grade} cut={false} />
      <span>
        <Link to={`/guide/${d.taxon.id}`}>
          <b>{d.taxon.common}</b>
        </Link>{' '}
        <i>{d.taxon.scientific}</i>
        <br />
        <Soft>
          {d.gradeWord}
          {d.contact ? ', harmful on contact' : ''} · {upWords(d.p)}
          {d.stages.length > 0 ? `: ${d.stages.map(plain).join(', ')}` : ''}
          {d.fits ? '' : ' · of other ground, but named'}
        </Soft>
        {d.named.length > 0 && (
          <>
            <br />
            taken for{' '}
            {d.named.map((n, i) => (
              <span key={n.id}>
                {i > 0 && ', '}
                <Link to={`/guide/${n.id}/beside?with=${d.taxon.id}`}>{n.common}: brush up on the pair</Link>
              </span>
            ))}
          </>
        )}
        {d.cues.length > 0 && (
          <>
            <br />
            <Soft>A cue from afar, never evidence: {d.cues.join('; ')}</Soft>
          </>
        )}
      </span>
    </li>
  );
}

/** What is to be known before a walk: dangers first. */
export function Outlook({
  outlook: o,
  onEdit,
  onWalk,
}: {
  outlook: S['Outlook'];
  onEdit: () => void;
  onWalk: (w: S['Walk']) => void;
}) {
  const [extra, setExtra] = useState('');
  const w = o.walk;
  const { named, up, rest } = heaps(o.dangers);
  const pack = toPack(o);
  const left = o.kit.filter((k) => (w.left ?? []).includes(k.id));
  const flip = (list: string[] | undefined, id: string) =>
    (list ?? []).includes(id) ? (list ?? []).filter((x) => x !== id) : [...(list ?? []), id];
  return (
    <>
      <h1>{w.title || 'A walk'}</h1>
      <p>
        {o.placeDetails?.name ?? 'no place chosen'} · {w.day}
        {w.from ? ` · ${w.from} to ${w.to || '…'}` : ''}
        {w.people?.length ? ` · ${w.people.join(', ')}` : ''}
        <br />
        <Soft>{o.light}</Soft>
      </p>
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        <Button onPress={onEdit}>Change it</Button>
        <LinkButton to={`/walks/${w.id}/sheet`}>Print the walk sheet</LinkButton>
        {o.hopes.length > 0 && <LinkButton to={`/walks/${w.id}/cards`}>Print pocket cards</LinkButton>}
      </div>
      <Two>
        <div>
          <h2>Dangerous neighbours</h2>
          {named.length > 0 && (
            <>
              <h3>Taken for what you hope for</h3>
              <Dangers>
                {named.map((d) => (
                  <Danger key={d.taxon.id} d={d} />
                ))}
              </Dangers>
            </>
          )}
          <h3>On the same ground, this week</h3>
          {up.length === 0 ? (
            <p>None of the guide’s. Something that is not in the guide may be.</p>
          ) : (
            <Dangers>
              {up.slice(0, 8).map((d) => (
                <Danger key={d.taxon.id} d={d} />
              ))}
            </Dangers>
          )}
          {up.length > 8 && (
            <details>
              <summary>{up.length - 8} more on the same ground</summary>
              <Dangers>
                {up.slice(8).map((d) => (
                  <Danger key={d.taxon.id} d={d} />
                ))}
              </Dangers>
            </details>
          )}
          {rest.length > 0 && (
            <details>
              <summary>{rest.length} that share the ground and are hardly up by the reckoning</summary>
              <Dangers>
                {rest.map((d) => (
                  <Danger key={d.taxon.id} d={d} />
                ))}
              </Dangers>
            </details>
          )}
        </div>
        <div>
          <h2>Hoped for</h2>
          {o.hopes.length === 0 ? (
            <p>Nothing was named.</p>
          ) : (
            <ul>
              {o.hopes.map((h) => (
                <li key={h.taxon.id}>
                  <Link to={`/guide/${h.taxon.id}`}>{h.taxon.common}</Link>: {upWords(h.p)}
                  {h.stages.length > 0 ? ` (${h.stages.map(plain).join(', ')})` : ''}
                  {h.fits ? '' : '; not on this ground, by its habitats'}
                </li>
              ))}
            </ul>
          )}
          {o.others.length > 0 && (
            <details>
              <summary>{o.others.length} others of use that are likely</summary>
              {o.others.map((h) => h.taxon.common).join(', ')}
            </details>
          )}
          <h2>In the bag</h2>
          <Pack>
            {pack.map(({ line, packed }) => (
              <li key={line.id} className={packed ? 'done' : undefined}>
                <div>
                  <span>{line.what}</span>
                  <small>{line.why}</small>
                </div>
                <Chip
                  $on={packed}
                  aria-pressed={packed}
                  aria-label={`Packed: ${line.what}`}
                  onPress={() => onWalk({ ...w, packed: flip(w.packed, line.id) })}
                >
                  {packed ? 'packed' : 'pack'}
                </Chip>
                <Button
                  aria-label={`Leave at home: ${line.what}`}
                  onPress={() =>
                    onWalk(
                      line.id.startsWith('extra-')
                        ? { ...w, extra: w.extra?.filter((x) => x !== line.what) }
                        : { ...w, left: flip(w.left, line.id) },
                    )
                  }
                >
                  Leave
                </Button>
              </li>
            ))}
          </Pack>
          {left.length > 0 && (
            <p>
              <Soft>Left at home on purpose: </Soft>
              {left.map((k) => (
                <Button key={k.id} onPress={() => onWalk({ ...w, left: flip(w.left, k.id) })}>
                  {k.what}: take it after all
                </Button>
              ))}
            </p>
          )}
          <form
            style={{ display: 'flex', gap: 8, alignItems: 'end' }}
            onSubmit={(e) => {
              e.preventDefault();
              if (extra.trim()) onWalk({ ...w, extra: [...(w.extra ?? []), extra.trim()] });
              setExtra('');
            }}
          >
            <Field>
              Something else
              <input value={extra} maxLength={80} onChange={(e) => setExtra(e.target.value)} />
            </Field>
            <Button type="submit" isDisabled={!extra.trim()}>
              Add it
            </Button>
          </form>
          <h2>Rules</h2>
          <ul>
            {o.rules.map((r) => (
              <li key={r}>{r}</li>
            ))}
          </ul>
          {o.scene.length > 0 && (
            <>
              <h2>The scene</h2>
              <ul>
                {o.scene.map((s) => (
                  <li key={s}>{s}</li>
                ))}
              </ul>
            </>
          )}
          <Note>When in doubt, leave it.</Note>
        </div>
      </Two>
    </>
  );
}
