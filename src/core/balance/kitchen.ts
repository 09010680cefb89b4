/**
 * Rounding to a kitchen's measures: for every line one of the amounts its drawer can take, chosen together so that the
 * ratios that matter most drift least, then with the fewest scoops and the fewest measures to wash. The flour is taken
 * first, at every amount its measures make near the target, and sets the scale; with it fixed every drift is linear.
 */

import type { KitchenConventions } from '../pantry/conventions';
import { type Ingredient, isFlour, type Member, membersOf } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { ToolId } from '../pantry/tools';
import { type DrawerTake, nearest, takesOf } from './drawer';
import { downhill, type SearchChoice } from './search';

/** What is held, and by how much of itself it may drift before it counts as much as the others, percent. */
export const TOLERANCE = { leavening: 5, salt: 5, liquid: 2, egg: 4, fat: 6, sugar: 8 } as const;
type HeldRatio = keyof typeof TOLERANCE;
const KEPT = Object.keys(TOLERANCE) as readonly HeldRatio[];
/** The flour may be so much more or less than asked before it counts as much as a ratio, percent. */
const FLOUR_TOLERANCE = 6;
/** A flour is tried this far from what is asked, as a share; or at its nearest few, where its measures are coarse. */
const FLOUR_WINDOW = 0.06;
const FLOUR_TRIES = 3;
/** So much may a line be off by itself, whatever the ratios say, before it counts as much as one of them, percent. */
const OWN_TOLERANCE = 50;
/** Less of a thing than this share of the flour is no ratio to keep. */
const TRACE = 1e-4;
/** More lines than any batter has are rounded each by itself. */
const MOST_LINES = 60;
/** So little drift more, in tolerances, no hand that fills a cup shows: it may buy a simpler measure. */
const NOTHING = 0.25;
/**
 * What a scoop less is worth, and a measure less to find and wash, in tolerances; a larger measure is worth still less.
 */
const SCOOP = 0.02;
const MEASURE = 0.12;
/** A quarter teaspoon beside two cups. */
const TRIFLE = 0.3;
const FINE = 1e-5;

export interface KitchenLine {
  readonly ingredient: Ingredient;
  /** As they would be exactly, > 0. */
  readonly grams: number;
}

export interface Chosen {
  /** One for each line, in order; null where nothing in the drawer measures it: it is weighed. */
  readonly takes: readonly (DrawerTake | null)[];
  /** What the ratios, and the flour, drift in all, in tolerances. */
  readonly drift: number;
  /** The same for rounding each line by itself. */
  readonly plainDrift: number;
}

type Shares = Readonly<Record<HeldRatio, number>>;

/** What a gram of a member brings to each ratio. */
function bringsOne({ ingredient: i }: Member): Shares {
  const b = behaviourOf(i);
  return {
    leavening: i.sodaPct / 100,
    salt: i.per100g.naclG / 100,
    liquid: b.poured ? 1 : 0,
    egg: b.eggEquivalent,
    fat: i.per100g.fatG / 100,
    sugar: i.per100g.sugarsG / 100,
  };
}

function brings(i: Ingredient): Shares {
  const sum: Record<HeldRatio, number> = { leavening: 0, salt: 0, liquid: 0, egg: 0, fat: 0, sugar: 0 };
  for (const m of membersOf(i)) {
    const one = bringsOne(m);
    for (const k of KEPT) sum[k] += one[k] * m.share;
  }
  return sum;
}

interface Problem {
  readonly lines: readonly KitchenLine[];
  readonly takes: readonly (readonly DrawerTake[])[];
  readonly shares: readonly Shares[];
  readonly flour: readonly boolean[];
  /** Taken before the programme is asked: flour, what touches no ratio, what nothing measures. */
  readonly still: readonly boolean[];
  /** What is aimed at: of each to a gram of flour. */
  readonly aim: Shares;
  readonly flourG: number;
}

const total = (grams: readonly number[], of: (n: number) => number): number =>
  grams.reduce((a, g, n) => a + g * of(n), 0);

/** What one line is off by itself, in tolerances. */
const ownDrift = (l: KitchenLine, grams: number): number => (100 * Math.abs(grams - l.grams)) / l.grams / OWN_TOLERANCE;

