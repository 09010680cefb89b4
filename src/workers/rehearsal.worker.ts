/** Mornings rehearsed off the main thread: a thin shell around the core. */
import { expose } from 'comlink';
import { type Rehearsed, rehearsing } from '@/core/morning/rehearse';

/** @param onProgress hears how many mornings are done */
async function rehearsed(
  asked: Parameters<typeof rehearsing>,
  onProgress: (done: number) => void | Promise<void>,
): Promise<Rehearsed> {
  const going = rehearsing(...asked);
  for (;;) {
    const r = going.next();
    if (r.done) return r.value;
    await onProgress(r.value);
  }
}

const api = { rehearsed };
export type RehearsalApi = typeof api;
expose(api);
