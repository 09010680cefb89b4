/**
 * Portions and amounts as cooks say them: "1/3 cup", "half a 1/4 cup", "#12", "2/3 blue ladle", "10 cm"; "1 banana", "3
 * eggs", "all of it". What can't be told apart is asked, never taken for something else.
 */
import Fraction from 'fraction.js';
import { scoopMl } from '../batter/portions';
import { pooled } from '../batter/spread';
import type { KitchenConventions } from '../pantry/conventions';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { ingredient } from '../pantry/pantry';
import { weigh } from '../pantry/weigh';
import { type Amount, readAmount } from '../quantity/amount';
import { millilitres } from '../quantity/say';
import { typedNumber } from '../quantity/typed';
import { mlOf, unitById } from '../quantity/units';
import type { Result } from '../result';

/** What a portion is worked with. */
interface PortionWith {
  /** g/mL of the batter; null while there is none. */
  readonly density: number | null;
  /** Pa.s of it, for a width; null where it is not known, or the kind fills a shape. */
  readonly paS: number | null;
  /** Times the cubed width of the model that a pour has here; left out: 1. */
  readonly cubed?: number;
  readonly conventions: KitchenConventions;
}

export interface PortionSaid {
  readonly ml: number;
  /** What it comes to, where more than a number of millilitres was said: "79 ml". */
  readonly comes: string | null;
}

/** Words and number are the same portion within this share. */
const NEAR_ML = 0.02;

const no = (error: string): Result<never, string> => ({ ok: false, error });
const is = (ml: number, comes: string | null = millilitres(ml)): Result<PortionSaid, string> => ({
  ok: true,
  value: { ml, comes },
});

