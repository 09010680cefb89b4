/** A premix: the dry side of one version of a formula as a product, its lots, and their books. */

import Fraction from 'fraction.js';
import type { Formula } from '../formula/formula';
import { readNumber, writeNumber } from '../quantity/number';
import { money, type Units } from '../quantity/say';
import { typedNumber } from '../quantity/typed';
import type { Unreadable } from '../records/unreadable';
import type { Powders } from './bag';
import type { Product } from './products';

export interface PremixSettings {
  readonly powders: Powders;
  /**
   * The formula as this mix alone has it, powders in it, where something was put right for it; null: as the formula has
   * it.
   */
  readonly bagged: Formula | null;
  /** g of mix in one bag. */
  readonly bagG: number;
  /** Measured, g/mL spooned; null: as worked out. */
  readonly densityGPerMl: number | null;
  /** Besides the formula's own kind. */
  readonly products: readonly Product[];
  /** The house's own best-before rule, months; null: none. */
  readonly months: number | null;
  readonly storage: string;
  /** The number under its bars, or what its square code says; empty: none is printed. */
  readonly code: string;
  /** Of one bag, in the house's money: what it is packed in, and what it is sold at; null: not said. */
  readonly packaging: number | null;
  readonly price: number | null;
  /**
   * Hands on one bag, minutes; an hour of them, in the house's money; and what is lost in the drum and the sieve,
   * percent.
   */
  readonly minutesABag: number | null;
  readonly hour: number | null;
  readonly lossPct: number | null;
  /** Bags of other sizes, each with its own packaging, minutes and price. */
  readonly sizes: readonly SizeOfBag[];
}

/** What a bag of another size is packed in, takes of hands, and is sold at; null: not said. */
interface SizeOfBag {
  readonly bagG: number;
  readonly packaging: number | null;
  readonly minutesABag: number | null;
  readonly price: number | null;
}

/** The settings of a mix as they are for bags of one size; of a size nobody noted, as for the usual one. */
export const forSize = (s: PremixSettings, bagG: number): PremixSettings => ({
  ...s,
  bagG,
  ...s.sizes.find((x) => Math.abs(x.bagG - bagG) < 0.01),
});

export const FRESH_PREMIX: PremixSettings = {
  powders: { milk: false, buttermilk: false, egg: false },
  bagged: null,
  bagG: 500,
  densityGPerMl: null,
  products: [],
  months: null,
  storage: 'Closed, dry, dark and cool; an opened bag folded over and used first.',
  code: '',
  packaging: null,
  price: null,
  minutesABag: null,
  hour: null,
  lossPct: null,
  sizes: [],
};

export const MOST_BAGS = 500;
/** Sizes of bag that one lot fills. */
export const MOST_SIZES = 6;
/** Sacks of one thing in a lot. */
export const MOST_SACKS = 40;
export const MOST_PRODUCTS = 6;

/** What went in out of one sack or packet. */
export interface Sack {
  /** Its lot, as it is written on it; empty where nobody wrote it. */
  readonly lot: string;
  readonly grams: number;
}

/** Their lots as they are written of one thing, a comma between. */
export const lotsOf = (sacks: readonly Sack[]): string =>
  [...new Set(sacks.map((s) => s.lot).filter(Boolean))].join(', ');

export interface LotItem {
  readonly id: string;
  readonly name: string;
  readonly grams: number;
  /** The ingredient's own lots, as its packets have them, a comma between; empty where nobody wrote any. */
  readonly lot: string;
  /** How much of each, where it was noted. */
  readonly sacks?: readonly Sack[] | undefined;
}

/** A piece of text on a label; what names an allergen is set apart by weight. */
export interface Run {
  readonly text: string;
  readonly strong?: boolean | undefined;
}

export interface FrozenProduct {
  readonly product: Product;
  /** "Griddle cakes". */
  readonly title: string;
  /** For 100 g of mix. */
  readonly parts: readonly { readonly id: string; readonly name: string; readonly grams: number }[];
  /** Of the batter, g/mL, and what one piece is poured as, mL; null: it fills its pan. */
  readonly density: number;
  readonly portionMl: number | null;
  /** From the additions to the yield, for one bag. */
  readonly directions: string;
}

/** Of 100 g, as it is sold. */
export interface LabelNutrition {
  readonly kJ: number;
  readonly kcal: number;
  readonly fatG: number;
  /** Null: not known; left out: it was not worked out when the lot was made. */
  readonly saturatesG?: number | null | undefined;
  readonly carbohydrateG: number;
  readonly sugarsG: number;
  readonly fibreG: number;
  readonly proteinG: number;
  readonly saltG: number;
}

