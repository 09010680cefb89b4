/** The pantry on the real database: own ingredients, measures, stock and tables, through what the pages call. */

import { randomUUID } from 'node:crypto';
import { setHouse } from '@/app/actions';
import {
  countOnHand,
  dropMeasure,
  importPantry,
  keepAnswered,
  keepStock,
  keepThing,
  keepWeighed,
  removeThing,
  switchMeasure,
} from '@/app/pantry/actions';
import { GET as exportPantry } from '@/app/pantry/export/route';
import { readLine } from '@/core/card/line';
import { readPantry } from '@/core/exchange/pantry-csv';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { PANTRY } from '@/core/pantry/pantry';
import { PANEL } from '@/core/testing/panel';
import { ownDatabase } from '../db/own-database';
import { closePool } from '../db/pool';
import { saveVersion } from './formulas';
import { lastHouse, loadHouse } from './house';
import { formulasWith, ownThings, stockNoted } from './pantry';

// outside a page there is nothing to draw anew
jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));
// from the server's own screen
jest.mock('next/headers', () => ({ headers: async () => new Headers({ 'x-even-crumb-way': 'own' }) }));

// a database of its own: measures change what every line weighs
beforeAll(async () => {
  await ownDatabase('pantry_tests');
});
afterAll(closePool);

const cup = {
  unit: 'cup',
  which: '',
  full: '1',
  ingredientId: 'flour-all-purpose',
  weighings: [139, 141, 143],
  gPerMl: 1,
};
const inHouse = async (text: string): Promise<number | null> => readLine(text, (await loadHouse()).conventions).grams;
const ok = <T extends { readonly ok: boolean }>(a: T): Extract<T, { ok: true }> => {
  if (!a.ok) throw new Error(JSON.stringify(a));
  return a as Extract<T, { ok: true }>;
};

test('a weighed cup is used by every line from then on, undone, and used again', async () => {
  ok(await setHouse({ change: { conventions: { flourFill: 'fluffed' } } }));
  expect(await inHouse('1 cup flour')).toBeCloseTo(132, 6);
  const { measure } = ok(await keepWeighed(cup));
  expect(measure).toMatchObject({ each: 141, low: 137, high: 145, used: true, ingredientId: 'flour-all-purpose' });
  expect(await inHouse('1 cup flour')).toBeCloseTo(141, 6);
  expect((await loadHouse()).conventions.flourFill).toBe('own');
  ok(await switchMeasure({ id: measure.id, used: false }));
  // back to the way there was, not to a fresh house's
  expect(await inHouse('1 cup flour')).toBeCloseTo(132, 6);
  ok(await switchMeasure({ id: measure.id, used: true }));
  expect(await inHouse('1 cup flour')).toBeCloseTo(141, 6);
  // weighed again it is the same measure, anew
  const again = ok(await keepWeighed({ ...cup, weighings: [130, 130, 130] }));
  expect(again.measure.id).toBe(measure.id);
  expect(await inHouse('2 cups flour')).toBeCloseTo(260, 6);
  ok(await dropMeasure({ id: measure.id }));
  expect((await loadHouse()).conventions.flourFill).toBe('fluffed');
  // told twice is told once
  ok(await dropMeasure({ id: measure.id }));
  ok(await setHouse({ change: { conventions: { flourFill: 'spooned' } } }));
});

test.each<readonly [string, object, string]>([
  ['two weighings', { weighings: [139, 141] }, 'weighings'],
  ['a weighing of nothing', { weighings: [139, 0, 141] }, 'weighings.1'],
  ['an unknown measure', { unit: 'bucket' }, 'unit'],
  ['a unit of weight', { unit: 'kg' }, 'unit'],
  ['a name of two words', { unit: 'ladle', which: 'big blue' }, 'which'],
  ['an ingredient that is not there', { ingredientId: 'moondust' }, 'ingredientId'],
])('%s is refused at its place', async (_, part, field) => {
  const a = await keepWeighed({ ...cup, ...part });
  expect(a.ok ? [] : Object.keys(a.fields)).toContain(field);
});

