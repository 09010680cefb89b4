/** What the pantry's pages ask the server to do. */
import { isDeepStrictEqual } from 'node:util';
import { acted } from '@/app/acted';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { seen } from '@/contract/fields';
import {
  answeredMeasureSchema,
  countSchema,
  dropThingSchema,
  forgetMeasureSchema,
  importSchema,
  measureBackSchema,
  stockSchema,
  thingSchema,
  uncountSchema,
  useMeasureSchema,
  weighedMeasureSchema,
} from '@/contract/pantry';
import { type ImportedPantry, ownId, plainName, readPantry } from '@/core/exchange/pantry-csv';
import { measureFrom } from '@/core/pantry/calibrate';
import type { OwnMeasure } from '@/core/pantry/own';
import { ingredientOf, type OwnThing } from '@/core/pantry/packet';
import { findIngredient, PANTRY } from '@/core/pantry/pantry';
import { hangsOnFill } from '@/core/pantry/weigh';
import { fillAsBefore, fillOwnWay, loadHouse } from '@/server/queries/house';
import {
  allThings,
  countStock,
  dropThing,
  forgetMeasure,
  keepMeasure,
  storeThing as keepOwnThing,
  keepPantry,
  keepStockNote,
  ownThings,
  type StockNote,
  stockNoted,
  uncountStock,
  useMeasure,
} from '@/server/queries/pantry';
import { openLotsWith } from '@/server/queries/premixes';
import { GONE, type OpenedRow } from '@/server/queries/revised';

const TWIN = 'There is one of that name already.';

/** Keeps an ingredient of the kitchen's own, new or changed. */
export const keepThing = async (input: unknown): Promise<ActionResult<Kept & { readonly id: string }>> =>
  acted('keep-ingredient', thingSchema.safeExtend({ seen }), input, async ({ id, name, packet, seen }) => {
    const [{ things, broken }, house] = await Promise.all([allThings(), loadHouse()]);
    const there = [...things, ...broken];
    if (id !== null && !there.some((t) => t.id === id)) return refuse(GONE);
    const plain = plainName(name);
    // told twice is told once: the very same is there
    const same = id === null ? things.find((t) => t.name === name && isDeepStrictEqual(t.packet, packet)) : undefined;
    if (same) return { ok: true, id: same.id, revision: same.revision ?? 1, merged: [] };
    if (
      there.some((t) => t.id !== id && plainName(t.name) === plain) ||
      PANTRY.some((i) => plainName(i.name) === plain)
    )
      return refuse(TWIN, { name: TWIN });
    const thing: OwnThing = { id: id ?? ownId(name, new Set(there.map((t) => t.id))), name, packet };
    const made = ingredientOf(thing, (x) => findIngredient(x, house.conventions.own));
    if (!made.ok)
      return refuse(
        made.errors[0]?.message ?? 'That can’t be.',
        Object.fromEntries(made.errors.map((e) => [e.field, e.message])),
      );
    const kept = await keepOwnThing(thing, id === null, seen as OpenedRow<Omit<OwnThing, 'id'>> | null);
    return kept.ok ? { ...kept, id: thing.id } : kept;
  });

export const removeThing = async (input: unknown): Promise<ActionResult> =>
  acted('remove-ingredient', dropThingSchema, input, async ({ id }) => {
    const blends = (await ownThings()).filter(
      (t) => t.packet.by === 'blend' && t.packet.members.some((m) => m.ingredientId === id),
    );
    if (blends.length > 0)
      return refuse(`It is part of ${blends.map((b) => `"${b.name}"`).join(', ')}: change that first.`);
    const lots = await openLotsWith(id);
    if (lots.length > 0)
      return refuse(
        `It is in ${lots.map((l) => `lot ${l.number} of ${l.premixName}`).join(', ')}, with bags left: they would lose it, and its allergens. It can go when they are used up.`,
      );
    await dropThing(id);
    await fillAsBefore();
    return { ok: true };
  });

/** Keeps what is noted of an ingredient's packs; how much there is of it is counted, not set. */
export const keepStock = async (input: unknown): Promise<ActionResult<Kept>> =>
  acted('keep-stock', stockSchema.safeExtend({ seen }), input, async ({ ingredientId, seen, ...note }) => {
    const house = await loadHouse();
    if (!findIngredient(ingredientId, house.conventions.own)) return refuse(GONE);
    return keepStockNote(ingredientId, note, seen as OpenedRow<StockNote> | null);
  });

