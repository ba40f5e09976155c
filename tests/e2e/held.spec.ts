import { expect, test } from '@playwright/test';
import { ShopServer } from './server.ts';

const server = new ShopServer();
test.beforeAll(() => server.start({ clock: '2026-11-25T10:40:00Z' }));
test.afterAll(() => server.dispose());

test('whether a mend held is said, found in the log, and known when the next one is matched', async ({ page }) => {
  const log = (await (await fetch(`${server.url}/api/log`)).json()) as { entries: { id: number; status: string; methodName: string | null }[] };
  const { id } = log.entries.find((each) => each.status === 'handed-back' && each.methodName)!;
  await page.goto(`${server.url}/mends/${id}/prove`);
  const held = page.getByRole('region', { name: 'Has it held?' });
  await expect(held.getByRole('button', { name: 'It has failed' })).toBeDisabled();
  await held.getByRole('button', { name: 'It holds' }).click();
  await expect(held).toContainText(/It holds after \d+ (day|month)s?\./);
  await held.getByRole('textbox').fill('rim lifts at the nose');
  await held.getByRole('button', { name: 'It has failed' }).click();
  await expect(held).toContainText('rim lifts at the nose');
  await expect(held.getByRole('link', { name: 'Mend it again' })).toBeVisible();

  await page.goto(`${server.url}/log?q=rim+lifts`);
  await expect(page.getByRole('listitem').filter({ hasText: /Failed after \d+/ })).toHaveCount(1);
  await page.getByText('How mends have held here').click();
  await expect(page.getByRole('row').nth(1)).toContainText(/1 *1/);

  // The same damage on a draft: what was seen stands beside the method.
  const mend = (await (await fetch(`${server.url}/api/mends/${id}`)).json()) as { case: object; tag: string };
  const items = (await (await fetch(`${server.url}/api/items`)).json()) as { id: number; tag: string }[];
  const again = (await (
    await fetch(`${server.url}/api/mends`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ itemId: items.find((each) => each.tag === mend.tag)!.id, case: mend.case }),
    })
  ).json()) as { id: number };
  await page.goto(`${server.url}/mends/${again.id}/match`);
  await expect(page.getByText(/Here: 1 looked at again, 1 of them failed/).first()).toBeVisible();

  await page.goto(`${server.url}/mends/${id}/prove`);
  await held.getByRole('button', { name: 'Take that back' }).click();
  await expect(held).toContainText('It holds after');
});