test('a splash answered once is a splash for the kitchen; forgotten, it is asked about again', async () => {
  expect(await inHouse('a splash of milk')).toBeNull();
  const { measure } = ok(
    await keepAnswered({ unit: 'splash', which: '', ingredientId: null, each: 12, low: 9.6, high: 15 }),
  );
  expect(await inHouse('a splash of milk')).toBeCloseTo(12.4, 1);
  ok(await dropMeasure({ id: measure.id }));
  expect(await inHouse('a splash of milk')).toBeNull();
  expect(
    await keepAnswered({ unit: 'splash', which: '', ingredientId: null, each: 40, low: 9, high: 15 }),
  ).toMatchObject({
    ok: false,
    fields: { each: expect.any(String) },
  });
});

test('an own flour is entered, read on a line, renamed and taken out; its old name is still understood', async () => {
  const { id } = ok(await keepThing({ id: null, name: 'Millrace flour', packet: PANEL }));
  expect(id).toBe('own-millrace-flour');
  const read = async (text: string) => readLine(text, (await loadHouse()).conventions).ingredient?.id ?? null;
  expect(await read('200 g millrace flour')).toBe(id);
  ok(await keepThing({ id, name: 'Weir flour', packet: PANEL }));
  expect([await read('200 g weir flour'), await read('200 g millrace flour')]).toEqual([id, id]);
  expect(await keepThing({ id: null, name: ' weir  FLOUR ', packet: PANEL })).toMatchObject({
    ok: false,
    fields: { name: expect.any(String) },
  });
  expect(await keepThing({ id: null, name: 'Whole milk', packet: PANEL })).toMatchObject({ ok: false });
  expect(await keepThing({ id: null, name: 'Odd flour', packet: { ...PANEL, fatG: 60 } })).toMatchObject({
    ok: false,
    fields: { sum: expect.stringMatching(/145\.8 g in 100 g/) },
  });
  const saved = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: { ...EMPTY_FORMULA, name: 'With weir flour', entries: [{ key: 'l1', text: '200 g weir flour' }] },
    changeNote: '',
  });
  expect(saved).not.toBeNull();
  expect(await formulasWith(id, ['Weir flour', 'Millrace flour'])).toEqual(['With weir flour']);
  // part of a blend it stays until the blend is another
  const blend = ok(
    await keepThing({
      id: null,
      name: 'Boat blend',
      packet: {
        by: 'blend',
        category: 'flour',
        members: [
          { ingredientId: id, parts: 3 },
          { ingredientId: 'flour-oat', parts: 1 },
        ],
      },
    }),
  );
  expect(await removeThing({ id })).toMatchObject({ ok: false, message: expect.stringMatching(/"Boat blend"/) });
  ok(await removeThing({ id: blend.id }));
  ok(await removeThing({ id }));
  expect(await read('200 g weir flour')).toBeNull();
});

test('stock is kept as noted, and what can not be is refused', async () => {
  const noted = {
    ingredientId: 'buttermilk',
    price: 1.25,
    packG: 1000,
    opened: '2026-11-20',
    bestBefore: '2026-11-28',
  };
  ok(await keepStock(noted));
  ok(await countOnHand({ ingredientId: 'buttermilk', countedG: 700, who: 'Ada', requestId: randomUUID() }));
  expect((await stockNoted()).buttermilk).toEqual({ ...noted, onHandG: 700, revision: 2 });
  expect(await keepStock({ ...noted, packG: null })).toMatchObject({
    ok: false,
    fields: { packG: expect.any(String) },
  });
  expect(
    await countOnHand({ ingredientId: 'buttermilk', countedG: -1, who: '', requestId: randomUUID() }),
  ).toMatchObject({
    ok: false,
    fields: { countedG: expect.any(String) },
  });
  expect(await keepStock({ ...noted, bestBefore: '2026-02-30' })).toMatchObject({ ok: false });
  expect(await keepStock({ ...noted, ingredientId: 'moondust' })).toMatchObject({ ok: false });
});

