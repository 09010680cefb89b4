/** The solver off the main thread: a thin shell around the core. */
import { expose } from 'comlink';
import { meantOn } from '@/core/balance/meant';
import { solve } from '@/core/balance/solve';

const api = { solve, meantOn };
export type SolverApi = typeof api;
expose(api);
