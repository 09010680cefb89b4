/**
 * What goes with a batch: sauces, whipped butters, fillings and toppings by parts, by weight or by volume (which are
 * not the same), scaled to the people at the table. Grams throughout; a cup of a thing weighs what the pantry's table
 * says.
 */
import { gPerMl } from '../batter/volume';
import { type Ingredient, isA, kitchenName, membersOf } from '../pantry/ingredient';
import type { Unreadable } from '../records/unreadable';
import type { SheetLine } from './sheet-line';
import { asTaken, type MeasuredWith } from './taken';

export const SIDE_BYS = ['weight', 'volume'] as const;
export const MOST_PARTS = 20;

export interface Side {
  readonly id: string;
  readonly name: string;
  readonly by: (typeof SIDE_BYS)[number];
  readonly parts: readonly { readonly ingredientId: string; readonly parts: number }[];
  /** For one person. */
  readonly servingG: number;
  readonly method: string;
  readonly revision?: number;
  readonly unreadable?: readonly Unreadable[];
}

interface SidePart {
  readonly ingredient: Ingredient;
  /** Of the whole's weight, and of its volume: 0 to 1. */
  readonly byWeight: number;
  readonly byVolume: number;
}

/**
 * What a side is made of.
 * @param find the pantry; parts it does not know are left out and named in `gone`
 */
export function partsOf(
  side: Pick<Side, 'by' | 'parts'>,
  find: (id: string) => Ingredient | undefined,
): { readonly parts: readonly SidePart[]; readonly gone: readonly string[] } {
  const known = side.parts.flatMap((p) => {
    const ingredient = find(p.ingredientId);
    return ingredient ? [{ ingredient, g: side.by === 'weight' ? p.parts : p.parts * gPerMl(ingredient) }] : [];
  });
  const massG = known.reduce((a, k) => a + k.g, 0);
  const ml = known.reduce((a, k) => a + k.g / gPerMl(k.ingredient), 0);
  return {
    parts: known.map(({ ingredient, g }) => ({
      ingredient,
      byWeight: g / massG,
      byVolume: g / gPerMl(ingredient) / ml,
    })),
    gone: side.parts.filter((p) => !find(p.ingredientId)).map((p) => p.ingredientId),
  };
}

/**
 * A side on a sheet, for so many people, in the measures of its batch. @param n its place among the sides, for the keys
 */
export function sideLines(
  side: Side,
  people: number,
  n: number,
  find: (id: string) => Ingredient | undefined,
  measured: MeasuredWith,
): readonly SheetLine[] {
  const total = side.servingG * people;
  return partsOf(side, find).parts.map((p, k): SheetLine => {
    const { grams, measure } = asTaken(p.ingredient, total * p.byWeight, measured);
    return {
      key: `s${n}p${k}`,
      text: kitchenName(p.ingredient),
      name: kitchenName(p.ingredient),
      vessel: 'topping',
      measure,
      grams,
      preparation: '',
      side: side.name,
      parts: [{ id: p.ingredient.id, grams }],
    };
  });
}

/** What has to be said where a side is made or served; always in deference to the local food code. */
export function sideCautions(parts: readonly Ingredient[]): readonly string[] {
  const all = parts.flatMap((i) => membersOf(i).map((m) => m.ingredient));
  return [
    ...(all.some((i) => isA(i, 'honey')) ? ['Honey is not for infants under one.'] : []),
    ...(all.some((i) => i.category === 'egg')
      ? ['It holds egg: cook it through, or as the local food code has it.']
      : []),
    ...(all.some((i) => i.category === 'dairy')
      ? ['Keep it cold until it is served, and no longer out than the local food code allows.']
      : []),
    ...(all.some((i) => i.per100g.alcoholG > 1) ? ['It holds alcohol: away from the flame.'] : []),
  ];
}
