'use server';
import { AWAY, type Done, everyPageAnew, invalid, refuse } from '@/app/answers';
import {
  answeredMeasureSchema,
  dropThingSchema,
  forgetMeasureSchema,
  importSchema,
  stockSchema,
  thingSchema,
  useMeasureSchema,
  weighedMeasureSchema,
} from '@/contract/pantry';
/** What the pantry's pages ask the server to do. */
import { type Imported, ownId, plainName, readPantry } from '@/core/exchange/pantry-csv';
import { measureFrom } from '@/core/pantry/calibrate';
import type { OwnMeasure } from '@/core/pantry/own';
import { ingredientOf, type OwnThing } from '@/core/pantry/packet';
import { findIngredient, PANTRY } from '@/core/pantry/pantry';
import { hangsOnFill } from '@/core/pantry/weigh';
import { type Reached, reach } from '@/server/db/pool';
import { fillAsBefore, fillOwnWay, loadHouse } from '@/server/queries/house';
import { dropThing, forgetMeasure, keepMeasure, keepPantry, ownThings, shelf, useMeasure } from '@/server/queries/pantry';

/** An answer of the records, or that they are away; what was kept is on every page at once. */
function settled<T extends object>(r: Reached<Done<T>>): Done<T> {
  if (!r.up) return AWAY;
  if (r.value.ok) everyPageAnew();
  return r.value;
}

const GONE = 'That is not in this kitchen any more.';

/** Keeps an ingredient of the kitchen's own, new or changed. */
export async function keepThing(input: unknown): Promise<Done<{ readonly id: string }>> {
  const checked = thingSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { id, name, packet } = checked.data;
  const r = await reach(async (): Promise<Done<{ readonly id: string }>> => {
    const [things, house] = await Promise.all([ownThings(), loadHouse()]);
    if (id !== null && !things.some((t) => t.id === id)) return refuse(GONE);
    const plain = plainName(name);
    if (things.some((t) => t.id !== id && plainName(t.name) === plain) || PANTRY.some((i) => plainName(i.name) === plain))
      return refuse('There is one of that name already.', { name: 'There is one of that name already.' });
    const thing: OwnThing = { id: id ?? ownId(name, new Set(things.map((t) => t.id))), name, packet };
    const made = ingredientOf(thing, (x) => findIngredient(x, house.conventions.own));
    if (!made.ok) return refuse(made.errors[0]?.message ?? 'That can’t be.', Object.fromEntries(made.errors.map((e) => [e.field, e.message])));
    await keepPantry([thing], []);
    return { ok: true, id: thing.id };
  });
  return settled(r);
}

export async function removeThing(input: unknown): Promise<Done<object>> {
  const checked = dropThingSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { id } = checked.data;
  const r = await reach(async (): Promise<Done<object>> => {
    const blends = (await ownThings()).filter((t) => t.packet.by === 'blend' && t.packet.members.some((m) => m.ingredientId === id));
    if (blends.length > 0) return refuse(`It is part of ${blends.map((b) => `"${b.name}"`).join(', ')}: change that first.`);
    await dropThing(id);
    await fillAsBefore();
    return { ok: true };
  });
  return settled(r);
}

export async function keepStock(input: unknown): Promise<Done<object>> {
  const checked = stockSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(async (): Promise<Done<object>> => {
    const house = await loadHouse();
    if (!findIngredient(checked.data.ingredientId, house.conventions.own)) return refuse(GONE);
    await keepPantry([], [checked.data]);
    return { ok: true };
  });
  return settled(r);
}

/** Takes a table in: every row, or (asked for) all but the bad ones; else nothing. */
export async function importPantry(input: unknown): Promise<Imported> {
  const checked = importSchema.safeParse(input);
  if (!checked.success) return { ok: false, message: 'That is no table.', errors: [] };
  const r = await reach(async (): Promise<Imported> => {
    const [things, noted] = await Promise.all([ownThings(), shelf()]);
    const { rows, errors } = readPantry(checked.data.text, { shipped: PANTRY, own: things, shelf: noted });
    const whole = errors.some((e) => e.column === 'file' && e.row === 1);
    if (errors.length > 0 && (whole || !checked.data.withoutBad)) return { ok: false, message: 'Nothing was taken in.', errors };
    if (rows.length === 0) return { ok: false, message: 'There is no row to take in.', errors };
    const had = new Set(things.map((t) => t.id));
    const own = rows.flatMap((x) => (x.thing ? [x.thing] : []));
    await keepPantry(
      own,
      rows.map((x) => x.stock),
    );
    return { ok: true, taken: rows.length, fresh: own.filter((t) => !had.has(t.id)).length };
  });
  if (!r.up) return { ok: false, message: AWAY.message, errors: [] };
  if (r.value.ok) everyPageAnew();
  return r.value;
}

/** Keeps what a measure was weighed at. Flour by the cup: the house then fills its own way, until it says otherwise. */
export async function keepWeighed(input: unknown): Promise<Done<{ readonly measure: OwnMeasure }>> {
  const checked = weighedMeasureSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const w = checked.data;
  const r = await reach(async (): Promise<Done<{ readonly measure: OwnMeasure }>> => {
    const house = await loadHouse();
    const i = w.ingredientId === null ? null : findIngredient(w.ingredientId, house.conventions.own);
    if (i === undefined) return refuse(GONE, { ingredientId: GONE });
    const measure = await keepMeasure(measureFrom({ id: '', ...w }));
    if (i && hangsOnFill(i)) await fillOwnWay();
    return { ok: true, measure };
  });
  return settled(r);
}

/** Keeps what the cook means by a measure without a set size. */
export async function keepAnswered(input: unknown): Promise<Done<{ readonly measure: OwnMeasure }>> {
  const checked = answeredMeasureSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => keepMeasure({ ...checked.data, full: '1', weighings: [], used: true }));
  return settled(r.up ? { up: true, value: { ok: true, measure: r.value } } : r);
}

/** Lets amounts follow a measure or not. */
export async function switchMeasure(input: unknown): Promise<Done<object>> {
  const checked = useMeasureSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { id, used } = checked.data;
  const r = await reach(async () => {
    const m = await useMeasure(id, used);
    const i = m?.ingredientId ? findIngredient(m.ingredientId, (await loadHouse()).conventions.own) : undefined;
    if (used && i && hangsOnFill(i)) await fillOwnWay();
    if (!used) await fillAsBefore();
    return m !== null;
  });
  return settled(r.up ? { up: true, value: r.value ? { ok: true } : refuse(GONE) } : r);
}

export async function dropMeasure(input: unknown): Promise<Done<object>> {
  const checked = forgetMeasureSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(async () => {
    const gone = await forgetMeasure(checked.data.id);
    await fillAsBefore();
    return gone;
  });
  return settled(r.up ? { up: true, value: r.value ? { ok: true } : refuse(GONE) } : r);
}
