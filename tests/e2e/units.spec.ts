import { expect, test } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-11-25T10:40:00Z' }));
test.afterAll(() => server.dispose());

const metric = /\d (mm|°C|kPa|cm²)(?![\w²])/;

test('a bench in inches and °F reads no millimetre and no °C, and keeps its choice', async ({ page }) => {
  await page.goto(`${server.url}/mends/14/plan`);
  await expect(page.getByText(metric).first()).toBeVisible();
  await page.getByRole('button', { name: /change units/ }).click();
  for (const path of ['/mends/14/plan', '/mends/15/plan', '/mends/13/look', '/mends/13/plan', '/mends/6/mend', '/mends/14/sheet', '/mends/13/labels']) {
    await page.goto(server.url + path);
    await expect(page.getByText('BRD').or(page.getByText('SUP-14')).or(page.getByText('CAN-03')).first()).toBeVisible();
    await page.waitForLoadState('networkidle');
    expect(metric.exec((await page.locator('main').textContent()) ?? '')?.[0], path).toBeUndefined();
  }
});

test('an altitude typed in feet is kept in metres', async ({ page }) => {
  await page.goto(`${server.url}/shelf`);
  const altitude = page.getByRole('textbox', { name: 'Altitude' });
  await page.getByRole('button', { name: /change units/ }).click();
  await altitude.fill('1000');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect.poll(async () => (await (await page.request.get(`${server.url}/api/shop`)).json()).settings.bench.altitudeM).toBe(304.8);
});
