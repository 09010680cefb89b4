/**
 * How a number of this kitchen is learned from its batches. A batch says by how much it was off what was foretold for it
 * with nothing learned; the logarithms are averaged with so much weight on "not off at all" as one batch is unsure
 * against how much kitchens differ:
 *
 *     ln factor = sum ln(seen / foretold) / (n + n0),   n0 = (spread of one batch / spread over kitchens)^2
 *
 * How well it would have foretold the past is told by leaving one batch out at a time. Pure arithmetic; the two spreads
 * of each lesson are judgements of ours (`lessons.ts`).
 */
import type { Lesson } from '../formula/learned';
import { median } from '../quantity/middle';

export interface Prior {
  /** Standard deviations of the logarithm: of one batch about its kitchen, and of kitchens about the model. */
  readonly sdBatch: number;
  readonly sdKitchens: number;
  /** A batch further than this from the middle of all, as a factor, was off for another reason. */
  readonly outlier: number;
}

/** Under so many batches a number is not learned. */
export const LEAST_BATCHES = 3;
/** A lesson is offered where it would have foretold the past better by this share at least. */
const BETTER_BY = 0.1;
/** And where it lies so many standard errors of the batches from "not off at all". */
const CLEARLY = 1.4;
/** The spread that is expected weighs as much as so many batches. */
const SPREAD_WEIGHS = 4;

/** How much "not off at all" weighs, in batches. */
const weightOfPrior = (p: Prior): number => (p.sdBatch / p.sdKitchens) ** 2;

const sum = (xs: readonly number[]): number => xs.reduce((a, x) => a + x, 0);
const rms = (xs: readonly number[]): number => Math.sqrt(sum(xs.map((x) => x * x)) / xs.length);

/** ln of the factor that some batches teach. @param logs ln(seen / foretold) of each */
const learnedLog = (logs: readonly number[], p: Prior): number => sum(logs) / (logs.length + weightOfPrior(p));

/** Which of some ratios are too far from the middle of all to count; fewer than three have no middle. */
export function outliers(ratios: readonly number[], p: Prior): readonly boolean[] {
  const middle = median(ratios);
  if (middle === null || ratios.length < LEAST_BATCHES) return ratios.map(() => false);
  return ratios.map((r) => r > middle * p.outlier || r < middle / p.outlier);
}

interface Taught {
  /** Null: too few batches. */
  readonly lesson: Lesson | null;
  /** How far batches lay from what was foretold, as a share, with nothing learned; null: no batch. */
  readonly offBefore: number | null;
  /** The same with what the others teach, each left out in turn; null: fewer than two batches. */
  readonly offWith: number | null;
  /** It would have foretold the past clearly better. */
  readonly offered: boolean;
}

/** @param ratios seen / foretold, of the batches that count; each above 0 */
export function taughtBy(ratios: readonly number[], p: Prior): Taught {
  const logs = ratios.map(Math.log);
  const n = logs.length;
  const before = n > 0 ? rms(logs) : null;
  const leftOut = logs.map((x, k) => x - learnedLog(logs.toSpliced(k, 1), p));
  const after = n > 1 ? rms(leftOut) : null;
  const share = (log: number | null): number | null => (log === null ? null : Math.expm1(log));
  if (n < LEAST_BATCHES || before === null || after === null)
    return { lesson: null, offBefore: share(before), offWith: share(after), offered: false };
  const log = learnedLog(logs, p);
  const about = logs.map((x) => x - log);
  const sd = Math.sqrt((sum(about.map((x) => x * x)) + SPREAD_WEIGHS * p.sdBatch ** 2) / (n + SPREAD_WEIGHS));
  return {
    lesson: { factor: Math.exp(log), sd, from: n },
    offBefore: share(before),
    offWith: share(after),
    offered: after < before * (1 - BETTER_BY) && Math.abs(log) * Math.sqrt(n) > CLEARLY * p.sdBatch,
  };
}

/**
 * How far one more batch may lie from what is foretold: a standard deviation of the logarithm. Without a lesson a kitchen
 * may be as far from the model as kitchens are.
 */
export function sdOfNext(lesson: Lesson | undefined, p: Prior): number {
  return lesson ? lesson.sd * Math.sqrt(1 + 1 / (lesson.from + weightOfPrior(p))) : Math.hypot(p.sdBatch, p.sdKitchens);
}
