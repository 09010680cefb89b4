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

export const MOST_HELPERS = 6;
