import type { PoolClient } from 'pg';
import { makingOf } from '@/core/batch/script-of-formula';
import { piecesOf } from '@/core/batter/volume';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { allergensOf, type TallyPart } from '@/core/formula/tally';
import type { Version } from '@/core/formula/version';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { itemsFor } from '@/core/premix/bag';
import { bagAsked, bagsOfLot, recalledBags, standingWeighings } from '@/core/premix/blended';
import { frozenLot } from '@/core/premix/frozen';
import { limitsOf } from '@/core/premix/keeping';
import {
  type BetweenAllergens,
  clearDownOf,
  type FrozenLot,
  type FrozenProduct,
  firstToUse,
  forSize,
  isPast,
  type Lot,
  type LotItem,
  lotsOf,
  type RecalledBags,
} from '@/core/premix/premix';
import { bagCost, type PricedMix } from '@/core/premix/price';
import type { Product } from '@/core/premix/products';
import { codeKey, nearCodes, type RecalledBatch, type RecalledLot, recallOf } from '@/core/premix/recall';
import { type Bagged, bagSheet } from '@/core/premix/use';
import { blendSheet, massOfFills, putIn, readSacks } from '@/core/premix/weigh';
import { type WorkedPremix, workPremix } from '@/core/premix/work';
import { transaction } from '../db/pool';
import { Undone } from '../db/undone';
import { logLine } from '../log';
import type { NewBatch } from '../queries/batches';
import { loadHouse } from '../queries/house';
import { booksOf, type MadeLot, takeBags, usesOfHolder } from '../queries/lot-books';
import { batchesByCode } from '../queries/lot-tests';
import { closeWork, lockWork, workById } from '../queries/lot-works';
import { stockNoted } from '../queries/pantry';
import {
  codesWritten,
  type FilledLot,
  freeze,
  insertLot,
  lastLot,
  lotById,
  lotsByCode,
  type NewLot,
  type Premix,
  premixById,
  premixes,
  sizesOfLot,
  unfrozenLots,
} from '../queries/premixes';
import { shortOnShelf, takeFromShelf } from '../queries/stock';
import { version, versionById } from '../queries/versions';
import { cannot, type Prepared, type Started, shortWords, type ToWrite, writeBatches } from './start-batch';

interface WithWork {
  readonly premix: Premix;
  readonly version: Version;
  readonly worked: WorkedPremix | null;
}

/** A premix with its formula, worked in a house. */
export async function workedPremix(id: string, house: Kitchen): Promise<WithWork | null> {
  const premix = await premixById(id);
  const version = premix && (await versionById(premix.versionId));
  return premix && version
    ? { premix, version, worked: workPremix(version.formula, house, null, premix.settings) }
    : null;
}

/** Mixes that have an ingredient in the bag, as their cost is worked. */
export async function pricedMixes(ingredientId: string, house: Kitchen): Promise<readonly PricedMix[]> {
  const kept = await Promise.all((await premixes()).map((p) => workedPremix(p.id, house)));
  return kept.flatMap((k) =>
    k?.worked?.bag.items.some((i) => i.ingredient.id === ingredientId)
      ? [{ id: k.premix.id, name: k.premix.name, items: k.worked.bag.items, settings: k.premix.settings }]
      : [],
  );
}

/** The newest version of the formula that a premix is of; null where it is of that already. */
export async function newestOf(premixId: string): Promise<Version | null> {
  const premix = await premixById(premixId);
  const now = premix && (await versionById(premix.versionId));
  return now && now.newest > now.number ? version(now.formulaId, null) : null;
}

/** The lot before, where it held allergens that a mix lacks, and what is asked to be cleared down; null: none did. */
export async function carriedOver(
  contains: readonly string[],
  house: Kitchen,
  client?: PoolClient,
): Promise<Pick<BetweenAllergens, 'carried' | 'from' | 'asked'> | null> {
  const before = await lastLot(client);
  const carried = before?.frozen?.contains.filter((a) => !contains.includes(a)) ?? [];
  return before && carried.length > 0
    ? { carried, from: `${before.premixName}, lot ${before.number},`, asked: clearDownOf(house.maker.clearDown) }
    : null;
}

/** Allergens of a mix, as its label names them. */
export const allergensInMix = (worked: Pick<WorkedPremix, 'bag'>): readonly string[] =>
  allergensOf([
    { use: 'batter', parts: worked.bag.items.map((i) => ({ ingredient: i.ingredient, grams: i.share })) },
  ]).held.map((h) => h.name);

/**
 * Makes a lot: numbered, dated by what is in it, and taken off the shelf; once, however often the button is pressed.
 */
