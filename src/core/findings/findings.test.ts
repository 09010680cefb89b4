import fc from 'fast-check';
import { analyse } from '../analyse';
import {
  KINDS,
  type KindId,
  kindFromWords,
  oneOf,
  RAILS,
  type Rail,
  railOf,
  readZone,
  schoolOf,
  usualPortionMl,
} from '../formula/kinds';
import { pouredG } from '../formula/tally';
import { counting } from '../testing/counted';
import { anyFormula, linesOf } from '../testing/formulas';
import { findingsOf, RULES } from './findings';

const GOOD = [
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '10 g baking powder',
  '430 g milk',
  '2 eggs',
  '40 g butter, melted',
];
const codes = (texts: readonly string[], kind: Parameters<typeof analyse>[1] = 'griddle', school = 'even') =>
  analyse(linesOf(...texts), kind, school).findings.map((f) => `${f.code}:${f.severity}`);
const without = (what: string, ...instead: readonly string[]): readonly string[] => [
  ...GOOD.filter((l) => !l.includes(what)),
  ...instead,
];

test('a good formula is calm', () => expect(codes(GOOD)).toEqual([]));

// each rule at its step, worked from the zones: outside is a note, more than a quarter of the zone's width outside is a
// look
test.each([
  // 4 x .995 = 1.59 %; zone 0.6-3.0, a quarter of the width is .6: note above 3.0, look above 3.6
  [without('salt', '8 g salt'), 'salt-high:note'],
  [without('salt', '9.2 g salt'), 'salt-high:look'],
  // .4 g: .16 %; a quarter under the zone is nothing: without any it is a note as well
  [without('salt', '0.4 g salt'), 'salt-low:note'],
  [without('salt'), 'salt-low:note'],
  // zone 5-30, and 8.3 of milk's own sugar: 430 x 4.8 %; a quarter is 8.3, so note above 38.3, look above 46.6
  [without('sugar', '80 g sugar'), 'sugar-high:note'],
  [without('sugar', '100 g sugar'), 'sugar-high:look'],
  // waffles' zone, tried on a cake, is another test's; here none at all but what milk brings is 8 %: not pale
  [without('milk', '380 g water').filter((l) => !l.includes('sugar')), 'sugar-low:note'],
  // egg and milk bring 9.6 %
  [without('butter').map((l) => l.replace('milk', 'skim milk')), 'fat-low:note'],
  [without('butter', '100 g butter'), 'fat-high:note'],
  [without('butter', '130 g butter'), 'fat-high:look'],
  [without('eggs', '160 g egg'), 'egg-high:note'],
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
  // 90 % of the flour, 160 %, and only where lift is under the middle of its zone: 1.0
  [[...GOOD, '250 g pumpkin puree'], 'puree-heavy:note'],
  [[...GOOD, '420 g pumpkin puree'], 'puree-heavy:look'],
  // a teaspoon of cloves, 2.1 g: .84 %, limit .6 and 1.2
  [[...GOOD, '2.1 g ground cloves'], 'spice-high:note'],
  [[...GOOD, '3.5 g ground cloves'], 'spice-high:look'],
  [[...GOOD, '25 g vanilla extract'], 'spice-high:note'],
  [[...GOOD, '10 g instant yeast'], 'spice-high:note'],
  [[...GOOD, '10 g honey'], 'honey-infant:note'],
])('%#: %s', (texts, expected) => {
  expect(codes(texts)).toContain(expected);
});

test('just inside each step it is silent', () => {
  expect(codes([...GOOD, '1.15 g baking soda']).join()).not.toContain('soda');
  expect(codes(without('salt', '6.9 g salt'))).toEqual([]);
  expect(codes([...GOOD, '220 g pumpkin puree']).join()).not.toContain('puree');
  // 320 g are 128 %, but 18 g of powder lift it past the middle
  expect(codes([...without('powder', '18 g baking powder'), '320 g pumpkin puree']).join()).not.toContain('puree');
});

test('whites whipped in stand for missing powder', () => {
  const cloud = ['200 g cake flour', '25 g sugar', '2 g salt', '280 g milk', '4 eggs, separated', '20 g butter'];
  expect(codes(cloud, 'foam', 'soft-fold').join()).not.toContain('under-raised');
});

