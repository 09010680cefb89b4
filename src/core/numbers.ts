/**
 * The numbers of a batter, worked from its lines in one call: ratios, gas, volume, thickness. Pure arithmetic and
 * models; what is found of them is another matter (analyse.ts), which the counter has no need of.
 */

import { thickness } from './batter/thickness';
import { batterVolume } from './batter/volume';
import type { ToldPortion } from './card/told/portion';
import type { Evidence, EvidenceLine } from './findings/finding';
import {
  type KindId,
  kindById,
  RAILS,
  type Rail,
  type RailReading,
  readZone,
  schoolOf,
  usualPortionMl,
} from './formula/kinds';
import type { Learned } from './formula/learned';
import { hangsOn } from './formula/open';
import { ALL_KNOWN, type Percentages, percentages, type Tally, tally, testedFlourG } from './formula/tally';
import { type Against, FRESH_WAYS, type Standing, standingOf } from './formula/ways';
import { testedBy } from './formula/zones';
import { ledger } from './lift/ledger';
import type { Unknown } from './pantry/ingredient';
import { FRESH_UNITS, type Units } from './quantity/say';

export type AnalysableLine = EvidenceLine;

/** What has to be known of an ingredient for a rail to be. */
const RESTS_ON: Readonly<Record<Rail, readonly Unknown[]>> = {
  water: ['waterG'],
  egg: [],
  fat: ['fatG'],
  sugar: ['sugarsG'],
  salt: ['naclG'],
  lift: ['soda', 'acid'],
};

/** Ingredients that keep a rail from being known. */
const unknownIn = ({ unknown }: Pick<Tally, 'unknown'>, rail: Rail): readonly string[] =>
  unknown === ALL_KNOWN ? [] : [...new Set(RESTS_ON[rail].flatMap((u) => unknown[u] ?? []))];

export type Numbers = Omit<Evidence, 'lines'>;

/** What is known besides the lines; what is left out is as the kind usually has it. */
export interface Circumstances {
  readonly standing?: Standing;
  readonly against?: readonly Against[];
  readonly portionMl?: number | null;
  /** The portion that the card's own words tell, ml. */
  readonly toldPortionMl?: ToldPortion | null;
  /** What stood around the lines on the card: yield, method, remarks. */
  readonly cardNotes?: string;
  /** Metres above the sea. */
  readonly altitudeM?: number;
  /** Step of the finest scale there is, g. */
  readonly scaleStepG?: number;
  readonly units?: Units;
  /** What the kitchen has learned of itself and uses. */
  readonly learned?: Learned;
}

/** A step that a fresh kitchen's scale shows, g. */
const USUAL_STEP_G = 1;

/** Salt measured by the pinch. */
const isPinchOfSalt = (l: AnalysableLine): boolean =>
  (l.pinched === true || l.amounts?.[0]?.unit === 'pinch') && l.parts.some((p) => p.ingredient.category === 'salt');

const NOTHING_LEARNED: Learned = {};

/** Air share where no kind says otherwise: a whisked griddle batter. */
const USUAL_AIR = 0.08;

/** A rail where it stands, as its zone tests it. @param waits rails that hang on a question */
function readingOf(
  rail: Rail,
  t: Tally,
  percent: Percentages,
  co2Per100gFlour: number,
  tested: ReturnType<typeof testedBy> | null,
  waits: ReadonlySet<Rail>,
): RailReading {
  const value = rail === 'lift' ? co2Per100gFlour : percent[rail];
  // cocoa counts as flour where a zone is tested
  const tests = (t.flourG / testedFlourG(t)) * (rail === 'water' ? percent.freeWater : value);
  const zone = tested?.school.zones[rail] ?? null;
  const counted = rail !== 'lift' || !t.hasYeast;
  const unknown = unknownIn(t, rail);
  const read = zone && counted && !waits.has(rail) ? readZone(tests, zone) : null;
  // what is known may already be too much; that it is too little can't be said
  const reading = unknown.length > 0 && (read?.standing !== 'above' || rail === 'lift') ? null : read;
  return {
    rail,
    value,
    tested: tests,
    zone,
    reading,
    unknown,
    shift: tested?.shifts[rail] ?? null,
    waits: waits.has(rail),
  };
}

/**
 * @param lines grams of each ingredient and what they are for
 * @param kindId the kind it is meant to be; null: no zone is tested
 * @param schoolId a school of that kind; anything else means the kind's first
 */
export function numbersOf(
  lines: readonly AnalysableLine[],
  kindId: KindId | null,
  schoolId: string | null = null,
  at: Circumstances = {},
): Numbers {
  const kind = kindId === null ? null : kindById(kindId);
  const standing = at.standing ?? standingOf(FRESH_WAYS, kind);
  const t = tally(lines);
  const tested = kind
    ? testedBy(kind, schoolOf(kind, schoolId), t, {
        altitudeM: at.altitudeM ?? 0,
        pinchOfSalt: lines.some(isPinchOfSalt),
      })
    : null;
  const school = tested?.school ?? null;
  const waits = new Set(lines.flatMap(hangsOn));
  const percent = percentages(t, kind?.panFatCounts ?? false);
  const l = ledger(lines);
  const co2Per100gFlour = t.flourG > 0 ? (100 * l.co2G) / t.flourG : null;
  const volume = batterVolume(lines, kind?.air ?? USUAL_AIR);
  const thick = thickness(lines, standing.restMin, standing.batterC);
  const rails =
    percent && co2Per100gFlour !== null
      ? RAILS.map((rail) => readingOf(rail, t, percent, co2Per100gFlour, tested, waits))
      : [];
  return {
    kind,
    school,
    standing,
    against: at.against ?? [],
    portionMl: at.portionMl ?? (school ? usualPortionMl(school) : null),
    toldPortionMl: at.toldPortionMl ?? null,
    cardNotes: at.cardNotes ?? '',
    altitudeM: at.altitudeM ?? 0,
    scaleStepG: at.scaleStepG ?? USUAL_STEP_G,
    units: at.units ?? FRESH_UNITS,
    learned: at.learned ?? NOTHING_LEARNED,
    rails,
    waits,
    tally: t,
    percent,
    ledger: l,
    co2Per100gFlour,
    volume,
    thickness: thick,
  };
}

/** Every rail where it stands, as its zone is tested. */
export const railsOf = (a: Numbers): Partial<Readonly<Record<Rail, number>>> =>
  Object.fromEntries(a.rails.map((r) => [r.rail, r.tested]));
