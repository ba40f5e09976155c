import { expect, test, type Browser, type Page } from '@playwright/test';
import { start, turnTo } from './bench.ts';
import { ShopServer } from './server.ts';

/** How much happens; a longer run is `ABLE_MEND_DEEDS=400 npx playwright test devices.spec.ts`, another order `ABLE_MEND_SEED=7`. */
const deeds = Number(process.env.ABLE_MEND_DEEDS ?? 14);
const seed = Number(process.env.ABLE_MEND_SEED ?? 1);

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());
test.setTimeout(60_000 + deeds * 8_000);

/** Chance from a seed (mulberry32), so that whatever is found can be found again. */
function chance(from: number) {
  let state = from >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
}

/** The page's clock is the shop's by as much as an answer took. */
const heardWithinMs = 1000;

const pause = (ms: number) => new Promise((wake) => setTimeout(wake, ms));

interface Served {
  case: { damages: { seen: { depthMm: number; shape: { widthMm: number } } }[] };
  events: { at: string; kind: string; text: string | null }[];
}
/** What the server has of a mend. A connection that was closed while nobody used it, as over a long run, is made anew. */
const served = async (id: number) => {
  const ask = () => fetch(`${server.url}/api/mends/${id}`);
  return (await (await ask().catch(ask)).json()) as Served;
};

/** What each device changes, and how it stands in the case. */
const fields = [
  { label: /How deep/, value: (i: number) => (20 + (i % 60)) / 100, of: (mend: Served) => mend.case.damages[0]!.seen.depthMm },
  { label: 'Width', value: (i: number) => 50 + (i % 40), of: (mend: Served) => mend.case.damages[0]!.seen.shape.widthMm },
];

const apart = { name: 'two devices', contexts: (browser: Browser) => Promise.all(fields.map(() => browser.newContext())) };
const together = {
  name: 'two tabs of one browser',
  contexts: async (browser: Browser) => {
    const one = await browser.newContext();
    return fields.map(() => one);
  },
};

for (const { name, contexts } of [apart, together])
  test(`${name} on two drafts, seed ${seed}: no change is lost, and none lands in another mend`, async ({ browser }) => {
    const luck = chance(seed);
    const drafts: number[] = [];
    for (let i = 0; i < 2; i++)
      drafts.push(((await (await fetch(`${server.url}/api/gallery/fin-box-surround`, { method: 'POST' })).json()) as { id: number }).id);
    const expected = new Map<string, number>();
    const pages: Page[] = [];
    for (const context of await contexts(browser)) {
      const page = await context.newPage();
      await page.goto(`${server.url}/mends/${drafts[0]}/look`);
      pages.push(page);
    }
    // How far each has gone on: back before its first page there is nothing.
    const gone = [0, 0];
    for (let i = 1; i <= deeds; i++) {
      const d = luck([0, 1]);
      const [page, field] = [pages[d]!, fields[d]!];
      const does = luck(['edit', 'edit', 'edit', 'switch', 'switch', 'back', 'away'] as const);
      if (does === 'switch') {
        await open(page, luck(drafts));
        gone[d]!++;
      }
      if (does === 'back' && gone[d]! > 0) {
        await page.goBack();
        gone[d]!--;
      }
      if (does === 'away') {
        await page.context().setOffline(true);
        await pause(luck([200, 1500]));
        await page.context().setOffline(false);
      }
      const id = Number(/mends\/(\d+)/.exec(page.url())?.[1]);
      if (does === 'edit' && drafts.includes(id)) {
        const value = field.value(i);
        await page.getByRole('textbox', { name: field.label, exact: typeof field.label === 'string' }).fill(String(value));
        expected.set(`${id} ${d}`, value);
        await pause(luck([0, 50, 300, 900]));
      }
    }
    expect(expected.size).toBeGreaterThan(1);
    for (const [what, value] of expected) {
      const [id, d] = what.split(' ').map(Number);
      await expect.poll(async () => fields[d!]!.of(await served(id!)), { message: `mend ${id}, device ${d}`, timeout: 20_000 }).toBe(value);
    }
    for (const page of pages) await page.context().close();
  });

/** To a mend as a hand goes there, inside the page. */
async function open(page: Page, id: number): Promise<void> {
  await page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, `/mends/${id}/look`);
  await expect(page).toHaveURL(new RegExp(`/mends/${id}/look$`));
  await expect(page.getByRole('textbox', { name: /How deep/ })).toBeVisible();
}

interface Tap {
  mend: number;
  kind: string;
  text: string | null;
  from: number;
  to: number;
}

/** What the buttons of the bench are kept as. */
const kinds: Record<string, string> = {
  'Save note': 'note',
  Done: 'hands-done',
  Mixed: 'hands-done',
  'Mix it now': 'begin',
  Ready: 'ready',
  'Not yet': 'not-yet',
};

