/** What works on a formula: the reader of its lines, the arithmetic and the tools of the Bench. Fetched when it is first wanted. */
export { workedOn } from '@/core/balance/bench';
export { fixesFor } from '@/core/balance/fixes';
export { WISHES } from '@/core/balance/moves';
export { ask, bentFrom } from '@/core/balance/ratios';
export { withSource } from '@/core/balance/source';
export { sightOf } from '@/core/bench/sight';
export { whatIf } from '@/core/bench/what-if';
export { readCard } from '@/core/card/card';
export { diffSheet } from './diff';
export { benchReducer } from './reducer';
export { startSolver } from './solver';
