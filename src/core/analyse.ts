/**
 * Everything the Bench shows of a formula, worked from its lines in one call. Pure arithmetic and models; answers in
 * well under a millisecond, so it is called at every keystroke.
 */

import { thickness } from './batter/thickness';
import { batterVolume } from './batter/volume';
import { type Evidence, type EvidenceLine, type Finding, findingsOf } from './findings/rules';
import { type KindId, kindById, RAILS, type Rail, readZone, schoolOf, type Zone, type ZoneReading } from './formula/kinds';
import { percentages, tally } from './formula/tally';
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

/** Air share where no kind says otherwise: a whisked griddle batter. */
const USUAL_AIR = 0.08;

/**
 * Analyses a formula.
 * @param lines grams of each ingredient and what they are for
 * @param kindId the kind it is meant to be; null: no zone is tested
 * @param schoolId a school of that kind; anything else means the kind's first
 */
export function analyse(lines: readonly AnalysableLine[], kindId: KindId | null, schoolId: string | null = null): Analysis {
  const kind = kindId === null ? null : kindById(kindId);
  const school = kind ? schoolOf(kind, schoolId) : null;
  const t = tally(lines);
  const percent = percentages(t, kind?.panFatCounts ?? false);
  const l = ledger(lines);
  const co2Per100gFlour = t.flourG > 0 ? (100 * l.co2G) / t.flourG : null;
  const volume = batterVolume(lines, kind?.air ?? USUAL_AIR);
  const thick = thickness(lines);
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
  const findings = findingsOf({ lines, kind, school, tally: t, percent, ledger: l, co2Per100gFlour, volume, thickness: thick });
  return { kind, school, tally: t, percent, ledger: l, co2Per100gFlour, volume, thickness: thick, rails, findings };
}
