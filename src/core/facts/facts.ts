/**
 * What is true of a formula in a kitchen, worked from its lines and the house alone: lines, numbers, findings, mains,
 * allergens, pour. The shelf, its filters and its search are kept from this one value, and what else speaks of a
 * formula reads it from here.
 */
import { analyseFormula, loudest, type Worked } from '../analyse-formula';
import type { Finding } from '../findings/finding';
import { servedBy } from '../findings/served';
import { cardPortion } from '../formula/card-portion';
import { type Formula, kindIdOf, kitchenOf } from '../formula/formula';
import type { Thickness } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines } from '../formula/lines';
import { mainsOf } from '../formula/mains';
import { allergensOf } from '../formula/tally';
import type { Allergen } from '../pantry/ingredient';
import { findIngredient } from '../pantry/pantry';
import { houseFatLines } from '../script/pan-fat';

interface FormulaFacts extends Worked {
  /** The heaviest flour and liquid, by name; null: none. */
  readonly mains: { readonly flour: string | null; readonly liquid: string | null };
  readonly pour: Thickness | null;
  /** What speaks loudest of it in whichever end; null: it is calm. */
  readonly worst: Finding['severity'] | null;
  /** Ids of what is on its lines, each once. */
  readonly holds: readonly string[];
  /** Of its lines and of the fat that the house takes into the pan. */
  readonly allergens: readonly Allergen[];
  /**
   * A line isn't read, a thing hasn't said what it holds, or they are eaten with what is on no line: it can't be listed
   * as without anything.
   */
  readonly allergensOpen: boolean;
  /** The day that these are of, yyyy-mm-dd, where an opened powder makes them another day's tomorrow; null: any. */
  readonly day: string | null;
}

/**
 * Lines, numbers, mains and pour are of the first of two ends; what it holds, its allergens and `worst` are of both.
 */
export function factsOf(f: Formula, house: Kitchen): FormulaFacts {
  const told = cardPortion(f, house);
  const { lines, analysis } = analyseFormula(f, house, null, told);
  const ends = f.ends ? f.ends.map((e) => e.id) : [null];
  const own = [...new Map(ends.flatMap((end) => countedLines(f, house, end).map((l) => [l.key, l] as const))).values()];
  // the fat the house takes into the pan goes with every piece
  const fat = ends.flatMap((end) =>
    houseFatLines(own, kitchenOf(f, house).ways, kindIdOf(f, end), (id) => findIngredient(id, house.conventions.own)),
  );
  const all = allergensOf([...own, ...fat]);
  return {
    lines,
    analysis,
    mains: mainsOf(lines),
    pour: analysis.thickness?.pour ?? null,
    worst: loudest(f, house, told),
    holds: [
      ...new Set(
        own.flatMap((l) => [
          ...l.parts.map((p) => p.ingredient.id),
          ...(l.ingredient?.keptWhole && l.parts.length > 0 ? [l.ingredient.id] : []),
        ]),
      ),
    ],
    allergens: all.held.map((h) => h.allergen),
    allergensOpen:
      all.unstated.length > 0 ||
      own.some((l) => !l.off && l.ingredient === null && l.parts.length === 0) ||
      servedBy(f.cardNotes, kitchenOf(f, house).conventions).some(
        (s) => !all.held.some((h) => h.allergen === s.allergen),
      ),
    day: own.some((l) => l.opened !== null) ? house.today : null,
  };
}
