/**
 * From ratios to grams: which amounts meet the ratios asked for, moving the lines by the least that does it. Bounded
 * least squares over the lines that may move: goals to meet are equalities, goals to keep and the lines' own amounts
 * pull softly. Plain numbers in and out, so that it runs in a worker; one objective while a hand drags and when it lets
 * go.
 */
import type { Rail } from '../formula/kinds';
import { CO2_G_PER_MMOL, HEAT_SHARE } from '../lift/ledger';
import { minimum, type QuadraticRow } from './quadratic';

/** What one gram of a line brings (for lines that stand still: what all of them bring together). */
export interface Brings {
  readonly mass: number;
  readonly flour: number;
  /** Water that the zone tests. */
  readonly water: number;
  readonly egg: number;
  readonly fat: number;
  readonly sugar: number;
  readonly salt: number;
  /** Plain soda, soda a powder works itself, and food acid less alkali, meq. */
  readonly sodaMeq: number;
  readonly powderMeq: number;
  readonly acidMeq: number;
  /** Whole eggs. */
  readonly eggs: number;
}

export interface Mover {
  /** Grams as they stand. */
  readonly grams: number;
  readonly least: number;
  readonly most: number;
  /** How hard it clings to its amount; 1 is usual. */
  readonly clings: number;
  readonly brings: Brings;
}

export interface Goal {
  readonly rail: Rail;
  /** Percent of flour; for lift g CO2 per 100 g flour. */
  readonly value: number;
  /** To be met exactly, to be met but first to give way, or to be kept about there. */
  readonly how: 'meet' | 'yield' | 'keep';
  /** What counts as far for this rail: its zone's width. */
  readonly width: number;
  /** A rail that is kept never strays further than this from where it is kept; left out: it may. */
  readonly leash?: number;
}

export interface Question {
  readonly movers: readonly Mover[];
  readonly still: Brings;
  readonly goals: readonly Goal[];
  readonly massG: number | null;
  readonly eggs: number | null;
  /** Between which grams flour and the whole mass stay; null: the size is free. */
  readonly size: {
    readonly flour: readonly [low: number, high: number] | null;
    readonly mass: readonly [low: number, high: number];
  } | null;
  /** How much of a change of size costs, beside the ratios: small where the size is free. */
  readonly stiffness: number;
}

export interface Answer {
  /** Grams of each mover, in order. */
  readonly grams: readonly number[];
  /** Whether every goal to meet is met; where not, grams are the nearest that can be. */
  readonly met: boolean;
  /** Where each goal's rail comes to stand, in the goals' order. */
  readonly values: readonly number[];
}

/** Half of the share of unspent soda that heat takes apart gives gas. */
const UNSPENT_GAS = 0.5 * HEAT_SHARE;
/** Weight of a goal one zone's width off, beside a line moved by its whole self. */
const KEEP = 400;
/**
 * The same for a goal that has given way: nearest first; the gentler one where the first is too much for the
 * arithmetic.
 */
const NEAREST = [4e4, 4e3] as const;

type Key = keyof Brings;
const KEYS: readonly Key[] = [
  'mass',
  'flour',
  'water',
  'egg',
  'fat',
  'sugar',
  'salt',
  'sodaMeq',
  'powderMeq',
  'acidMeq',
  'eggs',
];

export const NO_CHANGE: Brings = {
  mass: 0,
  flour: 0,
  water: 0,
  egg: 0,
  fat: 0,
  sugar: 0,
  salt: 0,
  sodaMeq: 0,
  powderMeq: 0,
  acidMeq: 0,
  eggs: 0,
};

export function sumOf(still: Brings, movers: readonly Mover[], grams: readonly number[]): Brings {
  const t: Record<Key, number> = { ...still };
  movers.forEach((m, i) => {
    for (const k of KEYS) t[k] += m.brings[k] * (grams[i] ?? 0);
  });
  return t;
}

/** g CO2 of what acid, soda and powder are there. */
function gas(t: Pick<Brings, 'sodaMeq' | 'powderMeq' | 'acidMeq'>): number {
  const met = Math.min(t.sodaMeq, Math.max(0, t.acidMeq));
  return (met + t.powderMeq + UNSPENT_GAS * (t.sodaMeq - met)) * CO2_G_PER_MMOL;
}

