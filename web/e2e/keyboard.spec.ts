import type { Page } from '@playwright/test';
import type { S } from '../src/api/client.ts';
import { png } from './picture.ts';
import { expect, test } from './server.ts';
import { Scene, stored, tabTo } from './walk.ts';

// Every flow of the bench by keyboard alone. The six steps stand in steps.spec.ts,
// the guide in guide.spec.ts, the basket in basket.spec.ts. Nothing here clicks.

const dialog = (page: Page) => page.getByRole('dialog');
const question = (page: Page) => page.locator('#check-q');

async function bench(page: Page, address: string, find = 'demo-girolle'): Promise<void> {
  await page.goto(`${address}/find/${find}`);
  await expect(page.getByText(/^Next best check/)).toBeVisible();
}

test('by keyboard: a key with “can’t tell”, a checklist, a whole look, and back', async ({ page, server }) => {
  await bench(page, server.address);
  await page.keyboard.press('k');
  await expect(page.getByText(/^Couplet \d/).first()).toBeVisible();
  const first = await question(page).innerText();
  await tabTo(page, /^Can’t tell: keep both ways/);
  let done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  await expect(question(page)).not.toHaveText(first);
  done = stored(page);
  await page.keyboard.press('1');
  await done;
  await page.keyboard.press('c');
  await expect(page.getByRole('heading', { name: /^Has to fit/ }).first()).toBeVisible();
  await tabTo(page, /^Cap shape/);
  await page.keyboard.press('Enter');
  await expect(question(page)).toHaveText('What shape has the cap?');
  done = stored(page);
  await page.keyboard.press('2');
  await done;
  await expect(page.getByRole('heading', { name: /^Has to fit/ }).first()).toBeVisible(); // back to the list
  await page.keyboard.press('l');
  await expect(page.getByRole('group', { name: 'Drawings to compare' })).toBeVisible();
  await tabTo(page, /^Deadly webcap/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Compared with Deadly webcap' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText(/^Next best check/)).toBeVisible();
});

test('by keyboard: more than one fits, how it was looked at, absence on purpose, the stage', async ({
  page,
  server,
}) => {
  const scene = new Scene(server);
  await bench(page, server.address);
  await tabTo(page, /^Stem: not looked at/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Inside of the stem/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^More than one fits/);
  await page.keyboard.press('Enter');
  await page.keyboard.press('1');
  await page.keyboard.press('2');
  await tabTo(page, /^One of these, unsure which/, true);
  let done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  await tabTo(page, /^Ring: not looked at/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Ring on the stem/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^not quite sure/);
  await page.keyboard.press('Space');
  await tabTo(page, /^I examined it whole/);
  done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  await tabTo(page, /^Stage: mature/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Old/);
  await page.keyboard.press('Space');
  await tabTo(page, /^This is the stage/);
  done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  const log = (await scene.find('demo-girolle')).log;
  expect(log.slice(-3).map((l) => l.body.answer?.kind ?? l.kind)).toEqual(['any-of', 'absent', 'staged']);
  expect(log.at(-2)!.body.answer!.unsure).toBe(true);
  expect(log.at(-1)!.body.stages).toEqual(['mature', 'old']);
});

test('by keyboard: hands, gloves and blade; a timed test; what was heard', async ({ page, server }) => {
  const scene = new Scene(server);
  await bench(page, server.address);
  await page.keyboard.press('h');
  await tabTo(page, /^A smell that the blade took on/);
  let done = stored(page);
  await page.keyboard.press('ArrowDown');
  await done;
  await expect(dialog(page).getByRole('region', { name: 'Blade' })).toContainText('garlic');
  await tabTo(page, /^Blade wiped clean/, true);
  done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  await expect(dialog(page).getByRole('region', { name: 'Blade' })).toContainText('nothing known');
  await page.keyboard.press('Escape');
  await tabTo(page, /^Flesh:/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Colour change of cut flesh/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Start the wait/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Tests that take time' })).toContainText('to wait');
  await tabTo(page, /^Give the wait up/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Tests that take time' })).toHaveCount(0);
  await tabTo(page, /^Heard or read/, true);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem').first()).toBeFocused();
  done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  expect((await scene.find('demo-girolle')).log.at(-1)!.body.note).toBe('hearsay');
});

test('by keyboard: the place and its rules, what is open, what changed the verdict, dangers of elsewhere', async ({
  page,
  server,
}) => {
  const scene = new Scene(server);
  await bench(page, server.address, 'demo-chestnut');
  await page.keyboard.press('o');
  await tabTo(page, /^Answer it/);
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveAccessibleName('The place and its rules');
  await tabTo(page, /^Clean as far as I know/);
  await page.keyboard.press('Space');
  await tabTo(page, /^Yes/);
  await page.keyboard.press('Space');
  await tabTo(page, /^Limit here/);
  await page.keyboard.type('none known');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toHaveCount(0);
  expect((await scene.find('demo-chestnut')).facts).toMatchObject({
    ground: 'clean',
    permission: 'yes',
    limit: 'none known',
  });
  await page.keyboard.press('r');
  await expect(
    dialog(page)
      .getByRole('listitem')
      .filter({ hasText: /^Met: permission to ask for/ }),
  ).toHaveCount(1);
  await page.keyboard.press('Escape');
  await page.keyboard.press('d');
  await tabTo(page, /^Set aside, other continents/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Bring .* back/);
  const name = await page.evaluate(() => document.activeElement?.textContent ?? '');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await scene.find('demo-chestnut')).facts.recalled?.length ?? 0).toBe(1);
  expect(name).toMatch(/^Bring .* back$/);
});

test('by keyboard: two specimens, side by side, each with answers of its own', async ({ page, server }) => {
  const scene = new Scene(server);
  await bench(page, server.address);
  await tabTo(page, /^Another one/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Which stage is it in?' })).toBeVisible();
  await tabTo(page, /^Mature/);
  await page.keyboard.press('Space');
  await tabTo(page, /^This is the stage/);
  let done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  await expect(page.getByText(/^Next best check/)).toBeVisible();
  done = stored(page);
  await page.keyboard.press('1');
  await done;
  await tabTo(page, /Specimen 1$/);
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: /Specimen 1$/ })).toHaveAttribute('aria-pressed', 'true');
  // Another part of the same one, once it has been traced: what was read goes along.
  await page.keyboard.press('s');
  await expect(dialog(page).getByRole('table')).toContainText('not looked at');
  await tabTo(page, /^Another part of specimen 1/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /Specimen 3$/ })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('s');
  await expect(dialog(page).getByRole('columnheader', { name: /^Specimen 3/ })).toContainText('joined to specimen 1');
  await page.keyboard.press('Escape');
  const view = await scene.find('demo-girolle');
  expect(view.log.slice(-2).every((l) => l.specimen === 's2')).toBe(true);
  expect(view.patch.judgements[0]!.readings.filter((r) => !r.derived)).toHaveLength(3);
});

