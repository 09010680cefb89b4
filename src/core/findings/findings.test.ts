import { analyse } from '../analyse';
import { KINDS, kindFromWords, readZone, schoolOf, usualPortionMl } from '../formula/kinds';
import { linesOf } from '../testing/formulas';
import { findingsOf, RULES } from './findings';

const GOOD = ['250 g flour', '25 g sugar', '4 g salt', '10 g baking powder', '430 g milk', '2 eggs', '40 g butter, melted'];
const codes = (texts: readonly string[], kind: Parameters<typeof analyse>[1] = 'griddle', school = 'even') =>
  analyse(linesOf(...texts), kind, school).findings.map((f) => `${f.code}:${f.severity}`);
const without = (what: string, ...instead: readonly string[]): readonly string[] => [...GOOD.filter((l) => !l.includes(what)), ...instead];

test('a good formula is calm', () => expect(codes(GOOD)).toEqual([]));

// each rule at its step, worked from the zones: outside is a note, more than a quarter of the zone's width outside is a look
test.each([
  // 4 x .995 = 1.59 %; zone 0.6-2.8, a quarter of the width is .55: note above 2.8, look above 3.35
  [without('salt', '8 g salt'), 'salt-high:note'],
  [without('salt', '9 g salt'), 'salt-high:look'],
  // .4 g: .16 %; look below .05
  [without('salt', '0.4 g salt'), 'salt-low:note'],
  [without('salt'), 'salt-low:look'],
  // zone 5-30, quarter 6.25
  [without('sugar', '60 g sugar'), 'sugar-high:note'],
  [without('sugar', '90 g sugar'), 'sugar-high:look'],
  [without('butter', '100 g butter'), 'fat-high:note'],
  [without('butter', '130 g butter'), 'fat-high:look'],
  [without('eggs', '150 g egg'), 'egg-high:note'],
  [without('eggs', '200 g egg'), 'egg-high:look'],
  [without('eggs', '40 g egg'), 'egg-low:note'],
  [without('eggs'), 'egg-low:look'],
  // 10 g powder gives .63 g; zone .5-1.5, quarter .25
  [without('powder', '6 g baking powder'), 'under-raised:note'],
  [without('powder'), 'under-raised:look'],
  [without('powder', '26 g baking powder'), 'over-raised:note'],
  [without('powder', '30 g baking powder'), 'over-raised:look'],
  // unspent soda: acid 2.5 + 4.3 = 6.8 meq works .571 g; steps .25, .45, .80 % of 250 g = .625, 1.125, 2.0 g left
  [[...GOOD, '1.25 g baking soda'], 'soda-unspent:note'],
  [[...GOOD, '1.75 g baking soda'], 'soda-unspent:look'],
  [[...GOOD, '2.6 g baking soda'], 'soda-unspent:stop'],
  // buttermilk 430 x 9.4 % + 2.5 = 42.9 meq, 17 per 100 g flour
  [without('milk', '430 g buttermilk'), 'acid-unspent:note'],
  [without('milk', '200 g milk'), 'too-thick:look'],
  [without('milk', '900 g milk'), 'too-thin:look'],
  [without('flour', '250 g rice flour'), 'no-gluten:note'],
  [[...GOOD, '160 g pumpkin puree'], 'puree-heavy:look'],
  [[...GOOD, '10 g honey'], 'honey-infant:note'],
])('%#: %s', (texts, expected) => {
  expect(codes(texts)).toContain(expected);
});

test('just inside each step it is silent', () => {
  expect(codes([...GOOD, '1.15 g baking soda']).join()).not.toContain('soda');
  expect(codes(without('salt', '6.9 g salt'))).toEqual([]);
});

test('whites whipped in stand for missing powder', () => {
  const cloud = ['200 g cake flour', '25 g sugar', '2 g salt', '280 g milk', '4 eggs, separated', '20 g butter'];
  expect(codes(cloud, 'foam', 'soft-fold').join()).not.toContain('under-raised');
});

test('sentences carry the number that caused them', () => {
  const f = analyse(linesOf(...without('salt', '9 g salt')), 'griddle', 'even').findings[0];
  expect(f?.message).toContain('Salt is 3.6 % of the flour; most griddle cakes (even) have 0.6 to 2.8 %');
});

test('the worst comes first', () => {
  const found = analyse(linesOf(...without('salt', '8 g salt', '5 g baking soda')), 'griddle', 'even').findings;
  expect(found.map((f) => f.severity)).toEqual([...found.map((f) => f.severity)].sort((a, b) => 'stop look note'.indexOf(a) - 'stop look note'.indexOf(b)));
  expect(found[0]?.code).toBe('soda-unspent');
});

test('without a kind no zone is tested', () => {
  expect(codes(without('salt'), null)).toEqual([]);
  expect(RULES.length).toBeGreaterThan(10);
  expect(findingsOf({ ...analyse(linesOf(...GOOD), 'griddle'), lines: [], volume: null, thickness: null }, [])).toEqual([]);
});

