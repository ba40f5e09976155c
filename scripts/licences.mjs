#!/usr/bin/env node
// Writes docs/licences.md: everything that ships with the product, with its licence. Run it after every change of a dependency,
// on a machine where ./run has been run: node scripts/licences.mjs
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';

const root = new URL('..', import.meta.url).pathname;
const json = (path) => JSON.parse(readFileSync(path, 'utf8'));

/** What the page is built from; what only builds or tests it does not ship. */
function page() {
  const lock = json(join(root, 'web/package-lock.json'));
  return Object.entries(lock.packages)
    .filter(([where, entry]) => where.startsWith('node_modules/') && !entry.dev && !entry.optional)
    .map(([where]) => json(join(root, 'web', where, 'package.json')))
    .map(({ name, version, license }) => ({ name, version, licence: license ?? 'not stated' }));
}

/** What the server, the command line and the instruments ship with. */
function server() {
  const projects = ['src/AbleMend.Server', 'src/AbleMend.Cli', 'src/AbleMend.Devices'];
  const packages = projects.flatMap((project) => {
    const listed = JSON.parse(execFileSync('dotnet', ['list', project, 'package', '--include-transitive', '--format', 'json'], { cwd: root, encoding: 'utf8' }));
    return listed.projects.flatMap(({ frameworks = [] }) => frameworks.flatMap((each) => [...(each.topLevelPackages ?? []), ...(each.transitivePackages ?? [])]));
  });
  // The server brings the framework along that it was compiled with.
  const { includedFrameworks } = json(join(root, 'artifacts/server/AbleMend.Server.runtimeconfig.json')).runtimeOptions;
  const framework = includedFrameworks.map(({ name, version }) => ({ id: `${name}.Runtime.linux-x64`, resolvedVersion: version }));
  const home = process.env.NUGET_PACKAGES ?? join(homedir(), '.nuget/packages');
  return [...packages, ...framework].map(({ id, resolvedVersion: version }) => {
    const folder = join(home, id.toLowerCase(), version);
    const nuspec = join(folder, `${id.toLowerCase()}.nuspec`);
    const text = existsSync(nuspec) ? readFileSync(nuspec, 'utf8') : '';
    const stated = /<license type="expression">([^<]+)</.exec(text)?.[1] ?? /<license type="file">([^<]+)</.exec(text)?.[1] ?? /<licenseUrl>([^<]+)</.exec(text)?.[1];
    return { name: id, version, licence: stated ?? 'not stated' };
  });
}

function table(rows) {
  const once = [...new Map(rows.map((row) => [`${row.name} ${row.version}`, row])).values()].sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return ['| Package | Version | Licence |', '|---|---|---|', ...once.map(({ name, version, licence }) => `| ${name} | ${version} | ${licence} |`)].join('\n');
}

writeFileSync(
  join(root, 'docs/licences.md'),
  `# Licences of all that ships\n\nMade by \`node scripts/licences.mjs\`; what only builds or tests the product is not in it.\n\n## The page\n\n${table(page())}\n\n## The server and the command line\n\n${table(server())}\n`,
);
