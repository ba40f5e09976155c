// Optional packages for other platforms are not always served, and then the lock that npm writes lacks them, and
// `npm ci` refuses the lock. This adds each missing one as optional and not for Linux. Run it after every change of a
// dependency: npm install && npm run lock
import { readFileSync, writeFileSync } from 'node:fs';

const path = new URL('../package-lock.json', import.meta.url);
const lock = JSON.parse(readFileSync(path, 'utf8'));
const added = [];
for (const [where, entry] of Object.entries(lock.packages)) {
  for (const [name, range] of Object.entries(entry.optionalDependencies ?? {})) {
    const known = Object.keys(lock.packages).some((each) => each === `node_modules/${name}` || each === `${where}/node_modules/${name}`);
    if (known) continue;
    const version = range.replace(/^[~^]/, '');
    lock.packages[`node_modules/${name}`] = { version, optional: true, os: ['!linux'] };
    added.push(`${name}@${version}`);
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(path, `${JSON.stringify(lock, null, 2)}\n`);
console.log(added.length > 0 ? `added: ${added.join(', ')}` : 'nothing was missing');
