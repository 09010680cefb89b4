/**
 * What touched a surface before: pieces of other batches that lie there, or lay there since it was last noted as
 * cleaned, with allergens that this batch's notice lacks. It is told by name, never judged: whether a surface is clean
 * enough is the house's rule and the local food code's to say.
 */

export interface LayThere {
  readonly batchId: string;
  readonly batch: string;
  /** Of the gear. */
  readonly surface: string;
  /** When its last piece was poured there, ms since 1970. */
  readonly lastAt: number;
  /** Allergens on its notice, by name. */
  readonly held: readonly string[];
}

export interface Contact {
  readonly surface: string;
  readonly batchId: string;
  readonly batch: string;
  /** Those that this batch lacks. */
  readonly allergens: readonly string[];
}

/**
 * @param own allergens on this batch's notice, by name
 * @param surfaces by id, those that it is poured on
 * @param lay other batches' pieces, the last of each batch on each surface
 * @param cleaned when each surface was last noted as cleaned, ms since 1970
 */
export function contactsOf(
  own: readonly string[],
  surfaces: readonly string[],
  lay: readonly LayThere[],
  cleaned: Readonly<Record<string, number>>,
): readonly Contact[] {
  return lay.flatMap(({ batchId, batch, surface, lastAt, held }): Contact[] => {
    const allergens = held.filter((h) => !own.includes(h));
    const matters = surfaces.includes(surface) && allergens.length > 0 && lastAt >= (cleaned[surface] ?? 0);
    return matters ? [{ surface, batchId, batch, allergens }] : [];
  });
}
