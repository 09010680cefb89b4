/**
 * Swaps with their consequences: a line becomes a stand-in, what that does to water, fat, sugar, acid, salt and
 * allergens is worked from the pantry, and the other lines make up for it, leavening included. Arithmetic but for the
 * taste words.
 */

import Fraction from 'fraction.js';
import type { Analysis } from '../analyse';
import { writtenGrams } from '../card/rewrite';
import { type Entry, type Formula, type FormulaLine, nextKey } from '../formula/formula';
import { railOf, sayRail } from '../formula/kinds';
import { railsOf } from '../numbers';
import { type Allergen, type Ingredient, isFlour, kitchenName } from '../pantry/ingredient';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { isWholePiece } from '../pantry/tables/behaviour';
import { writeNumber } from '../quantity/number';
import { percent, percentNumber } from '../quantity/say';
import { type Bench, conventionsOn, type Proposal, withEntries, withFormula, workedOn } from './bench';
import { keepsBatch } from './bounds';
import { movesRail } from './brings';
import { leavenFor, leaveningPinned, powderShare, withLeavening } from './leavening';
import { bend } from './ratios';
import { lineStandIns, type StandInRow } from './swap-table';

/** What the stand-in brings more (or less) than what it replaces, before anything makes up for it. */
export interface SwapEffect {
  readonly waterG: number;
  readonly fatG: number;
  readonly sugarG: number;
  readonly saltG: number;
  readonly acidMeq: number;
  readonly allergensIn: readonly Allergen[];
  readonly allergensOut: readonly Allergen[];
}

export interface Swap {
  readonly standIn: StandInRow;
  /** "Cultured buttermilk", "Whole milk with lemon juice". */
  readonly name: string;
  /** "480 g", "3 eggs". */
  readonly amount: string;
  readonly effect: SwapEffect;
}

interface Poured {
  readonly ingredient: Ingredient;
  readonly grams: number;
}

const foodAcid = (i: Ingredient): number => i.acidMeqPer100g - i.ownAcidMeqPer100g;

function pourOf(line: FormulaLine, s: StandInRow): readonly Poured[] {
  const grams = line.grams ?? 0;
  const to = ingredient(s.to);
  const eggs = line.ingredient?.piece ? grams / line.ingredient.piece.grams : grams / 50;
  const round = (g: number): number => (g >= 20 ? Math.round(g) : g);
  const first: Poured = {
    ingredient: to,
    grams: s.ratio === 'egg' ? eggs * (to.piece?.grams ?? 50) : round(grams * s.ratio),
  };
  return s.with ? [first, { ingredient: ingredient(s.with.id), grams: round(grams * s.with.ratio) }] : [first];
}

/** What stands in for so much of a line, g; not rounded. */
export const pouredFor = (line: FormulaLine, s: StandInRow, grams: number): readonly Poured[] => {
  const has = line.grams ?? 0;
  return has > 0 ? pourOf(line, s).map((p) => ({ ...p, grams: (p.grams * grams) / has })) : [];
};

function effectOf(line: FormulaLine, s: StandInRow): SwapEffect {
  const now = pourOf(line, s);
  // what stays whole brings the batter nothing, before and after
  const of = (parts: readonly Poured[], preparation: string, what: (i: Ingredient) => number): number =>
    parts.reduce((a, p) => (isWholePiece(p.ingredient, preparation) ? a : a + (what(p.ingredient) * p.grams) / 100), 0);
  const sum = (what: (i: Ingredient) => number): number => of(now, '', what) - of(line.parts, line.preparation, what);
  const had = new Set(line.parts.flatMap((p) => p.ingredient.allergens));
  const has = new Set(now.flatMap((p) => p.ingredient.allergens));
  return {
    waterG: sum((i) => (isFlour(i) ? 0 : i.per100g.waterG)),
    fatG: sum((i) => i.per100g.fatG),
    sugarG: sum((i) => i.per100g.sugarsG),
    saltG: sum((i) => i.per100g.naclG),
    acidMeq: sum(foodAcid),
    allergensIn: [...has].filter((a) => !had.has(a)),
    allergensOut: [...had].filter((a) => !has.has(a)),
  };
}

