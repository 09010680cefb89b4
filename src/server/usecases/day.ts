/** The day of a batch, from the records: what is in its bowl, its steps, and how long a piece lies on the heat here. */
import { type Batch, waysOf } from '@/core/batch/batch';
import { type Bowl, bowlOf, daySteps } from '@/core/day/day';
import { lineNow } from '@/core/day/done';
import { type StepsOfDay, stepsByDay } from '@/core/day/schedule';
import type { Step } from '@/core/day/steps';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Ways } from '@/core/formula/ways';
import { type KnownTimes, timesFor } from '@/core/griddle/times';
import { findIngredient } from '@/core/pantry/pantry';
import { earlierSides, tapsOf } from '../queries/griddle';

export interface Day {
  readonly bowl: Bowl;
  readonly steps: readonly Step[];
  /** Of each end that is poured, in their order. */
  readonly known: readonly KnownTimes[];
  readonly ways: Ways;
}

/** The steps a batch still has, by the house's days; nothing where nobody has said when it is served. @param now ms since 1970 */
export async function stepsLeft(batch: Batch, house: Kitchen, now: number): Promise<readonly StepsOfDay[]> {
  if (!batch.timeline) return [];
  const [day, taps] = await Promise.all([dayOf(batch, house), tapsOf(batch.id)]);
  const { line } = lineNow(day.steps, batch, { ...batch, taps }, batch.timeline, true, now);
  return stepsByDay(line.placed, now, house.units);
}

export async function dayOf(batch: Batch, house: Kitchen): Promise<Day> {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const ways = waysOf(batch, house);
  const bowl = bowlOf(batch, ways, house.gear, find);
  const known = await Promise.all(
    bowl.pourings.map(async (p) => timesFor(p.kind, await earlierSides({ ...batch, kind: p.kind, portionMl: p.portionMl }), ways)),
  );
  return { bowl, steps: daySteps(batch, bowl, ways, known, find, house.units), known, ways };
}
