/** The pantry as a table: there and back, and every bad row said at its place. */
import fc from 'fast-check';
import { ALLERGENS, CATEGORIES } from '../pantry/ingredient';
import { ingredientOf, type OwnThing, type Panel } from '../pantry/packet';
import { findIngredient, PANTRY } from '../pantry/pantry';
import type { Shelf } from '../pantry/stock';
import { COLUMNS } from './csv-row';
import { MOST_CSV_CHARS, ownId, readPantry, writePantry } from './pantry-csv';

const none = { shipped: PANTRY, own: [] };
const read = (text: string, own: readonly OwnThing[] = []) => readPantry(text, { shipped: PANTRY, own });
const said = (text: string): readonly string[] => read(text).errors.map((e) => `${e.row} ${e.column}: ${e.message}`);

test('a new flour, a stock row and a blend above what it is made of', () => {
  const r = read(
    [
      'name,category,like,fat_g,carbohydrate_g,protein_g,salt_g,blend,allergens,price,pack_g,on_hand_g,best_before',
      'Boat blend,flour,,,,,,Barge flour 70; flour-oat 30,,,,,',
      'Barge flour,flour,flour-all-purpose,1,70,10.5,0,,wheat; gluten,3.20,1500,900,2027-02-01',
      'Whole milk,,,,,,,,,1.15,1030,6180,2026-12-01',
    ].join('\n'),
  );
  expect(r.errors).toEqual([]);
  expect(r.rows.map((x) => [x.row, x.thing?.id ?? null, x.stock.ingredientId])).toEqual([
    [2, 'own-boat-blend', 'own-boat-blend'],
    [3, 'own-barge-flour', 'own-barge-flour'],
    [4, null, 'milk-whole'],
  ]);
  expect(r.rows[0]?.thing?.packet).toEqual({
    by: 'blend',
    category: 'flour',
    members: [
      { ingredientId: 'own-barge-flour', parts: 70 },
      { ingredientId: 'flour-oat', parts: 30 },
    ],
  });
  expect(r.rows[1]?.stock).toEqual({
    ingredientId: 'own-barge-flour',
    price: 3.2,
    packG: 1500,
    onHandG: 900,
    opened: null,
    bestBefore: '2027-02-01',
  });
  expect(r.rows[1]?.thing?.packet).toMatchObject({
    like: 'flour-all-purpose',
    sugarsG: null,
    allergens: ['wheat', 'gluten'],
  });
});

test('a column that is left out leaves what is known; an empty cell clears it', () => {
  const thing: OwnThing = {
    id: 'own-boat-blend',
    name: 'Boat blend',
    packet: {
      by: 'blend',
      category: 'flour',
      members: [
        { ingredientId: 'flour-rye', parts: 1 },
        { ingredientId: 'flour-oat', parts: 2 },
      ],
    },
  };
  const noted = (ingredientId: string) => ({
    ingredientId,
    price: 2,
    packG: 500,
    onHandG: 80,
    opened: '2026-11-01',
    bestBefore: '2027-01-01',
  });
  const known = {
    shipped: PANTRY,
    own: [thing],
    shelf: { 'own-boat-blend': noted('own-boat-blend'), honey: noted('honey') },
  };
  const r = readPantry('name,on_hand_g,opened\nboat blend,90,\nHoney,,2026-11-20\n', known);
  expect(r.errors).toEqual([]);
  expect(r.rows[0]?.thing).toEqual({ ...thing, name: 'boat blend' });
  expect(r.rows.map((x) => x.stock)).toEqual([
    { ...noted('own-boat-blend'), onHandG: 90, opened: null },
    { ...noted('honey'), onHandG: null, opened: '2026-11-20' },
  ]);
});

test('semicolons, a byte order mark, decimal commas and plain kitchen words are read too', () => {
  const r = read('\uFEFFName;Price;Pack g\nflour;0,95;1000\nmilk;1,20;1000\n');
  expect(r.errors).toEqual([]);
  expect(r.rows.map((x) => [x.stock.ingredientId, x.stock.price])).toEqual([
    ['flour-all-purpose', 0.95],
    ['milk-whole', 1.2],
  ]);
});

