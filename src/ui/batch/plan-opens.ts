/** How a plan stands in its boxes, and how it opens: with what the card makes, or with what was asked for elsewhere. */

import type { Exactness } from '@/core/batch/exactness';
import { lastPlateAt, type Serving } from '@/core/batch/serving';
import { AS_USUAL, gearFor, type Lit } from '@/core/batter/surface';
import { piecesOf } from '@/core/batter/volume';
import { mostAtOnce } from '@/core/formula/act-edits';
import { isShellEgg } from '@/core/formula/eggs';
import { atEnd, type EndId, type Formula } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { countedLines } from '@/core/formula/lines';
import { pouredG } from '@/core/formula/tally';
import { numbersOf } from '@/core/numbers';
import { scalesOf } from '@/core/pantry/gear';
import { asTyped, massNumber } from '@/core/quantity/say';
import type { Beside } from './beside-part';
import type { BothTyped, PlanTyped } from './plan.state';
import { FRESH_SPLIT, type SplitTyped } from './split-part';
import type { TakenTyped } from './store-part';

/** All that is typed and chosen on a plan; `planTypedSchema` checks the same where it is kept. */
export interface PlanStands {
  readonly typed: PlanTyped;
  readonly split: SplitTyped;
  readonly beside: readonly Beside[];
  readonly exactness: Exactness;
  /** Whole eggs that were chosen; null: as many as the numbers ask. */
  readonly eggs: number | null;
  /** What it needs leaves the stock as it is started. */
  readonly take: boolean;
  readonly serving: Serving | null;
  readonly lit: Lit;
  /** What is lit for the second of two ends, where that is of another kind. */
  readonly litSecond: Lit;
  /** Bags of premix and kept pieces that are taken in, how many as typed, by their lot. */
  readonly bags: TakenTyped;
  readonly kept: TakenTyped;
  /** Both ends from one base; null: one end is made. */
  readonly both: Readonly<Record<EndId, BothTyped>> | null;
  readonly end: EndId | null;
}

/** What was asked for before the plan was opened. */
export interface PlanOpenedWith {
  /** The end of a forked formula that is asked for; null in one that is not. */
  readonly end: EndId | null;
  /** A number of pieces, or of people, as it stood in the address; null: what the card makes. */
  readonly pieces: string | null;
  readonly people: boolean;
  /** All there is of one thing drives it; null: something else does. */
  readonly all: { readonly ingredientId: string; readonly grams: number } | null;
  /** Pieces for each of the people; null: as many as is usual. */
  readonly each?: string | null;
  /** When it is to be ready, ms since 1970; null: nobody has said. */
  readonly serveAt?: number | null;
  /** What it is made on, of the kitchen's gear; null: as usual. */
  readonly on?: readonly string[] | null;
}

/** The portion an end opens at, ml. */
export function portionAt(formula: Formula, end: EndId | null): string {
  const at = atEnd(formula, end);
  return String(at.portionMl ?? usualPortionMl(schoolOf(kindById(at.kind), at.school)));
}

/** Pieces that the card makes at its own portion; null where that can't be told. */
function piecesOfCard(formula: Formula, house: Kitchen, end: EndId | null): number | null {
  const { volume, tally } = numbersOf(countedLines(formula, house, end), atEnd(formula, end).kind);
  if (!volume) return null;
  return piecesOf(pouredG(tally), volume.densityGPerMl, Number(portionAt(formula, end))).pieces || null;
}

/** All there is of one thing, as the card has it: eggs of another size than the card's drive it by the card's own. */
function drivenBy(formula: Formula, house: Kitchen, { end, all }: PlanOpenedWith): PlanOpenedWith['all'] {
  if (!all) return null;
  const own = countedLines(formula, house, end)
    .flatMap((l) => (l.use === 'batter' ? l.parts : []))
    .find(({ ingredient: { id } }) => id === all.ingredientId || (isShellEgg(all.ingredientId) && isShellEgg(id)));
  return own ? { ingredientId: own.ingredient.id, grams: all.grams } : null;
}

/** Pieces for each guest where nobody has said. */
const USUAL_EACH = '3';

/** A new plan of a formula. */
export function planOpens(formula: Formula, house: Kitchen, asked: PlanOpenedWith): PlanStands {
  const at = atEnd(formula, asked.end);
  const pan = schoolOf(kindById(at.kind), at.school).portionMl === null;
  const drives = drivenBy(formula, house, asked);
  return {
    typed: {
      by: drives ? 'ingredient' : pan ? 'factor' : asked.people ? 'guests' : 'pieces',
      amount: drives
        ? asTyped(massNumber(drives.grams, house.units))
        : (asked.pieces ?? (pan ? '1' : String(piecesOfCard(formula, house, asked.end) ?? 12))),
      portion: portionAt(formula, asked.end),
      each: asked.each ?? USUAL_EACH,
      seconds: '10',
      testPiece: null,
      head: '35',
      gear: '',
      piecesEach: '1',
      ingredientId: drives?.ingredientId ?? '',
      several: [],
    },
    split: FRESH_SPLIT,
    beside: [],
    exactness: scalesOf(house.gear).length === 0 ? 'kitchen' : 'gram',
    eggs: null,
    take: true,
    serving: asked.serveAt ? lastPlateAt(asked.serveAt) : null,
    lit: {
      on: asked.on?.length ? asked.on : null,
      most: mostAtOnce(formula.edits, gearFor(house.gear, at.kind).length > 0),
    },
    litSecond: AS_USUAL,
    bags: {},
    kept: {},
    both: null,
    end: asked.end,
  };
}
