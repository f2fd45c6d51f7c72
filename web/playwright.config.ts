import { defineConfig } from '@playwright/test';

// One runner for the interface and for pure TypeScript. Each worker starts the
// real program on a database of its own.
export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  timeout: 180_000,
  expect: { timeout: 15_000 }, // a shared machine can be slow; a pass is still quick
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
