import { readFileSync } from 'node:fs';
import { expect, test } from './server.ts';
import { Scene, tabTo } from './walk.ts';

test('today: what is due, what is up, and a calendar of it', async ({ page, server }) => {
  await page.goto(`${server.address}/today`);
  await expect(page.getByRole('link', { name: /^Go back to Yellow funnels/ })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Late shelves in Tarn Wood' })).toBeVisible();
  await expect(page.getByText('It rules nothing out.')).toBeVisible();
  // A wait that is begun stands here too, and is led back to.
  const scene = new Scene(server);
  await scene.call('PUT', '/api/finds/demo-girolle/specimens/s1/waits/spore-print');
  await page.reload();
  await page.getByRole('link', { name: /Spore print, due at/ }).click();
  await expect(page.getByRole('list', { name: 'Tests that take time' })).toContainText('Spore print');
  const ics = await (await fetch(`${server.address}/api/reminders`)).text();
  expect(ics).toContain('BEGIN:VCALENDAR');
  expect(ics).toMatch(/DTSTART;VALUE=DATE:2026\d{4}/);
  expect(ics.replace(/\r\n /g, '')).toContain('Yellow funnels below the spring: Go back'.split(':')[0]!);
});

test('the year: how a window was reckoned, pulled by what was seen, set by hand and set back', async ({
  page,
  server,
}) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/year?place=tarn-wood&taxon=allium-ursinum`);
  const row = page.getByRole('button', { name: /^Ramsons/ });
  await row.first().click();
  const box = page.getByRole('region', { name: 'How the year of Ramsons was reckoned' });
  await expect(box).toContainText('gradients for Europe');
  await expect(box).toContainText('this year’s degree days');
  await expect(box).toContainText(/give or take \d+ days/);
  const open = async () =>
    (
      await scene.call<{ rows: { windows: { stages: string[]; open: number; openSd: number }[] }[] }>(
        'GET',
        '/api/year?place=tarn-wood&taxon=allium-ursinum',
      )
    ).rows[0]!.windows.find((w) => w.stages.includes('leaf'))!;
  const before = await open();
  await box.getByLabel('Stage').selectOption('leaf');
  await box.getByLabel('I first saw it on').fill('2026-04-10');
  await box.getByRole('button', { name: 'Keep that day' }).click();
  await expect(box.getByRole('list', { name: 'Your first-seen days' })).toContainText('2026-04-10');
  await expect(box).toContainText('your own first-seen days');
  const pulled = await open();
  expect(pulled.openSd).toBeLessThan(before.openSd);
  expect(pulled.open).not.toBe(before.open);
  await box.getByLabel('Here it opens').fill('2026-04-01');
  await box.getByLabel('and ends').fill('2026-05-20');
  await box.getByRole('button', { name: 'Set it by hand' }).click();
  await expect(box).toContainText('set by you for this place');
  expect((await open()).open).toBe(91);
  await box.getByRole('button', { name: 'Back to the reckoning' }).click();
  await expect(box).not.toContainText('set by you for this place');
  expect((await open()).open).toBe(pulled.open);
});

test('a year chart of all entries is drawn soon after its data arrives', async ({ page, server }) => {
  await page.goto(`${server.address}/year?place=tarn-wood&all=yes`);
  const rows = page.locator('[aria-label="Windows through the year"] svg[role=img]');
  await expect.poll(() => rows.count()).toBeGreaterThan(250);
  expect(Number(await page.locator('[aria-label="Windows through the year"] .head b').innerText())).toBeGreaterThan(
    120,
  );
});

test('a walk: dangers first, a bag that follows from the checks, and paper', async ({ page, server }) => {
  await page.goto(`${server.address}/walks/new`);
  await page.getByLabel('A name for it').fill('First leaves');
  await page.getByLabel('Place').selectOption('tarn-wood');
  await page.getByLabel('Day').fill('2027-04-11');
  await page.getByLabel('From', { exact: true }).fill('15:00');
  await page.getByLabel('To', { exact: true }).fill('14:00');
  await page.getByLabel('What do you hope for?').fill('ramson');
  await page.getByRole('button', { name: 'Add Ramsons' }).click();
  await page.getByRole('button', { name: 'Look ahead' }).click();
  await expect(page.getByRole('alert')).toContainText('it ends before it begins');
  await page.getByLabel('To', { exact: true }).fill('21:30');
  await page.getByRole('button', { name: 'Look ahead' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('First leaves');
  // The first thing read is what kills.
  const named = page
    .getByRole('heading', { name: 'Taken for what you hope for' })
    .locator('xpath=following-sibling::ul[1]');
  await expect(named).toContainText('Lily of the valley');
  await expect(named).toContainText('Autumn crocus');
  await expect(page.getByText('The sun sets at')).toBeVisible(); // the walk ends in the dark
  await expect(page.getByText('That permission ended on 2027-03-31. Ask again.')).toBeVisible();
  await page.getByRole('button', { name: 'Packed: A trowel' }).click();
  await expect(page.getByRole('button', { name: 'Packed: A trowel' })).toHaveAttribute('aria-pressed', 'true');
  await page
    .getByRole('button', { name: 'Leave at home: A clean cloth, and soap or sand and water for the hands' })
    .click();
  await expect(page.getByRole('button', { name: /take it after all$/ })).toBeVisible();
  await page.getByLabel('Something else').fill('flask');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('added by you')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Packed: A trowel' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('link', { name: 'Print the walk sheet' }).click();
  await expect(page.getByRole('article')).toContainText('Lily of the valley');
  await expect(page.getByRole('article')).toContainText(/Guide [0-9a-f]{16}/);
  await page.goBack();
  await page.getByRole('link', { name: 'Print pocket cards' }).click();
  const card = page.getByRole('article', { name: 'Card: Ramsons' });
  await expect(card).toContainText('leaf');
  await expect(card).toContainText('▲▲▲ Lily of the valley');
  await expect(card).toContainText(/Guide [0-9a-f]{16}/);
});

test('cards: nothing of a card is cut off, four to a page, on both papers', async ({ page, server }) => {
  const scene = new Scene(server);
  const taxa = await scene.call<{ id: string; uses: unknown[]; kingdom: string }[]>('GET', '/api/taxa');
  const food = taxa
    .filter((t) => t.uses.length > 0)
    .slice(0, 24)
    .map((t) => t.id);
  for (const letter of [false, true]) {
    await scene.call('PUT', '/api/walks/many-cards', {
      id: 'many-cards',
      day: '2026-09-20',
      place: 'tarn-wood',
      hopes: food,
    });
    await page.goto(`${server.address}/walks/many-cards/cards`);
    if (letter) await page.getByRole('button', { name: 'Letter' }).click();
    await expect(page.getByRole('article')).toHaveCount(food.length);
    await expect(page.getByText('Setting…')).toHaveCount(0);
    await page.emulateMedia({ media: 'print' });
    const cut = await page.$$eval('article', (list) =>
      list
        .filter((a) => a.scrollHeight > a.clientHeight + 1)
        .map((a) => `${a.getAttribute('aria-label')} ${a.scrollHeight} of ${a.clientHeight}`),
    );
    expect(cut).toEqual([]);
    const pdf = await page.pdf({
      format: letter ? 'Letter' : 'A4',
      margin: { top: '6mm', bottom: '6mm', left: '6mm', right: '6mm' },
    });
    expect((pdf.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length).toBe(Math.ceil(food.length / 4));
    await page.emulateMedia({ media: 'screen' });
  }
});

test('a place: the receiver plays, caps are marked, a ring is fitted, rules are asked about', async ({
  page,
  server,
}) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/places`);
  await page.getByLabel('A new place').fill('Quillow Moss');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByLabel('Degrees north').fill('54.4');
  await page.getByRole('button', { name: 'Store the place' }).click();
  await expect(page.getByRole('alert')).toContainText('half a position');
  await page.getByLabel('Degrees east').fill('-2.9');
  await page.getByRole('button', { name: 'Add a limit' }).click();
  await page.getByLabel('How much').fill('1.5');
  await page.getByRole('button', { name: 'Store the place' }).click();
  await expect(page.getByRole('alert')).toContainText('1.5 of what?'); // a unit is never assumed
  await page.getByLabel('Unit').selectOption('kg');
  await page.getByLabel('From whom').fill('the estate, by letter');
  await page.getByRole('button', { name: 'Store the place' }).click();
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible();
  expect((await scene.call<{ limits: unknown[] }>('GET', '/api/places/quillow-moss')).limits).toHaveLength(1);
  await page.getByRole('button', { name: 'Another patch' }).click();
  await page.getByRole('button', { name: 'Play the simulated receiver' }).click();
  await expect(page.getByRole('status').filter({ hasText: /good to \d+ m/ })).toBeVisible();
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Mark a cap here' }).click();
  await expect(page.getByRole('button', { name: /P1: 2/ })).toBeVisible();
  await page.getByRole('button', { name: 'Fit a ring' }).click();
  await expect(page.getByText('a ring needs three places or more')).toBeVisible();
  // A track of caps from a file; the bad line is named, the rest is taken.
  const body = readFileSync(new URL('../../exchange/track/quillow.nmea', import.meta.url), 'utf8')
    .split('\n')
    .slice(14, 40);
  body[3] = body[3]!.replace('5424', '5425');
  await page
    .getByLabel('Bring positions, GPX or NMEA')
    .setInputFiles({ name: 'walk.nmea', mimeType: 'text/plain', buffer: Buffer.from(body.join('\n')) });
  await expect(page.getByText(/positions read; 1 left out: line 4, the check sum does not fit/)).toBeVisible();
  await page.getByRole('button', { name: 'Fit a ring' }).click();
  await expect(page.getByText(/^.*A ring with a radius of [\d.]+ m, give or take/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Map of Quillow Moss/ })).toBeVisible();
  // Weather: faults are named, and the good part waits to be asked for.
  await page.getByLabel('Bring a weather file').setInputFiles({
    name: 'w.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('date,tmin_c,tmax_c,rain_mm\n2026-03-01,1,9,0\n2026-03-02,9,1,0\n2026-03-05,2,8,3\n'),
  });
  await expect(page.getByText('2 days read, nothing stored yet. Missing: 2026-03-02 to 2026-03-04.')).toBeVisible();
  await expect(page.getByText('Line 3, tmin: the lowest is above the highest')).toBeVisible();
  await page.getByRole('button', { name: 'Store the 2 good days' }).click();
  await expect(page.getByText('2 days read, and stored.')).toBeVisible();
  await page.getByLabel('Bring GeoJSON').setInputFiles({
    name: 'm.geojson',
    mimeType: 'application/json',
    buffer: Buffer.from('{"type":"Point","coordinates":[54.4,-102.9]}'),
  });
  await page.getByRole('button', { name: 'Store the place' }).click();
  await expect(page.getByRole('alert')).toContainText('are they swapped?');
});

