/**
 * How hot a surface is, by probe, by a drop of water or by its dial, what to do about it, and what a dial has meant
 * here before. Degrees Celsius.
 */
import { type ActEntry, type Drop, entriesOf } from '../batch/acts';
import type { Zone } from '../formula/kinds';
import { median } from '../quantity/middle';

export const DROP_WORDS: Readonly<Record<Drop, string>> = {
  sits: 'sits and steams',
  dances: 'dances',
  gone: 'gone at once, or a mist',
};

export type Heat = 'cool' | 'right' | 'hot';
const BY_DROP: Readonly<Record<Drop, Heat>> = { sits: 'cool', dances: 'right', gone: 'hot' };

/** One reading of a surface. */
export interface HeatReading {
  readonly surface: string;
  readonly at: number;
  readonly dialC: number | null;
  readonly realC: number | null;
  readonly drop: Drop | null;
}

/** Readings in the order they were made. */
export const readingsIn = (entries: readonly ActEntry[]): readonly HeatReading[] =>
  entriesOf(entries, 'heat').map(({ at, act }) => ({
    surface: act.surface,
    at,
    dialC: act.dialC,
    realC: act.by === 'probe' ? act.realC : null,
    drop: act.by === 'drop' ? act.drop : null,
  }));

export interface Dial {
  /** Real less dial, the middle of what was read; null: never read together. */
  readonly offC: number | null;
  readonly from: number;
}

/** Further from its dial than this it is still warming up, or off: that says nothing of the dial. */
const SETTLED_C = 50;

/** What a surface's dial means, from every time dial and probe were read together on a surface that had settled. */
export function dialOf(readings: readonly HeatReading[], surface: string): Dial {
  const offs = readings
    .flatMap((r) => (r.surface === surface && r.dialC !== null && r.realC !== null ? [r.realC - r.dialC] : []))
    .filter((off) => Math.abs(off) <= SETTLED_C);
  return { offC: median(offs), from: offs.length };
}

interface HeatAdvice {
  readonly heat: Heat;
  /** What it reads or is taken to be, C; null by the drop alone. */
  readonly realC: number | null;
  /** Where the dial should be for the middle of the zone; null where that is not known. */
  readonly dialC: number | null;
  /** Degrees it is out of the zone; 0 in it. */
  readonly byC: number;
}

/** @param r the newest reading of a surface @param dial what its dial has meant */
export function adviceOn(r: HeatReading, dial: Dial, [low, high]: Zone): HeatAdvice {
  const middle = (low + high) / 2;
  const realC =
    r.realC ??
    (r.drop === null && r.dialC !== null && dial.offC !== null
      ? r.dialC + dial.offC
      : r.drop === null
        ? r.dialC
        : null);
  const dialC = dial.offC === null ? null : 5 * Math.round((middle - dial.offC) / 5);
  if (realC === null) return { heat: r.drop === null ? 'cool' : BY_DROP[r.drop], realC: null, dialC, byC: 0 };
  const byC = realC < low ? realC - low : realC > high ? realC - high : 0;
  return { heat: byC < 0 ? 'cool' : byC > 0 ? 'hot' : 'right', realC, dialC, byC };
}
