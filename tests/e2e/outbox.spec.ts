import { expect, test } from '@playwright/test';
import { come } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const clock = '2026-05-06T09:00:00Z';

test.beforeAll(() => server.start({ clock }));
test.afterAll(() => server.dispose());

interface Kept {
  number: number;
  at: string;
  keptAt: string;
  kind: string;
  text: string | null;
}

test('what is tapped while the network is away is there once, in order and with its own time, and the page goes on by itself', async ({ page, context }) => {
  await page.goto(`${server.url}/mends/6/mend`);
  // What the shop learns from a tap is told beside it, and nobody tapped it.
  const eventsOf = async () => ((await (await fetch(`${server.url}/api/mends/6`)).json()) as { events: Kept[] }).events.filter((each) => each.kind !== 'pace');
  const before = (await eventsOf()).length;
  await page.getByRole('textbox', { name: 'Note' }).waitFor();

  await context.setOffline(true);
  const step = page.getByRole('region', { name: 'Now' }).getByRole('heading').first();
  const was = await step.textContent();
  await page
    .getByRole('button', { name: /^(Done|Ready|Mix it now|Mixed)/ })
    .first()
    .click();
  await expect(page.getByText('Kept on this device.')).toBeVisible();
  await expect(step).not.toHaveText(was!);
  await page.getByRole('textbox', { name: 'Note' }).fill('the resin came late');
  await page.getByRole('button', { name: 'Save note' }).click();
  await expect(page.getByRole('status').filter({ hasText: '2 waiting to be sent' })).toBeVisible();
  expect((await eventsOf()).length).toBe(before);
  await page.waitForTimeout(3000);

  await context.setOffline(false);
  await expect.poll(async () => (await eventsOf()).length, { timeout: 8000 }).toBe(before + 2);
  await expect(page.getByText('Kept on this device.')).toBeHidden();
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  const [tap, note] = (await eventsOf()).slice(-2);
  expect(note!.text).toBe('the resin came late');
  expect(Date.parse(tap!.at)).toBeLessThan(Date.parse(note!.at));
  // Both were kept later than they happened, by as long as the network was away.
  for (const each of [tap!, note!]) expect(Date.parse(each.keptAt) - Date.parse(each.at)).toBeGreaterThan(2500);
});

test('an answer that was on its way when something was tapped does not take it back', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass');
  await page.goto(`${server.url}/mends/${id}/mend`);
  const step = page.getByRole('region', { name: 'Now' }).getByRole('heading').first();
  const was = await step.innerText();
  let [comes, asked]: (() => void)[] = [];
  const [held, isAsked] = [new Promise<void>((come) => (comes = come)), new Promise<void>((ask) => (asked = ask))];
  await page.route(
    `**/api/mends/${id}`,
    async (route) => {
      const before = await route.fetch();
      asked!();
      await held;
      await route.fulfill({ response: before }).catch(() => undefined);
    },
    { times: 1 },
  );
  await isAsked;
  await page
    .getByRole('button', { name: /^(Done|Ready)/ })
    .first()
    .click();
  await expect(step).not.toHaveText(was);
  const is = await step.innerText();
  comes!();
  // Longer than that answer takes to come, and less than the page takes to ask again.
  await page.waitForTimeout(1500);
  expect(await step.innerText()).toBe(is);
});

test('what is said of the network moves nothing that a hand is on its way to', async ({ page, context }) => {
  // Tall enough that nothing is scrolled: a browser that has scrolled makes up for what comes above.
  await page.setViewportSize({ width: 1280, height: 1600 });
  await page.goto(`${server.url}/mends/6/mend`);
  const save = page.getByRole('button', { name: 'Save note' });
  await save.waitFor();
  await page.waitForTimeout(1000);
  const stands = async () => (await save.boundingBox())!.y;
  const before = await stands();
  await context.setOffline(true);
  await page.getByRole('textbox', { name: 'Note' }).fill('while it was away');
  await save.click();
  await expect(page.getByText('Kept on this device.')).toBeVisible();
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  expect(await stands()).toBe(before);
  await context.setOffline(false);
  await expect(page.getByText('The server does not answer.')).toBeHidden();
  await expect(page.getByText('Kept on this device.')).toBeHidden();
  expect(await stands()).toBe(before);
});

