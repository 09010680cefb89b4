/**
 * What really differs between a batch and the making that it follows: a line's share of the flour, the portion, a way.
 * A change that was meant is only claimed where the batch differs there; what is done by hand (less heat, a longer
 * rest) shows on no sheet, and is asked.
 */
import type { Batch } from '../batch/batch';
import { bareName } from '../batch/sheet-line';
import { MATTERS, WAY_IDS } from '../formula/schools';
import { wayName } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import { isFlour } from '../pantry/ingredient';
import { grams, millilitres, type Units } from '../quantity/say';

type Compared = Pick<Batch, 'sheet' | 'portionMl' | 'ways'>;

/** A share moved by less than this of itself is the same: it is what rounding and scaling do. */
const SAME = 0.03;
const isSame = (a: number, b: number): boolean => Math.abs(a - b) <= SAME * Math.max(a, b);

/** g of each thing per 100 g of flour, by ingredient: what goes into pans and on plates too. */
function perFlour(
  b: Compared,
  find: (id: string) => Ingredient | undefined,
): ReadonlyMap<string, { readonly name: string; readonly g: number }> {
  const parts = b.sheet.flatMap((l) => (l.side === undefined ? (l.parts ?? []).map((p) => ({ l, ...p })) : []));
  const flour = parts.reduce((a, p) => {
    const i = find(p.id);
    return i && isFlour(i) ? a + p.grams : a;
  }, 0);
  const out = new Map<string, { name: string; g: number }>();
  for (const p of flour > 0 ? parts : [])
    out.set(p.id, { name: bareName(p.l).toLowerCase(), g: (out.get(p.id)?.g ?? 0) + (100 * p.grams) / flour });
  return out;
}

/**
 * In words, each one thing; none: nothing on the sheet or in the ways is another. @param was the making that came
 * before
 */
export function differencesOf(
  is: Compared,
  was: Compared,
  find: (id: string) => Ingredient | undefined,
  u: Units,
): readonly string[] {
  const [a, b] = [perFlour(was, find), perFlour(is, find)];
  const lines = [...new Set([...a.keys(), ...b.keys()])].flatMap((id) => {
    const [x, y] = [a.get(id), b.get(id)];
    if (!x || !y) return [`${y ? 'new' : 'gone'}: ${(y ?? x)?.name ?? id}`];
    return isSame(x.g, y.g) ? [] : [`${y.name} ${grams(x.g, u)} to ${grams(y.g, u)} per 100 g of flour`];
  });
  const portion =
    was.portionMl !== null && is.portionMl !== null && !isSame(was.portionMl, is.portionMl)
      ? [`portion ${millilitres(was.portionMl)} to ${millilitres(is.portionMl)}`]
      : [];
  const ways = WAY_IDS.flatMap((w) => {
    const [x, y] = [was.ways?.[w], is.ways?.[w]];
    return x === undefined || y === undefined || x === y
      ? []
      : [`${MATTERS[w].name.toLowerCase()}: ${wayName(w, x as never)} to ${wayName(w, y as never)}`];
  });
  return [...lines, ...portion, ...ways];
}
