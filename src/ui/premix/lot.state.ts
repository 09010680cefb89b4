/** A lot as its form has it: what is typed and weighed, and what comes of it; pure. */
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { scalesOf } from '@/core/pantry/gear';
import { kitchenName } from '@/core/pantry/ingredient';
import type { Shelf } from '@/core/pantry/stock';
import { itemsFor } from '@/core/premix/bag';
import { type Blends, tooFine } from '@/core/premix/blend';
import { type LotWork, standingWeighings } from '@/core/premix/blended';
import { MOST_BAGS, type PremixSettings, type Sack } from '@/core/premix/premix';
import {
  type BlendWeighing,
  blendSheet,
  type Fill,
  fillsOf,
  massOfFills,
  type PutIn,
  putIn,
  readSacks,
} from '@/core/premix/weigh';
import type { WorkedPremix } from '@/core/premix/work';
import { grams } from '@/core/quantity/say';
import { typedGrams, typedNumber } from '@/core/quantity/typed';

/** A sack as it is typed. */
export interface TypedSack {
  readonly lot: string;
  readonly grams: string;
}

export interface LotTyped {
  readonly by: 'bags' | 'kg' | 'all';
  /** All there is of this drives it. */
  readonly of: string;
  readonly amount: string;
  /** g in a bag of this lot, as typed; empty: as the product has it. */
  readonly size: string;
  /** Bags of other sizes, as typed. */
  readonly others: readonly { readonly size: string; readonly bags: string }[];
  /** The packets, by ingredient. */
  readonly sacks: Readonly<Record<string, readonly TypedSack[]>>;
  /** The weighing in the records that this browser begins; empty: none yet. */
  readonly workId: string;
  /** What was noted here and is not heard back from the records, by weighing; before 0.35.0 one sack each. */
  readonly notes: Readonly<Record<string, Sack | readonly Sack[]>>;
  readonly madeBy: string;
  /** Sieve rests, as typed. */
  readonly rest: string;
  readonly checked: string;
  readonly note: string;
  /** Ticked of the clear-down, and by whom. */
  readonly cleared: readonly string[];
  readonly clearedBy: string;
  readonly take: boolean;
}

/** A lot that nobody has typed anything of: ten bags, taken from stock. */
export const FRESH_LOT: LotTyped = {
  by: 'bags',
  of: '',
  amount: '10',
  size: '',
  others: [],
  sacks: {},
  workId: '',
  notes: {},
  rest: '',
  madeBy: '',
  checked: '',
  note: '',
  cleared: [],
  clearedBy: '',
  take: true,
};

/** g that a bag may have. */
const BAG_G = [20, 25_000] as const;
const badSize = (g: number): boolean => !(g >= BAG_G[0] && g <= BAG_G[1]);
const SIZE_ERROR = 'From 20 g to 25 kg.';

/** Grams of a sack as typed; null: none are, and it has the rest. */
export const sackGrams = (s: TypedSack): number | null =>
  s.grams.trim() === '' ? null : (typedGrams(s.grams) ?? Number.NaN);

/** What bags come of what is typed, and what of it can't be. */
interface Filling {
  /** Bags of each size; the lot's own size first. */
  readonly fills: readonly Fill[];
  /** g of mix left for no whole bag. */
  readonly overG: number;
  readonly wrong: { readonly amount: string | null; readonly size: string | null };
  /** Of each further size. */
  readonly wrongMore: readonly { readonly size: string | undefined; readonly bags: string | undefined }[];
  /** g in all; null: something of it can't be. */
  readonly lotG: number | null;
}

