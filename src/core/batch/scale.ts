/**
 * Scaling a formula: from what drives the batch (pieces, flour, a factor ...) to a factor, and from the factor to the
 * amounts of a sheet, exact or as they are weighed, with the drift that rounding costs. Leavening scales straight: the
 * chemistry does not know the size of the bowl.
 */

import { TOLERANCE } from '../balance/kitchen';
import { piecesOf, type Yield } from '../batter/volume';
import type { KindId } from '../formula/kinds';
import type { TallyPart } from '../formula/tally';
import { pouredG } from '../formula/tally';
import { type AnalysableLine, type Numbers, numbersOf } from '../numbers';
import { allFine } from '../pantry/honest';
import { asWeighed, gramsExact } from '../quantity/say';
import type { Result } from '../result';
import { type Driver, portionOf } from './driver';
import { type CannotScale, timesOf } from './worth';

/** A line as it is taken with kitchen measures: what that weighs, part by part. */
export interface Taken {
  readonly parts: readonly TallyPart[];
  /** "1 1/4 cups + 1 tbsp". */
  readonly measure: string;
  /** Nothing in the drawer measures it. */
  readonly weighed: boolean;
  readonly note: string;
}

interface Drift {
  readonly liquid: number;
  readonly water: number;
  readonly egg: number;
  readonly fat: number;
  readonly sugar: number;
  readonly salt: number;
  readonly co2: number;
}

interface ScaledLine<L extends AnalysableLine> {
  readonly line: L;
  /** Grams after scaling and rounding; null for a line that has none. */
  readonly grams: number | null;
  /** The same before any rounding: spoons are worked from it, never from what is rounded already. */
  readonly exactG: number | null;
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
  /** The same as each was: percent of itself. */
  readonly moved: readonly Moved[];
}

/** What rounding moves a ratio by, percent of what it was: so that lift and salt can be ranked beside egg and fat. */
export interface Moved {
  readonly ratio: keyof Drift;
  readonly pct: number;
}

/**
 * Scales a formula.
 * @param lines with grams; lines without parts come back unscaled, with grams null
 * @param to what drives the batch; numbers > 0
 * @param how exact grams, each line as it is weighed (large to the gram, small to the tenth), or each line as it was
 * taken with kitchen measures (null: weighed)
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
    if (line.parts.length === 0)
      return {
        out: { line, grams: null, exactG: null, measure: null, weighed: false, parts: [], note: '' },
        parts: [],
      };
    const exactG = line.parts.reduce((sum, p) => sum + p.grams, 0) * factor;
    const taken = typeof how === 'string' ? null : how[n];
    if (taken)
      return {
        out: { ...taken, line, exactG, grams: taken.parts.reduce((a, p) => a + p.grams, 0) },
        parts: taken.parts,
      };
    const { grams, measure } =
      how === 'exact' ? { grams: exactG, measure: gramsExact(exactG) } : asWeighed(exactG, allFine(line.parts));
    const parts = line.parts.map((p) => ({ ...p, grams: (p.grams * factor * grams) / exactG }));
    return { out: { line, grams, exactG, measure, weighed: true, parts, note: '' }, parts };
  });
  const after = numbersOf(
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
      moved: movedBy(before, after),
    },
  };
}

/** Where each ratio of a formula is found. */
const RATIOS: Readonly<Record<keyof Drift, (x: Numbers) => number | null | undefined>> = {
  co2: (x) => x.co2Per100gFlour,
  salt: (x) => x.percent?.salt,
  liquid: (x) => x.percent?.liquid,
  water: (x) => x.percent?.water,
  egg: (x) => x.percent?.egg,
  fat: (x) => x.percent?.fat,
  sugar: (x) => x.percent?.sugar,
};

/**
 * By how much of itself each may move before it is tasted, percent: what the choice of kitchen measures goes by too.
 */
const BEARS: Readonly<Record<keyof Drift, number>> = {
  ...TOLERANCE,
  co2: TOLERANCE.leavening,
  water: TOLERANCE.liquid,
};
/** A ratio under so much, percent of flour, is not one to keep. */
const TRACE = 0.01;

/** What moved, percent of itself: lift and salt always, then the others by what they do. */
function movedBy(before: Numbers, after: Numbers): readonly Moved[] {
  const all = (Object.keys(RATIOS) as (keyof Drift)[]).flatMap((ratio): Moved[] => {
    const [was, is] = [RATIOS[ratio](before) ?? 0, RATIOS[ratio](after) ?? 0];
    return was < TRACE ? [] : [{ ratio, pct: (100 * (is - was)) / was }];
  });
  const first = (m: Moved): boolean => m.ratio === 'co2' || m.ratio === 'salt';
  const does = (m: Moved): number => Math.abs(m.pct) / BEARS[m.ratio];
  return [...all.filter(first), ...all.filter((m) => !first(m))].sort(
    (a, b) => Number(first(b)) - Number(first(a)) || does(b) - does(a),
  );
}

/**
 * Percent of flour (for co2: g per 100 g flour) gained or lost against the unrounded formula; 0 where there is no
 * flour.
 */
function driftOf(before: Numbers, after: Numbers, factor: number): Drift {
  const [a, b] = [before.percent, after.percent];
  const same = Math.abs(after.tally.massG - before.tally.massG * factor) < 1e-9 * after.tally.massG;
  const of = (ratio: keyof Drift): number => {
    const d = (RATIOS[ratio](after) ?? 0) - (RATIOS[ratio](before) ?? 0);
    return a && b && !(same && Math.abs(d) < 1e-9) ? d : 0;
  };
  return {
    liquid: of('liquid'),
    water: of('water'),
    egg: of('egg'),
    fat: of('fat'),
    sugar: of('sugar'),
    salt: of('salt'),
    co2: of('co2'),
  };
}
