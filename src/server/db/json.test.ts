import { z } from 'zod';
import { keptHouseSchema } from '@/contract/house';
import { sheetLineSchema } from '@/contract/stored';
import { type JsonColumn, readStored } from './json';

const column = <T>(schema: z.ZodType<T>, fresh: T, more: Partial<JsonColumn<T>> = {}): JsonColumn<T> => ({
  at: 'table.column',
  called: 'the thing',
  schema,
  fresh,
  ...more,
});
const house = column(keptHouseSchema, { conventions: {}, ways: {}, units: {}, maker: {} });
const GRIDDLE = { id: 'long', sort: 'griddle', name: 'Long one', wideCm: 90, deepCm: 45 };

test('what is whole is read as it is, and nothing is told', () => {
  const raw = {
    conventions: { cup: 'metric' },
    ways: { altitudeM: 1600 },
    units: { weight: 'oz' },
    gear: [GRIDDLE],
    drawer: ['cup 1'],
  };
  const read = readStored(house, raw);
  expect(read.unreadable).toEqual([]);
  expect(read.value).toMatchObject({ ways: { altitudeM: 1600 }, gear: [GRIDDLE] });
});

test('a griddle 600 cm wide is left out and told; the other gear, the altitude and the money stay', () => {
  const raw = {
    conventions: {},
    ways: { altitudeM: 1600 },
    units: { currency: 'kr' },
    gear: [GRIDDLE, { ...GRIDDLE, id: 'wide', wideCm: 600 }],
  };
  const read = readStored(house, raw);
  expect(read.value).toMatchObject({ ways: { altitudeM: 1600 }, units: { currency: 'kr' }, gear: [{ id: 'long' }] });
  expect(read.value.gear).toHaveLength(1);
  expect(read.unreadable).toMatchObject([
    { what: 'the thing: gear, number 2', where: 'table.column.gear.1', why: 'Width: at most 500.' },
  ]);
});

test('one field that can’t be read does not empty its neighbours', () => {
  const read = readStored(house, {
    conventions: { cup: 'bucket', egg: 'large' },
    ways: 'none',
    units: { weight: 'g', clock: 13 },
  });
  expect(read.value).toEqual({ conventions: { egg: 'large' }, ways: {}, units: { weight: 'g' }, maker: {} });
  expect(read.unreadable.map((u) => u.where)).toEqual([
    'table.column.conventions.cup',
    'table.column.ways',
    'table.column.units.clock',
  ]);
});

test.each([null, 3, 'text', [], true])('stored %j instead of a house: a fresh one stands in, and it is told', (raw) => {
  const read = readStored(house, raw);
  expect(read.value).toEqual(house.fresh);
  expect(read.unreadable).toHaveLength(1);
});

test('a sheet with one broken line has the others', () => {
  const lines = column(z.array(sheetLineSchema), []);
  const good = {
    key: 'l1',
    text: '250 g flour',
    name: 'Flour',
    vessel: 'dry',
    measure: '250 g',
    grams: 250,
    preparation: '',
  };
  const read = readStored(lines, [good, { ...good, key: 'l2', grams: 'much' }, { ...good, key: 'l3' }], 'b-1');
  expect(read.value.map((l) => l.key)).toEqual(['l1', 'l2', 'l3']);
  // a line without grams is a line without an amount: told, and not made up
  expect(read.value[1]?.grams).toBeNull();
  expect(read.unreadable).toMatchObject([{ where: 'table.column b-1.1.grams' }]);
});

test('an older shape is brought up to date before it is read; one that can’t be is told', () => {
  const schema = z.object({ minutes: z.number() });
  const upgrade = (raw: unknown): unknown => {
    if (typeof raw === 'object' && raw && 'seconds' in raw)
      return { minutes: Number((raw as { seconds: unknown }).seconds) / 60 };
    if (raw === 'odd') throw new Error('nobody knows that shape');
    return raw;
  };
  const c = column(schema, { minutes: 0 }, { upgrade });
  expect(readStored(c, { seconds: 120 })).toEqual({ value: { minutes: 2 }, unreadable: [] });
  expect(readStored(c, { minutes: 3 }).value).toEqual({ minutes: 3 });
  expect(readStored(c, 'odd')).toMatchObject({
    value: { minutes: 0 },
    unreadable: [{ why: 'nobody knows that shape' }, {}],
  });
});

test('what stands deep in a value is brought to its shape of today where it is, and read field by field from there', () => {
  const since = (raw: unknown): unknown =>
    typeof raw === 'object' && raw && 'old' in raw ? { ...raw, now: (raw as { old: unknown }).old } : raw;
  const inner = z.preprocess(since, z.object({ now: z.number(), beside: z.number().default(1) }));
  const c = column(z.object({ list: z.array(inner) }), { list: [] });
  expect(readStored(c, { list: [{ old: 4 }, { old: 5, beside: 'many' }, { beside: 2 }] })).toMatchObject({
    value: {
      list: [
        { now: 4, beside: 1 },
        { now: 5, beside: 1 },
      ],
    },
    unreadable: [{ where: 'table.column.list.1.beside' }, { where: 'table.column.list.2.now' }],
  });
});
