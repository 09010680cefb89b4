/**
 * What is typed on the Plan form: read as a driver, and turned into what another driver asks when the cook changes it.
 */

import type { Driver } from '@/core/batch/driver';
import { amountSaid, type PortionSaid, portionSaid } from '@/core/batch/said';
import { ingredientGrams, type Means } from '@/core/batch/worth';
import type { AccountLine } from '@/core/facts/account';
import type { EndId } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { factorOf } from '@/core/formula/learned';
import type { Numbers } from '@/core/numbers';
import type { Ingredient } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { asTyped, massNumber, OZ_G } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';

export type By = Exclude<Driver['by'], 'both'>;

/** What is typed for two ends from one base. */
export interface BothTyped {
  readonly pieces: string;
  readonly portion: string;
}

/** What is typed, as it stands in the boxes. */
export interface PlanTyped {
  readonly by: By;
  readonly amount: string;
  readonly portion: string;
  readonly each: string;
  readonly seconds: string;
  /** Null: as usual, which is for guests. */
  readonly testPiece: boolean | null;
  readonly head: string;
  readonly gear: string;
  readonly piecesEach: string;
  readonly ingredientId: string;
  /** Things all of which may be used up, off the shelf: the one that runs out first drives. */
  readonly several: readonly string[];
  /** Across the base of a pan that is not noted in the house, cm, as typed. */
  readonly panCm?: string;
}

interface Ask {
  readonly label: string;
  readonly unit: string;
  readonly path: string;
  readonly most: number;
  readonly whole?: true;
}

/** The one number that each driver is about. */
export const ASKS: Readonly<Record<By, Ask>> = {
  pieces: { label: 'Pieces', unit: '', path: 'driver.pieces', most: 100_000, whole: true },
  guests: { label: 'Guests', unit: '', path: 'driver.guests', most: 100_000, whole: true },
  flour: { label: 'Flour', unit: 'g', path: 'driver.grams', most: 1_000_000 },
  mass: { label: 'Batter in the bowl', unit: 'g', path: 'driver.grams', most: 1_000_000 },
  vessel: { label: 'The bowl holds', unit: 'ml', path: 'driver.ml', most: 1_000_000 },
  pans: { label: 'Fillings', unit: '', path: 'driver.fillings', most: 10_000, whole: true },
  eggs: { label: 'Whole eggs', unit: '', path: 'driver.eggs', most: 20_000 },
  ingredient: { label: 'There is', unit: 'g', path: 'driver.grams', most: 1_000_000 },
  factor: { label: 'Times', unit: 'x', path: 'driver.factor', most: 10_000 },
};
export const WEIGHED: readonly By[] = ['flour', 'mass', 'ingredient'];
export const COUNTS: readonly By[] = ['pieces', 'guests', 'pans'];

/**
 * What is wrong with a typed number, in words; null when it is fine. @param nothing 0 is let pass, for what may be none
 */
export function wrong(s: string, label: string, most: number, whole = false, nothing = false): string | null {
  if (s.trim() === '') return `${label}: write a number.`;
  if (/^\s*-/.test(s)) return `${label} has to be more than nothing.`;
  const n = typedNumber(s, '');
  if (Number.isNaN(n)) return `${label}: "${s.slice(0, 20)}" is not a number.`;
  if (n === 0 && !nothing) return `${label} has to be more than nothing.`;
  if (whole && !Number.isInteger(n)) return `${label} come whole.`;
  return n > most ? `${label}: at most ${most.toLocaleString('en-GB')}.` : null;
}

/** What a plan's typing is read with. */
export interface TypedWith {
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly lines: readonly AccountLine[];
  /** The card's own batter. */
  readonly card: Numbers;
  /** The kind fills a pan: a portion is asked only where pieces are counted. */
  readonly pan: boolean;
}

interface ReadDriver {
  /** Null while something is wrong. */
  readonly driver: Driver | null;
  /** Null where none is asked, or it is wrong. */
  readonly portion: PortionSaid | null;
  /** By path, as the server names them. */
  readonly errors: Readonly<Record<string, string>>;
}

