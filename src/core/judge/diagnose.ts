/**
 * From what was seen to what likely caused it: kitchen sense with weights to start from (a model of ours), moved up or down
 * by this batch's own numbers. It ranks, it does not know; each cause comes with one change to try.
 */

import type { Analysis } from '../analyse';
import { isFault, type Mark } from '../batch/came-out';
import type { SideTimes } from '../batch/heat';
import { type KindId, POUR_WORDS, RAIL_NAMES, type Rail, railOf, sayRail, THICKNESSES, type Thickness, type Zone } from '../formula/kinds';
import { MATTERS, type SchoolIdOf, schoolMeant } from '../formula/schools';
import { addedG } from '../formula/tally';
import { HOLD_MIN } from '../griddle/hold';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { millilitres, minutesAndSeconds, temperature, type Units } from '../quantity/say';

/** What is known of a batch when it is judged. */
export interface Judged {
  readonly kind: KindId;
  readonly analysis: Pick<Analysis, 'rails' | 'ledger' | 'tally'>;
  /** How the batter pours, and how the school wants it; null: not known. */
  readonly pour: Thickness | null;
  readonly wantedPour: readonly [Thickness, Thickness] | null;
  /** Ids of what is in the batter. */
  readonly holds: readonly string[];
  /** A powder in it is old by its day. */
  readonly weakPowder: boolean;
  readonly portionMl: number | null;
  /** The kind's usual portion, mL; null: a pan. */
  readonly usualPortion: Zone | null;
  readonly firstS: number | null;
  readonly secondS: number | null;
  readonly usual: SideTimes;
  /** Degrees C of the batter, as it stood; and what a probe read of the surface, with what the kind wants. */
  readonly batterC: number | null;
  readonly heatC: number | null;
  readonly heatZone: Zone;
  /** Minutes it stood after mixing, and is used to; turns it was mixed, and is used to. */
  readonly restMin: number | null;
  readonly usualRestMin: number;
  readonly turns: number | null;
  readonly usualTurns: number;
  /** Longest in the holding oven, min. */
  readonly heldMin: number | null;
  /** Fat in the pan and turning, as it was done here: schools of those matters. */
  readonly panFat: string;
  readonly flip: string;
  readonly units: Pick<Units, 'temperature'>;
}

/** What a cause rests on here: makes it likelier, less likely, or says nothing of it. */
interface Says {
  readonly times: number;
  readonly text: string | null;
}
const SILENT: Says = { times: 1, text: null };
/** The numbers speak against it: it is no cause here. */
const RULED_OUT: Says = { times: 0, text: null };
/** Factors on a cause's weight; and what counts as near a zone's end, as a share of it. */
const FOR = 2.5;
const NEAR_END = 0.2;

const rail =
  (r: Rail, side: 'low' | 'high') =>
  (j: Judged): Says => {
    const x = railOf(j.analysis, r);
    if (!x?.zone || x.unknown.length > 0) return SILENT;
    const [low, high] = x.zone;
    const at = (x.tested - low) / (high - low);
    const share = side === 'low' ? at : 1 - at;
    if (share > 0.5) return RULED_OUT;
    if (share > NEAR_END) return SILENT;
    return { times: share < 0 ? FOR * 1.4 : FOR, text: `${RAIL_NAMES[r].toLowerCase()} ${sayRail(r, x.tested)}, of ${sayRail(r, low)} to ${sayRail(r, high)}` };
  };

/** What a probe read, out of what the kind wants; where nothing was read, the sides' times speak. */
const heat =
  (how: 'hot' | 'cool') =>
  (j: Judged): Says => {
    if (j.heatC === null) return side('first', how === 'hot' ? 'short' : 'long')(j);
    const [low, high] = j.heatZone;
    const said = `surface ${temperature(j.heatC, j.units)}, of ${temperature(low, j.units)} to ${temperature(high, j.units)}`;
    if (how === 'hot' ? j.heatC > high : j.heatC < low) return { times: FOR * 1.4, text: said };
    return RULED_OUT;
  };

