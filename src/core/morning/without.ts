/**
 * Somebody has to be without an allergen: what there is for them while a morning runs, where it was made, and what lay
 * there before. It is no claim: what is given is for the house's rule and the local food code.
 */
import { type Allergen, allergenName } from '../pantry/ingredient';
import type { AllergenBoard } from './papers';
import { isLoad } from './show';
import type { PlacedStep } from './work';

interface MadeOn {
  readonly on: string;
  /** What last lay there with the allergen since it was cleaned, by its dish; null: nothing this morning. */
  readonly touched: string | null;
}

interface WithoutDish {
  readonly dish: string;
  /** Pieces off the heat, and when the next are; minutes from midnight, null: none come. */
  readonly ready: number;
  readonly nextAt: number | null;
  readonly surfaces: readonly MadeOn[];
  /** Ingredients whose allergens nobody has stated. */
  readonly unknown: readonly string[];
}

/**
 * Dishes that hold none of it by their own ingredients, pan fat and toppings.
 * @param rows of the allergen board, in the order of the dishes
 * @param done when each step was marked as done
 */
export function dishesWithout(
  steps: readonly PlacedStep[],
  dishes: readonly { readonly id: string }[],
  rows: AllergenBoard['rows'],
  done: ReadonlyMap<string, number>,
  allergen: Allergen,
): readonly WithoutDish[] {
  const name = allergenName(allergen);
  return dishes.flatMap((d, n) => {
    const row = rows[n];
    if (!row || row.holds.has(name)) return [];
    const loads = steps.filter((s) => isLoad(s) && s.dish === d.id);
    const ready = loads.filter((s) => done.has(s.id));
    const next = loads.filter((s) => !done.has(s.id)).map((s) => s.to);
    const on = [...new Set(loads.flatMap((s) => s.on ?? s.oven ?? []))];
    return [
      {
        dish: d.id,
        ready: ready.reduce((a, s) => a + s.places, 0),
        nextAt: next.length > 0 ? Math.min(...next) : null,
        surfaces: on.map((surface) => ({ on: surface, touched: touchedBy(steps, loads, surface, allergen) })),
        unknown: row.unknown,
      },
    ];
  });
}

/** The dish that last lay on a surface with the allergen before any of the loads, with no cleaning between. */
function touchedBy(
  steps: readonly PlacedStep[],
  loads: readonly PlacedStep[],
  surface: string,
  allergen: Allergen,
): string | null {
  const there = steps.filter((s) => (s.on ?? s.oven) === surface);
  const mine = new Set(loads.map((s) => s.id));
  for (const load of there.filter((s) => mine.has(s.id)).reverse()) {
    const before = there.filter((s) => s.from < load.to && !mine.has(s.id)).sort((a, b) => b.from - a.from);
    for (const s of before) {
      if (s.id.startsWith('clean ')) break;
      if (isLoad(s) && s.allergens.includes(allergen)) return s.dish;
    }
  }
  return null;
}
