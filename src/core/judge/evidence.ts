/**
 * What a batch's own numbers say of a cause: likelier, less likely, ruled out, or nothing. Kitchen sense with factors
 * to start from (a model of ours).
 */

import {
  type KindId,
  POUR_WORDS,
  RAIL_NAMES,
  type Rail,
  railOf,
  sayRail,
  THICKNESSES,
  type Thickness,
  type Zone,
} from '../formula/kinds';
import { MATTERS, type SchoolIdOf, schoolMeant } from '../formula/schools';
import { addedG } from '../formula/tally';
import { MEQ_PER_G_SODA } from '../lift/ledger';
import type { Numbers } from '../numbers';
import { millilitres, minutesAndSeconds, temperature, type Units } from '../quantity/say';
import { HOLDS_MIN, type SideTimes } from '../script/on-heat';

/** What is known of a batch when it is judged. */
export interface Judged {
  readonly kind: KindId;
  readonly analysis: Pick<Numbers, 'rails' | 'ledger' | 'tally'>;
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
export interface Says {
  readonly times: number;
  readonly text: string | null;
}
export const SILENT: Says = { times: 1, text: null };
/** The numbers speak against it: it is no cause here. */
const RULED_OUT: Says = { times: 0, text: null };
/** Factors on a cause's weight; and what counts as near a zone's end, as a share of it. */
export const FOR = 2.5;
const NEAR_END = 0.2;

export const rail =
  (r: Rail, side: 'low' | 'high') =>
  (j: Judged): Says => {
    const x = railOf(j.analysis, r);
    if (!x?.zone || x.unknown.length > 0) return SILENT;
    const [low, high] = x.zone;
    const at = (x.tested - low) / (high - low);
    const share = side === 'low' ? at : 1 - at;
    if (share > 0.5) return RULED_OUT;
    if (share > NEAR_END) return SILENT;
    return {
      times: share < 0 ? FOR * 1.4 : FOR,
      text: `${RAIL_NAMES[r].toLowerCase()} ${sayRail(r, x.tested)}, of ${sayRail(r, low)} to ${sayRail(r, high)}`,
    };
  };

/** What a probe read, out of what the kind wants; where nothing was read, the sides' times speak. */
export const heat =
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
export const coldBatter = (j: Judged): Says => {
  if (j.batterC === null) return SILENT;
  return j.batterC < COLD_C ? { times: FOR, text: `batter at ${temperature(j.batterC, j.units)}` } : RULED_OUT;
};

export const shortRest = (j: Judged): Says => {
  if (j.restMin === null || j.usualRestMin <= 0) return SILENT;
  const said = `it stood ${Math.round(j.restMin)} min, usually ${j.usualRestMin}`;
  return j.restMin < 0.5 * j.usualRestMin ? { times: FOR, text: said } : RULED_OUT;
};

export const longRest = (j: Judged): Says => {
  if (j.weakPowder) return { times: FOR, text: 'the powder is old by its day' };
  if (j.restMin === null) return SILENT;
  return j.restMin > Math.max(30, 2 * j.usualRestMin)
    ? { times: FOR, text: `it stood ${Math.round(j.restMin)} min` }
    : RULED_OUT;
};

export const overMixed = (j: Judged): Says => {
  if (j.turns === null) return SILENT;
  return j.turns > 1.3 * j.usualTurns
    ? { times: FOR, text: `${Math.round(j.turns)} turns, ${j.usualTurns} are enough` }
    : RULED_OUT;
};

export const heldLong = (j: Judged): Says => {
  if (j.heldMin === null) return SILENT;
  return j.heldMin > HOLDS_MIN[j.kind] ? { times: FOR, text: `held ${Math.round(j.heldMin)} min` } : RULED_OUT;
};

/** A side that took clearly more or less than its usual time. */
export const side =
  (which: 'first' | 'second', how: 'short' | 'long') =>
  (j: Judged): Says => {
    const [was, usual] = which === 'first' ? [j.firstS, j.usual.first] : [j.secondS, j.usual.second];
    if (was === null || usual === null || usual <= 0) return SILENT;
    const share = was / usual;
    const hit = how === 'short' ? share < 0.75 : share > 1.3;
    const other = how === 'short' ? share > 1.1 : share < 0.9;
    if (hit)
      return {
        times: FOR,
        text: `${which} side ${minutesAndSeconds(Math.round(was))}, usually about ${minutesAndSeconds(Math.round(usual))}`,
      };
    return other ? RULED_OUT : SILENT;
  };

export const largePortion = (j: Judged): Says => {
  if (j.portionMl === null || j.usualPortion === null) return SILENT;
  if (j.portionMl > 1.2 * j.usualPortion[1])
    return { times: FOR, text: `portions of ${millilitres(j.portionMl)}, usually ${millilitres(j.usualPortion[1])}` };
  return j.portionMl <= j.usualPortion[1] ? RULED_OUT : SILENT;
};

export const sodaLeft = (j: Judged): Says => {
  const g = j.analysis.ledger.unspentSodaG;
  return g > 0.15 ? { times: FOR * 1.6, text: `${g.toFixed(1)} g of soda finds no acid` } : RULED_OUT;
};
export const acidLeft = (j: Judged): Says => {
  const { acidMeq, baseMeq } = j.analysis.ledger;
  const left = acidMeq - baseMeq - (j.analysis.ledger.sodaG - j.analysis.ledger.unspentSodaG) * MEQ_PER_G_SODA;
  const per = j.analysis.tally.flourG > 0 ? (100 * left) / j.analysis.tally.flourG : 0;
  return per > 8 ? { times: FOR, text: `acid is left over, ${left.toFixed(0)} meq` } : RULED_OUT;
};
export const puree = (j: Judged): Says => {
  const share = j.analysis.tally.massG > 0 ? addedG(j.analysis.tally, 'puree', 'curd') / j.analysis.tally.massG : 0;
  return share > 0.12
    ? { times: FOR, text: `${Math.round(100 * share)} % of the batter is puree or fresh cheese` }
    : RULED_OUT;
};
export const asked = (): Says => SILENT;

/** How it pours, against what the school wants. */
export const pour =
  (how: 'thick' | 'thin') =>
  (j: Judged): Says => {
    if (!j.pour || !j.wantedPour) return rail('water', how === 'thick' ? 'low' : 'high')(j);
    const [from, at, to] = [j.wantedPour[0], j.pour, j.wantedPour[1]].map((p) => THICKNESSES.indexOf(p)) as [
      number,
      number,
      number,
    ];
    const off = how === 'thick' ? at - to : from - at;
    if (off > 0) return { times: FOR, text: `it ${POUR_WORDS[j.pour]}` };
    // the model is good to one class: only the other side speaks against it
    return (how === 'thick' ? from - at : at - to) > 0 ? RULED_OUT : rail('water', how === 'thick' ? 'low' : 'high')(j);
  };

/** A school that nobody chose says little against a cause. */
const USUAL_ONLY = 0.45;

/** Fat in the pan: much of it, or none. */
export const panFat =
  (how: 'much' | 'none' | 'butter') =>
  (j: Judged): Says => {
    const school = schoolMeant('panFat', j.panFat, j.kind);
    const isThin = school === 'film' || school === 'spray' || school === 'lard';
    const id = school === 'none' || isThin ? school : 'much';
    const said = `in the pan: ${MATTERS.panFat.choices[school as SchoolIdOf<'panFat'>].name}`;
    if (how === 'none') return id === 'none' ? { times: FOR, text: said } : RULED_OUT;
    if (how === 'butter') return school === 'butter' ? { times: FOR, text: said } : RULED_OUT;
    // whoever wipes, by choice, is not told to wipe; what nobody has said is only usual
    if (id === 'much') return { times: FOR, text: said };
    return id === 'none' || j.panFat !== 'usual' ? RULED_OUT : { times: USUAL_ONLY, text: null };
  };

/** How it was turned. */
export const turned =
  (how: 'press' | 'several') =>
  (j: Judged): Says => {
    const school = schoolMeant('flip', j.flip, j.kind);
    if (school === how) return { times: FOR, text: `turned: ${MATTERS.flip.choices[how].name}` };
    return j.flip === 'usual' ? { times: USUAL_ONLY, text: null } : RULED_OUT;
  };

/** Something is in the batter. */
export const evidenceHolds =
  (ids: readonly string[], words: string) =>
  (j: Judged): Says =>
    j.holds.some((h) => ids.includes(h)) ? { times: FOR, text: words } : RULED_OUT;

export const bits = (j: Judged): Says => (j.analysis.tally.wholeG > 0 ? SILENT : RULED_OUT);
/** There is egg in it. */
export const egg = (j: Judged): Says => (j.analysis.tally.eggG > 0 ? SILENT : RULED_OUT);
const yeastOnly = (j: Judged): boolean => j.analysis.tally.hasYeast && j.analysis.ledger.co2G < 0.05;
export const powder = (j: Judged): Says =>
  yeastOnly(j) || j.analysis.ledger.sodaG + j.analysis.ledger.sodaInPowderG === 0 ? RULED_OUT : SILENT;
export const bothSay =
  (...says: readonly ((j: Judged) => Says)[]) =>
  (j: Judged): Says => {
    const all = says.map((s) => s(j));
    return all.some((x) => x.times === 0)
      ? RULED_OUT
      : { times: all.reduce((a, x) => a * x.times, 1), text: all.find((x) => x.text)?.text ?? null };
  };
