/** The solver off the main thread: a thin shell around the core. */
import { expose } from 'comlink';
import { slipsOn } from '@/core/balance/slips';
import { solve } from '@/core/balance/solve';

const api = { solve, slipsOn };
export type SolverApi = typeof api;
expose(api);
