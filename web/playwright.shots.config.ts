import type { PlaywrightTestConfig } from '@playwright/test';
import base from './playwright.config.ts';

const config: PlaywrightTestConfig = { ...base, testDir: 'shots', workers: 1, testMatch: '*.shots.ts' };
export default config;
