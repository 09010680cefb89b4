/**
 * What really differs between a batch and the making that it follows: a line's share of the flour, the portion, a way.
 * A change that was meant is only claimed where the batch differs there; what is done by hand (less heat, a longer
 * rest) shows on no sheet, and is asked.
 */
import type { Batch } from '../batch/batch';
import { bareName } from '../batch/sheet-line';
import { sameEdit, waysIn } from '../formula/act-edits';
import { changesInWords, pairLines } from '../formula/compare';
import { type EndId, endOf, type Formula, settled } from '../formula/formula';
import { kindById, schoolOf } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { MATTERS, WAY_IDS } from '../formula/schools';
import { FRESH_WAYS, type Ways, wayName } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import { isFlour } from '../pantry/ingredient';
import { grams, millilitres, type Units } from '../quantity/say';
import { editSaid } from '../script/told-acts';

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
  return [...lines, ...portion, ...waysMoved(was.ways ?? {}, is.ways ?? {})];
}

const waysMoved = (was: Partial<Ways>, is: Partial<Ways>): readonly string[] =>
  WAY_IDS.flatMap((w) => {
    const [x, y] = [was[w], is[w]];
    return x === undefined || y === undefined || x === y
      ? []
      : [`${MATTERS[w].name.toLowerCase()}: ${wayName(w, x)} to ${wayName(w, y)}`];
  });

/** What is done otherwise, but for the ways. */
function actsMoved(a: Formula, b: Formula, u: Units): readonly string[] {
  const acts = (f: Formula) => f.edits.filter((e) => e.do !== 'way');
  const own = (is: Formula, than: Formula) => acts(is).filter((e) => !acts(than).some((x) => sameEdit(x, e)));
  const now = own(b, a);
  return [
    ...now.map((e) => editSaid(e, undefined, u)),
    ...own(a, b)
      .filter((e) => !now.some((x) => x.act === e.act && x.do === e.do))
      .map((e) => `no more ${editSaid(e, undefined, u)}`),
  ];
}

/**
 * What differs between two formulas beside their lines, in words, each one thing. @param end which end of each is
 * looked at
 */
export function besidesMoved(a: Formula, b: Formula, house: Kitchen, end: EndId | null): readonly string[] {
  const kindOf = (f: Formula): string => {
    const kind = kindById(f.kind);
    return `${kind.name.toLowerCase()}, ${schoolOf(kind, endOf(f, end)?.school ?? f.school).name}`;
  };
  const waysOf = (f: Formula): Ways => ({ ...FRESH_WAYS, ...house.ways, ...waysIn(f.edits) });
  return [
    ...(a.name === b.name ? [] : [`called ${b.name}`]),
    ...(kindOf(a) === kindOf(b) ? [] : [`meant as ${kindOf(b)}, was ${kindOf(a)}`]),
    ...(settled(a.conventions) === settled(b.conventions) ? [] : ['measured otherwise']),
    ...waysMoved(waysOf(a), waysOf(b)),
    ...(waysOf(a).altitudeM === waysOf(b).altitudeM ? [] : [`${waysOf(b).altitudeM} m above the sea`]),
    ...actsMoved(a, b, house.units),
    ...(a.portionMl === b.portionMl ? [] : [`portion ${b.portionMl === null ? 'as usual' : `${b.portionMl} ml`}`]),
    ...(a.cardNotes === b.cardNotes ? [] : ['the text around the card']),
  ];
}

/**
 * All that differs in how two formulas come out, in words, each one thing: lines, ways, acts, portion. What they are
 * called and what stands around the card bakes nothing.
 */
export function formulasDiffer(a: Formula, b: Formula, house: Kitchen, end: EndId | null = null): readonly string[] {
  const plain = { name: a.name, cardNotes: a.cardNotes };
  const pairs = pairLines(formulaLines(a, house), formulaLines(b, house), endOf(a, end)?.id ?? null);
  return [...changesInWords(pairs, house.units), ...besidesMoved(a, { ...b, ...plain }, house, end)];
}
