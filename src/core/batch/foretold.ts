/**
 * What was foretold of a batch as it was begun, each number with the range that eight of ten batches fall into, and how
 * that went.
 */
import type { LessonId } from '../formula/learned';

/** Pieces; mm; mm; seconds of the first side, of the second; ms since 1970. */
export const FORETOLD = ['pieces', 'across', 'height', 'first', 'second', 'off'] as const;
export type ForetoldWhat = (typeof FORETOLD)[number];

export interface Foretelling {
  readonly what: ForetoldWhat;
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

export interface Foretold {
  readonly numbers: readonly Foretelling[];
  /** Lessons of the kitchen that it rests on. */
  readonly by: readonly LessonId[];
}

export interface HeldAgainst extends Foretelling {
  readonly seen: number;
  readonly within: boolean;
}

/** What was measured of a batch; null: nobody did. */
interface CameOut {
  readonly pieces: number | null;
  readonly acrossMm: number | null;
  readonly heightMm: number | null;
  readonly firstSideS: number | null;
  readonly secondSideS: number | null;
  /** ms since 1970 */
  readonly lastOffAt: number | null;
}

const SEEN: Readonly<Record<ForetoldWhat, (b: CameOut) => number | null>> = {
  pieces: (b) => b.pieces,
  across: (b) => b.acrossMm,
  height: (b) => b.heightMm,
  first: (b) => b.firstSideS,
  second: (b) => b.secondSideS,
  off: (b) => b.lastOffAt,
};

/** What was foretold of a batch and what came out of it; what nobody measured is left out. */
export const heldAgainst = (f: Foretold, b: CameOut): readonly HeldAgainst[] =>
  f.numbers.flatMap((n) => {
    const seen = SEEN[n.what](b);
    // a number is said as it is written: half a millimetre or second either way is none
    const half = n.what === 'off' ? 0 : 0.5;
    return seen === null ? [] : [{ ...n, seen, within: seen >= n.low - half && seen <= n.high + half }];
  });
