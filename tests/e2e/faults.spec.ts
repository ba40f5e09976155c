import { expect, test } from '@playwright/test';
import { request as ask } from 'node:http';
import { kept, openMend, setNumber } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

test.describe('what is wrong is said, with its place and its remedy, and nothing is lost', () => {
  for (const [value, told] of [
    ['-3', '-3 mm is outside'],
    ['400', 'is deeper than the item'],
    ['abc', 'must be a number'],
    ['', 'must be a number'],
  ] as const) {
    test(`a depth of '${value}'`, async ({ page }) => {
      await openMend(page, server.url, 'BRD-02');
      await setNumber(page, /How deep/, value);
      await expect(page.getByRole('alert')).toContainText(told);
      await expect(page.getByText(/^not saved yet/)).toBeVisible();
      if (Number(value)) await expect(page.getByText('From 0.01 to 59.2 mm')).toBeVisible();
      const depth = page.getByRole('textbox', { name: /How deep/ });
      await expect(depth).toHaveValue(value);
      await page.getByRole('button', { name: 'Back to what was saved' }).click();
      await expect(depth).toHaveValue('3');
      await expect(page.getByRole('alert')).toBeHidden();
      await page.reload();
      await expect(depth).toHaveValue('3');
    });
  }
});

test('a trace that crosses itself is refused until it is mended', async ({ page }) => {
  await openMend(page, server.url, 'BRD-02');
  await page.getByRole('radio', { name: 'Traced' }).click();
  const points = page.getByRole('textbox', { name: /Points from the middle/ });
  await points.fill('0,0 30,20 30,0 0,20');
  await points.blur();
  await expect(page.getByRole('alert')).toContainText('crosses itself');
  await page.getByRole('textbox', { name: /Points from the middle/ }).fill('0,0 30,0 30,20 0,20');
  await page.getByRole('textbox', { name: /Points from the middle/ }).blur();
  await expect(page.getByRole('alert')).toBeHidden();
  await kept(page);
});

test('an edit after going back in history belongs to the mend that is shown', async ({ page }) => {
  const depthOf = async (id: number) => (await (await page.request.get(`${server.url}/api/mends/${id}`)).json()).case.damages[0].seen.depthMm as number;
  const first = await openMend(page, server.url, 'BRD-02');
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: 'Start a mend' }).first().click();
  await page.getByRole('button', { name: /^BRD-04/ }).click();
  await expect(page).toHaveURL(/\/mends\/\d+\/look$/);
  const second = Number(/mends\/(\d+)/.exec(page.url())![1]);
  const [firstDepth, secondDepth] = [await depthOf(first), await depthOf(second)];
  // Typed and left at once: what is on the way belongs to the mend that it was typed into.
  await setNumber(page, /How deep/, '2.5');
  await page.evaluate(() => history.go(-3));
  await expect(page).toHaveURL(new RegExp(`/mends/${first}/look$`));
  await expect(page.getByRole('textbox', { name: /How deep/ })).toHaveValue(String(firstDepth));
  await setNumber(page, /How deep/, '6.5');
  await kept(page);
  await expect.poll(() => depthOf(first)).toBe(6.5);
  await expect.poll(() => depthOf(second)).toBe(2.5);
  expect(secondDepth).not.toBe(6.5);
});

test('two windows on one mend get a clear conflict, and each can choose', async ({ page, context }) => {
  await openMend(page, server.url, 'BRD-02');
  const other = await context.newPage();
  await other.goto(page.url());
  await setNumber(other, /How deep/, '5');
  await kept(other);
  await expect
    .poll(
      async () => (await (await page.request.get(page.url().replace(/.*mends\/(\d+).*/, `${server.url}/api/mends/$1`))).json()).case.damages[0].seen.depthMm,
    )
    .toBe(5);
  await setNumber(page, /How deep/, '7');
  await expect(page.getByRole('alert')).toContainText('Somebody else changed this mend first');
  await expect(page.getByRole('textbox', { name: /How deep/ })).toHaveValue('7');
  await page.getByRole('button', { name: 'Use theirs' }).click();
  await expect(page.getByRole('textbox', { name: /How deep/ })).toHaveValue('5');
  await setNumber(other, /How deep/, '6');
  await kept(other);
  await setNumber(page, /How deep/, '8');
  await page.getByRole('button', { name: 'Keep mine instead' }).click();
  await expect
    .poll(
      async () => (await (await page.request.get(page.url().replace(/.*mends\/(\d+).*/, `${server.url}/api/mends/$1`))).json()).case.damages[0].seen.depthMm,
    )
    .toBe(8);
});

