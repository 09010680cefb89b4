/** What a bag costs to make, what it is sold at, and what stays; in the house's money. */
import { costOf } from '../facts/account';
import type { Shelf, Stock } from '../pantry/stock';
import { type Bag, itemsFor } from './bag';
import { forSize, type PremixSettings } from './premix';

interface BagCost {
  readonly ingredients: number;
  /** What of it has no price in stock. */
  readonly gaps: readonly string[];
  readonly packaging: number;
  readonly labour: number;
  /** What is lost in drum and sieve, of the ingredients. */
  readonly loss: number;
  readonly total: number;
  readonly price: number | null;
  /** Of the price, percent; null without one, or while something in it has no price. */
  readonly marginPct: number | null;
  /** For what it makes at the bench, without what is added there; null where nothing is counted. */
  readonly eachPiece: number | null;
}

/** A mix as its bag's cost is worked: what is in it, and how it is packed. */
export interface PricedMix {
  readonly id: string;
  readonly name: string;
  readonly items: Bag['items'];
  readonly settings: PremixSettings;
}

/**
 * What another price of one thing does to each mix that has it: a bag's cost as it is kept, and with the note of that
 * thing's packs as it is typed; in the house's money.
 */
export const repriced = (
  mixes: readonly PricedMix[],
  shelf: Shelf,
  typed: Stock,
): readonly { readonly mix: PricedMix; readonly bagG: number; readonly was: BagCost; readonly now: BagCost }[] =>
  mixes
    .filter((m) => m.items.some((i) => i.ingredient.id === typed.ingredientId))
    .flatMap((mix) =>
      [mix.settings.bagG, ...mix.settings.sizes.map((s) => s.bagG)].map((bagG) => {
        const s = forSize(mix.settings, bagG);
        const then = { ...shelf, [typed.ingredientId]: { ...shelf[typed.ingredientId], ...typed } };
        return { mix, bagG, was: bagCost(mix, s, shelf, null), now: bagCost(mix, s, then, null) };
      }),
    );

/** @param pieces that a bag makes; null: not counted */
export function bagCost(
  bag: Pick<Bag, 'items'>,
  s: Pick<PremixSettings, 'bagG' | 'packaging' | 'minutesABag' | 'hour' | 'lossPct' | 'price'>,
  shelf: Shelf,
  pieces: number | null,
): BagCost {
  const { total: ingredients, gaps } = costOf(
    itemsFor(bag, s.bagG).map((p) => ({ use: 'batter' as const, parts: [p] })),
    shelf,
  );
  const packaging = s.packaging ?? 0;
  const labour = ((s.minutesABag ?? 0) / 60) * (s.hour ?? 0);
  // so much more is weighed in than comes out
  const loss = ingredients * (1 / (1 - (s.lossPct ?? 0) / 100) - 1);
  const total = ingredients + packaging + labour + loss;
  const known = gaps.length === 0 && s.price !== null && s.price > 0;
  return {
    ingredients,
    gaps,
    packaging,
    labour,
    loss,
    total,
    price: s.price,
    marginPct: known && s.price ? (100 * (s.price - total)) / s.price : null,
    eachPiece: pieces ? total / pieces : null,
  };
}
