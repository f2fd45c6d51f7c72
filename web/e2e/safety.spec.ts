import { expect, test } from './server.ts';
import { Scene } from './walk.ts';

test('a piece of the program that can’t be fetched blanks its own page, and “Something is wrong” works', async ({
  page,
  server,
}) => {
  await page.route(/assets\/(PlacePage|TodayPage)/, (r) => r.abort());
  await page.goto(`${server.address}/places/tarn-wood`);
  await expect(page.getByRole('alert')).toContainText('This part can’t be shown: this page');
  await page.getByRole('link', { name: /^Something is wrong/ }).click();
  await expect(page.getByRole('heading', { name: 'Call now. Write afterwards.' })).toBeVisible();
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Kitchen', exact: true })).toBeVisible();
});

test('a shape that can’t be drawn takes the map and nothing else', async ({ page, server }) => {
  // As an earlier form could have stored it: the answer is changed on its way.
  await page.route(/api\/places\/tarn-wood$/, async (r) => {
    if (r.request().method() !== 'GET') return r.continue();
    const place = (await (await r.fetch()).json()) as { map: string };
    const map = JSON.parse(place.map) as { features: { properties: { name: unknown } }[] };
    map.features[0]!.properties.name = { en: 'beck' };
    return r.fulfill({ json: { ...place, map: JSON.stringify(map) } });
  });
  await page.goto(`${server.address}/places/tarn-wood`);
  await expect(page.getByRole('alert')).toContainText('This part can’t be shown: the map');
  await expect(page.getByLabel('Owner')).toHaveValue('the forest office');
  await expect(page.getByRole('link', { name: /^Something is wrong/ })).toBeVisible();
});

test('two screens on one place: the second keeps what it typed, sees what changed, and overwrites nothing by itself', async ({
  browser,
  server,
}) => {
  const scene = new Scene(server);
  const one = await (await browser.newContext()).newPage();
  const two = await (await browser.newContext()).newPage();
  for (const p of [one, two]) {
    await p.goto(`${server.address}/places/tarn-wood`);
    await expect(p.getByLabel('Owner')).toHaveValue('the forest office');
  }
  await one.getByLabel('Owner').fill('the parish');
  await one.getByRole('button', { name: 'Store the place' }).click();
  await expect(one.getByText('Stored.', { exact: true })).toBeVisible();
  await two.getByLabel('Owner').fill('the miller');
  await two.getByRole('button', { name: 'Store the place' }).click();
  await expect(two.getByRole('alert')).toContainText('Changed on another screen');
  await expect(two.getByRole('row', { name: 'owner the miller the parish' })).toBeVisible();
  await expect(two.getByLabel('Owner')).toHaveValue('the miller');
  expect((await scene.call<{ owner: string }>('GET', '/api/places/tarn-wood')).owner).toBe('the parish');
  await two.getByRole('button', { name: 'Store what stands here' }).click();
  await expect(two.getByText('Stored.', { exact: true })).toBeVisible();
  expect((await scene.call<{ owner: string }>('GET', '/api/places/tarn-wood')).owner).toBe('the miller');
  // The screen that lags behind now is the other one; it takes what is stored.
  await one.getByLabel('Owner').fill('nobody');
  await one.getByRole('button', { name: 'Store the place' }).click();
  await one.getByRole('button', { name: 'Take what is stored' }).click();
  await expect(one.getByLabel('Owner')).toHaveValue('the miller');
});

test('single keys can be switched off, and pages have titles', async ({ page, server }) => {
  await page.goto(`${server.address}/find/demo-girolle`);
  await expect(page).toHaveTitle('A find · Zesty Thicket');
  await page.getByRole('heading', { level: 2 }).first().waitFor();
  await page.keyboard.press('d');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goto(`${server.address}/you`);
  await expect(page).toHaveTitle('You · Zesty Thicket');
  await page.getByLabel('Single keys work as shortcuts').uncheck();
  await page.goto(`${server.address}/find/demo-girolle`);
  await page.getByRole('heading', { level: 2 }).first().waitFor();
  const log = async () =>
    (await new Scene(server).call<{ log: unknown[] }>('GET', '/api/finds/demo-girolle')).log.length;
  const before = await log();
  for (const key of ['d', 'b', 'w', '1', '2', 'u']) await page.keyboard.press(key);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  expect(await log()).toBe(before);
  // Everything is still there by button.
  await page.getByRole('button', { name: 'Dangers' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
});

test('what is typed for one person’s first taste is nobody else’s', async ({ page, server }) => {
  const scene = new Scene(server);
  const act = (key: string, more: object) => scene.call('POST', '/api/kitchen', { key: `felt-rows-${key}`, ...more });
  await scene.call('PUT', '/api/people/burnet', {
    name: 'Burnet',
    rev: 0,
    profile: { colourDiffers: false, smellWeak: false, facts: [], answered: [], signOffs: [] },
  });
  await act('made', {
    kind: 'made',
    from: [{ lot: 'S3', amount: '60' }],
    to: [{ lot: 'D1', amount: '60', form: 'cooked' }],
  });
  for (const person of ['teasel', 'burnet'])
    await act(person, { kind: 'ate', lot: 'D1', amount: '5', person, first: true, noAlcohol: true });
  await page.goto(`${server.address}/kitchen/D1`);
  await page.getByLabel('What Teasel felt').fill('a rash on one arm');
  await expect(page.getByLabel('What Burnet felt')).toHaveValue('');
  await page.getByRole('group', { name: 'How it was for Teasel' }).getByRole('button', { name: 'A reaction' }).click();
  await expect(page.getByText('a reaction', { exact: true })).toBeVisible();
  await expect(page.getByLabel('What Burnet felt')).toHaveValue('');
});