/** What the batter holds, each thing once. */
export const thingsIn = (lines: readonly AccountLine[]): readonly Ingredient[] => [
  ...new Map(
    lines
      .filter((l) => l.use === 'batter')
      .flatMap((l) => l.parts.map((p) => [p.ingredient.id, p.ingredient] as const)),
  ).values(),
];

const FLOUR: Pick<Ingredient, 'id'> = { id: 'flour-all-purpose' };

/** The driver that is typed. */
export function readDriver(t: PlanTyped, q: TypedWith): ReadDriver {
  const { units, conventions } = q.house;
  const errors: Record<string, string> = {};
  const check = (path: string, text: string, label: string, most: number, whole = false, nothing = false): number => {
    const why = wrong(text, label, most, whole, nothing);
    if (why) errors[path] = why;
    return typedNumber(text, '');
  };
  const ask = ASKS[t.by];
  const density = q.card.volume?.densityGPerMl ?? null;
  let portion: PortionSaid | null = null;
  if (!q.pan || COUNTS.includes(t.by)) {
    const p = portionSaid(t.portion, {
      density,
      paS: q.pan ? null : (q.card.thickness?.paS ?? null),
      cubed: factorOf(q.card.learned, 'spread'),
      conventions,
    });
    if (!p.ok) errors.portionMl = `Portion: ${p.error}`;
    else if (p.value.ml > 5000) errors.portionMl = 'Portion: at most 5,000 ml.';
    else portion = p.value;
  }
  const portionMl = portion?.ml ?? 60;
  /** g of a thing as it is said; a bare number is in what the house weighs. */
  const amountOf = (i: Ingredient | undefined): number => {
    const bare = typedNumber(t.amount, units.weight);
    if (!i || !Number.isNaN(bare))
      return (
        check(ask.path, t.amount.replace(/\s*(g|oz)$/i, ''), ask.label, ask.most) * (units.weight === 'oz' ? OZ_G : 1)
      );
    const said = amountSaid(t.amount, i, { onHandG: q.shelf[i.id]?.onHandG ?? null, conventions });
    if (!said.ok) errors[ask.path] = `${ask.label}: ${said.error}`;
    return said.ok ? said.value : Number.NaN;
  };
  const things = thingsIn(q.lines);
  const count = (): number => check(ask.path, t.amount, ask.label, ask.most, ask.whole);
  const made = ((): Driver => {
    switch (t.by) {
      case 'pieces':
        return { by: 'pieces', pieces: count(), portionMl };
      case 'guests':
        return {
          by: 'guests',
          guests: count(),
          each: check('driver.each', t.each, 'Pieces each', 1000),
          secondsPct: check('driver.secondsPct', t.seconds, 'Seconds', 500, false, true),
          portionMl,
        };
      case 'pans':
        return {
          by: 'pans',
          fillings: count(),
          piecesEach: check('driver.piecesEach', t.piecesEach, 'Pieces in one', 200, true),
          portionMl,
        };
      case 'vessel': {
        const l = /^([\d.,]+)\s*l(?:it(?:er|re)s?)?$/i.exec(t.amount.trim());
        const ml = l
          ? 1000 * typedNumber(l[1] ?? '', '')
          : check(ask.path, t.amount.replace(/\s*ml$/i, ''), ask.label, ask.most);
        return { by: 'vessel', ml, headPct: check('driver.headPct', t.head, 'Head room', 90, false, true) };
      }
      case 'flour':
        return {
          by: 'flour',
          grams: amountOf(things.find((i) => i.id === FLOUR.id) ?? things.find((i) => i.category === 'flour')),
        };
      case 'mass':
        return { by: 'mass', grams: amountOf(undefined) };
      case 'ingredient':
        return {
          by: 'ingredient',
          ingredientId: t.ingredientId,
          grams: amountOf(things.find((i) => i.id === t.ingredientId)),
        };
      case 'eggs':
        return { by: 'eggs', eggs: check(ask.path, t.amount.replace(/\s*eggs?$/i, ''), ask.label, ask.most) };
      case 'factor':
        return { by: 'factor', factor: check(ask.path, t.amount.replace(/\s*(?:x|times)$/i, ''), ask.label, ask.most) };
    }
  })();
  const testPiece = !q.pan && (t.testPiece ?? t.by === 'guests');
  return {
    driver: Object.keys(errors).length > 0 ? null : { ...made, ...(testPiece && { testPiece }) },
    portion,
    errors,
  };
}

