import type { Page } from '@playwright/test';
import type { S } from '../src/api/client.ts';
import { png } from './picture.ts';
import { expect, test } from './server.ts';
import { Scene, stored } from './walk.ts';

const way = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Way of looking' }).getByRole('button', { name });
const dialog = (page: Page) => page.getByRole('dialog');

test('one store, four ways in: what is said in one is there in the others', async ({ page, server }) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/find/demo-girolle`);
  await way(page, 'Key').click();
  const couplet = page.locator('#check-q');
  await expect(page.getByText(/^Couplet \d/).first()).toBeVisible();
  const first = await couplet.innerText();
  const keep = await page.getByRole('heading', { name: /^Left: \d+$/ }).innerText();
  // Who can’t tell keeps both ways and is asked something else.
  let done = stored(page);
  await page.getByRole('button', { name: 'Can’t tell: keep both ways' }).click();
  await done;
  await expect(couplet).not.toHaveText(first);
  await expect(page.getByRole('heading', { name: /^Left: \d+$/ })).toHaveText(keep);
  await expect(page.getByText(/both ways kept, \d+ left/)).toHaveCount(1);
  // Undo gives the couplet back; this time one way is taken, as a whole or by one of its drawings.
  done = stored(page);
  await page.getByRole('button', { name: 'Undo last' }).click();
  await done;
  await expect(couplet).toHaveText(first);
  done = stored(page);
  await page.keyboard.press('1');
  await done;
  const log = (await scene.find('demo-girolle')).log;
  const said = log.at(-1)!.body.answer!;
  await expect(page.getByText(/both ways kept/)).toHaveCount(0);
  // The way is in the address: a reload keeps it.
  await page.reload();
  await expect(way(page, 'Key')).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/\d+ fell, \d+ left/).first()).toBeVisible();
  // The checklist: a key trait is looked at from there, and the list is what comes back.
  await way(page, 'Checklist').click();
  await expect(page.getByRole('heading', { name: 'Has to fit: Chanterelle' })).toBeVisible();
  await expect(
    page.getByRole('button', {
      name: /^Underside of the cap: blunt folds seen, and fits · tells it from .*Deadly webcap/,
    }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Cap shape: .*not looked at/ }).click();
  await expect(couplet).toHaveText('What shape has the cap?');
  done = stored(page);
  await page.getByRole('button', { name: /^flat/ }).first().click();
  await done;
  await expect(page.getByRole('button', { name: /^Cap shape: .*seen, and fits/ })).toBeVisible();
  // The whole look: named dangers are among the drawings, and what was said is taken into account.
  await way(page, 'Whole look').click();
  const rail = page.getByRole('group', { name: 'Drawings to compare' });
  await expect(rail.getByRole('button').first()).toContainText('Chanterelle');
  await rail.getByRole('button', { name: /^Deadly webcap/ }).click();
  const beside = page.getByRole('region', { name: 'Compared with Deadly webcap' });
  await expect(beside).toContainText('What you saw speaks against it');
  await expect(beside).toContainText('Underside of the cap: blunt folds');
  await way(page, 'Offered check').click();
  await expect(page.getByText(/^Next best check/)).toBeVisible();
  const after = (await scene.find('demo-girolle')).patch.judgements[0]!.readings.map((r) => r.trait.id);
  expect(after).toEqual(expect.arrayContaining([said.trait, 'cap-shape', 'underside']));
});

test('the connection drops: answers queue, are shown as not stored, and go out once each, also after a reload', async ({
  page,
  server,
}) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/find/demo-girolle`);
  const asked = page.locator('#check-q');
  await expect(page.getByText(/^Next best check/)).toBeVisible();
  const before = (await scene.find('demo-girolle')).log.length;
  await page.route('**/log', (r) => r.abort());
  const questions: string[] = [];
  for (let i = 0; i < 3; i++) {
    const now = await asked.innerText();
    expect(questions).not.toContain(now); // what waits is not asked again
    questions.push(now);
    await page.keyboard.press('1');
    await expect(asked).not.toHaveText(now);
  }
  await expect(page.getByRole('alert')).toContainText('The last 3 answers are not stored.');
  // The last of them is taken back before it ever was stored.
  await page.keyboard.press('u');
  await expect(page.getByRole('alert')).toContainText('The last 2 answers are not stored.');
  await page.reload();
  await expect(page.getByRole('alert')).toContainText('The last 2 answers are not stored.');
  expect((await scene.find('demo-girolle')).log.length).toBe(before);
  await page.unroute('**/log');
  await page.getByRole('button', { name: 'Send them again' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  // The alert goes with the first that is stored; the second follows.
  await expect.poll(async () => (await scene.find('demo-girolle')).log.length).toBe(before + 2);
  // Sent twice by a page that never heard the answer, a line is stored once.
  await page.route('**/log', async (r) => {
    await r.fetch();
    await r.abort();
  });
  await page.locator('[role=group][aria-labelledby=check-q] button').first().click(); // waits until it can be pressed
  await expect(page.getByRole('alert')).toContainText('was not stored');
  await page.unroute('**/log');
  await page.getByRole('button', { name: 'Send it again' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  expect((await scene.find('demo-girolle')).log.length).toBe(before + 3);
});

test('a smell test wears out, says so, and is mended', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('button', { name: 'Carries apricot' }).click();
  await expect(dialog(page).getByRole('region', { name: 'Hands' })).toContainText('Hands: apricot');
  await dialog(page).getByLabel('A smell that the gloves took on').selectOption('meal');
  await expect(dialog(page).getByRole('region', { name: 'Gloves' })).toContainText('Gloves: meal');
  await dialog(page).getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: /^Flesh:/ }).click();
  await page.getByRole('button', { name: /^Smell of the flesh/ }).click();
  const worn = page.getByRole('status').filter({ hasText: 'This test is worn.' });
  await expect(worn).toContainText('apricot');
  const clean = stored(page);
  await page.getByRole('button', { name: 'Hands cleaned' }).click();
  await clean;
  await expect(worn).toHaveCount(0);
  // With the gloves it is still worn: they were not changed.
  await page.getByRole('button', { name: 'gloves', exact: true }).click();
  await expect(worn).toContainText('meal');
  await page.keyboard.press('h');
  await dialog(page).getByRole('button', { name: 'Fresh gloves on' }).click();
  await expect(dialog(page).getByRole('region', { name: 'Gloves' })).toContainText('nothing known');
  await expect(dialog(page)).toContainText('None: the first smell counts.');
});

