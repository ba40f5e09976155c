import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { resolve } from 'node:path';
import { chromium as browsers, expect, test, type Page } from '@playwright/test';
import { PNG } from 'pngjs';
import { chromium } from './chromium.ts';
import { askew, filmOf } from './film.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
const films = mkdtempSync(resolve(tmpdir(), 'able-mend-films-'));
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(async () => {
  await server.dispose();
  rmSync(films, { recursive: true, force: true });
});

/** The label of a lot, as it comes out on paper. */
async function labelOfLot(page: Page, name: string): Promise<Buffer> {
  await page.goto(`${server.url}/shelf/labels`);
  return page.getByRole('listitem').filter({ hasText: name }).screenshot();
}

/** The label of an item of a ticket, as it comes out on paper. */
async function labelOfItem(page: Page, ticket: number, tag: string): Promise<Buffer> {
  await page.goto(`${server.url}/tickets/${ticket}/paper`);
  return page.getByRole('list', { name: 'Item labels' }).getByRole('listitem').filter({ hasText: tag }).screenshot();
}

/** A browser whose camera is held at a label. */
async function heldAt<T>(label: Buffer, look: (page: Page) => Promise<T>): Promise<T> {
  const film = resolve(films, 'film.y4m');
  writeFileSync(film, filmOf(askew(label, 12)));
  const browser = await browsers.launch({
    executablePath: chromium,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
    ],
  });
  try {
    return await look(await browser.newPage());
  } finally {
    await browser.close();
  }
}

async function firstTicket(): Promise<{ id: number; tag: string }> {
  const tickets = (await (await fetch(`${server.url}/api/tickets`)).json()) as { id: number; mends: { tag: string }[] }[];
  const { id, mends } = tickets.find((each) => each.mends.length > 0)!;
  return { id, tag: mends[0]!.tag };
}

test('a camera that is held at the label of a lot opens it, to be counted with one tap', async ({ page }) => {
  const label = await labelOfLot(page, 'L-003');
  await heldAt(label, async (held) => {
    await held.goto(`${server.url}/shelf`);
    await held.getByRole('button', { name: 'Scan', exact: true }).click();
    const lot = held.getByRole('region', { name: 'L-003', exact: true });
    await expect(lot).toBeVisible();
    await expect(held.getByRole('dialog')).toBeHidden();
    await lot.getByRole('button', { name: '½' }).click();
    await expect(lot.getByRole('button', { name: '½' })).toBeEnabled();
    // Wherever one stands, a label opens what it is on.
    await held.goto(server.url);
    await held.getByRole('heading', { name: 'The bench' }).waitFor();
    await held.keyboard.press('s');
    await expect(held).toHaveURL(/\/shelf\?lot=L-003$/);
    // What is no item is not taken in.
    await held.goto(`${server.url}/new`);
    await held.getByRole('button', { name: 'Scan', exact: true }).click();
    await expect(held.getByRole('status').filter({ hasText: 'There is no item' })).toContainText('lot=L-003 here.');
  });
});

test('items are taken in by their labels, each once', async ({ page }) => {
  const { id, tag } = await firstTicket();
  const label = await labelOfItem(page, id, tag);
  await heldAt(label, async (held) => {
    await held.goto(`${server.url}/counter`);
    const scan = held.getByRole('button', { name: 'Scan', exact: true });
    await scan.click();
    await expect(held.getByRole('dialog')).toBeHidden();
    await scan.click();
    await expect(held.getByRole('status').filter({ hasText: 'is on the ticket already' })).toContainText(tag);
    await held.getByRole('button', { name: 'Close' }).click();
  });
});

test('where the browser keeps the camera from the page, it says so, and a picture does as well', async ({ page }) => {
  const label = await labelOfLot(page, 'L-004');
  // A browser without a window has nobody to ask: what it answers once somebody has said no stands in for it.
  await page.addInitScript(() => {
    const no = () => Promise.reject(new DOMException('Permission denied', 'NotAllowedError'));
    const one = [{ kind: 'videoinput', deviceId: '', groupId: '', label: '' }];
    Object.defineProperty(navigator, 'mediaDevices', { value: { getUserMedia: no, enumerateDevices: () => Promise.resolve(one) } });
  });
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('Allow it beside the address, or take a picture');
  await page
    .getByLabel('Picture of the code')
    .setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: PNG.sync.write(askew(label, -25, 1512, 2016)) });
  await expect(page.getByRole('region', { name: 'L-004', exact: true })).toBeVisible();
});

test('a telephone that comes without encryption has no camera that films: a picture is taken, and one without a code says so', async ({
  browser,
  page: desk,
}) => {
  const label = await labelOfLot(desk, 'L-005');
  const context = await browser.newContext({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.addInitScript(() => Object.defineProperty(navigator, 'mediaDevices', { value: undefined }));
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('button', { name: 'Scan', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Take a picture of the code' })).toBeVisible();
  const picture = page.getByLabel('Picture of the code');
  await picture.setInputFiles({ name: 'bench.png', mimeType: 'image/png', buffer: PNG.sync.write(new PNG({ width: 640, height: 480 })) });
  await expect(page.getByRole('status').filter({ hasText: 'No code is seen' })).toBeVisible();
  await picture.setInputFiles({ name: 'label.heic', mimeType: 'image/heic', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('status').filter({ hasText: 'No code is seen' })).toBeVisible();
  await picture.setInputFiles({ name: 'label.png', mimeType: 'image/png', buffer: PNG.sync.write(askew(label, 30)) });
  await expect(page.getByRole('region', { name: 'L-005', exact: true })).toBeVisible();
  await context.close();
});
