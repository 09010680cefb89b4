/** Money, food, take-out lists, the order of measuring, and what a scale can't weigh. */

import fc from 'fast-check';
import { atOnce, nearestOffers, portionsIn } from '../batter/portions';
import { type AccountLine, besideLines, costOf, nutritionOf } from '../facts/account';
import { EMPTY_FORMULA } from '../formula/formula';
import { FRESH_KITCHEN, type Kitchen } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { measureFrom, withMeasure } from '../pantry/calibrate';
import { portionFor, scalesOf } from '../pantry/gear';
import { inSpoons, instead, leastHonestG } from '../pantry/honest';
import type { Ingredient } from '../pantry/ingredient';
import { NOTHING_OWN } from '../pantry/own';
import { ingredientOf } from '../pantry/packet';
import { findIngredient, ingredient, PANTRY } from '../pantry/pantry';
import { keeping, pricePerG, type Shelf } from '../pantry/stock';
import { anyFormula, linesOf } from '../testing/formulas';
import { inOrder, leaves, washes } from './order';
import { fetchedByWave, inPacks, opensWords, toBuy } from './packs';
import { scale } from './scale';
import { forCooks, inPinches, linesOfSheet, sheetOf, usesOf } from './sheet';
import type { SheetLine } from './sheet-line';
import { ONE, waveOf } from './split';
import { takeOut } from './take-out';

const stock = (ingredientId: string, price: number | null, packG: number | null, onHandG: number | null = null) => ({
  ingredientId,
  price,
  packG,
  onHandG,
  opened: null,
  bestBefore: null,
});
const SHELF: Shelf = {
  'flour-all-purpose': stock('flour-all-purpose', 0.9, 1000, 400),
  'milk-whole': stock('milk-whole', 1.2, 1000, 2000),
  'butter-unsalted': stock('butter-unsalted', 2.5, 250, 60),
  'egg-large': stock('egg-large', 3, 500),
};

test('a batter by hand: 250 g flour, 400 g milk, 2 eggs, 40 g butter and as much for the pan', () => {
  const c = costOf(
    linesOf(
      '250 g flour',
      '400 g milk',
      '2 eggs',
      '40 g butter',
      '40 g butter for the pan',
      '10 g sugar',
      'oil for the pan',
    ),
    SHELF,
  );
  // 0.225 + 0.48 + 0.60 + 0.40 + 0.40
  expect(c.total).toBeCloseTo(2.105, 9);
  expect(c.rows.find((r) => r.ingredient.id === 'butter-unsalted')).toMatchObject({
    grams: 80,
    cost: expect.closeTo(0.8, 9),
  });
  expect(c.gaps).toEqual(['Granulated sugar', 'oil for the pan']);
});

test('food of the batter: flour 364, milk 61 kcal in 100 g; pan and topping are not in it', () => {
  const n = nutritionOf(
    linesOf('200 g flour', '300 g milk', '50 g butter for the pan', '40 g maple syrup to serve', 'vanilla'),
  );
  const kcal = (id: string): number => ingredient(id).per100g.kcal;
  expect(n.of.kcal).toBeCloseTo(2 * kcal('flour-all-purpose') + 3 * kcal('milk-whole'), 9);
  expect(n.of.fatG).toBeCloseTo(2 * 0.98 + 3 * ingredient('milk-whole').per100g.fatG, 9);
  expect(n.open).toEqual(['vanilla']);
  const mystery: Ingredient = { ...ingredient('flour-oat'), id: 'own-x', name: 'Mystery', unknown: ['fibreG'] };
  expect(nutritionOf([{ use: 'batter', parts: [{ ingredient: mystery, grams: 10 }] }]).gaps).toEqual({
    fibreG: ['Mystery'],
  });
});

test('law: costs and food add up: of two lots of lines together, as of each', () => {
  const shelf: Shelf = Object.fromEntries(
    PANTRY.filter((_, n) => n % 3 !== 0).map((i, n) => [i.id, stock(i.id, n + 1, 500)]),
  );
  fc.assert(
    fc.property(anyFormula, anyFormula, (a, b) => {
      expect(costOf([...a, ...b], shelf).total).toBeCloseTo(costOf(a, shelf).total + costOf(b, shelf).total, 5);
      const [x, y, both] = [nutritionOf(a), nutritionOf(b), nutritionOf([...a, ...b])];
      expect(both.of.kcal).toBeCloseTo(x.of.kcal + y.of.kcal, 4);
      expect(both.of.sodiumMg).toBeCloseTo(x.of.sodiumMg + y.of.sodiumMg, 3);
    }),
  );
});