test.each([
  ['name,price\nMoon flour,x', '2 category: Which? One of'],
  ['name,category,price,pack_g\nMoon flour,flour,x,100', '2 price: "x" is no number.'],
  ['name,category,price,pack_g\nMoon flour,flour,-3,100', '2 price: -3 is less than nothing.'],
  ['name,category,price\nMoon flour,flour,3', '2 pack_g: A price needs its pack'],
  [
    'name,category,fat_g,carbohydrate_g,protein_g\nMoon flour,flour,60,60,10',
    '2 carbohydrate_g: Together that is 130 g in 100 g.',
  ],
  ['name,category,sugars_g,carbohydrate_g\nMoon flour,flour,60,50', '2 sugars_g: Sugars are part of the carbohydrate'],
  ['name,category,best_before\nMoon flour,flour,2027-02-30', '2 best_before: "2027-02-30" is no day'],
  ['name,category,allergens\nMoon flour,flour,dust', '2 allergens: "dust" is none we list'],
  ['name,category,per\nMoon flour,flour,bucket', '2 per: "bucket" is none of 100g, 100ml, serving.'],
  ['name,category,per\nMoon flour,flour,serving', '2 base_g: How many grams is a serving?'],
  ['name,category,blend\nMoon blend,flour,moondust 3; flour-oat 4', '2 blend: "moondust" is not in the pantry.'],
  ['name,category\nMoon flour,flour\nmoon  FLOUR,flour', '3 name: "moon FLOUR" stands in row 2 already.'],
  ['name,category\n,flour', '2 name: No name.'],
  ['name,fat_g\nWhole milk,3', '2 fat_g: Whole milk comes with its own composition'],
  ['name,category,leavened\nMoon flour,flour,perhaps', '2 leavened: "perhaps": yes or no.'],
  ['fat_g,price\n1,2', '1 file: The first row has to name its columns'],
  ['name,colour\nMoon flour,blue', '1 file: No column is called "colour".'],
  ['name,category\n', '1 file: There are no rows under the head.'],
  ['%PDF-1.4 \u0000\u0001', '1 file: That is no table of text.'],
  ['name,category\n"Moon flour,flour', '2 file: A quote is not closed here.'],
])('%j says %s', (text, message) => {
  const errors = said(text);
  expect(errors.some((e) => e.startsWith(message)) ? message : errors).toBe(message);
  const bad = new Set(read(text).errors.map((e) => e.row));
  expect(read(text).rows.filter((r) => bad.has(r.row))).toEqual([]);
});

test('a file too long to be a pantry is not read', () => {
  expect(said('name\n'.padEnd(MOST_CSV_CHARS + 1, 'x'))[0]).toMatch(/^1 file: The file has 1,000,001 characters/);
});

test('a thousand rows with three bad ones: 997 are right, and the three are named', () => {
  const rows = Array.from(
    { length: 1000 },
    (_, n) => `Flour ${n},flour,${n === 100 ? 'lots' : 1},70,${n === 500 ? 90 : 10},${n === 900 ? -1 : 2},1000`,
  );
  const r = read(['name,category,fat_g,carbohydrate_g,protein_g,price,pack_g', ...rows].join('\n'));
  expect(r.rows).toHaveLength(997);
  expect(r.errors.map((e) => [e.row, e.column])).toEqual([
    [102, 'fat_g'],
    [502, 'carbohydrate_g'],
    [902, 'price'],
  ]);
});

test('a cell that a sheet program would run as a formula is written as words, and read back', () => {
  const thing: OwnThing = {
    id: 'own-sum',
    name: '=SUM(A1)',
    packet: {
      by: 'blend',
      category: 'flour',
      members: [
        { ingredientId: 'flour-oat', parts: 1 },
        { ingredientId: 'flour-rye', parts: 2 },
      ],
    },
  };
  const text = writePantry({ shipped: [], own: [thing] }, {});
  expect(text).toContain("'=SUM(A1)");
  expect(read(text, [thing]).rows[0]?.thing).toEqual(thing);
});

