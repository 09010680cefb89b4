/**
 * Volume and density of a batter. Without air: the sum of the ingredients' own volumes (true density where the table
 * has one, else worked from composition). Then the air that is whisked or folded in. Model: good to about 5 %.
 */

import type { KindId } from '../formula/kinds';
import type { TallyLine } from '../formula/tally';
import { WHITE_G, WHITE_SHARE } from '../pantry/egg-parts';
import { US_CUP_ML } from '../pantry/fill';
import type { Composition, Ingredient } from '../pantry/ingredient';
import { behaviourOf, isWholePiece } from '../pantry/tables/behaviour';

/** g/mL of each constituent. */
const CONSTITUENT = {
  waterG: 1,
  fatG: 0.92,
  proteinG: 1.35,
  sugarsG: 1.6,
  starchG: 1.55,
  fibreG: 1.5,
  ashG: 2.3,
  alcoholG: 0.79,
} as const;

function mlPerG(i: Ingredient): number {
  const known = behaviourOf(i).trueDensity;
  if (known !== null) return 1 / known;
  let ml = 0;
  for (const [k, d] of Object.entries(CONSTITUENT)) ml += i.per100g[k as keyof Composition] / d;
  return ml / 100;
}

/** mL per g of an ingredient itself, no air in it or between it. */
// by the thing, not its id: a squeezed apple is another thing than an apple
const cache = new WeakMap<Ingredient, number>();
export function specificVolume(i: Ingredient): number {
  let v = cache.get(i);
  if (v === undefined) {
    v = mlPerG(i);
    cache.set(i, v);
  }
  return v;
}

/** g of one mL of a thing as it is measured out: the table's cup, else its own volume without air. */
export const gPerMl = (i: Ingredient): number => (i.gPerUsCup ? i.gPerUsCup / US_CUP_ML : 1 / specificVolume(i));

/** mL of air one large white (33 g) holds when whipped, and the share that folding in loses. */
const AIR_ML_PER_WHITE = { soft: 170, firm: 235 } as const;
const FOLDING_LOSS = 0.38;
/** g/mL of the lightest batter foam makes; and air past so much of the airless volume makes it a foam. */
const LIGHTEST_FOAM = 0.55;
const FOAMED_SHARE = 0.1;

export interface BatterVolume {
  readonly airlessMl: number;
  readonly volumeMl: number;
  /** g/mL, air included. */
  readonly densityGPerMl: number;
  readonly foamed: boolean;
}

/** mL of air that whipped whites bring into the batter, after what folding in loses. */
export function foamAirMl(lines: readonly TallyLine[]): number {
  let ml = 0;
  for (const line of lines) {
    if (line.use !== 'batter' || !line.foam) continue;
    for (const { ingredient: i, grams } of line.parts) {
      if (i.category !== 'egg' || i.id === 'egg-yolk') continue;
      const whites = (i.id === 'egg-white' ? grams : grams * WHITE_SHARE) / WHITE_G;
      ml += whites * AIR_ML_PER_WHITE[line.foam] * (1 - FOLDING_LOSS);
    }
  }
  return ml;
}

/**
 * Volume of the batter lines, without what stays whole in them: berries and chips lie in a piece, and pour none.
 * @param air share of the airless volume that whisking adds (the kind's; 0.08 for griddle cakes)
 * @returns null for an empty bowl
 */
export function batterVolume(lines: readonly TallyLine[], air: number): BatterVolume | null {
  let mass = 0;
  let airless = 0;
  for (const line of lines) {
    if (line.use !== 'batter') continue;
    for (const p of line.parts) {
      if (isWholePiece(p.ingredient, line.preparation)) continue;
      mass += p.grams;
      airless += p.grams * specificVolume(p.ingredient);
    }
  }
  if (!(mass > 0)) return null;
  const foamMl = foamAirMl(lines);
  // the volume follows the air the foam holds, from a trace on; no batter holds more than the lightest foam
  const volume = Math.min(airless * (1 + air) + foamMl, Math.max(airless * (1 + air), mass / LIGHTEST_FOAM));
  return {
    airlessMl: airless,
    volumeMl: volume,
    densityGPerMl: mass / volume,
    foamed: foamMl > airless * FOAMED_SHARE,
  };
}

/** Batter that stays in the bowl and on the tools: 3 % of the mass, at least 15 g. */
const LOSS_SHARE = 0.03;
const LOSS_LEAST_G = 15;
export const toolLossG = (massG: number): number => Math.min(massG, Math.max(LOSS_SHARE * massG, LOSS_LEAST_G));

/** Mass to make so that `usableG` can be poured after the loss. */
export const massForUsable = (usableG: number): number => Math.max(usableG / (1 - LOSS_SHARE), usableG + LOSS_LEAST_G);

export interface Yield {
  readonly pieces: number;
  /** mL left for a part-load. */
  readonly restMl: number;
}

/** How many whole pieces a batter pours. @param massG of the batter, without what stays whole in it */
export function piecesOf(massG: number, densityGPerMl: number, portionMl: number): Yield {
  const usable = (massG - toolLossG(massG)) / densityGPerMl;
  const pieces = Math.floor(usable / portionMl + 1e-9);
  return { pieces, restMl: Math.max(0, usable - pieces * portionMl) };
}

/** Share of its mass a piece loses over the heat, least and most, by kind; a convention of the field. */
const COOKING_LOSS: Partial<Readonly<Record<KindId, readonly [number, number]>>> & {
  readonly usual: readonly [number, number];
} = {
  usual: [0.08, 0.16],
  crepe: [0.12, 0.2],
  waffle: [0.12, 0.18],
};

/** What one piece weighs as it is served, g, least and most. @param pouredG as it is poured */
export function servedG(kind: KindId, pouredG: number): readonly [number, number] {
  const [least, most] = COOKING_LOSS[kind] ?? COOKING_LOSS.usual;
  return [pouredG * (1 - most), pouredG * (1 - least)];
}
