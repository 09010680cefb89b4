/**
 * What a kitchen has set for itself, each kind named once: what its words mean (conventions), how it works (ways), how
 * it writes (units), what it works with (gear, drawer).
 */

import { FRESH_CONVENTIONS, type KitchenConventions } from '../pantry/conventions';
import { FRESH_GEAR, type Gear } from '../pantry/gear';
import { FRESH_DRAWER, type ToolId } from '../pantry/tools';
import { FRESH_UNITS, type Units } from '../quantity/say';
import type { Unreadable } from '../records/unreadable';
import type { Learned } from './learned';
import { FRESH_WAYS, type Ways } from './ways';

/**
 * A kitchen: what it means by a cup, an egg and a pinch of salt, how it works, what it works with, and what day it is
 * there.
 */
export interface Kitchen {
  readonly conventions: KitchenConventions;
  readonly ways: Ways;
  readonly units: Units;
  readonly gear: readonly Gear[];
  /** The cups and spoons it measures with. */
  readonly drawer: readonly ToolId[];
  /** Who stands on labels of what is made here; empty: nobody has said. */
  readonly maker: {
    readonly name: string;
    readonly place: string;
    /** What is cleaned between two mixes of other allergens, a line each. */
    readonly clearDown: string;
    /** The smallest letters on a label, points. */
    readonly leastPt: number;
  };
  /** yyyy-mm-dd, to age an opened powder by; null: nothing ages. */
  readonly today: string | null;
  /**
   * The day each powder on its shelf was opened, yyyy-mm-dd, by ingredient: it ages every line that says no day of its
   * own.
   */
  readonly openedOn?: Readonly<Record<string, string>>;
  /** What it has learned of itself and uses; left out: nothing. */
  readonly learned?: Learned;
  /** Grows by one with every change of it. */
  readonly revision?: number;
  /** What is kept of it, or of its pantry, and can't be read. */
  readonly unreadable?: readonly Unreadable[];
}

export const FRESH_KITCHEN: Kitchen = {
  conventions: FRESH_CONVENTIONS,
  ways: FRESH_WAYS,
  units: FRESH_UNITS,
  gear: FRESH_GEAR,
  drawer: FRESH_DRAWER,
  maker: {
    name: '',
    place: '',
    clearDown:
      'Drum, bowls and scoops washed and dried\nSieve changed or washed\nBench, scales and floor wiped\nHands and aprons changed',
    leastPt: 7,
  },
  today: null,
};
