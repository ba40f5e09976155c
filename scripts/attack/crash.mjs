// Kills the server while it writes and while it starts. Whatever was acknowledged is there afterwards, and every start comes up.
import { rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { chance, openShop, options, report } from './shop.mjs';

const { writes, starts, seed } = options({ writes: 10, starts: 6, seed: 1 });
const luck = chance(seed);
const faults = [];
const acknowledged = new Map();
let passed = 0;
let shop = await openShop({ demo: true });
const { database } = shop;
const { entries } = await (await fetch(`${shop.base}/api/bench`)).json();
let number = 0;

async function write(id) {
  const key = `crash-${seed}-${number++}`;
  try {
    const answer = await fetch(`${shop.base}/api/mends/${id}/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'Idempotency-Key': key },
      body: JSON.stringify({ kind: 'note', text: key }),
    });
    if (answer.ok) {
      await answer.arrayBuffer();
      acknowledged.set(key, id);
    }
  } catch {
    // Killed before it answered: it may be there or not.
  }
}

async function look(what) {
  const kept = new Map();
  for (const { id } of entries) {
    const mend = await (await fetch(`${shop.base}/api/mends/${id}`)).json();
    for (const event of mend.events) if (event.text) kept.set(event.text, (kept.get(event.text) ?? 0) + 1);
    const numbers = mend.events.map((event) => event.number);
    if (numbers.some((each, i) => each !== i + 1)) faults.push(`${what}: mend ${id} has the events ${numbers}`);
  }
  const lost = [...acknowledged.keys()].filter((key) => kept.get(key) !== 1);
  if (lost.length > 0) faults.push(`${what} (seed ${seed}): ${lost.length} acknowledged notes are not there once, such as ${lost[0]}`);
  else passed++;
}

/** How long the first answer of a round is waited for at most, in milliseconds: a busy machine takes its time. */
const patienceMs = 20_000;

const pause = (ms) => new Promise((later) => setTimeout(later, ms));

for (let i = 0; i < writes; i++) {
  const [before, began] = [acknowledged.size, performance.now()];
  let isKilled = false;
  const busy = [0, 1, 2].map(async () => {
    while (!isKilled) await write(luck.of(entries).id);
  });
  // Every other time something was answered before: what nobody was told of shows nothing when it is gone.
  while (i % 2 === 0 && acknowledged.size === before && performance.now() - began < patienceMs) await pause(5);
  await pause(20 + luck.below(350));
  await shop.kill();
  isKilled = true;
  await Promise.all(busy);
  shop = await openShop({ database });
  await look(`kill ${i + 1} while writing`);
}

await shop.kill();
for (let i = 0; i < starts; i++) {
  const begun = await openShop({ database, wait: false });
  await pause(luck.below(1200));
  await begun.kill();
}
// The same on files that are only being made.
for (let i = 0; i < starts; i++) {
  const fresh = await openShop({ demo: true, wait: false });
  await pause(200 + luck.below(1800));
  await fresh.kill();
  try {
    const again = await openShop({ demo: true, database: fresh.database });
    await again.kill();
    passed++;
  } catch (fault) {
    faults.push(`kill ${i + 1} while starting on a new file (seed ${seed}): ${fault.message.slice(0, 300)}`);
  }
  rmSync(dirname(fresh.database), { recursive: true, force: true });
}
if (writes > 0 && acknowledged.size === 0) faults.push(`while writing (seed ${seed}): no note was acknowledged, so that nothing was shown`);
try {
  shop = await openShop({ database });
  await look('kills while starting');
  await shop.close();
} catch (fault) {
  faults.push(`after kills while starting (seed ${seed}): ${fault.message.slice(0, 300)}`);
}
console.log(`${writes} kills while writing and ${2 * starts} while starting, seed ${seed}: ${acknowledged.size} notes were acknowledged`);
report('crash', passed, faults);
