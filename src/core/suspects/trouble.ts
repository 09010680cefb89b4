/**
 * How far a formula is from calm, as one number: what it costs to believe that a cook wants it so. Inside a zone next
 * to nothing; outside, in proportion to the logarithm of how many times too much or too little, by how far good
 * formulas of our own reach (`SPREAD`). A negative natural logarithm, like the cost of a slip, so that the two can be
 * weighed.
 */

import { raisedTwice } from '../findings/balance-rules';
import { strongest, yieldOff } from '../findings/card-rules';
import type { EvidenceLine } from '../findings/finding';
import { RAILS, type Rail, type RailReading, railOf, type Zone } from '../formula/kinds';
import type { Numbers } from '../numbers';
import type { Category } from '../pantry/ingredient';

interface Spread {
  /** A factor e beyond the end of the zone costs 1 over this. */
  readonly above: number;
  readonly below: number;
  /** What is added before the logarithm, so that nothing of it is not infinitely little. */
  readonly none: number;
}
const SPREAD: Readonly<Record<Exclude<Rail, 'water'>, Spread>> = {
  egg: { above: 0.3, below: 0.5, none: 10 },
  fat: { above: 0.21, below: 0.6, none: 5 },
  sugar: { above: 0.22, below: 0.8, none: 5 },
  salt: { above: 0.13, below: 1, none: 0.5 },
  lift: { above: 0.17, below: 0.22, none: 0.4 },
};
/** Water reaches as far beyond its zone as the zone itself is wide: this share of its logarithm. */
const WATER_SPREAD = 0.26;
const spreadOf = (rail: Rail, [low, high]: Zone): Spread => {
  if (rail !== 'water') return SPREAD[rail];
  const s = WATER_SPREAD * Math.log(high / low);
  return { above: s, below: s, none: 0 };
};
/** What the middle of a zone is better than its end. */
const END_OF_ZONE = 0.3;
/** More than so much for one rail tells no more. */
const MOST = 12;
const beyond = (far: number, spread: number): number => END_OF_ZONE + Math.min(MOST, far / spread);

function railTrouble({ rail, tested, zone, reading }: RailReading): number {
  if (!zone || !reading) return 0;
  const { above, below, none } = spreadOf(rail, zone);
  const [low, high] = zone;
  if (tested > high) return beyond(Math.log((tested + none) / (high + none)), above);
  if (tested < low) return beyond(Math.log((low + none) / Math.max(1e-3, tested + none)), below);
  const at = high > low ? (2 * (tested - low)) / (high - low) - 1 : 0;
  return END_OF_ZONE * at * at;
}

/** Percent of flour of soda with nothing to work on that cards still have, and how far beyond they reach. */
const SODA_LEFT = 0.6;
const SODA_SPREAD = 0.4;
/** A limit is three times what a card usually has of a spice. */
const SPICE_USUAL = 1 / 3;
/** Self-raising flour with powder beside it. */
const RAISED_TWICE = 3.2;
const SPICE_SPREAD = 0.35;
const SPICE_APART = 0.3;
const YIELD_SPREAD = 0.4;

/** Nobody writes a line for less than so much of a thing, percent of flour. */
const WORTH_A_LINE: Partial<Readonly<Record<Category, number>>> = {
  flour: 1.5,
  starch: 1.5,
  sugar: 1.5,
  fat: 1.5,
  dairy: 1.5,
  'plant-milk': 1.5,
  egg: 1.5,
};
const POWDER_WORTH_A_LINE = 0.8;
const POINTLESS = 2;
const POINTLESS_SPREAD = 0.6;

function pointless(l: EvidenceLine, flourG: number): number {
  if (l.use !== 'batter' || !l.ingredient) return 0;
  const isPowder = l.ingredient.ownAcidMeqPer100g > 0;
  const least = isPowder ? POWDER_WORTH_A_LINE : WORTH_A_LINE[l.ingredient.category];
  const pct = (100 * l.parts.reduce((a, p) => a + p.grams, 0)) / flourG;
  return !least || pct >= least || pct === 0 ? 0 : POINTLESS + Math.log(least / pct) / POINTLESS_SPREAD;
}

/** Natural-logarithm units; 0 for a formula in the middle of everything. */
export function troubleOf(a: Numbers, lines: Parameters<typeof strongest>[0]['lines']): number {
  if (!(a.tally.flourG > 0)) return MOST * 2;
  let sum = 0;
  for (const rail of RAILS) {
    const r = railOf(a, rail);
    // a foam is lift enough
    const foamed = rail === 'lift' && a.volume?.foamed === true && r?.reading?.standing === 'below';
    if (r && !foamed) sum += railTrouble(r);
  }
  const soda = (100 * a.ledger.unspentSodaG) / a.tally.flourG;
  if (soda > SODA_LEFT && !a.tally.unknown.acid && !a.waits.has('lift'))
    sum += Math.min(MOST, Math.log(soda / SODA_LEFT) / SODA_SPREAD);
  for (const l of lines) sum += pointless(l, a.tally.flourG);
  const e = { ...a, lines };
  if (raisedTwice(e)) sum += RAISED_TWICE;
  const spice = strongest(e);
  if (spice) {
    const over = Math.log(spice.pct / spice.limit);
    sum += Math.min(MOST, Math.max(0, over) / SPICE_SPREAD);
    sum += SPICE_APART * Math.max(0, Math.log(spice.pct / (SPICE_USUAL * spice.limit))) ** 2;
  }
  const claim = yieldOff(e);
  if (claim) sum += Math.min(MOST, Math.abs(Math.log(claim.pieces / claim.claimed)) / YIELD_SPREAD);
  return sum;
}
