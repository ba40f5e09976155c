import { expect, test } from '@playwright/test';
import { come } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

test('light is counted: a cloud puts it off, carried in it stands still, and the sun brings it back', async ({ page }) => {
  const id = await come(server.url, 'deck-ding-quick', 'spread');
  await page.goto(`${server.url}/mends/${id}/mend`);
  const now = page.getByRole('region', { name: 'Now' });
  await now.getByRole('button', { name: /^Done/ }).click();
  await expect(now.getByRole('heading', { name: 'Setting in the light' })).toBeVisible();
  const status = now.getByRole('status');
  await expect(status).toContainText('From 10:10');
  const light = page.getByRole('region', { name: 'Light' });
  await expect(light).toContainText('Reckoned as planned');
  await light.getByRole('button', { name: 'Open shade' }).click();
  // Six times the ten minutes of full sun.
  await expect(status).toContainText(/From (10:59|11:0\d)/);
  await expect(status).toContainText('Less light fell than planned: it would have opened 10:10');
  await expect(light).toContainText('0.77 mW/cm²');
  await light.getByRole('button', { name: 'Carried in' }).click();
  await expect(status).toContainText('It will not set in this light');
  await light.getByRole('button', { name: 'Full sun' }).click();
  await expect(status).toContainText('From 10:10');
  await page.getByRole('button', { name: /Undo last/ }).click();
  await expect(status).toContainText('It will not set in this light');
});

test('a board that is colder than its room sets by the board, and the record says so', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass');
  await page.goto(`${server.url}/mends/${id}/mend`);
  const now = page.getByRole('region', { name: 'Now' });
  await now.getByRole('button', { name: /^Done/ }).click();
  await expect(now.getByRole('status')).toContainText('opens in');
  await page.getByRole('radio', { name: 'Item' }).click();
  await page.getByRole('textbox', { name: 'Item now, °C' }).fill('14');
  await page.getByRole('button', { name: 'Save reading' }).click();
  await expect(now.getByRole('status')).toContainText(/The item was [\d.]+ °C colder than planned: it would have opened/);
  await page.goto(`${server.url}/mends/${id}/prove`);
  await page.getByText(/^What happened/).click();
  await expect(page.getByRole('listitem').filter({ hasText: /item 14\.0 °C/ })).toBeVisible();
});
