/**
 * What a kitchen works with: its scales and their steps, the bowls a batter is mixed in, and the griddles, pans, irons
 * and ball pans it goes onto. Sizes in centimetres and millilitres, steps and capacities in grams.
 */
export const GEAR_SORTS = ['scale', 'griddle', 'pan', 'iron', 'ball-pan', 'bowl', 'drum'] as const;
export type GearSort = (typeof GEAR_SORTS)[number];

interface Named {
  readonly id: string;
  readonly name: string;
}
/** Shows steps of `stepG`, up to `mostG`. */
export type Scale = Named & { readonly sort: 'scale'; readonly stepG: number; readonly mostG: number };
export type Griddle = Named & { readonly sort: 'griddle'; readonly wideCm: number; readonly deepCm: number };
/** A round pan, its flat bottom across. */
export type Pan = Named & { readonly sort: 'pan'; readonly acrossCm: number };
/** A waffle iron: what it holds closed, in all its plates. */
export type Iron = Named & { readonly sort: 'iron'; readonly holdsMl: number; readonly pieces: number };
type BallPan = Named & { readonly sort: 'ball-pan'; readonly hollowMl: number; readonly hollows: number };
/** Bowls of one size: what one holds, full to the rim, and how many there are. */
export type Bowl = Named & { readonly sort: 'bowl'; readonly bowlMl: number; readonly bowls: number };
/** A drum that dry mixes are turned in: what it takes at once, as its maker says, g. */
export type Drum = Named & { readonly sort: 'drum'; readonly drumG: number };
export type Gear = Scale | Griddle | Pan | Iron | BallPan | Bowl | Drum;

export const SORT_NAMES: Readonly<Record<GearSort, string>> = {
  scale: 'Scale',
  griddle: 'Griddle',
  pan: 'Pan',
  iron: 'Waffle iron',
  'ball-pan': 'Ball pan',
  bowl: 'Mixing bowl',
  drum: 'Blending drum',
};

export const FRESH_GEAR: readonly Gear[] = [
  { id: 'kitchen-scale', sort: 'scale', name: 'Kitchen scale', stepG: 1, mostG: 5000 },
];

/** The scales, the finest first. */
export const scalesOf = (gear: readonly Gear[]): readonly Scale[] =>
  gear.filter((g) => g.sort === 'scale').sort((a, b) => a.stepG - b.stepG || b.mostG - a.mostG);

const circleCm2 = (acrossCm: number): number => (Math.PI * acrossCm ** 2) / 4;

/**
 * Film of batter in a crepe pan, mm; batter in an oven pancake's pan, mL per cm2; and of an iron's closed volume:
 * middles of what is usual.
 */
const CREPE_MM = 1.25;
const OVEN_ML_PER_CM2 = 0.65;
const IRON_SHARE = 0.65;

/**
 * The portion a piece of gear asks for, mL.
 * @param kind the kind of batter
 * @returns null where that gear is not what the kind is made on
 */
export function portionFor(g: Gear, kind: string): number | null {
  if (g.sort === 'pan' && kind === 'crepe') return (circleCm2(g.acrossCm) * CREPE_MM) / 10;
  if (g.sort === 'pan' && kind === 'oven') return ovenPanfulMl(g.acrossCm);
  if (g.sort === 'iron' && kind === 'waffle') return (g.holdsMl * IRON_SHARE) / g.pieces;
  if (g.sort === 'ball-pan' && kind === 'ball') return g.hollowMl;
  return null;
}

/** mL that fill a pan for an oven pancake. @param acrossCm across its base */
export const ovenPanfulMl = (acrossCm: number): number => circleCm2(acrossCm) * OVEN_ML_PER_CM2;

/** Room for a spatula between two pieces, cm. */
export const GAP_CM = 1.5;

/** What is poured freely, side by side, and not into a shape. */
export const isPouredFreely = (kind: string): boolean => kind === 'griddle' || kind === 'small' || kind === 'foam';

/** Whether a kind is made on a piece of gear: cakes on a griddle or in any pan, a waffle in its iron alone. */
export function madeOn(g: Gear, kind: string): boolean {
  if (g.sort === 'griddle') return isPouredFreely(kind);
  if (g.sort === 'pan') return isPouredFreely(kind) || kind === 'crepe' || kind === 'oven';
  return (g.sort === 'iron' && kind === 'waffle') || (g.sort === 'ball-pan' && kind === 'ball');
}

/** An id that no gear has yet, from its name. */
export function freeGearId(name: string, gear: readonly Pick<Gear, 'id'>[]): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'thing';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!gear.some((g) => g.id === id)) return id;
  }
}

/** Usual sizes of what pieces are made on, for a kitchen that has noted none. Ours. */
const USUAL: readonly Gear[] = [
  ...[24, 28].map((acrossCm): Pan => ({ id: '', sort: 'pan', name: `Pan, ${acrossCm} cm`, acrossCm })),
  ...(
    [
      [40, 30],
      [60, 40],
      [76, 45],
    ] as const
  ).map(
    ([wideCm, deepCm]): Griddle => ({
      id: '',
      sort: 'griddle',
      name: `Griddle, ${wideCm} by ${deepCm} cm`,
      wideCm,
      deepCm,
    }),
  ),
  ...(
    [
      ['one', 1, 200],
      ['two', 2, 380],
      ['four', 4, 720],
    ] as const
  ).map(
    ([word, pieces, holdsMl]): Iron => ({
      id: '',
      sort: 'iron',
      name: `Waffle iron, ${word} at once`,
      pieces,
      holdsMl,
    }),
  ),
  { id: '', sort: 'ball-pan', name: 'Ball pan of seven', hollowMl: 30, hollows: 7 },
  { id: '', sort: 'ball-pan', name: 'Ball pan of nine', hollowMl: 25, hollows: 9 },
];

/** Scales that are finer than most, the coarser first; ids are still to be given. */
export const FINE_SCALES: readonly Scale[] = (
  [
    [0.5, 2000],
    [0.1, 500],
  ] as const
).map(([stepG, mostG]) => ({ id: '', sort: 'scale', name: `Scale, steps of ${stepG} g`, stepG, mostG }));

/** What a kind is usually made on, in usual sizes; ids are still to be given. */
export const usualGear = (kind: string): readonly Gear[] => USUAL.filter((g) => madeOn(g, kind));
