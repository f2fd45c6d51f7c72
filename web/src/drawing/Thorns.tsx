import { useState } from 'react';
import styled, { keyframes } from 'styled-components';

const drop = keyframes`from { transform: none; opacity: 1; } 30% { transform: translate(2px, -3px) rotate(8deg); opacity: 1; } to { transform: translate(7px, 16px) rotate(70deg); opacity: 0; }`;
const Svg = styled.svg`
  display: block;
  flex: none;
  overflow: visible;
  .clipped {
    transform-box: fill-box;
    transform-origin: 50% 100%;
    opacity: 0;
    animation: ${drop} 0.6s ease-in both;
  }
  @media (prefers-reduced-motion: reduce) {
    .clipped {
      display: none;
    }
  }
`;

/** A thorn with a notch in its left edge, as deep as the part that is cut. */
const nicked = (x: number, part: number) =>
  `M${x - 5} 31 L${x - 2.2} 22 L${x - 1.5 + 7 * Math.min(part, 0.9)} 19.5 L${x - 0.7} 17 L${x + 3} 5 L${x + 9} 31z`;
const thorn = (x: number) => `M${x - 5} 31 L${x + 3} 5 L${x + 9} 31z`;

/**
 * A stem with one thorn for each grade of hazard, or for each third of what is needed.
 * Clipped thorns stay as stubs; a thorn that is partly cut has a nick, as deep as the part;
 * a stem that is cut back lies down. A thorn falls when the state that is shown
 * has lost one since it was last drawn, never for show. The words beside it say
 * the same; key it by its entry.
 */
export function Thorns({
  grade,
  left,
  cut,
  of,
  nick = 0,
  width = 84,
}: {
  grade: number;
  left: number;
  cut: boolean;
  /** How many thorns there are; the grade when it is not said. */
  of?: number;
  /** How far the next thorn is cut, 0 to 1. */
  nick?: number;
  width?: number;
}) {
  const [seen, setSeen] = useState({ left, fell: 0 });
  if (seen.left !== left) setSeen({ left, fell: Math.max(0, seen.left - left) });
  const n = of ?? grade; // an entry without a hazard has none
  const at = (i: number) => 18 + (i * 50) / Math.max(n - 1, 1);
  return (
    <Svg viewBox="0 0 84 40" width={width} height={(width * 40) / 84} aria-hidden="true">
      <path
        d={cut ? 'M4 35q38-4 76 0' : 'M4 32q38-4 76 2'}
        fill="none"
        stroke="currentColor"
        strokeWidth={cut ? 1.6 : 3}
        strokeDasharray={cut ? '7 4' : undefined}
        strokeLinecap="round"
      />
      {Array.from({ length: n }, (_, i) => {
        const x = at(i);
        const standing = !cut && i >= n - left;
        const next = standing && i === n - left && nick >= 0.05;
        return standing ? (
          <path key={i} d={next ? nicked(x, nick) : thorn(x)} fill="currentColor" />
        ) : (
          <path
            key={i}
            d={`M${x - 5} ${cut ? 33 : 31} L${x - 3} 24 L${x + 5} 26 L${x + 8} ${cut ? 33 : 31}`}
            fill="none"
            stroke="currentColor"
            strokeWidth="1.8"
          />
        );
      })}
      {Array.from({ length: seen.fell }, (_, k) => n - left - 1 - k)
        .filter((i) => i >= 0)
        .map((i) => (
          <path key={`fell ${left} ${i}`} className="clipped" d={thorn(at(i))} fill="currentColor" />
        ))}
    </Svg>
  );
}
