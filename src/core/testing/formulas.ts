/** For tests: a formula from the lines of a card, and arbitrary formulas for laws that hold for all of them. */
import fc from 'fast-check';
import { readCard } from '../card/card';
import type { Line } from '../card/line';
import type { AnalysableLine } from '../numbers';
import {
  type Conventions,
  EGG_SIZES,
  FILL_METHODS,
  FRESH_CONVENTIONS,
  POWDERS,
  SALT_CRYSTALS,
} from '../pantry/conventions';
import { PANTRY } from '../pantry/pantry';
import { CUP_SYSTEMS, TABLESPOONS } from '../quantity/units';

/** A plain griddle cake of 859 g, with its pan and its syrup: what scaling, planning and weighing are tried on. */
export const PLAIN_CAKE = [
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '10 g baking powder',
  '430 g milk',
  '2 eggs',
  '40 g butter, melted',
  'oil for the pan',
  '50 g maple syrup to serve',
] as const;

export function linesOf(...texts: readonly string[]): readonly Line[] {
  const card = readCard(texts.join('\n'), FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  return card.value.lines;
}

/** A kitchen that means any cup, fill, egg, salt and powder. */
export const anyHouse: fc.Arbitrary<Conventions> = fc.record({
  cup: fc.constantFrom(...CUP_SYSTEMS),
  tablespoon: fc.constantFrom(...TABLESPOONS),
  flourFill: fc.constantFrom(...FILL_METHODS),
  egg: fc.constantFrom(...EGG_SIZES),
  salt: fc.constantFrom(...SALT_CRYSTALS),
  powder: fc.constantFrom(...POWDERS),
});

export const anyLine: fc.Arbitrary<AnalysableLine> = fc.record({
  parts: fc.array(
    fc.record({ ingredient: fc.constantFrom(...PANTRY), grams: fc.double({ min: 0.01, max: 5000, noNaN: true }) }),
    {
      minLength: 1,
      maxLength: 2,
    },
  ),
  use: fc.constantFrom('batter' as const, 'batter' as const, 'batter' as const, 'pan' as const, 'topping' as const),
});

const flour = PANTRY.filter((i) => i.category === 'flour');

/** Lines with at least one flour line that has some weight. */
export const anyFormula: fc.Arbitrary<readonly AnalysableLine[]> = fc
  .tuple(
    fc.record({ ingredient: fc.constantFrom(...flour), grams: fc.double({ min: 50, max: 2000, noNaN: true }) }),
    fc.array(anyLine, { maxLength: 12 }),
  )
  .map(([f, others]) => [{ parts: [f], use: 'batter' as const }, ...others]);
