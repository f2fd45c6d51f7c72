import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './server.ts';

const screens: [string, string, ((p: Page) => Promise<void>)?][] = [
  ['finds', '/'],
  ['begin', '/begin'],
  ['bench', '/find/demo-chestnut'],
  ['part', '/find/demo-girolle', (p) => p.getByRole('button', { name: /^Cap:/ }).click()],
  ['dangers', '/find/demo-girolle', (p) => p.keyboard.press('d')],
  ['why', '/find/demo-girolle', (p) => p.keyboard.press('w')],
  ['open', '/find/demo-chestnut', (p) => p.keyboard.press('o')],
  ['place', '/find/demo-chestnut', (p) => p.getByRole('button', { name: 'Place and rules' }).click()],
  ['other answers', '/find/demo-girolle', (p) => p.getByRole('button', { name: 'Couldn’t see it…' }).click()],
  ['keys', '/find/demo-girolle', (p) => p.keyboard.press('?')],
  ['basket', '/find/demo-girolle', (p) => p.keyboard.press('b')],
  ['before you pick', '/find/demo-chestnut', (p) => p.keyboard.press('p')],
  ['guide', '/guide'],
  ['entry', '/guide/allium-ursinum', (p) => p.getByRole('button', { name: /^All \d+ traits/ }).click()],
  ['beside', '/guide/allium-ursinum/beside?stage=leaf'],
  ['audit', '/audit', async (p) => { await p.locator('summary').nth(2).click(); await p.locator('details details summary').first().click(); }],
  ['sayings', '/sayings'],
  ['terms', '/terms'],
  ['you', '/you'],
  ['lost', '/nowhere'],
];

for (const theme of ['light', 'dark'] as const) {
  for (const size of [{ width: 1280, height: 800 }, { width: 390, height: 844 }]) {
    test(`axe finds nothing, ${theme}, ${size.width} wide`, async ({ browser, server }) => {
      test.setTimeout(300_000);
      const context = await browser.newContext({ viewport: size, colorScheme: theme, reducedMotion: 'reduce' });
      const page = await context.newPage();
      const errors: string[] = [];
      page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
      for (const [name, path, act] of screens) {
        if (act && size.width < 600 && ['part', 'other answers'].includes(name)) continue; // behind the plate sheet
        await page.goto(server.address + path);
        await page.waitForLoadState('networkidle');
        if (act) {
          await act(page);
          await page.waitForTimeout(150);
        }
        const found = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']).analyze();
        expect.soft(found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).slice(0, 3).join(' | ')}`), `${name} (${theme}, ${size.width})`).toEqual([]);
      }
      expect(errors.filter((e) => !e.includes('404'))).toEqual([]);
      await context.close();
    });
  }
}
