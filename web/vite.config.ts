import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compressed } from './compress.ts';

// The server puts a fresh nonce in place of __NONCE__ at every request.
export default defineConfig({
  plugins: [react(), compressed()],
  build: { outDir: 'dist', emptyOutDir: true, sourcemap: false, target: 'es2022' },
  server: { proxy: { '/api': 'http://127.0.0.1:7878' } },
});
