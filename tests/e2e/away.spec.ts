import { expect, test, type Page } from '@playwright/test';
import { turnTo } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const clock = '2026-05-06T09:00:00Z';

test.use({ serviceWorkers: 'allow' });
test.beforeEach(() => server.start({ clock }));
test.afterEach(() => server.kill());
test.afterAll(() => server.dispose());

interface Kept {
  at: string;
  keptAt: string;
  text: string | null;
}

const served = async (id: number) =>
  (await (await fetch(`${server.url}/api/mends/${id}`)).json()) as {
    events: Kept[];
    case: { damages: { seen: { depthMm: number } }[] };
  };

/** Until the page has put by what it needs to open without a server. */
async function readyToBeAway(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready);
  await knowsMends(page);
}

/** Until the page has put by every mend that is under way. */
async function knowsMends(page: Page): Promise<void> {
  const { entries } = (await (await fetch(`${server.url}/api/bench`)).json()) as { entries: unknown[] };
  await expect
    .poll(async () => (await keysOf(page, 'able-mend-last-known', 'answers')).filter((key) => key.includes('"mend"')).length, { timeout: 20_000 })
    .toBe(entries.length);
}

/** What the page has put by in the browser's own database. */
const keysOf = (page: Page, database: string, store: string): Promise<string[]> =>
  page.evaluate(
    ([name, within]) =>
      new Promise<string[]>((found) => {
        const opened = indexedDB.open(name!);
        opened.onsuccess = () => {
          const asked = opened.result.transaction(within!).objectStore(within!).getAllKeys();
          asked.onsuccess = () => {
            opened.result.close();
            found(asked.result.map(String));
          };
        };
      }),
    [database, store],
  );

test('the bench and a running mend that nobody had opened open without a server, and a tap there is not lost', async ({ page, context }) => {
  await page.goto(server.url);
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await readyToBeAway(page);
  await server.kill();

  const away = await context.newPage();
  await away.goto(`${server.url}/`);
  await expect(away.getByText(/What you see is from 10:00/)).toBeVisible();
  await expect(away.locator('header time')).toHaveText(/^10:0/);
  await expect(away.getByRole('listitem').filter({ hasText: 'BRD-' }).first()).toBeVisible();
  await away.goto(`${server.url}/mends/6/mend`);
  await expect(away.getByRole('region', { name: 'Now' })).toBeVisible();
  await away.getByRole('textbox', { name: 'Note' }).fill('written with no server');
  await away.getByRole('button', { name: 'Save note' }).click();
  await expect(away.getByRole('status').filter({ hasText: '1 waiting to be sent' })).toBeVisible();

  await server.start({ clock: '2026-05-06T09:05:00Z' });
  await expect.poll(async () => (await served(6)).events.filter((each) => each.text === 'written with no server').length, { timeout: 15_000 }).toBe(1);
  await expect(away.getByText(/What you see is from/)).toBeHidden({ timeout: 10_000 });
});

test.describe('where no worker is lent, as to a page that comes unencrypted', () => {
  test.use({ serviceWorkers: 'block' });

  test('a mend still opens from a bench that stood open when the server went away', async ({ page }) => {
    const fetchedAhead = page.waitForResponse(/MendPage/);
    await page.goto(server.url);
    await fetchedAhead;
    await knowsMends(page);
    await server.kill();
    await page.getByRole('listitem').filter({ hasText: 'SKI-' }).getByRole('link').first().click();
    await expect(page.getByRole('region', { name: 'Now' })).toBeVisible();
    await expect(page.getByText(/What you see is from 10:00/)).toBeVisible();
  });

  test('a mend that was just asked for ahead when the network went away opens from what was known of it', async ({ page, context }) => {
    await page.goto(`${server.url}/mends/6/mend`);
    await knowsMends(page);
    const { entries } = (await (await fetch(`${server.url}/api/bench`)).json()) as { entries: { id: number; tag: string }[] };
    const other = entries.find((each) => each.id !== 6)!;
    await page.reload();
    let fall: () => void = () => undefined;
    const held = new Promise<void>((fallen) => (fall = fallen));
    await page.route(`**/api/mends/${other.id}`, async (route) => {
      await held;
      await route.abort();
    });
    await page.waitForRequest(`**/api/mends/${other.id}`, { timeout: 20_000 });
    await turnTo(page, `${server.url}/mends/${other.id}/mend`);
    await expect(page.getByText('Loading …')).toBeVisible();
    await context.setOffline(true);
    fall();
    await expect(page.getByRole('heading', { level: 1, name: other.tag })).toBeVisible();
    await expect(page.getByText('Not like this:')).toBeHidden();
  });
});

test('what was tapped in the last moment of a page, before its database had it, is sent by the next one', async ({ page }) => {
  page.on('dialog', (dialog) => void dialog.accept());
  await page.goto(`${server.url}/mends/6/mend`);
  await page.getByRole('textbox', { name: 'Note' }).fill('in the last moment');
  await page.route('**/api/mends/6/events', (route) => route.abort());
  const gone = page.waitForEvent('framenavigated');
  await page.evaluate(() => {
    IDBDatabase.prototype.transaction = () => {
      throw new DOMException('closing', 'InvalidStateError');
    };
    [...document.querySelectorAll('button')].find((each) => each.innerText === 'Save note')!.click();
    setTimeout(() => location.reload());
  });
  await gone;
  await page.unroute('**/api/mends/6/events');
  const there = async () => (await served(6)).events.filter((each) => each.text === 'in the last moment').length;
  await expect.poll(there, { timeout: 15_000 }).toBe(1);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Note' })).toBeVisible();
  expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('able-mend-outbox')))).toEqual([]);
  expect(await there()).toBe(1);
});

