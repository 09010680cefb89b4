/**
 * Several things on hand used up together: a formula is scaled by one of them and bent within its zones until it takes
 * most of all of them. What there is is a hard bound; no ratio leaves its zone further than it stands. Grams.
 */
import { type Bench, editEntry, type Proposal, withFormula, withGrams, workedOn } from '../balance/bench';
import { drive } from '../balance/drive';
import { atEnd, type Formula, type FormulaLine } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { grams as say } from '../quantity/say';
import {
  MOST_TIMES_A_CARD,
  type OnHand,
  sameThing,
  scaledFor,
  shareUsed,
  USED_UP,
  type UsesUp,
  usesIn,
} from './on-hand';

/** A line of the bent formula beside the same formula scaled alone. */
interface Shift {
  readonly name: string;
  /** Grams more, or less, below 0. */
  readonly byG: number;
}

export interface TakenTogether<F> extends UsesUp<F> {
  /** The same, scaled alone. */
  readonly alone: UsesUp<F>;
  /** The formula as it is bent, in the amounts that are made; null: scaled alone it takes as much. */
  readonly bent: Formula | null;
  readonly shifts: readonly Shift[];
}

/** A line that is all of one thing on hand. */
interface OfThing {
  readonly thing: OnHand;
  readonly key: string;
  /** Of the formula as it stands. */
  readonly grams: number;
}

/**
 * Things on hand that a formula has on a line of their own; what stands on two lines, or among others, is scaled alone.
 */
function linesOf(lines: readonly FormulaLine[], things: readonly OnHand[]): readonly OfThing[] {
  return things.flatMap((thing) => {
    const own = lines.filter(
      (l) => l.use === 'batter' && l.parts.some((p) => sameThing(p.ingredient, thing.ingredient)),
    );
    const [only] = own;
    return own.length === 1 && only && only.parts.length === 1 && only.grams !== null && only.grams > 0 && !only.pinned
      ? [{ thing, key: only.key, grams: only.grams }]
      : [];
  });
}

/** How far a formula's ratios lie outside their zones, in widths of each. */
const outside = (b: Bench): ReadonlyMap<string, number> =>
  new Map(
    workedOn(b).analysis.rails.map(({ rail, tested, zone }) => {
      const width = zone ? Math.max(1e-6, zone[1] - zone[0]) : 1;
      return [rail, zone ? Math.max(0, zone[0] - tested, tested - zone[1]) / width : 0];
    }),
  );
/** A ratio may lie so much further outside than it did: the rounding of what is weighed, in widths. */
const ROUNDED = 0.02;

/** Of what a thing lacks to all of it, these shares are tried. */
const SHARES = [1, 0.75, 0.5, 0.25] as const;

const keeps = (was: ReadonlyMap<string, number>, is: Bench): boolean =>
  [...outside(is)].every(([rail, far]) => far <= (was.get(rail) ?? 0) + ROUNDED);

/** The line's grams as they stand on a bench. */
const gramsOn = (b: Bench, key: string): number => workedOn(b).lines.find((l) => l.key === key)?.grams ?? 0;

/** One line brought to so much, the others made up for it; null: it can't be, or a ratio leaves its zone for it. */
function brought(b: Bench, key: string, grams: number, was: ReadonlyMap<string, number>): Bench | null {
  const p = drive(b, key, grams, 'rebalance');
  const is = p && p.short === null ? withFormula(b, p.formula) : null;
  return is && keeps(was, is) ? is : null;
}

/**
 * A formula that takes all of one thing, and of the others as much as its zones allow; null: it asks for more than there
 * is.
 */
function drivenBy(b: Bench, by: OfThing, all: readonly OfThing[], was: ReadonlyMap<string, number>): Bench | null {
  const factor = by.thing.grams / by.grams;
  if (factor > MOST_TIMES_A_CARD) return null;
  const scaled = drive(b, by.key, by.thing.grams, 'scale');
  if (!scaled) return null;
  let now = withFormula(b, scaled.formula);
  const others = all.filter((x) => x !== by);
  for (const x of others) now = withFormula(now, editEntry(now.formula, x.key, { mostG: x.thing.grams }));
  // what there is too little of first: it has to be brought down
  for (const x of [...others].sort((p, q) => p.thing.grams / p.grams - q.thing.grams / q.grams)) {
    const has = gramsOn(now, x.key);
    const lacks = x.thing.grams - has;
    if (lacks < 0) {
      const less = brought(now, x.key, x.thing.grams, was);
      if (!less) return null;
      now = less;
    } else if (has < USED_UP * x.thing.grams)
      for (const share of SHARES) {
        const more = brought(now, x.key, has + share * lacks, was);
        if (!more) continue;
        now = more;
        break;
      }
  }
  return now;
}

