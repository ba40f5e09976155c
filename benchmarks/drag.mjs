// Turns the bench temperature on the plan by one degree at a time, forty times, and measures from the key to the frame
// that shows the new time of readiness. Median and 95th percentile in frames of a 60 Hz display.
import { createRequire } from 'node:module';
const { chromium } = createRequire(new URL('../tests/e2e/', import.meta.url))('@playwright/test');

const base = process.argv[2];
const flags = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: flags,
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const bench = await (await page.request.get(`${base}/api/bench`)).json();
await page.goto(`${base}/mends/${bench.drafts[0].id}/plan`);
const slider = page.getByRole('slider', { name: 'Bench temperature' });
await slider.focus();
await page.evaluate(() => {
  const samples = [];
  Object.assign(window, { samples });
  let asked = 0;
  addEventListener('keydown', () => (asked = performance.now()), {
    capture: true,
  });
  const plan = document.querySelector('main');
  let before = '';
  new MutationObserver(() => {
    // Ready for use and full cure: the one may stay at the shop's opening, the other moves with every degree.
    const ready = [...document.querySelectorAll('p')].find((each) => each.textContent.includes('full cure'))?.textContent;
    if (!asked || ready === before) return;
    before = ready;
    const from = asked;
    asked = 0;
    requestAnimationFrame(() => samples.push(performance.now() - from));
  }).observe(plan, { subtree: true, childList: true, characterData: true });
});
for (let i = 0; i < 40; i++) {
  await page.keyboard.press(i % 20 < 10 ? 'ArrowRight' : 'ArrowLeft');
  await page.waitForTimeout(250);
}
const samples = (await page.evaluate(() => window.samples)).sort((a, b) => a - b);
const at = (share) => (samples[Math.floor((samples.length - 1) * share)] / 16.7).toFixed(1);
console.log(`${samples.length} turns: median ${at(0.5)} frames, 95th percentile ${at(0.95)} frames`);
await browser.close();
