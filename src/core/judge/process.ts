/** How a batch really went, from its event log: heat, rest, mixing, corrections, holding, and when the plates went. */

import { entriesOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { bareName, plannedG } from '../batch/sheet-line';
import { piecesFrom, type Tap } from '../griddle/board';
import { readingsIn } from '../griddle/heat';
import { longestHeldMin } from '../griddle/hold';
import { median } from '../quantity/middle';

const MIN = 60_000;

export interface Process {
  /** Middle of what a probe read, C. */
  readonly heatC: number | null;
  /** From mixed to the first pour, min. */
  readonly restMin: number | null;
  readonly turns: number | null;
  /** Stirred in after joining, g, by ingredient. */
  readonly corrected: readonly { readonly ingredientId: string; readonly grams: number }[];
  /** Lines that went in with more or less than was planned, g. */
  readonly off: readonly { readonly name: string; readonly byG: number }[];
  /** Longest that pieces stayed in the holding oven, min. */
  readonly heldMin: number | null;
  readonly checkedBy: readonly string[];
  /** Minutes the last piece was off after the last plate was wanted; negative: before. Null where no time was set. */
  readonly lateMin: number | null;
}

/** More than this share of its plan is told as off. */
const OFF_SHARE = 0.01;

export function processOf(b: Pick<Batch, 'entries' | 'sheet' | 'weights' | 'timeline'>, taps: readonly Tap[]): Process {
  const pieces = piecesFrom(taps);
  const poured = pieces[0]?.pouredAt ?? null;
  const mixed = entriesOf(b.entries, 'mixed');
  const first = mixed[0];
  const sums = new Map<string, number>();
  for (const { act } of entriesOf(b.entries, 'corrected'))
    sums.set(act.ingredientId, (sums.get(act.ingredientId) ?? 0) + act.grams);
  const lastOff = Math.max(...pieces.map((p) => p.pulledAt ?? Number.NEGATIVE_INFINITY));
  const firstOff = Math.min(...pieces.map((p) => p.pulledAt ?? Number.POSITIVE_INFINITY));
  const plates = b.timeline?.anchor === 'first' ? firstOff : lastOff;
  return {
    heatC: median(readingsIn(b.entries).flatMap((r) => (r.realC === null ? [] : [r.realC]))),
    restMin: first && poured !== null && poured >= first.at ? (poured - first.at) / MIN : null,
    turns: median(mixed.map((m) => m.act.turns)),
    corrected: [...sums].map(([ingredientId, grams]) => ({ ingredientId, grams })),
    off: b.sheet.flatMap((l) => {
      const [went, plan] = [b.weights[l.key], plannedG(l)];
      return went !== undefined && plan !== null && Math.abs(went - plan) > OFF_SHARE * plan
        ? [{ name: bareName(l), byG: went - plan }]
        : [];
    }),
    heldMin: longestHeldMin(b.entries),
    checkedBy: [...new Set(entriesOf(b.entries, 'checked').map((e) => e.act.initials))],
    lateMin: b.timeline && Number.isFinite(plates) ? (plates - b.timeline.at) / MIN : null,
  };
}
