import type { Page } from '@playwright/test';
import { join } from 'node:path';
import { test } from '../e2e/server.ts';

const to = (name: string) => join(import.meta.dirname, '../../docs/screenshots', `${name}.png`);

const views: [string, string, ((p: Page) => Promise<void>)?, boolean?][] = [
  ['finds', '/'],
  ['bench-plant', '/find/demo-chestnut'],
  ['bench-fungus', '/find/demo-girolle'],
  ['dangers', '/find/demo-girolle', (p) => p.keyboard.press('d')],
  ['key', '/find/demo-chestnut?way=key'],
  ['entry', '/guide/arum-maculatum'],
  ['guide', '/guide'],
  [
    'basket',
    '/find/demo-girolle',
    async (p) => {
      await p.keyboard.press('b');
      await p.getByLabel('Items in the basket').fill('12');
      await p.keyboard.press('Tab');
      for (let i = 0; i < 4; i++) await p.getByRole('button', { name: /^One more/ }).click();
      await p.locator('[role=dialog]').evaluate((d) => d.scrollTo(0, 0));
    },
  ],
  [
    'year',
    '/year?place=tarn-wood&taxon=allium-ursinum&taxon=sambucus-nigra&taxon=galanthus-nivalis&taxon=cantharellus-cibarius&taxon=pleurotus-ostreatus',
  ],
  ['walk', '/walks/oyster-walk'],
  ['cards', '/walks/oyster-walk/cards', (p) => p.getByRole('article', { name: 'Card: Hawthorn' }).waitFor()],
  ['place', '/places/tarn-wood', (p) => p.getByRole('button', { name: 'Fit a ring' }).click()],
  [
    'harvest',
    '/find/demo-sloes/harvest',
    async (p) => {
      await p.getByLabel('Pieces here').fill('400');
      await p.getByRole('button', { name: 'How much may I take?' }).click();
      await p.getByText(/^Take/).waitFor();
    },
  ],
  ['lot', '/kitchen/S3'],
  [
    'data',
    '/data',
    async (p) => {
      await p.getByRole('button', { name: 'Make a backup now' }).click();
      await p.getByText(/Written and read/).waitFor();
      await p.getByRole('button', { name: 'Look through all of it' }).click();
      await p.getByText('Everything can be read.').waitFor();
    },
  ],
  [
    'incident',
    '/incident/new',
    async (p) => {
      await p.getByRole('button', { name: 'Eaten' }).click();
      await p.getByLabel('What was eaten?').fill('a bitter cucumber from the hedge');
      await p.getByText('Stored.').waitFor();
      await p.evaluate(() => scrollTo(0, 0));
    },
  ],
  ['bench-phone', '/find/demo-girolle', undefined, true],
];

// One current picture of each main view, from the demo data.
test('pictures', async ({ browser, server }) => {
  test.setTimeout(300_000);
  for (const [name, path, act, phone] of views) {
    const context = await browser.newContext({
      viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
      colorScheme: 'light',
      reducedMotion: 'reduce',
    });
    const page = await context.newPage();
    await page.goto(server.address + path);
    await page.waitForSelector('h1');
    await page.waitForFunction(
      () => ![...document.querySelectorAll('p[role=status]')].some((p) => p.textContent?.endsWith('…')),
    );
    await page.waitForLoadState('networkidle');
    if (act) await act(page);
    await page.waitForTimeout(400);
    await page.screenshot({ path: to(name) });
    await context.close();
  }
  // All state tiles on one sheet: the drawings and words of the terms page, set close.
  const terms = await (await browser.newContext()).newPage();
  await terms.goto(`${server.address}/terms`);
  await terms.waitForSelector('article li');
  const tiles = await terms.$$eval('article', (list) =>
    list
      .map((a) => {
        const states = [...a.querySelectorAll('li')]
          .map((li) => `<li>${li.querySelector('svg')!.outerHTML}<span>${li.textContent}</span></li>`)
          .join('');
        return (
          states && `<section><h3>${a.querySelector('h3')!.firstChild!.textContent}</h3><ul>${states}</ul></section>`
        );
      })
      .join(''),
  );
  const sheet = await (await browser.newContext({ viewport: { width: 1900, height: 800 } })).newPage();
  await sheet.setContent(
    `<style>:root{--tint:.9}body{margin:12px;background:#fff;color:#221530;font:9px/1.1 sans-serif}body>div{columns:3;column-gap:20px}section{break-inside:avoid;margin:0 0 6px}h3{margin:2px 0;font-size:11px}ul{display:flex;flex-wrap:wrap;gap:4px;margin:0;padding:0;list-style:none}li{width:56px;text-align:center}svg{display:block;margin:auto}</style><div>${tiles}</div>`,
  );
  await sheet.screenshot({ path: to('tiles'), fullPage: true });
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    colorScheme: 'dark',
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  await page.goto(`${server.address}/find/demo-chestnut`);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: to('bench-dusk') });
  await context.close();
});
