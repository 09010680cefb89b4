/** A whole list in one row: whatever parts its things, names it, and ends it, each thing is a line, and nothing else. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { readCard } from './card';

const PARTED_BY = [
  ', ',
  '; ',
  ' / ',
  ' - ',
  ' – ',
  ' + ',
  ' & ',
  ' • ',
  ' · ',
  ' | ',
  ' then ',
  ',',
  ' ... ',
  ' -> ',
  ' => ',
  '\t',
  ' > ',
];
/** ◇ is what the dish is called, ◦ the list. */
const HEADS = ['◇: ◦', '◇ - ◦', '◇\n◦', '◦', '◇:\n◦', '◇ (◦)', '◇ – ◦', '◇. ◦', '◇, ◦', '**◇** ◦', '◇ = ◦'];
/** And ◇ what is done. */
const ENDS = ['\n◇', '. ◇', ' ◇', '\n\n◇', ''];

const LISTS: Readonly<Record<string, readonly [title: string, list: readonly string[], method: string]>> = {
  english: ['Pancakes', ['250 g flour', '2 eggs', '300 ml milk', '30 g sugar', 'salt'], 'Mix and fry.'],
  german: [
    'Pfannkuchen',
    ['250 g Mehl', '2 Eier', '300 ml Milch', '30 g Zucker', 'Salz'],
    'Alles verrühren und backen.',
  ],
  french: ['Crêpes', ['250 g de farine', '2 œufs', '300 ml de lait', '30 g de sucre', 'sel'], 'Mélanger et cuire.'],
  spanish: [
    'Tortitas',
    ['250 g de harina', '2 huevos', '300 ml de leche', '30 g de azúcar', 'sal'],
    'Mezclar y freír.',
  ],
};
/** The last has no amount: it is asked for. */
const MEANT = 'flour-all-purpose 250, egg-large 100, milk-whole 309.4, sugar-granulated 30, salt-table ?';

const linesOf = (text: string): string => {
  const card = readCard(text, FRESH_CONVENTIONS);
  return card.ok
    ? card.value.lines
        .map((l) => `${l.ingredient?.id} ${l.grams === null ? '?' : Math.round(10 * l.grams) / 10}`)
        .join(', ')
    : card.error.message;
};

test.each(Object.entries(LISTS))(
  'a list in one row is its lines, whatever parts them: %s',
  (_, [title, list, method]) => {
    const wrong = PARTED_BY.flatMap((sign) =>
      HEADS.flatMap((head) =>
        ENDS.map((end) => `${head.replace('◇', title).replace('◦', list.join(sign))}${end.replace('◇', method)}`),
      ),
    )
      .map((text) => ({ text, lines: linesOf(text) }))
      .filter(({ lines }) => lines !== MEANT);
    expect(wrong).toEqual([]);
  },
);

test.each([
  // an amount that is said again, or one thing or another, parts no list
  ['250 g / 2 cups / 9 oz flour', 'flour-all-purpose 250'],
  ['1 cup + 2 tbsp + 1 tsp flour', 'flour-all-purpose 143.2'],
  ['2 - 3 eggs', 'egg-large 125'],
  // what goes on top by its name, with nothing but an amount behind it, heads no list
  ['sour cream: one cup\n300 ml milk', 'sour-cream 230, milk-whole 309.4'],
  ['sour cream - about 1 cup\n300 ml milk', 'sour-cream 230, milk-whole 309.4'],
])('what parts no list: %s', (row, meant) => expect(linesOf(`Pancakes\n${row}\n\nMix and fry.`)).toBe(meant));

/** An amount that is said again, ◦ the weight, ◇ by measures, △ the thing. */
const SAID_AGAIN: Readonly<Record<string, readonly string[]>> = {
  english: [
    '◦ (◇) △',
    '◇ (◦) △',
    '◦ / ◇ △',
    '◦ △ (◇)',
    '◇ △ (◦)',
    '◇ △, ◦',
    '◦ or ◇ △',
    '◇ = ◦ △',
    '△ ◦ (◇)',
    '△ (◇, ◦)',
    '◇ △ (about ◦)',
    '◇ △ - ◦',
  ],
  german: [
    '◦ (◇) △',
    '◇ (◦) △',
    '◦ △ (◇)',
    '◇ △ (ca. ◦)',
    '◦ oder ◇ △',
    '△ ◦ (◇)',
    '◇ △ = ◦',
    '◇ △, etwa ◦',
    '◇ △ (entspricht ◦)',
  ],
  french: [
    '◦ (◇) de △',
    '◇ (◦) de △',
    '◦ de △ (◇)',
    '◇ de △ (env. ◦)',
    '◦ ou ◇ de △',
    '△ : ◇ (◦)',
    '◇ de △ = ◦',
    '◇ de △, soit ◦',
  ],
  spanish: [
    '◦ (◇) de △',
    '◇ (◦) de △',
    '◦ de △ (◇)',
    '◇ de △ (aprox. ◦)',
    '◦ o ◇ de △',
    '△: ◇ (◦)',
    '◇ de △ = ◦',
    '◇ de △, unos ◦',
  ],
};
const MEASURED: Readonly<
  Record<string, readonly (readonly [weight: string, measures: string, thing: string, is: string])[]>
> = {
  english: [
    ['250 g', '2 cups', 'flour', 'flour-all-purpose 250'],
    ['50 g', '1/4 cup', 'sugar', 'sugar-granulated 50'],
  ],
  german: [
    ['250 g', '2 Tassen', 'Mehl', 'flour-all-purpose 250'],
    ['50 g', '4 EL', 'Zucker', 'sugar-granulated 50'],
  ],
  french: [
    ['250 g', '2 tasses', 'farine', 'flour-all-purpose 250'],
    ['50 g', '4 c. à s.', 'sucre', 'sugar-granulated 50'],
  ],
  spanish: [
    ['250 g', '2 tazas', 'harina', 'flour-all-purpose 250'],
    ['50 g', '4 cucharadas', 'azúcar', 'sugar-granulated 50'],
  ],
};

test.each(Object.entries(SAID_AGAIN))('an amount that is said again counts once: %s', (language, forms) => {
  const [title, [, eggs = ''] = [], method] = LISTS[language] ?? ['', [], ''];
  const wrong = forms.flatMap((form) =>
    (MEASURED[language] ?? []).flatMap(([weight, measures, thing, is]) => {
      const row = form.replace('◦', weight).replace('◇', measures).replace('△', thing);
      const lines = linesOf(`${title}\n\n${eggs}\n${row}\n\n${method}`);
      return lines === `egg-large 100, ${is}` ? [] : [`${row} → ${lines}`];
    }),
  );
  expect(wrong).toEqual([]);
});