test('sentences carry the number that caused them', () => {
  const f = analyse(linesOf(...without('salt', '9 g salt')), 'griddle', 'even').findings[0];
  expect(f?.message).toContain('Salt is 3.6 % of the flour; most griddle cakes (even) have 0.6 to 3 %');
});

test('the worst comes first', () => {
  const found = analyse(linesOf(...without('salt', '8 g salt', '5 g baking soda')), 'griddle', 'even').findings;
  expect(found.map((f) => f.severity)).toEqual(
    [...found.map((f) => f.severity)].sort((a, b) => 'stop look note'.indexOf(a) - 'stop look note'.indexOf(b)),
  );
  expect(found[0]?.code).toBe('soda-unspent');
});

test('without a kind no zone is tested', () => {
  expect(codes(without('salt'), null)).toEqual([]);
  expect(RULES.length).toBeGreaterThan(10);
  expect(findingsOf({ ...analyse(linesOf(...GOOD), 'griddle'), lines: [], volume: null, thickness: null }, [])).toEqual(
    [],
  );
});

test('lines that are not counted, and amounts that disagree, are said before the ratios they spoil', () => {
  expect(codes([...GOOD, '1 cup moondust'])).toEqual(['lines-open:look']);
  // soda that would be a stop is not judged beside a line that may be sour
  expect(codes([...GOOD, '6 g baking soda', '1 cup moondust'])).toEqual(['lines-open:look']);
  expect(codes([...GOOD, '6 g baking soda', 'salt'].filter((l) => l !== '4 g salt'))).toEqual([
    'soda-unspent:stop',
    'lines-open:look',
  ]);
  expect(codes(without('flour', 'some flour'))).toEqual(['lines-open:look']);
  expect(codes([...GOOD, 'cinnamon'])).toEqual(['lines-open:note']);
  // a note on a spice hides no stop
  expect(codes([...GOOD, '9 g baking soda', 'cinnamon'])[0]).toBe('soda-unspent:stop');
  expect(codes([...without('flour'), '2 cups flour (340 g)'])[0]).toBe('amounts-disagree:look');
  expect(codes([...GOOD, 'butter for the pan'])).toEqual([]);
});

test('a school changes the zone, and so what is said', () => {
  // water 180 %: in range for even cakes, above the tall ones' 125-180
  expect(analyse(linesOf(...GOOD), 'griddle', 'tall').rails.find((r) => r.rail === 'water')?.reading?.standing).toBe(
    'above',
  );
});

test('zones: the ends belong, a quarter of the width is the step', () => {
  expect(readZone(10, [10, 20])).toEqual({ standing: 'in', far: false });
  expect(readZone(20, [10, 20])).toEqual({ standing: 'in', far: false });
  expect(readZone(22.5, [10, 20])).toEqual({ standing: 'above', far: false });
  expect(readZone(22.6, [10, 20])).toEqual({ standing: 'above', far: true });
  expect(readZone(7.4, [10, 20])).toEqual({ standing: 'below', far: true });
});

