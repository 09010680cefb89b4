/** A formula analysed in a house: its lines read, and what the Bench shows of them. */
import { type Analysis, analyse } from './analyse';
import type { ToldPortion } from './card/told/portion';
import { type Finding, heard, SEVERITIES } from './findings/finding';
import { atEnd, type EndId, type Formula, type FormulaLine, kitchenOf } from './formula/formula';
import { kindById } from './formula/kinds';
import type { Kitchen } from './formula/kitchen-settings';
import { countedLines } from './formula/lines';
import { againstKind, standingOf } from './formula/ways';
import type { Circumstances } from './numbers';
import { scalesOf } from './pantry/gear';

/** A formula as it stands on the Bench, or one end of it. */
export interface Worked {
  readonly lines: readonly FormulaLine[];
  readonly analysis: Analysis;
}

/**
 * Reads and analyses a formula in a house.
 * @param end which end of a forked formula; null: the first
 * @param toldPortionMl the portion that its card tells, where findings are shown: no other page waits for what reads it
 */
export function analyseFormula(
  f: Formula,
  house: Kitchen,
  end: EndId | null = null,
  toldPortionMl: ToldPortion | null = null,
): Worked {
  const lines = countedLines(f, house, end);
  const at = atEnd(f, end);
  return { lines, analysis: analyse(lines, at.kind, at.school, circumstancesOf(at, house, toldPortionMl)) };
}

export const circumstancesOf = (
  f: Formula,
  house: Kitchen,
  toldPortionMl: ToldPortion | null = null,
): Circumstances => ({
  standing: standingOf(kitchenOf(f, house).ways, kindById(f.kind)),
  against: againstKind(kitchenOf(f, house).ways, f.kind),
  portionMl: f.portionMl,
  cardNotes: f.cardNotes,
  toldPortionMl,
  altitudeM: kitchenOf(f, house).ways.altitudeM,
  scaleStepG: scalesOf(house.gear)[0]?.stepG,
  units: house.units,
  ...(house.learned && { learned: house.learned }),
});

/** The weight of what speaks loudest of a formula, in whichever of its ends; null when it is calm. */
export function loudest(
  f: Formula,
  house: Kitchen,
  toldPortionMl: ToldPortion | null = null,
): Finding['severity'] | null {
  const ends = f.ends?.map((e) => e.id) ?? [null];
  const found = ends.flatMap((end) =>
    heard(analyseFormula(f, house, end, toldPortionMl).analysis, f).open.map((x) => x.severity),
  );
  return SEVERITIES.find((s) => found.includes(s)) ?? null;
}

/** What hands should not act on: a stop the cook has not answered, and amounts that disagree. */
export const unsettled = (f: Formula, house: Kitchen, end: EndId | null): readonly Finding[] =>
  heard(analyseFormula(f, house, end).analysis, f).open.filter(
    (x) => x.severity === 'stop' || x.code === 'amounts-disagree',
  );