const SHARES: Readonly<Record<string, number>> = {
  half: 1 / 2,
  'a half': 1 / 2,
  'a third': 1 / 3,
  'two thirds': 2 / 3,
  'a quarter': 1 / 4,
  'three quarters': 3 / 4,
};
/** "half a 1/4 cup", "two thirds of a 1/3 cup", "1/2 of a #12". */
const SHARE_OF =
  /^(half|a half|a third|two thirds|a quarter|three quarters|\d+\/\d+)\s+(?:of\s+)?(?:an?\s+|the\s+|one\s+)?(?=[#\d]|no\b)/i;

/** The whole of a text as an amount; null where something of it is left over. */
function whole(text: string): Amount | null {
  const r = readAmount(text);
  return r &&
    text
      .slice(r.length)
      .replace(/^\.|\s+level$/gi, '')
      .trim() === ''
    ? r.amount
    : null;
}

/** mL of batter that spreads so wide by the model: halved until it does. */
function mlAcross(cm: number, paS: number, cubed: number): number {
  let [low, high] = [0.5, 5000];
  for (let n = 0; n < 50; n++) {
    const mid = Math.sqrt(low * high);
    if (pooled(paS, mid, cubed).diameterCm < cm) low = mid;
    else high = mid;
  }
  return high;
}

const CM_PER_INCH = 2.54;

/** mL of an amount of batter; what is no volume by itself is as the house weighed it, or asked. */
function mlSaid(a: Amount, q: PortionWith): Result<number, string> {
  const sizes = { cup: q.conventions.cup, tablespoon: q.conventions.tablespoon };
  let ml = 0;
  for (const t of a.terms) {
    const unit = t.unit === null ? undefined : unitById(t.unit);
    const n = (t.low.valueOf() + (t.high ?? t.low).valueOf()) / 2;
    if (!unit) return no('how many of what? Write millilitres, a cup, a spoon, or "#" and the scoop’s number.');
    const known = mlOf(unit, sizes);
    // an ounce of batter is the ladle's, a fluid one; a gram is a gram
    if (unit.id === 'oz') ml += t.sign * n * Number(mlOf(unitById('fl-oz') ?? unit, sizes)?.valueOf() ?? 0);
    else if (unit.dimension === 'mass') {
      if (q.density === null) return no('there is no batter yet to weigh it by.');
      const g = weigh({ terms: [t], approximate: false }, ingredient('water'), null, q.conventions);
      if (!g.ok) return no(g.error.message);
      ml += (t.sign * g.value.grams) / q.density;
    } else if (known && !t.fullness) ml += t.sign * n * known.valueOf();
    else {
      const own = weigh({ terms: [{ ...t, sign: 1 }], approximate: false }, ingredient('water'), null, q.conventions);
      if (!own.ok) return no(own.error.message);
      ml += t.sign * own.value.grams;
    }
  }
  return { ok: true, value: ml };
}

/** "#12", "scoop 16": a disher's number. */
function scoopSaid(t: string): Result<PortionSaid, string> | null {
  const scoop = /^(?:scoop\s*)?(?:#|no\.?\s*|number\s+)(\d{1,3})(?:\s*(?:scoop|disher))?$/i.exec(t);
  if (!scoop) return null;
  const ml = scoopMl(Number(scoop[1]));
  return ml === null ? no('scoops are numbered from 4 to 100: so many to the quart.') : is(ml);
}

/** "10 cm across": how far one runs. */
function acrossSaid(t: string, q: PortionWith): Result<PortionSaid, string> | null {
  const wide = /^([\d.,/ ]+?)\s*(cm|centimet(?:er|re)s?|"|in|inch|inches)(?:\s+(?:wide|across))?$/i.exec(t);
  if (!wide) return null;
  const cm = typedNumber(wide[1] ?? '', '') * (/^c/i.test(wide[2] ?? '') ? 1 : CM_PER_INCH);
  if (!(cm > 0 && cm <= 60)) return no('a width from 1 to 60 cm.');
  return q.paS === null
    ? no('how wide it runs is not known for this batter: write how much one is.')
    : is(mlAcross(cm, q.paS, q.cubed ?? 1));
}

/**
 * A portion as it is said.
 * @returns mL; or what is wrong with it, to follow "Portion: "
 */
export function portionSaid(text: string, q: PortionWith): Result<PortionSaid, string> {
  const t = text.trim().replace(/\s+/g, ' ');
  if (t === '') return no('write how much one is.');
  const bare = typedNumber(t, 'ml');
  if (!Number.isNaN(bare)) return bare > 0 ? is(bare, null) : no('it has to be more than nothing.');
  const share = SHARE_OF.exec(t);
  if (share && !whole(t)) {
    const word = (share[1] ?? '').toLowerCase();
    const of = portionSaid(t.slice(share[0].length), q);
    return of.ok ? is((SHARES[word] ?? new Fraction(word).valueOf()) * of.value.ml) : of;
  }
  const sized = scoopSaid(t) ?? acrossSaid(t, q);
  if (sized) return sized;
  const a = whole(t);
  if (!a) return no(`"${t.slice(0, 24)}" is no portion. Write 60 ml, 1/4 cup, 2 tbsp, #12, 50 g, or 10 cm across.`);
  const ml = mlSaid(a, q);
  if (!ml.ok) return ml;
  return ml.value > 0 ? is(ml.value) : no('it has to be more than nothing.');
}

/** What of a portion's words is kept with a batch: words that say more than millilitres, and still mean so many. */
export function saidOf(text: string | null | undefined, ml: number, q: PortionWith): string | null {
  const r = text ? portionSaid(text, q) : null;
  return r?.ok && r.value.comes !== null && Math.abs(r.value.ml - ml) <= NEAR_ML * ml ? (text ?? '').trim() : null;
}

/** What of a thing drives a batch. */
interface AmountWith {
  /** g of it that are noted on the shelf; null: nobody noted any. */
  readonly onHandG: number | null;
  readonly conventions: KitchenConventions;
}

const ALL = /^(?:all(?: of (?:it|them))?|all there is|all i have|everything|the lot)$/i;

/**
 * So much of an ingredient as it is said: "700 g", "2 cups", "1 banana", "all of it".
 * @returns g; or what is wrong with it
 */
export function amountSaid(text: string, i: Ingredient, q: AmountWith): Result<number, string> {
  const t = text.trim().replace(/\s+/g, ' ');
  if (t === '') return no('write how much there is.');
  if (ALL.test(t)) {
    if (q.onHandG === null)
      return no(`nobody has noted how much ${kitchenName(i).toLowerCase()} is in stock: write how much there is.`);
    return q.onHandG > 0 ? { ok: true, value: q.onHandG } : no(`there is no ${kitchenName(i).toLowerCase()} in stock.`);
  }
  const r = readAmount(t);
  if (!r) return no(`"${t.slice(0, 24)}" is no amount.`);
  const rest = t.slice(r.length).trim().toLowerCase();
  const names = [kitchenName(i), i.name, ...i.aliases].map((n) => n.toLowerCase());
  // "1 banana", "2 large eggs": a count, or an amount, of the thing itself
  const itself = rest === '' || names.some((n) => n.includes(rest.replace(/(?:e?s)$/, '')) || rest.includes(n));
  if (!itself)
    return no(`"${rest.slice(0, 24)}" is not what the amount is set by: that is ${kitchenName(i).toLowerCase()}.`);
  const counted = r.amount.terms.every((x) => x.unit === null);
  if (counted && rest === '') return no(`${t} of what? Write grams, a cup, or how many.`);
  const w = weigh(r.amount, i, r.fill, q.conventions);
  return w.ok ? { ok: true, value: w.value.grams } : no(w.error.message);
}
