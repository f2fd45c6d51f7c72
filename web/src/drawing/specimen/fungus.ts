import { glyph } from '../glyphs';
import { dash, fill, hatch, line, polygon, round, thin, type Mark } from '../marks';
import { num, tile, type Piece, type Seen } from './piece';

const [cx, rim, foot] = [150, 138, 330];

/** The profile of a cap, half the width of its underside and the height of its edge. */
export function capOutline(shape: string): { d: string; half: number; low: number } {
  switch (shape) {
    case 'flat':
      return { d: `M44 ${rim - 12}Q${cx} ${rim - 62} 256 ${rim - 12}q-4 14-18 14H62q-14 0-18-14z`, half: 92, low: rim };
    case 'funnel':
      return {
        d: `M40 ${rim - 42}Q${cx} ${rim + 30} 260 ${rim - 42}Q206 ${rim + 18} 172 ${rim + 34}H128Q94 ${rim + 18} 40 ${rim - 42}z`,
        half: 104,
        low: rim - 36,
      };
    case 'peaked':
      return {
        d: `M60 ${rim}Q122 ${rim - 26} 138 ${rim - 84}q12-20 24 0Q178 ${rim - 26} 240 ${rim}q-90 14-180 0z`,
        half: 86,
        low: rim,
      };
    case 'bell':
      return {
        d: `M70 ${rim}C92 ${rim - 20} 84 ${rim - 108} ${cx} ${rim - 110}S208 ${rim - 20} 230 ${rim}q-80 12-160 0z`,
        half: 76,
        low: rim,
      };
    case 'cylinder':
      return {
        d: `M100 ${rim + 70}V${rim - 40}C100 ${rim - 130} 200 ${rim - 130} 200 ${rim - 40}V${rim + 70}q-50 8-100 0z`,
        half: 48,
        low: rim + 70,
      };
    case 'shell':
      return {
        d: `M50 ${rim + 60}C30 ${rim - 90} 190 ${rim - 130} 268 ${rim - 70}c0 70-110 110-190 138z`,
        half: 60,
        low: rim + 20,
      };
  }
  // Heads: nothing hangs below them but their edge.
  switch (shape) {
    case 'brain':
      return {
        d: `M84 ${rim + 20}c-34-6-36-50-8-58c-8-36 34-54 52-34c14-22 52-18 56 6c32-4 46 34 24 50c22 20 4 44-20 40q-50 18-104-4z`,
        half: 60,
        low: rim + 20,
      };
    case 'honeycomb':
      return {
        d: `M112 ${rim + 60}C76 ${rim + 10} 96 ${rim - 112} ${cx} ${rim - 116}S224 ${rim + 10} 188 ${rim + 60}q-38 14-76 0z`,
        half: 38,
        low: rim + 60,
      };
    case 'thimble':
      return {
        d: `M112 ${rim + 24}C108 ${rim - 60} 126 ${rim - 92} ${cx} ${rim - 92}S192 ${rim - 60} 188 ${rim + 24}q-10 8-18 0q-10 8-20 0q-10 8-20 0q-8 8-18 0z`,
        half: 38,
        low: rim + 24,
      };
  }
  return { d: `M50 ${rim}C54 ${rim - 102} 246 ${rim - 102} 250 ${rim}q-100 16-200 0z`, half: 96, low: rim };
}

