/**
 * Weighing on paper: what a written amount of an ingredient weighs in a given kitchen, grams, as a best value and the
 * honest bracket around it. Densities are the table's cup weights; how full a measure is follows our own conventions
 * (below), which widen the bracket.
 */

import type { Amount, Fullness, Term } from '../quantity/amount';
import { gramsOf, mlOf, type Unit, unitById } from '../quantity/units';
import type { Result } from '../result';
import { EGG_GRAMS, type FillMethod, type KitchenConventions } from './conventions';
import { filledLike, gPerUsCupOf, isPacked, ownFill, US_CUP_ML } from './fill';
import type { FillRow, Ingredient } from './ingredient';
import { type OwnMeasure, ownMeasure } from './own';
import { fillRow, findIngredient } from './pantry';
import { behaviourOf } from './tables/behaviour';

export interface Weighed {
  readonly grams: number;
  readonly low: number;
  readonly high: number;
  /** What the bracket rests on: `own` is a measure this kitchen has weighed. */
  readonly basis: 'weight' | 'own' | 'piece' | 'volume' | 'fill-stated' | 'fill-not-stated';
}

interface CannotWeigh {
  readonly reason: 'no-unit' | 'vague-unit' | 'no-density' | 'wrong-unit' | 'not-positive' | 'enormous';
  readonly message: string;
}

type WeighResult = Result<Weighed, CannotWeigh>;

const fail = (reason: CannotWeigh['reason'], message: string): WeighResult => ({
  ok: false,
  error: { reason, message },
});

/** Multiplier and widening (share, either way) of each fullness word, for spoons and for cups. */
const FULL: Readonly<Record<Fullness, Readonly<Record<'spoon' | 'cup', readonly [factor: number, widen: number]>>>> = {
  scant: { spoon: [0.93, 0.05], cup: [0.93, 0.05] },
  level: { spoon: [1, 0], cup: [1, 0] },
  generous: { spoon: [1.08, 0.06], cup: [1.08, 0.06] },
  rounded: { spoon: [1.25, 0.15], cup: [1.08, 0.08] },
  heaping: { spoon: [1.5, 0.25], cup: [1.15, 0.1] },
};

/** How many level ones a spoon or a cup is that is filled so. */
export const levelOnes = (fullness: Fullness, unit: Pick<Unit, 'heap'>): number =>
  FULL[fullness][unit.heap ?? 'cup'][0];

const LIQUID_SPREAD = 0.02;
const SOLID_SPREAD = 0.05;
const EGG_SPREAD = 0.08;
const ABOUT_SPREAD = 0.05;
/** A line heavier than this is a slip of the finger: one tonne. */
const MOST_GRAMS = 1_000_000;

/**
 * Half-width as a share that a volume weight must miss by before two amounts are said to disagree, without a fill row.
 */
const DISAGREE_SPREAD = 0.1;
/** "25 g/1 oz": cards round one weight to fit the other system's steps. */
const TWO_WEIGHTS_SPREAD = 0.15;

interface Density {
  /** g per mL: best, lowest, highest. */
  readonly best: number;
  readonly low: number;
  readonly high: number;
  readonly basis: Weighed['basis'];
}

function isPoured(i: Ingredient): boolean {
  const b = behaviourOf(i);
  return b.poured || i.category === 'egg' || i.category === 'syrup' || i.id.startsWith('oil-');
}

/** Salts by the spoon differ up to twofold: the bracket of a flake or sea salt runs over the crystals it may be. */
const SALT_RANGE: Readonly<Record<string, readonly [number, number]>> = {
  'salt-sea-fine': [135 / 274, 292 / 274],
  'salt-kosher-light': [0.9, 230 / 135],
  'salt-kosher-dense': [135 / 230, 1.1],
};

/** Whether what a cup of it weighs hangs on how the kitchen fills a cup. */
export const hangsOnFill = (i: Ingredient): boolean => fillRow(i) !== undefined && !isPacked(i);

/**
 * Whether amounts of this house follow a measure: one of what is filled is followed only where the house fills its own
 * way.
 */