test('kinds and schools: fifteen rows, each zone in order, an unknown school is the first', () => {
  const schools = KINDS.flatMap((k) => k.schools);
  expect(schools).toHaveLength(15);
  for (const s of schools) for (const [low, high] of Object.values(s.zones)) expect(low).toBeLessThan(high);
  const griddle = KINDS[0];
  if (!griddle) throw new Error('no kinds');
  expect(schoolOf(griddle, 'nonsense').id).toBe('even');
  expect([oneOf('oven'), oneOf('crepe')]).toEqual(['an oven pancake', 'a crepe']);
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
  [
    'griddle',
    'even',
    [
      '2 cups flour',
      '2 tbsp sugar',
      '1 tbsp baking powder',
      '1/2 tsp salt',
      '1 3/4 cups milk',
      '2 eggs',
      '1/4 cup butter',
    ],
  ],
  [
    'griddle',
    'even',
    [
      '1 1/2 cups flour',
      '3 1/2 tsp baking powder',
      '1 tbsp sugar',
      '1/2 tsp salt',
      '1 1/4 cups milk',
      '1 egg',
      '3 tbsp butter',
    ],
  ],
  [
    'griddle',
    'even',
    [
      '2 cups flour',
      '2 tbsp sugar',
      '1 tsp baking powder',
      '1 tsp baking soda',
      '1/2 tsp salt',
      '2 cups buttermilk',
      '2 eggs',
      '4 tbsp butter',
    ],
  ],
  [
    'griddle',
    'tall',
    [
      '2 cups flour',
      '3 tbsp sugar',
      '4 tsp baking powder',
      '1/2 tsp salt',
      '1 1/2 cups milk',
      '2 eggs',
      '1/4 cup butter',
    ],
  ],
  [
    'griddle',
    'thin',
    ['150 g flour', '10 g sugar', '2 g salt', '3 g baking powder', '360 g milk', '2 eggs', '20 g butter'],
  ],
  [
    'small',
    'even',
    ['225 g flour', '50 g sugar', '10 g baking powder', '1 g salt', '300 g milk', '1 egg', '25 g butter'],
  ],
  ['crepe', 'sweet', ['1 cup flour', '1 tbsp sugar', '1/4 tsp salt', '1 1/2 cups milk', '2 eggs', '2 tbsp butter']],
  ['crepe', 'savoury', ['250 g flour', '5 g salt', '500 g milk', '3 eggs', '40 g butter']],
  ['crepe', 'buckwheat', ['250 g buckwheat flour', '6 g salt', '550 g water', '1 egg']],
  [
    'waffle',
    'crisp',
    [
      '2 cups flour',
      '1 tbsp sugar',
      '1 tbsp baking powder',
      '1/2 tsp salt',
      '1 3/4 cups milk',
      '2 eggs',
      '1/2 cup oil',
    ],
  ],
  [
    'waffle',
    'soft',
    [
      '2 cups flour',
      '1/4 cup sugar',
      '1 tbsp baking powder',
      '1/2 tsp salt',
      '1 3/4 cups milk',
      '2 eggs',
      '1/3 cup oil',
    ],
  ],
  [
    'oven',
    'puffed',
    ['1/2 cup flour', '1/2 cup milk', '3 eggs', '1 tbsp sugar', 'pinch of salt', '2 tbsp butter for the pan'],
  ],
  [
    'ball',
    'round-pan',
    ['250 g flour', '25 g sugar', '3 g salt', '6 g baking powder', '400 g milk', '3 eggs', '50 g butter'],
  ],
  [
    'foam',
    'souffle',
    ['60 g cake flour', '40 g sugar', '60 g milk', '3 eggs, separated', '10 g butter', '2 g baking powder'],
  ],
] as const)('%s, %s: no more than a note', (kind, school, texts) => {
  expect(codes(texts, kind, school).filter((c) => !c.endsWith(':note'))).toEqual([]);
});

