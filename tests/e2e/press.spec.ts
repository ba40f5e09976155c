import { expect, test, type Locator, type Page } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

interface Point {
  x: number;
  y: number;
}

const middle = async (of: Locator): Promise<Point> => {
  await of.scrollIntoViewIfNeeded();
  const box = (await of.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};

/** What a window that opens does to what lies below it, where a browser does not hold on to what is seen. */
const moveDown = (what: Locator, px: number) =>
  what.evaluate((moved, height) => {
    document.documentElement.style.overflowAnchor = 'none';
    const opened = document.createElement('div');
    opened.style.height = `${height}px`;
    moved.prepend(opened);
  }, px);

const notesOf = async (id: number) => {
  const { events } = (await (await fetch(`${server.url}/api/mends/${id}`)).json()) as { events: { kind: string; text: string | null }[] };
  return events.filter((each) => each.kind === 'note').map((each) => each.text);
};

test('a tap is given to what was pressed, though the page moves under it', async ({ page }) => {
  await page.goto(`${server.url}/mends/6/mend`);
  await page.getByRole('textbox', { name: 'Note' }).fill('pressed as the window opened');
  const { x, y } = await middle(page.getByRole('button', { name: 'Save note' }));
  await page.mouse.move(x, y);
  await page.mouse.down();
  await moveDown(page.getByRole('region', { name: 'Other actions' }), 90);
  // It is no longer there.
  expect((await page.getByRole('button', { name: 'Save note' }).boundingBox())!.y).toBeGreaterThan(y);
  await page.mouse.up();
  await expect.poll(() => notesOf(6)).toContain('pressed as the window opened');
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('');

  // One that slid off means nothing.
  await page.getByRole('textbox', { name: 'Note' }).fill('slid off');
  const again = await middle(page.getByRole('button', { name: 'Save note' }));
  await page.mouse.move(again.x, again.y);
  await page.mouse.down();
  await page.mouse.move(again.x, again.y + 90);
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('slid off');
});

test.describe('by a finger', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  const comesDown = async (page: Page, at: Point) => {
    const finger = await page.context().newCDPSession(page);
    await finger.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [at] });
    return () => finger.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  };
  const mendsOf = (page: Page) => page.getByRole('main').locator('a[href*="/mends/"]');

  test('a finger that stays where it is presses no other mend than the one it came down on', async ({ page }) => {
    await page.goto(server.url);
    const mends = mendsOf(page);
    await expect(mends.nth(2)).toBeVisible();
    const meant = await middle(mends.nth(2));
    const above = await mends.nth(1).boundingBox();
    const to = (await mends.nth(2).getAttribute('href'))!;
    const lift = await comesDown(page, meant);
    // As far as brings the one above to where the finger is.
    await moveDown(page.getByRole('main'), meant.y - (above!.y + above!.height / 2));
    await lift();
    await expect(page).toHaveURL(`${server.url}${to}`);
  });

  test('what was pressed and is gone is not done, nor is what came in its place', async ({ page }) => {
    await page.goto(server.url);
    const mend = mendsOf(page).nth(1);
    await expect(mend).toBeVisible();
    const lift = await comesDown(page, await middle(mend));
    const came = await mend.evaluateHandle((gone) => {
      const other = gone.cloneNode(true) as HTMLElement;
      other.addEventListener('click', () => (other.dataset.pressed = 'yes'));
      gone.replaceWith(other);
      return other;
    });
    await lift();
    await expect(page).toHaveURL(`${server.url}/`);
    expect(await came.evaluate((other) => other.dataset.pressed)).toBeUndefined();
  });
});

test('what comes up at the foot lets a tap through that was on its way to what lies under it', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  // Begins to ring in a moment.
  await page.route('**/api/bench', async (route) => {
    const bench = await (await route.fetch()).json();
    const soon = bench.entries.find((each: { window: object | null; useBy: string | null }) => each.window && !each.useBy);
    soon.window = { ...soon.window, opensAt: new Date(Date.parse('2026-05-06T09:00:00Z') + 3000).toISOString(), closesAt: null };
    bench.entries = [soon];
    await route.fulfill({ json: bench });
  });
  const rings = await page.goto(server.url).then(() =>
    page.evaluate(async () => {
      const alarm = () => document.querySelector('[role="alert"]');
      const frame = () => new Promise(requestAnimationFrame);
      while (!alarm()) await frame();
      const { left, top, width, height } = alarm()!.getBoundingClientRect();
      const isHit = () => alarm()!.contains(document.elementFromPoint(left + width - 60, top + height / 2));
      const atFirst = isHit();
      const from = performance.now();
      while (!isHit() && performance.now() - from < 5000) await frame();
      return { atFirst, afterMs: performance.now() - from };
    }),
  );
  expect(rings.atFirst).toBe(false);
  expect(rings.afterMs).toBeGreaterThan(300);
  expect(rings.afterMs).toBeLessThan(3000);
});