test('by keyboard: a length from a picture, mark by mark', async ({ page, server }) => {
  const scene = new Scene(server);
  await scene.call('GET', '/api/guide');
  const put = await fetch(`${server.address}/api/finds/demo-girolle/photos/picture-1?specimen=s1&part=cap`, {
    method: 'PUT',
    headers: { 'content-type': 'application/octet-stream' },
    body: new Uint8Array(png(600, 400)),
  });
  expect(put.status).toBe(200);
  await bench(page, server.address);
  await tabTo(page, /^Cap:/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Width of the cap/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Measure in a picture/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Measure in it/);
  await page.keyboard.press('Enter');
  for (const mark of ['A', 'B', 'C', 'D']) {
    await tabTo(page, new RegExp(`^${mark}: `));
    await page.keyboard.press('ArrowUp');
  }
  await tabTo(page, /^From A to B it is/);
  await page.keyboard.type('15 mm');
  await expect(dialog(page).getByRole('status').filter({ hasText: 'C to D' })).toBeVisible();
  await tabTo(page, /^Take this reading/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Reading/);
  const done = stored(page);
  await page.keyboard.press('Enter');
  await done;
  // 0.5 × 400 px beside 0.25 × 600 px of 1.5 cm.
  expect((await scene.find('demo-girolle')).log.at(-1)!.body.answer!.value).toBeCloseTo((1.5 * 200) / 150, 2);
});

test('by keyboard: a profile, another person, a plan for what is cut', async ({ page, server }) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/you`);
  await tabTo(page, /^Palm/);
  await page.keyboard.type('8,5 cm');
  await tabTo(page, /^kidney stones/, true);
  await page.keyboard.press('Space');
  await tabTo(page, /^Store this/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible();
  await tabTo(page, /^Someone else who uses this/);
  await page.keyboard.type('Ilse');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Ilse');
  const people = await scene.call<S['Person'][]>('GET', '/api/people');
  expect(people[0]!.profile).toMatchObject({ facts: ['kidney-stones'], hand: { palm: 8.5 } });
  expect(people.map((p) => p.id)).toEqual(['rowan', 'teasel', 'ilse']);
  await scene.begin('cut-vine', { intent: 'clear', kingdom: 'plant', region: 'ENA' }, '2026-11-20', ['winter-twig']);
  await bench(page, server.address, 'cut-vine');
  await page.keyboard.press('o');
  await tabTo(page, /^What becomes of it/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Where it is left/);
  await page.keyboard.type('by the quarry');
  await page.keyboard.press('Enter');
  await expect(dialog(page).locator('time')).toHaveCount(3);
});

test('by keyboard: how much, sorting and the bag; then a call, and what was eaten', async ({ page, server }) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/find/demo-sloes/harvest`);
  await tabTo(page, /^Pieces here/);
  await page.keyboard.type('400');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Take 47 at most.')).toBeVisible(); // 30 in 100 of the 504 that stood here, less the 104 taken that day
  await tabTo(page, /^ripe: take/);
  await page.keyboard.press('Enter');
  await page.keyboard.press('e');
  await page.keyboard.press('s');
  await expect(page.getByText('2 kept, 0 to trim, 1 left where they were')).toBeVisible();
  await tabTo(page, /^Full bag/);
  await page.keyboard.type('212');
  await page.keyboard.press('Tab');
  await page.keyboard.type('12');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^B1/ })).toBeVisible();
  await tabTo(page, /^Something is wrong/, true);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Call now. Write afterwards.' })).toBeVisible();
  await tabTo(page, /^Eaten/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^What was eaten/);
  await page.keyboard.type('a sloe that was none');
  await tabTo(page, /^Feels or shows/);
  await page.keyboard.type('dry mouth');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible();
  const [incident] = await scene.call<S['Incident'][]>('GET', '/api/incidents');
  expect([incident!.exposures[0]!.what, incident!.symptoms[0]!.what]).toEqual(['a sloe that was none', 'dry mouth']);
});
