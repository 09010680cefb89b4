/**
 * Facts of a formula in a kitchen: what the shelf lists is what the Bench shows, both ends and the pan's fat among it.
 */
import fc from 'fast-check';
import { analyseFormula } from '../analyse-formula';
import { EMPTY_FORMULA } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { allergensOf } from '../formula/tally';
import { findIngredient } from '../pantry/pantry';
import { bagOf, NO_POWDERS } from '../premix/bag';
import { linesOf } from '../testing/formulas';
import { anyKitchen } from '../testing/kitchens';
import { type AccountLine, costOf, takenAs } from './account';
import { factsOf } from './facts';

test('what a fork holds in either end is held', () => {
  fc.assert(
    fc.property(anyKitchen, ({ formula, house }) => {
      const facts = factsOf(formula, house);
      const ends = formula.ends?.map((e) => e.id) ?? [null];
      for (const end of ends)
        for (const { allergen } of allergensOf(analyseFormula(formula, house, end).lines).held)
          expect(facts.allergens).toContain(allergen);
      // the savoury end alone has milk of its own
      if (formula.ends) expect(facts.allergens).toContain('milk');
      expect(facts.pour).toBe(facts.analysis.thickness?.pour ?? null);
      expect(facts.holds.every((id) => findIngredient(id) !== undefined)).toBe(true);
    }),
    { numRuns: 60 },
  );
});

test('what they are eaten with by the method, and no line has, leaves it open', () => {
  const f = { ...EMPTY_FORMULA, entries: [{ key: 'l1', text: '250 g flour' }], cardNotes: 'Eat with peanut butter.' };
  expect(factsOf(f, FRESH_KITCHEN).allergensOpen).toBe(true);
  expect(factsOf({ ...f, cardNotes: 'Eat with honey.' }, FRESH_KITCHEN).allergensOpen).toBe(false);
});

test('butter that the house takes into the pan is milk in every formula, and what is not read leaves it open', () => {
  fc.assert(
    fc.property(anyKitchen, ({ formula, house }) => {
      const bare = {
        ...formula,
        ends: null,
        kind: 'griddle' as const,
        school: 'even',
        entries: [
          { key: 'l1', text: '200 g rice flour' },
          { key: 'l2', text: '300 g water' },
        ],
      };
      const held = (panFat: 'butter' | 'none') =>
        factsOf(bare, { ...house, ways: { ...house.ways, panFat } }).allergens;
      expect([held('butter'), held('none')]).toEqual([['milk'], []]);
      const more = (text: string) => factsOf({ ...bare, entries: [...bare.entries, { key: 'l3', text }] }, house);
      expect([
        more('5 g moon dust').allergensOpen,
        more('oil for the pan').allergensOpen,
        more('salt to taste').allergensOpen,
      ]).toEqual([true, false, false]);
      // a thing without an amount is held all the same
      expect(more('a little butter, if you like').allergens).toContain('milk');
    }),
    { numRuns: 5 },
  );
});

test('a starter is held, bought and taken as itself, whether the shelf has it or not', () => {
  const lines = linesOf('1 cup sourdough starter', '1 cup flour');
  expect(takenAs(lines[0] as AccountLine, {}).map((p) => [p.ingredient.id, p.grams])).toEqual([
    ['sourdough-starter', expect.closeTo(240, 6)],
  ]);
  expect(costOf(lines, {}).gaps).toEqual(['Sourdough starter', 'All-purpose wheat flour']);
  const entries = ['1 cup sourdough starter', '1 cup flour'].map((text, n) => ({ key: `l${n + 1}`, text }));
  const facts = factsOf({ ...EMPTY_FORMULA, entries }, FRESH_KITCHEN);
  expect(facts.holds).toContain('sourdough-starter');
  // 240 g of starter hold 118.8 g of flour beside the cup's 125
  expect(facts.analysis.tally.flourG).toBeCloseTo(118.8 + 125, 6);
  // a bag of the dry things leaves the jar where it is
  const bag = bagOf(formulaLines({ entries, conventions: {} }), NO_POWDERS);
  expect(bag.items.map((i) => [i.ingredient.id, i.grams])).toEqual([['flour-all-purpose', expect.closeTo(125, 6)]]);
  expect(bag.added.map((a) => a.ingredient.id)).toEqual(['sourdough-starter']);
});
