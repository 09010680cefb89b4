/**
 * Scaling a formula: from what drives the batch (pieces, flour, a factor ...) to a factor, and from the factor to the
 * amounts of a sheet, exact or to the whole gram, with the drift that rounding costs. Leavening scales straight: the
 * chemistry does not know the size of the bowl.
 */

import { type AnalysableLine, type Analysis, analyse } from '../analyse';
import { piecesOf, type Yield } from '../batter/volume';
import type { KindId } from '../formula/kinds';
import type { TallyPart } from '../formula/tally';
import { pouredG } from '../formula/tally';
import { gramsExact, grams as sayGrams } from '../quantity/say';
import type { Result } from '../result';
import { type CannotScale, type Driver, portionOf, timesOf } from './driver';

export const EXACTNESSES = ['exact', 'gram', 'kitchen'] as const;
export type Exactness = (typeof EXACTNESSES)[number];

/** A line as it is taken with kitchen measures: what that weighs, part by part. */
export interface Taken {
  readonly parts: readonly TallyPart[];
  /** "1 1/4 cups + 1 tbsp". */
  readonly measure: string;
  /** Nothing in the drawer measures it. */
  readonly weighed: boolean;
  readonly note: string;
}

export interface Drift {
  readonly liquid: number;
  readonly water: number;
  readonly egg: number;
  readonly fat: number;
  readonly sugar: number;
  readonly salt: number;
  readonly co2: number;
}

export interface ScaledLine<L extends AnalysableLine> {
  readonly line: L;
  /** Grams after scaling and rounding; null for a line that has none. */
  readonly grams: number | null;
  /** As it is taken: "268.4 g". */
  readonly measure: string | null;
  /** In grams, rather than by measures. */
  readonly weighed: boolean;
  /** What that is made of. */
  readonly parts: readonly TallyPart[];
  /** What to do besides measuring; mostly nothing. */
  readonly note: string;
}

export interface Scaled<L extends AnalysableLine> {
  readonly factor: number;
  readonly massG: number;
  readonly volumeMl: number;
  readonly yield: Yield | null;
  readonly lines: readonly ScaledLine<L>[];
  readonly drift: Drift;
}

/** A pinch that a whole gram would round away is kept to the tenth. */
const tooFine = (grams: number): boolean => grams < 0.5;
const tenth = (grams: number): number => Math.max(0.1, Math.round(grams * 10) / 10);

const rounded = (grams: number, how: 'exact' | 'gram'): number => (how === 'exact' ? grams : tooFine(grams) ? tenth(grams) : Math.round(grams));
const say = (grams: number, how: 'exact' | 'gram'): string => (how === 'exact' ? gramsExact(grams) : tooFine(grams) ? gramsExact(grams) : sayGrams(grams));

/**
 * Scales a formula.
 * @param lines with grams; lines without parts come back unscaled, with grams null
 * @param to what drives the batch; numbers > 0
 * @param how exact grams, each line to the whole gram, or each line as it was taken with kitchen measures (null: weighed)
 * @param portionMl to count pieces with, where the driver does not say
 * @returns errors: nothing to scale, no flour / eggs / such ingredient for that driver, more than a tonne
 */
export function scale<L extends AnalysableLine>(
  lines: readonly L[],
  to: Driver,
  how: 'exact' | 'gram' | readonly (Taken | null)[],
  kind: KindId | null = null,
  portionMl: number | null = null,
): Result<Scaled<L>, CannotScale> {
  const begun = timesOf(lines, to, kind);
  if (!begun.ok) return begun;
  const { before, factor } = begun.value;
  const scaled = lines.map((line, n): { out: ScaledLine<L>; parts: L['parts'] } => {
    if (line.parts.length === 0) return { out: { line, grams: null, measure: null, weighed: false, parts: [], note: '' }, parts: [] };
    const taken = typeof how === 'string' ? null : how[n];
    if (taken)
      return {
        out: { ...taken, line, grams: taken.parts.reduce((a, p) => a + p.grams, 0) },
        parts: taken.parts,
      };
    const exact = line.parts.reduce((sum, p) => sum + p.grams, 0) * factor;
    const by = typeof how === 'string' ? how : 'gram';
    const grams = rounded(exact, by);
    const parts = line.parts.map((p) => ({ ...p, grams: (p.grams * factor * grams) / exact }));
    return { out: { line, grams, measure: say(grams, by), weighed: true, parts, note: '' }, parts };
  });
  const after = analyse(
    lines.map((l, i) => ({ ...l, parts: scaled[i]?.parts ?? [] })),
    kind,
  );
  const volumeMl = after.volume?.volumeMl ?? 0;
  const portion = portionOf(to) ?? portionMl;
  return {
    ok: true,
    value: {
      factor,
      massG: after.tally.massG,
      volumeMl,
      yield: portion && after.volume ? piecesOf(pouredG(after.tally), after.volume.densityGPerMl, portion) : null,
      lines: scaled.map((s) => s.out),
      drift: driftOf(before, after, factor),
    },
  };
}

/** Percent of flour (for co2: g per 100 g flour) gained or lost against the unrounded formula; 0 where there is no flour. */
function driftOf(before: Analysis, after: Analysis, factor: number): Drift {
  const [a, b] = [before.percent, after.percent];
  const same = Math.abs(after.tally.massG - before.tally.massG * factor) < 1e-9 * after.tally.massG;
  const of = (pick: (x: Analysis) => number | null | undefined): number => {
    const d = (pick(after) ?? 0) - (pick(before) ?? 0);
    return a && b && !(same && Math.abs(d) < 1e-9) ? d : 0;
  };
  return {
    liquid: of((x) => x.percent?.liquid),
    water: of((x) => x.percent?.water),
    egg: of((x) => x.percent?.egg),
    fat: of((x) => x.percent?.fat),
    sugar: of((x) => x.percent?.sugar),
    salt: of((x) => x.percent?.salt),
    co2: of((x) => x.co2Per100gFlour),
  };
}
