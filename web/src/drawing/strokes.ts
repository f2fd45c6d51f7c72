import { blade, fill, hatch, line, round, thin, type Mark } from './marks';

/** Strokes that many drawings share. */
export const ground = thin('M4 42h40');
export const stem = (x = 24, from = 42, to = 8) => line(`M${x} ${from}V${to}`);
export const bigCut = round(24, 24, 15);
export const drop = (x: number, y: number) => `M${x} ${y}c-4 6-4 10 0 10s4-4 0-10z`;
export const dots = (at: readonly (readonly [number, number] | readonly number[])[]): Mark => fill(at.map(([x, y]) => round(x!, y!, 1.8)).join(''));
export const leaves = (angles: [number, number, number][]): Mark[] => angles.map(([x, y, a]) => line(blade(x, y, 16, 4.5, a)));
const nose = thin('M10 8c6 8 2 14-2 18c4 2 8 2 10 0');
export const scent = (d: string): Mark[] => (d ? [nose, line(d)] : [nose]);
const swatch = (...m: Mark[]): Mark[] => [line('M8 8h32v32H8z'), ...m];

/** Colours as patterns: no two are told apart by colour alone. */
const colours: Record<string, Mark[]> = {
  white: swatch(),
  cream: swatch(thin('M12 36h24')),
  pink: swatch(thin('M14 14h.1M24 14h.1M34 14h.1M19 24h.1M29 24h.1M14 34h.1M24 34h.1M34 34h.1')),
  salmon: swatch(thin('M12 16h24M14 26h.1M24 26h.1M34 26h.1M14 34h.1M24 34h.1M34 34h.1')),
  chocolate: swatch(fill('M10 10h28v28H10z')),
  black: swatch(fill('M8 8h32v32H8z')),
  rust: swatch(hatch('M10 10h28v28H10z')),
  tawny: swatch(hatch('M10 10h28v28H10z'), thin('M10 10l28 28')),
  brown: swatch(hatch('M10 10h28v28H10z'), thin('M38 10L10 38')),
  grey: swatch(thin('M10 16h28M10 22h28M10 28h28M10 34h28')),
  green: swatch(thin('M16 10v28M24 10v28M32 10v28')),
  yellow: swatch(thin(round(24, 24, 9))),
  'egg-yellow': swatch(thin(round(24, 24, 9)), fill(round(24, 24, 3))),
  orange: swatch(thin(round(24, 24, 11)), thin(round(24, 24, 6))),
  red: swatch(thin('M10 38L38 10M10 24L24 10M24 38L38 24')),
  blue: swatch(thin('M10 18q7-6 14 0t14 0M10 30q7-6 14 0t14 0')),
  violet: swatch(thin('M10 15l7 8 7-8 7 8 7-8M10 28l7 8 7-8 7 8 7-8')),
  lilac: swatch(thin('M10 20l7 8 7-8 7 8 7-8')),
  ochre: swatch(hatch('M10 24h28v14H10z')),
  sulphur: swatch(thin(round(24, 24, 9)), thin('M24 10v28')),
  olive: swatch(thin('M16 10v28M24 10v28M32 10v28M10 24h28')),
  tan: swatch(thin('M12 36h24M12 30h24')),
  'purple-brown': swatch(fill('M10 10h28v28H10z'), thin('M8 4h32')),
  'buff-pink': swatch(thin('M12 36h24M14 14h.1M24 14h.1M34 14h.1M19 24h.1M29 24h.1')),
  'dark-foot': swatch(fill('M10 26h28v12H10z')),
  'cream-edge-yellow': swatch(thin('M14 14h20v20H14z')),
  clear: [line(drop(24, 16))],
  milky: [fill(drop(24, 16))],
  slimy: [line('M20 10c0 10-6 14-4 24M28 10c0 12 8 14 4 26M24 10v30')],
};

/** The pattern of a colour; nothing for a word that is no colour. */
export const colourOf = (name: string): Mark[] => colours[name] ?? [];
