import type { OpenEventLog } from '../live/use-event-log';

/** What is ticked and weighed, as the weigh-in asks for it. */
export interface Done {
  readonly ticked: ReadonlySet<string>;
  readonly weights: Readonly<Record<string, number>>;
  /** Ticks, unticks, or writes what was weighed. */
  readonly put: (key: string, to: boolean | number) => void;
  readonly settle: () => Promise<boolean>;
}

export const doneIn = (log: OpenEventLog): Done => ({
  ticked: new Set(log.ticked),
  weights: log.weights,
  put: (key, to) => log.tell({ do: 'line', key, to }),
  settle: log.settle,
});
