/** Baker's percentages and parts by weight, as the grams they stand for. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { readCard } from './card';

const read = (...rows: readonly string[]): readonly string[] => {
  const card = readCard(rows.join('\n'), FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  return card.value.lines.map(
    (l) => `${l.ingredient?.id ?? '?'} ${l.grams === null ? '-' : Math.round(10 * l.grams) / 10}`,
  );
};

test('percentages of flour are grams on a hundred of it, or on what one row tells', () => {
  expect(read('Flour 100%', 'Milk 165%', 'Eggs 40%', 'Baking powder 4.5%', 'Salt 1,8 %')).toEqual([
    'flour-all-purpose 100',
    'milk-whole 165',
    'egg-large 40',
    'baking-powder-double-al 4.5',
    'salt-table 1.8',
  ]);
  expect(read('100% flour (500 g)', '172% milk', '40% egg', '1.6% salt')).toEqual([
    'flour-all-purpose 500',
    'milk-whole 860',
    'egg-large 200',
    'salt-table 8',
  ]);
  // two flours are a hundred together; any row may tell its grams
  expect(read('- bread flour: 60 %', '- buckwheat flour: 40 % (200 g)', '- milk: 180 %', '- egg: 30 %')).toEqual([
    'flour-bread 300',
    'flour-buckwheat 200',
    'milk-whole 900',
    'egg-large 150',
  ]);
});

test('what a card tells of its flour, or of all of it, is what the shares are of', () => {
  const grams = ['flour-all-purpose 400', 'milk-whole 480', 'egg-large 100', 'baking-powder-double-al 16'];
  const others = ['milk 120%', 'egg 25%', 'baking powder 4%'];
  expect(read('Flour 400 g (100%)', ...others)).toEqual(grams);
  expect(read('100% flour = 400 g', ...others)).toEqual(grams);
  expect(read('Flour: 400 g', '100% flour', ...others)).toEqual(grams);
  expect(read('Total batter: 996 g', 'flour 100%', ...others)).toEqual(grams);
  // what has a weight keeps it
  expect(read('400 g flour 100%', '480 g milk 120%', '100 g egg 25%')).toEqual(grams.slice(0, 3));
  // shares behind what is measured otherwise
  expect(read('2 cups flour (100%)', '1 cup milk (98%)', '2 eggs (40%)')).toEqual([
    'flour-all-purpose 250',
    'milk-whole 244',
    'egg-large 100',
  ]);
});

test('a hundred of flour and nothing measured is a card of shares; its sum is no line', () => {
  const rows = ['Flour 100', 'Milk 120', 'Eggs 25', 'Butter 12'];
  const grams = ['flour-all-purpose 100', 'milk-whole 120', 'egg-large 25', 'butter-unsalted 12'];
  expect(read(...rows, 'Total 257')).toEqual(grams);
  expect(read("Baker's %: flour 100, milk 120, egg 25, butter 12")).toEqual(grams);
  // a cup of milk, most likely: asked
  expect(read('Flour 100', 'Milk 1', 'Eggs 3', 'Sugar 2')).toContain('milk-whole -');
  expect(read('Formula (total 2.57 kg)', ...rows)).toEqual([
    'flour-all-purpose 1000',
    'milk-whole 1200',
    'egg-large 250',
    'butter-unsalted 120',
  ]);
});

test('the flour that a card is written for is a line of it', () => {
  expect(read('For 1 kg flour:', '1200 g milk', '5 eggs')).toEqual([
    'flour-all-purpose 1000',
    'milk-whole 1200',
    'egg-large 250',
  ]);
  expect(read('Auf 500 g Mehl: 800 g Milch, 6 Eier')).toEqual([
    'flour-all-purpose 500',
    'milk-whole 800',
    'egg-large 300',
  ]);
  // flour that stands on a line is not told twice
  expect(read('For 1 kg flour:', '1 kg flour', '5 eggs')).toEqual(['flour-all-purpose 1000', 'egg-large 250']);
});

test('a hundred percent of one thing is all of it', () =>
  expect(read('250 g 100% whole wheat flour', '2 tbsp 100% pure maple syrup', '300 g milk')).toEqual([
    'flour-whole-wheat 250',
    'maple-syrup 39.4',
    'milk-whole 300',
  ]));

test('parts by weight, where the card says so', () => {
  const rows = ['flour 100', 'milk 170', 'egg 40', 'butter 16'];
  const grams = ['flour-all-purpose 100', 'milk-whole 170', 'egg-large 40', 'butter-unsalted 16'];
  expect(read('Ratio card (parts by weight)', ...rows)).toEqual(grams);
  expect(read('Our ratio', '1 part flour', '1.7 parts milk', '0.4 part egg', '0.16 part butter')).toEqual(grams);
});

test('a card that measures tells no shares, whatever its headings are called', () => {
  expect(read('Lock waffles', 'The good part:', '250 g flour', '2 tsp baking powder', '400 ml milk', '2 eggs')).toEqual(
    ['flour-all-purpose 250', 'baking-powder-double-al 9.2', 'milk-whole 412.5', 'egg-large 100'],
  );
  expect(read('My ratio cakes', '2 cups flour', '1 cup milk', '2 eggs', '1 tsp salt')).toEqual([
    'flour-all-purpose 250',
    'milk-whole 244',
    'egg-large 100',
    'salt-table 6.1',
  ]);
});

test('percent of fat is no share, and a card of few shares is read as it stands', () => {
  expect(read('250 g flour', '1 egg', '300 ml 3.5% milk', '50 ml 10% cream')).toEqual([
    'flour-all-purpose 250',
    'egg-large 50',
    'milk-whole 309.4',
    'half-and-half 51.1',
  ]);
  // flour that is no hundred of the rest
  expect(read('flour 80%', 'milk 10%', 'egg 5%', 'butter 5%').every((l) => l.endsWith('-'))).toBe(true);
});

test('what its method measures makes no card one that measures', () => {
  const grams = [
    'flour-all-purpose 892.2',
    'buttermilk 1070.6',
    'egg-large 223',
    'butter-unsalted 178.4',
    'baking-powder-double-al 35.7',
  ];
  const list = ['AP flour 100', 'Buttermilk 120', 'Egg 25', 'Butter 20', 'Baking powder 4'];
  // 2400 g over 269 parts
  expect(read('Batch: 2.4 kg', "Formula (baker's %)", ...list, 'Scale 75 g. Griddle 190 C. 2 min + 1.5 min.')).toEqual(
    grams,
  );
  expect(read('Crepes (in grams)', 'flour 250', 'milk 500', 'eggs 3', '60 ml each, 1 min a side')).toEqual([
    'flour-all-purpose 250',
    'milk-whole 500',
    'egg-large 150',
  ]);
});
