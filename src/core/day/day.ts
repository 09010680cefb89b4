/** The day of a batch: what its steps are made from, in one call. */
import { type Analysis, analyse } from '../analyse';
import type { Batch } from '../batch/batch';
import { lifeOf } from '../batch/mixes';
import { spreadOf } from '../batter/spread';
import { kindById } from '../formula/kinds';
import { type Standing, standingOf, type Ways } from '../formula/ways';
import { type Surface, surfacesFor } from '../griddle/board';
import type { KnownTimes } from '../griddle/times';
import type { Gear } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import { inTheBowl } from '../prep/correct';
import { type Step, stepsOf } from './steps';

export type OfBatch = Pick<Batch, 'sheet' | 'weights' | 'entries' | 'split' | 'kind' | 'school' | 'driver' | 'piecesPlanned' | 'portionMl'>;

/** Across a piece where the batter says nothing, cm. */
const USUAL_ACROSS_CM = 10;

export interface Bowl {
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
  const across = analysis.thickness && batch.portionMl ? spreadOf(kind, analysis.thickness.paS, batch.portionMl)?.diameterCm : undefined;
  const surfaces = surfacesFor(gear, batch.kind, across ?? USUAL_ACROSS_CM);
  return {
    analysis,
    standing,
    surfaces,
    atOnce: Math.max(
      1,
      surfaces.reduce((a, s) => a + s.slots.length, 0),
    ),
  };
}

/** The steps of a batch. @param times how long a piece lies on the heat here */
export function daySteps(batch: OfBatch, bowl: Bowl, ways: Ways, times: KnownTimes, find: (id: string) => Ingredient | undefined): readonly Step[] {
  return stepsOf({ batch, ways, restMin: bowl.standing.restMin, life: lifeOf(bowl.analysis), times: times.times, atOnce: bowl.atOnce, find });
}
