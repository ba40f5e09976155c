import { expect, test, type Page } from '@playwright/test';
import { come } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const clock = '2026-05-06T09:00:00Z';
test.beforeAll(() => server.start({ clock }));
test.afterAll(() => server.dispose());

/** Types a reading and keeps it. */
async function read(page: Page, name: RegExp, value: string): Promise<void> {
  await page.getByRole('textbox', { name }).fill(value);
  await page.getByRole('button', { name: 'Save it' }).click();
}

test('what a board gained under water is worked out from two weights, and not before its ten minutes are over', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'prove-float');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect(page.getByText('A scale that reads to a gram or two, and a tub')).toBeVisible();
  await read(page, /^Weight before/, '3212');
  await expect(page.getByRole('button', { name: /^It is under water: count 10 minutes/ })).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByText(/^Leave it until \d\d:\d\d:/)).toBeVisible();
  await read(page, /^Weight after, wiped dry/, '3214.5');
  await expect(page.getByText(/^Read it again from \d\d:\d\d on\.$/)).toBeVisible();

  // The bench lets it lie, says when its time is over, and has forgotten nothing though it was killed meanwhile.
  await page.goto(server.url);
  await expect(page.getByText('The test lasts for')).toBeVisible();
  await server.kill();
  await server.start({ clock: '2026-05-06T09:12:00Z' });
  await page.goto(server.url);
  await expect(page.getByText('The test has lasted')).toBeVisible();
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect(page.getByText('Its 10 minutes are over. Take it out, wipe it dry, weigh it.')).toBeVisible();
  await read(page, /^Weight after, wiped dry/, '3214.5');
  await expect(page.getByText('Gain in weight: 2.5 g; up to 5 g passes.')).toBeVisible();
  await page.getByRole('button', { name: /^Save the result/ }).click();
  await expect(page.getByText('Every step is done.')).toBeVisible();
  await page.goto(`${server.url}/mends/${id}/prove`);
  await expect(page.getByText('2.5 g').first()).toBeVisible();
  await page.getByText(/^What happened, \d+ entries$/).click();
  await expect(page.getByText(/Weigh it, hold it under, weigh it\s+read\s+3212 g/)).toBeVisible();
});

test('a test that has to last is begun by a tap, may fail at any time and passes after it', async ({ page }) => {
  const id = await come(server.url, 'packraft-floor-tear', 'prove-inside-wet');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await page.getByRole('button', { name: /^The inside is wet: count 10 minutes/ }).click();
  await expect(page.getByRole('button', { name: /^Yes, it passes/ })).toBeDisabled();
  await page.getByRole('button', { name: /^No, it fails/ }).click();
  await expect(page.getByText('The test failed.')).toBeVisible();
});