test('what waits outlives the page and the server, and an answer that is lost makes nothing twice', async ({ page }) => {
  await page.goto(`${server.url}/mends/6/mend`);
  await page.getByRole('textbox', { name: 'Note' }).waitFor();
  let lost = 0;
  // The server keeps it, and the answer never arrives.
  await page.route('**/api/mends/6/events', async (route) => {
    if (lost++ === 0) {
      await route.fetch();
      await route.abort();
    } else {
      await route.continue();
    }
  });
  await page.getByRole('textbox', { name: 'Note' }).fill('answered into the void');
  await page.getByRole('button', { name: 'Save note' }).click();
  await expect.poll(() => lost).toBeGreaterThan(1);
  const notes = async () =>
    ((await (await fetch(`${server.url}/api/mends/6`)).json()) as { events: Kept[] }).events.filter((each) => each.text === 'answered into the void');
  await expect.poll(async () => (await notes()).length).toBe(1);
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await page.unroute('**/api/mends/6/events');

  await server.kill();
  await page.getByRole('textbox', { name: 'Note' }).fill('written while it was down');
  await page.getByRole('button', { name: 'Save note' }).click();
  await expect(page.getByRole('status').filter({ hasText: '1 waiting to be sent' })).toBeVisible();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.close({ runBeforeUnload: true });
  await server.start({ clock: '2026-05-06T09:20:00Z' });
  const again = await page.context().newPage();
  await again.goto(`${server.url}/mends/6/mend`);
  await expect
    .poll(
      async () =>
        ((await (await fetch(`${server.url}/api/mends/6`)).json()) as { events: Kept[] }).events.filter((each) => each.text === 'written while it was down')
          .length,
    )
    .toBe(1);
});

test('what the server refuses is said with its reason and stays until it was seen', async ({ page }) => {
  await page.goto(`${server.url}/mends/6/mend`);
  await page.getByRole('textbox', { name: 'Note' }).fill('a\u202Eb');
  await page.getByRole('button', { name: 'Save note' }).click();
  const refused = page.getByRole('button', { name: 'Seen; throw it away' });
  await expect(refused).toBeVisible();
  await expect(page.getByText('cannot be seen')).toBeVisible();
  await page.reload();
  await expect(refused).toBeVisible();
  await refused.click();
  await expect(refused).toBeHidden();
});

test('a bench that went stale says how old it is, and comes back by itself', async ({ page, context }) => {
  await page.goto(server.url);
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await context.setOffline(true);
  await expect(page.getByText(/What you see is from/)).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/What you see is from/)).toBeHidden({ timeout: 6000 });
});

test('a page that the server no longer has is said to be gone, and the others are still there', async ({ page }) => {
  await page.goto(server.url);
  await page.route(/\/assets\/ShelfPage-.*\.js/, (route) => route.fulfill({ status: 404, body: '' }));
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByText('This page cannot be shown.')).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeAttached();
  await page.unroute(/\/assets\/ShelfPage-.*\.js/);
  await page.goto(`${server.url}/shelf`);
  await expect(page.getByRole('heading', { name: 'Shelf' }).first()).toBeAttached();
});

test('a page that nobody has been to comes by itself when the server is back, and takes nothing with it while it is away', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('heading', { name: 'The bench' }).waitFor({ state: 'attached' });
  await server.kill();
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByText('The page is on its way.')).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeAttached();
  await page.getByRole('link', { name: 'Days', exact: true }).click();
  await expect(page.getByText('The page is on its way.')).toBeVisible();
  await server.start({ clock: '2026-05-06T09:20:00Z' });
  await expect(page.getByRole('heading', { name: 'The days' })).toBeAttached();
});
