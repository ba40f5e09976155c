// What a tap costs on a mend at which much has happened, beside one at which little has: node benchmarks/taps.mjs. Only the ratios of one run mean anything.
import { openShop } from '../scripts/attack/shop.mjs';

const mend = 6;
const measured = 40;
const marks = [50, 250, 500, 1000];

const median = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];

const shop = await openShop({ demo: true, env: { AbleMend__Clock: '2026-05-06T09:00:00Z' } });

async function took(path, request) {
  const from = performance.now();
  const answer = await fetch(shop.base + path, request);
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
  return performance.now() - from;
}

const tap = (text) =>
  took(`/api/mends/${mend}/events`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'Idempotency-Key': crypto.randomUUID() },
    body: JSON.stringify({ kind: 'note', text }),
  });

try {
  let first;
  const taps = [];
  for (const mark of marks) {
    while (taps.length < mark) taps.push(await tap(`note ${taps.length + 1}`));
    const looks = [];
    for (let i = 0; i < measured; i++) looks.push(await took(`/api/mends/${mend}`));
    const now = { tap: median(taps.slice(-measured)), look: median(looks) };
    first ??= now;
    console.log(
      `${mark} events: a tap ${now.tap.toFixed(1)} ms (${(now.tap / first.tap).toFixed(2)}), a look ${now.look.toFixed(1)} ms (${(now.look / first.look).toFixed(2)})`,
    );
  }
} finally {
  await shop.close();
}
