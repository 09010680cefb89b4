/**
 * A morning as a cook plans it: from the kitchen's formulas, people, gear and kept lots. It is kept as it was said, and
 * solved anew whenever it is looked at. Times are minutes from the midnight with which its day begins.
 */
import { analyseFormula } from '../analyse-formula';
import type { KeptLot } from '../batch/kept';
import { acrossOf } from '../batch/mixes';
import { placesOn } from '../batter/surface';
import { atEnd, type EndId, endOf, type Formula, kindIdOf } from '../formula/formula';
import { KIND_IDS, kindById, schoolOf, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { type Gear, type GearSort, madeOn } from '../pantry/gear';
import type { Result } from '../result';
import type { Dish, MorningSurface, Person, SurfaceKind, Wave } from './morning';
import type { DishMade, KeptFor, MorningAsked, SideWork, Spare } from './work';

export interface PlannedDish extends Omit<Dish, 'name' | 'kind'> {
  readonly formulaId: string;
  /** Which end of a forked formula; null: it has one. */
  readonly end: EndId | null;
}

export interface PlannedPerson extends Person {
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
  readonly sides: readonly SideWork[];
  /** What can be weighed the evening before is. */
  readonly before: boolean;
}

/** What a plan is worked from. */
export interface MorningFacts {
  readonly house: Kitchen;
  /** By id, as each is now. */
  readonly formulas: ReadonlyMap<string, Formula>;
  readonly kept: readonly Pick<KeptLot, 'id' | 'formulaId' | 'state' | 'left' | 'name'>[];
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

interface Piece {
  readonly kind: DishMade['kind'];
  readonly acrossCm: number | undefined;
}

/** Pieces that lie on a piece of gear at once: of the largest that are made there; null: none of them is. */
function placesFor(g: Gear, pieces: readonly Piece[]): number | null {
  const made = pieces.filter((p) => madeOn(g, p.kind));
  return made.length === 0 ? null : Math.max(1, Math.min(...made.map((p) => placesOn(g, p.kind, p.acrossCm))));
}

function dishMade(d: PlannedDish, formula: Formula): DishMade {
  const at = atEnd(formula, d.end);
  const end = endOf(formula, d.end);
  const { formulaId: _, end: __, ...rest } = d;
  const name = end ? `${formula.name}, ${end.name}` : formula.name;
  return { ...rest, name, kind: kindIdOf(formula, d.end), formula: at, portionMl: at.portionMl };
}

function pieceOf(d: DishMade, house: Kitchen): Piece {
  const portionMl = d.portionMl ?? usualPortionMl(schoolOf(kindById(d.kind), d.formula.school));
  return { kind: d.kind, acrossCm: acrossOf(d.kind, analyseFormula(d.formula, house).analysis, portionMl) };
}

/**
 * What is solved of a plan. Shares of the covers are taken as parts of what is eaten, whatever they sum to.
 * @returns or which part of it is not in the kitchen any more
 */
export function askedOfPlan(
  p: MorningPlan,
  { house, formulas, kept }: MorningFacts,
): Result<MorningAsked, { readonly path: string; readonly message: string }> {
  const shared = p.dishes.reduce((a, d) => a + ('share' in d.of ? d.of.share : 0), 0);
  const dishes: DishMade[] = [];
  for (const [n, d] of p.dishes.entries()) {
    const formula = formulas.get(d.formulaId);
    if (!formula)
      return { ok: false, error: { path: `dishes.${n}.formulaId`, message: 'That formula is not here any more.' } };
    const of = 'share' in d.of ? { share: shared > 0 ? d.of.share / shared : 0 } : d.of;
    dishes.push(dishMade({ ...d, of }, formula));
  }
  const pieces = dishes.map((d) => pieceOf(d, house));
  const placed = (s: PlannedSurface): MorningSurface => {
    const gear = house.gear.find((g) => g.id === s.gearId);
    const { name, kind, from, to } = s;
    const kinds = gear ? { kinds: KIND_IDS.filter((k) => madeOn(gear, k)) } : {};
    return { name, kind, from, to, ...kinds, places: s.places ?? (gear ? placesFor(gear, pieces) : null) ?? 1 };
  };
  const spare: Spare = {
    surfaces: surfacesIn(house.gear)
      .filter((s) => !p.surfaces.some((x) => x.gearId === s.gearId))
      .map((s) => ({ ...placed(s), gearId: s.gearId })),
    kept: dishes.flatMap((d, n) =>
      kept.flatMap((k) =>
        k.state !== 'batter' &&
        k.left > 0 &&
        k.formulaId === p.dishes[n]?.formulaId &&
        !p.kept.some((x) => x.lotId === k.id)
          ? [{ dish: d.id, pieces: k.left, state: k.state, lotId: k.id, name: k.name }]
          : [],
      ),
    ),
  };
  const { waves, people, ovens, hob, bell } = p;
  const there = p.kept.filter((k) => kept.some((x) => x.id === k.lotId && x.left > 0));
  return {
    ok: true,
    value: {
      morning: { waves, people, ovens, hob, bell, dishes, surfaces: p.surfaces.map(placed) },
      dishes,
      sides: p.sides,
      // no more than is left of a lot
      kept: there.map((k) => ({ ...k, pieces: Math.min(k.pieces, kept.find((x) => x.id === k.lotId)?.left ?? 0) })),
      house,
      before: p.before,
      spare,
    },
  };
}
