/** The script of a formula, once over: each act with whose word it is. */
import { factsTold } from '../card/told/told';
import { servedBy } from '../findings/served';
import { waysIn } from '../formula/act-edits';
import { type EndId, type Formula, kitchenOf } from '../formula/formula';
import { usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { findIngredient } from '../pantry/pantry';
import type { Result } from '../result';
import type { Script } from '../script/act';
import { scriptOf } from '../script/script';
import type { BatchMaking } from './batch';
import { madeAs, planOf } from './plan-of';
import type { SheetLine } from './sheet-line';
import { ONE } from './split';
import type { CannotScale } from './worth';

/** What of the card's word the formula has taken, with its words: ways, and the portion that its method tells. */
function toldAndTaken(f: Formula, house: Kitchen): BatchMaking['told'] {
  const told: Record<string, string> = {};
  for (const e of f.edits) if (e.do === 'way' && e.words !== undefined) told[e.act] = e.words;
  const portion = factsTold(f.cardNotes, kitchenOf(f, house).conventions).find(
    (o) => o.fact === 'portion' && o.taken === 'told',
  );
  const { portionMl } = f;
  if (portion && portionMl !== null && Math.abs(portionMl - Number(portion.value)) < 0.5) told.portion = portion.words;
  return told;
}

/** How a batch of a formula is made, kept with it when it is begun. */
export const makingOf = (f: Formula, house: Kitchen): BatchMaking => ({
  ways: kitchenOf(f, house).ways,
  edits: f.edits,
  told: toldAndTaken(f, house),
  served: servedBy(f.cardNotes, kitchenOf(f, house).conventions),
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
    asked: waysIn(f.edits),
  });
  return { ok: true, value: { ...script, lines: sheet } };
}
