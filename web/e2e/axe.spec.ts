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
  [
    'place',
    '/find/demo-chestnut',
    async (p) => {
      if ((p.viewportSize()?.width ?? 0) < 600) await p.getByRole('button', { name: 'Plate', exact: true }).click();
      await p.getByRole('button', { name: 'Place and rules' }).click();
    },
  ],
  ['checklist', '/find/demo-girolle?way=list'],
  ['key', '/find/demo-girolle?way=key'],
  ['whole look', '/find/demo-girolle?way=whole', (p) => p.getByRole('button', { name: /^Deadly webcap/ }).click()],
  ['stage', '/find/demo-girolle', (p) => p.getByRole('button', { name: /^Stage:/ }).click()],
  ['measure', '/find/demo-girolle?way=list', (p) => measure(p)],
  [
    'worn test',
    '/find/demo-girolle',
    async (p) => {
      if ((p.viewportSize()?.width ?? 0) < 600) await p.getByRole('button', { name: 'Plate', exact: true }).click();
      await p.getByRole('button', { name: /^Flesh:/ }).click();
      await p.getByRole('button', { name: /^Smell of the flesh/ }).click();
    },
  ],
  ['hands', '/find/demo-girolle', (p) => p.keyboard.press('h')],
  ['pictures', '/find/demo-girolle', (p) => p.keyboard.press('f')],
  ['look back', '/find/demo-girolle', (p) => p.keyboard.press('r')],
  [
    'disposal',
    '/find/demo-clear',
    async (p) => {
      await p.keyboard.press('o');
      await p.getByRole('button', { name: /^What becomes of it/ }).click();
    },
  ],
  ['other answers', '/find/demo-girolle', (p) => p.getByRole('button', { name: 'Couldn’t see it…' }).click()],
  ['keys', '/find/demo-girolle', (p) => p.keyboard.press('?')],
  ['basket', '/find/demo-girolle', (p) => p.keyboard.press('b')],
  ['before you pick', '/find/demo-chestnut', (p) => p.keyboard.press('p')],
  ['guide', '/guide'],
  ['entry', '/guide/allium-ursinum', (p) => p.getByRole('button', { name: /^All \d+ traits/ }).click()],
  ['beside', '/guide/allium-ursinum/beside?stage=leaf'],
  [
    'audit',
    '/audit',
    async (p) => {
      await p.locator('summary').nth(2).click();
      await p.locator('details details summary').first().click();
    },
  ],
  ['sayings', '/sayings'],
  ['terms', '/terms'],
  ['you', '/you'],
  ['your data', '/data', (p) => p.getByRole('button', { name: 'Look through all of it' }).click()],
  ['today', '/today'],
  [
    'year',
    '/year?place=tarn-wood&taxon=agaricus-arvensis',
    (p) =>
      p
        .getByRole('button', { name: /^Horse mushroom/ })
        .first()
        .click(),
  ],
  ['places', '/places'],
  ['place', '/places/tarn-wood', (p) => p.getByRole('button', { name: 'Fit a ring' }).click()],
  ['walks', '/walks'],
  ['plan a walk', '/walks/new'],
  ['walk', '/walks/oyster-walk'],
  ['walk sheet', '/walks/oyster-walk/sheet'],
  ['pocket cards', '/walks/oyster-walk/cards', (p) => p.getByRole('article', { name: 'Card: Hawthorn' }).waitFor()],
  [
    'how much',
    '/find/demo-sloes/harvest',
    async (p) => {
      await p.getByLabel('Pieces here').fill('400');
      await p.getByRole('button', { name: 'How much may I take?' }).click();
      await p.getByText(/^Take \d+ at most/).waitFor();
    },
  ],
  ['second look', '/find/demo-sloes/second'],
  ['kitchen', '/kitchen', (p) => p.getByText(/^Used up/).click()],
  ['lot', '/kitchen/S3', (p) => p.getByText('Throw away, weigh again, hold').click()],
  ['label', '/kitchen/S3/label'],
  ['sums', '/kitchen/sums'],
  ['journal', '/journal?q=sloe'],
  [
    'incident',
    '/incident/new',
    async (p) => {
      await p.getByRole('button', { name: 'Eaten' }).click();
      await p.getByLabel('What was eaten?').fill('a red berry');
      await p.getByText('Stored.').waitFor();
      await p.getByText('Close this warning').first().click();
    },
  ],
  ['incidents', '/incident'],
  ['handover', '/incident/axe-incident/sheet'],
  ['lost', '/nowhere'],
];

