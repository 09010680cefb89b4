/** Kitchen measures on the server: the same choice as in the browser's worker, with the solver loaded once. */
import loadHighs from 'highs';
import { kitchenMeasures, type SolveLp } from '@/core/balance/kitchen';
import { highsSolver } from '@/core/balance/lp';
import type { AccountLine } from '@/core/batch/account';
import { kitchenLines, takenInKitchen } from '@/core/batch/kitchen';
import type { Taken } from '@/core/batch/scale';
import type { Kitchen } from '@/core/formula/kitchen-settings';

let solver: Promise<SolveLp> | undefined;

/** The lines of a batch in the measures of a kitchen's drawer. */
export async function takeInKitchen(
  lines: readonly AccountLine[],
  factor: number,
  { conventions, drawer }: Pick<Kitchen, 'conventions' | 'drawer'>,
): Promise<readonly (Taken | null)[]> {
  solver ??= loadHighs().then(highsSolver);
  const { takes } = kitchenMeasures(kitchenLines(lines, factor), conventions, drawer, await solver);
  return takenInKitchen(lines, factor, takes, conventions, drawer);
}
