/**
 * A bowl that is too thick or too thin: how much milk or flour, by what is seen or by a measured test pour. What is
 * seen is the truth: the model is first brought to it (as if so much flour or milk had gone in by mistake), and solved
 * from there, not from the card (models.md, B: 1 % more milk is about 4 % thinner). Grams, Pa.s.
 */

import { entriesOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import type { SheetLine } from '../batch/sheet-line';
import { bowlLines } from '../batch/sheet-line';
import { paSFromPour } from '../batter/spread';
import { thickness } from '../batter/thickness';
import { RAILS, type Rail, railOf, type School, THICKNESSES, type Thickness } from '../formula/kinds';
import type { Standing } from '../formula/ways';
import type { AnalysableLine, Numbers } from '../numbers';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { Weights } from './tolerance';
import { wentIn } from './weigh';

/** Middle of each class, Pa.s: the geometric mean of its ends, and a class's width beyond the last. */
const MIDDLE: Readonly<Record<Thickness, number>> = {
  'thin cream': 0.2,
  'heavy cream': Math.sqrt(0.35 * 1.1),
  ribbon: Math.sqrt(1.1 * 3.2),
  'spoon-and-spread': Math.sqrt(3.2 * 12),
  'scoop-and-hold': 20,
};

export type SeenBowl =
  | { readonly by: 'look'; readonly pour: Thickness }
  | { readonly by: 'pour'; readonly ml: number; readonly cm: readonly number[] };

/** Pa.s of what was seen. @returns null where nothing was measured */
export function paSOf(s: SeenBowl): number | null {
  if (s.by === 'look') return MIDDLE[s.pour];
  return s.cm.length === 0 ? null : paSFromPour(s.ml, s.cm.reduce((a, x) => a + x, 0) / s.cm.length);
}

interface Correction {
  readonly towards: 'thinner' | 'thicker';
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** How it goes in, with a look after each: half first, never more than a twentieth of the bowl at once. */
  readonly steps: readonly number[];
  /** It would take more than this bowl bears: what is shown goes part of the way. */
  readonly short: boolean;
}

/** A bowl is no further from its card than so much flour or milk, as a share of it, that went in by mistake. */
const MOST_AMISS = 1.5;
/** The most that is stirred into a bowl, as a share of it. */
const MOST_SHARE = 0.3;
/** The most that goes in before the next look, as a share of the bowl. */
const STEP_SHARE = 0.05;
/** Closer than this to the wanted class's middle nothing is done: a class is about a factor three wide. */
const CLOSE = 1.25;

/** g of batter. */
export const massOf = (lines: readonly AnalysableLine[]): number =>
  lines.filter((l) => l.use === 'batter').reduce((a, l) => a + l.parts.reduce((b, p) => b + p.grams, 0), 0);

/**
 * What thins a batter: its own largest liquid that pours; milk where it has none. What thickens it: its own largest
 * flour.
 */
export function meansInBowl(
  lines: readonly AnalysableLine[],
  milk: Ingredient,
  flour: Ingredient,
): { readonly thin: Ingredient; readonly thick: Ingredient } {
  const parts = lines.filter((l) => l.use === 'batter').flatMap((l) => l.parts);
  const largest = (of: (i: Ingredient) => boolean): Ingredient | undefined =>
    [...parts].filter((p) => of(p.ingredient)).sort((a, b) => b.grams - a.grams)[0]?.ingredient;
  return {
    thin:
      largest(
        (i) =>
          (i.category === 'dairy' || i.category === 'plant-milk' || i.category === 'liquid') &&
          (behaviourOf(i).viscosity ?? 1) < 0.01,
      ) ?? milk,
    thick: largest(isFlour) ?? flour,
  };
}

/** The class a school wants that is nearest to what was seen. */
export function wantedPourOf(school: Pick<School, 'pour'>, seen: number): Thickness {
  const [thin, thick] = school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const usable = THICKNESSES.slice(thin, thick + 1);
  return (
    [...usable].sort((a, b) => Math.abs(Math.log(MIDDLE[a] / seen)) - Math.abs(Math.log(MIDDLE[b] / seen)))[0] ??
    school.pour[0]
  );
}

/**
 * How much goes into a bowl.
 * @param lines what is in it, in the ratios it has
 * @param bowlG g of batter that are in it now
 * @param seen Pa.s as it is seen
 * @param want the class it is to be
 * @param stepG step of the scale, g
 * @returns null where it is near enough, or the model has nothing to go by
 */
export function correction(
  lines: readonly AnalysableLine[],
  q: {
    readonly bowlG: number;
    readonly seen: number;
    readonly want: Thickness;
    readonly standing: Standing;
    readonly thin: Ingredient;
    readonly thick: Ingredient;
    readonly stepG: number;
  },
): Correction | null {
  const target = MIDDLE[q.want];
  const ratio = target / q.seen;
  if (ratio < CLOSE && ratio > 1 / CLOSE) return null;
  const towards = ratio < 1 ? 'thinner' : 'thicker';
  const ingredient = towards === 'thinner' ? q.thin : q.thick;
  const bowl = asSeen(lines, q);
  if (!bowl) return null;
  const most = MOST_SHARE * q.bowlG;
  const is = (g: number): number => paSWith(bowl, ingredient, g, q.standing) ?? q.seen;
  const enough = (g: number): boolean => (towards === 'thinner' ? is(g) <= target : is(g) >= target);
  const high = leastOf(most, enough);
  const step = Math.max(q.stepG, 1);
  const grams = Math.max(step, Math.round(high / step) * step);
  return {
    towards,
    ingredient,
    grams,
    steps: inSteps(grams, Math.max(step, Math.round((STEP_SHARE * q.bowlG) / step) * step), step),
    short: !enough(most),
  };
}

type Lines = readonly AnalysableLine[];

const paSWith = (lines: Lines, ingredient: Ingredient, grams: number, s: Standing): number | null =>
  thickness([...lines, { use: 'batter', parts: [{ ingredient, grams }] }], s.restMin, s.batterC)?.paS ?? null;

/** The least that is enough, up to a most; the most where nothing is. */
function leastOf(most: number, enough: (g: number) => boolean): number {
  let [low, high] = [0, most];
  for (let n = 0; n < 40; n++) {
    const mid = (low + high) / 2;
    if (enough(mid)) high = mid;
    else low = mid;
  }
  return high;
}

const sized = (lines: Lines, g: number): Lines => {
  const mass = massOf(lines);
  return lines.map((l) => ({ ...l, parts: l.parts.map((p) => ({ ...p, grams: (p.grams * g) / mass })) }));
};

/**
 * The bowl as it has to be to pour as it is seen: the card's, and so much flour or milk besides as would make it so.
 * Null: nothing to go by.
 */
function asSeen(
  lines: Lines,
  q: {
    readonly bowlG: number;
    readonly seen: number;
    readonly standing: Standing;
    readonly thin: Ingredient;
    readonly thick: Ingredient;
  },
): Lines | null {
  const now = thickness(lines, q.standing.restMin, q.standing.batterC)?.paS;
  if (!now || !(massOf(lines) > 0) || !(q.bowlG > 0)) return null;
  const bowl = sized(lines, q.bowlG);
  const thinner = q.seen < now;
  const ingredient = thinner ? q.thin : q.thick;
  const amiss = leastOf(MOST_AMISS * q.bowlG, (g) => {
    const is = paSWith(bowl, ingredient, g, q.standing) ?? now;
    return thinner ? is <= q.seen : is >= q.seen;
  });
  return sized([...bowl, { use: 'batter', parts: [{ ingredient, grams: amiss }] }], q.bowlG);
}

/**
 * Rails that a correction takes out of the zone they were in by the card's amounts: a mis-measured cup is then
 * likelier.
 */
export const leadsOut = (now: Numbers, then: Numbers): readonly Rail[] =>
  RAILS.filter((rail) => {
    const [a, b] = [railOf(now, rail), railOf(then, rail)];
    const out = (r: typeof a): boolean => r?.zone != null && (r.tested < r.zone[0] || r.tested > r.zone[1]);
    return !out(a) && out(b);
  });

/** A fall of the leavening per flour worth making up for, as a share. */
const LIFT_FALLS = 0.03;

/**
 * The leavening that goes with flour, so that there is as much per flour as there was; null where none is needed.
 * @param lines what is in the bowl, in the ratios it has @param addedG of `ingredient` into `bowlG` of it
 */
export function leaveningWith(
  lines: Lines,
  ingredient: Ingredient,
  addedG: number,
  bowlG: number,
): { readonly ingredient: Ingredient; readonly grams: number } | null {
  if (!isFlour(ingredient)) return null;
  const parts = sized(lines, bowlG).flatMap((l) => (l.use === 'batter' ? l.parts : []));
  const flourG = parts.reduce((a, p) => a + (isFlour(p.ingredient) ? p.grams : 0), 0);
  const [most] = parts
    .filter((p) => p.ingredient.category === 'leavening' && p.ingredient.sodaPct > 0)
    .sort((a, b) => b.grams - a.grams);
  if (!most || !(flourG > 0) || addedG / flourG < LIFT_FALLS) return null;
  return { ingredient: most.ingredient, grams: (most.grams * addedG) / flourG };
}

/** Half first, then what is left in halves again, none larger than a step may be, the last two as one. */
function inSteps(grams: number, most: number, step: number): readonly number[] {
  const steps: number[] = [];
  for (let left = grams; left > 0; ) {
    const half = Math.max(step, Math.round(left / 2 / step) * step);
    const next = left <= 2 * step ? left : Math.min(half, most);
    steps.push(next);
    left -= next;
    if (left > 0 && left <= grams / 4 && left <= most) {
      steps.push(left);
      left = 0;
    }
  }
  return steps;
}

/**
 * What is really in a bowl, in the ratios it has: what was weighed, and what was stirred in after. Stirred into a bowl
 * that was partly poured, it counts for as much as it was of what was left.
 */
export function inTheBowl(
  batch: { readonly sheet: readonly SheetLine[]; readonly weights: Weights; readonly entries: Batch['entries'] },
  mix: number,
  find: (id: string) => Ingredient | undefined,
): readonly AnalysableLine[] {
  const lines: AnalysableLine[] = [...wentIn(bowlLines(batch.sheet, mix), batch.weights, find)];
  for (const { act } of entriesOf(batch.entries, 'corrected')) {
    const ingredient = act.mix === mix ? find(act.ingredientId) : undefined;
    if (ingredient)
      lines.push({ use: 'batter', parts: [{ ingredient, grams: (act.grams * massOf(lines)) / act.bowlG }] });
  }
  return lines;
}
