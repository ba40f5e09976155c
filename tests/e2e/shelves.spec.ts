import { expect, test, type Page } from '@playwright/test';
import { ShopServer } from './server.ts';

// Two pages that saw the same, and change it one after the other: neither undoes what the other did.

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

const name = 'L-010';
const lotOf = async () => {
  const shelf = (await (await fetch(`${server.url}/api/shelf`)).json()) as {
    lots: { name: string; lot: Record<string, unknown> }[];
    gone: { name: string; lot: Record<string, unknown> }[];
  };
  return [...shelf.lots, ...shelf.gone].find((each) => each.name === name)!.lot;
};

/** A page that stands at the lot, and learns nothing of it any more but what its own changes are answered with. */
async function atTheLot(page: Page): Promise<{ form: ReturnType<Page['getByRole']>; panel: ReturnType<Page['getByRole']>; hears: () => Promise<void> }> {
  await page.goto(`${server.url}/shelf?lot=${name}`);
  const panel = page.getByRole('region', { name, exact: true });
  await expect(panel).toBeVisible();
  await page.route('**/api/shelf', (route) => route.abort());
  return { panel, form: page.getByRole('form', { name: 'A lot' }), hears: () => page.unroute('**/api/shelf') };
}

test('what two pages change of one lot is both there', async ({ page, context }) => {
  const other = await context.newPage();
  const [one, two] = [await atTheLot(page), await atTheLot(other)];
  await one.panel.getByRole('button', { name: 'Change it' }).click();
  await one.form.getByRole('textbox', { name: 'Stands at' }).fill('Cold room');
  await one.form.getByRole('button', { name: 'Keep it' }).click();
  await expect(one.panel).toContainText('Cold room');
  await expect(two.panel).not.toContainText('Cold room');
  await two.panel.getByRole('button', { name: 'Used up' }).click();
  await expect(other.getByRole('region', { name: 'Used up or thrown away' })).toContainText(name);
  expect(await lotOf()).toMatchObject({ standsAt: 'Cold room', goneOn: '2026-05-06' });
  await other.getByRole('button', { name: 'It is there after all' }).click();
  await expect.poll(async () => (await lotOf()).goneOn ?? null).toBeNull();
});

test('where two pages change the same of one lot, the second is told, and then has its way', async ({ page, context }) => {
  const other = await context.newPage();
  const [one, two] = [await atTheLot(page), await atTheLot(other)];
  for (const [at, place, batch] of [
    [one, 'Upper board', 'B-1'],
    [two, 'Lower board', null],
  ] as const) {
    await at.panel.getByRole('button', { name: 'Change it' }).click();
    await at.form.getByRole('textbox', { name: 'Stands at' }).fill(place);
    if (batch) await at.form.getByRole('textbox', { name: 'Batch number' }).fill(batch);
  }
  await one.form.getByRole('button', { name: 'Keep it' }).click();
  await expect(one.panel).toContainText('Upper board');
  await two.hears();
  await two.form.getByRole('button', { name: 'Keep it' }).click();
  await expect(two.form.getByRole('alert')).toContainText('it is now Upper board');
  expect(await lotOf()).toMatchObject({ standsAt: 'Upper board', batch: 'B-1' });
  // What was typed stands there still; what was not is as it is by now.
  await expect(two.form.getByRole('textbox', { name: 'Stands at' })).toHaveValue('Lower board');
  await expect(two.form.getByRole('textbox', { name: 'Batch number' })).toHaveValue('B-1');
  await two.form.getByRole('button', { name: 'Keep it' }).click();
  await expect(two.panel).toContainText('Lower board');
  expect(await lotOf()).toMatchObject({ standsAt: 'Lower board', batch: 'B-1' });
});

test('what two pages want of one mend is both followed', async ({ page, context }) => {
  const other = await context.newPage();
  interface Wish {
    weight: number;
    person: string | null;
  }
  const days = async () => (await fetch(`${server.url}/api/days`)).text();
  const wishes = async () => (JSON.parse(await days()) as { mends: { wish: Wish }[] }).mends.map(({ wish }) => `${wish.weight} ${wish.person ?? ''}`);
  const stale = await days();
  for (const each of [page, other]) {
    await each.route('**/api/days', (route) => route.fulfill({ contentType: 'application/json', body: stale }));
    await each.goto(`${server.url}/days`);
    await each.getByText('Change who, when or what counts').first().click();
  }
  await page.getByRole('radio', { name: 'before all' }).first().click();
  await expect.poll(wishes).toContain('20 ');
  await other.getByRole('radio', { name: 'Wren' }).first().click();
  await expect.poll(wishes).toContain('20 Wren');
  // The first page still sees that it is for whoever can.
  await page.getByRole('radio', { name: 'Ash' }).first().click();
  await expect(page.getByText('Somebody else changed this meanwhile: it is now Wren.')).toBeVisible();
  expect(await wishes()).toContain('20 Wren');
});
