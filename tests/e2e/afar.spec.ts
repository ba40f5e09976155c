import { expect, test, type Locator } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-11-25T10:40:00Z' }));
test.afterAll(() => server.dispose());

/**
 * A figure is read at ease where it fills 20 minutes of arc and more (ISO 9241-303, from memory): 11.6 mm at two metres. On a tablet of
 * 10 inches, 800 by 1280 of its pixels, that is 69 of them; this face's figures fill 0.7 of its size.
 */
const leastPx = 69 / 0.7;

const sizeOf = (text: Locator) => text.evaluate((element) => parseFloat(getComputedStyle(element).fontSize));

test('what the hand needs is read from two metres, at every mend that this device opens', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1280 });
  await page.goto(`${server.url}/mends/6/mend`);
  const now = page.getByRole('region', { name: 'Now' });
  const clock = now.getByText(/^\d+:\d\d$/);
  expect(await sizeOf(clock)).toBeLessThan(leastPx);
  await page.keyboard.press('f');
  expect(await sizeOf(clock)).toBeGreaterThan(leastPx);
  await expect(now.getByText('Touch beats the clock')).toBeHidden();
  // The action is on the screen, and so is the way to what went wrong.
  await expect(now.getByRole('button', { name: /^Ready/ })).toBeInViewport();
  await expect(page.getByRole('button', { name: /Something went wrong/ })).toBeInViewport();

  await page.goto(`${server.url}/mends/7/mend`);
  for (const figure of ['50 mL', '10 mL']) expect(await sizeOf(now.getByText(figure, { exact: true }))).toBeGreaterThan(leastPx);
  expect(await sizeOf(now.getByText(/^\d+:\d\d$/))).toBeGreaterThan(leastPx);
  const mixed = now.getByRole('button', { name: /^Mixed/ });
  await expect(mixed).toBeInViewport();
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.keyboard.press('d');
  await expect(now.getByRole('heading', { name: 'Mix the resin for the cloth' })).toBeHidden();

  await page.getByRole('button', { name: /^Close up/ }).click();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Read it from afar/ })).toBeVisible();
});

test('on a telephone the clock and the action of a wait fit the screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${server.url}/mends/6/mend`);
  await page.getByRole('button', { name: /^Read it from afar/ }).click();
  const now = page.getByRole('region', { name: 'Now' });
  await expect(now.getByRole('button', { name: /^Ready/ })).toBeInViewport();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await sizeOf(now.getByText(/^\d+:\d\d$/))).toBeGreaterThan(80);
});
