import type { FillMethod } from '../conventions';

/** Grams in one US cup (236.588 mL) by the way the cup was filled; and how far cups of one way spread, %. */
export interface FillRow extends Partial<Record<FillMethod, number>> {
  readonly uncertaintyPct: number;
}

/** Typical kitchen values, level cups. For brown sugar "spooned" is loose and "packed" holds the cup's shape. */
export const fillRows: Readonly<Record<string, FillRow>> = {
  'flour-all-purpose': { sifted: 115, spooned: 125, fluffed: 132, dipped: 140, packed: 160, uncertaintyPct: 6 },
  'flour-pastry': { sifted: 99, spooned: 110, fluffed: 116, dipped: 124, packed: 142, uncertaintyPct: 8 },
  'flour-cake': { sifted: 96, spooned: 111, fluffed: 115, dipped: 122, packed: 140, uncertaintyPct: 8 },
  'flour-bread': { sifted: 117, spooned: 127, fluffed: 134, dipped: 140, packed: 162, uncertaintyPct: 6 },
  'flour-whole-wheat': { sifted: 108, spooned: 120, fluffed: 127, dipped: 137, packed: 155, uncertaintyPct: 7 },
  'flour-white-whole-wheat': { sifted: 106, spooned: 118, fluffed: 125, dipped: 135, packed: 153, uncertaintyPct: 8 },
  'flour-self-raising-us': { sifted: 113, spooned: 125, fluffed: 132, dipped: 140, packed: 160, uncertaintyPct: 6 },
  'flour-self-raising-uk': { sifted: 113, spooned: 125, fluffed: 132, dipped: 140, packed: 160, uncertaintyPct: 6 },
  'flour-buckwheat': { sifted: 105, spooned: 120, fluffed: 126, dipped: 136, packed: 152, uncertaintyPct: 8 },
  'flour-rye': { sifted: 90, spooned: 102, fluffed: 109, dipped: 120, packed: 138, uncertaintyPct: 10 },
  'flour-oat': { sifted: 90, spooned: 104, fluffed: 109, dipped: 118, packed: 134, uncertaintyPct: 10 },
  'flour-rice-white': { sifted: 128, spooned: 145, fluffed: 150, dipped: 158, packed: 178, uncertaintyPct: 9 },
  'flour-rice-brown': { sifted: 122, spooned: 138, fluffed: 145, dipped: 158, packed: 175, uncertaintyPct: 9 },
  'corn-meal-fine': { sifted: 128, spooned: 138, fluffed: 145, dipped: 157, packed: 172, uncertaintyPct: 8 },
  'corn-meal-medium': { sifted: 114, spooned: 122, fluffed: 129, dipped: 138, packed: 150, uncertaintyPct: 8 },
  'flour-spelt': { sifted: 95, spooned: 108, fluffed: 114, dipped: 125, packed: 142, uncertaintyPct: 10 },
  'flour-almond': { sifted: 85, spooned: 96, fluffed: 100, dipped: 108, packed: 120, uncertaintyPct: 9 },
  'flour-gluten-free': { sifted: 122, spooned: 138, fluffed: 145, dipped: 156, packed: 172, uncertaintyPct: 12 },
  'starch-corn': { sifted: 112, spooned: 128, fluffed: 131, dipped: 138, packed: 155, uncertaintyPct: 8 },
  'starch-potato': { sifted: 138, spooned: 155, fluffed: 160, dipped: 170, packed: 192, uncertaintyPct: 9 },
  'starch-tapioca': { sifted: 104, spooned: 118, fluffed: 123, dipped: 132, packed: 150, uncertaintyPct: 9 },
  'sugar-icing': { sifted: 100, spooned: 120, fluffed: 123, dipped: 128, packed: 150, uncertaintyPct: 8 },
  'sugar-brown-light': { spooned: 145, fluffed: 150, dipped: 165, packed: 220, uncertaintyPct: 7 },
  'sugar-brown-dark': { spooned: 145, fluffed: 150, dipped: 165, packed: 220, uncertaintyPct: 8 },
  'cocoa-natural': { sifted: 75, spooned: 86, fluffed: 89, dipped: 96, packed: 112, uncertaintyPct: 9 },
  'cocoa-alkalised': { sifted: 75, spooned: 86, fluffed: 89, dipped: 96, packed: 112, uncertaintyPct: 10 },
};
