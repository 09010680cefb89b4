/**
 * The portions a kitchen can pour: its own ladles and scoops as it measured them, and what its pans and irons ask for.
 */

import Fraction from 'fraction.js';
import type { Kitchen } from '../formula/kitchen-settings';
import { measureName } from '../pantry/calibrate';
import { portionFor } from '../pantry/gear';
import { mlOf, QUART_ML, type Unit, unitById } from '../quantity/units';
import { placesOn } from './surface';

export interface PortionOffer {
  readonly name: string;
  /** As it is written in the portion's box, where that is not its millilitres. */
  readonly said?: string;
  readonly ml: number;
}

/** Vessels nobody pours a pancake from; and the cups and spoons of the drawer that one is poured from. */
const TOO_LARGE_ML = 1000;
const LEAST_POUR_ML = 12;
const MOST_POUR_ML = 130;

/** What there is to pour a kind's portion with, the smallest first. */
export function portionsIn(house: Kitchen, kind: string): readonly PortionOffer[] {
  const vessels = (house.conventions.own?.measures ?? [])
    .filter((m) => m.used && m.ingredientId === null && m.weighings.length > 0 && m.each <= TOO_LARGE_ML)
    .map((m) => ({ name: measureName(m), ml: m.each }));
  const sizes = { cup: house.conventions.cup, tablespoon: house.conventions.tablespoon };
  const drawer = house.drawer.flatMap((id): PortionOffer[] => {
    const [unit = '', part = '1'] = id.split(' ');
    const ml =
      unit === 'cup' || unit === 'tbsp'
        ? Number(mlOf(unitById(unit) as Unit, sizes)?.valueOf()) * new Fraction(part).valueOf()
        : 0;
    return ml >= LEAST_POUR_ML && ml <= MOST_POUR_ML
      ? [{ name: `${part} ${unitById(unit)?.one ?? unit}`, said: `${part} ${unit}`, ml }]
      : [];
  });
  const gear = house.gear.flatMap((g) => {
    const ml = portionFor(g, kind);
    return ml === null ? [] : [{ name: g.name, ml }];
  });
  return [...vessels, ...drawer, ...gear].sort((a, b) => a.ml - b.ml);
}

/** The offers that are nearest to a portion, and the others; each from small to large. @param ml the portion */
export function nearestOffers(
  offers: readonly PortionOffer[],
  ml: number,
  most: number,
): readonly [near: readonly PortionOffer[], others: readonly PortionOffer[]] {
  const away = (o: PortionOffer): number => Math.abs(Math.log(o.ml / ml));
  const near = new Set(offers.toSorted((a, b) => away(a) - away(b)).slice(0, most));
  return [offers.filter((o) => near.has(o)), offers.filter((o) => !near.has(o))];
}

/** How many of a diameter each griddle takes at once. */
export const atOnce = (
  house: Kitchen,
  acrossCm: number,
): readonly { readonly name: string; readonly pieces: number }[] =>
  house.gear.flatMap((g) => (g.sort === 'griddle' ? [{ name: g.name, pieces: placesOn(g, 'griddle', acrossCm) }] : []));

/** Standard scoops: number, and what one holds level, mL (so many to the US quart). */
export const SCOOPS: readonly { readonly number: number; readonly ml: number }[] = [
  { number: 8, ml: 118 },
  { number: 10, ml: 95 },
  { number: 12, ml: 79 },
  { number: 16, ml: 59 },
  { number: 20, ml: 47 },
  { number: 24, ml: 39 },
  { number: 30, ml: 32 },
  { number: 40, ml: 24 },
];

/** What a scoop of a number holds level, mL: so many to the quart. Null for a number no scoop has. */
export const scoopMl = (number: number): number | null =>
  number >= 4 && number <= 100 ? Number(QUART_ML) / number : null;

/** A round of batter as it lies poured, mL. @param acrossCm its diameter @param thickMm as poured, not as baked */
export const roundMl = (acrossCm: number, thickMm: number): number => ((Math.PI / 4) * acrossCm ** 2 * thickMm) / 10;
