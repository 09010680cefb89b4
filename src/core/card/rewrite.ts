/**
 * Writing a line anew: the same ingredient, preparation and use, another amount. The cook's own unit stays where the
 * new amount is a fraction that exists in a kitchen; else the line goes to grams. What is written is read back, and
 * only stands when it means the same thing.
 */
import Fraction from 'fraction.js';
import type { KitchenConventions } from '../pantry/conventions';
import { kitchenName } from '../pantry/ingredient';
import { type Amount, type Combined, writeAmount } from '../quantity/amount';
import { type Line, type LineChoice, readLine } from './line';
import { splitLine } from './split';

/** Finest fraction of each unit that a kitchen has. */
const DENOMINATORS: Readonly<Record<string, readonly number[]>> = {
  cup: [1, 2, 3, 4],
  tbsp: [1, 2],
  tsp: [1, 2, 4, 8],
  stick: [1, 2, 3, 4, 8],
  pint: [1, 2, 4],
  quart: [1, 2, 4],
  lb: [1, 2, 4],
  oz: [1, 2, 4, 8],
  piece: [1, 2],
};
const SOME = [1] as const;
/** The next smaller thing to measure with, where the own unit has no such fraction; and how many of it make one. */
export const SMALLER: Readonly<Record<string, { readonly unit: 'tbsp' | 'tsp'; readonly per: number }>> = {
  cup: { unit: 'tbsp', per: 16 },
  tbsp: { unit: 'tsp', per: 3 },
};
/** More than so many of a smaller measure is no way to fill a larger. */
const MOST_SMALLER = 6;
/** How far a fraction may miss the grams asked for, as a share, and still be written as that fraction. */
const CLOSE = 0.002;

const of = ({ unit, which }: Pick<Combined, 'unit' | 'which'>, value: Fraction): Amount => ({
  terms: [{ sign: 1, low: value, high: null, unit, fullness: null, ...(which && { which }) }],
  approximate: false,
});

/** Smallest step grams are written to from ten grams on: tenths, or hundredths where a ratio needs them. */
export type Finest = 0.1 | 0.01;

/** Grams as they are written in a line: tenths (or finer), hundredths below ten; never nothing. */
export function writtenGrams(g: number, finest: Finest = 0.1): string {
  const digits = g >= 9.95 && finest === 0.1 ? 10 : 100;
  return `${Math.max(1, Math.round(g * digits)) / digits} g`;
}

