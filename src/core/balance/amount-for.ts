/**
 * "Some flour", "salt": a thing that is known and an amount that is not. The amount that puts its own ratio into the
 * middle of the kind's zone is proposed, to be taken, changed or refused; never put in by itself.
 */
import type { Worked } from '../analyse-formula';
import { writtenGrams } from '../card/rewrite';
import type { FormulaLine } from '../formula/formula';
import { along, type Rail, type School, schoolOf, type Zone } from '../formula/kinds';
import { tally, testedFlourG } from '../formula/tally';
import { CO2_G_PER_MMOL, ledger, MEQ_PER_G_SODA } from '../lift/ledger';
import { inSpoons } from '../pantry/honest';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { nameFor } from '../pantry/naming';
import { behaviourOf } from '../pantry/tables/behaviour';
import { type Bench, conventionsOn, editEntry, type Proposal } from './bench';
import { bringsOf } from './brings';

/** The ratio an ingredient is there for. */
function railFor(i: Ingredient): Rail | null {
  if (i.category === 'salt') return 'salt';
  if (i.category === 'sugar' || i.category === 'syrup') return 'sugar';
  if (i.category === 'fat') return 'fat';
  if (i.category === 'egg') return 'egg';
  if (i.category === 'leavening' && i.ownAcidMeqPer100g > 0) return 'lift';
  return behaviourOf(i).poured ? 'water' : null;
}

/** Flour at which what is wet stands in the middle of the zone, g; null where nothing is wet yet. */
function flourFor(w: Worked, school: School): number | null {
  const t = tally(w.lines);
  const wet = t.waterG - t.boundWaterG;
  const has = testedFlourG(t);
  const flour = (100 * wet) / along(school.zones.water, 0.4) - has;
  return wet > 0 && flour > 0 ? flour : null;
}

/** Where in its zone an amount is proposed: a little under the middle, where most cooks would begin. */
const START = 0.4;

function gramsFor(w: Worked, i: Ingredient, school: School): number | null {
  if (isFlour(i)) return flourFor(w, school);
  const flour = testedFlourG(w.analysis.tally);
  if (!(flour > 0)) return null;
  const t = w.analysis.tally;
  if (i.id === 'baking-soda') {
    // as much as the acid works
    const l = ledger(w.lines);
    const room = Math.max(0, l.acidMeq - l.baseMeq) / MEQ_PER_G_SODA - l.sodaG;
    return room > 0.2 ? room : null;
  }
  const rail = railFor(i);
  if (!rail) return null;
  const per = bringsOf({ parts: [{ ingredient: i, grams: 100 }], use: 'batter' }, false);
  const brings = (rail === 'lift' ? per.powderMeq * CO2_G_PER_MMOL : per[rail]) / 100;
  const has: Readonly<Record<Rail, number>> = {
    water: t.waterG - t.boundWaterG,
    egg: t.eggG,
    fat: t.fatG,
    sugar: t.sugarG,
    salt: t.saltG,
    lift: w.analysis.ledger.co2G,
  };
  const zone: Zone = school.zones[rail];
  const grams = brings > 0 ? ((along(zone, START) * flour) / 100 - has[rail]) / brings : 0;
  return grams > 0 ? grams : null;
}

/** How a cook would write it: whole eggs, spoons of what is spooned, grams of the rest. */
function written(i: Ingredient, grams: number, as: string): string {
  if (i.piece && i.category === 'egg') {
    const n = Math.max(1, Math.round(grams / i.piece.grams));
    return `${n} ${as}${n > 1 && !as.endsWith('s') ? 's' : ''}`;
  }
  const spoons = i.category === 'salt' || i.category === 'leavening' ? inSpoons(grams, i) : null;
  if (spoons) return `${spoons.text} ${as}`;
  const step = grams >= 100 ? 5 : grams >= 20 ? 1 : 0.5;
  return `${writtenGrams(Math.max(step, step * Math.round(grams / step)))} ${as}`;
}

/** The line with an amount the kind would have. @returns null where no ratio says how much */
export function amountFor(b: Bench, w: Worked, line: FormulaLine): Proposal | null {
  const { kind } = w.analysis;
  const i = line.ingredient;
  if (!kind || !i) return null;
  const school = w.analysis.school ?? schoolOf(kind, null);
  const grams = gramsFor(w, i, school);
  if (grams === null) return null;
  const named = nameFor(i.id, conventionsOn(b));
  const done = line.preparation.replace(/\b(?:some|to taste|as needed|a little)\b,?\s*/gi, '').trim();
  const text = `${written(i, grams, named.name)}${done ? `, ${done}` : ''}`;
  return {
    title: text,
    why: `How much is not written. "${text}" puts it where most ${kind.pieces} have it; change it to what you use.`,
    formula: editEntry(b.formula, line.key, {
      text,
      ...(named.ingredientId ? { ingredientId: named.ingredientId } : {}),
    }),
    short: null,
  };
}
