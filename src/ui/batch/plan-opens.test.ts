/** A plan opens with what its card makes, or with what was asked for before it was opened. */
import { planTypedSchema } from '@/contract/batch';
import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { PLAIN_CAKE } from '@/core/testing/formulas';
import { type PlanOpenedWith, planOpens } from './plan-opens';

const CAKES: Formula = { ...EMPTY_FORMULA, entries: PLAIN_CAKE.map((text, n) => ({ key: `l${n + 1}`, text })) };
const NOTHING: PlanOpenedWith = { end: null, pieces: null, people: false, all: null };
const opens = (asked: Partial<PlanOpenedWith>, formula = CAKES) =>
  planOpens(formula, FRESH_KITCHEN, { ...NOTHING, ...asked });

test('by what was asked for: pieces, people, or all there is of one thing', () => {
  expect(opens({ pieces: '40' }).typed).toMatchObject({ by: 'pieces', amount: '40' });
  expect(opens({ pieces: '40', people: true }).typed).toMatchObject({ by: 'guests', amount: '40' });
  expect(opens({ all: { ingredientId: 'milk-whole', grams: 700 } }).typed).toMatchObject({
    by: 'ingredient',
    amount: '700',
    ingredientId: 'milk-whole',
  });
  // medium eggs in the kitchen drive a card of large ones by the card's own
  expect(opens({ all: { ingredientId: 'egg-medium', grams: 88 } }).typed.ingredientId).toBe('egg-large');
  // what the card doesn't hold can't drive it
  expect(opens({ all: { ingredientId: 'banana', grams: 118 } }).typed.by).toBe('pieces');
});

test('what fills its pan opens at once its recipe; what is opened can be kept', () => {
  const pan = opens({}, { ...CAKES, kind: 'oven', school: 'sweet' });
  expect(pan.typed).toMatchObject({ by: 'factor', amount: '1' });
  for (const stands of [pan, opens({}), opens({ pieces: '40' })]) expect(planTypedSchema.parse(stands)).toEqual(stands);
});

test('how many at a time: the card’s word where no surface is noted, the cook’s own everywhere', () => {
  const GRIDDLE = [{ id: 'g1', sort: 'griddle', name: 'Griddle', wideCm: 60, deepCm: 40 }] as const;
  const lit = (words: string | undefined, gear: typeof FRESH_KITCHEN.gear) =>
    planOpens(
      { ...CAKES, edits: [{ do: 'set', act: 'pour griddle cakes', load: 3, ...(words && { words }) }] },
      { ...FRESH_KITCHEN, gear },
      NOTHING,
    ).lit;
  expect(lit('three at a time', [])).toEqual({ on: null, most: 3 });
  expect(lit('three at a time', GRIDDLE)).toEqual({ on: null, most: null });
  expect(lit(undefined, GRIDDLE)).toEqual({ on: null, most: 3 });
});
