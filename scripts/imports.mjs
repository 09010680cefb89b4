// npm run imports: who may call whom. Every folder stands in one ordered list and imports only from those before it; no
// file may stand in a circle, not even one of types alone. Prints what breaks a rule, and ends with 1 where anything
// does.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/** The folders of `ui` that are one page, or the pages of one thing, each: none imports another's. */
const PAGES = [
  'batch',
  'bench',
  'day',
  'griddle',
  'house',
  'kept',
  'log',
  'morning',
  'pantry',
  'practice',
  'premix',
  'prep',
  'sides',
  'today',
  'trials',
  'versions',
].map((p) => `src/ui/${p}`);
const NOT_IN_UI = ['src/server', 'src/core/testing'];

/**
 * From the ground up. A folder's files may import from its own folder and from every line above; `not` takes some away.
 */
export const ORDER = [
  { at: 'src/core/result' },
  { at: 'src/core/records' },
  { at: 'src/core/quantity' },
  { at: 'src/core/pantry' },
  { at: 'src/core/card' },
  { at: 'src/core/formula' },
  { at: 'src/core/lift' },
  { at: 'src/core/batter' },
  { at: 'src/core/script' },
  { at: 'src/core/findings' },
  { at: 'src/core/numbers' },
  { at: 'src/core/analyse' },
  { at: 'src/core/analyse-formula' },
  { at: 'src/core/suspects' },
  { at: 'src/core/facts' },
  { at: 'src/core/balance' },
  { at: 'src/core/cooking' },
  { at: 'src/core/batch' },
  { at: 'src/core/bench' },
  { at: 'src/core/prep' },
  { at: 'src/core/griddle' },
  { at: 'src/core/day' },
  { at: 'src/core/premix' },
  { at: 'src/core/morning' },
  { at: 'src/core/begin' },
  { at: 'src/core/judge' },
  { at: 'src/core/learn' },
  { at: 'src/core/practice' },
  { at: 'src/core/exchange' },
  { at: 'src/core/testing' },
  { at: 'src/contract', not: ['src/core/testing'] },
  { at: 'src/workers' },
  { at: 'src/server/log' },
  { at: 'src/server/db', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/server/queries', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/server/usecases', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/server/live', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/server/reading', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/server/print', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/server/api', not: ['src/workers', 'src/core/testing'] },
  ...['kit', 'drawings', 'live', 'shared', 'frame'].map((f) => ({ at: `src/ui/${f}`, not: NOT_IN_UI })),
  ...PAGES.map((at) => ({ at, not: [...NOT_IN_UI, ...PAGES.filter((p) => p !== at)] })),
  { at: 'src/app', not: ['src/workers', 'src/core/testing'] },
  { at: 'src/proxy', not: ['src/server', 'src/ui', 'src/app', 'src/workers'] },
  { at: 'src/instrumentation', not: ['src/ui', 'src/app', 'src/workers'] },
  { at: 'src/types' },
];
/** Files of a folder that its own files alone may import: everyone else reads what comes of them. */
export const INSIDE = ['at-the-heat', 'bowls', 'combine', 'cues'].map((f) => `src/core/script/${f}.ts`);

/** Packages that only these may import; the core is pure but for a few small libraries. */
const CORE_LIBRARIES = [
  '@date-fns/tz',
  'chrono-node/en',
  'domhandler',
  'fflate',
  'd3-array',
  'd3-random',
  'fraction.js',
  'fastest-levenshtein',
  'htmlparser2',
  'mdast',
  'mdast-util-from-markdown',
  'mdast-util-gfm',
  'mdast-util-to-string',
  'micromark-extension-gfm',
  'papaparse',
  'quadprog',
  'schema-dts',
  'simple-statistics',
  'yaml',
];

const filesUnder = (dir) =>
  readdirSync(dir, { withFileTypes: true }).flatMap((e) => {
    const p = join(dir, e.name);
    return e.isDirectory() ? filesUnder(p) : /\.tsx?$/.test(e.name) ? [p] : [];
  });

/** The names a file imports, types too. */
export function importsIn(text) {
  const bare = text.replace(/\/\*[\s\S]*?\*\//g, '').replace(/^\s*\/\/.*$/gm, '');
  return [...bare.matchAll(/(?:\bfrom\s*|\bimport\s*\(?\s*|new URL\(\s*)['"]([^'"]+)['"]/g)].map((m) => m[1]);
}

function target(root, file, name) {
  const base = name.startsWith('@/')
    ? join(root, 'src', name.slice(2))
    : name.startsWith('.')
      ? resolve(dirname(file), name)
      : null;
  if (base === null) return null;
  const found = [base, `${base}.ts`, `${base}.tsx`, join(base, 'index.ts')].find(
    (p) => existsSync(p) && statSync(p).isFile(),
  );
  return found ?? base;
}

const roomOf = (path) =>
  ORDER.findIndex((r) => path === r.at || path.startsWith(`${r.at}/`) || path.startsWith(`${r.at}.`));

/** @returns one line for each broken rule */
export function broken(root = ROOT) {
  const out = [];
  const edges = new Map();
  for (const file of filesUnder(join(root, 'src'))) {
    const from = relative(root, file);
    const isTest = /\.test\.tsx?$/.test(from);
    const here = roomOf(from);
    if (here < 0) out.push(`${from}: its folder is not in the list of scripts/imports.mjs`);
    const names = importsIn(readFileSync(file, 'utf8'));
    const to = names.map((n) => target(root, file, n));
    if (!isTest)
      edges.set(
        from,
        to.filter((t) => t !== null).map((t) => relative(root, t)),
      );
    if (here < 0 || isTest) continue;
    names.forEach((name, n) => {
      const t = to[n];
      if (t === null) {
        if (
          from.startsWith('src/core/') &&
          !CORE_LIBRARIES.includes(name) &&
          !(from.startsWith('src/core/testing/') && name === 'fast-check')
        )
          out.push(`${from} imports ${name}: the core stands alone`);
        if (from.startsWith('src/contract/') && name !== 'zod')
          out.push(`${from} imports ${name}: the contract is schemas alone`);
        return;
      }
      const path = relative(root, t);
      if (!path.startsWith('src/')) return;
      const there = roomOf(path);
      if (INSIDE.includes(path) && dirname(path) !== dirname(from))
        out.push(`${from} imports ${path}: read the script (core/script/read)`);
      if (there > here || ORDER[here].not?.some((x) => path.startsWith(`${x}/`)))
        out.push(`${from} imports ${path}: ${ORDER[here].at} may not`);
    });
  }
  return [...out, ...circles(edges)];
}

function circles(edges) {
  const out = [];
  const done = new Set();
  const path = [];
  const visit = (f) => {
    const at = path.indexOf(f);
    if (at >= 0) {
      out.push(`circle: ${[...path.slice(at), f].join(' -> ')}`);
      return;
    }
    if (done.has(f)) return;
    path.push(f);
    for (const t of edges.get(f) ?? []) if (edges.has(t)) visit(t);
    path.pop();
    done.add(f);
  };
  for (const f of edges.keys()) visit(f);
  return out;
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const lines = broken();
  for (const l of lines) process.stdout.write(`${l}\n`);
  process.stdout.write(lines.length === 0 ? 'imports are in order\n' : `${lines.length} broken\n`);
  process.exit(lines.length === 0 ? 0 : 1);
}
