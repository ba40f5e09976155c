import { expect, test, type Page } from '@playwright/test';
import { goOn, start } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.afterAll(() => server.dispose());

interface Ticket {
  id: number;
  standing: string;
  mends: { id: number; tag: string }[];
}

interface Told {
  tag: string;
  version: number;
  plan: { damages: { system: { material: string } }[]; steps: { id: string; stage: string; pour: { cup: unknown } | null }[] };
  run: { currentStepId: string | null } | null;
}

const get = async <T>(path: string) => (await (await fetch(`${server.url}${path}`)).json()) as T;
const mendOf = (id: number) => get<Told>(`/api/mends/${id}`);
const open = (page: Page, id: number, stage: string) => page.goto(`${server.url}/mends/${id}/${stage}`);

/** A customer with one board, taken in at the counter and agreed. */
async function takeIn(page: Page, name: string, tag: string): Promise<Ticket> {
  await page.goto(`${server.url}/counter`);
  await page.getByRole('textbox', { name: 'Who brings it' }).fill(name);
  await page.getByLabel('Needed by').fill('2026-05-12T13:00');
  await page.getByRole('button', { name: 'It was never here before' }).click();
  await page.getByRole('textbox', { name: 'Tag', exact: true }).fill(tag);
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill(`Longboard of ${name}`);
  await page.getByRole('button', { name: 'Add it to the ticket' }).click();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page).toHaveURL(/\/tickets\/\d+$/);
  const form = page.getByRole('form', { name: `A yes to ${tag}` });
  await form.getByRole('button', { name: 'They said yes' }).click();
  await expect(form).toBeHidden();
  return get<Ticket>(`/api/tickets/${/\d+$/.exec(page.url())![0]}`);
}

/** Every step done, and handed back. */
async function handBack(id: number): Promise<void> {
  await goOn(server.url, id, null);
  const answer = await fetch(`${server.url}/api/mends/${id}/events`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'If-Match': String((await mendOf(id)).version) },
    body: JSON.stringify({ kind: 'hand-back', text: 'Keep it out of the sun for a week.' }),
  });
  expect(answer.ok, await answer.clone().text()).toBe(true);
}

test('two customers, from the counter through one cup to the bill, and the lot that went into both', async ({ page }) => {
  test.setTimeout(150_000);
  await server.start({ clock: '2026-05-06T09:45:00Z' });
  const tickets = [await takeIn(page, 'Mara Linden', 'OWN-1'), await takeIn(page, 'Tove Marsh', 'OWN-2')];
  const [one, two] = tickets.map((ticket) => ticket.mends[0]!.id) as [number, number];

  // Promised behind the queue, and laid into the days.
  await open(page, one, 'plan');
  await expect(page.getByRole('region', { name: 'What can be promised' }).getByText(/Behind the queue: ready/)).toBeVisible();
  await page.goto(`${server.url}/days`);
  for (const tag of ['OWN-1', 'OWN-2']) await expect(page.getByRole('link', { name: tag, exact: true }).first()).toBeVisible();

  // Both begun and at the same mix: one cup.
  for (const id of [one, two]) await start(server.url, id);
  const mix = (await mendOf(one)).plan.steps.find((step) => step.pour?.cup)!.id;
  for (const id of [one, two]) await goOn(server.url, id, mix);
  await open(page, one, 'mend');
  await page.getByRole('button', { name: /Mix one cup for 2 mends/ }).click();
  await expect(page.getByRole('region', { name: 'Shared cup' })).toBeVisible();
  const begin = page.getByRole('button', { name: /^Mix it now/ });
  if (await begin.isVisible()) await begin.click();
  await page.getByRole('button', { name: /^(Mixed|Done)/ }).click();
  await expect.poll(async () => (await mendOf(two)).run!.currentStepId).not.toBe(mix);

  // Two hours later nobody has gone on: the days say what moved, and why.
  await get('/api/days');
  await server.kill();
  await server.start({ clock: '2026-05-06T14:30:00Z' });
  await page.goto(`${server.url}/days`);
  await page.getByText(/moved since the plan before$/).click();
  await expect(page.getByText(/it was not begun then|made way|its wait is over at another time/).first()).toBeVisible();

  // Done, billed and collected.
  for (const id of [one, two]) await handBack(id);
  for (const { id } of tickets) {
    await page.goto(`${server.url}/tickets/${String(id)}/bill`);
    await expect(page.getByText(/^\d+\.\d\d EUR$/).first()).toBeVisible();
    await expect(page.getByText('It is not done yet: this is the estimate.')).toBeHidden();
    await page.goto(`${server.url}/tickets/${String(id)}`);
    await page.getByRole('button', { name: 'Collected' }).click();
    await expect(page.getByText(/^Collected /)).toBeVisible();
  }

  // The lot that went into the cup names both.
  const { material } = (await mendOf(one)).plan.damages[0]!.system;
  const { lots } = await get<{ lots: { name: string; lot: { material: string } }[] }>('/api/shelf');
  const uses = await Promise.all(
    lots.filter((each) => each.lot.material === material).map((each) => get<{ mend: number }[]>(`/api/shelf/${encodeURIComponent(each.name)}/mends`)),
  );
  expect(uses.flat().map((use) => use.mend)).toEqual(expect.arrayContaining([one, two]));
});
