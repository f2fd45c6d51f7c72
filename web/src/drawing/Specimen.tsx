import { useId } from 'react';
import type { Mark } from './marks';
import type { Piece } from './specimen';

/** How firmly a piece stands: read whole, read in part, read shakily, or not read. */
export type Hand = 'ink' | 'pencil' | 'shaky' | 'guess';

const hands: Record<Hand, { width: number; dash?: string; opacity: number }> = {
  ink: { width: 2.4, opacity: 1 },
  pencil: { width: 1.1, opacity: 1 },
  shaky: { width: 2.2, dash: '9 4', opacity: 1 },
  guess: { width: 1.4, dash: '1.5 5', opacity: 0.6 },
};

function Line({ mark, hand, scale, hatch }: { mark: Mark; hand: Hand; scale: number; hatch: string }) {
  const h = hands[hand];
  const solid = hand !== 'guess';
  const inner = mark.as === 'thin' || mark.as === 'dash';
  if (mark.as === 'tint')
    return solid ? <path d={mark.d} fill={mark.hue} fillOpacity="var(--tint)" stroke="none" /> : null;
  if (mark.as === 'hatch') return solid ? <path d={mark.d} fill={`url(#${hatch})`} stroke="none" /> : null;
  return (
    <path
      d={mark.d}
      fill={mark.as === 'fill' && solid ? 'var(--ink)' : 'none'}
      stroke="var(--ink)"
      strokeWidth={(inner ? Math.min(h.width, 1.2) : h.width) / scale}
      strokeDasharray={
        mark.as === 'dash' && solid
          ? `${2 / scale} ${4 / scale}`
          : h.dash
              ?.split(' ')
              .map((v) => Number(v) / scale)
              .join(' ')
      }
      strokeLinejoin="round"
      strokeLinecap="round"
    />
  );
}

/** Draws the pieces of a specimen; the words stand beside it. A detail nobody saw is not drawn, nor is a piece without a hand. */
export function Specimen({ pieces, hand }: { pieces: Piece[]; hand: (piece: Piece) => Hand | undefined }) {
  const id = useId();
  return (
    <svg className="base" viewBox="0 0 320 420" aria-hidden="true">
      <defs>
        <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="5" stroke="var(--ink)" strokeWidth="1.1" />
        </pattern>
      </defs>
      {pieces.map((p, i) => {
        const h = hand(p);
        if (!h || (p.extra && h === 'guess')) return null;
        const [x, y, scale] = p.at ?? [0, 0, 1];
        return (
          <g key={i} opacity={hands[h].opacity} transform={p.at ? `translate(${x} ${y}) scale(${scale})` : undefined}>
            {p.marks.map((m, k) => (
              <Line key={k} mark={m} hand={h} scale={scale} hatch={id} />
            ))}
          </g>
        );
      })}
    </svg>
  );
}