export interface FrozenLot {
  readonly name: string;
  readonly maker: string;
  readonly place: string;
  readonly ingredients: readonly Run[];
  readonly contains: readonly string[];
  /** Null: something in it is not known, and nothing is said. */
  readonly nutrition: LabelNutrition | null;
  readonly storage: string;
  readonly cautions: readonly string[];
  /** As the product had it; empty: none. */
  readonly code: string;
  readonly products: readonly FrozenProduct[];
  /** As the house wrote and weighed that day. */
  readonly units: Units;
  /** The smallest letters its label may have, points; left out: it was made before the house set any. */
  readonly leastPt?: number | undefined;
  /** The day it was written down, where that was after the lot was made: until then no lot kept what it was. */
  readonly writtenOn?: string | undefined;
}

/** Bags of a lot, by their numbers, that hold what a code stands on; and those that may. */
export interface RecalledBags {
  readonly is: readonly number[];
  readonly may: readonly number[];
}

/** Where bags go; into a batch they go with the batch. */
export const USE_KINDS = ['sale', 'gift', 'bin', 'other'] as const;
export type UseKind = (typeof USE_KINDS)[number] | 'batch' | 'count';
export const USE_WORDS: Readonly<Record<UseKind, string>> = {
  batch: 'into a batch',
  sale: 'sold',
  gift: 'given away',
  bin: 'thrown away',
  other: 'gone otherwise',
  count: 'missing when counted',
};

/** An entry of a lot's books; a counter-entry has less than no bags. */
export interface LotUse {
  readonly id: string;
  readonly bags: number;
  readonly kind: UseKind;
  /** Who has them, or who threw them away; empty where nobody wrote it. */
  readonly who: string;
  readonly why: string;
  /** For all of them, in the house's money; null: none was written. */
  readonly price: number | null;
  /** Which bags, by the numbers on them, where somebody wrote them. */
  readonly numbers: readonly number[];
  readonly usedAt: Date;
  readonly batchId: string | null;
  readonly batchName: string | null;
  /** The entry it takes back. */
  readonly undoes: string | null;
  /** The entry of which it is a part that came back. */
  readonly returns: string | null;
}

/** What of a lot was corrected, as it was before. */
export interface LotChange {
  readonly id: string;
  readonly who: string;
  readonly why: string;
  readonly at: Date;
  readonly was: {
    readonly bags: number;
    readonly contents: readonly LotItem[];
    readonly checked: string;
    readonly note: string;
  };
}

/** Entries that still stand: neither taken back nor taking back, nor what came back of one. */
export const standingUses = (uses: readonly LotUse[]): readonly LotUse[] =>
  uses.filter((u) => u.undoes === null && u.returns === null && !uses.some((x) => x.undoes === u.id));

/** What is still out of an entry that stands: its bags and their numbers, less what came back. */
export function heldOf(
  u: LotUse,
  uses: readonly LotUse[],
): { readonly bags: number; readonly numbers: readonly number[] } {
  const back = uses.filter((x) => x.returns === u.id);
  const bags = u.bags + back.reduce((a, x) => a + x.bags, 0);
  return {
    bags: Math.abs(bags) < CRUMB_BAGS ? 0 : bags,
    numbers: u.numbers.filter((n) => !back.some((x) => x.numbers.includes(n))),
  };
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
  readonly madeBy?: string;
  /** What stayed in the sieve, g. */
  readonly restG?: number;
  /** Of the product, from 1; and the version of the formula that was. */
  readonly edition?: number;
  readonly versionId?: string;
  /** What it was made as; null: it was made before that was kept. */
  readonly frozen?: FrozenLot | null;
  readonly voidedAt?: Date | null;
  readonly voidedBy?: string;
  readonly voidWhy?: string;
  /** The weighing that filled it, and the number of this size's first bag; null: it is older than that. */
  readonly workId?: string | null;
  readonly firstBag?: number | null;
  /** What a bag cost to make on that day, in the house's money; null: not all of it had a price. */
  readonly cost?: number | null;
  /** Between allergens; left out: nothing was carried over. */
  readonly between?: BetweenAllergens;
  readonly unreadable?: readonly Unreadable[];
}

/** What a lot may have taken over from the one before it, and what was done about that. */
export interface BetweenAllergens {
  /** Allergens that the lot before held, and this one does not. */
  readonly carried: readonly string[];
  /** "Camp trailer mix, lot 261124-1". */
  readonly from: string;
  /** The house's own list, as it was asked; and what of it was ticked, by whom. */
  readonly asked: readonly string[];
  readonly cleared: readonly string[];
  readonly clearedBy: string;
  /** What whoever leads says of traces; empty: nothing yet. */
  readonly traces: string;
  readonly tracesBy: string;
}

/** What is cleaned between two mixes of other allergens, one after the other. */
export const clearDownOf = (lines: string): readonly string[] =>
  lines
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

/** Whether everything that was asked to be cleared down was ticked, by a name. */
const isCleared = (b: BetweenAllergens): boolean =>
  b.asked.length > 0 && b.clearedBy !== '' && b.asked.every((x) => b.cleared.includes(x));

