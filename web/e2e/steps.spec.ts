import type { Page } from '@playwright/test';
import { expect, test } from './server.ts';
import { tabTo } from './walk.ts';

/** The verdict bar, always in sight. */
const bar = (page: Page) => page.getByRole('region', { name: 'Verdict' });
const drawer = (page: Page) => page.getByRole('dialog');

test('the six steps, by mouse', async ({ page, server }) => {
  await page.goto(server.address);
  // 1: a demo find has begun already.
  await expect(page.getByRole('link', { name: 'Brown nuts under the old row' })).toBeVisible();
  // 2: begin a find: intent, target with typing mistakes, place, day, then the stage.
  await page.getByRole('link', { name: 'Begin a find' }).click();
  await page.getByLabel('What do you hope it is?').fill('sweat chesnut');
  await page.getByRole('button', { name: /Sweet chestnut/ }).click();
  await page.getByLabel('Place').fill('Hollin Bank');
  await page.getByLabel('Day').fill('2026-10-12');
  await page.getByRole('button', { name: /^Begin, with/ }).click();
  await expect(page.getByRole('heading', { name: 'Which stage is it in?' })).toBeVisible();
  await page.getByRole('button', { name: 'In fruit' }).click();
  await page.getByRole('button', { name: 'This is the stage' }).click();
  // 3: answer as offered, by part, and with another kind of answer.
  await expect(page.getByText(/^Next best check/)).toBeVisible();
  await page.getByRole('button', { name: /^Habit: not looked at/ }).click();
  await page
    .getByRole('button', { name: /^Habit/ })
    .last()
    .click();
  await page.getByRole('button', { name: /^tree/ }).click();
  await expect(page.getByRole('button', { name: 'Habit: Habit: tree' })).toBeVisible();
  await page.getByRole('button', { name: /^Seed: not looked at/ }).click();
  await page.getByRole('button', { name: /^Tip of the nut/ }).click();
  await page.getByRole('button', { name: 'Couldn’t see it…' }).click();
  await page.getByRole('menuitem', { name: 'Damaged or lost' }).click();
  await expect(page.getByRole('button', { name: 'Seed: damaged' })).toBeVisible();
  await page.getByRole('button', { name: 'Hands cleaned' }).click();
  // 4: the ledger with weights and the answer behind each; standing; what is open.
  // The nut is a key trait: on this one it can't be looked at any more.
  await expect(bar(page)).toContainText('told today');
  await page.getByRole('button', { name: 'Dangers' }).first().click();
  await expect(drawer(page)).toContainText('Horse chestnut');
  await expect(drawer(page)).toContainText(/\d+ of 38/);
  await expect(drawer(page)).toContainText('Habit, tree');
  await drawer(page).getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Why' }).first().click();
  await expect(drawer(page)).toContainText('Something that is not in this guide');
  await drawer(page).getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'What is open' }).click();
  await expect(drawer(page)).toContainText('Still open, best first');
  await drawer(page).getByRole('button', { name: 'Close' }).click();
  // Undo: the last answer that can be taken back.
  await page.getByRole('button', { name: 'Undo last' }).click(); // the clean hands
  await page.getByRole('button', { name: 'Undo last' }).click(); // the nut
  await expect(page.getByRole('button', { name: 'Seed: not looked at' })).toBeVisible();
  // 5: everything is there again after the program was killed.
  const before = await bar(page).innerText();
  await server.kill();
  await server.start();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Habit: Habit: tree' })).toBeVisible();
  expect(await bar(page).innerText()).toBe(before);
});

