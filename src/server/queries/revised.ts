/** Saving an editable row: what another has changed meanwhile is kept with it, or both sides are told. */

import type { ClientBase } from 'pg';
import { z } from 'zod';
import { type ActionResult, clashing, type Kept, refuse } from '@/contract/action-result';
import { type MergeSide, merge, type Shape } from '@/core/records/merge';
import { rowsFrom } from '../db/rows';

/** What a form was opened with, and at which revision; nothing where it is a new row. */
export interface OpenedRow<T> {
  readonly revision: number;
  readonly base: T;
  readonly decided?: { readonly revision: number; readonly paths: Readonly<Record<string, MergeSide>> };
}

export const GONE = 'That is not in this kitchen any more. What you typed is still here.';

/**
 * In a transaction that holds the row.
 * @param now the row as it is kept; null where it is gone
 * @param write writes the merged value
 */
export async function saveRevised<T>(
  shape: Shape,
  now: { readonly revision: number; readonly value: T } | null,
  yours: T,
  opened: OpenedRow<T> | null,
  write: (value: T, revision: number) => Promise<unknown>,
): Promise<ActionResult<Kept>> {
  if (!now) return refuse(GONE);
  // a choice between two sides holds for the sides that were shown
  const decided = opened?.decided?.revision === now.revision ? opened.decided.paths : {};
  const m = merge(opened ? opened.base : now.value, yours, now.value, shape, decided);
  if (m.clashes.length > 0) return clashing({ revision: now.revision, theirs: now.value, clashes: m.clashes });
  await write(m.value, now.revision + 1);
  return { ok: true, revision: now.revision + 1, merged: m.taken };
}

/** What a screen asks for, and the press that asks for it. */
export interface AnsweredPress {
  readonly action: string;
  readonly requestId: string | null;
}

/** What was answered to the same press; null: it was not told before. */
export async function answeredBefore<T extends object>(
  { action, requestId }: AnsweredPress,
  client?: ClientBase,
): Promise<ActionResult<T> | null> {
  if (requestId === null) return null;
  const had = await rowsFrom(
    z.object({ answer: z.custom<ActionResult<T>>() }),
    'select answer from requests where id = $1 and action = $2',
    [requestId, action],
    client,
  );
  return had[0]?.answer ?? null;
}

/**
 * Does something once for a request, however often it is sent; a retry is answered as the first was.
 * A refusal is not kept: the same may be asked again.
 */
export async function onceFor<T extends object>(
  client: ClientBase,
  requestId: string | null,
  action: string,
  work: () => Promise<ActionResult<T>>,
): Promise<ActionResult<T>> {
  if (requestId === null) return work();
  // whoever sends the same at the same moment waits here
  await client.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [requestId]);
  const had = await answeredBefore<T>({ action, requestId }, client);
  if (had) return had;
  const answer = await work();
  if (answer.ok)
    await client.query('insert into requests (id, action, answer) values ($1, $2, $3)', [
      requestId,
      action,
      JSON.stringify(answer),
    ]);
  return answer;
}

/** Keeps a raw value that could not be read before something else is put in its place. */
export const keepRaw = (client: ClientBase, place: string, value: unknown): Promise<unknown> =>
  client.query('insert into set_aside (place, value) values ($1, $2)', [place, JSON.stringify(value ?? null)]);
