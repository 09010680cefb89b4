/**
 * Structure: what toughens a batter against what makes it tender, what dries it against what moistens it, and each
 * line's share. Weights are a cook's judgement put in numbers (a model): shares compare lines and formulas, they are no
 * verdict.
 */
import type { TallyLine } from '../formula/tally';
import { type Ingredient, isFlour, kitchenName } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';

export interface Share {
  readonly name: string;
  /** Of its side, 0 to 1. */
  readonly share: number;
}

export interface Pair {
  readonly left: readonly Share[];
  readonly right: readonly Share[];
  /** Weight of the left side of both, 0 to 1; a usual griddle cake stands near the middle. */
  readonly leftPart: number;
}

export interface Structure {
  /** Left toughens, right makes tender. */
  readonly bite: Pair;
  /** Left dries, right moistens. */
  readonly moisture: Pair;
}

/** What a gram does, beside a gram of gluten-forming protein. */
const TOUGH = { gluten: 1, otherFlour: 0.15, white: 0.5, milk: 0.25 } as const;
const TENDER = { fat: 0.4, yolkFat: 0.5, sugar: 0.22, bareStarch: 0.12, acidPerMeq: 0.05 } as const;
/** Grams of water a gram binds, or brings. */
const MOIST = { sugar: 0.35, fat: 0.2 } as const;

const WHITE_PROTEIN_SHARE = 0.6;
const noGluten = new Set(['flour-oat', 'rolled-oats']);
const hasGluten = (i: Ingredient): boolean => i.allergens.includes('gluten') && !noGluten.has(i.id);

function tough(i: Ingredient): number {
  const p = i.per100g.proteinG;
  if (isFlour(i)) return p * (hasGluten(i) ? TOUGH.gluten : TOUGH.otherFlour);
  if (i.id === 'egg-yolk') return 0;
  if (i.category === 'egg') return p * TOUGH.white * (i.id === 'egg-white' ? 1 : WHITE_PROTEIN_SHARE);
  if (i.category === 'dairy' || i.category === 'dry-dairy' || i.category === 'plant-milk') return p * TOUGH.milk;
  return 0;
}

function tender(i: Ingredient): number {
  const c = i.per100g;
  const fat = c.fatG * (i.category === 'egg' ? TENDER.yolkFat : TENDER.fat);
  const starch = isFlour(i) && !hasGluten(i) ? c.starchG * TENDER.bareStarch : 0;
  // acid of food only: what a powder keeps for its own soda is spent
  const acid = isFlour(i) ? 0 : Math.max(0, i.acidMeqPer100g - i.ownAcidMeqPer100g) * TENDER.acidPerMeq;
  return fat + c.sugarsG * TENDER.sugar + starch + acid;
}

function dry(i: Ingredient): number {
  const b = behaviourOf(i);
  if (b.swells) return 100 * b.swells.absorption;
  return i.category === 'dry-dairy' ? 100 * (i.waterAbsorption ?? 0.8) : 0;
}

const moist = (i: Ingredient): number =>
  isFlour(i) ? 0 : i.per100g.waterG + i.per100g.sugarsG * MOIST.sugar + i.per100g.fatG * MOIST.fat;

/** Lines of less than this share of their side are summed as "the rest". */
const LEAST_SHARE = 0.04;

function side(
  lines: readonly TallyLine[],
  weigh: (i: Ingredient) => number,
): { readonly total: number; readonly shares: readonly Share[] } {
  const sums = new Map<string, number>();
  let total = 0;
  for (const l of lines) {
    if (l.use !== 'batter') continue;
    for (const { ingredient: i, grams } of l.parts) {
      const w = (weigh(i) * grams) / 100;
      if (!(w > 0)) continue;
      total += w;
      const name = kitchenName(i).toLowerCase();
      sums.set(name, (sums.get(name) ?? 0) + w);
    }
  }
  const all = [...sums.entries()]
    .map(([name, w]) => ({ name, share: w / total }))
    .sort((a, b) => b.share - a.share || (a.name < b.name ? -1 : 1));
  const shown = all.filter((s) => s.share >= LEAST_SHARE);
  const rest = all.reduce((a, s) => a + s.share, 0) - shown.reduce((a, s) => a + s.share, 0);
  return { total, shares: rest > 0.005 ? [...shown, { name: 'the rest', share: rest }] : shown };
}

function pair(lines: readonly TallyLine[], left: (i: Ingredient) => number, right: (i: Ingredient) => number): Pair {
  const [l, r] = [side(lines, left), side(lines, right)];
  const sum = l.total + r.total;
  return { left: l.shares, right: r.shares, leftPart: sum > 0 ? l.total / sum : 0.5 };
}

/** Reads the structure of batter lines. */
export const structureOf = (lines: readonly TallyLine[]): Structure => ({
  bite: pair(lines, tough, tender),
  moisture: pair(lines, dry, moist),
});
