/**
 * What makings of a formula taught: each with its version, what it was to change and what came of that; and what many
 * of them say together.
 */

import { VERDICTS, type Verdict } from '../batch/batch';
import type { Scales } from '../batch/came-out';
import { median } from '../quantity/middle';

/** What became of a change for next time; null: nobody has said. */
export const CHANGE_STATES = ['tried', 'not-now', 'done'] as const;
export type ChangeState = (typeof CHANGE_STATES)[number];
export const CHANGE_STATE_WORDS: Readonly<Record<ChangeState, string>> = {
  tried: 'being tried',
  'not-now': 'not now',
  done: 'done',
};

/** One finished making. */
export interface Making {
  readonly batchId: string;
  readonly version: number;
  readonly at: Date;
  readonly verdict: Verdict | null;
  readonly marks: readonly string[];
  readonly pieces: number | null;
  readonly planned: number | null;
  readonly waste: number | null;
  readonly firstS: number | null;
  readonly secondS: number | null;
  readonly scales: Scales;
  /** Of one piece, mm. */
  readonly heightMm: number | null;
  readonly acrossMm: number | null;
  /** Seconds the last third of the pieces lay longer on their first side than the first third; null below six. */
  readonly driftS: number | null;
  /** The one change for next time; empty: none. */
  readonly change: string;
  readonly state: ChangeState | null;
  /** The making whose change this one tried. */
  readonly tries: string | null;
}

/** What a formula's last judged making came to. */
export interface LastOutcome extends Pick<Making, 'batchId' | 'at' | 'pieces' | 'planned' | 'marks'> {
  readonly verdict: Verdict;
}

/** The one change that it asked for. */
export interface LastChange extends Pick<Making, 'batchId' | 'change' | 'verdict' | 'at' | 'state'> {
  /** The wish of the Bench that does it; null: it is none. */
  readonly move: string | null;
}

/** Verdicts as steps: 0 is the poorest. */
export const stepOf = (v: Verdict): number => VERDICTS.length - 1 - VERDICTS.indexOf(v);

export type Came = 'better' | 'the same' | 'worse';

/** What a change did, by the two verdicts; null where one of them was not given. */
export function cameOf(before: Pick<Making, 'verdict'>, after: Pick<Making, 'verdict'>): Came | null {
  if (!before.verdict || !after.verdict) return null;
  const by = stepOf(after.verdict) - stepOf(before.verdict);
  return by > 0 ? 'better' : by < 0 ? 'worse' : 'the same';
}

/** Marks that came and marks that went, from one making to the one that tried its change. */
export const marksMoved = (
  before: Pick<Making, 'marks'>,
  after: Pick<Making, 'marks'>,
): { readonly gone: readonly string[]; readonly come: readonly string[] } => ({
  gone: before.marks.filter((m) => !after.marks.includes(m)),
  come: after.marks.filter((m) => !before.marks.includes(m)),
});

/** What several makings say together. */
export interface Trend {
  readonly makings: number;
  readonly verdicts: Readonly<Partial<Record<Verdict, number>>>;
  /** Pieces made, percent of those planned, in the middle of all; null where nobody counted. */
  readonly yieldPct: number | null;
  /** Pieces thrown away, percent of those made, over all of them. */
  readonly wastePct: number | null;
  readonly firstS: number | null;
  readonly secondS: number | null;
  /** Seconds, in the middle of all. @see Making.driftS */
  readonly driftS: number | null;
  /** The later half against the earlier one, in steps of a verdict; null below four judged makings. */
  readonly drift: number | null;
}

/** Fewer judged makings than this show no drift. */
const LEAST_FOR_DRIFT = 4;

/** @param makings in any order */
export function trendOf(
  makings: readonly Pick<Making, 'at' | 'verdict' | 'pieces' | 'planned' | 'waste' | 'firstS' | 'secondS' | 'driftS'>[],
): Trend {
  const ordered = [...makings].sort((a, b) => a.at.getTime() - b.at.getTime());
  const judged = ordered.flatMap((m) => (m.verdict ? [stepOf(m.verdict)] : []));
  const mean = (xs: readonly number[]): number => xs.reduce((a, x) => a + x, 0) / xs.length;
  const half = Math.floor(judged.length / 2);
  const yields = ordered.flatMap((m) =>
    m.pieces !== null && m.planned !== null && m.planned > 0 ? [(100 * m.pieces) / m.planned] : [],
  );
  const counted = ordered.filter((m) => m.pieces !== null && m.waste !== null && m.pieces + m.waste > 0);
  const wasted = counted.reduce((a, m) => a + (m.waste ?? 0), 0);
  const made = counted.reduce((a, m) => a + (m.pieces ?? 0), 0);
  const of = (pick: (m: (typeof ordered)[number]) => number | null): number | null => {
    const xs = ordered.flatMap((m) => pick(m) ?? []);
    return xs.length > 0 ? median(xs) : null;
  };
  return {
    makings: ordered.length,
    verdicts: Object.fromEntries(
      VERDICTS.map((v) => [v, ordered.filter((m) => m.verdict === v).length] as const).filter(([, n]) => n > 0),
    ),
    yieldPct: yields.length > 0 ? median(yields) : null,
    wastePct: counted.length > 0 ? (100 * wasted) / (made + wasted) : null,
    firstS: of((m) => m.firstS),
    secondS: of((m) => m.secondS),
    driftS: of((m) => m.driftS),
    drift: judged.length >= LEAST_FOR_DRIFT ? mean(judged.slice(-half)) - mean(judged.slice(0, half)) : null,
  };
}

/** What makings can be looked at by, one after the other. */
export const CHARTED = ['verdict', 'pieces', 'waste', 'first', 'drift'] as const;
export type Charted = (typeof CHARTED)[number];
export const CHARTED_WORDS: Readonly<Record<Charted, { readonly name: string; readonly unit: string }>> = {
  verdict: { name: 'How it was', unit: '' },
  pieces: { name: 'Pieces against plan', unit: '%' },
  waste: { name: 'Thrown away', unit: '%' },
  first: { name: 'First side', unit: 's' },
  drift: { name: 'Griddle’s drift', unit: 's' },
};

/**
 * A making by one of them: steps of a verdict, percent of the pieces planned or made, seconds; null where it says
 * nothing of it.
 */
export function chartedOf(
  m: Pick<Making, 'verdict' | 'pieces' | 'planned' | 'waste' | 'firstS' | 'driftS'>,
  by: Charted,
): number | null {
  switch (by) {
    case 'verdict':
      return m.verdict ? stepOf(m.verdict) : null;
    case 'pieces':
      return m.pieces !== null && m.planned ? (100 * m.pieces) / m.planned : null;
    case 'waste':
      return m.waste !== null && m.pieces !== null && m.pieces + m.waste > 0
        ? (100 * m.waste) / (m.pieces + m.waste)
        : null;
    case 'first':
      return m.firstS;
    case 'drift':
      return m.driftS;
  }
}