test('lines that are not counted, and amounts that disagree, are said before the ratios they spoil', () => {
  expect(codes([...GOOD, '1 cup moondust'])).toEqual(['lines-open:look']);
  expect(codes([...without('flour'), '2 cups flour (340 g)'])[0]).toBe('amounts-disagree:look');
  expect(codes([...GOOD, 'butter for the pan'])).toEqual([]);
});

test('a school changes the zone, and so what is said', () => {
  // water 180 %: in range for even cakes, above the tall ones' 125-180
  expect(analyse(linesOf(...GOOD), 'griddle', 'tall').rails.find((r) => r.rail === 'water')?.reading?.standing).toBe('above');
});

test('zones: the ends belong, a quarter of the width is the step', () => {
  expect(readZone(10, [10, 20])).toEqual({ standing: 'in', far: false });
  expect(readZone(20, [10, 20])).toEqual({ standing: 'in', far: false });
  expect(readZone(22.5, [10, 20])).toEqual({ standing: 'above', far: false });
  expect(readZone(22.6, [10, 20])).toEqual({ standing: 'above', far: true });
  expect(readZone(7.4, [10, 20])).toEqual({ standing: 'below', far: true });
});

test('kinds and schools: thirteen rows, each zone in order, an unknown school is the first', () => {
  const schools = KINDS.flatMap((k) => k.schools);
  expect(schools).toHaveLength(13);
  for (const s of schools) for (const [low, high] of Object.values(s.zones)) expect(low).toBeLessThan(high);
  const griddle = KINDS[0];
  if (!griddle) throw new Error('no kinds');
  expect(schoolOf(griddle, 'nonsense').id).toBe('even');
  expect(usualPortionMl(schoolOf(griddle, 'tall'))).toBe(80);
});

test.each([
  ['Iron-shed waffles', 'waffle'],
  ['Lock-side crêpes', 'crepe'],
  ['Puffed oven pancake', 'oven'],
  ['Saturday stack', null],
])('%s speaks of %s', (title, kind) => expect(kindFromWords(title)).toBe(kind));

// common formulas most cooks would call fine: none may be shouted at
test.each([
  ['griddle', 'even', ['2 cups flour', '2 tbsp sugar', '1 tbsp baking powder', '1/2 tsp salt', '1 3/4 cups milk', '2 eggs', '1/4 cup butter']],
  ['griddle', 'even', ['1 1/2 cups flour', '3 1/2 tsp baking powder', '1 tbsp sugar', '1/2 tsp salt', '1 1/4 cups milk', '1 egg', '3 tbsp butter']],
  [
    'griddle',
    'even',
    ['2 cups flour', '2 tbsp sugar', '1 tsp baking powder', '1 tsp baking soda', '1/2 tsp salt', '2 cups buttermilk', '2 eggs', '4 tbsp butter'],
  ],
  ['griddle', 'tall', ['2 cups flour', '3 tbsp sugar', '4 tsp baking powder', '1/2 tsp salt', '1 1/2 cups milk', '2 eggs', '1/4 cup butter']],
  ['griddle', 'thin', ['150 g flour', '10 g sugar', '2 g salt', '3 g baking powder', '360 g milk', '2 eggs', '20 g butter']],
  ['small', 'even', ['225 g flour', '50 g sugar', '10 g baking powder', '1 g salt', '300 g milk', '1 egg', '25 g butter']],
  ['crepe', 'sweet', ['1 cup flour', '1 tbsp sugar', '1/4 tsp salt', '1 1/2 cups milk', '2 eggs', '2 tbsp butter']],
  ['crepe', 'savoury', ['250 g flour', '5 g salt', '500 g milk', '3 eggs', '40 g butter']],
  ['crepe', 'buckwheat', ['250 g buckwheat flour', '6 g salt', '550 g water', '1 egg']],
  ['waffle', 'crisp', ['2 cups flour', '1 tbsp sugar', '1 tbsp baking powder', '1/2 tsp salt', '1 3/4 cups milk', '2 eggs', '1/2 cup oil']],
  ['waffle', 'soft', ['2 cups flour', '1/4 cup sugar', '1 tbsp baking powder', '1/2 tsp salt', '1 3/4 cups milk', '2 eggs', '1/3 cup oil']],
  ['oven', 'puffed', ['1/2 cup flour', '1/2 cup milk', '3 eggs', '1 tbsp sugar', 'pinch of salt', '2 tbsp butter for the pan']],
  ['ball', 'round-pan', ['250 g flour', '25 g sugar', '3 g salt', '6 g baking powder', '400 g milk', '3 eggs', '50 g butter']],
  ['foam', 'souffle', ['60 g cake flour', '40 g sugar', '60 g milk', '3 eggs, separated', '10 g butter', '2 g baking powder']],
] as const)('%s, %s: no more than a note', (kind, school, texts) => {
  expect(codes(texts, kind, school).filter((c) => !c.endsWith(':note'))).toEqual([]);
});
