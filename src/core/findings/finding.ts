/**
 * A finding: a plain sentence about a formula with the number that caused it, how much it matters and what the number
 * rests on. The evidence is what a rule may look at.
 */
import type { ThicknessReading } from '../batter/thickness';
import type { BatterVolume } from '../batter/volume';
import type { ToldPortion } from '../card/told/portion';
import type { Dressing, Moment } from '../formula/formula';
import type { Kind, Rail, RailReading, School } from '../formula/kinds';
import type { Learned } from '../formula/learned';
import type { Percentages, Tally, TallyLine } from '../formula/tally';
import type { Against, Standing } from '../formula/ways';
import type { Ledger } from '../lift/ledger';
import type { Ingredient } from '../pantry/ingredient';
import type { Combined } from '../quantity/amount';
import type { Units } from '../quantity/say';

export const SEVERITIES = ['stop', 'look', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];
type Basis = 'measured' | 'arithmetic' | 'model';
/** As it is said to the cook. */
export const BASIS_WORDS: Readonly<Record<Basis, string>> = {
  measured: 'measured',
  arithmetic: 'calculated',
  model: 'estimate',
};

export interface Finding {
  readonly code: string;
  readonly severity: Severity;
  readonly basis: Basis;
  readonly message: string;
  /** The lines it speaks of, where it speaks of lines. */
  readonly keys?: readonly string[];
}

export interface EvidenceLine extends TallyLine {
  readonly key?: string;
  readonly text?: string;
  /** What each of its words was understood as. */
  readonly words?: readonly { readonly text: string; readonly as: string }[];
  readonly ingredient?: Ingredient | null;
  readonly strength?: number;
  /** All there is of it, g. */
  readonly mostG?: number | null;
  readonly opened?: string | null;
  readonly moment?: Moment | null;
  readonly dressing?: Dressing;
  readonly amounts?: readonly Combined[];
  /** Measured by the pinch, where its amounts are not at hand any more: a line of a sheet. */
  readonly pinched?: boolean;
  /** What the reader of the line had to say. */
  readonly findings?: readonly { readonly code: string }[];
}

export interface Evidence {
  readonly lines: readonly EvidenceLine[];
  /** Null: no zone is tested. */
  readonly kind: Kind | null;
  readonly school: School | null;
  readonly standing: Standing;
  /** Ways chosen that go against what the kind is. */
  readonly against: readonly Against[];
  /** mL of one portion; null where no kind says. */
  readonly portionMl: number | null;
  /** The portion that the card's own words tell, ml; open, where they leave how much; null where they tell none. */
  readonly toldPortionMl?: ToldPortion | null;
  /** What stood around the lines on the card. */
  readonly cardNotes: string;
  /** Metres above the sea; the school's lift zone is as it is there. */
  readonly altitudeM: number;
  /** Step of the finest scale there is, g. */
  readonly scaleStepG: number;
  /** What the house weighs and reads in. */
  readonly units: Units;
  readonly learned: Learned;
  readonly rails: readonly RailReading[];
  /** Rails that a line not read yet, or without an amount, would move: nothing that hangs on them is judged. */
  readonly waits: ReadonlySet<Rail>;
  readonly tally: Tally;
  readonly percent: Percentages | null;
  readonly ledger: Ledger;
  /** g per 100 g flour; null without flour. */
  readonly co2Per100gFlour: number | null;
  readonly volume: BatterVolume | null;
  readonly thickness: ThicknessReading | null;
}

export type Rule = (e: Evidence) => Finding | null;

/** A line as it is quoted in a sentence. */
export const quoted = (l: Pick<EvidenceLine, 'text'> | undefined): string =>
  l?.text ? `"${l.text.slice(0, 60)}"` : 'One line';

export const keysOf = (lines: readonly EvidenceLine[]): readonly string[] =>
  lines.map((l) => l.key).filter((k) => k !== undefined);

/** How a finding is remembered once the cook has said "Leave it as it is": worse than it was, and it speaks again. */
export const meantKey = (f: Finding): string => `${f.code}:${f.severity}`;

/** The findings that still speak, and those the cook has answered. */
export function heard(
  a: { readonly findings: readonly Finding[] },
  f: { readonly dismissed: readonly string[] },
): { readonly open: readonly Finding[]; readonly dismissed: readonly Finding[] } {
  const isDismissed = (x: Finding): boolean => f.dismissed.includes(meantKey(x));
  return { open: a.findings.filter((x) => !isDismissed(x)), dismissed: a.findings.filter(isDismissed) };
}

/** One finding among those of a formula. */
export const findingKey = (f: Finding): string => `${f.code} ${f.message}`;