test('a blend costs and is taken as itself where it stands ready mixed, else as what it is made of', () => {
  const made = ingredientOf(
    {
      id: 'own-blend',
      name: 'House blend',
      packet: {
        by: 'blend',
        category: 'flour',
        members: [
          { ingredientId: 'flour-all-purpose', parts: 3 },
          { ingredientId: 'flour-oat', parts: 1 },
        ],
      },
    },
    findIngredient,
  );
  if (!made.ok) throw new Error('no blend');
  const own = { ...NOTHING_OWN, stamp: 'blend', ingredients: [made.ingredient] };
  const lines = linesOfSheet(
    [
      {
        key: 'l1',
        text: '400 g house blend',
        name: 'House blend',
        vessel: 'dry',
        measure: '400 g',
        grams: 400,
        preparation: '',
        parts: [{ id: 'own-blend', grams: 400 }],
      },
    ],
    (id) => findIngredient(id, own),
  );
  expect(lines[0]?.parts.map((p) => [p.ingredient.id, p.grams])).toEqual([
    ['flour-all-purpose', 300],
    ['flour-oat', 100],
  ]);
  expect(costOf(lines, SHELF)).toMatchObject({ total: expect.closeTo(0.27, 9), gaps: ['Oat flour'] });
  const ready: Shelf = { ...SHELF, 'own-blend': stock('own-blend', 2, 1000, 150) };
  expect(costOf(lines, ready)).toMatchObject({ total: expect.closeTo(0.8, 9), gaps: [] });
  expect(takeOut(usesOf(lines, ready), ready).rows).toMatchObject([
    { ingredient: { id: 'own-blend' }, grams: 400, shortG: 250, packs: 1 },
  ]);
  expect(nutritionOf(lines).of.fatG).toBeCloseTo(3 * 0.98 + ingredient('flour-oat').per100g.fatG, 9);
});

test('a pack without a price, or a price without a pack, costs nobody knows what', () => {
  expect(pricePerG(stock('x', 2, 500))).toBe(0.004);
  expect([pricePerG(undefined), pricePerG(stock('x', null, 500)), pricePerG(stock('x', 2, null))]).toEqual([
    null,
    null,
    null,
  ]);
});

test('dates: past, soon and well', () => {
  const at = (bestBefore: string | null) => keeping({ ...stock('x', null, null), bestBefore }, '2026-11-25');
  expect([at('2026-11-24'), at('2026-11-25'), at('2026-12-09'), at('2026-12-10'), at(null)]).toEqual([
    'past',
    'soon',
    'soon',
    'well',
    null,
  ]);
});

function sheetFor(...texts: string[]) {
  const lines = linesOf(...texts).map((l, n) => ({
    ...l,
    key: `l${n}`,
    off: false,
    pinned: false,
    end: null,
    opened: null,
    strength: 1,
    drainedG: 0,
    mostG: null,
    proposed: null,
    moment: null,
    dressing: 'plain' as const,
    group: null,
  }));
  const r = scale(lines, { by: 'factor', factor: 2 }, 'gram');
  if (!r.ok) throw new Error(r.error.message);
  return sheetOf(r.value, 1);
}

test('the list sums butter over batter, pan and table; what is short is bought in whole packs', () => {
  const lines = linesOfSheet(
    sheetFor(
      '250 g flour',
      '40 g butter',
      '10 g butter for the pan',
      '25 g butter to serve',
      'oil for the pan',
      '10 g moondust',
    ),
    findIngredient,
  );
  const list = takeOut(usesOf(lines, SHELF), SHELF);
  const row = (id: string) => list.rows.find((r) => r.ingredient.id === id);
  expect(row('butter-unsalted')).toMatchObject({ grams: 150, onHandG: 60, shortG: 90, packs: 1, andMore: false });
  expect(row('butter-unsalted')?.uses).toEqual([
    { what: 'batter', grams: 80 },
    { what: 'for the pan', grams: 20 },
    { what: 'to serve', grams: 50 },
  ]);
  expect(row('flour-all-purpose')).toMatchObject({ grams: 500, shortG: 100, packs: 1 });
  expect(row('oil-vegetable')).toMatchObject({ grams: 0, andMore: true, onHandG: null, shortG: null, packs: null });
  expect(list.unknown).toEqual(['10 g moondust']);
});

