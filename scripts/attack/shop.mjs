// What the attacks share: a shop of their own on 127.0.0.1, and chance that can be repeated.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const top = resolve(dirname(fileURLToPath(import.meta.url)), '../..');

/** The named options of the command line: `--requests 500`. */
export function options(defaults) {
  const given = { ...defaults };
  for (let i = 2; i < process.argv.length; i += 2) {
    const name = process.argv[i].replace(/^--/, '');
    if (!(name in defaults))
      throw new Error(
        `unknown option ${process.argv[i]}; there are ${Object.keys(defaults)
          .map((each) => `--${each}`)
          .join(', ')}`,
      );
    given[name] = Number(process.argv[i + 1]);
  }
  return given;
}

/** Chance from a seed (mulberry32), so that whatever is found can be found again. */
export function chance(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    below: (most) => Math.floor(next() * most),
    of: (list) => list[Math.floor(next() * list.length)],
  };
}

/** A port that is free now. */
export const freePort = () =>
  new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => done(port));
    });
  });

/** Starts the built server on a file of its own, as ./run does. */
export async function openShop({ demo = false, database = join(mkdtempSync(join(tmpdir(), 'able-mend-')), 'shop.db'), wait = true, env = {} } = {}) {
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const startedAt = performance.now();
  const server = spawn(join(top, 'artifacts/server/AbleMend.Server'), [], {
    cwd: join(top, 'artifacts/server'),
    env: {
      ...process.env,
      AbleMend__Port: `${port}`,
      AbleMend__Database: database,
      AbleMend__Empty: `${!demo}`,
      DOTNET_CLI_TELEMETRY_OPTOUT: '1',
      MALLOC_ARENA_MAX: '2',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  server.stdout.on('data', (text) => (said += text));
  server.stderr.on('data', (text) => (said += text));
  const ended = new Promise((done) => server.once('exit', (code, signal) => done({ code, signal })));
  const shop = {
    base,
    database,
    said: () => said,
    ended,
    kill: async () => {
      server.kill('SIGKILL');
      await ended;
    },
    close: async () => {
      server.kill('SIGKILL');
      await ended;
      rmSync(dirname(database), { recursive: true, force: true });
    },
    memoryMb: () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) / 1024,
  };
  if (wait) shop.answeredAfterMs = await answers(shop, startedAt);
  return shop;
}

/** Waits for the first answer. */
export async function answers(shop, startedAt = performance.now(), patienceMs = 30_000) {
  while (performance.now() - startedAt < patienceMs) {
    const up = await fetch(`${shop.base}/api/shop`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) return performance.now() - startedAt;
    const ended = await Promise.race([shop.ended, new Promise((later) => setTimeout(() => later(null), 10))]);
    if (ended) throw new Error(`The server ended (${JSON.stringify(ended)}):\n${shop.said()}`);
  }
  throw new Error(`The server gave no answer:\n${shop.said()}`);
}

/** The last line that `./test` adds up. */
export function report(name, passed, faults) {
  for (const fault of faults.slice(0, 20)) console.log(`  ${fault}`);
  console.log(`${name}: ${passed} passed, ${faults.length} failed`);
  process.exitCode = faults.length > 0 ? 1 : 0;
}
