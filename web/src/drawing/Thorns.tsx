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

const thorn = (x: number) => `M${x - 5} 31 L${x + 3} 5 L${x + 9} 31z`;

/**
 * A stem with one thorn for each grade of hazard. Clipped thorns stay as stubs;
 * a stem that is cut back lies down. A thorn falls when the state that is shown
 * has lost one since it was last drawn, never for show. The words beside it say
 * the same; key it by its entry.
 */
export function Thorns({
  grade,
  left,
  cut,
  width = 84,
}: {
  grade: number;
  left: number;
  cut: boolean;
  width?: number;
}) {
  const [seen, setSeen] = useState({ left, fell: 0 });
  if (seen.left !== left) setSeen({ left, fell: Math.max(0, seen.left - left) });
  const n = grade; // a harmless entry has none
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
        return standing ? (
          <path key={i} d={thorn(x)} fill="currentColor" />
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
