/** A card is read the same however wide the page was that it was broken on. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { toldCards } from '../testing/corpus';
import { notesOn, readCard } from './card';
import { factsTold } from './told/told';
import { unwrapped, withWholeLines } from './wrapped';

const CARDS = toldCards(readFileSync(join(__dirname, 'corpus/told-cards.txt'), 'utf8'));

/** Every so manieth of them in `npm test`, all in `npm run test:all`. */
const SOME = 11;
const ALL = process.env.EVEN_CRUMB_TEST_ALL !== undefined;

/** A row as a page of this width breaks it. */
const broken = (row: string, width: number): string =>
  row
    .split(' ')
    .reduce<string[]>(([last = '', ...before], word) => {
      const fits = last === '' || last.length + 1 + word.length <= width;
      return fits ? [last === '' ? word : `${last} ${word}`, ...before] : [word, last, ...before];
    }, [])
    .reverse()
    .join('\n');
const onPage = (card: string, width: number): string =>
  card
    .split('\n')
    .map((row) => broken(row, width))
    .join('\n');

/** The lines of a card with their grams, and what its method tells. */
function read(text: string): readonly string[] {
  const r = readCard(text, FRESH_CONVENTIONS);
  if (!r.ok) throw new Error(r.error.message);
  return [
    ...r.value.lines.map((l) => `${l.ingredient?.id} ${l.grams?.toFixed(0)} ${l.use}`),
    ...factsTold(notesOn(r.value), FRESH_CONVENTIONS).map((f) => `${f.fact} ${f.of} ${f.value} ${f.taken}`),
  ].sort();
}

/** A narrow page breaks rows of a list as well, where nothing tells them from two things. */
test.each([
  [76, 0.02],
  [64, 0.03],
  [48, 0.04],
  [36, 0.08],
])('a card of the corpus on a page of %s columns reads as it did, but for a share of %s at most', (width, share) => {
  const cards = CARDS.filter((c, n) => (ALL || n % SOME === 0) && onPage(c, width) !== c);
  const other = cards.filter((c) => read(onPage(c, width)).join() !== read(c).join());
  expect(cards.length).toBeGreaterThan(60);
  expect(other.length / cards.length).toBeLessThanOrEqual(share);
});

test('no row of a card that was not broken is put to another, and no row is lost by it', () => {
  const joined = CARDS.flatMap((c) => {
    const rows = c.split('\n');
    const whole = withWholeLines(unwrapped(rows), FRESH_CONVENTIONS);
    expect(whole).toHaveLength(rows.length);
    return whole.filter((row, n) => row !== rows[n]);
  });
  expect(joined).toEqual([]);
});

test.each<[string, string]>([
  ['2 tsp. baking pow-\nder', '2 tsp. baking powder\n'],
  ['1 cup butter-\nmilk', '1 cup buttermilk\n'],
  ['1 cup all-\npurpose flour', '1 cup all-purpose\nflour'],
  ['Stir in the butter-\nmilk until smooth.', 'Stir in the buttermilk until smooth.\n'],
  ['Rest the batter for 15\nminutes. Heat it.', 'Rest the batter for 15 minutes. Heat it.\n'],
  ['Heat the griddle to 375\nF. Grease it.', 'Heat the griddle to 375 F. Grease it.\n'],
  // behind a paragraph that was put together, too
  [
    'Whisk the dry things together in a large bowl, the eggs\nand the milk in a second one, pour over the dry and stir\nuntil just combined. Let the batter rest for 15\nminutes. Heat it.',
    'Whisk the dry things together in a large bowl, the eggs and the milk in a second one, pour over the dry and stir until just combined. Let the batter rest for 15 minutes. Heat it.\n\n\n',
  ],
  // a heading with a dash is whole
  ['Wet ingredients-\nmilk\n2 eggs', 'Wet ingredients-\nmilk\n2 eggs'],
  ['Pancakes-\nflour 200 g', 'Pancakes-\nflour 200 g'],
  ['Salt-\nsugar 20 g', 'Salt-\nsugar 20 g'],
  // steps in small letters, a row each, are steps
  ['Mix dry\nadd wet\nrest 10 min', 'Mix dry\nadd wet\nrest 10 min'],
  ['For the batter\nflour 200 g\nmilk 300 ml', 'For the batter\nflour 200 g\nmilk 300 ml'],
  [
    'self raising flour – 200g\ncaster sugar – 1 heaped tbsp\neggs – 2 large, separated\nmilk – 180ml',
    'self raising flour – 200g\ncaster sugar – 1 heaped tbsp\neggs – 2 large, separated\nmilk – 180ml',
  ],
  ['1 geh. TL Backpulver\nca. 400 ml Milch', '1 geh. TL Backpulver\nca. 400 ml Milch'],
])('%j is %j', (text, whole) => {
  expect(unwrapped(text.split('\n')).join('\n')).toBe(whole);
});

test.each<[string, string]>([
  ['1 cup all-purpose\nflour', '1 cup all-purpose flour\n'],
  ['2 eggs, lightly\nbeaten', '2 eggs, lightly beaten\n'],
  ['1 1/2 cups flour (about\n190 g)', '1 1/2 cups flour (about 190 g)\n'],
  ['2 Tbsp. melted\nbutter', '2 Tbsp. melted butter\n'],
  ['30 g butter, melted\nsalt', '30 g butter, melted\nsalt'],
  ['2 eggs\nbutter', '2 eggs\nbutter'],
  ['2 tsp vanilla\nsugar', '2 tsp vanilla\nsugar'],
])('of a list %j is %j', (text, whole) => {
  expect(withWholeLines(text.split('\n'), FRESH_CONVENTIONS).join('\n')).toBe(whole);
});
