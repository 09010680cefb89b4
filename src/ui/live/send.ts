/** Sending what waits: in order, a parcel at a time, each item answered by itself. */
import type { ActionResult } from '@/contract/action-result';
import { agoOf, arrived, keepRefused, type Queued, waiting } from './outbox';

export type Tell = (input: unknown) => Promise<
  ActionResult<{
    readonly answers: readonly (
      | { readonly id: string; readonly ok: true }
      | { readonly id: string; readonly ok: false; readonly message: string }
    )[];
  }>
>;

const MOST_AT_ONCE = 200;
const AWAY =
  'The records are out of reach just now. What you did is kept in this browser, and goes on by itself when they are back.';
export const NO_ANSWER =
  'Even Crumb does not answer. What you did is kept in this browser and goes in when it is back.';

export interface Sent {
  /** Items that the server has now. */
  readonly kept: readonly Queued[];
  /** Why the rest has to wait; null: there is no rest. */
  readonly trouble: string | null;
}

/** These will be refused again as they stand: waiting longer mends nothing. */
const HOPELESS = new Set(['invalid', 'refused', 'unkeepable', 'fault']);

async function sendParcel(batchId: string, parcel: readonly Queued[], tell: Tell): Promise<Sent> {
  const answer = await tell({ batchId, items: parcel.map((w) => ({ item: w.item, agoMs: agoOf(w) })) });
  if (answer.ok) {
    const refused = new Map(answer.answers.flatMap((a) => (a.ok ? [] : [[a.id, a.message] as const])));
    const kept = parcel.filter((w) => !refused.has(w.item.id));
    await arrived(kept.map((w) => w.seq));
    for (const w of parcel) {
      const why = refused.get(w.item.id);
      if (why !== undefined) await keepRefused(w, why);
    }
    return { kept, trouble: null };
  }
  if (!HOPELESS.has(answer.kind)) return { kept: [], trouble: answer.kind === 'away' ? AWAY : answer.message };
  const [only] = parcel;
  if (parcel.length === 1 && only) {
    await keepRefused(only, answer.message);
    return { kept: [], trouble: null };
  }
  // one of them holds up the rest: each by itself
  const kept: Queued[] = [];
  for (const w of parcel) {
    const sent = await sendParcel(batchId, [w], tell);
    kept.push(...sent.kept);
    if (sent.trouble) return { kept, trouble: sent.trouble };
  }
  return { kept, trouble: null };
}

/** Sends what waits of a batch until nothing does, or something holds it up. */
export async function sendWaiting(batchId: string, tell: Tell): Promise<Sent> {
  const kept: Queued[] = [];
  for (;;) {
    const parcel = (await waiting(batchId)).slice(0, MOST_AT_ONCE);
    if (parcel.length === 0) return { kept, trouble: null };
    const sent = await sendParcel(batchId, parcel, tell).catch((): Sent => ({ kept: [], trouble: NO_ANSWER }));
    kept.push(...sent.kept);
    if (sent.trouble) return { kept, trouble: sent.trouble };
  }
}
