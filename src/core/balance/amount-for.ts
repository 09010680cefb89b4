/**
 * "Some flour", "salt": a thing that is known and an amount that is not. The amount that puts its own ratio into the
 * middle of the kind's zone is proposed, to be taken, changed or refused; never put in by itself.
 */
import type { Worked } from '../analyse-formula';
import { writtenGrams } from '../card/rewrite';
import type { FormulaLine, UsualSpan } from '../formula/formula';
import { along, type Rail, type School, schoolOf, type Zone } from '../formula/kinds';
import { tally, testedFlourG } from '../formula/tally';
import { CO2_G_PER_MMOL, ledger, MEQ_PER_G_SODA } from '../lift/ledger';
import { inSpoons } from '../pantry/honest';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { nameFor } from '../pantry/naming';
import { behaviourOf } from '../pantry/tables/behaviour';
import { type Bench, conventionsOn, editEntry, type Proposal, withFormula, workedOn } from './bench';
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

/** Water that a batter of any size holds, g. */
const LEAST_WET_G = 40;

/** Where in its zone an amount is proposed: a little under the middle, where most cooks would begin. */
const START = 0.4;

/** Flour at which what is wet stands in the middle of the zone, g; null where nothing is wet yet. */
function flourFor(w: Worked, school: School, at = START): number | null {
  const t = tally(w.lines);
  const wet = t.waterG - t.boundWaterG;
  const has = testedFlourG(t);
  const flour = (100 * wet) / along(school.zones.water, at) - has;
  // a pinch and a spoon of milk ask for no flour
  return wet >= LEAST_WET_G && flour > 0 ? flour : null;
}

function gramsFor(w: Worked, i: Ingredient, school: School, at = START): number | null {
  if (isFlour(i)) return flourFor(w, school, at);
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
  const grams = brings > 0 ? ((along(zone, at) * flour) / 100 - has[rail]) / brings : 0;
  return grams > 0 ? grams : null;
}

/** Of what has no ratio of its own half to twice is usual. */
const NO_RATIO: UsualSpan = [0.5, 2];

