import { expect, test, type Page, type Route } from '@playwright/test';
import { askedWhose, kept, openMend, setNumber } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

interface Kept {
  version: number;
  status: string;
  case: { damages: { seen: { depthMm: number; wet: boolean } }[]; bench: { temperatureC: number } };
}

const mendOf = async (id: number) => (await (await fetch(`${server.url}/api/mends/${id}`)).json()) as Kept;

/** Somebody else's change, made behind the back of every page. */
async function elsewhere(id: number, change: (repairCase: Kept['case']) => void) {
  const mend = await mendOf(id);
  change(mend.case);
  const answer = await fetch(`${server.url}/api/mends/${id}/case`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': `${mend.version}` },
    body: JSON.stringify(mend.case),
  });
  expect(answer.ok).toBe(true);
}

const refocus = (page: Page) => page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));

test('changes of two people that do not touch are both kept, and nobody is asked', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  await elsewhere(id, (repairCase) => (repairCase.bench.temperatureC = 16));
  await setNumber(page, /How deep/, '7');
  await kept(page);
  await expect.poll(async () => (await mendOf(id)).case.damages[0]!.seen.depthMm).toBe(7);
  expect((await mendOf(id)).case.bench.temperatureC).toBe(16);
  await expect(askedWhose(page)).toBeHidden();
});

test('what this page saved itself is nobody else’s change: neither while it was answered, nor where the answer was never heard', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const depth = async () => (await mendOf(id)).case.damages[0]!.seen.depthMm;
  let letGo: () => void = () => undefined;
  const gate = new Promise<void>((go) => (letGo = go));
  // The first save is kept, and before the page hears of it more is written here, and something else elsewhere.
  let saves = 0;
  await page.route(`**/api/mends/${id}/case`, async (route) => {
    saves++;
    if (saves > 1) return route.continue();
    const answer = await route.fetch();
    await gate;
    await elsewhere(id, (repairCase) => (repairCase.bench.temperatureC = 16));
    return route.fulfill({ response: answer });
  });
  await setNumber(page, /How deep/, '7');
  await expect.poll(depth).toBe(7);
  await setNumber(page, /How deep/, '8');
  letGo();
  await expect.poll(depth).toBe(8);
  expect((await mendOf(id)).case.bench.temperatureC).toBe(16);
  await kept(page);

  // The server has it, and the page never hears so.
  await page.unroute(`**/api/mends/${id}/case`);
  let cut = true;
  await page.route(`**/api/mends/${id}/case`, async (route) => {
    if (!cut) return route.continue();
    await route.fetch();
    return route.abort();
  });
  await setNumber(page, /How deep/, '9');
  await expect.poll(depth).toBe(9);
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  await page.route('**/api/plans', (route) => route.abort());
  await setNumber(page, /How deep/, '10');
  await page.unroute('**/api/plans');
  cut = false;
  await expect.poll(depth, { timeout: 20_000 }).toBe(10);
  await kept(page);
  await expect(askedWhose(page)).toBeHidden();
});

test('what was sent and never heard of is known for one’s own where somebody changed something else since, and outlives the page', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const depth = async () => (await mendOf(id)).case.damages[0]!.seen.depthMm;
  await page.route(`**/api/mends/${id}/case`, async (route) => {
    await route.fetch();
    return route.abort();
  });
  await setNumber(page, /How deep/, '9');
  await expect.poll(depth).toBe(9);
  await expect(page.getByText('kept on this device; waiting for the server')).toBeVisible();
  await elsewhere(id, (repairCase) => (repairCase.bench.temperatureC = 17));

  let refused = 0;
  await page.unroute(`**/api/mends/${id}/case`);
  await page.route(`**/api/mends/${id}`, (route) => route.abort());
  page.on('response', (answer) => (refused += Number(answer.status() === 409)));
  await setNumber(page, /How deep/, '10');
  await expect.poll(() => refused).toBe(1);
  page.on('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await page.unroute(`**/api/mends/${id}`);
  await expect.poll(depth, { timeout: 20_000 }).toBe(10);
  expect((await mendOf(id)).case.bench.temperatureC).toBe(17);
  await kept(page);
  await expect(askedWhose(page)).toBeHidden();
});

