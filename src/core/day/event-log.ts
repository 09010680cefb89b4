/**
 * The event log of a batch: everything that is told of it while it is made. A screen tells it in items, each with an id
 * of its own, so that one sent twice is told once; what is not yet sent shows at once.
 */
import type { ActEntry } from '../batch/acts';
import { settle, type Tap, type ToldTap } from '../griddle/board';

export interface EventLog {
  readonly taps: readonly Tap[];
  readonly entries: readonly ActEntry[];
  /** Keys of lines that are in. */
  readonly ticked: readonly string[];
  /** g that really went in, by line; a line that was only ticked is not in it. */
  readonly weights: Readonly<Record<string, number>>;
}

export type Told =
  | { readonly do: 'tap'; readonly tap: ToldTap }
  | { readonly do: 'untap'; readonly tapId: string }
  /** A line is ticked, unticked, or weighed at so many grams. */
  | { readonly do: 'line'; readonly key: string; readonly to: boolean | number; readonly at?: number }
  | { readonly do: 'enter'; readonly entry: ActEntry }
  | { readonly do: 'strike'; readonly entryId: string };

export type Item = Told & { readonly id: string };

/** When it happened, as the screen has it; what is taken back has no time of its own. */
export const toldAt = (t: Told): number | null =>
  t.do === 'tap' ? t.tap.at : t.do === 'enter' ? t.entry.at : t.do === 'line' ? (t.at ?? null) : null;

/**
 * So far a screen's idea of the kitchen's clock may be off before its stopwatch is believed instead, ms; the way of an
 * answer is within it. From twice as far on the stopwatch alone is believed, and between the two each in part: a clock
 * just so far off is not believed for one tap and disbelieved for the next, which would change their order.
 */
const NEAR_MS = 2000;

/**
 * When something happened, by the kitchen's clock. A screen says the time as it has it, and how long ago that was:
 * where the two agree the time is taken, so that what was told in quick succession keeps its order; where they don't,
 * its clock is wrong.
 * @param said ms since 1970, by the screen @param agoMs by its stopwatch; null: it has none @param now the kitchen's
 */
export function happenedAt(said: number, agoMs: number | null, now: number): number {
  const by = agoMs === null ? said : now - agoMs;
  const off = said - by;
  const believed = Math.min(1, Math.max(0, 2 - Math.abs(off) / NEAR_MS));
  return Math.min(now, Math.round(by + believed * off));
}

/** The same told of another moment: a screen's clock is not the kitchen's. */
export function toldOf(t: Item, at: number): Item {
  if (t.do === 'tap') return { ...t, tap: { ...t.tap, at } };
  if (t.do === 'enter') return { ...t, entry: { ...t.entry, at } };
  return t.do === 'line' ? { ...t, at } : t;
}

const without = (weights: EventLog['weights'], key: string): EventLog['weights'] =>
  Object.fromEntries(Object.entries(weights).filter(([k]) => k !== key));

/** An event log with one more thing told; told again it is as it was. */
export function told(b: EventLog, t: Told): EventLog {
  switch (t.do) {
    case 'tap': {
      const tap = settle(t.tap, b.taps);
      return tap === null || tap === 'unknown' ? b : { ...b, taps: [...b.taps, tap] };
    }
    case 'untap':
      return { ...b, taps: b.taps.filter((x) => x.id !== t.tapId && x.of !== t.tapId) };
    case 'enter':
      return b.entries.some((x) => x.id === t.entry.id) ? b : { ...b, entries: [...b.entries, t.entry] };
    case 'strike':
      return { ...b, entries: b.entries.filter((x) => x.id !== t.entryId) };
    case 'line':
      return {
        ...b,
        ticked:
          t.to === false
            ? b.ticked.filter((k) => k !== t.key)
            : b.ticked.includes(t.key)
              ? b.ticked
              : [...b.ticked, t.key],
        weights: typeof t.to === 'number' ? { ...b.weights, [t.key]: t.to } : without(b.weights, t.key),
      };
  }
}

/** What the records have, with what is still to be sent told after it, in order. */
export const withItems = (b: EventLog, items: readonly Told[]): EventLog => items.reduce(told, b);
