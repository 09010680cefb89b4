/**
 * How a cook fills a cup, found from one that was weighed: a place between sifted and packed on the table's row for
 * that flour. The same place on another flour's row is what that flour would weigh, filled by the same hand (a model:
 * only the flour that was weighed is measured).
 */
import { mlOf, unitById } from '../quantity/units';
import { FILL_METHODS, type FillMethod, type KitchenConventions } from './conventions';
import type { FillRow, Ingredient } from './ingredient';
import type { OwnMeasure } from './own';
import { fillRow, findIngredient } from './pantry';

/** mL of the cup the tables weigh. */
export const US_CUP_ML = 236.5882365;

/**
 * Brown sugar is packed unless the card says "loose": that is how it is sold by the cup, so its fill counts as stated.
 */
export const isPacked = (i: Pick<Ingredient, 'id' | 'like'>): boolean => (i.like ?? i.id).startsWith('sugar-brown');

/** A place on the way from sifted to packed. */
interface FillPlace {
  /** 0 is the loosest way of the row, the number of its ways less one the tightest. */
  readonly at: number;
  /** Beyond the loosest or the tightest by this factor; 1 within. */
  readonly beyond: number;
}

const waysOf = (row: FillRow): readonly (readonly [FillMethod, number])[] =>
  FILL_METHODS.flatMap((m) => {
    const g = row[m];
    return g === undefined ? [] : [[m, g] as const];
  });

/** Where a cup weight stands on a row. @param gPerUsCup grams in a US cup */
export function placeOn(row: FillRow, gPerUsCup: number): FillPlace {
  const ways = waysOf(row);
  const [loosest, tightest] = [ways[0]?.[1] ?? gPerUsCup, ways.at(-1)?.[1] ?? gPerUsCup];
  if (gPerUsCup <= loosest) return { at: 0, beyond: gPerUsCup / loosest };
  if (gPerUsCup >= tightest) return { at: ways.length - 1, beyond: gPerUsCup / tightest };
  const n = ways.findIndex(([, g]) => g >= gPerUsCup);
  const [below, above] = [ways[n - 1]?.[1] ?? 0, ways[n]?.[1] ?? 0];
  return { at: n - 1 + (gPerUsCup - below) / (above - below), beyond: 1 };
}

/** Grams in a US cup of a flour, filled like a place on another's row. */
export function filledLike(row: FillRow, place: FillPlace): number {
  const ways = waysOf(row);
  const at = Math.min(place.at, ways.length - 1);
  const n = Math.min(Math.floor(at), ways.length - 2);
  const [below, above] = [ways[n]?.[1] ?? 0, ways[n + 1]?.[1] ?? 0];
  return (below + (at - n) * (above - below)) * place.beyond;
}

/** The named way nearest to a cup weight. */
export const nearestWay = (row: FillRow, gPerUsCup: number): FillMethod =>
  [...waysOf(row)].sort((a, b) => Math.abs(a[1] - gPerUsCup) - Math.abs(b[1] - gPerUsCup))[0]?.[0] ?? 'spooned';

/** Grams in a US cup by a measure of one ingredient; null where its unit has no volume. */
export function gPerUsCupOf(m: OwnMeasure, house: KitchenConventions): number | null {
  const unit = unitById(m.unit);
  const vessel = house.own?.measures.find(
    (v) => v.used && v.ingredientId === null && v.unit === m.unit && v.which === m.which && v.full === m.full,
  );
  const ml = vessel ? vessel.each : unit ? (mlOf(unit, house)?.valueOf() ?? null) : null;
  if (ml === null) return null;
  const full = vessel ? 1 : partOf(m.full);
  return (m.each * US_CUP_ML) / (ml * full);
}

/** "2/3" as a number. */
const partOf = (full: string): number => {
  const [n, d = '1'] = full.split('/');
  return Number(n) / Number(d);
};

/**
 * How this house fills a cup, by what it has weighed: plain flour's before any other flour's, and that before starch or
 * cocoa; null before it has.
 */
export function ownFill(house: KitchenConventions): FillPlace | null {
  const weighed = (house.own?.measures ?? []).filter((m) => m.used && m.ingredientId !== null);
  const places = weighed.flatMap((m) => {
    const i = findIngredient(m.ingredientId ?? '', house.own);
    const row = i && !isPacked(i) ? fillRow(i) : undefined;
    const g = row ? gPerUsCupOf(m, house) : null;
    return row && g
      ? [{ rank: i?.id === 'flour-all-purpose' ? 0 : i?.category === 'flour' ? 1 : 2, place: placeOn(row, g) }]
      : [];
  });
  return [...places].sort((a, b) => a.rank - b.rank)[0]?.place ?? null;
}