/** What leads into an amount that says the same again: ", about", "(", "/", "=". */
const LEAD_TO_AMOUNT =
  /(?:[\s,:;([/|=~≈–—-]|\b(?:or|about|approx\.?|approximately|roughly|that is|i\.e\.|equals?|plus|and|minus|less))*$/i;

const trimmed = (s: string): string => s.replace(/\s+/g, ' ').trim();

const PIECES = ['egg', 'yolk', 'white', 'banana', 'lemon', 'apple', 'pear'].map(
  (one) => [new RegExp(`\\b${one}s?\\b`), one] as const,
);

/**
 * "1 egg", "2 eggs": what is counted follows its number. @param rest the line without its amount @param said the amount
 */
export function asMany(rest: string, said: string): string {
  const n = /^([\d ]*\d)(?:\/\d+)?$/.exec(said);
  if (!n) return rest;
  const many = !/^(?:1|\d+\/\d+)$/.test(said);
  const [last] = PIECES.filter(([re]) => re.test(rest)).slice(-1);
  return last ? rest.replace(last[0], `${last[1]}${many ? 's' : ''}`) : rest;
}

/** A number of a unit as a kitchen has it, where one is close. */
function fractionOf(unit: string, n: number): Fraction | null {
  for (const d of DENOMINATORS[unit] ?? SOME) {
    const k = Math.round(n * d);
    if (k > 0 && Math.abs(k / d - n) <= CLOSE * n) return new Fraction(k, d);
  }
  return null;
}

/** How the new amount may be written, best first. */
function amountsFor(line: Line, grams: number, finest: Finest): readonly string[] {
  const asGrams = writtenGrams(grams, finest);
  const [first] = line.amounts;
  if (!first || !line.grams || line.written.length !== 1 || line.written[0]?.terms.length !== 1) return [asGrams];
  if (first.unit === 'g') return [asGrams];
  const each = line.grams / ((first.low.valueOf() + (first.high ?? first.low).valueOf()) / 2);
  const own = fractionOf(first.unit ?? 'piece', grams / each);
  if (own) return [writeAmount(of(first, own)), asGrams];
  // an eighth of a cup over is two tablespoons
  const eighths = Math.round((8 * grams) / each);
  if (
    first.unit === 'cup' &&
    eighths > 1 &&
    eighths % 2 === 1 &&
    Math.abs(eighths / 8 - grams / each) <= (CLOSE * grams) / each
  )
    return [`${writeAmount(of(first, new Fraction(eighths - 1, 8)))} plus 2 tbsp`, asGrams];
  // what is smaller than the spoon it is written in is measured with the next
  const smaller: string[] = [];
  for (let [unit, one] = [first.unit as string | null, each]; unit && SMALLER[unit]; ) {
    const next = SMALLER[unit];
    if (!next) break;
    [unit, one] = [next.unit, one / next.per];
    const n = fractionOf(unit, grams / one);
    if (n && n.valueOf() <= MOST_SMALLER) smaller.push(writeAmount(of({ unit: next.unit }, n)));
  }
  return [...smaller.slice(0, 1), asGrams];
}

/** The words of a line without its amount, and without what says the amount over again. */
export function withoutAmount(line: Pick<Line, 'text'>, house: KitchenConventions): string {
  const { text: tidy, amountSpans } = splitLine(line.text, house);
  // what says the old amount over again goes with it, and the marks it stood in
  return trimmed(
    [...amountSpans]
      .sort((a, b) => b.start - a.start)
      .reduce(
        (t, a) => `${t.slice(0, a.start).replace(LEAD_TO_AMOUNT, ' ')} ${t.slice(a.end).replace(/^\s*[)\]]/, '')}`,
        tidy,
      ),
  ).replace(/^[,:;/\s]+(?:of\s+)?|[\s,:;(]+$/gi, '');
}

/**
 * The text of a line with another amount.
 * @param line as read, with grams
 * @param grams what it shall weigh, > 0
 * @returns the new text; grams of what is written may differ by the last digit written
 */
export function rewriteAmount(
  line: Line,
  grams: number,
  house: KitchenConventions,
  choice: LineChoice = {},
  finest: Finest = 0.1,
): string {
  if (line.grams !== null && Math.abs(grams - line.grams) < 1e-9 * grams) return line.text;
  const plainChoice: LineChoice = { ingredientId: choice.ingredientId, vessel: choice.vessel };
  const rest = withoutAmount(line, house);
  const prepared = line.preparation ? `, ${line.preparation}` : '';
  for (const said of amountsFor(line, grams, finest)) {
    for (const text of [
      `${said} ${asMany(rest, said)}`,
      `${said} ${line.ingredient ? kitchenName(line.ingredient).toLowerCase() : ''}${prepared}`,
    ]) {
      if (meansTheSame(readLine(text, house, plainChoice), line, grams)) return text;
    }
  }
  return partsInGrams(line, grams);
}

/** Whether a line written anew is the old one with other grams. */
function meansTheSame(now: Line, was: Line, grams: number): boolean {
  return (
    now.status === 'read' &&
    now.parts.length === was.parts.length &&
    now.parts.every((p, n) => p.ingredient.id === was.parts[n]?.ingredient.id) &&
    now.ingredient?.id === was.ingredient?.id &&
    now.use === was.use &&
    now.foam === was.foam &&
    Math.abs((now.grams ?? 0) - grams) <= Math.max(0.006, 0.0051 * Math.min(grams, 10), CLOSE * grams)
  );
}

/** The last resort, and the way of a line of two things: each in grams under its pantry name. */
function partsInGrams(line: Line, grams: number): string {
  const factor = grams / (line.grams ?? grams);
  const body = line.parts
    .map((p) => `${writtenGrams(p.grams * factor)} ${kitchenName(p.ingredient).toLowerCase()}`)
    .join(' plus ');
  const where = line.use === 'pan' ? ' for the pan' : line.use === 'topping' ? ' to serve' : '';
  return `${body}${line.preparation && line.use === 'batter' ? `, ${line.preparation}` : where}`;
}
