/**
 * Causes of what is seen on a piece, as a table: mark, weight, what the batch's numbers say of it, one change to try,
 * and the kinds it is of. To add a cause is to add a row.
 */
import type { Mark } from '../batch/came-out';
import type { KindId } from '../formula/kinds';
import {
  acidLeft,
  asked,
  bits,
  bothSay,
  coldBatter,
  egg,
  evidenceHolds,
  FOR,
  heat,
  heldLong,
  type Judged,
  largePortion,
  longRest,
  overMixed,
  panFat,
  pour,
  powder,
  puree,
  rail,
  type Says,
  SILENT,
  shortRest,
  side,
  sodaLeft,
  turned,
} from './evidence';

const GREENS = ['blueberries', 'walnuts', 'walnuts-ground', 'sunflower-seeds'];
const MELTED = ['butter-unsalted', 'butter-salted', 'butter-clarified', 'oil-coconut'];
const STRONG_FLOURS = ['flour-bread', 'flour-whole-wheat', 'flour-white-whole-wheat'];

interface CauseRow {
  readonly mark: Mark;
  readonly weight: number;
  readonly cause: string;
  readonly says: (j: Judged) => Says;
  /** One change for next time. */
  readonly change: string;
  /** The wish of the Bench that does it, where one does. */
  readonly move?: string;
  /** Left out: any kind the mark occurs on. */
  readonly kinds?: readonly KindId[];
}

type More = Pick<CauseRow, 'move' | 'kinds'>;
const row = (
  mark: Mark,
  weight: number,
  cause: string,
  says: CauseRow['says'],
  change: string,
  more: More = {},
): CauseRow => ({
  mark,
  weight,
  cause,
  says,
  change,
  ...more,
});

const CAKES: readonly KindId[] = ['griddle', 'small', 'foam', 'ball'];
const IRON: readonly KindId[] = ['waffle'];
const PAN: readonly KindId[] = ['crepe'];
const OVEN: readonly KindId[] = ['oven'];
const TURNED: readonly KindId[] = [...CAKES, 'crepe'];
const OPENED = 'The door, or the lid, stays shut until the steam has all but stopped.';
const WARMER = 'What is cold an hour on the counter first, as far as the local food code lets.';
const LESS_HEAT = 'Less heat, and longer.';
const REST_TEN = 'Ten minutes of rest, covered.';
const REST_LONG = 'Half an hour of rest, covered and cold.';

