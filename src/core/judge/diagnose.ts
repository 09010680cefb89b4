/**
 * From what was seen to what likely caused it: kitchen sense with weights to start from (a model of ours), moved up or down
 * by this batch's own numbers. It ranks, it does not know; each cause comes with one change to try.
 */

import type { Analysis } from '../analyse';
import type { Mark } from '../batch/batch';
import { SCALES, type ScaleId, type Scales } from '../batch/came-out';
import type { SideTimes } from '../batch/heat';
import { type KindId, RAIL_NAMES, type Rail, railOf, sayRail, type Zone } from '../formula/kinds';
import { addedG } from '../formula/tally';
import { HOLD_MIN } from '../griddle/hold';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import { millilitres, minutesAndSeconds, temperature, type Units } from '../quantity/say';

/** What is known of a batch when it is judged. */
export interface Judged {
  readonly kind: KindId;
  readonly analysis: Pick<Analysis, 'rails' | 'ledger' | 'tally'>;
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
  readonly units: Pick<Units, 'temperature'>;
}

/** What a cause rests on here: makes it likelier, less likely, or says nothing of it. */
interface Says {
  readonly times: number;
  readonly text: string | null;
}
const SILENT: Says = { times: 1, text: null };
/** Factors on a cause's weight; and what counts as near a zone's end, as a share of it. */
const FOR = 2.5;
const AGAINST = 0.35;
const NEAR_END = 0.2;

const rail =
  (r: Rail, side: 'low' | 'high') =>
  (j: Judged): Says => {
    const x = railOf(j.analysis, r);
    if (!x?.zone || x.unknown.length > 0) return SILENT;
    const [low, high] = x.zone;
    const at = (x.tested - low) / (high - low);
    const share = side === 'low' ? at : 1 - at;
    if (share > 0.5) return { times: AGAINST, text: null };
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
    return { times: AGAINST, text: null };
  };

/** Colder than this it pours thick and stays raw in the middle. */
const COLD_C = 15;
const coldBatter = (j: Judged): Says => {
  if (j.batterC === null) return SILENT;
  return j.batterC < COLD_C ? { times: FOR, text: `batter at ${temperature(j.batterC, j.units)}` } : { times: AGAINST, text: null };
};

const shortRest = (j: Judged): Says => {
  if (j.restMin === null || j.usualRestMin <= 0) return SILENT;
  const said = `it stood ${Math.round(j.restMin)} min, usually ${j.usualRestMin}`;
  return j.restMin < 0.5 * j.usualRestMin ? { times: FOR, text: said } : { times: AGAINST, text: null };
};

const longRest = (j: Judged): Says => {
  if (j.restMin === null) return SILENT;
  return j.restMin > Math.max(30, 2 * j.usualRestMin) ? { times: FOR, text: `it stood ${Math.round(j.restMin)} min` } : SILENT;
};

const overMixed = (j: Judged): Says => {
  if (j.turns === null) return SILENT;
  return j.turns > 1.3 * j.usualTurns ? { times: FOR, text: `${Math.round(j.turns)} turns, ${j.usualTurns} are enough` } : { times: AGAINST, text: null };
};

const heldLong = (j: Judged): Says => {
  if (j.heldMin === null) return SILENT;
  return j.heldMin > HOLD_MIN ? { times: FOR, text: `held ${Math.round(j.heldMin)} min` } : { times: AGAINST, text: null };
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
    return other ? { times: AGAINST, text: null } : SILENT;
  };

const largePortion = (j: Judged): Says => {
  if (j.portionMl === null || j.usualPortion === null) return SILENT;
  if (j.portionMl > 1.2 * j.usualPortion[1]) return { times: FOR, text: `portions of ${millilitres(j.portionMl)}, usually ${millilitres(j.usualPortion[1])}` };
  return j.portionMl <= j.usualPortion[1] ? { times: AGAINST, text: null } : SILENT;
};

const sodaLeft = (j: Judged): Says => {
  const g = j.analysis.ledger.unspentSodaG;
  return g > 0.15 ? { times: FOR * 1.6, text: `${g.toFixed(1)} g of soda finds no acid` } : { times: 0.15, text: null };
};
const acidLeft = (j: Judged): Says => {
  const { acidMeq, baseMeq } = j.analysis.ledger;
  const left = acidMeq - baseMeq - (j.analysis.ledger.sodaG - j.analysis.ledger.unspentSodaG) * MEQ_PER_G_SODA;
  const per = j.analysis.tally.flourG > 0 ? (100 * left) / j.analysis.tally.flourG : 0;
  return per > 8 ? { times: FOR, text: `${left.toFixed(0)} meq of acid are left over` } : SILENT;
};
const puree = (j: Judged): Says => {
  const share = j.analysis.tally.massG > 0 ? addedG(j.analysis.tally, 'puree', 'curd') / j.analysis.tally.massG : 0;
  return share > 0.12 ? { times: FOR, text: `${Math.round(100 * share)} % of the batter is puree or fresh cheese` } : { times: 0.2, text: null };
};
const asked = (): Says => SILENT;
const only =
  (kinds: readonly KindId[]) =>
  (j: Judged): Says =>
    kinds.includes(j.kind) ? SILENT : { times: 0, text: null };

export interface CauseRow {
  readonly mark: Mark;
  readonly weight: number;
  readonly cause: string;
  readonly says: (j: Judged) => Says;
  /** One change for next time. */
  readonly change: string;
  /** The wish of the Bench that does it, where one does. */
  readonly move?: string;
}

