import { expect, test } from './server.ts';

test('the guide by keyboard: misspelt name, entry, side by side, stage', async ({ page, server }) => {
  await page.goto(`${server.address}/guide`);
  await expect(page.getByRole('searchbox')).toBeFocused();
  await page.keyboard.type('alium ursinun');
  await expect(page.getByRole('status').filter({ hasText: '1 found' })).toBeVisible(); // the list before it held her too
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('link', { name: 'Ramsons' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ramsons');
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('First, what it is taken for');
  await page.getByRole('link', { name: 'All of them side by side, trait by trait' }).click();
  const table = page.getByRole('table');
  await expect(table.getByRole('row').nth(1)).toContainText(/(strong|fair) evidence/);
  // Shared with lily of the valley, and something against lords-and-ladies.
  const veins = table.getByRole('row', { name: /Leaf veins/ });
  await expect(veins).toContainText('shared: worth nothing');
  await expect(veins).toContainText('fair evidence');
  await expect(table.getByRole('row', { name: /Plan of the flower/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'leaf', exact: true }).click();
  await expect(table.getByRole('row', { name: /Plan of the flower/ })).toHaveCount(0);
});

test('the guide by what an entry shows, and by its text', async ({ page, server }) => {
  await page.goto(`${server.address}/guide`);
  await page.getByLabel('Kingdom').selectOption('plant');
  await page.getByLabel('Part and trait').selectOption('stem-section');
  await page.getByLabel('that may be').selectOption('square');
  await expect(page.getByRole('link', { name: 'Henbit' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Ramsons' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Clear these' }).click();
  await page.getByRole('searchbox').fill('snakeskin');
  await expect(page.getByRole('link', { name: 'Parasol', exact: true })).toBeVisible();
  await page.getByRole('searchbox').fill('zzzzqq');
  await expect(page.getByText('No entry answers to this')).toBeVisible();
});

test('a saying is looked up, and the audit says what is refused', async ({ page, server }) => {
  await page.goto(`${server.address}/sayings`);
  await page.getByRole('searchbox').fill('square stem');
  await expect(page.getByRole('article')).toContainText('Why it fails');
  await page.goto(`${server.address}/audit`);
  await expect(page.getByText(/are gathered by people and left by the rules/)).toBeVisible();
  await page.getByRole('searchbox').fill('horse mushroom');
  await page.locator('summary').first().click();
  const egg = page.getByRole('group').locator('summary', { hasText: 'cap, cooked: egg' }).first();
  await expect(egg).toContainText('not gathered at this stage');
  await egg.click();
  await expect(page.getByRole('table').first()).toContainText('Death cap');
});
