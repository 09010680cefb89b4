/** What a method tells, fact by fact, and what of it is no act: what is denied, left to taste, or another's way. */
import { FRESH_CONVENTIONS } from '../../pantry/conventions';
import { FACTS, TAKEN } from './clause';
import { factsTold } from './told';

/** "rest 30 min batter"; a remark and what is asked say so. */
const told = (notes: string): string =>
  factsTold(notes, FRESH_CONVENTIONS)
    .map((f) =>
      [
        f.taken === 'told' ? '' : `${f.taken}:`,
        f.fact,
        typeof f.value === 'number' ? Math.round(10 * f.value) / 10 : f.value,
        f.unit,
        f.of,
      ]
        .filter((x) => x !== '' && x !== null)
        .join(' '),
    )
    .join(', ');

test.each([
  ['Rest the batter for 30 minutes.', 'rest 30 min batter'],
  ['Let it stand a quarter of an hour.', 'rest 15 min batter'],
  ['Leave the batter overnight in the fridge.', 'chill 720 min'],
  ['Chill it for at least an hour.', 'chill 60 min'],
  ['Let stand 20 to 30 minutes, covered.', 'rest 25 min batter'],
  ['Others rest theirs, mine goes straight on.', ''],
  ['Don’t overmix.', ''],
  ['Chill it if you like for an hour.', 'remark: chill 60 min'],
  ['Let the butter cool for 10 minutes.', 'rest 10 min butter'],
  ['Cool the waffles on a rack for 2 minutes.', 'rest 2 min piece'],
  ['Soak the oats in the buttermilk for half an hour.', 'rest 30 min wet'],
  ['Set aside for an hour and a half.', 'rest 90 min batter'],
  ['Strain if lumpy.', ''],
  ['Thin with milk if it stands.', ''],
  ['Pour 1/4 cup batter for each cake.', 'portion 59.1 ml piece'],
  ['Use a #16 scoop for each.', 'portion 59.1 ml piece'],
  ['Ladle 60 ml per pancake onto the griddle.', 'portion 60 ml piece'],
  ['Add 1/4 cup milk to the batter.', ''],
  ['A big spoonful of batter each.', 'asked: portion A big spoonful piece'],
  ['Half a ladle for each.', 'asked: portion Half a ladle piece'],
  ['A bit under a quarter cup apiece.', 'asked: portion 53.2 ml piece'],
  ['Half full quarter cup of batter for each.', 'portion 29.6 ml piece'],
  ['Two tablespoons of batter at a time.', 'portion 29.6 ml piece'],
  ['Pour into rounds of 10 cm.', 'width 10 cm piece'],
  ['About four inches across.', 'width 10.2 cm piece'],
  ['Drop 2 tbsp of batter into the pan for each crepe.', 'portion 29.6 ml piece'],
  ['Heat the griddle to 375 F.', 'heat 191 C surface'],
  ['Bake at 180 C for 20 minutes.', 'heat 180 C oven, bake 20 min'],
  ['Preheat the oven to 220 C / 425 F.', 'heat 220 C oven'],
  ['Keep warm at 200 F, griddle at 375.', 'heat 93 C holding, heat 191 C surface'],
  ['Warm the milk to 40 C.', 'heat 40 C milk'],
  ['Cook over medium low heat.', 'dial medium low surface'],
  ['Griddle at 190 °C.', 'heat 190 C surface'],
  ['Bake at gas 4.', 'heat 177 C oven'],
  ['Use a medium-high heat.', 'dial medium high surface'],
  ['Cook 2 minutes a side.', 'firstSide 2 min, secondSide 2 min'],
  ['Cook for 3 minutes, turn, and cook 2 more minutes.', 'firstSide 3 min, secondSide 2 min'],
  ['Three to four minutes, flip, then two.', 'firstSide 3.5 min, secondSide 2 min'],
  ['Fry about two minutes on each side.', 'firstSide 2 min, secondSide 2 min'],
  ['Cook until bubbles form, about 2 minutes, then flip and cook another minute.', 'firstSide 2 min, secondSide 1 min'],
  ['Bake 5 minutes in the iron.', 'bake 5 min'],
  ['Give them three minutes, then about two.', 'firstSide 3 min, secondSide 2 min'],
  ['Fry in a little butter.', 'panFat butter-unsalted a little'],
  ['Grease the pan with oil.', 'panFat oil-vegetable greased'],
  ['Lightly oiled griddle.', 'panFat oil-vegetable lightly'],
  ['Melt 1 tbsp butter in the pan.', 'panFat butter-unsalted 1 tbsp'],
  ['Wipe the griddle with a cloth dipped in oil.', 'panFat oil-vegetable a cloth dipped in'],
  ['Cook in bacon fat.', 'panFat tallow greased'],
  ['Butter the pan.', 'panFat butter-unsalted greased'],
  ['Cook in a dry pan.', 'panFat none dry'],
  ['Brush the iron with melted butter.', 'panFat butter-unsalted greased'],
  ['Whip the whites to soft peaks.', 'whites soft'],
  ['Beat whites until stiff peaks form.', 'whites firm'],
  ['Fold in the whites in three additions.', 'fold thirds'],
  ['Gently fold in the whites.', 'fold once'],
  ['Mix until just combined.', 'mix just'],
  ['Whisk until smooth.', 'mix smooth'],
  ['Blitz everything in a blender.', 'mix blender'],
  ['Leave a few lumps.', 'mix just'],
  ['Scatter the blueberries over the batter before you flip.', 'moment turned blueberries'],
  ['Sprinkle chocolate chips onto each cake.', 'moment poured chocolate-chips'],
  ['Fold in the blueberries last.', 'moment folded blueberries'],
  ['Turn only once.', 'turns once'],
  ['Make the batter the night before.', 'ahead the night before'],
  ['It can be made a day ahead.', 'ahead a day ahead'],
  ['Makes 12.', 'pieces 12'],
  ['Serves 4.', 'serves 4'],
  ['Makes about 8 waffles, serves 4.', 'pieces 8, serves 4'],
  ['Cook until bubbles form, about 2 minutes, then flip and cook another minute.', 'firstSide 2 min, secondSide 1 min'],
  ['Three to four minutes, flip, then two.', 'firstSide 3.5 min, secondSide 2 min'],
  ['Two tablespoons of batter at a time.', 'portion 29.6 ml piece'],
  ['Brush the iron with melted butter.', 'panFat butter-unsalted greased'],
  ['Fold in the blueberries last.', 'moment folded blueberries'],
  ['The batter must stand for two hours, then strain it.', 'rest 120 min batter'],
  ['Let it rest while you heat the pan, some ten minutes.', 'rest 10 min batter'],
  ['My neighbour chills hers overnight, I leave mine for twenty minutes.', 'rest 20 min batter, remark: chill 720 min'],
  ['Leave the skillet off the heat for 5 minutes.', ''],
  ['Rest the dough an hour.', 'rest 60 min dough'],
  ['You can rest it for 30 minutes.', 'remark: rest 30 min batter'],
  ['There is no need to rest the batter for an hour.', 'remark: rest 60 min batter'],
  ['Pour in a third of a cup and swirl.', 'portion 78.9 ml piece'],
  ['Each one takes three tablespoons of batter.', 'portion 44.4 ml piece'],
  [
    'Fry on a hot griddle, 350 F, for 90 seconds per side.',
    'heat 177 C surface, firstSide 1.5 min, secondSide 1.5 min',
  ],
  ['Bake 12 to 15 minutes at 425.', 'heat 218 C oven, bake 13.5 min'],
  ['Hold them in a 90 C oven.', 'heat 90 C holding'],
  ['Whisk in the melted butter, then let it all stand for half an hour at room temperature.', 'rest 30 min batter'],
  ['Cook the first side 2 1/2 minutes and the second 1.', 'firstSide 2.5 min, secondSide 1 min'],
  ['Cool the batter in the refrigerator for one hour.', 'chill 60 min'],
  ['Feeds 6 hungry people.', 'serves 6'],
  ['Yield: 10 crepes', 'pieces 10'],
  ['Serve at once.', ''],
  ['Beat the whites till stiff but not dry.', 'whites firm'],
  ['Do not beat the whites stiff.', 'remark: whites firm'],
  ['Heat oil to 180 C.', 'heat 180 C surface'],
] as const)('%s', (notes, facts) => expect(told(notes)).toBe(facts));

test('a whole method: each fact once, what is told before what is asked, remarks last', () => {
  const notes =
    'Makes 12, serves 4.\nWhisk until smooth. Rest the batter for half an hour; my aunt rests hers overnight. Heat the griddle to 375 F. Grease it with a little butter. Ladle 1/4 cup of batter for each. Cook 3 minutes, turn once, and cook 2 more minutes. Keep warm at 90 C. Rest the batter for half an hour.';
  expect(told(notes)).toBe(
    'mix smooth, rest 30 min batter, heat 191 C surface, panFat butter-unsalted a little, portion 59.1 ml piece, turns once, heat 90 C holding, firstSide 3 min, secondSide 2 min, pieces 12, serves 4, remark: rest 720 min batter',
  );
  for (const f of factsTold(notes, FRESH_CONVENTIONS)) {
    expect(FACTS).toContain(f.fact);
    expect(TAKEN).toContain(f.taken);
    expect(notes).toContain(f.words);
  }
});
