// npm run third-party: writes THIRD-PARTY.md, what the app ships that others have made, with each package's licence as
// its own package.json says it. Packages that only build or test it are not shipped, and not listed.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');
const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));

const rows = Object.entries(packages)
  .filter(([at, p]) => at.startsWith('node_modules/') && !p.dev && !p.devOptional)
  .map(([at, p]) => ({
    name: at.slice(at.lastIndexOf('node_modules/') + 'node_modules/'.length),
    version: p.version,
    licence: p.license ?? 'not said: see its folder',
  }));
const unique = [...new Map(rows.map((r) => [`${r.name} ${r.version}`, r])).values()].sort((a, b) =>
  a.name < b.name ? -1 : a.name > b.name ? 1 : a.version < b.version ? -1 : 1,
);
const kinds = new Map();
for (const r of unique) kinds.set(r.licence, (kinds.get(r.licence) ?? 0) + 1);

writeFileSync(
  join(ROOT, 'THIRD-PARTY.md'),
  [
    '# What others have made',
    '',
    'Packages that the app ships, as `package-lock.json` names them, with the licence that each says it has. Made by `npm run third-party`.',
    'Pictures are worked by libvips, which comes in the `@img/sharp-libvips` packages for the machine at hand, under the LGPL; it is loaded as a library',
    'of its own and can be replaced.',
    '',
    ...[...kinds].sort((a, b) => b[1] - a[1]).map(([k, n]) => `- ${k}: ${n}`),
    '',
    '| package | version | licence |',
    '| --- | --- | --- |',
    ...unique.map((r) => `| ${r.name} | ${r.version} | ${r.licence} |`),
    '',
  ].join('\n'),
);
process.stdout.write(`${unique.length} packages in THIRD-PARTY.md\n`);
