import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { settleAt } from './bench.ts';
import { ShopServer } from './server.ts';

const list = (path: string) => JSON.parse(readFileSync(resolve(import.meta.dirname, '../..', path), 'utf8')) as string[];
const templates = ['src/AbleMend.Core/Words/templates.json', 'src/AbleMend.Cli/Words/templates.json', 'web/words.json'].flatMap(list);

const accents: Readonly<Record<string, string>> = { a: 'å', e: 'é', i: 'î', o: 'ø', u: 'ü', A: 'Å', E: 'É', I: 'Î', O: 'Ø', U: 'Ü' };

/** A language that nobody speaks: every template between brackets, its vowels with accents, its numbered places as they are. */
const pseudo = (english: string) => `⟦${english.replace(/[aeiou]/gi, (vowel) => accents[vowel]!)}⟧`;
const language = Object.fromEntries(templates.filter((english) => english !== 'en-GB').map((english) => [english, pseudo(english)]));

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-11-25T10:40:00Z', language }));
test.afterAll(() => server.dispose());

const calendar = /\b(Mon|Tue|Wed|Thu|Fri|Sat|Sun|Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sept?|Oct|Nov|Dec)\b/g;
/** What is the same in every language: the product's name, the names of keys, file formats and standards. */
const names = /\b(Able Mend|Tab|Enter|Esc|PDF|SVG|FEPA|CAMI|ISO \d+)\b/g;

interface Said {
  name: string;
  tag: string;
  text: string | null;
}

interface Mend {
  events?: Said[];
  case?: { damages: { seen: { finds?: { place: string }[] | null } }[] };
}

/** What people wrote themselves, which no language file changes. */
async function written(page: Page): Promise<string[]> {
  const get = async <T>(path: string) => (await (await page.request.get(server.url + path)).json()) as T;
  const items = await get<Said[]>('/api/items');
  const shop = await get<{
    settings: {
      name: string;
      bench: { zone: string };
      offcuts: { id: string }[] | null;
      products: Said[] | null;
      devices: Said[] | null;
      shelf: { standsAt: string | null }[] | null;
      rates: { currency: string } | null;
    };
  }>('/api/shop');
  const gallery = await get<Said[]>('/api/gallery');
  const mends = await Promise.all(Array.from({ length: 18 }, (_, i) => get<Mend>(`/api/mends/${i + 1}`)));
  const events = mends.flatMap((mend) => mend.events ?? []).flatMap(({ text }) => text?.split('\n') ?? []);
  const finds = mends.flatMap((mend) => mend.case?.damages ?? []).flatMap((damage) => damage.seen.finds ?? []);
  const tickets =
    await get<{ customer: { name: string; reach: string | null }; note: string | null; mends: { yes: { heardBy: string | null } | null }[] }[]>('/api/tickets');
  const { settings } = shop;
  return [
    ...events,
    ...finds.map(({ place }) => place),
    ...gallery.map(({ tag }) => tag),
    ...items.flatMap(({ tag, name }) => [name, tag]),
    ...(settings.offcuts ?? []).map(({ id }) => id),
    ...[...(settings.products ?? []), ...(settings.devices ?? [])].map(({ name }) => name),
    ...(settings.shelf ?? []).flatMap(({ standsAt }) => standsAt ?? []),
    ...tickets
      .flatMap(({ customer, note, mends }) => [customer.name, customer.reach ?? '', note ?? '', ...mends.flatMap(({ yes }) => yes?.heardBy ?? [])])
      .filter(Boolean),
    settings.name,
    settings.rates?.currency ?? settings.name,
    settings.bench.zone,
  ].sort((a, b) => b.length - a.length);
}

/** Everything that is read off the screen or read out: texts, and the words of controls and pictures. */
async function words(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      if (!node.parentElement?.closest('script, style, kbd, code')) found.push(node.textContent ?? '');
    }
    for (const element of document.body.querySelectorAll('*')) {
      for (const name of ['aria-label', 'aria-valuetext', 'aria-description', 'placeholder', 'title', 'alt']) found.push(element.getAttribute(name) ?? '');
    }
    return found.filter((text) => text.trim() !== '');
  });
}

function english(text: string, own: readonly string[]): string {
  let left = text;
  for (let before = ''; before !== left;) {
    before = left;
    left = left.replace(/⟦[^⟦⟧]*⟧/g, ' ');
  }
  // A name that a drawing cuts short has lost its end.
  left = left.replace(/⟦[^⟦⟧aeiouAEIOU]*/g, ' ');
  for (const each of own) left = left.replaceAll(each, ' ');
  left = left.replace(names, ' ').replace(calendar, ' ');
  return /\p{L}{2,}/u.test(left) ? `${text} → ${left.trim()}` : '';
}