/** Where a rail stands. */
export const railValue = (t: Brings, rail: Rail): number => (100 * (rail === 'lift' ? gas(t) : t[rail])) / t.flour;

/**
 * Soda that finds acid (`worked`), or acid that is all used up and some soda left (`unspent`): the ledger bends there.
 */
type Regime = 'worked' | 'unspent';

const railPerGram = (b: Brings, rail: Rail, regime: Regime): number => {
  if (rail !== 'lift') return b[rail];
  const food = regime === 'worked' ? b.sodaMeq : UNSPENT_GAS * b.sodaMeq + (1 - UNSPENT_GAS) * b.acidMeq;
  return (food + b.powderMeq) * CO2_G_PER_MMOL;
};

interface Attempt {
  readonly grams: readonly number[];
  readonly cost: number;
}

interface Scaled {
  readonly q: Question;
  readonly size: readonly number[];
  readonly flour: number;
  /** Unspent soda as the formula stands, meq a gram of flour. */
  readonly unspent: number;
}

function rowOf(s: Scaled, pick: (b: Brings) => number): QuadraticRow {
  const row = Float64Array.from(s.q.movers, (m, i) => pick(m.brings) * (s.size[i] as number));
  return { row, value: -pick(s.q.still) };
}

/** What is made small: half y'Hy - c'y, and what that leaves out, so that whole costs can be compared. */
interface Objective {
  readonly h: readonly Float64Array[];
  readonly c: Float64Array;
  rest: number;
}

/** Each line clings to its own amount. */
function clinging({ q, size }: Scaled): Objective {
  const pulls = q.movers.map((m) => m.clings * q.stiffness);
  const h = pulls.map((p, i) => {
    const row = new Float64Array(pulls.length);
    row[i] = p;
    return row;
  });
  return {
    h,
    c: Float64Array.from(q.movers, (m, i) => ((pulls[i] as number) * m.grams) / (size[i] as number)),
    rest: 0,
  };
}

/** A row that is wanted at its value, by a weight. */
function pull(o: Objective, { row, value }: QuadraticRow, weight: number): void {
  o.rest += 0.5 * weight * value ** 2;
  for (let i = 0; i < row.length; i++) {
    const a = weight * (row[i] as number);
    if (a === 0) continue;
    const hi = o.h[i] as Float64Array;
    for (let j = 0; j < row.length; j++) hi[j] = (hi[j] as number) + a * (row[j] as number);
    o.c[i] = (o.c[i] as number) + a * value;
  }
}

/** No line under its least or over its most. */
function bounds({ q, size }: Scaled): readonly QuadraticRow[] {
  const unit = (i: number, x: number): Float64Array => {
    const row = new Float64Array(q.movers.length);
    row[i] = x;
    return row;
  };
  return q.movers.flatMap((m, i) => {
    const least = { row: unit(i, 1), value: m.least / (size[i] as number) };
    return Number.isFinite(m.most) ? [least, { row: unit(i, -1), value: -m.most / (size[i] as number) }] : [least];
  });
}

/** The size of the batch stays between its bounds. */
function sizeRows(s: Scaled): readonly QuadraticRow[] {
  const { size } = s.q;
  const between = (pick: (b: Brings) => number, range: readonly [number, number] | null): readonly QuadraticRow[] => {
    if (range === null) return [];
    const { row, value } = rowOf(s, pick);
    return [
      { row, value: value + range[0] },
      { row: row.map((x) => -x), value: -value - range[1] },
    ];
  };
  return size ? [...between((b) => b.flour, size.flour), ...between((b) => b.mass, size.mass)] : [];
}

/** What is held as it is: the whole mass, the eggs. */
function held(s: Scaled): readonly QuadraticRow[] {
  const at = (pick: (b: Brings) => number, value: number | null): readonly QuadraticRow[] => {
    if (value === null) return [];
    const r = rowOf(s, pick);
    return [{ row: r.row, value: r.value + value }];
  };
  return [...at((b) => b.mass, s.q.massG), ...at((b) => b.eggs, s.q.eggs)];
}

