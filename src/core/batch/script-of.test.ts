/** The script of a formula: the same acts as its batch's, each with whose word it is. */

import fc from 'fast-check';
import { makingSchema } from '@/contract/stored';
import { wayEdits, withWay } from '../formula/act-edits';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { findIngredient } from '../pantry/pantry';
import { anyKitchen } from '../testing/kitchens';
import { planOf } from './plan-of';
import { scriptOfBatch } from './script-of';
import { makingOf, scriptOfFormula } from './script-of-formula';
import { ONE } from './split';

const of = (texts: readonly string[], more: Partial<Formula> = {}): Formula => ({
  ...EMPTY_FORMULA,
  entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })),
  ...more,
});
const made = (f: Formula) => {
  const s = scriptOfFormula(f, FRESH_KITCHEN, null);
  if (!s.ok) throw new Error(s.error.message);
  return s.value;
};

test('what the card told and was taken is the card’s; a way of its own the formula’s; the rest is usual', () => {
  const texts = ['200 g flour', '300 g milk', '2 eggs', '8 g baking powder'];
  const notes = 'Whisk it. Rest 30 minutes. Pour 1/4 cup each.';
  const acts = (f: Formula) => new Map(made(f).acts.map((a) => [a.verb, [a.from, a.words]]));
  const taken = acts(
    of(texts, {
      cardNotes: notes,
      edits: withWay([], 'rest', 'half-hour', 'Rest 30 minutes'),
      portionMl: 59.1,
    }),
  );
  expect(taken.get('rest')).toEqual(['told', 'Rest 30 minutes']);
  expect(taken.get('pour')?.[0]).toBe('told');
  // the same rest, and no card that says so
  expect(acts(of(texts, { edits: wayEdits({ rest: 'half-hour' }) })).get('rest')).toEqual(['asked', null]);
  expect(acts(of(texts, { cardNotes: notes })).get('rest')?.[0]).toBe('usual');
});

test('law: of any kitchen a formula’s acts are its batch’s once over, and each line is taken whole', () => {
  let tried = 0;
  fc.assert(
    fc.property(anyKitchen, (k) => {
      const end = k.formula.ends ? 'a' : null;
      const s = scriptOfFormula(k.formula, k.house, end);
      const plan = planOf({
        ...k,
        end,
        driver: { by: 'factor', factor: 1 },
        split: ONE,
        eggs: null,
        exactness: 'exact',
        portionMl: null,
        sides: [],
      });
      expect(s.ok).toBe(plan.ok);
      if (!s.ok || !plan.ok) return;
      tried++;
      const { sheet, kind, school, ways } = plan.value;
      const batch = scriptOfBatch({ sheet, kind: kind.id, school: school.id }, ways, (id) => findIngredient(id));
      expect(s.value.acts.map((a) => a.id)).toEqual(batch.acts.map((a) => a.id));
      for (const l of s.value.lines) {
        const share = s.value.acts
          .flatMap((a) => a.takes)
          .reduce((a, t) => a + (t.of === 'line' && t.id === l.key ? t.share : 0), 0);
        expect([l.text, Math.round(1e6 * share)]).toEqual([l.text, 1e6]);
      }
    }),
    { numRuns: 40 },
  );
  expect(tried).toBeGreaterThan(30);
});

test('what can’t be scaled says so', () => {
  expect(scriptOfFormula(of(['some flour']), FRESH_KITCHEN, null).ok).toBe(false);
});

test('what a card serves is kept with the batch whatever its lines hold, since they may change, and read back as it was', () => {
  const texts = ['200 g flour', '300 g milk', '2 eggs'];
  const notes = 'Whisk and fry. Serve with peanut butter and a fried egg.';
  const making = makingOf(of(texts, { cardNotes: notes }), FRESH_KITCHEN);
  expect(making.served).toEqual([
    { said: 'peanut butter', allergen: 'peanut' },
    { said: 'fried egg', allergen: 'egg' },
  ]);
  expect(makingSchema.parse(JSON.parse(JSON.stringify(making)))).toEqual(making);
  expect(makingSchema.parse({ ways: making.ways })).toEqual({ ways: making.ways, edits: [], told: {} });
});
