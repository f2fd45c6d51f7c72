import type { XY } from './map';

const ways: Record<string, XY> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: 1 },
  ArrowDown: { x: 0, y: -1 },
};

/** The pen of the map for the keyboard: arrow keys move it, Enter or space sets a point. */
export function Pen({
  at,
  unit,
  onMove,
  onSet,
}: {
  at: XY;
  unit: number;
  onMove: (p: XY) => void;
  onSet: (p: XY) => void;
}) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Pen, ${Math.round(at.x)} m east and ${Math.round(at.y)} m north of the middle; arrow keys move it, Enter sets a point`}
      onClick={(e) => {
        e.stopPropagation();
        onSet(at);
      }}
      onKeyDown={(e) => {
        const way = ways[e.key];
        const step = unit * (e.shiftKey ? 5 : 1);
        if (way) {
          e.preventDefault();
          onMove({ x: at.x + way.x * step, y: at.y + way.y * step });
        }
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          onSet(at);
        }
      }}
    >
      <circle
        cx={at.x}
        cy={-at.y}
        r={unit * 2.4}
        fill="var(--lemon)"
        fillOpacity="0.35"
        stroke="var(--ink)"
        strokeWidth={unit * 0.3}
      />
      <path
        d={`M${at.x - unit * 2} ${-at.y}h${unit * 4}M${at.x} ${-at.y - unit * 2}v${unit * 4}`}
        stroke="var(--ink)"
        strokeWidth={unit * 0.3}
      />
    </g>
  );
}
