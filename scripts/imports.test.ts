/** The checker of who may import whom: it finds what it is there for, and the tree as it stands is in order. */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { broken, importsIn } from './imports.mjs';

let root = '';
beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'even-crumb-imports-'));
});
afterEach(() => rmSync(root, { recursive: true, force: true }));

const tree = (files: Readonly<Record<string, string>>): readonly string[] => {
  for (const [path, text] of Object.entries(files)) {
    mkdirSync(dirname(join(root, path)), { recursive: true });
    writeFileSync(join(root, path), text);
  }
  return broken(root);
};

test('the tree as it stands is in order', () => expect(broken()).toEqual([]));

test('imports of every sort are found, those in comments are not', () => {
  const text =
    "import a from './a';\nimport type { B } from './b';\nexport { c } from './c';\nconst d = import('./d');\n// from './e'\n/* import './f' */\nnew Worker(new URL('./g.ts', import.meta.url));";
  expect(importsIn(text)).toEqual(['./a', './b', './c', './d', './g.ts']);
});

test('the core stands alone, data flows one way, the interface knows no server', () => {
  const found = tree({
    'src/core/quantity/a.ts': "import { x } from '../batch/b';",
    'src/core/batch/b.ts': "import React from 'react';\nexport const x = 1;",
    'src/ui/day/c.tsx': "import { y } from '@/server/db/pool';",
    'src/ui/day/d.tsx': "import { e } from '../prep/e';",
    'src/ui/prep/e.tsx': 'export const e = 1;',
    'src/ui/kit/f.tsx': "import { e } from '../prep/e';",
    'src/server/db/pool.ts': 'export const y = 1;',
    'src/contract/d.ts': "import pg from 'pg';",
    'src/elsewhere/e.ts': 'export const z = 1;',
  });
  expect(found).toHaveLength(7);
  for (const words of [
    'quantity/a.ts imports src/core/batch/b.ts',
    'imports react: the core stands alone',
    'src/ui/day/c.tsx imports src/server/db/pool.ts',
    'src/ui/day/d.tsx imports src/ui/prep/e.tsx',
    'src/ui/kit/f.tsx imports src/ui/prep/e.tsx',
    'imports pg: the contract is schemas alone',
    'src/elsewhere/e.ts: its folder is not in the list',
  ])
    expect(found.some((f) => f.includes(words))).toBe(true);
});

test('how a making is worked is read from the script, and asked of nobody else', () => {
  const files = {
    'src/core/script/combine.ts': 'export const far = 1;',
    'src/core/script/bowls.ts': "import './combine';",
  };
  expect(tree(files)).toEqual([]);
  expect(tree({ ...files, 'src/core/day/a.ts': "import { far } from '../script/combine';" })).toEqual([
    'src/core/day/a.ts imports src/core/script/combine.ts: read the script (core/script/read)',
  ]);
});

test('a circle is refused, also one of types alone', () => {
  const found = tree({
    'src/core/batch/a.ts': "import type { B } from './b';\nexport type A = B;",
    'src/core/batch/b.ts': "import type { C } from './c';\nexport type B = C;",
    'src/core/batch/c.ts': "import type { A } from './a';\nexport type C = A;",
  });
  expect(found).toEqual([expect.stringMatching(/^circle: src\/core\/batch\/[abc]\.ts -> /)]);
});

test('tests may import what they like', () => {
  expect(tree({ 'src/core/quantity/a.test.ts': "import '../batch/b';", 'src/core/batch/b.ts': '' })).toEqual([]);
});
