/** The portion that a formula's card tells, apart from the formula: only what shows findings fetches what reads it. */
import { portionTold, type ToldPortion } from '../card/told/portion';
import { type Formula, kitchenOf } from './formula';
import type { Kitchen } from './kitchen-settings';

/** ml; open, where the card leaves how much; null where it tells none. */
export const cardPortion = (f: Pick<Formula, 'cardNotes' | 'conventions'>, house: Kitchen): ToldPortion | null =>
  portionTold(f.cardNotes, kitchenOf(f, house).conventions);
