/** The way to the integer solver (HiGHS), handed to whoever needs one: bounded by nodes and gap, so that it answers alike each time. */
import type { SolveLp } from './kitchen';

interface Highs {
  readonly solve: (problem: string, options?: object) => { readonly Status: string; readonly Columns: Readonly<Record<string, object>> };
}

/** Gap and branches at which the best so far is taken: near enough that nobody tastes it. The time is only a backstop. */
const OPTIONS = { mip_rel_gap: 0.001, mip_abs_gap: 1e-4, mip_max_nodes: 400, random_seed: 1, threads: 1, time_limit: 5, output_flag: false };

export const highsSolver =
  (highs: Highs): SolveLp =>
  (lp) => {
    const { Columns } = highs.solve(lp, OPTIONS);
    // a problem it could not answer has columns without values
    const found = Object.entries(Columns).flatMap(([name, c]) => ('Primal' in c && typeof c.Primal === 'number' ? [[name, c.Primal] as const] : []));
    return found.length > 0 && found.length === Object.keys(Columns).length ? new Map(found) : null;
  };
