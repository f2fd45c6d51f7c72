import styled from 'styled-components';
import type { Judgement, Trait } from '../api/client';
import { Glyph } from '../drawing/Glyph';
import { lookOf, lookWords, partsOf, shownOf, traitsOfPart, type Look } from './plate';

const Frame = styled.div`position: relative; width: 100%; max-width: min(440px, calc((100dvh - 350px) * 0.762)); aspect-ratio: 320 / 420; margin: 0 auto;
  svg.base { position: absolute; inset: 0; width: 100%; height: 100%; }`;

const Spot = styled.button<{ $look: Look; $on: boolean }>`
  position: absolute; transform: translate(-50%, -50%); min-width: 44px; min-height: 44px; padding: 2px; border-radius: 10px; cursor: pointer;
  border: ${(p) => (p.$look === 'unlooked' ? '1.5px dotted var(--ink-soft)' : p.$look === 'seen' || p.$look === 'absent' ? '2px solid var(--ink)' : '2px dashed var(--ink)')};
  background: ${(p) => (p.$on ? 'var(--lemon)' : 'var(--sheet)')}; color: ${(p) => (p.$on ? 'var(--lemon-ink)' : 'var(--ink)')};
  display: grid; place-items: center; font-size: 0.72rem; line-height: 1.05; font-weight: 600;
  svg { display: block; }
`;

const stroke: Record<Look, { dash?: string; width: number; opacity: number }> = {
  unlooked: { dash: '1.5 5', width: 1.6, opacity: 0.75 },
  absent: { width: 0, opacity: 0 },
  lost: { dash: '7 6', width: 1.6, opacity: 0.75 },
  shaky: { dash: '9 4', width: 2.2, opacity: 1 },
  seen: { width: 2.6, opacity: 1 },
};

/** The traits whose absence is the absence of the whole part. */
const whole = new Set(['ring', 'volva', 'latex']);

export function Plate({ judgement, traits, kingdom, selected, onPart }: { judgement: Judgement; traits: Trait[]; kingdom: string; selected?: string; onPart: (part: string) => void }) {
  const parts = partsOf(kingdom);
  const absent = (trait: string, state: string) => whole.has(trait) && traits.find((t) => t.id === trait)?.absent === state;
  return (
    <Frame role="group" aria-label="The specimen, part by part">
      <svg className="base" viewBox="0 0 320 420" aria-hidden="true">
        {parts.map((p) => {
          const look = lookOf(judgement, p.part, absent);
          if (look === 'absent') return null;
          const s = stroke[p.plain ? look : 'unlooked'];
          return <path key={p.part} d={p.d} fill="none" stroke="var(--ink)" strokeWidth={s.width} strokeDasharray={s.dash} opacity={s.opacity} strokeLinejoin="round" strokeLinecap="round" />;
        })}
      </svg>
      {parts
        .filter((p) => traitsOfPart(traits, p.part, kingdom).length > 0)
        .map((p) => {
          const look = lookOf(judgement, p.part, absent);
          const shown = shownOf(judgement, p.part);
          return (
            <Spot
              key={p.part}
              type="button"
              $look={look}
              $on={selected === p.part}
              style={{ left: `${(p.at[0] / 320) * 100}%`, top: `${(p.at[1] / 420) * 100}%` }}
              aria-pressed={selected === p.part}
              aria-label={`${p.label}: ${shown ? shown.words : lookWords[look]}${shown && look === 'shaky' ? ' (shaky)' : ''}`}
              onClick={() => onPart(p.part)}
            >
              {shown ? <Glyph trait={shown.trait} state={shown.state} size={40} /> : null}
              {p.label}
            </Spot>
          );
        })}
    </Frame>
  );
}
