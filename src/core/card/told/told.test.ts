/** What a method tells, fact by fact, and what of it is no act: what is denied, left to taste, or another's way. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../../pantry/conventions';
import { thirdOf } from '../../testing/share';
import { notesOn, readCard } from '../card';
import { FACTS, TAKEN } from './clause';
import { restDenied } from './rests';
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
  ['Fry two or three at a time.', 'load 3'],
  ['Do four at once, the griddle takes no more.', 'load 4'],
  [
    'Combine wet to dry, fold whites last. 130g per iron @ 200c 4.5min. Hold on racks 90c max 15.',
    'fold once, heat 200 C surface, heat 90 C holding, bake 4.5 min, asked: portion 130g piece',
  ],
  [
    '2oz portions, 375F flat top, 2:30/1:30.',
    'heat 191 C surface, firstSide 2.5 min, secondSide 1.5 min, asked: portion 2oz piece',
  ],
  ['80 ml/pc. 180 C.', 'portion 80 ml piece, heat 180 C surface'],
  ['Pour 75 ml each, 1min15 / 30s.', 'portion 75 ml piece, firstSide 1.3 min, secondSide 0.5 min'],
  ['Stick-blend, pass thru chinois, chill o/n.', 'mix blender, strain sieve batter, chill 720 min'],
  [
    'Fry 2 tbsp each in plenty of hot oil, 3 to 4 minutes a side.',
    'portion 29.6 ml piece, panFat oil-vegetable plenty of, firstSide 3.5 min, secondSide 3.5 min',
  ],
  ['Shallow fry in 1 cm of oil.', 'panFat oil-vegetable 1 cm of'],
  ['Fry tablespoonfuls in butter.', 'portion 14.8 ml piece, panFat butter-unsalted a little'],
  ['A level ice cream scoop (no. 16) each.', 'portion 59.1 ml piece'],
  ['Use a size 16 scoop.', 'portion 59.1 ml piece'],
  ['Dollop 3 tbsp mounds and cover with a lid.', 'portion 44.4 ml piece'],
  ['My pan takes two.', 'load 2'],
  ['Never more than five on the griddle.', 'load 5'],
  ['Add the eggs one at a time, then pour a quarter cup at a time.', 'portion 59.1 ml piece'],
  ['Whisk until smooth, then strain.', 'mix smooth, strain sieve batter'],
  ['Push it through a sieve if lumpy.', 'remark: strain sieve batter'],
  ['Steep the peel in the milk and strain.', ''],
  ['Lid down, four minutes, then thirty seconds past that.', 'bake 4.5 min'],
  ['Give the first side four minutes or, on a cold morning, thirty seconds past that.', 'firstSide 4 min'],
  ['Scald the cornmeal, leave it ten minutes, then the eggs.', 'rest 10 min wet'],
  ['Tablespoon per blin.', 'portion 14.8 ml piece'],
  ['Let it stand a quarter of an hour.', 'rest 15 min batter'],
  ['Leave the batter overnight in the fridge.', 'chill 720 min'],
  ['Chill it for at least an hour.', 'chill 60 min'],
  ['Let stand 20 to 30 minutes, covered.', 'rest 25 min batter'],
  ['Pour 60 ml, swirl, cook 1 minute, turn, 30 seconds.', 'portion 60 ml piece, firstSide 1 min, secondSide 0.5 min'],
  ['Pour in 60 ml, and whisk it smooth.', 'mix smooth'],
  ['Blend milk and flour until smooth and let it stand 20 minutes.', 'rest 20 min batter, mix smooth'],
  ['Give it half an hour on the counter under a cloth.', 'rest 30 min batter'],
  ['The batter wants a night in the fridge.', 'chill 720 min'],
  ['Set it aside until bubbly, around 40 minutes.', 'rest 40 min batter'],
  ['If you have time, let it sit for an hour.', 'remark: rest 60 min batter'],
  ['My gran let hers rest overnight but I never bother.', 'remark: rest 720 min batter'],
  ['Wait ten minutes before cooking.', 'rest 10 min batter'],
  ['Ruhen lassen: 30 Minuten.', 'rest 30 min batter'],
  ['Laisser reposer la pâte 1 heure.', 'rest 60 min batter'],
  ['Deja reposar la masa 20 minutos.', 'rest 20 min batter'],
  ['Keep them warm in a low oven, 90 C.', 'heat 90 C holding'],
  ['Wipe the griddle with a buttered paper.', 'panFat butter-unsalted wiped'],
  ['Spray the iron lightly.', 'panFat oil-vegetable sprayed'],
  ['Give the pan a swirl of oil and heat until shimmering.', 'panFat oil-vegetable a little'],
  ['Whisk whites until they hold stiff peaks and fold in gently.', 'whites firm, fold once'],
  ['Beat the egg whites to a soft foam, then fold them in in two goes.', 'whites soft'],
  ['Mix only until the flour disappears.', 'mix just'],
  ['Whisk hard until completely smooth and shiny.', 'mix smooth'],
  ['Press slices of banana into the wet side.', 'moment poured banana'],
  ['Fold the blueberries in at the very end.', 'moment folded blueberries'],
  ['Turn them a quarter every twenty seconds until round.', 'turns quarters'],
  ['Cook covered for 4 minutes on low, flip and 3 more.', 'dial low surface, firstSide 4 min, secondSide 3 min'],
  ['Let the butter brown for 5 minutes.', ''],
  ['Cook for around a minute and a half, then 45 seconds on the back.', 'firstSide 1.5 min, secondSide 0.8 min'],
  ['Fry on both sides, 2 minutes each.', 'firstSide 2 min, secondSide 2 min'],
  ['Cook each waffle for about 4 minutes.', 'bake 4 min'],
  ['Waffles take 4 to 5 minutes.', 'bake 4.5 min'],
  ['Use a non-stick pan, no fat needed.', 'panFat none dry'],
  ['Keep warm at 200 F while you cook the rest at 375.', 'heat 93 C holding, heat 191 C surface'],
  ['Stir a third of the whites in, then fold in the rest.', 'fold thirds'],
  ['Whip the cream to soft peaks for serving.', ''],
  ['Dot with raisins before you turn it.', 'moment turned raisins'],
  ['Top with sliced strawberries.', 'moment topped strawberries'],
  ['It keeps two days in the fridge.', ''],
  ['Cook three minutes, then about two on the other side.', 'firstSide 3 min, secondSide 2 min'],
  ['Cook 3 minutes, then turn and give the other side two.', 'firstSide 3 min, secondSide 2 min'],
  ['Cook 3 minutes on one side and 2 on the other.', 'firstSide 3 min, secondSide 2 min'],
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
  // what is made by volume, given each, or another amount of: no count
  ['Makes about 1.2 litres.', ''],
  ['Serve two each.', ''],
  ['Half this for two people.', ''],
  ['Close and cook 4 1/2 min.', 'bake 4.5 min'],
  ['Cover with foil for the first 10 minutes.', ''],
  ['Rest between batches so the griddle recovers, one minute.', ''],
  // a spoon that measures nothing, and time that is no batter's
  ['The batter should coat the back of a spoon.', ''],
  ['Let it sit while the iron heats, ten minutes or so.', 'rest 10 min batter'],
  ['Allow 45 minutes from start to finish.', ''],
  ['It takes me half an hour from cupboard to table.', ''],
  ['Lower to 350 and finish 12 minutes.', 'heat 177 C surface, asked: bake 12 min'],
  // how long it may keep is asked; one of two ways is told
  ['Cover and refrigerate for up to 24 hours.', 'asked: chill 1440 min'],
  ['Refrigerate at least 2 hours, up to 24.', 'chill 120 min'],
  ['Overnight in the fridge is best, but an hour on the counter will do.', 'chill 720 min, asked: rest 60 min batter'],
  [
    'Divide between 12 muffin tins, filling each two thirds.',
    'pieces 12, asked: portion filling each two thirds piece',
  ],
  ['Scoop: #16.', 'portion 59.1 ml piece'],
  ['Make them as big as your hand.', 'asked: portion as big as your hand piece'],
  ['Yields: 1 litre of batter, 16 pieces of 60 ml.', 'portion 60 ml piece, pieces 16'],
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
  ['Wipe the griddle with a cloth dipped in oil.', 'panFat oil-vegetable wiped'],
  ['Cook in bacon fat.', 'panFat tallow greased'],
  ['Butter the pan.', 'panFat butter-unsalted greased'],
  ['Cook in a dry pan.', 'panFat none dry'],
  ['Brush the iron with melted butter.', 'panFat butter-unsalted brushed'],
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
  // two sides by a stroke, and a half minute by its signs
  ['Griddle 375, 2½/1½.', 'heat 191 C surface, firstSide 2.5 min, secondSide 1.5 min'],
  ['Griddle 375. 2 + 1.', 'heat 191 C surface, firstSide 2 min, secondSide 1 min'],
  ['Griddle 190C, 2/1 min.', 'heat 190 C surface, firstSide 2 min, secondSide 1 min'],
  ["Griddle 190C, 2'/1'30\".", 'heat 190 C surface, firstSide 2 min, secondSide 1.5 min'],
  ['Iron hot, 1/2 min.', 'bake 0.5 min'],
  // what a piece weighs
  ['Eisen Stufe 4, 100 g, 4 Min.', 'dial 4 surface, bake 4 min, asked: portion 100 g piece'],
  ['Drop 70 g, 190C.', 'heat 190 C surface, asked: portion 70 g piece'],
  ['Divide into 8 balls of 45 g.', 'pieces 8, asked: portion 45 g piece'],
  ['#8 scoop (half full).', 'portion 59.1 ml piece'],
  // a long sentence without a sign is parted before its measure, and not within
  [
    'Then I heat a lightly oiled griddle over medium high and scoop on about a quarter of a cup each.',
    'dial medium high surface, panFat oil-vegetable lightly, portion 59.1 ml piece',
  ],
  // how far a piece is turned is no heat
  ['Give each a 90° turn.', ''],
  ['Verquirlen, halbe Stunde stehen lassen.', 'rest 30 min batter'],
  ['Jeweils 2 große EL Teig.', 'asked: portion 45 ml piece'],
  [
    'Se deja reposar veinte minutos y se hacen en una sartén con un poco de mantequilla.',
    'rest 20 min batter, panFat butter-unsalted a little',
  ],
  ['Portion #20.', 'portion 47.3 ml piece'],
  ['350°, 3 min a side.', 'heat 177 C surface, firstSide 3 min, secondSide 3 min'],
  ['1/4 c, 350°. Keep 200° oven.', 'portion 59.1 ml piece, heat 177 C surface, heat 93 C holding'],
  ['Bake, 180°C fan.', 'heat 180 C oven'],
  ['for 10 guests @ 3 pancakes', 'pieces 30'],
  ['Boules de 100 g. Gaufrier moyen, 4 minutes.', 'bake 4 min, asked: portion 100 g piece'],
  ['Teaspoonfuls in a barely oiled pan.', 'portion 4.9 ml piece, panFat oil-vegetable lightly'],
  ['Cast iron skillet at 425 F. Pour, bake 20.', 'heat 218 C oven, bake 20 min'],
  ['Disher no. 12. 290 ct.', 'portion 78.9 ml piece, pieces 290'],
  ['450F, pan in.', 'heat 232 C oven'],
  ['12 portions (3 ea)', 'pieces 36, serves 12'],
  ['Make for 3.2 kg flour', ''],
  // a point behind a short word ends a sentence too, also where all is written small
  ['5 min. let stand on a rack 1 min. makes 6.', 'rest 1 min piece, pieces 6'],
  [
    'iron at setting 4. 2-3 min, flip, 1-2 min. serves 1.',
    'dial 4 surface, firstSide 2.5 min, secondSide 1.5 min, serves 1',
  ],
  [
    'preheat oven to 220c. put 40 g butter in a skillet, 5 min in oven. pour batter, bake 18-20 min.',
    'heat 220 C oven, panFat butter-unsalted 40 g, bake 19 min',
  ],
  // how long nobody looks is no end of a bake
  ["Don't open the oven for the first 15 minutes.", ''],
  ['The oven stays shut for the first 15 minutes.', ''],
  ["Close the lid and don't peek for five minutes.", 'bake 5 min'],
  ['Half-fill a quarter-cup measure for the small ones.', 'portion 29.6 ml piece'],
  ['Three quarters of a ladle, swirled thin.', 'asked: portion three quarters of a ladle piece'],
  ['Use a third-cup measure, filled to the brim.', 'portion 78.9 ml piece'],
  ['Enough to coat the base of a 24 cm pan, roughly 70 ml.', 'portion 70 ml piece'],
  ['Two minutes, flip, barely one on the other.', 'firstSide 2 min, secondSide 1 min'],
  ['Bake in the middle of the oven, 200 fan, 25 min.', 'heat 200 C oven, bake 25 min'],
  ['Medium for the first, lower for the rest.', 'dial medium surface'],
  ['No grease at all on mine.', 'panFat none dry'],
  ['Pass it through a sieve if you see lumps.', 'remark: strain sieve batter'],
  ['Bake 15 mins, turn the tray, 5 more.', 'bake 20 min'],
  ['A minute each way.', 'firstSide 1 min, secondSide 1 min'],
  ['Hob at 6 (of 9).', 'dial 6 surface'],
  ['Heat: 7/10.', 'dial 7 surface'],
  ['Iron on full.', 'dial high surface'],
  ['Dry-fry.', 'panFat none dry'],
  ['Makes 4 servings.', 'serves 4'],
  ['Fill moulds 2/3.', 'asked: portion fill moulds 2/3 piece'],
  // what is mostly done stands, what is done without haste is a remark
  [
    "I let it go an hour if I'm not rushing, but mostly it's ten minutes",
    'asked: rest 10 min batter, remark: rest 60 min batter',
  ],
  ["I use the blue ladle, that's a hundred mil near enough", 'portion 100 ml piece'],
  ["each one's about the size of a saucer, so twelve, thirteen centimetres", ''],
  ['fill it up to about a finger from the top', 'asked: portion to about a finger from the top piece'],
  ['I have mine on six, it goes to nine', 'dial 6 surface'],
  ['I can get five on the big pan', 'load 5'],
  // what takes two days is no bake
  ['Sourdough rounds, two days. Bake at 200 C in the oven until golden.', 'heat 200 C oven'],
  ['Serves 4.', 'serves 4'],
  ['Makes about 8 waffles, serves 4.', 'pieces 8, serves 4'],
  ['Cook until bubbles form, about 2 minutes, then flip and cook another minute.', 'firstSide 2 min, secondSide 1 min'],
  ['Three to four minutes, flip, then two.', 'firstSide 3.5 min, secondSide 2 min'],
  ['Two tablespoons of batter at a time.', 'portion 29.6 ml piece'],
  ['Brush the iron with melted butter.', 'panFat butter-unsalted brushed'],
  ['Fold in the blueberries last.', 'moment folded blueberries'],
  ['The batter must stand for two hours, then strain it.', 'rest 120 min batter, strain sieve batter'],
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
  ['First side’s about a minute fifty, second’s a minute ten.', 'firstSide 1.8 min, secondSide 1.2 min'],
  ['Cook 1 minute 50 seconds, turn, 40 seconds more.', 'firstSide 1.8 min, secondSide 0.7 min'],
  [
    'Medium heat, 60 ml each, 2 + 1 min.',
    'dial medium surface, portion 60 ml piece, firstSide 2 min, secondSide 1 min',
  ],
  [
    'Butter? No, ghee, a teaspoon, every second one.',
    'panFat butter-clarified greased, remark: panFat butter-unsalted greased',
  ],
  ['Your uncle eats five of them.', ''],
  ['Does six, two apiece.', ''],
  ['Whites to soft peaks with the sugar in three lots.', 'whites soft'],
  ['Stands two minutes and sinks.', 'rest 2 min piece'],
  ['Spread with the T in two turns.', ''],
  ['Forty of them, for eight as a starter.', 'pieces 40, serves 8'],
  ['Keep in a 90°C oven up to 20 minutes.', 'heat 90 C holding'],
  ['Wet: 260 g oat drink, 20 g maple syrup, 15 g rapeseed oil.', ''],
  ['Over a middling fire.', 'dial medium surface'],
  ['Beat the whites till stiff but not dry.', 'whites firm'],
  ['Do not beat the whites stiff.', 'remark: whites firm'],
  ['Heat oil to 180 C.', 'heat 180 C surface'],
  ['Rest 10 min.', 'rest 10 min batter'],
  ['Cover and let rest in the refrigerator for at least 30 minutes or overnight.', 'chill 30 min'],
  ['Let the mixture sit for 5 minutes while the pan heats.', 'rest 5 min batter'],
  ['Refrigerate overnight.', 'chill 720 min'],
  ['Stir until just moistened; the batter should be lumpy.', 'mix just'],
  ['Beat the egg whites until they hold stiff peaks and fold them in.', 'whites firm, fold once'],
  [
    'Heat a griddle over medium heat and grease lightly with butter.',
    'dial medium surface, panFat butter-unsalted greased',
  ],
  [
    'Heat a nonstick pan over medium-low. Add a little oil.',
    'dial medium low surface, asked: panFat oil-vegetable greased',
  ],
  ['Pour about 1/4 cup for each pancake.', 'portion 59.1 ml piece'],
  ['Pour 3 tablespoons of batter into the center of the pan.', 'portion 44.4 ml piece'],
  ['Using a 1/3 cup measure, pour batter onto the griddle.', 'portion 78.9 ml piece'],
  ['Cook until the edges are dry and bubbles form, 2 to 3 minutes.', 'firstSide 2.5 min'],
  ['Flip and cook 1-2 minutes more.', 'secondSide 1.5 min'],
  ['Cook until golden, about 1 minute per side.', 'firstSide 1 min, secondSide 1 min'],
  ['Bake in a preheated waffle iron until steam stops, about 5 minutes.', 'bake 5 min'],
  ['Bake at 425°F for 18 to 20 minutes.', 'heat 218 C oven, bake 19 min'],
  ['Preheat oven to 200F to keep pancakes warm.', 'heat 93 C holding'],
  ['Serves 4-6.', 'serves 6'],
  ['Makes about 16 three-inch pancakes.', 'width 7.6 cm piece, pieces 16'],
  ['Yields 8 waffles.', 'pieces 8'],
  ['Enough for two.', 'serves 2'],
  ['Grease the griddle again between batches.', 'asked: panFat any greased'],
  ['Brush the iron with oil.', 'panFat oil-vegetable brushed'],
  ['Fry in 2 tablespoons of bacon fat.', 'panFat tallow 2 tablespoons of'],
  ['Cook in butter, a teaspoon for each crepe.', 'panFat butter-unsalted greased'],
  ['Use no fat on a nonstick pan.', 'panFat none dry'],
  ['Spray the pan with cooking spray.', 'panFat oil-vegetable sprayed'],
  ['The batter can be kept in the fridge for a day.', 'remark: chill 1440 min'],
  ['You may rest it an hour but I never do.', 'remark: rest 60 min batter'],
  ['Some cooks let the batter rest an hour; I cook it at once.', 'remark: rest 60 min batter'],
  ['Let rise until doubled, about 1 hour.', 'rest 60 min batter'],
  ['Leave to rise in a warm place for 45 minutes.', 'rest 45 min batter'],
  ['Let the yeast stand in the warm milk for 10 minutes.', 'rest 10 min wet'],
  ['Soak the oats for 20 minutes first.', 'rest 20 min wet'],
  ['Warm the milk to lukewarm, 110 F.', 'heat 43 C milk'],
  ['Let the melted butter cool 5 minutes.', 'rest 5 min butter'],
  ['Leave the crepes on a rack for a minute.', 'rest 1 min piece'],
  ['Scatter a few blueberries on each before turning.', 'moment turned blueberries'],
  ['Turn after two minutes, one minute more.', 'firstSide 2 min, secondSide 1 min'],
  ['Give each side a minute and a half.', 'firstSide 1.5 min, secondSide 1.5 min'],
  ['Two minutes the first side, one the second.', 'firstSide 2 min, secondSide 1 min'],
  ['Make 15 cm crepes.', 'width 15 cm piece'],
  ['Spread to a 5-inch circle.', 'width 12.7 cm piece'],
  ['Use a number 20 scoop.', 'portion 47.3 ml piece'],
  ['I use half a ladle of batter.', 'asked: portion half a ladle piece'],
  ['Whisk till there are no lumps.', 'mix smooth'],
  ['Make it the night before and leave it in a cool place.', 'ahead the night before'],
  ['Turn them only once, never press.', 'turns once'],
  ['Cook at 190.', 'heat 190 C surface'],
  ['Set the griddle at 350.', 'heat 177 C surface'],
  ['Set the dial to 6.', 'dial 6 surface'],
  ['Cuando salgan burbujas damos la vuelta, 1 minuto más.', 'secondSide 1 min'],
  ['Turn when bubbles show, a minute more.', 'secondSide 1 min'],
  ['Turn when bubbles show, about a minute.', 'firstSide 1 min'],
  ['COOK TIME 20 mins\nKeep warm in a 200 F oven.', 'heat 93 C holding'],
  ['Half a cup in the middle, close it and leave it about four minutes.', 'portion 118.3 ml piece, bake 4 min'],
  ['Oven at 450. Batter in, 15 minutes at 450 then 5 more at 325.', 'heat 232 C oven, bake 20 min'],
  ['Blend it for thirty seconds and let it sit twenty.', 'rest 20 min batter, mix blender'],
  ['Moderate oven, 25 minutes.', 'bake 25 min'],
  ['Cast iron pan, hot. Pour. Three minutes of quiet.', 'asked: firstSide 3 min'],
  ['Griddle 190. They lie there four minutes or so.', 'heat 190 C surface, asked: firstSide 4 min'],
  ['Gas mark 6 for half an hour.', 'heat 205 C oven, bake 30 min'],
  // in the other languages: denied, left to taste, another's way, and what is of something else
  ['Batir hasta que no queden grumos.', 'mix smooth'],
  ['Batir las claras a punto de nieve suave.', 'whites soft'],
  ['Butter schmelzen und 5 Minuten abkühlen lassen.', 'rest 5 min butter'],
  ['Certains laissent reposer une heure.', 'remark: rest 60 min batter'],
  ['Cocer cada gofre 4 minutos.', 'bake 4 min'],
  ['Cocinar sin grasa.', 'panFat none dry'],
  ['Cocinar tres tortitas a la vez.', 'load 3'],
  ['Colar la masa.', 'strain sieve batter'],
  ['Cuire chaque gaufre 4 minutes.', 'bake 4 min'],
  ['Cuire par trois à la fois.', 'load 3'],
  ['Cuire sans matière grasse.', 'panFat none dry'],
  ['Cuire trois crêpes à la fois.', 'load 3'],
  ['Den Teig durch ein Sieb gießen.', 'strain sieve batter'],
  ['Den Teig nicht ruhen lassen.', ''],
  ['Der Teig braucht keine Ruhezeit.', ''],
  ['Der Teig muss nicht ruhen.', ''],
  ['Derretir la mantequilla y dejarla templar 5 minutos.', 'rest 5 min butter'],
  ['Die Eier trennen, das Eiweiß nicht zu steif schlagen.', 'whites soft'],
  ['Die Hefe in der lauwarmen Milch 10 Minuten gehen lassen.', 'rest 10 min wet'],
  ['Disolver la levadura en la leche tibia y esperar 10 minutos.', 'rest 10 min wet'],
  ['Déposer 2 c. à soupe de pâte par blini.', 'portion 30 ml piece'],
  ['Ein Drittel des Eischnees einrühren, den Rest unterheben.', 'fold thirds'],
  ['Eiweiß halbsteif schlagen.', 'whites soft'],
  ['Facultatif : monter les blancs en neige.', 'remark: whites firm'],
  ['Faire fondre le beurre et le laisser tiédir 5 minutes.', 'rest 5 min butter'],
  ['Faire tremper les raisins 20 minutes dans le rhum.', ''],
  ['Falls der Teig zu dick ist, etwas Milch zugeben.', ''],
  ['Fladen von 10 cm Durchmesser backen.', 'width 10 cm piece'],
  ['Former des galettes de 10 cm de diamètre.', 'width 10 cm piece'],
  ['Fouetter les blancs en neige souple.', 'whites soft'],
  ['Haferflocken in der Milch 15 Minuten quellen lassen.', 'rest 15 min wet'],
  ['Hay quien la deja reposar una hora.', 'remark: rest 60 min batter'],
  ['Hidratar la avena en la leche 15 minutos.', 'rest 15 min wet'],
  ['Immer drei auf einmal backen.', 'load 3'],
  ['Immer zwei bis drei gleichzeitig backen.', 'load 3'],
  ['Inutile de laisser reposer la pâte.', ''],
  ['Keine Butter in die Pfanne.', 'panFat none dry'],
  ['La masa no necesita reposo.', ''],
  ["La pâte n'a pas besoin de repos.", ''],
  ["Laisser gonfler les flocons d'avoine 15 minutes dans le lait.", 'rest 15 min wet'],
  ['Ma grand-mère la laissait reposer toute la nuit, moi non.', 'remark: rest 720 min batter'],
  ['Man kann den Teig auch über Nacht in den Kühlschrank stellen.', 'remark: chill 720 min'],
  ['Manche lassen den Teig eine Stunde ruhen.', 'remark: rest 60 min batter'],
  ['Meine Oma lässt ihn eine Stunde stehen, ich nicht.', ''],
  ['Mi abuela la dejaba reposar una hora, yo no.', 'remark: rest 60 min batter'],
  ['Nach Belieben 10 Minuten ruhen lassen.', 'remark: rest 10 min batter'],
  ['Ne jamais cuire au beurre.', 'remark: panFat butter-unsalted greased'],
  ['Ne pas laisser reposer.', ''],
  ['Ne pas trop mélanger, il doit rester des grumeaux.', 'mix just'],
  ['Nicht zu lange rühren, Klümpchen dürfen bleiben.', 'mix just'],
  ['Niemals in Butter braten.', 'remark: panFat butter-unsalted greased'],
  ['No batir demasiado, pueden quedar grumos.', 'mix just'],
  ['No dejes reposar la masa.', ''],
  ['No hace falta dejar reposar la masa.', ''],
  ['Nunca freír en aceite.', 'remark: panFat oil-vegetable greased'],
  ['Nur einmal wenden.', 'turns once'],
  ['Ohne Fett ausbacken.', 'panFat none dry'],
  ['On peut laisser reposer la pâte 30 minutes.', 'remark: rest 30 min batter'],
  ['Opcional: montar las claras a punto de nieve.', 'remark: whites firm'],
  ['Optional: Eiweiß steif schlagen und unterheben.', 'remark: whites firm, remark: fold once'],
  ['Passer la pâte au tamis.', 'strain sieve batter'],
  ['Reicht für 4 Personen.', 'serves 4'],
  ['Reicht für 8 Waffeln.', 'pieces 8'],
  ['Rosinen 20 Minuten in Rum einweichen.', ''],
  ['Rühren, bis keine Klümpchen mehr da sind.', 'mix smooth'],
  ['Sans repos, cuire aussitôt.', ''],
  ['Se puede dejar reposar toda la noche en la nevera.', 'remark: chill 720 min'],
  ['Si tienes tiempo, deja reposar 30 minutos.', 'remark: rest 30 min batter'],
  ['Si vous avez le temps, laissez reposer 1 heure.', 'remark: rest 60 min batter'],
  ['Sin reposo, a la sartén.', ''],
  ['Soak the raisins 20 minutes in rum.', ''],
  ['Tapar y dejar levar 45 minutos en un lugar cálido.', 'rest 45 min batter'],
  ['Wenn Zeit ist, den Teig 20 Minuten ruhen lassen.', 'remark: rest 20 min batter'],
  ['Wer mag, lässt den Teig 30 Minuten ruhen.', 'remark: rest 30 min batter'],
  ['Backofen auf 180 °C Umluft vorheizen.', 'heat 180 C oven'],
  ['Teig dünn verteilen und 1-2 Minuten backen.', 'firstSide 1.5 min'],
  ['Pfanne ohne Fett erhitzen.', 'panFat none dry'],
  ['In einer beschichteten Pfanne ohne Öl ausbacken.', 'panFat none dry'],
  ['Das Eisen nach jeder Waffel neu einfetten.', 'asked: panFat any greased'],
  ['Die Waffeln 3-4 Min. goldbraun backen.', 'bake 3.5 min'],
  ['Pro Waffel 2 EL Teig in die Mitte geben.', 'portion 30 ml piece'],
  ['Mettre au frais 1 heure.', 'chill 60 min'],
  ["Réserver au chaud sous une feuille d'aluminium.", ''],
  ['Fouetter pour éviter les grumeaux.', 'mix smooth'],
  ['Cocer 3 o 4 minutos hasta que estén doradas.', 'firstSide 3.5 min'],
  ['Extender la masa en una capa fina.', ''],
  ['Una vez hechas, mantener en el horno a 90 grados.', 'heat 90 C holding'],
  ['Stell den Teig für eine Stunde in den Kühlschrank.', 'chill 60 min'],
  ['Stellen Sie den Teig über Nacht kalt.', 'chill 720 min'],
  ['Schlag das Eiweiß steif und heb es unter.', 'whites firm, fold once'],
  ['Heben Sie den Eischnee vorsichtig unter den Teig.', 'whites firm, fold once'],
  ['Erhitzen Sie die Pfanne auf mittlere Hitze.', 'dial medium surface'],
  ['Der Teig ruht 20 Minuten.', 'rest 20 min batter'],
  ['Bei 200 °C (Umluft 180 °C) ca. 20 Min. backen.', 'heat 200 C oven, bake 20 min'],
  ['Menge: ca. 12 Pfannkuchen', 'pieces 12'],
  ['Retournez au bout de 2 minutes et poursuivez la cuisson 1 minute.', 'firstSide 2 min, secondSide 1 min'],
  ['Nombre de parts : 6', 'serves 6'],
  ['Quantité : 8 gaufres', 'pieces 8'],
  ['Deja que la masa repose media hora.', 'rest 30 min batter'],
  ['Hacemos los gofres unos 4 minutos.', 'bake 4 min'],
  ['Dales la vuelta a los 2 minutos y cocina 1 minuto más.', 'firstSide 2 min, secondSide 1 min'],
  ['Cantidad: 8 gofres', 'pieces 8'],
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

test('a batter that is not rested is told so, and nothing else that does not stand or goes in at once', () => {
  const denied = [
    'Others rest theirs, mine goes straight on.',
    'No need to rest it.',
    'Don’t let it stand.',
    'Do not let the batter rest.',
    'Use at once.',
    'Pour the batter straight away.',
  ];
  const not = [
    'Rest it twenty minutes.',
    'Do not let the butter stand.',
    'Don’t leave it on the heat.',
    'Serve at once.',
    'Turn them immediately.',
    'The rest goes in at once.',
    'You can use it straight away or chill it overnight.',
    'Add the milk all at once and whisk.',
    'Pour six at once.',
    'Cook four at once.',
    'Do not leave the whites standing.',
  ];
  expect(denied.filter((s) => restDenied(s) === null)).toEqual([]);
  expect(not.filter((s) => restDenied(s) !== null)).toEqual([]);
});

/** A sentence, and the facts that it tells. */
const READ = readFileSync(join(__dirname, '../corpus/methods.tsv'), 'utf8')
  .split('\n')
  .filter((row) => row.trim() !== '' && !row.startsWith('#'))
  .map((row) => row.split('\t') as [text: string, facts?: string]);
