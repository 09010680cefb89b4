/** Bags into a batch: the sheet is so many bags and what is added to them. */
import type { SheetLine } from '../batch/sheet-line';
import { massForUsable, piecesOf } from '../batter/volume';
import type { TallyPart } from '../formula/tally';
import { allFine } from '../pantry/honest';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { asWeighed, grams as sayGrams } from '../quantity/say';
import { type Lot, sayBags } from './premix';

/** Eggs to crack beside their grams: " (about 2)". */
export function eggWords(i: Ingredient, grams: number): string {
  if (i.category !== 'egg' || !i.piece) return '';
  const n = grams / i.piece.grams;
  const near = Math.round(n);
  return n < 0.5 ? '' : ` (${Math.abs(n - near) < 0.02 ? '' : 'about '}${near >= 1 ? near : 'half'})`;
}

/** Bags that a plan can count on, and what makes batter of them. */
export interface Bagged {
  readonly lot: Lot;
  /** What is added to 100 g of mix. */
  readonly parts: readonly TallyPart[];
  /** Of the batter, g/mL. */
  readonly density: number;
}

/** Pieces that so many bags pour together. @param portionMl of one piece */
export const piecesOfBags = (b: Bagged, bags: number, portionMl: number): number =>
  bags > 0 ? piecesOfMix(bags * b.lot.bagG, b.parts, b.density, portionMl) : 0;

/** g of mix that so many pieces ask for. @param per100g added to 100 g of it @param density of the batter, g/mL */
export const mixForPieces = (
  pieces: number,
  per100g: readonly TallyPart[],
  density: number,
  portionMl: number,
): number => massForUsable(pieces * portionMl * density) / (1 + per100g.reduce((a, p) => a + p.grams, 0) / 100);

/**
 * Pieces that so much mix pours with what is added to it. @param mixG g of mix @param per100g added to 100 g of it
 * @param density of the batter, g/mL
 */
export const piecesOfMix = (mixG: number, per100g: readonly TallyPart[], density: number, portionMl: number): number =>
  piecesOf(mixG * (1 + per100g.reduce((a, p) => a + p.grams, 0) / 100), density, portionMl).pieces;

/**
 * @param per100g what is added to 100 g of mix
 * @param lot its contents stand on the sheet for allergens and cost; the shelf gave them when it was made
 */
export function bagSheet(
  lot: Pick<Lot, 'number' | 'premixName' | 'bagG' | 'contents' | 'bags'>,
  bags: number,
  per100g: readonly TallyPart[],
): readonly SheetLine[] {
  const massG = bags * lot.bagG;
  const inLot = lot.contents.reduce((a, c) => a + c.grams, 0);
  const text = `${sayBags(bags)} ${bags <= 1 ? 'bag' : 'bags'} of ${lot.premixName}`;
  const mix: SheetLine = {
    key: 'l1',
    text,
    name: `${text}, lot ${lot.number}`,
    vessel: 'dry',
    measure: sayGrams(massG),
    grams: massG,
    preparation: 'whisked through',
    lot: lot.number,
    parts: lot.contents.map((c) => ({ id: c.id, grams: (c.grams * massG) / inLot })),
  };
  return [
    mix,
    ...per100g.map((p, n): SheetLine => {
      const { grams, measure } = asWeighed((p.grams * massG) / 100, allFine([p]));
      return {
        key: `l${n + 2}`,
        text: kitchenName(p.ingredient),
        name: kitchenName(p.ingredient) + eggWords(p.ingredient, grams),
        vessel: 'wet',
        measure,
        grams,
        preparation: p.ingredient.category === 'fat' && p.ingredient.id.startsWith('butter') ? 'melted' : '',
        parts: [{ id: p.ingredient.id, grams }],
      };
    }),
  ];
}
