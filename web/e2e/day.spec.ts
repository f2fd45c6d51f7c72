import type { Page } from '@playwright/test';
import type { S } from '../src/api/client.ts';
import { expect, test, type Server } from './server.ts';
import { Scene, walk } from './walk.ts';

const numbers = [{ label: 'Poison service (invented)', number: '0555 010 010' }];
const settings = { numbers, waitHours: 24, tasteMost: '20', unit: 'g', trimmed: '0.2' };

/** Takes the time in the page itself, from the press to the number that is drawn; returns what gives it in milliseconds. */
async function firstLine(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const marks = window as unknown as { took?: number };
    addEventListener(
      'click',
      () => {
        const began = performance.now();
        const look = () =>
          document.querySelector('a[href^="tel:"]')
            ? requestAnimationFrame(() => (marks.took = performance.now() - began))
            : requestAnimationFrame(look);
        look();
      },
      { capture: true, once: true },
    );
  });
  return async () => {
    await page.waitForFunction(() => 'took' in window);
    return page.evaluate(() => (window as unknown as { took: number }).took);
  };
}

/** A find of brambles whose checks are complete, by the bench or by hand. */
async function brambles(server: Server, id: string): Promise<Scene> {
  const scene = new Scene(server);
  await scene.begin(
    id,
    { target: 'rubus-fruticosus', part: 'fruit', preparation: 'cooked', region: 'EU' },
    '2026-09-20',
    ['fruit'],
  );
  await scene.call('PUT', '/api/settings', settings);
  return scene;
}

