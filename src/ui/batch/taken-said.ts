/** What a batch took from stock, in its own measures: a cook with cups reads no grams. */
import type { Batch } from '@/core/batch/batch';
import { inMeasures } from '@/core/batch/exactness';
import { asTaken } from '@/core/batch/taken';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';

/** "Whole milk 350 g", of all that was taken, and of what was short. */
export interface TakenSaid {
  readonly all: readonly string[];
  readonly short: readonly string[];
}

/** So little is no shortage, g. */
const NONE_G = 0.05;

export function takenSaid(batch: Pick<Batch, 'deductions' | 'exactness'>, house: Kitchen): TakenSaid {
  const said = (id: string, g: number): string => {
    const i = findIngredient(id, house.conventions.own);
    return `${i ? kitchenName(i) : id} ${i && inMeasures(batch.exactness) ? asTaken(i, g, { ...house, exactness: batch.exactness }).measure : grams(g, house.units)}`;
  };
  return {
    all: batch.deductions.map((t) => said(t.id, t.takenG)),
    short: batch.deductions.filter((t) => t.takenG < t.wantedG - NONE_G).map((t) => said(t.id, t.wantedG - t.takenG)),
  };
}
