/**
 * The fade: how much lift a joined batter still has after standing. Soda and acid, and each powder, are pools that
 * react at their own rates; gas dissolves up to a limit and leaks the rest; folded-in air drains. A model with
 * constants that were never measured against a kitchen: good for comparing one formula or one rest with another,
 * nothing more.
 *
 * Lift is mL of gas at 95 C in 100 g of batter: 1 mmol of CO2 is 30.21 mL (dry, 1 atm).
 */
import type { Ingredient } from '../pantry/ingredient';
import { CO2_G_PER_MMOL, HEAT_SHARE, type Ledger, MEQ_PER_G_SODA } from './ledger';

const ML_PER_MMOL = 30.21;
/** g CO2 a gram of water holds at 22 C, and how that falls with warmth. */
const SATURATION = 0.0015;
/** Leaks per minute at 22 C, 2 Pa.s and 6 cm: gas beyond saturation, and dissolved gas. */
const LEAK_FREE = 0.02;
const LEAK_DISSOLVED = 0.0012;
const FOAM_DRAIN = 0.023;
const REFERENCE_PA_S = 2;
const LEAST_PA_S = 0.05;
/** Share of the gas freed in the first minute that is stirred out again. */
const STIRRED_OUT = 0.1;

/** A powder's share that acts cold, and the rates of its cold and its slow part, per minute at 22 C. */
interface PowderRates {
  readonly bench: number;
  readonly fast: number;
  readonly slow: number;
}
const ALUMINIUM: PowderRates = { bench: 0.3, fast: 0.9, slow: 0.001 };
const PHOSPHATE: PowderRates = { bench: 0.5, fast: 0.7, slow: 0.004 };
const TARTRATE: PowderRates = { bench: 0.95, fast: 0.6, slow: 0.05 };
const RATES: Readonly<Record<string, PowderRates>> = {
  'baking-powder-double-al': ALUMINIUM,
  'baking-powder-double-alfree': PHOSPHATE,
  // pyrophosphates act on the bench much as phosphates do
  'baking-powder-sapp': PHOSPHATE,
  'baking-powder-single': TARTRATE,
};
/** Self-raising flours carry a phosphate. */
const ratesOf = (i: Ingredient): PowderRates => RATES[i.id] ?? PHOSPHATE;

interface Pool {
  readonly meq: number;
  readonly perMin: number;
}

const SOUR_FAST = 2.5;
const SOUR_SLOW = 0.01;
const SOUR_FAST_SHARE = 0.92;
const ATTACK = 0.8;
const ATTACK_PER_MIN = 1;

/** What can still give gas, by how fast it does. */
function poolsOf(l: Ledger): Pool[] {
  const acid = Math.max(0, l.acidMeq - l.baseMeq);
  const soda = l.sodaG * MEQ_PER_G_SODA;
  const met = Math.min(soda, acid);
  const pools: Pool[] = [
    { meq: met * SOUR_FAST_SHARE, perMin: SOUR_FAST },
    { meq: met * (1 - SOUR_FAST_SHARE), perMin: SOUR_SLOW },
  ];
  let spare = acid - met;
  for (const r of l.rows) {
    if (!r.ownAcid || r.sodaG <= 0) continue;
    const { bench, fast, slow } = ratesOf(r.ingredient);
    const meq = r.sodaG * MEQ_PER_G_SODA;
    // food acid with nothing else to do frees powder soda on the bench
    const freed = Math.min(spare, meq * (1 - bench)) * ATTACK;
    spare -= freed;
    pools.push(
      { meq: meq * bench, perMin: fast },
      { meq: freed, perMin: ATTACK_PER_MIN },
      { meq: meq * (1 - bench) - freed, perMin: slow },
    );
  }
  if (soda > met) pools.push({ meq: (soda - met) * 0.5 * HEAT_SHARE, perMin: 0 });
  return pools.filter((p) => p.meq > 0);
}

