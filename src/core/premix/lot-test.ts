/**
 * A test of each lot: one piece poured by the usual portion, and one spoon of mix in hot water. Drawn over lots, and a
 * lot that is off beyond the mix's own spread is told before it is sold.
 */
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { capital } from '../quantity/say';

export const LOT_MEASURES = ['flowS', 'acrossMm', 'heightMm', 'foamMm'] as const;
export type LotMeasure = (typeof LOT_MEASURES)[number];

interface MeasureWords {
  /** "A ladle runs empty in". */
  readonly label: string;
  /** "runs". */
  readonly short: string;
  readonly unit: 's' | 'mm';
  /** A reading by eye and hand is so far off: a spread below it is the reader's, not the mix's. */
  readonly reads: number;
  /** What more of it says, and less. */
  readonly more: string;
  readonly less: string;
}
export const LOT_MEASURE_WORDS: Readonly<Record<LotMeasure, MeasureWords>> = {
  flowS: { label: 'A ladle runs empty in', short: 'pour', unit: 's', reads: 0.5, more: 'thicker', less: 'thinner' },
  acrossMm: { label: 'A piece is across', short: 'spread', unit: 'mm', reads: 2, more: 'wider', less: 'narrower' },
  heightMm: { label: 'and high', short: 'height', unit: 'mm', reads: 0.5, more: 'taller', less: 'flatter' },
  foamMm: { label: 'A spoon foams up to', short: 'foam', unit: 'mm', reads: 2, more: 'livelier', less: 'duller' },
};

export interface LotTest {
  readonly id: string;
  /** The lot's number: all its sizes are one mix. */
  readonly number: string;
  readonly values: Readonly<Record<LotMeasure, number | null>>;
  readonly who: string;
  readonly note: string;
  readonly at: Date;
  readonly struck: boolean;
}

/** What the standing tests of one lot come to. */
export interface TestedLot {
  readonly number: string;
  readonly values: Readonly<Record<LotMeasure, number | null>>;
}

/** Lots as they were tested, in the order they were first tested; a lot that was tested twice is the middle of both. */
export function testedLots(tests: readonly LotTest[]): readonly TestedLot[] {
  const stand = tests.filter((t) => !t.struck);
  return [...new Set(stand.map((t) => t.number))].map((number) => {
    const own = stand.filter((t) => t.number === number);
    const of = (m: LotMeasure): number | null => {
      const said = own.flatMap((t) => t.values[m] ?? []);
      return said.length > 0 ? mean(said) : null;
    };
    return {
      number,
      values: Object.fromEntries(LOT_MEASURES.map((m) => [m, of(m)])) as Record<LotMeasure, number | null>,
    };
  });
}

/** Lots with a reading, this one too, from which on one is held against the others. */
export const LEAST_LOTS = 5;

/** Student's t, two-sided, one in a hundred, by degrees of freedom: between those that stand here the lower one counts. */
const T_99: readonly (readonly [df: number, t: number])[] = [
  [3, 5.841],
  [4, 4.604],
  [5, 4.032],
  [6, 3.707],
  [8, 3.355],
  [10, 3.169],
  [15, 2.947],
  [30, 2.75],
];

interface OffLot {
  readonly measure: LotMeasure;
  readonly value: number;
  /** Where the next lot is expected, by all the others: one in a hundred lies outside of it. */
  readonly low: number;
  readonly high: number;
  readonly lots: number;
}

/**
 * What of a lot lies outside of what the mix's other lots foretell of the next one: 99 of 100 lie within their middle
 * and Student's t times their spread times root(1 + 1/n).
 */
export function offLot(number: string, tested: readonly TestedLot[]): readonly OffLot[] {
  const own = tested.find((l) => l.number === number);
  return LOT_MEASURES.flatMap((measure): readonly OffLot[] => {
    const value = own?.values[measure] ?? null;
    const others = tested.filter((l) => l.number !== number).flatMap((l) => l.values[measure] ?? []);
    if (value === null || others.length + 1 < LEAST_LOTS) return [];
    const t = T_99.findLast(([df]) => df <= others.length - 1)?.[1] ?? T_99[0]?.[1] ?? 0;
    const sd = Math.max(sampleStandardDeviation(others), LOT_MEASURE_WORDS[measure].reads);
    const middle = mean(others);
    const wide = t * sd * Math.sqrt(1 + 1 / others.length);
    return Math.abs(value - middle) > wide
      ? [{ measure, value, low: Math.max(0, middle - wide), high: middle + wide, lots: others.length }]
      : [];
  });
}

/** "Foam 9 mm: of the 6 other lots 14 to 26 is expected (duller)". */
export function offLotSaid(o: OffLot): string {
  const w = LOT_MEASURE_WORDS[o.measure];
  const n = (x: number): string => (w.reads < 1 ? x.toFixed(1) : x.toFixed(0));
  const word = o.value > o.high ? w.more : w.less;
  return `${capital(w.short)} ${n(o.value)} ${w.unit}: by the ${o.lots} other lots ${n(o.low)} to ${n(o.high)} ${w.unit} is expected (${word}).`;
}
