/**
 * What one mix can become: griddle cakes, waffles, crepes by what is added to it. The mix stands as it is; liquid, egg
 * and fat are worked so that the kind's ratios come into their zones, where the mix allows it, and where not, why.
 */
import { type Analysis, analyse } from '../analyse';
import { bringsOf } from '../balance/brings';
import { type Goal, solve } from '../balance/solve';
import { WATER_TRIES, wantedPour } from '../balance/start';
import {
  along,
  type KindId,
  kindById,
  RAIL_NAMES,
  type Rail,
  railOf,
  type School,
  sayRail,
  schoolOf,
  THICKNESSES,
} from '../formula/kinds';
import type { TallyPart } from '../formula/tally';
import type { AnalysableLine } from '../numbers';
import { ingredient } from '../pantry/pantry';

export interface Product {
  readonly kind: KindId;
  readonly school: string;
  /** What is added to 100 g of mix, where something was put right for it; left out: as it is worked out. */
  readonly parts?: readonly { readonly id: string; readonly grams: number }[] | undefined;
}

export interface Additions {
  readonly product: Product;
  /** For 100 g of mix. */
  readonly parts: readonly TallyPart[];
  /** Of mix and additions together. */
  readonly analysis: Analysis;
  /** Why the balance does not allow it; empty where it does. */
  readonly against: readonly string[];
  /** What can't be said, because a packet does not. */
  readonly unsaid: readonly string[];
  /** How it pours, where that is not as the kind wants it; a model, so it forbids nothing. */
  readonly pours: string | null;
}

/** What is added to a mix at the bench, in the order it is written; the dry three only where the mix lacks them. */
export interface Pantryful {
  readonly liquidId: string;
  readonly eggId: string;
  readonly fatId: string;
  readonly sugarId: string;
  readonly saltId: string;
  readonly powderId: string;
}
export const USUAL: Pantryful = {
  liquidId: 'milk-whole',
  eggId: 'egg-large',
  fatId: 'butter-unsalted',
  sugarId: 'sugar-granulated',
  saltId: 'salt-table',
  powderId: 'baking-powder-double-al',
};

const START = 0.4;
/** Rails that what is poured and cracked moves, and the dry ones that are topped up where the mix is short of them. */
const POURED = ['egg', 'fat'] as const;
const TOPPED_UP = { sugar: 'sugarId', salt: 'saltId', lift: 'powderId' } as const;

const asLines = (mix: readonly TallyPart[], added: readonly TallyPart[]): readonly AnalysableLine[] => [
  { use: 'batter', parts: mix },
  ...added.map((p): AnalysableLine => ({ use: 'batter', parts: [p] })),
];

interface Try {
  readonly mix: readonly TallyPart[];
  readonly school: School;
  readonly panFatCounts: boolean;
  readonly ids: readonly string[];
  readonly rails: readonly Rail[];
}

/** g of each addition that bring the mix nearest the school's middle with so much water. */
function additionsAt({ mix, school, panFatCounts, ids, rails }: Try, water: number): readonly TallyPart[] {
  const brings = (parts: readonly TallyPart[]) => bringsOf({ use: 'batter', parts }, panFatCounts);
  const movers = ids.map((id) => ({
    grams: 1,
    least: 0,
    most: 5000,
    clings: 1e-4,
    brings: brings([{ ingredient: ingredient(id), grams: 1 }]),
  }));
  const goal = (rail: Rail, value: number, how: Goal['how']): Goal => ({
    rail,
    value,
    how,
    width: school.zones[rail][1] - school.zones[rail][0],
  });
  const goals = [goal('water', water, 'yield'), ...rails.map((r) => goal(r, along(school.zones[r], START), 'keep'))];
  const { grams } = solve({ movers, still: brings(mix), goals, massG: null, eggs: null, size: null, stiffness: 1e-3 });
  return ids.flatMap((id, n) => ((grams[n] ?? 0) < 0.05 ? [] : [{ ingredient: ingredient(id), grams: grams[n] ?? 0 }]));
}

/**
 * What 100 g of a mix asks for to become a product.
 * @param mix what is in 100 g of it
 * @param from what the kitchen lets it down with
 */
export function additionsFor(mix: readonly TallyPart[], product: Product, from: Pantryful = USUAL): Additions {
  const kind = kindById(product.kind);
  const school = schoolOf(kind, product.school);
  const wanted = wantedPour(school);
  const bare = analyse(asLines(mix, []), product.kind, school.id);
  const lacking = (Object.keys(TOPPED_UP) as (keyof typeof TOPPED_UP)[]).filter((rail) => {
    const r = railOf(bare, rail);
    return r?.unknown.length === 0 && r.reading?.standing === 'below';
  });
  const t: Try = {
    mix,
    school,
    panFatCounts: kind.panFatCounts,
    ids: [from.liquidId, from.eggId, from.fatId, ...lacking.map((rail) => from[TOPPED_UP[rail]])],
    rails: [...POURED, ...lacking],
  };
  let best: { readonly parts: readonly TallyPart[]; readonly analysis: Analysis; readonly off: number } | null = null;
  for (const share of WATER_TRIES) {
    const parts = additionsAt(t, along(school.zones.water, share));
    const analysis = analyse(asLines(mix, parts), product.kind, school.id);
    const pour = analysis.thickness ? THICKNESSES.indexOf(analysis.thickness.pour) : wanted;
    const off =
      Math.max(0, Math.abs(pour - wanted) - 0.5) +
      analysis.rails.filter((r) => r.reading && r.reading.standing !== 'in').length;
    if (!best || off < best.off - 1e-9) best = { parts, analysis, off };
    if (off === 0) break;
  }
  if (!best) throw new Error('no zone was tried');
  return { product, parts: best.parts, analysis: best.analysis, ...verdictOf(best.analysis, school) };
}

/** The formula's own additions, as a product: nothing is worked out. @param parts for 100 g of mix */
export function ownAdditions(mix: readonly TallyPart[], parts: readonly TallyPart[], product: Product): Additions {
  const school = schoolOf(kindById(product.kind), product.school);
  const analysis = analyse(asLines(mix, parts), product.kind, school.id);
  return { product, parts, analysis, ...verdictOf(analysis, school) };
}

function verdictOf(a: Analysis, school: School): Pick<Additions, 'against' | 'unsaid' | 'pours'> {
  const against = a.rails.flatMap((r) => {
    if (!r.reading || r.reading.standing === 'in') return [];
    const zone = school.zones[r.rail];
    const word = r.reading.standing === 'above' ? 'more' : 'less';
    return [
      `${RAIL_NAMES[r.rail]} stands at ${sayRail(r.rail, r.tested)}, ${word} than ${sayRail(r.rail, zone[0])} to ${sayRail(r.rail, zone[1])}`,
    ];
  });
  const pours = a.findings.find((f) => f.code === 'too-thick' || f.code === 'too-thin')?.message ?? null;
  const unsaid = a.rails
    .filter((r) => r.unknown.length > 0)
    .map((r) => `${RAIL_NAMES[r.rail]}: ${r.unknown.join(', ')} does not say`);
  return { against, unsaid, pours };
}
