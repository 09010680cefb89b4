/**
 * Rounding to a kitchen's measures: for every line one of the amounts its drawer can take, chosen together so that the ratios
 * that matter most drift least, then with the fewest scoops, then with the larger measures. The flour is taken first and sets
 * the scale; with it fixed every drift is linear, and the choice is a small integer programme. The solver is passed in.
 */

import type { KitchenConventions } from '../pantry/conventions';
import { type Ingredient, isFlour, type Member, membersOf } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { ToolId } from '../pantry/tools';
import { nearest, type Take, takesOf } from './drawer';

/** What is held, and by how much of itself it may drift before it counts as much as the others, percent. */
export const TOLERANCE = { leavening: 5, salt: 5, liquid: 2, egg: 4, fat: 6, sugar: 8 } as const;
export type HeldRatio = keyof typeof TOLERANCE;
const KEPT = Object.keys(TOLERANCE) as readonly HeldRatio[];
/** The flour may be so much more or less than asked before it counts as much as a ratio, percent. */
const FLOUR_TOLERANCE = 10;
/** So much may a line be off by itself, whatever the ratios say, before it counts as much as one of them, percent. */
const OWN_TOLERANCE = 50;
/** Less of a thing than this share of the flour is no ratio to keep. */
const TRACE = 1e-4;
/** More lines than any batter has are rounded each by itself. */
const MOST_LINES = 60;
/** So little drift, in tolerances, leaves nothing to choose. */
const NOTHING = 0.2;
/** A scoop less is worth so little of a tolerance, and a larger measure still less. */
const SCOOP = 0.005;
const FINE = 1e-5;

/** Answers a linear programme in LP format: the value of each named variable; null where it finds none. */
export type SolveLp = (lp: string) => ReadonlyMap<string, number> | null;

export interface KitchenLine {
  readonly ingredient: Ingredient;
  /** As they would be exactly, > 0. */
  readonly grams: number;
}

export interface Chosen {
  /** One for each line, in order; null where nothing in the drawer measures it: it is weighed. */
  readonly takes: readonly (Take | null)[];
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
  readonly takes: readonly (readonly Take[])[];
  readonly shares: readonly Shares[];
  readonly flour: readonly boolean[];
  /** Taken before the programme is asked: flour, what touches no ratio, what nothing measures. */
  readonly still: readonly boolean[];
  /** What is aimed at: of each to a gram of flour. */
  readonly aim: Shares;
  readonly flourG: number;
}

const total = (grams: readonly number[], of: (n: number) => number): number => grams.reduce((a, g, n) => a + g * of(n), 0);

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
    drift += (100 * Math.abs(total(grams, (n) => p.shares[n]?.[k] ?? 0) - p.aim[k] * flourG)) / (p.aim[k] * flourG) / TOLERANCE[k];
  }
  return drift;
}

const ease = (t: Take): number => SCOOP * t.scoops + FINE * t.fineness;

/** Everything that counts, the drift first. */
const costOf = (p: Problem, takes: readonly (Take | null)[]): number =>
  driftOf(
    p,
    takes.map((t, n) => t?.grams ?? p.lines[n]?.grams ?? 0),
  ) + takes.reduce((a, t) => a + (t ? ease(t) : 0), 0);

const number = (x: number): string => {
  const s = x.toFixed(12).replace(/\.?0+$/, '');
  return s === '' || s === '-0' ? '0' : s;
};
const term = (c: number, name: string): string => `${c < 0 ? '- ' : '+ '}${number(Math.abs(c))} ${name}`;

/** The choice with the flour settled, as a programme in LP format: `z<line>_<take>` is 1 for the take that is chosen. */
function programme(p: Problem, taken: readonly (Take | null)[]): string {
  const fixed = p.lines.map((l, n) => (p.still[n] ? (taken[n]?.grams ?? l.grams) : null));
  const open = p.lines.map((_, n) => n).filter((n) => fixed[n] === null);
  const flourG = p.lines.reduce((a, _, n) => a + (p.flour[n] ? (fixed[n] ?? 0) : 0), 0);
  const kept = KEPT.filter((k) => p.aim[k] >= TRACE);
  const z = open.flatMap((n) => (p.takes[n] ?? []).map((t, c) => ({ n, t, name: `z${n}_${c}` })));
  const objective = [
    ...kept.flatMap((k) => [term(1, `u_${k}`), term(1, `o_${k}`)]),
    ...z.map(({ n, t, name }) => term(ease(t) + ownDrift(p.lines[n] as KitchenLine, t.grams), name)),
  ];
  const rows = kept.map((k) => {
    const scale = 100 / (p.aim[k] * flourG) / TOLERANCE[k];
    const still = p.lines.reduce((a, _, n) => a + (fixed[n] ?? 0) * (p.shares[n]?.[k] ?? 0), 0);
    const terms = z.flatMap(({ n, t, name }) => {
      const c = scale * t.grams * (p.shares[n]?.[k] ?? 0);
      return c === 0 ? [] : [term(c, name)];
    });
    return ` r_${k}: ${[...terms, term(1, `u_${k}`), term(-1, `o_${k}`)].join('\n  ')} = ${number(scale * (p.aim[k] * flourG - still))}`;
  });
  const ones = open.map((n) => ` c${n}: ${(p.takes[n] ?? []).map((_, c) => `+ z${n}_${c}`).join('\n  ')} = 1`);
  return ['Minimize', ` cost: ${objective.join('\n  ')}`, 'Subject To', ...rows, ...ones, 'Binary', ...z.map(({ name }) => ` ${name}`), 'End'].join('\n');
}

