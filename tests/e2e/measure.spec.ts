import { expect, test, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { resolve } from 'node:path';
import { come } from './bench.ts';
import { readCode } from './scan.ts';
import { freePort, ShopServer } from './server.ts';

const server = new ShopServer();
const devices = resolve(import.meta.dirname, '../../artifacts/devices');
const clock = '2026-05-06T09:00:00Z';
const labels = mkdtempSync(resolve(tmpdir(), 'able-mend-labels-'));
let standIns: ChildProcess;
let port: number;

test.beforeAll(async () => {
  port = await freePort();
  await server.start({ clock, env: { AbleMend__Instruments: String(port) } });
  standIns = spawn('dotnet', ['able-mend-devices.dll', '--to', `127.0.0.1:${port}`, '--seed', '4', '--only', 'bench-scale', 'test-gauge'], {
    cwd: devices,
    stdio: 'ignore',
  });
});
test.afterAll(async () => {
  standIns.kill('SIGKILL');
  rmSync(labels, { recursive: true, force: true });
  await server.dispose();
});

interface Told {
  id: number;
  version: number;
  events: { kind: string; text: string | null; value: number | null; resolution: number | null }[];
  plan: { steps: { id: string; proof: string | null }[] };
  run: { currentStepId: string; phase: string; useBy: string | null } | null;
}

const json = { 'Content-Type': 'application/json' };
const told = async (answer: Response) => {
  expect(answer.ok, await answer.clone().text()).toBe(true);
  return (await answer.json()) as Told;
};
const tell = (id: string, words: string) => fetch(`${server.url}/api/instruments/${id}/do`, { method: 'POST', headers: json, body: JSON.stringify({ words }) });
const mendOf = async (id: number) => told(await fetch(`${server.url}/api/mends/${id}`));

/** The instruments find their way to the shop by themselves. */
const attached = (id: string, is = true) =>
  expect
    .poll(
      async () => {
        const { instruments } = (await (await fetch(`${server.url}/api/instruments`)).json()) as { instruments: { id: string; isAttached: boolean }[] };
        return instruments.find((each) => each.id === id)?.isAttached;
      },
      { timeout: 20_000 },
    )
    .toBe(is);

const isIn = (page: Page) => page.getByRole('button', { name: /is in/ });

/** Pours on the simulated pan, waits until it stands still at about that, and says that it is in. */
async function pour(page: Page, grams: number): Promise<void> {
  await tell('bench-scale', `pour ${grams}`);
  await expect.poll(async () => Number(/^([\d.]+)/.exec(await isIn(page).innerText())?.[1]), { timeout: 30_000 }).toBeGreaterThan(grams - 0.8);
  await expect(isIn(page)).toBeEnabled();
  await isIn(page).click();
}

test('a scale that goes flat in the middle of a mend is put aside for syringes, and the record says so', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass-mix');
  await page.goto(`${server.url}/mends/${id}/mend`);
  const poured = async () =>
    (
      await page
        .getByText(/Stir a full minute/)
        .first()
        .innerText()
    ).split('Stir')[0];
  const before = await poured();
  await page.getByText('Measure it with something else').click();
  const offered = page.getByRole('radiogroup', { name: 'Measured with' });
  await offered.getByRole('radio', { name: 'Small syringes' }).click();
  await expect(offered.getByRole('radio', { name: 'Small syringes' })).toBeChecked();
  await expect.poll(poured).not.toBe(before);
  await page.getByRole('button', { name: 'Undo last' }).click();
  await expect.poll(poured).toBe(before);
  await page.getByRole('button', { name: /Mix it now/ }).click();
  await expect(page.getByText('Measure it with something else')).toBeHidden();
  await page.goto(`${server.url}/mends/${id}/prove`);
  await page.getByText(/What happened/).click();
  await expect(page.getByText('measured with Syringes, marks every')).toBeVisible();
});

