/**
 * What drives a batch: pieces of a portion, guests, flour, batter, a vessel, pans, eggs, all of one thing, or a multiplier;
 * and what any of them means in all the others.
 */

import { type AnalysableLine, type Analysis, analyse } from '../analyse';
import { massForUsable, piecesOf } from '../batter/volume';
import { isShellEgg } from '../formula/eggs';
import type { KindId } from '../formula/kinds';
import { pouredG } from '../formula/tally';
import { EGG_G, WHITE_G, YOLK_G } from '../pantry/egg-parts';
import type { Result } from '../result';

/** One first piece to test with, outside the count: poured besides what is asked; where a driver counts nothing, taken from it. */
interface Tested {
  readonly testPiece?: boolean | undefined;
}

export interface EndAsked {
  readonly name: string;
  readonly pieces: number;
  readonly portionMl: number;
  /** "1/3 cup", where it was said so. */
  readonly said?: string | undefined;
  /** As the formula has them; left out in what was started before ends had their own. */
  readonly kind?: KindId | undefined;
  readonly school?: string | undefined;
}

export type Driver = (
  | { readonly by: 'pieces'; readonly pieces: number; readonly portionMl: number }
  | {
      readonly by: 'guests';
      readonly guests: number;
      /** Pieces for each. */
      readonly each: number;
      /** More for those who come again, percent. */
      readonly secondsPct: number;
      readonly portionMl: number;
    }
  | { readonly by: 'factor'; readonly factor: number }
  | { readonly by: 'flour'; readonly grams: number }
  | { readonly by: 'mass'; readonly grams: number }
  /** A bowl filled, but for the head that whisking needs, percent of it. */
  | { readonly by: 'vessel'; readonly ml: number; readonly headPct: number }
  /** So many fillings of a pan, iron or ball pan. */
  | { readonly by: 'pans'; readonly fillings: number; readonly piecesEach: number; readonly portionMl: number }
  | { readonly by: 'ingredient'; readonly ingredientId: string; readonly grams: number }
  | { readonly by: 'eggs'; readonly eggs: number }
  /** Both ends of a forked formula from one base: so many of each, each in its portion. */
  | { readonly by: 'both'; readonly a: EndAsked; readonly b: EndAsked }
) &
  Tested;

type Counted = Extract<Driver, { readonly by: 'pieces' | 'guests' | 'pans' }>;

const isCounted = (d: Driver): d is Counted => d.by === 'pieces' || d.by === 'guests' || d.by === 'pans';

/** The portion a driver says, of two ends the middle; null where it says none. */
export const portionOf = (d: Driver): number | null => (d.by === 'both' ? endsMl(d) / (d.a.pieces + d.b.pieces) : isCounted(d) ? d.portionMl : null);

const endsMl = (d: Extract<Driver, { readonly by: 'both' }>): number => d.a.pieces * d.a.portionMl + d.b.pieces * d.b.portionMl;

/** How one base is parted between its two ends: mL of each, as it is poured. Null where there is one end. */
export const partingOf = (d: Driver): readonly { readonly name: string; readonly ml: number; readonly share: number }[] | null =>
  d.by === 'both' ? [d.a, d.b].map((e) => ({ name: e.name, ml: e.pieces * e.portionMl, share: (e.pieces * e.portionMl) / endsMl(d) })) : null;

/** Pieces that are wanted, the test piece left out; null where the driver counts none. */
export function wantedPieces(d: Driver): number | null {
  if (d.by === 'pieces') return d.pieces;
  if (d.by === 'both') return d.a.pieces + d.b.pieces;
  if (d.by === 'pans') return d.fillings * d.piecesEach;
  return d.by === 'guests' ? Math.ceil(d.guests * d.each * (1 + d.secondsPct / 100) - 1e-9) : null;
}

export const hasTestPiece = (d: Driver): boolean => d.testPiece === true;

