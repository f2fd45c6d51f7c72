/** Metres east and north of a place. */
export type XY = { x: number; y: number };

const perDegree = (6371008.8 * Math.PI) / 180;

/** Lays degrees out in metres about a place; good for the few hundred metres of a walk. */
export const plane = (lat0: number, lon0: number) => ({
  from: (p: XY): { lat: number; lon: number } => ({
    lat: lat0 + p.y / perDegree,
    lon: ((lon0 + p.x / (perDegree * Math.cos((lat0 * Math.PI) / 180)) + 540) % 360) - 180,
  }),
  to: (lat: number, lon: number): XY => ({
    x: (((lon - lon0 + 540) % 360) - 180) * perDegree * Math.cos((lat0 * Math.PI) / 180),
    y: (lat - lat0) * perDegree,
  }),
});

export type Shape = { kind: 'line' | 'area' | 'point'; name: string; d: string; at: XY };
type Geometry = { type: string; coordinates?: unknown; geometries?: Geometry[] };
type Feature = { properties?: { name?: string } | null; geometry: Geometry | null };

const round = (v: number) => Math.round(v * 10) / 10;

/** The features of a GeoJSON text as paths in metres, north up; what can’t be drawn is left out. */
export function shapes(text: string, to: (lat: number, lon: number) => XY): Shape[] {
  let doc: { features?: Feature[]; geometry?: Geometry | null; type?: string };
  try {
    doc = JSON.parse(text) as typeof doc;
  } catch {
    return [];
  }
  const features = doc.features ?? (doc.type === 'Feature' ? [doc as Feature] : [{ geometry: doc as Geometry }]);
  const out: Shape[] = [];
  for (const f of features) if (f.geometry) add(f.geometry, f.properties?.name ?? '', to, out);
  return out;
}

function add(g: Geometry, name: string, to: (lat: number, lon: number) => XY, out: Shape[]): void {
  const c = g.coordinates as never;
  const path = (list: [number, number][], close: boolean): { d: string; at: XY } => {
    const pts = list.map(([lon, lat]) => to(lat, lon));
    const mid = pts.reduce((m, p) => ({ x: m.x + p.x / pts.length, y: m.y + p.y / pts.length }), { x: 0, y: 0 });
    return {
      d: `M${pts.map((p) => `${round(p.x)} ${round(-p.y)}`).join('L')}${close ? 'z' : ''}`,
      at: close ? mid : (pts[Math.floor(pts.length / 2)] ?? mid),
    };
  };
  const line = (l: [number, number][], kind: 'line' | 'area') => out.push({ kind, name, ...path(l, kind === 'area') });
  switch (g.type) {
    case 'Point':
      return void out.push({
        kind: 'point',
        name,
        d: '',
        at: to((c as [number, number])[1], (c as [number, number])[0]),
      });
    case 'MultiPoint':
      return (c as [number, number][]).forEach((p) => out.push({ kind: 'point', name, d: '', at: to(p[1], p[0]) }));
    case 'LineString':
      return void line(c, 'line');
    case 'MultiLineString':
      return (c as [number, number][][]).forEach((l) => line(l, 'line'));
    case 'Polygon':
      return (c as [number, number][][]).forEach((l) => line(l, 'area'));
    case 'MultiPolygon':
      return (c as [number, number][][][]).forEach((p) => p.forEach((l) => line(l, 'area')));
    case 'GeometryCollection':
      return (g.geometries ?? []).forEach((x) => add(x, name, to, out));
  }
}

/** A view that holds all points with room round them: x, y (south down), width, height in metres. */
export function frame(points: XY[], least = 60): [number, number, number, number] {
  if (points.length === 0) return [-least / 2, -least / 2, least, least];
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => -p.y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const w = Math.max(x1 - x0, least) * 1.16;
  const h = Math.max(y1 - y0, least * 0.7) * 1.16;
  return [(x0 + x1) / 2 - w / 2, (y0 + y1) / 2 - h / 2, w, h];
}

/** A length that makes a good bar of a map so wide: 1, 2 or 5 times a power of ten. */
export function bar(width: number): number {
  const ten = 10 ** Math.floor(Math.log10(width / 4));
  return [5, 2, 1].map((k) => k * ten).find((v) => v <= width / 4) ?? ten;
}

/** The arc of a ring from one bearing to another, clockwise from north, as a path with south down. */
export function arc(centre: XY, r: number, from: number, to: number): string {
  const at = (deg: number) =>
    `${round(centre.x + r * Math.sin((deg * Math.PI) / 180))} ${round(-centre.y - r * Math.cos((deg * Math.PI) / 180))}`;
  const long = (((to - from) % 360) + 360) % 360;
  return `M${at(from)}A${round(r)} ${round(r)} 0 ${long > 180 ? 1 : 0} 1 ${at(from + long)}`;
}

export type Form = 'line' | 'area' | 'point';

/** The features of a GeoJSON text, whatever it begins with. */
function featuresOf(text: string | undefined): unknown[] {
  try {
    const doc = JSON.parse(text ?? '') as { type?: string; features?: unknown[] };
    return (
      doc.features ??
      (doc.type === 'Feature' ? [doc] : doc.type ? [{ type: 'Feature', properties: {}, geometry: doc }] : [])
    );
  } catch {
    return []; // nothing was drawn yet
  }
}

const textOf = (features: unknown[]): string => JSON.stringify({ type: 'FeatureCollection', features });

/** A GeoJSON text with one more line, area or point, as it was walked, marked or drawn. */
export function withFeature(
  text: string | undefined,
  name: string,
  at: { lat: number; lon: number }[],
  form: Form = 'line',
): string {
  const c = at.map((p) => [Number(p.lon.toFixed(7)), Number(p.lat.toFixed(7))]);
  const geometry =
    c.length === 1 || form === 'point'
      ? { type: 'Point', coordinates: c[0] }
      : form === 'area' && c.length > 2
        ? { type: 'Polygon', coordinates: [[...c, c[0]]] }
        : { type: 'LineString', coordinates: c };
  return textOf([...featuresOf(text), { type: 'Feature', properties: { name }, geometry }]);
}

/** The names of what is drawn, in their order. */
export const drawnNames = (text: string | undefined): string[] =>
  featuresOf(text).map((f) => (f as Feature).properties?.name || 'without a name');

/** A GeoJSON text without its nth feature. */
export const withoutFeature = (text: string | undefined, n: number): string =>
  textOf(featuresOf(text).filter((_, i) => i !== n));
