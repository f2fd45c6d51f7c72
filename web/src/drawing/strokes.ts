import { tint, blade, dash, fill, hatch, line, round, thin, type Mark } from './marks';

/** Strokes that many drawings share. */
export const ground = thin('M4 42h40');
export const stem = (x = 24, from = 42, to = 8) => line(`M${x} ${from}V${to}`);
export const bigCut = round(24, 24, 15);
export const drop = (x: number, y: number) => `M${x} ${y}c-4 6-4 10 0 10s4-4 0-10z`;
/** A drop as large as a tile allows. */
const big = (x: number, y: number) => `M${x} ${y}c-11 14-11 28 0 28s11-14 0-28z`;
export const dots = (at: readonly (readonly [number, number] | readonly number[])[]): Mark =>
  fill(at.map(([x, y]) => round(x, y, 1.8)).join(''));
export const leaves = (angles: [number, number, number][]): Mark[] =>
  angles.map(([x, y, a]) => line(blade(x, y, 16, 4.5, a)));
const nose = thin('M10 8c6 8 2 14-2 18c4 2 8 2 10 0');
export const scent = (d: string): Mark[] => (d ? [nose, line(d)] : [nose]);

const n = (v: number) => Number(v.toFixed(1));
const dotsAt = (x: number, y: number, s: number, at: [number, number][]): Mark =>
  fill(at.map(([u, v]) => round(n(x + u * s), n(y + v * s), Math.max(1.4, s / 14))).join(''));
const bars = (x: number, y: number, s: number, at: number[], upright: boolean): Mark =>
  line(at.map((u) => (upright ? `M${n(x + u * s)} ${n(y)}v${s}` : `M${n(x)} ${n(y + u * s)}h${s}`)).join(''));
const waves = (x: number, y: number, s: number): Mark =>
  line(
    [0.35, 0.7].map((v) => `M${n(x)} ${n(y + v * s)}q${n(s / 4)} ${n(-s / 4)} ${n(s / 2)} 0t${n(s / 2)} 0`).join(''),
  );
const zigs = (x: number, y: number, s: number, at: number[]): Mark =>
  line(
    at
      .map(
        (v) =>
          `M${n(x)} ${n(y + v * s)}l${n(s / 4)} ${n(s / 5)} ${n(s / 4)} ${n(-s / 5)} ${n(s / 4)} ${n(s / 5)} ${n(s / 4)} ${n(-s / 5)}`,
      )
      .join(''),
  );
const nine: [number, number][] = [0.22, 0.5, 0.78].flatMap((u) =>
  [0.22, 0.5, 0.78].map((v): [number, number] => [u, v]),
);

/** What a colour looks like, under its pattern; for those who see it, an extra. */
const hues: Record<string, string> = {
  cream: '#f3e7c0',
  pink: '#eba6b4',
  salmon: '#f0a284',
  chocolate: '#7a4f38',
  'purple-brown': '#7b566a',
  rust: '#c8743a',
  tawny: '#d39a5c',
  brown: '#a87448',
  grey: '#a9a9a9',
  green: '#74ab60',
  olive: '#9c9c4e',
  yellow: '#f2d338',
  'egg-yellow': '#f0b92a',
  sulphur: '#e8e25a',
  'chrome-yellow': '#f6c915',
  orange: '#ee9038',
  red: '#d9564f',
  blue: '#6f96d6',
  violet: '#9470bb',
  lilac: '#bda3d6',
  ochre: '#d0a352',
  tan: '#cfae85',
  'buff-pink': '#e2bfa8',
};

/**
 * Colours as patterns in a square from x, y with side s: no two are told apart
 * by colour alone.
 */
export function patch(name: string, x: number, y: number, s: number): Mark[] {
  const box = `M${x} ${y}h${s}v${s}h${-s}z`;
  const [cx, cy] = [x + s / 2, y + s / 2];
  const inner: Record<string, Mark[]> = {
    white: [],
    cream: [bars(x, y, s, [0.76], false)],
    pink: [dotsAt(x, y, s, nine)],
    salmon: [
      dotsAt(
        x,
        y,
        s,
        nine.filter(([, v]) => v > 0.3),
      ),
      bars(x, y, s, [0.12, 0.3], false),
    ],
    chocolate: [fill(round(cx, cy, s * 0.4))],
    black: [fill(box)],
    'purple-brown': [fill(`M${x} ${y + s}L${x + s} ${y}v${s}z`)],
    rust: [hatch(box)],
    tawny: [hatch(box), line(`M${x} ${y}l${s} ${s}`)],
    brown: [hatch(box), bars(x, y, s, [0.33, 0.67], true)],
    grey: [bars(x, y, s, [0.25, 0.5, 0.75], false)],
    green: [bars(x, y, s, [0.25, 0.5, 0.75], true)],
    olive: [bars(x, y, s, [0.33, 0.67], true), bars(x, y, s, [0.33, 0.67], false)],
    yellow: [line(round(cx, cy, s * 0.3))],
    'egg-yellow': [line(round(cx, cy, s * 0.3)), fill(round(cx, cy, s * 0.18))],
    sulphur: [line(round(cx, cy, s * 0.3)), bars(x, y, s, [0.5], true)],
    'chrome-yellow': [line(round(cx, cy, s * 0.3)), bars(x, y, s, [0.5], true), bars(x, y, s, [0.5], false)],
    orange: [line(round(cx, cy, s * 0.36)), line(round(cx, cy, s * 0.18))],
    red: [
      line(
        `M${x} ${y + s}L${x + s} ${y}M${x} ${n(y + s * 0.5)}L${n(x + s * 0.5)} ${y}M${n(x + s * 0.5)} ${y + s}L${x + s} ${n(y + s * 0.5)}`,
      ),
    ],
    blue: [waves(x, y, s)],
    violet: [zigs(x, y, s, [0.2, 0.5])],
    lilac: [zigs(x, y, s, [0.4])],
    ochre: [hatch(`M${x} ${n(y + s * 0.5)}h${s}v${n(s * 0.5)}h${-s}z`), bars(x, y, s, [0.5], false)],
    tan: [bars(x, y, s, [0.6, 0.8], false)],
    'buff-pink': [
      bars(x, y, s, [0.66, 0.84], false),
      dotsAt(
        x,
        y,
        s,
        nine.filter(([, v]) => v < 0.3),
      ),
    ],
    'dark-foot': [fill(`M${x} ${n(y + s * 0.55)}h${s}v${n(s * 0.45)}h${-s}z`)],
    'cream-edge-yellow': [line(`M${n(x + s * 0.2)} ${n(y + s * 0.2)}h${n(s * 0.6)}v${n(s * 0.6)}h${n(-s * 0.6)}z`)],
    none: [],
  };
  const marks = inner[name];
  if (!marks) return [];
  const hue = hues[name];
  return name === 'none' ? [dash(box)] : [...(hue ? [tint(box, hue)] : []), line(box), ...marks];
}

const saps: Record<string, Mark[]> = {
  clear: [line(big(24, 8))],
  milky: [fill(big(24, 8))],
  slimy: [line('M20 10c0 10-6 14-4 24M28 10c0 12 8 14 4 26M24 10v30')],
};

/** The pattern of a colour on a whole tile; nothing for a word that is no colour. */
export const colourOf = (name: string): Mark[] => saps[name] ?? patch(name, 8, 8, 32);