/** What is usual of an amount that is proposed: to both ends of its ratio's zone, as shares of it. */
function spreadOf(w: Worked, i: Ingredient, school: School, grams: number): UsualSpan {
  if (gramsFor(w, i, school) === null) return NO_RATIO;
  const ends = [0, 1].map((at) => (gramsFor(w, i, school, at) ?? 0) / grams);
  const share = (x: number): number => Math.round(100 * x) / 100;
  return [share(Math.min(1, ...ends)), share(Math.min(10, Math.max(1, ...ends)))];
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

/** A line written with an amount, as a cook would write it. */
function withAmount(b: Bench, line: FormulaLine, i: Ingredient, grams: number, proposed: UsualSpan) {
  const named = nameFor(i.id, conventionsOn(b));
  const done = line.preparation
    .replace(/\b(?:some|to taste|as needed|an? (?:little|bit|touch)(?: bit)?(?: of)?)\b,?\s*/gi, '')
    .trim();
  const text = `${written(i, grams, named.name)}${done ? `, ${done}` : ''}`;
  const edit = { text, proposed, ...(named.ingredientId ? { ingredientId: named.ingredientId } : {}) };
  return { text, formula: editEntry(b.formula, line.key, edit) };
}

/** The line with an amount the kind would have. @returns null where no ratio says how much */
export function amountFor(b: Bench, w: Worked, line: FormulaLine): Proposal | null {
  const { kind } = w.analysis;
  const i = line.ingredient;
  if (!kind || !i) return null;
  const school = w.analysis.school ?? schoolOf(kind, null);
  const grams = gramsFor(w, i, school);
  if (grams === null) return null;
  const { text, formula } = withAmount(b, line, i, grams, spreadOf(w, i, school, grams));
  return {
    title: text,
    why: `How much is not written. "${text}" puts it where most ${kind.pieces} have it; change it to what you use.`,
    formula,
    short: null,
  };
}

/** Flour of a card that measures nothing, g: a dozen of a usual size. */
const FRESH_FLOUR_G = 250;
/** Less flour than this comes of an anchor that is no anchor: a spoon of milk, a pinch. */
const LEAST_FLOUR_G = 60;

/** Of what has no ratio of its own, percent of the flour: what most cooks take. Ours. */
const USUAL_SHARE: Partial<Readonly<Record<Ingredient['category'], number>>> = {
  flavour: 1.5,
  'fruit-veg': 50,
  'nut-seed': 25,
  topping: 30,
  // where the others bring enough of it
  sugar: 4,
  syrup: 4,
  fat: 6,
  salt: 1,
};

/** Flour to begin with: by what is wet, by the eggs, else a usual batch. */
function flourToBegin(
  w: Worked,
  school: School,
  open: readonly FormulaLine[],
): { readonly grams: number; readonly by: string } {
  const t = tally(w.lines);
  // while a liquid is open, what is wet is only a part of it
  const waits = open.some((l) => l.ingredient && behaviourOf(l.ingredient).poured);
  const wet = waits ? 0 : (flourFor(w, school) ?? 0);
  if (wet >= LEAST_FLOUR_G) return { grams: wet, by: 'what is poured in' };
  const eggs = along(school.zones.egg, 0.5);
  const byEggs = eggs > 0 ? (100 * t.eggG) / eggs : 0;
  return byEggs >= LEAST_FLOUR_G
    ? { grams: byEggs, by: 'the eggs' }
    : { grams: FRESH_FLOUR_G, by: 'a usual batch, for nothing large is measured' };
}

/** What the others hang on comes first. */
const inOrder = (i: Ingredient): number =>
  isFlour(i) ? 0 : i.category === 'egg' ? 1 : behaviourOf(i).poured ? 2 : i.id === 'baking-soda' ? 4 : 3;

/**
 * All that has no amount, at once: flour by what is known (what is wet, the eggs), then each by the middle of its
 * ratio.
 * @param open lines of the batter without an amount
 * @returns null where one or none is open, or no flour is on the card
 */
export function amountsForAll(b: Bench, w: Worked, open: readonly FormulaLine[]): Proposal | null {
  const { kind } = w.analysis;
  const school = w.analysis.school ?? (kind ? schoolOf(kind, null) : null);
  const known = open.filter((l) => l.ingredient !== null && l.use === 'batter');
  if (!kind || !school || known.length < 2) return null;
  const flours = known.filter((l) => l.ingredient && isFlour(l.ingredient));
  if (flours.length === 0 && !(testedFlourG(w.analysis.tally) > 0)) return null;
  const begin = flourToBegin(w, school, known);
  const ordered = [...known].sort((a, c) => inOrder(a.ingredient as Ingredient) - inOrder(c.ingredient as Ingredient));
  const texts: string[] = [];
  let bench = b;
  for (const l of ordered) {
    const i = l.ingredient as Ingredient;
    const now = workedOn(bench);
    const flour = testedFlourG(now.analysis.tally);
    const grams = isFlour(i)
      ? begin.grams / flours.length
      : (gramsFor(now, i, school) ?? ((USUAL_SHARE[i.category] ?? 0) * flour) / 100);
    if (!(grams > 0)) continue;
    const put = withAmount(bench, l, i, grams, spreadOf(now, i, school, grams));
    texts.push(put.text);
    bench = withFormula(bench, put.formula);
  }
  if (texts.length < 2) return null;
  const anchor = flours.length > 0 ? ` Flour is set by ${begin.by}.` : '';
  return {
    title: `Propose all ${texts.length} amounts`,
    why: `${texts.join(', ')}. Nobody told how much: each stands where most ${kind.pieces} have it.${anchor} Change them to what you use, or weigh as you pour.`,
    formula: bench.formula,
    short: null,
  };
}