test('a mend that is left before its change was saved stands as it was left, and does not take itself for somebody else', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const depth = page.getByRole('textbox', { name: /How deep/ });
  const slowly = (ms: number) => async (route: Route) => {
    await new Promise((wake) => setTimeout(wake, ms));
    await route.continue();
  };
  await page.route('**/api/plans', slowly(700));
  await page.route(`**/api/mends/${id}/case`, slowly(700));
  // Left while it is planned, while it waits to be saved, and while it is saved.
  for (const [i, stays] of [0, 900, 1600].entries()) {
    await setNumber(page, /How deep/, String(4 + i / 10));
    await page.waitForTimeout(stays);
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'The bench' })).toBeAttached();
    await page.goBack();
    await expect(depth).toHaveValue(String(4 + i / 10));
    await setNumber(page, /How deep/, String(5 + i / 10));
    await expect.poll(async () => (await mendOf(id)).case.damages[0]!.seen.depthMm, { timeout: 20_000 }).toBe(5 + i / 10);
    await kept(page);
    await expect(askedWhose(page)).toBeHidden();
  }
  await page.unrouteAll({ behavior: 'ignoreErrors' });
});

test('a change that met another after its desk was left and come back to is not held once more by the desk that was left', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const depth = page.getByRole('textbox', { name: /How deep/ });
  const saved = async () => (await mendOf(id)).case;
  let letGo: () => void = () => undefined;
  const gate = new Promise<void>((go) => (letGo = go));
  let saves = 0;
  await page.route(`**/api/mends/${id}/case`, async (route) => {
    if (++saves === 1) await gate;
    await route.continue();
  });
  const asked = page.waitForRequest(`**/api/mends/${id}/case`);
  await setNumber(page, /How deep/, '4');
  await asked;
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await elsewhere(id, (repairCase) => (repairCase.bench.temperatureC = 17));
  await page.goBack();
  await expect(depth).toHaveValue('4');
  await setNumber(page, /How deep/, '4.5');
  letGo();
  await expect.poll(async () => (await saved()).damages[0]!.seen.depthMm, { timeout: 20_000 }).toBe(4.5);
  await kept(page);
  const held = () =>
    page.evaluate(
      () =>
        new Promise<number>((found) => {
          const opened = indexedDB.open('able-mend-drafts');
          opened.onsuccess = () => {
            const asked = opened.result.transaction('drafts').objectStore('drafts').count();
            asked.onsuccess = () => {
              opened.result.close();
              found(asked.result);
            };
          };
        }),
    );
  await expect.poll(held).toBe(0);
  // Longer than a page waits before it looks for what another has left.
  await page.waitForTimeout(6000);
  await expect(askedWhose(page)).toBeHidden();
  const { damages, bench } = await saved();
  expect([damages[0]!.seen.depthMm, bench.temperatureC]).toEqual([4.5, 17]);
});

test('what waited in turn behind a save that met another’s change does not go out under the version of that', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const was = await mendOf(id);
  let letGo: () => void = () => undefined;
  const gate = new Promise<void>((go) => (letGo = go));
  const sent: { version: number; temperatureC: number }[] = [];
  await page.route(`**/api/mends/${id}/case`, async (route) => {
    const request = route.request();
    sent.push({ version: Number(request.headers()['if-match']), temperatureC: (request.postDataJSON() as Kept['case']).bench.temperatureC });
    if (sent.length === 1) await gate;
    await route.continue();
  });
  await setNumber(page, /How deep/, '4');
  await expect.poll(() => sent.length).toBe(1);
  await setNumber(page, /How deep/, '4.5');
  // Longer than it takes to plan it, and until it would be saved.
  await page.waitForTimeout(3000);
  await elsewhere(id, (repairCase) => (repairCase.bench.temperatureC = 16));
  letGo();
  await expect.poll(async () => (await mendOf(id)).case.damages[0]!.seen.depthMm, { timeout: 20_000 }).toBe(4.5);
  await kept(page);
  await page.waitForTimeout(1500);
  const later = sent.filter((each) => each.version > was.version);
  expect(later.length).toBeGreaterThan(0);
  expect(later.filter((each) => each.temperatureC !== 16)).toEqual([]);
  expect((await mendOf(id)).case.bench.temperatureC).toBe(16);
});