test('a cup is poured by the scale: too much hardener is put right, the clock runs from its first gram, and the record says what went in', async ({ page }) => {
  await attached('bench-scale');
  const id = await come(server.url, 'fin-box-surround', 'glass-mix');
  await page.addInitScript(() => {
    window.print = () => void Object.assign(window, { printed: true });
  });
  await page.goto(`${server.url}/mends/${id}/mend`);
  const cup = page.getByRole('region', { name: 'Cup' });
  await tell('bench-scale', 'clear');
  await tell('bench-scale', 'put 9');
  await cup.getByRole('button', { name: /empty cup is on the scale/ }).click();
  await pour(page, 25);
  // 25 g of resin for 23: the hardener goes up with it, 9.7 to 10.5.
  await expect(cup.getByText('Pour: Hardener (B)')).toBeVisible();
  expect(Number(/([\d.]+) g/.exec(await cup.locator('p.numeral').first().innerText())![1])).toBeCloseTo(10.5, 0);
  await pour(page, 14);
  await expect(cup.getByText(/The hardener is .* over/)).toBeVisible();
  await expect(cup.getByText('Pour more: Resin (A)')).toBeVisible();
  await pour(page, 8.2);
  await expect(cup.getByText(/Stir slowly|Scrape/)).toBeVisible();
  await expect(page.getByText('In the cup: use within')).toBeVisible();

  // The label is printed from here, with the times of this very cup, and the bench stays where it is.
  await page.keyboard.press('l');
  await expect.poll(() => page.evaluate(() => 'printed' in window)).toBe(true);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText(/^Mixed at \d\d:\d\d$/)).toBeVisible();
  await expect(page.getByText(/^Discard after \d\d:\d\d$/)).toBeVisible();
  await expect(cup).toBeHidden();
  await page.emulateMedia({ media: null });
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(page.getByText(/^Discard after/)).toHaveCount(0);
  await expect(cup).toBeVisible();
  await cup.getByRole('button', { name: /^Mixed/ }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Lay the patches' })).toBeVisible();

  const mend = await mendOf(id);
  const poured = mend.events.filter((event) => event.kind === 'poured');
  expect(poured.map((event) => event.text)).toEqual(['resin', 'hardener', 'resin']);
  expect(poured.every((event) => event.resolution === 0.1)).toBe(true);
  expect(poured[1]!.value).toBeGreaterThan(13);
  expect(mend.run!.useBy, 'a larger cup is a quicker one').not.toBeNull();
});

test('what is too much for the cup is taken out again before it sets, and thrown out after', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass-mix');
  await page.goto(`${server.url}/mends/${id}/mend`);
  const cup = page.getByRole('region', { name: 'Cup' });
  // By hand, although a scale stands by.
  await attached('bench-scale');
  await cup.getByRole('checkbox', { name: /By Bench scale/ }).uncheck();
  const became = async (amount: string) => {
    await cup.getByRole('textbox', { name: /It became/ }).fill(amount);
    await cup.getByRole('button', { name: 'Save that' }).click();
  };
  await became('55');
  await expect(cup.getByText('Too much.')).toBeVisible();
  await expect(cup.getByText('Take out again: Resin (A)')).toBeVisible();
  await cup.getByRole('button', { name: /is out/ }).click();
  await expect(cup.getByText('Pour: Hardener (B)')).toBeVisible();
  await became('45');
  await expect(cup.getByText('Lost.')).toBeVisible();
  await cup.getByRole('button', { name: /thrown out/ }).click();
  await expect(cup.getByText('Pour: Resin (A)')).toBeVisible();
  await expect(page.getByText('In the cup: use within')).toBeHidden();
  await isIn(page).click();
  await isIn(page).click();
  await expect(cup.getByText('The ratio is right, known to 4.5 %')).toBeVisible();
  expect((await mendOf(id)).events.slice(-4).map((event) => event.kind)).toEqual(['poured', 'thrown-out', 'poured', 'poured']);
});

test('a pulled cable is said on the page and mended by itself', async ({ page }) => {
  await attached('bench-scale');
  const id = await come(server.url, 'fin-box-surround', 'glass-mix');
  await page.goto(`${server.url}/mends/${id}/mend`);
  const cup = page.getByRole('region', { name: 'Cup' });
  await expect(cup.getByRole('checkbox', { name: /By Bench scale/ })).toBeChecked();
  await tell('bench-scale', 'unplug 3');
  await expect(
    page.getByText('Bench scale is not attached: measure by hand.').or(page.getByRole('button', { name: 'Measure it in, part by part' })),
  ).toBeVisible();
  await expect(cup.getByRole('checkbox', { name: /By Bench scale/ })).toBeChecked({ timeout: 15_000 });
});

