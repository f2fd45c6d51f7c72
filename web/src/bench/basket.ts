/** One thing in the basket, as far as it was looked at. */
export type Item = 'passed' | 'failed' | 'unchecked';

/** The basket item by item, failures first; beyond `most` each mark stands for several. */
export function tray(passed: number, failed: number, unchecked: number, most = 60): { items: Item[]; each: number } {
  const total = passed + failed + unchecked;
  const each = Math.max(1, Math.ceil(total / most));
  // No kind of item disappears by being few.
  const marks = (n: number, item: Item): Item[] => Array.from({ length: Math.ceil(n / each) }, () => item);
  return { items: [...marks(failed, 'failed'), ...marks(passed, 'passed'), ...marks(unchecked, 'unchecked')], each };
}

/** What was done with one item that went through the hands. */
export type Hand = 'fits' | 'differs' | 'unchecked';

/** The heap of items that differ. */
export const asideId = 'aside';

type Counted = { specimens: { id: string; count?: number }[]; facts: { picked?: number } };

/** How many items are set aside. */
export const aside = (v: Counted): number => v.specimens.find((s) => s.id === asideId)?.count ?? 0;

/**
 * The count after one more item. The specimen on the plate is itself the first
 * item. The basket grows when more went through the hands than were said to be in it.
 */
export function nextCount(
  v: Counted,
  specimen: string,
  hand: Hand,
): { specimen: string; was: number; count: number; picked?: number } {
  const here = specimen === asideId ? (v.specimens.find((s) => s.id !== asideId)?.id ?? specimen) : specimen;
  const now = v.specimens.find((s) => s.id === here)?.count ?? 0;
  // What went through the hands, whether it passes or not.
  const handled = v.specimens.reduce((n, s) => n + (s.id === asideId ? (s.count ?? 0) : Math.max(1, s.count ?? 0)), 0);
  const total = Math.max(v.facts.picked ?? 0, handled);
  if (hand === 'unchecked') return { specimen: here, was: now, count: now, picked: total + 1 };
  const grows = (v.facts.picked ?? 0) > handled ? {} : { picked: total + 1 };
  return hand === 'fits'
    ? { specimen: here, was: now, count: Math.max(1, now) + 1, ...grows }
    : { specimen: asideId, was: aside(v), count: aside(v) + 1, ...grows };
}