function fillingOf(t: LotTyped, settings: PremixSettings, worked: WorkedPremix, units: Kitchen['units']): Filling {
  const bagG = t.size.trim() === '' ? settings.bagG : (typedGrams(t.size) ?? Number.NaN);
  const more = t.others.map(
    (o): Fill => ({ bagG: typedGrams(o.size) ?? Number.NaN, bags: typedNumber(o.bags, 'bags') }),
  );
  const wrongMore = more.map((f, n) => ({
    size: badSize(f.bagG)
      ? SIZE_ERROR
      : f.bagG === bagG || more.some((x, k) => k < n && x.bagG === f.bagG)
        ? 'That size is there already.'
        : undefined,
    bags: Number.isInteger(f.bags) && f.bags >= 1 && f.bags <= MOST_BAGS ? undefined : `From 1 to ${MOST_BAGS}.`,
  }));
  const badMore = wrongMore.some((w) => w.size || w.bags);
  const n =
    t.by === 'all' ? (typedGrams(t.amount) ?? Number.NaN) : typedNumber(t.amount, t.by === 'kg' ? 'kg' : 'bags');
  // g of mix that so much of it all makes
  const mixG = t.by === 'all' ? n / (drivesOf(t, worked)?.share ?? 1) : 1000 * n;
  const { fills, overG } =
    t.by === 'bags' ? { fills: [{ bagG, bags: n }, ...more], overG: 0 } : fillsOf(mixG, bagG, badMore ? [] : more);
  const bags = fills.find((f) => f.bagG === bagG)?.bags ?? 0;
  const size = badSize(bagG) ? SIZE_ERROR : null;
  const amount =
    size === null
      ? wrongAmount(t, n, bags, `${grams(bagG, units)}${more.length > 0 ? ' besides the others' : ''}`)
      : null;
  const lotG = size !== null || amount !== null || badMore ? null : massOfFills(fills);
  return { fills, overG: lotG === null ? 0 : overG, wrong: { amount, size }, wrongMore, lotG };
}

function wrongAmount(t: LotTyped, n: number, bags: number, bag: string): string | null {
  if (Number.isNaN(n)) return 'Write a number.';
  if (t.by === 'bags' && !Number.isInteger(n)) return 'Bags come whole.';
  if (bags < 1) return t.by === 'bags' ? 'At least one bag.' : `Less than one bag of ${bag}.`;
  return bags > MOST_BAGS ? `At most ${MOST_BAGS} bags in a lot.` : null;
}

/** The thing whose whole stock is used up, where a lot is made of all there is of it. */
export const drivesOf = (
  t: Pick<LotTyped, 'of'>,
  worked: WorkedPremix,
): WorkedPremix['bag']['items'][number] | undefined =>
  worked.bag.items.find((i) => i.ingredient.id === t.of) ?? worked.bag.items[0];

type WentIn = readonly { readonly lot: string; readonly grams: number | null }[];

/** Each thing's sacks, as weighed in or as typed, and where what is typed is not clear, by field. */
function sacksOf(
  t: LotTyped,
  parts: readonly PutIn[],
): { readonly went: Readonly<Record<string, WentIn>>; readonly unclear: Readonly<Record<string, string>> } {
  const unclear: Record<string, string> = {};
  const went: Record<string, WentIn> = {};
  for (const { ingredient: i, grams: g, sacks: weighed } of parts) {
    if (weighed.length > 0) {
      went[i.id] = weighed;
      continue;
    }
    const rows = (t.sacks[i.id] ?? [])
      .filter((r) => r.lot.trim() !== '' || r.grams.trim() !== '')
      .map((r) => ({ lot: r.lot, grams: sackGrams(r) }));
    if (rows.length > 0) went[i.id] = rows;
    if (rows.some((r) => r.grams !== null && !(r.grams > 0))) unclear[`sacks.${i.id}`] = 'A number of grams.';
    else if (rows.length > 0 && !readSacks(g, rows))
      unclear[`sacks.${i.id}`] = 'Write the grams of all sacks but one: that one has the rest.';
  }
  return { went, unclear };
}

