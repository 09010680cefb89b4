/**
 * Working the lift again: so much gas from soda that finds acid, the rest from powder. How much soda a sour liquid can
 * use, what powder then remains, the same lift with no soda, the same with no powder. Arithmetic on the ledger.
 */

import Fraction from 'fraction.js';
import type { Worked } from '../analyse-formula';
import { writtenGrams } from '../card/rewrite';
import type { FormulaLine } from '../formula/formula';
import { railOf } from '../formula/kinds';
import { testedFlourG } from '../formula/tally';
import { CO2_G_PER_MMOL, type Ledger, MEQ_PER_G_SODA } from '../lift/ledger';
import { POWDER_INGREDIENT } from '../pantry/conventions';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { writeNumber } from '../quantity/number';
import { grams, lift } from '../quantity/say';
import {
  addAfter,
  type Bench,
  conventionsOn,
  editEntry,
  type Proposal,
  withFormula,
  withGrams,
  workedOn,
} from './bench';

/**
 * Less than this of a leavening is not worth a line: a quarter of an eighth of a teaspoon of soda, an eighth of powder.
 */
const LEAST_SODA_G = 0.15;
const LEAST_POWDER_G = 0.5;

/** How the gas is to be had. */
export type Source = 'soda-first' | 'no-soda' | 'no-powder';

const isSoda = (l: FormulaLine): boolean =>
  l.use === 'batter' && l.parts.length === 1 && l.ingredient?.id === 'baking-soda';
const isPowder = (l: FormulaLine): boolean =>
  l.use === 'batter' &&
  l.parts.length === 1 &&
  l.ingredient?.category === 'leavening' &&
  (l.ingredient.ownAcidMeqPer100g ?? 0) > 0;

/** Whether a leavening line is pinned: then the leavening is not worked again. */
export const leaveningPinned = (lines: readonly FormulaLine[]): boolean =>
  lines.some((l) => l.pinned && (isSoda(l) || isPowder(l)));

/** Acid that plain soda can work, meq. */
const acidOf = (l: Ledger): number => Math.max(0, l.acidMeq - l.baseMeq);

/** A spoon that is over by less than this share of an eighth is not over. */
const A_LITTLE = 0.08;

/** Spoons go by eighths: the nearest that is no more than asked, or the nearest at all. */
function bySpoon(line: FormulaLine | undefined, g: number, downOnly: boolean): number {
  const [amount] = line?.amounts ?? [];
  const eighths = amount?.unit === 'tsp' ? 8 : amount?.unit === 'tbsp' ? 24 : 0;
  if (!line?.grams || !amount || eighths === 0 || line.written.length !== 1) return g;
  const eighth = line.grams / amount.low.valueOf() / eighths;
  const n = downOnly ? Math.floor(g / eighth + A_LITTLE) : Math.round(g / eighth);
  return n * eighth;
}

interface Leavened {
  readonly sodaG: number;
  readonly powderG: number;
  /** g CO2 per 100 g flour this comes to. */
  readonly co2: number;
  readonly short: boolean;
}

/**
 * Soda and powder for a lift.
 * @param target g CO2 per 100 g flour
 * @returns null without flour
 */
export function leavenFor(w: Worked, target: number, source: Source, powderSodaShare: number): Leavened | null {
  const { tally: t, ledger: l } = w.analysis;
  const flourG = testedFlourG(t);
  if (!(t.flourG > 0)) return null;
  const soda = w.lines.find(isSoda);
  const powder = w.lines.find(isPowder);
  const powderLines = w.lines.filter(isPowder);
  // soda that self-raising flour carries stays whatever is done here
  const lineSoda = l.rows
    .filter((r) => r.ownAcid && powderLines.some((p) => p.ingredient?.id === r.ingredient.id))
    .reduce((a, r) => a + r.sodaG, 0);
  const givenMeq = (l.sodaInPowderG - lineSoda) * MEQ_PER_G_SODA;
  const needMeq = Math.max(0, (target * flourG) / 100 / CO2_G_PER_MMOL - givenMeq);
  const mostSoda = source === 'no-soda' ? 0 : Math.min(acidOf(l), needMeq) / MEQ_PER_G_SODA;
  let sodaG = bySpoon(soda, mostSoda, true);
  if (sodaG < LEAST_SODA_G) sodaG = 0;
  const restMeq = Math.max(0, needMeq - sodaG * MEQ_PER_G_SODA);
  let powderG = source === 'no-powder' ? 0 : bySpoon(powder, restMeq / MEQ_PER_G_SODA / powderSodaShare, false);
  if (powderG < LEAST_POWDER_G) powderG = 0;
  const meq = givenMeq + sodaG * MEQ_PER_G_SODA + powderG * powderSodaShare * MEQ_PER_G_SODA;
  const co2 = (100 * meq * CO2_G_PER_MMOL) / flourG;
  return { sodaG, powderG, co2, short: co2 < 0.93 * target };
}

/** Grams of soda in a gram of the powder on the sheet, as aged as it is; of the house's powder where there is none. */
export function powderShare(b: Bench, lines: readonly FormulaLine[]): number {
  const powder = lines.find(isPowder);
  const i = powder?.ingredient ?? ingredient(POWDER_INGREDIENT[conventionsOn(b).powder]);
  return (i.sodaPct / 100) * (powder?.strength ?? 1);
}

/**
 * "2 1/4 teaspoons": to the quarter, as a sheet in spoons has it; soda never rounded up, since what finds no acid is
 * tasted.
 */