/** What a choice drifts, in tolerances. @param grams of each line */
function driftOf(p: Problem, grams: readonly number[]): number {
  const flourG = total(grams, (n) => (p.flour[n] ? 1 : 0));
  let drift = (100 * Math.abs(flourG - p.flourG)) / p.flourG / FLOUR_TOLERANCE;
  p.lines.forEach((l, n) => {
    drift += ownDrift(l, grams[n] ?? 0);
  });
  for (const k of KEPT) {
    if (p.aim[k] < TRACE) continue;
    drift +=
      (100 * Math.abs(total(grams, (n) => p.shares[n]?.[k] ?? 0) - p.aim[k] * flourG)) /
      (p.aim[k] * flourG) /
      TOLERANCE[k];
  }
  return drift;
}

const ease = (t: DrawerTake): number =>
  SCOOP * t.scoops + MEASURE * (t.measures - 1) + (t.trifle ? TRIFLE : 0) + FINE * t.fineness;

/** Everything that counts, the drift first. */
const costOf = (p: Problem, takes: readonly (DrawerTake | null)[]): number =>
  driftOf(
    p,
    takes.map((t, n) => t?.grams ?? p.lines[n]?.grams ?? 0),
  ) + takes.reduce((a, t) => a + (t ? ease(t) : 0), 0);

/** So many of the best amounts of flour are looked at with two lines changed together. */
const LOOKED_AT_CLOSELY = 3;

/**
 * What may be taken beforehand: the main flour at every amount its measures make near the target, the others at their
 * nearest.
 */
function floursOf(p: Problem, near: readonly (DrawerTake | null)[]): readonly (readonly (DrawerTake | null)[])[] {
  const [main] = p.lines
    .map((_, n) => n)
    .filter((n) => p.flour[n] && (p.takes[n]?.length ?? 0) > 0)
    .sort((a, b) => (p.lines[b]?.grams ?? 0) - (p.lines[a]?.grams ?? 0));
  if (main === undefined) return [near];
  const grams = p.lines[main]?.grams ?? 0;
  const off = (t: DrawerTake): number => Math.abs(t.grams - grams);
  return [...(p.takes[main] ?? [])]
    .sort((a, b) => off(a) - off(b) || a.scoops - b.scoops)
    .filter((t, k) => k < FLOUR_TRIES || off(t) <= FLOUR_WINDOW * grams)
    .map((t) => near.map((x, n) => (n === main ? t : x)));
}

/** The choice with the flour settled, as sums to go downhill on; and which lines are open. */
export function choiceOf(
  p: Problem,
  taken: readonly (DrawerTake | null)[],
): { readonly c: SearchChoice; readonly open: readonly number[] } {
  const fixed = p.lines.map((l, n) => (p.still[n] ? (taken[n]?.grams ?? l.grams) : null));
  const open = p.lines.map((_, n) => n).filter((n) => fixed[n] === null);
  const flourG = p.lines.reduce((a, _, n) => a + (p.flour[n] ? (fixed[n] ?? 0) : 0), 0);
  const kept = KEPT.filter((k) => p.aim[k] >= TRACE);
  return {
    open,
    c: {
      own: open.map((n) => (p.takes[n] ?? []).map((t) => ease(t) + ownDrift(p.lines[n] as KitchenLine, t.grams))),
      brings: open.map((n) => (p.takes[n] ?? []).map((t) => kept.map((k) => t.grams * (p.shares[n]?.[k] ?? 0)))),
      aims: kept.map(
        (k) => p.aim[k] * flourG - p.lines.reduce((a, _, n) => a + (fixed[n] ?? 0) * (p.shares[n]?.[k] ?? 0), 0),
      ),
      weighs: kept.map((k) => 100 / (p.aim[k] * flourG) / TOLERANCE[k]),
    },
  };
}

