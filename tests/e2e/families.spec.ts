import { expect, test, type Page } from '@playwright/test';
import { goOnTo, kept, setNumber, turnTo } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

async function openWorked(page: Page, title: string): Promise<void> {
  await page.goto(`${server.url}/gallery`);
  await page.getByRole('button', { name: new RegExp(`${title}$`) }).click();
  await expect(page).toHaveURL(/\/mends\/\d+\/look$/);
}

test('every worked case opens, looks, and is planned or sent on', async ({ page }) => {
  test.setTimeout(240_000);
  const faults: string[] = [];
  page.on('pageerror', (fault) => faults.push(fault.message));
  const worked = (await (await page.request.get(`${server.url}/api/gallery`)).json()) as { id: string; title: string }[];
  expect(worked.length).toBeGreaterThanOrEqual(36);
  for (const { id, title } of worked) {
    const opened = (await (await page.request.post(`${server.url}/api/gallery/${id}`)).json()) as { id: number };
    await turnTo(page, `${server.url}/mends/${opened.id}/look`);
    await expect(page.getByText(`Mend ${opened.id}.`), title).toBeVisible();
    const verdict = page.getByRole('region', { name: 'Verdict' });
    await expect(verdict, title).toContainText(/Mend it|Retire it|Refer it|Never mended here/);
    await expect(page.getByRole('img', { name: /^Section|^The damage from above/ }).first(), title).toBeVisible();
    if (!(await verdict.innerText()).includes('Mend it')) {
      await expect(page.getByRole('button', { name: 'Log it and send it on' }), title).toBeEnabled();
      continue;
    }
    await page.getByRole('link', { name: /Plan$/ }).click();
    await expect(page.getByRole('button', { name: 'Start the mend' }), title).toBeEnabled();
    expect(await page.locator('main ol > li').count(), title).toBeGreaterThan(4);
  }
  expect(faults).toEqual([]);
});

/** The commonest job of each family: what is tapped on the look, and what is measured and typed. */
const commonJobs: {
  job: string;
  tag: string;
  taps: string[];
  typed: [RegExp | string, string][];
  method: string;
}[] = [
  {
    job: 'a ding in a deck',
    tag: 'BRD-01',
    taps: ['Deck', 'Ding'],
    typed: [
      [/^How deep/, '3'],
      ['Across', '32'],
    ],
    method: 'Sand, fill, glass, coat',
  },
  {
    job: 'a cracked keel',
    tag: 'CAN-03',
    taps: ['Keel seam', 'Crack'],
    typed: [['Length', '40']],
    method: 'Thickened epoxy on both sides',
  },
  {
    job: 'a ski through to its core',
    tag: 'SKI-22L',
    taps: ['Base', 'Through to the core'],
    typed: [
      ['Length', '30'],
      ['Width', '8'],
    ],
    method: 'Weld the base',
  },
  {
    job: 'a punctured board',
    tag: 'SUP-14',
    taps: ['Bottom', 'Puncture'],
    typed: [['Across', '6']],
    method: 'Cement a patch',
  },
  {
    job: 'holes in a mesh door',
    tag: 'TEN-31',
    taps: ['Mesh door', 'Hole'],
    typed: [],
    method: 'Self-adhesive mesh discs',
  },
  {
    job: 'a torn wader',
    tag: 'WAD-06',
    taps: ['Leg', 'Tear'],
    typed: [['Length', '30']],
    method: 'Bevelled patch in neoprene cement',
  },
  {
    job: 'a parting sole',
    tag: 'BOO-15',
    taps: ['Toe', 'Sole parting'],
    typed: [['Length', '60']],
    method: 'Glue and bind the sole',
  },
  {
    job: 'a paddle with water inside',
    tag: 'PAD-05',
    taps: ['Blade edge', 'Water inside'],
    typed: [],
    method: 'Drain it, wick the seam shut',
  },
];

for (const { job, tag, taps, typed, method } of commonJobs) {
  test(`from arrival to a plan for ${job} in ten taps and two numbers at most`, async ({ page }) => {
    let tapped = 0;
    const tap = async (act: Promise<void>) => {
      tapped++;
      await act;
    };
    await page.goto(server.url);
    await tap(page.getByRole('link', { name: 'Start a mend' }).first().click());
    // The worked examples before have filled the fleet: the tag is typed.
    await page.getByRole('searchbox', { name: /Find it/ }).fill(tag);
    await tap(page.getByRole('button', { name: new RegExp(`^${tag}`) }).click());
    for (const name of taps) await tap(page.getByRole('radio', { name, exact: true }).click());
    for (const [label, number] of typed) await setNumber(page, label, number);
    await kept(page);
    await tap(page.getByRole('button', { name: 'Match it' }).click());
    await tap(page.getByRole('button', { name: 'Plan it' }).click());
    await expect(page.getByRole('heading', { name: method })).toBeVisible();
    expect(await page.locator('main ol > li').count()).toBeGreaterThan(4);
    expect(tapped).toBeLessThanOrEqual(10);
    expect(typed.length).toBeLessThanOrEqual(2);
  });
}