/** Why a lot has no label yet; null: it may be printed. */
export const labelWaits = (l: Pick<Lot, 'between'>): string | null =>
  l.between && l.between.carried.length > 0 && !isCleared(l.between) && l.between.traces === ''
    ? `${l.between.from} held ${l.between.carried.join(', ')}, and not all was cleared down after it: the label waits for what is said of traces.`
    : null;

/** Less than this of a bag is none. */
const CRUMB_BAGS = 1e-6;

/** Bags that are there: what was made less what went; of a voided lot none. */
export function bagsLeft(l: Pick<Lot, 'bags' | 'used'> & Partial<Pick<Lot, 'voidedAt'>>): number {
  const left = l.voidedAt ? 0 : l.bags - l.used;
  return left < CRUMB_BAGS ? 0 : left;
}

/** "3", "3 1/2", "0.4" bags. */
export const sayBags = (n: number): string =>
  Math.abs(2 * n - Math.round(2 * n)) < 1e-6 ? writeNumber(new Fraction(Math.round(2 * n), 2)) : n.toFixed(2);

/** "7 to 12, 15". @param numbers rising */
export function numbersSaid(numbers: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const n of numbers) {
    const last = runs.at(-1);
    if (last && last[1] === n - 1) last[1] = n;
    else runs.push([n, n]);
  }
  return runs.map(([a, b]) => (a === b ? String(a) : b === a + 1 ? `${a}, ${b}` : `${a} to ${b}`)).join(', ');
}

/** Bags there are of each size, the largest first: "12 of 500 g, 4 of 1 kg" is said of them. */
export function leftBySize(lots: readonly Lot[]): readonly { readonly bagG: number; readonly bags: number }[] {
  const by = new Map<number, number>();
  for (const l of lots) if (bagsLeft(l) > 0) by.set(l.bagG, (by.get(l.bagG) ?? 0) + bagsLeft(l));
  return [...by].map(([bagG, bags]) => ({ bagG, bags })).sort((a, b) => b.bagG - a.bagG);
}

/** Past its date: never to be used first. */
export const isPast = (l: Pick<Lot, 'bestBefore'>, today: string | null): boolean =>
  today !== null && l.bestBefore < today;

/**
 * Lots with bags, the one to use first in front: nearest its date, then the older; those past their date last. @param
 * today yyyy-mm-dd; null: nothing is past
 */
export const firstToUse = <
  L extends Pick<Lot, 'bags' | 'used' | 'bestBefore' | 'made' | 'number'> & Partial<Pick<Lot, 'voidedAt'>>,
>(
  lots: readonly L[],
  today: string | null = null,
): readonly L[] =>
  lots
    .filter((l) => bagsLeft(l) > 0)
    .sort(
      (a, b) =>
        Number(isPast(a, today)) - Number(isPast(b, today)) ||
        a.bestBefore.localeCompare(b.bestBefore) ||
        a.made.localeCompare(b.made) ||
        a.number.localeCompare(b.number),
    );

/** "261125-2": the day it was made, and which lot of that day. @param taken numbers there are */
export function lotNumber(made: string, taken: ReadonlySet<string>): string {
  const day = made.slice(2).replaceAll('-', '');
  for (let n = 1; ; n++) if (!taken.has(`${day}-${n}`)) return `${day}-${n}`;
}

/** What an entry is: "sold", "given back". */
export function entryKind(u: Pick<LotUse, 'kind' | 'undoes' | 'returns' | 'bags'>): string {
  if (u.undoes) return 'taken back';
  if (u.returns) return 'given back';
  return u.kind === 'count' && u.bags < 0 ? 'found when counted' : USE_WORDS[u.kind];
}

/** An entry of the books, after how many bags: "sold, Weir Café, €18.00"; what a batch has is the batch's name. */
export const entryWords = (u: LotUse, units: Units): string =>
  u.batchId && u.bags > 0
    ? (u.batchName ?? 'a batch')
    : [entryKind(u), u.who, u.why, u.price === null ? '' : money(u.price, units)].filter(Boolean).join(', ');

/**
 * Bags as they are typed: "3", "1/2", "1 1/2", or grams of an opened one, "250 g".
 * @param left bags there are @param bagG g in one
 */
export function readBagCount(
  text: string,
  left: number,
  bagG: number,
): { readonly bags: number; readonly error: string | null } {
  const g = /^(.+?)\s*g$/i.exec(text.trim());
  const bare = (g?.[1] ?? text).trim().replace(/\s*bags?$/i, '');
  const read = readNumber(bare);
  const said =
    read && read.length === bare.length
      ? (read.low.valueOf() + (read.high ?? read.low).valueOf()) / 2
      : typedNumber(bare, '');
  const n = g ? said / bagG : said;
  if (Number.isNaN(n)) return { bags: 0, error: 'Write a number of bags, or of grams.' };
  if (!(n > 0)) return { bags: 0, error: 'More than nothing.' };
  if (n > left + 1e-6)
    return { bags: n, error: left === 0 ? 'None is left.' : `Only ${sayBags(left)} ${left <= 1 ? 'is' : 'are'} left.` };
  return { bags: n, error: null };
}
