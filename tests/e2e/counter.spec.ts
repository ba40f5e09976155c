import { expect, test } from '@playwright/test';
import { readCode } from './scan.ts';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-05-06T09:45:00Z' }));
test.afterAll(() => server.dispose());

test('two items are taken in on one ticket, agreed, labelled, billed, and found again by their code', async ({ page }) => {
  await page.goto(`${server.url}/counter`);
  await page.getByRole('textbox', { name: 'Who brings it' }).fill('Mara Linden');
  await page.getByRole('textbox', { name: 'How to reach them' }).fill('tent row, 7');
  await page.getByLabel('Needed by').fill('2026-05-14T13:00');
  await page.getByRole('textbox', { name: 'What they say' }).fill('both together');
  const box = page.getByRole('searchbox', { name: 'Type or scan a tag' });
  // A scanner types the address of the label and ends with Enter.
  await box.fill(`${server.url}/tags/BRD-04`);
  await box.press('Enter');
  await page.getByRole('button', { name: 'It was never here before' }).click();
  await page.getByRole('textbox', { name: 'Tag', exact: true }).fill('OWN / 7');
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Longboard, amber');
  await page.getByRole('button', { name: 'Add it to the ticket' }).click();
  await expect(page.getByRole('list', { name: 'What they bring' }).getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: 'Take 2 items in' }).click();

  // The address is there before the page is: what the counter lists says the same words.
  await expect(page).toHaveURL(/\/tickets\/\d+$/);
  await expect(page.getByRole('heading', { level: 1, name: /Mara Linden$/ })).toBeVisible();
  await expect(page.getByText('Waits for a yes')).toBeVisible();
  await expect(page.getByText('due Thu 14 May 13:00')).toBeVisible();
  for (const tag of ['BRD-04', 'OWN / 7']) {
    const form = page.getByRole('form', { name: `A yes to ${tag}` });
    await form.getByRole('textbox', { name: 'Who heard it' }).fill('Wren');
    await form.getByRole('button', { name: 'They said yes' }).click();
    await expect(form).toBeHidden();
  }
  await expect(page.getByText('Agreed, not begun')).toBeVisible();
  await expect(page.getByText(/Mara Linden said yes .* to Wren/)).toHaveCount(2);

  await page.getByRole('link', { name: 'Ticket and item labels' }).click();
  await expect(page.getByText(/agreed up to/)).toHaveCount(2);
  expect(await readCode(page.getByRole('img', { name: 'Code of OWN / 7' }))).toBe(`${server.url}/tags/OWN%20%2F%207`);

  await page.goto(`${server.url}/tags/OWN%20%2F%207`);
  await expect(page.getByRole('heading', { name: 'OWN / 7' })).toBeVisible();
  await page.getByRole('link', { name: /is not begun/ }).click();
  await expect(page).toHaveURL(/\/look$/);
  await page.getByRole('link', { name: /Plan$/ }).click();
  await expect(page.getByText(/Agreed up to/)).toBeVisible();
  await page.getByRole('link', { name: /^Ticket \d+, Mara Linden$/ }).click();
  await page.getByRole('link', { name: 'Bill' }).click();
  await expect(page.getByText('It is not done yet: this is the estimate.')).toHaveCount(2);
  const [total, ...each] = (
    await page
      .locator('article')
      .getByText(/^\d+\.\d\d EUR$/)
      .allInnerTexts()
  )
    .map(parseFloat)
    .reverse();
  expect(each.length).toBeGreaterThan(4);
  expect(total).toBeGreaterThan(50);
});

test('what is done is collected, and a slip is undone', async ({ page }) => {
  await page.goto(`${server.url}/counter`);
  await page.getByRole('link', { name: /Iris Vale/ }).click();
  await expect(page.getByText('Ready to collect')).toBeVisible();
  await page.getByRole('button', { name: 'Collected' }).click();
  await expect(page.getByText(/^Collected /)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Ready to collect')).toBeVisible();
});

test('a mend is weighed against a new one', async ({ page }) => {
  await page.goto(`${server.url}/mends/13/plan`);
  await page.getByText('Mend or replace').click();
  await page.getByRole('textbox', { name: /A new one costs/ }).fill('900');
  await page.getByRole('textbox', { name: /A new one serves/ }).fill('60');
  await page.getByRole('textbox', { name: /This one has left/ }).fill('36');
  await expect(page.getByText('Mending is the cheaper way.')).toBeVisible();
  await page.getByRole('textbox', { name: /A new one costs/ }).fill('40');
  await expect(page.getByText(/A new one is the cheaper way/)).toBeVisible();
});

test('a customer who rings up changes the time, and brings one item more', async ({ page }) => {
  await page.goto(`${server.url}/counter`);
  await page.locator('a[href^="/tickets/"]').first().click();
  await page.getByRole('button', { name: 'Change who, when, what' }).click();
  await page.getByLabel('Needed by').fill('2026-12-03T13:00');
  await page.getByLabel('What they say').fill('the ferry goes earlier');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('the ferry goes earlier')).toBeVisible();
  await expect(page.getByText(/due .*3 Dec.* 13:00/)).toBeVisible();
  const before = await page.locator('main h2, h2').count();
  await page.getByRole('button', { name: 'One item more' }).click();
  await page.getByLabel('Type or scan a tag').fill('SUP');
  await page.getByRole('list', { name: 'Found' }).getByRole('button').first().click();
  await expect(page.locator('main h2, h2')).toHaveCount(before + 1);
});