test('the map is drawn by pen and by keyboard, and a drawing is rubbed out', async ({ page, server }) => {
  const scene = new Scene(server);
  const drawn = async () =>
    (
      JSON.parse((await scene.call<{ map: string }>('GET', '/api/places/tarn-wood')).map) as {
        features: { properties: { name: string }; geometry: { type: string; coordinates: number[][][] } }[];
      }
    ).features;
  await page.goto(`${server.address}/places/tarn-wood`);
  const was = (await drawn()).length;
  await page.getByRole('button', { name: 'Draw an area' }).click();
  await page.getByLabel('What is drawn is called').fill('nettle bed');
  const map = page.getByRole('group', { name: /^Map of Tarn Wood/ });
  await map.scrollIntoViewIfNeeded();
  const box = (await map.boundingBox())!;
  for (const [x, y] of [
    [0.2, 0.2],
    [0.5, 0.2],
    [0.5, 0.6],
  ] as const)
    await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
  await page.getByRole('button', { name: 'Keep what is drawn' }).click();
  await expect(page.getByText(`${was + 1} drawn`)).toBeVisible();
  await expect.poll(async () => (await drawn()).length).toBe(was + 1); // it is drawn at once and stored a moment later
  const bed = (await drawn()).at(-1)!;
  expect([bed.properties.name, bed.geometry.type, bed.geometry.coordinates[0]!.length]).toEqual([
    'nettle bed',
    'Polygon',
    4,
  ]);
  const [a, b, c] = bed.geometry.coordinates[0]! as [number[], number[], number[]];
  expect(b[0]!).toBeGreaterThan(a[0]!); // the second click lay east of the first
  expect(Math.abs(b[1]! - a[1]!)).toBeLessThan(1e-6); // at the same height
  expect(c[1]!).toBeLessThan(b[1]!); // and the third south of it
  // The same with no mouse: the pen moves by arrow keys.
  await tabTo(page, /^Draw a line/);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Pen, / }).focus();
  await page.keyboard.press('Enter');
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 points so far')).toBeVisible();
  await tabTo(page, /^Keep what is drawn/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(`${was + 2} drawn`)).toBeVisible();
  await expect.poll(async () => (await drawn()).length).toBe(was + 2);
  expect((await drawn()).at(-1)!.geometry.type).toBe('LineString');
  await page.getByText(`${was + 2} drawn`).click();
  await page.getByRole('button', { name: 'Rub out nettle bed' }).click();
  await expect(page.getByText(`${was + 1} drawn`)).toBeVisible();
  await expect.poll(async () => (await drawn()).length).toBe(was + 1);
  expect((await drawn()).map((f) => f.properties.name)).not.toContain('nettle bed');
  await page.getByRole('button', { name: 'Line or colony?' }).click();
  await expect(page.getByText(/places over \d+ m²/)).toBeVisible();
});

