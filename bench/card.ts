/** A card of 20 lines, for everything that is measured. */
export const CARD = `Bench cakes
300 g flour
1 cup whole wheat flour
1/2 cup oat flour
2 tablespoons corn starch
1/4 cup sugar
2 tbsp brown sugar
1 tbsp honey
1 1/2 teaspoons salt
2 teaspoons baking powder
3/4 tsp baking soda
1 tsp cinnamon
1/4 tsp nutmeg
2 1/2 cups buttermilk
1/2 cup milk
1/4 cup yoghurt
3 large eggs
1 egg yolk
1/2 stick butter, melted
2 tbsp oil
1 tsp vanilla extract`;

/** How it is made, in twelve sentences. */
export const METHOD = `Whisk the dry things in a large bowl. Melt the butter and let it cool ten minutes.
Whip the whites firm with half of the sugar. Beat the yolks with the milk.
Pour the wet into the dry and stir until just combined. Fold in the whites in thirds.
Rest the batter a quarter of an hour. Heat the griddle to 190 C. Butter the griddle lightly.
Pour a quarter cup for each. Cook two minutes, then turn and cook one more. Keep warm in the oven at 90 C.`;
