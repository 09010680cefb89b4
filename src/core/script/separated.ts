/**
 * Eggs that are separated: their whites are whipped apart and folded in last. Yolks and whites stand by themselves on
 * everything that is read while it is made, each by its own grams in its own bowl; off the shelf come the eggs they are
 * of.
 */
import type { FormulaLine } from '../formula/formula';
import { WHITE_SHARE } from '../pantry/egg-parts';

/** Behind the key of a line: which part of its eggs this one is. */
export const EGG_PART = '~';

interface EggPart {
  readonly key: 'y' | 'w';
  readonly one: 'yolk' | 'white';
  /** Of a shelled egg. */
  readonly share: number;
}

/** In the order they are weighed. */
export const EGG_PARTS: readonly [EggPart, EggPart] = [
  { key: 'y', one: 'yolk', share: 1 - WHITE_SHARE },
  { key: 'w', one: 'white', share: WHITE_SHARE },
];

/** Whether a line is of whole eggs whose whites are whipped apart. */
export function separates(l: Pick<FormulaLine, 'foam' | 'parts' | 'use'>): boolean {
  const i = l.parts.length === 1 ? l.parts[0]?.ingredient : undefined;
  return Boolean(l.foam) && l.use === 'batter' && i?.category === 'egg' && i.id !== 'egg-yolk' && i.id !== 'egg-white';
}
