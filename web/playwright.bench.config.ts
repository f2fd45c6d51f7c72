import type { PlaywrightTestConfig } from '@playwright/test';
import base from './playwright.config.ts';

const config: PlaywrightTestConfig = { ...base, testDir: 'bench', workers: 1, testMatch: '*.bench.ts' };
export default config;
