/**
 * What is off the heat: waiting by the griddle, in the holding oven or on plates, the oldest first; and how many loads are
 * left before a bell. Times in milliseconds since 1970.
 */
import { type Entry, entriesOf } from '../batch/acts';
import { BETWEEN_S, onHeatS, type SideTimes } from '../batch/heat';

/** Minutes in the holding oven after which quality goes, domain practice; the local food code rules what may be held. */
export const HOLD_MIN = 25;

export interface Tray {
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

/** @param off pieces off the heat so far */
export function holdingOf(entries: readonly Entry[], off: number): Holding {
  let trays: readonly Tray[] = [];
  let plated = 0;
  for (const e of [...entries].sort((a, b) => a.at - b.at)) {
    if (e.act.what === 'held') trays = [...trays, { pieces: e.act.pieces, at: e.at }];
    if (e.act.what === 'plated') plated += e.act.pieces;
    if (e.act.what === 'out') {
      let left = e.act.pieces;
      trays = trays.flatMap((t) => {
        const taken = Math.min(left, t.pieces);
        left -= taken;
        plated += taken;
        return t.pieces > taken ? [{ ...t, pieces: t.pieces - taken }] : [];
      });
    }
  }
  const inOven = trays.reduce((a, t) => a + t.pieces, 0);
  return { waiting: Math.max(0, off - inOven - plated), trays, inOven, plated };
}

/** When the bell rings; null: none. */
export const bellOf = (entries: readonly Entry[]): number | null => entriesOf(entries, 'bell').at(-1)?.act.bellAt ?? null;

/** Whole loads that are off the heat before a bell, begun now one after the other. */
export const loadsBefore = (bellAt: number, now: number, times: SideTimes): number =>
  Math.max(0, Math.floor((bellAt - now + 1000 * BETWEEN_S) / (1000 * (onHeatS(times) + BETWEEN_S))));
