import { expect, test } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { resolve } from 'node:path';
import { come } from './bench.ts';
import { freePort, ShopServer } from './server.ts';

const server = new ShopServer();
let standIn: ChildProcess;

test.beforeAll(async () => {
  const port = await freePort();
  await server.start({ clock: '2026-05-06T09:00:00Z', env: { AbleMend__Instruments: String(port) } });
  standIn = spawn('dotnet', ['able-mend-devices.dll', '--to', `127.0.0.1:${port}`, '--seed', '4', '--only', 'bench-climate'], {
    cwd: resolve(import.meta.dirname, '../../artifacts/devices'),
    stdio: 'ignore',
  });
});
test.afterAll(async () => {
  standIn.kill('SIGKILL');
  await server.dispose();
});

const tell = (words: string) =>
  fetch(`${server.url}/api/instruments/bench-climate/do`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ words }),
  });

test('what came in from the cold is not coated before it is warm: the surface is read, and not the air', async ({ page }) => {
  const id = await come(server.url, 'fin-box-surround', 'glass-mix');
  await page.goto(`${server.url}/mends/${id}/mend`);
  await expect.poll(async () => (await tell('dew -20')).status, { timeout: 20_000 }).toBe(204);
  await expect(page.getByText(/The item is at .* it stays dry\./)).toBeVisible();
  await tell('dew 30');
  await expect(page.getByText('It sweats.')).toBeVisible();
  await expect(page.getByText(/Bring it to [\d.]+ °C before/)).toBeVisible();
  await tell('dew -20');
  await expect(page.getByText('It sweats.')).toBeHidden();
});
