/**
 * A drawing is a list of marks on a 48 × 48 grid. How a mark is drawn carries
 * meaning: line for outline, thin for inner lines, fill for solid parts, hatch
 * for surfaces seen in section, dash for what is not there. A tint is extra: it
 * lies under a pattern that says the same without it.
 */
export type Mark =
  { d: string; as?: 'line' | 'thin' | 'fill' | 'hatch' | 'dash' } | { d: string; as: 'tint'; hue: string };

export const line = (d: string): Mark => ({ d });
export const thin = (d: string): Mark => ({ d, as: 'thin' });
export const fill = (d: string): Mark => ({ d, as: 'fill' });
export const hatch = (d: string): Mark => ({ d, as: 'hatch' });
export const dash = (d: string): Mark => ({ d, as: 'dash' });
export const tint = (d: string, hue: string): Mark => ({ d, as: 'tint', hue });

const n = (x: number) => Number(x.toFixed(2));

/** A circle or an ellipse. */
export const round = (cx: number, cy: number, rx: number, ry = rx): string =>
  `M${n(cx - rx)} ${n(cy)}a${n(rx)} ${n(ry)} 0 1 0 ${n(2 * rx)} 0a${n(rx)} ${n(ry)} 0 1 0 ${n(-2 * rx)} 0z`;

/** A regular polygon with its first corner at an angle in degrees (0 is right). */
export function polygon(cx: number, cy: number, r: number, corners: number, from = -90): string {
  const pts = Array.from({ length: corners }, (_, i) => {
    const a = ((from + (360 * i) / corners) * Math.PI) / 180;
    return `${n(cx + r * Math.cos(a))} ${n(cy + r * Math.sin(a))}`;
  });
  return `M${pts.join('L')}z`;
}

/** Petals round a centre: each is a small ellipse turned outward. */
export function petals(cx: number, cy: number, r: number, count: number, width = 0.5): string[] {
  return Array.from({ length: count }, (_, i) => {
    const a = ((-90 + (360 * i) / count) * Math.PI) / 180;
    const [x, y] = [cx + r * Math.cos(a), cy + r * Math.sin(a)];
    const [px, py] = [-Math.sin(a) * r * width, Math.cos(a) * r * width];
    const [mx, my] = [cx + r * 0.55 * Math.cos(a), cy + r * 0.55 * Math.sin(a)];
    return `M${cx} ${cy}Q${n(mx + px)} ${n(my + py)} ${n(x)} ${n(y)}Q${n(mx - px)} ${n(my - py)} ${cx} ${cy}z`;
  });
}

/** A leaf blade from its foot, pointing at an angle in degrees. */
export function blade(x: number, y: number, length: number, width: number, angle: number): string {
  const a = (angle * Math.PI) / 180;
  const [dx, dy] = [Math.cos(a), Math.sin(a)];
  const at = (along: number, across: number) => `${n(x + dx * along - dy * across)} ${n(y + dy * along + dx * across)}`;
  return `M${at(0, 0)}C${at(length * 0.25, width)} ${at(length * 0.7, width)} ${at(length, 0)}C${at(length * 0.7, -width)} ${at(length * 0.25, -width)} ${at(0, 0)}z`;
}

/** Several radial lines, as of gills seen from below. */
export function rays(cx: number, cy: number, from: number, to: number, count: number): string {
  return Array.from({ length: count }, (_, i) => {
    const a = (2 * Math.PI * i) / count;
    return `M${n(cx + from * Math.cos(a))} ${n(cy + from * Math.sin(a))}L${n(cx + to * Math.cos(a))} ${n(cy + to * Math.sin(a))}`;
  }).join('');
}
