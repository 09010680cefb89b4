/** Ingredients from their packets and as blends: what is worked, what stays unknown, what is refused. */
import fc from 'fast-check';
import { analyse } from '../analyse';
import { readLine } from '../card/line';
import { railOf } from '../formula/kinds';
import { PANEL } from '../testing/panel';
import { FRESH_CONVENTIONS, type KitchenConventions } from './conventions';
import type { Composition, Ingredient } from './ingredient';
import { lookUp } from './lookup';
import { NOTHING_OWN } from './own';
import { energyDoubt, ingredientOf, type Packet, type Panel } from './packet';
import { findIngredient, ingredient } from './pantry';

const made = (packet: Packet, name = 'Millrace flour', id = 'own-millrace-flour'): Ingredient => {
  const m = ingredientOf({ id, name, packet }, findIngredient);
  if (!m.ok) throw new Error(JSON.stringify(m.errors));
  return m.ingredient;
};
const errorsOf = (packet: Packet): readonly string[] => {
  const m = ingredientOf({ id: 'own-x', name: 'X', packet }, findIngredient);
  return m.ok ? [] : m.errors.map((e) => e.field);
};
const houseWith = (...ingredients: readonly Ingredient[]): KitchenConventions => ({
  ...FRESH_CONVENTIONS,
  own: { ...NOTHING_OWN, stamp: ingredients.map((i) => JSON.stringify(i)).join(), ingredients },
});

test('a panel per 100 g: water by difference, starch as what is no sugar, the rest as it is like', () => {
  const i = made(PANEL);
  // 100 - 1.4 - 70.5 - 4.1 - 11.2 - 0.01
  expect(i.per100g.waterG).toBeCloseTo(12.79, 9);
  expect(i.per100g.starchG).toBeCloseTo(69.9, 9);
  expect(i.per100g).toMatchObject({ fatG: 1.4, sugarsG: 0.6, proteinG: 11.2, naclG: 0.01, kcal: 348 });
  expect(i.per100g.sodiumMg).toBeCloseTo(4, 9);
  expect(i).toMatchObject({ acidMeqPer100g: 1, waterAbsorption: 0.6, like: 'flour-all-purpose', gPerUsCup: 125 });
  expect(i.unknown).toBeUndefined();
});

test('the same food by the serving, by 100 ml and by 100 g is the same food', () => {
  const per = (k: number): Partial<Panel> =>
    Object.fromEntries(
      (['kcal', 'fatG', 'carbohydrateG', 'sugarsG', 'fibreG', 'proteinG', 'saltG'] as const).map((f) => [
        f,
        (PANEL[f] ?? 0) * k,
      ]),
    );
  const near = (i: Ingredient): void => {
    for (const [k, v] of Object.entries(made(PANEL).per100g))
      expect(i.per100g[k as keyof Composition]).toBeCloseTo(v, 9);
  };
  near(made({ ...PANEL, ...per(0.4), base: 'serving', baseG: 40 }));
  const poured = made({ ...PANEL, ...per(0.55), base: '100ml', baseG: 55 });
  near(poured);
  expect(poured.gPerUsCup).toBeCloseTo(0.55 * 236.588, 3);
  // a US panel: fibre within the carbohydrate
  near(made({ ...PANEL, carbohydrateG: 74.6, fibreWithin: true }));
});

test('what the packet does not say stays unknown: nothing in the sums, said by name, and no zone tested below it', () => {
  const mix = made(
    { ...PANEL, like: null, fatG: null, saltG: null, leavened: true, allergens: null },
    'Trailer mix',
    'own-trailer-mix',
  );
  expect(mix.unknown).toEqual(expect.arrayContaining(['fatG', 'naclG', 'sodiumMg', 'waterG', 'acid', 'soda']));
  expect(mix.allergensUnstated).toBe(true);
  const lines = ['200 g trailer mix', '380 g milk', '1 egg'].map((t) => readLine(t, houseWith(mix)));
  const a = analyse(lines, 'griddle');
  const fat = railOf(a, 'fat');
  // milk 3.25 % and egg 9.5 %: the known part
  expect(fat?.value).toBeGreaterThan(0);
  expect(fat?.unknown).toEqual(['Trailer mix']);
  expect(fat?.reading).toBeNull();
  expect(railOf(a, 'lift')?.reading).toBeNull();
  expect(railOf(a, 'egg')).toMatchObject({ unknown: [], reading: { standing: 'in' } });
  expect(a.findings.find((f) => f.code === 'share-unknown')?.message).toMatch(
    /^The fat, salt, soda or acid of Trailer mix are not known/,
  );
  expect(a.findings.map((f) => f.code)).not.toContain('under-raised');
  // too much is too much, whatever the rest is
  const fatty = analyse([...lines, readLine('200 g butter', FRESH_CONVENTIONS)], 'griddle');
  expect(railOf(fatty, 'fat')?.reading?.standing).toBe('above');
  expect(fatty.findings.find((f) => f.code === 'fat-high')?.message).toMatch(/^Fat is at least /);
});

