/**
 * From an ingredient's lot, or a mix's own, to every bag made of it and whoever has one: for a page, for paper, for a
 * table.
 */
import Papa from 'papaparse';
import { type Dating, localDay, sayDay, type Zoned } from '../quantity/day';
import {
  bagsLeft,
  entryKind,
  heldOf,
  type Lot,
  type LotItem,
  type LotUse,
  numbersSaid,
  type RecalledBags,
  sayBags,
  standingUses,
} from './premix';

export interface RecalledLot {
  readonly lot: Lot;
  /** What of it has the code on its packet; nothing where the lot's own number was asked. */
  readonly by: readonly LotItem[];
  /** Every entry of its books, those taken back too. */
  readonly uses: readonly LotUse[];
  /** Which of its bags, by their numbers; null: they have none, so each may be. */
  readonly bags: RecalledBags | null;
}

/** One thing of a batch, and the codes on the packets it came out of, a comma between them. */
export interface BatchSack {
  readonly id: string;
  readonly name: string;
  readonly lot: string;
}
/** A batch that was mixed from a packet with the code that was asked: no bag of mix between. */
export interface RecalledBatch extends BatchSack {
  readonly batchId: string;
  readonly batchName: string;
  readonly startedAt: Date;
}

type Certainty = 'is' | 'may' | 'none';

/**
 * Whether the bags of an entry hold what was asked for: by the numbers that somebody wrote, else by the bags there are
 * of that size.
 */
export function certaintyOf(u: Pick<LotUse, 'numbers'>, { lot, by, bags }: Omit<RecalledLot, 'uses'>): Certainty {
  // a lot that was asked for by its own number is all of it
  if (by.length === 0 && !bags) return 'is';
  if (!bags) return 'may';
  const own = u.numbers.length > 0 ? u.numbers : Array.from({ length: lot.bags }, (_, n) => (lot.firstBag ?? 1) + n);
  if (own.every((n) => bags.is.includes(n))) return 'is';
  return own.some((n) => bags.is.includes(n) || bags.may.includes(n)) ? 'may' : 'none';
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

/** Whether a code is one of those that stand on a packet. */
export const hasCode = (lot: string, code: string): boolean => codesIn(lot).some((c) => same(c, code));

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
  const own = (c.sacks ?? []).filter((s) => hasCode(s.lot, code) && codesIn(s.lot).length === 1);
  return own.length > 0 ? own.reduce((a, s) => a + s.grams, 0) : null;
};

/**
 * What a code leads to in these lots.
 * @param lots found by the code @param uses of all of them @param bagsOf which of a lot's bags it is in; null: not known
 */
export function recallOf(
  code: string,
  lots: readonly Lot[],
  uses: readonly (LotUse & { readonly lotId: string })[],
  bagsOf: (lot: Lot) => RecalledBags | null,
): readonly RecalledLot[] {
  return lots.flatMap((lot): readonly RecalledLot[] => {
    const by = lot.contents.filter((c) => hasCode(c.lot, code));
    const own = uses.filter((u) => u.lotId === lot.id);
    return by.length > 0 || same(lot.number, code)
      ? [{ lot, by, uses: own, bags: by.length > 0 ? bagsOf(lot) : null }]
      : [];
  });
}

interface Holder {
  readonly who: string;
  /** Bags that are of it, and that may be. */
  readonly is: number;
  readonly may: number;
}

/** Bags of what somebody holds that are of it, and that may be: each by its number, or all alike. */
function outOf(held: ReturnType<typeof heldOf>, r: RecalledLot): { readonly is: number; readonly may: number } {
  const { bags } = r;
  if (bags && held.numbers.length > 0) {
    const of = (list: readonly number[]): number => held.numbers.filter((n) => list.includes(n)).length;
    return { is: Math.min(held.bags, of(bags.is)), may: Math.min(held.bags, of(bags.may)) };
  }
  const certain = certaintyOf(held, r);
  return { is: certain === 'is' ? held.bags : 0, may: certain === 'may' ? held.bags : 0 };
}

/** Who has bags of it, each once, with how many; what was taken back is not with them. */
export function holdersOf(recalled: readonly RecalledLot[]): readonly Holder[] {
  const by = new Map<string, Holder>();
  for (const r of recalled)
    for (const u of standingUses(r.uses)) {
      const held = heldOf(u, r.uses);
      if (!((u.kind === 'sale' || u.kind === 'gift') && u.who) || held.bags <= 0) continue;
      const out = outOf(held, r);
      if (out.is + out.may === 0) continue;
      const had = by.get(u.who) ?? { who: u.who, is: 0, may: 0 };
      by.set(u.who, { ...had, is: had.is + out.is, may: had.may + out.may });
    }
  return [...by.values()].sort((a, b) => a.who.localeCompare(b.who));
}

const CERTAIN_WORDS: Readonly<Record<Certainty, string>> = { is: 'of it', may: 'may be of it', none: 'not of it' };
/** "of it", "may be of it". */
export const certaintySaid = (c: Certainty): string => CERTAIN_WORDS[c];