export async function makeLot(l: NewLot): Promise<MadeLot> {
  const [house, stock] = await Promise.all([loadHouse(), stockNoted()]);
  const kept = await workedPremix(l.premixId, house);
  if (!kept) return { ok: false, path: 'premixId', message: 'That premix is not in this kitchen any more.' };
  if (!kept.worked) return { ok: false, path: 'premixId', message: 'Nothing of this formula goes into a bag.' };
  if (house.today && l.made > house.today)
    return { ok: false, path: 'made', message: 'That day is still to come: a lot is made first.' };
  const [first] = l.fills;
  if (!first) return { ok: false, path: 'fills', message: 'At least one bag.' };
  if (new Set(l.fills.map((f) => f.bagG)).size < l.fills.length)
    return { ok: false, path: 'fills', message: 'Each size once.' };
  const best = limitsOf(kept.worked.bag, stock, l.made, kept.premix.settings.months)[0];
  if (!best || best.date < l.made)
    return {
      ok: false,
      path: 'made',
      message: `It would be past its date before it is made: ${best?.why ?? 'no date'}.`,
    };
  const work = l.workId ? await workById(l.workId) : null;
  if (l.workId && (!work || work.premixId !== l.premixId))
    return { ok: false, path: 'workId', message: 'What was weighed of it is not in the records: open the mix anew.' };
  const allG = massOfFills(l.fills);
  const all: LotItem[] = [];
  const noted = work ? standingWeighings(work.weighings) : [];
  const { list } = blendSheet(kept.worked, massOfFills(work?.fills ?? l.fills), house, work?.blends ?? null);
  for (const p of putIn(itemsFor(kept.worked.bag, allG), list, noted)) {
    // as it was weighed in the records; what was not, as it is typed
    const typed = p.sacks.length > 0 ? p.sacks : (l.sacks[p.ingredient.id] ?? []);
    const sacks = typed.length > 0 ? readSacks(p.grams, typed) : [];
    const name = kitchenName(p.ingredient);
    if (!sacks)
      return {
        ok: false,
        path: `sacks.${p.ingredient.id}`,
        message: `Of ${name.toLowerCase()}: write how much is of each sack.`,
      };
    const noted = typed.some((t) => t.grams !== null);
    all.push({
      id: p.ingredient.id,
      name,
      grams: noted ? sacks.reduce((a, s) => a + s.grams, 0) : p.grams,
      lot: lotsOf(sacks),
      ...(noted && { sacks }),
    });
  }
  const { bag } = kept.worked;
  // each size has its part of what went in
  const rows = l.fills.map((f): FilledLot => {
    const share = (f.bags * f.bagG) / allG;
    const part = (g: number): number => Math.round(g * share * 100) / 100;
    const contents = all.map((c) => ({
      ...c,
      grams: part(c.grams),
      ...(c.sacks && { sacks: c.sacks.map((s) => ({ ...s, grams: part(s.grams) })) }),
    }));
    const { total, gaps } = bagCost(bag, forSize(kept.premix.settings, f.bagG), stock, null);
    const cost = gaps.length === 0 ? total : null;
    return { ...f, contents, restG: part(l.restG ?? 0), frozen: frozenOf(kept, f.bagG, contents, house), cost };
  });
  try {
    return await transaction(async (client): Promise<MadeLot> => {
      if (work) await lockWork(client, l.premixId);
      const held = rows[0]?.frozen.contains ?? [];
      const { ids, again } = await insertLot(client, l, best.date, rows, await carriedOver(held, house, client));
      const id = ids[0] ?? '';
      if (work && !again) {
        const now = await workById(work.id, client);
        if (now?.closedAt || now?.weighings.length !== work.weighings.length)
          throw new Undone<MadeLot>({
            ok: false,
            path: 'workId',
            message: 'Another screen has weighed more of it, or filled it, meanwhile: look at it again.',
          });
        await closeWork(client, work.id, 'filled');
      }
      if (again || l.take === 'no') return { ok: true, id };
      // what there is too little of is told of the whole lot, not of one size
      const short = l.take === 'enough' ? await shortOnShelf(client, new Map(all.map((c) => [c.id, c.grams]))) : [];
      if (short.length > 0)
        throw new Undone<MadeLot>({
          ok: false,
          path: 'take',
          message: `There is too little in stock. ${shortWords(short, house)}.`,
        });
      for (const [n, row] of rows.entries())
        await takeFromShelf(client, { lotId: ids[n] ?? id }, new Map(row.contents.map((c) => [c.id, c.grams])), true);
      return { ok: true, id };
    });
  } catch (e) {
    if (e instanceof Undone) return e.value as MadeLot;
    throw e;
  }
}

