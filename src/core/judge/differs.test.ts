import { scale } from '../batch/scale';
import { sheetOf } from '../batch/sheet';
import { EMPTY_FORMULA } from '../formula/formula';
import { formulaLines } from '../formula/lines';
import { findIngredient } from '../pantry/pantry';
import { FRESH_UNITS } from '../quantity/say';
import { differencesOf } from './differs';

const made = (
  lines: readonly string[],
  factor = 1,
  more: { readonly portionMl?: number; readonly ways?: object } = {},
) => {
  const s = scale(
    formulaLines({ ...EMPTY_FORMULA, entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })) }),
    { by: 'factor', factor },
    'gram',
    null,
    null,
  );
  if (!s.ok) throw new Error(s.error.message);
  return { sheet: sheetOf(s.value, 1), portionMl: more.portionMl ?? 60, ways: more.ways ?? {} };
};
const CARD = ['250 g flour', '430 g milk', '2 eggs', '12 g baking powder', '4 g salt'];
const against = (is: ReturnType<typeof made>, was = made(CARD)) =>
  differencesOf(is, was, (id) => findIngredient(id), FRESH_UNITS);

test('the same card again, larger or smaller, differs in nothing: a change that was meant is asked, not claimed', () => {
  for (const factor of [1, 2.5, 7]) expect(against(made(CARD, factor))).toEqual([]);
});

test('one true change is told, and no other', () => {
  expect(
    against(
      made(
        CARD.map((l) => l.replace('430 g milk', '470 g milk')),
        3,
      ),
    ),
  ).toEqual([expect.stringMatching(/^whole milk 172 g to 188 g per 100 g of flour$/)]);
  expect(against(made([...CARD, '20 g butter']))).toEqual(['new: unsalted butter']);
  expect(against(made(CARD, 1, { portionMl: 75 }))).toEqual(['portion 60 ml to 75 ml']);
  expect(against(made(CARD, 1, { ways: { flip: 'press' } }), made(CARD, 1, { ways: { flip: 'once' } }))).toEqual([
    expect.stringMatching(/^turning: once.* to a light press$/),
  ]);
});