/** To add a cause is to add a row. */
export const CAUSES: readonly CauseRow[] = [
  row('tough', 0.35, 'Mixed too far', overMixed, 'Stop as soon as the dry streaks are gone; lumps are fine.', {
    kinds: [...CAKES, 'waffle'],
  }),
  row('tough', 0.25, 'Too little fat', rail('fat', 'low'), 'More fat.', { move: 'tender' }),
  row('tough', 0.15, 'No rest', shortRest, REST_TEN),
  row('tough', 0.12, 'Too little sugar', rail('sugar', 'low'), 'A little more sugar.', { move: 'tender' }),
  row(
    'tough',
    0.1,
    'Strong flour',
    evidenceHolds(STRONG_FLOURS, 'a flour of much gluten'),
    'A softer flour, or some starch for a tenth of it.',
  ),
  row('tough', 0.1, 'Much egg', rail('egg', 'high'), 'Less egg.'),
  row('tough', 0.15, 'Too long on the heat', side('second', 'long'), 'Take it off as soon as its cue is there.', {
    kinds: ['crepe', 'oven'],
  }),

  row('gummy', 0.25, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('gummy', 0.2, 'Too hot: brown before it was set', heat('hot'), LESS_HEAT),
  row('gummy', 0.2, 'Taken off early', side('second', 'short'), 'Wait until it springs back.', { kinds: TURNED }),
  row('gummy', 0.2, 'Taken off early', side('first', 'short'), OPENED, { kinds: ['waffle', 'oven'] }),
  row('gummy', 0.15, 'Much puree', puree, 'Less puree, or drain it.'),
  row('gummy', 0.15, 'Batter cold', coldBatter, WARMER),
  row('gummy', 0.1, 'Too little rise', rail('lift', 'low'), 'More leavening.', {
    move: 'taller',
    kinds: [...CAKES, 'waffle'],
  }),

  row('raw', 0.4, 'Too hot', heat('hot'), LESS_HEAT),
  row('raw', 0.25, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('raw', 0.15, 'Batter cold', coldBatter, WARMER),
  row('raw', 0.15, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),

  row('flat', 0.3, 'Too little rise', rail('lift', 'low'), 'More leavening.', {
    move: 'taller',
    kinds: ['griddle', 'small', 'ball', 'waffle'],
  }),
  row(
    'flat',
    0.25,
    'Rise spent by waiting, or an old tin',
    bothSay(longRest, powder),
    'Combine smaller bowls; a spoon of the powder in hot water has to foam.',
    {
      kinds: [...CAKES, 'waffle'],
    },
  ),
  row('flat', 0.2, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker', kinds: [...CAKES, 'waffle'] }),
  row('flat', 0.2, 'Foam knocked out', asked, 'Fold in thirds, and pour within a quarter of an hour.', {
    kinds: ['foam'],
  }),
  row('flat', 0.12, 'Mixed too far', overMixed, 'Stop as soon as the dry streaks are gone.', {
    kinds: [...CAKES, 'waffle'],
  }),
  row('flat', 0.1, 'Much egg', rail('egg', 'high'), 'Less egg.', { kinds: CAKES }),
  row('flat', 0.15, 'Pressed', turned('press'), 'One turn, and never press.', { kinds: TURNED }),
  row('flat', 0.3, 'Too thick', pour('thick'), 'More liquid.', { move: 'thinner', kinds: ['crepe', 'oven'] }),
  row(
    'flat',
    0.2,
    'Oven or pan not hot',
    heat('cool'),
    'The pan in the oven until a drop dances in it, then the batter.',
    { kinds: OVEN },
  ),

  row('greasy', 0.3, 'Too much fat in the pan', panFat('much'), 'A little fat, wiped off again.'),
  row('greasy', 0.3, 'Much fat in the batter', rail('fat', 'high'), 'Less fat.'),
  row('greasy', 0.2, 'Too cool', heat('cool'), 'More heat before the first is poured.'),

  row('spotted', 0.4, 'Too much fat in the pan', panFat('much'), 'A little fat, wiped off again: a shine and no drop.'),
  row('spotted', 0.2, 'Fat not wiped even', asked, 'Wipe it with folded paper from edge to edge.'),
  row(
    'spotted',
    0.15,
    'Surface uneven in heat',
    asked,
    'Give it longer to level, edge to edge, before the first is poured.',
  ),
  row(
    'patchy',
    0.3,
    'Surface uneven in heat',
    asked,
    'Give it longer to level, edge to edge, before the first is poured.',
  ),
  row('patchy', 0.3, 'Too much fat in the pan', panFat('much'), 'A little fat, wiped off again: a shine and no drop.', {
    kinds: CAKES,
  }),
  row('patchy', 0.2, 'Too little fat in the pan', panFat('none'), 'A little fat, wiped, before each.', {
    kinds: ['crepe', 'waffle'],
  }),
  row('patchy', 0.15, 'Leavening not spread', powder, 'Sieve it with the flour.', { kinds: [...CAKES, 'waffle'] }),
  row('bare', 0.4, 'Too cool', heat('cool'), 'More heat.'),
  row('bare', 0.2, 'Little sugar', rail('sugar', 'low'), 'A little more sugar browns sooner.'),
  row('bare', 0.15, 'Nothing in the pan', panFat('none'), 'A little fat, wiped, carries the heat.', { kinds: TURNED }),
  row('bare', 0.15, 'Turned early', side('first', 'short'), 'Wait for the edge to lift by itself.', { kinds: TURNED }),

  row('pale', 0.4, 'Too cool', heat('cool'), 'More heat.'),
  row('pale', 0.25, 'Little sugar', rail('sugar', 'low'), 'A little more sugar browns sooner.'),
  row('pale', 0.2, 'Acid left over', acidLeft, 'A little soda for the acid that is left.'),
  row('pale', 0.15, 'Taken off early', side('first', 'short'), 'Give the first side its time.'),
  row('dark', 0.4, 'Too hot', heat('hot'), LESS_HEAT),
  row('dark', 0.25, 'Too long on the heat', side('first', 'long'), 'Turn it at its cue.'),
  row('dark', 0.25, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),
  row('dark', 0.2, 'Soda left over', sodaLeft, 'Less soda, or more that is sour.'),
  row(
    'dark',
    0.2,
    'Butter burnt in the pan',
    panFat('butter'),
    'Clarified butter, or oil with it; wipe out what is brown.',
  ),

  row('dry', 0.35, 'Too long on the heat', side('second', 'long'), 'Take it off as soon as it springs back.', {
    kinds: TURNED,
  }),
  row('dry', 0.35, 'Too long on the heat', side('first', 'long'), 'Take it off as soon as the steam has stopped.', {
    kinds: ['waffle', 'oven'],
  }),
  row('dry', 0.2, 'Little fat', rail('fat', 'low'), 'More fat.', { move: 'tender' }),
  row('dry', 0.2, 'Little water', rail('water', 'low'), 'More liquid.', { move: 'thinner' }),
  row(
    'dry',
    0.2,
    'Held too long',
    heldLong,
    'Serve sooner; hold no longer than quality and the local food code allow.',
  ),

  row('stuck', 0.3, 'Iron not clean', asked, 'Brush it clean, groove by groove.', { kinds: IRON }),
  row('stuck', 0.25, 'Iron too cool', heat('cool'), 'Heat it until a drop dances.', { kinds: IRON }),
  row(
    'stuck',
    0.25,
    'Pan or griddle too cool',
    heat('cool'),
    'Heat until a drop of water dances, then a little fat, wiped.',
    { kinds: [...TURNED, 'oven'] },
  ),
  row('stuck', 0.15, 'Pan or griddle not clean', asked, 'Wipe off what is baked on, then a little fat, wiped.', {
    kinds: [...TURNED, 'oven'],
  }),
  row('stuck', 0.25, 'Nothing in the pan', panFat('none'), 'A little fat, wiped, before each.'),
  row('stuck', 0.25, 'Opened early', side('first', 'short'), OPENED, { kinds: IRON }),
  row('stuck', 0.2, 'Turned early', side('first', 'short'), 'Wait for the edge to lift by itself.', { kinds: TURNED }),
  row('stuck', 0.2, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),
  row('stuck', 0.2, 'Too little fat in the batter', rail('fat', 'low'), 'More fat.', { move: 'crisp', kinds: IRON }),

  row('tore', 0.25, 'Little egg', rail('egg', 'low'), 'More egg.', { move: 'richer' }),
  row('tore', 0.25, 'No rest', shortRest, REST_LONG, { kinds: PAN }),
  row('tore', 0.2, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('tore', 0.2, 'Turned early', side('first', 'short'), 'Wait until it slides free.', { kinds: TURNED }),
  row('tore', 0.2, 'Opened early', side('first', 'short'), OPENED, { kinds: IRON }),
  row('tore', 0.1, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),
  row(
    'broke',
    0.35,
    'Underdone when it was turned',
    side('first', 'short'),
    'Turn it when the edge is dull and the bubbles stay open.',
  ),
  row('broke', 0.2, 'Little egg', rail('egg', 'low'), 'More egg.', { move: 'richer' }),
  row('broke', 0.2, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('broke', 0.2, 'Spatula too small', asked, 'A wide, thin spatula, under all of it.'),
  row('splashed', 0.6, 'Turned early', side('first', 'short'), 'Wait until no batter runs on the face.'),
  row('splashed', 0.2, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('splashed', 0.15, 'Portion too large', largePortion, 'Pour less at a time.'),

  row('ran', 0.35, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('ran', 0.3, 'Too much in each', largePortion, 'Pour less at a time.'),
  row('ran', 0.2, 'Poured too close', asked, 'Two fingers between them.'),
  row('ran', 0.2, 'Griddle not level', asked, 'Level it: a spoon of water has to stay where it is.', {
    kinds: ['griddle', 'small', 'foam'],
  }),
  row('ran', 0.15, 'Too cool: it spread before it set', heat('cool'), 'More heat before the first is poured.'),
  row('heaped', 0.4, 'Too thick', pour('thick'), 'More liquid.', { move: 'thinner' }),
  row('heaped', 0.2, 'Batter cold', coldBatter, WARMER),
  row('heaped', 0.2, 'It stood long and thickened', longRest, 'Stir in a spoon of its liquid before it is poured.'),
  row('heaped', 0.15, 'Too hot: it set before it spread', heat('hot'), LESS_HEAT),
  row('wont-run', 0.3, 'No rest', shortRest, REST_LONG),
  row('wont-run', 0.3, 'Too thick', pour('thick'), 'More liquid, a spoon at a time.', { move: 'thinner' }),
  row('wont-run', 0.25, 'Pan too hot', heat('hot'), 'Less heat, or off it while it is poured and tilted.'),
  row('soggy', 0.3, 'Too thick', pour('thick'), 'More liquid.', { move: 'thinner' }),
  row('soggy', 0.25, 'Pan too cool', heat('cool'), 'More heat: it has to hiss when it is poured.'),
  row('soggy', 0.25, 'Too much in the pan', largePortion, 'Less in the pan, tilted at once.'),
  row('soggy', 0.1, 'Too much fat in the pan', panFat('much'), 'A little fat, wiped off again.'),

  row('ragged', 0.3, 'Too cool', heat('cool'), 'More heat before the first is poured.'),
  row('ragged', 0.25, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('ragged', 0.2, 'Turned early', side('first', 'short'), 'Wait until the edge is dull and set.', { kinds: TURNED }),
  row('ragged', 0.15, 'Poured from too high', asked, 'The ladle close to the heat, poured in the middle.'),
  row('hard', 0.35, 'Too long on the heat', side('first', 'long'), 'Off as soon as its cue is there.'),
  row('hard', 0.25, 'Too much fat in the pan: the edge fried', panFat('much'), 'A little fat, wiped off again.', {
    kinds: TURNED,
  }),
  row('hard', 0.2, 'Too hot', heat('hot'), LESS_HEAT),
  row('hard', 0.15, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),
  row('holes', 0.3, 'Much rise', rail('lift', 'high'), 'Less leavening.', { kinds: [...CAKES, 'waffle'] }),
  row('holes', 0.25, 'Too hot', heat('hot'), LESS_HEAT),
  row('holes', 0.25, 'Mixed too far: tunnels', overMixed, 'Stop as soon as the dry streaks are gone.', {
    kinds: [...CAKES, 'waffle'],
  }),
  row('holes', 0.3, 'No rest: bubbles of the whisk', shortRest, REST_LONG, { kinds: ['crepe', 'oven'] }),

  row('limp', 0.3, 'Too little fat', rail('fat', 'low'), 'More fat.', { move: 'crisp' }),
  row('limp', 0.25, 'Stacked or held in its steam', heldLong, 'On a rack in dry heat, never stacked.'),
  row('limp', 0.25, 'Too wet', rail('water', 'high'), 'Less liquid, or a spoon of starch for flour.', {
    move: 'thicker',
  }),
  row('limp', 0.25, 'Taken off early', side('first', 'short'), OPENED),
  row('limp', 0.2, 'Iron too cool', heat('cool'), 'Heat it until a drop of water dances.'),
  row(
    'no-puff',
    0.35,
    'Oven or pan not hot',
    heat('cool'),
    'The pan in the oven until a drop dances in it, then the batter.',
  ),
  row('no-puff', 0.25, 'The oven was opened', asked, 'The door stays shut until it is deep brown at the rim.'),
  row('no-puff', 0.2, 'Too little egg', rail('egg', 'low'), 'More egg.', { move: 'richer' }),
  row('no-puff', 0.2, 'Too thick', pour('thick'), 'More liquid.', { move: 'thinner' }),
  row('no-puff', 0.15, 'Batter cold', coldBatter, WARMER),
  row('soggy-stack', 0.4, 'Steam in the stack', heldLong, 'One layer on a rack, or a cloth between.'),
  row(
    'soggy-stack',
    0.3,
    'No dry heat to wait in',
    asked,
    'The oven at its hold, its door ajar, before the first is off.',
  ),
  row('soggy-stack', 0.15, 'Taken off early', side('second', 'short'), 'Wait until it springs back.', {
    kinds: TURNED,
  }),
  row('one-side', 0.5, 'A hot spot', asked, 'Turn the pan, or move the pieces round, half-way.'),
  row('one-side', 0.25, 'Second side cut short', side('second', 'short'), 'Give the second side its time.', {
    kinds: TURNED,
  }),
  row('one-side', 0.15, 'Not level', asked, 'Level the surface: a spoon of water has to stay where it is.'),
  row('uneven', 0.4, 'Leavening not spread', powder, 'Sieve it with the flour.'),
  row(
    'uneven',
    0.2,
    'Old powder',
    bothSay(powder, (j) => (j.weakPowder ? { times: FOR, text: 'the powder is old by its day' } : SILENT)),
    'A fresh tin; a spoonful in hot water has to foam.',
  ),
  row('uneven', 0.2, 'A hot spot', asked, 'Turn the pan half-way.'),
  row('sank', 0.4, 'Stirred into the bowl', bits, 'Sprinkle them on the poured face.'),
  row('sank', 0.3, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('sank', 0.2, 'Wet, or heavy', asked, 'Pat them dry, cut them small, toss them in a little of the flour.'),
  row(
    'threads',
    0.6,
    'Hot fat into the egg',
    bothSay(egg, evidenceHolds(MELTED, 'melted fat in the wet bowl')),
    'Fat under 40 °C when it reaches the egg.',
  ),
  row(
    'threads',
    0.2,
    'Warm liquid, or a bowl near the heat',
    egg,
    'Let it cool; whisk the egg into the cold liquid first.',
  ),
  row('threads', 0.1, 'Flour that set in what was warm', asked, 'Let what is warm cool before the flour meets it.'),
  row(
    'green',
    0.6,
    'An alkaline batter beside nuts or blueberries',
    bothSay(sodaLeft, evidenceHolds(GREENS, 'nuts or blueberries in it')),
    'Less soda, or more that is sour.',
  ),
  row(
    'green',
    0.3,
    'Nuts or blueberries stirred in',
    evidenceHolds(GREENS, 'nuts or blueberries in it'),
    'Sprinkle them on the poured face.',
  ),
  row('green', 0.1, 'An alkaline batter', powder, 'Less soda, or more that is sour.'),
  row(
    'first-poor',
    0.8,
    'Not yet level in heat: expected',
    asked,
    'The first is a test: wait for level heat, and do not count it.',
  ),
  row('first-poor', 0.2, 'Too much fat for the first', panFat('much'), 'Wipe the pan before the first.'),
  row('soapy', 0.7, 'Soda left over', sodaLeft, 'Less soda, or more that is sour.'),
  row('soapy', 0.2, 'Much leavening', rail('lift', 'high'), 'Less leavening.'),
  row('soapy', 0.15, 'Leavening not spread', powder, 'Sieve it with the flour.'),
  row(
    'soapy',
    0.05,
    'A cleaner left on bowl or surface',
    asked,
    'Rinse bowl, spoons and surface in plain water, and wipe them dry.',
  ),
  row('bland', 0.5, 'Little salt', rail('salt', 'low'), 'A little more salt.'),
  row('bland', 0.25, 'Little sugar', rail('sugar', 'low'), 'A little more sugar.'),
  row(
    'bland',
    0.15,
    'Nothing that is sour, or spiced',
    asked,
    'Something sour for some of the liquid, a little vanilla or zest.',
  ),
];
