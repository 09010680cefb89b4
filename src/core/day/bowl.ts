/** What is in a batch's bowl, and where it is poured. */

import { litOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { acrossOf } from '../batch/mixes';
import { type Pouring, pouringsOf } from '../batch/pourings';
import { scriptOfBatch } from '../batch/script-of';
import { placesIn, type Surface, surfacesFor } from '../batter/surface';
import { kindById } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { type Standing, standingOf, type Ways } from '../formula/ways';
import { type Numbers, numbersOf } from '../numbers';
import type { Ingredient } from '../pantry/ingredient';
import { inTheBowl } from '../prep/correct';
import type { Script } from '../script/act';

export type OfBatch = Pick<
  Batch,
  'sheet' | 'weights' | 'entries' | 'split' | 'kind' | 'school' | 'driver' | 'piecesPlanned' | 'portionMl' | 'making'
>;

/** An end of a batch, and where it is poured. */
interface PouringOn extends Pouring {
  /** How far one piece spreads where it is poured freely, cm; undefined where that is not known. */
  readonly acrossCm: number | undefined;
  readonly surfaces: readonly Surface[];
  /** Places on the heat at once; at least one. */
  readonly atOnce: number;
}

export interface BowlAtWork {
  readonly analysis: Numbers;
  readonly standing: Standing;
  /** How one mix of it is made. */
  readonly script: Script;
  /** In the order they are poured; mostly one. */
  readonly pourings: readonly [PouringOn, ...PouringOn[]];
}

/** What is in a batch's bowl, and where it is poured. */
export function bowlOf(
  batch: OfBatch,
  ways: Ways,
  house: Pick<Kitchen, 'gear' | 'learned'>,
  find: (id: string) => Ingredient | undefined,
): BowlAtWork {
  const kind = kindById(batch.kind);
  const standing = standingOf(ways, kind);
  const analysis = numbersOf(inTheBowl(batch, 1, find), batch.kind, batch.school, {
    standing,
    ...(house.learned && { learned: house.learned }),
  });
  const [first, ...more] = pouringsOf(batch);
  const on = (p: Pouring): PouringOn => {
    const acrossCm = p.portionMl ? acrossOf(p.kind, analysis, p.portionMl) : undefined;
    const surfaces = surfacesFor(house.gear, p.kind, acrossCm, litOf(batch.entries, p.end));
    return { ...p, acrossCm, surfaces, atOnce: Math.max(1, placesIn(surfaces)) };
  };
  return { analysis, standing, script: scriptOfBatch(batch, ways, find), pourings: [on(first), ...more.map(on)] };
}
