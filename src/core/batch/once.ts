/** One thing that stands twice in one bowl is weighed once, with both lines named. */
import type { FormulaLine } from '../formula/formula';

/** Between the keys of lines that are taken as one. */
export const ONCE = '+';

/**
 * The card's lines that stand behind the key of a sheet's line: without its mix, its stand-in, and its part of an egg.
 */
export const linesBehind = (key: string): readonly string[] =>
  key.replace(/(?:~[yw])?(?:m\d+)?(?:r\d+)?$/, '').split(ONCE);

/**
 * What makes two lines the same pile: the same thing, done the same to, in the same bowl, at the same time. Null: it
 * stands by itself.
 * @param both two ends are made from one base: what one of them holds is not in the shared bowl
 */
function pileOf(l: FormulaLine, both: boolean): string | null {
  if (
    !l.ingredient ||
    l.parts.length !== 1 ||
    l.drainedG > 0 ||
    l.mostG !== null ||
    l.proposed !== null ||
    l.ingredient.blend ||
    l.use !== 'batter'
  )
    return null;
  return [
    l.ingredient.id,
    l.parts[0]?.ingredient.id,
    l.vessel,
    l.side ?? '',
    l.preparation,
    l.foam ?? '',
    l.moment ?? '',
    l.dressing,
    l.strength,
    both ? (l.end ?? '') : '',
  ].join('|');
}

/** Lines with equal piles put together where the first stands. @param both two ends are made from one base */
export function takenOnce(lines: readonly FormulaLine[], both = false): readonly FormulaLine[] {
  const out: FormulaLine[] = [];
  const at = new Map<string, number>();
  for (const l of lines) {
    const pile = pileOf(l, both);
    const n = pile === null ? undefined : at.get(pile);
    const had = n === undefined ? undefined : out[n];
    if (n === undefined || !had) {
      if (pile !== null) at.set(pile, out.length);
      out.push(l);
      continue;
    }
    const grams = (had.parts[0]?.grams ?? 0) + (l.parts[0]?.grams ?? 0);
    out[n] = {
      ...had,
      key: `${had.key}${ONCE}${l.key}`,
      text: `${had.text}, and ${l.text}`,
      grams,
      parts: had.parts.map((p) => ({ ...p, grams })),
      // nobody measures the sum by either line's own spoon
      written: [],
      amounts: [],
    };
  }
  return out;
}
