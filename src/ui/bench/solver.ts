/**
 * The way to what is worked off the main thread: the solver, and the search for slips of the pen. The newest question
 * wins: one that is passed by before its turn is never asked, and an answer that comes too late is dropped. Ending ends
 * the worker.
 */
import { type Remote, wrap } from 'comlink';
import type { Bench } from '@/core/balance/bench';
import type { Meant } from '@/core/balance/meant';
import type { Answer, Question } from '@/core/balance/solve';
import type { SolverApi } from '@/workers/solver.worker';

export interface Asker<Q, A> {
  /** Answers a question; null when a newer one or `cancel` passed it by. */
  readonly ask: (q: Q) => Promise<A | null>;
  readonly cancel: () => void;
  readonly end: () => void;
}
export type Solver = Asker<Question, Answer>;

/** @param there asks it in the worker @param here the same on this thread, where the worker can't be loaded */
function startAsking<Q, A>(
  there: (api: Remote<SolverApi>, q: Q) => Promise<A>,
  here: (q: Q) => Promise<A>,
): Asker<Q, A> {
  const worker = new Worker(new URL('../../workers/solver.worker.ts', import.meta.url), { type: 'module' });
  const remote: Remote<SolverApi> = wrap<SolverApi>(worker);
  // a worker that can't be loaded says so once: then the questions are answered here
  let broken = false;
  const fault = new Promise<null>((done) => {
    worker.addEventListener('error', () => {
      broken = true;
      done(null);
    });
  });
  let newest = 0;
  let last: Promise<unknown> = Promise.resolve();
  return {
    ask: (q) => {
      newest += 1;
      const mine = newest;
      const turn = last.then(async () => {
        if (mine !== newest) return null;
        const answer = broken ? await here(q) : ((await Promise.race([there(remote, q), fault])) ?? (await here(q)));
        return mine === newest ? answer : null;
      });
      last = turn.catch(() => null);
      return turn;
    },
    cancel: () => {
      newest += 1;
    },
    end: () => {
      newest += 1;
      worker.terminate();
    },
  };
}

export const startSolver = (): Solver =>
  startAsking(
    (api, q) => api.solve(q),
    async (q) => (await import('@/core/balance/solve')).solve(q),
  );
export const startMeant = (): Asker<Bench, Meant> =>
  startAsking(
    (api, b) => api.meantOn(b),
    async (b) => (await import('@/core/balance/meant')).meantOn(b),
  );
