import { expect, test } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.afterAll(() => server.dispose());

const start = Date.parse('2026-05-06T08:00:00Z');
const day = 24 * 3600_000;
const weight = (days: number) => Math.round(3200 + 180 * Math.exp((-days * 24) / 30));

test('a wet board is weighed day by day, and says when it will be dry and how sure that is', async ({ page }) => {
  await server.start({ clock: new Date(start).toISOString() });
  const json = { 'Content-Type': 'application/json' };
  const post = async (path: string, version: number | null, body: unknown) => {
    const answer = await fetch(`${server.url}${path}`, {
      method: 'POST',
      headers: version === null ? json : { ...json, 'If-Match': String(version) },
      body: JSON.stringify(body),
    });
    expect(answer.ok, await answer.clone().text()).toBe(true);
    return (await answer.json()) as { id: number; version: number; run: { currentStepId: string; phase: string } | null };
  };
  let mend = await post('/api/gallery/waterlogged-board', null, {});
  mend = await post(`/api/mends/${mend.id}/start`, mend.version, {});
  while (mend.run!.currentStepId !== 'dry')
    mend = await post(`/api/mends/${mend.id}/events`, mend.version, { kind: 'hands-done', stepId: mend.run!.currentStepId });

  await page.goto(`${server.url}/mends/${mend.id}/mend`);
  const weighings = page.getByRole('region', { name: 'Weighings' });
  const weigh = async (grams: number) => {
    await weighings.getByRole('textbox').fill(String(grams));
    await weighings.getByRole('button', { name: 'Save weight' }).click();
  };
  await weigh(weight(0));
  await expect(weighings.getByText(/Weighed 1 times/)).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByRole('button', { name: /^Ready/ })).toBeVisible();
  // Three days are weighed at the bench by another device; the fourth here.
  await server.kill();
  await server.start({ clock: new Date(start + 4 * day).toISOString() });
  let { version } = (await (await fetch(`${server.url}/api/mends/${mend.id}`)).json()) as { version: number };
  for (const days of [1, 2, 3]) {
    const at = new Date(start + days * day).toISOString();
    ({ version } = await post(`/api/mends/${mend.id}/events`, version, { kind: 'weighed', stepId: 'dry', value: weight(days), resolution: 1, at }));
  }
  await page.reload();
  await expect(weighings.locator('circle')).toHaveCount(4);
  await weigh(weight(4));
  await expect(weighings.locator('circle')).toHaveCount(5);
  await expect(weighings.getByText(/Not yet dry\./)).toBeVisible();
  await expect(weighings.getByText(/Water left: \d+ g, between \d+ g and \d+ g\. Dry enough .* between/)).toBeVisible();
});
