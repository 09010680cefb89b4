/** One name, one thing: what two files export, and what nobody reads. */
import { wrongExports } from './exports.mjs';

test('a name of two files and a name without a reader are told; a test’s own, and what the framework asks for, are not', () => {
  const texts = {
    'src/core/a.ts': 'export const weigh = 1;\nexport function pour() {}\nexport type Alone = string;',
    'src/core/b.ts': "import { pour } from './a';\nexport const weigh = 2;\nexport const rest = pour;",
    'src/app/page.tsx': "import { rest } from '@/core/b';\nexport const metadata = { rest };",
    'src/core/a.test.ts': 'export const weigh = 3;',
  };
  expect(wrongExports(texts)).toEqual([
    'weigh is exported by src/core/a.ts and src/core/b.ts',
    'Alone is exported by src/core/a.ts, and no other file reads it',
  ]);
  expect(wrongExports({ ...texts, 'e2e/x.ts': 'Alone', 'src/core/b.ts': 'export const rest = pour;' })).toEqual([]);
});
