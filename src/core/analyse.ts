/**
 * Everything the Bench shows of a formula, worked from its lines in one call. Pure arithmetic and models; answers in
 * well under a millisecond, so it is called at every keystroke.
 */

import { thickness } from './batter/thickness';
import { batterVolume } from './batter/volume';
import { type Evidence, type EvidenceLine, type Finding, SEVERITIES } from './findings/finding';
import { findingsOf } from './findings/findings';
import { countedLines, type EndId, type Formula, type FormulaLine, kitchenOf, schoolIdOf } from './formula/formula';
import { type KindId, kindById, RAILS, type Rail, readZone, schoolOf, usualPortionMl, type Zone, type ZoneReading } from './formula/kinds';
import { percentages, tally } from './formula/tally';
import { FRESH_WAYS, type Kitchen, type Standing, standingOf } from './formula/ways';
import { ledger } from './lift/ledger';

export interface AnalysableLine extends EvidenceLine {
  readonly preparation?: string;
  readonly foam?: 'soft' | 'firm' | null;
}

export interface RailReading {
  readonly rail: Rail;
  /** Percent of flour; for lift g CO2 per 100 g flour. */
  readonly value: number;
  /** What is tested against the zone: water without what puree holds. */
  readonly tested: number;
  readonly zone: Zone | null;
  readonly reading: ZoneReading | null;
}

export interface Analysis extends Omit<Evidence, 'lines'> {
  readonly rails: readonly RailReading[];
  readonly findings: readonly Finding[];
}

/** What is known besides the lines; what is left out is as the kind usually has it. */
export interface Circumstances {
  readonly standing?: Standing;
  readonly portionMl?: number | null;
  /** What stood around the lines on the card: yield, method, remarks. */
  readonly cardNotes?: string;
}

/** Air share where no kind says otherwise: a whisked griddle batter. */
const USUAL_AIR = 0.08;

/**
 * Analyses a formula.
 * @param lines grams of each ingredient and what they are for
 * @param kindId the kind it is meant to be; null: no zone is tested
 * @param schoolId a school of that kind; anything else means the kind's first
 */
export function analyse(lines: readonly AnalysableLine[], kindId: KindId | null, schoolId: string | null = null, at: Circumstances = {}): Analysis {
  const kind = kindId === null ? null : kindById(kindId);
  const school = kind ? schoolOf(kind, schoolId) : null;
  const standing = at.standing ?? standingOf(FRESH_WAYS, kind);
  const t = tally(lines);
  const percent = percentages(t, kind?.panFatCounts ?? false);
  const l = ledger(lines);
  const co2Per100gFlour = t.flourG > 0 ? (100 * l.co2G) / t.flourG : null;
  const volume = batterVolume(lines, kind?.air ?? USUAL_AIR);
  const thick = thickness(lines, standing.restMin, standing.batterC);
  const rails: RailReading[] = [];
  if (percent && co2Per100gFlour !== null) {
    for (const rail of RAILS) {
      const value = rail === 'lift' ? co2Per100gFlour : percent[rail];
      const tested = rail === 'water' ? percent.freeWater : value;
      const zone = school?.zones[rail] ?? null;
      const counted = rail !== 'lift' || !t.hasYeast;
      rails.push({ rail, value, tested, zone, reading: zone && counted ? readZone(tested, zone) : null });
    }
  }
  const evidence = {
    kind,
    school,
    standing,
    portionMl: at.portionMl ?? (school ? usualPortionMl(school) : null),
    cardNotes: at.cardNotes ?? '',
    tally: t,
    percent,
    ledger: l,
    co2Per100gFlour,
    volume,
    thickness: thick,
  };
  return { ...evidence, rails, findings: findingsOf({ lines, ...evidence }) };
}

/** Where a rail stands, as its zone is tested; null without flour. */
export const railOf = (a: Analysis, rail: Rail): RailReading | null => a.rails.find((r) => r.rail === rail) ?? null;

/** Every rail where it stands, as its zone is tested. */
export const railsOf = (a: Analysis): Partial<Readonly<Record<Rail, number>>> => Object.fromEntries(a.rails.map((r) => [r.rail, r.tested]));

/** A formula as it stands on the Bench, or one end of it. */
export interface Worked {
  readonly lines: readonly FormulaLine[];
  readonly analysis: Analysis;
}

/** Reads and analyses a formula in a house. @param end which end of a forked formula; null: the first */
export function analyseFormula(f: Formula, house: Kitchen, end: EndId | null = null): Worked {
  const lines = countedLines(f, house, end);
  return { lines, analysis: analyse(lines, f.kind, schoolIdOf(f, end), circumstancesOf(f, house)) };
}

export const circumstancesOf = (f: Formula, house: Kitchen): Circumstances => ({
  standing: standingOf(kitchenOf(f, house).ways, kindById(f.kind)),
  portionMl: f.portionMl,
  cardNotes: f.cardNotes,
});

/** How a finding is remembered once the cook has said "I mean it": worse than it was, and it speaks again. */
export const meantKey = (f: Finding): string => `${f.code}:${f.severity}`;

/** The findings that still speak, and those the cook has answered. */
export function heard(a: Analysis, f: Pick<Formula, 'meant'>): { readonly open: readonly Finding[]; readonly meant: readonly Finding[] } {
  const isMeant = (x: Finding): boolean => f.meant.includes(meantKey(x));
  return { open: a.findings.filter((x) => !isMeant(x)), meant: a.findings.filter(isMeant) };
}

/** The weight of what speaks loudest of a formula, in whichever of its ends; null when it is calm. */
export function loudest(f: Formula, house: Kitchen): Finding['severity'] | null {
  const ends = f.ends?.map((e) => e.id) ?? [null];
  const found = ends.flatMap((end) => heard(analyseFormula(f, house, end).analysis, f).open.map((x) => x.severity));
  return SEVERITIES.find((s) => found.includes(s)) ?? null;
}
