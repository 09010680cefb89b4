import { EMPTY_FORMULA } from '@/core/formula/formula';
import { KIND_IDS } from '@/core/formula/kinds';
import { FINE_SCALES, usualGear } from '@/core/pantry/gear';
import { SHAPES } from '@/core/records/editable';
import { upgraded } from './acts';
import { driverSchema, outcomeSchema, startBatchSchema } from './batch';
import { itemSchema, tellSchema } from './event-log';
import { fieldErrors } from './fields';
import { saveSchema } from './formula';
import { morningPlanSchema } from './morning';
import { gearSchema } from './pantry';

const SAVE = {
  formulaId: null,
  basedOn: null,
  knownNewest: null,
  changeNote: '',
  formula: { ...EMPTY_FORMULA, name: 'Test cakes', entries: [{ key: 'l1', text: '2 cups flour' }] },
};
const ID = '0c08fcbc-0d68-4e85-bce1-9e30bcb6eaab';

function errors(schema: { safeParse: typeof saveSchema.safeParse }, input: unknown): Readonly<Record<string, string>> {
  const r = schema.safeParse(input);
  return r.success ? {} : fieldErrors(r.error);
}

const save = (part: object): Readonly<Record<string, string>> =>
  errors(saveSchema, { ...SAVE, formula: { ...SAVE.formula, ...part } });

test('a formula that is whole passes', () => expect(errors(saveSchema, SAVE)).toEqual({}));

test.each([
  [{ name: '   ' }, 'formula.name', /Give the formula a name/],
  [{ name: 'x'.repeat(121) }, 'formula.name', /at most 120/],
  [{ entries: [] }, 'formula.entries', /at least one line/],
  [{ entries: Array.from({ length: 201 }, (_, n) => ({ key: `l${n}`, text: 'x' })) }, 'formula.entries', /at most 200/],
  [{ entries: [{ key: 'l1', text: 'x'.repeat(2001) }] }, 'formula.entries.0.text', /2,000/],
  [{ entries: [{ key: '"; drop', text: 'x' }] }, 'formula.entries.0.key', /./],
  [{ kind: 'pie' }, 'formula.kind', /./],
  [{ cardNotes: 'x'.repeat(20_001) }, 'formula.cardNotes', /20,000/],
  [{ entries: [{ key: 'l1', text: 'x', opened: 'last spring' }] }, 'formula.entries.0.opened', /day/],
  [{ entries: [{ key: 'l1', text: 'x', end: 'c' }] }, 'formula.entries.0.end', /./],
  [{ portionMl: -60 }, 'formula.portionMl', /more than nothing/],
  [{ edits: [{ do: 'way', act: 'rest', value: 'forever' }] }, 'formula.edits.0.value', /./],
  [{ ways: { rest: 'forever' } }, 'formula.edits.0.value', /./],
  [{ edits: [{ do: 'set', act: 'bake piece', minutes: -1 }] }, 'formula.edits.0.minutes', /more than nothing/],
  [
    { edits: [{ do: 'own', act: 'do x', before: 'plate piece', does: ' ', minutes: 1, hands: 1 }] },
    'formula.edits.0.does',
    /Write what is done/,
  ],
  [
    {
      ends: [
        { id: 'a', name: ' ', school: 'even' },
        { id: 'b', name: 'savoury', school: 'even' },
      ],
    },
    'formula.ends.0.name',
    /needs a name/,
  ],
  [{ held: { rails: ['butter'], mass: true, eggs: true, blend: true } }, 'formula.held.rails.0', /./],
  [{ conventions: { ...EMPTY_FORMULA.conventions, cup: 'bucket' } }, 'formula.conventions.cup', /./],
])('%#: refused at its place', (part, path, message) => expect(save(part)[path]).toMatch(message));

test.each([
  [{ by: 'pieces', pieces: 0, portionMl: 60 }, 'pieces', /more than nothing/],
  [{ by: 'pieces', pieces: 2.5, portionMl: 60 }, 'pieces', /come whole/],
  [{ by: 'pieces', pieces: 100_001, portionMl: 60 }, 'pieces', /at most 100,000/],
  [{ by: 'pieces', pieces: 10, portionMl: -1 }, 'portionMl', /more than nothing/],
  [{ by: 'factor', factor: Number.NaN }, 'factor', /write a number/],
  [{ by: 'flour', grams: Number.POSITIVE_INFINITY }, 'grams', /./],
  [{ by: 'mass', grams: '500' }, 'grams', /write a number/],
  [{ by: 'eggs', eggs: -3 }, 'eggs', /more than nothing/],
  [{ by: 'magic' }, 'by', /./],
])('a driver %j is refused at its place', (driver, path, message) => {
  const r = driverSchema.safeParse(driver);
  expect(r.success ? '' : fieldErrors(r.error)[path]).toMatch(message);
});

