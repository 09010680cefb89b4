/**
 * A morning as a cook plans it: from the kitchen's formulas, people, gear and kept lots. It is kept as it was said, and
 * solved anew whenever it is looked at. Times are minutes from the midnight with which its day begins.
 */
import type { EndId } from '../formula/formula';
import type { Gear, GearSort } from '../pantry/gear';
import { changedMorning, type MorningChange } from './changes';
import type { Dish, MorningSurface, Person, Pin, SurfaceKind, Wave } from './morning';
import type { KeptFor, SideWork } from './work';

export interface PlannedDish extends Omit<Dish, 'name' | 'kind'> {
  readonly formulaId: string;
  /** Which end of a forked formula; null: it has one. */
  readonly end: EndId | null;
}

interface PlannedPerson extends Person {
  /** Who of the kitchen's people; none: somebody without a name there. */
  readonly personId?: string | null | undefined;
}

export interface PlannedSurface extends Omit<MorningSurface, 'places'> {
  /** Which of the house's gear; none: something that the house has not noted. */
  readonly gearId?: string | null | undefined;
  /** Pieces at once; null: as many as the gear takes of the largest piece that is made on it. */
  readonly places: number | null;
}

export interface PlannedKept extends KeptFor {
  readonly lotId: string;
}

/** What goes with all the plates: by its name and what it takes, or one of the kitchen's sauces. */
interface PlannedSide extends SideWork {
  /** Which of the kitchen's sauces and sides; none: it is known by its name alone. */
  readonly sideId?: string | null | undefined;
}

export interface MorningPlan {
  readonly name: string;
  /** yyyy-mm-dd. */
  readonly day: string;
  readonly waves: readonly Wave[];
  readonly dishes: readonly PlannedDish[];
  readonly people: readonly PlannedPerson[];
  readonly surfaces: readonly PlannedSurface[];
  readonly ovens: number;
  readonly hob: number;
  readonly bell: number | null;
  readonly kept: readonly PlannedKept[];
  readonly sides: readonly PlannedSide[];
  /** What can be weighed the evening before is. */
  readonly before: boolean;
  readonly pins?: readonly Pin[] | undefined;
}

/** What pieces lie on, of the house's gear. */
const SURFACE_OF: Readonly<Partial<Record<GearSort, SurfaceKind>>> = {
  griddle: 'griddle',
  pan: 'pan',
  iron: 'iron',
  'ball-pan': 'pan',
};

/** The house's gear that a morning can light, as its surfaces; how many pieces each takes hangs on what is made. */
export const surfacesIn = (gear: readonly Gear[]): readonly (PlannedSurface & { readonly gearId: string })[] =>
  gear.flatMap((g) => {
    const kind = SURFACE_OF[g.sort];
    return kind ? [{ name: g.name, kind, gearId: g.id, places: null, from: null, to: null }] : [];
  });

/** The plan with a way out taken. What is lit of the house's gear takes as many pieces as the gear does. */
export function plannedWith(p: MorningPlan, c: MorningChange): MorningPlan {
  if (c.do !== 'light') return changedMorning(p, c);
  const { name, kind, gearId = null, places, from, to } = c.surface;
  const surface = { gearId, name, kind, places: gearId === null ? places : null, from, to };
  const lit = changedMorning(p, { do: 'light', surface: { ...surface, places } });
  return { ...lit, surfaces: lit.surfaces.map((s, n) => (n < p.surfaces.length ? s : { ...surface, name: s.name })) };
}

/** Who of the kitchen cooks, as a plan names them. */
type Cook = { readonly id: string; readonly name: string; readonly role: PlannedPerson['role'] };
const [FIRST_COMES, LAST_GOES] = [360, 660];
const USUAL_HOB = 4;

/** A morning of which only the day, its guests and its dishes are known: everybody cooks, and all gear may be lit. */
export const usualMorning = (
  gear: readonly Gear[],
  cooks: readonly Cook[],
): Omit<MorningPlan, 'day' | 'waves' | 'dishes'> => ({
  name: '',
  people:
    cooks.length > 0
      ? cooks.map(({ id, name, role }) => ({ personId: id, name, role, from: FIRST_COMES, to: LAST_GOES }))
      : [{ personId: null, name: 'The cook', role: 'lead', from: FIRST_COMES, to: LAST_GOES }],
  surfaces: surfacesIn(gear),
  ovens: 1,
  hob: USUAL_HOB,
  bell: null,
  kept: [],
  sides: [],
  before: false,
});
