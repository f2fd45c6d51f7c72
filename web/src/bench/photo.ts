/** A point of a photograph, in its own pixels. */
export type Point = { x: number; y: number };

/** How far a mark may be off, in pixels of the screen, and how far things may lie out of plane, in degrees; our own defaults. */
export const markError = 3;
export const tiltMost = 15;

export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

export type PhotoReading = { value: number; error: number; low: number; high: number };

/**
 * The length of a part beside a thing of known size in one picture. A picture keeps
 * lengths in one plane that faces it; a thing tilted by an angle out of that plane
 * looks shorter by its cosine. So a tilted part is read too short, and a tilted
 * ruler makes the part read too long. `slack` is how far each mark may be off, in
 * the picture's pixels; low and high are the worst that marks and tilt can do
 * together, since a reading may rule something out. Undefined when the ruler is no
 * longer than its marks may be off.
 */
export function fromPhoto(
  ruler: [Point, Point],
  part: [Point, Point],
  known: number,
  slack: number,
  tilt = tiltMost,
): PhotoReading | undefined {
  const r = distance(...ruler);
  const p = distance(...part);
  const off = 2 * slack; // two ends
  if (!(r > off) || !(p > 0) || !(known > 0)) return undefined;
  const value = (known * p) / r;
  const cos = Math.cos((tilt * Math.PI) / 180);
  const low = ((known * Math.max(0, p - off)) / (r + off)) * cos;
  const high = (known * (p + off)) / (r - off) / cos;
  return { value, error: Math.max(value - low, high - value), low, high };
}
