import { blade, dash, fill, hatch, line, petals, polygon, rays, round, thin, type Mark } from './marks';
import { deciding } from './glyphs-deciding';
import { fungi } from './glyphs-fungi';
import { plants } from './glyphs-plants';
import { bigCut, colourOf, drop, ground, leaves, patch, scent, stem } from './strokes';

const cap = (d: string) => line(d);
const capRound = 'M8 22C8 8 40 8 40 22z';
const stalk = 'M21 22V40M27 22V40';
const half = (under: Mark[]): Mark[] => [cap('M8 20C8 6 40 6 40 20'), line(stalk), ...under];

const first: Record<string, Mark[]> = {
  // The plant as a whole
  'plant-habit/herb': [
    ground,
    line('M24 42V14'),
    ...leaves([
      [24, 34, -150],
      [24, 34, -30],
      [24, 26, -140],
      [24, 26, -40],
    ]),
  ],
  'plant-habit/shrub': [
    ground,
    line('M20 42L12 12M24 42V8M28 42l8-30M22 30l-10-4M26 28l10-6'),
    thin(round(24, 18, 17, 13)),
  ],
  'plant-habit/tree': [ground, line('M22 42V24M26 42V24'), line(round(24, 16, 15, 11))],
  'plant-habit/woody-vine': [ground, hatch('M20 6h8v36h-8z'), line('M14 42C40 34 8 26 34 18S20 8 30 6')],
  'stem-kind/none': [
    ground,
    ...leaves([
      [16, 42, -110],
      [24, 42, -90],
      [32, 42, -70],
    ]),
    dash('M24 20V4'),
  ],
  'stem-kind/flower-stalk': [
    ground,
    stem(24, 42, 10),
    ...leaves([
      [22, 42, -140],
      [26, 42, -40],
    ]),
    thin(round(24, 8, 4)),
  ],
  'stem-kind/leafy': [
    ground,
    stem(),
    ...leaves([
      [24, 34, -150],
      [24, 26, -30],
      [24, 18, -150],
    ]),
  ],
  'stem-kind/wrapped': [
    ground,
    line('M20 42V22M28 42V22M20 30l8-6M20 38l8-6'),
    ...leaves([
      [22, 22, -115],
      [26, 22, -65],
    ]),
  ],
  'stem-kind/woody': [ground, hatch('M19 42V10h10v32z'), line('M29 26l10-8M19 20L9 12')],
  'stem-section/round': [line(bigCut), hatch(bigCut)],
  'stem-section/ridged': [line('M24 8l4 4 6-1 1 6 5 4-3 5 1 6-6 2-3 5-5-3-5 3-3-5-6-2 1-6-3-5 5-4 1-6 6 1z')],
  'stem-section/square': [line('M11 11h26v26H11z'), hatch('M11 11h26v26H11z')],
  'stem-section/three-edged': [line(polygon(24, 27, 18, 3)), hatch(polygon(24, 27, 18, 3))],
  'stem-section/winged': [line(round(24, 24, 10)), line('M14 24H4M34 24h10M24 14V4')],
  'stem-inside/hollow': [line(bigCut), line(round(24, 24, 9))],
  'stem-inside/solid': [line(bigCut), hatch(bigCut)],
  'stem-inside/wide-pith': [
    line(bigCut),
    thin(round(24, 24, 11)),
    thin('M18 20h.1M24 18h.1M30 21h.1M19 27h.1M25 25h.1M30 29h.1M23 31h.1'),
  ],
  'stem-inside/chambered': [line('M14 6h20v36H14z'), line('M14 15h20M14 24h20M14 33h20')],
  'stem-hairs/none': [line('M20 6v36M28 6v36')],
  'stem-hairs/soft': [
    line('M20 6v36M28 6v36'),
    thin('M20 12l-5-1M20 20l-5-1M20 28l-5-1M20 36l-5-1M28 12l5-1M28 20l5-1M28 28l5-1M28 36l5-1'),
  ],
  'stem-hairs/bristly': [line('M20 6v36M28 6v36M20 14L9 9M20 26L9 21M20 38L9 33M28 14l11-5M28 26l11-5M28 38l11-5')],
  'stem-marks/blotches': [
    line('M16 4v40M32 4v40'),
    fill(round(22, 14, 3)),
    fill(round(27, 25, 4)),
    fill(round(21, 36, 3)),
  ],
  'stem-marks/flush': [line('M16 4v40M32 4v40'), hatch('M16 4h16v40H16z')],
  'stem-marks/plain': [line('M16 4v40M32 4v40')],
  'bark-lenticels/present': [
    line('M14 4v40M34 4v40'),
    fill(round(20, 12, 2.5, 1.4)),
    fill(round(28, 20, 2.5, 1.4)),
    fill(round(20, 29, 2.5, 1.4)),
    fill(round(28, 38, 2.5, 1.4)),
  ],
  'stipules/leafy': [
    stem(24, 44, 4),
    line(blade(24, 30, 12, 5, -160)),
    line(blade(24, 30, 12, 5, -20)),
    line('M24 24l16-14'),
  ],
  'stipules/small': [stem(24, 44, 4), line('M24 30l-5-4M24 30l5-4'), line('M24 24l16-14')],
  // Leaves
  'leaf-arrangement/basal': [
    ground,
    ...leaves([
      [20, 42, -130],
      [24, 42, -90],
      [28, 42, -50],
    ]),
  ],
  'leaf-arrangement/alternate': [
    stem(),
    ...leaves([
      [24, 38, -150],
      [24, 28, -30],
      [24, 18, -150],
    ]),
  ],
  'leaf-arrangement/opposite': [
    stem(),
    ...leaves([
      [24, 34, -150],
      [24, 34, -30],
      [24, 20, -150],
      [24, 20, -30],
    ]),
  ],
  'leaf-arrangement/whorled': [
    stem(24, 44, 6),
    ...leaves([
      [24, 26, -165],
      [24, 26, -15],
      [24, 26, 150],
      [24, 26, 30],
    ]),
  ],
  'leaf-insertion/own-stalk': [
    ground,
    line('M14 42V26M24 42V22M34 42V26'),
    ...leaves([
      [14, 26, -100],
      [24, 22, -90],
      [34, 26, -80],
    ]),
  ],
  'leaf-insertion/shared-sheath': [
    ground,
    line('M21 42V28M27 42V28M21 34h6'),
    ...leaves([
      [22, 28, -120],
      [26, 28, -60],
    ]),
  ],
  'leaf-insertion/stalkless-tuft': [
    ground,
    line(blade(24, 42, 34, 5, -90)),
    line(blade(22, 42, 32, 5, -115)),
    line(blade(26, 42, 32, 5, -65)),
  ],
  'leaf-insertion/clasping-stem': [
    ground,
    stem(24, 42, 6),
    line('M24 36c-8 0-10-8-16-14M24 28c8 0 10-8 16-14'),
    thin('M20 36h8M20 28h8'),
  ],
  'leaf-insertion/from-stem': [
    stem(),
    line('M24 30h6M24 18h-6'),
    ...leaves([
      [30, 30, -20],
      [18, 18, -160],
    ]),
  ],
  'leaf-insertion/rosette': [
    ground,
    line('M24 42L10 32M24 42l14-10M24 42V28'),
    ...leaves([
      [10, 32, -160],
      [38, 32, -20],
      [24, 28, -90],
    ]),
  ],
  'leaf-stalk/present': [line('M24 44V24'), line(blade(24, 24, 20, 8, -90))],
  'leaf-stalk/absent': [ground, line(blade(24, 42, 36, 9, -90))],
  'leaf-stalk-section/flat-two-edges': [line('M8 18h32C38 38 10 38 8 18z'), hatch('M8 18h32C38 38 10 38 8 18z')],
  'leaf-stalk-section/round': [line(bigCut), hatch(bigCut)],
  'leaf-stalk-section/grooved': [line('M10 16c4 0 8 10 14 10s10-10 14-10c4 24-32 24-28 0z')],
  'leaf-division/simple': [line(blade(24, 42, 36, 12, -90)), thin('M24 42V10')],
  'leaf-division/lobed': [
    line('M24 42c-4-6-14-2-16-10 4-2 6-4 4-10 6 2 8-4 12-14 4 10 6 16 12 14-2 6 0 8 4 10-2 8-12 4-16 10z'),
  ],
  'leaf-division/fingered': [
    line('M24 44V28'),
    ...([-170, -130, -90, -50, -10] as const).map((a) => line(blade(24, 28, 19, 4, a))),
  ],
  'leaf-division/once-divided': [
    stem(24, 44, 14),
    ...leaves([
      [24, 36, -165],
      [24, 36, -15],
      [24, 26, -160],
      [24, 26, -20],
    ]),
    line(blade(24, 16, 13, 4, -90)),
  ],
  'leaf-division/many-times': [
    stem(24, 44, 8),
    line('M24 36L8 26M24 36l16-10M24 26L12 16M24 26l12-10'),
    thin('M16 31l-6 4M16 31V22M32 31l6 4M32 31V22M18 21l-6 2M18 21v-7M30 21l6 2M30 21v-7'),
  ],
  'leaf-veins/parallel': [line(blade(24, 44, 40, 14, -90)), thin('M24 42V6M19 38c-3-8-2-18 3-26M29 38c3-8 2-18-3-26')],
  'leaf-veins/pleated': [
    line('M24 44C12 34 9 20 12 8l4 6 4-8 4 8 4-8 4 8 4-6c3 12 0 26-12 36z'),
    line('M24 44V14M24 42c-6-10-8-18-8-28M24 42c6-10 8-18 8-28'),
  ],
  'leaf-veins/net': [
    line(blade(24, 44, 40, 14, -90)),
    thin('M24 42V6M24 34l-9-6M24 34l9-6M24 25l-10-6M24 25l10-6M24 16l-6-4M24 16l6-4M16 28l2-6M32 28l-2-6'),
  ],
  'leaf-margin/entire': [line('M6 34C16 16 32 16 42 34')],
  'leaf-margin/toothed': [line('M4 32l4-6 3 2 4-7 3 2 5-5 4 5 4-3 3 7 3-2 4 7')],
  'leaf-margin/bristle-toothed': [
    line('M2 38C6 24 12 22 12 22l2 6c4-8 10-10 10-10l0 6c8-2 12 2 12 2l-2 5c8 2 12 7 12 7'),
    thin('M12 22L8 8M24 18V3M36 26l6-13'),
  ],
  'leaf-margin/cut': [line('M4 38L14 8l4 24L26 6l3 26 9-22 4 28')],
  'leaf-shape/strap': [line('M20 44V6q4-4 8 0v38z')],
  'leaf-shape/lance': [line(blade(24, 44, 40, 9, -90))],
  'leaf-shape/oval': [line(round(24, 24, 13, 18))],
  'leaf-shape/arrow': [line('M24 4C36 18 40 30 42 44L24 34 6 44C8 30 12 18 24 4z')],
  'leaf-shape/wedge': [line('M24 44C12 20 10 10 24 6c14 4 12 14 0 38z')],
  'leaf-hairs/none': [line(blade(6, 24, 36, 11, 0))],
  'leaf-hairs/downy': [
    line(blade(6, 24, 36, 11, 0)),
    thin('M14 22v-4M18 24v-4M22 22v-4M26 24v-4M30 22v-4M20 29v-4M28 29v-4M24 18v-3'),
  ],
  'leaf-hairs/sparse': [line(blade(6, 24, 36, 11, 0)), line('M16 16l-3-9M27 32l3 9M32 16l4-8')],
  'leaf-hairs/bristly': [line(blade(6, 24, 36, 11, 0)), line('M14 14l-3-8M22 12l-1-8M30 13l2-8M37 18l5-6')],
  'leaf-feel/soft-snaps': [line('M8 12l14 14M26 26l14-14'), thin('M22 30l4 6')],
  'leaf-feel/tough': [line('M8 12C14 34 34 34 40 12')],
  'leaf-feel/rough': [line('M6 28l4-6 4 6 4-6 4 6 4-6 4 6 4-6 4 6 4-6')],
  'leaf-feel/thin': [thin('M8 16c10 0 20 2 24 20')],
  'sheath-swollen/present': [
    stem(20, 44, 4),
    line('M20 38C34 36 34 24 28 18L40 6'),
    hatch('M20 38C34 36 34 24 28 18L20 22z'),
  ],
  // Flowers and fruit
  'flower-plan/six-star': petals(24, 24, 18, 6, 0.34).map(line),
  'flower-plan/six-bell': [line('M24 4v8M12 36C12 20 16 12 24 12s12 8 12 24M12 36l4 4 4-4 4 4 4-4 4 4 4-4')],
  'flower-plan/six-funnel': [line('M22 46V26L8 8M26 46V26L40 8M22 26L18 6M26 26l4-20M8 8l10-2M40 8L30 6M18 6l6 4 6-4')],
  'flower-plan/hood': [line('M20 44C6 30 14 8 30 4c-2 10 6 24-6 40z'), fill('M23 38V20h5v18z')],
  'flower-plan/five': petals(24, 24, 18, 5, 0.5).map(line),
  'flower-plan/five-joined': [line(polygon(24, 24, 18, 10)), thin(rays(24, 24, 6, 17, 5)), fill(round(24, 24, 3))],
  'flower-plan/bell-five': [line('M10 8l8 6c14-2 20 10 22 22-10 2-26 0-22-22'), line('M40 36l-3 4M32 37l-1 5')],
  'flower-plan/glove': [
    line('M8 12C20 4 30 18 42 18c2 8-2 14-8 16C20 34 8 26 8 12z'),
    fill(round(34, 28, 1.6)),
    fill(round(29, 25, 1.6)),
  ],
  'flower-plan/catkin': [line('M24 4c6 8 6 28 0 40-6-12-6-32 0-40z'), thin('M20 14h8M19 20h10M19 26h10M20 32h8')],
  'flower-plan/uneven': [
    line(round(24, 12, 9, 7)),
    line(round(11, 24, 7, 6)),
    line(round(37, 24, 7, 6)),
    line(round(18, 37, 5, 6)),
    line(round(30, 37, 5, 6)),
  ],
  'flower-cluster/umbel': [
    line('M24 44V26L8 10M24 26L18 6M24 26l6-20M24 26l16-16'),
    ...[
      [8, 9],
      [18, 5],
      [30, 5],
      [40, 9],
    ].map(([x, y]) => fill(round(x!, y!, 3))),
  ],
  'flower-cluster/double-umbel': [
    line('M24 44V32L10 18M24 32V16M24 32l14-14'),
    thin('M10 18L4 10M10 18V8M10 18l6-8M24 16l-5-9M24 16V6M24 16l5-9M38 18l-6-8M38 18V8M38 18l6-8'),
  ],
  'flower-cluster/flat-branched': [
    line(
      'M24 44V34M24 34L12 22M24 34l12-12M24 34V24M12 22L6 12M12 22l6-10M36 22l-6-10M36 22l6-10M24 24l-2-12M24 24l3-12',
    ),
    thin('M3 10h42'),
  ],
  'flower-cluster/spike': [stem(20, 44, 4), ...[10, 19, 28].map((y) => line(`M20 ${y}q10-2 12 8`))],
  'flower-cluster/single': [stem(24, 44, 22), line(round(24, 14, 9))],
  'flower-cluster/coiled': [line('M12 44C12 14 40 8 38 24c0 8-12 8-12 1 0-4 5-5 6-2')],
  'flower-cluster/candle': [line('M24 4L36 40H12z'), thin('M24 8v32M18 24h12M15 32h18')],
  'fruit-kind/capsule': [line('M24 6c12 8 12 28 0 36-12-8-12-28 0-36z'), line('M24 6v20M24 26l-6 12M24 26l6 12')],
  'fruit-kind/berry': [line(round(24, 28, 13)), line('M24 15V4'), thin('M18 24q2-4 6-4')],
  'fruit-kind/berry-spike': [
    stem(24, 44, 30),
    ...[
      [18, 26],
      [30, 26],
      [24, 20],
      [18, 14],
      [30, 14],
      [24, 8],
    ].map(([x, y]) => line(round(x!, y!, 5))),
  ],
  'fruit-kind/split-dry': [
    line('M24 2v10M24 12L14 18M24 12l10 6'),
    line('M14 18C4 22 4 42 14 46zM34 18c10 4 10 24 0 28z'),
    thin('M10 26v13M38 26v13'),
  ],
  'fruit-kind/nutlets': [
    line(round(18, 18, 6)),
    line(round(30, 18, 6)),
    line(round(18, 30, 6)),
    line(round(30, 30, 6)),
  ],
  'fruit-kind/spiny-husk': [line(round(24, 24, 11)), line(rays(24, 24, 11, 20, 12))],
  'fruit-posture/hanging': [
    line('M8 8c14-4 24 2 26 14'),
    ...[
      [30, 28],
      [38, 28],
      [34, 36],
    ].map(([x, y]) => fill(round(x!, y!, 4))),
  ],
  'fruit-posture/upright': [
    stem(24, 44, 22),
    line('M24 30L12 18M24 30l12-12'),
    ...[
      [12, 13],
      [24, 16],
      [36, 13],
    ].map(([x, y]) => fill(round(x!, y!, 4))),
  ],
  'husk-spines/dense-needles': [line(round(24, 24, 10)), thin(rays(24, 24, 10, 21, 48))],
  'husk-spines/few-stout': [line(round(24, 24, 14)), line(rays(24, 24, 14, 20, 7))],
  'nut-tip/pointed-tuft': [line('M24 12c14 8 16 24 8 30H16C8 36 10 20 24 12z'), line('M24 12V4M24 12l-4-6M24 12l4-6')],
  'nut-tip/rounded': [line(round(24, 26, 16, 15)), hatch(round(24, 34, 9, 5))],
  'nuts-in-husk/one': [dash(round(24, 24, 20)), line(round(24, 24, 11))],
  'nuts-in-husk/two-three-flattened': [
    dash(round(24, 24, 20)),
    line('M22 12C10 14 10 34 22 36zM26 12c12 2 12 22 0 24z'),
  ],
  'flowers-open/open': petals(24, 24, 18, 5, 0.5).map(line),
  'flowers-open/buds': [line('M24 44V28'), line(blade(24, 30, 22, 9, -90))],
  'fruit-ripeness/full-size': [line(round(24, 28, 15)), line('M24 13V4')],
  'fruit-ripeness/green': [line(round(24, 28, 7)), line('M24 21V4')],
  // Underground
  'root-form/slender-bulb': [ground, line('M22 8v10c-6 8-4 18 2 20 6-2 8-12 2-20V8'), thin('M22 40l-3 5M26 40l3 5')],
  'root-form/round-bulb': [
    line('M21 4v10C6 18 8 38 24 38s18-20 3-24V4'),
    thin('M24 14v24M16 20c-3 6-2 12 2 16M32 20c3 6 2 12-2 16'),
  ],
  'root-form/corm': [
    line('M22 4v10C8 18 8 38 24 40c16-2 16-22 2-26V4'),
    hatch('M22 14C8 18 8 38 24 40c16-2 16-22 2-26z'),
  ],
  'root-form/tuber': [line('M24 4v12C8 14 4 30 14 38c10 6 26 2 26-10 0-8-8-14-16-12')],
  'root-form/creeping-rhizome': [line('M2 30h44M12 30V10M34 30V14'), thin('M8 30l-2 8M20 30l1 9M28 30l-1 8M40 30l2 8')],
  'root-form/thick-rhizome': [line('M24 4v12M10 18h28v14H10z'), thin('M14 32l-2 10M22 32v10M30 32l1 10M36 32l4 8')],
  'root-form/taproot': [line('M24 2v8M16 10h16L25 46z'), thin('M18 20l-6 3M31 24l6 3')],
  'root-form/chambered': [line('M24 2v6M12 8h24v30q-12 8-24 0z'), line('M12 17h24M12 25h24M12 33h24')],
  'root-form/fibrous': [line('M24 2v12'), line('M24 14L6 40M24 14L14 44M24 14l-2 32M24 14l7 30M24 14l18 26')],
  'root-form/woody': [hatch('M19 2h10v14H19z'), line('M19 16C16 26 10 30 4 34M24 16v28M29 16c3 10 9 14 15 18')],
  'base-as-it-came-out/whole': [
    dash('M4 22h40'),
    line('M20 4v24c-6 4-6 14 4 14s10-10 4-14V4'),
    thin('M14 44l3-4M34 44l-3-4M24 46v-3'),
    fill(round(16, 38, 1.5)),
    fill(round(33, 36, 1.5)),
  ],
  'base-as-it-came-out/snapped': [dash('M4 22h40'), line('M20 4v24l3-4 2 5 3-4V4'), dash('M18 34c-2 10 14 10 12 0')],
  'base-as-it-came-out/cut-off': [dash('M4 22h40'), line('M20 4v18h8V4'), dash('M20 28v8c0 8 8 8 8 0v-8')],
  'base-as-it-came-out/torn': [
    dash('M4 22h40'),
    line('M20 4v26c-5 3-5 10 0 12l3-8 4 2 1-8V4'),
    dash('M27 36c3 2 3 6-2 6'),
  ],
  // Fungi
  'fungus-form/cap-stem': [cap(capRound), line(stalk)],
  'fungus-form/egg': [line(round(24, 28, 13, 16)), ground],
  'fungus-form/bracket': [hatch('M4 4h8v40H4z'), line('M12 16C34 16 44 24 42 30H12z')],
  'fungus-form/ball': [line(round(24, 24, 17)), ground],
  'fungus-form/club': [line('M22 44C20 26 16 18 20 8c4-4 8-2 8 4 0 8-2 18-1 32z')],
  'fungus-form/trumpet': [line('M8 8q16 10 32 0C34 20 28 28 27 42h-6C20 28 14 20 8 8z')],
  'growth-habit/single': [ground, line('M16 20C16 8 32 8 32 20zM23 20v22M26 20v22')],
  'growth-habit/troop': [ground, ...[8, 24, 40].map((x) => line(`M${x - 6} 26c0-8 12-8 12 0zM${x} 26v16`))],
  'growth-habit/tuft': [
    ground,
    line('M24 42L12 22M24 42V18M24 42l12-20'),
    line('M5 22c0-9 14-9 14 0zM17 18c0-9 14-9 14 0zM29 22c0-9 14-9 14 0z'),
  ],
  'substrate/soil': [line('M2 24h44'), thin('M8 30h.1M18 34h.1M28 30h.1M38 35h.1M12 40h.1M24 42h.1M36 42h.1')],
  'substrate/grass': [line('M2 34h44'), line('M8 34V20M16 34l-3-18M24 34V14M32 34l3-18M40 34V20')],
  'substrate/wood': [line('M4 18h40v18H4z'), thin('M8 24h30M12 30h28'), line(round(40, 27, 3, 8))],
  'substrate/dung': [line('M8 38c0-8 6-6 8-12 4-10 12-10 16 0 2 6 8 4 8 12z')],
  'underside/gills': [line(round(24, 24, 20)), thin(rays(24, 24, 5, 20, 32)), line(round(24, 24, 4))],
  'underside/folds': [
    line(round(24, 24, 20)),
    line(
      'M24 20L20 5M24 20l6-15M20 24L5 22M28 24l15 4M24 28l-4 15M24 28l8 13M20 26L8 34M12 30l-2 6M30 8l4 3M36 26l4-4',
    ),
  ],
  'underside/pores': [
    line(round(24, 24, 20)),
    ...[
      [16, 16],
      [24, 14],
      [32, 16],
      [14, 24],
      [24, 24],
      [34, 24],
      [16, 32],
      [24, 34],
      [32, 32],
    ].map(([x, y]) => fill(round(x!, y!, 2))),
  ],
  'underside/spines': [line('M6 16h36'), line('M8 16l2 16 2-16M16 16l2 18 2-18M24 16l2 20 2-20M32 16l2 18 2-18')],
  'underside/smooth': [line(round(24, 24, 20))],
  'veil-opening/gills-free-of-veil': half([thin('M12 20v6M16 20v8M32 20v8M36 20v6')]),
  'veil-opening/veil-closed': half([hatch('M8 20h32L27 28h-6z')]),
  'veil-opening/egg-closed': [line(round(24, 26, 14, 17))],
  'gill-attachment/free': half([thin('M9 20q2 6 6 6 1 0 2-6M39 20q-2 6-6 6-1 0-2-6')]),
  'gill-attachment/narrow': half([thin('M9 20q4 9 12 1M39 20q-4 9-12 1')]),
  'gill-attachment/notched': half([thin('M9 20q5 12 8 6t4 1M39 20q-5 12-8 6t-4 1')]),
  'gill-attachment/broad': half([thin('M9 20q5 8 12 8M39 20q-5 8-12 8')]),
  'gill-attachment/running': half([thin('M9 20q8 6 12 18M39 20q-8 6-12 18')]),
  'gill-forking/unforked': [line('M10 44V6M20 44V6M30 44V6M40 44V6')],
  'gill-forking/few-forks': [line('M14 44V6M34 44V24M34 24L28 6M34 24l6-18')],
  'gill-forking/again-and-again': [
    line('M24 46V34M24 34L12 22M24 34l12-12M12 22L6 6M12 22l6-16M36 22L30 6M36 22l6-16'),
  ],
  'ring/skirt': [line('M20 4v40M28 4v40'), line('M14 26c4-8 16-8 20 0l-3-2-3 3-4-3-4 3-3-3z')],
  'ring/thin': [line('M20 4v40M28 4v40M16 22l4-2M28 20l5 3')],
  'ring/cogwheel': [line('M20 4v40M28 4v40M12 18h24M14 26l3-3 3 3 3-3 3 3 3-3 3 3')],
  'ring/cobweb': [line('M20 4v40M28 4v40'), thin('M8 6l12 14M12 4l8 12M40 6L28 20M36 4l-8 12M20 20h8')],
  'volva/sac': [line('M21 4v32M27 4v32'), line('M10 22c0 16 4 22 14 22s14-6 14-22l-5 5-4-6M10 22l5 5 4-6')],
  'volva/rim': [line('M21 4v26M27 4v26M14 30c-2 14 22 14 20 0z'), thin('M12 26h24M14 21h20')],
  'stem-base/even': [line('M19 4v38h10V4')],
  'stem-base/tapering': [line('M17 4l6 40h2l6-40')],
  'stem-base/club': [line('M20 4c0 20-4 26-4 32 0 8 16 8 16 0 0-6-4-12-4-32')],
  'stem-base/bulb': [line('M20 4v24M28 4v24'), line(round(24, 34, 11, 9))],
  'stem-base/rimmed-bulb': [line('M20 4v24M28 4v24M12 28h24v8q-12 12-24 0z')],
  'stem-base/joined': [line('M8 4l13 36M16 4l8 30M40 4L27 40M32 4l-8 30M21 40h6')],
  'stem-flesh/solid': [line('M16 4h16v40H16z'), hatch('M16 4h16v40H16z')],
  'stem-flesh/stuffed': [line('M16 4h16v40H16z'), thin('M22 8q4 4 0 8t0 8 0 8 0 8M27 8q-4 4 0 8t0 8 0 8')],
  'stem-flesh/hollow': [line('M14 4v40M19 4v40M29 4v40M34 4v40')],
  'stem-surface/smooth': [line('M18 4v40M30 4v40')],
  'stem-surface/shaggy': [line('M18 4v40M30 4v40M18 12l-6 3M18 22l-6 3M18 32l-6 3M30 12l6 3M30 22l6 3M30 32l6 3')],
  'stem-surface/snakeskin': [
    line('M18 4v40M30 4v40'),
    thin('M18 10l6 4 6-4M18 20l6 4 6-4M18 30l6 4 6-4M18 40l6 4 6-4'),
  ],
  'stem-surface/zoned-bands': [
    line('M18 4v40M30 4v40M18 12h12v5H18zM18 26h12v5H18z'),
    hatch('M18 12h12v5H18zM18 26h12v5H18z'),
  ],
  'stem-surface/fibres': [line('M18 4v40M30 4v40'), thin('M21 6v14M24 14v22M27 8v16M22 28v14M27 30v12')],
  'cap-shape/round': [cap(capRound)],
  'cap-shape/flat': [line('M4 18q20-6 40 0q-2 5-6 5H10q-4 0-6-5z')],
  'cap-shape/funnel': [line('M4 12q20 22 40 0-6 14-16 18v14h-8V30Q10 26 4 12z')],
  'cap-shape/peaked': [line('M6 28Q18 22 21 10q3-4 6 0 3 12 15 18z')],
  'cap-shape/bell': [line('M8 32C12 28 10 8 24 8s12 20 16 24z')],
  'cap-surface/smooth': [cap(capRound)],
  'cap-surface/patches': [
    cap(capRound),
    fill('M16 14l4-2 2 3-4 2zM26 12l5 1-1 3-5-1zM20 19l4-1 1 3-5 0zM32 18l4 0-1 3-4-1z'),
  ],
  'cap-surface/scales': [cap(capRound), thin('M14 18l3-3 3 3M22 14l3-3 3 3M30 18l3-3 3 3M20 21l3-2 3 2')],
  'cap-surface/streaks': [cap(capRound), thin('M24 11v10M18 13l-3 8M30 13l3 8M13 16l-3 5M35 16l3 5')],
  'cap-surface/felty': [
    cap(capRound),
    thin('M10 19v-4M14 14v-4M19 11V7M24 10V6M29 11V7M34 14v-4M38 19v-4M16 20v-4M22 18v-4M28 18v-4M33 20v-4'),
  ],
  'cap-edge/inrolled': [line('M8 14q20-12 32 6c4 10-6 12-7 5')],
  'cap-edge/veil-shreds': [line('M6 18q18-14 36 0M10 18v8l3-5 2 9 3-10M28 18l2 9 3-7 3 6 2-8')],
  'cap-edge/grooved': [line('M6 26q18-20 36 0'), thin('M10 26v-5M15 24v-5M20 22v-5M28 22v-5M33 24v-5M38 26v-5')],
  'cap-edge/wavy': [line('M4 24q6-10 10 0t10 0 10 0 10 0'), line('M6 18Q24 2 42 18')],
  'cap-edge/plain': [line('M6 26Q24 4 42 26z')],
  'base-stain/chrome-yellow': [line('M8 2v30h14V2'), hatch('M8 24h14v8H8z'), ...patch('chrome-yellow', 26, 24, 20)],
  'base-stain/ochre': [line('M8 2v30h14V2'), hatch('M8 24h14v8H8z'), ...patch('ochre', 26, 24, 20)],
  'base-stain/reddish': [line('M8 2v30h14V2'), hatch('M8 24h14v8H8z'), ...patch('red', 26, 24, 20)],
  'base-stain/none': [line('M8 2v30h14V2'), hatch('M8 24h14v8H8z'), ...patch('none', 26, 24, 20)],
  'cap-bruise/chrome-yellow': [
    line('M4 18C4 2 36 2 36 18z'),
    thin('M26 12l8 4'),
    ...patch('chrome-yellow', 24, 24, 20),
  ],
  'cap-bruise/ochre': [line('M4 18C4 2 36 2 36 18z'), thin('M26 12l8 4'), ...patch('ochre', 24, 24, 20)],
  'cap-bruise/none': [line('M4 18C4 2 36 2 36 18z'), thin('M26 12l8 4'), ...patch('none', 24, 24, 20)],
  'flesh-texture/fibrous': [line('M16 4v16l-4 24M32 4v16l4 24'), thin('M20 4v18l-3 18M24 4v36M28 4v18l3 18')],
  'flesh-texture/crumbly': [line('M14 4h20v14l-5-3-5 4-4-4-6 3z'), line('M14 30l6-3 4 4 5-3 5 3v13H14z')],
  'flesh-texture/elastic': [
    line('M4 24h10c4 0 4 12 10 12s6-12 10-12h10v20H4z'),
    thin('M8 30h6M34 30h6'),
    line('M24 2v24M19 21l5 6 5-6'),
  ],
  'latex/milk': [line('M8 14h32M14 14v8M24 14v8M34 14v8'), fill(drop(24, 26)), fill(drop(34, 26))],
  // Smells
  'smell-crushed/garlic': scent('M30 16c-10 4-10 20 0 20s10-16 0-20zM30 16V8'),
  'smell-crushed/green': scent('M22 38C22 22 30 14 42 12c0 14-6 24-20 26z'),
  'smell-crushed/parsley': scent('M30 42V22M30 26l-8-8M30 26l8-8M30 20l-4-8M30 20l4-8'),
  'smell-crushed/mouse': scent('M20 34c0-12 20-12 20 0zM36 26a4 4 0 1 0-1-5M40 34c4 2 4 6 0 8'),
  'smell-crushed/rank': scent('M22 36q4-6 0-12t0-12M32 36q4-6 0-12t0-12M42 36q4-6 0-12t0-12'),
  'smell-flesh/mushroom': scent('M22 26c0-14 20-14 20 0zM30 26v14M34 26v14'),
  'smell-flesh/aniseed': [
    ...scent(rays(32, 26, 4, 13, 8)),
    ...Array.from({ length: 8 }, (_, i) =>
      fill(round(32 + 10 * Math.cos((i * Math.PI) / 4), 26 + 10 * Math.sin((i * Math.PI) / 4), 2.2)),
    ),
  ],
  'smell-flesh/ink': scent('M24 18h16v6l4 4v14H20V28l4-4z'),
  'smell-flesh/meal': scent(
    'M32 46V24M32 24c-5-3-5-9 0-14 5 5 5 11 0 14zM32 32c-8 0-10-6-9-10 6 0 9 4 9 10zM32 32c8 0 10-6 9-10-6 0-9 4-9 10zM32 41c-8 0-10-6-9-10 6 0 9 4 9 10zM32 41c8 0 10-6 9-10-6 0-9 4-9 10z',
  ),
  'smell-flesh/apricot': scent('M32 14c-14 0-14 26 0 26s14-26 0-26zM32 14c4 8 4 18 0 26'),
  'smell-flesh/radish': scent('M32 22c-10 0-8 16 0 22 8-6 10-22 0-22zM32 22l-5-12M32 22l5-12'),
  'smell-flesh/honey': scent(polygon(32, 26, 13, 6)),
  // Places and state
  'habitat/damp-wood': [
    line('M14 30V22M34 30V22'),
    line('M14 4L6 22h16zM34 4l-8 18h16z'),
    thin('M4 38q5-4 10 0t10 0 10 0 10 0'),
  ],
  'habitat/dry-wood': [ground, line('M16 42V26M32 42V26'), line(round(16, 18, 9)), line(round(32, 18, 9))],
  'habitat/conifer-wood': [ground, line('M24 42V34M24 4L12 18h6L8 34h32L30 18h6z')],
  'habitat/wood-edge': [ground, line(round(14, 20, 10)), line('M14 30v12'), thin('M28 42v-8M34 42v-10M40 42v-8')],
  'habitat/meadow': [ground, thin('M8 42V24M16 42V18M24 42V22M32 42V16M40 42V24')],
  'habitat/pasture': [ground, line('M4 28h40M10 20v22M24 20v22M38 20v22')],
  'habitat/water': [line('M4 18q5-5 10 0t10 0 10 0 10 0M4 28q5-5 10 0t10 0 10 0 10 0M4 38q5-5 10 0t10 0 10 0 10 0')],
  'habitat/waste': [ground, line('M6 42l6-8 6 8M22 42l5-6 5 6M34 42l4-5 4 5')],
  'habitat/garden': [ground, line('M10 42V22l14-12 14 12v20M20 42V30h8v12')],
  'condition/intact': half([thin('M12 20v6M36 20v6'), line('M20 40q4 4 8 0')]),
  'condition/rain-washed': [...half([]), thin('M6 4l-2 6M16 2l-2 6M30 2l-2 6M42 4l-2 6')],
  'condition/old': [line('M4 26q6-12 20-8t20 8q-8-2-12 4l-8-2-8 2q-4-6-12-4zM22 28l-2 14M27 28l4 14')],
  'condition/frosted': [line('M24 4v40M6 14l36 20M42 14L6 34')],
  'condition/tunnelled': [
    line('M12 4h24v40H12z'),
    fill(round(20, 14, 3)),
    fill(round(28, 24, 3)),
    fill(round(19, 34, 3)),
    thin('M20 14q10 4 8 10t-9 10'),
  ],
  'condition/spotted': [
    line(round(24, 24, 19)),
    fill(round(16, 18, 3)),
    fill(round(30, 16, 2)),
    fill(round(28, 30, 4)),
    fill(round(16, 32, 2)),
  ],
  'condition/broken': [line('M8 22C8 8 22 8 24 10l-3 6 4 2-4 5zM28 24l3-5-4-3 3-5c8 2 10 8 10 13zM21 26v14M27 28v12')],
  'condition/malformed': [line('M10 24C4 10 20 2 24 12 30 0 46 10 36 24zM20 24l-6 18M28 24l2 8 6 10')],
};

const byState: Record<string, Mark[]> = { ...first, ...plants, ...fungi, ...deciding };

const colourTraits = new Set([
  'flower-colour',
  'fruit-colour',
  'sap-colour',
  'gill-colour',
  'spore-print',
  'cap-colour',
  'flesh-colour',
  'pore-colour',
  'stem-colour',
]);
const nothing: Mark[] = [dash(round(24, 24, 16)), thin('M14 34L34 14')];

/** The drawing of one state of one trait; what is absent is a crossed dotted ring. */
export function glyph(trait: string, state: string): Mark[] {
  const own = byState[`${trait}/${state}`];
  if (own) return own;
  if (colourTraits.has(trait) && colourOf(state).length > 0) return colourOf(state);
  return nothing;
}

/** Whether a state has a drawing of its own. */
export function hasGlyph(trait: string, state: string): boolean {
  return (
    `${trait}/${state}` in byState ||
    (colourTraits.has(trait) && colourOf(state).length > 0) ||
    state === 'none' ||
    state === 'absent'
  );
}