/** What a lot is made as, from what is there today. */
const frozenOf = (
  kept: WithWork,
  bagG: number,
  contents: readonly LotItem[],
  house: Kitchen,
  writtenOn?: string,
): FrozenLot => ({
  ...frozenLot(
    {
      name: kept.premix.name,
      bagG,
      contents,
      settings: kept.premix.settings,
      products: kept.worked?.products ?? [],
      whips: kept.worked?.bag.whipped === true,
    },
    house,
    (id) => findIngredient(id, house.conventions.own),
  ),
  ...(writtenOn && { writtenOn }),
});

/** A lot with what it was made as; one that is older than that is frozen at its first look, and stays so. */
export async function frozenLotById(
  id: string,
  house: Kitchen,
): Promise<(Lot & { readonly frozen: FrozenLot }) | null> {
  const lot = await lotById(id);
  if (!lot) return null;
  if (lot.frozen) return { ...lot, premixName: lot.frozen.name, frozen: lot.frozen };
  const kept = await workedPremix(lot.premixId, house);
  if (!kept || lot.unreadable?.length) return null;
  await freeze(id, frozenOf(kept, lot.bagG, lot.contents, house, house.today ?? undefined));
  const now = await lotById(id);
  return now?.frozen ? { ...now, premixName: now.frozen.name, frozen: now.frozen } : null;
}

/**
 * Freezes what was made before lots kept what they are: before the premix, or anything else, changes. @param premixId
 * of one; null: of all
 */
export async function freezeOld(premixId: string | null): Promise<void> {
  const ids = await unfrozenLots(premixId);
  const house = ids.length > 0 ? await loadHouse() : null;
  for (const id of house ? ids : [])
    try {
      await frozenLotById(id, house as Kitchen);
    } catch (e) {
      // one lot that can't be worked keeps no kitchen shut: it is tried again at its next look
      logLine('lot-not-frozen', { lot: id, said: e instanceof Error ? e.message : String(e) });
    }
}

/** What a frozen product asks for, with the ingredients the pantry has; and what it has no more. */
export function frozenParts(
  p: FrozenProduct,
  house: Kitchen,
): { readonly parts: readonly TallyPart[]; readonly gone: readonly string[] } {
  const found = p.parts.map((x) => ({ x, ingredient: findIngredient(x.id, house.conventions.own) }));
  return {
    parts: found.flatMap(({ x, ingredient }) => (ingredient ? [{ ingredient, grams: x.grams }] : [])),
    gone: found.flatMap(({ x, ingredient }) => (ingredient ? [] : [x.name])),
  };
}

/**
 * Why nothing is made of a lot while something of it is not in the pantry: it would be left out, and its allergens with
 * it.
 */
export function goneFromPantry(lot: Pick<Lot, 'contents'>, p: FrozenProduct, house: Kitchen): string | null {
  const names = [
    ...lot.contents.flatMap((c) => (findIngredient(c.id, house.conventions.own) ? [] : [c.name])),
    ...frozenParts(p, house).gone,
  ];
  return names.length === 0
    ? null
    : `${names.join(' and ')} of this mix ${names.length === 1 ? 'is' : 'are'} not in the pantry any more: put it in again, under the same name, first.`;
}

/** Codes that are nearly the one asked for. */
export const nearlyCalled = async (code: string): Promise<readonly string[]> => nearCodes(code, await codesWritten());

/** The bags of a lot's size that a code is in, by the weighings that filled it. */
async function bagsRecalled(code: string, lots: readonly Lot[]): Promise<ReadonlyMap<string, RecalledBags | null>> {
  const out = new Map<string, RecalledBags | null>();
  for (const number of new Set(lots.map((l) => l.number))) {
    const sizes = await sizesOfLot(number);
    const work = sizes[0]?.workId ? await workById(sizes[0].workId) : null;
    const bags = bagsOfLot(sizes, work);
    for (const l of sizes) {
      const own = bags.filter((b) => b.bagG === l.bagG);
      out.set(l.id, recalledBags(code, l.contents, work?.weighings ?? [], own));
    }
  }
  return out;
}

/** What was asked for, as it was understood, and the lots it leads to. */
interface Recalled {
  readonly by: 'code' | 'bag' | 'who';
  readonly lots: readonly RecalledLot[];
  /** Mixed from a packet with that code, without a bag between. */
  readonly batches: readonly RecalledBatch[];
}

/**
 * Every lot that what was asked leads to, with its books: an ingredient's lot as its packet has it, a mix's own number,
 * a bag of it ("261125-2/7"), or whoever has bags.
 */
