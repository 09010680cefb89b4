/**
 * What a kitchen knows of an ingredient on its shelf: what a pack costs and holds, how much is on hand, when it was
 * opened and until when it keeps. Grams, the house's money, days as yyyy-mm-dd.
 */
export interface Stock {
  readonly ingredientId: string;
  /** For a pack of `packG`. */
  readonly price: number | null;
  readonly packG: number | null;
  readonly onHandG: number | null;
  readonly opened: string | null;
  readonly bestBefore: string | null;
  /** Grows by one with every change of what is noted. */
  readonly revision?: number;
}

/** Stock by ingredient; what nobody noted anything about is not in it. */
export type Shelf = Readonly<Record<string, Stock>>;

export const EMPTY_STOCK: Omit<Stock, 'ingredientId'> = {
  price: null,
  packG: null,
  onHandG: null,
  opened: null,
  bestBefore: null,
};

/** What a gram costs; null where price or pack is not known. */
export const pricePerG = (s: Stock | undefined): number | null =>
  s && s.price !== null && s.packG !== null && s.packG > 0 ? s.price / s.packG : null;

/** Days before its date from which a thing is to be used soon. */
export const SOON_DAYS = 14;

const DAY_MS = 86_400_000;
/** Days from one yyyy-mm-dd to another; below 0 where it is earlier. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

export type Keeping = 'past' | 'soon' | 'well';

/** How a thing stands against its date; null without one. The date is the packet's: it is no promise. */
export function keeping(s: Stock | undefined, today: string): Keeping | null {
  if (!s?.bestBefore) return null;
  const days = daysBetween(today, s.bestBefore);
  return days < 0 ? 'past' : days <= SOON_DAYS ? 'soon' : 'well';
}