test('edits on a slow network are kept one after another, and are no conflict with themselves', async ({ page }) => {
  const id = await openMend(page, server.url, 'BRD-02');
  const sent: number[] = [];
  let letThrough = () => {};
  const slow = new Promise<void>((done) => (letThrough = done));
  await page.route('**/api/mends/*/case', async (route) => {
    sent.push((route.request().postDataJSON() as { damages: { seen: { depthMm: number } }[] }).damages[0]!.seen.depthMm);
    await slow;
    await route.continue();
  });
  await setNumber(page, /How deep/, '4');
  await expect.poll(() => sent).toEqual([4]);
  await setNumber(page, /How deep/, '5');
  // Longer than a page waits before it saves what was typed.
  await page.waitForTimeout(1000);
  expect(sent).toEqual([4]);
  letThrough();
  await expect.poll(() => sent).toEqual([4, 5]);
  await kept(page);
  expect(sent).toEqual([4, 5]);
  await expect(page.getByRole('alert')).toBeHidden();
  expect((await (await page.request.get(`${server.url}/api/mends/${id}`)).json()).case.damages[0].seen.depthMm).toBe(5);
});

test('EPS shows polyester kept off, with the layer that it protects', async ({ page }) => {
  await openMend(page, server.url, 'BRD-11');
  await page.getByRole('button', { name: 'Match it' }).click();
  const out = page.getByRole('listitem').filter({ hasText: 'UV sanding resin, polyester kind' }).first();
  await expect(out).toContainText('Protects EPS foam core');
  await expect(out).toContainText('dissolves polystyrene foam');
  await expect(out.getByRole('button', { name: 'Show the layer' })).toBeVisible();
});

test('a body of fifty megabytes is turned away by name', async () => {
  const answer = await new Promise<{ status: number; body: string }>((done, failed) => {
    const post = ask(
      `${server.url}/api/plans`,
      {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'content-length': 50_000_000,
        },
      },
      (response) => {
        let body = '';
        response.on('data', (chunk) => (body += chunk));
        response.on('end', () => done({ status: response.statusCode ?? 0, body }));
      },
    );
    post.on('error', failed);
    post.write('{"format":"able-mend/case/1"');
  });
  expect(answer.status).toBe(413);
  expect(JSON.parse(answer.body).problems[0]).toMatchObject({
    code: 'too-large',
  });
});

test('an address with nothing behind it leads back to the bench', async ({ page }) => {
  await page.goto(`${server.url}/mends`);
  await expect(page.getByRole('heading', { name: 'Page not found' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await expect(page).toHaveURL(`${server.url}/`);
});

test('a real shop starts with nothing and says what to do', async ({ page }) => {
  const fresh = new ShopServer();
  await fresh.start({ clock: '2026-05-06T09:00:00Z', empty: true });
  try {
    await page.goto(fresh.url);
    await expect(page.getByText('Nothing under way')).toBeVisible();
    await page.getByRole('link', { name: 'Start a mend' }).first().click();
    await page.getByLabel('Tag').fill('OWN-1');
    await page.getByLabel('Name').fill('The first one');
    await page.getByRole('radio', { name: /^Hard board: EPS foam/ }).click();
    await page.getByRole('button', { name: 'Add it and look' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('OWN-1');
    await expect(page.getByRole('img', { name: /Section/ })).toContainText('EPS foam');
  } finally {
    await fresh.dispose();
  }
});

test('units are chosen once and remembered', async ({ page }) => {
  await openMend(page, server.url, 'BRD-02');
  await page.getByRole('button', { name: /change units/ }).click();
  await setNumber(page, 'Across', '1.5');
  await kept(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Across' })).toHaveValue('1.5');
  const mend = await (await page.request.get(page.url().replace(/.*mends\/(\d+).*/, `${server.url}/api/mends/$1`))).json();
  expect(mend.case.damages[0].seen.shape.diameterMm).toBeCloseTo(38.1, 3);
});