/** Pieces that are poured of what a driver counts: the wanted ones, and a test piece where there is one. */
export const pouredPieces = (d: Driver): number | null => {
  const wanted = wantedPieces(d);
  return wanted === null ? null : wanted + (hasTestPiece(d) ? 1 : 0);
};

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

/** Whole eggs of a batter; eggs that are separated count by whichever half is fewer. */
function wholeEggs(lines: readonly AnalysableLine[]): number {
  let whole = 0;
  const halves = { 'egg-yolk': 0, 'egg-white': 0 };
  for (const l of lines)
    for (const { ingredient: i, grams } of l.use === 'batter' ? l.parts : []) {
      if (isShellEgg(i.id)) whole += grams / (i.piece?.grams ?? EGG_G);
      else if (i.id === 'egg-yolk' || i.id === 'egg-white') halves[i.id] += grams / (i.piece?.grams ?? (i.id === 'egg-yolk' ? YOLK_G : WHITE_G));
    }
  return whole + Math.min(halves['egg-yolk'], halves['egg-white']);
}

/** The factor a driver asks for. */
function factorFor(lines: readonly AnalysableLine[], a: Analysis, to: Driver, mixes: number): Result<number, CannotScale> {
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
    case 'pieces':
    case 'guests':
    case 'pans': {
      if (!a.volume) return no('to.pieces', 'There is no batter to pour.');
      // each mix owes its share in whole pieces, and loses what stays on its own tools
      const each = Math.ceil((pouredPieces(to) ?? 0) / mixes - 1e-9);
      return { ok: true, value: (mixes * massForUsable(each * to.portionMl * a.volume.densityGPerMl)) / pouredG(a.tally) };
    }
    case 'both':
      // its lines are put together at their size
      return { ok: true, value: 1 };
    case 'vessel':
      return a.volume ? { ok: true, value: (to.ml * (1 - to.headPct / 100)) / a.volume.volumeMl } : no('to.ml', 'There is no batter to fill it with.');
  }
}

/** How many times the formula a driver asks for, and the formula as it stands. @param mixes equal bowls that share it */
export function timesOf(
  lines: readonly AnalysableLine[],
  to: Driver,
  kind: KindId | null = null,
  mixes = 1,
): Result<{ readonly factor: number; readonly before: Analysis }, CannotScale> {
  const before = analyse(lines, kind);
  if (!(before.tally.massG > 0)) return no('lines', 'No line of the batter has an amount yet, so there is nothing to scale.');
  const f = factorFor(lines, before, to, mixes);
  if (!f.ok) return f;
  const factor = f.value;
  if (!(factor > 0) || !Number.isFinite(factor)) return no('to', 'The batch has to be more than nothing.');
  if (factor * before.tally.massG > MOST_BATTER_G)
    return no('to', `That would be ${Math.round((factor * before.tally.massG) / 1000).toLocaleString('en-GB')} kg of batter: check the number.`);
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
export function meansOf(lines: readonly AnalysableLine[], before: Analysis, factor: number, portionMl: number | null): Means {
  const massG = before.tally.massG * factor;
  return {
    factor,
    flourG: before.tally.flourG * factor,
    massG,
    volumeMl: (before.volume?.volumeMl ?? 0) * factor,
    eggs: wholeEggs(lines) * factor,
    pieces: portionMl && before.volume ? piecesOf(pouredG(before.tally) * factor, before.volume.densityGPerMl, portionMl).pieces : null,
  };
}

/** The batches of whole eggs just below and just above: what they would be times the formula. None where it has no egg. */
export function wholeEggBatches(means: Means): readonly { readonly eggs: number; readonly factor: number }[] {
  if (!(means.eggs > 0)) return [];
  const each = means.factor / means.eggs;
  const below = Math.floor(means.eggs + 1e-6);
  return [below, below + 1].filter((n) => n > 0 && Math.abs(n - means.eggs) > 1e-6).map((eggs) => ({ eggs, factor: eggs * each }));
}
