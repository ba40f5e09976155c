/** Rooms of the page, in the order in which they build on one another: a room may know those before it and none after it. */
const order = [
  'words',
  'measures',
  'api',
  'shop',
  'ui',
  'scan',
  'outbox',
  'instruments',
  'drawing',
  'desk',
  'label',
  'intake',
  'look',
  'match',
  'plan',
  'run',
  'prove',
  'print',
  'mend',
  'bench',
  'days',
  'counter',
  'fleet',
  'gallery',
  'log',
  'shelf',
  'settings',
  'app',
];
const pages = ['bench', 'days', 'counter', 'fleet', 'gallery', 'log', 'shelf', 'settings', 'mend'];
const stages = ['look', 'match', 'plan', 'run', 'prove'];
const paths = (rooms) => `^src/(${rooms.join('|')})/`;

/** Rooms that stand beside each other and do not know one another. */
const apart = (name, rooms) =>
  rooms.map((room) => ({
    name: `${room}-stands-by-itself`,
    comment: `${name} do not know one another.`,
    severity: 'error',
    from: { path: paths([room]) },
    to: { path: paths(rooms.filter((other) => other !== room)) },
  }));

export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    ...order.slice(0, -1).map((room, i) => ({
      name: `${room}-knows-nothing-after-it`,
      comment: 'Rooms build on one another in one direction.',
      severity: 'error',
      from: { path: paths([room]) },
      to: { path: paths(order.slice(i + 1)) },
    })),
    ...apart('Pages', pages),
    ...apart('Stages of a mend', stages),
    {
      name: 'every-room-stands-in-the-order',
      severity: 'error',
      from: { path: '^src/', pathNot: [paths(order), '^src/main\\.tsx$'] },
      to: {},
    },
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.json' } },
};