test('a whole day: picked, bagged, looked at again, cooked, tasted, and somebody feels ill', async ({
  browser,
  server,
}) => {
  test.setTimeout(300_000);
  const scene = await brambles(server, 'day-brambles');
  const page = await (await browser.newContext({ reducedMotion: 'reduce' })).newPage();
  page.setDefaultTimeout(20_000);
  const look = async (name: string) => {
    if (process.env['ZT_LOOK'])
      await page.screenshot({ path: `${process.env['ZT_LOOK']}/day-${name}.png`, fullPage: true });
  };

  // In the hedge.
  await page.goto(`${server.address}/find/day-brambles`);
  expect((await walk(page, scene, 'day-brambles', 'rubus-fruticosus', 'fruit')).view.patch.judgements[0]!.verdict).toBe(
    'checks-complete',
  );
  await page.getByRole('link', { name: 'How much, and bag it' }).click();
  await page.getByLabel('Pieces here').fill('200');
  await page.getByLabel('an estimate').check();
  await page.getByLabel('may be off by').fill('40');
  await page.getByRole('button', { name: 'How much may I take?' }).click();
  await expect(page.getByText('Weigh one piece: the limit is by weight')).toBeVisible(); // the place has one, so nothing yet
  await expect(page.getByText('Take none.')).toBeVisible();
  await page.getByRole('button', { name: 'More to say…' }).click();
  await page.getByLabel('One weighs, g').fill('1.5');
  await page.getByRole('button', { name: 'How much may I take?' }).click();
  await expect(page.getByText('Take 48 at most, about 72 g.')).toBeVisible(); // 30 in 100 of the 160 that are there for certain
  for (const key of ['e', 'e', 'e', 'e', 's']) await page.keyboard.press(key);
  await page.keyboard.press('Backspace');
  await page.keyboard.press('u');
  await expect(page.getByText('4 kept, 0 to trim, 1 left where they were')).toBeVisible();
  await page.getByLabel('Full bag, g').fill('10');
  await page.getByLabel('Empty bag, g').fill('12');
  await page.getByRole('button', { name: 'Bag it as B1' }).click();
  await expect(page.getByRole('alert')).toContainText('weigh the full bag');
  await page.getByLabel('Full bag, g').fill('132.5');
  await page.getByLabel('Empty bag, g').fill('12.5');
  await page.getByRole('button', { name: 'Bag it as B1' }).click();
  await expect(page.getByRole('heading', { name: /^B1/ })).toBeVisible();
  // One was looked at on the bench; the kitchen holds the other three until somebody did.
  await expect(page.getByText('Held: 3 of 4 pieces were never looked at one by one.', { exact: true })).toBeVisible();
  await look('held');
  await page.getByLabel('Looked at, one by one').fill('4');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Holds: open')).toBeVisible();
  await expect(page.getByText('Second look: shut')).toBeVisible();
  await look('bag');

  // At the table, by somebody else.
  await page.getByRole('link', { name: 'Begin the second look' }).click();
  await expect(page.getByLabel('Who looks')).not.toHaveValue('day-brambles');
  await page.getByRole('button', { name: 'Begin the second look' }).click();
  await page.waitForURL(/\/find\/home-/);
  const home = new URL(page.url()).pathname.split('/').at(-1)!;
  await walk(page, scene, home, 'rubus-fruticosus', 'fruit');
  await page.getByRole('link', { name: 'Lay it beside the first look' }).click();
  await expect(page.getByText('Field and table agree.')).toBeVisible();
  await look('second');
  await page.getByRole('link', { name: /^B1, / }).click();
  await page.getByLabel('Who looked at what is in this bag').fill('Teasel');
  await page.getByRole('button', { name: 'The second look of this bag is made' }).click();
  await expect(page.getByText('Second look: open')).toBeVisible();

  // On the stove: what came out and the loss add up by themselves.
  await page.getByRole('button', { name: 'A raw sample is put by' }).click();
  await expect(page.getByRole('button', { name: 'A raw sample is put by' })).toHaveCount(0);
  await page.getByRole('button', { name: 'All that is left' }).click();
  await page.getByLabel('Comes out, g').fill('130');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('alert')).toContainText('more came out than went in, by 10 g');
  await page.getByLabel('Comes out, g').fill('99.7');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await page.getByRole('link', { name: 'D1', exact: true }).click();
  await expect(page.getByText('99.7 g left of 99.7 g')).toBeVisible();

  // The first taste: too much is refused, a little is not, and the others wait.
  await page.getByLabel('Who eats').selectOption({ label: 'Rowan (first taste)' });
  const plate = page.getByRole('form', { name: 'A plate' });
  await plate.getByLabel('How much, g').fill('60');
  await plate.getByLabel(/No alcohol/).check();
  await plate.getByRole('button', { name: /^Eat a first taste/ }).click();
  await expect(page.getByRole('alert')).toContainText('too much for a first taste');
  await plate.getByLabel('How much, g').fill('12');
  await plate.getByRole('button', { name: /^Eat a first taste/ }).click();
  await expect(page.getByText('Not now. Rowan tasted this kind first')).toHaveCount(2); // Teasel and the finder
  await expect(page.getByRole('button', { name: 'Nothing was felt' })).toBeDisabled();
  await look('taste');
  await page.goto(`${server.address}/today`);
  await expect(page.getByRole('link', { name: /Say how the first taste of D1 was/ })).toBeVisible();

  // In the night: one press from anywhere.
  const took = await firstLine(page);
  await page.getByRole('link', { name: /^Something is wrong/ }).click();
  await expect(page.getByRole('heading', { name: 'Call now. Write afterwards.' })).toBeVisible();
  await expect(page.getByRole('link', { name: /0555 010 010/ })).toHaveAttribute('href', 'tel:0555010010');
  expect(await took()).toBeLessThan(1000);
  await page.getByRole('button', { name: 'Eaten' }).click();
  await page.getByLabel('Bag or batch').selectOption('D1');
  await expect(page.getByLabel('Who, with age (commas)')).toHaveValue('Rowan'); // the book knows who ate of it
  await page.getByLabel('Raw, or cooked how and how long').fill('boiled ten minutes');
  await page.getByLabel('Who', { exact: true }).fill('Rowan');
  await page.getByLabel('Feels or shows').fill('nausea');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByLabel(/^Raw pieces, leftovers/).fill('raw fruits, cold, labelled');
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible();
  await expect(page.getByText(/No number of hours clears anybody/).first()).toBeVisible();
  await expect(page.getByText('the records lead to it').first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Who else, and what is held' })).toContainText(
    /Rowan.*Held, in every form: D1 B1|Rowan.*Held, in every form: B1 D1/,
  );
  await look('incident');

  // Whatever is left of it is held, and the sheet says what matters to whoever takes over.
  await page.getByRole('link', { name: 'Handover sheet to print' }).click();
  const sheet = page.getByRole('article');
  for (const words of [
    'boiled ten minutes',
    'nausea',
    'Rowan: 12 g of D1',
    'raw fruits, cold, labelled',
    'nothing here is a diagnosis',
  ])
    await expect(sheet).toContainText(words);
  await expect(sheet).not.toContainText(/\bsafe\b/i);
  await look('handover');
  await page.goto(`${server.address}/kitchen/B1`);
  await expect(page.getByRole('region', { name: 'Held', exact: true })).toContainText('an incident was taken down');
  await page.goto(`${server.address}/journal?q=incident`);
  await expect(page.getByRole('link', { name: 'An incident' })).toBeVisible();
});

