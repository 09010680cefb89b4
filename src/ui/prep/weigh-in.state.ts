/** One weighing as it stands on the screen: its target, what is on the scale, and what comes of too much; pure. */
import type { Batch } from '@/core/batch/batch';
import { bowlLines, goesOnScale, type SheetLine } from '@/core/batch/sheet-line';
import type { Ingredient } from '@/core/pantry/ingredient';
import type { ScaleReading } from '@/core/prep/simulated-scale';
import { toleranceG } from '@/core/prep/tolerance';
import { type Rebalanced, rebalance } from '@/core/prep/weigh';
import { shownOf } from '../shared/target-reading';
import type { Done } from './done';

/** What the cook has done on the screen. */
export interface WeighTyped {
  /** What is typed of the scale. */
  readonly typed: string;
  /** The line that is weighed again; null: the next one that is open. */
  readonly back: string | null;
  /** What is off is seen, and goes in as it is. */
  readonly sure: boolean;
  /** What the bowl showed when the last was in, g; null: it is tared for each. */
  readonly adds: number | null;
}

interface WeighAtHand {
  readonly line: SheetLine;
  /** It goes on the scale; else it is counted or measured. */
  readonly weighed: boolean;
  readonly target: number;
  readonly tolerance: number;
  readonly now: ReturnType<typeof shownOf>;
  readonly mix: number;
  /** What is in the same bowl. */
  readonly bowl: readonly SheetLine[];
  /** The line before, which can be weighed again. */
  readonly last: SheetLine | undefined;
  /** What becomes of the rest when too much went in; null: no more than asked. */
  readonly over: Rebalanced | null;
  /** What there is of it, g, where there is no more; null: enough. */
  readonly short: number | null;
  /** The rest worked around what there is. */
  readonly around: () => Rebalanced;
}

/** @param stepG of the scale @returns null: all of it is weighed */
export function weighAtHand(
  t: WeighTyped,
  {
    batch,
    lines,
    done,
    stepG,
    reading,
    find,
  }: {
    readonly batch: Pick<Batch, 'sheet' | 'kind'>;
    readonly lines: readonly SheetLine[];
    readonly done: Pick<Done, 'ticked' | 'weights'>;
    readonly stepG: number;
    readonly reading: ScaleReading | null;
    readonly find: (id: string) => Ingredient | undefined;
  },
): WeighAtHand | null {
  const line = lines.find((l) => l.key === t.back) ?? lines.find((l) => !done.ticked.has(l.key));
  if (!line) return null;
  const target = line.grams ?? 0;
  const ingredient = line.parts?.length === 1 ? (find(line.parts[0]?.id ?? '') ?? null) : null;
  const tolerance = toleranceG(ingredient, target, stepG);
  const shown = shownOf(t.typed, reading, t.adds ?? 0, target, tolerance);
  // an amount that nobody told is right within what is usual
  const [least, most] = line.usualG ?? [Number.NaN, Number.NaN];
  const now = shown.reading >= least && shown.reading <= most ? { ...shown, stands: 'right' as const } : shown;
  const weighed = goesOnScale(line);
  const mix = line.mix ?? 1;
  const bowl = bowlLines(batch.sheet, mix);
  const inBowl = weighed && bowl.some((l) => l.key === line.key);
  // what is ticked without a weight went in as the sheet says
  const went = Object.fromEntries(
    bowl.flatMap((l) => (done.ticked.has(l.key) ? [[l.key, done.weights[l.key] ?? l.grams ?? 0]] : [])),
  );
  const around = (): Rebalanced => rebalance(bowl, { ...went, [line.key]: now.reading }, batch.kind, find);
  return {
    line,
    weighed,
    target,
    tolerance,
    now,
    mix,
    bowl,
    last: [...lines].reverse().find((l) => done.ticked.has(l.key) && l.key !== line.key),
    over: now.stands === 'over' && inBowl && !line.usualG ? around() : null,
    short: now.stands === 'under' && t.sure && inBowl && !line.usualG && now.reading > 0 ? now.reading : null,
    around,
  };
}
