/** A table is the list that it says: whatever parts its columns, in whatever order they stand. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { notesOn, readCard } from './card';
import { factsTold } from './told/told';

const linesOf = (text: string): readonly string[] => {
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  return card.value.lines.map(
    (l) => `${l.ingredient?.id ?? `? ${l.text}`} ${l.grams === null ? '-' : Math.round(10 * l.grams) / 10}`,
  );
};

const THINGS = [
  ['plain flour', '250', 'g'],
  ['milk', '300', 'ml'],
  ['eggs', '2', ''],
  ['butter, melted', '3', 'tbsp'],
  ['baking powder', '1 1/2', 'tsp'],
] as const;
const IN_GRAMS = [
  'flour-all-purpose 250',
  'milk-whole 309.4',
  'egg-large 100',
  'butter-unsalted 42.6',
  'baking-powder-double-al 6.9',
];

const quoted = (cell: string): string => (cell.includes(',') ? `"${cell}"` : cell);
const PARTED: Readonly<Record<string, (cells: readonly string[]) => string>> = {
  tabs: (cells) => cells.join('\t'),
  bars: (cells) => cells.join(' | '),
  'bars around': (cells) => `| ${cells.join(' | ')} |`,
  semicolons: (cells) => cells.join(';'),
  commas: (cells) => cells.map(quoted).join(','),
};
const HEADS = [
  ['Ingredient', 'Amount', 'Unit'],
  ['ITEM', 'QTY', 'UNIT'],
  ['Zutat', 'Menge', 'Einheit'],
  ['Ingrédient', 'Quantité', 'Unité'],
  ['Ingrediente', 'Cantidad', 'Unidad'],
] as const;
const ORDERS: readonly (readonly number[])[] = [
  [0, 1, 2],
  [1, 2, 0],
];
const inOrder = (cells: readonly string[], order: readonly number[]): readonly string[] =>
  order.map((n) => cells[n] ?? '');

test.each(Object.entries(PARTED))('columns between %s, with a head in any language and without one', (_, row) => {
  const wrong = ORDERS.flatMap((order) => {
    const rows = THINGS.map((t) => row(inOrder(t, order)));
    return [null, ...HEADS].flatMap((head) => {
      const text = [...(head ? [row(inOrder(head, order))] : []), ...rows].join('\n');
      const got = linesOf(text);
      return got.join() === IN_GRAMS.join() ? [] : [`${text}\n${got.join()}`];
    });
  });
  expect(wrong).toEqual([]);
});

test('wide spaces part columns below a head', () =>
  expect(linesOf('QTY     ITEM\n2 c     flour\n1 T     sugar\n2       eggs')).toEqual([
    'flour-all-purpose 250',
    'sugar-granulated 12.5',
    'egg-large 100',
  ]));

test('numbers are of the unit that their column names: a hundred of egg are grams, and no hundred eggs', () => {
  const grams = ['flour-all-purpose 250', 'milk-whole 300', 'egg-large 100'];
  for (const head of ['Grams', 'g', 'Weight (g)', 'weight in grams', 'Gewicht (g)', 'Poids (g)'])
    expect(linesOf(`Ingredient | ${head}\nFlour | 250\nMilk | 300\nEggs | 100`)).toEqual(grams);
  expect(linesOf("Ingredient\tg\tBaker's %\nFlour\t250\t100\nMilk\t300\t120\nEggs\t100\t40")).toEqual(grams);
  expect(linesOf('\tg\t%\nFlour\t250\t100\nMilk\t300\t120\nEggs\t100\t40')).toEqual(grams);
  expect(linesOf('No.,Ingredient,Amount,Cost\n1,Flour,250 g,0.40\n2,Milk,300 g,0.30\n3,Eggs,2,0.50')).toEqual(grams);
});

test('what a spreadsheet gives to the clipboard, between its title and its method; a row is written as a card has it', () => {
  const card = readCard(
    'Lock cakes\nAmount\tUnit\tIngredient\tGrams\tAisle\n2\tcups\tflour\t250\tdry\n1/2\ttsp\tsalt\t3\tdry\nWhisk all of it.',
    FRESH_CONVENTIONS,
  );
  if (!card.ok) throw new Error(card.error.message);
  expect(card.value.title).toBe('Lock cakes');
  expect(card.value.lines.map((l) => [l.text, l.ingredient?.id])).toEqual([
    ['2 cups (250 g) flour', 'flour-all-purpose'],
    ['1/2 tsp (3 g) salt', 'salt-table'],
  ]);
  expect(card.value.ignored.map((i) => i.text)).toContain('Whisk all of it.');
});

test('a sentence behind a table is none of its rows, whatever parts them', () => {
  const rows = 'Ingredient,Amount\nFlour,250 g\nMilk,300 g\nEggs,2';
  for (const method of [
    'Whisk the dry, then add the wet.',
    'Stir, rest 10 minutes.',
    'Fry 2 minutes, turn, 1 minute more.',
  ]) {
    const card = readCard(`${rows}\n${method}`, FRESH_CONVENTIONS);
    if (!card.ok) throw new Error(card.error.message);
    expect(card.value.lines.map((l) => l.grams)).toEqual([250, 300, 100]);
    expect(card.value.ignored.map((i) => i.text)).toContain(method);
  }
});

test('a column of shares alone tells how much', () =>
  expect(linesOf('Ingredient;%\nFlour (400 g);100\nMilk;120\nEgg;25\nButter;10')).toEqual([
    'flour-all-purpose 400',
    'milk-whole 480',
    'egg-large 100',
    'butter-unsalted 40',
  ]));

test('two columns for two sizes are asked about, and a list with commas is none', () => {
  expect(linesOf('Batch\tSingle\tDouble\nFlour\t250 g\t500 g\nMilk\t300 g\t600 g').every((l) => l.endsWith('-'))).toBe(
    true,
  );
  expect(linesOf('250 g flour, sifted, plain\n300 ml milk, cold, whole\n2 eggs, large, beaten')).toEqual([
    'flour-all-purpose 250',
    'milk-whole 309.4',
    'egg-large 100',
  ]);
});

test('a list whose amounts and things take turns is read in pairs, below its title and above its method', () => {
  const lines = ['flour-all-purpose 250', 'salt-table 6.1', 'egg-large 100', 'milk-whole 366'];
  const amounts = ['2 cups', '1 tsp', '2', '1 1/2 cups'];
  const things = ['flour', 'salt', 'eggs', 'milk'];
  const pairs = (first: readonly string[], second: readonly string[], gap = ''): string =>
    first.map((one, n) => `${one}\n${second[n]}${gap}`).join('\n');
  for (const list of [pairs(amounts, things), pairs(things, amounts), pairs(amounts, things, '\n')]) {
    expect(linesOf(list)).toEqual(lines);
    expect(linesOf(`Lock cakes\n${list}\nMix it all and fry in butter.`)).toEqual(lines);
  }
  // things without amounts are no stack
  expect(linesOf('250 g flour\nmilk\n2 eggs\nsalt')).toEqual([
    'flour-all-purpose 250',
    'milk-whole -',
    'egg-large 100',
    'salt-table -',
  ]);
});

test('several things in one row, without a sign between, in brackets, or as a page sets them', () => {
  const lines = ['flour-all-purpose 250', 'egg-large 100', 'milk-whole 366'];
  expect(linesOf('2c flour 2 eggs 1.5c milk')).toEqual(lines);
  expect(linesOf('flour (2 cups), eggs (2), milk (1 1/2 cups)')).toEqual(lines);
  expect(linesOf('<ul><li>2 cups flour</li><li>2 eggs</li><li>1 1/2 cups milk</li></ul>')).toEqual(lines);
  expect(linesOf('2 cup(s) flour\n2 egg(s)\n1 1/2 cup(s) milk')).toEqual(lines);
  expect(linesOf('250g x plain flour\n2 x eggs\n366g x milk')).toEqual(lines);
});

test('whites below "whip" are of the batter, and cream is not', () => {
  const uses = (below: string): readonly string[] => {
    const card = readCard(`Cakes\n250 g flour\n300 g milk\n\nWhip:\n${below}`, FRESH_CONVENTIONS);
    return card.ok ? card.value.lines.slice(2).map((l) => l.use) : [];
  };
  expect(uses('3 egg whites\n20 g sugar')).toEqual(['batter', 'batter']);
  expect(uses('200 ml cream\n20 g sugar')).toEqual(['topping', 'topping']);
});

test('a standard sheet: columns below their heads where cells are empty, costs left out, steps kept behind', () => {
  const text = [
    'Ingredient          Weight      Measure     Directions',
    'Flour, all purpose  4 lb        1 gal       Sift dry things.',
    'Salt                1 oz',
    'Buttermilk                      1 gal       Add liquids.',
  ].join('\n');
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  expect(linesOf(text).slice(0, 2)).toEqual(['flour-all-purpose 1814.4', 'salt-table 28.3']);
  expect(card.value.lines[2]?.ingredient?.id).toBe('buttermilk');
  expect(card.value.ignored.filter((i) => i.why === 'method').map((i) => i.text)).toEqual([
    'Sift dry things.',
    'Add liquids.',
  ]);
  expect(
    linesOf(
      '| Item | EP Qty | Unit | Unit Cost | Ext |\n|---|---|---|---|---|\n| Flour | 1200 | g | 0.001 | 1.20 |\n| Milk | 900 | g | 0.001 | 0.90 |',
    ),
  ).toEqual(['flour-all-purpose 1200', 'milk-whole 900']);
});

test('pounds as kitchens write them, and kosher salt', () =>
  expect(linesOf('AP flour 5#\n2# butter\n1 tsp K salt')).toEqual([
    'flour-all-purpose 2268',
    'butter-unsalted 907.2',
    'salt-kosher-dense 4.8',
  ]));

test('a list headed by how many it is for is no title, and tells how many', () => {
  for (const head of ['Zutaten für 4 Portionen', 'Ingredients for 4 people:', 'Ingrédients pour 4 personnes']) {
    const card = readCard(`${head}\n200 g flour\n400 g milk\n3 eggs`, FRESH_CONVENTIONS);
    if (!card.ok) throw new Error(card.error.message);
    expect(card.value.title).toBeNull();
    expect(factsTold(notesOn(card.value), FRESH_CONVENTIONS)).toMatchObject([{ fact: 'serves', value: 4 }]);
  }
});

test('one amount of each of several things, in any of its signs', () => {
  const lines = ['baking-powder-double-al 4.6', 'baking-soda 4.6', 'cinnamon 2.6'];
  for (const row of [
    '1 t. each: baking powder, soda, cinnamon',
    '1 tsp each baking powder, soda, cinnamon',
    '1 tsp each of baking powder, soda and cinnamon',
    '1 tsp each - baking powder, soda & cinnamon',
  ])
    expect(linesOf(`2 cups flour\n${row}\n2 eggs`)).toEqual(['flour-all-purpose 250', ...lines, 'egg-large 100']);
});

test('what is done behind a dash ends a list, and words as cards shorten them', () => {
  expect(linesOf('2 c. flour, 3 t. b.p., 2 T. sugar - sift together. Add 2 eggs, 1 c. mlk.')).toEqual([
    'flour-all-purpose 250',
    'baking-powder-double-al 13.8',
    'sugar-granulated 25',
    'egg-large 100',
    'milk-whole 244',
  ]);
  expect(linesOf('2 c flour\n2 T btr mltd\n1/2 c raisins (opt.)\n2 eggs - beat well')).toEqual([
    'flour-all-purpose 250',
    'butter-unsalted 28.4',
    'raisins 75',
    'egg-large 100',
  ]);
});

test('a row that tells what all numbers are of gives them their unit; what is counted stays counted', () => {
  const lines = ['flour-all-purpose 300', 'milk-whole 400', 'egg-large 150', 'butter-unsalted 45'];
  for (const head of ['All weights in grams', '(grams)', 'Grams:', 'Crepes (in grams)', 'Angaben in Gramm'])
    for (const eggs of ['eggs 150', 'eggs 3'])
      expect(linesOf(`${head}\nflour 300\nmilk 400\n${eggs}\nbutter 45`)).toEqual(lines);
  expect(linesOf('Cups:\nflour 2\nmilk 1 1/2\neggs 2')).toEqual([
    'flour-all-purpose 250',
    'milk-whole 366',
    'egg-large 100',
  ]);
});

test('things before their amounts, parted by strokes, and a rule between them that is no line', () =>
  expect(
    linesOf('Crepes\n-----------\nflour 200g / eggs 3 / milk 240ml / butter 30g (melted) / salt pinch\n-----------'),
  ).toEqual(['flour-all-purpose 200', 'egg-large 150', 'milk-whole 247.5', 'butter-unsalted 30', 'salt-table 0.4']));

test.each([
  [
    'wide spaces',
    '            Single    Double\nFlour       1 cup     2 cups\nMilk        3/4 cup   1 1/2 cups\nEgg         1         2',
  ],
  ['bars', 'Ingredient | 4 people | 8 people\nFlour | 1 cup | 2 cups\nMilk | 3/4 cup | 1 1/2 cups\nEgg | 1 | 2'],
  ['tabs', '\tx1\tx2\tx4\nFlour\t1 cup\t2 cups\t4 cups\nMilk\t3/4 cup\t1 1/2 cups\t3 cups\nEgg\t1\t2\t4'],
  [
    'one gap',
    'Ingredient    Half    Full\nFlour         1 cup   2 cups\nMilk          3/4 cup 1 1/2 cups\nEgg           1       2',
  ],
])('of several sizes of one card the first is read: %s', (_, table) => {
  expect(linesOf(`Griddle cakes\n${table}`)).toEqual(['flour-all-purpose 125', 'milk-whole 183', 'egg-large 50']);
});

test('two lists side by side are one', () => {
  expect(
    linesOf(
      'Cakes\n1 cup cornmeal          1 tsp salt\n1 cup boiling water     1 cup flour\n2 eggs                  salt',
    ),
  ).toEqual([
    'corn-meal-fine 138',
    'salt-table 6.1',
    'water 237',
    'flour-all-purpose 125',
    'egg-large 100',
    'salt-table -',
  ]);
  expect(linesOf('Cakes\nflour 250 g        milk 400 ml\nsugar 30 g         butter 80 g, melted')).toEqual([
    'flour-all-purpose 250',
    'milk-whole 412.5',
    'sugar-granulated 30',
    'butter-unsalted 80',
  ]);
});

test('signs that part a row in any manner, states told to be done, and remarks behind an arrow', () => {
  expect(
    linesOf(
      'Waffles\nFlour 2 1/2 c | Sugar 1/3 c packed brown | BP 2 1/4 t | Salt 1 t\nDry: 190g flour/25g cocoa/10g bp/2g salt',
    ),
  ).toEqual([
    'flour-all-purpose 312.5',
    'sugar-brown-light 73.3',
    'baking-powder-double-al 10.4',
    'salt-table 6.1',
    'flour-all-purpose 190',
    'cocoa-natural 25',
    'baking-powder-double-al 10',
    'salt-table 2',
  ]);
  expect(
    linesOf('Cakes\nflour 2 kg  <- the strong one\nbutter 300 g > melt\nsugar 100 g --> sift\noil 10 g ← for the pan'),
  ).toEqual(['flour-bread 2000', 'butter-unsalted 300', 'sugar-granulated 100', 'oil-vegetable 10']);
});

test('numbered steps that measure from the first on are all read', () => {
  expect(
    linesOf(
      'Blini\n1) 300 ml milk + 7 g dry yeast + 100 g flour -> 1 hr\n2) + 150 g buckwheat flour, 2 yolks, 200 ml milk -> 1 hr\n3) fold 2 whites stiff\n4) small ones, 1 Tbsp each, butter in pan, 1 min a side\n5) serve with sour cream',
    ),
  ).toEqual([
    'milk-whole 309.4',
    'yeast-instant 7',
    'flour-all-purpose 100',
    'flour-buckwheat 150',
    'egg-yolk 34',
    'milk-whole 206.3',
    'egg-white 66',
  ]);
});

test.each([
  ['sentences', 'For 4: 200 g flour, 4 eggs, 400 ml milk. For 6: 300 g flour, 6 eggs, 600 ml milk.'],
  ['rows', 'Single: 200 g flour, 4 eggs, 400 ml milk\nDouble: 400 g flour, 8 eggs, 800 ml milk'],
  ['headings', 'For 4 people:\n200 g flour\n4 eggs\n400 ml milk\n\nFor 6 people:\n300 g flour\n6 eggs\n600 ml milk'],
  [
    'a row for each name',
    'Half recipe\n200 g flour\n4 eggs\n400 ml milk\nFull recipe\n400 g flour\n8 eggs\n800 ml milk\nDouble recipe\n800 g flour\n16 eggs\n1.6 l milk',
  ],
])('a list in several sizes, as %s, is the first of them', (_, text) => {
  expect(linesOf(`Crepes\n${text}`)).toEqual(['flour-all-purpose 200', 'egg-large 200', 'milk-whole 412.5']);
});

test('what heads another size is set aside, and no row is lost', () => {
  const text = 'Crepes\n200 g flour\n4 eggs\n400 ml milk\nFull recipe\n400 g flour\n8 eggs\n800 ml milk';
  const card = readCard(text, FRESH_CONVENTIONS);
  const { lines, ignored } = card.ok ? card.value : { lines: [], ignored: [] };
  const rows = new Set([...lines, ...ignored].map((l) => l.lineNumber));
  expect([lines.length, [...rows].sort()]).toEqual([3, [2, 3, 4, 5, 6, 7, 8]]);
});

test('what is not in proportion, or of no other size, is all put in', () => {
  expect(
    linesOf('Crepes\nFor 4: 200 g flour, 4 eggs, 400 ml milk\nFor 6: 300 g flour, 9 eggs, 500 ml milk'),
  ).toHaveLength(6);
  expect(
    linesOf('Waffles\nSponge: 100 g flour, 100 g milk, 1 g yeast\nDough: 200 g flour, 200 g milk, 2 g yeast'),
  ).toHaveLength(6);
});

test('what each thing costs is left out, and a label before brackets is none of them', () => {
  expect(linesOf('Waffles\nflour 2 c ...... 0.30\neggs 2 ...... 0.50\nmilk 1.5 c ...... 0.35')).toEqual([
    'flour-all-purpose 250',
    'egg-large 100',
    'milk-whole 366',
  ]);
  expect(linesOf('Waffles\n2 cups flour  $0.30\n2 eggs  $0.50\n1 1/2 cups milk  $0.35')).toEqual([
    'flour-all-purpose 250',
    'egg-large 100',
    'milk-whole 366',
  ]);
  expect(linesOf('Cakes\nWet team: milk (1 cup), egg (1), butter (3 T, melted)')).toEqual([
    'milk-whole 244',
    'egg-large 50',
    'butter-unsalted 42.6',
  ]);
});
