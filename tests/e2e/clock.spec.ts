import { expect, test, type Page } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const hour = 3_600_000;

test.afterEach(() => server.kill());
test.afterAll(() => server.dispose());

const serverNow = async () => Date.parse(((await (await fetch(`${server.url}/api/shop`)).json()) as { now: string }).now);

async function saveNote(page: Page, text: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Note' }).fill(text);
  await page.getByRole('button', { name: 'Save note' }).click();
}

/** How far from the server's present a note was stamped by the device, in milliseconds. */
async function stampedAt(text: string): Promise<number> {
  const { events } = (await (await fetch(`${server.url}/api/mends/6`)).json()) as { events: { text: string | null; at: string }[] };
  const note = events.find((each) => each.text === text);
  return note ? Date.parse(note.at) : Number.NaN;
}

test('a tablet whose clock is set back, or ahead, stamps what is tapped by the shop’s', async ({ page }) => {
  await server.start({ clock: '2026-05-06T09:00:00Z' });
  await page.addInitScript(() => {
    const real = Date.now.bind(Date);
    Date.now = () => real() + ((globalThis as { setBy?: number }).setBy ?? 0);
  });
  await page.goto(`${server.url}/mends/6/mend`);
  await expect(page.getByRole('textbox', { name: 'Note' })).toBeVisible();
  for (const setBy of [-hour, hour]) {
    await page.evaluate((by) => ((globalThis as { setBy?: number }).setBy = by), setBy);
    // Set ahead, it may have slept: the server is asked, which takes a moment.
    if (setBy > 0) await page.waitForTimeout(2500);
    const text = `after it was set by ${setBy}`;
    await saveNote(page, text);
    await expect.poll(async () => Math.abs((await stampedAt(text)) - (await serverNow())), { intervals: [200] }).toBeLessThan(3000);
    await expect(page.locator('header time')).toHaveText(/^10:0/);
  }
});

test('a server whose clock was set back while it was off goes on from what was written, says so, and takes what is tapped', async ({ page }) => {
  await server.start({ clock: new Date(Date.now() + hour).toISOString() });
  await page.goto(`${server.url}/mends/6/mend`);
  await saveNote(page, 'before');
  await expect.poll(() => stampedAt('before')).toBeGreaterThan(0);
  const before = await serverNow();
  await server.kill();

  await server.start({ clock: '' });
  expect(await serverNow()).toBeGreaterThanOrEqual(before - 5000);
  await page.goto(`${server.url}/mends/6/mend`);
  await expect(page.getByRole('status').filter({ hasText: 'The server’s clock was set back by 60 min.' })).toBeVisible();
  await saveNote(page, 'after');
  await expect.poll(() => stampedAt('after')).toBeGreaterThanOrEqual(await stampedAt('before'));
});
