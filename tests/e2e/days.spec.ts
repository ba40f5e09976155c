import { expect, test } from '@playwright/test';
import { ShopServer } from './server';

const server = new ShopServer();
const clock = '2026-05-06T09:45:00Z';

interface Days {
  plan: {
    people: string[];
    blocks: { mend: number; person: number; startsAt: string; endsAt: string }[];
    taken: { thing: string; number: number; mend: number }[];
    together: { at: string; kind: 'cup' | 'heat'; mixes: { mend: number; title: string }[] }[];
  };
  mends: { id: number; tag: string; wish: { person: string | null; notBy: string[] | null; beginAt: string | null } }[];
}

test.beforeEach(() => server.start({ clock }));
test.afterEach(() => server.dispose());

const served = async () => (await (await fetch(`${server.url}/api/days`)).json()) as Days;

test('the days say who takes what now and next, and follow what somebody wants of a mend', async ({ page }) => {
  test.setTimeout(90_000);
  await page.goto(`${server.url}/days`);
  for (const person of ['Wren', 'Ash']) await expect(page.getByRole('region', { name: person, exact: true }).getByText(/^(Now, until|Next at)/)).toBeVisible();
  const before = await served();
  // What is clamped now stands in the clamp's row, and every place that is taken has one.
  const clamped = before.plan.taken.find((taken) => taken.thing === 'clamp')!;
  const picture = page.getByRole('region', { name: 'The day against the clock' });
  const clampRow = picture.locator('div', { has: page.getByText(`Clamp ${clamped.number}`, { exact: true }) }).last();
  await expect(clampRow).toContainText(before.mends.find((mend) => mend.id === clamped.mend)!.tag);
  await expect(picture.getByText('Place 1', { exact: true })).toBeVisible();
  const { tag, id } = before.mends.find((mend) => before.plan.blocks.filter((block) => block.mend === mend.id && block.person === 0).length > 1)!;
  const row = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: tag, exact: true }) })
    .last();
  await row.getByText('Change who, when or what counts').click();
  await row.getByRole('radio', { name: 'Wren' }).click();
  await expect.poll(async () => (await served()).plan.blocks.filter((block) => block.mend === id).every((block) => block.person === 0)).toBe(true);
  await expect.poll(async () => (await served()).mends.find((mend) => mend.id === id)?.wish.person).toBe('Wren');
  await expect(row.getByText('by Wren')).toBeVisible();

  // Nobody has two things in hand at once, and what was wanted outlives the page and the server.
  await server.kill();
  await server.start({ clock });
  await page.reload();
  await expect(page.getByText('by Wren')).toBeVisible({ timeout: 30_000 });
  const { plan } = await served();
  for (const person of [0, 1]) {
    const own = plan.blocks.filter((block) => block.person === person);
    own.slice(1).forEach((block, i) => expect(Date.parse(block.startsAt)).toBeGreaterThanOrEqual(Date.parse(own[i]!.endsAt)));
  }
});

test('a mend is pinned to a time and kept from somebody, and the day says so', async ({ page }) => {
  await page.goto(`${server.url}/days`);
  const before = await served();
  const { tag, id } = before.mends.find((mend) => before.plan.blocks.filter((block) => block.mend === mend.id && block.person === 0).length > 1)!;
  const row = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: tag, exact: true }) })
    .last();
  await row.getByText('Change who, when or what counts').click();
  // Ticked at once, and not when the server has been asked: no moment in which it falls back.
  expect(await row.getByRole('checkbox', { name: 'Wren' }).evaluate((box: HTMLInputElement) => (box.click(), box.checked))).toBe(true);
  // Changed at once after the other, while the plan is still being made anew: neither is lost.
  await row.getByLabel('Begin it at').fill('2026-05-07T15:00');
  await expect(row.getByText(/not by Wren, pinned to .*15:00/)).toBeVisible();
  await expect
    .poll(async () => (await served()).mends.find((mend) => mend.id === id)?.wish)
    .toMatchObject({ notBy: ['Wren'], beginAt: expect.stringContaining('2026-05-07') });
  // Refused, it is not ticked.
  await row.getByRole('checkbox', { name: 'Ash' }).click();
  await expect(row.getByText('Then nobody is left who does it.')).toBeVisible();
  await expect.poll(async () => (await served()).plan.blocks.filter((block) => block.mend === id).every((block) => block.person === 1)).toBe(true);
});

test('another pair of hands is laid out from then on', async ({ page }) => {
  await page.goto(`${server.url}/shop`);
  await page.getByRole('button', { name: 'Another pair of hands' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('New mends start from these settings.')).toBeVisible();
  await page.goto(`${server.url}/days`);
  await expect(page.getByRole('region', { name: 'Technician 3' })).toBeVisible();
  expect((await served()).plan.people).toEqual(['Wren', 'Ash', 'Technician 3']);
});

test('a draft says when it can be promised, behind everything else', async ({ page }) => {
  await page.goto(`${server.url}/mends/13/plan`);
  const promise = page.getByRole('region', { name: 'What can be promised' });
  await expect(promise.getByText(/Behind the queue: ready/)).toBeVisible();
  await expect(promise.getByText(/On a bad day/)).toBeVisible();
});

test('the air of the day says how high it stands, when it is clear and what gives it off', async ({ page }) => {
  await page.goto(`${server.url}/days`);
  const air = page.getByRole('region', { name: 'Air in the room' });
  await expect(air.getByRole('img', { name: 'Vapour over the day, of the limit' })).toBeVisible();
  await expect(air.getByText(/of 8 h$/)).toBeVisible();
  const { vapours } = (await (await fetch(`${server.url}/api/air`)).json()) as { vapours: unknown[] };
  await expect(air.getByRole('listitem')).toHaveCount(vapours.length);
});

test('like mixes of two boards come together, and the day and its sheet say so', async ({ page }) => {
  for (let i = 0; i < 2; i++) await fetch(`${server.url}/api/gallery/eps-rail-crushed`, { method: 'POST' });
  const { plan, mends } = await served();
  const cup = plan.together.find((each) => each.mixes.length > 1)!;
  const tags = cup.mixes.map((mix) => mends.find((mend) => mend.id === mix.mend)!.tag);
  await page.goto(`${server.url}/days`);
  const day = new Date(cup.at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
  await page.getByRole('radio', { name: day }).click();
  const cups = page.getByRole('region', { name: 'One cup for several' });
  for (const tag of tags) await expect(cups).toContainText(tag);
  await expect(cups).toContainText(cup.mixes[0]!.title);
  await page.emulateMedia({ media: 'print' });
  await expect(cups).toBeVisible();
});

test('what two skis melt is melted with one hot tool, and each is one tap away', async ({ page }) => {
  // A shop of one pair of hands that has nothing else to do: it brings them to both in one go.
  await server.dispose();
  await server.start({ clock, empty: true });
  for (let i = 0; i < 2; i++) await fetch(`${server.url}/api/gallery/ski-base-scratch`, { method: 'POST' });
  const { plan, mends } = await served();
  const heat = plan.together.find((each) => each.kind === 'heat')!;
  await page.goto(`${server.url}/days`);
  const day = new Date(heat.at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
  await page.getByRole('radio', { name: day }).click();
  const heats = page.getByRole('region', { name: 'One heat-up for several' });
  await expect(heats).toContainText(heat.mixes[0]!.title);
  const { id, tag } = mends.find((mend) => mend.id === heat.mixes[1]!.mend)!;
  await heats.getByRole('link', { name: tag }).last().click();
  await expect(page).toHaveURL(new RegExp(`/mends/${id}/(plan|mend)$`));
});