function asSpoons(id: string, grams: number): string {
  const quarters = Math.max(
    1,
    (id === 'baking-soda' ? Math.floor : Math.round)((4 * grams) / (ingredient(id).gPerTsp ?? 4.6) + 1e-9),
  );
  return `${writeNumber(new Fraction(quarters, 4))} teaspoon${quarters > 4 ? 's' : ''}`;
}

/** The formula with its plain soda and powder at these amounts; lines are added where they lack. */
export function withLeavening(b: Bench, w: Worked, to: Pick<Leavened, 'sodaG' | 'powderG'>): Proposal['formula'] {
  const put = new Map<string, number>();
  const missing: { readonly id: string; readonly grams: number }[] = [];
  for (const [is, grams, id] of [
    [isSoda, to.sodaG, 'baking-soda'],
    [isPowder, to.powderG, POWDER_INGREDIENT[conventionsOn(b).powder]],
  ] as const) {
    const [first, ...others] = w.lines.filter(is);
    for (const o of others) put.set(o.key, 0);
    if (first) put.set(first.key, grams);
    else if (grams > 0) missing.push({ id, grams });
  }
  const spooned = w.lines.some(
    (l) => (isSoda(l) || isPowder(l)) && (l.amounts[0]?.unit === 'tsp' || l.amounts[0]?.unit === 'tbsp'),
  );
  let f = withGrams(b, w.lines, put);
  for (const m of missing) {
    const named = nameFor(m.id, conventionsOn(b));
    // one that was switched off comes back, instead of a second line
    const off = f.entries.find((e) => e.off && e.text.toLowerCase().endsWith(named.name));
    const text = `${spooned ? asSpoons(m.id, m.grams) : writtenGrams(m.grams)} ${named.name}`;
    f = off
      ? editEntry(f, off.key, { text, off: undefined })
      : addAfter(f, null, text, named.ingredientId ? { ingredientId: named.ingredientId } : {});
  }
  return f;
}

const TITLES: Readonly<Record<Source, string>> = {
  'soda-first': 'As much soda as the acid works',
  'no-soda': 'The same rise with no soda',
  'no-powder': 'The same rise with no powder',
};

/** How near a thing has to be to be called the same. */
const SAME = 0.07;

function amountsOf({ lines }: Worked, say: (g: number) => string): string {
  const of = (is: (l: FormulaLine) => boolean): number => lines.filter(is).reduce((a, l) => a + (l.grams ?? 0), 0);
  const [soda, powder] = [of(isSoda), of(isPowder)];
  return [soda > 0 ? `${say(soda)} of soda` : 'no soda', powder > 0 ? `${say(powder)} of powder` : 'no powder'].join(
    ', ',
  );
}

/** The source's name where it is true of what came of it; else where the lift stands, and by what. */
function titleOf(w: Worked, after: Worked, source: Source, short: boolean, say: (g: number) => string): string {
  const [was, is] = [w, after].map((x) => railOf(x.analysis, 'lift')?.tested ?? 0) as [number, number];
  const { sodaG } = after.analysis.ledger;
  const capacity = acidOf(after.analysis.ledger) / MEQ_PER_G_SODA;
  const named =
    source === 'soda-first'
      ? sodaG > 0 && sodaG >= capacity - Math.max(SAME * capacity, 0.3)
      : Math.abs(is - was) <= SAME * was || short;
  return named ? TITLES[source] : `Rise to ${lift(is)} g: ${amountsOf(after, say)}`;
}

/** Whether a proposal would change anything worth saying. */
const differs = (w: Worked, to: Leavened): boolean => {
  const now = (is: (l: FormulaLine) => boolean): number => w.lines.filter(is).reduce((a, l) => a + (l.grams ?? 0), 0);
  return Math.abs(now(isSoda) - to.sodaG) > 0.1 || Math.abs(now(isPowder) - to.powderG) > 0.3;
};

/**
 * The lift worked again from a source.
 * @param target g CO2 per 100 g flour; left out: the lift there is, brought inside the kind's zone
 * @returns null where there is nothing to change, or no flour
 */
export function relift(b: Bench, source: Source, target: number | null = null): Proposal | null {
  const w = workedOn(b);
  const reading = railOf(w.analysis, 'lift');
  if (!reading || leaveningPinned(w.lines)) return null;
  const [low, high] = reading.zone ?? [0, Number.POSITIVE_INFINITY];
  const want =
    target ?? Math.min(high, Math.max(low + (Number.isFinite(high) ? 0.1 * (high - low) : 0), reading.tested));
  const share = powderShare(b, w.lines);
  const to = leavenFor(w, want, source, share);
  if (!to || !differs(w, to)) return null;
  if (source === 'no-powder' && to.sodaG === 0) return null;
  const formula = withLeavening(b, w, to);
  const after = workedOn(withFormula(b, formula));
  const say = (g: number): string => grams(g, b.house.units);
  const reached = railOf(after.analysis, 'lift')?.tested ?? to.co2;
  return {
    title: titleOf(w, after, source, to.short, say),
    why: `The acid here can work ${say(acidOf(w.analysis.ledger) / MEQ_PER_G_SODA)} of soda. With ${amountsOf(after, say)} it gives ${lift(reached)} g of gas per 100 g flour.`,
    formula,
    short: to.short
      ? `The acid is too little for all of it: ${lift(reached)} g of ${lift(want)} g. A sour liquid, or some powder, brings the rest.`
      : null,
  };
}