test('ticks and batches need real ids', () => {
  // the parcel is checked as a whole, each thing in it by itself
  const tells = (...items: readonly object[]): boolean =>
    tellSchema.safeParse({ batchId: ID, items: items.map((item) => ({ item, agoMs: 5 })) }).success &&
    items.every((i) => itemSchema.safeParse(i).success);
  expect(tells({ id: ID, do: 'line', key: 'l1', to: true }, { id: ID, do: 'line', key: 'l1', to: 41.5 })).toBe(true);
  expect(tells({ id: ID, do: 'line', key: 'l1', to: 'yes' })).toBe(false);
  expect(tells({ id: '1', do: 'line', key: 'l1', to: true })).toBe(false);
  expect(tells()).toBe(false);
  const enters = (act: object): boolean => tells({ id: ID, do: 'enter', entry: { id: ID, at: 1.7e12, act } });
  expect(enters({ what: 'heat', surface: 'g', by: 'probe', realC: 180, dialC: null })).toBe(true);
  expect(enters({ what: 'heat', surface: 'g', by: 'drop', drop: 'dances', dialC: 190 })).toBe(true);
  expect(enters({ what: 'heat', surface: 'g', by: 'drop', drop: 'sings', dialC: 190 })).toBe(false);
  expect(enters({ what: 'heat', surface: 'g', by: 'dial', dialC: 4000 })).toBe(false);
  expect(enters({ what: 'checked', mix: 1, initials: ' ' })).toBe(false);
  expect(enters({ what: 'corrected', mix: 1, ingredientId: 'milk-whole', grams: -3, bowlG: 900, seen: '' })).toBe(
    false,
  );
  expect(
    startBatchSchema.safeParse({ versionId: ID, driver: { by: 'factor', factor: 2 }, exactness: 'gram', portionMl: 60 })
      .success,
  ).toBe(true);
  expect(
    startBatchSchema.safeParse({
      versionId: ID,
      driver: { by: 'factor', factor: 2 },
      exactness: 'spoons',
      portionMl: 60,
    }).success,
  ).toBe(false);
});

const OUTCOME = {
  batchId: ID,
  pieces: 10,
  firstSideS: 145,
  secondSideS: null,
  verdict: 'good',
  marks: ['dark'],
  note: '',
};

test.each([
  [{}, {}],
  [{ verdict: '' }, { verdict: 'Say how it was.' }],
  [{ pieces: -1 }, { pieces: 'Pieces: at least 0.' }],
  [{ pieces: 1.5 }, { pieces: 'Pieces: write a whole number.' }],
  [{ firstSideS: 0 }, { firstSideS: 'First side: at least 1.' }],
  [{ secondSideS: 99_999 }, { secondSideS: 'Second side: at most 7,200.' }],
  [{ note: 'x'.repeat(4001) }, { note: 'A note has at most 4,000 characters.' }],
])('an outcome with %j', (part, expected) => {
  const r = outcomeSchema.safeParse({ ...OUTCOME, ...part });
  expect(r.success ? {} : fieldErrors(r.error)).toEqual(expected);
});

test('an act from before a change of shape is brought through each change since, and no other', () => {
  const upgrades = {
    1: { 'keep-side': (x: unknown) => ({ ...(x as object), servingG: 20 }) },
    3: { 'keep-side': (x: unknown) => ({ made: x }), 'keep-lot': () => 'none' },
  };
  const input = { name: 'Syrup' };
  expect(upgraded('keep-side', input, 1, upgrades, 4)).toEqual({ made: { name: 'Syrup', servingG: 20 } });
  expect(upgraded('keep-side', input, 2, upgrades, 4)).toEqual({ made: input });
  expect(upgraded('keep-side', input, 4, upgrades, 4)).toBe(input);
  expect(upgraded('keep-premix', input, 1, upgrades, 4)).toBe(input);
});

test('what two screens change of a morning is merged field by field: no field of its plan is left out', () => {
  expect(Object.keys(SHAPES.morning.fields).sort()).toEqual(Object.keys(morningPlanSchema.shape).sort());
});

test('what is offered as gear by a tap can be kept: usual surfaces of each kind, and finer scales', () => {
  const offered = [...KIND_IDS.flatMap((k) => usualGear(k)), ...FINE_SCALES].map((g, n) => ({ ...g, id: `g${n}` }));
  expect(offered.length).toBeGreaterThan(8);
  for (const g of offered) expect([g.name, gearSchema.safeParse(g).error?.message]).toEqual([g.name, undefined]);
  expect(FINE_SCALES.map((s) => s.stepG)).toEqual([0.5, 0.1]);
});
