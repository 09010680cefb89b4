/** What is offered for a sentence: formulas of the shelf, and the morning that two of them make. */

import type { KindId } from '../formula/kinds';
import { eachHere, type Learned } from '../formula/learned';
import type { MorningPlan } from '../morning/plan';
import { usualMorning } from '../morning/plan';
import { type Gear, madeOn } from '../pantry/gear';
import type { Allergen } from '../pantry/ingredient';
import type { Begin, Without } from './sentence';
import { minutesInto } from './when';

interface OnShelf {
  readonly name: string;
  readonly kind: KindId;
}

const wordsIn = (name: string): readonly string[] => name.toLowerCase().match(/[\p{L}\d]+/gu) ?? [];
const isIn = (word: string, name: string): boolean =>
  wordsIn(name).some(
    (w) => w === word.toLowerCase() || w.replace(/e?s$/, '') === word.toLowerCase().replace(/e?s$/, ''),
  );

/** "Pancakes" may be any that lie freely on a griddle. */
const LIKE_GRIDDLE: readonly KindId[] = ['griddle', 'small', 'foam'];
const NAMED = 10;
const OF_KIND = 5;
const LIKE_KIND = 3;

/**
 * Formulas as a sentence asks for them, the best first: by their name, by their kind, then as they stand; none that is
 * not made on what was named.
 */
export function formulasFor<F extends OnShelf>(
  b: Pick<Begin, 'called' | 'kind' | 'on'>,
  shelf: readonly F[],
  gear: readonly Gear[],
): readonly F[] {
  const on = gear.filter((g) => b.on.includes(g.id));
  const near = (f: F): number =>
    NAMED * b.called.filter((w) => isIn(w, f.name)).length +
    (f.kind === b.kind ? OF_KIND : b.kind === 'griddle' && LIKE_GRIDDLE.includes(f.kind) ? LIKE_KIND : 0);
  return shelf
    .filter((f) => on.length === 0 || on.some((g) => madeOn(g, f.kind)))
    .map((f, n) => ({ f, n, near: near(f) }))
    .sort((a, x) => x.near - a.near || a.n - x.n)
    .map(({ f }) => f);
}

/** Words that nobody understood, and no formula here is called by. */
export const unreadIn = (b: Pick<Begin, 'unread'>, shelf: readonly OnShelf[]): readonly string[] =>
  b.unread.filter((w) => !shelf.some((f) => isIn(w, f.name)));

/** Guests who eat without something while others don't: how many, and without what. */
export interface Apart {
  readonly guests: number;
  readonly without: readonly Allergen[];
}

/** The allergens that everybody does without, and the guests who do without more. */
export function apartIn(b: Pick<Begin, 'people' | 'without'>): {
  readonly everybody: readonly Allergen[];
  readonly apart: Apart | null;
} {
  const isAll = (w: Without): boolean => w.guests === null || (b.people !== null && w.guests >= b.people);
  const some = b.without.filter((w) => !isAll(w));
  const everybody = [...new Set(b.without.filter(isAll).flatMap((w) => w.allergens))];
  if (some.length === 0) return { everybody, apart: null };
  // what is said apart is of other guests: one without milk, two without egg are three
  const guests = some.reduce((sum, w) => sum + (w.guests ?? 0), 0);
  const without = [...new Set([...everybody, ...some.flatMap((w) => w.allergens)])];
  return { everybody, apart: { guests: Math.min(guests, b.people ?? guests), without } };
}

/** Pieces on a plate where nobody has said. */
export const USUAL_EACH = 2;

/** Waves of so many people in all: as they were said, or by their shares where another number was put in. */
export function wavesOf(b: Pick<Begin, 'time' | 'waves'>, people: number): MorningPlan['waves'] {
  const at = minutesInto(b.time ?? '08:00');
  const said = b.waves.reduce((sum, w) => sum + w.people, 0);
  if (b.waves.length === 0 || people < b.waves.length) return [{ at, covers: people }];
  let before = 0;
  return b.waves.map((w) => {
    before += w.people;
    const until = (n: number): number => Math.round((people * n) / said);
    return { at: at + w.afterMin, covers: Math.max(1, until(before) - until(before - w.people)) };
  });
}

/** Who cooks is there so long before the first plate, and so long after the last wave has come, min. */
const [BEFORE_MIN, AFTER_MIN] = [120, 60];
const LAST_MINUTE = 1439;
/** The cooks at their usual hours, and whenever else there are plates to get out. */
function aroundWaves(people: MorningPlan['people'], waves: MorningPlan['waves']): MorningPlan['people'] {
  const at = waves.map((w) => w.at);
  const from = Math.max(0, Math.min(...at) - BEFORE_MIN);
  const to = Math.min(LAST_MINUTE, Math.max(...at) + AFTER_MIN);
  return people.map((p) => ({ ...p, from: from >= p.to ? from : Math.min(p.from, from), to: Math.max(p.to, to) }));
}

/**
 * A morning as a sentence says it: in waves, and of two dishes where some do without something.
 * @param of the formula that most get @param other what those get who stand apart; null: nobody does
 * @param cooks names of who cooks
 */
export function morningSaid(
  b: Begin,
  of: string,
  other: string | null,
  gear: readonly Gear[],
  cooks: readonly {
    readonly id: string;
    readonly name: string;
    readonly role: MorningPlan['people'][number]['role'];
  }[],
  day: string,
  learned?: Learned,
): MorningPlan {
  const { everybody, apart } = apartIn(b);
  const each = b.each ?? eachHere(learned, USUAL_EACH);
  const others = other === null ? 0 : (apart?.guests ?? 0);
  // pieces alone are said of as many as they go round
  const people = Math.max(b.people ?? Math.ceil((b.pieces ?? 0) / each), others);
  const usual = usualMorning(gear, cooks);
  const waves = wavesOf(b, people);
  return {
    ...usual,
    surfaces: usual.surfaces.filter((s) => b.on.length === 0 || (s.gearId != null && b.on.includes(s.gearId))),
    day: b.day ?? day,
    waves,
    people: aroundWaves(usual.people, waves),
    dishes: [
      { id: 'd1', formulaId: of, end: null, each, of: { count: Math.max(1, people - others) }, without: everybody },
      ...(other === null || !apart
        ? []
        : [{ id: 'd2', formulaId: other, end: null, each, of: { count: others }, without: apart.without }]),
    ],
  };
}
