'use server';
import { outcomeSchema, putBackSchema, rebalanceSchema, servingSchema, startBatchSchema, swapSchema, wantSchema } from '@/contract/batch';
import { tellSchema } from '@/contract/book';
import { saveSchema } from '@/contract/formula';
import { houseChangeSchema } from '@/contract/house';
/** What the pages ask the server to do. Everything that comes in is checked; errors go back as values, with their place. */
import type { Formula } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Saved } from '@/core/formula/version';
import { findIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { setServing, writeOutcome } from '@/server/queries/batches';
import { keepItems } from '@/server/queries/book';
import { saveVersion } from '@/server/queries/formulas';
import { wantPieces } from '@/server/queries/griddle';
import { changeHouse, loadHouse } from '@/server/queries/house';
import { putBack } from '@/server/queries/stock';
import { rebalanceMix } from '@/server/usecases/rebalance';
import { startBatch } from '@/server/usecases/start-batch';
import { swapInBatch } from '@/server/usecases/swap';
import { AWAY, type Done, everyPageAnew, invalid, refuse } from './answers';

export async function saveFormula(input: unknown): Promise<Done<{ readonly saved: Saved & { readonly passedByAt: string | null } }>> {
  const checked = saveSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { formula, ...rest } = checked.data;
  const kind = kindById(formula.kind);
  const school = schoolOf(kind, formula.school).id;
  const ends: Formula['ends'] = formula.ends && [
    { ...formula.ends[0], school: schoolOf(kind, formula.ends[0].school).id },
    { ...formula.ends[1], school: schoolOf(kind, formula.ends[1].school).id },
  ];
  const house = await reach(loadHouse);
  if (!house.up) return AWAY;
  const { own } = house.value.conventions;
  // what was taken out of the pantry since is asked about again on its line
  const gone = (id: string | undefined): boolean => id?.startsWith('own-') === true && !findIngredient(id, own);
  const entries = formula.entries.map((e) => (gone(e.ingredientId) ? { ...e, ingredientId: undefined } : e));
  const stranger = entries.findIndex((e) => e.ingredientId !== undefined && !findIngredient(e.ingredientId, own));
  if (stranger >= 0) return refuse('A line names an ingredient that is not in the pantry.', { [`formula.entries.${stranger}`]: 'Not in the pantry.' });
  const keys = new Set(formula.entries.map((e) => e.key));
  if (keys.size !== formula.entries.length) return refuse('Two lines have the same key.');
  const r = await reach(() => saveVersion({ ...rest, formula: { ...formula, entries, school, ends } }));
  if (!r.up) return AWAY;
  if (!r.value) return refuse('That formula is not in this kitchen any more. What you typed is still here.');
  return { ok: true, saved: { ...r.value, passedByAt: r.value.passedBy?.savedAt.toISOString() ?? null } };
}

export async function makeBatch(input: unknown): Promise<Done<{ readonly batchId: string }>> {
  const checked = startBatchSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => startBatch(checked.data));
  if (!r.up) return AWAY;
  if (r.value.ok && checked.data.take !== 'no') everyPageAnew();
  return r.value.ok ? { ok: true, batchId: r.value.id } : refuse(r.value.message, { [r.value.path]: r.value.message });
}

export async function untakeBatch(input: unknown): Promise<Done<object>> {
  const checked = putBackSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => putBack(checked.data.batchId));
  if (!r.up) return AWAY;
  if (!r.value) return refuse('That batch is finished, or not in this kitchen: what it took stays taken.');
  everyPageAnew();
  return { ok: true };
}

export async function tellBook(input: unknown): Promise<Done<object>> {
  const checked = tellSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => keepItems(checked.data.batchId, checked.data.items));
  if (!r.up) return AWAY;
  return r.value ? { ok: true } : refuse('That batch, or that line of it, is not in this kitchen any more.');
}

export async function serveAt(input: unknown): Promise<Done<object>> {
  const checked = servingSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => setServing(checked.data.batchId, checked.data.serving));
  if (!r.up) return AWAY;
  if (!r.value) return refuse('That batch is finished, or not in this kitchen any more: its time line stays.');
  everyPageAnew();
  return { ok: true };
}

export async function swapHere(input: unknown): Promise<Done<object>> {
  const checked = swapSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => swapInBatch(checked.data.batchId, checked.data.lineKey, checked.data.to, checked.data.with));
  if (!r.up) return AWAY;
  if (!r.value.ok) return refuse(r.value.message);
  everyPageAnew();
  return { ok: true };
}

export async function workRestAnew(input: unknown): Promise<Done<object>> {
  const checked = rebalanceSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => rebalanceMix(checked.data.batchId, checked.data.mix));
  if (!r.up) return AWAY;
  if (!r.value) return refuse('That batch is finished, or not in this kitchen: its sheet stays.');
  everyPageAnew();
  return { ok: true };
}

export async function wantOthers(input: unknown): Promise<Done<object>> {
  const checked = wantSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => wantPieces(checked.data.batchId, checked.data.pieces));
  if (!r.up) return AWAY;
  return r.value ? { ok: true } : refuse('That batch is finished, or not in this kitchen any more.');
}

export async function saveOutcome(input: unknown): Promise<Done<object>> {
  const checked = outcomeSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { batchId, ...outcome } = checked.data;
  const r = await reach(() => writeOutcome(batchId, outcome));
  if (!r.up) return AWAY;
  return r.value ? { ok: true } : refuse('That batch is not in this kitchen any more.');
}

export async function setHouse(input: unknown): Promise<Done<object>> {
  const checked = houseChangeSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => changeHouse(checked.data));
  if (r.up) everyPageAnew();
  return r.up ? { ok: true } : AWAY;
}
