import { useId } from 'react';
import { glyph } from './glyphs';
import type { Mark } from './marks';

/** Draws marks; decorative, since the word always stands beside it. */
export function Marks({ marks, ink = 'currentColor' }: { marks: Mark[]; ink?: string }) {
  const id = useId();
  return (
    <>
      <defs>
        <pattern id={id} width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="4" stroke={ink} strokeWidth="1.1" />
        </pattern>
      </defs>
      {marks.map((m, i) =>
        m.as === 'tint' ? (
          <path key={i} d={m.d} fill={m.hue} fillOpacity="var(--tint)" />
        ) : (
          <path
            key={i}
            d={m.d}
            fill={m.as === 'fill' ? ink : m.as === 'hatch' ? `url(#${id})` : 'none'}
            stroke={m.as === 'hatch' ? 'none' : ink}
            strokeWidth={m.as === 'thin' ? 1.2 : m.as === 'fill' ? 0.8 : 2}
            strokeDasharray={m.as === 'dash' ? '1.5 3.5' : undefined}
            strokeLinejoin="round"
            strokeLinecap="round"
          />
        ),
      )}
    </>
  );
}

export function Glyph({ trait, state, size = 48 }: { trait: string; state: string; size?: number }) {
  return (
    <svg viewBox="0 0 48 48" width={size} height={size} aria-hidden="true">
      <Marks marks={glyph(trait, state)} />
    </svg>
  );
}
