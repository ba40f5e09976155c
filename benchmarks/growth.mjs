// How the server answers with a long log beside how it answers with none: node benchmarks/growth.mjs [MENDS]. Only the ratios of one run mean anything.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import { openShop, top } from '../scripts/attack/shop.mjs';

const mends = Number(process.argv[2] ?? 100_000);
const fleet = 200;
const rounds = 60;

const median = (list) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)];

/** Asks both shops in turn, so that whatever else the machine does falls on either alike. */
async function mediansMs(shops, paths) {
  const took = shops.map(() => []);
  for (let i = 0; i < rounds + 10; i++) {
    for (const [which, { base }] of shops.entries()) {
      const from = performance.now();
      const answer = await fetch(base + paths[i % paths.length]);
      await answer.arrayBuffer();
      if (!answer.ok) throw new Error(`${paths[i % paths.length]} answered ${answer.status}`);
      if (i >= 10) took[which].push(performance.now() - from);
    }
    // Answers are shared within a quarter of a second: what is measured is an answer that is made.
    await new Promise((wake) => setTimeout(wake, 260));
  }
  return took.map(median);
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

const young = await openShop({ demo: true });
await closeSome(young.base);
grow(young.database, 'fleet', String(fleet));
await young.kill();
const folder = mkdtempSync(join(tmpdir(), 'able-mend-'));
cpSync(dirname(young.database), folder, { recursive: true });
const grown = join(folder, basename(young.database));
console.log(grow(grown, 'mends', String(mends)));
const shops = [await openShop({ database: young.database }), await openShop({ database: grown })];
console.log(`first answer after ${Math.round(shops[1].answeredAfterMs)} ms, file ${Math.round(statSync(grown).size / 1e6)} MB`);
for (const [name, paths] of Object.entries(asked)) {
  const [none, many] = await mediansMs(shops, paths);
  console.log(`${name}: ${none.toFixed(1)} ms with none, ${many.toFixed(1)} ms with ${mends}, ratio ${(many / none).toFixed(2)}`);
}
for (const shop of shops) await shop.close();
