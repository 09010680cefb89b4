/** Packs and dates of an ingredient as they stand in the form. */
import { EMPTY_STOCK, type Stock } from '@/core/pantry/stock';
import { typedGrams, typedNumber } from '@/core/quantity/typed';

const STOCK_KEYS = ['price', 'packG', 'opened', 'bestBefore'] as const;
export type StockKey = (typeof STOCK_KEYS)[number];

const shown = (x: number | string | null): string => (x === null ? '' : String(x));

type StockFields = Readonly<Record<StockKey, string>>;

export function stockFieldsOf(stock: Stock | null): StockFields {
  const from = { ...EMPTY_STOCK, ...stock };
  return {
    price: shown(from.price),
    packG: shown(from.packG),
    opened: shown(from.opened),
    bestBefore: shown(from.bestBefore),
  };
}

/** As it is kept: what a save is compared with. */
export function stockNoteOf(stock: Stock | null): Readonly<Record<StockKey, number | string | null>> {
  const { price, packG, opened, bestBefore } = { ...EMPTY_STOCK, ...stock };
  return { price, packG, opened, bestBefore };
}

/** What is sent; numbers that are none are told by their field. */
export function stockToSend(typed: StockFields) {
  const note = {
    price: typed.price.trim() === '' ? null : typedNumber(typed.price),
    packG: typedGrams(typed.packG),
    opened: typed.opened || null,
    bestBefore: typed.bestBefore || null,
  };
  const errors = Object.fromEntries(
    (['price', 'packG'] as const).filter((k) => Number.isNaN(note[k] ?? 0)).map((k) => [k, 'Write a number.']),
  );
  return { note, errors };
}
