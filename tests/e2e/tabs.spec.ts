import { expect, test } from '@playwright/test';
import { askedWhose, kept, openMend, setNumber } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

interface Kept {
  case: { damages: { seen: { depthMm: number } }[]; bench: { temperatureC: number } };
}

const caseOf = async (id: number) => ((await (await fetch(`${server.url}/api/mends/${id}`)).json()) as Kept).case;
const depthOf = async (id: number) => (await caseOf(id)).damages[0]!.seen.depthMm;

/** Longer than a page waits before it looks for what another has left. */
const lookedMs = 6000;

test('what one tab holds is its own while it is open, and goes on in the other once it is closed', async ({ page, context }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  await page.route(`**/api/mends/${id}/case`, (route) => route.abort());
  const was = await depthOf(id);
  await setNumber(page, /How deep/, String(was + 3));
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  const beside = await context.newPage();
  await beside.goto(page.url());
  const depth = beside.getByRole('textbox', { name: /How deep/ });
  await expect(depth).toHaveValue(String(was));
  await beside.waitForTimeout(lookedMs);
  await expect(depth).toHaveValue(String(was));
  expect(await depthOf(id)).toBe(was);
  await page.close();
  await expect(depth).toHaveValue(String(was + 3), { timeout: 15_000 });
  await kept(beside);
  expect(await depthOf(id)).toBe(was + 3);
  await expect(askedWhose(beside)).toBeHidden();
});

test('of two tabs that find what a third one left, one sends it', async ({ page, context }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  await page.route(`**/api/mends/${id}/case`, (route) => route.abort());
  const was = await depthOf(id);
  await setNumber(page, /How deep/, String(was + 3));
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  let saves = 0;
  const others = await Promise.all(['/look', ''].map(() => context.newPage()));
  for (const [i, other] of others.entries()) {
    await other.route(`**/api/mends/${id}/case`, (route) => {
      saves++;
      return route.continue();
    });
    await other.goto(i === 0 ? page.url() : server.url);
  }
  await expect(others[0]!.getByRole('textbox', { name: /How deep/ })).toHaveValue(String(was));
  await page.close();
  await expect.poll(() => depthOf(id), { timeout: 20_000 }).toBe(was + 3);
  await others[0]!.waitForTimeout(lookedMs);
  expect(saves).toBe(1);
  for (const other of others) await expect(other.getByText('A change waits on this device.')).toBeHidden();
  await expect(askedWhose(others[0]!)).toBeHidden();
});

for (const afterMs of [0, 100, 600])
  test(`a change of a draft is there after a reload ${afterMs} ms later`, async ({ page }) => {
    const id = await openMend(page, server.url, 'BRD-02');
    const was = await depthOf(id);
    page.on('dialog', (dialog) => void dialog.accept());
    await page.getByRole('textbox', { name: /How deep/ }).fill(String(was + 3));
    await page.waitForTimeout(afterMs);
    await page.reload();
    await expect(page.getByRole('textbox', { name: /How deep/ })).toHaveValue(String(was + 3), { timeout: 15_000 });
    await kept(page);
    expect(await depthOf(id)).toBe(was + 3);
  });

test('what was left while nobody answered, and turns out to be wrong, says so and leads there', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const was = await depthOf(id);
  for (const away of ['**/api/plans', `**/api/mends/${id}/case`]) await page.route(away, (route) => route.abort());
  await setNumber(page, /How deep/, '900');
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  const notice = page.getByRole('status').filter({ hasText: 'Something in it is wrong' });
  await notice.getByRole('link', { name: 'BRD-02' }).click({ timeout: 20_000 });
  await expect(page.getByRole('textbox', { name: /How deep/ })).toHaveValue('900');
  expect(await depthOf(id)).toBe(was);
  await setNumber(page, /How deep/, String(was + 1));
  await kept(page);
  await expect.poll(() => depthOf(id)).toBe(was + 1);
  await expect(notice).toBeHidden({ timeout: 15_000 });
});

test('what is wrong outlives the page, with all that was changed after it', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const was = await depthOf(id);
  await setNumber(page, /How deep/, '900');
  const refused = page.getByRole('alert').filter({ hasText: 'Not like this:' });
  await expect(refused).toContainText('Damage 1, How deep? 900 mm');
  const bench = page.getByRole('textbox', { name: 'Bench', exact: true });
  await bench.fill('17');
  await bench.press('Tab');
  await expect(page.getByText('not saved yet')).toBeVisible();
  await page.reload();
  await expect(refused).toContainText('Damage 1, How deep?');
  await expect(bench).toHaveValue('17');
  const depth = page.getByRole('textbox', { name: /How deep/ });
  await expect(depth).toHaveValue('900');
  // A field that is empty comes back empty.
  await setNumber(page, /How deep/, '');
  await expect(refused).toContainText('Damage 1, How deep?');
  await page.waitForTimeout(500);
  await page.reload();
  await expect(refused).toContainText('Damage 1, How deep?');
  await expect(depth).toHaveValue('');
  await setNumber(page, /How deep/, String(was + 4));
  await kept(page);
  await expect(refused).toBeHidden();
  await expect.poll(() => depthOf(id)).toBe(was + 4);
});

test('a server that is too busy to keep a change is asked again, and nothing is called wrong', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const was = await depthOf(id);
  let busy = 0;
  await page.route(`**/api/mends/${id}/case`, (route) => {
    busy++;
    return route.fulfill({ status: 429, contentType: 'application/problem+json', body: '{"title":"Too much at once."}' });
  });
  await setNumber(page, /How deep/, String(was + 2));
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  // The desk that was left asked once; what is sent in its place asks again.
  await expect.poll(() => busy, { timeout: 40_000 }).toBeGreaterThan(2);
  await expect(page.getByText('Something in it is wrong')).toBeHidden();
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await expect.poll(() => depthOf(id), { timeout: 30_000 }).toBe(was + 2);
});
