import styled from 'styled-components';

const Svg = styled.svg`display: block; flex: none; path { transition: opacity 0.3s; }`;

/**
 * A stem with one thorn for each grade of hazard. Clipped thorns stay as stubs;
 * a stem that is cut back lies down. The words beside it say the same.
 */
export function Thorns({ grade, left, cut, width = 84 }: { grade: number; left: number; cut: boolean; width?: number }) {
  const n = grade; // a harmless entry has none
  return (
    <Svg viewBox="0 0 84 40" width={width} height={(width * 40) / 84} aria-hidden="true">
      <path d={cut ? 'M4 35q38-4 76 0' : 'M4 32q38-4 76 2'} fill="none" stroke="currentColor" strokeWidth={cut ? 1.6 : 3} strokeDasharray={cut ? '7 4' : undefined} strokeLinecap="round" />
      {Array.from({ length: n }, (_, i) => {
        const x = 18 + (i * 50) / Math.max(n - 1, 1);
        const standing = !cut && i >= n - left;
        return standing ? (
          <path key={i} d={`M${x - 5} 31 L${x + 3} 5 L${x + 9} 31z`} fill="currentColor" />
        ) : (
          <path key={i} d={`M${x - 5} ${cut ? 33 : 31} L${x - 3} 24 L${x + 5} 26 L${x + 8} ${cut ? 33 : 31}`} fill="none" stroke="currentColor" strokeWidth="1.8" />
        );
      })}
    </Svg>
  );
}
