import { defineConfig } from '@playwright/test';
import { chromium } from './chromium.ts';

export default defineConfig({
  testDir: '.',
  globalSetup: './usual.ts',
  workers: 2,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: process.env.E2E_REPORT ?? 'test-results/report.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Asia/Tokyo',
    // Away is tested by itself; elsewhere what is tested is what the server gives.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
