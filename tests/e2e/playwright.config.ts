import { defineConfig } from '@playwright/test';
import { chromium } from './chromium.ts';

export default defineConfig({
  testDir: '.',
  globalSetup: './usual.ts',
  workers: 2,
  // How long a starved machine may take: what is there sooner is not waited for.
  timeout: 180_000,
  expect: { timeout: 25_000 },
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
