import { expect, test } from '@playwright/test';
import { ShopServer } from './server';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:45:00Z' }));
test.afterAll(() => server.dispose());

test('an item is found by the beginning of any word, and its mend begins at the look', async ({ page }) => {
  await page.goto(`${server.url}/new`);
  const box = page.getByRole('searchbox', { name: /Find it/ });
  await box.fill('no such thing');
  await expect(page.getByText('Nothing here is called that.')).toBeVisible();
  await box.fill('ski 22r');
  const items = page.getByRole('listitem').getByRole('button');
  await expect(items).toHaveCount(1);
  await items.click();
  await expect(page).toHaveURL(/\/look$/);
  await expect(page.getByText('SKI-22R')).toBeVisible();
});

test('a scanner that types a label and ends with Enter opens the mend of its item', async ({ page }) => {
  await page.goto(`${server.url}/new`);
  const box = page.getByRole('searchbox', { name: /Find it/ });
  await box.fill(`${server.url}/tags/BRD-99`);
  await box.press('Enter');
  await expect(page.getByText('Nothing here is called that.')).toBeVisible();
  await box.fill(`${server.url}/tags/BRD-04`);
  await expect(page.getByRole('listitem').getByRole('button')).toHaveCount(1);
  await box.press('Enter');
  await expect(page).toHaveURL(/\/look$/);
  await expect(page.getByText('BRD-04')).toBeVisible();
});

test('a scan is not lost while the page still fetches what it draws with', async ({ page }) => {
  let release = (): void => undefined;
  const released = new Promise<void>((wake) => (release = wake));
  await page.route('**/api/catalogue', async (route) => {
    await released;
    await route.continue();
  });
  await page.goto(`${server.url}/new`);
  const box = page.getByRole('searchbox', { name: /Find it/ });
  await box.fill(`${server.url}/tags/BRD-04`);
  await box.press('Enter');
  await expect(page).toHaveURL(/\/look$/);
  release();
  await expect(page.getByText('BRD-04')).toBeVisible();
});

test('of five hundred items one is found without a long page', async ({ page }) => {
  for (let from = 0; from < 500; from += 10) {
    await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        fetch(`${server.url}/api/items`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ tag: `FLT-${from + i}`, name: `Hire board ${from + i}`, construction: 'pu-polyester-board', ageMonths: 10, warranty: 'none' }),
        }).then((answer) => expect(answer.ok).toBe(true)),
      ),
    );
  }
  await page.goto(`${server.url}/new`);
  await expect(page.getByText(/items: type another word/)).toBeVisible();
  expect(await page.getByRole('listitem').count()).toBeLessThan(60);
  await page.getByRole('searchbox', { name: /Find it/ }).fill('flt-377');
  await expect(page.getByRole('listitem').getByRole('button')).toHaveCount(1);
});
