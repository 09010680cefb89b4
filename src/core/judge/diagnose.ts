/**
 * From what was seen to what likely caused it: kitchen sense with weights to start from (a model of ours), moved up or
 * down by this batch's own numbers. It ranks, it does not know; each cause comes with one change to try.
 */

import { isFault, type Mark } from '../batch/came-out';
import { CAUSES } from './causes';
import type { Judged } from './evidence';

interface Cause {
  readonly cause: string;
  readonly share: number;
  /** This batch's own number; null where none speaks. */
  readonly evidence: string | null;
  readonly change: string;
  readonly move: string | null;
}

const MOST_CAUSES = 3;

/**
 * Likely causes of what was seen, the likeliest first; shares of all that could be. What the batch's own numbers rule
 * out is none of them. Empty for what is no fault, and where they rule out all.
 */
export function causesOf(mark: Mark, j: Judged): readonly Cause[] {
  if (!isFault(mark)) return [];
  const weighed = CAUSES.filter((c) => c.mark === mark && (c.kinds?.includes(j.kind) ?? true)).map((c) => {
    const { times, text } = c.says(j);
    return { c, w: c.weight * times, text };
  });
  const all = weighed.reduce((a, x) => a + x.w, 0);
  if (!(all > 0)) return [];
  return weighed
    .filter((x) => x.w > 0)
    .sort((a, b) => b.w - a.w)
    .slice(0, MOST_CAUSES)
    .map(({ c, w, text }) => ({
      cause: c.cause,
      share: w / all,
      evidence: text,
      change: c.change,
      move: c.move ?? null,
    }));
}
