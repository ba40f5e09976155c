import { expect, test } from '@playwright/test';
import { come, goOnTo, kept, openMend, setNumber } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

test('two damages of one board, from first look to the hand-back', async ({ page }) => {
  test.setTimeout(120_000);
  const id = await openMend(page, server.url, 'BRD-02');
  const damages = page.getByRole('group', { name: 'Damages of this item' });

  // Each has its own place and depth, and a slip in one is told at that one.
  await page.getByRole('button', { name: 'Another damage' }).click();
  await expect(damages.getByRole('button', { name: /^2/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('radio', { name: 'Bottom' }).click();
  await setNumber(page, /How deep/, '400');
  await expect(page.getByRole('alert')).toContainText('deeper than the item');
  await damages.getByRole('button', { name: /^1/ }).click();
  await expect(page.getByRole('textbox', { name: /How deep/ })).toHaveValue('3');
  await damages.getByRole('button', { name: /^2/ }).click();
  await setNumber(page, /How deep/, '0.4');
  await page.getByRole('button', { name: 'Another damage' }).click();
  await page.getByRole('button', { name: 'Remove damage 3' }).click();
  await expect(damages.getByRole('button', { name: /^3/ })).toHaveCount(0);
  await kept(page);

  // Each is matched by itself.
  await page.getByRole('button', { name: 'Match it' }).click();
  await page
    .getByRole('button', { name: /UV sanding resin, polyester/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /UV sanding resin, polyester.*chosen/ }).first()).toHaveAttribute('aria-pressed', 'true');
  await damages.getByRole('button', { name: /^1/ }).click();
  await page.getByRole('button', { name: /Laminating epoxy, 2:1/ }).click();
  await kept(page);

  // A figure set by hand is set at its own damage: the other keeps its number.
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText('damage 2').first()).toBeVisible();
  const sheet = await (await page.request.get(`${server.url}/api/mends/${id}`)).json();
  expect(sheet.case.damages.map((each: { choice: { material: string } }) => each.choice.material)).toEqual(['epoxy-2to1', expect.stringContaining('uv')]);
  expect(new Set(sheet.plan.steps.map((step: { id: string }) => step.id)).size).toBe(sheet.plan.steps.length);

  // While one waits, hands are on the other; either can be taken up by a tap.
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await expect(damages.getByRole('button', { name: /^1/ })).toHaveAttribute('aria-pressed', 'true');
  await damages.getByRole('button', { name: /^2/ }).click();
  await page.getByRole('button', { name: /^Done/ }).click();
  await expect.poll(async () => (await (await page.request.get(`${server.url}/api/mends/${id}`)).json()).run.fronts.length).toBe(2);
  await page.reload();
  await expect(damages.getByRole('button', { name: /^[12]/ })).toHaveCount(2);
  await goOnTo(page, null);
  await page.getByRole('button', { name: 'Hand it back' }).click();
  await page.getByRole('button', { name: 'Hand it back' }).click();
  await expect(page.getByText(/^Handed back/)).toBeVisible();
  await page.goto(`${server.url}/mends/${id}/note`);
  await expect(page.getByText('Ding, deck')).toBeVisible();
  await expect(page.getByText('Ding, bottom')).toBeVisible();
  await page.goto(`${server.url}/mends/${id}/labels`);
  await expect(page.getByRole('listitem').first()).toContainText('[1]');
});

test('a board is turned over when what was put on one side no longer runs', async ({ page }) => {
  const id = await come(server.url, 'board-three-dings', '2:cut');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect(page.getByText(/What was put on at damage 1 still runs\. Turn it over from \d\d:\d\d on\./)).toBeVisible();
  const damages = page.getByRole('group', { name: 'Damages of this item' });
  await expect(damages.getByRole('button', { name: /^2/ })).toContainText('turn it in');
  await expect(page.getByText('Turn it over, bottom up.')).toBeVisible();
  const { entries } = (await (await page.request.get(`${server.url}/api/bench`)).json()) as {
    entries: { id: number; urgency: string; heldUntil: string | null }[];
  };
  expect(entries.find((each) => each.id === id)).toMatchObject({ urgency: 'waiting', heldUntil: expect.any(String) });
  // The hand knows better: what is firm to the touch may be turned.
  await page.getByRole('button', { name: /^Done/ }).click();
  await expect(page.getByRole('heading', { name: 'Key it with P60' })).toBeVisible();
});
