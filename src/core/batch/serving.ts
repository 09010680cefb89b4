/** When a batch is served, and what was decided of its time line by hand. Times in milliseconds since 1970. */
export const ANCHORS = ['first', 'last'] as const;

export interface Serving {
  /** When plates go. */
  readonly at: number;
  /** Whether the first plate goes then, or the last. */
  readonly anchor: (typeof ANCHORS)[number];
  /** Pairs of hands besides the cook's. */
  readonly helpers: number;
  /** When the day before is begun; null: all of it is done in one day. */
  readonly dayOneAt: number | null;
  /** Steps that were moved: when each begins. */
  readonly moved: Readonly<Record<string, number>>;
}

/** Served so, before anything else was said: the last plate goes then. @param at ms since 1970 */
export const lastPlateAt = (at: number): Serving => ({ at, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} });

export const MOST_HELPERS = 6;
