/**
 * How many pieces a plan gives: worked here once, for page, batch, time line and board. Every bowl loses its own tool
 * loss, so that each mix pours what it owes.
 */
import type { Batch } from './batch';
import { type Driver, hasTestPiece, wantedPieces } from './driver';
import { mixesIn, type Split } from './split';

export interface Pieces {
  /** Asked for in all, over every mix and kit; null where nothing is counted. */
  readonly asked: number | null;
  /** What one mix pours whole. */
  readonly each: number;
  /** What is poured of what was asked: all of it; or, where nothing was asked, what all the mixes pour. */
  readonly all: number;
  /** mL left in each bowl for a part-load. */
  readonly restMl: number;
}

/** Pieces that one mix has to pour so that all of them pour what is asked, a test piece among them. */
export const owedByOne = (poured: number, split: Split): number =>
  Math.ceil(poured / (split.by === 'bowls' ? split.mixes : 1) - 1e-9);

/** A last pan that would be filled to less than this share is no pan of its own: the others are a little fuller. */
const LEAST_PANFUL = 0.15;

/**
 * How many pans a batter fills: each its own amount, so that more than one takes is poured as so many.
 * @param panfulMl what one pan takes, mL
 */
export const panfulsOf = (volumeMl: number, panfulMl: number): number =>
  Math.max(1, Math.ceil(volumeMl / panfulMl - LEAST_PANFUL));

/** @param one what one mix of the plan pours; null where nothing is portioned */
export function piecesOfPlan(
  driver: Driver,
  split: Split,
  one: { readonly pieces: number; readonly restMl: number } | null,
): Pieces | null {
  const wanted = wantedPieces(driver);
  const asked = wanted === null ? null : wanted * (split.by === 'kits' ? mixesIn(split) : 1);
  if (asked === null && !one) return null;
  const each = one?.pieces ?? 0;
  // where nothing is counted the test piece comes out of what there is: one of each kit, one of all the bowls
  const tests = !hasTestPiece(driver) ? 0 : split.by === 'kits' ? mixesIn(split) : 1;
  const pours = Math.max(0, each * mixesIn(split) - tests);
  // what is promised is what the sheet pours, as it is weighed
  return { asked, each, all: asked === null ? pours : one ? Math.min(asked, pours) : asked, restMl: one?.restMl ?? 0 };
}

type Counted = Pick<Batch, 'driver' | 'split' | 'piecesPlanned'>;

/** Test pieces that are poured besides the counted ones: one, or one of each kit. */
export const testsIn = (b: Counted): number =>
  !hasTestPiece(b.driver) ? 0 : b.split.by === 'kits' ? mixesIn(b.split) : 1;

/** Test pieces among the first so many that are poured: the first of all, or the first of each kit. */
function testsUpTo(b: Counted, piece: number): number {
  const tests = testsIn(b);
  if (tests === 0 || piece < 1) return 0;
  if (tests === 1 || b.piecesPlanned === null) return 1;
  const each = Math.max(1, Math.round(b.piecesPlanned / tests));
  return Math.min(tests, Math.floor((piece - 1) / (each + 1)) + 1);
}

/** Whether a piece is one to test with. @param piece from 1, in the order of pouring */
export const isTestPiece = (b: Counted, piece: number): boolean => testsUpTo(b, piece) > testsUpTo(b, piece - 1);

/**
 * Its number among those that count, from 1; of a test piece that of the next. @param piece from 1, in the order of
 * pouring
 */
export const countedNumber = (b: Counted, piece: number): number => piece - testsUpTo(b, piece - 1);
