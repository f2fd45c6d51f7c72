import styled from 'styled-components';
import type { Judgement, Trait } from '../api/client';
import { Glyph } from '../drawing/Glyph';
import { Specimen } from '../drawing/Specimen';
import { specimenPieces } from '../drawing/specimen';
import {
  drawnFrom,
  firmOf,
  lookOf,
  lookWords,
  partsOf,
  seenOf,
  shownOf,
  strokeOf,
  traitsOfPart,
  type Look,
} from './plate';

const Frame = styled.div`
  position: relative;
  width: 100%;
  max-width: min(440px, calc((100dvh - 404px) * 0.762));
  aspect-ratio: 320 / 420;
  margin: 0 auto;
  svg.base {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
`;

const Spot = styled.button<{ $look: Look; $on: boolean }>`
  position: absolute;
  transform: translate(-50%, -50%);
  min-width: 44px;
  min-height: 44px;
  padding: 2px;
  border-radius: 10px;
  cursor: pointer;
  border: ${(p) => (p.$look === 'unlooked' ? '1.5px dotted var(--ink-soft)' : p.$look === 'seen' || p.$look === 'absent' ? '2px solid var(--ink)' : '2px dashed var(--ink)')};
  background: ${(p) => (p.$on ? 'var(--lemon)' : 'var(--sheet)')};
  color: ${(p) => (p.$on ? 'var(--lemon-ink)' : 'var(--ink)')};
  display: grid;
  place-items: center;
  font-size: 0.72rem;
  line-height: 1.05;
  font-weight: 600;
  svg {
    display: block;
  }
`;

/** What is wrong with a part that gave nothing: torn, a spoilt test, out of season, out of reach, or merely undecided. */
const trouble: Partial<Record<Look, string>> = {
  damaged: 'M2 8l4-5 3 6 3-6 3 6 3-4',
  spoilt: 'M10 1c-6 8-6 11 0 11s6-3 0-11zM3 13L17 1',
  season: 'M13 2a6 6 0 1 0 0 10a5 5 0 1 1 0-10z',
  hidden: 'M1 12q9-14 18 0zM5 8h10',
  lost: 'M6 4q4-5 8 0c1 3-4 3-4 6M10 12.500v.5',
};

/** The traits whose absence is the absence of the whole part. */
const whole = new Set(['ring', 'volva', 'latex']);

export function Plate({
  judgement,
  traits,
  kingdom,
  selected,
  onPart,
}: {
  judgement: Judgement;
  traits: Trait[];
  kingdom: string;
  selected?: string;
  onPart: (part: string) => void;
}) {
  const parts = partsOf(kingdom);
  const seen = seenOf(judgement);
  const firm = firmOf(judgement);
  const absence = (trait: string) => traits.find((t) => t.id === trait)?.absent;
  const pieces = specimenPieces(kingdom, drawnFrom(seen, firm, absence));
  const drawn = new Set(pieces.flatMap((p) => p.form));
  const absent = (trait: string, state: string) => whole.has(trait) && absence(trait) === state;
  const look = (part: string): Look => lookOf(judgement, part, absent);
  return (
    <Frame role="group" aria-label="The specimen, part by part">
      <Specimen pieces={pieces} hand={(p) => strokeOf(p, seen, firm, look(p.part))} />
      {parts
        .filter((p) => traitsOfPart(traits, p.part, kingdom).length > 0)
        .map((p) => {
          const l = look(p.part);
          const shown = shownOf(judgement, p.part);
          return (
            <Spot
              key={p.part}
              type="button"
              $look={l}
              $on={selected === p.part}
              style={{ left: `${(p.at[0] / 320) * 100}%`, top: `${(p.at[1] / 420) * 100}%` }}
              aria-pressed={selected === p.part}
              aria-label={`${p.label}: ${shown ? shown.words : lookWords[l]}${shown && l === 'shaky' ? ' (shaky)' : ''}`}
              onClick={() => onPart(p.part)}
            >
              {shown && (!drawn.has(shown.trait) || shown.state === absence(shown.trait)) ? (
                <Glyph trait={shown.trait} state={shown.state} size={32} />
              ) : null}
              {trouble[l] ? (
                <svg viewBox="0 0 20 14" width="20" height="14" aria-hidden="true">
                  <path
                    d={trouble[l]}
                    fill="none"
                    stroke="currentColor"
                    strokeWidth="1.8"
                    strokeLinejoin="round"
                    strokeLinecap="round"
                  />
                </svg>
              ) : null}
              {p.label}
            </Spot>
          );
        })}
    </Frame>
  );
}