const row = (mark: Mark, weight: number, cause: string, says: CauseRow['says'], change: string, move?: string): CauseRow => ({
  mark,
  weight,
  cause,
  says,
  change,
  ...(move ? { move } : {}),
});

/** To add a cause is to add a row. */
export const CAUSES: readonly CauseRow[] = [
  row('tough', 0.35, 'Mixed too far', overMixed, 'Stop as soon as the dry streaks are gone; lumps are fine.'),
  row('tough', 0.25, 'Too little fat', rail('fat', 'low'), 'More fat.', 'tender'),
  row('tough', 0.12, 'Too little sugar', rail('sugar', 'low'), 'A little more sugar.', 'tender'),
  row('tough', 0.15, 'No rest', shortRest, 'Ten minutes of rest, covered.'),
  row('gummy', 0.25, 'Portion too large', largePortion, 'Pour less at a time.'),
  row('gummy', 0.2, 'Too hot: brown before it was set', heat('hot'), 'Less heat, and longer.'),
  row('gummy', 0.2, 'Taken off early', side('second', 'short'), 'Wait until it springs back.'),
  row('gummy', 0.15, 'Much puree', puree, 'Less puree, or drain it.'),
  row('gummy', 0.15, 'Batter cold', coldBatter, 'Egg and milk an hour out of the cold, as far as the local food code lets.'),
  row('flat', 0.3, 'Too little lift', rail('lift', 'low'), 'More leavening.', 'taller'),
  row('flat', 0.25, 'Lift spent by waiting, or an old tin', longRest, 'Join smaller bowls; a spoon of the powder in hot water has to foam.'),
  row('flat', 0.2, 'Too thin', rail('water', 'high'), 'Less liquid.', 'thicker'),
  row('flat', 0.1, 'Much egg', rail('egg', 'high'), 'Less egg.'),
  row('flat', 0.2, 'Foam knocked out', only(['foam']), 'Fold in thirds, and pour within a quarter of an hour.'),
  row('flat', 0.08, 'Pressed', asked, 'One turn, and never press.'),
  row('greasy', 0.3, 'Too much fat in the pan', asked, 'A film, wiped.'),
  row('greasy', 0.3, 'Much fat in the batter', rail('fat', 'high'), 'Less fat.'),
  row('greasy', 0.2, 'Too cool', heat('cool'), 'More heat before the first is poured.'),
  row('pale', 0.4, 'Too cool', heat('cool'), 'More heat.'),
  row('pale', 0.25, 'Little sugar', rail('sugar', 'low'), 'A little more sugar browns sooner.'),
  row('pale', 0.2, 'Acid left over', acidLeft, 'A little soda for the acid that is left.'),
  row('dark', 0.4, 'Too hot', heat('hot'), 'Less heat, and longer.'),
  row('dark', 0.25, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', 'less-sweet'),
  row('dark', 0.2, 'Soda left over', sodaLeft, 'Less soda, or more that is sour.'),
  row('dry', 0.35, 'Too long on the heat', side('second', 'long'), 'Take it off as soon as it springs back.'),
  row('dry', 0.2, 'Little fat', rail('fat', 'low'), 'More fat.', 'tender'),
  row('dry', 0.2, 'Little water', rail('water', 'low'), 'More liquid.', 'thinner'),
  row('dry', 0.2, 'Held too long', heldLong, 'Serve sooner; hold no longer than quality and the local food code allow.'),
  row('stuck', 0.35, 'Surface cool, dirty or without fat', asked, 'Wipe, heat until a drop of water dances, then a thin film of fat.'),
  row('stuck', 0.2, 'Turned early', side('first', 'short'), 'Wait for the edge to lift by itself.'),
  row('stuck', 0.2, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', 'less-sweet'),
  row('tore', 0.25, 'Little egg', rail('egg', 'low'), 'More egg.', 'richer'),
  row('tore', 0.25, 'No rest', shortRest, 'Half an hour of rest, covered and cold.'),
  row('tore', 0.2, 'Too thin', rail('water', 'high'), 'Less liquid.', 'thicker'),
  row('tore', 0.2, 'Turned early', side('first', 'short'), 'Wait until it slides free.'),
  row('tore', 0.1, 'Much sugar', rail('sugar', 'high'), 'Less sugar.', 'less-sweet'),
  row('soapy', 0.7, 'Soda left over', sodaLeft, 'Less soda, or more that is sour.'),
  row('soapy', 0.15, 'Leavening not spread', asked, 'Sieve it with the flour.'),
];

/** The fault that the end of a scale is, by the log's words. */
const FAULTS: Partial<Readonly<Record<ScaleId, Partial<Readonly<Record<number, Mark>>>>>> = {
  colour: { 1: 'pale', 5: 'dark' },
  crumb: { 1: 'flat' },
  taste: { 5: 'soapy' },
};
/** What the scales say that is a fault. */
export const faultsIn = (s: Scales): readonly Mark[] =>
  SCALES.flatMap((id) => {
    const step = s[id];
    const mark = step === undefined ? undefined : FAULTS[id]?.[step];
    return mark ? [mark] : [];
  });

export interface Cause {
  readonly cause: string;
  readonly share: number;
  /** This batch's own number; null where none speaks. */
  readonly evidence: string | null;
  readonly change: string;
  readonly move: string | null;
}

const MOST_CAUSES = 3;

/** Likely causes of what was seen, the likeliest first; shares of all that could be. Empty for what is no fault. */
export function causesOf(mark: Mark, j: Judged): readonly Cause[] {
  const weighed = CAUSES.filter((c) => c.mark === mark).map((c) => {
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