/** The stand-ins for a line; empty where the line is not read, made of two things, or has no usual stand-in. */
export function swapsFor(line: FormulaLine): readonly Swap[] {
  return lineStandIns(line).map((s) => {
    const now = pourOf(line, s);
    const eggs = s.ratio === 'egg' && now[0]?.ingredient.piece ? now[0].grams / now[0].ingredient.piece.grams : null;
    return {
      standIn: s,
      name: now
        .map((p) => kitchenName(p.ingredient))
        .join(' with ')
        .replace(/ with (\w)/, (_, c: string) => ` with ${c.toLowerCase()}`),
      amount: eggs === null ? now.map((p) => writtenGrams(p.grams)).join(' + ') : `${Number(eggs.toFixed(1))} eggs`,
      effect: effectOf(line, s),
    };
  });
}

/** The line's entry as the stand-in, and a second one for what goes with it. */
function replaced(
  b: Bench,
  line: FormulaLine,
  s: StandInRow,
): { readonly formula: Formula; readonly keys: readonly string[] } {
  const c = conventionsOn(b);
  const [first, second] = pourOf(line, s);
  const write = (p: Poured, after: string): Pick<Entry, 'text' | 'ingredientId'> => {
    const n = nameFor(p.ingredient.id, c);
    const count = s.ratio === 'egg' && p.ingredient.piece ? p.grams / p.ingredient.piece.grams : null;
    const said = count === null ? writtenGrams(p.grams) : writeNumber(new Fraction(Math.round(count * 2), 2));
    const many = count !== null && count > 1 ? 's' : '';
    return { text: `${said} ${n.name}${many}${after}`, ingredientId: n.ingredientId };
  };
  if (!first) return { formula: b.formula, keys: [] };
  // what was done to the old line is said of a like thing, not of another: butter is melted, oil is not
  const like =
    first.ingredient.category === line.ingredient?.category &&
    first.ingredient.id.split('-')[0] === line.ingredient.id.split('-')[0];
  const mashed = s.to === 'banana' ? ', mashed' : '';
  const melted = s.to.startsWith('butter-') && line.use === 'batter' ? ', melted' : '';
  const after = like && line.preparation ? `, ${line.preparation}` : mashed || melted;
  const entry = b.formula.entries.find((e) => e.key === line.key);
  const { stands: _, ingredientId: __, opened: ___, mostG: ____, ...kept } = entry ?? { key: line.key, text: '' };
  // flours and fats keep their bowl; an egg's stand-in goes where it would by itself
  let f = withEntries(
    b.formula,
    b.formula.entries.map((e) =>
      e.key === line.key
        ? {
            ...kept,
            ...write(first, line.use === 'pan' ? ' for the pan' : line.use === 'topping' ? ' to serve' : after),
          }
        : e,
    ),
  );
  const keys = [line.key];
  if (second) {
    const key = nextKey(f.entries);
    const at = f.entries.findIndex((e) => e.key === line.key) + 1;
    const made: Entry = {
      key,
      ...write(second, ''),
      ...(entry?.end ? { end: entry.end } : {}),
      ...(entry?.vessel ? { vessel: entry.vessel } : {}),
    };
    f = withEntries(f, [...f.entries.slice(0, at), made, ...f.entries.slice(at)]);
    keys.push(key);
  }
  return { formula: f, keys };
}

/** The stand-in alone, everything else as it is. */
export function swapOnly(b: Bench, line: FormulaLine, s: Swap): Proposal {
  return {
    title: `${s.name} for ${kitchenName(line.ingredient ?? { name: line.text }).toLowerCase()}`,
    why: 'Only this line changes.',
    formula: replaced(b, line, s.standIn).formula,
    short: null,
  };
}

/** Lift that is worth leavening for: below it a formula is raised by eggs and steam. */
const LEAVENED_CO2 = 0.2;

/**
 * The stand-in, with the other lines making up for it so that the ratios stay, and the leavening worked again for the
 * acid there is now.
 */
