/**
 * Cards of our own with one slip of the pen each, and cards that are unusual on purpose. A slip is written in its place
 * as
 * `{what was meant|what is written}`; the search for the smallest lie has to find the first and leave the second in
 * peace.
 */
import type { KindId } from '../formula/kinds';

interface Slipped {
  readonly kind: KindId;
  readonly school: string;
  readonly lines: readonly string[];
  /** The line that holds the slip, from 0, and what was meant there. */
  readonly at: number;
  readonly meant: string;
}

const BRACES = /\{([^|}]*)\|([^}]*)\}/;

const slip = (kind: KindId, school: string, card: string): Slipped => {
  const rows = card.split('; ');
  const at = rows.findIndex((r) => BRACES.test(r));
  return {
    kind,
    school,
    lines: rows.map((r) => r.replace(BRACES, '$2')),
    at,
    meant: (rows[at] ?? '').replace(BRACES, '$1'),
  };
};

export const SLIPPED: readonly Slipped[] = [
  // a nought too many, a nought too few
  slip('griddle', 'even', '{300 g|3 kg} flour; 520 g milk; 2 eggs; 30 g sugar; 12 g baking powder; 3 g salt; 40 g butter, melted'),
  slip('griddle', 'even', '{250 g|25 g} flour; 430 g milk; 2 eggs; 25 g sugar; 11 g baking powder; 3 g salt; 35 g butter, melted'),
  slip('griddle', 'even', '250 g flour; {430 ml|43 ml} milk; 2 eggs; 25 g sugar; 11 g baking powder; 3 g salt; 35 g oil'),
  slip('griddle', 'even', '250 g flour; {430 ml|4300 ml} milk; 1 egg; 25 g sugar; 11 g baking powder; 3 g salt; 35 g oil'),
  slip('griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 25 g sugar; 11 g baking powder; {3 g|30 g} salt; 35 g butter, melted'),
  slip('griddle', 'even', '250 g flour; 430 g milk; 2 eggs; {20 g|200 g} sugar; 11 g baking powder; 3 g salt; 35 g butter, melted'),
  slip('griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 20 g sugar; {12 g|120 g} baking powder; 3 g salt; 35 g butter, melted'),
  slip('griddle', 'even', '250 g flour; 430 g milk; {2|20} eggs; 20 g sugar; 12 g baking powder; 3 g salt; 35 g butter, melted'),
  slip('griddle', 'tall', '250 g flour; 360 g milk; 1 egg; 30 g sugar; 15 g baking powder; 3 g salt; {40 g|400 g} butter, melted'),
  slip('griddle', 'thin', '{200 g|2 kg} flour; 15 g sugar; 3 g baking powder; 3 g salt; 480 g milk; 2 eggs; 20 g butter'),
  slip('crepe', 'sweet', '250 g flour; {500 g|5 kg} milk; 4 eggs; 50 g butter, melted; 20 g sugar; 2 g salt'),
  slip('crepe', 'sweet', '{250 g|25 g} flour; 500 g milk; 4 eggs; 50 g butter, melted; 20 g sugar; 2 g salt'),
  slip('crepe', 'savoury', '200 g flour; 450 g milk; 3 eggs; 25 g butter; {4 g|40 g} salt'),
  slip('crepe', 'buckwheat', '330 g buckwheat flour; {750 g|75 g} water; 8 g salt; 1 egg; 15 g oil'),
  slip('waffle', 'crisp', '240 g flour; 400 g milk; 2 eggs; {90 g|900 g} butter, melted; 25 g sugar; 12 g baking powder; 4 g salt'),
  slip('waffle', 'crisp', '{240 g|2400 g} flour; 400 g milk; 2 eggs; 90 g butter, melted; 25 g sugar; 12 g baking powder; 4 g salt'),
  slip('small', 'even', '225 g flour; 25 g sugar; 9 g baking powder; 2 g salt; {330 g|3.3 kg} milk; 1 egg; 25 g butter'),
  slip('oven', 'puffed', '110 g flour; {220 ml|22 ml} milk; 3 eggs; 2 g salt; 30 g butter for the pan'),
  slip('oven', 'puffed', '110 g flour; 220 ml milk; {3|30} eggs; 2 g salt; 30 g butter for the pan'),
  slip('griddle', 'even', '500 g flour; 50 g sugar; 22 g baking powder; {6 g|0.6 kg} salt; 860 g milk; 4 eggs; 70 g butter'),
  // teaspoon, tablespoon, cup
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; {1 tsp|1 tbsp} salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 2 tsp baking powder; {1/2 tsp|1/2 cup} baking soda; 1/2 tsp salt; 2 cups buttermilk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 2 tsp baking powder; {1/2 tsp|1/2 tbsp} baking soda; 1/2 tsp salt; 2 cups buttermilk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '2 cups flour; {2 tbsp|2 cups} sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; {1 tbsp|1 tsp} baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; {4 tsp|4 tbsp} baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; {3 tbsp|3 cups} oil'),
  slip('griddle', 'even', '{2 cups|2 tbsp} flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp oil'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; {1 3/4 cups|1 3/4 tbsp} milk; 2 eggs; 3 tbsp oil'),
  slip('griddle', 'tall', '2 cups flour; 3 tbsp sugar; 4 tsp baking powder; {1/2 tsp|1/2 cup} salt; 1 1/2 cups milk; 1 egg; 3 tbsp butter, melted'),
  slip('waffle', 'crisp', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; {1 tsp|1 cup} cinnamon; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/2 cup butter, melted'),
  slip('waffle', 'crisp', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; {1/2 cup|1/2 tsp} oil'),
  slip('waffle', 'soft', '2 cups flour; {1/4 cup|1/4 tsp} sugar; 1 tbsp baking powder; 3/4 tsp salt; 1 3/4 cups milk; 2 eggs; 1/3 cup oil'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; {1/2 tsp|1/2 tbsp} ground cloves; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp oil'),
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; {1 tsp|1 cup} vanilla extract; 1 3/4 cups milk; 2 eggs; 3 tbsp oil'),
  slip('crepe', 'sweet', '1 cup flour; 1 1/2 cups milk; 3 eggs; 2 tbsp butter, melted; {1 tbsp|1 cup} sugar; 1/4 tsp salt'),
  slip('crepe', 'sweet', '1 cup flour; 1 1/2 cups milk; 3 eggs; {2 tbsp|2 cups} butter, melted; 1 tbsp sugar; 1/4 tsp salt'),
  slip('oven', 'puffed', '3/4 cup flour; 3/4 cup milk; 3 eggs; {1/4 tsp|1/4 cup} salt; 3 tbsp butter for the pan'),
  // g for kg, oz, lb; ml, cl, dl, l
  slip('crepe', 'sweet', '250 g flour; {5 dl|5 cl} milk; 4 eggs; 50 g butter, melted; 20 g sugar; 2 g salt'),
  slip('crepe', 'sweet', '250 g flour; {5 dl|5 l} milk; 4 eggs; 50 g butter, melted; 20 g sugar; 2 g salt'),
  slip('griddle', 'even', '2.5 dl flour; {25 cl|25 dl} milk; 1 egg; 1 tbsp sugar; 1 1/2 tsp baking powder; 1/4 tsp salt; 15 g butter'),
  slip('griddle', 'even', '{9 oz|9 lb} flour; 16 oz milk; 2 eggs; 1 oz sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 1/2 oz butter'),
  slip('griddle', 'even', '9 oz flour; 16 oz milk; 2 eggs; {1 oz|1 lb} sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 1/2 oz butter'),
  slip('waffle', 'crisp', '240 g flour; 4 dl milk; 2 eggs; {90 g|90 oz} butter, melted; 25 g sugar; 12 g baking powder; 4 g salt'),
  slip('crepe', 'savoury', '{2 kg|2 g} flour; 4.5 l milk; 30 eggs; 250 g butter; 40 g salt'),
  // doubled, halved, a fraction misread
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; {1 3/4 cups|3 1/2 cups} milk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '250 g flour; {430 g|860 g} milk; 2 eggs; 25 g sugar; 11 g baking powder; 3 g salt; 35 g butter, melted'),
  slip('griddle', 'tall', '{250 g|125 g} flour; 360 g milk; 1 egg; 30 g sugar; 13 g baking powder; 3 g salt; 40 g butter, melted'),
  slip('griddle', 'even', '3 cups flour; 3 tbsp sugar; 5 tsp baking powder; 3/4 tsp salt; {2 1/2 cups|1/2 cup} milk; 3 eggs; 1/4 cup butter, melted'),
  slip('waffle', 'crisp', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; {1/2 cup|2 1/2 cups} oil'),
  slip('griddle', 'even', '2 cups flour; {1/4 cup|1 1/4 cups} sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp oil'),
  // another thing than was meant
  slip('griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp {baking powder|baking soda}; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted'),
  slip('griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 25 g sugar; 11 g {baking powder|baking soda}; 3 g salt; 35 g butter, melted'),
  slip('waffle', 'crisp', '240 g flour; 400 g milk; 2 eggs; 90 g butter, melted; 25 g sugar; 12 g {baking powder|baking soda}; 4 g salt'),
  slip('griddle', 'even', '250 g {self-raising flour|flour}; 25 g sugar; 2 g salt; 420 g milk; 1 egg; 30 g butter'),
  slip('small', 'even', '225 g {self-raising flour|flour}; 25 g sugar; 2 g salt; 330 g milk; 1 egg; 25 g butter'),
  slip('griddle', 'tall', '250 g {flour|self-raising flour}; 30 g sugar; 15 g baking powder; 3 g salt; 360 g milk; 1 egg; 40 g butter, melted'),
  slip('griddle', 'even', '250 g flour; 430 g {milk|sweetened condensed milk}; 2 eggs; 25 g sugar; 11 g baking powder; 3 g salt; 35 g butter, melted'),
  slip('crepe', 'sweet', '250 g flour; 500 g {evaporated milk|sweetened condensed milk}; 4 eggs; 200 g water; 30 g butter, melted; 20 g sugar; 2 g salt'),
  slip('griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 25 g {sugar|salt}; 11 g baking powder; 3 g salt; 35 g butter, melted'),
];

interface Unusual {
  readonly name: string;
  readonly kind: KindId;
  readonly school: string;
  readonly lines: readonly string[];
}

const unusual = (name: string, kind: KindId, school: string, card: string): Unusual => ({
  name,
  kind,
  school,
  lines: card.split('; '),
});

/** Cards that are far from the usual because their cook wants them so. */
export const UNUSUAL: readonly Unusual[] = [
  unusual('no salt', 'griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 25 g sugar; 11 g baking powder; 35 g unsalted butter'),
  unusual('no salt, no sugar', 'griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 11 g baking powder; 35 g butter'),
  unusual('no salt waffles', 'waffle', 'crisp', '240 g flour; 400 g milk; 2 eggs; 90 g unsalted butter, melted; 25 g sugar; 12 g baking powder'),
  unusual('no salt crepes', 'crepe', 'sweet', '250 g flour; 500 g milk; 4 eggs; 50 g unsalted butter; 20 g sugar'),
  unusual('no sugar waffles', 'waffle', 'crisp', '2 cups flour; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/2 cup butter, melted'),
  unusual('salty for bacon', 'griddle', 'even', '250 g flour; 430 g milk; 2 eggs; 10 g sugar; 11 g baking powder; 9 g salt; 35 g butter'),
  unusual('rich in butter', 'griddle', 'even', '250 g flour; 400 g milk; 3 eggs; 40 g sugar; 11 g baking powder; 4 g salt; 130 g butter, melted'),
  unusual('richer still', 'griddle', 'even', '200 g flour; 300 g milk; 100 g cream; 3 eggs; 40 g sugar; 9 g baking powder; 3 g salt; 120 g butter, melted'),
  unusual('cream alone', 'griddle', 'even', '250 g flour; 480 g heavy cream; 2 eggs; 25 g sugar; 11 g baking powder; 3 g salt'),
  unusual('egg rich', 'griddle', 'even', '200 g flour; 250 g milk; 5 eggs; 25 g sugar; 9 g baking powder; 3 g salt; 30 g butter'),
  unusual('yolks', 'griddle', 'even', '250 g flour; 400 g milk; 8 egg yolks; 30 g sugar; 11 g baking powder; 3 g salt; 30 g butter'),
  unusual('sweet for children', 'griddle', 'even', '2 cups flour; 1/2 cup sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted'),
  unusual('very sweet', 'griddle', 'even', '250 g flour; 120 g sugar; 11 g baking powder; 3 g salt; 400 g milk; 2 eggs; 35 g butter'),
  unusual('honey waffles', 'waffle', 'soft', '250 g flour; 120 g honey; 12 g baking powder; 3 g salt; 350 g milk; 3 eggs; 90 g butter, melted'),
  unusual('pearl sugar waffles', 'waffle', 'soft', '250 g flour; 150 g pearl sugar; 8 g instant yeast; 3 g salt; 120 g milk; 2 eggs; 130 g butter'),
  unusual('fat free', 'griddle', 'even', '250 g flour; 450 g skim milk; 2 egg whites; 25 g sugar; 12 g baking powder; 3 g salt'),
  unusual('lean waffles', 'waffle', 'crisp', '240 g flour; 420 g milk; 2 eggs; 15 g oil; 25 g sugar; 12 g baking powder; 4 g salt'),
  unusual('eggless cakes', 'griddle', 'even', '250 g flour; 450 g milk; 25 g sugar; 13 g baking powder; 3 g salt; 40 g oil'),
  unusual('eggless with vinegar', 'griddle', 'even', '250 g flour; 450 g oat drink; 15 g vinegar; 25 g sugar; 8 g baking powder; 3 g baking soda; 3 g salt; 40 g oil'),
  unusual('eggless waffles', 'waffle', 'crisp', '240 g flour; 420 g oat drink; 80 g oil; 25 g sugar; 13 g baking powder; 4 g salt'),
  unusual('eggless crepes', 'crepe', 'sweet', '250 g flour; 600 g milk; 40 g oil; 20 g sugar; 2 g salt'),
  unusual('vegan small', 'small', 'even', '225 g flour; 350 g soy drink; 25 g sugar; 11 g baking powder; 2 g salt; 25 g oil'),
  unusual('rice flour', 'griddle', 'even', '250 g rice flour; 430 g milk; 3 eggs; 25 g sugar; 12 g baking powder; 3 g salt; 35 g butter'),
  unusual('rice and tapioca', 'griddle', 'even', '180 g rice flour; 70 g tapioca starch; 400 g milk; 3 eggs; 25 g sugar; 12 g baking powder; 3 g xanthan gum; 3 g salt; 35 g oil'),
  unusual('almond flour', 'griddle', 'even', '200 g almond flour; 4 eggs; 120 g milk; 20 g sugar; 8 g baking powder; 2 g salt; 20 g butter'),
  unusual('coconut flour', 'small', 'even', '60 g coconut flour; 5 eggs; 200 g milk; 15 g sugar; 5 g baking powder; 1 g salt; 30 g butter'),
  unusual('oat flour', 'griddle', 'even', '250 g oat flour; 420 g milk; 2 eggs; 20 g sugar; 12 g baking powder; 3 g salt; 30 g oil'),
  unusual('corn alone', 'griddle', 'even', '250 g corn meal; 450 g milk; 2 eggs; 20 g sugar; 11 g baking powder; 4 g salt; 40 g butter'),
  unusual('buckwheat alone', 'griddle', 'even', '250 g buckwheat flour; 480 g milk; 2 eggs; 15 g sugar; 11 g baking powder; 4 g salt; 30 g butter'),
  unusual('very tall', 'griddle', 'tall', '250 g flour; 300 g milk; 1 egg; 30 g sugar; 20 g baking powder; 3 g salt; 40 g butter, melted'),
  unusual('tall as bread', 'griddle', 'tall', '250 g flour; 260 g milk; 1 egg; 30 g sugar; 18 g baking powder; 3 g salt; 30 g butter'),
  unusual('tall on soda', 'griddle', 'tall', '250 g flour; 380 g buttermilk; 1 egg; 30 g sugar; 12 g baking powder; 3 g baking soda; 3 g salt; 40 g butter'),
  unusual('flat on purpose', 'griddle', 'thin', '250 g flour; 600 g milk; 3 eggs; 20 g sugar; 3 g salt; 30 g butter'),
  unusual('thick for the spoon', 'griddle', 'even', '250 g flour; 320 g milk; 2 eggs; 25 g sugar; 11 g baking powder; 3 g salt; 35 g butter'),
  unusual('thin for lace', 'crepe', 'sweet', '200 g flour; 650 g milk; 4 eggs; 40 g butter; 20 g sugar; 2 g salt'),
  unusual('crepes like omelette', 'crepe', 'sweet', '200 g flour; 400 g milk; 7 eggs; 40 g butter; 20 g sugar; 2 g salt'),
  unusual('crepes with beer', 'crepe', 'savoury', '250 g flour; 300 g milk; 250 g beer; 3 eggs; 30 g butter; 5 g salt'),
  unusual('sweet crepes', 'crepe', 'sweet', '250 g flour; 500 g milk; 4 eggs; 50 g butter; 75 g sugar; 2 g salt'),
  unusual('buttery crepes', 'crepe', 'sweet', '250 g flour; 500 g milk; 4 eggs; 120 g butter; 20 g sugar; 2 g salt'),
  unusual('water crepes', 'crepe', 'savoury', '250 g flour; 550 g water; 3 eggs; 20 g oil; 4 g salt'),
  unusual('buckwheat and water', 'crepe', 'buckwheat', '500 g buckwheat flour; 1.1 kg water; 12 g salt'),
  unusual('oven, egg rich', 'oven', 'puffed', '90 g flour; 180 ml milk; 5 eggs; 2 g salt; 40 g butter for the pan'),
  unusual('oven, sweet', 'oven', 'puffed', '110 g flour; 220 ml milk; 3 eggs; 30 g sugar; 2 g salt; 30 g butter for the pan'),
  unusual('oven, little fat', 'oven', 'puffed', '110 g flour; 220 ml milk; 3 eggs; 2 g salt; 10 g butter for the pan'),
  unusual('chocolate waffles', 'waffle', 'crisp', '200 g flour; 50 g cocoa powder; 100 g sugar; 12 g baking powder; 3 g salt; 420 g milk; 3 eggs; 110 g butter, melted'),
  unusual('cheese waffles', 'waffle', 'crisp', '240 g flour; 400 g milk; 3 eggs; 150 g cheddar, grated; 60 g butter; 12 g baking powder; 3 g salt'),
  unusual('potato waffles', 'waffle', 'crisp', '120 g flour; 300 g mashed potato; 150 g milk; 3 eggs; 60 g butter; 8 g baking powder; 5 g salt'),
  unusual('banana cakes', 'griddle', 'even', '150 g flour; 300 g banana, mashed; 200 g milk; 2 eggs; 8 g baking powder; 2 g salt; 20 g butter'),
  unusual('pumpkin cakes', 'griddle', 'even', '250 g flour; 250 g pumpkin puree; 300 g milk; 2 eggs; 40 g brown sugar; 12 g baking powder; 3 g cinnamon; 3 g salt; 30 g oil'),
  unusual('ricotta cakes', 'griddle', 'even', '150 g flour; 250 g ricotta; 150 g milk; 3 eggs; 25 g sugar; 6 g baking powder; 2 g salt; 20 g butter'),
  unusual('cottage cheese cakes', 'griddle', 'even', '60 g flour; 250 g cottage cheese; 4 eggs; 10 g sugar; 3 g baking powder; 1 g salt; 30 g butter'),
  unusual('yoghurt cakes', 'griddle', 'even', '250 g flour; 400 g yoghurt; 60 g milk; 2 eggs; 25 g sugar; 6 g baking powder; 3 g baking soda; 3 g salt; 30 g butter'),
  unusual('sour cream cakes', 'griddle', 'even', '200 g flour; 400 g sour cream; 3 eggs; 40 g sugar; 4 g baking soda; 3 g salt'),
  unusual('rye cakes', 'griddle', 'even', '125 g rye flour; 125 g flour; 480 g buttermilk; 1 egg; 20 g molasses; 5 g baking powder; 4 g baking soda; 4 g salt; 30 g butter'),
  unusual('oat soak', 'griddle', 'even', '150 g rolled oats; 100 g flour; 520 g buttermilk; 2 eggs; 25 g sugar; 6 g baking powder; 3 g baking soda; 4 g salt; 40 g butter'),
  unusual('yeast cakes', 'griddle', 'even', '250 g flour; 420 g milk; 2 eggs; 20 g sugar; 5 g instant yeast; 4 g salt; 40 g butter'),
  unusual('souffle', 'foam', 'souffle', '60 g flour; 40 g milk; 4 eggs, separated; 40 g sugar; 3 g baking powder; 1 g vanilla extract'),
  unusual('ball, egg rich', 'ball', 'round-pan', '200 g flour; 320 g buttermilk; 4 eggs, separated; 15 g sugar; 4 g baking powder; 3 g baking soda; 3 g salt; 40 g butter'),
  unusual('cinnamon rich', 'griddle', 'even', '2 cups flour; 1/4 cup sugar; 1 tbsp baking powder; 1 tbsp cinnamon; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted'),
  unusual('a third of rye, no leavening but foam', 'waffle', 'crisp', '160 g flour; 80 g rye flour; 380 g milk; 4 eggs, separated; 90 g butter; 20 g sugar; 4 g salt'),
];