test('a tab that comes back to the front does not send its old draft under the new version', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  let asked = 0;
  let letGo: () => void = () => undefined;
  const gate = new Promise<void>((go) => (letGo = go));
  await page.route('**/api/plans', async (route) => {
    asked++;
    await gate;
    await route.continue();
  });
  await setNumber(page, /How deep/, '7');
  await expect.poll(() => asked).toBeGreaterThan(0);
  await elsewhere(id, (repairCase) => (repairCase.damages[0]!.seen.depthMm = 5));
  await refocus(page);
  await page.waitForTimeout(500);
  letGo();
  await expect(askedWhose(page)).toContainText('Somebody else changed this mend first');
  expect((await mendOf(id)).case.damages[0]!.seen.depthMm).toBe(5);
});

test('what is on the page is what is started, or nothing', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  await setNumber(page, /How deep/, '6');
  await kept(page);
  await elsewhere(id, (repairCase) => (repairCase.damages[0]!.seen.depthMm = 5));
  await setNumber(page, /How deep/, '7');
  await expect(askedWhose(page)).toContainText('Somebody else changed this mend first');
  await page.getByRole('link', { name: 'Plan', exact: false }).first().click();
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await expect(page.getByText('Your last change is not saved yet.')).toBeVisible();
  expect((await mendOf(id)).status).toBe('draft');
  await page.getByRole('button', { name: 'Keep mine instead' }).click();
  await expect.poll(async () => (await mendOf(id)).case.damages[0]!.seen.depthMm).toBe(7);
});

test('two on the settings page: what does not touch is merged, what collides is asked', async ({ page }) => {
  const put = async (change: (settings: { name: string; bench: { temperatureC: number; relativeHumidityPercent: number } }) => void) => {
    const shop = (await (await fetch(`${server.url}/api/shop`)).json()) as { version: number; settings: Parameters<typeof change>[0] };
    change(shop.settings);
    expect(
      (
        await fetch(`${server.url}/api/shop`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json', 'If-Match': `${shop.version}` },
          body: JSON.stringify(shop.settings),
        })
      ).ok,
    ).toBe(true);
  };
  const name = page.getByRole('textbox', { name: /name/i }).first();
  await page.goto(`${server.url}/shop`);
  await name.fill('Quay One');
  await put((settings) => (settings.bench.relativeHumidityPercent = 61));
  await refocus(page);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('New mends start from these settings.')).toBeVisible();
  const now = async () =>
    ((await (await fetch(`${server.url}/api/shop`)).json()) as { settings: { name: string; bench: { relativeHumidityPercent: number } } }).settings;
  expect(await now()).toMatchObject({ name: 'Quay One', bench: { relativeHumidityPercent: 61 } });

  await name.fill('Quay Two');
  await put((settings) => (settings.name = 'Quay Three'));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(askedWhose(page)).toContainText('Somebody else changed the same settings first');
  expect((await now()).name).toBe('Quay Three');
  await page.getByRole('button', { name: 'Keep mine instead' }).click();
  await expect.poll(async () => (await now()).name).toBe('Quay Two');
});

for (const [what, path] of [
  ['planned', '**/api/plans'],
  ['saved', '**/api/mends/*/case'],
] as const)
  test(`a change that is still being ${what} is started with`, async ({ page }) => {
    const id = await openMend(page, server.url, 'BRD-02');
    await kept(page);
    await page.getByRole('link', { name: 'Plan', exact: false }).first().click();
    await expect(page.getByRole('button', { name: 'Start the mend' })).toBeEnabled();
    await page.goBack();
    let letGo: () => void = () => undefined;
    const gate = new Promise<void>((go) => (letGo = go));
    await page.route(path, async (route) => {
      await gate;
      await route.continue();
    });
    await setNumber(page, /How deep/, '6.5');
    await page.getByRole('link', { name: 'Plan', exact: false }).first().click();
    await page.getByRole('button', { name: 'Start the mend' }).click();
    await expect(page.getByText('Starting …')).toBeVisible();
    expect((await mendOf(id)).status).toBe('draft');
    letGo();
    await expect(page.getByText(/^Step 1 of/)).toBeVisible();
    expect((await mendOf(id)).case.damages[0]!.seen.depthMm).toBe(6.5);
  });
