/** Free play: a formula of the kitchen on a surface of the kitchen, with what was learned of both. */
import { analyseFormula } from '../analyse-formula';
import { surfaceOf } from '../batter/surface';
import { pouredPiece } from '../cooking/expected';
import { type Formula, kindIdOf, schoolIdOf } from '../formula/formula';
import { kindById, schoolOf, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { factorOf } from '../formula/learned';
import type { PlaceMap } from '../griddle/places';
import { surfaceFor } from './lessons';
import { POURED, type PracticeOf } from './run';

/**
 * @param gearId the surface; null: the largest there is @param places learned, by surface
 * @returns null where the model has nothing to say of it: not flat, foamed, over 8 mm thick, or its pour is not known
 */
export function freePlay(
  f: Formula,
  house: Kitchen,
  gearId: string | null,
  places: Readonly<Record<string, PlaceMap>>,
): PracticeOf | null {
  const kind = kindById(kindIdOf(f, null));
  const { analysis } = analyseFormula(f, house);
  const ml = f.portionMl ?? usualPortionMl(schoolOf(kind, schoolIdOf(f, null)));
  // minutes are learned against the model with nothing learned
  const numbers = { ...analysis, learned: {} };
  const usual = pouredPiece(kind, numbers, ml);
  if (!usual) return null;
  const of = (much: keyof typeof POURED) => pouredPiece(kind, numbers, ml * POURED[much]) ?? usual;
  const gear = house.gear.find((g) => g.id === gearId);
  const surface = (gear && surfaceOf(gear, kind.id, usual.acrossCm)) ?? surfaceFor(kind.id, house.gear, usual.acrossCm);
  return (
    surface && {
      does: 'flat',
      made: { less: of('less'), usual, more: of('more') },
      surface,
      places: places[surface.id] ?? null,
      slow: factorOf(house.learned ?? {}, `time:${kind.id}`),
    }
  );
}