/** Somebody has counted what there is. */
export const countOnHand = async (input: unknown): Promise<ActionResult> =>
  acted('count-stock', countSchema, input, async ({ ingredientId, countedG, who, requestId }) => {
    const house = await loadHouse();
    if (!findIngredient(ingredientId, house.conventions.own)) return refuse(GONE);
    await countStock(requestId, ingredientId, countedG, who);
    return { ok: true };
  });

/** Takes a count back: what has come and gone since stays come and gone. */
export const uncountOnHand = async (input: unknown): Promise<ActionResult> =>
  acted('uncount-stock', uncountSchema, input, async ({ countId }) =>
    (await uncountStock(countId)) ? { ok: true } : refuse(GONE),
  );

/** Takes a table in: every row, or (asked for) all but the bad ones; else nothing. */
export async function importPantry(input: unknown): Promise<ImportedPantry> {
  const r = await acted(
    'import-pantry',
    importSchema,
    input,
    async ({ text, withoutBad }): Promise<ActionResult<{ readonly answer: ImportedPantry }>> => {
      const [things, noted] = await Promise.all([ownThings(), stockNoted()]);
      const { rows, errors } = readPantry(text, { shipped: PANTRY, own: things, shelf: noted });
      const whole = errors.some((e) => e.column === 'file' && e.row === 1);
      if (errors.length > 0 && (whole || !withoutBad))
        return { ok: true, answer: { ok: false, kind: 'refused', message: 'Nothing was taken in.', errors } };
      if (rows.length === 0)
        return { ok: true, answer: { ok: false, kind: 'refused', message: 'There is no row to take in.', errors } };
      const had = new Set(things.map((t) => t.id));
      const own = rows.flatMap((x) => (x.thing ? [x.thing] : []));
      await keepPantry(
        own,
        rows.map((x) => x.stock),
        'a table',
      );
      return { ok: true, answer: { ok: true, taken: rows.length, fresh: own.filter((t) => !had.has(t.id)).length } };
    },
  );
  return r.ok ? r.answer : { ok: false, kind: r.kind, message: r.message, errors: [] };
}

/** Keeps what a measure was weighed at. Flour by the cup: the house then fills its own way, until it says otherwise. */
export const keepWeighed = async (input: unknown): Promise<ActionResult<{ readonly measure: OwnMeasure }>> =>
  acted('keep-measure', weighedMeasureSchema, input, async (w) => {
    const house = await loadHouse();
    const i = w.ingredientId === null ? null : findIngredient(w.ingredientId, house.conventions.own);
    if (i === undefined) return refuse(GONE, { ingredientId: GONE });
    const measure = await keepMeasure(measureFrom({ id: '', ...w }));
    if (i && hangsOnFill(i)) await fillOwnWay();
    return { ok: true, measure };
  });

/** Keeps what the cook means by a measure without a set size. */
export const keepAnswered = async (input: unknown): Promise<ActionResult<{ readonly measure: OwnMeasure }>> =>
  acted('answer-measure', answeredMeasureSchema, input, async (m) => ({
    ok: true,
    measure: await keepMeasure({ ...m, full: '1', weighings: [], used: true }),
  }));

/** Keeps a measure again that was forgotten just now. */
export const measureBack = async (input: unknown): Promise<ActionResult> =>
  acted('measure-back', measureBackSchema, input, async (m) => {
    await keepMeasure(m);
    const i = m.ingredientId ? findIngredient(m.ingredientId, (await loadHouse()).conventions.own) : undefined;
    if (m.used && i && hangsOnFill(i)) await fillOwnWay();
    return { ok: true };
  });

/** Lets amounts follow a measure or not. */
export const switchMeasure = async (input: unknown): Promise<ActionResult> =>
  acted('switch-measure', useMeasureSchema, input, async ({ id, used }) => {
    const m = await useMeasure(id, used);
    const i = m?.ingredientId ? findIngredient(m.ingredientId, (await loadHouse()).conventions.own) : undefined;
    if (used && i && hangsOnFill(i)) await fillOwnWay();
    if (!used) await fillAsBefore();
    return m === null ? refuse(GONE) : { ok: true };
  });

export const dropMeasure = async (input: unknown): Promise<ActionResult> =>
  acted('drop-measure', forgetMeasureSchema, input, async ({ id }) => {
    await forgetMeasure(id);
    await fillAsBefore();
    return { ok: true };
  });