export function isFollowed(m: OwnMeasure, house: KitchenConventions): boolean {
  const i = m.ingredientId === null ? undefined : findIngredient(m.ingredientId, house.own);
  return m.used && (i === undefined || !hangsOnFill(i) || house.flourFill === 'own');
}

/** g per mL by a measure of one ingredient, of whatever size that measure is. */
function ownDensity(i: Ingredient, house: KitchenConventions): Density | null {
  if (hangsOnFill(i) && house.flourFill !== 'own') return null;
  for (const m of house.own?.measures ?? []) {
    const g = m.used && m.ingredientId === i.id ? gPerUsCupOf(m, house) : null;
    if (g)
      return {
        best: g / US_CUP_ML,
        low: ((g / US_CUP_ML) * m.low) / m.each,
        high: ((g / US_CUP_ML) * m.high) / m.each,
        basis: 'own',
      };
  }
  return null;
}

/** g in a US cup as this house fills it, and whether that rests on a cup it has weighed. */
function usualFill(row: FillRow, house: KitchenConventions): { readonly grams: number; readonly own: boolean } {
  const at = house.flourFill === 'own' ? ownFill(house) : null;
  if (at) return { grams: filledLike(row, at), own: true };
  return { grams: (house.flourFill === 'own' ? undefined : row[house.flourFill]) ?? row.spooned ?? 0, own: false };
}

function density(i: Ingredient, fill: FillMethod | null, house: KitchenConventions): Density | null {
  const weighed = fill === null ? ownDensity(i, house) : null;
  if (weighed) return weighed;
  const row = fillRow(i);
  if (row) {
    const said = fill ? row[fill] : undefined;
    const usual = isPacked(i) ? { grams: row.packed ?? 0, own: false } : usualFill(row, house);
    const stated = said !== undefined || isPacked(i);
    const best = (said ?? usual.grams) / US_CUP_ML;
    const u = row.uncertaintyPct / 100;
    if (stated || usual.own)
      return { best, low: best * (1 - u), high: best * (1 + u), basis: stated ? 'fill-stated' : 'own' };
    const ways = [row.sifted, row.spooned, row.packed].filter((x) => x !== undefined);
    return { best, low: Math.min(...ways) / US_CUP_ML, high: Math.max(...ways) / US_CUP_ML, basis: 'fill-not-stated' };
  }
  const cup = i.gPerUsCup ?? (i.gPerTsp === undefined ? undefined : i.gPerTsp * 48);
  if (cup === undefined) return null;
  const best = cup / US_CUP_ML;
  const range = SALT_RANGE[i.id];
  if (range) return { best, low: best * range[0], high: best * range[1], basis: 'volume' };
  const s = isPoured(i) ? LIQUID_SPREAD : SOLID_SPREAD;
  return { best, low: best * (1 - s), high: best * (1 + s), basis: 'volume' };
}

/** Only some things are counted: "a third of butter" is no third of a stick. */
const isCountable = (i: Ingredient): boolean =>
  i.piece !== undefined &&
  (i.category === 'egg' || i.piece.name === 'pod' || (i.category === 'fruit-veg' && !/can/.test(i.piece.name)));

/** Grams of one piece: a yolk and a white follow the size of the egg they come from. */
function pieceGrams(i: Ingredient, house: KitchenConventions): number | null {
  if (!i.piece) return null;
  if (i.id === 'egg-yolk' || i.id === 'egg-white') return (i.piece.grams * EGG_GRAMS[house.egg]) / EGG_GRAMS.large;
  return i.piece.grams;
}

interface Range3 {
  readonly best: number;
  readonly low: number;
  readonly high: number;
  readonly basis: Weighed['basis'];
}

const asRange = (m: OwnMeasure): Range3 => ({ best: m.each, low: m.low, high: m.high, basis: 'own' });

const times = (r: Range3, d: Density, more: readonly [low: number, high: number] = [1, 1], factor = 1): Range3 => ({
  best: r.best * d.best * factor,
  low: r.low * d.low * factor * more[0],
  high: r.high * d.high * factor * more[1],
  basis: d.basis,
});

