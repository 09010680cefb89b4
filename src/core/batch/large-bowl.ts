/**
 * The school that takes a little less leavening in a very large bowl. Our default is to scale it straight: the
 * chemistry does not know the size of the bowl. Who takes less reckons with gas that a long pour lets out last.
 */

import type { SchoolIdOf } from '../formula/schools';
import type { AnalysableLine } from '../numbers';

/** From so much batter in one bowl, g; and the share of soda and powder that is left out. Conventions of ours. */
export const LARGE_BOWL = { fromG: 10_000, less: 0.1 } as const;

/** @param massG of one bowl */
export function inLargeBowl<L extends AnalysableLine>(
  lines: readonly L[],
  massG: number,
  school: SchoolIdOf<'largeBowl'>,
): readonly L[] {
  if (school === 'straight' || massG < LARGE_BOWL.fromG) return lines;
  return lines.map((l) =>
    l.use === 'batter' && l.parts.some((p) => p.ingredient.category === 'leavening')
      ? {
          ...l,
          parts: l.parts.map((p) =>
            p.ingredient.category === 'leavening' ? { ...p, grams: p.grams * (1 - LARGE_BOWL.less) } : p,
          ),
        }
      : l,
  );
}
