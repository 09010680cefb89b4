/**
 * How long a piece is expected to lie on the heat before anybody has tapped one. Minutes that a card or the cook gives
 * stand. For a flat cake or a crepe that lies under 8 mm the model of a piece on the heat is asked; for what fills a
 * shape, is foamed or lies thicker, the kind's usual minutes. Either way corrected by what the kitchen has learned.
 */
import { liesAs } from '../batter/spread';
import { type Kind, type KindId, kindById, type Zone } from '../formula/kinds';
import { factorOf, type LessonId } from '../formula/learned';
import { effectOf, type Ways } from '../formula/ways';
import { fade } from '../lift/fade';
import { type Ledger, MEQ_PER_G_SODA } from '../lift/ledger';
import type { Numbers } from '../numbers';
import type { SideTimes } from '../script/on-heat';
import type { AtTheHeat } from '../script/read';
import { type CookedPiece, cooked, type HowTurned } from './cook';
import type { PouredLayer } from './heat-through';

/** Kinds whose pieces lie flat and free. */
const MODELLED: readonly KindId[] = ['griddle', 'small', 'crepe'];
/**
 * mm of the pour. Up to the first the model's seconds are told as a number; from there on, where the model runs slow,
 * as a range, and they go over into the kind's usual ones, which stand from the second on.
 */
const RANGED_MM = 6.5;
const MOST_MODELLED_MM = 8;
const ROOM_C = 24;

export interface ExpectedTimes {
  readonly times: SideTimes;
  readonly by: 'told' | 'model' | 'usual';
  /** A model's time of a pour so thick that only a range is told. */
  readonly ranged: boolean;
  /** The piece as the model cooks it; null: it was not asked. */
  readonly piece: CookedPiece | null;
}

/** pH, guessed: 7.5 and up where soda is left over, under it where acid is. Good to one; for comparing. */
function pHOf({ acidMeq, unspentSodaG, unspentAcidMeq }: Ledger, batterG: number): number {
  const left = (100 * unspentSodaG * MEQ_PER_G_SODA) / batterG;
  if (left > 0) return 7.5 + Math.log10(1 + left / 0.6);
  if (!(acidMeq > 0)) return 7.5;
  const food = (100 * acidMeq) / batterG;
  return 7.5 - (2.9 * (unspentAcidMeq / acidMeq) * food) / (food + 1);
}
/** Each degree of pH browns so many times as fast; 6.8 as the model was set. */
const BY_PH = 1.6;
const USUAL_PH = 6.8;

/** mL of gas at 95 C that 100 g of a batter without foam still gives when it is poured, its usual rest behind it. */
export function liftAtPour({ tally, standing, ledger }: Numbers, paS: number): number {
  const { massG: batterG, waterG } = tally;
  const { restMin, batterC } = standing;
  return fade(ledger, { batterG, waterG, paS, batterC }, [restMin])[0]?.lift ?? 0;
}

/** What was worked before, by what it was worked from: a plan is worked at every key. */
const known = new Map<string, CookedPiece>();
const MOST_KNOWN = 200;

/**
 * A piece as the model cooks it; null where it is not for the model: not flat, foamed, too thick, or nothing flows.
 * @param surfaceC of the griddle or pan
 */
export function cookedPiece(kind: Kind, a: Numbers, portionMl: number | null, surfaceC: number): CookedPiece | null {
  const asked = pouredPiece(kind, a, portionMl);
  if (!asked) return null;
  const { pour, how } = asked;
  const key = JSON.stringify([pour, how, surfaceC]);
  const had = known.get(key);
  if (had) return had;
  const made = cooked(pour, { surfaceC, roomC: ROOM_C, lid: false }, how);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, made);
  return made;
}

/** What the model is asked of a portion as it is poured: its layer, its sugar, how wide it lies. */
export interface PouredPiece {
  readonly pour: PouredLayer;
  readonly how: HowTurned;
  readonly acrossCm: number;
}

/** A portion as the model takes it; null where it is not for the model: not flat, foamed, too thick, or nothing flows. */
export function pouredPiece(kind: Kind, a: Numbers, portionMl: number | null): PouredPiece | null {
  const lies = portionMl && MODELLED.includes(kind.id) ? liesAs(kind, a, portionMl) : null;
  if (!lies || !a.volume || a.volume.foamed || lies.thickMm > MOST_MODELLED_MM || !a.thickness) return null;
  const { massG, waterG, sugarG } = a.tally;
  const flourWater = FLOUR_WATER * a.tally.flourG;
  const density = a.volume.densityGPerMl;
  const pour = {
    kgPerM2: Number((lies.thickMm * density).toFixed(2)),
    densityGPerMl: Number(density.toFixed(2)),
    waterShare: Number(((waterG + flourWater) / massG).toFixed(3)),
    liftMl: Math.round(liftAtPour(a, a.thickness.paS)),
    batterC: Math.round(a.standing.batterC),
    browns: Number((BY_PH ** (pHOf(a.ledger, massG) - USUAL_PH)).toFixed(2)),
  };
  const how = { sugarPercent: Math.round((100 * sugarG) / (sugarG + waterG + flourWater)), film: kind.tilted };
  return { pour, how, acrossCm: lies.diameterCm };
}
/** Water that flour holds as it is bought, share; the tally counts it with the flour. */
const FLOUR_WATER = 0.13;

const middle = ([low, high]: Zone): number => (low + high) / 2;

/**
 * @param heat how hot, and the minutes of the script with whether somebody gave them
 * @param a the batter's numbers @param portionMl of one piece; null: it fills its pan
 */
export function expectedTimes(
  heat: AtTheHeat,
  kindId: KindId,
  ways: Ways,
  a: Numbers,
  portionMl: number | null,
): ExpectedTimes {
  const kind = kindById(kindId);
  const { times, given } = heat;
  const lesson: LessonId = `time:${kindId}`;
  // minutes are learned against the model with nothing learned, so what the width of a pour does is in them already
  const by = a.learned[lesson] ? { ...a, learned: {} } : a;
  const made = given.first ? null : cookedPiece(kind, by, portionMl, middle(heat.zoneC));
  const piece = made?.through ? made : null;
  const thickMm = piece && portionMl ? (liesAs(kind, by, portionMl)?.thickMm ?? 0) : 0;
  const usualShare = Math.max(0, (thickMm - RANGED_MM) / (MOST_MODELLED_MM - RANGED_MM));
  const here = factorOf(a.learned, lesson);
  const expected = (usualS: number, modelS: number | undefined): number =>
    here * (modelS === undefined ? usualS : modelS + (usualS - modelS) * usualShare);
  const first = given.first ? times.first : expected(times.first, piece?.firstS);
  // a second side that a way sets goes with the first
  const share = effectOf(ways, 'second', kindId).second ?? null;
  const second = (usualS: number): number =>
    given.second ? usualS : share !== null ? share * first : expected(usualS, piece?.secondS);
  return {
    times: { first: Math.round(first), second: times.second === null ? null : Math.round(second(times.second)) },
    by: given.first ? 'told' : piece ? 'model' : 'usual',
    ranged: usualShare > 0,
    piece,
  };
}
