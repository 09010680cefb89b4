/** With what a batch is measured, and so much of one thing as it is taken with that. */

import Fraction from 'fraction.js';
import { nearest, takesOf } from '../balance/drawer';
import { gPerMl } from '../batter/volume';
import { measureName } from '../pantry/calibrate';
import type { KitchenConventions } from '../pantry/conventions';
import { allFine } from '../pantry/honest';
import type { Ingredient } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { ToolId } from '../pantry/tools';
import { writeNumber } from '../quantity/number';
import { asWeighed } from '../quantity/say';
import { type Exactness, inMeasures } from './exactness';

/** What a hand in a hurry reaches for: a jug's marks and whole spoons. */
const BY_EYE: readonly ToolId[] = ['cup 1', 'cup 1/2', 'cup 1/4', 'tbsp 1', 'tsp 1', 'tsp 1/2', 'egg 1'];

/** The measures of a drawer that a batch is taken with: by eye the coarse ones, where there are any. */
export function drawerFor(exactness: Exactness, drawer: readonly ToolId[]): readonly ToolId[] {
  if (exactness !== 'eye') return drawer;
  const coarse = drawer.filter((t) => BY_EYE.includes(t));
  return coarse.length > 1 ? coarse : drawer;
}

/** A count this far off is no count, as a share; and more of them lose the hand its place. */
const COUNT_OFF = 0.05;
const MOST_COUNTS = 12;

/**
 * A poured thing counted by eye in a ladle, jug or glass of the house's own: "2 1/2 blue ladles", the fewest that are
 * near.
 * @returns null where it is not poured, or none of them comes near
 */
export function takenCount(
  i: Ingredient,
  grams: number,
  house: KitchenConventions,
): { readonly text: string; readonly grams: number } | null {
  if (!behaviourOf(i).poured || i.category === 'egg') return null;
  const found = (house.own?.measures ?? []).flatMap((m) => {
    if (!m.used || m.ingredientId !== null || m.weighings.length === 0 || !(m.each > 0)) return [];
    const each = m.each * gPerMl(i);
    const n = Math.round((2 * grams) / each) / 2;
    if (n < 1 || n > MOST_COUNTS || Math.abs(n * each - grams) > COUNT_OFF * grams) return [];
    return [
      {
        text: `${writeNumber(new Fraction(Math.round(2 * n), 2))} ${measureName(m, n > 1)}`,
        grams: n * each,
        n,
        off: Math.abs(n * each - grams),
      },
    ];
  });
  return found.sort((a, b) => a.n - b.n || a.off - b.off)[0] ?? null;
}

/** What a batch is measured with. */
export interface MeasuredWith {
  readonly exactness: Exactness;
  readonly conventions: KitchenConventions;
  readonly drawer: readonly ToolId[];
}

/**
 * So much of one thing as a batch takes it: cups and spoons where it is taken so and one measures it, else as it is
 * weighed.
 */
export function asTaken(
  i: Ingredient,
  grams: number,
  q: MeasuredWith,
): { readonly grams: number; readonly measure: string } {
  const count = q.exactness === 'eye' && grams > 0 ? takenCount(i, grams, q.conventions) : null;
  if (count) return { grams: count.grams, measure: count.text };
  const take =
    inMeasures(q.exactness) && grams > 0
      ? nearest(takesOf(i, grams, q.conventions, drawerFor(q.exactness, q.drawer)), grams)
      : null;
  return take ? { grams: take.grams, measure: take.text } : asWeighed(grams, allFine([{ ingredient: i }]));
}
