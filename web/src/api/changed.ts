/** A field in which what is typed here and what is stored differ. */
export type Difference = { field: string; mine: string; theirs: string };

/** A name of the code as words: picking limits out of pickingLimits. */
const plain = (key: string) => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

const short = (v: unknown): string => {
  const text =
    v === undefined || v === null || v === ''
      ? 'nothing'
      : typeof v === 'string'
        ? v
        : typeof v === 'number' || typeof v === 'boolean'
          ? String(v)
          : JSON.stringify(v);
  return text.length > 80 ? `${text.slice(0, 79)}…` : text;
};

/** The fields in which two states of a record differ, without revisions. Lists say how many items they have where the items are no words. */
export function differences(mine: object, theirs: object): Difference[] {
  const a = mine as Record<string, unknown>;
  const b = theirs as Record<string, unknown>;
  const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((k) => k !== 'rev' && k !== 'id');
  const bare = (v: unknown) =>
    v === undefined || v === null || v === '' || (Array.isArray(v) && v.length === 0) ? '' : JSON.stringify(v);
  return keys
    .filter((k) => bare(a[k]) !== bare(b[k]))
    .map((k) => {
      const list = (v: unknown) =>
        Array.isArray(v) ? (v.every((x) => typeof x === 'string') ? v.join(', ') : `${v.length} entries`) : v;
      return { field: plain(k), mine: short(list(a[k])), theirs: short(list(b[k])) };
    });
}