const SLACK: Partial<Record<string, number>> = { heat: 1 };
/** Facts that a sentence was to tell and did not, and those that it told besides. */
function apart([text, facts = '']: readonly [string, string?]): readonly string[] {
  const all = factsTold(text, FRESH_CONVENTIONS);
  const got = all.filter((f) => f.taken === 'told');
  const wanted = facts.split('; ').filter(Boolean);
  const is = (f: (typeof all)[0], want: string): boolean => {
    const [, fact = '', value = '', of] = /^(\w+)=(.+?)(?: of ([\w-]+))?$/.exec(want) ?? [];
    if (f.fact !== fact || (of !== undefined && fact !== 'panFat' && f.of !== of)) return false;
    const n = Number(value);
    return typeof f.value === 'number' ? Math.abs(f.value - n) <= (SLACK[fact] ?? 0.15) : f.value === value;
  };
  return [
    ...wanted.filter((w) =>
      w.includes('=asked')
        ? !all.some((f) => f.taken === 'asked' && f.fact === w.split('=')[0])
        : !got.some((f) => is(f, w)),
    ),
    ...got.filter((f) => !wanted.some((w) => is(f, w))).map((f) => `told besides: ${f.fact}=${f.value}`),
  ];
}
test('each sentence of a method tells its facts, and no other', () => {
  expect(READ.length).toBeGreaterThan(280);
  expect(READ.map((row) => [row[0], apart(row)]).filter(([, a]) => a?.length)).toEqual([]);
});

