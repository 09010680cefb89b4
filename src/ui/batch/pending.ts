/** Ticks the server has not confirmed yet, kept in this browser. */
export type Pending = Readonly<Record<string, boolean>>;

const name = (batchId: string): string => `even-crumb:ticks:${batchId}`;
// where storage is off the page itself remembers, as long as it is open
const memory = new Map<string, Pending>();

export function readPending(batchId: string): Pending {
  try {
    const text = window.localStorage.getItem(name(batchId));
    return text ? (JSON.parse(text) as Pending) : {};
  } catch {
    return memory.get(batchId) ?? {};
  }
}

export function keepPending(batchId: string, p: Pending): void {
  memory.set(batchId, p);
  try {
    if (Object.keys(p).length === 0) window.localStorage.removeItem(name(batchId));
    else window.localStorage.setItem(name(batchId), JSON.stringify(p));
  } catch {
    // storage is off: `memory` has it
  }
}
