/** Sentences that tell what goes in: whatever their words, each measured thing is a line with its grams, and nothing else is. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { everyNth } from '../testing/share';
import { readCard } from './card';
import type { Line } from './line';

interface Told {
  readonly said: string;
  readonly id: string;
  /** Grams; null: not worked. */
  readonly grams: number | null;
}

const SECTIONS = readFileSync(join(__dirname, 'corpus/prose-ways.txt'), 'utf8')
  .split('=== ')
  .slice(1)
  .map((section) => {
    const [head = '', sentences = '', end = ''] = section.split('\n---\n');
    const [language = '', ...rows] = head.split('\n');
    const things = rows.map((row): Told => {
      const [said = '', id = '', grams = ''] = row.split('\t');
      return { said, id, grams: grams === '' ? null : Number(grams) };
    });
    return { language, things, sentences: sentences.split('\n'), end: end.trim() };
  });

/** Three things at a time, so far apart in the table. */
const STEPS = [
  [3, 7],
  [5, 10],
  [1, 2],
] as const;
const triples = (things: readonly Told[]): readonly (readonly Told[])[] =>
  STEPS.flatMap(([b, c]) =>
    things.map((_, n) => [0, b, c].flatMap((step) => things[(n + step) % things.length] ?? [])),
  ).filter((t) => new Set(t.map((x) => x.id)).size === 3);

const holds = (l: Line, id: string): boolean => l.ingredient?.id === id || l.parts.some((p) => p.ingredient.id === id);
/** What of a sentence is not read as it was worked. */
function wrongIn(lines: readonly Line[], told: readonly Told[]): readonly string[] {
  const off = told.filter(({ id, grams }) => {
    const line = lines.find((l) => holds(l, id));
    return !line || (grams !== null && Math.abs((line.grams ?? 0) - grams) > 0.02 * grams);
  });
  return [
    ...off.map((x) => `not as told: ${x.said}`),
    ...(lines.length > told.length ? [`too many: ${lines.map((l) => l.text).join(' | ')}`] : []),
  ];
}

test.each(SECTIONS)('every way to tell three things gives three lines: $language', ({ things, sentences, end }) => {
  const all = sentences.flatMap((sentence) => triples(things).map((told) => ({ sentence, told })));
  expect(all.length).toBeGreaterThan(800);
  const wrong = everyNth(all, 8).flatMap(({ sentence, told }) => {
    const text = told.reduce((said, x) => said.replace('◦', x.said), sentence).replace(/^./u, (x) => x.toUpperCase());
    const card = readCard(`${text} ${end}`, FRESH_CONVENTIONS);
    if (!card.ok) throw new Error(card.error.message);
    return wrongIn(card.value.lines, told).map((why) => `${text} (${why})`);
  });
  expect(wrong).toEqual([]);
});
