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