/**
 * Of several things on the shelf, the one that runs out first, and all there is of it. Null where none of them is
 * noted, or in it.
 */
export function runsOutFirst(
  ids: readonly string[],
  q: Pick<TypedWith, 'lines' | 'shelf'>,
): { readonly ingredientId: string; readonly grams: number } | null {
  const goes = ids.flatMap((ingredientId) => {
    const [grams, has] = [q.shelf[ingredientId]?.onHandG ?? 0, ingredientGrams(q.lines, ingredientId)];
    return grams > 0 && has > 0 ? [{ ingredientId, grams, times: grams / has }] : [];
  });
  const [first] = goes.sort((a, b) => a.times - b.times);
  return first ? { ingredientId: first.ingredientId, grams: first.grams } : null;
}

/** One base, two finishes from one base, as typed. @param ends with their names */
export function readBoth(
  t: Readonly<Record<EndId, BothTyped>>,
  ends: readonly { readonly id: EndId; readonly name: string }[],
  testPiece: boolean,
  q: TypedWith,
): ReadDriver {
  const errors: Record<string, string> = {};
  const of = (id: EndId) => {
    const why = wrong(t[id].pieces, 'Pieces', 100_000, true);
    if (why) errors[`driver.${id}.pieces`] = why;
    const p = portionSaid(t[id].portion, {
      density: q.card.volume?.densityGPerMl ?? null,
      paS: q.card.thickness?.paS ?? null,
      cubed: factorOf(q.card.learned, 'spread'),
      conventions: q.house.conventions,
    });
    if (!p.ok) errors[`driver.${id}.portionMl`] = `Portion: ${p.error}`;
    return {
      name: ends.find((e) => e.id === id)?.name ?? id,
      pieces: typedNumber(t[id].pieces, ''),
      portionMl: p.ok ? p.value.ml : 60,
      ...(p.ok && p.value.comes !== null && { said: t[id].portion.trim() }),
    };
  };
  const [a, b] = [of('a'), of('b')];
  return {
    driver: Object.keys(errors).length > 0 ? null : { by: 'both', a, b, ...(testPiece && { testPiece }) },
    portion: null,
    errors,
  };
}

const number = (x: number, digits: number): string => String(Number(x.toFixed(digits)));

/**
 * The number another driver asks, for the batch as it stands: pieces never become grams.
 * @param means what the batch comes to; null where that is not known: the box is emptied, and asks
 */
export function amountAsked(by: By, t: PlanTyped, means: Means | null, q: TypedWith): string {
  if (!means) return by === 'factor' ? '1' : '';
  const weight = (g: number): string => asTyped(massNumber(g, q.house.units));
  const per = (each: string): number =>
    Math.max(1, Math.ceil((means.pieces ?? 0) / Math.max(1, typedNumber(each, '') || 1) - 1e-9));
  switch (by) {
    case 'pieces':
      return means.pieces === null ? '' : String(Math.max(1, means.pieces));
    case 'guests':
      return means.pieces === null ? '' : String(per(t.each));
    case 'pans':
      return means.pieces === null ? '1' : String(per(t.piecesEach));
    case 'flour':
      return weight(means.flourG);
    case 'mass':
      return weight(means.massG);
    case 'vessel':
      return number(means.volumeMl / (1 - (typedNumber(t.head, '') || 0) / 100), 0);
    case 'eggs':
      return means.eggs > 0 ? number(means.eggs, 2) : '';
    case 'ingredient': {
      // all there is of it: what the shelf has, where that is noted
      const grams = q.shelf[t.ingredientId]?.onHandG || ingredientGrams(q.lines, t.ingredientId) * means.factor;
      return grams > 0 ? weight(grams) : '';
    }
    case 'factor':
      return number(means.factor, 4);
  }
}

/**
 * What is asked in pieces and is just what the card makes is the card as it is: its eggs stay whole and its spoons its
 * own.
 */
export function asTheCard(d: Driver, made: number | null): Driver {
  return d.by === 'pieces' && d.pieces === made && !d.testPiece ? { by: 'factor', factor: 1 } : d;
}
