/**
 * What the Bench is opened with, worked on the server: the browser fetches what works the fixes later. Apart from the
 * sight, which the browser works itself.
 */
import { type Bench, workedOn } from '../balance/bench';
import { fixesFor } from '../balance/fixes';
import { findingKey } from '../findings/finding';
import { cardPortion } from '../formula/card-portion';
import { type BenchSight, sightOf } from './sight';

/** All that is seen of the formula, and what each finding offers to do about it. */
export interface FirstSight {
  readonly sight: BenchSight;
  readonly fixes: FixTitles;
}

/** The titles of what mends a finding, by the finding. */
export type FixTitles = Readonly<Record<string, readonly string[]>>;

/** Parameters as of `workedOn`. */
export function firstSight(asked: Bench): FirstSight {
  const b = { ...asked, toldPortionMl: cardPortion(asked.formula, asked.house) };
  const sight = sightOf(b, workedOn(b));
  return {
    sight,
    fixes: Object.fromEntries(sight.open.map((f) => [findingKey(f), fixesFor(b, f).map((p) => p.title)])),
  };
}
