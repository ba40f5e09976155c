import { expect, test } from '@playwright/test';
import { goOnTo, kept, openMend, setNumber } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

test('a fin box, from first look to the log, through a crash in the middle', async ({ page }) => {
  test.setTimeout(180_000);
  const faults: string[] = [];
  page.on('pageerror', (fault) => faults.push(fault.message));
  page.on('console', (line) => line.type() === 'error' && !/422|net::ERR_/.test(line.text()) && faults.push(line.text()));

  // The bench leads with what is about to be lost, in the shop's zone (an hour ahead of UTC in May), not the browser's.
  await page.goto(server.url);
  await expect(page.locator('header time')).toHaveText('10:00');
  await expect(page.getByRole('listitem').first()).toContainText(/BRD-(09|12)/);

  // Look.
  await openMend(page, server.url, 'BRD-02');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Mend it');
  await page.getByRole('radio', { name: 'Fin box' }).click();
  await setNumber(page, /How deep/, '0.5');
  await setNumber(page, 'Length', '180');
  await setNumber(page, 'Width', '95');
  await setNumber(page, 'Cant of this fin', '7');
  await setNumber(page, 'Cant of its twin', '3');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Refer it');
  await setNumber(page, 'Cant of its twin', '7');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('the box stays');
  await kept(page);

  // Match.
  await page.getByRole('button', { name: 'Match it' }).click();
  await page.getByRole('button', { name: /Laminating epoxy, 2:1/ }).click();
  await expect(page.getByRole('button', { name: /Laminating epoxy, 2:1/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('radio', { name: '203 g' }).click();
  // Carbon cloth of 200 g/m² is another laminate: it is not offered beside glass by its weight alone.
  await expect(page.getByRole('radio', { name: /g\/m²/ })).toHaveText(['102 g/m²', '136 g/m²', '203 g/m²', '600 g/m²']);
  await kept(page);

  // Plan: 20 + 10, and 10 + 5; the grits; a figure opens to its reason.
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText('20 mL of resin and 10 mL of hardener')).toBeVisible();
  await expect(page.getByText('10 mL of resin and 5 mL of hardener')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Sand P150 → P220 → P320 → P400 wet' })).toBeVisible();
  await page.getByRole('button', { name: /^Batch 30 mL/ }).click();
  await expect(page.getByText('both parts on a line of the cup')).toBeVisible();
  await expect(page.getByText(/JCGM 100:2008/)).toBeVisible();

  // Setting it by hand asks for a reason and is kept.
  await page.getByLabel('By hand, mL').fill('45');
  await expect(page.getByRole('button', { name: 'Set it' })).toBeDisabled();
  await page.getByLabel('Reason').fill('two of us, the large cup');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('30 mL of resin and 15 mL of hardener')).toBeVisible();
  await page.keyboard.press('Escape');
  await kept(page);

  // A warmer bench moves the clock at once.
  const ready = page.getByText(/Ready for use/).locator('strong');
  const before = await ready.innerText();
  await page.getByRole('slider', { name: 'Bench temperature' }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await expect(page.locator('output')).toHaveText(/26/);
  await expect(ready).not.toHaveText(before);
  await kept(page);

  // Mend.
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await goOnTo(page, 'Mix the resin for the cloth');
  await page.getByRole('button', { name: /Mix it now/ }).click();
  await expect(page.getByText('In the cup: use within')).toBeVisible();
  await goOnTo(page, 'Until it can be sanded');
  await expect(page.getByText('Too early', { exact: true })).toBeVisible();
  const opens = await page.getByText(/^From \d/).innerText();
  const url = page.url();

  // kill -9, half the wait gone by, start again: nothing is lost and the clocks are right.
  await server.kill();
  await server.start({ clock: '2026-05-06T11:00:00Z' });
  await page.goto(url);
  await expect(page.getByText('Too early', { exact: true })).toBeVisible();
  expect(await page.getByText(/^From \d/).innerText()).toBe(opens);
  await server.kill();
  await server.start({ clock: '2026-05-06T19:00:00Z' });
  await page.goto(url);
  await expect(page.getByText('Good now', { exact: true })).toBeVisible();

  // A note, a reading, a slip taken back.
  await page.getByLabel('Note').fill('used the blue-handled brush');
  await page.getByRole('button', { name: 'Save note' }).click();
  await page.getByRole('button', { name: /^Ready/ }).click();
  await expect(page.getByRole('heading', { name: 'Tap round it with a coin' })).toBeVisible();
  await page.getByRole('button', { name: /Undo last/ }).click();
  await expect(page.getByRole('heading', { name: 'Until it can be sanded' })).toBeVisible();

  // Prove: a failed test goes back, a passed one goes on.
  await goOnTo(page, 'Set the fin and compare the cant');
  for (const [reading, degrees] of [
    [/^Cant of the twin/, '7'],
    [/^Cant of this fin/, '11'],
  ] as const) {
    await page.getByRole('textbox', { name: reading }).fill(degrees);
    await page.getByRole('button', { name: 'Save it' }).click();
  }
  await expect(page.getByText('Difference of cant: 4°; up to 1° passes.')).toBeVisible();
  await page.getByRole('button', { name: /^Save the result/ }).click();
  await expect(page.getByText('The test failed.')).toBeVisible();
  await page.getByLabel('Go back to').selectOption({ label: '15. Set the fin and compare the cant' });
  await page.getByRole('button', { name: 'Go back there' }).click();
  await goOnTo(page, null);
  await page.getByRole('button', { name: 'Hand it back' }).click();
  // What to watch is drafted from the plan, to be put in other words.
  await expect(page.getByLabel(/What to watch/)).toHaveValue(/Rock the fins[^]*Look again/);
  await page.getByLabel(/What to watch/).fill('Look at the box after ten sessions');
  await page.getByRole('button', { name: 'Hand it back' }).click();
  await expect(page.getByText(/^Handed back/)).toBeVisible();

  // The log finds it by a word of its notes, and the sheet is there to print.
  await page.goto(`${server.url}/log?q=blue-handled`);
  await expect(page.getByRole('listitem').filter({ hasText: 'BRD-02' })).toContainText('Look at the box after ten sessions');
  await page.goto(url.replace(/mend$/, 'sheet'));
  await expect(page.getByRole('heading', { level: 1 })).toContainText('BRD-02');
  await expect(
    page
      .getByText('two of us')
      .or(page.getByText('45*').or(page.getByText('45 mL*')))
      .first(),
  ).toBeVisible();
  await page.goto(url.replace(/mend$/, 'note'));
  await expect(page.getByText('Look at the box after ten sessions')).toBeVisible();
  await expect(page.getByText(/Set the fin and compare the cant: passed, 0/)).toBeVisible();
  await page.goto(url.replace(/mend$/, 'labels'));
  await expect(page.getByRole('listitem').first()).toContainText('Hardener (B)');
  expect(faults).toEqual([]);
});

test('the template is to scale on paper', async ({ request }) => {
  const bench = await (await request.get(`${server.url}/api/bench`)).json();
  const id = bench.entries.find((entry: { tag: string }) => entry.tag === 'BRD-07').id;
  const svg = await (await request.get(`${server.url}/api/mends/${id}/template.svg`)).text();
  expect(svg).toMatch(/width="[\d.]+mm"/);
  const pdf = await (await request.get(`${server.url}/api/mends/${id}/template.pdf`)).body();
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});
