/**
 * Saturated fat as a share of a thing's fat, by ingredient: usual figures of common composition tables, for what may stand in a
 * bag. Which fat a factory used in what is not here nobody can tell, so it is not guessed at.
 */
import type { Ingredient } from '../ingredient';

const MILK_FAT = 0.63;
const EGG_FAT = 0.31;

const SHARE: Readonly<Record<string, number>> = {
  'flour-all-purpose': 0.16,
  'flour-pastry': 0.16,
  'flour-cake': 0.15,
  'flour-bread': 0.15,
  'flour-whole-wheat': 0.17,
  'flour-white-whole-wheat': 0.17,
  'flour-self-raising-us': 0.16,
  'flour-self-raising-uk': 0.16,
  'flour-buckwheat': 0.22,
  'flour-rye': 0.13,
  'flour-oat': 0.18,
  'flour-rice-white': 0.27,
  'flour-rice-brown': 0.2,
  'flour-spelt': 0.17,
  'flour-almond': 0.08,
  'rolled-oats': 0.17,
  'wheat-bran': 0.15,
  'corn-meal-fine': 0.14,
  'corn-meal-medium': 0.14,
  'buttermilk-powder': MILK_FAT,
  'buttermilk-powder-sweet': MILK_FAT,
  'milk-powder-whole': MILK_FAT,
  'milk-powder-skim': MILK_FAT,
  'egg-powder-whole': EGG_FAT,
  'butter-unsalted': MILK_FAT,
  'butter-salted': MILK_FAT,
  'butter-clarified': MILK_FAT,
  lard: 0.39,
  'oil-olive': 0.14,
  'oil-coconut': 0.83,
  'cocoa-natural': 0.6,
  'cocoa-alkalised': 0.6,
  'chocolate-dark': 0.6,
  'chocolate-milk': 0.61,
  'chocolate-chips': 0.6,
  'chocolate-chips-milk': 0.61,
  'chocolate-chips-white': 0.6,
  walnuts: 0.09,
  'walnuts-ground': 0.09,
  pecans: 0.09,
  hazelnuts: 0.07,
  'hazelnuts-ground': 0.07,
  'almonds-chopped': 0.08,
  'almonds-flaked': 0.08,
  pistachios: 0.13,
  cashews: 0.18,
  peanuts: 0.14,
  'sesame-seeds': 0.14,
  'poppy-seeds': 0.11,
  'chia-seeds': 0.11,
  'linseed-ground': 0.09,
  'sunflower-seeds': 0.09,
  'coconut-desiccated': 0.89,
  'coconut-sweetened': 0.89,
  cinnamon: 0.28,
  ginger: 0.61,
  nutmeg: 0.71,
  clove: 0.3,
  allspice: 0.29,
  cardamom: 0.1,
};

/** g of saturated fat in 100 g of it; null: nobody can tell. */
export function saturatesG(i: Pick<Ingredient, 'id' | 'like' | 'per100g'>): number | null {
  if (i.per100g.fatG === 0) return 0;
  const share = SHARE[i.id] ?? SHARE[i.like ?? ''];
  return share === undefined ? null : share * i.per100g.fatG;
}
