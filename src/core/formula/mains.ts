import type { Line } from '../card/line';
import { isFlour, kitchenName } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';

/** The heaviest flour and the heaviest poured liquid, by name; null where there is none. */
export function mainsOf(lines: readonly Line[]): { readonly flour: string | null; readonly liquid: string | null } {
  const sums = new Map<string, { grams: number; flour: boolean }>();
  for (const l of lines) {
    if (l.use !== 'batter') continue;
    for (const { ingredient: i, grams } of l.parts) {
      const flour = isFlour(i);
      if (!flour && !behaviourOf(i).poured) continue;
      const name = kitchenName(i);
      sums.set(name, { grams: (sums.get(name)?.grams ?? 0) + grams, flour });
    }
  }
  const top = (flour: boolean): string | null =>
    [...sums.entries()].filter(([, s]) => s.flour === flour).sort((a, b) => b[1].grams - a[1].grams)[0]?.[0] ?? null;
  return { flour: top(true), liquid: top(false) };
}
