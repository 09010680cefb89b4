/**
 * One take for each line so that weighted misses and efforts are least, by going downhill: one line changed at a time,
 * then two together. Quick and always the same; a programme of whole numbers can only better it.
 */

/** The choice as sums: each take brings so much to each ratio, and costs so much by itself. */
export interface SearchChoice {
  /** Effort and own miss of a take, by line and take. */
  readonly own: readonly (readonly number[])[];
  /** What it brings to each ratio, by line, take and ratio. */
  readonly brings: readonly (readonly (readonly number[])[])[];
  /** What each ratio is to come to, and what a miss of one costs. */
  readonly aims: readonly number[];
  readonly weighs: readonly number[];
}

/** Sweeps of pairs before it is let be: each makes it better, and two or three are mostly all. */
const MOST_SWEEPS = 6;
const BETTER = 1e-9;

/** A choice while it is searched: the take of each line, how far each ratio is off, and what all of them cost. */
interface Standing {
  readonly c: SearchChoice;
  readonly at: number[];
  /** Of each ratio, what is brought less what is aimed at. */
  readonly sums: number[];
  /** What the misses of the ratios cost. */
  miss: number;
}

const rowOf = ({ c }: Standing, n: number, t: number): readonly number[] => c.brings[n]?.[t] ?? [];
const ownOf = ({ c }: Standing, n: number, t: number): number => c.own[n]?.[t] ?? 0;
const takeOf = (s: Standing, n: number): number => s.at[n] ?? 0;

/** What the ratios' misses cost with the takes of one line changed. @param off ratios without that line @param enough where to stop */
function missWith(s: Standing, off: readonly number[], row: readonly number[], from: number, enough: number): number {
  let cost = from;
  for (let k = 0; k < off.length && cost < enough; k++)
    cost += (s.c.weighs[k] ?? 0) * Math.abs((off[k] ?? 0) + (row[k] ?? 0));
  return cost;
}

/** The ratios without the takes of these lines. */
const without = (s: Standing, ...rows: readonly (readonly number[])[]): readonly number[] =>
  s.sums.map((x, k) => rows.reduce((a, r) => a - (r[k] ?? 0), x));

function put(s: Standing, n: number, t: number): void {
  const [old, is] = [rowOf(s, n, takeOf(s, n)), rowOf(s, n, t)];
  for (let k = 0; k < s.sums.length; k++) s.sums[k] = (s.sums[k] ?? 0) + (is[k] ?? 0) - (old[k] ?? 0);
  s.at[n] = t;
  s.miss = missWith(s, s.sums, [], 0, Number.POSITIVE_INFINITY);
}

/** Puts the best take of one line. @returns whether it is a better one */
function better(s: Standing, n: number): boolean {
  const off = without(s, rowOf(s, n, takeOf(s, n)));
  let [best, least] = [-1, s.miss + ownOf(s, n, takeOf(s, n)) - BETTER];
  for (let t = 0; t < (s.c.own[n]?.length ?? 0); t++) {
    const cost = missWith(s, off, rowOf(s, n, t), ownOf(s, n, t), Number.POSITIVE_INFINITY);
    if (cost < least) [best, least] = [t, cost];
  }
  if (best >= 0) put(s, n, best);
  return best >= 0;
}

/** Puts the best takes of two lines together. @returns whether they are better ones */
function betterTogether(s: Standing, n: number, m: number): boolean {
  const [a, b] = [rowOf(s, n, takeOf(s, n)), rowOf(s, m, takeOf(s, m))];
  // they only help each other where they bring to the same ratio
  if (!a.some((x, k) => x !== 0 && (b[k] ?? 0) !== 0)) return false;
  const off = without(s, a, b);
  let least = s.miss + ownOf(s, n, takeOf(s, n)) + ownOf(s, m, takeOf(s, m)) - BETTER;
  let best: readonly [number, number] | null = null;
  for (let t = 0; t < (s.c.own[n]?.length ?? 0); t++) {
    const first = ownOf(s, n, t);
    if (first >= least) continue;
    const is = rowOf(s, n, t);
    const rest = off.map((x, k) => x + (is[k] ?? 0));
    for (let u = 0; u < (s.c.own[m]?.length ?? 0); u++) {
      const cost = missWith(s, rest, rowOf(s, m, u), first + ownOf(s, m, u), least);
      if (cost < least) [least, best] = [cost, [t, u]];
    }
  }
  if (!best) return false;
  put(s, n, best[0]);
  put(s, m, best[1]);
  return true;
}

/** Index of the take for each line. @param from where to begin, a take for each line */
export function downhill(
  c: SearchChoice,
  from: readonly number[],
  pairs: boolean,
): { readonly chosen: readonly number[]; readonly cost: number } {
  const sums = c.aims.map((a, k) => from.reduce((s, t, n) => s + (c.brings[n]?.[t]?.[k] ?? 0), -a));
  const s: Standing = { c, at: [...from], sums, miss: 0 };
  s.miss = missWith(s, sums, [], 0, Number.POSITIVE_INFINITY);
  const lines = from.map((_, n) => n);
  // every line is tried, also where one before it was bettered
  const single = (): boolean => lines.filter((n) => better(s, n)).length > 0;
  const paired = (): boolean =>
    lines.filter((n) => lines.slice(n + 1).filter((m) => betterTogether(s, n, m)).length > 0).length > 0;
  while (single());
  for (let n = 0; pairs && n < MOST_SWEEPS && paired(); n++) while (single());
  return { chosen: s.at, cost: s.miss + s.at.reduce((sum, t, n) => sum + ownOf(s, n, t), 0) };
}