/** Cards with what their lines are of and what their methods tell, as `corpus/told-cards.txt` has them. */
const CARDS = readFileSync(join(__dirname, '../corpus/told-cards.txt'), 'utf8')
  .split('====\n')
  .slice(1)
  .map((card) => {
    const [text = '', told = ''] = card.split('\n---\n');
    const [things = '', facts = ''] = told.split('\n');
    return { text, things, facts };
  });
test.each(CARDS.map((c) => [c.text.split('\n')[0]?.slice(0, 60) ?? '', c] as const))(
  'a whole card, its lines and its method: %s',
  (_, { text, things, facts }) => {
    const card = readCard(text, FRESH_CONVENTIONS);
    if (!card.ok) throw new Error(card.error.message);
    const { lines } = card.value;
    expect(lines.map((l) => `${l.ingredient?.id ?? ''}${l.status === 'read' ? '' : '?'}`).join(' ')).toBe(things);
    const notes = notesOn(card.value);
    const told = factsTold(notes, FRESH_CONVENTIONS).filter((f) => f.taken === 'told');
    // each is quoted as it was said
    expect(told.map((f) => f.words).filter((words) => !notes.includes(words))).toEqual([]);
    const said = told.map(({ fact, value, of }) => {
      const number = typeof value === 'number' ? String(Number(value.toFixed(2))) : value;
      return `${fact}=${number}${of && fact !== 'panFat' ? ` of ${of}` : ''}`;
    });
    expect(said.sort()).toEqual(facts.split('; ').sort());
  },
);

