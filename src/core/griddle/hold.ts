/**
 * What is off the heat: waiting by the griddle, in the holding oven or on plates, the oldest first; and how many loads
 * are left before a bell. Times in milliseconds since 1970.
 */
import { type ActEntry, entriesOf } from '../batch/acts';
import { BETWEEN_S, onHeatS, type SideTimes } from '../script/on-heat';

const MIN = 60_000;

interface Tray {
  readonly pieces: number;
  readonly at: number;
}

export interface Holding {
  /** Off the heat and nowhere yet. */
  readonly waiting: number;
  /** In the oven, the oldest first. */
  readonly trays: readonly Tray[];
  readonly inOven: number;
  readonly plated: number;
}

/** The trays as they went in and came out, the oldest first; and the longest any was in, min. */
function trays(
  entries: readonly ActEntry[],
): Pick<Holding, 'trays' | 'plated'> & { readonly longestMin: number | null } {
  let inside: readonly Tray[] = [];
  let plated = 0;
  let longestMin: number | null = null;
  for (const e of [...entries].sort((a, b) => a.at - b.at)) {
    if (e.act.what === 'held') inside = [...inside, { pieces: e.act.pieces, at: e.at }];
    if (e.act.what === 'plated') plated += e.act.pieces;
    if (e.act.what === 'out') {
      let left = e.act.pieces;
      inside = inside.flatMap((t) => {
        const taken = Math.min(left, t.pieces);
        left -= taken;
        plated += taken;
        if (taken > 0) longestMin = Math.max(longestMin ?? 0, (e.at - t.at) / MIN);
        return t.pieces > taken ? [{ ...t, pieces: t.pieces - taken }] : [];
      });
    }
  }
  return { trays: inside, plated, longestMin };
}

/** @param off pieces off the heat so far */
export function holdingOf(entries: readonly ActEntry[], off: number): Holding {
  const { trays: inside, plated } = trays(entries);
  const inOven = inside.reduce((a, t) => a + t.pieces, 0);
  return { waiting: Math.max(0, off - inOven - plated), trays: inside, inOven, plated };
}

/** Longest that pieces were in the oven before they came out, min; null: none came out. */
export const longestHeldMin = (entries: readonly ActEntry[]): number | null => trays(entries).longestMin;

/** When the bell rings; null: none. */
export const bellOf = (entries: readonly ActEntry[]): number | null =>
  entriesOf(entries, 'bell').at(-1)?.act.bellAt ?? null;

/** Whole loads that are off the heat before a bell, begun now one after the other. */
export const loadsBefore = (bellAt: number, now: number, times: SideTimes): number =>
  Math.max(0, Math.floor((bellAt - now + 1000 * BETWEEN_S) / (1000 * (onHeatS(times) + BETWEEN_S))));
