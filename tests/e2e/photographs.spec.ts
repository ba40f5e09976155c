import { expect, test } from '@playwright/test';
import { openMend } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const clock = '2026-05-06T09:00:00Z';
test.beforeAll(() => server.start({ clock }));
test.afterAll(() => server.dispose());

test('photographs at intake and at a step stand there, on the note and in the record; one taken while the server is away follows', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const photographs = page.getByRole('region', { name: 'Photographs' });
  const picture = async (name: string) => ({ name, mimeType: 'image/png', buffer: await page.screenshot() });
  await photographs.locator('input[type=file]').setInputFiles(await picture('in.png'));
  await expect(photographs.getByRole('img', { name: 'At intake' })).toBeVisible();
  await photographs.getByRole('img', { name: 'At intake' }).click();
  await expect(photographs.getByRole('button', { name: 'Remove this photograph' })).toBeVisible();
  await expect.poll(() => photographs.locator('figure img').evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1280);
  await photographs.getByRole('button', { name: 'Close' }).click();

  await page.goto(`${server.url}/mends/${id}/plan`);
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await expect(page).toHaveURL(/\/mend$/);
  const step = await page.getByRole('region', { name: 'Now' }).getByRole('heading', { level: 2 }).innerText();
  await server.kill();
  await photographs.locator('input[type=file]').setInputFiles(await picture('away.png'));
  await expect(page.getByText('1 photograph is kept here and being sent.')).toBeVisible();
  await server.start({ clock });
  await expect(photographs.getByRole('img', { name: step })).toBeVisible({ timeout: 20_000 });
  await page.goto(`${server.url}/mends/${id}/note`);
  await expect(page.getByRole('list', { name: 'Photographs' }).getByRole('img')).toHaveCount(2);
  await page.goto(`${server.url}/mends/${id}/prove`);
  await expect(photographs.getByRole('img')).toHaveCount(2);
});

test('what was taken while away is there after the page was closed', async ({ browser }) => {
  const context = await browser.newContext();
  const page = await context.newPage();
  await server.kill();
  await server.start({ clock });
  const id = await openMend(page, server.url, 'BRD-05');
  await server.kill();
  const photographs = page.getByRole('region', { name: 'Photographs' });
  await photographs.locator('input[type=file]').setInputFiles({ name: 'away.png', mimeType: 'image/png', buffer: await page.screenshot() });
  await expect(page.getByText('1 photograph is kept here and being sent.')).toBeVisible();
  await page.close();
  await server.start({ clock });
  const next = await context.newPage();
  await next.goto(`${server.url}/mends/${id}/look`);
  await expect(next.getByRole('region', { name: 'Photographs' }).getByRole('img', { name: 'At intake' })).toBeVisible({ timeout: 20_000 });
  await next.goto(`${server.url}/mends/${id}/prove`);
  await expect(next.getByRole('link', { name: /Everything in one file/ })).toBeVisible();
  await context.close();
});
