import { blade, dash, fill, hatch, line, polygon, rays, round, thin, type Mark } from './marks';
import { drop, patch } from './strokes';

/** A torn stalk: the upper half above, the lower half below, a gap between. */
const torn = (...m: Mark[]): Mark[] => [line('M18 2v12l6 3 6-3V2'), line('M18 46V34l6-3 6 3v12'), ...m];
const leafEdge = 'M24 46C4 38 4 14 24 2C44 14 44 38 24 46z';
const smallBlade = 'M24 30C8 26 8 10 24 2C40 10 40 26 24 30z';
const midrib = line('M24 46V4');
const twig = line('M2 30h44M2 38h44');
const soda = (...m: Mark[]): Mark[] => [line(drop(24, 1)), ...m];
const stump = line('M2 46h44');

/** Drawings of the traits that decide between neighbours. */
export const deciding: Record<string, Mark[]> = {
  'torn-stalk/clean': torn(),
  'torn-stalk/strings': torn(line('M20 15c-4 6 3 9-1 15M24 17c4 4-4 8 1 13M28 15c5 6-3 10 2 16')),
  'torn-stalk/web': torn(
    thin('M19 15v18M22 16v17M26 16v17M29 15v18'),
    thin('M18 20h12M17 24h14M18 28h12M19 16l10 16M29 16L19 32'),
  ),
  'flower-place/strap': [
    line('M10 46C6 30 8 12 16 2c8 8 10 28 4 44z'),
    line('M16 24l16-4M32 20l-4-10M32 20l8-8M32 20l10 2M32 20l4 12'),
    fill(round(28, 9, 3)),
    fill(round(41, 11, 3)),
    fill(round(43, 23, 3)),
    fill(round(37, 33, 3)),
  ],
  'plant-latex/milk': [
    line('M16 2v20M30 2v20M16 22l7 4 7-4'),
    fill(drop(18, 24)),
    fill(drop(28, 24)),
    fill(round(23, 42, 9, 4)),
  ],
  'plant-latex/none': [line('M16 2v20M30 2v20M16 22l7 4 7-4'), dash(round(23, 38, 8))],
  'needle-foot/peg': [
    twig,
    line(blade(16, 24, 20, 2.5, -70)),
    fill('M14 24h5v6h-5z'),
    fill('M28 24h5v6h-5z'),
    fill('M38 24h5v6h-5z'),
    line(blade(40, 24, 18, 2.5, -95)),
  ],
  'needle-foot/runs-down': [
    twig,
    line(blade(18, 30, 26, 3, -65)),
    line('M18 30L6 34M36 30l-12 4'),
    line(blade(36, 30, 26, 3, -75)),
    hatch('M4 31h40v6H4z'),
  ],
  'needle-foot/disc': [twig, line(round(12, 34, 3.5)), line(round(36, 34, 3.5)), line(blade(24, 30, 28, 3, -90))],
  'needle-section/four-edged': [line(polygon(24, 24, 17, 4, -90)), thin('M24 7v34M7 24h34')],
  'needle-section/flat': [line(round(24, 24, 21, 6)), thin('M4 24h40'), line('M12 38h24')],
  'stalk-glands/present': [line(smallBlade), line('M24 30v16'), fill(round(19, 34, 4)), fill(round(29, 34, 4))],
  'stalk-glands/absent': [line(smallBlade), line('M24 30v16'), thin('M24 28V8')],
  'edge-vein/present': [
    line(leafEdge),
    midrib,
    thin('M24 42C10 35 10 16 24 7C38 16 38 35 24 42'),
    thin('M24 34l-9-5M24 34l9-5M24 24l-10-5M24 24l10-5'),
  ],
  'edge-vein/absent': [
    line(leafEdge),
    midrib,
    thin('M24 38L10 28M24 38l14-10M24 28L9 18M24 28l15-10M24 18l-10-6M24 18l10-6'),
  ],
  'mealy-leaf/meal': [
    line(leafEdge),
    ...[
      [18, 14],
      [28, 12],
      [14, 24],
      [24, 22],
      [34, 24],
      [18, 33],
      [29, 32],
      [24, 40],
    ].map(([x, y]) => fill(round(x!, y!, 2.6))),
  ],
  'mealy-leaf/none': [line(leafEdge), midrib, thin('M24 34L12 26M24 34l12-8M24 22l-12-6M24 22l12-6')],
  'trunk/one-trunk': [
    stump,
    line('M18 46V34L6 24M30 46V34l12-10M24 46V22'),
    ...[
      [2, 20],
      [16, 16],
      [32, 20],
    ].map(([x, y]) => line(`M${x} ${y}c0-8 14-8 14 0z`)),
  ],
  'trunk/each-own': [
    stump,
    ...[4, 19, 34].map((x) => line(`M${x - 2} 30c0-9 14-9 14 0zM${x + 3} 30v16M${x + 7} 30v16`)),
  ],
  'trunk/one-shelf': [
    line('M6 2v44'),
    line('M6 12h30c8 0 8 8 0 8H6M6 22h36c6 0 6 8 0 8H6M6 32h28c8 0 8 8 0 8H6'),
    hatch('M6 20h30v2H6zM6 30h30v2H6z'),
  ],
  'cap-beard/beard': [
    line('M4 24C4 6 44 6 44 24'),
    line('M6 24l-3 14M12 24l-3 18M18 24l-2 14M24 24v18M30 24l2 14M36 24l3 18M42 24l3 14'),
  ],
  'cap-beard/felt': [
    line('M4 24C4 6 44 6 44 24'),
    thin('M5 24v5M9 24v5M13 24v5M17 24v5M21 24v5M25 24v5M29 24v5M33 24v5M37 24v5M41 24v5'),
    line('M4 24h40'),
  ],
  'cap-beard/bare': [line('M4 24C4 6 44 6 44 24q0 8-8 6H12q-8 2-8-6z')],
  'stem-snap/chalk': [line('M14 4h20v16H14z'), line('M14 44h20V28H14z'), hatch('M14 4h20v16H14z')],
  'stem-snap/threads': [
    line('M14 4v14M34 4v14M14 46V32M34 46V32'),
    thin('M14 18l3 8M18 16l1 14M22 18l1 10M26 16v14M30 18l-1 10M34 18l-3 8M17 32v-5M31 32v-6'),
  ],
  'stem-snap/bends': [line('M10 46C10 14 18 6 42 6'), line('M24 46c0-18 4-24 18-24'), line('M42 6v16M10 46h14')],
  'alkali-drop/violet': soda(...patch('violet', 9, 15, 30)),
  'alkali-drop/yellow': soda(...patch('yellow', 9, 15, 30)),
  'alkali-drop/brown': soda(...patch('brown', 9, 15, 30)),
  'alkali-drop/none': soda(dash('M9 15h30v30H9z')),
  'fruit-kind/acorn': [
    line('M8 18c0-16 32-16 32 0z'),
    hatch('M8 18c0-16 32-16 32 0z'),
    line('M11 18c0 20 8 28 13 29 5-1 13-9 13-29'),
    line('M24 6V1'),
  ],
  'fruit-kind/leafy-nut': [
    line('M12 24C10 6 38 6 36 24'),
    thin('M18 22V14M24 22V10M30 22V14'),
    line('M8 18l2 22 6-5 4 9 4-8 4 8 4-9 6 5 2-22-6 6-6-4-4 4-4-4-6 4z'),
  ],
  'fruit-kind/husk-nut': [
    line(round(24, 24, 21)),
    line(round(24, 24, 12)),
    thin(rays(24, 24, 3, 11, 7)),
    thin('M24 3v9M24 36v9'),
  ],
  'fruit-kind/hip': [
    line('M24 4C10 12 8 34 18 40h12c10-6 8-28-6-36z'),
    line('M18 40l-6 7M22 40l-1 7M26 40l1 7M30 40l6 7'),
    fill(round(24, 24, 2)),
    fill(round(20, 30, 2)),
    fill(round(28, 30, 2)),
  ],
  'fruit-kind/cone': [
    line('M24 2C8 14 8 38 24 46c16-8 16-32 0-44z'),
    thin('M14 14q10 8 20 0M11 23q13 9 26 0M12 32q12 9 24 0M17 40q7 5 14 0'),
    thin('M24 18v8M18 26v8M30 26v8'),
  ],
  'flower-plan/pea': [
    line('M24 26C6 24 6 2 24 4c18-2 18 20 0 22z'),
    line('M12 28c-6 8 2 14 10 10M36 28c6 8-2 14-10 10'),
    fill('M20 26h8l3 14c-4 6-10 6-14 0z'),
  ],
};
