// What instruments cost: how soon a reading is on every open screen, and what of one core a bench with many mends and instruments takes.
// usage: node benchmarks/instruments.mjs http://127.0.0.1:5192 5193 PID [seconds]
import { connect } from 'node:net';
import { readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';

const [url, port, pid, seconds = '60'] = process.argv.slice(2);
const screens = 4;
const instruments = 8;
const everyMs = 100;

/** Ticks of a hundredth of a second that the server has worked for. */
const ticks = () => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return Number(fields[11]) + Number(fields[12]);
};
const memoryMb = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/** Instruments that read every tenth of a second; the first says a value that nobody has said before. */
const sockets = await Promise.all(
  Array.from({ length: instruments }, async (_, i) => {
    const socket = connect(Number(port), '127.0.0.1');
    await new Promise((done) => socket.once('connect', done));
    socket.write(`hello bench-${i} ${i === 0 ? 'mass:0.1' : 'air-temperature:0.1'} name=Instrument ${i}\n`);
    socket.resume();
    return socket;
  }),
);
const sentAt = new Map();
let count = 0;
const reads = setInterval(() => {
  const value = ++count / 10;
  sentAt.set(value, performance.now());
  sockets.forEach((socket, i) => socket.write(i === 0 ? `mass ${value.toFixed(1)}\n` : `air-temperature ${(20 + Math.sin(count / 50) / 3).toFixed(1)}\n`));
}, everyMs);

/** Screens that watch; each notes when it has seen a value. */
const late = [];
let seen = 0;
const stop = new AbortController();
for (let i = 0; i < screens; i++) {
  const answer = await fetch(`${url}/api/instruments/live`, { signal: stop.signal });
  void (async () => {
    const decoder = new TextDecoder();
    let rest = '';
    let before = 0;
    try {
      for await (const chunk of answer.body) {
        rest += decoder.decode(chunk, { stream: true });
        const messages = rest.split('\n\n');
        rest = messages.pop();
        for (const message of messages) {
          const view = JSON.parse(message.replace(/^data: /, ''));
          const value = view.instruments.find((each) => each.id === 'bench-0')?.readings[0]?.value;
          if (value > before && sentAt.has(value)) {
            // A screen may be told of several readings at once: it has seen the older ones then, too.
            for (let each = Math.round(before * 10) + 1; each <= Math.round(value * 10); each++) {
              const at = sentAt.get(each / 10);
              if (at !== undefined) late.push(performance.now() - at);
              seen++;
            }
            before = value;
          }
        }
      }
    } catch {
      // Called off at the end.
    }
  })();
}

await pause(3000);
const [workedBefore, memoryBefore, from] = [ticks(), memoryMb(), performance.now()];
await pause(Number(seconds) * 1000);
const passed = (performance.now() - from) / 1000;
const worked = (ticks() - workedBefore) / 100;
clearInterval(reads);
await pause(500);
stop.abort();
sockets.forEach((socket) => socket.destroy());
late.sort((a, b) => a - b);
const at = (share) => late[Math.floor(share * (late.length - 1))]?.toFixed(0);
console.log(`${count} readings of each of ${instruments} instruments, ${screens} screens: ${seen} seen of ${count * screens}`);
console.log(`on a screen after ${at(0.5)} ms (median), ${at(0.95)} ms (95 of 100), ${at(1)} ms at most`);
console.log(
  `${((100 * worked) / passed).toFixed(0)} % of one core over ${passed.toFixed(0)} s; memory ${memoryBefore.toFixed(0)} MB, then ${memoryMb().toFixed(0)} MB`,
);
