// Hostile requests over every endpoint that the server describes: broken, absurd, too long, of the wrong kind, in the wrong order.
// None may be answered with a fault of the server, none that was refused may change anything, and memory stays flat.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chance, openShop, options, report, top } from './shop.mjs';

const { requests, seed } = options({ requests: 2000, seed: 1 });
const luck = chance(seed);
const shop = await openShop({ demo: true });
const described = await (await fetch(`${shop.base}/openapi/v1.json`)).json();
const examples = readdirSync(join(top, 'examples'))
  .filter((name) => name.endsWith('.case.json'))
  .map((name) => JSON.parse(readFileSync(join(top, 'examples', name), 'utf8')));

/** Text that stands in the body as it is and that no JSON writer would make. */
const raw = (text) => `@@${text}@@`;
const hostile = [
  raw('1e400'),
  raw('-1e400'),
  raw('1e-400'),
  raw('123456789012345678901234567890'),
  raw('-0'),
  raw('NaN'),
  raw('007'),
  -1,
  0,
  1e308,
  2 ** 53,
  0.1,
  true,
  false,
  null,
  '',
  ' ',
  'x'.repeat(3000),
  'x'.repeat(200_000),
  [],
  {},
  [[]],
  [null],
  { kind: 'blob' },
  { kind: null },
  'a\u0000b',
  '\u202Etag',
  'zero\u200Bwidth',
  '\u001b[31mred',
  '\uFEFF',
  '\uD800',
  'ﷺ'.repeat(40),
  '<script>alert(1)</script>',
  "'; DROP TABLE Mends; --",
  '../../etc/passwd',
  '%s%n',
  '{0}',
  '{25 mm}',
  '9999-12-31',
  '0001-01-01',
  '9999-12-31T23:59:59.9999999Z',
  '2026-02-30',
  'Mars/Olympus',
  'Etc/UTC',
  Array(5000).fill('P60'),
  Array(300).fill({}),
  raw(`${'['.repeat(200)}${']'.repeat(200)}`),
  raw(`{"a":${'{"a":'.repeat(40)}1${'}'.repeat(41)}`),
];

/** One of them, of its own: what is spoiled next must not spoil the list. */
const hostileOne = () => {
  const one = luck.of(hostile);
  return structuredClone(one);
};

/** All places in a document. */
function places(value, at = [], found = []) {
  found.push(at);
  if (value && typeof value === 'object') for (const key of Object.keys(value)) places(value[key], [...at, key], found);
  return found;
}

function spoiled(document) {
  const copy = structuredClone(document);
  for (let i = luck.below(3); i >= 0; i--) {
    const at = luck.of(places(copy));
    if (at.length === 0) return hostileOne();
    const holder = at.slice(0, -1).reduce((value, key) => value?.[key], copy);
    if (!holder || typeof holder !== 'object') continue;
    const key = at.at(-1);
    const how = luck.below(10);
    if (how === 0) delete holder[key];
    else if (how === 1 && !Array.isArray(holder)) holder[luck.of(['nothing', '__proto__x', '', 'kind', 'toString'])] = hostileOne();
    else if (how === 2 && Array.isArray(holder)) holder.push(...Array(luck.of([1, 50, 500])).fill(holder[0]));
    else holder[key] = hostileOne();
  }
  return copy;
}

const text = (document) => JSON.stringify(document)?.replaceAll(/"@@(.*?)@@"/g, (_, inner) => inner.replaceAll('\\"', '"')) ?? '';

const customer = () => ({ name: 'Somebody', reach: luck.of([null, 'extension 4']) });
const lots = ['abc', '1', '9'.repeat(30)];

