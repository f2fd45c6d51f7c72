import { glyph } from '../glyphs';
import { dash, fill, hatch, line, polygon, round, thin, type Mark } from '../marks';
import { leaf, leafFeet } from './leaf';
import { num, tile, type Piece, type Seen } from './piece';

const [mid, top, ground] = [150, 92, 318];

/** The cut face of a stem, radius r: its outline by section, its inside by what was seen. */
export function stemSection(cx: number, cy: number, r: number, section = 'round', inside?: string): Mark[] {
  const outline: Record<string, string> = {
    round: round(cx, cy, r),
    square: polygon(cx, cy, r * 1.25, 4, -45),
    'three-edged': polygon(cx, cy, r * 1.25, 3),
    ridged: ridged(cx, cy, r, 10),
    winged: `${round(cx, cy, r * 0.7)}M${num(cx - r * 0.7)} ${cy}h${num(-r * 0.55)}M${num(cx + r * 0.7)} ${cy}h${num(r * 0.55)}M${cx} ${num(cy - r * 0.7)}v${num(-r * 0.55)}M${cx} ${num(cy + r * 0.7)}v${num(r * 0.55)}`,
  };
  const d = outline[section] ?? outline['round']!;
  const core: Record<string, Mark[]> = {
    hollow: [line(round(cx, cy, r * 0.58))],
    solid: [hatch(d)],
    'wide-pith': [
      thin(round(cx, cy, r * 0.7)),
      fill(
        [
          [-0.3, -0.2],
          [0.2, -0.35],
          [0.35, 0.15],
          [-0.1, 0.35],
          [0, 0],
        ]
          .map(([u, v]) => round(num(cx + u! * r), num(cy + v! * r), 1.4))
          .join(''),
      ),
    ],
    chambered: [
      line(`M${num(cx - r)} ${num(cy - r * 0.35)}h${num(2 * r)}M${num(cx - r)} ${num(cy + r * 0.35)}h${num(2 * r)}`),
    ],
  };
  return [line(d), ...(core[inside ?? ''] ?? [])];
}

function ridged(cx: number, cy: number, r: number, n: number): string {
  const pts = Array.from({ length: n * 2 }, (_, i) => {
    const a = (Math.PI * i) / n;
    const q = i % 2 ? r * 0.84 : r * 1.06;
    return `${num(cx + q * Math.cos(a))} ${num(cy + q * Math.sin(a))}`;
  });
  return `M${pts.join('L')}z`;
}