const maybe = (max: number): fc.Arbitrary<number | null> =>
  fc.option(fc.integer({ min: 0, max: max * 10 }).map((n) => n / 10));
const anyPanel: fc.Arbitrary<Panel> = fc
  .record({
    by: fc.constant('panel' as const),
    category: fc.constantFrom(...CATEGORIES),
    like: fc.option(fc.constantFrom('flour-all-purpose', 'milk-whole', 'sugar-granulated')),
    base: fc.constantFrom('100g' as const, '100ml' as const, 'serving' as const),
    baseG: fc.constant(null as number | null),
    kcal: maybe(300),
    fatG: maybe(20),
    carbohydrateG: maybe(40),
    sugarsG: fc.constant(null as number | null),
    fibreG: maybe(8),
    fibreWithin: fc.constant(false),
    proteinG: maybe(15),
    saltG: maybe(2),
    alcoholG: maybe(5),
    waterG: fc.constant(null as number | null),
    leavened: fc.boolean(),
    gPer100Ml: fc.option(fc.integer({ min: 20, max: 150 })),
    allergens: fc.option(fc.uniqueArray(fc.constantFrom(...ALLERGENS), { maxLength: 4 })),
  })
  .map((p) => ({ ...p, baseG: p.base === '100g' ? null : 100 }));

const anyThings = fc
  .uniqueArray(fc.stringMatching(/^[A-Z][a-z]{2,9}( [a-z]{2,9})?$/), {
    minLength: 1,
    maxLength: 12,
    selector: (s) => s.toLowerCase(),
  })
  .filter((names) =>
    names.every(
      (n) => !PANTRY.some((i) => [i.name, i.id, ...i.aliases].some((a) => a.toLowerCase() === n.toLowerCase())),
    ),
  )
  .chain((names) =>
    fc.tuple(fc.constant(names), fc.array(anyPanel, { minLength: names.length, maxLength: names.length })),
  )
  .map(([names, panels]) =>
    names.map(
      (name, n): OwnThing => ({
        id: ownId(name, new Set(names.slice(0, n).map((x) => ownId(x, new Set())))),
        name,
        packet: panels[n] as Panel,
      }),
    ),
  );

test('law: the pantry written and read again is the same pantry', () => {
  fc.assert(
    fc.property(
      anyThings,
      fc.array(fc.integer({ min: 1, max: 99_999 }), { minLength: 3, maxLength: 3 }),
      (own, [a = 1, b = 1, c = 1]) => {
        expect(own.every((o) => ingredientOf(o, findIngredient).ok)).toBe(true);
        const shelf: Shelf = {
          'milk-whole': {
            ingredientId: 'milk-whole',
            price: a / 100,
            packG: b,
            onHandG: c,
            opened: null,
            bestBefore: '2027-01-31',
          },
          [own[0]?.id ?? '']: {
            ingredientId: own[0]?.id ?? '',
            price: null,
            packG: null,
            onHandG: c / 10,
            opened: '2026-11-01',
            bestBefore: null,
          },
        };
        const r = readPantry(writePantry({ shipped: PANTRY, own }, shelf), { shipped: PANTRY, own });
        expect(r.errors).toEqual([]);
        expect(r.rows.filter((x) => x.thing).map((x) => x.thing)).toEqual(own);
        expect(r.rows).toHaveLength(PANTRY.length + own.length);
        const kept = r.rows
          .map((x) => x.stock)
          .filter((s) => s.price !== null || s.onHandG !== null || s.bestBefore !== null || s.opened !== null);
        expect(kept).toEqual(expect.arrayContaining(Object.values(shelf)));
        expect(kept).toHaveLength(2);
        // and into an empty kitchen the same
        expect(readPantry(writePantry({ shipped: PANTRY, own }, shelf), none).rows.filter((x) => x.thing)).toHaveLength(
          own.length,
        );
      },
    ),
    { numRuns: 40 },
  );
});

test('the head names every column once', () => {
  expect(writePantry({ shipped: [], own: [] }, {}).trim().split(',')).toEqual([...COLUMNS]);
});
