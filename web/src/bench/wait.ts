/** How a wait stands at a moment: minutes gone by, minutes still to wait, and whether it is due. */
export function waited(
  startedMs: number,
  minutes: number,
  nowMs: number,
): { gone: number; left: number; due: boolean } {
  const gone = Math.max(0, (nowMs - startedMs) / 60_000);
  return { gone, left: Math.max(0, minutes - gone), due: gone >= minutes };
}

/** A length of time in words that are short enough for a button: 45 s, 12 min, 3 h 5 min. */
export function span(minutes: number): string {
  if (minutes < 1) return `${Math.ceil(minutes * 60)} s`;
  const m = Math.ceil(minutes);
  if (m < 60) return `${m} min`;
  return m % 60 ? `${Math.floor(m / 60)} h ${m % 60} min` : `${m / 60} h`;
}

/** Minutes as they are stored: whole tenths, never more than went by and never nothing. */
export const tenths = (minutes: number): number => Math.max(0.1, Math.floor(minutes * 10) / 10);
