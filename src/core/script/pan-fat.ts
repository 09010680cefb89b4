/**
 * Fat in the pan: the one that is really taken. What was said at the heat stands over the card's own line, the card
 * over the house. Told as the choice of the matter "Fat in the pan" (`schools.ts`), so that sheet, set out, notice,
 * steps and causes read one thing.
 */
import type { KindId } from '../formula/kinds';
import { effectOf, type Ways } from '../formula/ways';
import { type Ingredient, kitchenName } from '../pantry/ingredient';

type PanFatWay = Ways['panFat'];

/** What a line of a sheet says of it. */
interface PanLine {
  readonly vessel: string;
  readonly side?: string | undefined;
  readonly parts?: readonly { readonly id: string }[] | undefined;
}

const OF_ID: readonly (readonly [RegExp, 'butter' | 'clarified' | 'lard' | 'oil' | 'spray'])[] = [
  [/clarified|ghee/, 'clarified'],
  [/^butter|^margarine/, 'butter'],
  [/spray/, 'spray'],
  [/^lard|^tallow/, 'lard'],
  [/^oil|^shortening/, 'oil'],
];

/** The choice that the pan lines of a sheet come to; null where no line is of a fat for the pan. */
export function cardPanFat(sheet: readonly PanLine[]): PanFatWay | null {
  const of = new Set(
    sheet.flatMap((l) =>
      l.vessel === 'pan' && l.side === undefined
        ? (l.parts ?? []).flatMap((p) => OF_ID.find(([is]) => is.test(p.id))?.[1] ?? [])
        : [],
    ),
  );
  if (of.has('butter')) return of.has('oil') ? 'butter-oil' : 'butter';
  if (of.has('clarified')) return 'clarified';
  if (of.has('spray')) return 'spray';
  if (of.has('lard')) return 'lard';
  return of.has('oil') ? 'film' : null;
}

/** Whether butter or another fat that is melted goes into the bowl. */
const meltsIn = (sheet: readonly PanLine[]): boolean =>
  sheet.some(
    (l) =>
      l.vessel !== 'pan' &&
      l.vessel !== 'topping' &&
      l.side === undefined &&
      (l.parts ?? []).some((p) => /butter(?!milk)|margarine|ghee/.test(p.id)),
  );

/**
 * A house's ways as a batch can be made by them: with the fat that is really taken in the pan, and without the melted
 * butter last where there is none. An empty sheet says nothing.
 * @param said what was said at the heat last; left out: nothing
 */
export const waysMade = (ways: Ways, sheet: readonly PanLine[], said?: PanFatWay): Ways => {
  const panFat = said ?? cardPanFat(sheet) ?? ways.panFat;
  const joining = ways.joining === 'butter-last' && sheet.length > 0 && !meltsIn(sheet) ? 'well' : ways.joining;
  return panFat === ways.panFat && joining === ways.joining ? ways : { ...ways, panFat, joining };
};

/** A line that goes into a pan without an amount. */
export interface FatLine {
  readonly use: 'pan';
  readonly text: string;
  readonly ingredient: Ingredient;
  readonly parts: readonly { readonly ingredient: Ingredient; readonly grams: number }[];
}

/**
 * The house's fat in the pan as lines beside a formula's own, for what it brings to every piece.
 * @returns none where the formula has a fat for the pan itself
 */
export function houseFatLines(
  lines: readonly { readonly use: string; readonly ingredient?: Pick<Ingredient, 'category'> | null }[],
  ways: Ways,
  kind: KindId,
  find: (id: string) => Ingredient | undefined,
): readonly FatLine[] {
  if (lines.some((l) => l.use === 'pan' && l.ingredient?.category === 'fat')) return [];
  return (effectOf(ways, 'panFat', kind).pan?.holds ?? []).flatMap((id) => {
    const ingredient = find(id);
    return ingredient
      ? [{ use: 'pan' as const, text: kitchenName(ingredient), ingredient, parts: [{ ingredient, grams: 0 }] }]
      : [];
  });
}