/** Colder than this it pours thick and stays raw in the middle. */
const COLD_C = 15;
const coldBatter = (j: Judged): Says => {
  if (j.batterC === null) return SILENT;
  return j.batterC < COLD_C ? { times: FOR, text: `batter at ${temperature(j.batterC, j.units)}` } : RULED_OUT;
};

const shortRest = (j: Judged): Says => {
  if (j.restMin === null || j.usualRestMin <= 0) return SILENT;
  const said = `it stood ${Math.round(j.restMin)} min, usually ${j.usualRestMin}`;
  return j.restMin < 0.5 * j.usualRestMin ? { times: FOR, text: said } : RULED_OUT;
};

const longRest = (j: Judged): Says => {
  if (j.weakPowder) return { times: FOR, text: 'the powder is old by its day' };
  if (j.restMin === null) return SILENT;
  return j.restMin > Math.max(30, 2 * j.usualRestMin) ? { times: FOR, text: `it stood ${Math.round(j.restMin)} min` } : RULED_OUT;
};

const overMixed = (j: Judged): Says => {
  if (j.turns === null) return SILENT;
  return j.turns > 1.3 * j.usualTurns ? { times: FOR, text: `${Math.round(j.turns)} turns, ${j.usualTurns} are enough` } : RULED_OUT;
};

const heldLong = (j: Judged): Says => {
  if (j.heldMin === null) return SILENT;
  return j.heldMin > HOLD_MIN ? { times: FOR, text: `held ${Math.round(j.heldMin)} min` } : RULED_OUT;
};

/** A side that took clearly more or less than its usual time. */
const side =
  (which: 'first' | 'second', how: 'short' | 'long') =>
  (j: Judged): Says => {
    const [was, usual] = which === 'first' ? [j.firstS, j.usual.first] : [j.secondS, j.usual.second];
    if (was === null || usual === null || usual <= 0) return SILENT;
    const share = was / usual;
    const hit = how === 'short' ? share < 0.75 : share > 1.3;
    const other = how === 'short' ? share > 1.1 : share < 0.9;
    if (hit) return { times: FOR, text: `${which} side ${minutesAndSeconds(Math.round(was))}, usually about ${minutesAndSeconds(Math.round(usual))}` };
    return other ? RULED_OUT : SILENT;
  };

const largePortion = (j: Judged): Says => {
  if (j.portionMl === null || j.usualPortion === null) return SILENT;
  if (j.portionMl > 1.2 * j.usualPortion[1]) return { times: FOR, text: `portions of ${millilitres(j.portionMl)}, usually ${millilitres(j.usualPortion[1])}` };
  return j.portionMl <= j.usualPortion[1] ? RULED_OUT : SILENT;
};

const sodaLeft = (j: Judged): Says => {
  const g = j.analysis.ledger.unspentSodaG;
  return g > 0.15 ? { times: FOR * 1.6, text: `${g.toFixed(1)} g of soda finds no acid` } : RULED_OUT;
};
const acidLeft = (j: Judged): Says => {
  const { acidMeq, baseMeq } = j.analysis.ledger;
  const left = acidMeq - baseMeq - (j.analysis.ledger.sodaG - j.analysis.ledger.unspentSodaG) * MEQ_PER_G_SODA;
  const per = j.analysis.tally.flourG > 0 ? (100 * left) / j.analysis.tally.flourG : 0;
  return per > 8 ? { times: FOR, text: `${left.toFixed(0)} meq of acid are left over` } : RULED_OUT;
};
const puree = (j: Judged): Says => {
  const share = j.analysis.tally.massG > 0 ? addedG(j.analysis.tally, 'puree', 'curd') / j.analysis.tally.massG : 0;
  return share > 0.12 ? { times: FOR, text: `${Math.round(100 * share)} % of the batter is puree or fresh cheese` } : RULED_OUT;
};
const asked = (): Says => SILENT;

