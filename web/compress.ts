import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import type { Plugin } from 'vite';

const least = 1024; // bytes: below that a copy is not worth a file
const packed = /\.(woff2|png|jpg|gz|br)$/;

function* files(dir: string): Generator<string> {
  for (const name of readdirSync(dir)) {
    const path = join(dir, name);
    if (statSync(path).isDirectory()) yield* files(path);
    else yield path;
  }
}

/** Puts a compressed copy beside each built file that gets smaller by it: the server sends that one to whoever takes it, and compresses nothing itself. */
export const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  closeBundle() {
    for (const path of files(join(import.meta.dirname, 'dist'))) {
      if (packed.test(path) || path.endsWith('index.html') || statSync(path).size < least) continue; // the page gets a nonce at each request
      const raw = readFileSync(path);
      const copies: [string, Buffer][] = [
        ['.br', brotliCompressSync(raw, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } })],
        ['.gz', gzipSync(raw, { level: 9 })],
      ];
      for (const [end, small] of copies) if (small.length < raw.length) writeFileSync(path + end, small);
    }
  },
});
