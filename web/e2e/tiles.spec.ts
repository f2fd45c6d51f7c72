import { glyph } from '../src/drawing/glyphs.ts';
import type { Trait } from '../src/api/client.ts';
import { expect, test } from './server.ts';

/** Two tiles at 48 px in grey must differ in at least this share of the darker one's ink. */
const least = 0.18;

test('at 48 px in grey every two states of one trait are told apart', async ({ page, server }) => {
  const guide = (await (await fetch(`${server.address}/api/guide`)).json()) as { traits: Trait[] };
  const drawn = guide.traits
    .filter((t) => t.states.length > 1)
    .map((t) => ({ id: t.id, states: t.states.map((s) => ({ id: s.id, marks: glyph(t.id, s.id) })) }));
  await page.goto(server.address);
  const close = await page.evaluate(
    ({ traits, limit }) => {
      const size = 48;
      // A hatch is drawn as what the screen shows: slanted lines clipped to its path.
      const draw = (marks: { d: string; as?: string }[]) => {
        const c = document.createElement('canvas');
        c.width = c.height = size;
        const g = c.getContext('2d', { willReadFrequently: true })!;
        g.fillStyle = '#fff';
        g.fillRect(0, 0, size, size);
        g.lineCap = g.lineJoin = 'round';
        for (const m of marks) {
          if (m.as === 'tint') continue; // the pattern alone must do
          const p = new Path2D(m.d);
          g.fillStyle = g.strokeStyle = '#000';
          g.lineWidth = m.as === 'thin' ? 1.2 : m.as === 'fill' ? 0.8 : 2;
          g.setLineDash(m.as === 'dash' ? [1.5, 3.5] : []);
          if (m.as === 'hatch') {
            g.save();
            g.clip(p);
            g.lineWidth = 1.1;
            for (let i = -size; i < size; i += 4 * Math.SQRT2) {
              g.beginPath();
              g.moveTo(i, size);
              g.lineTo(i + size, 0);
              g.stroke();
            }
            g.restore();
          } else {
            if (m.as === 'fill') g.fill(p);
            g.stroke(p);
          }
        }
        const px = g.getImageData(0, 0, size, size).data;
        return Array.from({ length: size * size }, (_, i) => 1 - (px[4 * i]! + px[4 * i + 1]! + px[4 * i + 2]!) / 765);
      };
      const out: string[] = [];
      for (const t of traits) {
        const ink = t.states.map((s) => draw(s.marks));
        for (let i = 0; i < ink.length; i++) {
          for (let k = 0; k < i; k++) {
            const sum = (a: number[]) => a.reduce((x, y) => x + y, 0);
            const apart = sum(ink[i]!.map((v, x) => Math.abs(v - ink[k]![x]!))) / Math.max(sum(ink[i]!), sum(ink[k]!));
            if (apart < limit) out.push(`${t.id}: ${t.states[k]!.id} and ${t.states[i]!.id} (${apart.toFixed(2)})`);
          }
        }
      }
      return out;
    },
    { traits: drawn, limit: least },
  );
  expect(drawn.length).toBeGreaterThanOrEqual(90);
  expect(close).toEqual([]);
});
