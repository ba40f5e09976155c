import { expect, test, type Page } from '@playwright/test';
import { goOnTo } from './bench.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:00:00Z' }));
test.afterAll(() => server.dispose());

const lots = async () =>
  ((await (await fetch(`${server.url}/api/shelf`)).json()) as { lots: { name: string; left: number | null; lot: { openedOn: string | null } }[] }).lots;
const lot = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

test('a lot is put on the shelf, opened, counted with one tap and used up', async ({ page }) => {
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('button', { name: 'Put a lot on the shelf' }).click();
  const form = page.getByRole('form', { name: 'A lot' });
  await form.getByRole('combobox', { name: 'What it is' }).selectOption({ label: 'Pure acetone' });
  await expect(form.getByRole('textbox', { name: 'Write on it' })).toHaveValue('L-015');
  await form.getByRole('textbox', { name: 'Held when new' }).fill('1000');
  await form.getByRole('textbox', { name: 'Batch number' }).fill('AC-7');
  await form.getByRole('textbox', { name: 'Use before' }).fill('31.5.2027');
  await expect(form.getByRole('button', { name: 'Keep it' })).toBeDisabled();
  await form.getByRole('textbox', { name: 'Use before' }).fill('2027-05-31');
  await form.getByRole('textbox', { name: 'Stands at' }).fill('Solvent cabinet');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: /^L-015/ })).toBeVisible();
  await page.getByRole('textbox', { name: /^Scan or type/ }).fill('ac-7');
  await page.keyboard.press('Enter');
  const panel = lot(page, 'L-015');
  await panel.getByRole('button', { name: 'Opened today' }).click();
  await expect(panel).toContainText('opened 20');
  await panel.getByRole('button', { name: '¾' }).click();
  await expect(page.getByRole('region', { name: 'Solvent cabinet' }).getByRole('button', { name: /L-015.*750 mL/ })).toBeVisible();
  await panel.getByRole('textbox', { name: 'Or exactly' }).fill('600');
  await panel.getByRole('button', { name: 'Counted' }).click();
  await expect.poll(async () => (await lots()).find((each) => each.name === 'L-015')?.left).toBe(600);
  await panel.getByRole('button', { name: 'Used up' }).click();
  await expect(page.getByRole('region', { name: 'Used up or thrown away' })).toContainText('L-015');
});

test('what a mend takes comes off its lot, and the lot names the mend when its maker calls it back', async ({ page }) => {
  const before = (await lots()).find((each) => each.name === 'L-010')!.left!;
  await page.goto(`${server.url}/gallery`);
  await page.getByRole('button', { name: /Boot, sole parting at the toe$/ }).click();
  await expect(page).toHaveURL(/look$/);
  await page.goto(page.url().replace(/look$/, 'plan'));
  await page.getByRole('button', { name: 'Start the mend' }).click();
  await goOnTo(page, 'Bands off, trim');
  await expect.poll(async () => (await lots()).find((each) => each.name === 'L-010')!.left).toBeLessThan(before);
  await page.goto(`${server.url}/shelf`);
  await page.getByRole('button', { name: /^L-010/ }).click();
  await expect(lot(page, 'L-010').getByRole('listitem')).toContainText('still here');
});

test('a table is read in, and one that cannot be read changes nothing and says which line', async ({ page }) => {
  await page.goto(`${server.url}/shelf`);
  const read = (csv: string) =>
    page.getByLabel('Read lots in from a table').setInputFiles({ name: 'shelf.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await read('name,material,had,unit\nX1,acetone,much,ml\n');
  await expect(page.getByRole('alert')).toContainText('in line 2');
  await read('name,material,had,left,unit\nX1,acetone,500,200,ml\n');
  await expect(page.getByText('Read in.')).toBeVisible();
  await expect(page.getByRole('button', { name: /X1.*200 mL/ })).toBeVisible();
});