/** A check that is measured, with the ranges of the guide. */
async function measure(p: Page): Promise<void> {
  if ((p.viewportSize()?.width ?? 0) < 600) await p.getByRole('button', { name: 'Plate', exact: true }).click();
  await p.getByRole('button', { name: /^Cap:/ }).click();
  await p.getByRole('button', { name: /^Width of the cap/ }).click();
  await p.getByText('The scale runs from').waitFor();
}

const wide = { width: 1280, height: 800 };
const narrow = { width: 390, height: 844 };

/**
 * How a screen is looked at: each on a wide screen by day, every third on a narrow one too,
 * and every third at dusk, in turns. Colours and widths do not multiply: a fault of the
 * theme or of the layout shows on some of the others. ZT_SOAK looks at each in all ways.
 */
const ways = (n: number) => {
  const all = process.env.ZT_SOAK !== undefined;
  return { sizes: all || n % 3 === 0 || n === 2 ? [wide, narrow] : [wide], dusk: all || n % 3 === 1 };
};

/** Everything that the page asks for first has come, and stands still. */
async function there(page: Page): Promise<void> {
  await page.locator('main h1').first().waitFor();
  await page.waitForFunction(() => {
    const root = document.documentElement as HTMLElement & { still?: number };
    root.still =
      root.hasAttribute('data-waiting') || document.getAnimations().some((a) => a.playState === 'running')
        ? 0
        : (root.still ?? 0) + 1;
    return root.still > 3; // frames: a second question may follow from the first answer
  });
}

// Legacy mode runs in the page itself: there are no frames to join.
async function look(page: Page, name: string, axe: AxeBuilder): Promise<void> {
  // The page of terms has seven hundred tiles of one make: some are looked at.
  if (name.startsWith('terms') && process.env.ZT_SOAK === undefined) axe = axe.exclude('main section:nth-of-type(n+6)');
  const found = await axe.setLegacyMode(true).analyze();
  expect
    .soft(
      found.violations.map(
        (v) =>
          `${v.id}: ${v.nodes
            .map((n) => n.target.join(' '))
            .slice(0, 3)
            .join(' | ')}`,
      ),
      name,
    )
    .toEqual([]);
}

// Something to be cleared, whose plan has days, and an incident with a sheet.
test.beforeEach(async ({ shared }) => {
  const send = (method: string, path: string, body: object) =>
    fetch(`${shared.address}${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  if ((await fetch(`${shared.address}/api/finds/demo-clear`)).ok) return;
  expect(
    (
      await send('POST', '/api/finds', {
        id: 'demo-clear',
        day: '2026-11-20',
        stages: ['winter-twig'],
        facts: { intent: 'clear', kingdom: 'plant', region: 'ENA', disposal: { cut: '2026-11-22', weeks: 8 } },
      })
    ).ok,
  ).toBe(true);
  expect(
    (
      await send('PUT', '/api/incidents/axe-incident', {
        id: 'axe-incident',
        beganMs: 0,
        exposures: [{ id: 'e1', route: 'eaten', atMs: 1_760_000_000_000, what: 'a red berry' }],
        symptoms: [{ atMs: 1_760_003_600_000, person: 'Teasel', what: 'dry mouth' }],
        calls: [],
        closings: [],
        rev: 0,
      })
    ).ok,
  ).toBe(true);
});

for (const [n, [name, path, act]] of screens.entries()) {
  test(`axe finds nothing on screen ${n + 1}, ${name}`, async ({ browser, shared }) => {
    const { sizes, dusk } = ways(n);
    for (const viewport of sizes) {
      if (act && viewport.width < 600 && name === 'part') continue; // behind the plate sheet; the list of a part is looked at in 'measure'
      const context = await browser.newContext({ viewport, colorScheme: 'light', reducedMotion: 'reduce' });
      const page = await context.newPage();
      const errors: string[] = [];
      page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
      await page.goto(shared.address + path);
      await there(page);
      if (act) {
        await act(page);
        await there(page);
      }
      await look(
        page,
        `${name}, ${viewport.width} wide`,
        new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']),
      );
      if (dusk) {
        // the page is the same but for its colours
        await page.evaluate(() => (document.documentElement.dataset.theme = 'dusk'));
        await there(page);
        await look(
          page,
          `${name}, ${viewport.width} wide, at dusk`,
          new AxeBuilder({ page }).withRules(['color-contrast', 'link-in-text-block']),
        );
      }
      expect(errors.filter((e) => !e.includes('404'))).toEqual([]);
      await context.close();
    }
  });
}
