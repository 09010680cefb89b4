/** A list that a card gives in several sizes, "For 4: ... For 6: ...": the first is the card, the others are it scaled. */
import type { KitchenConventions } from '../pantry/conventions';
import { readLine } from './line';
import type { CardLine } from './rows';

/** What tells that a list is of another size. */
const SIZE =
  /(?<!\p{L})(?:(?:for|für|pour|para|serves|makes|yields?|ergibt)\s+(?:about\s+)?\d|single|double|triple|half|full|whole|small|large|big|batch|recipe|einfach|doppelt|simple|doble|\d+ ?[x×]|[x×] ?\d+)/iu;
/** "Double batch in brackets": what stands behind each amount is of another size. */
const IN_BRACKETS = /\b(?:double|triple|half|large|small|big)\b[^.]{0,24}\bin (?:brackets|parenthes[ie]s)\b/i;
const BRACKET_BEHIND = /(?<=\d.*)\s*\([\d½¼¾⅓⅔⅛][\d.,/ ½¼¾⅓⅔⅛]*\s?\p{L}{0,12}\.?\)\s*$/u;
/** The rows of a card without the amounts of another size that it says stand in brackets. */
export const withoutBracketSize = (raws: readonly string[]): readonly string[] =>
  raws.some((r) => IN_BRACKETS.test(r)) ? raws.map((r) => r.replace(BRACKET_BEHIND, '')) : raws;

/** So many rows show that a card tells all of it in two languages. */
const LEAST_TWICE = 3;
/** "4 ägg | 4 eggs", row by row the same thing on both sides of a bar: the first of each. */
export function inOneLanguage(raws: readonly string[], house: KitchenConventions): readonly string[] {
  const idOf = (text: string): string | undefined => readLine(text, house).ingredient?.id;
  const firsts = raws.map((raw) => {
    const [one, other, ...more] = raw.split('|').map((x) => x.trim());
    if (!one || !other || more.length > 0) return null;
    const id = idOf(one);
    return id !== undefined && id === idOf(other) ? one : null;
  });
  return firsts.filter((x) => x !== null).length < LEAST_TWICE ? raws : raws.map((raw, n) => firsts[n] ?? raw);
}

/** So many lines in a row are alike, and grams so near to being in proportion, as they are rounded. */
const LEAST_ALIKE = 3;
const NEAR = 0.12;
const SAME = 0.05;

const mid = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[of.length >> 1] ?? 1;

/** How much more the second run is of the same things in the same order; null: it is of others, or in no proportion. */
function timesOf(one: readonly CardLine[], other: readonly CardLine[]): number | null {
  if (one.some((l, n) => l.ingredient === null || l.ingredient.id !== other[n]?.ingredient?.id)) return null;
  const ratios = one.flatMap((l, n) => (l.grams && other[n]?.grams ? [other[n].grams / l.grams] : []));
  const times = mid(ratios);
  const isAlike = ratios.length >= LEAST_ALIKE && ratios.every((r) => Math.abs(r / times - 1) < NEAR);
  return isAlike && Math.abs(times - 1) > SAME ? times : null;
}

/**
 * The lines of a card without those of its other sizes.
 * @param rowsTo the text from the row of one line to that of another
 */
export function ofFirstSize(
  all: readonly CardLine[],
  rowsTo: (from: CardLine, to: CardLine) => string,
): {
  readonly kept: readonly CardLine[];
  readonly others: readonly CardLine[];
  readonly labels: readonly CardLine[];
} {
  // "Full recipe", a row of its own: what the lines below it are of
  const isLabel = (l: CardLine): boolean => l.ingredient === null && l.written.length === 0 && SIZE.test(l.text);
  const lines = all.filter((l) => !isLabel(l));
  for (let n = LEAST_ALIKE; 2 * n <= lines.length; n++)
    for (let from = 0; from + 2 * n <= lines.length; from++) {
      const one = lines.slice(from, from + n);
      const [last, first] = [one.at(-1), lines[from + n]];
      const isBatter = one.some((l) => l.ingredient?.category === 'flour') && one.some((l) => l.use === 'batter');
      if (!isBatter || !last || !first || !SIZE.test(rowsTo(last, first))) continue;
      let to = from + n;
      while (timesOf(one, lines.slice(to, to + n)) !== null && to + n <= lines.length) to += n;
      if (to > from + n)
        return {
          kept: [...lines.slice(0, from + n), ...lines.slice(to)],
          others: lines.slice(from + n, to),
          labels: all.filter(isLabel),
        };
    }
  return { kept: all, others: [], labels: [] };
}
