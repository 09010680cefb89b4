/**
 * A whole plan: one formula, what drives it and how it is mixed, worked to the sheet of every mix and of what is made
 * beside it. The screen shows it while it is typed, and the server starts a batch from the same.
 */
import { atEnd, type EndId, type Formula, kitchenOf } from '../formula/formula';
import { type Kind, kindById, type School, schoolOf } from '../formula/kinds';
import type { Ways } from '../formula/ways';
import { scalesOf } from '../pantry/gear';
import { findIngredient } from '../pantry/pantry';
import type { Result } from '../result';
import { waysMade } from '../script/pan-fat';
import { type BatchMaking, HURRIED } from './batch';
import type { Exactness } from './exactness';
import { type PlanAsked, type Planned, plannedSheet, type Ready, readyFor } from './plan';
import { endsAsked } from './pourings';
import type { SheetLine } from './sheet-line';
import { type Side, sideLines } from './sides';
import type { CannotScale } from './worth';

interface WholeAsked extends PlanAsked {
  readonly exactness: Exactness;
  /** Of one piece, mL; where the kind fills its pan, what one pan takes, or null while no pan is known. */
  readonly portionMl: number | null;
  /** Sauces and butters, each for so many people. */
  readonly sides: readonly { readonly side: Side; readonly people: number }[];
  /** Kitchen measures line by line, to answer at once. */
  readonly rough?: boolean;
}

/** The formula as an end is made: its kind and style there. */
interface MadeAs {
  readonly formula: Formula;
  readonly kind: Kind;
  readonly school: School;
  /** It fills its pan: no portion is poured. */
  readonly fillsPan: boolean;
}

/** @param end null: the formula has one. Of two that are made together the first says how the batter is mixed */
export function madeAs(f: Formula, end: EndId | null): MadeAs {
  const formula = atEnd(f, end);
  const kind = kindById(formula.kind);
  const school = schoolOf(kind, formula.school);
  return { formula, kind, school, fillsPan: school.portionMl === null };
}

export interface WholePlan extends MadeAs {
  /** As it was asked, with what each end of it is. */
  readonly driver: PlanAsked['driver'];
  readonly ready: Ready;
  readonly planned: Planned;
  /** Every mix, and what is made beside it. */
  readonly sheet: readonly SheetLine[];
  readonly making: BatchMaking;
  /** The ways it is made in: the house's, the formula's, and what measuring by eye and its own fat make of them. */
  readonly ways: Ways;
}

/** @returns errors of the driver, of the eggs, and where there is too little of a thing */
export function planOf(q: WholeAsked): Result<WholePlan, CannotScale> {
  const { house, split } = q;
  const driver = endsAsked(q.driver, q.formula);
  const made = madeAs(q.formula, driver.by === 'both' ? 'a' : q.end);
  const ready = readyFor({ ...q, driver });
  if (!ready.ok) return ready;
  const planned = plannedSheet(ready.value, {
    driver,
    exactness: q.exactness,
    house,
    rough: q.rough ?? false,
    kind: made.kind.id,
    portionMl: made.fillsPan ? null : q.portionMl,
    panfulMl: made.fillsPan ? q.portionMl : null,
    split,
    stepG: scalesOf(house.gear)[0]?.stepG ?? 1,
  });
  if (!planned.ok) return planned;
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const beside = q.sides.flatMap(({ side, people }, n) =>
    sideLines(side, people, n + 1, find, { ...house, exactness: q.exactness }),
  );
  const sheet = [...planned.value.sheet, ...beside];
  const making: BatchMaking = { ways: kitchenOf(q.formula, house).ways, edits: q.formula.edits, told: {} };
  const ways = waysMade({ ...making.ways, ...(q.exactness === 'eye' && HURRIED) }, sheet);
  return { ok: true, value: { ...made, driver, ready: ready.value, planned: planned.value, sheet, making, ways } };
}