test('a gauge fills in the readings of a hold test', async ({ page }) => {
  await attached('test-gauge');
  await tell('test-gauge', 'inflate 100');
  const id = await come(server.url, 'inflatable-board-seam-leak', 'watch');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect(page.getByRole('button', { name: /^Done/ })).toBeEnabled();
  await page.keyboard.press('d');
  await page.getByRole('button', { name: 'Save reading' }).first().click();
  await expect(page.getByText(/Readings: 1/)).toBeVisible();
  const { events } = await mendOf(id);
  expect(events.at(-1)).toMatchObject({ kind: 'pressure', resolution: 0.1 });
  expect(events.at(-1)!.value).toBeGreaterThan(90);
  await page.getByLabel(/^Read Test gauge by itself/).click();
  await expect(page.getByLabel(/^Read Test gauge by itself/)).toBeChecked();
  await expect.poll(async () => (await mendOf(id)).events.findLast((each) => each.kind === 'gauge')?.text).toBe('test-gauge');
});

test('what went wrong is one key away, and its remedy joins the mend', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect(page.getByRole('button', { name: /^Done/ })).toBeEnabled();
  await page.keyboard.press('d');
  await expect(page.getByRole('button', { name: /^Ready/ })).toBeVisible();
  await page.keyboard.press('w');
  await page.getByRole('button', { name: /Still tacky past its time/ }).click();
  await page.getByRole('button', { name: /Soft or rubbery all over/ }).click();
  const heading = (name: string) => expect(page.getByRole('heading', { level: 2, name })).toBeVisible();
  const done = () => page.getByRole('button', { name: /^Done/ }).click();
  await heading('Scrape it all off');
  await done();
  await heading('Wipe and key the ground again');
  await done();
  await page.getByRole('button', { name: /^Ready/ }).click();
  await heading('Mix the resin for the cloth');
  await page.goto(`${server.url}/mends/${id}/prove`);
  await page.getByText(/^What happened/).click();
  await expect(page.getByText(/Did not set: the ratio was off/)).toBeVisible();
});

test('a dropper is counted onto the scale, and from then on plans count in its drops', async ({ page }) => {
  await page.goto(`${server.url}/shop`);
  const drops = page.getByRole('group', { name: 'Dropper', exact: true });
  await drops.getByRole('radio', { name: 'Of my dropper, weighed' }).click();
  await drops.getByRole('textbox', { name: /Drops counted/ }).fill('10');
  // Ten drops on this scale say too little, and what would do is named.
  await attached('bench-scale');
  await tell('bench-scale', 'clear');
  await tell('bench-scale', 'put 0.4');
  await drops.getByRole('button', { name: /Take what Bench scale shows: 0\.[345] g/ }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/So a drop is known to \d+ % only/)).toBeVisible();
  await expect(page.getByText(/Count \d+ drops, or use a finer scale\./)).toBeVisible();

  await drops.getByRole('textbox', { name: /Drops counted/ }).fill('100');
  await tell('bench-scale', 'put 3.6');
  await drops.getByRole('button', { name: /Take what Bench scale shows: (3\.9|4\.[01]) g/ }).click();
  await expect(drops.getByText(/One drop: 0\.0(39|40|41) g/)).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('New mends start from these settings.')).toBeVisible();

  const { settings } = (await (await fetch(`${server.url}/api/shop`)).json()) as { settings: { tools: object } };
  const scratch = JSON.parse(readFileSync(resolve(import.meta.dirname, '../../examples/gel-coat-hull-scratch.case.json'), 'utf8')) as object;
  const plan = await fetch(`${server.url}/api/plans`, { method: 'POST', headers: json, body: JSON.stringify({ ...scratch, tools: settings.tools }) });
  const { figures } = (await plan.json()) as { figures: { id: string; value: number }[] };
  expect(figures.find((figure) => figure.id === 'dropper.drop')?.value).toBeCloseTo(0.04, 2);
});

