/** A premix: the dry side of one version of a formula as a product, its lots, and their books. */

import type { Unreadable } from '../records/unreadable';
import type { Powders } from './bag';
import type { Product } from './products';

export interface PremixSettings {
  readonly powders: Powders;
  /** g of mix in one bag. */
  readonly bagG: number;
  /** Measured, g/mL spooned; null: as worked out. */
  readonly densityGPerMl: number | null;
  /** Besides the formula's own kind. */
  readonly products: readonly Product[];
  /** The house's own best-before rule, months; null: none. */
  readonly months: number | null;
  readonly storage: string;
}

export const FRESH_PREMIX: PremixSettings = {
  powders: { milk: false, buttermilk: false, egg: false },
  bagG: 500,
  densityGPerMl: null,
  products: [],
  months: null,
  storage: 'Closed, dry, dark and cool; an opened bag folded over and used first.',
};

export const MOST_BAGS = 500;
export const MOST_PRODUCTS = 6;

export interface LotItem {
  readonly id: string;
  readonly name: string;
  readonly grams: number;
  /** The ingredient's own lot, as its packet has it; empty where nobody wrote it. */
  readonly lot: string;
}

export interface LotUse {
  readonly id: string;
  readonly bags: number;
  readonly why: string;
  readonly usedAt: Date;
  readonly batchId: string | null;
  readonly batchName: string | null;
}

export interface Lot {
  readonly id: string;
  readonly premixId: string;
  readonly premixName: string;
  readonly number: string;
  /** yyyy-mm-dd. */
  readonly made: string;
  readonly bestBefore: string;
  readonly bagG: number;
  readonly bags: number;
  readonly used: number;
  readonly contents: readonly LotItem[];
  readonly checked: string;
  readonly note: string;
  readonly unreadable?: readonly Unreadable[];
}

/** Bags that are there: what was made less what went. */
export const bagsLeft = (l: Pick<Lot, 'bags' | 'used'>): number => l.bags - l.used;

/** Lots with bags, the one to use first in front: nearest its date, then the older. */
export const firstToUse = <L extends Pick<Lot, 'bags' | 'used' | 'bestBefore' | 'made' | 'number'>>(lots: readonly L[]): readonly L[] =>
  lots
    .filter((l) => bagsLeft(l) > 0)
    .sort((a, b) => a.bestBefore.localeCompare(b.bestBefore) || a.made.localeCompare(b.made) || a.number.localeCompare(b.number));

/** "261125-2": the day it was made, and which lot of that day. @param taken numbers there are */
export function lotNumber(made: string, taken: ReadonlySet<string>): string {
  const day = made.slice(2).replaceAll('-', '');
  for (let n = 1; ; n++) if (!taken.has(`${day}-${n}`)) return `${day}-${n}`;
}
