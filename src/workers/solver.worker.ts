/** The solver off the main thread: a thin shell around the core. */
import { expose } from 'comlink';
import { solve } from '@/core/balance/solve';

const api = { solve };
export type SolverApi = typeof api;
expose(api);
