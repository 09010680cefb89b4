/** A regatta morning of the boathouse: 84 covers in three waves, five dishes, one without wheat, one without egg and milk. */
import type { ActEdit } from '../formula/act-edits';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import { type KindId, kindById } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { withCard } from '../formula/pasted';
import type { Morning } from '../morning/morning';
import type { DishMade, MorningAsked } from '../morning/work';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import type { Allergen } from '../pantry/ingredient';

const made = (text: string, kind: KindId): Formula => {
  const card = entriesFromCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.message);
  return { ...withCard(EMPTY_FORMULA, card.value), kind, school: kindById(kind).schools[0].id };
};
const CARDS: readonly (readonly [string, KindId, string, readonly Allergen[]])[] = [
  [
    'Griddle cakes',
    'griddle',
    '250 g flour\n300 g buttermilk\n2 eggs\n30 g sugar\n8 g baking powder\n3 g salt\n40 g butter, melted',
    [],
  ],
  ['Waffles', 'waffle', '300 g flour\n400 g milk\n2 eggs\n12 g baking powder\n90 g butter, melted\n4 g salt', []],
  ['Crepes', 'crepe', '250 g flour\n500 g milk\n4 eggs\n50 g butter, melted\n3 g salt', []],
  [
    'Rice cakes',
    'griddle',
    '250 g rice flour\n300 g milk\n2 eggs\n10 g baking powder\n30 g sugar\n3 g salt',
    ['wheat'],
  ],
  [
    'Oat cakes',
    'griddle',
    '200 g flour\n60 g oats\n300 g oat drink\n10 g baking powder\n30 g oil\n3 g salt',
    ['egg', 'milk'],
  ],
  ['Big one', 'oven', '4 eggs\n240 g milk\n125 g flour\n3 g salt', []],
  [
    'Berry cakes',
    'griddle',
    '250 g flour\n300 g milk\n2 eggs\n30 g sugar\n10 g baking powder\n120 g blueberries, folded in\n60 g butter, to serve\n90 g maple syrup, to serve',
    [],
  ],
];
/** What is done to the berry cakes besides: to their batter, and to their plates. */
const BESIDES: readonly ActEdit[] = [
  {
    do: 'own',
    act: 'do let the batter stand once more',
    before: 'pour griddle cakes',
    does: 'let the batter stand once more',
    minutes: 10,
    hands: 0,
  },
  { do: 'own', act: 'do warm the plates', before: 'plate piece', does: 'warm the plates', minutes: 5, hands: 2 },
];
export const BERRIES = CARDS.length - 1;
const FORMULAS = CARDS.map(([, kind, text], n) => ({ ...made(text, kind), ...(n === BERRIES && { edits: BESIDES }) }));
/** One of seven dishes, as a plate of so many pieces. */
export const dishOf = (n: number, of: DishMade['of'], each = 2): DishMade => {
  const [name, kind, , without] = CARDS[n] as (typeof CARDS)[number];
  return { id: `d${n}`, name, kind, each, of, without, formula: FORMULAS[n] as Formula, portionMl: null };
};
/** "7:30" in minutes from midnight. */
export const h = (time: string): number => {
  const [hour = 0, min = 0] = time.split(':').map(Number);
  return 60 * hour + min;
};

/** A morning with what its dishes are made of. */
export type MorningDrawn = Omit<Morning, 'dishes'> & { readonly dishes: readonly DishMade[] };

/** It asked for in a fresh kitchen, with nothing kept and nothing done the evening before. */
export const regattaAsked = (morning: MorningDrawn, before = false): MorningAsked => ({
  morning,
  dishes: morning.dishes,
  sides: [],
  kept: [],
  house: FRESH_KITCHEN,
  before,
});

export const REGATTA: MorningDrawn = {
  waves: ['7:30', '8:20', '9:10'].map((at) => ({ at: h(at), covers: 28 })),
  dishes: [
    dishOf(0, { share: 0.4 }, 3),
    dishOf(1, { share: 0.3 }, 1),
    dishOf(2, { share: 0.15 }),
    dishOf(3, { share: 0.1 }, 3),
    dishOf(4, { share: 0.05 }, 3),
  ],
  people: [
    { name: 'Ada', role: 'lead', from: h('5:30'), to: h('11:00') },
    { name: 'Ben', role: 'cook', from: h('6:00'), to: h('11:00') },
    { name: 'Cleo', role: 'helper', from: h('6:30'), to: h('11:00') },
    { name: 'Dot', role: 'helper', from: h('6:30'), to: h('11:00') },
  ],
  surfaces: [
    { name: 'griddle 1', kind: 'griddle', places: 12, from: null, to: null },
    { name: 'griddle 2', kind: 'griddle', places: 8, from: null, to: null },
    { name: 'iron 1', kind: 'iron', places: 2, from: null, to: null },
    { name: 'iron 2', kind: 'iron', places: 2, from: null, to: null },
  ],
  ovens: 1,
  hob: 2,
  bell: null,
};
