import { makingOf } from '@/core/batch/script-of-formula';
import { piecesOf } from '@/core/batter/volume';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { TallyPart } from '@/core/formula/tally';
import type { Version } from '@/core/formula/version';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { itemsFor } from '@/core/premix/bag';
import { frozenLot } from '@/core/premix/frozen';
import { limitsOf } from '@/core/premix/keeping';
import {
  type FrozenLot,
  type FrozenProduct,
  firstToUse,
  isPast,
  type Lot,
  type LotItem,
  lotsOf,
} from '@/core/premix/premix';
import type { Product } from '@/core/premix/products';
import { nearCodes, type RecalledLot, recallOf } from '@/core/premix/recall';
import { type Bagged, bagSheet } from '@/core/premix/use';
import { massOfFills, readSacks } from '@/core/premix/weigh';
import { type WorkedPremix, workPremix } from '@/core/premix/work';
import { transaction } from '../db/pool';
import { Undone } from '../db/undone';
import { logLine } from '../log';
import type { NewBatch } from '../queries/batches';
import { loadHouse } from '../queries/house';
import { booksOf, type MadeLot, takeBags } from '../queries/lot-books';
import { stockNoted } from '../queries/pantry';
import {
  codesWritten,
  type FilledLot,
  freeze,
  insertLot,
  lotById,
  lotsByCode,
  type NewLot,
  type Premix,
  premixById,
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

/** The newest version of the formula that a premix is of; null where it is of that already. */
export async function newestOf(premixId: string): Promise<Version | null> {
  const premix = await premixById(premixId);
  const now = premix && (await versionById(premix.versionId));
  return now && now.newest > now.number ? version(now.formulaId, null) : null;
}

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
  const allG = massOfFills(l.fills);
  const all: LotItem[] = [];
  for (const p of itemsFor(kept.worked.bag, allG)) {
    const typed = l.sacks[p.ingredient.id] ?? [];
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
  // each size has its part of what went in
  const rows = l.fills.map((f): FilledLot => {
    const share = (f.bags * f.bagG) / allG;
    const part = (g: number): number => Math.round(g * share * 100) / 100;
    const contents = all.map((c) => ({
      ...c,
      grams: part(c.grams),
      ...(c.sacks && { sacks: c.sacks.map((s) => ({ ...s, grams: part(s.grams) })) }),
    }));
    return { ...f, contents, restG: part(l.restG ?? 0), frozen: frozenOf(kept, f.bagG, contents, house) };
  });
  try {
    return await transaction(async (client): Promise<MadeLot> => {
      const { ids, again } = await insertLot(client, l, best.date, rows);
      const id = ids[0] ?? '';
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

/**
 * Every lot a code leads to, with its books. @param code an ingredient's lot as its packet has it, or a mix's own
 * number
 */
export async function recalled(code: string): Promise<readonly RecalledLot[]> {
  const lots = await lotsByCode(code);
  return recallOf(code, lots, lots.length > 0 ? await booksOf(lots.map((l) => l.id)) : []);
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
