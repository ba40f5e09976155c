import { expect, test } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const many = 70;

const post = async (path: string, headers: Record<string, string>, body?: object) =>
  (
    await fetch(server.url + path, { method: 'POST', headers: { 'Content-Type': 'application/json', ...headers }, body: body && JSON.stringify(body) })
  ).json() as Promise<{
    id: number;
    version: number;
  }>;

test.beforeAll(async () => {
  await server.start({ clock: '2026-05-06T09:00:00Z' });
  const items = (await (await fetch(`${server.url}/api/items`)).json()) as { id: number; construction: string }[];
  const harness = items.find((each) => each.construction === 'climbing-harness')!.id;
  for (let i = 0; i < many; i++) {
    const mend = await post('/api/mends', {}, { itemId: harness });
    await post(`/api/mends/${mend.id}/send-on`, { 'If-Match': String(mend.version) });
  }
});
test.afterAll(() => server.dispose());

test('a long log is there to its end, though only what is in sight is drawn', async ({ page }) => {
  await page.goto(`${server.url}/log`);
  const lines = page.getByRole('main').getByRole('listitem');
  await expect(lines.first()).toBeVisible();
  expect(await lines.count()).toBeLessThan(40);
  // What was closed first is the last.
  const oldest = lines.filter({ hasText: 'BRD-06' });
  await expect
    .poll(async () => {
      await page.mouse.wheel(0, 2000);
      return oldest.count();
    })
    .toBe(1);
  await expect(oldest).toHaveAttribute('aria-posinset', String(many + 5));
  expect(await lines.count()).toBeLessThan(40);
});

test('typing looks once the hand rests, marks what was found, and going back goes back', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => request.url().includes('/api/log?q=') && asked.push(new URL(request.url()).searchParams.get('q')!));
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByRole('main').getByRole('listitem').first()).toBeVisible();
  const field = page.getByRole('searchbox');
  await field.pressSequentially('summer', { delay: 30 });
  const found = page.getByRole('main').getByRole('listitem');
  await expect(found).toHaveCount(1);
  await expect(found.locator('mark')).toHaveText('summer');
  expect(asked).toEqual(['', 'summer']);
  await expect(page.getByRole('link', { name: 'Log' })).toHaveAttribute('aria-current', 'page');
  await found.getByRole('link').click();
  await expect(page).toHaveURL(/prove$/);
  await page.goBack();
  await expect(field).toHaveValue('summer');
  await expect(found).toHaveCount(1);
  await field.fill('nobody wrote this');
  await expect(page.getByText('Nothing in the log has “nobody wrote this” in it.')).toBeVisible();
});