test('a change of a draft that the server did not answer is sent by itself, and outlives the page', async ({ page, context }) => {
  test.setTimeout(150_000);
  await page.goto(`${server.url}/mends/13/look`);
  const depth = page.getByRole('textbox', { name: /How deep/ });
  await expect(depth).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready);
  const was = (await served(13)).case.damages[0]!.seen.depthMm;
  await server.kill();
  await depth.fill(String(was + 0.5));
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  await server.start({ clock });
  await expect.poll(async () => (await served(13)).case.damages[0]!.seen.depthMm, { timeout: 40_000 }).toBe(was + 0.5);
  await expect(page.getByText(/^saved /)).toBeVisible();

  await server.kill();
  await depth.fill(String(was + 1));
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.close({ runBeforeUnload: true });
  await server.start({ clock });
  const again = await context.newPage();
  await again.goto(`${server.url}/mends/13/look`);
  await expect.poll(async () => (await served(13)).case.damages[0]!.seen.depthMm, { timeout: 40_000 }).toBe(was + 1);
});

test('a change of a draft that was left while the server was away is sent from wherever the page is, and put together with another’s', async ({ page }) => {
  test.setTimeout(180_000);
  // The bench was seen once; the draft is opened by its address, and the server goes before the bench was asked for again.
  await page.goto(server.url);
  await expect(page.getByRole('heading', { name: 'The bench' })).toBeAttached();
  await page.route('**/api/bench', (route) => route.abort());
  await page.goto(`${server.url}/mends/13/look`);
  const depth = page.getByRole('textbox', { name: /How deep/ });
  await expect(depth).toBeVisible();
  const was = (await served(13)).case.damages[0]!.seen.depthMm;
  const leave = async (to: number) => {
    await server.kill();
    await depth.fill(String(to));
    await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'The bench' })).toBeAttached();
    await server.start({ clock });
  };
  await leave(was + 0.5);
  await page.unroute('**/api/bench');
  await expect.poll(async () => (await served(13)).case.damages[0]!.seen.depthMm, { timeout: 40_000 }).toBe(was + 0.5);
  // Left before it has heard that it was kept, the page would take it up again, and change on top of it.
  await expect.poll(() => keysOf(page, 'able-mend-drafts', 'drafts')).toEqual([]);

  // Somebody else was there meanwhile; what does not collide is put together.
  const leaveBehind = async (to: number, change: (theirs: Their) => void) => {
    await page.goto(`${server.url}/mends/13/look`);
    await expect(depth).toHaveValue(String((await served(13)).case.damages[0]!.seen.depthMm));
    await page.route('**/api/mends/13**', (route) => route.abort());
    await leave(to);
    const theirs = (await (await fetch(`${server.url}/api/mends/13`)).json()) as Their;
    change(theirs);
    const put = { method: 'PUT', headers: { 'Content-Type': 'application/json', 'If-Match': String(theirs.version) }, body: JSON.stringify(theirs.case) };
    expect((await fetch(`${server.url}/api/mends/13/case`, put)).ok).toBe(true);
    await page.unroute('**/api/mends/13**');
  };
  const waits = page.getByText('A change waits on this device.');
  await leaveBehind(was + 1, (theirs) => (theirs.case.bench.temperatureC = 23));
  await expect.poll(async () => (await served(13)).case.damages[0]!.seen.depthMm, { timeout: 40_000 }).toBe(was + 1);
  expect(((await served(13)) as unknown as Their).case.bench.temperatureC).toBe(23);
  await expect.poll(() => keysOf(page, 'able-mend-drafts', 'drafts')).toEqual([]);
  await expect(waits).toBeHidden();

  // What does collide is for a person to settle.
  await leaveBehind(was + 1.5, (theirs) => (theirs.case.damages[0]!.seen.depthMm = was + 2));
  await expect(waits).toBeVisible({ timeout: 15_000 });
  await page.getByRole('status').getByRole('link', { name: 'BRD-02' }).click();
  await page.getByRole('button', { name: 'Keep mine instead' }).click();
  await expect.poll(async () => (await served(13)).case.damages[0]!.seen.depthMm, { timeout: 40_000 }).toBe(was + 1.5);
  await expect(waits).toBeHidden({ timeout: 10_000 });

  // What somebody has begun meanwhile is changed by nobody, and that is said.
  await page.goto(`${server.url}/mends/13/look`);
  await expect(depth).toHaveValue(String(was + 1.5));
  await page.route('**/api/mends/13**', (route) => route.abort());
  await leave(was + 2.5);
  const { version } = (await served(13)) as unknown as Their;
  const begin = { method: 'POST', headers: { 'Content-Type': 'application/json', 'If-Match': String(version) } };
  expect((await fetch(`${server.url}/api/mends/13/start`, begin)).ok).toBe(true);
  await page.unroute('**/api/mends/13**');
  await expect(page.getByText('A change came too late.')).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: 'Seen; throw it away' }).click();
  await expect(page.getByText('A change came too late.')).toBeHidden();
  await expect.poll(() => keysOf(page, 'able-mend-drafts', 'drafts')).toEqual([]);
  expect((await served(13)).case.damages[0]!.seen.depthMm).toBe(was + 1.5);
});

interface Their {
  version: number;
  case: { bench: { temperatureC: number }; damages: { seen: { depthMm: number } }[] };
}
