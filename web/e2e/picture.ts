import { deflateSync } from 'node:zlib';

/** A grey PNG of a size, with a dark bar, for what needs a picture. */
export function png(width: number, height: number): Buffer {
  const table = Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c >>> 0;
  });
  const crc = (b: Buffer) => (b.reduce((c, x) => table[(c ^ x) & 255]! ^ (c >>> 8), 0xffffffff) ^ 0xffffffff) >>> 0;
  const chunk = (kind: string, body: Buffer) => {
    const all = Buffer.concat([Buffer.from(kind), body]);
    const out = Buffer.alloc(all.length + 8);
    out.writeUInt32BE(body.length, 0);
    all.copy(out, 4);
    out.writeUInt32BE(crc(all), all.length + 4);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 0, 0, 0, 0], 8);
  const rows = Buffer.concat(
    Array.from({ length: height }, (_, y) =>
      Buffer.from([
        0,
        ...Array.from({ length: width }, (_, x) =>
          Math.abs(x - width / 2) < 12 && y > 40 && y < height - 40 ? 40 : 200,
        ),
      ]),
    ),
  );
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
