/** The day of a batch: what its steps are made from, in one call. */

import { type Analysis, analyse } from '../analyse';
import type { Batch } from '../batch/batch';
import { acrossOf, lifeOf } from '../batch/mixes';
import { type Pouring, pouringsOf } from '../batch/pourings';
import { litOf, placesIn, type Surface, surfacesFor } from '../batch/surface';
import { kindById } from '../formula/kinds';
import { type Standing, standingOf, type Ways } from '../formula/ways';
import { type KnownTimes, timesFor } from '../griddle/times';
import type { Gear } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import { inTheBowl } from '../prep/correct';
import { asRead, type Units } from '../quantity/say';
import type { KeptIn } from './serve';
import type { Step } from './step';
import { stepsOf } from './steps';

export type OfBatch = Pick<Batch, 'sheet' | 'weights' | 'entries' | 'split' | 'kind' | 'school' | 'driver' | 'piecesPlanned' | 'portionMl'>;

/** An end of a batch, and where it is poured. */
export interface PouringOn extends Pouring {
  /** How far one piece spreads where it is poured freely, cm; undefined where that is not known. */
  readonly acrossCm: number | undefined;
  readonly surfaces: readonly Surface[];
  /** Places on the heat at once; at least one. */
  readonly atOnce: number;
}

export interface Bowl {
  readonly analysis: Analysis;
  readonly standing: Standing;
  /** In the order they are poured; mostly one. */
  readonly pourings: readonly [PouringOn, ...PouringOn[]];
}

/** What is in a batch's bowl, and where it is poured. */
export function bowlOf(batch: OfBatch, ways: Ways, gear: readonly Gear[], find: (id: string) => Ingredient | undefined): Bowl {
  const kind = kindById(batch.kind);
  const standing = standingOf(ways, kind);
  const analysis = analyse(inTheBowl(batch, 1, find), batch.kind, batch.school, { standing });
  const [first, ...more] = pouringsOf(batch);
  const on = (p: Pouring): PouringOn => {
    const acrossCm = p.portionMl ? acrossOf(p.kind, analysis, p.portionMl) : undefined;
    const surfaces = surfacesFor(gear, p.kind, acrossCm, litOf(batch.entries, p.end));
    return { ...p, acrossCm, surfaces, atOnce: Math.max(1, placesIn(surfaces)) };
  };
  return { analysis, standing, pourings: [on(first), ...more.map(on)] };
}

/** What goes with a batch: the methods of its sauces by name, what is kept and taken in, and the house's pans. */
export interface DayServe {
  readonly methods?: ReadonlyMap<string, string>;
  readonly kept?: readonly KeptIn[];
  readonly gear?: readonly Gear[];
}

/** The steps of a batch. @param known how long a piece of each end lies on the heat here */
export function daySteps(
  batch: OfBatch,
  bowl: Bowl,
  ways: Ways,
  known: readonly KnownTimes[],
  find: (id: string) => Ingredient | undefined,
  units: Units,
  serve: DayServe = {},
): readonly Step[] {
  const pourings = bowl.pourings.map((p, n) => ({
    ...p,
    on: p.surfaces.map((s) => s.id),
    times: (known[n] ?? timesFor(p.kind, { first: [], second: [] }, ways)).times,
  }));
  const steps = stepsOf({ batch, ways, restMin: bowl.standing.restMin, life: lifeOf(bowl.analysis), pourings, find, serve: { ...serve, units } });
  // pans that nothing is poured into are free for a sauce; a kitchen that lists none has one
  const lit = new Set(pourings.flatMap((p) => p.on));
  const pans = Math.max(1, (serve.gear ?? []).filter((g) => g.sort === 'pan' && !lit.has(g.id)).length);
  return steps.map((s) => ({ ...s, ...(s.pan && { pan: pans }), name: asRead(s.name, units), why: asRead(s.why, units), slips: asRead(s.slips, units) }));
}