test('law: the list takes what the lines hold, no more and no less', () => {
  fc.assert(
    fc.property(anyFormula, (lines) => {
      const uses = usesOf(
        lines.map((l) => ({ ...l, ingredient: null })),
        SHELF,
      );
      const list = takeOut(uses, SHELF);
      const held = lines.flatMap((l) => l.parts).reduce((a, p) => a + p.grams, 0);
      expect(list.rows.reduce((a, r) => a + r.grams, 0)).toBeCloseTo(held, 4);
      expect(
        list.rows.every((r) => r.shortG === null || r.shortG + Math.min(r.onHandG ?? 0, r.grams) >= r.grams - 1e-9),
      ).toBe(true);
      expect(new Set(list.rows.map((r) => r.ingredient.id)).size).toBe(list.rows.length);
    }),
  );
});

test('dry before wet, wet before oily, and honey last of all, off the oiled spoon', () => {
  const thing = (id: string, tool: string | null = 'tbsp') => ({ ingredient: ingredient(id), tool });
  const card = [
    thing('honey'),
    thing('oil-vegetable'),
    thing('sugar-granulated'),
    thing('milk-whole'),
    thing('baking-powder-double-al'),
    thing('egg-large', null),
  ];
  expect(inOrder(card).map((t) => t.ingredient.id)).toEqual([
    'sugar-granulated',
    'baking-powder-double-al',
    'milk-whole',
    'egg-large',
    'oil-vegetable',
    'honey',
  ]);
  // as the card has it: after honey, after oil, and after milk
  expect([washes(card), washes(inOrder(card))]).toEqual([3, 0]);
  expect(leaves(ingredient('vanilla-extract'))).toBe(1);
});

test('law: the order loses no line, and washes nothing', () => {
  const anyThing = fc.record({
    ingredient: fc.constantFrom(...PANTRY),
    tool: fc.constantFrom('cup', 'tbsp', 'tsp', null),
  });
  fc.assert(
    fc.property(fc.array(anyThing, { maxLength: 25 }), (things) => {
      const sorted = inOrder(things);
      expect(new Set(sorted)).toEqual(new Set(things));
      expect(sorted).toHaveLength(things.length);
      expect(washes(sorted)).toBe(0);
      expect(inOrder(sorted)).toEqual(sorted);
    }),
  );
});

test('what a scale with whole grams can not weigh: under ten grams of leavening, under five of a spice', () => {
  expect([
    leastHonestG(1, ingredient('baking-soda')),
    leastHonestG(1, ingredient('cinnamon')),
    leastHonestG(0.1, ingredient('salt-table')),
  ]).toEqual([10, 5, 1]);
  // soda: 4.6 g a teaspoon, so 2.4 g is half a spoon and a little
  expect(inSpoons(2.4, ingredient('baking-soda'))).toEqual({ text: '1/2 tsp', grams: expect.closeTo(2.3, 9) });
  expect(inSpoons(0.2, ingredient('baking-soda'))).toBeNull();
  expect(instead(2.5, ingredient('baking-soda'), 1)).toMatchObject({ times: 4, spoons: { text: '1/2 tsp' } });
  expect(instead(12, ingredient('baking-soda'), 1)).toBeNull();
  expect(sheetFor('250 g flour', '1.2 g soda').find((l) => l.name === 'Baking soda')).toMatchObject({
    measure: '2.4 g',
    spoons: '1/2 tsp',
  });
});

