import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Judgement, S } from '../api/client';
import { useExclusion } from '../api/hooks';
import { Thorns } from '../drawing/Thorns';
import { Own } from '../guide/Own';
import { Button, Soft } from '../theme/bits';
import { gradeOf, missingOf, weightOf } from './ledgerWords';

const List = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
`;
const Item = styled.li`
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 4px 14px;
  padding: 10px 0;
  border-top: 1.5px solid var(--line);
  h3 {
    font-size: 1.05rem;
  }
  ul {
    margin: 6px 0 0;
    padding-left: 18px;
  }
  li {
    margin: 2px 0;
  }
`;

const strength: Record<S['Step']['strength'], string> = {
  strong: 'Strong',
  fair: 'Fair',
  slight: 'Slight',
  'tells-nothing': 'Tells nothing between these two',
  'speaks-for-it': 'Speaks for it',
};

function EntryLine({
  e,
  steps = e.steps,
  children,
}: {
  e: S['Entry'];
  steps?: S['Entry']['steps'];
  children?: ReactNode;
}) {
  return (
    <Item>
      <div>
        <Thorns grade={e.grade} of={3} left={e.thorns} nick={e.nick} cut={e.ruledOut ?? false} />
        <b>{weightOf(e)}</b>
      </div>
      <div>
        <h3>
          <Link to={`/guide/${e.taxon.id}`}>{e.taxon.common}</Link> <i>{e.taxon.scientific}</i>{' '}
          <Own origin={e.taxon.origin} />
        </h3>
        <p>
          <b>{gradeOf(e)}</b>
          {e.contact && ' · harmful on contact'}
          {e.named && ' · named lookalike of your target'}
          {' · '}
          {e.ruledOut ? 'cut back' : `open: ${missingOf(e)}`}
        </p>
        {e.form && !e.ruledOut && <Soft as="p">Hardest to tell as: {e.form}</Soft>}
        {children}
        {steps.length > 0 && (
          <ul>
            {steps.map((s, i) => (
              <li key={i}>
                <b>{strength[s.strength]}</b>: {s.trait.name}, {s.words}
                <Soft>
                  {' '}
                  ({s.weight > 0 ? '+' : ''}
                  {Math.round(s.weight)}, {s.structural ? 'form' : 'senses'}
                  {s.note ? `, ${s.note}` : ''})
                </Soft>
              </li>
            ))}
          </ul>
        )}
      </div>
    </Item>
  );
}

/** An entry whose steps are fetched when somebody asks by what. */
function AskedLine({ e, find, specimen, stand }: { e: S['Entry']; find: string; specimen: string; stand: string }) {
  const [open, setOpen] = useState(false);
  const whole = useExclusion(find, specimen, e.taxon.id, stand, open);
  return (
    <EntryLine e={e} steps={open ? (whole.data?.steps ?? []) : []}>
      <Button aria-expanded={open} aria-label={`By what? ${e.taxon.common}`} onPress={() => setOpen(!open)}>
        By what?
      </Button>
      {open && whole.error && <p role="alert">{whole.error.message}</p>}
    </EntryLine>
  );
}

/** So many of the open ones are shown at once: the named and the nearest come first. */
const first = 12;

/** Every dangerous entry in scope: open ones first, those cut back folded. */
export function Ledger({
  find,
  judgement,
  stand,
  onRecall,
}: {
  find: string;
  judgement: Judgement;
  stand: string;
  onRecall: (id: string) => void;
}) {
  const open = judgement.ledger.filter((e) => !e.ruledOut);
  const cut = judgement.ledger.filter((e) => e.ruledOut);
  const line = (e: S['Entry']) =>
    e.steps.length > 0 || e.weight === 0 ? (
      <EntryLine key={e.taxon.id} e={e} />
    ) : (
      <AskedLine key={e.taxon.id} e={e} find={find} specimen={judgement.specimen} stand={stand} />
    );
  return (
    <>
      <p>
        Every answer is weighed: how much likelier your target shows it than the danger does. A third of what is needed
        clips a thorn. What says the same thing twice weighs once. Nothing is hidden because it is unlikely.
      </p>
      {open.length === 0 ? (
        <p>No dangerous entry of this guide is open. Something that is not in the guide may be.</p>
      ) : (
        <>
          <List>{open.slice(0, first).map(line)}</List>
          {open.length > first && (
            <details>
              <summary>And {open.length - first} more that are open</summary>
              <List>{open.slice(first).map(line)}</List>
            </details>
          )}
        </>
      )}
      {cut.length > 0 && (
        <details open={open.length === 0}>
          <summary>Cut back: {cut.length}</summary>
          <List>
            {cut.map((e) => (
              <AskedLine key={e.taxon.id} e={e} find={find} specimen={judgement.specimen} stand={stand} />
            ))}
          </List>
        </details>
      )}
      {judgement.aside.length > 0 && (
        <details>
          <summary>Set aside, other continents: {judgement.aside.length}</summary>
          <List>
            {judgement.aside.map((a) => (
              <li key={a.id}>
                {a.common} <i>{a.scientific}</i> <Button onPress={() => onRecall(a.id)}>Bring {a.common} back</Button>
              </li>
            ))}
          </List>
        </details>
      )}
    </>
  );
}
