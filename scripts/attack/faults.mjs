// What a machine does to a shop: a port that is taken, a file that is damaged, read-only or none, a full disk. Each has to be told in one
// sentence with its remedy and an exit code of its own, and a backup has to bring everything back.
import { execFileSync } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync, writeSync, closeSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answers, openShop, report } from './shop.mjs';

const folder = mkdtempSync(join(tmpdir(), 'able-mend-'));
const faults = [];
let passed = 0;
const check = (holds, what) => (holds ? passed++ : faults.push(what));
const root = process.getuid() === 0;

/** Starts on something that cannot work, and looks at how the end is told. */
async function refused(what, code, words, start) {
  const shop = await openShop({ wait: false, ...start });
  const ended = await Promise.race([shop.ended, new Promise((later) => setTimeout(() => later(null), 15_000))]);
  if (!ended) await shop.kill();
  const said = shop.said().trim();
  const lines = said.split('\n').filter((line) => !/^\[/.test(line));
  check(ended?.code === code, `${what}: ended with ${JSON.stringify(ended)} instead of ${code}: ${said.slice(0, 300)}`);
  check(lines.length === 1 && words.test(said), `${what}: told as ${said.slice(0, 400)}`);
  check(!/ {3}at |Exception|System\./.test(said), `${what}: a stack trace: ${said.slice(0, 400)}`);
}

const sound = join(folder, 'sound.db');
const first = await openShop({ demo: true, database: sound });
const taken = Number(new URL(first.base).port);
await refused('a port that is taken', 3, /Port \d+ is taken/, { database: join(folder, 'other.db'), env: { AbleMend__Port: `${taken}` } });
await refused('a port that is taken, in a shop that keeps backups', 3, /Port \d+ is taken/, {
  database: join(folder, 'other.db'),
  env: { AbleMend__Port: `${taken}`, AbleMend__Backups: join(folder, 'kept') },
});
await refused('a port that is none', 2, /[Pp]ort/, { database: join(folder, 'other.db'), env: { AbleMend__Port: '70000' } });
await refused('a language file that is none', 2, /nothing\.json/, {
  database: join(folder, 'other.db'),
  env: { AbleMend__Language: join(folder, 'nothing.json') },
});
await first.kill();

const garbage = join(folder, 'garbage.db');
writeFileSync(garbage, 'this is a shopping list\n'.repeat(500));
await refused('a file that is none', 5, /damaged, or none/, { database: garbage });

const damaged = join(folder, 'damaged.db');
// The log of what is not written through yet goes with the file.
execFileSync('cp', [sound, damaged]);
for (const part of ['-wal', '-shm']) execFileSync('sh', ['-c', `cp '${sound}${part}' '${damaged}${part}' 2>/dev/null || true`]);
const mended = await openShop({ database: damaged });
await mended.kill();
rmSync(`${damaged}-wal`, { force: true });
rmSync(`${damaged}-shm`, { force: true });
const pages = statSync(damaged).size / 4096;
const file = openSync(damaged, 'r+');
for (let page = 4; page < pages; page += 3) writeSync(file, Buffer.alloc(4096, 0xa5), 0, 4096, page * 4096);
closeSync(file);
await refused('a damaged file', 5, /damaged/, { database: damaged });

if (!root) {
  const shut = join(folder, 'shut');
  mkdirSync(shut);
  chmodSync(shut, 0o500);
  await refused('a folder that may not be written', 4, /may not be|cannot be/, { database: join(shut, 'shop.db') });
}

await refused('a folder where the file should be', 4, /cannot be opened|may not be/, { database: folder });

// A backup is made while the shop works, and brings back everything up to it.
const backups = join(folder, 'backups');
const live = join(folder, 'live.db');
const shop = await openShop({ demo: true, database: live, env: { AbleMend__Backups: backups } });
const kept = () => {
  try {
    return readdirSync(backups).filter((name) => name.endsWith('.db'));
  } catch {
    return [];
  }
};
for (let i = 0; i < 100 && kept().length === 0; i++) await new Promise((later) => setTimeout(later, 50));
check(kept().length === 1, 'no backup was made at the start');
const before = await (await fetch(`${shop.base}/api/items`)).json();
await fetch(`${shop.base}/api/items`, {
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify({ tag: 'LATE-1', name: 'After the backup', construction: before[0].construction, ageMonths: null, warranty: 'none' }),
});
await shop.kill();
const backup = join(backups, kept()[0]);
for (const each of [live, backup]) check((statSync(each).mode & 0o077) === 0, `${each} can be read by others: ${(statSync(each).mode & 0o777).toString(8)}`);
writeFileSync(live, readFileSync(garbage));
const restored = await openShop({ database: live, env: { AbleMend__Restore: backup } });
const after = await (await fetch(`${restored.base}/api/items`)).json();
check(JSON.stringify(after) === JSON.stringify(before), `the backup brought back ${after.length} items of ${before.length}`);
check(
  readdirSync(folder).some((name) => name.startsWith('live.db.before-restore-')),
  'what was there before the restore is gone',
);
await restored.kill();
await refused('a backup that is none', 2, /no sound backup/, { database: live, env: { AbleMend__Restore: garbage } });
const still = await openShop({ database: live });
check((await answers(still)) > 0, 'a restore that was refused did harm');
await still.kill();

// A full disk refuses what it cannot keep, in words, and what was kept stays.
if (root) {
  const small = join(folder, 'small');
  mkdirSync(small);
  let mounted = false;
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=3m', 'tmpfs', small], { stdio: 'ignore' });
    mounted = true;
  } catch {
    console.log('  (no small disk can be made here: the full disk was not tried)');
  }
  if (mounted) {
    const full = await openShop({ demo: true, database: join(small, 'shop.db') });
    const bench = await (await fetch(`${full.base}/api/bench`)).json();
    let answer = null;
    for (let i = 0; i < 400 && (!answer || answer.ok); i++) {
      answer = await fetch(`${full.base}/api/mends/${bench.entries[0].id}/events`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'Idempotency-Key': `full-disk-${i}` },
        body: JSON.stringify({ kind: 'note', text: 'x'.repeat(2000) }),
      });
    }
    const said = await answer.json();
    check(answer.status === 503 && said.problems[0].code === 'disk-full', `a full disk is told as ${answer.status} ${JSON.stringify(said).slice(0, 200)}`);
    check((await fetch(`${full.base}/api/mends/${bench.entries[0].id}`)).ok, 'a full disk cannot be read any more');
    await full.kill();
    execFileSync('umount', [small]);
  }
}

rmSync(folder, { recursive: true, force: true });
report('faults', passed, faults);
