/**
 * Fruit and fresh cheese as water and solids: what is squeezed or drained off is water, and what is left is drier.
 * Sugar and acid that run off with it are left out of account (arithmetic, on the careful side).
 */
import type { Line, LinePart } from '../card/line';
import type { Composition, Ingredient } from '../pantry/ingredient';

/** The most that can be pressed out: this share of the water that is there. */
const MOST_SHARE = 0.9;

/** An ingredient with some of its water gone, per 100 g of what is left. */
function drier(i: Ingredient, grams: number, waterG: number): Ingredient {
  const left = grams - waterG;
  const scaled = Object.fromEntries(
    Object.entries(i.per100g).map(([k, v]) => [k, (v * grams) / left]),
  ) as unknown as Composition;
  const up = grams / left;
  return {
    ...i,
    per100g: { ...scaled, waterG: ((i.per100g.waterG * grams) / 100 - waterG) * (100 / left) },
    acidMeqPer100g: i.acidMeqPer100g * up,
    ownAcidMeqPer100g: i.ownAcidMeqPer100g * up,
    sodaPct: i.sodaPct * up,
  };
}

/**
 * The most water that can be pressed out of a line, g; 0 where it is not made of one thing with grams.
 * @param goneG what is out of it already
 */
export function mostDrained(line: Pick<Line, 'parts'>, goneG = 0): number {
  const [p, second] = line.parts;
  return p && !second ? MOST_SHARE * ((p.ingredient.per100g.waterG * p.grams) / 100 + goneG) : 0;
}

/** A line with water pressed out: lighter and drier. More than there is, or nothing, leaves it as it is. */
export function drainLine<L extends Line>(line: L, drainedG: number): L {
  const [p] = line.parts;
  if (!p || line.grams === null || !(drainedG > 0) || drainedG > mostDrained(line)) return line;
  const factor = (p.grams - drainedG) / p.grams;
  const part: LinePart = {
    ingredient: drier(p.ingredient, p.grams, drainedG),
    grams: p.grams - drainedG,
    low: p.low * factor,
    high: p.high * factor,
  };
  return { ...line, parts: [part], grams: part.grams, gramsLow: part.low, gramsHigh: part.high };
}
