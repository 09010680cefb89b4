/**
 * A batch: one making of one version of a formula. Its sheet is frozen when it starts; what came out is written after.
 */
import type { ServedBeside } from '../findings/card-rules';
import type { ActEdit } from '../formula/act-edits';
import type { EndId, Formula } from '../formula/formula';
import type { KindId } from '../formula/kinds';
import type { WayId } from '../formula/schools';
import type { Ways } from '../formula/ways';
import type { Unreadable } from '../records/unreadable';
import { waysMade } from '../script/pan-fat';
import { type ActEntry, entriesOf } from './acts';
import type { Scales, Tested } from './came-out';
import type { Driver } from './driver';
import type { Exactness } from './exactness';
import type { Foretold } from './foretold';
import type { Known } from './known';
import type { Serving } from './serving';
import type { SheetLine } from './sheet-line';
import type { Split } from './split';
import type { Deduction } from './take-out';

/** From "keep this" to "something is wrong". */
export const VERDICTS = ['best', 'good', 'fair', 'poor'] as const;
export type Verdict = (typeof VERDICTS)[number];

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  best: 'Best yet',
  good: 'Good',
  fair: 'Fair',
  poor: 'Poor',
};

/** A stand-in for a line of a batch. */
export interface StandIn {
  readonly lineKey: string;
  readonly to: string;
  readonly with: string | null;
  /** By name, and what it stands in for. */
  readonly name: string;
  readonly standsFor: string;
}

/** How a batch is made, as house and formula had it when it was begun. */
export interface BatchMaking {
  readonly ways: Ways;
  /** What is done otherwise, act by act. */
  readonly edits: readonly ActEdit[];
  /** Matters that the card settles, with its words. */
  readonly told: Partial<Readonly<Record<WayId | 'portion', string>>>;
  /** What its card serves it with, whatever the sheet holds; left out in what was begun before it was kept. */
  readonly served?: readonly ServedBeside[] | undefined;
}

export interface Batch {
  readonly id: string;
  readonly formulaId: string;
  readonly versionId: string;
  readonly versionNumber: number;
  readonly name: string;
  /** Which end of a forked formula it is made from, or what a bag is made as, by the name it had. */
  readonly ending?: string | null;
  readonly endId?: EndId | null;
  /** The morning that it belongs to; null: it stands by itself. */
  readonly morningId?: string | null;
  readonly kind: KindId;
  readonly school: string;
  readonly driver: Driver;
  readonly exactness: Exactness;
  readonly split: Split;
  readonly sheet: readonly SheetLine[];
  readonly massG: number;
  readonly piecesPlanned: number | null;
  readonly portionMl: number | null;
  /** What it took off the shelf when it started; nothing where it was not to take, or has put it back. */
  readonly deductions: readonly Deduction[];
  readonly startedAt: Date;
  readonly finishedAt: Date | null;
  readonly pieces: number | null;
  readonly firstSideS: number | null;
  readonly secondSideS: number | null;
  readonly verdict: Verdict | null;
  readonly marks: readonly string[];
  readonly note: string;
  readonly ticked: readonly string[];
  /** g that really went in, by line; a line that was only ticked is not in it. */
  readonly weights: Readonly<Record<string, number>>;
  /** The formula as this batch alone has it, where something stands in for what was missing. */
  readonly swapped: Formula | null;
  /** A bowl of a trial: which, and the formula as it has it; null: it is none. */
  readonly trialId?: string | null;
  readonly tried?: Formula | null;
  /** Ways the formula has of its own; the house's else. */
  readonly ways: Partial<Ways>;
  /** How it is made, as it was begun; null: a batch from before that was kept. */
  readonly making?: BatchMaking | null;
  /** When its last piece was off the heat, ms since 1970; null: none was tapped. */
  readonly lastOffAt: number | null;
  /** What was noted while it was made, in the order it happened. */
  readonly entries: readonly ActEntry[];
  /** Null: nobody has said when it is served. */
  readonly timeline: Serving | null;
  readonly scales: Scales;
  /** Pieces thrown away. */
  readonly waste: number | null;
  /** Of one piece, mm. */
  readonly heightMm: number | null;
  readonly acrossMm: number | null;
  /** The one change for next time. */
  readonly change: string;
  readonly tested?: Tested;
  /** Grow by one with every change of what came out, and of the time line. */
  readonly outcomeRevision?: number;
  readonly timelineRevision?: number;
  /** What of it is kept and can't be read. */
  readonly unreadable?: readonly Unreadable[];
  /** Whole eggs in each mix, where the plan kept them whole. */
  readonly eggs?: number | null;
  /** The sheet before anything stood in on it; null: nothing does. */
  readonly unswapped?: { readonly sheet: readonly SheetLine[]; readonly massG: number } | null;
  /** What stands in, in the order it was put in. */
  readonly standIns?: readonly StandIn[];
  /** "1/3 cup": the portion as it was said; null: in millilitres. */
  readonly portionSaid?: string | null;
  /** Batches begun together for one headcount share it. */
  readonly headcount?: string | null;
  /** How often the sheet has been another since the start, from 1; and when last. */
  readonly sheetState?: number;
  readonly sheetAt?: Date | null;
  /** Allergens of its ingredients as they were known when it was begun; null: nothing was kept. */
  readonly known?: Known | null;
  /** As it was foretold when it was begun; null: nothing was. */
  readonly foretold?: Foretold | null;
  /** Put away, and not made to the end. */
  readonly putAway?: boolean;
}

