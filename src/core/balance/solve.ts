/**
 * From ratios to grams: which amounts meet the ratios asked for, moving the lines by the least that does it. Bounded
 * least squares over the lines that may move: goals to meet are equalities, goals to keep and the lines' own amounts pull
 * softly. Plain numbers in and out, so that it runs in a worker; one objective while a hand drags and when it lets go.
 */
import type { Rail } from '../formula/kinds';
import { CO2_G_PER_MMOL, HEAT_SHARE } from '../lift/ledger';
import { minimum, type Quadratic, type Row } from './quadratic';

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
/** The same for a goal that has given way: nearest first; the gentler one where the first is too much for the arithmetic. */
const NEAREST = [4e4, 4e3] as const;

type Key = keyof Brings;
const KEYS: readonly Key[] = ['mass', 'flour', 'water', 'egg', 'fat', 'sugar', 'salt', 'sodaMeq', 'powderMeq', 'acidMeq', 'eggs'];

export const NOTHING: Brings = { mass: 0, flour: 0, water: 0, egg: 0, fat: 0, sugar: 0, salt: 0, sodaMeq: 0, powderMeq: 0, acidMeq: 0, eggs: 0 };

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

/** Soda that finds acid (`worked`), or acid that is all used up and some soda left (`unspent`): the ledger bends there. */
type Regime = 'worked' | 'unspent';

const railPerGram = (b: Brings, rail: Rail, regime: Regime): number => {
  if (rail !== 'lift') return b[rail];
  const food = regime === 'worked' ? b.sodaMeq : UNSPENT_GAS * b.sodaMeq + (1 - UNSPENT_GAS) * b.acidMeq;
  return (food + b.powderMeq) * CO2_G_PER_MMOL;
};

interface Scaled {
  readonly q: Question;
  readonly size: readonly number[];
  readonly flour: number;
  /** Unspent soda as the formula stands, meq a gram of flour. */
  readonly unspent: number;
}

function rowOf(s: Scaled, pick: (b: Brings) => number): Row {
  const row = Float64Array.from(s.q.movers, (m, i) => pick(m.brings) * (s.size[i] as number));
  return { row, value: -pick(s.q.still) };
}

function attempt(s: Scaled, regime: Regime, nearest: number | null): { readonly grams: number[]; readonly cost: number } | null {
  const { movers, goals } = s.q;
  const n = movers.length;
  const h = movers.map((m, i) => {
    const r = new Float64Array(n);
    r[i] = m.clings * s.q.stiffness;
    return r;
  });
  const c = Float64Array.from(movers, (m, i) => (m.clings * s.q.stiffness * m.grams) / (s.size[i] as number));
  const equal: Row[] = [];
  const atLeast: Row[] = [];
  // what the soft goals cost with nothing moved: regimes are compared by their whole cost
  let standing = 0;
  for (const g of goals) {
    const row = rowOf(s, (b) => (100 * railPerGram(b, g.rail, regime) - g.value * b.flour) / s.flour);
    if (g.how === 'meet' || (g.how === 'yield' && nearest === null)) equal.push(row);
    else {
      const w = (g.how === 'yield' ? (nearest ?? 0) : KEEP) / g.width ** 2;
      standing += 0.5 * w * row.value ** 2;
      for (let i = 0; i < n; i++) {
        const a = w * (row.row[i] as number);
        if (a === 0) continue;
        const hi = h[i] as Float64Array;
        for (let j = 0; j < n; j++) hi[j] = (hi[j] as number) + a * (row.row[j] as number);
        c[i] = (c[i] as number) + a * row.value;
      }
    }
    if (g.how === 'keep' && g.leash !== undefined)
      for (const sign of [1, -1] as const) {
        const end = rowOf(s, (b) => (sign * (100 * railPerGram(b, g.rail, regime) - (g.value - sign * (g.leash ?? 0)) * b.flour)) / s.flour);
        atLeast.push(end);
      }
  }
  if (s.q.massG !== null) {
    const r = rowOf(s, (b) => b.mass);
    equal.push({ row: r.row, value: r.value + s.q.massG });
  }
  if (s.q.eggs !== null) {
    const r = rowOf(s, (b) => b.eggs);
    equal.push({ row: r.row, value: r.value + s.q.eggs });
  }
  movers.forEach((m, i) => {
    const unit = new Float64Array(n);
    unit[i] = 1;
    atLeast.push({ row: unit, value: m.least / (s.size[i] as number) });
    if (Number.isFinite(m.most)) {
      const down = new Float64Array(n);
      down[i] = -1;
      atLeast.push({ row: down, value: -m.most / (s.size[i] as number) });
    }
  });
  // soda is never left with less acid than now; where nobody asks for lift, that is seen to later
  if (!goals.some((g) => g.rail === 'lift')) return answered({ h, c, equal, atLeast }, s, standing);
  const spare = rowOf(s, (b) => b.acidMeq - b.sodaMeq + s.unspent * b.flour);
  if (regime === 'worked') atLeast.push(rowOf(s, (b) => b.acidMeq - b.sodaMeq));
  else
    atLeast.push(
      spare,
      rowOf(s, (b) => b.sodaMeq - b.acidMeq),
    );
  return answered({ h, c, equal, atLeast }, s, standing);
}

function answered(q: Quadratic, s: Scaled, standing: number): { readonly grams: number[]; readonly cost: number } | null {
  const best = minimum(q);
  if (!best) return null;
  const grams = s.q.movers.map((m, i) => Math.min(m.most, Math.max(m.least, (best.y[i] as number) * (s.size[i] as number))));
  return { grams, cost: best.cost + standing };
}

/** The better of the ledger's two regimes; a formula whose soda is all worked now stays there. */
function best(s: Scaled, nearest: number | null): readonly number[] | null {
  const worked = attempt(s, 'worked', nearest);
  const unspent = s.unspent > 0 ? attempt(s, 'unspent', nearest) : null;
  if (!worked || !unspent) return (worked ?? unspent)?.grams ?? null;
  return worked.cost <= unspent.cost ? worked.grams : unspent.grams;
}

/** A flour total that moved further than this share is the new measure of the ratios, and the question is put once more. */
const MOVED = 0.2;
/** Percent of flour within which a goal counts as met. */
export const MET = 0.05;
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
    return { grams, values, met: q.goals.every((g, i) => g.how === 'keep' || Math.abs((values[i] as number) - g.value) <= metWithin(g)) };
  };
  if (!(start.flour > 0) || q.movers.length === 0) return answer(now);
  let flour = start.flour;
  let grams: readonly number[] = now;
  for (let round = 0; round < 2; round++) {
    const s: Scaled = { q, flour, size: now.map((g) => Math.max(g, floor)), unspent: Math.max(0, start.sodaMeq - Math.max(0, start.acidMeq)) / start.flour };
    const found = best(s, null) ?? best(s, NEAREST[0]) ?? best(s, NEAREST[1]);
    if (!found) return answer(now);
    grams = found;
    const after = sumOf(q.still, q.movers, grams).flour;
    if (Math.abs(after - flour) <= MOVED * flour) break;
    flour = after;
  }
  return answer(grams);
}
