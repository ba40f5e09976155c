import { expect, test } from '@playwright/test';
import { come } from './bench';
import { ShopServer } from './server';

const server = new ShopServer();

test.beforeEach(() => server.start({ clock: '2026-05-06T09:00:00Z', empty: true }));
test.afterEach(() => server.dispose());

interface Days {
  plan: { blocks: { mend: number; inWarm: boolean }[]; taken: { thing: string; mend: number }[] };
}

const days = async () => (await (await fetch(`${server.url}/api/days`)).json()) as Days;

test('a shop with one place in the warm plans for it, stands an item there, and everything goes by that', async ({ page }) => {
  test.setTimeout(90_000);
  await page.goto(`${server.url}/shop`);
  await page.getByRole('button', { name: 'Another pair of hands' }).click();
  await page.getByRole('textbox', { name: /In the warm at once/ }).fill('1');
  await expect(page.getByRole('textbox', { name: /How warm that is/ })).toHaveValue('35');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('New mends start from these settings.')).toBeVisible();

  for (let i = 0; i < 2; i++) await fetch(`${server.url}/api/gallery/ski-tip-parted`, { method: 'POST' });
  await page.goto(`${server.url}/days`);
  const warmed = (await days()).plan.blocks.filter((block) => block.inWarm);
  expect(warmed.length).toBeGreaterThan(0);
  await expect(page.getByText('Warm 1', { exact: true })).toBeVisible();
  await expect(page.getByText(/Into the warm\. /).first()).toBeVisible();

  const id = await come(server.url, 'ski-tip-parted', 'glue');
  await page.goto(`${server.url}/mends/${String(id)}/mend`);
  await page.getByRole('button', { name: /^Done/ }).click();
  const warmth = page.getByRole('region', { name: 'Warmth' });
  const over = /There it is over (\d\d:\d\d)\./.exec((await warmth.getByText(/There it is over/).innerText()) ?? '')![1]!;
  await expect(warmth.getByText(/Up to 40 °C: Upper laminate softens from 55 °C/)).toBeVisible();
  await page.keyboard.press('h');
  await expect(warmth.getByText(/In the warm at 35 °C, since/)).toBeVisible();
  await expect(page.getByText(`From ${over}`, { exact: false })).toBeVisible();
  await expect(page.getByText(/at the bench it would have opened/)).toBeVisible();
  expect((await days()).plan.taken.filter((each) => each.thing === 'warm').map((each) => each.mend)).toContain(id);
  await page.goto(server.url);
  await expect(page.getByText('Setting, in the warm')).toBeVisible();
  // Another is told that the one place is taken, and by what.
  const { tag } = (await (await fetch(`${server.url}/api/mends/${String(id)}`)).json()) as { tag: string };
  const other = await come(server.url, 'ski-tip-parted', 'glue');
  await page.goto(`${server.url}/mends/${String(other)}/mend`);
  await page.getByRole('button', { name: /^Done/ }).click();
  await expect(warmth.getByText(`The warm is full: ${tag}.`)).toBeVisible();
  await page.goto(`${server.url}/mends/${String(id)}/mend`);
  await page.getByRole('button', { name: /Taken out of the warm/ }).click();
  await expect(page.getByRole('button', { name: /Into the warm, 35 °C/ })).toBeVisible();
  await page.goto(`${server.url}/mends/${String(id)}/prove`);
  await page.getByText(/What happened, \d+ entries/).click();
  await expect(page.getByText(/into the warm 35 °C/)).toBeVisible();
  await expect(page.getByText(/out of the warm/)).toBeVisible();
});

test('fresh resin over foam is not offered the warm, and says why', async ({ page }) => {
  const shop = (await (await fetch(`${server.url}/api/shop`)).json()) as { version: number; settings: { floor: object | null } };
  const floor = { people: [{ name: 'One' }], warmPlaces: 2 };
  const put = await fetch(`${server.url}/api/shop`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', 'If-Match': String(shop.version) },
    body: JSON.stringify({ ...shop.settings, floor }),
  });
  expect(put.ok, await put.clone().text()).toBe(true);
  const id = await come(server.url, 'eps-rail-crushed', 'glass');
  await page.goto(`${server.url}/mends/${String(id)}/mend`);
  await page.getByRole('button', { name: /^Done/ }).click();
  await expect(page.getByRole('region', { name: 'Warmth' })).toHaveText(/the air in the foam under it swells/);
  await expect(page.getByRole('button', { name: /Into the warm/ })).toHaveCount(0);
});