test('portions of this kitchen: its weighed ladles, and what its pans and irons ask for', () => {
  const own = withMeasure(
    NOTHING_OWN,
    measureFrom({
      id: 'l',
      unit: 'ladle',
      which: 'blue',
      full: '2/3',
      ingredientId: null,
      weighings: [40, 40, 40],
      gPerMl: 1,
    }),
  );
  const house: Kitchen = {
    ...FRESH_KITCHEN,
    conventions: { ...FRESH_KITCHEN.conventions, own },
    gear: [
      { id: 'p', sort: 'pan', name: 'Crepe pan', acrossCm: 24 },
      { id: 'i', sort: 'iron', name: 'Iron', holdsMl: 300, pieces: 2 },
      { id: 'g', sort: 'griddle', name: 'Griddle', wideCm: 76, deepCm: 45 },
      { id: 's', sort: 'scale', name: 'Coarse', stepG: 5, mostG: 10_000 },
      { id: 't', sort: 'scale', name: 'Fine', stepG: 0.1, mostG: 200 },
    ],
  };
  // 24 cm across is 452 cm2; 1.25 mm of it 56.5 ml
  expect(portionsIn({ ...house, drawer: [] }, 'crepe')).toEqual([
    { name: '2/3 blue ladle', ml: 40 },
    { name: 'Crepe pan', ml: expect.closeTo(56.55, 2) },
  ]);
  // the drawer's cups are offered too, as far as anybody pours from one
  expect(portionsIn(house, 'waffle').map((p) => p.name)).toEqual([
    '1 tablespoon',
    '2/3 blue ladle',
    '1/4 cup',
    '1/3 cup',
    'Iron',
    '1/2 cup',
  ]);
  expect(portionsIn(house, 'waffle')[2]).toMatchObject({ said: '1/4 cup', ml: expect.closeTo(59.15, 2) });
  // 60 ml: a quarter cup, then a third cup at 79 ml before two thirds of a ladle at 40
  const [near, others] = nearestOffers(portionsIn(house, 'waffle'), 60, 2);
  expect(near.map((p) => p.name)).toEqual(['1/4 cup', '1/3 cup']);
  expect(others.map((p) => p.name)).toEqual(['1 tablespoon', '2/3 blue ladle', 'Iron', '1/2 cup']);
  expect(house.gear[1] && portionFor(house.gear[1], 'waffle')).toBeCloseTo(97.5, 9);
  // 11 cm with room for the spatula: 6 along 76 cm, and 5 set into their gaps, twice in 45
  expect(atOnce(house, 11)).toEqual([{ name: 'Griddle', pieces: 22 }]);
  expect(scalesOf(house.gear).map((s) => s.name)).toEqual(['Fine', 'Coarse']);
});

test('a pinch stays so many pinches on the sheet until a spoon measures it', () => {
  const sheet = (times: number) => {
    const lines = linesOf('200 g flour', '1 pinch salt', 'a dash of vanilla').map((l, n) => ({ ...l, key: `l${n}` }));
    return lines.map((l) => inPinches(l, times));
  };
  expect(sheet(1)).toEqual([null, '1 pinch', '1 dash']);
  expect(sheet(0.4)).toEqual([null, '1/2 pinch', '1/2 dash']);
  // three dashes are not yet a quarter teaspoon (0.616 ml each is: 1.85 ml, measured); three pinches are 0.92 ml,
  // pinched
  expect(sheet(3)).toEqual([null, '3 pinches', null]);
  expect(sheet(4)).toEqual([null, null, null]);
});

test('a sauce beside the batter is told apart, and stays under its name from the sheet to the till', () => {
  const f = {
    ...EMPTY_FORMULA,
    entries: [
      { key: 'l1', text: '200 g flour' },
      { key: 'l2', text: '100 g sugar', vessel: 'topping' as const, group: { name: 'Glaze', role: 'side' as const } },
    ],
  };
  const r = scale(formulaLines(f), { by: 'factor', factor: 3 }, 'gram');
  if (!r.ok) throw new Error(r.error.message);
  const sheet = sheetOf(r.value, 1);
  expect(sheet.map((l) => [l.grams, l.side ?? null])).toEqual([
    [600, null],
    [300, 'Glaze'],
  ]);
  expect(
    besideLines(linesOfSheet(sheet, findIngredient)).map((s) => [s.name, s.lines.map((l) => l.parts[0]?.grams)]),
  ).toEqual([['Glaze', [300]]]);
});