/** Under so many grams, or this share of a line, it has not moved. */
const LEAST_SHIFT_G = 1;
const LEAST_SHIFT = 0.04;

/** What is otherwise than scaling alone would have it, the most first. */
function shiftsOf(b: Bench, is: Bench): readonly Shift[] {
  const before = workedOn(b).lines;
  const after = workedOn(is).lines;
  const flour = (lines: readonly FormulaLine[]): number =>
    lines.reduce((a, l) => a + (l.parts[0]?.ingredient.category === 'flour' ? (l.grams ?? 0) : 0), 0);
  const factor = flour(before) > 0 ? flour(after) / flour(before) : 1;
  return after
    .flatMap((l) => {
      const was = factor * (before.find((x) => x.key === l.key)?.grams ?? 0);
      const byG = (l.grams ?? 0) - was;
      const part = l.parts[0];
      return part && l.use === 'batter' && Math.abs(byG) > Math.max(LEAST_SHIFT_G, LEAST_SHIFT * was)
        ? [{ name: kitchenName(part.ingredient).toLowerCase(), byG }]
        : [];
    })
    .sort((p, q) => Math.abs(q.byG) - Math.abs(p.byG));
}

/** So much more has to be used up for a bent formula to be worth it, in things used up whole. Ours. */
const WORTH_IT = 0.05;

/**
 * A formula that uses things up, bent to use up more of them together.
 * @param u as it is scaled alone
 */
export function takenTogether<F extends { readonly formula: Formula }>(
  u: UsesUp<F>,
  things: readonly OnHand[],
  house: Kitchen,
): TakenTogether<F> {
  const alone = { ...u, alone: u, bent: null, shifts: [] };
  const b: Bench = { formula: u.of.formula, house, end: u.end };
  const all = linesOf(workedOn(b).lines, things);
  // what stands on no line of its own is bound by the scale
  if (all.length < 2 || all.length < u.uses.length) return alone;
  const was = outside(b);
  let best: { readonly u: UsesUp<F>; readonly is: Bench } | null = null;
  let score = shareUsed(u, things) + WORTH_IT;
  for (const by of all) {
    const is = drivenBy(b, by, all, was);
    const taken = is && usesIn(u.of, atEnd(is.formula, u.end), u.end, workedOn(is).lines, things);
    if (!is || !taken || taken.uses.some((x) => x.grams > x.thing.grams * (1 + 1e-3))) continue;
    const now = shareUsed(taken, things);
    if (now > score) [best, score] = [{ u: { ...taken, drives: by.thing }, is }, now];
  }
  if (!best) return alone;
  // written as the card writes them: five eggs, and not 250 g
  const grams = workedOn(best.is).lines.flatMap((l) => (l.grams === null ? [] : [[l.key, l.grams] as const]));
  const written = withGrams(b, workedOn(b).lines, new Map(grams));
  // where the rounding of what is written takes a ratio further out, it stays in exact grams
  const bent = keeps(was, { ...b, formula: written }) ? written : best.is.formula;
  return { ...best.u, alone: u, bent, shifts: shiftsOf(b, best.is) };
}

/** Things on hand in an address, "milk-whole 500,egg-large 250": ids and grams. */
export const thingsWritten = (things: readonly OnHand[]): string =>
  things.map((t) => `${t.ingredient.id} ${Math.round(10 * t.grams) / 10}`).join(',');

/** The same read back; what is not in the pantry is left out. @param find the pantry */
export const thingsRead = (written: string, find: (id: string) => Ingredient | undefined): readonly OnHand[] =>
  written.split(',').flatMap((w) => {
    const [id = '', g = ''] = w.split(' ');
    const ingredient = find(id);
    return ingredient && Number(g) > 0 ? [{ text: kitchenName(ingredient), ingredient, grams: Number(g) }] : [];
  });

/** A Bench's formula bent to take most of what there is, as a proposal; null: scaled alone it takes as much. */
export function usingUpTogether(b: Bench, things: readonly OnHand[]): Proposal | null {
  const u = scaledFor({ formula: b.formula }, b.end, things, b.house);
  const t = u && takenTogether(u, things, b.house);
  if (!t?.bent) return null;
  const what = t.uses.map((x) => `${say(x.grams, b.house.units)} of ${kitchenName(x.thing.ingredient).toLowerCase()}`);
  return {
    title: 'Most of all that there is',
    why: `It takes ${what.join(', ')}. The other amounts change too; no ratio lies further outside its zone than it did.`,
    formula: t.bent,
    short: null,
  };
}