function capPieces(see: Seen): Piece[] {
  const shape = see('cap-shape') ?? 'round';
  const { d, half, low } = capOutline(shape);
  const inner: Record<string, Mark[]> = {
    brain: [
      line(
        `M96 ${rim - 6}q14-18 26 0t26 0 26 0 26-4M92 ${rim - 40}q16-20 30 0t30-2 34-2M124 ${rim + 18}q10-16 22 0t24 0`,
      ),
    ],
    honeycomb: [
      line(
        [
          [150, 46],
          [132, 74],
          [168, 74],
          [120, 104],
          [150, 102],
          [180, 104],
          [118, 136],
          [150, 132],
          [182, 136],
          [124, 168],
          [150, 164],
          [176, 168],
        ]
          .map(([x, y]) => round(x!, y!, 11, 13))
          .join(''),
      ),
    ],
    thimble: [
      thin([-24, -12, 0, 12, 24].map((u) => `M${cx + u * 0.4} ${rim - 82}q${u * 0.4} 50 ${u * 0.6} 100`).join('')),
    ],
  };
  const out: Piece[] = [{ part: 'cap', form: ['cap-shape'], marks: [line(d), ...(inner[shape] ?? [])] }];
  const extra = (trait: string, marks: Mark[]) => out.push({ part: 'cap', form: [trait], marks, extra: true });
  const on = [
    [-58, 112],
    [-32, 88],
    [0, 78],
    [32, 88],
    [58, 112],
    [-16, 110],
    [16, 110],
  ].map(([u, y]): [number, number] => [num(cx + (u! * half) / 96), y!]);
  const surface: Record<string, Mark[]> = {
    patches: [fill(on.map(([x, y]) => polygon(x, y, 7, 5)).join(''))],
    scales: [line(on.map(([x, y]) => `M${x - 8} ${y + 4}l8-8 8 8`).join(''))],
    streaks: [thin(on.map(([x, y]) => `M${x} ${y - 8}L${num(x + (x - cx) * 0.14)} ${y + 14}`).join(''))],
    felty: [thin(on.map(([x, y]) => `M${x - 6} ${y}v-6M${x} ${y}v-7M${x + 6} ${y}v-6`).join(''))],
    slimy: [line('M84 138v16M118 142v22M150 144v12M186 142v20M214 138v12')],
    cracked: [line('M84 118l18-14 14 10 14-22 18 12 16-18 18 20 16-8 18 20')],
    pitted: [line(on.map(([x, y]) => round(x, y, 8, 10)).join(''))],
    folded: [line('M80 112q12-14 24 0t24-4 24 4 24-4 24 4')],
  };
  // A head already shows its pits and folds.
  const s = inner[shape] ? undefined : surface[see('cap-surface') ?? ''];
  if (s) extra('cap-surface', s);
  // The edge from left to right, in n steps.
  const along = (n: number, mark: (x: number) => string) =>
    Array.from({ length: n }, (_, i) => mark(num(cx - half + (2 * half * (i + 0.5)) / n))).join('');
  const edge: Record<string, Mark[]> = {
    grooved: [thin(along(15, (x) => `M${x} ${low + 2}v-13`))],
    'veil-shreds': [line(along(5, (x) => `M${num(x - 8)} ${low + 4}l3 11 5-7 5 8 3-12`))],
    inrolled: [line(`M${cx - half} ${low}c-6 16 14 20 18 6M${cx + half} ${low}c6 16-14 20-18 6`)],
    wavy: [line(`M${cx - half} ${low}${along(8, () => `q${num(half / 8)} 13 ${num(half / 4)} ${0}`)}`)],
    lobed: [line(`M${cx - half} ${low}${along(4, () => `q${num(half / 4)} 30 ${num(half / 2)} 0`)}`)],
  };
  const e = edge[see('cap-edge') ?? ''];
  if (e) extra('cap-edge', e);
  if (see('cap-centre') === 'boss') extra('cap-centre', [line(`M128 ${rim - 72}q22-22 44 0`)]);
  if (see('cap-centre') === 'hole')
    extra('cap-centre', [dash(`M138 ${rim - 60}V${foot - 30}M162 ${rim - 60}V${foot - 30}`)]);
  return out;
}