test('take-out and shopping speak in packs: whole ones, what is taken out of one more, and what stays over', () => {
  const u = { weight: 'g' } as const;
  const plain = (x: string | null) => x?.replaceAll('\u202f', '') ?? null;
  expect(plain(inPacks(ingredient('flour-all-purpose'), 6000, 1000, u))).toBe('6 bags');
  expect(plain(inPacks(ingredient('flour-all-purpose'), 3700, 1000, u))).toBe('3 bags and 700 g');
  expect(plain(inPacks(ingredient('egg-large'), 33 * 50, 30 * 50, u))).toBe('1 tray and 3 large eggs');
  expect(plain(inPacks(ingredient('milk-whole'), 10_300, 1030, u))).toBe('10 cartons');
  expect(inPacks(ingredient('salt-table'), 40, 500, u)).toBeNull();
  expect(inPacks(ingredient('salt-table'), 40, null, u)).toBeNull();
  expect(toBuy(ingredient('flour-all-purpose'), 2300, 1000)).toEqual({ text: '3 bags', overG: 700 });
  expect(toBuy(ingredient('butter-unsalted'), 250, 250)).toEqual({ text: '1 block', overG: 0 });
  expect(toBuy(ingredient('flour-all-purpose'), 0, 1000)).toBeNull();
});

test('by wave: packs are opened as they are needed, what stays over goes into the next, and nothing is fetched twice', () => {
  const mixed = (mix: number, id: string, grams: number): AccountLine => ({
    use: 'batter',
    text: id,
    mix,
    parts: [{ ingredient: ingredient(id), grams }],
  });
  const lines = [
    ...[1, 2, 3, 4].flatMap((m) => [mixed(m, 'flour-all-purpose', 700), mixed(m, 'salt-table', 5)]),
    { ...mixed(1, 'butter-unsalted', 40), mix: undefined },
  ];
  const split = { by: 'bowls', mixes: 4, atOnce: 2, bowl: null, lifeMin: 60, apartMin: 20 } as const;
  const shelf = {
    'flour-all-purpose': {
      ingredientId: 'flour-all-purpose',
      onHandG: 5000,
      packG: 1000,
      price: null,
      opened: null,
      bestBefore: null,
    },
  };
  const waves = fetchedByWave(lines, split, shelf);
  expect(waves.map((w) => w.name)).toEqual(['Wave 1', 'Wave 2', 'For all of them']);
  // 1,400 g out of two bags leaves 600; with those 600 the next 1,400 wants one bag more and leaves 200
  expect(waves.slice(0, 2).map((w) => w.rows.find((r) => r.ingredient.id === 'flour-all-purpose')?.opens)).toEqual([
    { packs: 2, overG: 600 },
    { packs: 1, overG: 200 },
  ]);
  expect(waves[1]?.rows.map((r) => opensWords(r, { weight: 'g' }))).toEqual(['opens 1 bag, 200 g over', '']);
  for (const id of ['flour-all-purpose', 'salt-table', 'butter-unsalted'])
    expect(
      waves.flatMap((w) => w.rows.filter((r) => r.ingredient.id === id)).reduce((a, r) => a + r.grams, 0),
    ).toBeCloseTo(
      lines.reduce((a, l) => a + l.parts.reduce((b, p) => b + (p.ingredient.id === id ? p.grams : 0), 0), 0),
      9,
    );
  expect(fetchedByWave(lines, ONE, shelf)).toEqual([]);
  // kits go by class
  expect([1, 4, 5, 12].map((m) => waveOf({ by: 'kits', benches: 4, classes: 3 }, m))).toEqual([1, 1, 2, 3]);
});

test('for prep cooks: every line is on one sheet and on no other', () => {
  const line = (key: string, vessel: SheetLine['vessel'], more: Partial<SheetLine> = {}): SheetLine => ({
    key,
    text: key,
    name: key,
    vessel,
    measure: '10 g',
    grams: 10,
    preparation: '',
    mix: 1,
    ...more,
  });
  const all = [
    line('l1', 'dry'),
    line('l2', 'wet'),
    line('l3', 'fold-in'),
    line('l4', 'pan', { mix: undefined }),
    line('l5', 'topping', { side: 'Sauce', mix: undefined }),
  ];
  const sheets = forCooks([...all, line('l6', 'wet', { moment: 'flip' })], 4);
  expect(sheets.map((s) => [s.name, s.times, s.lines.map((l) => l.key)])).toEqual([
    ['Dry', 4, ['l1']],
    ['Wet', 4, ['l2', 'l3']],
    ['Heat and plates', 4, ['l4', 'l5', 'l6']],
  ]);
});
