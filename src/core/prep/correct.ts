/**
 * A bowl that is too thick or too thin: how much milk or flour, by what is seen or by a measured test pour. The model says
 * how much an addition changes the thickness, not how thick it is: what is seen is the truth (models.md, B: 1 % more milk
 * is about 4 % thinner). Grams, Pa.s.
 */
import type { AnalysableLine } from '../analyse';
import { entriesOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import type { SheetLine } from '../batch/sheet-line';
import { paSFromPour } from '../batter/spread';
import { thickness } from '../batter/thickness';
import { type School, THICKNESSES, type Thickness } from '../formula/kinds';
import type { Standing } from '../formula/ways';
import { type Ingredient, isFlour } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { bowlLines, type Weights, wentIn } from './weigh';

/** Middle of each class, Pa.s: the geometric mean of its ends, and a class's width beyond the last. */
const MIDDLE: Readonly<Record<Thickness, number>> = {
  'thin cream': 0.2,
  'heavy cream': Math.sqrt(0.35 * 1.1),
  ribbon: Math.sqrt(1.1 * 3.2),
  'spoon-and-spread': Math.sqrt(3.2 * 12),
  'scoop-and-hold': 20,
};

export type Seen = { readonly by: 'look'; readonly pour: Thickness } | { readonly by: 'pour'; readonly ml: number; readonly cm: readonly number[] };

/** Pa.s of what was seen. @returns null where nothing was measured */
export function paSOf(s: Seen): number | null {
  if (s.by === 'look') return MIDDLE[s.pour];
  return s.cm.length === 0 ? null : paSFromPour(s.ml, s.cm.reduce((a, x) => a + x, 0) / s.cm.length);
}

export interface Correction {
  readonly towards: 'thinner' | 'thicker';
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** How it goes in, with a look after each: half first, never more than a twentieth of the bowl at once. */
  readonly steps: readonly number[];
  /** It would take more than this bowl bears: what is shown goes part of the way. */
  readonly short: boolean;
}

/** The most that is stirred into a bowl, as a share of it. */
const MOST_SHARE = 0.3;
/** The most that goes in before the next look, as a share of the bowl. */
const STEP_SHARE = 0.05;
/** Closer than this to the wanted class's middle nothing is done: a class is about a factor three wide. */
const CLOSE = 1.25;

/** g of batter. */
export const massOf = (lines: readonly AnalysableLine[]): number =>
  lines.filter((l) => l.use === 'batter').reduce((a, l) => a + l.parts.reduce((b, p) => b + p.grams, 0), 0);

/** What thins a batter: its own largest liquid that pours; milk where it has none. What thickens it: its own largest flour. */
export function meansOf(lines: readonly AnalysableLine[], milk: Ingredient, flour: Ingredient): { readonly thin: Ingredient; readonly thick: Ingredient } {
  const parts = lines.filter((l) => l.use === 'batter').flatMap((l) => l.parts);
  const largest = (of: (i: Ingredient) => boolean): Ingredient | undefined =>
    [...parts].filter((p) => of(p.ingredient)).sort((a, b) => b.grams - a.grams)[0]?.ingredient;
  return {
    thin: largest((i) => (i.category === 'dairy' || i.category === 'plant-milk' || i.category === 'liquid') && (behaviourOf(i).viscosity ?? 1) < 0.01) ?? milk,
    thick: largest(isFlour) ?? flour,
  };
}

/** The class a school wants that is nearest to what was seen. */
export function wantedPour(school: Pick<School, 'pour'>, seen: number): Thickness {
  const [thin, thick] = school.pour.map((p) => THICKNESSES.indexOf(p)) as [number, number];
  const usable = THICKNESSES.slice(thin, thick + 1);
  return [...usable].sort((a, b) => Math.abs(Math.log(MIDDLE[a] / seen)) - Math.abs(Math.log(MIDDLE[b] / seen)))[0] ?? school.pour[0];
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
  const mass = massOf(lines);
  const now = thickness(lines, q.standing.restMin, q.standing.batterC)?.paS;
  if (!now || !(mass > 0) || !(q.bowlG > 0)) return null;
  const scale = q.bowlG / mass;
  const bowl = lines.map((l) => ({ ...l, parts: l.parts.map((p) => ({ ...p, grams: p.grams * scale })) }));
  const at = (g: number): number =>
    (thickness([...bowl, { use: 'batter', parts: [{ ingredient, grams: g }] }], q.standing.restMin, q.standing.batterC)?.paS ?? now) / now;
  const most = MOST_SHARE * q.bowlG;
  const enough = (g: number): boolean => (towards === 'thinner' ? at(g) <= ratio : at(g) >= ratio);
  let [low, high] = [0, most];
  for (let n = 0; n < 40; n++) {
    const mid = (low + high) / 2;
    if (enough(mid)) high = mid;
    else low = mid;
  }
  const step = Math.max(q.stepG, 1);
  const grams = Math.max(step, Math.round(high / step) * step);
  return { towards, ingredient, grams, steps: inSteps(grams, Math.max(step, Math.round((STEP_SHARE * q.bowlG) / step) * step), step), short: !enough(most) };
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
 * What is really in a bowl, in the ratios it has: what was weighed, and what was stirred in after. Stirred into a bowl that was
 * partly poured, it counts for as much as it was of what was left.
 */
export function inTheBowl(
  batch: { readonly sheet: readonly SheetLine[]; readonly weights: Weights; readonly entries: Batch['entries'] },
  mix: number,
  find: (id: string) => Ingredient | undefined,
): readonly AnalysableLine[] {
  const lines: AnalysableLine[] = [...wentIn(bowlLines(batch.sheet, mix), batch.weights, find)];
  for (const { act } of entriesOf(batch.entries, 'corrected')) {
    const ingredient = act.mix === mix ? find(act.ingredientId) : undefined;
    if (ingredient) lines.push({ use: 'batter', parts: [{ ingredient, grams: (act.grams * massOf(lines)) / act.bowlG }] });
  }
  return lines;
}