/** "Bags 7 to 12 are of it; bag 6 may be": null where bags have no numbers. */
export function bagsSaid(bags: RecalledBags | null): string | null {
  if (!bags) return null;
  const said = (numbers: readonly number[], one: string, many: string): string =>
    `${numbers.length === 1 ? 'bag' : 'bags'} ${numbersSaid(numbers)} ${numbers.length === 1 ? one : many}`;
  const parts = [
    ...(bags.is.length > 0 ? [said(bags.is, 'is of it', 'are of it')] : []),
    ...(bags.may.length > 0 ? [said(bags.may, 'may be', 'may be')] : []),
  ];
  return parts.length === 0 ? 'No bag of this size is of it' : parts.join('; ').replace(/^./, (c) => c.toUpperCase());
}

/** The same as text to copy: each lot, which bags, and where they are. */
export function recallText(
  asked: string,
  recalled: readonly RecalledLot[],
  batches: readonly RecalledBatch[],
  dating: Dating,
): string {
  return [
    asked,
    ...batches.map(
      (b) =>
        `Batch: ${b.batchName}, ${localDay(b.startedAt.getTime(), dating)}, by ${b.name.toLowerCase()} ${b.lot}: of it`,
    ),
    ...recalled.flatMap((r) => {
      const stand = standingUses(r.uses);
      const which = bagsSaid(r.bags);
      return [
        `${r.lot.premixName}, lot ${r.lot.number}, made ${sayDay(r.lot.made, dating)}, best before ${sayDay(r.lot.bestBefore, dating)}: ${r.lot.bags} bags of ${r.lot.bagG} g${r.lot.voidedAt ? ', cancelled' : ''}.${which ? ` ${which}.` : ''}`,
        ...stand.flatMap((u) => {
          const x = { ...u, ...heldOf(u, r.uses) };
          if (x.bags === 0) return [];
          const numbers = x.numbers.length > 0 ? ` (${numbersSaid(x.numbers)})` : '';
          const where = x.batchName ? `into ${x.batchName}` : `${entryKind(x)} ${x.who}`.trim();
          const day = localDay(x.usedAt.getTime(), dating);
          return [`- ${sayBags(x.bags)}${numbers}, ${where}, ${day}: ${certaintySaid(certaintyOf(x, r))}`];
        }),
        `- here: ${sayBags(bagsLeft(r.lot))}`,
      ];
    }),
  ].join('\n');
}

const SURE: Readonly<Record<Certainty, string>> = { is: 'is', may: 'may be', none: 'is not' };

/** Columns of the table: of the lot, then of an entry of its books. */
const OF_LOT = {
  ingredient: '',
  ingredient_lot: '',
  ingredient_g: '',
  mix: '',
  mix_lot: '',
  made: '',
  best_before: '',
  bag_g: '',
  bags_made: '',
  state: '',
};
const NO_ENTRY = { certainty: '', entry: '', bags: '', numbers: '', day: '', batch: '', who: '', why: '', price: '' };

/** The same as a table: a row for every entry, and one for a lot that nobody has touched. @param code that was asked */
export function recallCsv(
  code: string,
  recalled: readonly RecalledLot[],
  batches: readonly RecalledBatch[],
  z: Zoned,
): string {
  const rows = recalled.flatMap((r) => {
    const { lot, by, uses } = r;
    const of = {
      ingredient: by.map((c) => c.name).join('; '),
      ingredient_lot: by.map((c) => c.lot).join('; '),
      ingredient_g: by
        .flatMap((c) => gramsInLots(c, code) ?? [])
        .map((g) => g.toFixed(1))
        .join('; '),
      mix: lot.premixName,
      mix_lot: lot.number,
      made: lot.made,
      best_before: lot.bestBefore,
      bag_g: String(lot.bagG),
      bags_made: String(lot.bags),
      state: lot.voidedAt ? 'cancelled' : '',
    };
    if (uses.length === 0) return [{ ...of, ...NO_ENTRY, certainty: SURE[certaintyOf({ numbers: [] }, r)] }];
    const stand = standingUses(uses);
    return uses.map((u) => ({
      ...of,
      certainty: SURE[certaintyOf(u, r)],
      numbers: u.numbers.join(' '),
      entry: `${entryKind(u)}${stand.includes(u) || u.undoes || u.returns ? '' : ' (taken back)'}`,
      bags: u.bags < 0 ? `-${sayBags(-u.bags)}` : sayBags(u.bags),
      day: localDay(u.usedAt.getTime(), z),
      batch: u.batchName ?? '',
      who: u.who,
      why: u.why,
      price: u.price === null ? '' : String(u.price),
    }));
  });
  const columns = [...Object.keys(OF_LOT), ...Object.keys(NO_ENTRY)];
  const mixed = batches.map((b) => ({
    ...OF_LOT,
    ...NO_ENTRY,
    ingredient: b.name,
    ingredient_lot: b.lot,
    certainty: SURE.is,
    entry: 'mixed from the packet',
    day: localDay(b.startedAt.getTime(), z),
    batch: b.batchName,
  }));
  return Papa.unparse([...rows, ...mixed], { escapeFormulae: true, columns });
}
