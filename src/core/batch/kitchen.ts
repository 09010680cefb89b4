/**
 * A batch in kitchen measures: its lines as questions to a drawer, and the drawer's answers as lines again. A line of
 * two things (2 eggs plus 1 yolk) asks for each; a blend is measured as itself; pan and topping are rounded each by
 * itself.
 */

import { type DrawerTake, nearest, takesOf } from '../balance/drawer';
import { type KitchenLine, kitchenMeasures, plainMeasures } from '../balance/kitchen';
import type { AccountLine } from '../facts/account';
import type { KitchenConventions } from '../pantry/conventions';
import { allFine } from '../pantry/honest';
import { type Ingredient, membersOf } from '../pantry/ingredient';
import type { ToolId } from '../pantry/tools';
import { writeNumber } from '../quantity/number';
import { asWeighed } from '../quantity/say';
import type { Taken } from './scale';
import { takenCount } from './taken';

/** What one line asks the drawer. */
interface Asked {
  readonly line: number;
  readonly ingredient: Ingredient;
  readonly grams: number;
}

const isBlend = (l: AccountLine): l is AccountLine & { readonly ingredient: Ingredient } =>
  l.ingredient?.blend !== undefined && l.parts.length === membersOf(l.ingredient).length;

const askedOf = (lines: readonly AccountLine[], factor: number): readonly Asked[] =>
  lines.flatMap((l, n): Asked[] => {
    if (isBlend(l))
      return [{ line: n, ingredient: l.ingredient, grams: factor * l.parts.reduce((a, p) => a + p.grams, 0) }];
    return l.parts.map((p) => ({ line: n, ingredient: p.ingredient, grams: factor * p.grams }));
  });

const inBatter = (lines: readonly AccountLine[], a: Asked): boolean => lines[a.line]?.use === 'batter';

/** The batter's questions, to be answered together. @param factor times the card */
export const kitchenLines = (lines: readonly AccountLine[], factor: number): readonly KitchenLine[] =>
  askedOf(lines, factor).filter((a) => inBatter(lines, a));

/** A batch's lines as its kitchen takes them, and what that drifts, in tolerances. */
export interface InKitchen {
  readonly taken: readonly (Taken | null)[];
  readonly drift: number;
  /** The same for rounding each line by itself. */
  readonly plainDrift: number;
}

/**
 * The lines of one mix in the measures of a drawer.
 * @param factor times the card @param rough each line rounded by itself, to answer at once
 * `byEye`: what is poured is counted in the house's own ladles and jugs, where one comes near
 */
export function inKitchen(
  lines: readonly AccountLine[],
  factor: number,
  {
    conventions,
    drawer,
    byEye = false,
  }: { readonly conventions: KitchenConventions; readonly drawer: readonly ToolId[]; readonly byEye?: boolean },
  rough = false,
): InKitchen {
  const { takes, drift, plainDrift } = (rough ? plainMeasures : kitchenMeasures)(
    kitchenLines(lines, factor),
    conventions,
    drawer,
  );
  return { taken: takenInKitchen(lines, factor, takes, conventions, drawer, byEye), drift, plainDrift };
}

/** Measures of a card that a drawer may hold, as a sheet writes one and several. */
const ON_CARD: Readonly<Record<string, readonly [string, string]>> = {
  cup: [' cup', ' cups'],
  tbsp: [' tbsp', ' tbsp'],
  tsp: [' tsp', ' tsp'],
  stick: [' stick', ' sticks'],
  // pieces are counted
  '': ['', ''],
};
/** The drawer's measures are the card's own within this share. */
const SAME = 0.003;

/**
 * Once the card, measures that the drawer has are the card's own. @returns null where it is another size, or the drawer
 * measures it otherwise
 */
function asOnCard(l: AccountLine, factor: number, house: KitchenConventions, drawer: readonly ToolId[]): Taken | null {
  const [part] = l.parts;
  const [a] = l.written ?? [];
  if (
    Math.abs(factor - 1) > 1e-9 ||
    !part ||
    !a ||
    l.parts.length > 1 ||
    l.written?.length !== 1 ||
    a.approximate ||
    a.bound ||
    isBlend(l)
  )
    return null;
  if (a.terms.some((t) => t.fullness || t.high || t.other || t.sign !== 1 || !ON_CARD[t.unit ?? ''])) return null;
  const count = a.terms.length === 1 && a.terms[0]?.unit === null ? a.terms[0].low : null;
  // half an egg is beaten and weighed, or measured
  if (
    count
      ? count.d !== 1n
      : !takesOf(part.ingredient, part.grams, house, drawer).some(
          (t) => Math.abs(t.grams - part.grams) <= SAME * part.grams,
        )
  )
    return null;
  if (count && part.ingredient.category === 'egg') return null;
  return {
    parts: [part],
    measure: a.terms
      .map((t) => `${writeNumber(t.low)}${ON_CARD[t.unit ?? '']?.[t.low.compare(1) > 0 ? 1 : 0] ?? ''}`)
      .join(' + '),
    weighed: false,
    note: '',
  };
}

/**
 * The lines as they are taken.
 * @param takes the batter's answers, in the order of `kitchenLines`; null: weighed
 */
function takenInKitchen(
  lines: readonly AccountLine[],
  factor: number,
  takes: readonly (DrawerTake | null)[],
  house: KitchenConventions,
  drawer: readonly ToolId[],
  byEye: boolean,
): readonly (Taken | null)[] {
  const asked = askedOf(lines, factor);
  let at = 0;
  const answers = asked.map((a) => {
    const take = inBatter(lines, a)
      ? (takes[at++] ?? null)
      : nearest(takesOf(a.ingredient, a.grams, house, drawer), a.grams);
    const count = byEye ? takenCount(a.ingredient, a.grams, house) : null;
    return { a, take: count ? { ...count, note: null } : take };
  });
  return lines.map((l, n): Taken | null => {
    const own = answers.filter(({ a }) => a.line === n);
    const same = asOnCard(l, factor, house, drawer);
    if (same) return same;
    if (own.length === 0) return null;
    const text = own.map(({ a, take }) => take?.text ?? asWeighed(a.grams, allFine([a])).measure).join(' and ');
    const note = own.flatMap(({ take }) => take?.note ?? []).join(', ');
    const weighed = own.every(({ take }) => take === null);
    const grams = own.map(({ a, take }) => take?.grams ?? asWeighed(a.grams, allFine([a])).grams);
    if (isBlend(l))
      return {
        measure: text,
        weighed,
        note,
        parts: membersOf(l.ingredient).map((m) => ({ ingredient: m.ingredient, grams: m.share * (grams[0] ?? 0) })),
      };
    return {
      measure: text,
      weighed,
      note,
      parts: own.map(({ a }, k) => ({ ingredient: a.ingredient, grams: grams[k] ?? a.grams })),
    };
  });
}
