/**
 * Lines that are still open: not read, not clear, or without an amount. What such a line would bring is not known, so
 * the ratios it would move are not judged until it is settled.
 */
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { RAILS, type Rail } from './kinds';
import type { TallyLine } from './tally';

interface MaybeOpen extends TallyLine {
  readonly ingredient?: Ingredient | null;
}

export const isOpen = (l: MaybeOpen): boolean => l.use === 'batter' && l.parts.length === 0;

/** A thing that is known, and only its amount is not written: it can be asked how much. */
export const lacksAmount = (l: MaybeOpen & { readonly findings?: readonly { readonly code: string }[] }): boolean =>
  l.ingredient != null && (l.findings?.some((f) => f.code === 'no-amount') ?? false);

const NOTHING: readonly Rail[] = [];

/** Per cent of itself that an ingredient has to bring for a rail to hang on it; meq for acid. */
const ENOUGH = { water: 30, fat: 3, sugar: 3, salt: 0.5, acid: 3 } as const;

/** Rails that an ingredient moves; all of them for a flour, which everything is measured by. */
export function movedBy(i: Ingredient): readonly Rail[] {
  if (isFlour(i)) return RAILS;
  const c = i.per100g;
  const moved: Rail[] = [];
  if (i.category === 'flavour' && behaviourOf(i).addition === null) return moved;
  if (c.waterG >= ENOUGH.water && !behaviourOf(i).inclusion) moved.push('water');
  if (behaviourOf(i).eggEquivalent > 0) moved.push('egg');
  if (c.fatG >= ENOUGH.fat) moved.push('fat');
  if (c.sugarsG >= ENOUGH.sugar) moved.push('sugar');
  if (c.naclG >= ENOUGH.salt) moved.push('salt');
  if (i.sodaPct > 0 || Math.abs(i.acidMeqPer100g) >= ENOUGH.acid) moved.push('lift');
  return moved;
}

/** Rails that hang on a line that is open: all where nobody knows what it is, none where it is settled. */
export function hangsOn(l: MaybeOpen): readonly Rail[] {
  if (!isOpen(l)) return NOTHING;
  return l.ingredient ? movedBy(l.ingredient) : RAILS;
}