describe('what is added shifts what is tested, and the rail says so', () => {
  const rail = (texts: readonly string[], r: Rail, kind: KindId = 'griddle', school = 'even') => {
    const found = railOf(analyse(linesOf(...texts), kind, school), r);
    if (!found) throw new Error(`no rail ${r}`);
    return found;
  };
  const plain = (r: Rail) => rail(GOOD, r);

  test.each([
    '80 g chocolate chips',
    '120 g blueberries',
    '60 g walnuts, chopped',
    '1 banana, sliced',
    '1 apple, diced',
  ])('%s stays whole and counts in no ratio', (add) => {
    for (const r of RAILS.filter((x) => x !== 'salt')) expect(rail([...GOOD, add], r)).toEqual(plain(r));
    const [with_, without_] = [analyse(linesOf(...GOOD, add), 'griddle'), analyse(linesOf(...GOOD), 'griddle')];
    expect(with_.volume?.volumeMl).toBeCloseTo(without_.volume?.volumeMl ?? 0, 9);
    expect(with_.thickness).toEqual(without_.thickness);
    expect(with_.tally.massG).toBeGreaterThan(without_.tally.massG);
    expect(pouredG(with_.tally)).toBeCloseTo(without_.tally.massG, 9);
  });

  test('mashed and grated they are part of it', () => {
    expect(rail([...GOOD, '1 banana, mashed'], 'sugar').value).toBeGreaterThan(plain('sugar').value + 4);
    expect(rail([...GOOD, '100 g blueberries, crushed'], 'sugar').value).toBeGreaterThan(plain('sugar').value + 3);
  });

  test('banana brings its own sugar: 118 g at 12.2 % are 5.8 % of the flour', () => {
    const r = rail([...GOOD, '1 banana, mashed'], 'sugar');
    expect(r.zone?.[1]).toBeCloseTo((plain('sugar').zone?.[1] ?? 0) + 5.77, 1);
    expect(r.shift).toBe('With banana, 5.8 % more sugar is usual.');
    expect(rail([...GOOD, '1 banana, mashed'], 'water').shift).toMatch(/bound in banana, and hardly thins/);
    expect(plain('sugar').shift).toBeNull();
  });

  test('whipped whites are lift: three eggs apart are 99 g of white, 39.6 % of the flour', () => {
    const apart = rail([...without('eggs'), '3 eggs, separated'], 'egg');
    expect(apart.zone?.[1]).toBeCloseTo(60 + 39.6, 1);
    expect(apart.reading?.standing).toBe('in');
    expect(rail([...without('eggs'), '4 eggs'], 'egg').reading?.standing).toBe('above');
  });

  test('cocoa counts as flour: 250 g and 50 g', () => {
    const r = rail([...GOOD, '50 g cocoa'], 'egg');
    expect(r.value).toBeCloseTo(40, 6);
    expect(r.tested).toBeCloseTo((100 * 100) / 300, 6);
  });

  test('a foam of whole eggs and sugar is tested as one, a soft fold as it is', () => {
    const whole = ['3 eggs', '75 g sugar', '110 g flour', '40 ml milk', '1 tsp baking powder'];
    expect(analyse(linesOf(...whole), 'foam', 'soft-fold').school?.id).toBe('whole-egg');
    expect(
      analyse(linesOf(...whole.map((l) => (l === '3 eggs' ? '3 eggs, separated' : l))), 'foam', 'soft-fold').school?.id,
    ).toBe('soft-fold');
  });

  test('an oven pancake of much milk and few eggs is meant to set in its tray; of few eggs alone it is not', () => {
    const tray = ['200 g flour', '800 ml milk', '4 eggs', '4 g salt', '30 g sugar', '60 g butter for the pan'];
    const a = analyse(linesOf(...tray), 'oven', 'puffed');
    expect([a.school?.id, a.findings]).toEqual(['tray', []]);
    expect(railOf(a, 'egg')?.shift).toMatch(/sets in its tray/);
    const poor = analyse(linesOf(...tray.map((l) => l.replace('800 ml', '400 ml'))), 'oven', 'puffed');
    expect([poor.school?.id, poor.findings.map((f) => f.code)]).toEqual(['puffed', ['egg-low']]);
  });

  test('a crepe of buckwheat with hardly an egg is tested as one; of wheat it tears', () => {
    const of = (flour: string): readonly string[] => [
      '330 g '.concat(flour),
      '750 ml water',
      '8 g salt',
      '1 egg',
      '15 g oil',
    ];
    const a = analyse(linesOf(...of('buckwheat flour')), 'crepe', 'savoury');
    expect([a.school?.id, a.findings]).toEqual(['buckwheat', []]);
    expect(analyse(linesOf(...of('flour')), 'crepe', 'savoury').findings.map((f) => f.code)).toContain('egg-low');
    expect(analyse(linesOf(...of('rice flour')), 'crepe', 'savoury').findings.map((f) => f.code)).toContain(
      'no-gluten',
    );
  });

  test('a puree is raised as well: 100 g to 100 g of flour make 0.3 g more gas usual', () => {
    const r = rail([...GOOD, '250 g pumpkin puree'], 'lift');
    expect(r.zone?.[1]).toBeCloseTo(1.6 + 0.3, 6);
    expect(r.shift).toBe('With pumpkin puree, 0.30 g more rise is usual.');
  });

  test('salt by the pinch is meant as one; left out it is not', () => {
    expect(codes(without('salt', 'a pinch of salt'))).toEqual([]);
    expect(codes(without('salt', '1 g salt'))).toEqual(['salt-low:note']);
  });
});

