/** The portions a kitchen can pour: its own ladles and scoops as it measured them, and what its pans and irons ask for. */
import type { Kitchen } from '../formula/ways';
import { measureName } from '../pantry/calibrate';
import { piecesOn, portionFor } from '../pantry/gear';

export interface PortionOffer {
  readonly name: string;
  readonly ml: number;
}

/** Vessels nobody pours a pancake from. */
const TOO_LARGE_ML = 1000;

/** What there is to pour a kind's portion with, the smallest first. */
export function portionsIn(house: Kitchen, kind: string): readonly PortionOffer[] {
  const vessels = (house.conventions.own?.measures ?? [])
    .filter((m) => m.used && m.ingredientId === null && m.weighings.length > 0 && m.each <= TOO_LARGE_ML)
    .map((m) => ({ name: measureName(m), ml: m.each }));
  const gear = house.gear.flatMap((g) => {
    const ml = portionFor(g, kind);
    return ml === null ? [] : [{ name: g.name, ml }];
  });
  return [...vessels, ...gear].sort((a, b) => a.ml - b.ml);
}

/** How many of a diameter each griddle takes at once. */
export const atOnce = (house: Kitchen, acrossCm: number): readonly { readonly name: string; readonly pieces: number }[] =>
  house.gear.flatMap((g) => (g.sort === 'griddle' ? [{ name: g.name, pieces: piecesOn(g, acrossCm) }] : []));