/** Cards written before they were read and never mended by: what the reading is worth for a card of a new hand. */
const LOCKED = readFileSync(join(__dirname, '../corpus/told-locked.txt'), 'utf8')
  .split('====\n')
  .slice(1)
  .map((card) => {
    const [text = '', facts = ''] = card.split('\n---\n');
    return { text, wanted: facts.trim().split('; ') };
  });
/** Facts of the locked cards: right; asked; told otherwise or besides; not found. */
function ofLocked(): Readonly<Record<'right' | 'asked' | 'wrong' | 'missed', readonly string[]>> {
  const out = { right: [] as string[], asked: [] as string[], wrong: [] as string[], missed: [] as string[] };
  for (const { text, wanted } of LOCKED) {
    const card = readCard(text, FRESH_CONVENTIONS);
    const left = card.ok ? factsTold(notesOn(card.value), FRESH_CONVENTIONS).filter((f) => f.taken !== 'remark') : [];
    const name = text.slice(0, 20);
    for (const want of wanted) {
      const [, fact = '', value = '', of] = /^(\w+)=(.*?)(?: of ([\w-]+))?$/.exec(want) ?? [];
      const n = left.findIndex(
        (f) =>
          f.fact === fact &&
          (f.taken === 'asked' ||
            ((of === undefined || f.of === of || f.of === null) &&
              (typeof f.value === 'number'
                ? Math.abs(f.value - Number(value)) <= Math.max(0.02 * f.value, 0.01)
                : fact === 'ahead' || f.value === value))),
      );
      const [found] = n < 0 ? [] : left.splice(n, 1);
      (found === undefined ? out.missed : found.taken === 'asked' ? out.asked : out.right).push(`${name}: ${want}`);
    }
    out.wrong.push(...left.filter((f) => f.taken === 'told').map((f) => `${name}: ${f.fact}=${f.value} of ${f.of}`));
  }
  return out;
}
const OF_LOCKED = ofLocked();
const TOLD_IN_ALL = LOCKED.flatMap((c) => c.wanted).length;
const counted = (of: readonly string[]): string => `${of.length} (${Math.round((100 * of.length) / TOLD_IN_ALL)} %)`;
test(`of ${TOLD_IN_ALL} facts on ${LOCKED.length} locked cards ${counted(OF_LOCKED.right)} right, ${counted(OF_LOCKED.asked)} asked, ${counted(OF_LOCKED.missed)} missed, ${counted(OF_LOCKED.wrong)} taken wrongly`, () => {
  // a third of the hundred and twenty that are asked of the corpus, and a floor under what they show today
  expect(LOCKED.length).toBeGreaterThanOrEqual(40);
  expect(OF_LOCKED.right.length / TOLD_IN_ALL).toBeGreaterThan(0.78);
  expect(OF_LOCKED.wrong.length / TOLD_IN_ALL).toBeLessThan(0.03);
});

