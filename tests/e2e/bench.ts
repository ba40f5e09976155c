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

interface Begun {
  id: number;
  version: number;
  plan: { steps: { id: string; proof: string | null }[] };
  run: { currentStepId: string; phase: string } | null;
}

/** A worked case, started, and gone on with by touch alone until a step is next. */
export async function come(url: string, worked: string, step: string): Promise<number> {
  const post = async (path: string, version: number, body?: unknown) => {
    const answer = await fetch(`${url}${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'If-Match': String(version) },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    expect(answer.ok, await answer.clone().text()).toBe(true);
    return (await answer.json()) as Begun;
  };
  let mend = await post(`/api/gallery/${worked}`, 0, {});
  mend = await post(`/api/mends/${mend.id}/start`, mend.version);
  while (mend.run!.currentStepId !== step || mend.run!.phase !== 'next') {
    const stepId = mend.run!.currentStepId;
    const isTest = mend.plan.steps.find((each) => each.id === stepId)!.proof !== null;
    const happened = mend.run!.phase === 'waiting' ? { kind: 'ready' } : isTest ? { kind: 'proof', passed: true } : { kind: 'hands-done' };
    mend = await post(`/api/mends/${mend.id}/events`, mend.version, { ...happened, stepId });
  }
  return mend.id;
}
