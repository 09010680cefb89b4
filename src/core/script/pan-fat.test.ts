/**
 * The fat that is really taken is told alike: by the sheet, what is set out, the notice and the formula's allergens.
 */
import { waysOf } from '../batch/batch';
import { noticeOf } from '../batch/notice';
import { scale } from '../batch/scale';
import { sheetOf } from '../batch/sheet';
import { firstSight } from '../bench/first-sight';
import { EMPTY_FORMULA } from '../formula/formula';
import { FRESH_KITCHEN, type Kitchen } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import type { Ways } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import { cuesFor } from './cues';
import { cardPanFat } from './pan-fat';

const find = (id: string) => findIngredient(id);
const CARD = ['200 g flour', '300 g water', '8 g baking powder'];
const HOUSE: Kitchen = { ...FRESH_KITCHEN, ways: { ...FRESH_KITCHEN.ways, panFat: 'butter' } };

function batchOf(pan: readonly string[], said: Ways['panFat'] | null = null) {
  const formula = { ...EMPTY_FORMULA, entries: [...CARD, ...pan].map((text, n) => ({ key: `l${n + 1}`, text })) };
  const s = scale(formulaLines(formula, HOUSE), { by: 'factor', factor: 1 }, 'gram', null, null);
  if (!s.ok) throw new Error(s.error.message);
  const entries =
    said === null ? [] : [{ id: 'w', at: 1, act: { what: 'way' as const, way: 'panFat' as const, value: said } }];
  const batch = { sheet: sheetOf(s.value, 1), kind: 'griddle' as const, ways: {}, entries };
  return { formula, batch, ways: waysOf(batch, HOUSE) };
}
const milkIn = (q: ReturnType<typeof batchOf>): boolean =>
  noticeOf(q.batch, q.ways, find).held.some((h) => /milk/i.test(h.name));

test('the house takes butter and the card oil: oil is poured on, and the notice has no milk', () => {
  const q = batchOf(['oil for the griddle']);
  expect(cardPanFat(q.batch.sheet)).toBe('film');
  expect(cuesFor('griddle', q.ways).pour).not.toMatch(/butter/i);
  expect(milkIn(q)).toBe(false);
  expect(firstSight({ formula: q.formula, house: HOUSE, end: null }).sight.allergens).not.toMatch(/milk/i);
});

test('no fat on the card: the house’s butter is on the notice and among the formula’s allergens', () => {
  const q = batchOf([]);
  expect(cuesFor('griddle', q.ways).pour).toMatch(/knob of butter/);
  expect(milkIn(q)).toBe(true);
  expect(firstSight({ formula: q.formula, house: HOUSE, end: null }).sight.allergens).toMatch(/milk/i);
});

test('butter tapped at the heat is on the notice, though the card has oil', () => {
  const q = batchOf(['oil for the griddle'], 'butter');
  expect(cuesFor('griddle', q.ways).pour).toMatch(/knob of butter/);
  expect(milkIn(q)).toBe(true);
});

test('butter and oil on the card are both; clarified butter is its own; what is fried in the pan is no fat for it', () => {
  const of = (...ids: readonly string[]) => cardPanFat([{ vessel: 'pan', parts: ids.map((id) => ({ id })) }]);
  expect([
    of('butter-unsalted', 'oil-vegetable'),
    of('butter-clarified'),
    of('lard'),
    of('cooking-spray'),
    of('apple'),
  ]).toEqual(['butter-oil', 'clarified', 'lard', 'spray', null]);
  expect(cardPanFat([{ vessel: 'pan', side: 'Apples', parts: [{ id: 'butter-unsalted' }] }])).toBeNull();
});