function stem(see: Seen): Piece[] {
  const kind = see('stem-kind');
  const woody = kind === 'woody' || ['shrub', 'tree', 'woody-vine'].includes(see('plant-habit') ?? '');
  const w = woody ? 9 : 4.5;
  // Between the leaves of a stem, above those of a rosette.
  const cutAt = see('leaf-arrangement') === 'basal' ? 206 : 252;
  const out: Piece[] = [];
  if (kind !== 'none')
    out.push({
      part: 'stem',
      form: ['stem-kind'],
      plain: true,
      marks: [line(`M${mid - w} ${ground}V${top}M${mid + w} ${ground}V${top}`)],
    });
  const extra = (trait: string, marks: Mark[]) => out.push({ part: 'stem', form: [trait], marks, extra: true });
  const ys = Array.from({ length: 9 }, (_, i) => top + 18 + i * 23);
  const hair = (len: number, drop: number) =>
    ys.map((y) => `M${mid - w} ${y}l${-len} ${drop}M${mid + w} ${y}l${len} ${drop}`).join('');
  const hairs: Record<string, Mark> = {
    soft: thin(hair(6, -2)),
    bristly: line(hair(11, -4)),
    stinging: line(hair(9, 2)),
    hooked: thin(ys.map((y) => `M${mid + w} ${y}q9 0 7 6M${mid - w} ${y}q-9 0-7 6`).join('')),
    sticky: fill(ys.map((y) => round(mid + w + 7, y, 1.8) + round(mid - w - 7, y, 1.8)).join('')),
    'one-line': thin(ys.map((y) => `M${mid} ${y}l5-3`).join('')),
  };
  const h = hairs[see('stem-hairs') ?? ''];
  if (h) extra('stem-hairs', [h]);
  if (see('stem-marks') === 'blotches')
    extra('stem-marks', [fill([0, 2, 5, 7].map((i) => round(mid + (i % 2 ? 2 : -2), ys[i]!, 3.4, 5)).join(''))]);
  if (see('stem-marks') === 'flush')
    extra('stem-marks', [hatch(`M${mid - w} ${top + 60}h${2 * w}v${ground - top - 60}h${-2 * w}z`)]);
  if (['prickles', 'vein-spines', 'thorns'].includes(see('thorns') ?? ''))
    extra('thorns', [
      line(
        [1, 3, 5, 7]
          .map((i) => `M${mid + w} ${ys[i]! - 6}l13 ${i % 2 ? 4 : -4}-13 10M${mid - w} ${ys[i]! + 4}l-13-4 13-6`)
          .join(''),
      ),
    ]);
  if (see('bark-lenticels') === 'present')
    extra('bark-lenticels', [fill([1, 2, 4, 6, 8].map((i) => round(mid + (i % 2 ? 3 : -3), ys[i]!, 3, 1.5)).join(''))]);
  if (see('joints') === 'sheathed' || see('stipules') === 'sheath')
    extra(see('joints') === 'sheathed' ? 'joints' : 'stipules', [
      line([160, 234].map((y) => `M${mid - w - 3} ${y}h${2 * w + 6}v-16l-4 4-5-5-5 5-4-4z`).join('')),
    ]);
  const climbs = see('climbing-organs');
  if (climbs && climbs !== 'none') {
    const organ: Record<string, Mark> = {
      tendrils: line(`M${mid + w} 170c24-14 40 2 34 14s-20 0-10-9M${mid - w} 240c-24-14-40 2-34 14s20 0 10-9`),
      pads: line(`M${mid + w} 170l34-18M${mid + w + 14} 162l18 6M${mid - w} 240l-34-18M${mid - w - 14} 232l-18 6`),
      rootlets: thin(
        ys.map((y) => `M${mid + w} ${y}l16 3M${mid + w} ${y + 7}l14-2M${mid + w} ${y + 14}l16 4`).join(''),
      ),
      twining: line(
        `M${mid - 26} ${ground}C${mid + 40} ${ground - 40} ${mid + 40} ${ground - 60} ${mid - 24} ${ground - 104}S${mid + 20} ${top + 60} ${mid - 20} ${top}`,
      ),
    };
    extra('climbing-organs', [
      organ[climbs] ?? organ['tendrils']!,
      ...(climbs === 'pads'
        ? [
            fill(
              [
                [34, 152],
                [32, 168],
              ]
                .map(([u, y]) => round(mid + w + u!, y!, 3.6) + round(mid - w - u!, y! + 70, 3.6))
                .join(''),
            ),
          ]
        : []),
    ]);
  }
  out.push({
    part: 'stem',
    form: ['stem-section', 'stem-inside'],
    marks: [
      dash(`M${mid + w + 2} ${cutAt - 14}L216 ${cutAt - 2}`),
      ...stemSection(238, cutAt, 20, see('stem-section'), see('stem-inside')),
    ],
  });
  return out;
}

function leaves(see: Seen): Piece[] {
  const arrangement = see('leaf-arrangement') ?? (see('stem-kind') === 'none' ? 'basal' : 'alternate');
  const basal = arrangement === 'basal';
  const feet = leafFeet(arrangement, mid, top + 40, basal ? ground : ground - 10);
  const len = basal ? 118 : arrangement === 'opposite' || arrangement === 'whorled' ? 78 : 92;
  const out: Piece[] = [
    {
      part: 'leaf',
      form: ['leaf-arrangement', 'leaf-division', 'leaf-shape', 'leaf-margin'],
      marks: feet.flatMap((f) => leaf(f.x, f.y, len, f.angle, see)),
    },
  ];
  const foot = see('leaf-insertion');
  if (foot && glyph('leaf-insertion', foot))
    out.push(tile('leaf', 'leaf-insertion', glyph('leaf-insertion', foot), 52, 328, 1, true));
  const cut = see('leaf-stalk-section') ? 'leaf-stalk-section' : see('leaf-section') ? 'leaf-section' : undefined;
  if (cut) out.push(tile('leaf', cut, glyph(cut, see(cut)!), 14, 196, 0.9, true));
  return out;
}

