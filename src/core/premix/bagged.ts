/** The formula as a mix has it: powders in place of what is wet, and the water they ask back, each on a line of its own. */
import { joinEnds } from '../balance/lines';
import { type EndId, type Entry, type Formula, formulaLines, nextKey } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { kitchenName } from '../pantry/ingredient';
import { ingredient } from '../pantry/pantry';
import { asPowder, type Powders } from './bag';

const hundredths = (g: number): number => Math.round(100 * g) / 100;

/**
 * What is made at the bench of a bag and its additions, as a formula: so that it is found out and put right as any other.
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
  if (water > 0) entries.push({ key: nextKey([...one.entries, ...entries]), text: `${hundredths(water)} g water`, ingredientId: 'water', vessel: 'wet' });
  return water > 0 ? { ...one, entries } : one;
}

/** What of a mix is another than its formula has it, in words: "1.9 g baking soda instead of 4 g". @param own as it would be bagged */
export function changedInMix(own: Formula, mix: Formula): readonly string[] {
  const was = new Map(own.entries.map((e) => [e.key, e.text] as const));
  const is = new Set(mix.entries.map((e) => e.key));
  return [
    ...mix.entries.flatMap((e) => (was.get(e.key) === e.text ? [] : [was.has(e.key) ? `${e.text} instead of ${was.get(e.key)}` : `${e.text}, new`])),
    ...own.entries.flatMap((e) => (is.has(e.key) ? [] : [`${e.text}, left out`])),
  ];
}