const bodies = {
  case: () => luck.of(examples),
  mend: () => ({ itemId: 1 + luck.below(25), case: luck.next() < 0.5 ? luck.of(examples) : null }),
  item: () => ({ tag: `T-${luck.below(100000)}`, name: 'Something', construction: luck.of(examples).item.construction, ageMonths: 3, warranty: 'none' }),
  lot: () => ({
    material: 'acetone',
    id: luck.of(lots),
    batch: luck.of([null, 'B1']),
    had: luck.of([null, 500]),
    unit: 'ml',
    openedOn: luck.of([null, '2026-05-01']),
    useBefore: null,
    price: 4,
    standsAt: luck.of([null, 'Cabinet']),
    goneOn: null,
  }),
  count: () => ({ left: luck.of([0, 120, 1e6]) }),
  ticket: () => ({ customer: customer(), items: [1 + luck.below(25)], note: luck.of([null, 'by Thursday']), dueAt: luck.of([null, '2026-05-14T13:00:00Z']) }),
  ticketChange: () => ({ customer: customer(), note: null, dueAt: null, collected: luck.next() < 0.3 }),
  yes: () => ({ by: 'Somebody', heardBy: luck.of([null, 'Wren']), upTo: luck.of([null, 500, 1e6]) }),
  table: () => ({
    csv: luck.of([
      'name,material,had,left\nabc,acetone,500,20\n',
      'name;material\n1;acetone',
      'material\n"a\n',
      'name,material,had\n1,acetone,1e400\n',
      'left,material\n,,,,,\n',
      '\n'.repeat(2000),
      `name,material\n${'x,acetone\n'.repeat(1200)}`,
    ]),
  }),
  event: (steps) => ({
    kind: luck.of([
      'begin',
      'hands-done',
      'ready',
      'not-yet',
      'proof',
      'redo',
      'note',
      'reading',
      'surface',
      'humidity',
      'light',
      'probe',
      'warm',
      'pressure',
      'poured',
      'measured',
      'stirred',
      'thrown-out',
      'cup-together',
      'cup-apart',
      'measured-with',
      'mishap',
      'pace',
      'find',
      'undo',
      'hand-back',
      'looked-again',
    ]),
    stepId: luck.of([null, luck.of(steps), luck.of(steps)]),
    text: luck.of([null, 'half an hour late', 'resin', 'tacky/cold', 'epoxy-2to1', 'open-shade', 'bench-climate']),
    value: luck.of([null, 21.5]),
    resolution: luck.of([null, 0.1]),
    passed: luck.of([null, true]),
    airC: luck.of([null, 20]),
    barometerKpa: luck.of([null, 101]),
    device: luck.of([null, { kind: 'scale', stepG: 0.1 }, { kind: 'cup', lineEveryMl: 5, lineErrorMl: 9, holdsMl: 60 }]),
  }),
};

/** A server may hang up on a body that it refuses by its length, while that is still being sent: the most that it takes in. */
const mostBodyBytes = 1024 * 1024;
const hungUp = /EPIPE|ECONNRESET|other side closed/;

/** An answer read to its end; one that breaks off counts as a fault of the server, unless what was sent is longer than it takes. */
async function ask(address, request) {
  try {
    const answer = await fetch(`${shop.base}${address}`, request);
    return { status: answer.status, said: await answer.text() };
  } catch (error) {
    if (hungUp.test(error.cause?.message) && Buffer.byteLength(request?.body ?? '') > mostBodyBytes) return { status: 413, said: '' };
    return { status: 599, said: `the answer broke off: ${error.cause?.message ?? error.message}` };
  }
}

const read = (answer) => (answer.status < 300 ? JSON.parse(answer.said) : null);

const ids = ['0', '-1', '1', '2', '6', '8', '13', '18', '999999', '2147483648', '9'.repeat(40), 'abc', '1.5', '%00', '..%2f..', '١'];
const types = [
  'application/json',
  'application/json',
  'application/json',
  'application/json; charset=utf-8',
  'application/json; charset=nonsense',
  'application/json; charset=utf-16',
  'text/plain',
  'application/xml',
  '',
];
let settings = await (await fetch(`${shop.base}/api/shop`)).json();

/** A picture of one dot, and what is only called one. */
const dot = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
function picture() {
  const one = Buffer.from(dot);
  const how = luck.below(6);
  if (how === 0) return Buffer.alloc(luck.below(4000), luck.below(256));
  if (how === 1) return one.subarray(0, luck.below(one.length));
  // Its own size, as far as it says: up to four thousand million dots across.
  if (how === 2) for (let i = 16; i < 24; i++) one[i] = luck.below(256);
  if (how === 3) one[luck.below(one.length)] = luck.below(256);
  if (how === 4) return Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe1, luck.below(256), luck.below(256)]), Buffer.from('Exif\0\0'), one]);
  return one;
}

async function bodyFor(path, mend) {
  if (path === '/api/shop') return settings.settings;
  if (path === '/api/shelf/{name}') return { lot: bodies.lot(), was: luck.below(3) === 0 ? null : bodies.lot() };
  if (path.endsWith('/count')) return bodies.count();
  if (path === '/api/shelf-table') return bodies.table();
  if (path === '/api/tickets') return bodies.ticket();
  if (path === '/api/tickets/{id}') return bodies.ticketChange();
  if (path.endsWith('/agreements')) return bodies.yes();
  if (path.endsWith('/events')) return bodies.event(mend?.plan?.steps.map((step) => step.id) ?? ['cut']);
  if (path.endsWith('/cups')) return { stepId: luck.of(mend?.plan?.steps.map((step) => step.id) ?? ['cut']), with: [1 + luck.below(25)] };
  if (path === '/api/items') return bodies.item();
  if (path === '/api/instruments/{id}/do') return { words: 'pour 20' };
  if (path === '/api/mends') return bodies.mend();
  return bodies.case();
}

const operations = Object.entries(described.paths).flatMap(([path, of]) => Object.keys(of).map((method) => ({ path, method: method.toUpperCase() })));
const faults = [];
let passed = 0;
const told = (operation, answer, body) =>
  `${operation.method} ${operation.path} → ${answer} (seed ${seed}, request ${passed + faults.length + 1}): ${body.toString('latin1').slice(0, 160)}`;
const mends = (await (await fetch(`${shop.base}/api/bench`)).json()).entries.map((each) => each.id);
const memory = [];