test('the six steps, by keyboard alone', async ({ page, server }) => {
  await page.goto(server.address);
  await tabTo(page, /^Begin a find/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^What do you hope/);
  await page.keyboard.type('girole');
  await expect(page.getByRole('button', { name: /Chanterelle/ })).toBeVisible();
  await tabTo(page, /^Chanterelle/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Begin, with/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Which stage is it in?' })).toBeVisible();
  await tabTo(page, /^Mature/);
  await page.keyboard.press('Space');
  await tabTo(page, /^This is the stage/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Next best check/)).toBeVisible();
  // A number key chooses a drawing.
  const asked = await page.locator('#check-q').innerText();
  await page.keyboard.press('1');
  await expect(page.locator('#check-q')).not.toHaveText(asked);
  // By part.
  await tabTo(page, /^Underside: not looked at/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Underside of the cap/);
  await page.keyboard.press('Enter');
  await expect(page.locator('#check-q')).toHaveText('What is under the cap?');
  await page.keyboard.press('2');
  await expect(page.getByRole('button', { name: 'Underside: Underside of the cap: blunt folds' })).toBeVisible();
  // Another kind of answer, from the menu.
  await tabTo(page, /^Couldn’t see it/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem').first()).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  // Sheets, by key, closed by Escape.
  await page.keyboard.press('d');
  await expect(page.getByRole('dialog')).toContainText('Deadly webcap');
  await page.keyboard.press('Escape');
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog')).toContainText('not in this guide');
  await page.keyboard.press('Escape');
  for (let i = 0; i < 2; i++) {
    // While a line is on its way nothing else can be done, and the button says so.
    await expect(page.getByRole('button', { name: 'Undo last' })).toBeEnabled();
    const stored = page.waitForResponse('**/log');
    await page.keyboard.press('u');
    await stored;
  }
  await expect(page.getByRole('button', { name: 'Underside: not looked at' })).toBeVisible();
});

test('what is absent has no key and is a deliberate answer', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('button', { name: /^Ring:/ }).click();
  await page.getByRole('button', { name: /^Ring on the stem/ }).click();
  const drawings = await page.getByRole('group', { name: 'Is there a ring on the stem?' }).getByRole('button').count();
  await page.keyboard.press(String(drawings + 1)); // each drawing has a key, absence has none
  await expect(page.locator('#check-q')).toHaveText('Is there a ring on the stem?');
  await page.getByRole('button', { name: 'I examined it whole, and it is absent' }).click();
  await expect(page.getByRole('button', { name: /^Ring: .*\(shaky\)/ })).toBeVisible();
});

test('an answer that could not be stored is said so, kept and sent once', async ({ page, server }) => {
  // From the start, so that nothing is on its way when it begins.
  await page.route('**/log', (r) =>
    r.fulfill({
      status: 507,
      contentType: 'application/problem+json',
      body: JSON.stringify({
        title: 'Insufficient Storage',
        status: 507,
        detail: 'The disk is full: the last entry was not stored.',
      }),
    }),
  );
  await page.goto(`${server.address}/find/demo-girolle`);
  await expect(page.getByText(/^Next best check/)).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByRole('alert')).toContainText('The last answer was not stored.');
  await expect(page.getByRole('alert')).toContainText('The disk is full');
  await page.unroute('**/log');
  // It is sent again by itself too: whoever is first, it goes out once.
  const again = page.getByRole('button', { name: 'Send it again' });
  await again.evaluateAll((found) => found.forEach((b) => (b as HTMLButtonElement).click()));
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('two tabs answering one find lose nothing', async ({ context, server }) => {
  const [a, b] = [await context.newPage(), await context.newPage()];
  await a.goto(`${server.address}/find/demo-chestnut`);
  await b.goto(`${server.address}/find/demo-chestnut`);
  await a.getByRole('button', { name: /^Stem: not looked/ }).click();
  await a.getByRole('button', { name: /^Corky dots/ }).click();
  await a.getByRole('button', { name: /^corky dots/ }).click();
  await expect(a.getByRole('button', { name: /^Stem: Corky dots/ })).toBeVisible();
  await b.getByRole('button', { name: /^Fruit: not looked/ }).click();
  await b.getByRole('button', { name: /^Spines of the husk/ }).click();
  await b.getByRole('button', { name: /^dense branched/ }).click();
  await expect(b.getByRole('button', { name: /^Fruit: Spines/ })).toBeVisible();
  await expect(b.getByRole('button', { name: /^Stem: Corky dots/ })).toBeVisible();
});
