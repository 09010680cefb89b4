/**
 * The rules that read what happens to a formula: how long it stands, how cold it is, how big a portion is poured, what
 * is weighed and what sinks. All of them models or kitchen sense, and said so.
 */
import { liesAs, MOST_TIMED_MM } from '../batter/spread';
import { liftLeft } from '../batter/standing';
import { THICKNESSES } from '../formula/kinds';
import { WEAK } from '../formula/powder-age';
import { saltByCrystal } from '../pantry/calibrate';
import { CONVENTION_NAMES } from '../pantry/conventions';
import { instead } from '../pantry/honest';
import { findIngredient } from '../pantry/pantry';
import { behaviourOf } from '../pantry/tables/behaviour';
import { writeEighths } from '../quantity/number';
import { grams, percentNumber, temperature } from '../quantity/say';
import { FOAM_STANDS_MIN } from '../script/foam';
import { type EvidenceLine, type Finding, keysOf, quoted, type Rule } from './finding';

const share = (x: number): string => `${percentNumber(100 * x)} %`;

const powderOld: Rule = (e) => {
  const old = e.lines.filter((l) => l.use === 'batter' && (l.strength ?? 1) < WEAK[0]);
  const weakest = [...old].sort((a, b) => (a.strength ?? 1) - (b.strength ?? 1))[0];
  if (!weakest) return null;
  const s = weakest.strength ?? 1;
  return {
    code: 'powder-old',
    severity: s < WEAK[1] ? 'look' : 'note',
    basis: 'model',
    keys: keysOf(old),
    message: `${quoted(weakest)} was opened ${weakest.opened ?? 'long ago'} and is counted at ${share(s)} of a fresh powder. Put a spoonful in hot water: if it does not foam, it is done.`,
  };
};

/** A rest shorter than this costs no batter much. */
const LONG_MIN = 15;

/** Share of the lift lost to waiting that is worth a word, and a look. */
const LOST = [0.15, 0.35] as const;

/** Minutes that whipped whites stand before they sink for all to see. */
const FOAM_MIN = [FOAM_STANDS_MIN, 2 * FOAM_STANDS_MIN] as const;

const waiting: Rule = (e) => {
  const { restMin, batterC } = e.standing;
  if (!e.thickness || restMin < LONG_MIN) return null;
  if (e.volume?.foamed && restMin > FOAM_MIN[0])
    return {
      code: 'whites-and-wait',
      severity: restMin > FOAM_MIN[1] ? 'look' : 'note',
      basis: 'model',
      message: `Whipped whites sink in ${restMin} minutes of standing. Rest the batter without them and fold them in last; cook within 15 to 20 minutes.`,
    };
  const usesSoda = e.ledger.sodaG - e.ledger.unspentSodaG;
  if (usesSoda < 0.1) return null;
  const left = liftLeft(e.lines, { paS: e.thickness.paS, batterC }, restMin);
  if (left === null || 1 - left < LOST[0]) return null;
  return {
    code: 'soda-and-wait',
    severity: 1 - left >= LOST[1] ? 'look' : 'note',
    basis: 'model',
    message: `Soda works as soon as it is wet: ${restMin} minutes of rest leave ${share(left)} of the rise. Keep dry and wet apart until use, or let powder do more of it.`,
  };
};

const COLD_C = 12;

const coldBatter: Rule = (e) => {
  if (e.standing.batterC >= COLD_C || e.kind === null || e.kind.tilted || e.kind.id === 'oven') return null;
  const butter = e.lines.some(
    (l) =>
      l.use === 'batter' &&
      l.parts.some((p) => p.ingredient.id.startsWith('butter-') || p.ingredient.id === 'oil-coconut'),
  );
  return {
    code: 'cold-batter',
    severity: 'note',
    basis: 'model',
    message: `Batter at ${temperature(e.standing.batterC, e.units)} pours thicker and its middle sets late${butter ? '; butter stiffens into specks in it' : ''}. Let egg and milk lose their chill first, as long as your local food code allows.`,
  };
};

const portionLarge: Rule = (e) => {
  if (!e.kind || !e.school?.portionMl || !e.portionMl || !e.thickness) return null;
  const [, high] = e.school.portionMl;
  const spread = liesAs(e.kind, e, e.portionMl);
  if (e.portionMl <= 1.5 * high) return null;
  const thick = spread && spread.thickMm > MOST_TIMED_MM ? ` It lies about ${spread.thickMm.toFixed(0)} mm thick.` : '';
  return {
    code: 'portion-large',
    severity: 'note',
    basis: 'model',
    message: `A portion of ${e.portionMl.toFixed(0)} ml is large: most ${e.kind.pieces} are poured with at most ${high} ml.${thick} ${e.kind.tilted ? 'Less in the pan, tilted at once, lies thin and dries through.' : 'Cover it, or go lower and longer, so that the middle sets before the face is dark.'}`,
  };
};

