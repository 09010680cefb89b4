/** The tables checked against themselves: masses add up, energy fits, soda and acid balance, densities fit composition. */
import { readLine } from '../card/line';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { FRESH_CONVENTIONS } from './conventions';
import { US_CUP_ML } from './fill';
import { CATEGORIES, type Ingredient } from './ingredient';
import { fillRow, findIngredient, ingredient, PANTRY } from './pantry';
import { behaviourOf } from './tables/behaviour';
import { fillRows } from './tables/fills';

const by = (...categories: readonly string[]): readonly Ingredient[] =>
  PANTRY.filter((i) => categories.includes(i.category));

test('each ingredient has an id of its own and a category', () => {
  expect(new Set(PANTRY.map((i) => i.id)).size).toBe(PANTRY.length);
  for (const i of PANTRY) {
    expect(i.id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
    expect(CATEGORIES).toContain(i.category);
  }
});

test.each(PANTRY)('$id: 100 g add up and the energy fits', ({ per100g: c, id }) => {
  const sum = c.waterG + c.fatG + c.proteinG + c.sugarsG + c.starchG + c.fibreG + c.ashG + c.alcoholG;
  expect(sum).toBeGreaterThanOrEqual(96);
  expect(sum).toBeLessThanOrEqual(104);
  expect(c.sodiumMg / 1000).toBeLessThanOrEqual(c.ashG * 0.4 + 0.02);
  // organic acids yield less than starch
  if (id === 'citric-acid' || id === 'lemon-juice') return;
  const kcal = 4 * (c.proteinG + c.sugarsG + c.starchG) + 2 * c.fibreG + 9 * c.fatG + 7 * c.alcoholG;
  expect(Math.abs(kcal - c.kcal)).toBeLessThanOrEqual(Math.max(8, 0.1 * c.kcal));
});

test.each(by('leavening', 'flour').filter((i) => i.sodaPct > 0 && i.id !== 'baking-soda'))(
  '$id brings as much acid of its own as soda',
  (i) => {
    expect(i.ownAcidMeqPer100g / (i.sodaPct * MEQ_PER_G_SODA)).toBeCloseTo(1, 1.5);
    expect(i.per100g.sodiumMg).toBeGreaterThanOrEqual(0.97 * i.sodaPct * 273.66);
  },
);

test('titratable acid is what its acid gives: % over g per equivalent', () => {
  for (const [id, pct, eq] of [
    ['buttermilk', 0.85, 90.08],
    ['yoghurt-whole', 1, 90.08],
    ['kefir', 0.8, 90.08],
    ['banana', 0.3, 67.04],
    ['vinegar-white', 4.975, 60.05],
    ['lemon-juice', 5.4, 64.04],
  ] as const)
    expect(ingredient(id).acidMeqPer100g / ((1000 * pct) / eq)).toBeCloseTo(1, 1);
});

test('liquids weigh by the cup what their composition says', () => {
  const d = {
    waterG: 1,
    fatG: 0.92,
    proteinG: 1.35,
    sugarsG: 1.6,
    starchG: 1.55,
    fibreG: 1.5,
    ashG: 2.3,
    alcoholG: 0.79,
  } as const;
  for (const i of by('dairy', 'plant-milk', 'syrup', 'liquid', 'egg')) {
    // curds hold air between them, a starter holds gas
    if (i.id.startsWith('cottage-cheese') || i.keptWhole || !i.gPerUsCup) continue;
    const keys = Object.keys(d) as (keyof typeof d)[];
    const mass = keys.reduce((a, k) => a + i.per100g[k], 0);
    const ml = keys.reduce((a, k) => a + i.per100g[k] / d[k], 0);
    expect(Math.abs(i.gPerUsCup / US_CUP_ML / (mass / ml) - 1)).toBeLessThan(0.06);
  }
});

test('the ways of filling a cup run from lightest to heaviest, around the cup the table gives', () => {
  for (const [id, row] of Object.entries(fillRows)) {
    const ways = [row.sifted, row.spooned, row.fluffed, row.dipped, row.packed].filter((w) => w !== undefined);
    expect(ways).toEqual([...ways].sort((a, b) => a - b));
    expect(findIngredient(id)?.gPerUsCup).toBe(id.startsWith('sugar-brown') ? row.packed : row.spooned);
  }
  expect(fillRow(ingredient('milk-whole'))).toBeUndefined();
});

test('white and yolk make up the egg', () => {
  const [w, y, e] = [ingredient('egg-white'), ingredient('egg-yolk'), ingredient('egg-large')];
  for (const k of ['waterG', 'fatG', 'proteinG'] as const)
    expect(Math.abs((33 * w.per100g[k] + 17 * y.per100g[k]) / 50 - e.per100g[k])).toBeLessThan(
      Math.max(0.5, 0.1 * e.per100g[k]),
    );
});

test('no name belongs to two ingredients', () => {
  const owner = new Map<string, string>();
  for (const i of PANTRY)
    for (const name of new Set([i.name, ...i.aliases].map((n) => n.toLowerCase()))) {
      expect([name, owner.get(name) ?? i.id]).toEqual([name, i.id]);
      owner.set(name, i.id);
    }
});

test("every flour swells, and the pantry's own absorption wins over the model's", () => {
  for (const i of by('flour', 'starch')) expect(behaviourOf(i).swells?.absorption).toBe(i.waterAbsorption);
});

test.each([
  ['1 cup sourdough starter', 'sourdough-starter', 240],
  ['120 g unfed starter', 'sourdough-starter', 120],
  ['1 cup ripe (fed) sourdough starter', 'sourdough-starter', 240],
  ['250 g sourdough discard (100% hydration)', 'sourdough-starter', 250],
  ['100 g rye starter', 'sourdough-starter-rye', 100],
  ['80 g stiff starter', 'sourdough-starter-stiff', 80],
])('"%s" is flour, water and acid', (text, id, grams) => {
  const line = readLine(text, FRESH_CONVENTIONS);
  expect([line.status, line.ingredient?.id, line.vessel]).toEqual(['read', id, 'wet']);
  expect(line.grams).toBeCloseTo(grams, 6);
  expect(line.parts.map((p) => p.ingredient.category)).toEqual(['flour', 'liquid', 'acid']);
  expect(line.parts.reduce((a, p) => a + p.grams, 0)).toBeCloseTo(grams, 6);
});

test('a starter works soda by the acid it has grown: 1 g of soda is 11.9 meq', () => {
  // 240 g: 2.4 g of lactic acid at 11.1 meq/g, and 118.8 g of flour at 1 meq per 100 g
  expect(ingredient('sourdough-starter').acidMeqPer100g * 2.4).toBeCloseTo(2.4 * 11.1 + 1.188, 6);
  for (const i of PANTRY.filter((x) => x.keptWhole)) {
    expect(i.blend?.reduce((a, m) => a + m.share, 0)).toBeCloseTo(1, 9);
    expect(i.allergens).toContain('gluten');
    expect(i.acidMeqPer100g).toBeGreaterThan(10);
    expect(i.acidMeqPer100g).toBeLessThan(20);
  }
});
