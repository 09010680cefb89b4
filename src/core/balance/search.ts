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

/** Index of the take for each line. @param from where to begin, a take for each line */
export function downhill(
  c: SearchChoice,
  from: readonly number[],
  pairs: boolean,
): { readonly chosen: readonly number[]; readonly cost: number } {
  const at = [...from];
  const ratios = c.aims.length;
  const sums = c.aims.map((a, k) => at.reduce((s, t, n) => s + (c.brings[n]?.[t]?.[k] ?? 0), -a));
  const missOf = (): number => sums.reduce((m, s, k) => m + (c.weighs[k] ?? 0) * Math.abs(s), 0);
  let miss = missOf();
  const row = (n: number, t: number): readonly number[] => c.brings[n]?.[t] ?? [];
  const own = (n: number, t: number): number => c.own[n]?.[t] ?? 0;
  const put = (n: number, t: number): void => {
    const [old, is] = [row(n, at[n] ?? 0), row(n, t)];
    for (let k = 0; k < ratios; k++) sums[k] = (sums[k] ?? 0) + (is[k] ?? 0) - (old[k] ?? 0);
    at[n] = t;
    miss = missOf();
  };
  const single = (): boolean => {
    let any = false;
    for (let n = 0; n < at.length; n++) {
      const old = row(n, at[n] ?? 0);
      let [best, least] = [-1, miss + own(n, at[n] ?? 0) - BETTER];
      for (let t = 0; t < (c.own[n]?.length ?? 0); t++) {
        const is = row(n, t);
        let cost = own(n, t);
        for (let k = 0; k < ratios; k++)
          cost += (c.weighs[k] ?? 0) * Math.abs((sums[k] ?? 0) + (is[k] ?? 0) - (old[k] ?? 0));
        if (cost < least) [best, least] = [t, cost];
      }
      if (best >= 0) {
        put(n, best);
        any = true;
      }
    }
    return any;
  };
  const paired = (): boolean => {
    let any = false;
    const rest = new Array<number>(ratios).fill(0);
    for (let n = 0; n < at.length; n++)
      for (let m = n + 1; m < at.length; m++) {
        const [a, b] = [row(n, at[n] ?? 0), row(m, at[m] ?? 0)];
        // they only help each other where they bring to the same ratio
        if (!a.some((x, k) => x !== 0 && (b[k] ?? 0) !== 0)) continue;
        let least = miss + own(n, at[n] ?? 0) + own(m, at[m] ?? 0) - BETTER;
        let best: readonly [number, number] | null = null;
        for (let t = 0; t < (c.own[n]?.length ?? 0); t++) {
          const first = own(n, t);
          if (first >= least) continue;
          const is = row(n, t);
          for (let k = 0; k < ratios; k++) rest[k] = (sums[k] ?? 0) + (is[k] ?? 0) - (a[k] ?? 0) - (b[k] ?? 0);
          for (let u = 0; u < (c.own[m]?.length ?? 0); u++) {
            const also = row(m, u);
            let cost = first + own(m, u);
            for (let k = 0; k < ratios && cost < least; k++)
              cost += (c.weighs[k] ?? 0) * Math.abs((rest[k] ?? 0) + (also[k] ?? 0));
            if (cost < least) [least, best] = [cost, [t, u]];
          }
        }
        if (best) {
          put(n, best[0]);
          put(m, best[1]);
          any = true;
        }
      }
    return any;
  };
  while (single());
  for (let n = 0; pairs && n < MOST_SWEEPS && paired(); n++) while (single());
  return { chosen: at, cost: miss + at.reduce((s, t, n) => s + own(n, t), 0) };
}
