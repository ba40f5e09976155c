import { expect, test, type Page } from '@playwright/test';
import { settleAt } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-11-25T10:40:00Z' }));
test.afterAll(() => server.dispose());

const metric = /\d (mm|mm²|cm²|m|m³|°C|kPa|MPa|mL|g|kg|N|N\/mm|g\/m²|g\/mL|µm)(?![\w²³/])/;

async function switchToInches(page: Page): Promise<void> {
  await page.goto(`${server.url}/mends/14/plan`);
  await expect(page.getByText(metric).first()).toBeVisible();
  await page.getByRole('button', { name: /change units/ }).click();
  await expect(page.getByRole('heading', { name: /Inflate it to 14\.9\d? psi/ })).toBeVisible();
}

test('a bench in inches, psi and °F shows no metric measure, and keeps its choice', async ({ page }) => {
  await switchToInches(page);
  for (const path of [
    '/mends/15/plan',
    '/mends/14/plan',
    '/mends/13/look',
    '/mends/13/match',
    '/mends/13/plan',
    '/mends/6/mend',
    '/mends/14/sheet',
    '/mends/13/labels',
    '/mends/14/prove',
    '/shelf',
    '/tickets/2',
    '/tickets/2/bill',
    '/shop',
  ]) {
    await settleAt(page, server.url + path);
    await expect(
      page
        .getByText('BRD')
        .or(page.getByText('Grits in the drawer'))
        .or(page.getByText('Cement cabinet'))
        .or(page.getByText('SUP-14'))
        .or(page.getByText('CAN-03'))
        .first(),
    ).toBeVisible();
    expect(metric.exec((await page.locator('main').textContent()) ?? '')?.[0], path).toBeUndefined();
  }
});

test('every reason, opened down to the ground, shows none either', async ({ page }) => {
  test.setTimeout(240_000);
  await switchToInches(page);
  const figures = page.locator('main').getByRole('button', { expanded: false }).and(page.locator('[aria-haspopup=dialog]'));
  const count = await figures.count();
  expect(count).toBeGreaterThan(10);
  for (let i = 0; i < count; i++) {
    await page.locator('main [aria-haspopup=dialog]').nth(i).click();
    const reason = page.getByRole('dialog');
    await expect(reason).toBeVisible();
    // Inputs open to their own inputs: go on until nothing is shut.
    const openAll = () =>
      reason.evaluate((dialog) => {
        const shut = [...dialog.querySelectorAll<HTMLElement>('button[aria-expanded=false]')];
        for (const each of shut) each.click();
        return shut.length;
      });
    await expect.poll(openAll).toBe(0);
    expect(metric.exec((await reason.textContent()) ?? '')?.[0], (await reason.getAttribute('aria-label')) ?? '').toBeUndefined();
    await page.keyboard.press('Escape');
    await expect(reason).toBeHidden();
  }
});

test('an error shows none either', async ({ page }) => {
  await switchToInches(page);
  await page.goto(`${server.url}/mends/13/look`);
  await page.getByRole('textbox', { name: /How deep/ }).fill('30');
  await expect(page.getByRole('alert')).toContainText('is deeper than the item');
  expect(metric.exec((await page.getByRole('alert').textContent()) ?? '')?.[0]).toBeUndefined();
});

test('an altitude typed in feet is kept in metres', async ({ page }) => {
  await page.goto(`${server.url}/shop`);
  const altitude = page.getByRole('textbox', { name: 'Altitude' });
  await page.getByRole('button', { name: /change units/ }).click();
  await altitude.fill('1000');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect.poll(async () => (await (await page.request.get(`${server.url}/api/shop`)).json()).settings.bench.altitudeM).toBe(304.8);
});