async function expectNothingEnglish(page: Page, path: string, own: readonly string[]) {
  await settleAt(page, server.url + path);
  await expect(page.locator('main')).toContainText('⟦');
  // Each that is opened is no longer shut: the next one is the first again.
  for (let shut = page.locator('details:not([open]) > summary'); (await shut.count()) > 0;) await shut.first().click();
  const left = (await words(page)).map((text) => english(text, own)).filter(Boolean);
  expect.soft([...new Set(left)], path).toEqual([]);
}

const looks = [13, 14, 15, 16, 17].map((id) => `/mends/${id}/look`);
const running = [6, 7, 8, 9, 10, 11, 12, 18].map((id) => `/mends/${id}/mend`);
const views: Readonly<Record<string, readonly string[]>> = {
  'the pages': [
    '/',
    '/new',
    '/gallery',
    '/log',
    '/log?q=nothing-has-this-word',
    '/shelf',
    '/shop',
    '/counter',
    '/tickets/1',
    '/tickets/2',
    '/tags/BRD-12',
    '/nowhere',
    '/mends/999/look',
  ],
  'a mend that is looked at and planned': [...looks, '/mends/10/match', '/mends/11/match', '/mends/13/plan', '/mends/14/plan', '/mends/16/plan'],
  'a mend under way': [...running, '/mends/1/prove', '/mends/2/prove', '/mends/14/prove'],
  'the papers': ['/mends/8/sheet', '/mends/18/sheet', '/mends/13/labels', '/mends/1/note', '/tickets/2/paper', '/tickets/2/bill'],
};

for (const [what, paths] of Object.entries(views)) {
  test(`no word of ${what} lies outside a language that nobody speaks`, async ({ page }) => {
    test.setTimeout(180_000);
    const own = await written(page);
    for (const path of paths) await expectNothingEnglish(page, path, own);
  });
}

/** One of every family, so that every school, test and chemistry has its say. */
const worked = [
  'fin-box-surround',
  'carbon-hull-crack',
  'ski-core-shot',
  'csm-tube-puncture',
  'tent-fly-silicone',
  'wetsuit-seam',
  'boot-sole-parting',
  'paddle-shaft-crack',
];

test('no word of the worked cases lies outside it either', async ({ page }) => {
  test.setTimeout(180_000);
  const own = await written(page);
  for (const id of worked) {
    const opened = (await (await page.request.post(`${server.url}/api/gallery/${id}`)).json()) as { id: number; tag: string; itemName: string };
    for (const stage of ['match', 'plan']) await expectNothingEnglish(page, `/mends/${opened.id}/${stage}`, [...own, opened.tag, opened.itemName]);
  }
});

test('no word of an opened reason, of an error or of the keys lies outside it', async ({ page }) => {
  const own = await written(page);
  await page.goto(`${server.url}/mends/13/look`);
  await page.getByRole('textbox', { name: pseudo('Humidity') }).fill('400');
  await expect(page.getByRole('alert')).toContainText('⟦');
  expect((await words(page)).map((text) => english(text, own)).filter(Boolean)).toEqual([]);
  await page.goto(`${server.url}/mends/14/plan`);
  await page.locator('main [aria-haspopup=dialog]').nth(3).click();
  const reason = page.getByRole('dialog');
  for (let shut = reason.getByRole('button', { expanded: false }); (await shut.count()) > 0;) await shut.first().click();
  expect((await words(page)).map((text) => english(text, own)).filter(Boolean)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(reason).toBeHidden();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('⟦');
  expect((await words(page)).map((text) => english(text, own)).filter(Boolean)).toEqual([]);
});

test('the template to print speaks it, and a refusal by its title too', async ({ request }) => {
  const svg = await (await request.get(`${server.url}/api/mends/13/template.svg`)).text();
  expect(
    svg
      .match(/<text[^>]*>[^<]*/g)
      ?.map((text) => text.replace(/<text[^>]*>/, ''))
      .filter((text) => !text.startsWith('⟦')),
  ).toEqual([]);
  const refused = (await (await request.get(`${server.url}/api/mends/999`)).json()) as { title: string; detail: string };
  expect(refused.title).toBe(pseudo('There is nothing under this name.'));
  expect(refused.detail).toBe(pseudo('There is no mend 999.'));
});
