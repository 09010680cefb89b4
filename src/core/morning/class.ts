/**
 * A class: a morning at parallel benches. Each bench has its own hands, surface and bowl, and makes no more than its
 * people eat; ovens and the hob are everybody's, and whoever teaches has no bench.
 */

import type { EndId } from '../formula/formula';
import { capital } from '../quantity/say';
import type { SurfaceKind } from './morning';
import type { MorningPlan } from './plan';

export interface ClassAsked {
  readonly name: string;
  /** yyyy-mm-dd. */
  readonly day: string;
  /** When they come, and when they eat: minutes from midnight. */
  readonly from: number;
  readonly at: number;
  readonly formulaId: string;
  readonly end: EndId | null;
  readonly benches: number;
  /** People at a bench, and at most so many pieces each. */
  readonly hands: number;
  readonly each: number;
  /** What each bench makes its pieces on, and how many lie there at once. */
  readonly kind: Exclude<SurfaceKind, 'oven'>;
  readonly places: number;
  readonly ovens: number;
  readonly hob: number;
  readonly teacher: { readonly personId: string | null; readonly name: string };
  /** The first of the two days is the evening before. */
  readonly before: boolean;
}

/** Dishes, and so benches, that one morning takes. */
export const MOST_BENCHES = 12;
/** Whoever teaches is there so long before the benches, and after they have eaten; min. */
const BEFORE_MIN = 30;
const AFTER_MIN = 60;

const benchName = (n: number): string => `Bench ${n}`;
const LETTERS = 'abcdefghij';
/** People that fit at one bench. */
export const MOST_AT_A_BENCH = LETTERS.length;

/** @returns the morning that a class is */
export function classPlan(q: ClassAsked): MorningPlan {
  const benches = Array.from({ length: q.benches }, (_, n) => benchName(n + 1));
  return {
    name: q.name,
    day: q.day,
    waves: [{ at: q.at, covers: q.benches * q.hands }],
    dishes: benches.map((bench, n) => ({
      id: `d${n + 1}`,
      formulaId: q.formulaId,
      end: q.end,
      each: q.each,
      of: { count: q.hands },
      without: [],
      bench,
    })),
    people: [
      {
        personId: q.teacher.personId,
        name: q.teacher.name,
        role: 'lead',
        from: q.from - BEFORE_MIN,
        to: q.at + AFTER_MIN,
      },
      ...benches.flatMap((bench) =>
        Array.from({ length: q.hands }, (_, n) => ({
          personId: null,
          name: q.hands === 1 ? bench : `${bench} ${LETTERS[n]}`,
          role: 'helper' as const,
          from: q.from,
          to: q.at + AFTER_MIN,
          bench,
        })),
      ),
    ],
    surfaces: benches.map((bench) => ({
      gearId: null,
      name: `${capital(q.kind)} of ${bench.toLowerCase()}`,
      kind: q.kind,
      places: q.places,
      from: null,
      to: null,
      bench,
    })),
    ovens: q.ovens,
    hob: q.hob,
    bell: null,
    kept: [],
    sides: [],
    before: q.before,
  };
}

/** Whoever stands at one place of the board: a person, or all people of a bench. */
export interface Station {
  readonly name: string;
  readonly people: readonly string[];
}

/** The stations of a morning: of a class its benches, behind whoever has none. */
export function stationsOf({ people }: Pick<MorningPlan, 'people'>): readonly Station[] {
  const benches = [...new Set(people.flatMap((p) => p.bench ?? []))];
  return [
    ...people.filter((p) => !p.bench).map(({ name }) => ({ name, people: [name] })),
    ...benches.map((bench) => ({ name: bench, people: people.filter((p) => p.bench === bench).map((p) => p.name) })),
  ];
}
