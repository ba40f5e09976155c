import { expect, test, type Page } from '@playwright/test';
import { come } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

interface Told {
  itemName: string;
  events: { kind: string; stepId: string | null; cup: { own: number; total: number } | null }[];
  run: { currentStepId: string; useBy: string | null };
}

const mendOf = async (id: number) => (await (await fetch(`${server.url}/api/mends/${id}`)).json()) as Told;
const open = (page: Page, id: number, stage = 'mend') => page.goto(`${server.url}/mends/${id}/${stage}`);
const offer = (page: Page) => page.getByRole('region', { name: 'One cup for several' });

test('two items that need the same mix get one cup, and their records tell whose is what', async ({ page }) => {
  const [one, two] = [await come(server.url, 'eps-rail-hole', 'fill-mix'), await come(server.url, 'eps-rail-hole', 'fill-mix')];
  const name = (await mendOf(two)).itemName;
  await open(page, one);
  await expect(offer(page)).toContainText(`One cup would do for this and ${name}`);
  await page.keyboard.press('o');
  const shared = page.getByRole('region', { name: 'Shared cup' });
  await expect(shared).toContainText('One cup for 2 mends');

  // The other one waits for it, and says where.
  await shared.getByRole('link', { name: new RegExp(name) }).click();
  await expect(page.getByText('It goes on here when that cup is stirred.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Mix it now/ })).toBeHidden();
  await page.goto(server.url);
  await expect(page.getByText(/Its cup is mixed with/)).toBeVisible();

  // The label of the cup names both.
  await open(page, one, 'labels');
  const { own, total } = (await mendOf(one)).events.find((event) => event.kind === 'cup-together')!.cup!;
  expect(total).toBeGreaterThan(own);
  await expect(page.getByText(`${own.toFixed(1)} g for this one`)).toBeVisible();
  await expect(page.getByText(new RegExp(`^[\\d.]+ g for ${name}`))).toBeVisible();

  await open(page, one);
  await page.getByRole('button', { name: /^Mix it now/ }).click();
  await page.getByRole('button', { name: /^Mixed/ }).click();
  await expect.poll(async () => (await mendOf(two)).run.currentStepId).not.toBe('fill-mix');
  expect((await mendOf(two)).run.currentStepId).toBe((await mendOf(one)).run.currentStepId);
  expect((await mendOf(two)).run.useBy).toBe((await mendOf(one)).run.useBy);
  await open(page, two);
  await expect(page.getByText('of the shared cup are for this one')).toBeVisible();
  await expect(page.getByText('In the cup: use within')).toBeVisible();
  await open(page, two, 'prove');
  await page.getByText(/^What happened/).click();
  await expect(page.getByText('mixed with')).toBeVisible();
});

test('a cup that is taken apart is mixed by each again', async ({ page }) => {
  const [one, two] = [await come(server.url, 'inflatable-board-puncture', 'mix'), await come(server.url, 'inflatable-board-puncture', 'mix')];
  await open(page, one);
  await offer(page)
    .getByRole('button', { name: /Mix one cup/ })
    .click();
  await expect(page.getByRole('region', { name: 'Shared cup' })).toBeVisible();
  await open(page, two);
  await page.getByRole('button', { name: 'Mix them apart after all' }).click();
  await expect(page.getByRole('button', { name: /^Mix it now/ })).toBeVisible();
  await open(page, one);
  await expect(offer(page)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Shared cup' })).toBeHidden();
});
