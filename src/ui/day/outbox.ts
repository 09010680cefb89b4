/** What of a batch's book the server has not confirmed yet, kept in this browser. */
import type { Item } from '@/core/day/book';
import { copiesNamed, copyOf, keepCopy } from '../kit/browser-copy';

const BOOK = 'book:';
const name = (batchId: string): string => `${BOOK}${batchId}`;
// where storage is off the page itself remembers, as long as it is open
const memory = new Map<string, readonly Item[]>();

export function waiting(batchId: string): readonly Item[] {
  const copy = copyOf(name(batchId));
  return Array.isArray(copy) ? (copy as readonly Item[]) : (memory.get(batchId) ?? []);
}

const MOST_AT_ONCE = 200;
/** What is sent next, the oldest first. */
export const parcel = (batchId: string): readonly Item[] => waiting(batchId).slice(0, MOST_AT_ONCE);

export function keepWaiting(batchId: string, items: readonly Item[]): void {
  memory.set(batchId, items);
  keepCopy(name(batchId), items.length > 0 ? items : null);
}

const open = new Set<string>();

/** Batches with something to send that no working screen of this page is sending. */
export const batchesWaiting = (): readonly string[] =>
  copiesNamed(BOOK)
    .map((n) => n.slice(BOOK.length))
    .filter((id) => !open.has(id));

/** A working screen sends its batch's itself. @returns to be called when it closes */
export function sendsItself(batchId: string): () => void {
  open.add(batchId);
  return () => {
    open.delete(batchId);
  };
}

/** Takes what has arrived out of what is still to be sent. @returns what is left */
export function arrived(batchId: string, items: readonly Item[]): readonly Item[] {
  const left = waiting(batchId).filter((i) => !items.some((x) => x.id === i.id));
  keepWaiting(batchId, left);
  return left;
}