test('a picture is taken in by its content, and a length is read in it', async ({ page, server }) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('button', { name: /^Cap:/ }).click();
  await page.getByRole('button', { name: /^Width of the cap/ }).click();
  await expect(page.getByRole('group', { name: 'What the guide describes, and your reading' })).toContainText(
    'your target',
  );
  await page.getByRole('button', { name: 'Measure in a picture…' }).click();
  const file = dialog(page).getByLabel('Add a picture of this specimen');
  await file.setInputFiles({ name: 'cap.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('this is a text') });
  await expect(dialog(page).getByRole('alert')).toContainText('not a JPEG, PNG or WebP picture');
  await file.setInputFiles({ name: 'cap.png', mimeType: 'image/png', buffer: png(600, 400) });
  await dialog(page).getByRole('button', { name: 'Measure in it' }).click();
  await dialog(page).getByLabel('From A to B it is').fill('2 cm');
  const ruler = dialog(page).getByRole('button', { name: /^B: ruler/ });
  const said = dialog(page).getByRole('status').filter({ hasText: 'C to D' });
  const before = await said.innerText();
  await ruler.focus();
  for (let i = 0; i < 10; i++) await page.keyboard.press('Shift+ArrowRight'); // a longer ruler, a shorter part
  await expect(said).not.toHaveText(before);
  const [, length, low, high] = /C to D: ([\d.]+) cm, between ([\d.]+) and ([\d.]+) cm/.exec(await said.innerText())!;
  // A to B is 0.45 of 600 px, C to D 0.5 of 400 px: 2 cm × 200 / 270.
  expect(Number(length)).toBeCloseTo((2 * 200) / 270, 2);
  expect(Number(low)).toBeLessThan(Number(length));
  expect(Number(high)).toBeGreaterThan(Number(length));
  await dialog(page).getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByLabel('Reading (cm, mm or in)')).toHaveValue('1.48 cm');
  const done = stored(page);
  await page.getByRole('button', { name: 'Store it' }).click();
  await done;
  const view = await scene.find('demo-girolle');
  expect(view.photos).toHaveLength(1);
  expect(view.log.at(-1)!.body.answer).toMatchObject({ trait: 'cap-width', kind: 'measured', value: 1.48 });
  await page.keyboard.press('f');
  await dialog(page)
    .getByRole('button', { name: /^Remove the picture/ })
    .click();
  await expect(dialog(page)).toContainText('No picture yet.');
});