test('a sign with amounts of one’s own, and another plant by its name', async ({ page, server }) => {
  const scene = new Scene(server);
  await page.goto(`${server.address}/year?place=tarn-wood`);
  await page.getByText('Add a sign').click();
  await page.getByLabel('For which entry?').fill('chanter');
  await page.getByRole('button', { name: 'Chanterelle', exact: true }).click();
  await page.locator('select').filter({ hasText: 'after rain' }).selectOption('flower');
  await page.getByLabel('Which other flowers?').fill('hawthorn');
  await page.getByRole('button', { name: 'Hawthorn', exact: true }).click();
  await page.getByLabel('From, days after').fill('10');
  await page.getByLabel('To, days after').fill('20');
  await page.getByLabel('Give or take, days').fill('6');
  await page.getByRole('button', { name: 'Keep the sign' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  const { signs } = await scene.call<{ signs: { from: string; sign: { kind: string; sd: number; of?: string } }[] }>(
    'GET',
    '/api/year?place=tarn-wood',
  );
  const mine = signs.find((x) => x.sign.kind === 'flower')!;
  expect(mine.sign).toMatchObject({ sd: 6, of: 'crataegus-monogyna' });
  expect(mine.from).toBe('2026-06-05'); // ten days after the hawthorn was first seen in flower
});

test('planning by keyboard: a walk from the list to the bag', async ({ page, server }) => {
  await page.goto(`${server.address}/walks`);
  await tabTo(page, /^Plan a walk/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^What do you hope/);
  await page.keyboard.type('elder');
  await tabTo(page, /^Add Elder/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Look ahead/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Dangerous neighbours' })).toBeVisible();
  await tabTo(page, /^Packed: A /);
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: /^Packed: / }).first()).toHaveAttribute('aria-pressed', 'true');
});
