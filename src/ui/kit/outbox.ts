/**
 * The one outbox: acts that the server has not confirmed yet, kept in this browser (IndexedDB) in the order they were
 * done. An act is a form that was sent, a photograph, or what was told at the counter. What the server refuses stays,
 * with why, until the cook sends it again or drops it.
 */
import { ACTS_SHAPE, SENT_ACTS } from '@/contract/acts';
import type { Item } from '@/core/day/event-log';
import { ARRIVED, STORE_FULL } from './browser-copy';
import { browserStore, type WaitingAct } from './store';

export type Queued = WaitingAct & { readonly seq: number };

const PAGE = typeof crypto === 'undefined' ? '' : crypto.randomUUID();
// where the browser keeps nothing the page itself remembers, as long as it is open
let memory: Queued[] = [];
let memorySeq = -1;

/** Who has signed, and on which device, as the page was drawn. */
const signedHere = (): Pick<WaitingAct, 'session' | 'device'> => {
  const { session, device } = typeof document === 'undefined' ? {} : document.body.dataset;
  return { ...(session && { session }), ...(device && { device }) };
};

/** An act as it is done now: noted with both clocks, and who has signed. */
export const doneNow = (
  a: Pick<WaitingAct, 'name' | 'of' | 'input'> & Partial<Pick<WaitingAct, 'tab' | 'words' | 'href' | 'draft' | 'blob'>>,
): WaitingAct => ({
  tab: '',
  words: '',
  href: '',
  draft: null,
  blob: null,
  ...a,
  ...signedHere(),
  shape: ACTS_SHAPE,
  at: Date.now(),
  mono: performance.now(),
  page: PAGE,
  refused: null,
});

/** What is told of a batch at the counter, now. */
export const toldNow = (batchId: string, item: Item): WaitingAct =>
  doneNow({ name: 'tell-events', of: batchId, input: item });
export const itemOf = (a: WaitingAct): Item => a.input as Item;
export const isTold = (a: WaitingAct): boolean => a.name === 'tell-events';

/** How long ago it was done, ms: by the stopwatch of this page, else by the device's clock. */
export const agoOf = (w: Pick<WaitingAct, 'page' | 'mono' | 'at'>): number =>
  Math.max(0, w.page === PAGE ? performance.now() - w.mono : Date.now() - w.at);

const requestIn = (input: unknown): unknown =>
  typeof input === 'object' && input !== null && 'requestId' in input ? input.requestId : null;
/** The press that a later one of the same form takes the place of, by its id; both where neither has one. */
const inPlaceOf = (now: WaitingAct, was: WaitingAct): boolean =>
  was.name === now.name &&
  was.of === now.of &&
  was.tab === now.tab &&
  (SENT_ACTS[now.name] === 'row' || (requestIn(now.input) !== null && requestIn(now.input) === requestIn(was.input)));

async function all(of?: string): Promise<readonly Queued[]> {
  const d = await browserStore();
  const mine = memory.filter((w) => of === undefined || w.of === of);
  if (!d) return mine;
  try {
    const out: Queued[] = [];
    const acts = d.transaction('acts').store;
    for (let c = await acts.openCursor(); c; c = await c.continue())
      if (of === undefined || c.value.of === of) out.push({ ...c.value, seq: c.primaryKey });
    return [...out, ...mine];
  } catch {
    return mine;
  }
}

/** All acts that are not in the records, the oldest first. */
export const everyAct = (): Promise<readonly Queued[]> => all();

/** What of a thing is still to be sent, the oldest first. */
export const waiting = async (of: string): Promise<readonly Queued[]> =>
  (await all(of)).filter((w) => w.refused === null);

/** What of a thing was refused. */
export const asideOf = async (of: string): Promise<readonly Queued[]> =>
  (await all(of)).filter((w) => w.refused !== null);

/**
 * Keeps an act until it is sent. Where there is no room it is kept as long as the page is open, and the window is told.
 * @returns its number in the outbox, below 0 where only this page keeps it
 */
export async function keepWaiting(w: WaitingAct): Promise<number> {
  try {
    const d = await browserStore();
    if (!d) throw new Error('no store');
    const before = w.name === 'tell-events' ? [] : (await waiting(w.of)).filter((was) => inPlaceOf(w, was));
    const first = before[0] && requestIn(before[0].input);
    // the press it takes the place of may be in the records already, unanswered: it keeps that one's id
    const input = typeof first === 'string' ? { ...(w.input as object), requestId: first } : w.input;
    await letGo(before.map((b) => b.seq));
    return await d.add('acts', { ...w, input });
  } catch {
    const seq = memorySeq--;
    memory.push({ ...w, seq });
    window.dispatchEvent?.(new Event(STORE_FULL));
    return seq;
  }
}

/** Things with something to send. */
export const thingsWaiting = async (): Promise<readonly string[]> => [
  ...new Set((await all()).flatMap((w) => (w.refused === null && !open.has(w.of) ? [w.of] : []))),
];

/** Takes acts out: they have arrived, or the cook drops them. */
export async function letGo(seqs: readonly number[]): Promise<void> {
  if (seqs.length > 0 && typeof window !== 'undefined') window.dispatchEvent?.(new Event(ARRIVED));
  memory = memory.filter((w) => !seqs.includes(w.seq));
  const stored = seqs.filter((s) => s > 0);
  const d = stored.length > 0 ? await browserStore() : null;
  if (!d) return;
  const tx = d.transaction('acts', 'readwrite');
  for (const s of stored) void tx.store.delete(s);
  await tx.done;
}

/** Keeps an act at its place: refused, so that the rest goes on, or waiting again; one that was let go is back. */
export async function markRefused(w: Queued, refused: string | null): Promise<void> {
  const { seq, ...act } = w;
  const told = { ...act, refused };
  // numbers of this page alone go down: the oldest first
  if (seq < 0) memory = [...memory.filter((m) => m.seq !== seq), { ...told, seq }].sort((a, b) => b.seq - a.seq);
  const d = seq > 0 ? await browserStore() : null;
  await d?.put('acts', told, seq);
}

interface Tellings {
  /** Something is told and goes into the store; and it is in. */
  readonly begin: () => void;
  readonly end: () => void;
  /** The store is read from now on. @returns whether what was read is still all there is */
  readonly reading: () => () => boolean;
}

/**
 * What is told while the store is read is not in what was read: shown, it would take a tap off the screen for a moment,
 * and the next press would be for the wrong piece.
 */
export function tellings(): Tellings {
  let told = 0;
  let going = 0;
  return {
    begin: () => {
      told++;
      going++;
    },
    end: () => {
      going--;
    },
    reading: () => {
      const before = told;
      const quiet = going === 0;
      return () => quiet && told === before;
    },
  };
}

const open = new Set<string>();
/** A working screen sends its batch's itself. @returns to be called when it closes */
export function sendsItself(batchId: string): () => void {
  open.add(batchId);
  return () => {
    open.delete(batchId);
  };
}