/**
 * A sentence tells the same alone and behind a list. What rests is told by what is in the bowl, and what is folded by
 * what was whipped, so these two are left out.
 */
const BESIDE: Readonly<Record<string, (sentence: string) => string>> = {
  paragraph: (x) => `Weir cakes. 250 g flour, 10 g baking powder, 3 eggs, 400 ml milk, 4 g salt. ${x}`,
  talk: (x) => `So I take two cups of flour, a tablespoon of sugar, two eggs and a cup and a half of milk. ${x}`,
};
test.each(Object.entries(BESIDE))('what a sentence tells, it tells behind what goes in: %s', (_, beside) => {
  const facts = (notes: string): readonly string[] =>
    factsTold(notes, FRESH_CONVENTIONS)
      .filter((f) => f.taken === 'told' && f.fact !== 'fold' && f.fact !== 'rest')
      .map((f) => `${f.fact} ${f.value}`);
  const lost = thirdOf(READ).flatMap(([text]) => {
    const card = readCard(beside(text), FRESH_CONVENTIONS);
    const there = card.ok ? facts(notesOn(card.value)) : [];
    return facts(text)
      .filter((f) => !there.includes(f))
      .map((f) => `${text} ${f}`);
  });
  expect(lost).toEqual([]);
});

test.each([
  'Steam the potato until soft, 12 minutes; mash.',
  'Steam potato until soft, 12 minutes; mash.',
  'Caramelise the apples 5 minutes.',
  'Microwave the potato 6 minutes.',
  'Reduce the syrup 8 minutes.',
  'Kartoffeln 20 Minuten kochen.',
  'Äpfel 5 Minuten dünsten.',
  'Cuire les pommes 10 minutes.',
  'Cocer las manzanas 10 minutos.',
  'Author: R.   Prep Time: 10 mins   Cook Time: 20 mins',
  'Arbeitszeit ca. 10 Minuten',
  'Koch-/Backzeit ca. 20 Minuten',
])('what is cooked for the batter, and how long the whole takes, is no bake, side or rest: %s', (said) => {
  expect(factsTold(said, FRESH_CONVENTIONS)).toEqual([]);
});