test.each<readonly [string, Partial<Panel>, readonly string[]]>([
  ['sugars above the carbohydrate', { sugarsG: 80 }, ['sugarsG']],
  ['more than the whole', { fatG: 102 }, ['fatG']],
  ['a sum that can not be', { fatG: 40 }, ['sum']],
  ['more in a serving than the serving', { base: 'serving', baseG: 30 }, ['carbohydrateG', 'kcal']],
  ['a serving without its weight', { base: 'serving' }, ['baseG']],
  ['100 ml without their weight', { base: '100ml' }, ['baseG']],
  ['kilojoules taken for kilocalories', { kcal: 1456 }, ['kcal']],
  ['fibre within a carbohydrate it does not fit', { fibreWithin: true, fibreG: 80, carbohydrateG: 60 }, ['fibreG']],
  ['like something that is not there', { like: 'moondust' }, ['like']],
  ['a packet that rounds', { carbohydrateG: 83 }, []],
  [
    'nothing known at all',
    { kcal: null, fatG: null, carbohydrateG: null, sugarsG: null, fibreG: null, proteinG: null, saltG: null },
    [],
  ],
])('%s', (_, part, fields) => {
  expect(errorsOf({ ...PANEL, ...part })).toEqual(fields);
});

test('energy that does not fit its parts is doubted, not refused', () => {
  // 9 x 1.4 + 4 x 70.5 + 4 x 11.2 + 2 x 4.1 = 347.6
  expect(energyDoubt(PANEL)).toBeNull();
  expect(energyDoubt({ ...PANEL, kcal: 240 })).toMatch(/about 348 kcal, the panel says 240/);
  expect(energyDoubt({ ...PANEL, fatG: null, kcal: 240 })).toBeNull();
});

const shipped = fc.constantFrom(
  'flour-all-purpose',
  'flour-whole-wheat',
  'flour-oat',
  'flour-buckwheat',
  'sugar-granulated',
  'milk-powder-skim',
  'baking-powder-double-al',
);

test('law: a blend holds what its members hold, and a line of it is read as them', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(shipped, { minLength: 2, maxLength: 5 }),
      fc.array(fc.double({ min: 0.1, max: 90, noNaN: true }), { minLength: 5, maxLength: 5 }),
      (ids, parts) => {
        const members = ids.map((ingredientId, n) => ({ ingredientId, parts: parts[n] ?? 1 }));
        const blend = made({ by: 'blend', category: 'flour', members }, 'House blend', 'own-house-blend');
        const total = members.reduce((a, m) => a + m.parts, 0);
        for (const k of ['waterG', 'fatG', 'sugarsG', 'naclG', 'kcal'] as const) {
          const sum = members.reduce((a, m) => a + (m.parts / total) * ingredient(m.ingredientId).per100g[k], 0);
          expect(blend.per100g[k]).toBeCloseTo(sum, 6);
        }
        const line = readLine('500 g house blend', houseWith(blend));
        expect(line.grams).toBeCloseTo(500, 9);
        expect(line.ingredient?.id).toBe('own-house-blend');
        expect(line.parts.map((p) => p.ingredient.id)).toEqual(ids);
        const apart = members.map((m) => ({
          use: 'batter' as const,
          parts: [{ ingredient: ingredient(m.ingredientId), grams: (500 * m.parts) / total }],
        }));
        const [whole, split] = [analyse([line], 'griddle'), analyse(apart, 'griddle')];
        expect(whole.tally.fatG).toBeCloseTo(split.tally.fatG, 6);
        expect(whole.ledger.co2G).toBeCloseTo(split.ledger.co2G, 6);
      },
    ),
  );
});

test('a blend of flours has a cup weight between its members, filled any way', () => {
  const b = made({
    by: 'blend',
    category: 'flour',
    members: [
      { ingredientId: 'flour-all-purpose', parts: 1 },
      { ingredientId: 'flour-oat', parts: 1 },
    ],
  });
  // half and half by weight: 1 / (0.5/125 + 0.5/104)
  expect(b.fills?.spooned).toBeCloseTo(113.54, 2);
  expect(b.allergens).toEqual(expect.arrayContaining(['wheat', 'gluten']));
});

test.each<readonly [string, Packet, readonly string[]]>([
  [
    'one part alone',
    { by: 'blend', category: 'flour', members: [{ ingredientId: 'flour-oat', parts: 1 }] },
    ['members'],
  ],
  [
    'a part that is not there',
    {
      by: 'blend',
      category: 'flour',
      members: [
        { ingredientId: 'flour-oat', parts: 1 },
        { ingredientId: 'moondust', parts: 1 },
      ],
    },
    ['members.1'],
  ],
  [
    'the same twice',
    {
      by: 'blend',
      category: 'flour',
      members: [
        { ingredientId: 'flour-oat', parts: 1 },
        { ingredientId: 'flour-oat', parts: 2 },
      ],
    },
    ['members'],
  ],
  [
    'itself',
    {
      by: 'blend',
      category: 'flour',
      members: [
        { ingredientId: 'flour-oat', parts: 1 },
        { ingredientId: 'own-x', parts: 2 },
      ],
    },
    ['members.1'],
  ],
])('a blend of %s is refused', (_, packet, fields) => {
  expect(errorsOf(packet)).toEqual(fields);
});

test("the kitchen's own words win over the pantry's; without them the word means what it meant", () => {
  const mine = made(PANEL, 'Plain flour', 'own-plain-flour');
  const h = houseWith(mine);
  expect(lookUp('plain flour', h)).toMatchObject({ kind: 'found', ingredient: { id: 'own-plain-flour' } });
  expect(lookUp('plain flour', FRESH_CONVENTIONS)).toMatchObject({
    kind: 'found',
    ingredient: { id: 'flour-all-purpose' },
  });
  const typo = lookUp('milrace flor', houseWith(made(PANEL)));
  expect(typo.kind === 'found' ? [] : typo.suggestions.map((i) => i.id)).toContain('own-millrace-flour');
});
