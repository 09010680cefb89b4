/**
 * A quadratic programme of the size of a formula: min 1/2 y'Hy - c'y with equalities and inequalities, H positive
 * definite. The dual active-set method of Goldfarb and Idnani, by the quadprog package; exact, and the same question
 * always has the same answer.
 */
import { solveQP } from 'quadprog';

/** row . y = value, or row . y >= value. */
export interface QuadraticRow {
  readonly row: Float64Array;
  readonly value: number;
}

interface Quadratic {
  readonly h: readonly Float64Array[];
  readonly c: Float64Array;
  readonly equal: readonly QuadraticRow[];
  readonly atLeast: readonly QuadraticRow[];
}

interface Minimum {
  readonly y: Float64Array;
  readonly cost: number;
}

const size = (r: Float64Array): number => r.reduce((m, x) => Math.max(m, Math.abs(x)), 0);
/** A row whose every coefficient is this small beside 1 says nothing about the variables. */
const NOTHING = 1e-12;
/** How far a condition, scaled to one, may be missed by rounding. */
const SLACK = 1e-6;

/** @returns the minimum, or null where the conditions contradict each other */
export function minimum(q: Quadratic): Minimum | null {
  const n = q.c.length;
  const rows: { row: Float64Array; value: number }[] = [];
  let equalities = 0;
  for (const [list, exact] of [
    [q.equal, true],
    [q.atLeast, false],
  ] as const)
    for (const { row, value } of list) {
      const s = size(row);
      if (s < NOTHING) {
        if (exact ? Math.abs(value) > 1e-9 : value > 1e-9) return null;
        continue;
      }
      // scaled to one, so that the package's tolerance means the same for grams of flour and of salt
      rows.push({ row: row.map((x) => x / s), value: value / s });
      if (exact) equalities++;
    }
  if (n === 0) return { y: new Float64Array(0), cost: 0 };
  const one = (values: Iterable<number>): number[] => [0, ...values];
  const D = [[0], ...q.h.map((r) => one(r))];
  const A = [[0], ...Array.from({ length: n }, (_, i) => one(rows.map((r) => r.row[i] as number)))];
  const r = solveQP(D, one(q.c), A, one(rows.map((x) => x.value)), equalities);
  if (r.message !== '') return null;
  const y = Float64Array.from(r.solution.slice(1));
  // an ill-conditioned question can end beside its conditions without a word: that is no answer
  const kept = rows.every(({ row, value }, k) => {
    const d = row.reduce((a, x, i) => a + x * (y[i] as number), -value);
    return k < equalities ? Math.abs(d) < SLACK : d > -SLACK;
  });
  if (!kept) return null;
  return { y, cost: r.value[1] };
}
