/** What a driver comes to: how many times the formula it asks for, and what that means by every other driver. */

import { massForUsable, piecesOf } from '../batter/volume';
import { isShellEgg } from '../formula/eggs';
import type { KindId } from '../formula/kinds';
import { pouredG } from '../formula/tally';
import { type AnalysableLine, type Numbers, numbersOf } from '../numbers';
import { EGG_G, WHITE_G, YOLK_G } from '../pantry/egg-parts';
import type { Result } from '../result';
import { type Driver, pouredPieces } from './driver';

export interface CannotScale {
  readonly path: string;
  readonly message: string;
}

const no = (path: string, message: string): Result<never, CannotScale> => ({ ok: false, error: { path, message } });

/** More than a tonne of batter is a slip of the finger. */
const MOST_BATTER_G = 1_000_000;

/** g of an ingredient in the batter, over all its lines. */
export function ingredientGrams(lines: readonly AnalysableLine[], id: string): number {
  let sum = 0;
  for (const l of lines) for (const p of l.parts) if (p.ingredient.id === id && l.use === 'batter') sum += p.grams;
  return sum;
}

/** Whole eggs of a batter, as a number; eggs that are separated count by whichever half is fewer. */
export function wholeEggs(lines: readonly Pick<AnalysableLine, 'use' | 'parts'>[]): number {
  let whole = 0;
  const halves = { 'egg-yolk': 0, 'egg-white': 0 };
  for (const l of lines)
    for (const { ingredient: i, grams } of l.use === 'batter' ? l.parts : []) {
      if (isShellEgg(i.id)) whole += grams / (i.piece?.grams ?? EGG_G);
      else if (i.id === 'egg-yolk' || i.id === 'egg-white')
        halves[i.id] += grams / (i.piece?.grams ?? (i.id === 'egg-yolk' ? YOLK_G : WHITE_G));
    }
  return whole + Math.min(halves['egg-yolk'], halves['egg-white']);
}

/** The factor a driver asks for. */
function factorFor(
  lines: readonly AnalysableLine[],
  a: Numbers,
  to: Driver,
  mixes: number,
): Result<number, CannotScale> {
  switch (to.by) {
    case 'factor':
      return { ok: true, value: to.factor };
    case 'flour':
      return a.tally.flourG > 0
        ? { ok: true, value: to.grams / a.tally.flourG }
        : no('to.flour_g', 'There is no flour in this formula to scale by.');
    case 'mass':
      return { ok: true, value: to.grams / a.tally.massG };
    case 'ingredient': {
      const has = ingredientGrams(lines, to.ingredientId);
      return has > 0
        ? { ok: true, value: to.grams / has }
        : no('to.ingredientId', 'That ingredient is not in the batter.');
    }
    case 'eggs': {
      const has = wholeEggs(lines);
      return has > 0
        ? { ok: true, value: to.eggs / has }
        : no('to.eggs', 'There are no whole eggs in this formula to scale by.');
    }
    case 'pieces':
    case 'guests':
    case 'pans': {
      if (!a.volume) return no('to.pieces', 'There is no batter to pour.');
      // each mix owes its share in whole pieces, and loses what stays on its own tools
      const each = Math.ceil((pouredPieces(to) ?? 0) / mixes - 1e-9);
      return {
        ok: true,
        value: (mixes * massForUsable(each * to.portionMl * a.volume.densityGPerMl)) / pouredG(a.tally),
      };
    }
    case 'both':
      // its lines are put together at their size
      return { ok: true, value: 1 };
    case 'vessel':
      return a.volume
        ? { ok: true, value: (to.ml * (1 - to.headPct / 100)) / a.volume.volumeMl }
        : no('to.ml', 'There is no batter to fill it with.');
  }
}

/**
 * How many times the formula a driver asks for, and the formula as it stands. @param mixes equal bowls that share it
 */
export function timesOf(
  lines: readonly AnalysableLine[],
  to: Driver,
  kind: KindId | null = null,
  mixes = 1,
): Result<{ readonly factor: number; readonly before: Numbers }, CannotScale> {
  const before = numbersOf(lines, kind);
  if (!(before.tally.massG > 0))
    return no('lines', 'No line of the batter has an amount yet, so there is nothing to scale.');
  const f = factorFor(lines, before, to, mixes);
  if (!f.ok) return f;
  const factor = f.value;
  if (!(factor > 0) || !Number.isFinite(factor)) return no('to', 'The batch has to be more than nothing.');
  if (factor * before.tally.massG > MOST_BATTER_G)
    return no(
      'to',
      `That would be ${Math.round((factor * before.tally.massG) / 1000).toLocaleString('en-GB')} kg of batter: check the number.`,
    );
  return { ok: true, value: { factor, before } };
}

/** What a batch comes to, by every driver. */
export interface Means {
  readonly factor: number;
  readonly flourG: number;
  readonly massG: number;
  readonly volumeMl: number;
  readonly eggs: number;
  /** Null where no portion is known. */
  readonly pieces: number | null;
}

/** @param factor times the formula @param before the formula as it stands */
export function meansOf(
  lines: readonly AnalysableLine[],
  before: Numbers,
  factor: number,
  portionMl: number | null,
): Means {
  const massG = before.tally.massG * factor;
  return {
    factor,
    flourG: before.tally.flourG * factor,
    massG,
    volumeMl: (before.volume?.volumeMl ?? 0) * factor,
    eggs: wholeEggs(lines) * factor,
    pieces:
      portionMl && before.volume
        ? piecesOf(pouredG(before.tally) * factor, before.volume.densityGPerMl, portionMl).pieces
        : null,
  };
}

/**
 * The batches of whole eggs just below and just above: what they would be times the formula. None where it has no egg.
 */
export function wholeEggBatches(means: Means): readonly { readonly eggs: number; readonly factor: number }[] {
  if (!(means.eggs > 0)) return [];
  const each = means.factor / means.eggs;
  const below = Math.floor(means.eggs + 1e-6);
  return [below, below + 1]
    .filter((n) => n > 0 && Math.abs(n - means.eggs) > 1e-6)
    .map((eggs) => ({ eggs, factor: eggs * each }));
}
