import { expect, test } from './server.ts';

test('the basket is counted item by item, by keyboard alone, and says what a look at some leaves unseen', async ({
  page,
  server,
}) => {
  await page.goto(`${server.address}/find/demo-sloes`);
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Checks complete');
  await page.keyboard.press('b');
  const sheet = page.getByRole('dialog');
  const total = sheet.getByLabel('Items in the basket');
  await total.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('-3');
  await expect(sheet.getByRole('alert')).toContainText('whole number');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('10');
  await page.keyboard.press('Tab');
  await expect(sheet.getByRole('alert')).toHaveCount(0);
  const more = sheet.getByRole('button', { name: 'One more of specimen 1' });
  for (const n of [2, 3]) {
    await more.focus();
    await page.keyboard.press('Enter');
    await expect(sheet.getByRole('region', { name: 'Specimen 1' })).toContainText(`${n} looked at`);
  }
  // C(9,3)/C(10,3) = 7/10.
  await expect(sheet).toContainText(
    '3 of 10 were looked at. One of another kind would have been missed 70 times in 100',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Basket: 3 of 10' })).toBeVisible();
  // It is stored: a reload shows the same.
  await page.reload();
  await expect(page.getByRole('button', { name: 'Basket: 3 of 10' })).toBeVisible();
});

test('while the check of a find is open, counting passes nothing', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('heading', { level: 2 }).first().waitFor();
  await page.keyboard.press('b');
  const sheet = page.getByRole('dialog');
  await page.keyboard.type('11');
  await expect.poll(() => sheet.locator('dl dd').allInnerTexts()).toEqual(['0', '0', '3']);
});

test('before picking, each check that can’t be had later is done or given up on purpose', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-chestnut`);
  await page.getByRole('button', { name: 'Picked…' }).click();
  const sheet = page.getByRole('dialog', { name: 'Before you pick' });
  await expect(sheet.getByRole('status')).toContainText('not looked at yet');
  const open = async () =>
    Number(/\d+/.exec(await sheet.getByRole('button', { name: /^It is picked, \d+ never/ }).innerText())![0]);
  const before = await open();
  expect(before).toBeGreaterThan(1);
  await sheet.getByRole('button', { name: 'Give up: How the fruits stand' }).click();
  await expect(sheet.getByRole('listitem').filter({ hasText: 'How the fruits stand' })).toContainText('given up');
  expect(await open()).toBe(before - 1);
  await sheet
    .getByRole('listitem')
    .filter({ hasText: 'not looked at' })
    .first()
    .getByRole('button', { name: 'Do this check' })
    .click();
  await expect(page.locator('#check-q')).toBeVisible();
  await page.keyboard.press('p');
  const stored = page.waitForResponse((r) => r.url().endsWith('/log') && r.ok());
  await sheet.getByRole('button', { name: /^It is picked/ }).click();
  await stored;
  await expect(sheet).toHaveCount(0);
});

test('a test that takes time runs through a reload and a restart, is due, and is read as long as it was waited for', async ({
  page,
  server,
}) => {
  await page.clock.install({ time: new Date() });
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('button', { name: /^Flesh:/ }).click();
  await page.getByRole('button', { name: /^Colour change of cut flesh/ }).click();
  const asked = await page.locator('#check-q').innerText();
  await page.getByRole('button', { name: /^Start the wait of 15 min/ }).click();
  const list = page.getByRole('list', { name: 'Tests that take time' });
  await expect(list).toContainText('to wait');
  await expect(page.getByText('A reading now is shaky.')).toBeVisible();
  await server.kill();
  await server.start();
  await page.reload();
  await expect(list).toContainText('to wait');
  await page.clock.fastForward('16:00');
  await expect(list).toContainText('due, after');
  await list.getByRole('button', { name: 'Read it now' }).click();
  await expect(page.locator('#check-q')).toHaveText(asked);
  const stored = page.waitForResponse((r) => r.url().endsWith('/log') && r.ok());
  await page.keyboard.press('1');
  const sent = (await stored).request().postDataJSON() as { body: { answer: { minutes: number } } };
  expect(sent.body.answer.minutes).toBeGreaterThanOrEqual(15);
  await expect(list).toHaveCount(0);
});
