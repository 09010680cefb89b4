/**
 * What is typed on a plan, read whole: the driver of what is mixed fresh, its pan, its guests, and the plan worked from
 * it.
 */
import type { KeptLot } from '@/core/batch/kept';
import { planOf } from '@/core/batch/plan-of';
import type { Side } from '@/core/batch/sides';
import { ONE } from '@/core/batch/split';
import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { FRESH_KITCHEN, type Kitchen } from '@/core/formula/kitchen-settings';
import { PLAIN_CAKE } from '@/core/testing/formulas';
import { type PlanStands, planOpens } from './plan-opens';
import { readPlan } from './plan-read';

const CAKES: Formula = { ...EMPTY_FORMULA, entries: PLAIN_CAKE.map((text, n) => ({ key: `l${n + 1}`, text })) };
const PAN: Formula = {
  ...EMPTY_FORMULA,
  kind: 'oven',
  school: 'puffed',
  entries: ['100 g flour', '200 g milk', '3 eggs', '1 g salt'].map((text, n) => ({ key: `l${n + 1}`, text })),
};
const KEPT = { id: 'k1', kind: 'griddle', state: 'frozen', pieces: 20, left: 20 } as KeptLot;

function read(stands: Partial<PlanStands>, formula = CAKES, house: Kitchen = FRESH_KITCHEN, keptLots = [KEPT]) {
  const opens = planOpens(formula, house, { end: null, pieces: null, people: false, all: null });
  return readPlan({
    formula,
    house,
    shelf: {},
    timed: null,
    bagged: [],
    keptLots,
    stands: { ...opens, ...stands, typed: { ...opens.typed, ...stands.typed } },
  });
}
const typed = (t: Partial<PlanStands['typed']>) => ({ typed: t as PlanStands['typed'] });

test('pieces out of the store are pieces fewer that are mixed; all of them leave nothing to mix', () => {
  const asked = typed({ by: 'pieces', amount: '20' });
  expect(read(asked).driver).toEqual({ by: 'pieces', pieces: 20, portionMl: 60 });
  expect(read({ ...asked, kept: { k1: '8' } }).driver).toEqual({ by: 'pieces', pieces: 12, portionMl: 60 });
  const all = read({ ...asked, kept: { k1: '20' } });
  expect([all.driver, all.means, all.bagsAlone]).toEqual([null, null, null]);
  // more than there is stops it, at its own box
  const more = read({ ...asked, kept: { k1: '21' } });
  expect([more.driver, Object.keys(more.errors)]).toEqual([null, ['store.k1']]);
  // a part from the store and a test piece: the piece comes off what is mixed
  expect(read({ ...typed({ by: 'pieces', amount: '20', testPiece: true }), kept: { k1: '8' } }).driver).toEqual({
    by: 'pieces',
    pieces: 12,
    portionMl: 60,
    testPiece: true,
  });
});

test('as many pieces as the card makes are the card; guests are fed by kit', () => {
  const made = planOpens(CAKES, FRESH_KITCHEN, { end: null, pieces: null, people: false, all: null }).typed.amount;
  expect(read(typed({ amount: made })).driver).toEqual({ by: 'factor', factor: 1 });
  const split = { by: 'kits', mixes: null, life: null, pace: null, benches: '3', classes: '2' } as const;
  const kits = read({ ...typed({ by: 'guests', amount: '4', each: '2' }), split });
  expect([kits.covers, kits.atTable]).toEqual([24, 24]);
  // 9 pieces at 2 each are 5 people, of whom nobody was told
  const nine = read(typed({ by: 'pieces', amount: '9', each: '2' }));
  expect([nine.covers, nine.atTable]).toEqual([null, 5]);
});

test('what fills its pan asks how wide that is where none is noted: 0.65 ml for each square centimetre', () => {
  expect(read({}, PAN)).toMatchObject({ asksPan: true, panfulMl: null, fillsPan: true });
  const round = read(typed({ panCm: '28 cm' }), PAN);
  expect(round.panfulMl).toBeCloseTo(0.65 * Math.PI * 14 ** 2, 6);
  expect(read(typed({ panCm: 'wide' }), PAN).errors).toHaveProperty(['pan.cm']);
  const house: Kitchen = {
    ...FRESH_KITCHEN,
    gear: [
      { id: 'a', sort: 'pan', name: 'Big skillet', acrossCm: 30 },
      { id: 'b', sort: 'pan', name: 'Old skillet', acrossCm: 24 },
    ],
  };
  // the middle of those that are lit
  const both = read({ lit: { on: ['a', 'b'], most: null } }, PAN, house);
  expect([both.asksPan, both.panfulMl]).toEqual([false, expect.closeTo((0.65 * Math.PI * (15 ** 2 + 12 ** 2)) / 2, 6)]);
});

test('the whole plan: pans of what it makes, a butter for each guest beside it, and the ways of a hurry', () => {
  const side: Side = {
    id: 's1',
    name: 'Syrup butter',
    by: 'weight',
    parts: [
      { ingredientId: 'butter-unsalted', parts: 3 },
      { ingredientId: 'maple-syrup', parts: 1 },
    ],
    servingG: 20,
    method: 'Whip it.',
  };
  const asked = { house: FRESH_KITCHEN, end: null, split: ONE, eggs: null, exactness: 'gram', sides: [] } as const;
  const twice = planOf({ ...asked, formula: PAN, driver: { by: 'factor', factor: 2 }, portionMl: 400.2 });
  if (!twice.ok) throw new Error(twice.error.message);
  // about 810 g of batter near 1.05 g/ml: two panfuls of 400 ml
  expect(twice.value).toMatchObject({ fillsPan: true, planned: { pieces: { all: 2 } } });
  const unknown = planOf({ ...asked, formula: PAN, driver: { by: 'factor', factor: 2 }, portionMl: null });
  expect(unknown.ok && unknown.value.planned.pieces).toBeNull();
  const beside = planOf({
    ...asked,
    formula: CAKES,
    driver: { by: 'pieces', pieces: 12, portionMl: 60 },
    portionMl: 60,
    exactness: 'eye' as const,
    sides: [{ side, people: 6 }],
  });
  if (!beside.ok) throw new Error(beside.error.message);
  // 6 people at 20 g, three parts in four of it butter, to the spoon
  const butter = beside.value.sheet.filter((l) => l.side === 'Syrup butter').flatMap((l) => l.parts ?? []);
  expect(butter.find((p) => p.id === 'butter-unsalted')?.grams).toBeCloseTo(90, 0);
  expect(beside.value.ways.joining).toBe('at-once');
  const none = planOf({ ...asked, formula: CAKES, driver: { by: 'eggs', eggs: 0 }, portionMl: 60 });
  expect(none.ok).toBe(false);
});
