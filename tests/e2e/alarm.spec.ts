import { expect, test } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

test('an alarm is silenced or put off for one mend or for all, and stays so', async ({ page }) => {
  // The bench as it is, but for three windows: one about to close, one closed a moment ago, one that has just opened.
  const inSeconds = [60, -20, -5];
  await page.route('**/api/bench', async (route) => {
    const bench = await (await route.fetch()).json();
    const waiting = bench.entries.filter((each: { window: object | null; useBy: string | null }) => each.window && !each.useBy).slice(0, 3);
    const at = (i: number) => new Date(Math.floor(Date.parse('2026-05-06T09:00:00Z') / 1000) * 1000 + inSeconds[i]! * 1000).toISOString();
    waiting[0].window.closesAt = at(0);
    waiting[1].window.closesAt = at(1);
    waiting[2].window = { ...waiting[2].window, opensAt: at(2), closesAt: null };
    bench.entries = waiting;
    await route.fulfill({ json: bench });
  });
  await page.goto(server.url);
  const alarm = page.getByRole('alert');
  await expect(alarm).toContainText('About to be lost');
  await alarm.getByRole('button', { name: '2 more' }).click();
  const all = alarm.getByRole('list', { name: 'All that ring' }).getByRole('listitem');
  await expect(all).toHaveText([/About to be lost.*the window closes/, /Lost.*the window has closed/, /Open now.*the wait is over/]);

  await all.nth(0).getByRole('button', { name: 'Silence this one' }).click();
  await all.nth(0).getByRole('button', { name: 'In 5 min' }).click();
  await expect(alarm).toContainText('Open now');
  await page.reload();
  await expect(alarm).toContainText('Open now');
  await expect(alarm.getByRole('button', { name: /more$/ })).toHaveCount(0);
  // Over what is read from afar it stays what is touched first.
  await page.goto(`${server.url}/mends/7/mend`);
  await page.getByRole('button', { name: /^Read it from afar/ }).click();
  await expect(page.getByRole('button', { name: /^Close up/ })).toBeVisible();
  await alarm.getByRole('button', { name: /^In \d+ min/ }).click({ trial: true });
  await page.keyboard.press('m');
  await expect(alarm).toHaveCount(0);
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeAttached();
  await expect(alarm).toHaveCount(0);
});
