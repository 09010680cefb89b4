/**
 * What a little more of the milk or the flour would do, and what the rest does: in classes, the model is good for no
 * more.
 */
import { circumstancesOf } from '../analyse-formula';
import { type Bench, workedOn } from '../balance/bench';
import { thickness } from '../batter/thickness';
import { atEnd } from '../formula/formula';
import { POUR_WORDS } from '../formula/kinds';
import { mainsOf } from '../formula/mains';
import { numbersOf } from '../numbers';
import { isFlour, kitchenName } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { minutesOrHours } from '../quantity/say';

/** How much more, g. */
const MORE_G = 15;

/** Sentences; those that can't be said of this batter are left out. */
export function whatIf(b: Bench): readonly string[] {
  const { lines, analysis: a } = workedOn(b);
  const mains = mainsOf(lines);
  const pick = (name: string | null, flour: boolean) =>
    lines
      .flatMap((l) => (l.use === 'batter' ? l.parts : []))
      .find(
        (p) =>
          isFlour(p.ingredient) === flour &&
          (flour || behaviourOf(p.ingredient).poured) &&
          kitchenName(p.ingredient) === name,
      );
  const at = atEnd(b.formula, b.end);
  const more = (which: 'liquid' | 'flour'): readonly string[] => {
    const part = pick(mains[which], which === 'flour');
    if (!part) return [];
    const added = [...lines, { parts: [{ ingredient: part.ingredient, grams: MORE_G }], use: 'batter' as const }];
    const then = numbersOf(added, at.kind, at.school, circumstancesOf(at, b.house));
    if (!then.thickness || !a.thickness || !then.percent || !a.percent) return [];
    const factor = then.thickness.paS / a.thickness.paS;
    const change = Math.round(100 * Math.abs(factor - 1));
    return [
      `${MORE_G} g more ${kitchenName(part.ingredient).toLowerCase()}: ${change} % ${factor < 1 ? 'thinner' : 'thicker'}, ${POUR_WORDS[then.thickness.pour]}; water ${a.percent.freeWater.toFixed(0)} to ${then.percent.freeWater.toFixed(0)} %.`,
    ];
  };
  const atOnce = thickness(lines, 0, a.standing.batterC);
  const rest =
    atOnce && a.thickness && a.standing.restMin > 0
      ? `Fresh it ${POUR_WORDS[atOnce.pour]}; ${minutesOrHours(a.standing.restMin)} of rest let the flour drink: ${(a.thickness.paS / atOnce.paS).toFixed(1)} times as thick.`
      : 'No rest: the flour has not drunk yet, and it thickens as it stands.';
  return [...more('liquid'), ...more('flour'), rest];
}
