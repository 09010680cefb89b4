/**
 * From an ingredient's lot, or a mix's own, to every bag made of it and whoever has one: for a page, for paper, for a
 * table.
 */
import Papa from 'papaparse';
import { localDay, type Zoned } from '../quantity/day';
import { type Lot, type LotItem, type LotUse, sayBags, standingUses, USE_WORDS } from './premix';

export interface RecalledLot {
  readonly lot: Lot;
  /** What of it has the code on its packet; nothing where the lot's own number was asked. */
  readonly by: readonly LotItem[];
  /** Every entry of its books, those taken back too. */
  readonly uses: readonly LotUse[];
}

/** A packet's lots: several sacks of one thing stand with a comma between them. */
export const codesIn = (lot: string): readonly string[] =>
  lot
    .split(/[,;]/)
    .map((c) => c.trim())
    .filter(Boolean);

/**
 * A code by its letters and digits alone: "MILL 0502" and "MILL0502" are how hands write MILL-0502. Never stored so.
 */
export const codeKey = (code: string): string => code.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');

const same = (a: string, b: string): boolean => codeKey(a) === codeKey(b);

/** Letters and digits that are taken for each other. */
const alike = (key: string): string =>
  key.replace(/O/g, '0').replace(/[IL]/g, '1').replace(/S/g, '5').replace(/B/g, '8').replace(/Z/g, '2');

/** Whether two codes differ by one sign, two that changed places, or signs that look alike. */
export function isNear(a: string, b: string): boolean {
  const [x, y] = [alike(codeKey(a)), alike(codeKey(b))];
  if (codeKey(a) === codeKey(b) || Math.min(x.length, y.length) < 4) return false;
  if (x === y) return true;
  let from = 0;
  while (from < x.length && x[from] === y[from]) from++;
  const rest = (s: string, n: number): string => s.slice(from + n);
  return (
    rest(x, 1) === rest(y, 1) ||
    rest(x, 1) === rest(y, 0) ||
    rest(x, 0) === rest(y, 1) ||
    (x[from] === y[from + 1] && x[from + 1] === y[from] && rest(x, 2) === rest(y, 2))
  );
}

/** Codes on the packets and lots that are nearly the one asked for, each as it is written, once. */
export const nearCodes = (code: string, written: readonly string[]): readonly string[] =>
  [...new Set(written.filter((w) => isNear(code, w)))].sort();

/** What went in of a packet with that lot, g; null: it was not noted of which packet how much. */
export const gramsInLots = (c: LotItem, code: string): number | null => {
  if (codesIn(c.lot).length === 1) return c.grams;
  const own = (c.sacks ?? []).filter((s) => codesIn(s.lot).some((x) => same(x, code)) && codesIn(s.lot).length === 1);
  return own.length > 0 ? own.reduce((a, s) => a + s.grams, 0) : null;
};

/** Weighed from sacks of several lots: which bags hold which of them nobody noted, so each bag may be of each. */
export const mayBe = (c: LotItem): boolean => codesIn(c.lot).length > 1;

/** What a code leads to in these lots. @param lots found by the code @param uses of all of them */
export function recallOf(
  code: string,
  lots: readonly Lot[],
  uses: readonly (LotUse & { readonly lotId: string })[],
): readonly RecalledLot[] {
  return lots.flatMap((lot): readonly RecalledLot[] => {
    const by = lot.contents.filter((c) => codesIn(c.lot).some((x) => same(x, code)));
    return by.length > 0 || same(lot.number, code) ? [{ lot, by, uses: uses.filter((u) => u.lotId === lot.id) }] : [];
  });
}

/** Who has bags of it, each once, with how many; what was taken back is not with them. */
export function holdersOf(
  recalled: readonly RecalledLot[],
): readonly { readonly who: string; readonly bags: number }[] {
  const by = new Map<string, number>();
  for (const { uses } of recalled)
    for (const u of standingUses(uses))
      if ((u.kind === 'sale' || u.kind === 'gift') && u.who) by.set(u.who, (by.get(u.who) ?? 0) + u.bags);
  return [...by].map(([who, bags]) => ({ who, bags })).sort((a, b) => a.who.localeCompare(b.who));
}

/** The same as a table: a row for every entry, and one for a lot that nobody has touched. @param code that was asked */
export function recallCsv(code: string, recalled: readonly RecalledLot[], z: Zoned): string {
  const rows = recalled.flatMap(({ lot, by, uses }) => {
    const of = {
      ingredient: by.map((c) => c.name).join('; '),
      ingredient_lot: by.map((c) => c.lot).join('; '),
      ingredient_g: by
        .flatMap((c) => gramsInLots(c, code) ?? [])
        .map((g) => g.toFixed(1))
        .join('; '),
      certainty: by.length > 0 && by.every(mayBe) ? 'may be: of several sacks' : 'sure',
      mix: lot.premixName,
      mix_lot: lot.number,
      made: lot.made,
      best_before: lot.bestBefore,
      bag_g: String(lot.bagG),
      bags_made: String(lot.bags),
      state: lot.voidedAt ? 'cancelled' : '',
    };
    const none = { entry: '', bags: '', day: '', batch: '', who: '', why: '', price: '' };
    if (uses.length === 0) return [{ ...of, ...none }];
    const stand = standingUses(uses);
    return uses.map((u) => ({
      ...of,
      entry: u.undoes ? 'taken back' : `${USE_WORDS[u.kind]}${stand.includes(u) ? '' : ' (taken back)'}`,
      bags: u.bags < 0 ? `-${sayBags(-u.bags)}` : sayBags(u.bags),
      day: localDay(u.usedAt.getTime(), z),
      batch: u.batchName ?? '',
      who: u.who,
      why: u.why,
      price: u.price === null ? '' : String(u.price),
    }));
  });
  return Papa.unparse(rows, { escapeFormulae: true });
}
