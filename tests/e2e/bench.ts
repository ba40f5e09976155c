import { expect, type Page } from '@playwright/test';

/** Stages and steps, as hands go through them. */
export async function openMend(page: Page, url: string, tag: string): Promise<number> {
  await page.goto(`${url}/new`);
  await page.getByRole('button', { name: new RegExp(`^${tag}`) }).click();
  await expect(page).toHaveURL(/\/mends\/\d+\/look$/);
  return Number(/mends\/(\d+)/.exec(page.url())![1]);
}

export async function kept(page: Page): Promise<void> {
  await expect(page.getByText(/^saved /)).toBeVisible();
}

export async function setNumber(page: Page, label: string | RegExp, value: string): Promise<void> {
  const field = page.getByRole('textbox', {
    name: label,
    exact: typeof label === 'string',
  });
  await field.fill(value);
}

/** Goes on by touch alone until a step's heading stands there, or everything is done. */
export async function goOnTo(page: Page, heading: string | null): Promise<string[]> {
  const seen: string[] = [];
  for (let i = 0; i < 60; i++) {
    const now = page.getByRole('region', { name: 'Now' });
    const done = page.getByText('Every step is done.');
    await expect(now.or(done)).toBeVisible();
    if (await done.isVisible()) return seen;
    const title = await now.getByRole('heading', { level: 2 }).innerText();
    if (title === heading) return seen;
    seen.push(title);
    const before = await page.locator('main').innerText();
    const go = now.getByRole('button', {
      name: /^(Done|Mix it now|Mixed|Ready|Yes, it passes|Save the result)/,
    });
    await expect(go).toBeVisible();
    if ((await go.innerText()).startsWith('Save the result')) await now.getByRole('textbox', { name: /passes up to/ }).fill('0.4');
    await go.click();
    await expect.poll(() => page.locator('main').innerText()).not.toBe(before);
    await expect(page.getByRole('button', { name: /Undo last/ })).toBeEnabled();
  }
  throw new Error(`never came to ${heading}; saw ${seen.join(', ')}`);
}
