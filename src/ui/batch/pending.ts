/** Ticks and weights the server has not confirmed yet, kept in this browser. */
import { copyOf, keepCopy } from '../kit/browser-copy';

/** By line: ticked, unticked, or weighed at so many grams. */
export type Pending = Readonly<Record<string, boolean | number>>;

const name = (batchId: string): string => `ticks:${batchId}`;
// where storage is off the page itself remembers, as long as it is open
const memory = new Map<string, Pending>();

export function readPending(batchId: string): Pending {
  const kept = copyOf(name(batchId));
  return typeof kept === 'object' && kept !== null ? (kept as Pending) : (memory.get(batchId) ?? {});
}

export function keepPending(batchId: string, p: Pending): void {
  memory.set(batchId, p);
  keepCopy(name(batchId), Object.keys(p).length === 0 ? null : p);
}
