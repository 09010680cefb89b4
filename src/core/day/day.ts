/** The day of a batch: what its steps are made from, in one call. */
import { type Analysis, analyse } from '../analyse';
import type { Batch } from '../batch/batch';
import { acrossOf, lifeOf } from '../batch/mixes';
import { litOf, placesIn, type Surface, surfacesFor } from '../batch/surface';
import { kindById } from '../formula/kinds';
import { type Standing, standingOf, type Ways } from '../formula/ways';
import type { KnownTimes } from '../griddle/times';
import type { Gear } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import { inTheBowl } from '../prep/correct';
import { type Step, stepsOf } from './steps';

export type OfBatch = Pick<Batch, 'sheet' | 'weights' | 'entries' | 'split' | 'kind' | 'school' | 'driver' | 'piecesPlanned' | 'portionMl'>;

export interface Bowl {
  /** How far one piece spreads where it is poured freely, cm; undefined where that is not known. */
  readonly acrossCm: number | undefined;
  readonly analysis: Analysis;
  readonly standing: Standing;
  readonly surfaces: readonly Surface[];
  /** Places on the heat at once; at least one. */
  readonly atOnce: number;
}

/** What is in a batch's bowl, and where it is poured. */
export function bowlOf(batch: OfBatch, ways: Ways, gear: readonly Gear[], find: (id: string) => Ingredient | undefined): Bowl {
  const kind = kindById(batch.kind);
  const standing = standingOf(ways, kind);
  const analysis = analyse(inTheBowl(batch, 1, find), batch.kind, batch.school, { standing });
  const acrossCm = batch.portionMl ? acrossOf(batch.kind, analysis, batch.portionMl) : undefined;
  const surfaces = surfacesFor(gear, batch.kind, acrossCm, litOf(batch.entries));
  return {
    analysis,
    standing,
    acrossCm,
    surfaces,
    atOnce: Math.max(1, placesIn(surfaces)),
  };
}

/** The steps of a batch. @param times how long a piece lies on the heat here */
export function daySteps(batch: OfBatch, bowl: Bowl, ways: Ways, times: KnownTimes, find: (id: string) => Ingredient | undefined): readonly Step[] {
  return stepsOf({ batch, ways, restMin: bowl.standing.restMin, life: lifeOf(bowl.analysis), times: times.times, atOnce: bowl.atOnce, find });
}