/** What this kitchen found one of a measure to hold of an ingredient, g; null where it has not measured it. */
function ownSize(
  unit: Unit,
  which: string,
  full: string,
  i: Ingredient,
  fill: FillMethod | null,
  house: KitchenConventions,
): Range3 | CannotWeigh | null {
  const { own } = house;
  if (!own) return null;
  const follows = fill === null && (!hangsOnFill(i) || house.flourFill === 'own');
  const ofIt = follows ? ownMeasure(own, { unit: unit.id, which, full, ingredientId: i.id }) : undefined;
  if (ofIt) return asRange(ofIt);
  const vessel = ownMeasure(own, { unit: unit.id, which, full, ingredientId: null });
  if (!vessel) return null;
  const d = density(i, fill, house);
  return d ? times(asRange(vessel), d) : noDensity(i);
}

const noDensity = (i: Ingredient): CannotWeigh => ({
  reason: 'no-density',
  message: `The pantry does not know what a spoon of ${i.name.toLowerCase()} weighs. Write grams, or weigh a cup of it once.`,
});

/** "3 eggs", "1 banana": what one of it weighs. */
function onePiece(i: Ingredient, house: KitchenConventions): Range3 | CannotWeigh {
  const g = isCountable(i) ? pieceGrams(i, house) : null;
  if (g === null) return { reason: 'no-unit', message: 'A number without a unit: cups, spoons or grams?' };
  const s = i.category === 'egg' ? EGG_SPREAD : 0.25;
  return { best: g, low: g * (1 - s), high: g * (1 + s), basis: 'piece' };
}

/** Packs that the pantry's piece of a thing may be. */
const PACKS: Readonly<Record<string, RegExp>> = { can: /can/, packet: /sachet/, slice: /rasher|slice/ };

/** A can of pumpkin, a sachet of yeast: where the pantry knows the pack, it is a piece. */
function onePack(unit: Unit, t: Term, i: Ingredient): Range3 | CannotWeigh {
  if (i.piece && !t.which && PACKS[unit.id]?.test(i.piece.name))
    return { best: i.piece.grams, low: i.piece.grams * 0.95, high: i.piece.grams * 1.05, basis: 'piece' };
  return { reason: 'vague-unit', message: unit.ask ?? `A ${unit.one} has no set size.` };
}

function one(
  unit: Unit | null,
  t: Term,
  i: Ingredient,
  fill: FillMethod | null,
  house: KitchenConventions,
): Range3 | CannotWeigh {
  if (unit === null) return onePiece(i, house);
  const own = ownSize(unit, t.which ?? '', '1', i, fill, house);
  if (own && 'reason' in own) return own;
  const [factor, widen] = FULL[t.fullness ?? 'level'][unit.heap ?? 'cup'];
  if (own)
    return {
      ...own,
      best: own.best * factor,
      low: own.low * factor * (1 - widen),
      high: own.high * factor * (1 + widen),
    };
  if (unit.dimension === 'vague') return onePack(unit, t, i);
  if (unit.butterOnly && i.category !== 'fat')
    return { reason: 'wrong-unit', message: `Only butter and the like come by the ${unit.one}.` };
  const [a, b] = unit.spread ?? [1, 1];
  const g = gramsOf(unit)?.valueOf();
  if (g !== undefined) {
    // an ounce of something poured may be a fluid ounce
    const wide = unit.id === 'oz' && isPoured(i) && i.gPerUsCup ? (29.5735295625 * i.gPerUsCup) / US_CUP_ML : g;
    return { best: g, low: Math.min(g * a, wide), high: Math.max(g * b, wide), basis: 'weight' };
  }
  const ml = mlOf(unit, house)?.valueOf();
  if (ml === undefined) return { reason: 'no-unit', message: 'Of what unit?' };
  const d = density(i, fill, house);
  if (!d) return noDensity(i);
  return times({ best: ml, low: ml, high: ml, basis: d.basis }, d, [(1 - widen) * a, (1 + widen) * b], factor);
}

