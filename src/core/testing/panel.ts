/** For tests: a flour as its packet has it, complete and without a fault. */
import type { Panel } from '../pantry/packet';

export const PANEL: Panel = {
  by: 'panel',
  category: 'flour',
  like: 'flour-all-purpose',
  base: '100g',
  baseG: null,
  kcal: 348,
  fatG: 1.4,
  carbohydrateG: 70.5,
  sugarsG: 0.6,
  fibreG: 4.1,
  fibreWithin: false,
  proteinG: 11.2,
  saltG: 0.01,
  alcoholG: null,
  waterG: null,
  leavened: false,
  gPer100Ml: null,
  allergens: ['wheat', 'gluten'],
};