test('what is weighed before and after is read from the scale, which says when it is too coarse for its test', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'prove-float');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await attached('bench-scale');
  await tell('bench-scale', 'clear');
  const weigh = async (more: number, all: string) => {
    await tell('bench-scale', `put ${more}`);
    await expect(page.getByPlaceholder(all, { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Save it' }).click();
  };
  await weigh(300, '300');
  await expect(page.getByText('Weight before', { exact: true })).toBeVisible();
  await weigh(5, '305');
  await expect(page.getByText('Too close to tell.')).toBeVisible();
  const { events } = await mendOf(id);
  expect(events.filter((each) => each.kind === 'measured').every((each) => each.resolution === 0.1)).toBe(true);
});

test('a mend is measured with another device of the shop, and its amounts follow', async ({ page }) => {
  const { id } = await told(await fetch(`${server.url}/api/gallery/fin-box-surround`, { method: 'POST' }));
  await page.goto(`${server.url}/mends/${id}/plan`);
  const with_ = page.getByRole('radiogroup', { name: 'Measured with' });
  await expect(with_.getByRole('radio', { name: 'Cup, lines every 5 mL' })).toBeChecked();
  await expect(page.getByText(/^By the lines of the cup [\d.]+ mL of resin/).first()).toBeVisible();
  await with_.getByRole('radio', { name: 'Bench scale' }).click();
  await expect(page.getByText(/^On the scale [\d.]+ g of resin/).first()).toBeVisible();
  await expect(page.getByText(/^saved /)).toBeVisible();
  await page.reload();
  await expect(with_.getByRole('radio', { name: 'Bench scale' })).toBeChecked();
  await with_.getByRole('radio', { name: 'Small syringes' }).click();
  await expect(page.getByText(/^From a syringe of its own each, [\d.]+ mL of resin/).first()).toBeVisible();
});

/** A label that came out of the printer: it counts its roll down before the whole of it is written. */
async function printed(name: string): Promise<string> {
  const file = resolve(labels, name);
  await expect.poll(() => existsSync(file) && readFileSync(file, 'utf8').includes('</svg>')).toBe(true);
  return readFileSync(file, 'utf8');
}

test('the label of a cup comes out of the printer, and an empty roll is said and printed here instead', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass-mix');
  const printer = spawn('dotnet', ['able-mend-devices.dll', '--to', `127.0.0.1:${port}`, '--only', 'label-printer', '--labels', labels], {
    cwd: devices,
    stdio: 'ignore',
  });
  await attached('label-printer');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect(page.getByText('Label printer: 200 labels left')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('Printed. Label printer: 199 labels left')).toBeVisible();
  const written = await printed('label-0001.svg');
  for (const words of ['Resin (A): ', 'Hardener (B): ', 'Use it within ']) expect(written).toContain(words);

  // An item's label carries the code that opens it: read off the drawing as a camera would.
  const item = await fetch(`${server.url}/api/items`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ tag: 'FIN / 7', name: 'Fin, smoked', construction: 'eps-epoxy-board', ageMonths: null, warranty: 'none' }),
  });
  const items = [((await item.json()) as { id: number }).id];
  const ticket = await fetch(`${server.url}/api/tickets`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ customer: { name: 'Mara Linden' }, items }),
  });
  const taken = (await ticket.json()) as { id: number };
  await page.goto(`${server.url}/tickets/${String(taken.id)}`);
  await page.getByRole('button', { name: "Print the item's label" }).click();
  await expect(page.getByText('Printed. Label printer: 198 labels left')).toBeVisible();
  await page.goto('about:blank');
  await page.setContent(await printed('label-0002.svg'));
  expect(await readCode(page.locator('svg'))).toBe(`${server.url}/tags/FIN%20%2F%207`);
  // So does that of a lot.
  await fetch(`${server.url}/api/shelf/Wax%20%26%20%C3%B6l`, {
    method: 'PUT',
    headers: json,
    body: JSON.stringify({ lot: { id: 'Wax & öl', material: 'acetone', had: 500, unit: 'ml' } }),
  });
  await page.goto(`${server.url}/shelf?lot=${encodeURIComponent('Wax & öl')}`);
  await page.getByRole('region', { name: 'Wax & öl', exact: true }).getByRole('button', { name: 'Print its label' }).click();
  await expect(page.getByText('Printed. Label printer: 197 labels left')).toBeVisible();
  await page.goto('about:blank');
  await page.setContent(await printed('label-0003.svg'));
  expect(await readCode(page.locator('svg'))).toBe(`${server.url}/shelf?lot=Wax%20%26%20%C3%B6l`);
  await page.goto(`${server.url}/mends/${id}/mend`);

  await tell('label-printer', 'empty');
  await expect(page.getByText('Label printer: 0 labels left')).toBeVisible();
  await page.getByRole('button', { name: /Print its label/ }).click();
  await expect(page.getByText(/The roll of Label printer is empty/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print it with this device' })).toBeVisible();
  expect(readdirSync(labels)).toHaveLength(3);
  printer.kill('SIGKILL');
  await attached('label-printer', false);
});