test('no number stands outside an end it is written like', () => {
  const ends = counting();
  fc.assert(
    fc.property(anyFormula, fc.constantFrom(...KINDS), (lines, kind) => {
      const a = analyse(lines, kind.id);
      for (const f of a.findings) {
        const said = /is (?:at least )?([\d.]+) %.* have ([\d.]+) to ([\d.]+) %/.exec(f.message);
        if (!said) continue;
        ends.one();
        expect([said[2], said[3]]).not.toContain(said[1]);
      }
    }),
    { numRuns: 400 },
  );
  ends.atLeast(200);
});

test('words fit the kind', () => {
  const says = (kind: KindId, school: string, code: string, ...texts: readonly string[]): string =>
    analyse(linesOf(...texts), kind, school).findings.find((f) => f.code === code)?.message ?? '';
  expect(
    says('oven', 'puffed', 'egg-low', '150 g flour', '300 g milk', '1 egg', '2 g salt', '40 g butter for the pan'),
  ).toMatch(/it will not climb\.$/);
  expect(
    says('waffle', 'crisp', 'fat-low', '250 g flour', '400 g milk', '2 eggs', '10 g baking powder', '4 g salt'),
  ).toMatch(/stick to the iron/);
  expect(says('griddle', 'even', 'salt-high', ...without('salt', '9 g salt'))).not.toMatch(/is counted/);
  expect(
    says(
      'griddle',
      'even',
      'salt-high',
      ...GOOD.filter((l) => !/salt|butter/.test(l)),
      '9 g salt',
      '40 g salted butter',
    ),
  ).toMatch(/what salted butter brings is counted/);
  // no egg is meant where nothing comes from an animal
  expect(
    codes(GOOD.filter((l) => !/milk|egg|butter/.test(l)).concat('430 g oat drink', '30 g oil')).join(),
  ).not.toContain('egg-low');
  expect(codes(without('eggs')).join()).toContain('egg-low');
});

test('law: no two findings contradict each other', () => {
  const law = counting();
  // by code, and by what is advised
  const APART: readonly (readonly [RegExp, RegExp])[] = [
    [/^too-thick/, /^too-thin/],
    [/^under-raised/, /^over-raised/],
    ...RAILS.map((r) => [new RegExp(`^${r}-high`), new RegExp(`^${r}-low`)] as const),
    [/Thin it a little/, /less liquid/i],
    [/A spoon of flour at a time/, /Thin it/],
    [/It could work .* of soda/, /^over-raised/],
  ];
  fc.assert(
    fc.property(anyFormula, fc.constantFrom(...KINDS), (lines, kind) => {
      const said = analyse(lines, kind.id).findings.map((f) => `${f.code} ${f.message}`);
      if (said.length > 1) law.one();
      for (const [a, b] of APART) expect(said.some((x) => a.test(x)) && said.some((x) => b.test(x))).toBe(false);
    }),
    { numRuns: 300 },
  );
  law.atLeast(100);
});

test('self-raising flour and powder are two of a kind: told where they are too much together', () => {
  const twice = ['250 g self-raising flour', '25 g sugar', '15 g baking powder', '420 g milk', '1 egg', '30 g butter'];
  expect(codes(twice)).toContain('self-raising-and-powder:note');
  expect(codes(twice.map((l) => l.replace('15 g baking', '35 g baking')))[0]).toBe('self-raising-and-powder:look');
  expect(codes(twice.filter((l) => !l.includes('powder')))).not.toContain('self-raising-and-powder:note');
  expect(codes([...GOOD, '15 g baking powder']).some((c) => c.startsWith('self-raising'))).toBe(false);
});

test('a dose told at an altitude is told at the sea beside it', () => {
  // 26 g of powder: over the zone to 1.6 g, and over that of 2000 m, where gas takes 1.27 times the room
  const words = analyse(linesOf(...without('powder', '26 g baking powder')), 'griddle', 'even', {
    altitudeM: 2000,
  }).findings.find((f) => f.code === 'over-raised');
  expect(words?.message).toContain(
    'have 0.39 to 1.26 g at 2000 m, where gas takes more room (at the sea 0.50 to 1.60 g)',
  );
});
