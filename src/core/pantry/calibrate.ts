/**
 * Calibration: from a few weighings of one measure to what it holds, how far the weighings spread, and how far that is
 * from the table. Grams in; grams (of one ingredient) or millilitres (of anything) out.
 */
import Fraction from 'fraction.js';
import type { Amount } from '../quantity/amount';
import { unitById } from '../quantity/units';
import {
  type FillMethod,
  type KitchenConventions,
  SALT_CRYSTALS,
  SALT_INGREDIENT,
  type SaltCrystal,
} from './conventions';
import { gPerUsCupOf, nearestWay } from './fill';
import type { Ingredient } from './ingredient';
import { NOTHING_OWN, type Own, type OwnMeasure } from './own';
import { fillRow } from './pantry';
import { weigh } from './weigh';

/** g per mL of water at 20 C. */
export const WATER_G_PER_ML = 0.998;
/** A measure is calibrated by this many weighings and more. */
export const LEAST_WEIGHINGS = 3;
export const MOST_WEIGHINGS = 12;
export const MOST_WEIGHING_G = 20_000;

interface CupSpread {
  readonly mean: number;
  /** Sample standard deviation, in the unit of the mean. */
  readonly sd: number;
  /** Largest less smallest, percent of the mean. */
  readonly rangePct: number;
}

/** Mean and spread of weighings, all > 0. Throws on none: that is a bug. */
export function spreadOfWeighings(weighings: readonly number[]): CupSpread {
  if (weighings.length === 0) throw new Error('no weighings');
  const mean = weighings.reduce((a, w) => a + w, 0) / weighings.length;
  const sd =
    weighings.length > 1 ? Math.sqrt(weighings.reduce((a, w) => a + (w - mean) ** 2, 0) / (weighings.length - 1)) : 0;
  return { mean, sd, rangePct: (100 * (Math.max(...weighings) - Math.min(...weighings))) / mean };
}

/** Weighings further apart than this were not filled alike: weigh again. Percent of the mean. */
export const LOOSE_PCT = 10;
/** A measure filled by hand is never surer than this, as a share. */
const SUREST = 0.01;

export interface Weighings {
  readonly id: string;
  readonly unit: string;
  readonly which: string;
  readonly full: string;
  readonly ingredientId: string | null;
  readonly weighings: readonly number[];
  /** g per mL of what a vessel was filled with; not needed where it holds for one ingredient. */
  readonly gPerMl: number;
}

/** The measure that weighings make, with a bracket of two standard deviations either way. */
export function measureFrom({ gPerMl, ...w }: Weighings): OwnMeasure {
  const { mean, sd } = spreadOfWeighings(w.weighings);
  const per = w.ingredientId === null ? gPerMl : 1;
  const half = Math.max(2 * sd, SUREST * mean);
  return { ...w, each: mean / per, low: Math.max(0, mean - half) / per, high: (mean + half) / per, used: true };
}

/** What a kitchen has of its own, with one measure put in (or changed, by what it is of). */
export function withMeasure(own: Own | undefined, m: OwnMeasure): Own {
  const { stamp, ingredients, measures } = own ?? NOTHING_OWN;
  const same = (x: OwnMeasure): boolean =>
    x.unit === m.unit && x.which === m.which && x.full === m.full && x.ingredientId === m.ingredientId;
  return {
    stamp: `${stamp}+${m.unit} ${m.which} ${m.full} ${m.ingredientId} ${m.each} ${m.used}`,
    ingredients,
    measures: [m, ...measures.filter((x) => !same(x))],
  };
}

/** The amount a measure is one of. */
export const amountOf = (m: Pick<OwnMeasure, 'unit' | 'which' | 'full'>): Amount => ({
  terms: [
    {
      sign: 1,
      low: new Fraction(m.full),
      high: null,
      unit: m.unit,
      fullness: null,
      ...(m.which && { which: m.which }),
    },
  ],
  approximate: false,
});

/** "cup", "two thirds of the blue ladle" as "2/3 blue ladle". */
export function measureName(m: Pick<OwnMeasure, 'unit' | 'which' | 'full'>, many = false): string {
  const unit = unitById(m.unit)?.[many ? 'many' : 'one'] ?? m.unit;
  return `${m.full === '1' ? '' : `${m.full} `}${m.which ? `${m.which} ` : ''}${unit}`;
}

interface AgainstTable {
  /** g the table has for one of it, filled as the house fills. */
  readonly tableG: number;
  readonly percentOff: number;
  /** The named way of filling it is nearest to, where the fill matters. */
  readonly nearest: FillMethod | null;
}

/** How far a measure of one ingredient is from the table; null where the table has nothing to hold against it. */
export function againstTable(m: OwnMeasure, i: Ingredient, house: KitchenConventions): AgainstTable | null {
  const { own: _, ...rest } = house;
  const table = weigh(amountOf(m), i, null, {
    ...rest,
    flourFill: house.flourFill === 'own' ? 'spooned' : house.flourFill,
  });
  if (!table.ok || table.value.basis === 'weight') return null;
  const row = fillRow(i);
  const cup = row ? gPerUsCupOf(m, house) : null;
  return {
    tableG: table.value.grams,
    percentOff: 100 * (m.each / table.value.grams - 1),
    nearest: row && cup ? nearestWay(row, cup) : null,
  };
}

/** Salt the same by weight, by the crystal it comes as: teaspoons of each. @param find the shipped salts */
export const saltByCrystal = (
  grams: number,
  find: (id: string) => Ingredient | undefined,
): readonly { readonly crystal: SaltCrystal; readonly teaspoons: number }[] =>
  SALT_CRYSTALS.flatMap((crystal) => {
    const i = find(SALT_INGREDIENT[crystal]);
    const tsp = i?.gPerTsp ?? (i?.gPerUsCup ? i.gPerUsCup / 48 : undefined);
    return tsp ? [{ crystal, teaspoons: grams / tsp }] : [];
  });