test('the page for when something is wrong works with the network cut, and what was put in outlives a crash of the program', async ({
  browser,
  server,
}) => {
  await new Scene(server).call('PUT', '/api/settings', settings);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.waitForFunction(() => localStorage.getItem('first aid')); // fetched by every page
  await context.setOffline(true);
  const took = await firstLine(page);
  await page.getByRole('link', { name: /^Something is wrong/ }).click();
  await expect(page.getByRole('link', { name: /0555 010 010/ })).toBeVisible();
  expect(await took()).toBeLessThan(1000);
  await page.getByRole('button', { name: 'In the eye' }).click();
  await expect(page.getByText(/Rinse the open eye/)).toBeVisible();
  await page.getByLabel('What got into the eye?').fill('sap of a spurge');
  await expect(page.getByText(/not stored yet/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Signs begin/ }).first()).toBeVisible(); // windows are there without asking anybody
  await context.setOffline(false);
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible();

  // The program dies; what is put in meanwhile waits here, also when the page is closed.
  await server.kill();
  await page.getByLabel('Feels or shows').fill('blurred');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText(/not stored yet/)).toBeVisible();
  const path = new URL(page.url()).pathname;
  await page.close();
  await server.start();
  const again = await context.newPage();
  await again.goto(server.address + path);
  await expect(again.getByText('Stored.', { exact: true })).toBeVisible();
  const stored = await new Scene(server).call<S['IncidentView']>('GET', `/api/incidents/${path.split('/').at(-1)}`);
  expect(stored.incident.symptoms.map((s) => s.what)).toEqual(['blurred']);
  expect(stored.incident.exposures.map((x) => x.what)).toEqual(['sap of a spurge']);
  await context.close();
});

test('two screens on one incident: neither loses anything', async ({ browser, server }) => {
  const scene = new Scene(server);
  const doc = {
    id: 'two-screens',
    beganMs: 0,
    exposures: [{ id: 'e1', route: 'skin', atMs: Date.now() - 60_000, what: 'a tall white umbel' }],
    symptoms: [],
    calls: [],
    closings: [],
    rev: 0,
  };
  await scene.call('PUT', '/api/incidents/two-screens', doc);
  const one = await (await browser.newContext()).newPage();
  const two = await (await browser.newContext()).newPage();
  for (const p of [one, two]) {
    await p.goto(`${server.address}/incident/two-screens`);
    await expect(p.getByLabel('What touched the skin?')).toHaveValue('a tall white umbel');
  }
  await one.getByLabel('Anything else').fill('in full sun');
  await expect(one.getByText('Stored.', { exact: true })).toBeVisible();
  await two.getByLabel('Anything else').fill('both forearms');
  await expect(two.getByRole('alert')).toContainText('Written on two screens');
  await expect(two.getByLabel('Anything else')).toHaveValue('both forearms');
  await two.getByRole('button', { name: 'Put both together' }).click();
  await expect(two.getByText('Stored.', { exact: true })).toBeVisible();
  expect((await scene.call<S['IncidentView']>('GET', '/api/incidents/two-screens')).incident.note).toBe(
    'both forearms / in full sun',
  );
});
