// How soon a shop that was there before gives its first answer after its start, beside a page of the same framework.
// usage: node benchmarks/start.mjs [starts]   (after scripts/build, and after artifacts/bare was published)
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { get } from 'node:http';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';

const starts = Number(process.argv[2] ?? 10);
const artifacts = join(dirname(fileURLToPath(import.meta.url)), '../artifacts');
const database = join(mkdtempSync(join(tmpdir(), 'able-mend-')), 'shop.db');
const ours = {
  command: [join(artifacts, 'server/AbleMend.Server')],
  url: 'http://127.0.0.1:5194/api/shop',
  env: { AbleMend__Port: '5194', AbleMend__Database: database, AbleMend__Empty: 'true', MALLOC_ARENA_MAX: '2' },
};
const bare = {
  command: ['dotnet', join(artifacts, 'bare/AbleMend.Bare.dll')],
  url: 'http://127.0.0.1:5195/',
  env: { ASPNETCORE_URLS: 'http://127.0.0.1:5195' },
};

/** Whether it answers. Asked in the plainest way there is, for whoever asks takes the processor from who starts. */
const answers = (url) =>
  new Promise((done) => {
    get(url, { agent: false }, (answer) => answer.resume().once('end', () => done(answer.statusCode === 200))).once('error', () => done(false));
  });

/** Milliseconds from a start to its first answer. */
async function firstAnswer({ command: [program, ...args], url, env }) {
  const startedAt = performance.now();
  const server = spawn(program, args, { cwd: dirname(args[0] ?? program), env: { ...process.env, ...env }, stdio: 'ignore' });
  const ended = new Promise((done) => server.once('exit', done));
  while (!(await answers(url))) await pause(10);
  const took = performance.now() - startedAt;
  // What is still compiled after the answer is not taken along into the next start.
  await pause(500);
  server.kill('SIGTERM');
  await ended;
  return took;
}

const median = (times) => times.toSorted((a, b) => a - b)[times.length >> 1];
await firstAnswer(ours);
const times = { ours: [], bare: [] };
for (let i = 0; i < starts; i++) {
  times.bare.push(await firstAnswer(bare));
  times.ours.push(await firstAnswer(ours));
}

console.log(
  `${starts} starts: bare ${median(times.bare).toFixed(0)} ms, ours ${median(times.ours).toFixed(0)} ms (${Math.min(...times.ours).toFixed(0)} to ${Math.max(...times.ours).toFixed(0)}), ratio ${(median(times.ours) / median(times.bare)).toFixed(2)}`,
);
