import { expect, type Page } from '@playwright/test';

/** Stages and steps, as hands go through them. */
export async function openMend(page: Page, url: string, tag: string): Promise<number> {
  await page.goto(`${url}/new`);
  await page.getByRole('button', { name: new RegExp(`^${tag}`) }).click();
  await expect(page).toHaveURL(/\/mends\/\d+\/look$/);
  // The address is there before the page is, and a server that is gone by then gives none.
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
  return Number(/mends\/(\d+)/.exec(page.url())![1]);
}

/** Goes to another address of the page as a tap on a link does: what is loaded is not loaded again. */
export async function turnTo(page: Page, url: string): Promise<void> {
  if (!page.url().startsWith(new URL(url).origin)) {
    await page.goto(url);
    return;
  }
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, url);
}

/** Goes to another address and waits until what stands there no longer changes but for its clocks, which turn once a second. */
export async function settleAt(page: Page, url: string): Promise<void> {
  const main = page.locator('main');
  const longestWait = 20;
  const left = page.url().startsWith('http') ? await main.innerText() : '';
  await turnTo(page, url);
  let before = '';
  await expect
    .poll(
      async () => {
        const now = await main.innerText();
        const still = now === before && now !== left && now.length > longestWait;
        before = now;
        return still;
      },
      { message: url, intervals: [250] },
    )
    .toBe(true);
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
    const readTwice = now.getByRole('button', { name: 'Only the difference is known' });
    const go = now.getByRole('button', {
      name: /^(Done|Mix it now|Mixed|Ready|Yes, it passes|Save the result)/,
    });
    await expect(go.or(readTwice)).toBeVisible();
    if (await readTwice.isVisible()) await readTwice.click();
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
  run: { currentStepId: string | null; phase: string } | null;
}

async function post(url: string, path: string, version: number, body?: unknown): Promise<Begun> {
  const answer = await fetch(`${url}${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'If-Match': String(version) },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  expect(answer.ok, await answer.clone().text()).toBe(true);
  return (await answer.json()) as Begun;
}

/** Goes on with a mend by touch alone until a step is next, or with none until every step is done; every test is passed, with nothing to measure. */
export async function goOn(url: string, id: number, step: string | null): Promise<void> {
  const { proofs } = (await (await fetch(`${url}/api/catalogue`)).json()) as { proofs: { id: string; measures: string | null }[] };
  let mend = (await (await fetch(`${url}/api/mends/${id}`)).json()) as Begun;
  while (mend.run!.currentStepId !== null && (mend.run!.currentStepId !== step || mend.run!.phase !== 'next')) {
    const stepId = mend.run!.currentStepId;
    const test = proofs.find((each) => each.id === mend.plan.steps.find((one) => one.id === stepId)!.proof);
    const happened =
      mend.run!.phase === 'waiting' ? { kind: 'ready' } : test ? { kind: 'proof', passed: true, value: test.measures ? 0 : null } : { kind: 'hands-done' };
    mend = await post(url, `/api/mends/${id}/events`, mend.version, { ...happened, stepId });
  }
}

/** Starts a draft. */
export async function start(url: string, id: number): Promise<void> {
  const draft = (await (await fetch(`${url}/api/mends/${id}`)).json()) as Begun;
  await post(url, `/api/mends/${id}/start`, draft.version);
}

/** A worked case, started, and gone on with by touch alone until a step is next. */
export async function come(url: string, worked: string, step: string): Promise<number> {
  const { id } = await post(url, `/api/gallery/${worked}`, 0, {});
  await start(url, id);
  await goOn(url, id, step);
  return id;
}

/** That somebody is asked whose change is meant. The shop's alarms may ring beside it. */
export const askedWhose = (page: Page) => page.getByRole('alert').filter({ hasText: 'Changed elsewhere.' });