export async function recalled(asked: string): Promise<Recalled> {
  const bag = bagAsked(asked);
  const ofBag = bag
    ? (await lotsByCode(bag.lot)).filter((l) => l.firstBag && l.firstBag <= bag.bag && bag.bag < l.firstBag + l.bags)
    : [];
  if (bag && ofBag.length > 0) {
    const uses = await booksOf(ofBag.map((l) => l.id));
    const is = { is: [bag.bag], may: [] };
    return {
      by: 'bag',
      batches: [],
      lots: ofBag.map((lot) => ({ lot, by: [], uses: uses.filter((u) => u.lotId === lot.id), bags: is })),
    };
  }
  const [lots, batches] = await Promise.all([lotsByCode(asked), batchesByCode(codeKey(asked))]);
  if (lots.length > 0 || batches.length > 0) {
    const bags = await bagsRecalled(asked, lots);
    const uses = await booksOf(lots.map((l) => l.id));
    return { by: 'code', batches, lots: recallOf(asked, lots, uses, (l) => bags.get(l.id) ?? null) };
  }
  const theirs = await usesOfHolder(asked);
  const had = await Promise.all([...new Set(theirs.map((u) => u.lotId))].map((id) => lotById(id)));
  return {
    by: 'who',
    batches: [],
    lots: had.flatMap((lot) =>
      lot ? [{ lot, by: [], uses: theirs.filter((u) => u.lotId === lot.id), bags: null }] : [],
    ),
  };
}

interface FromBags {
  readonly lotId: string;
  readonly bags: number;
  /** Null: what the formula itself makes. */
  readonly product: Product | null;
  readonly take: 'no' | 'enough' | 'anyway';
  readonly requestId: string | null;
}

/** What a lot can become: what is asked for, or what its formula itself makes. */
const frozenProduct = (f: FrozenLot, asked: Product | null): FrozenProduct | undefined =>
  asked ? f.products.find((p) => p.product.kind === asked.kind && p.product.school === asked.school) : f.products[0];

/** Bags of a formula's mix that a plan can count on, the first to be used in front, with what is added to each. */
export async function bagsFor(lots: readonly Lot[], house: Kitchen): Promise<readonly Bagged[]> {
  const out: Bagged[] = [];
  for (const { id } of firstToUse(lots, house.today).filter((l) => !isPast(l, house.today))) {
    const lot = await frozenLotById(id, house);
    const product = lot && frozenProduct(lot.frozen, null);
    if (lot && product && !goneFromPantry(lot, product, house))
      out.push({ lot, parts: frozenParts(product, house).parts, density: product.density });
  }
  return out;
}

/**
 * A batch from so many bags of a lot, ready to be written: the bags leave the lot, what is added leaves the shelf.
 * @param portion mL; left out: the kind's usual
 */
export async function prepareBags(f: FromBags, portion: number | null = null): Promise<Prepared> {
  const house = await loadHouse();
  const lot = await frozenLotById(f.lotId, house);
  const premix = lot && (await premixById(lot.premixId));
  const of = lot && premix && (await versionById(lot.versionId ?? premix.versionId));
  if (!lot || !premix || !of) return cannot('lotId', 'That lot is not in this kitchen any more.');
  const worked = workPremix(of.formula, house, null, { ...premix.settings, bagged: null });
  const product = frozenProduct(lot.frozen, f.product);
  if (!product) return cannot('product', 'This mix is not kept for that.');
  const gone = goneFromPantry(lot, product, house);
  if (gone) return cannot('product', gone);
  const sheet = bagSheet(lot, f.bags, frozenParts(product, house).parts);
  const mixG = f.bags * lot.bagG;
  const massG = sheet.reduce((a, l) => a + (l.grams ?? 0), 0);
  const kind = kindById(product.product.kind);
  const school = schoolOf(kind, product.product.school);
  const portionMl = portion ?? usualPortionMl(school);
  const own = product.product.kind === of.formula.kind;
  const batch: NewBatch = {
    versionId: of.versionId,
    driver: { by: 'factor', factor: worked ? mixG / worked.bag.massG : 1 },
    exactness: 'gram',
    portionMl,
    requestId: f.requestId,
    split: { by: 'one' },
    sheet,
    massG,
    pieces: school.portionMl === null ? null : piecesOf(massG, product.density, portionMl).pieces,
    ending: own ? 'from the bag' : `as ${kind.pieces}`,
    kind: own ? null : product.product.kind,
    school: school.id === of.formula.school ? null : school.id,
    making: makingOf(of.formula, house),
  };
  const also: ToWrite['also'] = (client, batchId) => takeBags(client, lot.id, { bags: f.bags, kind: 'batch', batchId });
  return { ok: true, value: { write: { batch, take: f.take, also }, house } };
}

/** Starts a batch from bags. @returns its id; or that there are not so many, or too little in stock */
export async function startFromBags(f: FromBags): Promise<Started> {
  const made = await prepareBags(f);
  return made.ok ? writeBatches([made.value.write], made.value.house) : made.error;
}
