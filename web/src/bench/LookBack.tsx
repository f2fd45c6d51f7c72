import styled from 'styled-components';
import type { Judgement, S, Trait, View } from '../api/client';
import { useHistory } from '../api/hooks';
import { Note, Soft } from '../theme/bits';
import { lineWords } from './log';

const Turns = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  > li {
    border-left: 3px solid var(--ink);
    padding: 6px 0 12px 16px;
    position: relative;
  }
  > li::before {
    content: '';
    position: absolute;
    left: -8px;
    top: 12px;
    width: 13px;
    height: 13px;
    border: 2.5px solid var(--ink);
    background: var(--sheet);
    border-radius: 50%;
  }
  > li.turned::before {
    background: var(--ink);
  }
  > li.today {
    border-left-style: dashed;
  }
  h3 {
    margin: 0;
    font-size: 1rem;
  }
  ul {
    margin: 2px 0 0;
    padding-left: 18px;
  }
`;

const when = (ms: number) =>
  new Date(ms).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hour12: false,
  });
const names = (list: S['TaxonRef'][]) =>
  list.length > 6
    ? `${list
        .slice(0, 5)
        .map((t) => t.common)
        .join(', ')} and ${list.length - 5} more`
    : list.map((t) => t.common).join(', ');

/** What changed the verdict, line by line, and how today’s guide would judge the find. */
export function LookBack({
  view,
  judgement,
  traits,
  stand,
}: {
  view: View;
  judgement: Judgement;
  traits: Map<string, Trait>;
  stand: string;
}) {
  const { data, error } = useHistory(view.id, judgement.specimen, stand);
  if (error) return <Note role="alert">{error.message}</Note>;
  if (!data) return <p role="status">Looking back…</p>;
  const head = (t: S['Turn']) => {
    const line = view.log.find((l) => l.seq === t.seq);
    if (t.by === 'begin') return 'The find was begun';
    if (t.by === 'facts') return 'The intent, the place or the profile was changed';
    if (t.by === 'guide') return 'The guide was another from here on';
    if (t.by === 'today') return 'Under today’s guide';
    return line ? lineWords(line, traits) : `Line ${t.seq}`;
  };
  return (
    <>
      <p>
        {data.at(-1)?.by === 'today'
          ? 'The guide has changed since this find was last judged.'
          : 'This find stands as today’s guide judges it.'}{' '}
        No line of the log and no verdict is ever overwritten.
      </p>
      <Turns>
        {data.map((t, i) => (
          <li key={i} className={[t.was && t.was !== t.now ? 'turned' : '', t.by === 'today' ? 'today' : ''].join(' ')}>
            <h3>{head(t)}</h3>
            <Soft>{when(t.atMs)}</Soft>
            <ul>
              {t.was !== t.now && (
                <li>
                  <b>Verdict: {t.word}</b>, {t.open} open
                </li>
              )}
              {t.cut.length > 0 && <li>Cut back: {names(t.cut)}</li>}
              {t.again.length > 0 && <li>Standing again: {names(t.again)}</li>}
              {t.done.map((w) => (
                <li key={w}>Met: {w}</li>
              ))}
              {t.new.map((w) => (
                <li key={w}>Came to be open: {w}</li>
              ))}
            </ul>
          </li>
        ))}
      </Turns>
    </>
  );
}
