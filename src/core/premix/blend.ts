/**
 * Blending a lot so that a pinch is in every spoon: small things are folded into a part first, that part into a larger
 * one (geometric dilution); and what a scale can weigh honestly for it.
 */
import type { TallyPart } from '../formula/tally';
import type { Bowl, Drum, Scale } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import type { Bag } from './bag';

/** Under this share of the bag a thing is folded into a part first. */
export const SMALL_SHARE = 0.01;
/** Times its own weight it goes into at each step: 5 to 10 by convention. */
export const FOLD_INTO = 7;

interface BlendStep {
  /** What comes in at this step. */
  readonly parts: readonly TallyPart[];
  /** g after it. */
  readonly massG: number;
  readonly last: boolean;
}

/**
 * The steps, in order; every gram of the lot comes in once.
 * @param lotG of the whole lot
 */
export function blendSteps(bag: Pick<Bag, 'items'>, lotG: number): readonly BlendStep[] {
  const all = bag.items.map((i) => ({ ingredient: i.ingredient, grams: i.share * lotG }));
  const small = all.filter((_, n) => (bag.items[n]?.share ?? 1) < SMALL_SHARE);
  const large = all.filter((p) => !small.includes(p));
  const carrier = large.find((p) => p.ingredient.category === 'flour' || p.ingredient.category === 'sugar') ?? large[0];
  if (small.length === 0 || !carrier) return [{ parts: all, massG: lotG, last: true }];
  const steps: BlendStep[] = [];
  let left = carrier.grams;
  let massG = small.reduce((a, p) => a + p.grams, 0);
  let first: readonly TallyPart[] = small;
  while (massG * (1 + FOLD_INTO) < lotG && left > massG * FOLD_INTO) {
    const part = massG * FOLD_INTO;
    left -= part;
    massG += part;
    steps.push({ parts: [...first, { ingredient: carrier.ingredient, grams: part }], massG, last: false });
    first = [];
  }
  const rest = large.map((p) => (p === carrier ? { ...p, grams: left } : p)).filter((p) => p.grams > 1e-9);
  return [...steps, { parts: [...first, ...rest], massG: lotG, last: true }];
}

/** An amount is weighed well from so many of the scale's steps. */
const LEAST_STEPS = 50;

interface TooFine {
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** The least the scale weighs well. */
  readonly leastG: number;
  readonly stepG: number;
  /** The lot from which it is enough, g. */
  readonly lotG: number;
}

/** What no scale of the house weighs well for a lot: each on the finest that takes it. */
export function tooFine(bag: Pick<Bag, 'items'>, lotG: number, scales: readonly Scale[]): readonly TooFine[] {
  const finest = scales[0];
  if (!finest) return [];
  return bag.items.flatMap((i): readonly TooFine[] => {
    const grams = i.share * lotG;
    const { stepG } = scales.find((s) => s.mostG >= grams) ?? finest;
    const leastG = LEAST_STEPS * stepG;
    return grams < leastG - 1e-9 && finest.stepG * LEAST_STEPS > grams
      ? [
          {
            ingredient: i.ingredient,
            grams,
            leastG: finest.stepG * LEAST_STEPS,
            stepG: finest.stepG,
            lotG: (finest.stepG * LEAST_STEPS) / i.share,
          },
        ]
      : [];
  });
}

/** Share of a drum or bowl that turning needs free. */
const TURNING_SHARE = 0.4;
/** A reading may be so far off what is meant, as a share, before another scale is taken. */
const READS_WITHIN = 0.01;

export interface Weighing {
  readonly ingredient: Ingredient;
  /** In one blend, exact, g. */
  readonly grams: number;
  /** So often on that scale, each time so much as it shows; null scale: the house has none. */
  readonly times: number;
  readonly eachG: number;
  readonly scale: Scale | null;
}

interface SheetStep {
  readonly weighings: readonly Weighing[];
  readonly massG: number;
  readonly last: boolean;
}

export interface Blends {
  /** Equal ones, one after the other. */
  readonly count: number;
  readonly eachG: number;
  /** What it is turned in; null: none is noted. */
  readonly vessel: Bowl | Drum | null;
  readonly steps: readonly SheetStep[];
}

/** An amount as this house's scales take it: the fewest weighings that read it well, on the finest scale that does. */
export function weighingOf(ingredient: Ingredient, grams: number, scales: readonly Scale[]): Weighing {
  const tries = scales.map((scale) => {
    const times = Math.max(1, Math.ceil(grams / scale.mostG - 1e-9));
    const each = grams / times;
    const eachG = Math.max(scale.stepG, Math.round(each / scale.stepG) * scale.stepG);
    return { scale, times, eachG, off: Math.abs(eachG - each) / each };
  });
  const good = tries.filter((t) => t.off <= READS_WITHIN && t.eachG >= LEAST_STEPS * t.scale.stepG);
  const best = [...(good.length > 0 ? good : tries)].sort((a, b) =>
    good.length > 0 ? a.times - b.times || a.scale.stepG - b.scale.stepG : a.off - b.off || a.times - b.times,
  )[0];
  return best
    ? { ingredient, grams, times: best.times, eachG: best.eachG, scale: best.scale }
    : { ingredient, grams, times: 1, eachG: grams, scale: null };
}

/**
 * A lot as it is blended here: in so many equal blends as the largest drum or bowl takes, each weighed on the house's
 * scales.
 * @param lotG of the whole lot @param densityGPerMl of the mix, spooned @param begun how many it was begun in; null: not yet
 */
export function blendsFor(
  bag: Pick<Bag, 'items'>,
  lotG: number,
  densityGPerMl: number,
  vessels: readonly (Bowl | Drum)[],
  scales: readonly Scale[],
  begun: number | null = null,
): Blends {
  const takesG = (v: Bowl | Drum): number =>
    v.sort === 'drum' ? v.drumG : v.bowlMl * (1 - TURNING_SHARE) * densityGPerMl;
  const vessel = [...vessels].sort((a, b) => takesG(b) - takesG(a))[0] ?? null;
  const most = vessel ? takesG(vessel) : Number.POSITIVE_INFINITY;
  const count = begun ?? Math.max(1, Math.ceil(lotG / most - 1e-9));
  const eachG = lotG / count;
  return {
    count,
    eachG,
    vessel,
    steps: blendSteps(bag, eachG).map((s) => ({
      weighings: s.parts.map((p) => weighingOf(p.ingredient, p.grams, scales)),
      massG: s.massG,
      last: s.last,
    })),
  };
}
