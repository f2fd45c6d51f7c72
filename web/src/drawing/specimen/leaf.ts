import { line, thin, type Mark } from '../marks';
import { num, type Seen } from './piece';

type Pt = [number, number];

/** How wide a blade is along its length, as a share of its greatest width. */
const widths: Record<string, (t: number) => number> = {
  strap: (t) => Math.min(1, 8 * t, 8 * (1 - t)) * 0.35,
  needle: (t) => Math.min(1, 10 * t, 10 * (1 - t)) * 0.08,
  lance: (t) => Math.sin(Math.PI * t ** 0.8) * 0.55,
  oval: (t) => Math.sin(Math.PI * t) * 1,
  wedge: (t) => Math.sin(Math.PI * t ** 1.9) * 0.95,
  kidney: (t) => 3.8 * Math.sqrt(t * (1 - t)),
  arrow: (t) => (t < 0.06 ? 1.1 - 6 * t : 1.05 * (1 - t) ** 0.9),
};

/** How far the edge stands out or in at a point, as a share of the blade's length. */
const teeth: Record<string, (i: number) => number> = {
  entire: () => 0,
  toothed: (i) => (i % 2 ? 0.045 : 0),
  'bristle-toothed': (i) => (i % 2 ? 0.08 : 0),
  cut: (i) => (i % 4 === 2 ? -0.13 : 0),
  spiny: (i) => (i % 4 === 1 ? 0.12 : -0.02),
  crisped: (i) => Math.sin(i * 1.4) * 0.035,
};

/** The outline of one blade from its foot, length long, pointing along an angle in degrees. */
export function bladeOutline(
  x: number,
  y: number,
  length: number,
  angle: number,
  shape = 'oval',
  margin = 'entire',
): Pt[] {
  const a = (angle * Math.PI) / 180;
  const width = widths[shape] ?? widths['oval']!;
  const tooth = teeth[margin] ?? teeth['entire']!;
  const steps = 24;
  const side = (sign: number): Pt[] =>
    Array.from({ length: steps + 1 }, (_, i) => {
      const t = i / steps;
      const across = sign * Math.max(0, length * (width(t) * 0.26 + (i > 0 && i < steps ? tooth(i) : 0)));
      return [
        num(x + length * t * Math.cos(a) - across * Math.sin(a)),
        num(y + length * t * Math.sin(a) + across * Math.cos(a)),
      ];
    });
  return [...side(1), ...side(-1).reverse()];
}

const path = (pts: Pt[]): string => `M${pts.map((p) => p.join(' ')).join('L')}z`;

function veins(x: number, y: number, length: number, angle: number, kind: string, shape = 'oval'): string {
  const spread = Math.min(1, (widths[shape] ?? widths['oval']!)(0.4));
  const a = (angle * Math.PI) / 180;
  const at = (t: number, s: number): string =>
    `${num(x + length * t * Math.cos(a) - length * s * spread * Math.sin(a))} ${num(y + length * t * Math.sin(a) + length * s * spread * Math.cos(a))}`;
  const mid = `M${at(0.02, 0)}L${at(0.92, 0)}`;
  switch (kind) {
    case 'parallel':
      return mid + [-0.08, 0.08].map((s) => `M${at(0.08, s / 2)}Q${at(0.5, s * 1.6)} ${at(0.88, s / 3)}`).join('');
    case 'pleated':
      return (
        mid +
        [-0.14, -0.07, 0.07, 0.14].map((s) => `M${at(0.06, s / 2)}Q${at(0.5, s * 1.3)} ${at(0.9, s / 4)}`).join('')
      );
    case 'three-main':
      return mid + [-0.16, 0.16].map((s) => `M${at(0.03, 0)}Q${at(0.4, s)} ${at(0.85, s / 4)}`).join('');
    case 'net':
      return (
        mid + [0.25, 0.45, 0.65].flatMap((t) => [-1, 1].map((s) => `M${at(t, 0)}L${at(t + 0.13, s * 0.13)}`)).join('')
      );
  }
  return '';
}

