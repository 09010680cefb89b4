'use client';
import { inMeasures } from '@/core/batch/exactness';
import type { MeasuredWith } from '@/core/batch/taken';
import { allFine } from '@/core/pantry/honest';
import type { Ingredient } from '@/core/pantry/ingredient';
import { asWeighed } from '@/core/quantity/say';
import { later, useLater } from '../kit/later';

/** Cups and spoons, with the whole pantry behind them: fetched where a batch is measured so. */
const part = later(() => import('@/core/batch/taken'));

/** So much of a thing as this batch takes it; as it is weighed until the measures are there. */
export function useAsTaken(q: MeasuredWith): (i: Ingredient, grams: number) => string {
  const taken = useLater(part, inMeasures(q.exactness));
  return (i, grams) =>
    (taken && inMeasures(q.exactness) ? taken.asTaken(i, grams, q) : asWeighed(grams, allFine([{ ingredient: i }])))
      .measure;
}