test('a table of a thousand rows with three bad ones takes nothing in; without them, or mended, all the rest', async () => {
  const row = (n: number, bad: boolean): string => `Barge flour ${n},flour,${bad ? 'lots' : 1},70,10,2,1000`;
  const head = 'name,category,fat_g,carbohydrate_g,protein_g,price,pack_g';
  const text = (bad: readonly number[]): string =>
    [head, ...Array.from({ length: 1000 }, (_, n) => row(n, bad.includes(n)))].join('\n');
  const before = (await ownThings()).length;
  const refused = await importPantry({ text: text([3, 30, 300]), withoutBad: false });
  expect(refused).toMatchObject({ ok: false, errors: [{ row: 5 }, { row: 32 }, { row: 302 }] });
  expect(await ownThings()).toHaveLength(before);
  expect(await importPantry({ text: text([3, 30, 300]), withoutBad: true })).toEqual({
    ok: true,
    taken: 997,
    fresh: 997,
  });
  // mended: the rest comes, what is there stays one
  expect(await importPantry({ text: text([]), withoutBad: false })).toEqual({ ok: true, taken: 1000, fresh: 3 });
  expect(await ownThings()).toHaveLength(before + 1000);
  expect((await loadHouse()).conventions.own?.ingredients).toHaveLength(before + 1000);
  expect(await importPantry({ text: 'nothing', withoutBad: true })).toMatchObject({
    ok: false,
    errors: [{ column: 'file' }],
  });
});

test('the table that goes out comes in again and changes nothing', async () => {
  const out = (await (await exportPantry()).text()).replace(/^\uFEFF/, '');
  const things = await ownThings();
  const r = readPantry(out, { shipped: PANTRY, own: things });
  expect(r.errors).toEqual([]);
  const before = await stockNoted();
  expect(await importPantry({ text: out, withoutBad: false })).toMatchObject({ ok: true, fresh: 0 });
  expect(await ownThings()).toEqual(things);
  const held = (s: object) =>
    Object.entries(s).filter(([k, v]) => k !== 'ingredientId' && k !== 'revision' && v !== null).length > 0;
  expect(Object.fromEntries(Object.entries(await stockNoted()).filter(([, s]) => held(s)))).toEqual(before);
});

test('two saves at the same moment are both kept', async () => {
  const names = Array.from({ length: 6 }, (_, n) => `Twin ${String.fromCharCode(97 + n).repeat(3)}`);
  const answers = await Promise.all(names.map((name) => keepThing({ id: null, name, packet: PANEL })));
  expect(answers.every((a) => a.ok)).toBe(true);
  const own = (await loadHouse()).conventions.own;
  expect(names.every((n) => own?.ingredients.some((i) => i.name === n))).toBe(true);
});

test('a change of one thing of the house leaves the others; what can not be is refused', async () => {
  ok(await setHouse({ change: { units: { weight: 'oz' } } }));
  ok(await setHouse({ change: { ways: { altitudeM: 1600 } } }));
  ok(await setHouse({ change: { gear: [{ id: 'fine', sort: 'scale', name: 'Fine', stepG: 0.1, mostG: 200 }] } }));
  expect(await loadHouse()).toMatchObject({
    units: { weight: 'oz', temperature: 'C' },
    ways: { altitudeM: 1600, rest: 'usual' },
    gear: [{ name: 'Fine', stepG: 0.1 }],
  });
  expect(lastHouse()?.ways.altitudeM).toBe(1600);
  expect(await setHouse({ change: { ways: { altitudeM: 9000 } } })).toMatchObject({
    ok: false,
    fields: { 'change.ways.altitudeM': expect.any(String) },
  });
  expect(
    await setHouse({ change: { gear: [{ id: 'x', sort: 'scale', name: '', stepG: 0, mostG: 1 }] } }),
  ).toMatchObject({ ok: false });
});