/** Blades, pores or whatever is below, reaching the stem as far as they were seen to. */
function undersidePieces(see: Seen): Piece[] {
  const kind = see('underside');
  const shape = see('cap-shape') ?? 'round';
  const { half, low } = capOutline(shape);
  const join = see('gill-attachment');
  const gap = join === 'free' ? 32 : 20;
  const depth = join === 'running' ? 46 : join === 'broad' ? 24 : join === 'notched' ? 8 : 16;
  const count = see('gill-spacing') === 'distant' ? 4 : see('gill-spacing') === 'crowded' ? 10 : 6;
  // How they meet the stem is left open until it was looked at.
  const from = join ? 0 : Math.ceil(count / 3);
  const sides = (draw: (s: number) => string) => draw(1) + draw(-1);
  // A funnel is met from its slope, any other cap from its level edge.
  const funnel = shape === 'funnel';
  const at = (s: number, t: number): [number, number] =>
    funnel
      ? [num(cx + s * (20 + (half - 20) * t)), num(rim + 36 + (low - rim - 36) * t)]
      : [num(cx + s * (gap + (half - gap) * t)), low + 6];
  const steps = (n: number, mark: (x: number, y: number, i: number) => string) =>
    sides((s) => Array.from({ length: n }, (_, i) => mark(...at(s, (i + 0.5) / n), i)).join(''));
  const running = (n: number) =>
    sides((s) =>
      Array.from(
        { length: n },
        (_, i) =>
          `M${num(cx + s * (half - 4 - (i * 60) / n))} ${num(low + 6 + (i * 50) / n)}Q${num(cx + s * 30)} ${num(rim + 34 + (i * 24) / n)} ${cx + s * 17} ${num(rim + 44 + (i * 40) / n)}`,
      ).join(''),
    );
  const blades = (s: number) =>
    Array.from({ length: count }, (_, i) => i)
      .slice(from)
      .map((i) => {
        const inner = 1 - i / count;
        return `M${num(cx + s * (gap + ((half - gap) * i) / count))} ${low + 6}v${num(10 + depth * inner * (i === 0 ? 1 : 0.7))}`;
      })
      .join('');
  const lower = funnel
    ? ''
    : sides(
        (s) =>
          `M${cx + s * half} ${low + 4}Q${num(cx + s * half * 0.6)} ${low + 26} ${cx + s * gap} ${low + 6 + depth}`,
      );
  const forms: Record<string, Mark[]> = {
    gills: funnel ? [thin(running(count))] : [thin(sides(blades)), line(lower)],
    folds: funnel
      ? [
          line(running(4)),
          line(sides((s) => `M${cx + s * 62} ${rim + 12}l${s * -4} 16M${cx + s * 40} ${rim + 26}l${s * -6} 14`)),
        ]
      : [line(steps(4, (x, y) => `M${num(x - 9)} ${y}q9 22 18 0`)), line(lower)],
    pores: [fill(steps(7, (x, y, i) => round(x, y + 6 + (i % 2) * 8, 2.6))), line(lower)],
    spines: [line(steps(6, (x, y) => `M${num(x - 4)} ${y}l4 24 4-24`))],
    smooth: [line(lower || running(1))],
    pimples: [fill(steps(9, (x, y, i) => round(x, y + 4 + (i % 2) * 7, 1.8)))],
    pits: [line(steps(4, (x, y) => round(x, y + 8, 8, 6)))],
    brain: [line(steps(4, (x, y) => `M${num(x - 10)} ${y + 8}q10-14 20 0`))],
    enclosed: [
      dash(sides((s) => `M${cx + s * half} ${low + 8}Q${cx + s * half * 0.5} ${low + 34} ${cx + s * 18} ${low + 30}`)),
    ],
  };
  return [
    {
      part: 'underside',
      form: kind === 'gills' ? ['underside', 'gill-attachment'] : ['underside'],
      marks: forms[kind ?? ''] ?? [line(lower || running(1))],
    },
  ];
}

/** Half the width of a stem at its top and at its foot. */
export function stemWidths(shape: string | undefined, base: string | undefined): [top: number, foot: number] {
  const top = shape === 'slender' ? 9 : shape === 'stout' ? 24 : shape === 'swollen' ? 20 : 16;
  const by: Record<string, number> = {
    even: 1,
    tapering: 0.45,
    club: 1.5,
    bulb: 1.9,
    'rimmed-bulb': 2,
    joined: 0.8,
    rooting: 0.7,
  };
  const swell = shape === 'swollen' ? 1.7 : 1;
  return [top, num(top * swell * (by[base ?? 'even'] ?? 1))];
}

