/** What is solved of a planned morning: its dishes with what they are made of, its surfaces with their places. */
import { analyseFormula } from '../analyse-formula';
import type { KeptLot } from '../batch/kept';
import { acrossOf } from '../batch/mixes';
import { placesOn } from '../batter/surface';
import { atEnd, endOf, type Formula, kindIdOf } from '../formula/formula';
import { KIND_IDS } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { type Gear, madeOn } from '../pantry/gear';
import type { Result } from '../result';
import type { MorningSurface } from './morning';
import { type MorningPlan, type PlannedDish, type PlannedSurface, surfacesIn } from './plan';
import { type DishMade, dishPortionMl, type MorningAsked, type Spare } from './work';

/** What a plan is worked from. */
export interface MorningFacts {
  readonly house: Kitchen;
  /** By id, as each is now. */
  readonly formulas: ReadonlyMap<string, Formula>;
  readonly kept: readonly Pick<KeptLot, 'id' | 'formulaId' | 'state' | 'left' | 'name'>[];
}

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
  const called = end ? `${formula.name}, ${end.name}` : formula.name;
  const name = d.bench ? `${called}, ${d.bench}` : called;
  return { ...rest, name, kind: kindIdOf(formula, d.end), formula: at, portionMl: at.portionMl };
}

function pieceOf(d: DishMade, house: Kitchen): Piece {
  return { kind: d.kind, acrossCm: acrossOf(d.kind, analyseFormula(d.formula, house).analysis, dishPortionMl(d)) };
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
    const { name, kind, from, to, bench } = s;
    const kinds = gear ? { kinds: KIND_IDS.filter((k) => madeOn(gear, k)) } : {};
    return { name, kind, from, to, bench, ...kinds, places: s.places ?? (gear ? placesFor(gear, pieces) : null) ?? 1 };
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
      morning: { waves, people, ovens, hob, bell, dishes, surfaces: p.surfaces.map(placed), pins: p.pins },
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
