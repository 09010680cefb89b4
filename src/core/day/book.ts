/**
 * The book of a batch: everything that is told of it while it is made. A screen tells it in items, each with an id of its
 * own, so that one sent twice is told once; what is not yet sent shows at once.
 */
import type { Entry } from '../batch/acts';
import type { Tap } from '../griddle/board';

export interface Book {
  readonly taps: readonly Tap[];
  readonly entries: readonly Entry[];
  /** Keys of lines that are in. */
  readonly ticked: readonly string[];
  /** g that really went in, by line; a line that was only ticked is not in it. */
  readonly weights: Readonly<Record<string, number>>;
}

export type Told =
  | { readonly do: 'tap'; readonly tap: Tap }
  | { readonly do: 'untap'; readonly tapId: string }
  /** A line is ticked, unticked, or weighed at so many grams. */
  | { readonly do: 'line'; readonly key: string; readonly to: boolean | number }
  | { readonly do: 'enter'; readonly entry: Entry }
  | { readonly do: 'strike'; readonly entryId: string };

export type Item = Told & { readonly id: string };

const without = (weights: Book['weights'], key: string): Book['weights'] => Object.fromEntries(Object.entries(weights).filter(([k]) => k !== key));

/** A book with one more thing told; told again it is as it was. */
export function told(b: Book, t: Told): Book {
  switch (t.do) {
    case 'tap':
      return b.taps.some((x) => x.id === t.tap.id) ? b : { ...b, taps: [...b.taps, t.tap] };
    case 'untap':
      return { ...b, taps: b.taps.filter((x) => x.id !== t.tapId) };
    case 'enter':
      return b.entries.some((x) => x.id === t.entry.id) ? b : { ...b, entries: [...b.entries, t.entry] };
    case 'strike':
      return { ...b, entries: b.entries.filter((x) => x.id !== t.entryId) };
    case 'line':
      return {
        ...b,
        ticked: t.to === false ? b.ticked.filter((k) => k !== t.key) : b.ticked.includes(t.key) ? b.ticked : [...b.ticked, t.key],
        weights: typeof t.to === 'number' ? { ...b.weights, [t.key]: t.to } : without(b.weights, t.key),
      };
  }
}

/** What the records have, with what is still to be sent told after it, in order. */
export const withItems = (b: Book, items: readonly Told[]): Book => items.reduce(told, b);