/** A leaf with its stalk, as its division, shape, edge and veins were seen; unseen, a plain oval. */
export function leaf(x: number, y: number, length: number, angle: number, see: Seen): Mark[] {
  const shape = see('leaf-shape') ?? 'oval';
  const margin = see('leaf-margin') ?? 'entire';
  const stalk = see('leaf-stalk') === 'absent' ? 0 : 0.2;
  const a = (angle * Math.PI) / 180;
  const along = (t: number): Pt => [x + length * t * Math.cos(a), y + length * t * Math.sin(a)];
  const one = (p: Pt, len: number, dir: number, withVeins = true): Mark[] => {
    const v = withVeins ? veins(p[0], p[1], len, dir, see('leaf-veins') ?? '', shape) : '';
    return [line(path(bladeOutline(p[0], p[1], len, dir, shape, margin))), ...(v ? [thin(v)] : [])];
  };
  const rachis = (from: number, to: number): Mark =>
    line(`M${along(from).map(num).join(' ')}L${along(to).map(num).join(' ')}`);
  const stem = stalk > 0 ? [rachis(0, stalk)] : [];
  switch (see('leaf-division')) {
    case 'three':
      return [
        ...stem,
        rachis(0, 0.5),
        ...one(along(0.5), length * 0.5, angle),
        ...[-75, 75].flatMap((d) => one(along(0.44), length * 0.42, angle + d)),
      ];
    case 'fingered':
      return [
        rachis(0, 0.42),
        ...[-80, -40, 0, 40, 80].flatMap((d) => one(along(0.42), length * 0.55, angle + d, false)),
      ];
    case 'once-divided':
      return [
        rachis(0, 0.72),
        ...one(along(0.72), length * 0.3, angle, false),
        ...[0.3, 0.5, 0.7].flatMap((t) => [-65, 65].flatMap((d) => one(along(t), length * 0.3, angle + d, false))),
      ];
    case 'many-times':
      return [
        rachis(0, 0.9),
        ...[0.25, 0.45, 0.65, 0.82].flatMap((t) =>
          [-60, 60].flatMap((d) => twig(along(t), length * (0.42 - 0.3 * t), angle + d)),
        ),
      ];
    case 'lobed':
      return [
        ...stem,
        line(path(lobes(along(stalk), length * (1 - stalk), angle))),
        thin(veins(...along(stalk), length * (1 - stalk), angle, see('leaf-veins') ?? '')),
      ].filter((m) => m.d);
    default: // one blade, or nothing seen yet
      break;
  }
  return [...stem, ...one(along(stalk), length * (1 - stalk), angle)];
}

/** A divided leaflet of a finely cut leaf. */
function twig(p: Pt, len: number, angle: number): Mark[] {
  const a = (angle * Math.PI) / 180;
  const at = (t: number): Pt => [p[0] + len * t * Math.cos(a), p[1] + len * t * Math.sin(a)];
  const side = [0.35, 0.6, 0.85].flatMap((t) =>
    [-45, 45].map((d) => {
      const b = ((angle + d) * Math.PI) / 180;
      const [x, y] = at(t);
      return `M${num(x)} ${num(y)}L${num(x + len * 0.3 * Math.cos(b))} ${num(y + len * 0.3 * Math.sin(b))}`;
    }),
  );
  return [line(`M${p.map(num).join(' ')}L${at(1).map(num).join(' ')}`), thin(side.join(''))];
}

/** A blade with two lobes a side. */
function lobes(p: Pt, length: number, angle: number): Pt[] {
  const a = (angle * Math.PI) / 180;
  const side: [number, number][] = [
    [0, 0.02],
    [0.1, 0.2],
    [0.26, 0.34],
    [0.3, 0.12],
    [0.5, 0.3],
    [0.58, 0.1],
    [0.8, 0.14],
    [1, 0],
  ];
  const at = (t: number, s: number): Pt => [
    num(p[0] + length * t * Math.cos(a) - length * s * Math.sin(a)),
    num(p[1] + length * t * Math.sin(a) + length * s * Math.cos(a)),
  ];
  return [
    ...side.map(([t, s]) => at(t, s)),
    ...side
      .slice(0, -1)
      .reverse()
      .map(([t, s]) => at(t, -s)),
  ];
}

/** Where the leaves of a shoot begin: foot and direction, pairs level, turns alternating. */
export function leafFeet(
  arrangement: string,
  x: number,
  top: number,
  bottom: number,
): { x: number; y: number; angle: number }[] {
  const step = (bottom - top) / 3;
  const rows = [0, 1, 2].map((i) => bottom - step * (i + 0.35));
  switch (arrangement) {
    case 'opposite':
      return rows.flatMap((y) => [
        { x, y, angle: -150 },
        { x, y, angle: -30 },
      ]);
    case 'whorled':
      return rows.slice(0, 2).flatMap((y) => [-165, -125, -55, -15].map((angle) => ({ x, y, angle })));
    case 'basal':
      return [-150, -115, -65, -30].map((angle) => ({ x: x + (angle + 90) / 6, y: bottom, angle }));
  }
  return rows.map((y, i) => ({ x, y, angle: i % 2 ? -30 : -150 }));
}
