/** The way to the worker that rehearses mornings: where it can't be loaded they are rehearsed on this thread. */
import { proxy, wrap } from 'comlink';
import { type Rehearsed, rehearse, type rehearsing } from '@/core/morning/rehearse';
import type { RehearsalApi } from '@/workers/rehearsal.worker';

type Asked = Parameters<typeof rehearsing>;

interface Rehearsals {
  /** @param onProgress hears how many mornings are done */
  readonly ask: (asked: Asked, onProgress: (done: number) => void) => Promise<Rehearsed>;
  /** Stops what is under way: its answer never comes. */
  readonly end: () => void;
}

export function startRehearsals(): Rehearsals {
  const worker = new Worker(new URL('../../workers/rehearsal.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<RehearsalApi>(worker);
  const broken = new Promise<null>((done) => {
    worker.addEventListener('error', () => done(null));
  });
  return {
    ask: async (asked, onProgress) =>
      (await Promise.race([remote.rehearsed(asked, proxy(onProgress)), broken])) ?? rehearse(...asked),
    end: () => worker.terminate(),
  };
}
