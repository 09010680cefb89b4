/**
 * The way to the solver in its worker. The newest question wins: one that is passed by before its turn is never asked, and
 * an answer that comes too late is dropped. Ending the solver ends its worker.
 */
import { type Remote, wrap } from 'comlink';
import { type Answer, type Question, solve } from '@/core/balance/solve';
import type { SolverApi } from '@/workers/solver.worker';

export interface Solver {
  /** Answers a question; null when a newer one or `cancel` passed it by. */
  readonly ask: (q: Question) => Promise<Answer | null>;
  readonly cancel: () => void;
  readonly end: () => void;
}

export function startSolver(): Solver {
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
        const answer = broken ? solve(q) : ((await Promise.race([remote.solve(q), fault])) ?? solve(q));
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