test('more than one person: each has a hand, health and teachers of their own', async ({ page, server }) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/you`);
  await page.getByLabel('Someone else who uses this').fill('Maren');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Maren');
  await page.getByLabel(/^Palm:/).fill('99');
  await expect(page.getByRole('alert')).toContainText('up to 20 cm');
  await page.getByLabel(/^Palm:/).fill('3 in');
  await page.getByLabel('To a kind, a genus or a family').fill('Cantharellus');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  for (const b of await page.getByRole('button', { name: 'I have thought this through' }).all()) await b.click();
  await page.getByLabel(/^Amanita.*who taught you/).fill('Hedda Lind');
  await page.getByLabel('When?').nth(1).fill('autumn 2024');
  await page.getByRole('button', { name: 'Store this' }).click();
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible();
  const people = await scene.call<S['Person'][]>('GET', '/api/people');
  expect(people.map((p) => p.name)).toEqual(['Rowan', 'Teasel', 'Maren']);
  expect(people[2]!.profile.hand).toEqual({ palm: 7.6 });
  expect(people[0]!.profile.hand).toBeUndefined();
  expect(people[2]!.profile.facts).toEqual(['allergy:Cantharellus']);
  // A find of hers is refused to her alone, and measured by her hand.
  await page.goto(`${server.address}/begin`);
  await page.getByRole('button', { name: 'Maren' }).click();
  await page.getByLabel('What do you hope it is?').fill('chanterelle');
  await page.getByRole('button', { name: /^Chanterelle/ }).click();
  await page.getByRole('button', { name: /^Begin, with/ }).click();
  await page.getByRole('button', { name: /^Mature/ }).click();
  await page.getByRole('button', { name: 'This is the stage' }).click();
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(
    'What your profile says rules it out for you',
  );
  await page.keyboard.press('o');
  await expect(dialog(page)).toContainText('Not for you: allergy to Cantharellus.');
  await dialog(page).getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: /^Cap:/ }).click();
  await page.getByRole('button', { name: /^Width of the cap/ }).click();
  await page.getByLabel('Reading (cm, mm or in)').fill('half a palm');
  await expect(page.locator('#measure-note')).toContainText('3.8 cm, 1.5 in, give or take 0.38 cm');
  // Of Rowan's own find nothing but the guide speaks.
  expect((await scene.find('demo-girolle')).patch.judgements[0]!.leave).toEqual(['inseparable']);
});

test('leaf by leaf: one key an item; the first that differs holds the basket', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-sloes`);
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Checks complete');
  await page.keyboard.press('b');
  const sheet = dialog(page);
  const counts = () => sheet.locator('dl dd').allInnerTexts();
  await page.keyboard.type('1113'); // faster than they are stored: none is lost
  await expect.poll(counts).toEqual(['4', '0', '1']);
  await page.keyboard.press('2');
  await expect.poll(counts).toEqual(['4', '1', '0']);
  await expect(sheet).toContainText('Mixed patch. The basket is held');
  await expect(sheet).toContainText('1 set aside');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Basket held');
  await page.keyboard.press('b');
  await sheet.getByRole('button', { name: 'One less of set aside' }).click();
  await expect.poll(counts).toEqual(['4', '0', '1']);
});

