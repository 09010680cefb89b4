/**
 * What this browser keeps until the records have it (IndexedDB): acts that wait to be sent, and drafts, which are acts
 * that nobody has sent yet. One database, opened once a page.
 */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { ActName } from '@/contract/acts';
import { type Item, toldAt } from '@/core/day/event-log';
import { copiesNamed, copyOf, keepCopy } from './browser-copy';

export interface WaitingAct {
  readonly name: ActName;
  /** The thing it is about: acts of one thing go in in their order. Of what is told at the counter: the batch's id. */
  readonly of: string;
  /** The tab it was done in: its form hears the answer, and a later press of it may take its place. */
  readonly tab: string;
  /** What it is, as a cook calls it: "the price of flour"; empty where the input says it. */
  readonly words: string;
  /** The page it was done on. */
  readonly href: string;
  /** The draft in this browser that it was sent from, which goes when it is in. */
  readonly draft: string | null;
  readonly input: unknown;
  /** Who had signed when it was done, by their session, and the device; none: nobody, or this is the server's own screen. */
  readonly session?: string;
  readonly device?: string;
  /** The shape its input is in; acts from before shapes were noted have none, and are of the first. */
  readonly shape?: number;
  /** Bytes that go with it. */
  readonly blob: Blob | null;
  /** This device's clock when it was done; and its stopwatch, which nobody can set back, with the page whose it is. */
  readonly at: number;
  readonly mono: number;
  readonly page: string;
  /** Why the records refused it; null: it waits. */
  readonly refused: string | null;
}

/** A draft, and when it was last typed at, ms since 1970. */
export interface KeptDraft {
  readonly at: number;
  readonly value: unknown;
  /** The page it was typed on, and that page's title; drafts from before pages were noted have none. */
  readonly href?: string;
  readonly words?: string;
}

interface Store extends DBSchema {
  acts: { key: number; value: WaitingAct };
  /** By what is drafted and the tab it stands in. */
  drafts: { key: string; value: KeptDraft };
}
type BrowserStore = IDBPDatabase<Store>;

/** The first versions of the app kept what was told at the counter alone. */
interface OlderTelling {
  readonly batchId: string;
  readonly item: Item;
  readonly at?: number;
  readonly why?: string;
}
const OLDER = ['book', 'aside'] as const;
const olderAct = (o: OlderTelling): WaitingAct => ({
  name: 'tell-events',
  of: o.batchId,
  tab: '',
  words: '',
  href: '',
  draft: null,
  input: o.item,
  blob: null,
  at: o.at ?? toldAt(o.item) ?? Date.now(),
  mono: 0,
  page: '',
  refused: o.why ?? null,
});

const isDraft = (c: unknown): c is KeptDraft => typeof c === 'object' && c !== null && 'value' in c && 'at' in c;

/** What older versions of the app, or a page as it went, have left in the browser's other store: read once, and emptied. */
async function adoptOlder(store: BrowserStore): Promise<void> {
  for (const name of copiesNamed('')) {
    const was = copyOf(name);
    if (name.startsWith('book:') && Array.isArray(was))
      for (const item of was as Item[])
        await store.add('acts', olderAct({ batchId: name.slice('book:'.length), item }));
    else if (name.includes('@') && isDraft(was))
      await (was.value === null ? store.delete('drafts', name) : store.put('drafts', was, name));
    else continue;
    keepCopy(name, null);
  }
}

let opened: Promise<BrowserStore | null> | null = null;

/** The store; null where the browser keeps nothing. */
export function browserStore(): Promise<BrowserStore | null> {
  // a browser that keeps nothing may not even know the word
  opened ??= Promise.resolve()
    .then(() =>
      openDB<Store>('even-crumb', 3, {
        async upgrade(d, _, __, tx) {
          d.createObjectStore('drafts');
          if (d.objectStoreNames.contains('acts')) return;
          const acts = d.createObjectStore('acts', { autoIncrement: true });
          const older = d as unknown as IDBPDatabase;
          for (const name of OLDER) {
            if (!older.objectStoreNames.contains(name)) continue;
            const told = await (tx as unknown as { objectStore: (n: string) => { getAll: () => Promise<unknown[]> } })
              .objectStore(name)
              .getAll();
            for (const o of told as OlderTelling[]) void acts.add(olderAct(o));
            older.deleteObjectStore(name);
          }
        },
        blocking: (_, __, e) => (e.target as IDBDatabase).close(),
        terminated: () => {
          opened = null;
        },
      }),
    )
    .then(async (store) => {
      await adoptOlder(store);
      return store;
    })
    .catch(() => null);
  return opened;
}
