import { blade, dash, fill, hatch, line, petals, polygon, rays, round, thin, type Mark } from './marks';
import { bigCut, colourOf, dots, drop, ground, patch, leaves, scent, stem } from './strokes';

const leaf = (...m: Mark[]): Mark[] => [line(blade(24, 44, 40, 13, -90)), ...m];
const footOfLeaf = (d: string): Mark[] => [line(d), line('M24 36V46'), thin('M24 36V8')];
const twig = [line('M20 46V4M28 46V4')];
const berry = (...m: Mark[]): Mark[] => [line(round(24, 22, 14)), ...m];
const bloom = (...m: Mark[]): Mark[] => [line('M24 46V30'), ...m];
const bulbOf = (...m: Mark[]): Mark[] => [line('M21 4v10C8 18 10 40 24 40s16-22 3-26V4'), ...m];
const cutEnd = (...m: Mark[]): Mark[] => [line('M16 4h16v14H16z'), ...m];
const balls = (at: [number, number][], r = 3.5): Mark[] => at.map(([x, y]) => fill(round(x, y, r)));

/** Drawings of the states of plants that are not in the first set. */
export const plants: Record<string, Mark[]> = {
  // Habit and stem
  'plant-habit/soft-vine': [
    ground,
    thin('M24 44V4'),
    line('M18 42C36 36 12 28 30 22S16 10 28 4'),
    ...leaves([
      [30, 22, -10],
      [16, 30, -170],
    ]),
  ],
  'plant-habit/fern': [
    ground,
    line('M24 42C24 24 26 14 36 8'),
    thin('M24 34l-9-4M25 28l-9-6M26 22l-7-7M29 16l-5-7M24 36l9 0M26 30l9-1M28 23l9 0M32 15l7 2'),
  ],
  'growth-form/upright': [
    ground,
    stem(24, 42, 4),
    ...leaves([
      [24, 30, -130],
      [24, 20, -50],
    ]),
  ],
  'growth-form/creeping': [ground, line('M4 38h40M12 38V30M24 38V28M36 38V30'), thin('M12 38v6M24 38v6M36 38v6')],
  'growth-form/rosette': [...[0, 60, 120, 180, 240, 300].map((a) => line(blade(24, 24, 20, 5, a)))],
  'growth-form/tuft': [ground, line('M24 42L8 10M24 42L16 6M24 42V4M24 42l8-36M24 42L40 10')],
  'growth-form/climbing': [hatch('M28 2h8v44h-8z'), line('M22 46C46 38 18 28 42 20S24 8 40 4')],
  'climbing-organs/tendrils': [stem(12), line('M12 26C22 16 30 24 26 30s-12 0-6-6 18-4 20 6-6 10-8 4')],
  'climbing-organs/pads': [
    stem(10),
    line('M10 28L30 14M16 24l18 2M14 26l16 12'),
    ...balls([
      [33, 13],
      [37, 26],
      [33, 39],
    ]),
  ],
  'climbing-organs/rootlets': [
    hatch('M30 2h12v44H30z'),
    stem(20),
    thin('M20 8l10-3M20 12l10 2M20 16l10-3M20 20l10 2M20 26l10-3M20 30l10 2M20 36l10-3M20 40l10 2'),
  ],
  'climbing-organs/twining': [line('M20 46V2M28 46V2'), line('M12 42C40 36 40 32 12 26M36 22C10 18 10 12 36 6')],
  'tendril-place/opposite': [stem(24), ...leaves([[24, 26, -165]]), line('M24 26C34 20 40 26 36 30s-8 0-4-4')],
  'tendril-place/corner': [stem(24), ...leaves([[24, 30, -10]]), line('M24 26C30 14 40 14 38 20s-8 2-5-3')],
  'tendril-place/leaf-end': [stem(10), line(blade(10, 32, 18, 5, -25)), line('M26 25C36 18 42 24 38 29s-8-1-3-4')],
  'thorns/prickles': [...twig, line('M20 12l-8-4 8-2M20 30l-8-4 8-2M28 22l8-4-8-2M28 40l8-4-8-2')],
  'thorns/vein-spines': [line(blade(24, 46, 42, 14, -90)), line('M24 44V6'), line('M24 36l7-4M24 28l-7-4M24 20l6-4')],
  'thorns/thorns': [...twig, line('M20 26L4 20l16-2M28 34l16-6-16-2')],
  'thorns/leaf-spines': [line('M24 4l3 8 9-4-4 9 9 3-8 5 6 8-10-1 0 10-5-6-5 6 0-10-10 1 6-8-8-5 9-3-4-9 9 4z')],
  'thorns/none': [...twig, dash('M12 12l-6-4M36 28l6-4')],
  'branching/single': [ground, stem(24, 42, 6), ...balls([[24, 6]])],
  'branching/above': [ground, stem(24, 42, 22), line('M24 22L12 6M24 22V6M24 22L36 6')],
  'branching/base': [ground, line('M24 42L10 6M24 42V4M24 42L38 6')],
  'joints/swollen': [line('M20 46V30M28 46V30M20 18V2M28 18V2'), line(round(24, 24, 10, 7))],
  'joints/sheathed': [...twig, hatch('M16 18h16v14H16z'), line('M16 18l4-4h8l4 4M16 18v14h16V18')],
  'joints/plain': [...twig, thin('M18 24h12')],
  'runners/present': [
    ground,
    line('M8 40q16-22 32 0'),
    ...leaves([
      [8, 40, -110],
      [8, 40, -70],
      [40, 40, -110],
      [40, 40, -70],
    ]),
  ],
  'twig-buds/opposite': [...twig, line(blade(20, 28, 14, 4, -135)), line(blade(28, 28, 14, 4, -45))],
  'twig-buds/alternate': [...twig, line(blade(20, 36, 14, 4, -135)), line(blade(28, 20, 14, 4, -45))],
  'bud-cover/naked': [
    line('M24 46V34'),
    line(blade(24, 36, 30, 10, -90)),
    dots([
      [20, 22],
      [24, 26],
      [27, 20],
      [24, 14],
      [22, 30],
    ]),
  ],
  'bud-cover/scales': [
    line('M24 46V36'),
    line(blade(24, 38, 32, 11, -90)),
    thin('M17 30q7-8 14 0M18 22q6-7 12 0M20 15q4-5 8 0'),
  ],
  'bud-cover/two-scales': [line('M24 46V36'), line(blade(24, 38, 32, 11, -90)), line('M24 38V8')],
  'bud-cover/hidden': [line('M20 46V4M28 46V4'), line('M28 30q8-4 12-14'), dash(round(28, 27, 4))],
  'bud-shape/beak': [line('M24 46V38M18 38C18 22 30 20 38 2 36 26 32 34 30 38z')],
  'bud-shape/pointed': [line('M24 46V38'), line('M16 38L24 4l8 34z')],
  'bud-shape/round': [line('M24 46V36'), line(round(24, 22, 12, 14))],
  'bud-shape/none': [line('M20 46V12h8v34'), dash('M16 12L24 2l8 10')],
  'leaf-scar/u': [...twig, line('M17 16v8c0 10 14 10 14 0v-8')],
  'leaf-scar/shield': [
    ...twig,
    line('M16 16h16c0 10-3 16-8 18-5-2-8-8-8-18z'),
    dots([
      [20, 22],
      [24, 25],
      [28, 22],
    ]),
  ],
  'leaf-scar/round': [...twig, line(round(24, 25, 7)), dots([[24, 25]])],
  'leaf-scar/line': [...twig, line('M16 24q8 5 16 0')],
  'bark-form/smooth': [line('M10 2v44M38 2v44')],
  'bark-form/furrowed': [
    line('M10 2v44M38 2v44'),
    line('M17 2q-4 12 0 22t0 22M24 2q4 12 0 22t0 22M31 2q-4 12 0 22t0 22'),
  ],
  'bark-form/shreds': [
    line('M12 2v44M36 2v44'),
    line('M18 2c0 18-8 24-12 34M24 6c0 18-6 28-8 38M30 2c0 16 8 24 12 34'),
  ],
  'bark-form/warty': [
    line('M10 2v44M38 2v44'),
    ...[
      [17, 10],
      [27, 16],
      [33, 8],
      [19, 26],
      [30, 30],
      [18, 40],
      [29, 42],
    ].map(([x, y]) => line(round(x!, y!, 2.6))),
  ],
  'bark-form/shaggy': [
    line('M12 2v44M36 2v44'),
    line('M12 10l10 8-4-10M30 8l-6 12 10-4M14 28l10 8-4-10M34 28l-8 10 8-2'),
  ],
  'stem-hairs/one-line': [
    line('M18 4v40M30 4v40'),
    thin('M24 8l5-2M24 14l5-2M24 20l5-2M24 26l5-2M24 32l5-2M24 38l5-2'),
  ],
  'stem-hairs/stinging': [
    line('M20 4v40M28 4v40'),
    line('M20 14l-12 2M20 30l-12 2M28 22l12 2M28 38l12 2'),
    ...balls(
      [
        [20, 14],
        [20, 30],
        [28, 22],
        [28, 38],
      ],
      2.4,
    ),
  ],
  'stem-hairs/hooked': [
    line('M20 4v40M28 4v40'),
    line('M20 14c-8-4-12 2-9 6M20 32c-8-4-12 2-9 6M28 14c8-4 12 2 9 6M28 32c8-4 12 2 9 6'),
  ],
  'stem-hairs/sticky': [
    line('M20 4v40M28 4v40'),
    thin('M20 12h-7M20 24h-7M20 36h-7M28 12h7M28 24h7M28 36h7'),
    ...balls(
      [
        [11, 12],
        [11, 24],
        [11, 36],
        [37, 12],
        [37, 24],
        [37, 36],
      ],
      2.2,
    ),
  ],
  'stipules/sheath': [line('M20 46V4M28 46V4M28 30l14-12'), hatch('M18 14h12v16H18z'), line('M18 30V14l6-4 6 4v16')],
  'pith-colour/white': [...twig, line('M22 46V4M26 46V4')],
  'pith-colour/brown': [...twig, fill('M22 4h4v42h-4z')],
  // Leaves
  'leaf-insertion/fan': [
    ground,
    line(blade(24, 42, 34, 4, -140)),
    line(blade(24, 42, 36, 4, -115)),
    line(blade(24, 42, 38, 4, -90)),
    line(blade(24, 42, 36, 4, -65)),
    line(blade(24, 42, 34, 4, -40)),
    thin('M18 42h12'),
  ],
  'leaf-insertion/all-round': [
    ground,
    line(round(24, 36, 7, 6)),
    line('M18 34L8 6M21 31L18 4M27 31l3-27M30 34L40 6'),
    thin(round(24, 36, 3.5, 3)),
  ],
  'leaf-division/three': [
    line('M24 46V26'),
    line(blade(24, 26, 22, 7, -90)),
    line(blade(24, 26, 18, 6, -170)),
    line(blade(24, 26, 18, 6, -10)),
  ],
  'leaf-veins/three-main': leaf(
    line('M24 42V6'),
    line('M24 38C14 30 15 18 21 11M24 38c10-8 9-20 3-27'),
    thin('M24 30l-6-4M24 30l6-4M24 20l-5-4M24 20l5-4'),
  ),
  'leaf-margin/spiny': [
    line('M2 36C6 26 8 20 6 8c6 10 10 12 14 8 2-2 2-6 0-14 6 8 10 12 14 8 2-2 4-4 4-8 2 14 4 22 8 34'),
    thin('M24 44V24'),
  ],
  'leaf-margin/crisped': [line('M4 28q4-10 7 0t7 0 7 0 7 0 7 0 4-4'), thin('M4 36h40')],
  'leaf-shape/kidney': [line('M24 30V46M24 30c-4 8-18 6-18-8C6 8 16 4 24 4s18 4 18 18c0 14-14 16-18 8z')],
  'leaf-shape/needle': [line('M23 46V12l1-8 1 8v34z')],
  'leaf-hairs/stinging': [
    line(blade(6, 28, 36, 11, 0)),
    line('M14 20l-2-12M22 18V6M30 18l2-12'),
    ...balls(
      [
        [14, 20],
        [22, 18],
        [30, 18],
      ],
      2.2,
    ),
  ],
  'leaf-hairs/hooked': [
    line(blade(6, 28, 36, 11, 0)),
    line('M14 20c-2-10 6-12 6-6M24 18c-2-10 6-12 6-6M34 22c-2-10 6-12 6-6'),
  ],
  'leaf-base/tapered': footOfLeaf('M10 8C14 24 20 32 24 36c4-4 10-12 14-28'),
  'leaf-base/rounded': footOfLeaf('M8 8C6 28 14 36 24 36S42 28 40 8'),
  'leaf-base/heart': footOfLeaf('M8 8C2 24 6 44 16 44c6 0 8-4 8-8 0 4 2 8 8 8 10 0 14-20 8-36'),
  'leaf-base/arrow-lobes': footOfLeaf('M12 8C10 22 8 32 4 44l20-8 20 8C40 32 38 22 36 8'),
  'leaf-base/uneven': footOfLeaf('M8 8C4 28 10 44 24 40c0-4 0-6 0-8 8-2 16-12 16-24'),
  'leaf-base/clasping': [
    stem(24, 46, 2),
    line('M24 30c-4 12-18 8-18-4M24 30c4 12 18 8 18-4'),
    line('M6 26C8 14 18 12 24 18c6-6 16-4 18 8'),
  ],
  'leaf-tip/pointed': [line('M8 44C10 26 18 14 24 8c6 6 14 18 16 36'), thin('M24 44V14')],
  'leaf-tip/drawn-out': [line('M8 44C10 30 20 26 24 2c4 24 14 28 16 42'), thin('M24 44V14')],
  'leaf-tip/blunt': [line('M8 44C4 14 14 8 24 8s20 6 16 36'), thin('M24 44V14')],
  'leaf-tip/notched': [line('M8 44C2 16 12 6 24 14c12-8 22 2 16 30'), thin('M24 44V18')],
  'leaf-underside/same': [line(blade(16, 44, 38, 9, -90)), line(blade(34, 44, 38, 9, -90))],
  'leaf-underside/paler': [hatch(blade(14, 44, 38, 9, -90)), line(blade(34, 44, 38, 9, -90))],
  'leaf-underside/frosted': [
    line(blade(14, 44, 38, 9, -90)),
    dash(blade(34, 44, 38, 9, -90)),
    thin('M30 18l8 8M30 28l8 8M38 18l-8 8'),
  ],
  'leaf-underside/dotted': leaf(
    dots([
      [20, 18],
      [27, 16],
      [24, 24],
      [19, 28],
      [29, 28],
      [22, 34],
      [27, 35],
    ]),
  ),
  'leaf-underside/purple': [line(blade(14, 44, 38, 9, -90)), fill(blade(34, 44, 38, 9, -90))],
  'leaf-gloss/matt': leaf(),
  'leaf-gloss/shiny': leaf(line('M19 16l4 12M25 10l2 6')),
  'leaf-gloss/waxy': leaf(thin('M18 14l12 14M17 22l12 14M22 10l9 11')),
  'stalk-joins/edge': [line('M8 8C4 26 14 34 24 34S44 26 40 8'), line('M24 34V46'), ...balls([[24, 34]], 2.5)],
  'stalk-joins/inside': [line('M8 6C2 28 12 42 24 42S46 28 40 6'), line('M24 30L30 46'), ...balls([[24, 30]], 2.5)],
  'young-leaf/rolled': [ground, line('M18 42V14c0-10 14-10 14 0v28M18 14c0 8 10 8 10 0M28 14v28')],
  'young-leaf/pleated': [ground, line('M12 42L16 6l4 10 4-12 4 12 4-10 4 36M20 16l-2 26M28 16l2 26')],
  'young-leaf/folded': [ground, line('M24 42C12 30 14 12 24 4c0 12 0 26 0 38zM24 4c6 6 8 24 0 38')],
  'young-leaf/coiled': [ground, line('M20 42V22C20 6 40 6 40 20c0 10-14 10-14 1 0-6 8-6 8-1')],
  'young-leaf/flat': [ground, line(blade(24, 42, 36, 13, -90)), thin('M24 42V10')],
  'end-leaflet/long-stalk': [
    line('M24 46V18M24 36L10 36M24 36h14'),
    line(blade(24, 18, 15, 6, -90)),
    line(blade(22, 36, 18, 5, -180)),
    line(blade(26, 36, 18, 5, 0)),
  ],
  'end-leaflet/same': [
    line('M24 46V28'),
    ...[-90, -170, -10].map((a) => line(blade(24 + (a === -90 ? 0 : a < -90 ? -3 : 3), a === -90 ? 24 : 28, 17, 6, a))),
  ],
  'end-leaflet/stalkless': [line('M24 46V30'), ...[-90, -150, -30].map((a) => line(blade(24, 30, 24, 7, a)))],
  'leaf-bud/below-unit': [
    stem(12, 46, 2),
    line('M12 34L40 14'),
    thin('M20 28l-2-10M27 23l-2-10M24 26l10 3M31 20l10 3'),
    line(blade(13, 31, 9, 3, -80)),
  ],
  'leaf-bud/at-each': [
    stem(12, 46, 2),
    line('M12 38l10-6M12 22l10-6'),
    line(blade(22, 32, 20, 5, -20)),
    line(blade(22, 16, 20, 5, -20)),
    line(blade(13, 35, 8, 3, -80)),
    line(blade(13, 19, 8, 3, -80)),
  ],
  'leaf-section/flat': [line('M4 22h40v4H4z')],
  'leaf-section/hollow': [line(bigCut), line(round(24, 24, 11))],
  'leaf-section/keeled': [line('M4 16l20 8 20-8v4L26 30v8h-4v-8L4 20z')],
  'leaf-section/channelled': [line('M4 14C10 40 38 40 44 14l-4 0C34 32 14 32 8 14z')],
  'leaf-section/sword': [line('M24 2c5 14 5 30 0 44-5-14-5-30 0-44z'), hatch('M24 8c3 10 3 22 0 32-3-10-3-22 0-32z')],
  'midrib-place/central': [line('M14 46V8q10-10 20 0v38'), line('M24 46V4')],
  'midrib-place/off-centre': [line('M14 46V8q10-10 20 0v38'), line('M19 46V6')],
  'midrib-place/none': [line('M14 46V8q10-10 20 0v38'), thin('M18 44V10M22 44V8M26 44V8M30 44V10')],
  'top-leaf/stalked': [
    stem(24, 46, 12),
    line('M24 30h8M24 30h-8'),
    line(blade(32, 30, 14, 5, -10)),
    line(blade(16, 30, 14, 5, -170)),
    ...balls([[24, 9]]),
  ],
  'top-leaf/short': [
    stem(24, 46, 12),
    line(blade(26, 28, 18, 6, -20)),
    line(blade(22, 28, 18, 6, -160)),
    ...balls([[24, 9]]),
  ],
  'top-leaf/clasping': [stem(24, 46, 12), line('M6 22c2 14 34 14 36 0-8-8-28-8-36 0z'), ...balls([[24, 9]])],
  'top-colour/green': [
    stem(24),
    ...leaves([
      [24, 16, -150],
      [24, 16, -30],
      [24, 30, -150],
      [24, 30, -30],
    ]),
  ],
  'top-colour/purple': [
    stem(24),
    fill(blade(24, 16, 16, 5, -150)),
    fill(blade(24, 16, 16, 5, -30)),
    ...leaves([
      [24, 32, -150],
      [24, 32, -30],
    ]),
  ],
  'top-colour/yellow': [
    stem(24),
    thin(blade(24, 16, 16, 5, -150)),
    thin(blade(24, 16, 16, 5, -30)),
    ...leaves([
      [24, 32, -150],
      [24, 32, -30],
    ]),
    thin(round(24, 6, 4)),
  ],
  'vein-course/tips': [line('M4 40l10-30 8 18 8-22 12 34'), line('M9 40l5-30M22 40l8-34')],
  'vein-course/notches': [line('M4 40l10-30 8 18 8-22 12 34'), line('M16 44l6-16M36 42l3-8')],
  'vein-course/forward': leaf(line('M24 40V8M24 36L14 14M24 36l10-22M24 26l-6-14M24 26l6-14')),
  'vein-course/loops': leaf(
    line('M24 40V8'),
    thin('M24 34c-10 0-10-10 0-10M24 34c10 0 10-10 0-10M24 24c-8 0-8-8 0-8M24 24c8 0 8-8 0-8'),
  ),
  'frond-plan/feather': [
    line('M24 46V4'),
    line('M24 38L8 32M24 30L8 24M24 22l-13-6M24 14L15 9M24 38l16-6M24 30l16-6M24 22l13-6M24 14l9-5'),
  ],
  'frond-plan/three-branched': [
    line('M24 46V24M24 24V4M24 24L4 14M24 24l20-10'),
    thin('M24 16l-5-4M24 16l5-4M14 19l-2-7M34 19l2-7M24 10l-4-3M24 10l4-3'),
  ],
  'frond-plan/plain': [line('M18 46c-6-14-4-32 6-42 10 10 12 28 6 42z'), thin('M24 46V8')],
  'frond-groove/present': [line('M8 10c6 0 8 14 16 14s10-14 16-14c4 34-36 34-32 0z')],
  'frond-cover/paper': [
    line('M20 46V24C20 8 40 8 40 22c0 8-12 8-12 0'),
    line('M20 40l-10-6 8-4M20 28l-10-8 10-2M28 12l2-10 6 8'),
  ],
  'frond-cover/wool': [
    line('M20 46V24C20 8 40 8 40 22c0 8-12 8-12 0'),
    thin('M20 42q-8 2-8-4t6-6q-8-2-6-8t8-4q-4-6 2-10t8 0q2-6 8-4t4 6'),
  ],
  'frond-cover/hairs': [
    line('M20 46V24C20 8 40 8 40 22c0 8-12 8-12 0'),
    thin('M20 40h-8M20 34h-8M20 28h-8M21 20l-8-3M25 13l-4-7M32 11V3M38 14l5-6'),
  ],
  'frond-cover/bare': [line('M20 46V24C20 8 40 8 40 22c0 8-12 8-12 0')],
  'leaf-marks/dark-spots': leaf(
    ...balls(
      [
        [20, 20],
        [28, 26],
        [22, 33],
        [25, 14],
      ],
      2.6,
    ),
  ),
  'leaf-marks/pale-marks': leaf(
    thin('M24 40V10'),
    line('M18 18c4-2 4 6 0 5s-4-4 0-5zM29 22c4-2 4 6 0 5s-4-4 0-5zM20 29c4-2 4 6 0 5s-4-4 0-5z'),
  ),
  'leaf-marks/red-veins': leaf(
    fill('M22.500 8h3v34h-3z'),
    line('M24 34l-8-7M24 34l8-7M24 26l-8-7M24 26l8-7M24 18l-5-5M24 18l5-5'),
  ),
  'leaf-marks/plain': leaf(thin('M24 40V10')),
  'blade-attachment/runs-down': [
    stem(24, 46, 2),
    line('M24 22C32 12 40 12 44 16M24 40c2-10 8-16 20-24M24 40c-2-6-2-12 0-18'),
  ],
  'blade-attachment/stops': [stem(24, 46, 2), line('M24 26h4'), line(blade(28, 26, 18, 6, -15))],
  // Flowers
  'petal-split/whole': petals(24, 24, 18, 5, 0.5).map(line),
  'petal-split/notched': [0, 72, 144, 216, 288].flatMap((a) => notch(a, 4)),
  'petal-split/split': [0, 72, 144, 216, 288].flatMap((a) => notch(a, 14)),
  'flower-plan/cross': petals(24, 24, 19, 4, 0.55).map(line),
  'flower-plan/four-uneven': [
    line(round(24, 12, 10, 9)),
    line(round(11, 25, 8, 8)),
    line(round(37, 25, 8, 8)),
    line(round(24, 39, 4, 6)),
  ],
  'flower-plan/two-lipped': [
    line('M8 30C8 22 16 20 22 20V44h6V20c-2-16 14-18 16-6-4 2-8 0-10 6 6 4 10 8 8 14-6 2-12-2-14-8'),
  ],
  'flower-plan/ray-head': [
    fill(round(24, 24, 6)),
    ...Array.from({ length: 12 }, (_, i) =>
      line(blade(24 + 8 * Math.cos((i * Math.PI) / 6), 24 + 8 * Math.sin((i * Math.PI) / 6), 13, 2.6, i * 30)),
    ),
  ],
  'flower-plan/tube-head': bloom(
    line('M14 30c-2-8 22-8 20 0z'),
    line('M16 26L12 8M20 24L18 4M24 24V3M28 24l2-20M32 26l4-18'),
  ),
  'flower-plan/strap-head': Array.from({ length: 14 }, (_, i) => line(blade(24, 24, 20, 2.2, (i * 360) / 14))),
  'flower-plan/iris': [
    line('M24 26C16 20 18 6 24 2c6 4 8 18 0 24z'),
    line('M24 26C14 22 4 30 6 44c8-2 14-8 18-18zM24 26c10-4 20 4 18 18-8-2-14-8-18-18z'),
  ],
  'flower-plan/helmet': [
    line('M10 44C4 24 12 4 26 4c12 0 16 12 14 20-8-4-12 2-12 10-6 2-12 4-18 10z'),
    line('M28 34c4-4 10-4 12-10'),
  ],
  'flower-plan/cups': [
    line('M8 12c0 18 32 18 32 0zM24 26v10'),
    ...balls(
      [
        [14, 10],
        [34, 10],
      ],
      4,
    ),
    line(round(24, 40, 5, 4)),
  ],
  'flower-plan/urn': [line('M24 2v6M20 36C4 30 8 8 24 8s20 22 4 28M20 36l-3 6M28 36l3 6M20 36h8')],
  'flower-plan/trumpet': [line('M22 46L20 28C18 20 10 12 2 8h44c-8 4-16 12-18 20l-2 18z'), thin('M2 8q22 10 44 0')],
  'flower-plan/many': petals(24, 24, 20, 9, 0.22).map(line),
  'flower-plan/crown': [...petals(24, 30, 17, 5, 0.4).slice(1, 5).map(line), line('M16 26L14 8l5 5 5-9 5 9 5-5-2 18z')],
  'flower-plan/tiny': [
    line('M24 46V12M24 34L12 24M24 34l12-10M24 22l-8-8M24 22l8-8'),
    dots([
      [12, 22],
      [36, 22],
      [16, 12],
      [32, 12],
      [24, 9],
    ]),
  ],
  'flower-plan/brush': [
    line('M24 46V28M14 28h20'),
    thin('M16 28L6 8M19 28L14 4M22 28L21 3M26 28l1-25M29 28l5-24M32 28L42 8'),
  ],
  'flower-cluster/whorls': [
    stem(24, 46, 2),
    ...[10, 24, 38].flatMap((y) =>
      balls(
        [
          [14, y],
          [19, y - 3],
          [29, y - 3],
          [34, y],
        ],
        3,
      ),
    ),
  ],
  'flower-cluster/panicle': [
    stem(24, 46, 2),
    line('M24 38L6 28M24 30L40 20M24 22L10 12M24 14l10-8'),
    thin('M12 31l-2-8M34 24l4 4M15 16l-1-7'),
  ],
  'flower-cluster/corners': [
    stem(24, 46, 2),
    ...leaves([
      [24, 36, -155],
      [24, 24, -25],
      [24, 12, -155],
    ]),
    ...balls(
      [
        [20, 30],
        [28, 18],
        [20, 7],
      ],
      3,
    ),
  ],
  'flower-cluster/head': [
    stem(24, 46, 26),
    line(round(24, 16, 13)),
    dots([
      [18, 12],
      [24, 8],
      [30, 12],
      [18, 20],
      [24, 16],
      [30, 20],
      [24, 24],
    ]),
  ],
  'flower-cluster/club': [stem(24, 46, 34), fill('M19 34V8c0-6 10-6 10 0v26z'), line('M24 4V0')],
  'flower-cluster/along-twig': [
    line('M4 40L44 6M16 30l-6-8'),
    ...balls(
      [
        [14, 26],
        [24, 18],
        [34, 9],
        [22, 29],
        [31, 22],
        [40, 15],
      ],
      3.5,
    ),
  ],
  'flower-place/top': [
    stem(24, 46, 16),
    ...leaves([
      [24, 36, -155],
      [24, 28, -25],
    ]),
    line(round(24, 9, 7)),
  ],
  'flower-place/corner': [stem(24, 46, 2), ...leaves([[24, 28, -20]]), line('M24 26l4-8'), line(round(30, 13, 5))],
  'flower-place/off-leaf': [stem(24, 46, 2), ...leaves([[24, 26, -165]]), line('M24 26l10-6'), line(round(38, 17, 5))],
  'flower-place/bare-stalk': [
    ground,
    stem(24, 42, 16),
    line(round(24, 9, 7)),
    ...leaves([
      [20, 42, -140],
      [28, 42, -40],
    ]),
  ],
  'flower-place/bare-twig': [
    hatch('M20 10h8v36h-8z'),
    line('M20 34l-6-4M28 22l6-4'),
    line(round(10, 28, 4)),
    line(round(38, 16, 4)),
  ],
  'umbel-bracts/cut': [
    line('M24 46V28'),
    line('M24 28L12 14M24 28V12M24 28l12-14'),
    line('M24 28L6 34M12 32l-4-4M14 31l0 6M24 28l18 6M36 32l4-4M34 31l0 6'),
  ],
  'umbel-bracts/simple': [
    line('M24 46V28M24 28L12 8M24 28V6M24 28l12-20'),
    line(blade(24, 28, 15, 2, 160)),
    line(blade(24, 28, 15, 2, 20)),
    line(blade(24, 28, 12, 2, 130)),
    line(blade(24, 28, 12, 2, 50)),
  ],
  'umbel-bracts/few': [line('M24 46V28M24 28L12 8M24 28V6M24 28l12-20'), line(blade(24, 28, 12, 2, 160))],
  'umbel-bracts/none': [line('M24 46V28M24 28L12 8M24 28V6M24 28l12-20'), dash('M12 34l8-4M36 34l-8-4')],
  'bracteoles/one-side': [
    line('M10 44L24 24M24 24l-6-16M24 24l4-18M24 24L40 10'),
    line('M24 24l12 14M24 24l4 18M24 24l18 8'),
  ],
  'bracteoles/all-round': [
    line('M24 46V26M24 26L14 8M24 26V6M24 26l10-18'),
    line('M24 26L6 34M24 26l-10 14M24 26l10 14M24 26l18 8'),
  ],
  'bracteoles/none': [line('M24 46V26M24 26L14 8M24 26V6M24 26l10-18'), dash('M10 34l8-4M38 34l-8-4')],
  'calyx/star': [...petals(24, 26, 20, 5, 0.28).map(line), line(round(24, 26, 8))],
  'calyx/husk': [
    line('M24 4C8 14 6 34 20 42h8C42 34 40 14 24 4z'),
    thin('M24 6v36M18 12c-4 10-4 20 2 30M30 12c4 10 4 20-2 30M12 26h24'),
  ],
  'calyx/tube': [line('M16 44V16l2-8 3 7 3-9 3 9 3-7 2 8v28z')],
  'calyx/bent-back': [line(round(24, 14, 11)), line('M24 25v20M24 26l-12 10M24 26l12 10M24 26l-5 14M24 26l5 14')],
  'calyx/tiny': [line(round(24, 18, 14)), line('M22 33l2 3 2-3M24 36v10')],
  'head-bulbils/present': [
    stem(24, 46, 26),
    ...[
      [14, 20],
      [24, 22],
      [34, 20],
      [18, 12],
      [30, 12],
      [24, 6],
    ].map(([x, y]) => line(`M${x} ${y! - 6}c4 4 5 10 0 10s-4-6 0-10z`)),
  ],
  'dark-floret/present': [
    line('M24 46V26M24 26L6 10M24 26L16 6M24 26l8-20M24 26l18-16'),
    thin('M4 10h40'),
    fill(round(24, 9, 4)),
  ],
  'stamens/few': [
    line(round(24, 24, 18)),
    line('M24 24L14 14M24 24L34 14M24 24l12 8M24 24L12 32M24 24v14'),
    ...balls(
      [
        [14, 14],
        [34, 14],
        [36, 32],
        [12, 32],
        [24, 38],
      ],
      2,
    ),
  ],
  'stamens/ten': [
    line(round(24, 24, 20)),
    thin(rays(24, 24, 3, 15, 10)),
    dots(
      Array.from({ length: 10 }, (_, i) => [
        24 + 15 * Math.cos((i * Math.PI) / 5),
        24 + 15 * Math.sin((i * Math.PI) / 5),
      ]),
    ),
  ],
  'stamens/many': [line(round(24, 24, 21)), thin(rays(24, 24, 3, 17, 30))],
  'stamens/cone': [line('M24 42C14 34 16 16 24 6c8 10 10 28 0 36z'), thin('M20 14v24M24 8v34M28 14v24')],
  'petal-glands/present': [line('M24 46C8 34 8 10 24 4c16 6 16 30 0 42z'), fill('M20 30l4-3 4 3-4 6z')],
  'flower-smell/sweet': scent('M32 26m-9 0a9 9 0 1 0 18 0a9 9 0 1 0-18 0M32 17v-7M32 35v7M23 26h-6M41 26h5'),
  'flower-smell/musky': scent('M22 34q5-5 10 0t10 0M22 26q5-5 10 0t10 0M22 18q5-5 10 0t10 0'),
  'flower-smell/foul': scent('M24 40l16-28M40 40L24 12'),
  'flower-smell/faint': [...scent(''), dash('M22 26q5-5 10 0t10 0')],
  // Fruit and seed
  'fruit-kind/drupe': [line(round(24, 26, 17)), hatch(round(24, 27, 8)), line(round(24, 27, 8)), line('M24 9V2')],
  'fruit-kind/drupelets': [
    line('M24 10V2'),
    ...[
      [16, 16],
      [24, 14],
      [32, 16],
      [12, 24],
      [20, 23],
      [28, 23],
      [36, 24],
      [16, 31],
      [24, 32],
      [32, 31],
      [24, 40],
    ].map(([x, y]) => line(round(x!, y!, 5))),
  ],
  'fruit-kind/pome': [
    line('M24 8c-22-8-22 30-4 36h8c18-6 18-44-4-36z'),
    line('M20 44l4-6 4 6M24 8V2'),
    thin(polygon(24, 26, 6, 5)),
  ],
  'fruit-kind/pod': [
    line('M10 4c-6 18 8 40 34 40-4-22-14-40-34-40z'),
    dots([
      [16, 14],
      [22, 22],
      [28, 30],
      [34, 37],
    ]),
  ],
  'fruit-kind/winged': [
    line(round(10, 34, 6)),
    line('M14 30C20 10 34 4 44 8c0 10-10 22-26 28'),
    thin('M18 28l18-16M20 32l18-14'),
  ],
  'fruit-kind/three-winged': [
    line(round(24, 26, 6)),
    line(
      'M24 20C14 14 16 4 24 2c8 2 10 12 0 18zM19 30C14 40 4 42 2 34c4-8 12-8 17-4zM29 30c5 10 15 12 17 4-4-8-12-8-17-4z',
    ),
    thin('M24 18V6M17 32L6 36M31 32l11 4'),
  ],
  'fruit-kind/achenes': [
    line(round(24, 24, 12)),
    ...Array.from({ length: 10 }, (_, i) =>
      fill(round(24 + 12 * Math.cos((i * Math.PI) / 5), 24 + 12 * Math.sin((i * Math.PI) / 5), 3)),
    ),
  ],
  'fruit-kind/plumed': [line('M24 44V20M24 44l-2-8h4z'), thin('M24 20L8 10M24 20L14 4M24 20V2M24 20L34 4M24 20l16-10')],
  'fruit-kind/burr': [line(round(24, 24, 10)), ...[0, 45, 90, 135, 180, 225, 270, 315].map((a) => line(hook(a)))],
  'fruit-kind/aril': [line('M8 16c0 30 32 30 32 0-4 6-28 6-32 0z'), fill(round(24, 18, 7, 8))],
  'fruit-kind/husk-berry': [
    line('M24 4C6 14 6 36 20 44h8C42 36 42 14 24 4z'),
    hatch(round(24, 28, 9)),
    line(round(24, 28, 9)),
  ],
  'fruit-kind/silk-pod': [
    line('M20 4c-16 14-16 34 0 40 4-14 4-28 0-40z'),
    thin('M22 14l20-8M23 20l22-4M23 26l22 2M22 32l20 8M22 38l14 7'),
  ],
  'fruit-kind/spiny-capsule': [line(round(24, 26, 13, 15)), line(rays(24, 26, 13, 20, 12)), line('M24 11v30')],
  'fruit-kind/lobed': [
    line('M24 6C10 4 6 18 8 26s8 16 16 16 14-8 16-16S38 4 24 6z'),
    line('M24 6v36M24 6c-8 8-10 26 0 36M24 6c8 8 10 26 0 36'),
    line('M24 6V1'),
  ],
  'fruit-cluster/single': [line('M24 20V2'), line(round(24, 31, 12))],
  'fruit-cluster/flat-top': [
    line('M24 46V32L8 16M24 32L18 16M24 32l6-16M24 32l16-16'),
    ...balls(
      [
        [8, 13],
        [18, 13],
        [30, 13],
        [40, 13],
      ],
      4.5,
    ),
  ],
  'fruit-cluster/string': [
    line('M24 2v40'),
    ...balls(
      [
        [17, 10],
        [31, 13],
        [17, 20],
        [31, 24],
        [18, 31],
        [30, 35],
        [24, 43],
      ],
      4,
    ),
  ],
  'fruit-cluster/spike': [
    line('M24 46V4'),
    ...balls(
      [
        [19, 8],
        [29, 8],
        [19, 15],
        [29, 15],
        [19, 22],
        [29, 22],
        [19, 29],
        [29, 29],
      ],
      3,
    ),
  ],
  'fruit-cluster/umbel': [
    line('M24 46V24L8 8M24 24L18 6M24 24l6-18M24 24L40 8'),
    ...balls(
      [
        [8, 7],
        [18, 5],
        [30, 5],
        [40, 7],
      ],
      4,
    ),
  ],
  'fruit-cluster/along': [
    line('M6 44L42 4'),
    ...balls(
      [
        [10, 32],
        [20, 22],
        [29, 12],
        [20, 36],
        [30, 25],
        [39, 14],
      ],
      4,
    ),
  ],
  'fruit-cluster/pair': [
    line('M24 4L16 22M24 4l8 18'),
    ...balls(
      [
        [14, 29],
        [34, 29],
      ],
      8,
    ),
  ],
  'fruit-end/crown': [line(round(24, 27, 12)), line('M24 39v8'), line('M15 19l-3-11 6 5 6-7 6 7 6-5-3 11')],
  'fruit-end/star': berry(line('M24 36v10M24 38l-14 6M24 38l14 6M24 38l-8 9M24 38l8 9')),
  'fruit-end/husk': [line('M24 2C4 14 6 36 24 46c18-10 20-32 0-44z'), hatch(round(24, 26, 9))],
  'fruit-end/cup': [line('M8 20c0 26 32 26 32 0z'), line('M12 20c0-18 24-18 24 0')],
  'fruit-end/core': [
    line('M8 6c2 20 8 26 16 26S38 26 40 6'),
    line('M14 6c0 10 4 16 10 16s10-6 10-16'),
    dash('M24 34v-6'),
    fill('M24 30c-3 5-5 8-6 12h12c-1-4-3-7-6-12z'),
    line('M12 42h24'),
  ],
  'fruit-end/plain': berry(line('M24 36v10')),
  'fruit-juice/dark': [line(round(18, 14, 11)), ...patch('black', 24, 24, 20)],
  'fruit-juice/pale': [line(round(18, 14, 11)), ...patch('white', 24, 24, 20)],
  'fruit-juice/orange': [line(round(18, 14, 11)), ...patch('orange', 24, 24, 20)],
  'fruit-juice/dry': [line(round(18, 14, 11)), ...patch('none', 24, 24, 20)],
  'fruit-juice/milky': [line(round(18, 14, 11)), ...patch('white', 24, 24, 20), fill(round(34, 34, 6))],
  'fruit-ribs/wavy': [
    line('M24 4C8 8 8 40 24 44c16-4 16-36 0-40z'),
    line('M18 8q-4 4 0 8t0 8 0 8 0 8M30 8q4 4 0 8t0 8 0 8 0 8'),
  ],
  'fruit-ribs/plain': [line('M24 4C8 8 8 40 24 44c16-4 16-36 0-40z'), line('M18 8v32M24 5v38M30 8v32')],
  'fruit-ribs/winged': [line(round(24, 24, 8, 16)), line('M16 12C4 14 4 34 16 36M32 12c12 2 12 22 0 24M24 8v32')],
  'fruit-ribs/bristles': [
    line(round(24, 24, 11, 17)),
    line('M14 14l-8-4M13 22H4M14 32l-8 4M34 14l8-4M35 22h9M34 32l8 4'),
  ],
  'fruit-ribs/smooth': [line('M24 4C8 8 8 40 24 44c16-4 16-36 0-40z')],
  'tubercles/none': [line('M24 4C8 14 8 36 24 44c16-8 16-30 0-40z'), thin('M24 8v34')],
  'tubercles/one': [line('M24 4C8 14 8 36 24 44c16-8 16-30 0-40z'), fill(round(24, 34, 5, 7))],
  'tubercles/three-equal': [
    line('M24 4C8 14 8 36 24 44c16-8 16-30 0-40z'),
    ...balls(
      [
        [18, 30],
        [24, 34],
        [30, 30],
      ],
      4,
    ),
  ],
  'tubercles/three-unequal': [
    line('M24 4C8 14 8 36 24 44c16-8 16-30 0-40z'),
    fill(round(24, 32, 5.5, 8)),
    line(round(15, 28, 2.6)),
    line(round(33, 28, 2.6)),
  ],
  'valve-edge/smooth': [line('M24 2C6 12 6 36 24 46c18-10 18-34 0-44z')],
  'valve-edge/toothed': [line('M24 2l-8 8-6 0 2 8-6 4 6 5-3 7 9-1 6 13 6-13 9 1-3-7 6-5-6-4 2-8h-6z')],
  'fruit-skin/smooth': [line(round(24, 24, 18))],
  'fruit-skin/downy': [line(round(24, 24, 16)), thin(rays(24, 24, 16, 20, 40))],
  'fruit-skin/bloom': [line(round(24, 24, 18)), dash(round(24, 24, 13)), dash(round(24, 24, 7))],
  'fruit-skin/prickly': [line(round(24, 24, 13)), line(rays(24, 24, 13, 21, 14))],
  'fruit-skin/ridged': [line(round(24, 24, 18)), line('M24 6v36M15 9q-6 15 0 30M33 9q6 15 0 30')],
  'seed-shape/crescent': [line('M34 6C8 4 6 44 34 42 18 36 18 12 34 6z')],
  'seed-shape/teardrop': [line('M24 4c4 12 14 18 12 28-3 14-21 14-24 0C10 22 20 16 24 4z')],
  'seed-shape/disc': [line(round(24, 18, 18, 7)), line('M6 18v8c0 10 36 10 36 0v-8')],
  'seed-shape/round': [line(round(24, 24, 16))],
  'seed-shape/ribbed': [line(round(24, 24, 12, 19)), line('M18 8v32M24 5v38M30 8v32')],
  'seed-shape/tiny': [
    dots([
      [14, 14],
      [24, 10],
      [34, 16],
      [18, 24],
      [30, 24],
      [12, 34],
      [24, 36],
      [36, 34],
    ]),
  ],
  'seed-shape/winged': [line(round(24, 24, 7)), line('M18 20C4 4 4 44 18 28M30 20C44 4 44 44 30 28')],
  'seed-number/one': [dash(round(24, 24, 20)), line(round(24, 24, 9))],
  'seed-number/few': [dash(round(24, 24, 20)), line(round(18, 18, 5)), line(round(30, 18, 5)), line(round(24, 31, 5))],
  'seed-number/many': [
    dash(round(24, 24, 20)),
    dots([
      [16, 14],
      [24, 12],
      [32, 14],
      [13, 22],
      [20, 21],
      [28, 21],
      [35, 22],
      [16, 30],
      [24, 29],
      [32, 30],
      [20, 36],
      [28, 36],
    ]),
  ],
  'old-fruit/umbels': [
    stem(24, 46, 24),
    line('M24 24L10 8M24 24L18 6M24 24l6-18M24 24L38 8'),
    thin('M10 8l-4-3M10 8V3M38 8l4-3M38 8V3'),
  ],
  'old-fruit/rust-spikes': [
    stem(24, 46, 2),
    hatch('M18 6h12v26H18z'),
    dots([
      [20, 8],
      [28, 12],
      [20, 16],
      [28, 20],
      [20, 24],
      [28, 28],
    ]),
  ],
  'old-fruit/spiny-capsules': [stem(24, 46, 26), line(round(24, 16, 8)), line(rays(24, 16, 8, 14, 10))],
  'old-fruit/pods': [stem(24, 46, 2), line('M24 14q-14 4-16 22 14-6 16-22M24 24q12 2 14 18-12-4-14-18')],
  'old-fruit/berry-stalks': [
    line('M4 8h40M12 8v18M24 8v26M36 8v18'),
    ...[
      [12, 28],
      [24, 36],
      [36, 28],
    ].map(([x, y]) => dash(round(x!, y!, 4))),
  ],
  'old-fruit/plain-heads': [stem(24, 46, 18), line('M14 18h20l-3-10H17z')],
  'old-fruit/nothing': [stem(24, 46, 8), dash(round(24, 8, 6))],
  // Root and sap
  'root-form/finger-tubers': [
    line('M24 2v10'),
    line(
      'M24 12C8 14 4 40 10 44c6 0 6-20 14-32M24 12c-4 14-4 32 0 34 4-2 4-20 0-34M24 12c16 2 20 28 14 32-6 0-6-20-14-32',
    ),
  ],
  'bulb-coat/white-skin': bulbOf(thin('M20 16c-4 8-4 16 0 22M28 16c4 8 4 16 0 22')),
  'bulb-coat/brown-paper': bulbOf(hatch('M21 14C8 18 10 40 24 40s16-22 3-26z'), line('M14 24l-8-4M34 24l8-4')),
  'bulb-coat/net': bulbOf(thin('M13 26l12-12M12 34l18-18M17 39l17-17M22 40l14-14M35 26L23 14M36 34L18 16M31 39L14 22')),
  'bulb-coat/dark-leather': bulbOf(fill('M21 14C8 18 10 40 24 40s16-22 3-26z')),
  'bulb-smell/onion': scent('M32 14c-12 6-12 24 0 26 12-2 12-20 0-26zM32 14V6M32 18v20'),
  'bulb-smell/carrot': scent('M24 20h16l-8 24zM32 20l-6-10M32 20l6-10M32 20V8'),
  'bulb-smell/spicy': scent(
    'M22 16h18M22 40h18M22 16c-4 4-4 20 0 24M40 16c4 4 4 20 0 24M40 28c-5 0-5-7 0-7 6 0 6 13 0 13-8 0-9-18 0-18',
  ),
  'bulb-smell/rank': scent('M24 42q4-8 0-16t0-16M34 42q4-8 0-16t0-16'),
  'bulb-smell/hot': scent('M32 42c-12-6-8-16-2-22 0 6 4 6 4 10 2-4 2-8 0-14 10 8 12 20-2 26z'),
  'root-nodules/present': [
    line('M24 2v20M24 22L10 46M24 22l2 24M24 22l14 22'),
    ...balls(
      [
        [16, 34],
        [26, 36],
        [32, 34],
        [20, 28],
        [37, 42],
      ],
      4,
    ),
  ],
  'offsets/present': [
    line('M23 2v8C10 14 12 34 24 34s14-20 1-24V2'),
    line(round(8, 38, 5)),
    line(round(20, 42, 4)),
    line(round(40, 38, 5)),
    line(round(30, 42, 4)),
  ],
  'sap-drying/blackens': [
    line('M16 2h16v12H16z'),
    ...patch('white', 2, 22, 16),
    thin('M20 30h6l-3-3m3 3l-3 3'),
    ...patch('black', 28, 22, 18),
  ],
  'sap-drying/stays-white': [
    line('M16 2h16v12H16z'),
    ...patch('cream', 2, 22, 16),
    thin('M20 30h6l-3-3m3 3l-3 3'),
    ...patch('cream', 28, 22, 18),
    fill('M2 40h44v5H2z'),
  ],
  'sap-drying/browns': [
    line('M16 2h16v12H16z'),
    ...patch('white', 2, 22, 16),
    thin('M20 30h6l-3-3m3 3l-3 3'),
    ...patch('brown', 28, 22, 18),
  ],
  'sap-drying/stays': [
    line('M16 2h16v12H16z'),
    ...patch('white', 2, 22, 16),
    thin('M20 30h6l-3-3m3 3l-3 3'),
    ...patch('white', 28, 22, 18),
    line('M28 44h18'),
  ],
  'sap-feel/sticky': [line('M6 8h36M6 40h36'), line('M14 8q4 16 0 32M24 8q4 16 0 32M34 8q4 16 0 32')],
  'sap-feel/slimy': [line('M6 8h36'), line('M12 8c0 20 4 20 4 32M24 8c0 26-4 22-2 36M34 8c0 16 4 18 2 28')],
  'sap-feel/watery': [line('M6 8h36'), line(drop(14, 14)), line(drop(26, 20)), line(drop(36, 14))],
  'root-ooze/yellow': cutEnd(...patch('yellow', 14, 22, 20)),
  'root-ooze/milky': cutEnd(...patch('white', 14, 22, 20), fill(round(24, 32, 6))),
  'root-ooze/clear': cutEnd(...patch('none', 14, 22, 20)),
  'smell-crushed/aniseed': [
    ...scent(rays(32, 26, 4, 13, 8)),
    ...Array.from({ length: 8 }, (_, i) =>
      fill(round(32 + 10 * Math.cos((i * Math.PI) / 4), 26 + 10 * Math.sin((i * Math.PI) / 4), 2.2)),
    ),
  ],
  'smell-crushed/carrot': scent('M24 20h16l-8 24zM32 20l-6-10M32 20l6-10M32 20V8'),
  'smell-crushed/spice': scent(
    'M22 16h18M22 40h18M22 16c-4 4-4 20 0 24M40 16c4 4 4 20 0 24M40 28c-5 0-5-7 0-7 6 0 6 13 0 13-8 0-9-18 0-18',
  ),
  'smell-crushed/mustard': scent('M32 42c-12-6-8-16-2-22 0 6 4 6 4 10 2-4 2-8 0-14 10 8 12 20-2 26z'),
  'smell-crushed/aromatic': scent('M32 44V10M32 34l-8-6M32 34l8-6M32 24l-8-6M32 24l8-6M32 14l-5-5M32 14l5-5'),
  'smell-crushed/almond': scent('M32 10c12 12 10 28 0 32-10-4-12-20 0-32z'),
  'wood-colour/yellow': colourOf('yellow'),
  'wood-colour/white': colourOf('white'),
  'wood-colour/brown': colourOf('brown'),
  'wood-colour/red': colourOf('red'),
  'root-colour/white': colourOf('white'),
  'root-colour/yellow': colourOf('yellow'),
  'root-colour/orange': colourOf('orange'),
  'root-colour/red': colourOf('red'),
  'root-colour/brown': colourOf('brown'),
  'habitat/dry-grass': [
    ground,
    thin('M8 42l-4-14M14 42l-3-18M20 42l-2-14'),
    line(round(34, 14, 7)),
    line(rays(34, 14, 9, 13, 8)),
  ],
  'habitat/mountain': [line('M2 42L18 10l8 16 6-10 14 26z'), thin('M14 18l4 4 4-4')],
  'habitat/burnt': [
    ground,
    fill('M20 42V14l4-6 4 6v28z'),
    line('M28 24l8-8M20 30l-8-6'),
    dots([
      [8, 38],
      [38, 38],
      [34, 34],
    ]),
  ],
  'habitat/heath': [
    ground,
    thin('M8 42V30M8 34l-4-4M8 34l4-4M22 42V26M22 32l-5-5M22 32l5-5M38 42V30M38 34l-4-4M38 34l4-4'),
    thin('M2 20q12-8 22-2t22-4'),
  ],
  'habitat/field': [line('M2 20h44M8 46l8-26M20 46l2-26M32 46l-4-26M44 46L34 20')],
};

/** One petal of a ring, cut in from its tip. */
function notch(angle: number, depth: number): Mark[] {
  const a = ((angle - 90) * Math.PI) / 180;
  const at = (r: number, off: number) =>
    `${(24 + r * Math.cos(a + off)).toFixed(1)} ${(24 + r * Math.sin(a + off)).toFixed(1)}`;
  return [
    line(
      `M${at(2, 0)}Q${at(13, -0.75)} ${at(20, -0.25)}L${at(20 - depth, 0)}L${at(20, 0.25)}Q${at(13, 0.75)} ${at(2, 0)}z`,
    ),
  ];
}

/** A hooked bristle on a burr. */
function hook(angle: number): string {
  const a = (angle * Math.PI) / 180;
  const at = (r: number, off: number) =>
    `${(24 + r * Math.cos(a + off)).toFixed(1)} ${(24 + r * Math.sin(a + off)).toFixed(1)}`;
  return `M${at(10, 0)}L${at(20, 0)}Q${at(23, 0.15)} ${at(18, 0.28)}`;
}