/** A batch as the log lists it. */
export type LogRow = Pick<
  Batch,
  | 'id'
  | 'formulaId'
  | 'name'
  | 'versionNumber'
  | 'startedAt'
  | 'finishedAt'
  | 'pieces'
  | 'piecesPlanned'
  | 'timeline'
  | 'lastOffAt'
  | 'firstSideS'
  | 'secondSideS'
  | 'verdict'
  | 'marks'
  | 'note'
  | 'waste'
  | 'change'
  | 'putAway'
  | 'exactness'
>;

export interface Outcome {
  readonly pieces: number | null;
  readonly firstSideS: number | null;
  readonly secondSideS: number | null;
  readonly verdict: Verdict;
  readonly marks: readonly string[];
  readonly note: string;
  readonly scales?: Scales;
  readonly waste?: number | null;
  /** Of one piece, mm. */
  readonly heightMm?: number | null;
  readonly acrossMm?: number | null;
  readonly change?: string;
  readonly tested?: Tested;
}

/** By eye there is one bowl, and nobody looks twice. */
export const HURRIED: Partial<Ways> = { joining: 'at-once', check: 'none' };

/** The ways a batch is made by; its fat in the pan is the one that is really taken. */
export const waysOf = (
  b: Pick<Batch, 'ways'> & Partial<Pick<Batch, 'making' | 'exactness' | 'sheet' | 'entries'>>,
  house: { readonly ways: Ways },
): Ways => {
  const said = entriesOf(b.entries ?? [], 'way').findLast((e) => e.act.way === 'panFat')?.act.value;
  return waysMade(
    { ...(b.making?.ways ?? { ...house.ways, ...b.ways }), ...(b.exactness === 'eye' && HURRIED) },
    b.sheet ?? [],
    said as Ways['panFat'] | undefined,
  );
};

/** The lines of a sheet that are weighed: those with an amount. */
export const weighable = (b: Pick<Batch, 'sheet'>): readonly SheetLine[] => b.sheet.filter((l) => l.grams !== null);

export type NextAction =
  | { readonly do: 'weigh'; readonly line: SheetLine; readonly left: number }
  /** All of it is weighed: dry and wet meet. */
  | { readonly do: 'join' }
  | { readonly do: 'pour' }
  | { readonly do: 'judge' }
  | { readonly do: 'nothing' };

/** The one next thing to do for a batch. */
export function nextAction(b: Pick<Batch, 'sheet' | 'ticked' | 'finishedAt' | 'entries' | 'lastOffAt'>): NextAction {
  if (b.finishedAt) return { do: 'nothing' };
  const left = weighable(b).filter((l) => !b.ticked.includes(l.key));
  const line = left[0];
  if (line) return { do: 'weigh', line, left: left.length };
  if (b.lastOffAt !== null) return { do: 'judge' };
  return { do: b.entries.some((e) => e.act.what === 'mixed') ? 'pour' : 'join' };
}
