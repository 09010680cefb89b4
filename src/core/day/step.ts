/** A step of the day: what it takes, what it waits for, whose hands it needs, and why it matters. Minutes. */

/** Who may do it: the cook alone, any pair of hands, or a child with a grown-up beside. */
export type Who = 'cook' | 'helper' | 'child';
export const WHO_WORDS: Readonly<Record<Who, string>> = {
  cook: 'cook',
  helper: 'cook or helper',
  child: 'fit for a child, a grown-up beside',
};

export interface Step {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  readonly who: Who;
  /** In all, and of it, from the beginning, with hands bound. */
  readonly min: number;
  readonly handsMin: number;
  /** Degrees C the oven stands at meanwhile; null: it is not needed. */
  readonly ovenC: number | null;
  /** What has to be over before. */
  readonly after: readonly string[];
  /** Longest it may stand before what follows, min; null: as long as one likes. */
  readonly keepsMin: number | null;
  /** What may slip and what may not. */
  readonly slips: string;
  /** Can be done the day before. */
  readonly ahead: boolean;
  /** On the heat: which loads, from 1. */
  readonly loads?: {
    readonly from: number;
    readonly to: number;
    /** Pieces off the heat in all when it is over. */
    readonly off: number;
    /** How long a piece off the heat is as it should be, min. */
    readonly holdsMin: number;
  };
  /** It binds a pan on the hob while it goes on: one of so many that are free for it. */
  readonly pan?: number;
  /** Griddles, pans and irons it lies on, by their id in the gear. */
  readonly on?: readonly string[];
}

/** A step's name in the middle of a sentence; its degrees stay capital. */
export const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
