/**
 * Formulas with one thing wrong, gross or subtle, and the finding that has to tell it. A gross fault is told as more
 * than a note.
 */
import type { KindId } from '../formula/kinds';

interface Faulty {
  readonly name: string;
  readonly gross: boolean;
  readonly kind: KindId;
  readonly school: string;
  readonly lines: readonly string[];
  readonly code: string;
}

const row =
  (gross: boolean) =>
  (name: string, kind: KindId, school: string, card: string, code: string): Faulty => ({ name, gross, kind, school, lines: card.split('; '), code });
const gross = row(true);
const subtle = row(false);

export const FAULTY: readonly Faulty[] = [
  gross('crepes of milk', 'crepe', 'sweet', '250 g flour; 1.4 l milk; 4 eggs; 20 g sugar; 2 g salt; 30 g butter, melted', 'too-thin'),
  gross(
    'soda by the spoon',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking soda; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'soda-unspent',
  ),
  gross(
    'salt by the spoon',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1 1/2 tbsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'salt-high',
  ),
  gross(
    'powder by the quarter cup',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1/4 cup baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'over-raised',
  ),
  gross('no leavening at all', 'griddle', 'even', '2 cups flour; 2 tbsp sugar; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted', 'under-raised'),
  gross('no milk', 'griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 2 eggs; 1/4 cup butter, melted', 'too-thick'),
  gross(
    'twice the milk',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 3 1/2 cups milk; 2 eggs; 1/4 cup butter, melted',
    'too-thin',
  ),
  gross(
    'a cup and a half of sugar',
    'griddle',
    'even',
    '2 cups flour; 1 1/2 cups sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'sugar-high',
  ),
  gross(
    'two cups of butter',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1 1/2 cups butter, melted',
    'fat-high',
  ),
  gross(
    'eight eggs',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 cup milk; 8 eggs; 1/4 cup butter, melted',
    'egg-high',
  ),
  gross(
    'no egg, by mistake',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 1/4 cup butter, melted',
    'egg-low',
  ),
  gross('no flour', 'griddle', 'even', '2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted', 'no-flour'),
  gross(
    'cinnamon by the quarter cup',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/4 cup cinnamon; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'spice-high',
  ),
  gross(
    'cloves by the spoon',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1 tbsp ground cloves; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'spice-high',
  ),
  gross(
    'vanilla by the quarter cup',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/4 cup vanilla extract; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'spice-high',
  ),
  gross(
    'yeast by the cup',
    'waffle',
    'crisp',
    '2 cups flour; 1/4 cup instant yeast; 1 tbsp sugar; 1 tsp salt; 2 cups milk; 2 eggs; 1 stick butter, melted',
    'spice-high',
  ),
  gross('waffle without fat', 'waffle', 'crisp', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups skim milk; 2 eggs', 'fat-low'),
  gross(
    'waffle of batter for crepes',
    'waffle',
    'crisp',
    '1 cup flour; 2 cups milk; 2 eggs; 1/4 tsp salt; 1/3 cup butter, melted; 1 tsp baking powder',
    'too-thin',
  ),
  gross(
    'waffle with a cup of sugar',
    'waffle',
    'soft',
    '2 cups flour; 1 1/2 cups sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/3 cup oil',
    'sugar-high',
  ),
  gross(
    'crepes with powder',
    'crepe',
    'sweet',
    '250 g flour; 500 ml milk; 3 eggs; 10 g baking powder; 30 g sugar; 2 g salt; 30 g butter, melted',
    'over-raised',
  ),
  gross('crepes like cakes', 'crepe', 'sweet', '300 g flour; 300 ml milk; 2 eggs; 20 g sugar; 2 g salt; 20 g butter, melted', 'too-thick'),
  gross('crepes without egg', 'crepe', 'sweet', '250 g flour; 600 ml milk; 20 g sugar; 2 g salt; 30 g butter, melted', 'egg-low'),
  gross('crepes that are syrup', 'crepe', 'sweet', '250 g flour; 500 ml milk; 3 eggs; 200 g sugar; 2 g salt; 30 g butter, melted', 'sugar-high'),
  gross('oven pancake of one egg', 'oven', 'puffed', '1 cup flour; 1 cup milk; 1 egg; 1/4 tsp salt; 3 tbsp butter for the pan', 'egg-low'),
  gross(
    'oven pancake with powder',
    'oven',
    'puffed',
    '3/4 cup flour; 3/4 cup milk; 3 eggs; 1 tbsp baking powder; 1/4 tsp salt; 3 tbsp butter for the pan',
    'over-raised',
  ),
  gross('oven pancake of dough', 'oven', 'puffed', '2 cups flour; 1/2 cup milk; 3 eggs; 1/2 tsp salt; 3 tbsp butter for the pan', 'too-thick'),
  gross(
    'amounts that disagree',
    'griddle',
    'even',
    '2 cups flour (400 g); 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'amounts-disagree',
  ),
  gross(
    'a thing nobody knows',
    'griddle',
    'even',
    '2 cups flour; 2 cups moondust; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'lines-open',
  ),
  gross(
    'some flour',
    'griddle',
    'even',
    'some flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'lines-open',
  ),
  gross(
    'soda and no acid in balls',
    'ball',
    'round-pan',
    '250 g flour; 20 g sugar; 8 g baking soda; 3 g salt; 450 g milk; 3 eggs; 50 g butter',
    'soda-unspent',
  ),
  gross(
    'souffle without sugar',
    'foam',
    'souffle',
    '60 g cake flour; 1 g baking powder; 60 g milk; 3 egg yolks; 4 egg whites, whipped to firm peaks',
    'sugar-low',
  ),
  subtle(
    'soda for sour milk, milk sweet',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tsp baking powder; 1/2 tsp baking soda; 1/2 tsp salt; 2 cups milk; 2 eggs; 3 tbsp butter, melted',
    'soda-unspent',
  ),
  subtle(
    'a teaspoon of soda too many',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tsp baking powder; 1 1/2 tsp baking soda; 1/2 tsp salt; 2 cups buttermilk; 2 eggs; 3 tbsp butter, melted',
    'soda-unspent',
  ),
  subtle(
    'powder by the teaspoon',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'under-raised',
  ),
  subtle(
    'two tablespoons of powder',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 2 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'over-raised',
  ),
  subtle(
    'salt of the savoury table',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'salt-high',
  ),
  subtle('salt forgotten', 'griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted', 'salt-low'),
  subtle(
    'half a cup of sugar',
    'griddle',
    'even',
    '2 cups flour; 1/2 cup sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'sugar-high',
  ),
  subtle(
    'a stick of butter',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/2 cup butter, melted',
    'fat-high',
  ),
  subtle('no fat at all', 'griddle', 'even', '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups skim milk; 1 egg', 'fat-low'),
  subtle(
    'three eggs in a cup',
    'griddle',
    'even',
    '1 cup flour; 1 tbsp sugar; 2 tsp baking powder; 1/4 tsp salt; 3/4 cup milk; 2 eggs; 2 tbsp butter, melted',
    'egg-high',
  ),
  subtle(
    'one small egg in three cups',
    'griddle',
    'even',
    '3 cups flour; 3 tbsp sugar; 4 tsp baking powder; 3/4 tsp salt; 2 3/4 cups milk; 1 egg; 1/3 cup butter, melted',
    'egg-low',
  ),
  subtle(
    'nutmeg by the spoon',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1 1/2 tsp nutmeg; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'spice-high',
  ),
  subtle(
    'cloves by the teaspoon',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1 tsp ground cloves; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/4 cup butter, melted',
    'spice-high',
  ),
  subtle(
    'lean waffles',
    'waffle',
    'crisp',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 2 tbsp butter, melted',
    'fat-low',
  ),
  subtle(
    'sweet crisp waffles',
    'waffle',
    'crisp',
    '2 cups flour; 1/2 cup sugar; 1 tbsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/2 cup butter, melted',
    'sugar-high',
  ),
  subtle(
    'flat waffles',
    'waffle',
    'crisp',
    '2 cups flour; 2 tbsp sugar; 1 tsp baking powder; 1/2 tsp salt; 1 3/4 cups milk; 2 eggs; 1/2 cup butter, melted',
    'under-raised',
  ),
  subtle('crepes short of egg', 'crepe', 'sweet', '250 g flour; 550 ml milk; 2 eggs; 20 g sugar; 2 g salt; 30 g butter, melted', 'egg-low'),
  subtle(
    'crepes with half a teaspoon of powder a cup',
    'crepe',
    'sweet',
    '1 cup flour; 1 1/4 cups milk; 2 eggs; 1/2 tsp baking powder; 1 tbsp sugar; 1/4 tsp salt; 2 tbsp butter, melted',
    'over-raised',
  ),
  subtle('savoury crepes without salt', 'crepe', 'savoury', '200 g flour; 450 g milk; 3 eggs; 25 g butter', 'salt-low'),
  subtle('balls of little egg', 'ball', 'round-pan', '250 g flour; 20 g sugar; 8 g baking powder; 3 g salt; 450 g milk; 1 egg; 50 g butter', 'egg-low'),
  subtle(
    'sour milk nobody works',
    'griddle',
    'even',
    '2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; 1/2 tsp salt; 2 cups buttermilk; 2 eggs; 3 tbsp butter, melted',
    'acid-unspent',
  ),
];