/**
 * Under so many of its steps an amount between two of them is out by a tenth and more; under one it can't be seen at
 * all.
 */
const FEW_STEPS = [5, 1] as const;

const smallWeighing: Rule = (e) => {
  const small = e.lines.filter((l) => {
    const [part] = l.parts;
    const [amount] = l.amounts ?? [];
    if (!part || l.use !== 'batter' || amount?.unit !== 'g') return false;
    if (part.ingredient.category !== 'leavening' && part.ingredient.category !== 'salt') return false;
    const steps = part.grams / e.scaleStepG;
    const between = Math.abs(steps - Math.round(steps)) > 0.05;
    return (steps < FEW_STEPS[0] - 0.05 && between) || steps < FEW_STEPS[1] - 0.05;
  });
  const [first] = small;
  const part = first?.parts[0];
  if (!first || !part) return null;
  const other = instead(part.grams, part.ingredient, e.scaleStepG);
  const crystals =
    part.ingredient.category === 'salt'
      ? ` By crystal: ${saltByCrystal(part.grams, findIngredient)
          .map((c) => `${writeEighths(c.teaspoons)} tsp ${CONVENTION_NAMES.salt[c.crystal]}`)
          .join(', ')}.`
      : '';
  return {
    code: 'small-weighing',
    severity: 'note',
    basis: 'arithmetic',
    keys: keysOf(small),
    message: `${quoted(first)}: a scale with steps of ${grams(e.scaleStepG, e.units)} can't weigh ${grams(part.grams, e.units)}. Use ${other?.spoons ? `${other.spoons.text}, level` : 'spoons'}, a finer scale, or ${other ? `a batch ${other.times.toFixed(other.times < 10 ? 1 : 0)} times as large` : 'a larger batch'}.${crystals}`,
  };
};

const sinks = (l: EvidenceLine): boolean =>
  l.use === 'batter' &&
  l.moment === 'bowl' &&
  l.dressing === 'plain' &&
  l.parts.some((p) => behaviourOf(p.ingredient).inclusion && p.ingredient.id !== 'lemon-zest');

const sinking: Rule = (e): Finding | null => {
  const add = e.lines.filter(sinks);
  const [first] = add;
  if (!first || !e.thickness || THICKNESSES.indexOf(e.thickness.pour) > THICKNESSES.indexOf('ribbon')) return null;
  const wet = first.parts.some((p) => p.ingredient.category === 'fruit-veg');
  return {
    code: 'add-ins-sink',
    severity: 'note',
    basis: 'model',
    keys: keysOf(add),
    message: `${quoted(first)} will sink in a batter this thin. Sprinkle it on the poured face${wet ? ', patted dry,' : ''} or toss it in a little of the flour.`,
  };
};

/** More is asked of a thing than there is of it. */
const moreThanThereIs: Rule = (e) => {
  const over = e.lines.filter((l) => l.mostG && l.parts.reduce((a, p) => a + p.grams, 0) > l.mostG * (1 + 1e-3));
  const [first] = over;
  if (!first?.mostG) return null;
  return {
    code: 'more-than-there-is',
    severity: 'look',
    basis: 'measured',
    keys: keysOf(over),
    message: `${quoted(first)}: there is only ${grams(first.mostG, e.units)} of it.`,
  };
};

/** A way of working that contradicts what the kind is: said, and left to the cook. */
const againstTheKind: Rule = (e) => {
  const [first, ...others] = e.against;
  if (!first || !e.kind) return null;
  return {
    code: 'way-against-kind',
    severity: 'note',
    basis: 'model',
    message: `${first.matter}, ${first.choice}: with ${e.kind.pieces}, ${first.why}.${others.length > 0 ? ` The same of ${others.map((o) => o.matter.toLowerCase()).join(', ')}.` : ''}`,
  };
};

export const PROCESS_RULES: readonly Rule[] = [
  moreThanThereIs,
  againstTheKind,
  powderOld,
  waiting,
  coldBatter,
  portionLarge,
  smallWeighing,
  sinking,
];
