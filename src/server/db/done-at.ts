/** When what is being kept was done: an act that waited in a browser was done before it arrives. */
import { AsyncLocalStorage } from 'node:async_hooks';

const done = new AsyncLocalStorage<Date>();
/** A browser's word on how long ago is taken for no more than this, ms: seven days. */
const MOST_AGO_MS = 7 * 86_400_000;

/** Does what was done so long ago. @param agoMs ms, at most seven days */
export const doneAgo = <T>(agoMs: number, work: () => Promise<T>): Promise<T> =>
  agoMs > 0 ? done.run(new Date(Date.now() - Math.min(agoMs, MOST_AGO_MS)), work) : work();

/** When it was done; null: now. */
export const doneAt = (): Date | null => done.getStore() ?? null;
