// npm run exports: one name, one thing. No name is exported by two files, and none is exported that no other file
// reads. Prints what breaks a rule, and ends with 1 where anything does.
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/** Names that the framework asks of a file. */
const FIXED =
  /^(?:GET|HEAD|POST|PUT|DELETE|PATCH|metadata|viewport|generateMetadata|dynamic|revalidate|runtime|maxDuration|register|config|proxy)$/;
const EXPORT = /^export (?:async )?(?:function|const|interface|type|class)\*? ([A-Za-z_$][\w$]*)/gm;
const WORD = /[A-Za-z_$][\w$]*/g;

/**
 * What is exported twice, and what nobody else reads.
 * @param texts the text of each file, by its path; exports are looked for in `src`, readers everywhere
 */
export function wrongExports(texts) {
  const readers = new Map();
  for (const text of Object.values(texts))
    for (const w of new Set(text.match(WORD) ?? [])) readers.set(w, (readers.get(w) ?? 0) + 1);
  const at = new Map();
  for (const [file, text] of Object.entries(texts)) {
    // an action has the name of the work that it calls
    if (!file.startsWith('src/') || /\.test\.tsx?$|^src\/app\/.*actions\.ts$/.test(file)) continue;
    for (const [, name] of text.matchAll(EXPORT))
      if (!FIXED.test(name)) at.set(name, new Set([...(at.get(name) ?? []), file]));
  }
  return [...at].flatMap(([name, files]) => {
    if (files.size > 1) return [`${name} is exported by ${[...files].join(' and ')}`];
    return readers.get(name) === 1 ? [`${name} is exported by ${[...files][0]}, and no other file reads it`] : [];
  });
}

const under = (dir) =>
  readdirSync(join(ROOT, dir), { recursive: true })
    .map((f) => `${dir}/${f}`)
    .filter((f) => /\.(?:tsx?|mjs)$/.test(f));

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const files = ['src', 'e2e', 'bench', 'scripts'].flatMap(under);
  const wrong = wrongExports(Object.fromEntries(files.map((f) => [f, readFileSync(join(ROOT, f), 'utf8')])));
  process.stdout.write(wrong.length > 0 ? `${wrong.join('\n')}\n` : 'every export has one name and a reader\n');
  process.exit(wrong.length > 0 ? 1 : 0);
}