export function swapRebalanced(b: Bench, line: FormulaLine, s: Swap): Proposal {
  const before = workedOn(b);
  const { formula, keys } = replaced(b, line, s.standIn);
  const straight = swapOnly(b, line, s);
  if (line.use !== 'batter' || before.analysis.rails.length === 0) return straight;
  const leavening = (bench: Bench): ReadonlySet<string> =>
    new Set(
      workedOn(bench)
        .lines.filter((l) => l.ingredient?.category === 'leavening')
        .map((l) => l.key),
    );
  // 1. water, egg, fat, sugar and salt by the lines that bring them
  const first = withFormula(b, formula);
  // the stand-in itself may move with them, but for eggs, which come whole, and for what only goes with it
  const still = s.standIn.ratio === 'egg' ? keys : keys.slice(1);
  const bent = bend(first, [], {
    still: new Set([...still, ...leavening(first)]),
    keepAt: railsOf(before.analysis),
    skip: ['lift'],
    massG: before.analysis.tally.massG,
  });
  let now = withFormula(b, bent.formula);
  // 2. the lift, for the acid of what the lines came to: soda as far as it goes, where soda was or the acid is new
  const target = railOf(before.analysis, 'lift')?.tested ?? 0;
  if (target > LEAVENED_CO2 && !before.analysis.tally.hasYeast) {
    const w = workedOn(now);
    const sour = s.effect.acidMeq > 5;
    const hadSoda = before.analysis.ledger.sodaG > 0.1;
    const to = leavenFor(w, target, hadSoda || sour ? 'soda-first' : 'no-soda', powderShare(now, w.lines));
    const acidMoved = Math.abs(s.effect.acidMeq) > 1;
    const powderMoved = standsForLeavening(line);
    if (to && (acidMoved || powderMoved) && !leaveningPinned(w.lines))
      now = withFormula(now, withLeavening(now, w, to));
  }
  const after = workedOn(now).analysis;
  const lift = railOf(after, 'lift')?.tested ?? 0;
  const short = target > LEAVENED_CO2 && lift < 0.9 * target ? 'The rise could not all be made up.' : null;
  const made: Proposal = {
    ...straight,
    why: `The other amounts change too; leavening is worked again for the acid there is.${changed(before.analysis, after)}`,
    formula: now.formula,
    short,
  };
  if (keepsBatch(b, made, (l) => l.key === line.key || movesRail(l, 'lift'), 'total')) return made;
  return {
    ...straight,
    why: `Only this line changes: the others could make up for it only in a batch of another size.${changed(before.analysis, workedOn(withFormula(b, straight.formula)).analysis)}`,
  };
}

/**
 * What a swap leaves sweeter, lower or with less egg, said with its numbers. Shares of what was there that are worth
 * saying.
 */
function changed(was: Analysis, is: Analysis): string {
  const said: string[] = [];
  const [sweetWas, sweetIs] = [was.percent?.sweetness ?? 0, is.percent?.sweetness ?? 0];
  if (sweetIs > sweetWas + 1.5) said.push(`sweetness ${percentNumber(sweetWas)} to ${percent(sweetIs)}`);
  const [liftWas, liftIs] = [was, is].map((a) => railOf(a, 'lift')?.tested ?? 0) as [number, number];
  if (liftWas > LEAVENED_CO2 && liftIs < 0.93 * liftWas)
    said.push(`rise ${sayRail('lift', liftWas)} to ${sayRail('lift', liftIs)}`);
  const [eggWas, eggIs] = [was, is].map((a) => railOf(a, 'egg')?.tested ?? 0) as [number, number];
  if (eggIs < 0.93 * eggWas) said.push(`egg ${percentNumber(eggWas)} to ${percent(eggIs)}`);
  return said.length > 0 ? ` What does not stay: ${said.join(', ')}.` : '';
}

const standsForLeavening = (l: FormulaLine): boolean =>
  l.ingredient?.category === 'leavening' || (l.ingredient?.sodaPct ?? 0) > 0;