test('what holds a life is refused, and cannot be planned round', async ({ page }) => {
  await page.goto(`${server.url}/new`);
  await page.getByRole('button', { name: /^HAR-02/ }).click();
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText('Never mended here');
  await expect(page.getByRole('button', { name: 'Match it' })).toHaveCount(0);
  await page.goto(page.url().replace(/look$/, 'plan'));
  await expect(page.getByText('Not mended here.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start the mend' })).toHaveCount(0);
});

test('another school takes its own material, and says why the default is the default', async ({ page }) => {
  await openWorked(page, 'Inflatable board, puncture');
  await page.getByRole('button', { name: 'Match it' }).click();
  await expect(page.getByRole('button', { name: /Two-part polyurethane cement/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('stands heat and pressure')).toBeVisible();
  await page.getByRole('radio', { name: /^One-part vinyl cement/ }).click();
  await expect(page.getByRole('button', { name: /^One-part vinyl cement/ })).toHaveAttribute('aria-pressed', 'true');
  await kept(page);
  await expect(page.getByText('let go').first()).toBeVisible();
});

test('a leak is found, kept on the item, and counted', async ({ page }) => {
  await openWorked(page, 'Breathable wader, pinholes');
  const finding = page.getByRole('region', { name: 'Finding it' });
  await expect(finding).toContainText('dark spot');
  for (const place of ['left knee, inside', 'seat, by the seam']) {
    await finding.getByRole('textbox', { name: 'Found at' }).fill(place);
    await finding.getByRole('button', { name: 'Save it' }).click();
  }
  await expect(finding.getByRole('listitem')).toHaveCount(2);
  await kept(page);
  await page.goto(page.url().replace(/look$/, 'plan'));
  await expect(page.getByRole('button', { name: /^Spots 2/ })).toBeVisible();
});

test('a shop adds its own product from its label, and it is matched at once', async ({ page }) => {
  await page.goto(`${server.url}/shop`);
  const own = page.getByRole('region', { name: 'Your own products' });
  await own.getByRole('combobox').selectOption({ label: 'Urethane repair adhesive' });
  await own.getByLabel('Product name').fill('Workshop urethane');
  await own.getByRole('button', { name: 'Add the product' }).click();
  await own.getByRole('textbox', { name: 'Loadable' }).fill('600');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
  await page.goto(`${server.url}/new`);
  await page.getByRole('button', { name: /^BOO-15/ }).click();
  await page.getByRole('button', { name: 'Match it' }).click();
  await expect(page.getByRole('button', { name: /Workshop urethane/ })).toBeVisible();
});

test('a hold test takes readings, says that it is too early to tell, and what was found on the way stays on the item', async ({ page }) => {
  await openWorked(page, 'CSM boat, tube punctured');
  await page.goto(page.url().replace(/look$/, 'plan'));
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await page.getByRole('textbox', { name: 'Another leak or flaw, found at' }).fill('seam under the towing ring');
  await page.getByRole('button', { name: 'Save find' }).click();
  await expect(page.getByText('Found while working:')).toBeVisible();
  await goOnTo(page, 'Hold the pressure');
  const readings = page.getByRole('region', { name: 'Readings' });
  for (const [kept, kpa] of [
    [1, '20.6'],
    [2, '20.5'],
  ] as const) {
    await readings.getByRole('textbox', { name: 'Gauge, kPa' }).fill(kpa);
    await readings.getByRole('button', { name: 'Save reading' }).click();
    await expect(readings).toContainText(`Readings: ${kept}, past the first 30 minutes: 0`);
  }
  await readings.getByRole('textbox', { name: 'Gauge, kPa' }).fill('-3');
  await readings.getByRole('button', { name: 'Save reading' }).click();
  await expect(page.getByText('Gauge pressure lies from 0 kPa to 1000 kPa.')).toBeVisible();
  await expect(readings).toContainText('Readings: 2');
  await openWorked(page, 'CSM boat, tube punctured');
  await expect(page.getByRole('region', { name: 'Finding it' })).toContainText('Found on this item before: seam under the towing ring');
});

test('an offcut is cut before a roll', async ({ page }) => {
  await page.goto(`${server.url}/shop`);
  const offcuts = page.getByRole('region', { name: 'Offcuts' });
  await offcuts.getByRole('textbox', { name: 'Label on it' }).fill('sailmaker, blue');
  await offcuts.getByRole('combobox').selectOption({ label: 'Plain glass cloth 136 g/m²' });
  await offcuts.getByRole('textbox', { name: 'Length, mm' }).fill('135');
  await offcuts.getByRole('textbox', { name: 'Width, mm' }).fill('135');
  await offcuts.getByRole('button', { name: 'Add the offcut' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
  await page.goto(`${server.url}/new`);
  await page.getByRole('button', { name: /^BRD-04/ }).click();
  await page.getByRole('button', { name: 'Match it' }).click();
  await page
    .getByRole('button', { name: /Laminating epoxy, 2:1 by volume/ })
    .first()
    .click();
  await page.goto(page.url().replace(/match$/, 'plan'));
  await expect(page.getByText('from the offcut “sailmaker, blue”').first()).toBeVisible();
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await expect(page.getByText(/^Step 1 of/)).toBeVisible();
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Offcuts' }).getByRole('figure').filter({ hasText: 'sailmaker, blue' })).toContainText(/Kept for mend \d+/);
});
