import styled from 'styled-components';
import type { Judgement, S, Trait, View } from '../api/client';
import { useTaxon } from '../api/hooks';
import { Soft } from '../theme/bits';
import { scaleEnd, where, whereWords, type Range } from './range';
import { gradeOf } from './ledgerWords';

const Box = styled.div`
  display: grid;
  gap: 6px;
  .row {
    display: grid;
    grid-template-columns: 236px 1fr;
    gap: 14px;
    align-items: center;
  }
  svg {
    width: 100%;
    height: 30px;
    overflow: visible;
  }
  small {
    color: var(--ink-soft);
  }
  @media (max-width: 600px) {
    .row {
      grid-template-columns: 1fr;
      gap: 0;
    }
  }
`;

type Bar = { name: string; note: string; range: Range };

/** The range an entry describes for a trait at the stage, if it does. */
function rangeOf(entry: S['TaxonPage'] | undefined, trait: string, stages: string[]): Range | undefined {
  const v = entry?.cells
    .find((c) => c.trait.id === trait)
    ?.variants.find(
      (x) =>
        x.kind === 'described' &&
        x.range.length === 4 &&
        (x.stages.length === 0 || x.stages.some((s) => stages.includes(s))),
    );
  return v ? [v.range[0]!, v.range[1]!, v.range[2]!, v.range[3]!] : undefined;
}

/** Typical and extreme ranges of the target and of the nearest dangers, on one scale, with the reading on them. */
export function RangeBars({ view, judgement, trait }: { view: View; judgement: Judgement; trait: Trait }) {
  const open = judgement.ledger
    .filter((e) => !e.ruledOut)
    .sort((a, b) => Number(b.named) - Number(a.named))
    .slice(0, 2);
  const target = useTaxon(view.target?.id ?? '');
  const first = useTaxon(open[0]?.taxon.id ?? '');
  const second = useTaxon(open[1]?.taxon.id ?? '');
  const bars = [
    { entry: view.target ? target.data : undefined, note: 'your target' },
    { entry: open[0] ? first.data : undefined, note: `${open[0] ? gradeOf(open[0]) : ''}, open` },
    { entry: open[1] ? second.data : undefined, note: `${open[1] ? gradeOf(open[1]) : ''}, open` },
  ].flatMap(({ entry, note }): Bar[] => {
    const range = rangeOf(entry, trait.id, judgement.stages);
    return entry && range ? [{ name: entry.common, note, range }] : [];
  });
  if (bars.length === 0) return null;
  const r = judgement.readings.find((x) => x.trait.id === trait.id && x.kind === 'measured');
  const reading = r ? { value: r.value ?? 0, error: r.error ?? 0 } : undefined;
  const end = scaleEnd([...bars.flatMap((b) => b.range), ...(reading ? [reading.value + reading.error] : [])]);
  const x = (v: number) => (v / end) * 400;
  const unit = trait.unit === 'count' ? '' : ` ${trait.unit}`;
  return (
    <Box role="group" aria-label="What the guide describes, and your reading">
      {bars.map((b) => (
        <div className="row" key={b.name}>
          <span>
            <b>{b.name}</b> <small>{b.note}</small>
            <br />
            <small>
              usually {b.range[1]}–{b.range[2]}
              {unit}, at most {b.range[0]}–{b.range[3]}
              {reading ? `; yours is ${whereWords[where(b.range, reading.value, reading.error)]}` : ''}
            </small>
          </span>
          <svg viewBox="0 0 400 30" preserveAspectRatio="none" aria-hidden="true">
            <path d={`M0 26H400`} stroke="var(--line)" vectorEffect="non-scaling-stroke" />
            <path
              d={`M${x(b.range[0])} 14H${x(b.range[3])}M${x(b.range[0])} 8v12M${x(b.range[3])} 8v12`}
              stroke="var(--ink)"
              strokeWidth="1.5"
              fill="none"
              vectorEffect="non-scaling-stroke"
            />
            <rect
              x={x(b.range[1])}
              y="8"
              width={Math.max(2, x(b.range[2]) - x(b.range[1]))}
              height="12"
              fill="var(--ink)"
            />
            {reading && (
              <rect
                x={x(Math.max(0, reading.value - reading.error))}
                y="0"
                width={Math.max(1, x(reading.value + reading.error) - x(Math.max(0, reading.value - reading.error)))}
                height="28"
                fill="var(--bramble)"
                opacity="0.3"
              />
            )}
            {reading && (
              <path
                d={`M${x(reading.value)} 0V28`}
                stroke="var(--bramble)"
                strokeWidth="4"
                vectorEffect="non-scaling-stroke"
              />
            )}
          </svg>
        </div>
      ))}
      <Soft>
        The scale runs from 0 to {end}
        {unit}. Size is of the senses: it can clip one thorn, never more.
      </Soft>
    </Box>
  );
}