/** How many amounts of a flour are tried: the nearest and its neighbours. */
const FLOUR_TRIES = 3;

/** What is taken beforehand: a lone flour at its nearest few amounts, a blend at each one's nearest. @param near each line's nearest */
function floursOf(p: Problem, near: readonly (Take | null)[]): readonly (readonly (Take | null)[])[] {
  const flours = p.lines.map((_, n) => n).filter((n) => p.flour[n] && (p.takes[n]?.length ?? 0) > 0);
  const [only] = flours;
  if (only === undefined || flours.length > 1) return [near];
  const grams = p.lines[only]?.grams ?? 0;
  const few = [...(p.takes[only] ?? [])].sort((a, b) => Math.abs(a.grams - grams) - Math.abs(b.grams - grams) || a.scoops - b.scoops).slice(0, FLOUR_TRIES);
  return few.map((t) => near.map((x, n) => (n === only ? t : x)));
}

function settled(p: Problem, taken: readonly (Take | null)[], solve: SolveLp): readonly (Take | null)[] | null {
  if (p.still.every(Boolean)) return taken;
  const answer = solve(programme(p, taken));
  if (!answer) return null;
  const takes = p.lines.map((_, n) => (p.still[n] ? (taken[n] ?? null) : (p.takes[n]?.find((_t, k) => (answer.get(`z${n}_${k}`) ?? 0) > 0.5) ?? null)));
  return takes.some((t, n) => t === null && !p.still[n]) ? null : takes;
}

/**
 * Chooses kitchen measures for the lines of a batter.
 * @param lines what they would weigh exactly; some of it flour
 * @param drawer the measures there are
 * @param solve a mixed-integer solver; where it finds nothing, each line's nearest measure stands
 * @returns the same answer to the same question; never worse in drift than rounding each line by itself
 */
export function kitchenMeasures(lines: readonly KitchenLine[], house: KitchenConventions, drawer: readonly ToolId[], solve: SolveLp): Chosen {
  const takes = lines.map((l) => takesOf(l.ingredient, l.grams, house, drawer));
  const shares = lines.map((l) => brings(l.ingredient));
  const flour = lines.map((l) => isFlour(l.ingredient));
  const flourG = lines.reduce((a, l, n) => a + (flour[n] ? l.grams : 0), 0);
  const aim = Object.fromEntries(KEPT.map((k) => [k, flourG > 0 ? lines.reduce((a, l, n) => a + l.grams * (shares[n]?.[k] ?? 0), 0) / flourG : 0])) as Shares;
  const still = lines.map((_, n) => flour[n] === true || (takes[n]?.length ?? 0) === 0 || KEPT.every((k) => (shares[n]?.[k] ?? 0) === 0));
  const p: Problem = { lines, takes, shares, flour, still, aim, flourG };
  const plain = lines.map((l, n) => nearest(takes[n] ?? [], l.grams));
  const grams = (t: readonly (Take | null)[]): readonly number[] => t.map((x, n) => x?.grams ?? lines[n]?.grams ?? 0);
  if (!(flourG > 0)) return { takes: plain, drift: 0, plainDrift: 0 };
  const plainDrift = driftOf(p, grams(plain));
  let best: readonly (Take | null)[] = plain;
  if (plainDrift < NOTHING || lines.length > MOST_LINES) return { takes: plain, drift: plainDrift, plainDrift };
  for (const f of floursOf(p, plain)) {
    const found = settled(p, f, solve);
    // fewer scoops are never bought with more drift than rounding each line by itself has
    if (found && driftOf(p, grams(found)) <= plainDrift + 1e-9 && costOf(p, found) < costOf(p, best) - 1e-12) best = found;
  }
  return { takes: best, drift: driftOf(p, grams(best)), plainDrift };
}
