// Every long run on one build, two at a time: node scripts/attack/long.mjs [--seed N]. Takes some three hours on two cores.
// Wants what ./test installs; leaves the whole of what each run said in artifacts/long and tells its end.
import { spawn } from 'node:child_process';
import { createWriteStream, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { finished } from 'node:stream/promises';
import { options, top } from './shop.mjs';

const { seed } = options({ seed: 1 });
const folder = join(top, 'artifacts/long');
mkdirSync(folder, { recursive: true });

const attack = (name, ...how) => ({ name, command: ['node', join(top, `scripts/attack/${name}.mjs`), ...how], lines: 3 });

const bare = {
  name: 'bare',
  command: ['dotnet', 'publish', join(top, 'benchmarks/Bare'), '-c', 'Release', '--no-self-contained', '-o', join(top, 'artifacts/bare'), '-v', 'quiet'],
  lines: 1,
};

const measured = (name, ...how) => ({ name, command: ['node', join(top, `benchmarks/${name}.mjs`), ...how], lines: 12 });

/** Part of devices.spec, of so many deeds drawn from a seed. */
const interleaved = (name, part, deeds, from) => ({
  name: `${name}-${from}`,
  command: ['npx', 'playwright', 'test', 'devices', '-g', part, '--reporter=line', '--output', join(folder, `${name}-${from}`)],
  from: join(top, 'tests/e2e'),
  environment: { ABLE_MEND_DEEDS: String(deeds), ABLE_MEND_SEED: String(from) },
  lines: 1,
});

const eachWay = [0, 1, 2, 3].flatMap((i) => [
  interleaved('two-tabs', 'two tabs', 400, seed + i),
  interleaved('two-devices', 'two devices', 400, seed + i),
]);

const lanes = [
  [interleaved('hour', 'network comes', 4000, seed), attack('crash', '--writes', '500', '--starts', '100', '--seed', String(seed))],
  [
    attack('faults'),
    bare,
    measured('start', '15'),
    measured('growth', '100000'),
    attack('hostile', '--requests', '100000', '--seed', String(seed)),
    ...eachWay,
  ],
];

async function run({ name, command: [program, ...how], from = top, environment = {}, lines }) {
  const began = Date.now();
  const said = [];
  const whole = createWriteStream(join(folder, `${name}.txt`));
  const child = spawn(program, how, { cwd: from, env: { ...process.env, ...environment }, stdio: ['ignore', 'pipe', 'pipe'] });
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part) => {
      whole.write(part);
      said.push(String(part));
    });
  const code = await new Promise((done) => child.once('close', done));
  whole.end();
  await finished(whole);
  const last = said.join('').trim().split('\n').slice(-lines);
  console.log(`== ${name}: ${code === 0 ? 'held' : `FAILED with ${code}`}, ${((Date.now() - began) / 60_000).toFixed(1)} minutes\n${last.join('\n')}`);
  return code;
}

async function lane(runs) {
  const codes = [];
  for (const each of runs) codes.push(await run(each));
  return codes;
}

console.log(`Long runs, seed ${seed}, ${new Date().toISOString()}`);
const codes = (await Promise.all(lanes.map(lane))).flat();
console.log(`${codes.filter((code) => code === 0).length} of ${codes.length} held`);
process.exitCode = codes.every((code) => code === 0) ? 0 : 1;
