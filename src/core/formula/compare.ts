/**
 * Two formulas side by side: which lines are the same thing, what changed in each, and the change in words a cook would
 * use ("milk 182 to 191 g, one egg fewer").
 */
import { kitchenName } from '../pantry/ingredient';
import { FRESH_UNITS, grams, type Units } from '../quantity/say';
import { counts, type EndId, type FormulaLine } from './formula';

export type Change = 'same' | 'more' | 'less' | 'new' | 'gone' | 'other';

export interface LinePair {
  readonly a: FormulaLine | null;
  readonly b: FormulaLine | null;
  readonly change: Change;
}

function changeOf(a: FormulaLine, b: FormulaLine): Change {
  if (a.grams === null || b.grams === null) return a.text === b.text ? 'same' : 'other';
  // what a scale would show the same is the same
  if (grams(a.grams) === grams(b.grams)) return a.ingredient?.id === b.ingredient?.id ? 'same' : 'other';
  return b.grams > a.grams ? 'more' : 'less';
}

const sameThing = (a: FormulaLine, b: FormulaLine): boolean =>
  a.use === b.use &&
  (a.ingredient === null || b.ingredient === null ? a.text === b.text : a.ingredient.id === b.ingredient.id);

/**
 * Pairs the lines of two formulas by what they are and what they are for, in order; of two versions of one formula by
 * key first, and a line that holds another thing now is paired with what it held. Of two formulas a key says nothing:
 * what has no partner is new or gone.
 * @param end which end of each is looked at
 * @param of what stands side by side
 */
export function pairLines(
  from: readonly FormulaLine[],
  to: readonly FormulaLine[],
  end: EndId | null = null,
  of: 'versions' | 'two formulas' = 'versions',
): readonly LinePair[] {
  const as = from.filter((l) => counts(l, end));
  const left = to.filter((l) => counts(l, end));
  const take = (pick: (l: FormulaLine) => boolean): FormulaLine | null => {
    const i = left.findIndex(pick);
    return i < 0 ? null : (left.splice(i, 1)[0] ?? null);
  };
  const byKey = of === 'versions';
  const first = as.map((a) => ({ a, b: byKey ? take((l) => l.key === a.key && sameThing(a, l)) : null }));
  const second = first.map(({ a, b }) => ({ a, b: b ?? take((l) => sameThing(a, l)) }));
  // the same place with another thing in it: a swap
  const third = second.map(({ a, b }) => ({
    a,
    b: b ?? (byKey ? take((l) => l.key === a.key && l.use === a.use) : null),
  }));
  return [
    ...third.map(({ a, b }): LinePair => ({ a, b, change: b ? changeOf(a, b) : 'gone' })),
    ...left.map((b): LinePair => ({ a: null, b, change: 'new' })),
  ];
}

const nameOf = (l: FormulaLine): string => {
  if (!l.ingredient) return l.text;
  // a line without an amount has no parts, and a name all the same
  return l.parts.length === 0
    ? kitchenName(l.ingredient).toLowerCase()
    : l.parts.map((p) => kitchenName(p.ingredient).toLowerCase()).join(' and ');
};

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** Whole eggs on both sides are counted, not weighed. */
function eggWords(a: FormulaLine, b: FormulaLine): string | null {
  const count = (l: FormulaLine): number | null => {
    const [x] = l.amounts;
    return l.ingredient?.category === 'egg' && x && x.unit === null && !x.high ? x.low.valueOf() : null;
  };
  const [m, n] = [count(a), count(b)];
  if (m === null || n === null || !Number.isInteger(n - m)) return null;
  const d = Math.abs(n - m);
  const part = a.ingredient?.id === 'egg-yolk' ? 'yolk' : a.ingredient?.id === 'egg-white' ? 'white' : 'egg';
  return `${NUMBERS[d] ?? d} ${part}${d === 1 ? '' : 's'} ${n > m ? 'more' : 'fewer'}`;
}

/** One line's change in words; null where nothing changed. */
function inWords({ a, b, change }: LinePair, u: Units): string | null {
  if (change === 'same') return null;
  if (!a) return b ? `${nameOf(b)} ${b.grams === null ? 'added' : `new, ${grams(b.grams, u)}`}` : null;
  if (!b) return `no ${nameOf(a)}`;
  if (a.ingredient && b.ingredient && a.ingredient.id !== b.ingredient.id)
    return `${nameOf(b)} for ${nameOf(a)}${b.grams === null ? '' : `, ${grams(b.grams, u)}`}`;
  if (a.grams === null || b.grams === null) return `"${a.text}" is now "${b.text}"`;
  return eggWords(a, b) ?? `${nameOf(a)} ${grams(a.grams, u)} to ${grams(b.grams, u)}`;
}

/** Everything that changed, a phrase each. */
export const changesInWords = (pairs: readonly LinePair[], u: Units = FRESH_UNITS): readonly string[] =>
  pairs.map((p) => inWords(p, u)).filter((w) => w !== null);
