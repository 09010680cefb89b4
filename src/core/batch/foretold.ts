/**
 * What was foretold of a batch as it was begun, each number with the range that eight of ten batches fall into, and how
 * that went.
 */
import type { LessonId } from '../formula/learned';
import { type Dating, sayTime } from '../quantity/day';
import { minutesAndSeconds } from '../quantity/say';

/** Pieces; mm; mm; seconds of the first side, of the second; ms since 1970. */
export const FORETOLD = ['pieces', 'across', 'height', 'first', 'second', 'off'] as const;
export type ForetoldWhat = (typeof FORETOLD)[number];

export interface Foretelling {
  readonly what: ForetoldWhat;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** A model's number that is told as its range alone. */
  readonly ranged?: boolean;
}

export interface Foretold {
  readonly numbers: readonly Foretelling[];
  /** Lessons of the kitchen that it rests on. */
  readonly by: readonly LessonId[];
}

export interface AgainstForetold extends Foretelling {
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
export const againstForetold = (f: Foretold, b: CameOut): readonly AgainstForetold[] =>
  f.numbers.flatMap((n) => {
    const seen = SEEN[n.what](b);
    // a number is said as it is written: half a millimetre or second either way is none
    const half = n.what === 'off' ? 0 : 0.5;
    return seen === null ? [] : [{ ...n, seen, within: seen >= n.low - half && seen <= n.high + half }];
  });

const NAMES: Readonly<Record<ForetoldWhat, string>> = {
  pieces: 'pieces',
  across: 'across',
  height: 'high',
  first: 'first side',
  second: 'second side',
  off: 'last off',
};
export const foretoldName = (what: ForetoldWhat): string => NAMES[what];

/** One number as it is written: "10.5 cm", "2:20", "08:12". @param u how the kitchen writes times of day */
export function foretoldNumber(what: ForetoldWhat, x: number, u: Pick<Dating, 'clock' | 'zone'>): string {
  switch (what) {
    case 'pieces':
      return String(Math.round(x));
    case 'across':
      return `${(x / 10).toFixed(1)} cm`;
    case 'height':
      return `${Math.round(x)} mm`;
    case 'first':
    case 'second':
      return minutesAndSeconds(Math.round(x));
    case 'off':
      return sayTime(x, u);
  }
}

/** "9.4 to 11.8 cm"; null where both ends are written alike. */
export function foretoldRange({ what, low, high }: Foretelling, u: Pick<Dating, 'clock' | 'zone'>): string | null {
  const [from, to] = [foretoldNumber(what, low, u), foretoldNumber(what, high, u)];
  if (from === to) return null;
  return `${from.replace(/ (?:cm|mm)$/, '')} to ${to}`;
}

/** A number as a plan shows it: itself with its range behind it, or the range alone. */
export function foretoldSaid(n: Foretelling, u: Pick<Dating, 'clock' | 'zone'>): readonly [string, string | null] {
  const range = foretoldRange(n, u);
  return n.ranged && range ? [range, null] : [foretoldNumber(n.what, n.value, u), range];
}

const BEYOND: Readonly<Record<ForetoldWhat, readonly [less: string, more: string]>> = {
  pieces: ['fewer', 'more'],
  across: ['narrower', 'wider'],
  height: ['lower', 'higher'],
  first: ['shorter', 'longer'],
  second: ['shorter', 'longer'],
  off: ['earlier', 'later'],
};
/** Of a number out of its range: "wider". */
export const beyondSaid = (h: AgainstForetold): string => BEYOND[h.what][h.seen < h.low ? 0 : 1];