/** A part of a measure that this kitchen has weighed as a size of its own: two thirds of the ladle. */
function partSize(t: Term, i: Ingredient, fill: FillMethod | null, house: KitchenConventions): Range3 | null {
  const unit = t.unit === null || t.high || t.fullness || !house.own ? undefined : unitById(t.unit);
  const r = unit && t.low.compare(1) < 0 ? ownSize(unit, t.which ?? '', t.low.toFraction(), i, fill, house) : null;
  return r && !('reason' in r) ? r : null;
}

const WORST: readonly Weighed['basis'][] = ['weight', 'own', 'piece', 'volume', 'fill-stated', 'fill-not-stated'];

/**
 * What an amount of an ingredient weighs.
 * @param fill how the line says the measure was filled; null: as the house fills it
 * @returns grams best, lowest and highest (a written range: its middle and ends), or why it can't be weighed
 */
export function weigh(amount: Amount, i: Ingredient, fill: FillMethod | null, house: KitchenConventions): WeighResult {
  let best = 0;
  let low = 0;
  let high = 0;
  let basis: Weighed['basis'] = 'weight';
  for (const t of amount.terms) {
    const part = partSize(t, i, fill, house);
    const r = part ?? one(t.unit === null ? null : (unitById(t.unit) ?? null), t, i, fill, house);
    if ('reason' in r) return { ok: false, error: r };
    const from = part ? 1 : t.low.valueOf();
    const to = part ? 1 : (t.high ?? t.low).valueOf();
    best += (t.sign * r.best * (from + to)) / 2;
    low += t.sign > 0 ? r.low * from : -r.high * to;
    high += t.sign > 0 ? r.high * to : -r.low * from;
    if (WORST.indexOf(r.basis) > WORST.indexOf(basis)) basis = r.basis;
  }
  if (amount.approximate) {
    low *= 1 - ABOUT_SPREAD;
    high *= 1 + ABOUT_SPREAD;
  }
  // "up to a cup" may be far less, "a cup or more" somewhat more: ours
  if (amount.bound === 'up-to') low *= 0.5;
  if (amount.bound === 'or-more') high *= 1.25;
  if (!(best > 0)) return fail('not-positive', 'An amount has to be more than nothing.');
  if (best > MOST_GRAMS)
    return fail(
      'enormous',
      `That would be ${Math.round(best / 1000).toLocaleString('en-GB')} kg on one line: check the number and the unit.`,
    );
  return { ok: true, value: { grams: best, low: Math.max(0, low), high, basis } };
}

/**
 * The bracket a stated weight is held against when an amount is written twice: the table's, or a tenth where it has
 * none.
 */
export function disagreementBracket(w: Weighed): { readonly low: number; readonly high: number } {
  if (w.basis === 'fill-stated' || w.basis === 'fill-not-stated') return { low: w.low, high: w.high };
  const s = w.basis === 'weight' ? TWO_WEIGHTS_SPREAD : DISAGREE_SPREAD;
  return { low: Math.min(w.low, w.grams * (1 - s)), high: Math.max(w.high, w.grams * (1 + s)) };
}

/**
 * Where a weight rests on a convention of ours or on a unit that could mean two things, in words; most lines have none.
 */
export function doubtsOf(
  amount: Amount,
  i: Ingredient,
): readonly { readonly code: 'fullness' | 'unit-doubtful'; readonly message: string }[] {
  const out: { code: 'fullness' | 'unit-doubtful'; message: string }[] = [];
  for (const t of amount.terms) {
    const unit = t.unit === null ? undefined : unitById(t.unit);
    if (unit && t.fullness && t.fullness !== 'level') {
      const heap = unit.heap ?? 'cup';
      out.push({
        code: 'fullness',
        message: `A ${t.fullness} ${unit.heap ? heap : unit.id} is taken as ${levelOnes(t.fullness, unit)} level ones: our convention.`,
      });
    }
    if (unit?.id === 'oz' && isPoured(i) && i.category !== 'egg' && i.gPerUsCup)
      out.push({
        code: 'unit-doubtful',
        message: 'Ounces are taken as weight; write "fl oz" where the measure is meant.',
      });
  }
  return out;
}
