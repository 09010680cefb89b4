/** The same card in another writing is the same card: what print, a hand or a machine makes of it changes no gram. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { thirdOf } from '../testing/share';
import { notesOn, readCard } from './card';
import { readLine } from './line';
import { factsTold } from './told/told';

const corpus = (name: string): string => readFileSync(join(__dirname, 'corpus', name), 'utf8');
const LINES = corpus('lines.tsv')
  .split('\n')
  .flatMap((row) => (row.trim() === '' || row.startsWith('#') ? [] : [row.split('\t')[0] ?? '']));
/** So few are read all, each time. */
const FEW = 60;
const read = (text: string): string => {
  const l = readLine(text, FRESH_CONVENTIONS);
  return `${l.ingredient?.id ?? '-'} ${l.grams === null ? 'null' : l.grams.toFixed(1)} ${l.status}`;
};

const starts = (t: string): boolean => /^\d+ [a-z]/i.test(t);
/** Each writing, and the line in it; null: it can't be written so. */
const WRITINGS: Readonly<Record<string, (t: string) => string | null>> = {
  'with a point': (t) => (/[.!?)]$/.test(t) ? null : `${t}.`),
  'with a comma': (t) => (/[.,!?)]$/.test(t) ? null : `${t},`),
  'with a star': (t) => (starts(t) ? `${t}*` : null),
  'with a note': (t) => (starts(t) ? `${t} (note 1)` : null),
  'with a mark': (t) => (starts(t) && !t.includes('(') ? `${t} [2]` : null),
  'in quotes': (t) => (starts(t) ? `“${t}”` : null),
  'behind a bullet': (t) => (/^\d/.test(t) ? `• ${t}` : null),
  'with spaces that hold': (t) => t.replaceAll(' ', '\u00a0'),
  'with loose accents': (t) => t.normalize('NFD'),
  'with dashes as they are set': (t) => (/^\d+ ?- ?\d\/\d/.test(t) ? t.replace('-', '–') : null),
  'with a sign for and': (t) => (/\band an? (?:half|quarter)\b/.test(t) ? t.replace(/\band\b/, '&') : null),
};

test.each(Object.entries(WRITINGS))('a line %s is the same line', (_, write) => {
  const all = LINES.flatMap((t) => {
    const other = write(t);
    return other === null || other === t ? [] : [{ t, other }];
  });
  const pairs = all.length > FEW ? thirdOf(all) : all;
  expect(pairs.length).toBeGreaterThan(2);
  expect(pairs.filter(({ t, other }) => read(t) !== read(other)).map(({ other }) => other)).toEqual([]);
});

const CARDS = corpus('told-cards.txt')
  .split('====\n')
  .slice(1)
  .map((card) => card.split('\n---\n')[0] ?? '')
  // a fifth of them, by what they say: a card more in the corpus changes no other's turn
  .filter((t) => [...t].reduce((sum, c) => sum + (c.codePointAt(0) ?? 0), 0) % 5 === 0)
  // a T is a tablespoon and a t a teaspoon; a sharp s has no capital
  .filter((t) => !/(?<!\p{L})[Tt](?!\p{L})|ß/u.test(t));
function wholly(text: string): readonly string[] {
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  const facts = factsTold(notesOn(card.value), FRESH_CONVENTIONS).filter((f) => f.taken === 'told');
  return [
    ...card.value.lines.map((l) => `${l.ingredient?.id ?? '-'} ${l.grams?.toFixed(1)} ${l.status}`),
    ...facts.map((f) => `${f.fact} ${typeof f.value === 'number' ? f.value.toFixed(2) : f.value}`).sort(),
  ];
}
/** Each card as it stands is read once. */
const asItStands = new Map<string, string>();
function isSame(t: string, other: string): boolean {
  const is = asItStands.get(t) ?? wholly(t).join();
  asItStands.set(t, is);
  return is === wholly(other).join();
}
test.each([
  ['small letters', (t: string) => t.toLowerCase()],
  ['capitals', (t: string) => t.toUpperCase()],
] as const)('a card all in %s is the same card', (_, write) => {
  expect(CARDS.length).toBeGreaterThan(60);
  expect(CARDS.filter((t) => !isSame(t, write(t))).map((t) => t.split('\n')[0])).toEqual([]);
});

/** The sentences of a card's method, a row each, as many pages set them. */
const aRowEach = (t: string): string =>
  t
    .split('\n')
    .map((row) => (row.length > 60 && /[.!]$/.test(row) ? row.replace(/([.!]) (?=[A-Z])/g, '$1\n') : row))
    .join('\n');
test.each([
  ['with blank rows', (t: string) => t.replaceAll('\n', '\n\n')],
  ['set in', (t: string) => t.replaceAll('\n', '\n    ')],
  ['of a page with its own ends of rows', (t: string) => t.replaceAll('\n', '  \r\n')],
  ['with spaces that hold', (t: string) => t.replaceAll(' ', '\u00a0')],
  ['with dashes as they are set', (t: string) => t.replace(/(?<=\p{L})-(?=\p{L})/gu, '–')],
] as const)('a card %s is the same card', (_, write) =>
  expect(CARDS.filter((t) => !isSame(t, write(t))).map((t) => t.split('\n')[0])).toEqual([]),
);

test('a card whose sentences stand a row each is the same card, but for one in twenty-five', () => {
  const all = CARDS.filter((t) => aRowEach(t) !== t);
  const other = all.filter((t) => !isSame(t, aRowEach(t)));
  expect(all.length).toBeGreaterThan(60);
  expect(other.length).toBeLessThanOrEqual(all.length / 25);
});

test.each([
  ['1–1/2 cups flour', 187.5],
  ['1 – 1/2 cups flour', 187.5],
  ['8–ounce flour', 226.8],
  ['2 c. à s. sugar'.normalize('NFD'), 25.4],
  ['two & a half cups flour', 312.5],
  ['Self raising flour . . . . . . 8 oz', 226.8],
  ['Eggs . . . . . . . . 2', 100],
])('%s weighs %d g', (text, grams) => expect(readLine(text, FRESH_CONVENTIONS).grams).toBeCloseTo(grams, 1));

test('a sentence that begins with a weight is no numbered step: 1.2 kg are not 2', () => {
  const card = readCard(
    'Diner stack, 12 covers. 1.2 kg flour. 60 g baking powder. 1.5 l milk. 8 eggs. Rest 20 min.',
    FRESH_CONVENTIONS,
  );
  expect(card.ok && card.value.lines.map((l) => [l.ingredient?.id, Math.round(l.grams ?? 0)])).toEqual([
    ['flour-all-purpose', 1200],
    ['baking-powder-double-al', 60],
    ['milk-whole', 1547],
    ['egg-large', 400],
  ]);
});
