import fc from 'fast-check';
import { cases } from '../testing/share';
import { merge, type Shape, same } from './merge';

const SHAPE: Shape = { fields: { price: 'whole', note: 'whole', marks: 'set', gear: { by: 'id' }, moved: 'record' } };
interface Row {
  readonly price: number;
  readonly note: string;
  readonly marks: readonly string[];
  readonly gear: readonly { readonly id: string; readonly cm: number }[];
  readonly moved: Readonly<Record<string, number>>;
}
const BASE: Row = { price: 1, note: 'a', marks: ['pale'], gear: [{ id: 'g1', cm: 40 }], moved: { rest: 5 } };

test('what two changed in different places is both kept', () => {
  const m = merge(
    BASE,
    { ...BASE, price: 2, gear: [...BASE.gear, { id: 'g2', cm: 30 }] },
    { ...BASE, note: 'b', marks: ['pale', 'tall'], moved: { rest: 5, pour: 9 } },
    SHAPE,
  );
  expect(m.clashes).toEqual([]);
  expect(m.value).toEqual({
    price: 2,
    note: 'b',
    marks: ['pale', 'tall'],
    gear: [
      { id: 'g1', cm: 40 },
      { id: 'g2', cm: 30 },
    ],
    moved: { rest: 5, pour: 9 },
  });
  expect([...m.taken].sort()).toEqual(['marks:tall', 'moved.pour', 'note']);
});

test('the same thing changed by both is told with both sides, and theirs stands', () => {
  const m = merge(
    BASE,
    { ...BASE, price: 2, gear: [{ id: 'g1', cm: 50 }], moved: {} },
    { ...BASE, price: 3, gear: [], moved: { rest: 8 } },
    SHAPE,
  );
  expect(m.clashes).toEqual([
    { path: 'price', theirs: 3, yours: 2 },
    { path: 'moved.rest', theirs: 8, yours: null },
    { path: 'gear:g1', theirs: null, yours: { id: 'g1', cm: 50 } },
  ]);
  expect(m.value).toMatchObject({ price: 3, gear: [], moved: { rest: 8 } });
});

test('said which side stands, it stands; the rest is merged as before', () => {
  const [mine, theirs] = [
    { ...BASE, price: 2, note: 'b' },
    { ...BASE, price: 3, marks: ['pale', 'dry'] },
  ];
  expect(merge(BASE, mine, theirs, SHAPE, { price: 'yours' })).toMatchObject({
    value: { price: 2, note: 'b', marks: ['pale', 'dry'] },
    clashes: [],
  });
  expect(merge(BASE, mine, theirs, SHAPE, { price: 'theirs' })).toMatchObject({
    value: { price: 3, note: 'b' },
    clashes: [],
  });
});

test('an allergen that another has noted does not vanish by a form that never saw it', () => {
  const shape: Shape = { fields: { allergens: 'set' } };
  const m = merge({ allergens: ['milk'] }, { allergens: ['milk'] }, { allergens: ['milk', 'egg'] }, shape);
  expect(m.value.allergens).toEqual(['milk', 'egg']);
});

test('nothing at all against something: nobody is asked where only one has changed it', () => {
  const shape: Shape = { fields: { at: 'whole', moved: 'record' } };
  expect(merge<object | null>(null, { at: 1, moved: {} }, null, shape).value).toEqual({ at: 1, moved: {} });
  expect(merge<object | null>({ at: 1, moved: {} }, { at: 1, moved: {} }, null, shape)).toMatchObject({
    value: null,
    clashes: [],
  });
});

test('an order changed by hand is kept where the other left it alone', () => {
  const gear = (...ids: string[]) => ({ ...BASE, gear: ids.map((id) => ({ id, cm: 1 })) });
  expect(merge(gear('a', 'b'), gear('b', 'a'), gear('a', 'b'), SHAPE).value.gear.map((g) => g.id)).toEqual(['b', 'a']);
  expect(merge(gear('a', 'b'), gear('b', 'a'), gear('a', 'b', 'c'), SHAPE).value.gear.map((g) => g.id)).toEqual([
    'a',
    'b',
    'c',
  ]);
});

const row = fc.record({
  price: fc.integer({ min: 0, max: 3 }),
  note: fc.constantFrom('a', 'b', 'c'),
  marks: fc.uniqueArray(fc.constantFrom('pale', 'tall', 'dry')),
  gear: fc.uniqueArray(fc.record({ id: fc.constantFrom('g1', 'g2', 'g3'), cm: fc.integer({ min: 0, max: 2 }) }), {
    selector: (g) => g.id,
  }),
  moved: fc.dictionary(fc.constantFrom('rest', 'pour'), fc.integer({ min: 0, max: 2 })),
});
/** The same things, in whatever order. */
const settled = (r: Row) => ({
  ...r,
  marks: [...r.marks].sort(),
  gear: [...r.gear].sort((a, b) => a.id.localeCompare(b.id)),
});

test('laws: who changed nothing changes nothing; both the same is no clash; what clashes nowhere is the same both ways round', () => {
  let calm = 0;
  fc.assert(
    fc.property(row, row, row, (base: Row, mine: Row, theirs: Row) => {
      expect(settled(merge(base, base, theirs, SHAPE).value)).toEqual(settled(theirs));
      expect(settled(merge(base, mine, base, SHAPE).value)).toEqual(settled(mine));
      expect(merge(base, mine, mine, SHAPE).clashes).toEqual([]);
      const [there, back] = [merge(base, mine, theirs, SHAPE), merge(base, theirs, mine, SHAPE)];
      expect(there.clashes.map((c) => c.path).sort()).toEqual(back.clashes.map((c) => c.path).sort());
      if (there.clashes.length === 0) {
        calm++;
        expect(same(settled(there.value), settled(back.value))).toBe(true);
      }
    }),
    // about one pair in twenty clashes nowhere
    { numRuns: cases(2000) },
  );
  expect(calm).toBeGreaterThan(20);
});
