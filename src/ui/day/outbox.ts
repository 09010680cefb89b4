/** What of a batch's book the server has not confirmed yet, kept in this browser. */
import type { Item } from '@/core/day/book';
import { copyOf, keepCopy } from '../kit/browser-copy';

const name = (batchId: string): string => `book:${batchId}`;
// where storage is off the page itself remembers, as long as it is open
const memory = new Map<string, readonly Item[]>();

export function waiting(batchId: string): readonly Item[] {
  const copy = copyOf(name(batchId));
  return Array.isArray(copy) ? (copy as readonly Item[]) : (memory.get(batchId) ?? []);
}

export function keepWaiting(batchId: string, items: readonly Item[]): void {
  memory.set(batchId, items);
  keepCopy(name(batchId), items.length > 0 ? items : null);
}
