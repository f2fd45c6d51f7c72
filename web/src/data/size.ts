/** A size in words: 4.2 MB. */
export function size(bytes: number): string {
  const units = ['bytes', 'kB', 'MB', 'GB'];
  let n = bytes;
  let u = 0;
  while (n >= 1000 && u < units.length - 1) {
    n /= 1000;
    u++;
  }
  return `${u === 0 || n >= 100 ? Math.round(n) : n.toFixed(1)} ${units[u]}`;
}

/** How long ago, in words, rounded down. */
export function ago(ms: number, nowMs: number): string {
  const minutes = Math.floor(Math.max(0, nowMs - ms) / 60_000);
  if (minutes < 1) return 'just now';
  const [n, unit] =
    minutes < 60
      ? [minutes, 'minute']
      : minutes < 48 * 60
        ? [Math.floor(minutes / 60), 'hour']
        : [Math.floor(minutes / 60 / 24), 'day'];
  return `${n} ${unit}${n === 1 ? '' : 's'} ago`;
}
