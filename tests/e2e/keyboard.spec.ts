import { expect, test, type Page } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

/** Tabs until what has the focus is called so. */
async function tabTo(page: Page, name: RegExp, most = 80): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const called = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement | null;
      const label = (element as HTMLInputElement | null)?.labels?.[0]?.innerText;
      return element?.getAttribute('aria-label') ?? label ?? element?.innerText ?? '';
    });
    if (name.test(called.replaceAll('\n', ' '))) return;
  }
  throw new Error(`the keyboard never reached ${name}`);
}

test('a deck ding, quick, with the keyboard alone', async ({ page }) => {
  await page.goto(server.url);
  await tabTo(page, /^Start a mend/);
  await page.keyboard.press('Enter');
  // What is still loading takes no focus.
  await expect(page.getByRole('button', { name: /^BRD-03/ })).toBeEnabled();
  await tabTo(page, /^BRD-03/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/look$/);

  // Depth on the section: a tenth of a millimetre a press.
  await tabTo(page, /Depth of the damage/);
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowDown');
  await expect(page.getByText('3.5 mm deep')).toBeVisible();
  await tabTo(page, /^For good/);
  // Held as a finger holds it: the choice follows the focus while the key is down.
  await page.keyboard.press('ArrowRight', { delay: 80 });
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Mend it for now');
  await expect(page.getByText(/^saved /)).toBeVisible();

  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/plan$/);
  await expect(page.getByRole('heading', { name: 'UV resin under film' })).toBeVisible();
  await expect(page.getByText('The proper repair is booked')).toBeVisible();
  await tabTo(page, /^Start the mend/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/mend$/);
  await expect(page.getByRole('region', { name: 'Now' })).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());

  const heading = page.getByRole('region', { name: 'Now' }).getByRole('heading', { level: 2 });
  for (let i = 0; i < 40; i++) {
    const title = await heading.innerText();
    if (title === 'Setting in the light') break;
    await page.keyboard.press(title === 'Flashing off' ? 'r' : 'd');
    await expect(heading).not.toHaveText(title);
  }

  // About ten minutes to the witness check; looked at too early it is not yet.
  await expect(page.getByText('Too early', { exact: true })).toBeVisible();
  await expect(page.getByText(/opens in/)).toContainText(/(10:00|9:[0-5]\d)/);
  await expect(page.getByText('Is the resin on the mixing stick hard?')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('button', { name: /Undo last/ })).toBeEnabled();
  await expect(page.getByText('Too early', { exact: true })).toBeVisible();
  await page.keyboard.press('r');
  await expect(heading).toHaveText('Peel the film');
  await page.keyboard.press('u');
  await expect(heading).toHaveText('Setting in the light');
  await page.keyboard.press('r');
  await expect(heading).toHaveText('Peel the film');
  await page.keyboard.press('d');
  await expect(heading).toHaveText('Until it can be used');
  await page.keyboard.press('r');
  for (const test of ['Draw a fingernail across the edge', 'Lean a thumb on it']) {
    await expect(heading).toHaveText(test);
    await tabTo(page, /^Yes, it passes/);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('Every step is done.')).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('5');
  await tabTo(page, /What to watch/);
  await page.keyboard.type('Do not stand on it twice');
  await tabTo(page, /^Hand it back/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Handed back/)).toBeVisible();
  await tabTo(page, /The proper repair, booked/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Mend it');
});

test('the keys are on a sheet that a key opens', async ({ page }) => {
  await page.goto(server.url);
  await expect(page.getByRole('heading', { level: 1 })).toBeAttached();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Silence the alarm');
  // It is not modal: what lies behind it takes the focus, and it stays to be read.
  await page.getByRole('link').first().focus();
  await expect(page.getByRole('link').first()).toBeFocused();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});
