/** The day of a batch, from the records: what is in its bowl, its steps, and how long a piece lies on the heat here. */
import { type Batch, waysOf } from '@/core/batch/batch';
import { type Bowl, bowlOf, daySteps } from '@/core/day/day';
import type { Step } from '@/core/day/steps';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Ways } from '@/core/formula/ways';
import { type KnownTimes, timesFor } from '@/core/griddle/times';
import { findIngredient } from '@/core/pantry/pantry';
import { earlierSides } from '../queries/griddle';

export interface Day {
  readonly bowl: Bowl;
  readonly steps: readonly Step[];
  readonly known: KnownTimes;
  readonly ways: Ways;
}

export async function dayOf(batch: Batch, house: Kitchen): Promise<Day> {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const ways = waysOf(batch, house);
  const known = timesFor(batch.kind, await earlierSides(batch), ways);
  const bowl = bowlOf(batch, ways, house.gear, find);
  return { bowl, steps: daySteps(batch, bowl, ways, known, find), known, ways };
}
