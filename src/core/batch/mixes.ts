/**
 * A batch in mixes: equal ones, each of which a bowl holds with room to whisk, an arm can turn, and the griddle pours
 * before the mix has stood past its working life. Masses in grams, volumes in mL, times in minutes.
 */

import { type FlowingBatter, liesAs } from '../batter/spread';
import { AS_USUAL, type Lit, placesIn, surfacesFor } from '../batter/surface';
import type { KindId } from '../formula/kinds';
import { FILLING_NAMES, kindById } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import type { Numbers } from '../numbers';
import type { Bowl } from '../pantry/gear';
import { FOAM_STANDS_MIN } from '../script/foam';
import { BETWEEN_S } from '../script/on-heat';

/** The most one arm mixes at a time; ours. */
export const BY_HAND_G = 5000;
/** Share of a bowl that whisking needs free. */
export const HEAD_SHARE = 0.35;
export const MOST_MIXES = 60;

/** Share of the gas that plain soda has to give before its haste decides how long a batter lasts. */
const SODA_LEADS = 1 / 3;
/** g CO2 per 100 g flour under which a batter has no lift to lose. */
const NO_LIFT = 0.15;

export interface Life {
  /** Null: no lift that waiting spends. */
  readonly min: number | null;
  readonly why: string;
}

/** What whites are good for once they are folded in. */
export const FOAM_LIFE: Life = { min: FOAM_STANDS_MIN, why: 'whipped whites sink' };

/**
 * How long a batter may stand from joining, with foam from the fold, to its last pour: kitchen defaults of ours, for
 * the cook to change.
 * @param whites whites are whipped apart and folded in, whatever the lines of the bowl say
 */
export function lifeOf(a: Pick<Numbers, 'volume' | 'ledger' | 'co2Per100gFlour'>, whites = false): Life {
  if (whites || a.volume?.foamed) return FOAM_LIFE;
  return batterLife(a);
}

/** The same before the whites are in: foam has a clock of its own, from the moment it is folded. */
export function batterLife(a: Pick<Numbers, 'ledger' | 'co2Per100gFlour'>): Life {
  if ((a.co2Per100gFlour ?? 0) <= NO_LIFT) return { min: null, why: 'no rise is lost by waiting' };
  const worked = a.ledger.sodaG - a.ledger.unspentSodaG;
  const all = worked + a.ledger.sodaInPowderG;
  return all > 0 && worked / all >= SODA_LEADS
    ? { min: 30, why: 'soda works as soon as it is wet' }
    : { min: 60, why: 'powder keeps part of its gas for the heat' };
}

export interface Pace {
  /** Pieces a minute. */
  readonly perMin: number;
  /** In one load. */
  readonly atOnce: number;
  readonly why: string;
}

/** How far a piece spreads where it is poured, cm; undefined where it fills a shape, or the batter says nothing. */
export const acrossOf = (kindId: KindId, a: FlowingBatter, portionMl: number): number | undefined =>
  liesAs(kindById(kindId), a, portionMl)?.diameterCm;

/**
 * Pieces a minute off the gear there is.
 * @param onHeat seconds a piece lies on the heat, and whether earlier batches say so
 * @returns null where the kitchen has noted nothing the kind is made on
 */
export function paceOf(
  house: Pick<Kitchen, 'gear'>,
  kindId: KindId,
  a: FlowingBatter,
  portionMl: number,
  onHeat: { readonly seconds: number; readonly timed: boolean },
  lit: Lit = AS_USUAL,
): Pace | null {
  const surfaces = surfacesFor(house.gear, kindId, acrossOf(kindId, a, portionMl), lit);
  const on = surfaces.map((s) => s.name);
  const atOnce = placesIn(surfaces);
  if (atOnce === 0) return null;
  const seconds = onHeat.seconds + BETWEEN_S;
  return {
    perMin: (60 * atOnce) / seconds,
    atOnce,
    why: `${atOnce} at once on ${on.join(', ')}, ${Math.round(seconds)} s a ${FILLING_NAMES[kindId]}${onHeat.timed ? ' as timed here' : ''}`,
  };
}

