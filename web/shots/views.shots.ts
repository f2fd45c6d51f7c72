import type { Page } from '@playwright/test';
import { join } from 'node:path';
import { test } from '../e2e/server.ts';

const to = (name: string) => join(import.meta.dirname, '../../docs/screenshots', `${name}.png`);

const views: [string, string, ((p: Page) => Promise<void>)?, boolean?][] = [
  ['finds', '/'],
  ['begin', '/begin', (p) => p.getByLabel('What do you hope it is?').fill('sweat chesnut')],
  ['bench-plant', '/find/demo-chestnut'],
  ['bench-fungus', '/find/demo-girolle'],
  ['dangers', '/find/demo-girolle', (p) => p.keyboard.press('d')],
  ['open', '/find/demo-chestnut', (p) => p.keyboard.press('o')],
  ['why', '/find/demo-girolle', (p) => p.keyboard.press('w')],
  ['entry', '/guide/arum-maculatum'],
  ['guide', '/guide'],
  ['beside', '/guide/allium-ursinum/beside?stage=leaf'],
  ['audit', '/audit', async (p) => { await p.locator('summary').nth(2).click(); await p.locator('details details summary').nth(1).click(); }],
  ['sayings', '/sayings'],
  ['you', '/you'],
  ['bench-phone', '/find/demo-girolle', undefined, true],
  ['plate-phone', '/find/demo-girolle', (p) => p.getByRole('button', { name: 'Plate' }).click(), true],
];

// One current picture of each main view, from the demo data.
test('pictures', async ({ browser, server }) => {
  test.setTimeout(300_000);
  for (const [name, path, act, phone] of views) {
    const context = await browser.newContext({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 }, colorScheme: 'light', reducedMotion: 'reduce' });
    const page = await context.newPage();
    await page.goto(server.address + path);
    await page.waitForLoadState('networkidle');
    if (act) await act(page);
    await page.waitForTimeout(400);
    await page.screenshot({ path: to(name) });
    await context.close();
  }
  const sheet = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: 'light', reducedMotion: 'reduce' });
  const tiles = await sheet.newPage();
  await tiles.goto(`${server.address}/terms`);
  await tiles.waitForLoadState('networkidle');
  await tiles.screenshot({ path: to('tiles'), fullPage: true });
  await sheet.close();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: 'dark', reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.goto(`${server.address}/find/demo-chestnut`);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: to('bench-dusk') });
  await context.close();
});
