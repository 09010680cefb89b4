/** Choosing kitchen measures off the main thread: a thin shell around the core, with the solver loaded once. */

import { expose } from 'comlink';
import loadHighs from 'highs';
import { type Chosen, type KitchenLine, kitchenMeasures, type SolveLp } from '@/core/balance/kitchen';
import { highsSolver } from '@/core/balance/lp';
import type { KitchenConventions } from '@/core/pantry/conventions';
import type { ToolId } from '@/core/pantry/tools';

let solver: Promise<SolveLp> | undefined;

const api = {
  choose: async (lines: readonly KitchenLine[], house: KitchenConventions, drawer: readonly ToolId[]): Promise<Chosen> => {
    solver ??= loadHighs().then(highsSolver);
    return kitchenMeasures(lines, house, drawer, await solver);
  },
};
export type KitchenApi = typeof api;
expose(api);
