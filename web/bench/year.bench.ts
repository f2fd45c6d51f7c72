import { expect, test } from '../e2e/server.ts';

// From the last byte of the data to the chart painted: all entries that grow at a
// place, and all of the guide.
for (const [name, place] of [
  ['a place', 'tarn-wood'],
  ['the whole guide', 'bench-all'],
] as const) {
  test(`a year chart of ${name}`, async ({ page, server }) => {
    const times: number[] = [];
    let rows = 0;
    // A place of which nothing is known has all entries.
    await fetch(`${server.address}/api/places/bench-all`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: 'bench-all', name: 'Bench', patches: [], limits: [], zones: [] }),
    });
    const open = async () => {
      await page.goto(`${server.address}/year?place=${place}&taxon=sambucus-nigra`);
      await expect(page.getByRole('button', { name: /^Elder/ }).first()).toBeVisible();
    };
    await open();
    for (let i = 0; i < 12; i++) {
      await open();
      const took = await page.evaluate(async () => {
        const chip = [...document.querySelectorAll('button')].find((b) => b.textContent?.includes('All entries'))!;
        const count = () => document.querySelectorAll('[aria-label="Windows through the year"] svg[role=img]').length;
        performance.clearResourceTimings();
        chip.click();
        while (count() < 250) await new Promise((done) => requestAnimationFrame(done));
        await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
        const painted = performance.now();
        const data = performance
          .getEntriesByType('resource')
          .filter((e) => e.name.includes('/api/year'))
          .at(-1) as PerformanceResourceTiming;
        return painted - data.responseEnd;
      });
      times.push(took);
      rows = Number(await page.locator('[aria-label="Windows through the year"] .head b').innerText());
    }
    times.sort((a, b) => a - b);
    console.log(
      `year chart of ${rows} entries: median ${times[6]!.toFixed(0)} ms from data to paint, greatest ${times.at(-1)!.toFixed(0)} ms`,
    );
  });
}