export interface FadePoint {
  readonly min: number;
  /** mL of gas at 95 C per 100 g batter: from leavening, and from folded-in air. */
  readonly chemical: number;
  readonly foam: number;
  readonly lift: number;
}

export interface FadeInput {
  readonly batterG: number;
  readonly waterG: number;
  /** Pa.s; thicker batter holds gas longer. */
  readonly paS: number;
  readonly batterC: number;
  /** cm of batter in the bowl. */
  readonly depthCm?: number;
  /** mL of air folded in with whipped whites, after what folding loses. */
  readonly foamMl?: number;
}

/** The sensible axis: close steps at first, then hours, to a day. */
export const FADE_TIMES: readonly number[] = [
  0, 1, 2, 3, 5, 7.5, 10, 15, 20, 30, 45, 60, 90, 120, 180, 240, 360, 480, 600, 720, 960, 1200, 1440,
];

const DAY_MIN = 1440;
/** Steps of the leak, min: fine while the pools race, coarse when little is left to happen. */
const stepAt = (t: number): number => (t < 3 ? 0.05 : t < 30 ? 0.25 : t < 240 ? 1 : 5);

/**
 * Lift left after each of some times.
 * @param l the ledger of the formula
 * @param times minutes, rising, 0 to 1440; what is asked beyond a day is answered for a day
 */
export function fade(l: Ledger, at: FadeInput, times: readonly number[] = FADE_TIMES): readonly FadePoint[] {
  if (!(at.batterG > 0)) return [];
  const warm = at.batterC - 22;
  const speed = 2 ** (warm / 10);
  const paS = Math.max(at.paS, LEAST_PA_S);
  const depth = 6 / (at.depthCm ?? 6);
  const saturated = (at.waterG * SATURATION * Math.exp(-0.028 * warm)) / CO2_G_PER_MMOL;
  const free = LEAK_FREE * Math.sqrt(REFERENCE_PA_S / paS) * depth * 1.3 ** (warm / 10);
  const dissolved = LEAK_DISSOLVED * depth * 1.5 ** (warm / 10);
  const drain = FOAM_DRAIN * (REFERENCE_PA_S / paS) ** 0.25 * 1.8 ** (warm / 10);
  const pools = poolsOf(l);
  const meq = Float64Array.from(pools, (p) => p.meq * (1 - (1 - Math.exp(-p.perMin * speed)) * STIRRED_OUT));
  // steps repeat: what one of a length does is worked out once
  let known = 0;
  let reacts = new Float64Array(0);
  let leaks = 0;
  let seeps = 0;
  let held = 0;
  let t = 0;
  return times.map((asked) => {
    const until = Math.min(asked, DAY_MIN);
    while (t < until - 1e-9) {
      const dt = Math.min(until - t, stepAt(t));
      if (dt !== known) {
        known = dt;
        reacts = Float64Array.from(pools, (p) => 1 - Math.exp(-p.perMin * speed * dt));
        leaks = 1 - Math.exp(-free * dt);
        seeps = 1 - Math.exp(-dissolved * dt);
      }
      for (let i = 0; i < meq.length; i++) {
        const freed = (meq[i] as number) * (reacts[i] as number);
        meq[i] = (meq[i] as number) - freed;
        held += freed;
      }
      held -= Math.max(0, held - saturated) * leaks + Math.min(held, saturated) * seeps;
      t += dt;
    }
    const left = meq.reduce((a, x) => a + x, 0);
    const chemical = (100 * (left + held) * ML_PER_MMOL) / at.batterG;
    const foam = (100 * (at.foamMl ?? 0) * Math.exp(-drain * t) * 368.15) / (273.15 + at.batterC) / at.batterG;
    return { min: asked, chemical, foam, lift: chemical + foam };
  });
}

/** Density of the cooked cake, g/mL, from the lift it had at the griddle: a share of the gas is kept. */
const RETAINED = 0.45;
const AIRLESS_ML_PER_100G = 92.6;
export const cakeDensity = (lift: number): number => 100 / (AIRLESS_ML_PER_100G + RETAINED * lift);
