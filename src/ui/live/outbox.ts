/**
 * What of a batch's event log the server has not confirmed yet, kept in this browser (IndexedDB): an entry each, in the
 * order it was told, whichever tab told it. What was refused is set aside, to be sent again or dropped by the cook.
 */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { type Item, toldAt } from '@/core/day/event-log';
import { copiesNamed, copyOf, keepCopy, STORE_FULL } from '../kit/browser-copy';

export interface Waiting {
  readonly batchId: string;
  readonly item: Item;
  /** This device's clock when it was told; and its stopwatch, which nobody can set back, with the page whose it is. */
  readonly at: number;
  readonly mono: number;
  readonly page: string;
}

export interface RefusedTelling {
  readonly batchId: string;
  readonly item: Item;
  readonly why: string;
}

interface Store extends DBSchema {
  book: { key: number; value: Waiting; indexes: { batch: string } };
  aside: { key: string; value: RefusedTelling; indexes: { batch: string } };
}

export type Queued = Waiting & { readonly seq: number };

const PAGE = typeof crypto === 'undefined' ? '' : crypto.randomUUID();
// where the browser keeps nothing the page itself remembers, as long as it is open
let memory: Queued[] = [];
let memorySeq = -1;
let refusedHere: RefusedTelling[] = [];
let db: Promise<IDBPDatabase<Store> | null> | null = null;

function store(): Promise<IDBPDatabase<Store> | null> {
  // a browser that keeps nothing may not even know the word
  db ??= Promise.resolve()
    .then(() =>
      openDB<Store>('even-crumb', 1, {
        upgrade(d) {
          d.createObjectStore('book', { autoIncrement: true }).createIndex('batch', 'batchId');
          d.createObjectStore('aside', { keyPath: 'item.id' }).createIndex('batch', 'batchId');
        },
        blocking: (_, __, e) => (e.target as IDBDatabase).close(),
        terminated: () => {
          db = null;
        },
      }),
    )
    .then(async (d) => {
      await adoptOlder(d);
      return d;
    })
    .catch(() => null);
  return db;
}

/** What versions of the app before this one had left in the other store. */
async function adoptOlder(d: IDBPDatabase<Store>): Promise<void> {
  for (const name of copiesNamed('book:')) {
    const items = copyOf(name);
    if (Array.isArray(items)) {
      const tx = d.transaction('book', 'readwrite');
      for (const item of items as Item[])
        void tx.store.add({
          batchId: name.slice('book:'.length),
          item,
          at: toldAt(item) ?? Date.now(),
          mono: 0,
          page: '',
        });
      await tx.done;
    }
    keepCopy(name, null);
  }
}

/** Something is told: noted with both clocks. */
export const toldNow = (batchId: string, item: Item): Waiting => ({
  batchId,
  item,
  at: Date.now(),
  mono: performance.now(),
  page: PAGE,
});

/** How long ago it was told, ms: by the stopwatch of this page, else by the device's clock. */
export const agoOf = (w: Waiting): number =>
  Math.max(0, w.page === PAGE ? performance.now() - w.mono : Date.now() - w.at);

/**
 * Keeps something until it is sent. Where there is no room it is kept as long as the page is open, and the window is
 * told.
 */
export async function keepWaiting(w: Waiting): Promise<void> {
  try {
    const d = await store();
    if (!d) throw new Error('no store');
    await d.add('book', w);
  } catch {
    memory.push({ ...w, seq: memorySeq-- });
    window.dispatchEvent?.(new Event(STORE_FULL));
  }
}

/** What of a batch is still to be sent, the oldest first. */
export async function waiting(batchId: string): Promise<readonly Queued[]> {
  const d = await store().catch(() => null);
  const mine = memory.filter((w) => w.batchId === batchId);
  if (!d) return mine;
  try {
    const out: Queued[] = [];
    const tx = d.transaction('book');
    for (let c = await tx.store.index('batch').openCursor(batchId); c; c = await c.continue())
      out.push({ ...c.value, seq: c.primaryKey });
    return [...out, ...mine];
  } catch {
    return mine;
  }
}

/** Batches with something to send. */
export async function batchesWaiting(): Promise<readonly string[]> {
  const d = await store().catch(() => null);
  const ids = new Set(memory.map((w) => w.batchId));
  try {
    if (d)
      for (
        let c = await d.transaction('book').store.index('batch').openKeyCursor(null, 'nextunique');
        c;
        c = await c.continue()
      )
        ids.add(String(c.key));
  } catch {
    // the page's own memory is all there is
  }
  return [...ids].filter((id) => !open.has(id));
}

/** Takes what has arrived out of what is still to be sent. */
export async function arrived(seqs: readonly number[]): Promise<void> {
  memory = memory.filter((w) => !seqs.includes(w.seq));
  const stored = seqs.filter((s) => s > 0);
  const d = stored.length > 0 ? await store().catch(() => null) : null;
  if (!d) return;
  const tx = d.transaction('book', 'readwrite');
  for (const s of stored) void tx.store.delete(s);
  await tx.done;
}

/** Sets what was refused aside, so that the rest goes on. */
export async function keepRefused(w: Queued, why: string): Promise<void> {
  const d = await store().catch(() => null);
  const told = { batchId: w.batchId, item: w.item, why };
  if (d) await d.put('aside', told);
  else refusedHere.push(told);
  await arrived([w.seq]);
}

export async function asideOf(batchId: string): Promise<readonly RefusedTelling[]> {
  const d = await store().catch(() => null);
  return [
    ...(d ? await d.getAllFromIndex('aside', 'batch', batchId) : []),
    ...refusedHere.filter((r) => r.batchId === batchId),
  ];
}

/** Drops what was set aside, or puts it back to be sent once more. */
export async function resolveAside(s: RefusedTelling, again: boolean): Promise<void> {
  const d = await store().catch(() => null);
  refusedHere = refusedHere.filter((r) => r.item.id !== s.item.id);
  await d?.delete('aside', s.item.id);
  if (again) await keepWaiting({ ...toldNow(s.batchId, s.item), at: toldAt(s.item) ?? Date.now(), page: '' });
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