/** The takes with the flour settled and the rest gone downhill from each line's nearest to what that flour asks. */
function gone(p: Problem, taken: readonly (DrawerTake | null)[], pairs: boolean): readonly (DrawerTake | null)[] {
  const { c, open } = choiceOf(p, taken);
  const size = p.lines.reduce((a, l, n) => a + (p.flour[n] ? (taken[n]?.grams ?? l.grams) : 0), 0) / p.flourG;
  const from = open.map((n) => {
    const takes = p.takes[n] ?? [];
    const near = nearest(takes, size * (p.lines[n]?.grams ?? 0));
    return Math.max(0, near ? takes.indexOf(near) : 0);
  });
  const { chosen } = downhill(c, from, pairs);
  return p.lines.map((_, n) => {
    const k = open.indexOf(n);
    return k < 0 ? (taken[n] ?? null) : (p.takes[n]?.[chosen[k] ?? 0] ?? null);
  });
}

/** Everything that is asked of the drawer, worked once. */
export function problemOf(
  lines: readonly KitchenLine[],
  house: KitchenConventions,
  drawer: readonly ToolId[],
): Problem {
  const takes = lines.map((l) => takesOf(l.ingredient, l.grams, house, drawer));
  const shares = lines.map((l) => brings(l.ingredient));
  const flour = lines.map((l) => isFlour(l.ingredient));
  const flourG = lines.reduce((a, l, n) => a + (flour[n] ? l.grams : 0), 0);
  const aim = Object.fromEntries(
    KEPT.map((k) => [k, flourG > 0 ? lines.reduce((a, l, n) => a + l.grams * (shares[n]?.[k] ?? 0), 0) / flourG : 0]),
  ) as Shares;
  const still = lines.map(
    (_, n) => flour[n] === true || (takes[n]?.length ?? 0) === 0 || KEPT.every((k) => (shares[n]?.[k] ?? 0) === 0),
  );
  return { lines, takes, shares, flour, still, aim, flourG };
}

const gramsOf = (p: Problem, t: readonly (DrawerTake | null)[]): readonly number[] =>
  t.map((x, n) => x?.grams ?? p.lines[n]?.grams ?? 0);
const plainOf = (p: Problem): readonly (DrawerTake | null)[] =>
  p.lines.map((l, n) => nearest(p.takes[n] ?? [], l.grams));

/** Each line rounded by itself: what there is to show at once. */
export function plainMeasures(
  lines: readonly KitchenLine[],
  house: KitchenConventions,
  drawer: readonly ToolId[],
): Chosen {
  const p = problemOf(lines, house, drawer);
  const takes = plainOf(p);
  const drift = p.flourG > 0 ? driftOf(p, gramsOf(p, takes)) : 0;
  return { takes, drift, plainDrift: drift };
}

/**
 * Chooses kitchen measures for the lines of a batter.
 * @param lines what they would weigh exactly; some of it flour
 * @param drawer the measures there are
 * @returns the same answer to the same question; never worse in drift than rounding each line by itself, by more than
 * no hand shows
 */
export function kitchenMeasures(
  lines: readonly KitchenLine[],
  house: KitchenConventions,
  drawer: readonly ToolId[],
): Chosen {
  const p = problemOf(lines, house, drawer);
  const plain = plainOf(p);
  if (!(p.flourG > 0)) return { takes: plain, drift: 0, plainDrift: 0 };
  const plainDrift = driftOf(p, gramsOf(p, plain));
  if (lines.length > MOST_LINES) return { takes: plain, drift: plainDrift, plainDrift };
  const tried = floursOf(p, plain)
    .map((f) => ({ f, cost: costOf(p, gone(p, f, false)) }))
    .sort((a, b) => a.cost - b.cost)
    .slice(0, LOOKED_AT_CLOSELY)
    .map(({ f }) => gone(p, f, true));
  // fewer scoops are not bought with more drift than rounding each line by itself has, but for what no hand shows
  const bears = (t: readonly (DrawerTake | null)[]): boolean =>
    driftOf(p, gramsOf(p, t)) <= plainDrift + NOTHING + 1e-9;
  let best: readonly (DrawerTake | null)[] = plain;
  for (const t of tried) if (bears(t) && costOf(p, t) < costOf(p, best) - 1e-12) best = t;
  return { takes: best, drift: driftOf(p, gramsOf(p, best)), plainDrift };
}
