/**
 * What drives a batch: pieces of a portion, guests, flour, batter, a vessel, pans, eggs, all of one thing, or a
 * multiplier.
 */

import type { KindId } from '../formula/kinds';

/**
 * One first piece to test with, outside the count: poured besides what is asked; where a driver counts nothing, taken
 * from it.
 */
interface Tested {
  readonly testPiece?: boolean | undefined;
}

export interface EndAsked {
  readonly name: string;
  readonly pieces: number;
  readonly portionMl: number;
  /** "1/3 cup", where it was said so. */
  readonly said?: string | undefined;
  /** As the formula has them; left out in what was started before ends had their own. */
  readonly kind?: KindId | undefined;
  readonly school?: string | undefined;
}

export type Driver = (
  | { readonly by: 'pieces'; readonly pieces: number; readonly portionMl: number }
  | {
      readonly by: 'guests';
      readonly guests: number;
      /** Pieces for each. */
      readonly each: number;
      /** More for those who come again, percent. */
      readonly secondsPct: number;
      readonly portionMl: number;
    }
  | { readonly by: 'factor'; readonly factor: number }
  | { readonly by: 'flour'; readonly grams: number }
  | { readonly by: 'mass'; readonly grams: number }
  /** A bowl filled, but for the head that whisking needs, percent of it. */
  | { readonly by: 'vessel'; readonly ml: number; readonly headPct: number }
  /** So many fillings of a pan, iron or ball pan. */
  | { readonly by: 'pans'; readonly fillings: number; readonly piecesEach: number; readonly portionMl: number }
  | { readonly by: 'ingredient'; readonly ingredientId: string; readonly grams: number }
  | { readonly by: 'eggs'; readonly eggs: number }
  /** Both ends of a forked formula from one base: so many of each, each in its portion. */
  | { readonly by: 'both'; readonly a: EndAsked; readonly b: EndAsked }
) &
  Tested;

type Counted = Extract<Driver, { readonly by: 'pieces' | 'guests' | 'pans' }>;

const isCounted = (d: Driver): d is Counted => d.by === 'pieces' || d.by === 'guests' || d.by === 'pans';

/** The portion a driver says, of two ends the middle; null where it says none. */
export const portionOf = (d: Driver): number | null =>
  d.by === 'both' ? endsMl(d) / (d.a.pieces + d.b.pieces) : isCounted(d) ? d.portionMl : null;

const endsMl = (d: Extract<Driver, { readonly by: 'both' }>): number =>
  d.a.pieces * d.a.portionMl + d.b.pieces * d.b.portionMl;

/** Pieces that are wanted, the test piece left out; null where the driver counts none. */
export function wantedPieces(d: Driver): number | null {
  if (d.by === 'pieces') return d.pieces;
  if (d.by === 'both') return d.a.pieces + d.b.pieces;
  if (d.by === 'pans') return d.fillings * d.piecesEach;
  return d.by === 'guests' ? Math.ceil(d.guests * d.each * (1 + d.secondsPct / 100) - 1e-9) : null;
}

export const hasTestPiece = (d: Driver): boolean => d.testPiece === true;

/** Pieces that are poured of what a driver counts: the wanted ones, and a test piece where there is one. */
export const pouredPieces = (d: Driver): number | null => {
  const wanted = wantedPieces(d);
  return wanted === null ? null : wanted + (hasTestPiece(d) ? 1 : 0);
};
