/** When what is being kept was done, and by whom: an act that waited in a browser was done before it arrives. */
import { AsyncLocalStorage } from 'node:async_hooks';

const done = new AsyncLocalStorage<Date>();
/** A browser's word on how long ago is taken for no more than this, ms: seven days. */
const MOST_AGO_MS = 7 * 86_400_000;

/** Does what was done so long ago. @param agoMs ms, at most seven days */
export const doneAgo = <T>(agoMs: number, work: () => Promise<T>): Promise<T> =>
  agoMs > 0 ? done.run(new Date(Date.now() - Math.min(agoMs, MOST_AGO_MS)), work) : work();

/** When it was done; null: now. */
export const doneAt = (): Date | null => done.getStore() ?? null;

/** Ids of a device of the kitchen's network and of the person who has signed on it; null: none, or nobody. */
export interface DoneBy {
  readonly device: string | null;
  readonly person: string | null;
}
const by = new AsyncLocalStorage<DoneBy>();

/** Does what somebody does: what is kept of it says who, and on which device. */
export const doneBy = <T>(who: DoneBy, work: () => Promise<T>): Promise<T> => by.run(who, work);

/** Who does it; null: this machine, or nobody who is known. */
export const doer = (): DoneBy | null => {
  const who = by.getStore();
  return who && (who.device !== null || who.person !== null) ? who : null;
};