test('look back: what each line changed, newest last', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('button', { name: 'Why' }).first().click();
  await dialog(page)
    .getByRole('button', { name: /^Look back/ })
    .click();
  const turns = dialog(page)
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading') });
  await expect(turns.first()).toContainText('The find was begun');
  await expect(turns.filter({ hasText: 'Underside of the cap: blunt folds' })).toContainText('a key trait to see');
  await expect(turns.filter({ hasText: 'Cut back:' }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  const done = stored(page);
  await page.getByRole('button', { name: 'Undo last' }).click();
  await done;
  await page.keyboard.press('r');
  await expect(turns.last()).toContainText('Took back line');
});

test('what is cut gets days, and is still a hazard at the last of them', async ({ page, server }) => {
  const scene = new Scene(server);
  await scene.begin('quillow-vine', { intent: 'clear', kingdom: 'plant', region: 'ENA' }, '2026-11-20', [
    'winter-twig',
  ]);
  await page.goto(`${server.address}/find/quillow-vine`);
  await page.getByRole('button', { name: 'What is open' }).click();
  await dialog(page)
    .getByRole('button', { name: /^What becomes of it/ })
    .click();
  await expect(dialog(page).getByLabel('Left to dry, in weeks')).toHaveValue('8');
  await dialog(page).getByLabel('Left to dry, in weeks').fill('0');
  await expect(dialog(page).getByRole('alert')).toContainText('from 1 to 104');
  await dialog(page).getByLabel('Left to dry, in weeks').fill('6');
  await dialog(page).getByLabel('Cut on').fill('2026-11-22');
  await dialog(page).getByLabel('Where it is left').fill('behind the old wall');
  await dialog(page).getByRole('button', { name: 'Make the plan' }).click();
  await expect(dialog(page).locator('time')).toHaveCount(3);
  await expect(dialog(page).locator('time').nth(1)).toHaveAttribute('datetime', '2027-01-03');
  await expect(dialog(page)).toContainText('still on when it is dry');
  await expect(dialog(page)).toContainText('Never burn it');
  await page.reload();
  expect((await scene.find('quillow-vine')).plan!.days).toHaveLength(3);
});

test('a thorn falls when one was clipped, and only then; it lies still where motion is unwanted', async ({
  browser,
  server,
}) => {
  for (const reducedMotion of ['no-preference', 'reduce'] as const) {
    const page = await (await browser.newContext({ reducedMotion })).newPage();
    const scene = new Scene(server);
    const id = `thorn-${reducedMotion}`;
    await scene.begin(
      id,
      { target: 'cantharellus-cibarius', part: 'cap', preparation: 'cooked', region: 'EU' },
      '2026-10-03',
      ['mature'],
    );
    await page.goto(`${server.address}/find/${id}`);
    const bar = page.getByRole('region', { name: 'Verdict' });
    await expect(bar).toContainText('Nearest danger');
    const fallen = bar.locator('path.clipped');
    await expect(fallen).toHaveCount(0);
    const near = async () => {
      const e = (await scene.find(id)).patch.judgements[0]!.ledger.find((x) => !x.ruledOut)!;
      return { id: e.taxon.id, thorns: e.thorns };
    };
    const before = await near();
    const done = stored(page);
    await page.getByRole('button', { name: /^Underside: not looked at/ }).click();
    await page.getByRole('button', { name: /^Underside of the cap/ }).click();
    await page.getByRole('button', { name: /^blunt folds/ }).click();
    await done;
    const after = await near();
    // What falls is what the judgement says was clipped of the entry that is shown.
    await expect(fallen).toHaveCount(after.id === before.id ? before.thorns - after.thorns : 0);
    if (reducedMotion === 'reduce' && (await fallen.count()) > 0) await expect(fallen.first()).toBeHidden();
    await page.context().close();
  }
});