export interface LotAtHand extends Filling {
  /** What stands in the form: as typed, or as the lot in the records was begun. */
  readonly typed: LotTyped;
  readonly blends: Blends | null;
  readonly list: readonly BlendWeighing[];
  /** What is weighed in, by its key: in the records, or on the way there. */
  readonly notes: Readonly<Record<string, readonly Sack[]>>;
  /** Weighings that are not noted. */
  readonly open: number;
  readonly parts: readonly PutIn[];
  /** What stock lacks, g, and what nobody has noted the stock of. */
  readonly short: readonly { readonly name: string; readonly g: number }[];
  readonly unnoted: readonly string[];
  /** What the kitchen's scales can't weigh well at this size. */
  readonly fine: ReturnType<typeof tooFine>;
  readonly went: Readonly<Record<string, WentIn>>;
  readonly unclear: Readonly<Record<string, string>>;
  readonly badSacks: boolean;
  /** g that the sieve held back; NaN: no number. */
  readonly restG: number;
  /** Whether it may go into the book. */
  readonly whole: boolean;
}

/** What was noted in this browser, each as its sacks. */
const ownNotes = (t: LotTyped): Readonly<Record<string, readonly Sack[]>> =>
  Object.fromEntries(Object.entries(t.notes).map(([key, said]) => [key, 'grams' in said ? [said] : said]));

/** A lot that is being weighed keeps the bags it was begun for, on whichever screen. */
function asBegun(t: LotTyped, work: LotWork | null): LotTyped {
  const [first, ...others] = work?.fills ?? [];
  if (!first) return t;
  return {
    ...t,
    by: 'bags',
    amount: String(first.bags),
    size: String(first.bagG),
    others: others.map((o) => ({ size: String(o.bagG), bags: String(o.bags) })),
  };
}

/** What comes of a lot as it is typed: bags, weighings, stock, and what is not clear yet. */
export function lotOf(said: LotTyped, { settings, worked, house, shelf, work }: LotFacts): LotAtHand {
  const t = asBegun(said, work);
  const filling = fillingOf(t, settings, worked, house.units);
  const { lotG } = filling;
  const sheet = lotG === null ? null : blendSheet(worked, lotG, house, work?.blends ?? null);
  const list = sheet?.list ?? [];
  const kept = standingWeighings(work?.weighings ?? []);
  const own = ownNotes(t);
  const waiting = list.flatMap((w) => {
    const sacks = kept.some((x) => x.key === w.key) ? undefined : own[w.key];
    return sacks ? [{ key: w.key, ingredientId: w.ingredient.id, targetG: w.targetG, sacks }] : [];
  });
  const noted = [...kept, ...waiting];
  const notes = Object.fromEntries(noted.map((w) => [w.key, w.sacks]));
  const parts = putIn(lotG === null ? [] : itemsFor(worked.bag, lotG), list, noted);
  const onHand = (p: PutIn): number | null => shelf[p.ingredient.id]?.onHandG ?? null;
  const { went, unclear } = sacksOf(t, parts);
  const badSacks = Object.keys(unclear).length > 0;
  const restG = typedGrams(t.rest) ?? 0;
  return {
    ...filling,
    typed: t,
    blends: sheet,
    list,
    notes,
    open: list.filter((w) => !notes[w.key]).length,
    parts,
    short: parts.flatMap((p) => {
      const has = onHand(p);
      return has !== null && has < p.grams - 0.05 ? [{ name: kitchenName(p.ingredient), g: p.grams - has }] : [];
    }),
    unnoted: parts.flatMap((p) => (onHand(p) === null ? [kitchenName(p.ingredient)] : [])),
    fine: lotG === null ? [] : tooFine(worked.bag, lotG / (sheet?.count ?? 1), scalesOf(house.gear)),
    went,
    unclear,
    badSacks,
    restG,
    whole: lotG !== null && !badSacks && restG >= 0,
  };
}

/** What a lot is worked from, besides what is typed. */
export interface LotFacts {
  readonly settings: PremixSettings;
  readonly worked: WorkedPremix;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  /** The lot that is being weighed, as the records have it; null: none is. */
  readonly work: LotWork | null;
}