interface MixesAsked {
  readonly massG: number;
  readonly volumeMl: number;
  /** Null where nothing is counted. */
  readonly pieces: number | null;
  readonly perMin: number | null;
  readonly lifeMin: number | null;
  readonly bowls: readonly Bowl[];
  /** So many, where the cook has said; left out: the fewest that do. */
  readonly mixes?: number | null;
}

export interface Mixes {
  readonly mixes: number;
  readonly massG: number;
  readonly volumeMl: number;
  readonly pieces: number | null;
  /** The smallest bowl that holds one with room to whisk; null where none does, or none is noted. */
  readonly bowl: Bowl | null;
  /** Joined together: no more than there are bowls for and the life allows. */
  readonly atOnce: number;
  readonly waves: number;
  /** Minutes from one wave to the next; null where the pace is not known. */
  readonly apartMin: number | null;
  /** What is wrong with it, in words; mostly nothing. */
  readonly doubts: readonly string[];
}

const usable = (b: Bowl): number => b.bowlMl * (1 - HEAD_SHARE);

/** Splits a batch into equal mixes. */
export function mixesFor(q: MixesAsked): Mixes {
  const largest = Math.max(0, ...q.bowls.map(usable));
  const lasts = q.perMin !== null && q.lifeMin !== null && q.pieces !== null ? q.perMin * q.lifeMin : null;
  const least = Math.max(
    Math.ceil(q.massG / BY_HAND_G - 1e-9),
    largest > 0 ? Math.ceil(q.volumeMl / largest - 1e-9) : 1,
    lasts !== null && lasts > 0 && q.pieces ? Math.ceil(q.pieces / lasts - 1e-9) : 1,
    1,
  );
  const mixes = Math.min(MOST_MIXES, Math.max(1, q.mixes ?? least));
  const volumeMl = q.volumeMl / mixes;
  const massG = q.massG / mixes;
  const holding = q.bowls.filter((b) => usable(b) >= volumeMl - 1e-6).sort((x, y) => x.bowlMl - y.bowlMl);
  const bowls = holding.reduce((n, b) => n + b.bowls, 0);
  const piecesEach = q.pieces === null ? null : q.pieces / mixes;
  const byLife = lasts !== null && piecesEach ? Math.max(1, Math.floor(lasts / piecesEach + 1e-9)) : mixes;
  const atOnce = Math.max(1, Math.min(mixes, q.bowls.length > 0 ? Math.max(1, bowls) : mixes, byLife));
  const minutesEach = q.perMin && piecesEach ? piecesEach / q.perMin : null;
  const doubts = [
    ...(q.bowls.length > 0 && holding.length === 0 ? ['No bowl here holds one with room to whisk.'] : []),
    ...(massG > BY_HAND_G + 0.5 ? [`Each is more than the ${BY_HAND_G / 1000} kg one arm turns well.`] : []),
    ...(minutesEach !== null && q.lifeMin !== null && minutesEach > q.lifeMin + 0.05
      ? [`Its last piece would be poured after ${Math.round(minutesEach)} minutes, past its ${q.lifeMin}.`]
      : []),
  ];
  return {
    mixes,
    massG,
    volumeMl,
    pieces: piecesEach,
    bowl: holding[0] ?? null,
    atOnce,
    waves: Math.ceil(mixes / atOnce),
    apartMin: minutesEach === null ? null : minutesEach * atOnce,
    doubts,
  };
}

/** Full loads of the heat and what the last one lacks. @param pieces that are poured @param atOnce in one load */
export function loadsOf(
  pieces: number,
  atOnce: number,
): { readonly full: number; readonly last: number; readonly toFill: number } {
  const last = pieces % atOnce;
  return { full: Math.floor(pieces / atOnce), last, toFill: last === 0 ? 0 : atOnce - last };
}