/** Where the flowers of a cluster stand, round the top of the stem. */
export function clusterSpots(cluster: string): { at: [number, number][]; branches: string } {
  const [x, y] = [mid, top];
  const fan = (n: number, r: number, spread: number): [number, number][] =>
    Array.from({ length: n }, (_, i) => {
      const a = ((-90 + spread * (i / (n - 1) - 0.5)) * Math.PI) / 180;
      return [num(x + r * Math.cos(a)), num(y + r * Math.sin(a))];
    });
  const rays = (at: [number, number][]) => at.map(([u, v]) => `M${x} ${y}L${u} ${v}`).join('');
  switch (cluster) {
    case 'umbel': {
      const at = fan(7, 54, 130);
      return { at, branches: rays(at) };
    }
    case 'double-umbel': {
      const hubs = fan(5, 40, 130);
      const at = hubs.flatMap(([u, v]): [number, number][] => [
        [u - 11, v - 14],
        [u, v - 18],
        [u + 11, v - 14],
      ]);
      return {
        at,
        branches: rays(hubs) + hubs.map(([u, v]) => `M${u} ${v}l-11-14M${u} ${v}v-18M${u} ${v}l11-14`).join(''),
      };
    }
    case 'flat-branched': {
      const at = [-48, -32, -16, 0, 16, 32, 48].map((u): [number, number] => [x + u, 46]);
      return { at, branches: at.map(([u, v], i) => `M${x} ${y + 6 * (3 - Math.abs(3 - i))}L${u} ${v}`).join('') };
    }
    case 'spike': {
      const at = [0, 1, 2, 3, 4, 5].map((i): [number, number] => [x + (i % 2 ? 11 : -11), 40 + i * 13]);
      return { at, branches: `M${x} ${y + 20}V34` };
    }
    case 'candle': {
      const at = [0, 1, 2, 3].flatMap((i): [number, number][] => [
        [x - 8 - i * 6, 44 + i * 16],
        [x + 8 + i * 6, 44 + i * 16],
      ]);
      return { at, branches: `M${x} ${y + 20}V32` };
    }
    case 'panicle': {
      const at: [number, number][] = [
        [x - 40, 70],
        [x - 24, 52],
        [x, 34],
        [x + 24, 56],
        [x + 40, 74],
        [x - 14, 84],
        [x + 14, 86],
      ];
      return {
        at,
        branches: `M${x} ${y + 20}V38M${x} 90L${x - 40} 72M${x} 80L${x + 40} 76M${x} 66L${x - 24} 54M${x} 70L${x + 24} 58`,
      };
    }
    case 'whorls': {
      const at = [38, 66, 94].flatMap((v): [number, number][] =>
        [-18, -9, 9, 18].map((u): [number, number] => [x + u, v + Math.abs(u) / 6]),
      );
      return { at, branches: `M${x} ${y + 20}V32` };
    }
    case 'corners':
      return {
        at: [
          [x + 14, 150],
          [x - 14, 196],
          [x + 14, 240],
        ],
        branches: '',
      };
    case 'head':
      return {
        at: [
          [x - 9, 62],
          [x, 56],
          [x + 9, 62],
          [x - 9, 72],
          [x + 9, 72],
          [x, 68],
          [x, 78],
        ],
        branches: `M${x} ${y}V80`,
      };
    case 'club':
      return { at: [], branches: `M${x} ${y}V80M${x - 7} 80V34c0-10 14-10 14 0V80zM${x} 26V14` };
    case 'coiled':
      return {
        at: [
          [x + 10, 44],
          [x + 22, 46],
          [x + 30, 56],
          [x + 30, 68],
        ],
        branches: `M${x} ${y}C${x} 40 ${x + 34} 30 ${x + 32} 60c0 12-16 12-16 2`,
      };
    case 'along-twig':
      return {
        at: [
          [x - 14, 110],
          [x + 14, 140],
          [x - 14, 170],
          [x + 14, 200],
        ],
        branches: '',
      };
  }
  return { at: [[x, 56]], branches: `M${x} ${y}V70` };
}

function flowers(see: Seen): Piece[] {
  const cluster = see('flower-cluster');
  const { at, branches } = clusterSpots(cluster ?? 'single');
  const out: Piece[] = [
    {
      part: 'flower',
      form: ['flower-cluster'],
      marks: [
        ...(branches ? [line(branches)] : []),
        line(at.map(([x, y]) => round(x, y, at.length > 8 ? 3.4 : at.length === 1 ? 11 : 6)).join('')),
      ],
    },
  ];
  // A flower that rises straight from the ground has a stalk of its own.
  if (see('stem-kind') === 'none') out[0]!.marks.unshift(line(`M${mid} ${ground}V${top - 24}`));
  const plan = see('flower-plan');
  out.push(tile('flower', 'flower-plan', glyph('flower-plan', plan ?? 'five'), 206, 12, 1.3));
  return out;
}

/** A plant as it was seen, or as an entry usually is. */
export function plantPieces(see: Seen): Piece[] {
  const fern = see('plant-habit') === 'fern';
  const root = see('root-form');
  const fruit = see('fruit-kind');
  const seed = see('seed-shape');
  return [
    { part: 'habitat', form: ['habitat'], plain: true, marks: [line(`M20 ${ground}h260`)] },
    ...(fern
      ? [tile('habit', 'plant-habit', glyph('plant-habit', 'fern'), 66, 120, 4.1)]
      : [...stem(see), ...leaves(see), ...flowers(see)]),
    tile('habit', 'plant-habit', glyph('plant-habit', see('plant-habit') ?? 'herb'), 8, 12, 1),
    tile('fruit', 'fruit-kind', glyph('fruit-kind', fruit ?? 'berry'), 208, 80, 1),
    tile('seed', 'seed-shape', glyph('seed-shape', seed ?? 'round'), 222, 142, 0.8),
    tile('root-or-base', 'root-form', glyph('root-form', root ?? 'fibrous'), mid - 44, ground - 2, 1.85),
  ];
}
