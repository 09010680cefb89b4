/**
 * Scaling a formula: from what drives the batch (pieces, flour, a factor ...) to a factor, and from the factor to the
 * amounts of a sheet, exact or to the whole gram, with the drift that rounding costs. Leavening scales straight: the
 * chemistry does not know the size of the bowl.
 */

import { type AnalysableLine, type Analysis, analyse } from '../analyse';
import { massForUsable, piecesOf, type Yield } from '../batter/volume';
import type { KindId } from '../formula/kinds';
import { findIngredient } from '../pantry/pantry';
import { gramsExact, grams as sayGrams } from '../quantity/say';

export type Driver =
  | { readonly by: 'pieces'; readonly pieces: number; readonly portionMl: number }
  | { readonly by: 'factor'; readonly factor: number }
  | { readonly by: 'flour'; readonly grams: number }
  | { readonly by: 'mass'; readonly grams: number }
  | { readonly by: 'ingredient'; readonly ingredientId: string; readonly grams: number }
  | { readonly by: 'eggs'; readonly eggs: number };

export const EXACTNESSES = ['exact', 'gram'] as const;
export type Exactness = (typeof EXACTNESSES)[number];

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
}

export interface Scaled<L extends AnalysableLine> {
  readonly factor: number;
  readonly massG: number;
  readonly volumeMl: number;
  readonly yield: Yield | null;
  readonly lines: readonly ScaledLine<L>[];
  readonly drift: Drift;
}

export interface CannotScale {
  readonly path: string;
  readonly message: string;
}

type Result<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: CannotScale };
const no = (path: string, message: string): Result<never> => ({ ok: false, error: { path, message } });

/** More than a tonne of batter is a slip of the finger. */
const MOST_BATTER_G = 1_000_000;

function ingredientGrams(lines: readonly AnalysableLine[], id: string): number {
  let sum = 0;
  for (const l of lines) for (const p of l.parts) if (p.ingredient.id === id && l.use === 'batter') sum += p.grams;
  return sum;
}

const SHELL_EGGS = ['egg-medium', 'egg-large', 'egg-extra-large', 'egg-jumbo', 'egg-duck'];

function wholeEggs(lines: readonly AnalysableLine[]): number {
  return SHELL_EGGS.reduce((n, id) => n + ingredientGrams(lines, id) / (findIngredient(id)?.piece?.grams ?? 50), 0);
}

/** The factor a driver asks for. */
function factorFor(lines: readonly AnalysableLine[], a: Analysis, to: Driver): Result<number> {
  switch (to.by) {
    case 'factor':
      return { ok: true, value: to.factor };
    case 'flour':
      return a.tally.flourG > 0 ? { ok: true, value: to.grams / a.tally.flourG } : no('to.flour_g', 'There is no flour in this formula to scale by.');
    case 'mass':
      return { ok: true, value: to.grams / a.tally.massG };
    case 'ingredient': {
      const has = ingredientGrams(lines, to.ingredientId);
      return has > 0 ? { ok: true, value: to.grams / has } : no('to.ingredientId', 'That ingredient is not in the batter.');
    }
    case 'eggs': {
      const has = wholeEggs(lines);
      return has > 0 ? { ok: true, value: to.eggs / has } : no('to.eggs', 'There are no whole eggs in this formula to scale by.');
    }
    case 'pieces': {
      if (!a.volume) return no('to.pieces', 'There is no batter to pour.');
      const usableG = to.pieces * to.portionMl * a.volume.densityGPerMl;
      return { ok: true, value: massForUsable(usableG) / a.tally.massG };
    }
  }
}

/** A pinch that a whole gram would round away is kept to the tenth. */
const tooFine = (grams: number): boolean => grams < 0.5;
const tenth = (grams: number): number => Math.max(0.1, Math.round(grams * 10) / 10);

const rounded = (grams: number, how: Exactness): number => (how === 'exact' ? grams : tooFine(grams) ? tenth(grams) : Math.round(grams));
const say = (grams: number, how: Exactness): string => (how === 'exact' ? gramsExact(grams) : tooFine(grams) ? gramsExact(grams) : sayGrams(grams));

/**
 * Scales a formula.
 * @param lines with grams; lines without parts come back unscaled, with grams null
 * @param to what drives the batch; numbers > 0
 * @param how exact grams, or each line to the whole gram
 * @param portionMl to count pieces with, where the driver does not say
 * @returns errors: nothing to scale, no flour / eggs / such ingredient for that driver, more than a tonne
 */
export function scale<L extends AnalysableLine>(
  lines: readonly L[],
  to: Driver,
  how: Exactness,
  kind: KindId | null = null,
  portionMl: number | null = null,
): Result<Scaled<L>> {
  const before = analyse(lines, kind);
  if (!(before.tally.massG > 0)) return no('lines', 'No line of the batter has an amount yet, so there is nothing to scale.');
  const f = factorFor(lines, before, to);
  if (!f.ok) return f;
  const factor = f.value;
  if (!(factor > 0) || !Number.isFinite(factor)) return no('to', 'The batch has to be more than nothing.');
  if (factor * before.tally.massG > MOST_BATTER_G)
    return no('to', `That would be ${Math.round((factor * before.tally.massG) / 1000).toLocaleString('en-GB')} kg of batter: check the number.`);
  const scaled = lines.map((line): { out: ScaledLine<L>; parts: L['parts'] } => {
    if (line.parts.length === 0) return { out: { line, grams: null, measure: null }, parts: [] };
    const exact = line.parts.reduce((sum, p) => sum + p.grams, 0) * factor;
    const grams = rounded(exact, how);
    const parts = line.parts.map((p) => ({ ...p, grams: (p.grams * factor * grams) / exact }));
    return { out: { line, grams, measure: say(grams, how) }, parts };
  });
  const after = analyse(
    lines.map((l, i) => ({ ...l, parts: scaled[i]?.parts ?? [] })),
    kind,
  );
  const volumeMl = after.volume?.volumeMl ?? 0;
  const portion = to.by === 'pieces' ? to.portionMl : portionMl;
  return {
    ok: true,
    value: {
      factor,
      massG: after.tally.massG,
      volumeMl,
      yield: portion && after.volume ? piecesOf(after.tally.massG, after.volume.densityGPerMl, portion) : null,
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