/** Writes down what was really pressed, where and when: the page may move on between a look at it and the tap. */
async function watchTaps(page: Page, tapped: (tap: Omit<Tap, 'from' | 'to'>) => void): Promise<void> {
  await page.exposeBinding('tapped', (_, ...[mend, words, text]: [number, string, string]) => {
    const name = Object.keys(kinds).find((each) => words.startsWith(each));
    if (name) tapped({ mend, kind: kinds[name]!, text: name === 'Save note' ? text : null });
  });
  await page.addInitScript(() => {
    document.addEventListener('DOMContentLoaded', () =>
      document.getElementById('root')!.addEventListener(
        'click',
        ({ target }) => {
          const button = (target as Element).closest('button');
          const note = button?.form?.querySelector('input, textarea') as HTMLInputElement | null | undefined;
          const mend = Number(/mends\/(\d+)/.exec(location.pathname)?.[1]);
          if (button) void (window as unknown as { tapped: (...what: unknown[]) => void }).tapped(mend, button.innerText.trim(), note?.value ?? '');
        },
        true,
      ),
    );
  });
}

test(`a bench whose network comes and goes, seed ${seed}: everything that was tapped is there once, in order, with its own time`, async ({ page, context }) => {
  const luck = chance(seed);
  const mends: number[] = [];
  for (const worked of ['fin-box-surround', 'ski-tip-parted', 'eps-rail-crushed']) {
    const { id } = (await (await fetch(`${server.url}/api/gallery/${worked}`, { method: 'POST' })).json()) as { id: number };
    await start(server.url, id);
    mends.push(id);
  }
  // The page's clock is the shop's: what the server says it is when the page says it is.
  const offset = Date.parse(((await (await fetch(`${server.url}/api/shop`)).json()) as { now: string }).now) - Date.now();
  const taps: Tap[] = [];
  let from = 0;
  await watchTaps(page, (tap) => taps.push({ ...tap, from, to: Date.now() + offset }));
  page.on('dialog', (dialog) => void dialog.accept());
  const note = page.getByRole('textbox', { name: 'Note' });
  const stage = (id: number) => `${server.url}/mends/${id}/mend`;
  // A mend that was never seen cannot be worked on without a network.
  for (const id of mends) {
    await turnTo(page, stage(id));
    await expect(page).toHaveURL(stage(id));
    await expect(note).toBeVisible();
  }
  const act = page.getByRole('region', { name: 'Now' }).getByRole('button', { name: /^(Done|Mixed|Mix it now|Ready|Not yet)/ });
  for (let i = 1; i <= deeds; i++) {
    const away = luck([true, false, true]);
    await context.setOffline(away);
    const does = luck(['note', 'note', 'note', 'act', 'act', 'turn', 'turn', 'reload'] as const);
    from = Date.now() + offset;
    if (does === 'turn') {
      await turnTo(page, stage(luck(mends)));
      await expect(note).toBeVisible();
    }
    if (does === 'reload' && !away) {
      await page.reload();
      await expect(note).toBeVisible();
    }
    if (does === 'note' || (await act.count()) === 0) {
      await note.fill(`note ${i} of ${seed}`);
      await page.getByRole('button', { name: 'Save note' }).click();
      await expect(note).toHaveValue('');
    } else if (does === 'act') await act.nth(luck([0, 1]) % (await act.count())).click();
    await pause(luck([0, 200, 1200]));
  }
  await context.setOffline(false);
  expect(new Set(taps.map((each) => each.kind)).size).toBeGreaterThan(1);
  for (const id of mends) {
    const tapped = taps.filter((each) => each.mend === id);
    const kept = async () => (await served(id)).events.filter((each) => Object.values(kinds).includes(each.kind));
    // What waited is sent one after another.
    // What is missing, or too much, is told below by what it is.
    await expect
      .poll(async () => (await kept()).length, { timeout: 30_000 + deeds * 100 })
      .toBe(tapped.length)
      .catch(() => undefined);
  }
  // Nothing is sent a second time.
  await pause(2500);
  await expect(page.getByText('Kept on this device.')).toBeHidden();
  for (const id of mends) {
    await turnTo(page, stage(id));
    await expect(note).toBeVisible();
    await expect(page.getByRole('button', { name: 'Seen; throw it away' })).toBeHidden();
  }
  for (const id of mends) {
    const tapped = taps.filter((each) => each.mend === id);
    const events = (await served(id)).events.filter((each) => Object.values(kinds).includes(each.kind));
    expect(events.map((each) => [each.kind, each.text])).toEqual(tapped.map((each) => [each.kind, each.text]));
    // As exactly as the page hears what time it is in the shop, however long a busy machine took over the tap.
    for (const [i, each] of events.entries()) {
      expect(Date.parse(each.at)).toBeGreaterThan(tapped[i]!.from - heardWithinMs);
      expect(Date.parse(each.at)).toBeLessThan(tapped[i]!.to + heardWithinMs);
    }
  }
});
