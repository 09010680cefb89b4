/** What a change of a morning would change, before it is taken: by dish, by wave, and whose steps move. */

import { linesOfSheet } from '../batch/sheet';
import { wholeEggs } from '../batch/worth';
import type { Kitchen } from '../formula/kitchen-settings';
import { findIngredient } from '../pantry/pantry';
import { type MovedSteps, movedBetween } from './show';
import type { SolvedMorning } from './solve';
import { bowlPlan, type DishMade } from './work';

interface DishChanged {
  readonly dish: string;
  readonly name: string;
  /** So many more, or fewer, below 0. */
  readonly plates: number;
  readonly pieces: number;
  /** Batter and whole eggs that it takes more, or less; g. */
  readonly grams: number;
  readonly eggs: number;
}

interface LastPlates {
  readonly wave: number;
  /** The last plate of a wave, minutes from midnight; null: some are never made. */
  readonly was: number | null;
  readonly is: number | null;
}

export interface MorningPreview {
  readonly dishes: readonly DishChanged[];
  readonly waves: readonly LastPlates[];
  readonly moved: MovedSteps;
  /** What would not go, and went before. */
  readonly worse: readonly string[];
  /** What did not go, and would. */
  readonly mended: readonly string[];
  /** What the change asks for besides, each worked. */
  readonly waysOut: SolvedMorning['unmet'][number]['waysOut'];
}

const platesOf = ({ plates }: Pick<SolvedMorning, 'plates'>, dish: string): number =>
  plates.filter((p) => p.dish === dish).reduce((a, p) => a + p.wanted, 0);
const piecesOf = ({ bowls }: Pick<SolvedMorning, 'bowls'>, dish: string): number =>
  bowls.filter((b) => b.dish === dish).reduce((a, b) => a + b.pieces, 0);

/** What so many pieces of a dish take. */
function taken(d: DishMade, pieces: number, house: Kitchen): { readonly grams: number; readonly eggs: number } {
  const plan = pieces === 0 ? null : bowlPlan(d, Math.abs(pieces), house);
  if (!plan?.ok) return { grams: 0, eggs: 0 };
  const sign = Math.sign(pieces);
  const lines = linesOfSheet(plan.value.sheet, (id) => findIngredient(id, house.conventions.own));
  return { grams: sign * plan.value.planned.massG, eggs: sign * wholeEggs(lines) };
}

function lastOf({ plates }: Pick<SolvedMorning, 'plates'>, wave: number): number | null {
  const at = plates.filter((p) => p.wave === wave).map((p) => p.at);
  const made = at.filter((x) => x !== null);
  return made.length < at.length || made.length === 0 ? null : Math.max(...made);
}

/** Plates that are out so much later are told, min. */
const TOLD_MIN = 1;

/** @param was the morning as it is, solved at the same moment */
export function previewOf(
  was: SolvedMorning,
  is: SolvedMorning,
  dishes: readonly DishMade[],
  house: Kitchen,
): MorningPreview {
  const waves = [...new Set(is.plates.map((p) => p.wave))].sort((a, b) => a - b);
  const [before, after] = [new Set(was.unmet.map((u) => u.what)), new Set(is.unmet.map((u) => u.what))];
  const worse = is.unmet.filter((u) => !before.has(u.what));
  return {
    dishes: dishes.flatMap((d) => {
      const [plates, pieces] = [platesOf(is, d.id) - platesOf(was, d.id), piecesOf(is, d.id) - piecesOf(was, d.id)];
      return plates === 0 && pieces === 0
        ? []
        : [{ dish: d.id, name: d.name, plates, pieces, ...taken(d, pieces, house) }];
    }),
    waves: waves.flatMap((wave) => {
      const [a, b] = [lastOf(was, wave), lastOf(is, wave)];
      return a === b || (a !== null && b !== null && Math.abs(a - b) < TOLD_MIN) ? [] : [{ wave, was: a, is: b }];
    }),
    moved: movedBetween(was.steps, is.steps),
    worse: worse.map((u) => u.what),
    mended: was.unmet.filter((u) => !after.has(u.what)).map((u) => u.what),
    waysOut: [...new Map(worse.flatMap((u) => u.waysOut).map((w) => [w.label, w])).values()],
  };
}
