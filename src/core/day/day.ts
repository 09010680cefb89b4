/** The day of a batch: what its steps are made from, in one call. */

import { lifeOf } from '../batch/mixes';
import type { WholePlan } from '../batch/plan-of';
import type { Split } from '../batch/split';
import type { Lit } from '../batter/surface';
import { type ExpectedTimes, expectedTimes } from '../cooking/expected';
import type { Kitchen } from '../formula/kitchen-settings';
import type { Ways } from '../formula/ways';
import { type KnownTimes, timesFor } from '../griddle/times';
import type { Gear } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import { asRead, type Units } from '../quantity/say';
import { foamed, heatIn } from '../script/read';
import { type BowlAtWork, bowlOf, type OfBatch } from './bowl';
import type { KeptIn } from './serve';
import type { Step } from './step';
import { stepsOf } from './steps';

/** What goes with a batch: the methods of its sauces by name, what is kept and taken in, and the house's pans. */
interface DayServe {
  readonly methods?: ReadonlyMap<string, string>;
  readonly kept?: readonly KeptIn[];
  readonly gear?: readonly Gear[];
}

/** How long a piece of one end is expected to lie on the heat. @param n which of them, from 0 */
export function expectedIn(bowl: BowlAtWork, n: number, ways: Ways): ExpectedTimes {
  const p = bowl.pourings[n] ?? bowl.pourings[0];
  return expectedTimes(heatIn(bowl.script, n), p.kind, ways, bowl.analysis, p.portionMl);
}

/** The steps of a batch. @param known how long a piece of each end lies on the heat here */
export function daySteps(
  batch: OfBatch,
  bowl: BowlAtWork,
  ways: Ways,
  known: readonly KnownTimes[],
  find: (id: string) => Ingredient | undefined,
  units: Units,
  serve: DayServe = {},
): readonly Step[] {
  const pourings = bowl.pourings.map((p, n) => ({
    ...p,
    on: p.surfaces.map((s) => s.id),
    times: (known[n] ?? timesFor(expectedIn(bowl, n, ways).times)).times,
  }));
  const steps = stepsOf({
    batch,
    ways,
    script: bowl.script,
    restMin: bowl.standing.restMin,
    life: lifeOf(bowl.analysis, foamed(bowl.script)),
    pourings,
    find,
    serve: { ...serve, units },
  });
  // pans that nothing is poured into are free for a sauce; a kitchen that lists none has one
  const lit = new Set(pourings.flatMap((p) => p.on));
  const pans = Math.max(1, (serve.gear ?? []).filter((g) => g.sort === 'pan' && !lit.has(g.id)).length);
  return steps.map((s) => ({
    ...s,
    ...(s.pan && { pan: pans }),
    name: asRead(s.name, units),
    why: asRead(s.why, units),
    slips: asRead(s.slips, units),
  }));
}

interface PlannedDay {
  readonly house: Kitchen;
  readonly split: Split;
  /** Of one piece, mL; what a pan takes, where the kind fills its pan. */
  readonly portionMl: number;
  readonly lit: Lit;
  /** What is lit for the second of two ends, where that is of another kind. */
  readonly litSecond: Lit;
  readonly methods: ReadonlyMap<string, string>;
  readonly kept: readonly KeptIn[];
}

/** A plan as its batch will be: the steps, and how long a piece of each end is expected to lie on the heat. */
export function dayOfPlan(
  plan: WholePlan,
  { house, split, portionMl, lit, litSecond, methods, kept }: PlannedDay,
  find: (id: string) => Ingredient | undefined,
): {
  readonly bowl: BowlAtWork;
  readonly steps: readonly Step[];
  readonly expected: readonly ExpectedTimes[];
} {
  const { sheet, ways, kind, school, driver, planned, making } = plan;
  const batch: OfBatch = {
    sheet,
    weights: {},
    entries: [
      { id: '', at: 0, act: { what: 'lit', ...lit } },
      { id: '', at: 0, act: { what: 'lit', end: 'b', ...litSecond } },
    ],
    split,
    kind: kind.id,
    school: school.id,
    driver,
    piecesPlanned: planned.pieces?.all ?? null,
    portionMl,
    making,
  };
  const serve = { methods, kept, gear: house.gear };
  const bowl = bowlOf(batch, ways, house, find);
  return {
    bowl,
    steps: daySteps(batch, bowl, ways, [], find, house.units, serve),
    expected: bowl.pourings.map((_, n) => expectedIn(bowl, n, ways)),
  };
}
