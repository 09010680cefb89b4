import { piecesOf } from '@/core/batter/volume';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Version } from '@/core/formula/version';
import { kitchenName } from '@/core/pantry/ingredient';
import { itemsFor } from '@/core/premix/bag';
import { limitsOf } from '@/core/premix/keeping';
import { firstToUse, type Lot, type LotItem } from '@/core/premix/premix';
import type { Additions, Product } from '@/core/premix/products';
import { type Bagged, bagSheet } from '@/core/premix/use';
import { type WorkedPremix, workPremix } from '@/core/premix/work';
import { transaction } from '../db/pool';
import { Undone } from '../db/undone';
import type { NewBatch } from '../queries/batches';
import { versionById } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { stockNoted } from '../queries/pantry';
import { insertLot, lotById, type Made, type NewLot, type Premix, premixById, takeBags } from '../queries/premixes';
import { takeFromShelf } from '../queries/stock';
import { cannot, type Prepared, type Started, shortWords, writeBatches } from './start-batch';

export interface WithWork {
  readonly premix: Premix;
  readonly version: Version;
  readonly worked: WorkedPremix | null;
}

/** A premix with its formula, worked in a house. */
export async function workedPremix(id: string, house: Kitchen): Promise<WithWork | null> {
  const premix = await premixById(id);
  const version = premix && (await versionById(premix.versionId));
  return premix && version ? { premix, version, worked: workPremix(version.formula, house, null, premix.settings) } : null;
}

/** Makes a lot: numbered, dated by what is in it, and taken off the shelf; once, however often the button is pressed. */
export async function makeLot(l: NewLot): Promise<Made> {
  const [house, stock] = await Promise.all([loadHouse(), stockNoted()]);
  const kept = await workedPremix(l.premixId, house);
  if (!kept) return { ok: false, path: 'premixId', message: 'That premix is not in this kitchen any more.' };
  if (!kept.worked) return { ok: false, path: 'premixId', message: 'Nothing of this formula goes into a bag.' };
  const { bagG } = kept.premix.settings;
  const best = limitsOf(kept.worked.bag, stock, l.made, kept.premix.settings.months)[0];
  if (!best || best.date < l.made) return { ok: false, path: 'made', message: `It would be past its date before it is made: ${best?.why ?? 'no date'}.` };
  const parts = itemsFor(kept.worked.bag, l.bags * bagG);
  const contents = parts.map(
    (p): LotItem => ({
      id: p.ingredient.id,
      name: kitchenName(p.ingredient),
      grams: Math.round(p.grams * 100) / 100,
      lot: l.ingredientLots[p.ingredient.id] ?? '',
    }),
  );
  try {
    return await transaction(async (client): Promise<Made> => {
      const { id, again } = await insertLot(client, l, bagG, best.date, contents);
      if (again || l.take === 'no') return { ok: true, id };
      const wants = new Map(parts.map((p) => [p.ingredient.id, p.grams]));
      const short = await takeFromShelf(client, { lotId: id }, wants, l.take === 'anyway');
      if (short.length > 0 && l.take === 'enough')
        throw new Undone<Made>({ ok: false, path: 'take', message: `There is too little on the shelf. ${shortWords(short, house)}.` });
      return { ok: true, id };
    });
  } catch (e) {
    if (e instanceof Undone) return e.value as Made;
    throw e;
  }
}

export interface FromBags {
  readonly lotId: string;
  readonly bags: number;
  /** Null: what the formula itself makes. */
  readonly product: Product | null;
  readonly take: 'no' | 'enough' | 'anyway';
  readonly requestId: string | null;
}

/** The product of a mix that its own formula makes; or the one that is asked for. */
const productOf = (kept: WithWork, asked: Product | null): Additions | undefined =>
  kept.worked?.products.find((p) =>
    asked ? p.product.kind === asked.kind && p.product.school === asked.school : p.product.kind === kept.version.formula.kind,
  );

/** Bags of a formula's mix that a plan can count on, the first to be used in front, with what is added to each. */
export async function bagsFor(lots: readonly Lot[], house: Kitchen): Promise<readonly Bagged[]> {
  const works = new Map<string, WithWork | null>();
  const out: Bagged[] = [];
  for (const lot of firstToUse(lots)) {
    const kept = works.get(lot.premixId) ?? (await workedPremix(lot.premixId, house));
    works.set(lot.premixId, kept);
    const product = kept && productOf(kept, null);
    if (product) out.push({ lot, parts: product.parts, density: product.analysis.volume?.densityGPerMl ?? 1 });
  }
  return out;
}

/** A batch from so many bags of a lot, ready to be written: the bags leave the lot, what is added leaves the shelf. @param portion mL; left out: the kind's usual */
export async function prepareBags(f: FromBags, portion: number | null = null): Promise<Prepared> {
  const lot = await lotById(f.lotId);
  const house = await loadHouse();
  const kept = lot && (await workedPremix(lot.premixId, house));
  if (!lot || !kept?.worked) return cannot('lotId', 'That lot is not in this kitchen any more.');
  const product = productOf(kept, f.product);
  if (!product) return cannot('product', 'This mix is not kept for that.');
  const sheet = bagSheet(lot, f.bags, product.parts);
  const mixG = f.bags * lot.bagG;
  const massG = sheet.reduce((a, l) => a + (l.grams ?? 0), 0);
  const kind = kindById(product.product.kind);
  const school = schoolOf(kind, product.product.school);
  const portionMl = portion ?? usualPortionMl(school);
  const density = product.analysis.volume?.densityGPerMl ?? 1;
  const own = product.product.kind === kept.version.formula.kind;
  const batch: NewBatch = {
    versionId: kept.version.versionId,
    driver: { by: 'factor', factor: mixG / kept.worked.bag.massG },
    exactness: 'gram',
    portionMl,
    requestId: f.requestId,
    split: { by: 'one' },
    sheet,
    massG,
    pieces: school.portionMl === null ? null : piecesOf(massG, density, portionMl).pieces,
    ending: own ? 'from the bag' : `as ${kind.pieces}`,
    kind: own ? null : product.product.kind,
    school: school.id === kept.version.formula.school ? null : school.id,
  };
  return { ok: true, value: { write: { batch, take: f.take, also: (client, batchId) => takeBags(client, lot.id, f.bags, batchId, '') }, house } };
}

/** Starts a batch from bags. @returns its id; or that there are not so many, or too little on the shelf */
export async function startFromBags(f: FromBags): Promise<Started> {
  const made = await prepareBags(f);
  return made.ok ? writeBatches([made.value.write], made.value.house) : made.error;
}
