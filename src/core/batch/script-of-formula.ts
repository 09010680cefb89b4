/** The script of a formula, once over: each act with whose word it is. */
import { type EndId, type Formula, kitchenOf } from '../formula/formula';
import { offersFrom } from '../formula/from-card';
import { usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines } from '../formula/lines';
import { findIngredient } from '../pantry/pantry';
import type { Result } from '../result';
import type { Script } from '../script/act';
import type { ScriptAsked } from '../script/making';
import { scriptOf } from '../script/script';
import type { Making } from './batch';
import { madeAs, planOf } from './plan-of';
import type { SheetLine } from './sheet-line';
import { ONE } from './split';
import type { CannotScale } from './worth';

/** What of the card's word the formula has taken: matters settled as the method tells them, with its words. */
function toldAndTaken(f: Formula, house: Kitchen): NonNullable<ScriptAsked['told']> {
  const { ways, conventions } = kitchenOf(f, house);
  const told: Record<string, string> = {};
  for (const o of offersFrom(f.cardNotes, countedLines(f, house), conventions)) {
    if (o.what === 'way' && ways[o.way] === o.value) told[o.way] = o.words;
    if (o.what === 'portion' && f.portionMl !== null && Math.abs(f.portionMl - o.ml) < 0.5) told.portion = o.words;
  }
  return told;
}

/** How a batch of a formula is made, kept with it when it is begun. */
export const makingOf = (f: Formula, house: Kitchen): Making => ({
  ways: kitchenOf(f, house).ways,
  edits: f.edits,
  told: toldAndTaken(f, house),
});

/**
 * How a formula is made once over, each act with whose word it is.
 * @returns its acts, and the lines they take; or why it can't be scaled
 */
export function scriptOfFormula(
  f: Formula,
  house: Kitchen,
  end: EndId | null,
): Result<Script & { readonly lines: readonly SheetLine[] }, CannotScale> {
  const { kind, school, fillsPan, formula } = madeAs(f, end);
  const portionMl = fillsPan ? null : (formula.portionMl ?? usualPortionMl(school));
  const plan = planOf({
    formula: f,
    house,
    end,
    driver: { by: 'factor', factor: 1 },
    split: ONE,
    eggs: null,
    exactness: 'exact',
    portionMl,
    sides: [],
  });
  if (!plan.ok) return plan;
  const { sheet, ways } = plan.value;
  const script = scriptOf({
    lines: sheet,
    kind: kind.id,
    pourings: [{ name: null, kind: kind.id, school: school.id, portionMl }],
    find: (id) => findIngredient(id, house.conventions.own),
    units: house.units,
    ...makingOf(f, house),
    ways,
    asked: f.ways,
  });
  return { ok: true, value: { ...script, lines: sheet } };
}
