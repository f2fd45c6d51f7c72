import type { S } from '../api/client';

export type Lot = S['LotView'];

/** What stands between a lot and a plate, in the order in which it is opened. */
export const states: [Lot['state'], string, string][] = [
  [
    'held',
    'Held',
    'Nothing is made of these, and nobody eats of them, until a person takes the hold off and says why.',
  ],
  [
    'second-look',
    'Waiting for the second look',
    'The field opened picking, no more. What was carried is looked at again, under good light.',
  ],
  ['first-steps', 'Something has to be done first', 'Each of these has steps that come before any plate.'],
  [
    'first-taste',
    'Not tasted here yet',
    'One person first, a little, cooked. The others wait, and no meal is planned with it.',
  ],
  ['open', 'Open', 'Whoever has not tasted the kind still begins with a first taste of their own.'],
  ['empty', 'Used up', 'Kept for the trace.'],
];

/** Lots by state, in that order, without states that nothing is in. */
export const grouped = (lots: readonly Lot[]) =>
  states
    .map(([state, title, line]) => ({ state, title, line, lots: lots.filter((l) => l.state === state) }))
    .filter((g) => g.lots.length > 0);

/** The next free code with a letter: B1, B2 … for bags, D1 … for what is made. */
export function nextCode(taken: readonly string[], letter: string): string {
  const numbers = taken
    .map((t) => (t.startsWith(letter) ? Number(t.slice(letter.length)) : Number.NaN))
    .filter(Number.isInteger);
  return `${letter}${Math.max(0, ...numbers) + 1}`;
}

/** The bars of the gate in front of a plate: what each is, and whether it is open. */
export function bars(lot: Lot): { id: string; label: string; open: boolean; says: string }[] {
  const at = ['held', 'second-look', 'first-steps', 'first-taste', 'open'].indexOf(lot.state);
  const done = lot.steps.filter((s) => s.done).length;
  // A hold covers the others: how far they are is told from what is known of them.
  const looked = lot.state === 'held' ? Boolean(lot.lookedBy) : at > 1;
  const steps = done === lot.steps.length;
  return [
    { id: 'hold', label: 'Holds', open: lot.state !== 'held', says: lot.state === 'held' ? 'held' : 'none on it' },
    {
      id: 'look',
      label: 'Second look',
      open: looked,
      says: !looked
        ? 'not made, or not complete'
        : lot.state === 'held'
          ? `marked by ${lot.lookedBy}; under the hold nobody asks whether it stands`
          : 'it stands',
    },
    {
      id: 'steps',
      label: 'First steps',
      open: steps,
      says: lot.steps.length === 0 ? 'none known' : `${done} of ${lot.steps.length} done`,
    },
    {
      id: 'taste',
      label: 'First taste',
      open: lot.state === 'open',
      says: lot.state === 'open' ? 'somebody here has tasted it' : 'nobody yet',
    },
  ];
}

/** A ratio learned from their own record, in words. */
export const yieldWords = (y: S['YieldView']): string =>
  `${y.form}: ${Number(y.ratio).toFixed(2)} of the weight, from ${y.makings} ${y.makings === 1 ? 'making' : 'makings'}`;

/** What would come of an amount by their own record; nothing where there is none. */
export function expected(lot: Lot, form: string, taken: string): string | undefined {
  const y = lot.yields.find((x) => x.form === form);
  const n = Number(taken.replace(',', '.'));
  return y && n > 0 ? (n * Number(y.ratio)).toFixed(1) : undefined;
}
