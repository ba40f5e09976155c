import { expect, test } from '@playwright/test';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request as ask } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { chromium } from './chromium.ts';
import { freePort, ShopServer } from './server.ts';

// The recipe for a shop's network, as it stands in the documents, with Debian's own proxy.
const recipe = resolve(import.meta.dirname, '../../docs/nginx.conf');
const folder = mkdtempSync(join(tmpdir(), 'able-mend-proxy-'));
const server = new ShopServer();
let proxy: ChildProcess | undefined;
let port = 0;

test.use({
  ignoreHTTPSErrors: true,
  httpCredentials: { username: 'bench', password: 'wet gloves' },
  launchOptions: {
    executablePath: chromium,
    args: ['--no-sandbox', '--disable-gpu', '--host-resolver-rules=MAP bench.lan 127.0.0.1'],
  },
});

test.beforeAll(async () => {
  await server.start({ clock: '2026-05-06T09:00:00Z', env: { AbleMend__Hosts: 'bench.lan', AbleMend__Proxy: '127.0.0.1' } });
  port = await freePort();
  const [certificate, key, users] = ['bench.pem', 'bench.key', 'users'].map((name) => join(folder, name)) as [string, string, string];
  execFileSync('openssl', ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=bench.lan', '-keyout', key, '-out', certificate], {
    stdio: 'ignore',
  });
  writeFileSync(users, `bench:${execFileSync('openssl', ['passwd', '-apr1', 'wet gloves']).toString()}`);
  const site = readFileSync(recipe, 'utf8')
    .replace('listen 443 ssl', `listen 127.0.0.1:${port} ssl`)
    .replace('/etc/ssl/bench.lan.pem', certificate)
    .replace('/etc/ssl/bench.lan.key', key)
    .replace('/etc/nginx/bench.users', users)
    .replace('/etc/nginx/bench.users', users)
    .replace('http://127.0.0.1:5080', server.url)
    // A shop's proxy listens where a browser expects it; this one does not, and its name has a port.
    .replace('Host              $host', 'Host              $http_host');
  const file = join(folder, 'nginx.conf');
  const kept = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((name) => `${name}_temp_path ${folder}/${name};`).join(' ');
  // What is only this test's to read is read by whoever runs it.
  const user = process.getuid?.() === 0 ? 'user root;' : '';
  writeFileSync(file, `${user} pid ${folder}/pid; error_log stderr; worker_processes 1; events {} http { access_log off; ${kept} ${site} }`);
  proxy = spawn('nginx', ['-e', 'stderr', '-p', folder, '-c', file, '-g', 'daemon off;'], { stdio: 'ignore' });
});

test.afterAll(async () => {
  proxy?.kill();
  await server.dispose();
  rmSync(folder, { recursive: true, force: true });
});

test("a tablet on the shop's network reaches the bench under its own name, and works on it", async ({ page }) => {
  await expect
    .poll(() =>
      page.goto(`https://bench.lan:${port}/new`).then(
        (answer) => answer?.status(),
        () => 0,
      ),
    )
    .toBe(200);
  await page.getByRole('button', { name: /^BRD-02/ }).click();
  await expect(page).toHaveURL(/\/mends\/\d+\/look$/);
  await expect(page.getByText(/^saved /)).toBeVisible();
});

test('without the login nobody comes in', async ({ playwright }) => {
  const stranger = await playwright.request.newContext({ ignoreHTTPSErrors: true, httpCredentials: { username: 'bench', password: 'a guess' } });
  expect((await stranger.get(`https://127.0.0.1:${port}/api/bench`, { headers: { Host: 'bench.lan' } })).status()).toBe(401);
  await stranger.dispose();
});

/** A request as only a program makes it, under a name and from an origin of its choice. */
const asked = (method: string, headers: Record<string, string>) =>
  new Promise<{ status: number; body: string }>((done, failed) => {
    const path = method === 'GET' ? '/api/gallery' : '/api/gallery/deck-ding-quick';
    const sent = ask(server.url + path, { method, headers }, (answer) => {
      let body = '';
      answer.on('data', (part: Buffer) => (body += part.toString()));
      answer.on('end', () => done({ status: answer.statusCode ?? 0, body }));
    });
    sent.on('error', failed);
    sent.end();
  });

test('a name that is turned on this machine from outside gets nothing, and is told what to do', async () => {
  expect((await asked('GET', { Host: 'bench.lan' })).status).toBe(200);
  const foreign = await asked('GET', { Host: 'evil.example' });
  expect(foreign.status).toBe(400);
  expect(foreign.body).toContain('--host');
});

test('a page of another site changes nothing, whether its browser tells the site or only the origin', async () => {
  expect((await asked('POST', { Host: 'bench.lan', Origin: 'https://evil.example' })).status).toBe(403);
  expect((await asked('POST', { Host: 'bench.lan', Origin: 'null' })).status).toBe(403);
  expect((await asked('POST', { Host: 'bench.lan', 'Sec-Fetch-Site': 'cross-site' })).status).toBe(403);
  expect((await asked('POST', { Host: 'bench.lan', Origin: 'https://bench.lan:8443' })).status).toBe(403);
  expect((await asked('POST', { Host: 'bench.lan', Origin: 'https://bench.lan' })).status).toBe(200);
});