/** Soda is never left with less acid than now; where nobody asks for lift, that is seen to later. */
function ledgerRows(s: Scaled, regime: Regime): readonly QuadraticRow[] {
  if (!s.q.goals.some((g) => g.rail === 'lift')) return [];
  if (regime === 'worked') return [rowOf(s, (b) => b.acidMeq - b.sodaMeq)];
  return [rowOf(s, (b) => b.acidMeq - b.sodaMeq + s.unspent * b.flour), rowOf(s, (b) => b.sodaMeq - b.acidMeq)];
}

/** A rail's distance from a value, as a row: nothing where it stands there. */
const distance = (s: Scaled, rail: Rail, value: number, regime: Regime, sign: 1 | -1 = 1): QuadraticRow =>
  rowOf(s, (b) => (sign * (100 * railPerGram(b, rail, regime) - value * b.flour)) / s.flour);

function attempt(s: Scaled, regime: Regime, nearest: number | null): Attempt | null {
  const objective = clinging(s);
  const equal: QuadraticRow[] = [...held(s)];
  const atLeast: QuadraticRow[] = [...bounds(s), ...sizeRows(s), ...ledgerRows(s, regime)];
  for (const g of s.q.goals) {
    const row = distance(s, g.rail, g.value, regime);
    const yields = g.how === 'yield' && nearest !== null;
    if (g.how === 'keep') pull(objective, row, KEEP / g.width ** 2);
    else if (yields) pull(objective, row, nearest / g.width ** 2);
    else equal.push(row);
    if (g.how === 'keep' && g.leash !== undefined)
      atLeast.push(distance(s, g.rail, g.value - g.leash, regime), distance(s, g.rail, g.value + g.leash, regime, -1));
  }
  const found = minimum({ ...objective, equal, atLeast });
  if (!found) return null;
  const grams = s.q.movers.map((m, i) =>
    Math.min(m.most, Math.max(m.least, (found.y[i] as number) * (s.size[i] as number))),
  );
  return { grams, cost: found.cost + objective.rest };
}

/** The better of the ledger's two regimes; a formula whose soda is all worked now stays there. */
function best(s: Scaled, nearest: number | null): readonly number[] | null {
  const worked = attempt(s, 'worked', nearest);
  const unspent = s.unspent > 0 ? attempt(s, 'unspent', nearest) : null;
  if (!worked || !unspent) return (worked ?? unspent)?.grams ?? null;
  return worked.cost <= unspent.cost ? worked.grams : unspent.grams;
}

/**
 * A flour total that moved further than this share is the new measure of the ratios, and the question is put once more.
 */
const MOVED = 0.2;
/** Percent of flour within which a goal counts as met. */
const MET = 0.05;
const metWithin = (g: Goal): number => (g.rail === 'lift' ? 0.005 : g.rail === 'salt' ? 0.01 : MET);

/**
 * Answers a question.
 * @returns grams of each mover, never under its least or over its most; nothing moves where nothing can
 */
export function solve(q: Question): Answer {
  const now = q.movers.map((m) => m.grams);
  const start = sumOf(q.still, q.movers, now);
  const floor = 0.004 * start.flour + 0.01;
  const answer = (grams: readonly number[]): Answer => {
    const t = sumOf(q.still, q.movers, grams);
    const values = q.goals.map((g) => railValue(t, g.rail));
    return {
      grams,
      values,
      met: q.goals.every((g, i) => g.how === 'keep' || Math.abs((values[i] as number) - g.value) <= metWithin(g)),
    };
  };
  if (!(start.flour > 0) || q.movers.length === 0) return answer(now);
  let flour = start.flour;
  let grams: readonly number[] = now;
  for (let round = 0; round < 2; round++) {
    const s: Scaled = {
      q,
      flour,
      size: now.map((g) => Math.max(g, floor)),
      unspent: Math.max(0, start.sodaMeq - Math.max(0, start.acidMeq)) / start.flour,
    };
    const found = best(s, null) ?? best(s, NEAREST[0]) ?? best(s, NEAREST[1]);
    if (!found) return answer(now);
    grams = found;
    const after = sumOf(q.still, q.movers, grams).flour;
    if (Math.abs(after - flour) <= MOVED * flour) break;
    flour = after;
  }
  return answer(grams);
}