/** How it pours, against what the school wants. */
const pour =
  (how: 'thick' | 'thin') =>
  (j: Judged): Says => {
    if (!j.pour || !j.wantedPour) return rail('water', how === 'thick' ? 'low' : 'high')(j);
    const [from, at, to] = [j.wantedPour[0], j.pour, j.wantedPour[1]].map((p) => THICKNESSES.indexOf(p)) as [number, number, number];
    const off = how === 'thick' ? at - to : from - at;
    if (off > 0) return { times: FOR, text: `it ${POUR_WORDS[j.pour]}` };
    // the model is good to one class: only the other side speaks against it
    return (how === 'thick' ? from - at : at - to) > 0 ? RULED_OUT : rail('water', how === 'thick' ? 'low' : 'high')(j);
  };

/** Fat in the pan: much of it, or none. */
const panFat =
  (how: 'much' | 'none' | 'butter') =>
  (j: Judged): Says => {
    const school = schoolMeant('panFat', j.panFat, j.kind);
    const id = school === 'none' || school === 'film' || school === 'spray' ? school : 'much';
    const said = `in the pan: ${MATTERS.panFat.choices[school as SchoolIdOf<'panFat'>].name}`;
    if (how === 'none') return id === 'none' ? { times: FOR, text: said } : RULED_OUT;
    if (how === 'butter') return school === 'butter' ? { times: FOR, text: said } : RULED_OUT;
    return id === 'much' ? { times: FOR, text: said } : id === 'none' ? RULED_OUT : { times: 0.5, text: null };
  };

/** How it was turned. */
const turned =
  (how: 'press' | 'several') =>
  (j: Judged): Says => {
    const school = schoolMeant('flip', j.flip, j.kind);
    if (school === how) return { times: FOR, text: `turned: ${MATTERS.flip.choices[how].name}` };
    return j.flip === 'usual' ? { times: 0.5, text: null } : RULED_OUT;
  };

/** Something is in the batter. */
const holds =
  (ids: readonly string[], words: string) =>
  (j: Judged): Says =>
    j.holds.some((h) => ids.includes(h)) ? { times: FOR, text: words } : RULED_OUT;

const bits = (j: Judged): Says => (j.analysis.tally.wholeG > 0 ? SILENT : RULED_OUT);
const yeastOnly = (j: Judged): boolean => j.analysis.tally.hasYeast && j.analysis.ledger.co2G < 0.05;
const powder = (j: Judged): Says => (yeastOnly(j) || j.analysis.ledger.sodaG + j.analysis.ledger.sodaInPowderG === 0 ? RULED_OUT : SILENT);
const bothSay =
  (...says: readonly ((j: Judged) => Says)[]) =>
  (j: Judged): Says => {
    const all = says.map((s) => s(j));
    return all.some((x) => x.times === 0) ? RULED_OUT : { times: all.reduce((a, x) => a * x.times, 1), text: all.find((x) => x.text)?.text ?? null };
  };

const GREENS = ['blueberries', 'walnuts', 'walnuts-ground', 'sunflower-seeds'];
const BUTTERS = ['butter-unsalted', 'butter-salted', 'butter-clarified', 'oil-coconut'];
const STRONG_FLOURS = ['flour-bread', 'flour-whole-wheat', 'flour-white-whole-wheat'];

