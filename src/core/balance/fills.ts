/** The same card by every way of filling a cup, side by side: why it comes out differently in other hands. */
import { analyseFormula, type Worked } from '../analyse-formula';
import { FILL_METHODS, type FlourFill } from '../pantry/conventions';
import { ownFill } from '../pantry/fill';
import { hangsOnFill } from '../pantry/weigh';
import { type Bench, conventionsOn, workedOn } from './bench';

interface FillReading {
  readonly fill: FlourFill;
  /** The way this formula is read now. */
  readonly now: boolean;
  readonly worked: Worked;
  /** Poured liquid to a part of flour; null without flour. */
  readonly liquidToFlour: number | null;
}

/** Whether any amount rests on how a cup was filled. */
export const restsOnFill = (w: Worked): boolean =>
  w.lines.some(
    (l) => (l.basis === 'fill-not-stated' || l.basis === 'own') && l.ingredient !== null && hangsOnFill(l.ingredient),
  );

/**
 * One reading for each way of filling, the kitchen's own among them once it has weighed one; none where no gram rests
 * on it.
 */
export function fillsSideBySide(b: Bench): readonly FillReading[] {
  if (!restsOnFill(workedOn(b))) return [];
  const house = conventionsOn(b);
  const fills: readonly FlourFill[] = ownFill(house) ? [...FILL_METHODS, 'own'] : FILL_METHODS;
  return fills.map((fill) => {
    const worked = analyseFormula(
      { ...b.formula, conventions: { ...b.formula.conventions, flourFill: fill } },
      b.house,
      b.end,
    );
    const p = worked.analysis.percent;
    return { fill, now: fill === house.flourFill, worked, liquidToFlour: p ? p.liquid / 100 : null };
  });
}
