/**
 * Headings in whatever words and marks: what stands below goes where they say, and what stands above stays. Titles, and
 * what stands between them and the list: none of it is a line, or told of the method.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { notesOn, readCard } from './card';
import { factsTold } from './told/told';

const SECTIONS = readFileSync(join(__dirname, 'corpus/heading-ways.txt'), 'utf8')
  .split(/^=== /m)
  .slice(1)
  .map((section) => {
    const [head = '', ...words] = section.trim().split('\n');
    const [language = '', of = ''] = head.split(' ');
    return { language, of, words };
  });
const HEADINGS = SECTIONS.filter(({ of }) => of !== 'title' && of !== 'between');

/** How a heading is set apart, ◇ for its words. */
const MARKS = [
  '◇',
  '◇:',
  '**◇**',
  '**◇:**',
  '## ◇',
  '◇ :',
  '- ◇ -',
  '— ◇ —',
  '*◇*',
  '_◇_',
  '[◇]',
  '>> ◇',
  '◇:-',
  '1) ◇:',
  '<b>◇</b>',
];
/** The same in capitals. */
const IN_CAPITALS = ['◇', '◇:'];

/** A card's title, its batter, what goes with it, its fat, and what is done. */
interface Parts {
  readonly title: string;
  readonly batter: readonly string[];
  readonly beside: readonly string[];
  readonly pan: readonly string[];
  readonly method: string;
}
const PARTS: Readonly<Record<string, Parts>> = {
  english: {
    title: 'Pancakes',
    batter: ['200 g flour', '2 eggs', '300 ml milk'],
    beside: ['100 g sugar', '200 g blueberries'],
    pan: ['20 g butter'],
    method: 'Mix and fry.',
  },
  german: {
    title: 'Pfannkuchen',
    batter: ['200 g Mehl', '2 Eier', '300 ml Milch'],
    beside: ['100 g Zucker', '200 g Heidelbeeren'],
    pan: ['20 g Butter'],
    method: 'Alles verrühren und in der Pfanne backen.',
  },
  french: {
    title: 'Crêpes',
    batter: ['200 g de farine', '2 œufs', '300 ml de lait'],
    beside: ['100 g de sucre', '200 g de myrtilles'],
    pan: ['20 g de beurre'],
    method: 'Mélanger le tout et laisser reposer la pâte.',
  },
  spanish: {
    title: 'Tortitas',
    batter: ['200 g de harina', '2 huevos', '300 ml de leche'],
    beside: ['100 g de azúcar', '200 g de arándanos'],
    pan: ['20 g de mantequilla'],
    method: 'Mezclar todo y dejar reposar la masa.',
  },
};

const USE: Readonly<Record<string, string>> = { batter: 'batter', beside: 'topping', pan: 'pan' };

/** A heading that is not understood so, with what came of its card; null: it is. */
function wrong(heading: string, of: 'batter' | 'beside' | 'pan', parts: Parts): string | null {
  const above = of === 'batter' ? [] : parts.batter;
  const text = [parts.title, '', ...above, '', heading, ...parts[of], '', parts.method].join('\n');
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) return text;
  const { lines, title } = card.value;
  const uses = lines.map((l) => (l.ingredient === null ? 'nothing' : l.use)).join(' ');
  const meant = [...above.map(() => 'batter'), ...parts[of].map(() => USE[of])].join(' ');
  return uses === meant && title === parts.title ? null : `${heading} → ${uses}, called ${title}`;
}

test.each(HEADINGS)('what a heading says its list is for: $language $of, $words.0', ({ language, of, words }) => {
  const parts = PARTS[language];
  if (!parts || (of !== 'batter' && of !== 'beside' && of !== 'pan')) throw new Error(`no such part: ${of}`);
  const headings = words.flatMap((w) => [
    ...MARKS.map((m) => m.replace('◇', w)),
    ...IN_CAPITALS.map((m) => m.replace('◇', w.toUpperCase())),
  ]);
  expect(headings.map((h) => wrong(h, of, parts)).filter((x) => x !== null)).toEqual([]);
});

const rowsOf = (language: string, of: string): readonly string[] =>
  SECTIONS.find((s) => s.language === language && s.of === of)?.words ?? [];
/** How a method says that a piece lies two minutes on each side. */
const TWO_A_SIDE: Readonly<Record<string, string>> = {
  english: 'Mix everything. Fry two minutes a side.',
  german: 'Alles verrühren. Zwei Minuten pro Seite backen.',
  french: 'Mélanger le tout. Cuire deux minutes par face.',
  spanish: 'Mezclar todo. Freír dos minutos por lado.',
};

test.each(Object.keys(PARTS))('a title and what stands below it is no line and no fact: %s', (language) => {
  const batter = PARTS[language]?.batter ?? [];
  const titles = rowsOf(language, 'title');
  const between = rowsOf(language, 'between');
  expect(titles.length * between.length).toBeGreaterThan(100);
  const odd = titles.flatMap((title) =>
    between.flatMap((row, n) => {
      // every other card has no gaps
      const gap = n % 2 === 0 ? [''] : [];
      const text = [title, ...gap, row, ...gap, ...batter, '', TWO_A_SIDE[language]].join('\n');
      const card = readCard(text, FRESH_CONVENTIONS);
      if (!card.ok) return [text];
      const { lines } = card.value;
      const isList = lines.length === batter.length && lines.every((l) => l.status === 'read' && l.use === 'batter');
      const times = factsTold(notesOn(card.value), FRESH_CONVENTIONS).filter((f) => f.unit === 'min');
      const isTimed = times.filter((f) => f.value === 2).length === 2;
      // a rest may be told above the list
      const others = times.filter((f) => f.value !== 2 && !(f.fact === 'rest' && /ruhe|repos|rest/i.test(row)));
      const isCalled = card.value.title?.toLowerCase().startsWith(title.toLowerCase().slice(0, 8)) ?? false;
      return isList && isTimed && others.length === 0 && isCalled ? [] : [`${title} / ${row} → ${card.value.title}`];
    }),
  );
  expect(odd).toEqual([]);
});

test.each([
  ['Buttermilk cakes - Yield: 12', 'Buttermilk cakes', 'pieces 12'],
  ['Lock cakes - Yield: 2 doz', 'Lock cakes', 'pieces 24'],
  ['Lock cakes / 12 pcs', 'Lock cakes / 12 pcs', 'pieces 12'],
  ['Lock cakes   Yield: 50 portions', 'Lock cakes', 'serves 50'],
  ['Feeds a crowd (12)', 'Feeds a crowd (12)', 'serves 12'],
  ['Ergibt 12 Stück', null, 'pieces 12'],
  ['Pour 12 crêpes', null, 'pieces 12'],
  ['Salen unas 12 tortitas', null, 'pieces 12'],
  ['Makes enough for 6', null, 'serves 6'],
  ['4 people, 2 each', null, 'pieces 8; serves 4'],
  ['Serving size: 2 pancakes', null, ''],
] as const)('above a list, %s: called %j, and tells %s', (row, title, tells) => {
  const card = readCard(`${row}\n200 g flour\n300 g milk\n2 eggs`, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  expect(card.value.title).toBe(title);
  expect(card.value.lines.map((l) => l.grams)).toEqual([200, 300, 100]);
  const facts = factsTold(notesOn(card.value), FRESH_CONVENTIONS);
  expect(facts.map((f) => `${f.fact} ${f.value}`).join('; ')).toBe(tells);
});

test('what one has is no count of people', () =>
  expect(['Portion: 2 each', 'Per person: 2'].flatMap((t) => factsTold(t, FRESH_CONVENTIONS))).toEqual([]));
