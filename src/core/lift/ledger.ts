/**
 * The lift ledger: what brings acid, what brings soda, what meets and what is left over. Milliequivalents to about
 * pH 7.5; 1 g of soda (NaHCO3, 84.007 g/mol) is 11.904 meq. Full reaction is assumed: this is the gas the formula can
 * give, unrested. Arithmetic, as good as the pantry's acidities (cultured dairy +-18 %, honey and brown sugar x2).
 */

import type { TallyLine } from '../formula/tally';
import type { Ingredient } from '../pantry/ingredient';
import { isWholePiece } from '../pantry/tables/behaviour';

export const MEQ_PER_G_SODA = 1000 / 84.007;
/** g CO2 per mmol. */
export const CO2_G_PER_MMOL = 0.04401;
/** Share of unspent soda that heat takes apart in the minutes on the griddle; at most half its gas comes of it. */
export const HEAT_SHARE = 0.3;

interface LedgerRow {
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** Food acid (positive) or alkali other than soda (negative), meq. */
  readonly acidMeq: number;
  /** Soda it brings, g; of a powder or self-raising flour the part it carries. */
  readonly sodaG: number;
  /** Whether that soda comes with acid of its own. */
  readonly ownAcid: boolean;
}

export interface Ledger {
  /** Plain soda, g. */
  readonly sodaG: number;
  readonly sodaInPowderG: number;
  /** Food acid without a powder's own, meq. */
  readonly acidMeq: number;
  /** Alkali other than soda (old egg white), meq. */
  readonly baseMeq: number;
  readonly unspentSodaG: number;
  readonly unspentAcidMeq: number;
  /** Plain soda that all the food acid could work, g. */
  readonly sodaAcidCouldWorkG: number;
  readonly co2G: number;
  readonly rows: readonly LedgerRow[];
}

/** Food acid of an ingredient, meq per 100 g: without what a powder or self-raising flour keeps for its own soda. */
const foodAcid = (i: Ingredient): number => i.acidMeqPer100g - i.ownAcidMeqPer100g;

export interface LiftLine extends TallyLine {
  /** Gas an opened powder still gives, as a share of a fresh one's; 1 where nothing is said. */
  readonly strength?: number;
}

/**
 * Works the ledger of a formula's batter lines.

 */
export function ledger(lines: readonly LiftLine[]): Ledger {
  let sodaG = 0;
  let sodaInPowderG = 0;
  let acidMeq = 0;
  let baseMeq = 0;
  const rows: LedgerRow[] = [];
  for (const line of lines) {
    if (line.use !== 'batter') continue;
    for (const { ingredient: i, grams } of line.parts) {
      const a = isWholePiece(i, line.preparation) ? 0 : (foodAcid(i) * grams) / 100;
      const ownAcid = i.ownAcidMeqPer100g > 0;
      // an aged powder has spent soda and acid of its own alike
      const s = ((i.sodaPct * grams) / 100) * (ownAcid ? (line.strength ?? 1) : 1);
      if (ownAcid) sodaInPowderG += s;
      else sodaG += s;
      if (a > 0) acidMeq += a;
      else baseMeq -= a;
      if (s > 0 || a !== 0) rows.push({ ingredient: i, grams, acidMeq: a, sodaG: s, ownAcid });
    }
  }
  const acid = Math.max(0, acidMeq - baseMeq);
  const soda = sodaG * MEQ_PER_G_SODA;
  const met = Math.min(soda, acid);
  const unspentSoda = soda - met;
  const co2G = (met + sodaInPowderG * MEQ_PER_G_SODA + 0.5 * HEAT_SHARE * unspentSoda) * CO2_G_PER_MMOL;
  return {
    sodaG,
    sodaInPowderG,
    acidMeq,
    baseMeq,
    unspentSodaG: unspentSoda / MEQ_PER_G_SODA,
    unspentAcidMeq: acid - met,
    sodaAcidCouldWorkG: acid / MEQ_PER_G_SODA,
    co2G,
    rows,
  };
}