export interface CauseRow {
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
const row = (mark: Mark, weight: number, cause: string, says: CauseRow['says'], change: string, more: More = {}): CauseRow => ({
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
const LESS_HEAT = 'Less heat, and longer.';
const REST_TEN = 'Ten minutes of rest, covered.';
const REST_LONG = 'Half an hour of rest, covered and cold.';

/** To add a cause is to add a row. */
export const CAUSES: readonly CauseRow[] = [
  row('tough', 0.35, 'Mixed too far', overMixed, 'Stop as soon as the dry streaks are gone; lumps are fine.', { kinds: [...CAKES, 'waffle'] }),
  row('tough', 0.25, 'Too little fat', rail('fat', 'low'), 'More fat.', { move: 'tender' }),
  row('tough', 0.15, 'No rest', shortRest, REST_TEN),
  row('tough', 0.12, 'Too little sugar', rail('sugar', 'low'), 'A little more sugar.', { move: 'tender' }),
  row('tough', 0.1, 'Strong flour', holds(STRONG_FLOURS, 'a flour of much gluten'), 'A softer flour, or some starch for a tenth of it.'),
  row('tough', 0.1, 'Much egg', rail('egg', 'high'), 'Less egg.'),
  row('tough', 0.15, 'Too long on the heat', side('second', 'long'), 'Take it off as soon as its cue is there.', { kinds: ['crepe', 'oven'] }),

  row('gummy', 0.25, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('gummy', 0.2, 'Too hot: brown before it was set', heat('hot'), LESS_HEAT),
  row('gummy', 0.2, 'Taken off early', side('second', 'short'), 'Wait until it springs back.', { kinds: TURNED }),
  row('gummy', 0.2, 'Taken out early', side('first', 'short'), OPENED, { kinds: ['waffle', 'oven'] }),
  row('gummy', 0.15, 'Much puree', puree, 'Less puree, or drain it.'),
  row('gummy', 0.15, 'Batter cold', coldBatter, 'Egg and milk an hour out of the cold, as far as the local food code lets.'),
  row('gummy', 0.1, 'Too little lift', rail('lift', 'low'), 'More leavening.', { move: 'taller', kinds: [...CAKES, 'waffle'] }),

  row('raw', 0.4, 'Too hot', heat('hot'), LESS_HEAT),
  row('raw', 0.25, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('raw', 0.15, 'Batter cold', coldBatter, 'Egg and milk an hour out of the cold, as far as the local food code lets.'),
  row('raw', 0.15, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),

  row('flat', 0.3, 'Too little lift', rail('lift', 'low'), 'More leavening.', { move: 'taller', kinds: ['griddle', 'small', 'ball', 'waffle'] }),
  row('flat', 0.25, 'Lift spent by waiting, or an old tin', bothSay(longRest, powder), 'Join smaller bowls; a spoon of the powder in hot water has to foam.', {
    kinds: [...CAKES, 'waffle'],
  }),
  row('flat', 0.2, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker', kinds: [...CAKES, 'waffle'] }),
  row('flat', 0.2, 'Foam knocked out', asked, 'Fold in thirds, and pour within a quarter of an hour.', { kinds: ['foam'] }),
  row('flat', 0.12, 'Mixed too far', overMixed, 'Stop as soon as the dry streaks are gone.', { kinds: [...CAKES, 'waffle'] }),
  row('flat', 0.1, 'Much egg', rail('egg', 'high'), 'Less egg.', { kinds: CAKES }),
  row('flat', 0.15, 'Pressed', turned('press'), 'One turn, and never press.', { kinds: TURNED }),
  row('flat', 0.3, 'Too thick', pour('thick'), 'More liquid.', { move: 'thinner', kinds: ['crepe', 'oven'] }),
  row('flat', 0.2, 'Oven or pan not hot', heat('cool'), 'The pan in the oven until a drop dances in it, then the batter.', { kinds: OVEN }),

  row('greasy', 0.3, 'Too much fat in the pan', panFat('much'), 'A film, wiped.'),
  row('greasy', 0.3, 'Much fat in the batter', rail('fat', 'high'), 'Less fat.'),
  row('greasy', 0.2, 'Too cool', heat('cool'), 'More heat before the first is poured.'),

  row('spotted', 0.4, 'Too much fat in the pan', panFat('much'), 'A film, wiped: a shine and no drop.'),
  row('spotted', 0.2, 'Fat not wiped even', asked, 'Wipe it with folded paper from edge to edge.'),
  row('spotted', 0.15, 'Surface uneven in heat', asked, 'Give it longer to level, edge to edge, before the first is poured.'),
  row('patchy', 0.3, 'Surface uneven in heat', asked, 'Give it longer to level, edge to edge, before the first is poured.'),
  row('patchy', 0.3, 'Too much fat in the pan', panFat('much'), 'A film, wiped: a shine and no drop.', { kinds: CAKES }),
  row('patchy', 0.2, 'Too little fat in the pan', panFat('none'), 'A thin film before each.', { kinds: ['crepe', 'waffle'] }),
  row('patchy', 0.15, 'Leavening not spread', powder, 'Sieve it with the flour.', { kinds: [...CAKES, 'waffle'] }),
  row('bare', 0.4, 'Too cool', heat('cool'), 'More heat.'),
  row('bare', 0.2, 'Little sugar', rail('sugar', 'low'), 'A little more sugar browns sooner.'),
  row('bare', 0.15, 'Nothing in the pan', panFat('none'), 'A wiped film carries the heat.', { kinds: TURNED }),
  row('bare', 0.15, 'Turned early', side('first', 'short'), 'Wait for the edge to lift by itself.', { kinds: TURNED }),

  row('pale', 0.4, 'Too cool', heat('cool'), 'More heat.'),
  row('pale', 0.25, 'Little sugar', rail('sugar', 'low'), 'A little more sugar browns sooner.'),
  row('pale', 0.2, 'Acid left over', acidLeft, 'A little soda for the acid that is left.'),
  row('pale', 0.15, 'Taken off early', side('first', 'short'), 'Give the first side its time.'),
  row('dark', 0.4, 'Too hot', heat('hot'), LESS_HEAT),
  row('dark', 0.25, 'Too long on the heat', side('first', 'long'), 'Turn it at its cue.'),
  row('dark', 0.25, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),
  row('dark', 0.2, 'Soda left over', sodaLeft, 'Less soda, or more that is sour.'),
  row('dark', 0.2, 'Butter burnt in the pan', panFat('butter'), 'Clarified butter, or oil with it; wipe out what is brown.'),

  row('dry', 0.35, 'Too long on the heat', side('second', 'long'), 'Take it off as soon as it springs back.', { kinds: TURNED }),
  row('dry', 0.35, 'Too long on the heat', side('first', 'long'), 'Take it out as soon as the steam has stopped.', { kinds: ['waffle', 'oven'] }),
  row('dry', 0.2, 'Little fat', rail('fat', 'low'), 'More fat.', { move: 'tender' }),
  row('dry', 0.2, 'Little water', rail('water', 'low'), 'More liquid.', { move: 'thinner' }),
  row('dry', 0.2, 'Held too long', heldLong, 'Serve sooner; hold no longer than quality and the local food code allow.'),

  row('stuck', 0.35, 'Iron cool, dirty or without fat', asked, 'Brush it clean, heat it until a drop dances, then fat in every groove.', { kinds: IRON }),
  row('stuck', 0.3, 'Pan or griddle cool, or dirty', heat('cool'), 'Wipe, heat until a drop of water dances, then a thin film of fat.', {
    kinds: [...TURNED, 'oven'],
  }),
  row('stuck', 0.25, 'Nothing in the pan', panFat('none'), 'A thin film of fat before each.'),
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
  row('broke', 0.35, 'Underdone when it was turned', side('first', 'short'), 'Turn it when the edge is dull and the bubbles stay open.'),
  row('broke', 0.2, 'Little egg', rail('egg', 'low'), 'More egg.', { move: 'richer' }),
  row('broke', 0.2, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('broke', 0.2, 'Spatula too small', asked, 'A wide, thin spatula, under all of it.'),
  row('splashed', 0.6, 'Turned early', side('first', 'short'), 'Wait until no batter runs on the face.'),
  row('splashed', 0.2, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('splashed', 0.15, 'Portion too large', largePortion, 'Pour less at a time.'),

  row('ran', 0.35, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('ran', 0.3, 'Poured too close, or too much', largePortion, 'Two fingers between them, and less in each.'),
  row('ran', 0.2, 'Griddle not level', asked, 'Level it: a spoon of water has to stay where it is.', { kinds: ['griddle', 'small', 'foam'] }),
  row('ran', 0.15, 'Too cool: it spread before it set', heat('cool'), 'More heat before the first is poured.'),
  row('heaped', 0.4, 'Too thick', pour('thick'), 'More liquid.', { move: 'thinner' }),
  row('heaped', 0.2, 'Batter cold', coldBatter, 'Egg and milk an hour out of the cold, as far as the local food code lets.'),
  row('heaped', 0.2, 'It stood long and thickened', longRest, 'Stir in a spoon of milk before it is poured.'),
  row('heaped', 0.15, 'Too hot: it set before it spread', heat('hot'), LESS_HEAT),
  row('wont-run', 0.3, 'No rest', shortRest, REST_LONG),
  row('wont-run', 0.3, 'Too thick', pour('thick'), 'More milk, a spoon at a time.', { move: 'thinner' }),
  row('wont-run', 0.25, 'Pan too hot', heat('hot'), 'Less heat, or off it while it is poured and tilted.'),
  row('soggy', 0.3, 'Too thick', pour('thick'), 'More milk.', { move: 'thinner' }),
  row('soggy', 0.25, 'Pan too cool', heat('cool'), 'More heat: it has to hiss when it is poured.'),
  row('soggy', 0.25, 'Too much in the pan', largePortion, 'Less in the pan, tilted at once.'),
  row('soggy', 0.1, 'Too much fat in the pan', panFat('much'), 'A wiped film.'),

  row('ragged', 0.3, 'Too cool', heat('cool'), 'More heat before the first is poured.'),
  row('ragged', 0.25, 'Too thin', pour('thin'), 'Less liquid.', { move: 'thicker' }),
  row('ragged', 0.2, 'Turned early', side('first', 'short'), 'Wait until the edge is dull and set.', { kinds: TURNED }),
  row('ragged', 0.15, 'Poured from too high', asked, 'The ladle close to the heat, poured in the middle.'),
  row('hard', 0.35, 'Too long on the heat', side('first', 'long'), 'Off as soon as its cue is there.'),
  row('hard', 0.25, 'Too much fat in the pan: the edge fried', panFat('much'), 'A film, wiped.', { kinds: TURNED }),
  row('hard', 0.2, 'Too hot', heat('hot'), LESS_HEAT),
  row('hard', 0.15, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', { move: 'less-sweet' }),
  row('holes', 0.3, 'Much lift', rail('lift', 'high'), 'Less leavening.', { kinds: [...CAKES, 'waffle'] }),
  row('holes', 0.25, 'Too hot', heat('hot'), LESS_HEAT),
  row('holes', 0.25, 'Mixed too far: tunnels', overMixed, 'Stop as soon as the dry streaks are gone.', { kinds: [...CAKES, 'waffle'] }),
  row('holes', 0.3, 'No rest: bubbles of the whisk', shortRest, REST_LONG, { kinds: ['crepe', 'oven'] }),

  row('limp', 0.3, 'Too little fat', rail('fat', 'low'), 'More fat.', { move: 'crisp' }),
  row('limp', 0.25, 'Stacked or held in its steam', heldLong, 'On a rack in dry heat, never stacked.'),
  row('limp', 0.25, 'Too wet', rail('water', 'high'), 'Less liquid, or a spoon of starch for flour.', { move: 'thicker' }),
  row('limp', 0.25, 'Taken out early', side('first', 'short'), OPENED),
  row('limp', 0.2, 'Iron too cool', heat('cool'), 'Heat it until a drop of water dances.'),
  row('no-puff', 0.35, 'Oven or pan not hot', heat('cool'), 'The pan in the oven until a drop dances in it, then the batter.'),
  row('no-puff', 0.25, 'The oven was opened', asked, 'The door stays shut until it is deep brown at the rim.'),
  row('no-puff', 0.2, 'Too little egg', rail('egg', 'low'), 'More egg.', { move: 'richer' }),
  row('no-puff', 0.2, 'Too thick', pour('thick'), 'More milk.', { move: 'thinner' }),
  row('no-puff', 0.15, 'Batter cold', coldBatter, 'Egg and milk an hour out of the cold, as far as the local food code lets.'),
  row('soggy-stack', 0.4, 'Steam in the stack', heldLong, 'One layer on a rack, or a cloth between.'),
  row('soggy-stack', 0.3, 'No dry heat to wait in', asked, 'The oven at its hold, vented, before the first is off.'),
  row('soggy-stack', 0.15, 'Taken off early', side('second', 'short'), 'Wait until it springs back.', { kinds: TURNED }),
  row('one-side', 0.5, 'A hot spot', asked, 'Turn the pan, or move the pieces round, half-way.'),
  row('one-side', 0.25, 'Second side cut short', side('second', 'short'), 'Give the second side its time.', { kinds: TURNED }),
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
  row('threads', 0.6, 'Hot butter into the egg', holds(BUTTERS, 'melted fat in the wet bowl'), 'Butter under 40 °C when it meets the egg.'),
  row('threads', 0.2, 'Warm milk, or a bowl near the heat', asked, 'Let it cool; whisk the egg into the cold milk first.'),
  row(
    'green',
    0.6,
    'An alkaline batter beside nuts or blueberries',
    bothSay(sodaLeft, holds(GREENS, 'nuts or blueberries in it')),
    'Less soda, or more that is sour.',
  ),
  row(
    'green',
    0.3,
    'Nuts or blueberries stirred in',
    holds(GREENS, 'nuts or blueberries in it'),
    'Sprinkle them on the poured face, and let powder do the lifting.',
  ),
  row('green', 0.1, 'An alkaline batter', asked, 'Less soda, or more that is sour.'),
  row('first-poor', 0.8, 'Not yet level in heat: expected', asked, 'The first is a test: wait for level heat, and do not count it.'),
  row('first-poor', 0.2, 'Too much fat for the first', panFat('much'), 'Wipe the pan before the first.'),
  row('soapy', 0.7, 'Soda left over', sodaLeft, 'Less soda, or more that is sour.'),
  row('soapy', 0.2, 'Much leavening', rail('lift', 'high'), 'Less leavening.'),
  row('soapy', 0.15, 'Leavening not spread', asked, 'Sieve it with the flour.'),
  row('bland', 0.5, 'Little salt', rail('salt', 'low'), 'A little more salt.'),
  row('bland', 0.25, 'Little sugar', rail('sugar', 'low'), 'A little more sugar.'),
  row('bland', 0.15, 'Nothing that is sour, or spiced', asked, 'Buttermilk for some of the milk, a little vanilla or zest.'),
];

export interface Cause {
  readonly cause: string;
  readonly share: number;
  /** This batch's own number; null where none speaks. */
  readonly evidence: string | null;
  readonly change: string;
  readonly move: string | null;
}

const MOST_CAUSES = 3;

/**
 * Likely causes of what was seen, the likeliest first; shares of all that could be. What the batch's own numbers rule out is
 * none of them. Empty for what is no fault, and where they rule out all.
 */
export function causesOf(mark: Mark, j: Judged): readonly Cause[] {
  if (!isFault(mark)) return [];
  const weighed = CAUSES.filter((c) => c.mark === mark && (c.kinds?.includes(j.kind) ?? true)).map((c) => {
    const { times, text } = c.says(j);
    return { c, w: c.weight * times, text };
  });
  const all = weighed.reduce((a, x) => a + x.w, 0);
  if (!(all > 0)) return [];
  return weighed
    .filter((x) => x.w > 0)
    .sort((a, b) => b.w - a.w)
    .slice(0, MOST_CAUSES)
    .map(({ c, w, text }) => ({ cause: c.cause, share: w / all, evidence: text, change: c.change, move: c.move ?? null }));
}
