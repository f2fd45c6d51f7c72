import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { forget, newKey, saveFixed, saveSeen, type S } from '../api/client';
import { useGround } from '../api/hooks';
import { plain } from '../guide/words';
import { Button, Field, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';
import { dayWords, edgeWords } from './bands';

const Box = styled.section`
  border-left: 6px solid var(--bramble);
  padding-left: 16px;
  display: grid;
  gap: 10px;
  ul {
    margin: 0;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: end;
  }
`;
const days = (x: number) =>
  Math.abs(x) < 0.5 ? 'not at all' : `${Math.round(Math.abs(x))} days ${x > 0 ? 'later' : 'earlier'}`;

/** How a window was reckoned, and what the user knows better. */
export function Reckoning({ row, year }: { row: S['YearRow']; year: S['Year'] }) {
  const stages = [...new Set(row.windows.flatMap((w) => w.stages))];
  const [stage, setStage] = useState(stages[0] ?? 'flower');
  const [day, setDay] = useState(year.day);
  const [open, setOpen] = useState('');
  const [close, setClose] = useState('');
  const seen = useGround(saveSeen);
  const fixed = useGround(saveFixed);
  const away = useGround(({ kind, id }: { kind: 'seen' | 'fixed'; id: string }) => forget(kind, id));
  const problem = seen.error ?? fixed.error ?? away.error;
  const mine = year.seen.filter((s) => s.taxon === row.taxon.id);
  const place = year.place || undefined;
  const fixedId = `${row.taxon.id}-${stage}-${year.place || 'guide'}`.slice(0, 90);
  const isFixed = row.windows.some(
    (w) => w.stages.includes(stage) && w.steps.some((s) => s.source === 'your own word'),
  );
  return (
    <Box aria-label={`How the year of ${row.taxon.common} was reckoned`}>
      <p>
        <i>{row.taxon.scientific}</i>. <Link to={`/guide/${row.taxon.id}`}>Its entry</Link>. The guide’s months hold
        for: {row.from || 'no place that is named'}.
      </p>
      <ul>
        {row.windows.map((w, i) => (
          <li key={i}>
            <b>{w.stages.map(plain).join(', ')}</b>:{' '}
            {w.allYear ? 'all year' : `from ${edgeWords(w.open, w.openSd)}, to ${edgeWords(w.close, w.closeSd)}`}
            {w.steps.length > 0 && (
              <ul>
                {w.steps.map((s, k) => (
                  <li key={k}>
                    {s.what}: it opens {days(s.open)}, it ends {days(s.close)} <Soft>({s.source})</Soft>
                  </li>
                ))}
              </ul>
            )}
          </li>
        ))}
      </ul>
      <Field>
        Stage
        <select value={stage} onChange={(e) => setStage(e.target.value)}>
          {stages.map((s) => (
            <option key={s} value={s}>
              {plain(s)}
            </option>
          ))}
        </select>
      </Field>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          seen.mutate({ id: newKey(), taxon: row.taxon.id, stage, place, day });
        }}
      >
        <Field>
          I first saw it on
          <input type="date" value={day} required onChange={(e) => setDay(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={seen.isPending}>
          Keep that day
        </Button>
      </form>
      {mine.length > 0 && (
        <ul aria-label="Your first-seen days">
          {mine.map((s) => (
            <li key={s.id}>
              {plain(s.stage)}: {s.day} <Button onPress={() => away.mutate({ kind: 'seen', id: s.id })}>Forget</Button>
            </li>
          ))}
        </ul>
      )}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          fixed.mutate({ id: fixedId, taxon: row.taxon.id, stage, place, open: open.slice(5), close: close.slice(5) });
        }}
      >
        <Field>
          Here it opens
          <input type="date" value={open} required onChange={(e) => setOpen(e.target.value)} />
        </Field>
        <Field>
          and ends
          <input type="date" value={close} required onChange={(e) => setClose(e.target.value)} />
        </Field>
        <Button type="submit" isDisabled={fixed.isPending}>
          Set it by hand
        </Button>
        {isFixed && <Button onPress={() => away.mutate({ kind: 'fixed', id: fixedId })}>Back to the reckoning</Button>}
      </form>
      <Soft>
        What you saw pulls the reckoning towards it: the more days, the more. The day of the chart is{' '}
        {dayWords(year.today)}.
      </Soft>
      <Refused error={problem} />
    </Box>
  );
}
