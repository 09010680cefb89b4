/**
 * The formula as a mix has it: powders in place of what is wet, and the water they ask back, each on a line of its own.
 */
import { joinEnds } from '../balance/lines';
import { EMPTY_FORMULA, type EndId, type Entry, type Formula, nextKey, settled } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import type { TallyPart } from '../formula/tally';
import { kitchenName } from '../pantry/ingredient';
import { ingredient } from '../pantry/pantry';
import { asPowder, type Powders } from './bag';
import type { Additions, Product } from './products';

const hundredths = (g: number): number => Math.round(100 * g) / 100;

/**
 * What is made at the bench of a bag and its additions, as a formula: so that it is found out and put right as any
 * other.
 * @param end of a forked formula the one that is bagged @returns the formula itself where no powder stands in
 */
export function baggedFormula(f: Formula, house: Kitchen, end: EndId | null, powders: Powders): Formula {
  const one = f.ends ? joinEnds(f, end ?? 'a') : f;
  const lines = formulaLines(one, house);
  const entries: Entry[] = [];
  let water = 0;
  for (const [n, e] of one.entries.entries()) {
    const line = lines[n];
    const dry: { readonly id: string; readonly grams: number }[] = [];
    const rest: { readonly id: string; readonly grams: number }[] = [];
    for (const p of line && !line.off && line.use === 'batter' && !line.foam ? line.parts : []) {
      const as = asPowder(p.ingredient, powders);
      if (!as) {
        rest.push({ id: p.ingredient.id, grams: p.grams });
        continue;
      }
      for (const [id, share] of as) dry.push({ id, grams: p.grams * share });
      water += p.grams * (1 - as.reduce((a, [, share]) => a + share, 0));
    }
    if (dry.length === 0) entries.push(e);
    else
      for (const x of [...dry, ...rest])
        entries.push({
          key: nextKey([...one.entries, ...entries]),
          text: `${hundredths(x.grams)} g ${kitchenName(ingredient(x.id)).toLowerCase()}`,
          ingredientId: x.id,
          ...(rest.includes(x) && e.vessel && { vessel: e.vessel }),
        });
  }
  if (water > 0)
    entries.push({
      key: nextKey([...one.entries, ...entries]),
      text: `${hundredths(water)} g water`,
      ingredientId: 'water',
      vessel: 'wet',
    });
  return water > 0 ? { ...one, entries } : one;
}

const OF_MIX = 'm';

/**
 * 100 g of a mix with what is added to it for a product, as a formula: the mix itself is fixed, what is added may move.
 */
export function productFormula(mix: readonly TallyPart[], a: Pick<Additions, 'product' | 'parts'>): Formula {
  const line = (p: TallyPart, key: string): Entry => ({
    key,
    text: `${hundredths(p.grams)} g ${kitchenName(p.ingredient).toLowerCase()}`,
    ingredientId: p.ingredient.id,
  });
  return {
    ...EMPTY_FORMULA,
    kind: a.product.kind,
    school: a.product.school,
    entries: [
      ...mix.map((p, n) => ({ ...line(p, `${OF_MIX}${n + 1}`), pinned: true })),
      ...a.parts.map((p, n): Entry => ({ ...line(p, `l${n + 1}`), vessel: 'wet' })),
    ],
  };
}

/** What a proposal for it adds to 100 g of mix; null where it would change the mix, or anything but amounts. */
export function additionsIn(was: Formula, proposed: Formula, house: Kitchen): NonNullable<Product['parts']> | null {
  const of = (f: Formula): string => JSON.stringify(f.entries.filter((e) => e.key.startsWith(OF_MIX)));
  const bare = (f: Formula): string => settled([f.kind, f.school, f.edits, f.conventions]);
  if (of(was) !== of(proposed) || bare(was) !== bare(proposed)) return null;
  const lines = formulaLines(proposed, house).filter((l) => !l.key.startsWith(OF_MIX));
  if (lines.some((l) => l.use !== 'batter' || l.off || l.foam || l.parts.length === 0)) return null;
  return lines.flatMap((l) => l.parts.map((p) => ({ id: p.ingredient.id, grams: p.grams })));
}

/**
 * What of a mix is another than its formula has it, in words: "1.9 g baking soda instead of 4 g". @param own as it
 * would be bagged
 */
export function changedInMix(own: Formula, mix: Formula): readonly string[] {
  const was = new Map(own.entries.map((e) => [e.key, e.text] as const));
  const is = new Set(mix.entries.map((e) => e.key));
  return [
    ...mix.entries.flatMap((e) =>
      was.get(e.key) === e.text ? [] : [was.has(e.key) ? `${e.text} instead of ${was.get(e.key)}` : `${e.text}, new`],
    ),
    ...own.entries.flatMap((e) => (is.has(e.key) ? [] : [`${e.text}, left out`])),
  ];
}
