/** Sending what waits in the outbox: of each thing in order, each act answered by itself. */

import type { ActionResult } from '@/contract/action-result';
import { isTabLive, keepDraftIn, thisTab } from './drafts';
import { agoOf, isTold, itemOf, letGo, markRefused, type Queued, waiting } from './outbox';

/** What is sent of an act, and what answers it; it throws where nobody does. */
export type Post = (
  act: Pick<Queued, 'name' | 'input' | 'shape' | 'session' | 'device'> & { readonly agoMs: number },
  blob?: Blob | null,
) => Promise<ActionResult>;

interface ItemAnswer {
  readonly id: string;
  readonly ok: boolean;
  readonly message?: string;
}

/** The server, asked over HTTP. A photograph goes as it is, with what it is of in the address. */
export const post: Post = async ({ name, input, agoMs, shape, session, device }, blob) => {
  const as = { agoMs, ...(session && { session }), ...(device && { device }) };
  const r =
    name === 'keep-photo'
      ? await fetch(
          `/photos?${new URLSearchParams({ ...(input as Record<string, string>), ...as, agoMs: String(agoMs) })}`,
          {
            method: 'POST',
            headers: { 'content-type': blob?.type || 'application/octet-stream' },
            body: blob ?? null,
          },
        )
      : await fetch('/acts', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ name, input, shape, ...as }),
        });
  const said = (await r.json()) as ActionResult | { readonly detail?: string };
  if ('ok' in said) return said;
  if (r.ok) return { ...said, ok: true };
  const kind = r.status >= 500 ? 'away' : 'refused';
  return { ok: false, kind, message: said.detail ?? 'It could not be kept.', fields: {} };
};

/** Taps and ticks sent at once. */
const MOST_AT_ONCE = 200;
const AWAY =
  'The records are out of reach just now. What you did is kept in this browser, and goes on by itself when they are back.';
export const NO_ANSWER =
  'Even Crumb does not answer. What you did is kept in this browser and goes in when it is back.';

/** An act that is in, with what the server said to it. */
export type ActIn = Queued & { readonly answer?: ActionResult };

export interface Sent {
  /** Acts that the server has now. */
  readonly kept: readonly ActIn[];
  /** Why the rest has to wait; null: there is no rest. */
  readonly trouble: string | null;
}

/** These will be refused again as they stand: waiting longer mends nothing. */
const HOPELESS: ReadonlySet<string> = new Set(['invalid', 'refused', 'unkeepable', 'fault', 'conflict']);
const whyOf = (kind: string, message: string): string => (kind === 'away' ? AWAY : message);

/** Forms that wait for the answer to their act, by its number. */
const listeners = new Map<number, (a: ActionResult) => void>();
const heard = new Set<number>();
/** Whether the form that an act was sent from was open, and has heard its answer. */
export const wasHeard = (seq: number): boolean => heard.has(seq);
/** The answer to an act, for its form as long as that is open. */
export const heardOf = (seq: number): Promise<ActionResult> =>
  new Promise((hear) => {
    listeners.set(seq, hear);
  });
/** The form of an act has closed: nobody hears its answer but the list. */
export const unheard = (seq: number): void => void listeners.delete(seq);

const DROPPED = 'It was dropped and is not in the records. What you typed is still here.';
/** The cook drops an act: it does not go in, and its form, where that is open in this tab, is told. */
export async function drop(w: Queued): Promise<void> {
  await letGo([w.seq]);
  listeners.get(w.seq)?.({ ok: false, kind: 'refused', message: DROPPED, fields: {} });
  listeners.delete(w.seq);
}

/** @param parcel of acts of one shape */
async function sendTold(batchId: string, parcel: readonly Queued[], send: Post): Promise<Sent> {
  const items = parcel.map((w) => ({ item: itemOf(w), agoMs: agoOf(w) }));
  const { shape = 1, session, device } = parcel[0] ?? {};
  const answer = await send({ name: 'tell-events', input: { batchId, items }, agoMs: 0, shape, session, device });
  if (answer.ok) {
    const { answers } = answer as unknown as { readonly answers: readonly ItemAnswer[] };
    const refused = new Map(answers.flatMap((a) => (a.ok ? [] : [[a.id, a.message ?? ''] as const])));
    const kept = parcel.filter((w) => !refused.has(itemOf(w).id));
    await letGo(kept.map((w) => w.seq));
    for (const w of parcel) {
      const why = refused.get(itemOf(w).id);
      if (why !== undefined) await markRefused(w, why);
    }
    return { kept, trouble: null };
  }
  if (!HOPELESS.has(answer.kind)) return { kept: [], trouble: whyOf(answer.kind, answer.message) };
  const [only] = parcel;
  if (parcel.length === 1 && only) {
    await markRefused(only, answer.message);
    return { kept: [], trouble: null };
  }
  // one of them holds up the rest: each by itself
  const kept: ActIn[] = [];
  for (const w of parcel) {
    const sent = await sendTold(batchId, [w], send);
    kept.push(...sent.kept);
    if (sent.trouble) return { kept, trouble: sent.trouble };
  }
  return { kept, trouble: null };
}

async function sendOne(w: Queued, send: Post): Promise<Sent> {
  const { name, input, shape = 1, session, device } = w;
  const answer = await send({ name, input, agoMs: agoOf(w), shape, session, device }, w.blob);
  if (!answer.ok && !HOPELESS.has(answer.kind)) return { kept: [], trouble: whyOf(answer.kind, answer.message) };
  const form = listeners.get(w.seq);
  listeners.delete(w.seq);
  // a form that is open shows its refusal itself, at its fields
  if (answer.ok || form) await letGo([w.seq]);
  else await markRefused(w, answer.message);
  if (answer.ok && w.draft && !form) void keepDraftIn(w.draft, w.tab, null);
  if (form) heard.add(w.seq);
  form?.(answer);
  return { kept: answer.ok ? [{ ...w, answer }] : [], trouble: null };
}

/** An act of a form in another tab that is open waits for that tab: its form hears the answer. */
const isAnothers = (w: Queued, live: boolean): boolean => w.tab !== '' && w.tab !== thisTab() && live;

async function sendUnshared(of: string, send: Post): Promise<Sent> {
  const kept: ActIn[] = [];
  for (;;) {
    const left = await waiting(of);
    const [head] = left;
    if (!head || isAnothers(head, await isTabLive(head.tab))) return { kept, trouble: null };
    const others = left.findIndex(
      (w) => !isTold(w) || w.shape !== head.shape || w.session !== head.session || w.device !== head.device,
    );
    const told = left.slice(0, others < 0 ? MOST_AT_ONCE : Math.min(others, MOST_AT_ONCE));
    const sending = isTold(head) ? sendTold(of, told, send) : sendOne(head, send);
    const sent = await sending.catch((): Sent => ({ kept: [], trouble: NO_ANSWER }));
    kept.push(...sent.kept);
    if (sent.trouble) return { kept, trouble: sent.trouble };
  }
}

/** Sends what waits of a thing until nothing does, or something holds it up; one tab at a time does. */
export const sendWaiting = (of: string, send: Post = post): Promise<Sent> =>
  typeof navigator === 'undefined' || !navigator.locks
    ? sendUnshared(of, send)
    : navigator.locks.request(`even-crumb:send:${of}`, () => sendUnshared(of, send));
