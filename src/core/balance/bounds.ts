/**
 * How far a proposal may go: the batch keeps its size. Without being asked for it, the flour and the total of the
 * batter stay within a tenth of the formula as it stands, no line falls under a third or rises over three times itself
 * unless it is the line asked about, and nothing goes off. Shares of grams; numbers of ours.
 */
import type { FormulaLine } from '../formula/formula';
import { testedFlourG } from '../formula/tally';
import { type Bench, type Proposal, withFormula, workedOn } from './bench';

/** The share of itself by which flour and total may change. */
const A_TENTH = 0.1;
/** What rounding to what a scale shows may add to that. */
export const ROUNDING = 0.005;
/** Within which times itself a line stays. */
const LINE = [1 / 3, 3] as const;
/** Times itself to which a line that lacks may grow. */
const MOST_TIMES = 5;
/** The share of itself that a line asked about keeps: it may nearly go, never go. */
const LEFT = 0.02;

/** Grams between which a total stays. */
export const aTenth = (grams: number, share = A_TENTH): readonly [low: number, high: number] => [
  (1 - share) * grams,
  (1 + share) * grams,
];

/** Grams between which a line stays. @param asked it is what the wish is about */
export const lineBounds = (grams: number, asked: boolean): readonly [least: number, most: number] =>
  asked ? [LEFT * grams, Number.POSITIVE_INFINITY] : [LINE[0] * grams, LINE[1] * grams];

/** Under so many grams a line is a pinch: it moves only where it is what is asked about. */
export const A_PINCH_G = 0.3;

/** What of the batch a proposal keeps, as shares of what there was: 1 is all of it. */
export interface Keeps {
  readonly flour: number;
  readonly mass: number;
}

export function keepsOf(b: Bench, p: Pick<Proposal, 'formula'>): Keeps {
  const [was, is] = [workedOn(b).analysis.tally, workedOn(withFormula(b, p.formula)).analysis.tally];
  const share = (x: number, of: number): number => (of > 0 ? x / of : 1);
  return { flour: share(testedFlourG(is), testedFlourG(was)), mass: share(is.massG, was.massG) };
}

const within = (share: number, [low, high]: readonly [number, number]): boolean =>
  share >= low - ROUNDING && share <= high + ROUNDING;

/**
 * What of the size is held: flour and total; of a swap the total alone; of a fix the flour, and a total that may become
 * less only by the lines that are too much.
 */
type HeldShares = 'flour and total' | 'total' | 'all but what is too much';

/** What is lacking may at most make so many times the batch of it: a batter without its milk is half of one. */
const MOST_LACKING = 2.5;

/**
 * Whether a proposal only adds what the formula lacks, or more of it: flour and every other line stand, and the order
 * of magnitude too.
 */
export function bringsWhatLacks(b: Bench, p: Pick<Proposal, 'formula'>, isAsked: (l: FormulaLine) => boolean): boolean {
  const keeps = keepsOf(b, p);
  const after = new Map(workedOn(withFormula(b, p.formula)).lines.map((l) => [l.key, l]));
  return (
    within(keeps.flour, [1, 1]) &&
    keeps.mass >= 1 &&
    keeps.mass <= MOST_LACKING &&
    workedOn(b).lines.every((l) => {
      const is = after.get(l.key);
      if (l.use !== 'batter' || !l.grams) return true;
      return (
        is?.grams !== null &&
        is !== undefined &&
        (is.grams === l.grams || (isAsked(l) && within(is.grams / l.grams, [1, MOST_TIMES])))
      );
    })
  );
}

/**
 * Whether a proposal keeps the batch.
 * @param isAsked whether a line is one that the proposal is about: it may move as far as it takes, and may go
 */
export function keepsBatch(
  b: Bench,
  p: Pick<Proposal, 'formula'>,
  isAsked: (l: FormulaLine) => boolean,
  held: HeldShares = 'flour and total',
): boolean {
  const keeps = keepsOf(b, p);
  const one = aTenth(1);
  const [before, now] = [workedOn(b).lines, workedOn(withFormula(b, p.formula)).lines];
  const asked = new Set(before.filter(isAsked).map((l) => l.key));
  const restOf = (lines: readonly FormulaLine[]): number =>
    lines.reduce((sum, l) => sum + (l.use === 'batter' && !asked.has(l.key) && !isAsked(l) ? (l.grams ?? 0) : 0), 0);
  const least = held === 'all but what is too much' ? restOf(now) / restOf(before) : keeps.mass;
  if (keeps.mass > one[1] + ROUNDING || least < one[0] - ROUNDING) return false;
  if (held !== 'total' && !within(keeps.flour, one)) return false;
  const after = new Map(now.map((l) => [l.key, l]));
  return before.every((l) => {
    if (l.use !== 'batter' || !l.grams || asked.has(l.key)) return true;
    const is = after.get(l.key);
    return is !== undefined && is.grams !== null && within(is.grams / l.grams, LINE);
  });
}
