import type { OpenBook } from '../day/use-book';

/** What is ticked and weighed, as the weigh-in asks for it. */
export interface Done {
  readonly ticked: ReadonlySet<string>;
  readonly weights: Readonly<Record<string, number>>;
  /** Ticks, unticks, or writes what was weighed. */
  readonly put: (key: string, to: boolean | number) => void;
  readonly settle: () => Promise<boolean>;
}

export const doneIn = (book: OpenBook): Done => ({
  ticked: new Set(book.ticked),
  weights: book.weights,
  put: (key, to) => book.tell({ do: 'line', key, to }),
  settle: book.settle,
});