// A long run says how far it is, and tells what it found where it is broken off.
let isBrokenOff = false;
process.once('SIGINT', () => (isBrokenOff = true));
let sent = 0;
for (let i = 0; i < requests && !isBrokenOff; i++) {
  sent = i + 1;
  if (sent % 5000 === 0) console.log(`${sent} sent, ${faults.length} faults, ${shop.memoryMb().toFixed(0)} MB`);
  const operation = luck.next() < 0.15 ? luck.of(operations) : luck.of(operations.filter((each) => each.method !== 'GET'));
  const id = operation.path.includes('tickets') && luck.next() < 0.7 ? `${1 + luck.below(4)}` : luck.next() < 0.7 ? `${luck.of(mends)}` : luck.of(ids);
  const mend = /\{id\}/.test(operation.path) && operation.path.includes('mends') ? read(await ask(`/api/mends/${id}`)) : null;
  const path = operation.path
    .replace('{id}', operation.path.includes('gallery') ? luck.of(['deck-ding-quick', 'nothing', '..', '%00', 'x'.repeat(5000)]) : id)
    .replaceAll(/\{[^}]+\}/g, () => luck.of([...lots, '-1', '%00']));
  const query =
    luck.next() < 0.3
      ? `?${luck.of(['after', 'after', 'page', 'damage', 'price', 'leftMonths', 'q', 'q', 'q'])}=${encodeURIComponent(`${luck.of([-1, 0, 1e9, 'x'.repeat(3000), '"*"', "a'b", '\u0000', 'NEAR(', '%', '"', '638000000000000000_0_5', '1_NaN_1', '0_-1.5_3', '_', 'x* OR y', 'é"é'])}`)}`
      : '';
  const version = luck.of([
    mend?.version ?? settings.version,
    mend?.version ?? settings.version,
    settings.version,
    -1,
    'abc',
    '1e3',
    '99999999999999',
    '"1"',
    null,
  ]);
  const good = await bodyFor(operation.path, mend);
  const whole = text(luck.next() < 0.9 ? spoiled(good) : good);
  const isPicture = operation.path.endsWith('/photographs') && luck.next() < 0.8;
  const body = isPicture ? picture() : luck.next() < 0.05 ? whole.slice(0, luck.below(whole.length + 1)) : whole;
  const headers = {
    'Content-Type': isPicture ? luck.of(['image/png', 'image/jpeg', 'image/webp', 'image/svg+xml']) : luck.of(types),
    ...(version === null ? {} : { 'If-Match': `${version}` }),
    ...(luck.next() < 0.2 ? { 'Idempotency-Key': luck.of(['', 'x', 'x'.repeat(500), 'a b', '\u00e9', 'same']) } : {}),
  };
  const answer = await ask(`${path}${query}`, {
    method: operation.method,
    headers,
    body: operation.method === 'GET' || operation.method === 'HEAD' ? undefined : body,
  });
  const { said } = answer;
  if (answer.status >= 500) faults.push(told(operation, `${answer.status} ${said.slice(0, 200)}`, body));
  else if (answer.status >= 400 && /System\.|Microsoft\.|AbleMend\.|Exception|Failed to|"[A-Z][a-zA-Z<>]+ [a-z]+"/.test(said))
    faults.push(told(operation, `${answer.status} in the framework's words: ${said.slice(0, 300)}`, body));
  else passed++;
  if (operation.path === '/api/shop' && operation.method === 'PUT') {
    const now = read(await ask('/api/shop'));
    if (!now || (answer.status >= 400 && JSON.stringify(now.settings) !== JSON.stringify(settings.settings)))
      faults.push(told(operation, `answered ${answer.status}, and the shop is changed or unreadable`, body));
    if (now) settings = now;
  }
  if (operation.path.startsWith('/api/shelf') && answer.status < 300) settings = read(await ask('/api/shop')) ?? settings;
  if (i % 50 === 49) {
    for (const view of ['/api/bench', '/api/shop', '/api/shelf', '/api/tickets', '/api/items', '/api/log', ...mends.map((each) => `/api/mends/${each}`)]) {
      const look = await ask(view);
      if (look.status >= 400 && !(look.status === 404 && view.includes('mends/')))
        faults.push(`${view} answers ${look.status} after request ${i + 1} (seed ${seed}): ${look.said.slice(0, 200)}`);
    }
    memory.push(shop.memoryMb());
  }
}

const early = Math.max(...memory.slice(0, Math.ceil(memory.length / 2)));
const late = memory.at(-1) ?? 0;
if (late > early * 1.5 + 100) faults.push(`memory grew from ${early.toFixed(0)} to ${late.toFixed(0)} MB`);
console.log(`${sent} hostile requests, seed ${seed}: memory at most ${Math.max(...memory, 0).toFixed(0)} MB, ${late.toFixed(0)} MB at the end`);
if (process.env.ATTACK_LOG) writeFileSync(process.env.ATTACK_LOG, shop.said());
await shop.close();
report('hostile', passed, faults);
