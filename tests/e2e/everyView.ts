import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { turnTo } from './bench.ts';
import { ShopServer } from './server.ts';

/** Name, address and a text that shows that it has loaded. */
const views: readonly (readonly [string, string, string])[] = [
  ['bench', '/', 'then'],
  ['start a mend', '/new', 'What needs mending?'],
  ['worked cases', '/gallery', 'Ski, core shot'],
  ['look, another family', '/mends/15/look', 'Canoe, aluminium'],
  ['plan, another family', '/mends/15/plan', 'Cautions'],
  ['look', '/mends/13/look', 'Kind of damage'],
  ['match', '/mends/11/match', 'What bonds to every layer'],
  ['match with vetoes', '/mends/10/match', 'Ruled out'],
  ['plan', '/mends/13/plan', 'Cautions'],
  ['mend, by hand', '/mends/7/mend', 'use within'],
  ['mend, waiting', '/mends/6/mend', 'Touch beats the clock'],
  ['mend, failed', '/mends/12/mend', 'The test failed'],
  ['plan of several damages', '/mends/18/plan', 'damages 2, 3'],
  ['mend of several damages', '/mends/18/mend', 'Touch beats the clock'],
  ['sheet of several damages', '/mends/18/sheet', 'Print'],
  ['prove', '/mends/2/prove', 'Tests to pass'],
  ['log', '/log', 'Back under warranty'],
  ['days', '/days', 'Ready when'],
  ['counter', '/counter', 'Waits for a yes'],
  ['ticket', '/tickets/2', 'They said yes'],
  ['ticket on paper', '/tickets/2/paper', 'Agreed, by whoever brought it'],
  ['bill', '/tickets/2/bill', 'In all'],
  ['tag', '/tags/BRD-12', 'What was done before'],
  ['shelf', '/shelf', 'Read lots in from a table'],
  ['shop and tools', '/shop', 'Grits in the drawer'],
  ['job sheet', '/mends/8/sheet', 'Print'],
  ['cup labels', '/mends/13/labels', 'Use it within'],
  ['hand-back note', '/mends/1/note', 'How it was proven'],
  ['not there', '/nowhere', 'Page not found'],
];

/** The morning on which the demo shop is looked at. */
export const clock = '2026-11-25T10:40:00Z';

/** Goes through every view with a colour scheme, and lets the checks say what somebody could not use. */
export function testEveryView(colorScheme: 'light' | 'dark', checks: (axe: AxeBuilder) => AxeBuilder): void {
  const server = new ShopServer();
  // One window for all of them: what one view has loaded need not be loaded for the next.
  let page: Page;
  test.beforeAll(async ({ browser }) => {
    await server.start({ clock });
    page = await browser.newPage({ colorScheme, viewport: { width: 1280, height: 800 }, timezoneId: 'Asia/Tokyo', serviceWorkers: 'block' });
  });
  test.afterAll(async () => {
    await page.close();
    await server.dispose();
  });
  for (const [name, path, words] of views) {
    test(`${name} can be used by everybody`, async () => {
      await turnTo(page, server.url + path);
      await expect(page.getByText(words).first()).toBeVisible();
      // Nothing but what is wrong is put into words, and without a page of its own: the views have no frames.
      const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
      const { violations } = await checks(axe).analyze();
      expect(
        violations.map(
          (violation) =>
            `${violation.id}: ${violation.nodes
              .map((node) => node.target.join(' '))
              .slice(0, 3)
              .join(' | ')}`,
        ),
      ).toEqual([]);
    });
  }
}
