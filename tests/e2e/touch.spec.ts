import { expect, test } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.afterAll(() => server.dispose());

interface Told {
  id: number;
  version: number;
  plan: { steps: { id: string }[] };
  run: { currentStepId: string; phase: string; window: { opensAt: string; fromAt: string; pace: { labelAt: string } | null } | null } | null;
}

const json = { 'Content-Type': 'application/json' };
const post = async (path: string, version: number | null, body?: unknown) => {
  const answer = await fetch(`${server.url}${path}`, {
    method: 'POST',
    headers: version === null ? json : { ...json, 'If-Match': String(version) },
    body: JSON.stringify(body ?? {}),
  });
  expect(answer.ok, await answer.clone().text()).toBe(true);
  return (await answer.json()) as Told;
};

/** A worked case as far as its first wait for what a finger tells. */
async function waiting(): Promise<Told> {
  let mend = await post('/api/gallery/fin-box-surround', null);
  mend = await post(`/api/mends/${mend.id}/start`, mend.version);
  while (mend.run!.currentStepId !== 'glass' || mend.run!.phase !== 'waiting') {
    const kind = mend.run!.phase === 'waiting' ? 'ready' : 'hands-done';
    mend = await post(`/api/mends/${mend.id}/events`, mend.version, { kind, stepId: mend.run!.currentStepId });
  }
  return mend;
}

test('what was felt at two mends is known at the third: its plan says so, its wait is longer, and an earlier look can be told', async ({ page }) => {
  const start = Date.parse('2026-05-06T08:00:00Z');
  await server.start({ clock: new Date(start).toISOString() });
  const felt = [await waiting(), await waiting(), await waiting()];
  const label = Date.parse(felt[0]!.run!.window!.opensAt) - Date.parse(felt[0]!.run!.window!.fromAt);
  await server.kill();
  const later = start + 2 * 24 * 3600_000;
  await server.start({ clock: new Date(later).toISOString() });
  for (const mend of felt.slice(0, 2)) {
    const from = Date.parse(mend.run!.window!.fromAt);
    let { version } = mend;
    for (const [kind, share] of [
      ['not-yet', 1.28],
      ['ready', 1.36],
    ] as const) {
      version = (await post(`/api/mends/${mend.id}/events`, version, { kind, stepId: 'glass', at: new Date(from + label * share).toISOString() })).version;
    }
  }

  // The third has been waiting since before: it is told within a moment, without anybody reloading.
  await page.goto(`${server.url}/mends/${felt[2]!.id}/mend`);
  const now = page.getByRole('region', { name: 'Now' });
  await expect(now.getByText(/sets 1\.3 × slower here than its label says/)).toBeVisible({ timeout: 40_000 });
  await expect(now.getByText('(4 looks)')).toBeVisible();
  await expect(now.getByText(/Expect it between/)).toBeVisible();

  await now.getByLabel('Looked').selectOption('40');
  await now.getByRole('button', { name: /^Ready/ }).click();
  await expect
    .poll(async () => {
      const mend = (await (await fetch(`${server.url}/api/mends/${felt[2]!.id}`)).json()) as { now: string; events: { kind: string; at: string }[] };
      const ready = mend.events.findLast((each) => each.kind === 'ready')!;
      return Math.round((Date.parse(mend.now) - Date.parse(ready.at)) / 60_000);
    })
    .toBe(40);

  const draft = await post('/api/gallery/fin-box-surround', null);
  await page.goto(`${server.url}/mends/${draft.id}/plan`);
  await expect(page.getByText(/sets 1\.3 × slower here than its label says \(\d+ looks\)/)).toBeVisible();
  await page.goto(`${server.url}/mends/${felt[0]!.id}/prove`);
  await page.getByText(/What happened/).click();
  await expect(page.getByText(/learnt/).first()).toBeVisible();
});
