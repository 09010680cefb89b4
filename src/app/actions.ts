'use server';
/** What the pages ask the server to do. Everything that comes in is checked; errors go back as values, with their place. */
import type { z } from 'zod';
import type { Formula } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Saved } from '@/core/formula/version';
import { findIngredient } from '@/core/pantry/pantry';
import { setTick, startBatch, writeOutcome } from '@/server/batches';
import { saveVersion } from '@/server/formulas';
import { saveHouse } from '@/server/house';
import { reach } from '@/server/pool';
import { fieldErrors, houseSchema, outcomeSchema, saveSchema, startBatchSchema, tickSchema } from '@/server/schemas';

export interface Refusal {
  readonly ok: false;
  readonly message: string;
  /** Field errors by dotted path. */
  readonly fields: Readonly<Record<string, string>>;
}

export type Done<T> = ({ readonly ok: true } & T) | Refusal;

const AWAY: Refusal = { ok: false, message: 'The records are out of reach just now. What you typed is still here: try again in a moment.', fields: {} };
const refuse = (message: string, fields: Readonly<Record<string, string>> = {}): Refusal => ({ ok: false, message, fields });

function invalid(error: z.ZodError): Refusal {
  const fields = fieldErrors(error);
  return refuse(Object.values(fields)[0] ?? 'Something in it is not right.', fields);
}

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
  const stranger = formula.entries.findIndex((e) => e.ingredientId !== undefined && !findIngredient(e.ingredientId));
  if (stranger >= 0) return refuse('A line names an ingredient that is not in the pantry.', { [`formula.entries.${stranger}`]: 'Not in the pantry.' });
  const keys = new Set(formula.entries.map((e) => e.key));
  if (keys.size !== formula.entries.length) return refuse('Two lines have the same key.');
  const r = await reach(() => saveVersion({ ...rest, formula: { ...formula, school, ends } }));
  if (!r.up) return AWAY;
  if (!r.value) return refuse('That formula is not in this kitchen any more. What you typed is still here.');
  return { ok: true, saved: { ...r.value, passedByAt: r.value.passedBy?.savedAt.toISOString() ?? null } };
}

export async function makeBatch(input: unknown): Promise<Done<{ readonly batchId: string }>> {
  const checked = startBatchSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { versionId, driver, exactness, portionMl, end } = checked.data;
  const r = await reach(() => startBatch(versionId, driver, exactness, portionMl, end));
  if (!r.up) return AWAY;
  return r.value.ok ? { ok: true, batchId: r.value.id } : refuse(r.value.message, { [r.value.path]: r.value.message });
}

export async function tickLine(input: unknown): Promise<Done<object>> {
  const checked = tickSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const { batchId, lineKey, ticked } = checked.data;
  const r = await reach(() => setTick(batchId, lineKey, ticked));
  if (!r.up) return AWAY;
  return r.value ? { ok: true } : refuse('That line is not on this sheet.');
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
  const checked = houseSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => saveHouse(checked.data));
  return r.up ? { ok: true } : AWAY;
}