function stemPieces(see: Seen): Piece[] {
  const [t, f] = stemWidths(see('stem-shape'), see('stem-base'));
  const base = see('stem-base');
  const edge = capOutline(see('cap-shape') ?? 'round').low;
  const low =
    base === 'bulb' || base === 'rimmed-bulb' ? foot - 34 : base === 'club' ? foot - 60 : Math.max(rim, edge) + 60;
  const side = (s: number) =>
    `M${cx + s * t} ${Math.max(rim + 14, edge)}V${low}Q${cx + s * (base === 'tapering' ? t * 0.8 : f)} ${low + 14} ${cx + s * f} ${foot}`;
  const out: Piece[] = [
    { part: 'stem', form: ['stem-shape'], plain: !see('stem-shape'), marks: [line(side(1) + side(-1))] },
    {
      part: 'root-or-base',
      form: ['stem-base'],
      marks: [
        line(
          base === 'rooting'
            ? `M${cx - f} ${foot}q${f} 60 ${f} 66 0-6 ${f}-66`
            : base === 'rimmed-bulb'
              ? `M${cx - f} ${foot}v-12h${2 * f}v12q${-f} 26 ${-2 * f} 0`
              : `M${cx - f} ${foot}q${f} ${base === 'tapering' ? 26 : 20} ${2 * f} 0`,
        ),
      ],
    },
  ];
  const ys = Array.from({ length: 6 }, (_, i) => rim + 70 + i * 19);
  const surfaces: Record<string, Mark[]> = {
    shaggy: [line(ys.map((y) => `M${cx - t} ${y}l-8 5M${cx + t} ${y}l8 5`).join(''))],
    snakeskin: [thin(ys.map((y) => `M${cx - t} ${y}l${t} 7 ${t}-7`).join(''))],
    'zoned-bands': [hatch([0, 2, 4].map((i) => `M${cx - t} ${ys[i]}h${2 * t}v10h${-2 * t}z`).join(''))],
    fibres: [thin(ys.map((y, i) => `M${cx + ((i % 3) - 1) * t * 0.5} ${y}v15`).join(''))],
    'scaly-below': [line(ys.map((y) => `M${cx - t} ${y}l-6 5M${cx + t} ${y}l6 5M${cx - 3} ${y}l3 5 3-5`).join(''))],
    net: [thin(ys.map((y) => `M${cx - t} ${y}l${2 * t} 18M${cx + t} ${y}l${-2 * t} 18`).join(''))],
    dotted: [fill(ys.map((y, i) => round(cx + (i % 2 ? 1 : -1) * t * 0.4, y, 2)).join(''))],
    velvet: [hatch(`M${cx - t} ${rim + 60}h${2 * t}V${foot}h${-2 * t}z`)],
    ribbed: [line(`M${cx - t * 0.4} ${rim + 20}V${foot}M${cx + t * 0.4} ${rim + 20}V${foot}`)],
  };
  const s = surfaces[see('stem-surface') ?? ''];
  if (s) out.push({ part: 'stem', form: ['stem-surface'], marks: s, extra: true });
  if (see('base-threads') === 'bootlaces' || see('base-threads') === 'white-strands')
    out.push({
      part: 'root-or-base',
      form: ['base-threads'],
      marks: [
        see('base-threads') === 'bootlaces'
          ? line(`M${cx - 6} ${foot + 12}c-10 26-40 24-60 54M${cx + 6} ${foot + 12}c10 26 40 24 60 54`)
          : thin(
              `M${cx - 6} ${foot + 12}c-8 20-20 26-26 46M${cx} ${foot + 14}v48M${cx + 6} ${foot + 12}c8 20 20 26 26 46`,
            ),
      ],
      extra: true,
    });
  out.push({
    part: 'flesh',
    form: ['stem-flesh'],
    marks: [dash(`M${cx + t + 2} 262L222 262`), ...inside(see('stem-flesh'), 236, 262)],
  });
  return out;
}

/** The stem cut across, as it is inside. */
export function inside(kind: string | undefined, x: number, y: number): Mark[] {
  const core: Record<string, Mark[]> = {
    hollow: [line(round(x, y, 10))],
    solid: [hatch(round(x, y, 18))],
    stuffed: [thin(round(x, y, 10)), thin(`M${x - 6} ${y}q3-5 6 0t6 0`)],
    rooms: [line(`M${x} ${y}v-18M${x} ${y}l15 10M${x} ${y}l-15 10`)],
  };
  return [line(round(x, y, 18)), ...(core[kind ?? ''] ?? [])];
}

