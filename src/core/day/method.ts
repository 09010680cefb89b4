/** How a batter is worked, in the order of the hands, and why each thing matters: the script's own sentences. */
import type { Pouring } from '../batch/pourings';
import type { SheetLine } from '../batch/sheet-line';
import type { KindId } from '../formula/kinds';
import type { Ways } from '../formula/ways';
import type { Ingredient } from '../pantry/ingredient';
import type { Units } from '../quantity/say';
import type { ScriptAct } from '../script/act';
import { scriptOf } from '../script/script';

export type WorkStep = ScriptAct['says'][number];

/** What is done, and why. @param sheet the lines of one mix */
export function workSteps(q: {
  readonly sheet: readonly SheetLine[];
  readonly kind: KindId;
  readonly school: string;
  /** Of two ends each; left out: there is one. */
  readonly pourings?: readonly Pick<Pouring, 'name' | 'kind' | 'school'>[];
  readonly ways: Ways;
  readonly units: Pick<Units, 'temperature'>;
  readonly find: (id: string) => Ingredient | undefined;
}): readonly WorkStep[] {
  const [first = { name: null, kind: q.kind, school: q.school }, ...others] = q.pourings ?? [];
  return scriptOf({ ...q, lines: q.sheet, pourings: [first, ...others] }).acts.flatMap((a) => a.says);
}
