/**
 * Allergens of a batch's ingredients as they were known when it was begun: kept with the batch. A pantry corrected
 * later is told beside the record ("sesame, in our flour"), and the record isn't rewritten.
 */
import { ALLERGENS, type Allergen, allergenName, type Ingredient, kitchenName, membersOf } from '../pantry/ingredient';
import type { SheetLine } from './sheet-line';

/** Allergens by id of an ingredient. */
export type Known = Readonly<Record<string, readonly Allergen[]>>;
type Find = (id: string) => Ingredient | undefined;

const heldBy = (i: Ingredient): readonly Allergen[] => {
  const all = new Set([i, ...membersOf(i).map((m) => m.ingredient)].flatMap((x) => x.allergens));
  return ALLERGENS.filter((a) => all.has(a));
};

/** What is known of so many ingredients now. @param ids of ingredients; what the pantry hasn't is left out */
const knownOf = (ids: readonly string[], find: Find): Known =>
  Object.fromEntries(
    [...new Set(ids)].sort().flatMap((id) => {
      const i = find(id);
      return i ? [[id, heldBy(i)]] : [];
    }),
  );

/** What is known of everything on a sheet now. */
export const knownOnSheet = (sheet: readonly SheetLine[], find: Find): Known =>
  knownOf(
    sheet.flatMap((l) => (l.parts ?? []).map((p) => p.id)),
    find,
  );

export interface Corrected {
  /** The allergen by name, and in what it is. */
  readonly name: string;
  readonly of: readonly string[];
  /** It holds it, as is known now; else it was thought to, and doesn't. */
  readonly held: boolean;
}

/** What is known otherwise than it was; empty where nothing was kept or nothing was corrected. */
export function correctedSince(known: Known, find: Find): readonly Corrected[] {
  const now = knownOf(Object.keys(known), find);
  return ALLERGENS.flatMap((a) =>
    [true, false].flatMap((held): Corrected[] => {
      const of = Object.keys(now).filter(
        (id) => (held ? now : known)[id]?.includes(a) && !(held ? known : now)[id]?.includes(a),
      );
      return of.length === 0
        ? []
        : [{ name: allergenName(a), of: of.flatMap((id) => find(id) ?? []).map(kitchenName), held }];
    }),
  );
}

/** "sesame, in our flour; no longer milk, in oat drink"; empty where nothing was corrected. */
export const correctedWords = (list: readonly Corrected[]): string =>
  list
    .map((c) => `${c.held ? '' : 'no longer '}${c.name.toLowerCase()}, in ${c.of.join(', ').toLowerCase()}`)
    .join('; ');