function ringPieces(see: Seen): Piece[] {
  const kind = see('ring');
  if (kind === 'none') return [];
  const [t] = stemWidths(see('stem-shape'), see('stem-base'));
  const y = see('ring-place') === 'low' ? 292 : see('ring-place') === 'middle' ? 246 : 206;
  const w = t + 16;
  const forms: Record<string, Mark[]> = {
    skirt: [
      line(
        `M${cx - t} ${y - 8}Q${cx - w} ${y} ${cx - w} ${y + 20}l8-6 8 8 8-8 8 8${' 8-8 8 8'.repeat(Math.max(0, Math.round((2 * w - 48) / 16)))}L${cx + w} ${y + 20}Q${cx + w} ${y} ${cx + t} ${y - 8}`,
      ),
    ],
    thin: [line(`M${cx - t - 8} ${y}q${t + 8} 12 ${2 * t + 16} 0`)],
    cogwheel: [
      line(`M${cx - w} ${y - 6}h${2 * w}`),
      line(`M${cx - w} ${y + 6}${'l6-8 6 8'.repeat(Math.round((2 * w) / 12))}`),
    ],
    cobweb: [
      thin(
        `M${cx - t} ${y}L70 ${rim + 12}M${cx - t} ${y}L92 ${rim + 14}M${cx + t} ${y}L230 ${rim + 12}M${cx + t} ${y}L208 ${rim + 14}M${cx - t} ${y}q${t} 8 ${2 * t} 0`,
      ),
    ],
    double: [line(`M${cx - w} ${y - 7}h${2 * w}l-7 8 7 8h${-2 * w}l7-8z`)],
  };
  return [{ part: 'ring', form: ['ring'], marks: forms[kind ?? ''] ?? forms['skirt']! }];
}

function volvaPieces(see: Seen): Piece[] {
  const kind = see('volva');
  if (kind === 'none') return [];
  const [, f] = stemWidths(see('stem-shape'), see('stem-base'));
  const w = f + 14;
  const forms: Record<string, Mark[]> = {
    sac: [
      line(
        `M${cx - w} ${foot - 40}C${cx - w - 6} ${foot + 40} ${cx + w + 6} ${foot + 40} ${cx + w} ${foot - 40}l-10 14-8-14M${cx - w} ${foot - 40}l10 14 8-14`,
      ),
    ],
    rim: [line([0, 11, 22].map((d) => `M${cx - w} ${foot - 34 + d}q${w} 10 ${2 * w} 0`).join(''))],
    gutter: [line(`M${cx - w} ${foot - 26}q5-9 12 0h${2 * w - 24}q7-9 12 0v8q-7-6-12 2H${cx - w + 12}q-5-8-12-2z`)],
  };
  return [{ part: 'volva', form: ['volva'], marks: forms[kind ?? ''] ?? forms['sac']! }];
}

/** A fungus as it was seen, or as an entry usually is. */
export function fungusPieces(see: Seen): Piece[] {
  const form = see('fungus-form');
  const head = form === 'head' || ['brain', 'honeycomb', 'thimble'].includes(see('cap-shape') ?? '');
  const whole = form && !['cap-stem', 'head'].includes(form) && !(form === 'trumpet' && see('cap-shape'));
  const body: Piece[] = whole
    ? [
        tile('habit', 'fungus-form', glyph('fungus-form', form), 84, 46, 3),
        ...(see('head-section')
          ? [tile('flesh', 'head-section', glyph('head-section', see('head-section')!), 208, 240, 1.2)]
          : []),
        ...(see('ball-inside')
          ? [tile('flesh', 'ball-inside', glyph('ball-inside', see('ball-inside')!), 208, 240, 1.2)]
          : []),
        ...(see('underside')
          ? [tile('underside', 'underside', glyph('underside', see('underside')!), 232, 96, 1)]
          : []),
      ]
    : [
        ...(head && see('head-section')
          ? [tile('flesh', 'head-section', glyph('head-section', see('head-section')!), 226, 70, 1.4)]
          : []),
        ...capPieces(see),
        ...(head ? [] : undersidePieces(see)),
        ...stemPieces(see),
        ...ringPieces(see),
        ...volvaPieces(see),
      ];
  const habit = see('growth-habit');
  return [
    { part: 'habitat', form: ['substrate'], plain: true, marks: [line(`M20 ${foot - 4}h84M196 ${foot - 4}h54`)] },
    ...body,
    tile(
      'habit',
      habit ? 'growth-habit' : 'fungus-form',
      habit ? glyph('growth-habit', habit) : glyph('fungus-form', form ?? 'cap-stem'),
      8,
      268,
      1,
    ),
    tile(
      'spore-print',
      'spore-print',
      glyph('spore-print', see('spore-print') ?? see('dusting') ?? 'white'),
      256,
      300,
      1,
    ),
  ];
}
