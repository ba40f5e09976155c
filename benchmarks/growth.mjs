// How the server answers with a long log beside how it answers with none: node benchmarks/growth.mjs [MENDS]. Only the ratios of one run mean anything.
import { execFileSync } from 'node:child_process';
import { statSync } from 'node:fs';
import { join } from 'node:path';
import { openShop, top } from '../scripts/attack/shop.mjs';

const mends = Number(process.argv[2] ?? 100_000);
const fleet = 200;
const rounds = 60;

const median = (list) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)];

async function medianMs(base, paths) {
  const took = [];
  for (let i = 0; i < rounds + 10; i++) {
    const from = performance.now();
    const answer = await fetch(base + paths[i % paths.length]);
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`${paths[i % paths.length]} answered ${answer.status}`);
    if (i >= 10) took.push(performance.now() - from);
    // Answers are shared within a moment: what is measured is an answer that is made.
    await new Promise((wake) => setTimeout(wake, 20));
  }
  return median(took);
}

const asked = {
  bench: ['/api/bench'],
  items: ['/api/items'],
  'a mend': ['/api/mends/13', '/api/mends/6', '/api/mends/15'],
  log: ['/api/log'],
  'a search of a common word': ['/api/log?q=wax', '/api/log?q=seam', '/api/log?q=ra'],
  'a search of two words': ['/api/log?q=wax+seam', '/api/log?q=tide+damp', '/api/log?q=ra+gl'],
  'a search of one mend': ['/api/log?q=ticket77', '/api/log?q=ticket4711'],
};

async function measure(shop) {
  const found = {};
  for (const [name, paths] of Object.entries(asked)) found[name] = await medianMs(shop.base, paths);
  return found;
}

/** Closes what the demo has that can be sent on, so that there are lines to copy. */
async function closeSome(base) {
  for (const entry of (await (await fetch(`${base}/api/log`)).json()).entries) {
    const mend = await (await fetch(`${base}/api/mends/${entry.id}`)).json();
    if (mend.status !== 'handed-back') continue;
    await fetch(`${base}/api/mends/${entry.id}/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'If-Match': String(mend.version) },
      body: JSON.stringify({ kind: 'note', text: 'kept in the log' }),
    });
  }
}

const grow = (file, ...how) =>
  execFileSync('dotnet', ['run', '--project', join(top, 'benchmarks/Growth'), '-c', 'Release', '-v', 'quiet', '--', file, ...how], { encoding: 'utf8' }).trim();

const before = await openShop({ demo: true });
await closeSome(before.base);
grow(before.database, 'fleet', String(fleet));
const none = await measure(before);
await before.kill();
console.log(grow(before.database, 'mends', String(mends)));
const after = await openShop({ database: before.database });
console.log(`first answer after ${Math.round(after.answeredAfterMs)} ms, file ${Math.round(statSync(before.database).size / 1e6)} MB`);
const many = await measure(after);
for (const name of Object.keys(asked))
  console.log(`${name}: ${none[name].toFixed(1)} ms with none, ${many[name].toFixed(1)} ms with ${mends}, ratio ${(many[name] / none[name]).toFixed(2)}`);
await after.close();
