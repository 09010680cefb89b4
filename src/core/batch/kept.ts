/**
 * What is kept after the heat: pieces frozen or chilled, batter kept cold. How long it is good, how it is packed and
 * how it comes back. Days are ours, for quality; what is safe is the local food code's.
 */

import { type KindId, kindById } from '../formula/kinds';
import { dayAfter } from '../quantity/day';
import { capital } from '../quantity/say';
import type { Label } from './label';

export const KEPT_STATES = ['frozen', 'chilled', 'batter'] as const;
export type KeptState = (typeof KEPT_STATES)[number];
export const KEPT_STATE_WORDS: Readonly<Record<KeptState, string>> = {
  frozen: 'frozen',
  chilled: 'chilled',
  batter: 'batter, kept cold',
};

/** How far pieces were baked: waffles that a toaster finishes are taken a little early. */
export const COOKED = ['done', 'early', 'raw'] as const;
export type Cooked = (typeof COOKED)[number];
export const COOKED_WORDS: Readonly<Record<Cooked, string>> = {
  done: 'baked through',
  early: 'taken early, to be finished in the heat',
  raw: 'not baked',
};

export const KEPT_HOWS = ['served', 'thrown'] as const;
export type KeptHow = (typeof KEPT_HOWS)[number];
export const HOW_WORDS: Readonly<Record<KeptHow, string>> = { served: 'served', thrown: 'thrown away' };

export interface KeptLot {
  readonly id: string;
  readonly number: number;
  readonly batchId: string | null;
  readonly formulaId: string | null;
  readonly name: string;
  readonly kind: KindId;
  readonly state: KeptState;
  readonly cooked: Cooked;
  readonly pieces: number;
  readonly left: number;
  readonly parcel: number | null;
  readonly place: string;
  /** yyyy-mm-dd. */
  readonly made: string;
  readonly bestBy: string;
  readonly note: string;
  readonly who: string;
}

export interface KeptUse {
  readonly id: string;
  readonly pieces: number;
  readonly how: KeptHow;
  readonly who: string;
  readonly at: Date;
  readonly undoneAt: Date | null;
  /** The batch it was taken into. */
  readonly forBatch?: string | null;
  readonly forName?: string | null;
}

/** What a batch has taken in of a lot. */
export type TakenIn = Pick<KeptLot, 'number' | 'kind' | 'state' | 'cooked' | 'pieces'> & { readonly lotId: string };

/** What there is: what was kept less what went; what was taken back did not go. */
export const leftOf = (pieces: number, uses: readonly Pick<KeptUse, 'pieces' | 'undoneAt'>[]): number =>
  pieces - uses.reduce((a, u) => a + (u.undoneAt ? 0 : u.pieces), 0);

/**
 * Days it keeps its quality. Frozen one to two months at -18 C; what stands by its foam or its puff less. Ours, but for
 * the freezer's.
 */
export function goodDays(state: KeptState, kind: KindId): number {
  if (state === 'batter') return 1;
  if (state === 'chilled') return 2;
  return kind === 'foam' || kind === 'oven' ? 30 : 60;
}

/** The last day it is at its best. @param made yyyy-mm-dd */
export const bestByOf = (made: string, state: KeptState, kind: KindId): string => dayAfter(made, goodDays(state, kind));

/** One way back to the plate. */
interface Reheat {
  readonly by: string;
  /** From, to, of one load. */
  readonly minutes: readonly [number, number];
  readonly how: string;
  /** Pieces in one load; of a kitchen's usual toaster, pan and oven of two trays. Ours. */
  readonly atOnce: number;
  /** Degrees C that the oven stands at for it; null: it wants no oven. */
  readonly ovenC: number | null;
}

const REHEAT_OVEN_C = 160;
const AT_ONCE = { oven: 24, toaster: 4, pan: 3, microwave: 3 } as const;
/** More loads than this go into the oven, all at once. */
const MOST_LOADS = 2;

const CRISP: readonly KindId[] = ['waffle'];
const THIN: readonly KindId[] = ['crepe'];

/**
 * How it comes back to the plate, by what there is to heat it with. Minutes are ours: the look and the heat of the
 * middle tell.
 */
export function reheatsOf(l: Pick<KeptLot, 'state' | 'kind' | 'cooked'>): readonly Reheat[] {
  if (l.state === 'batter')
    return [
      {
        by: 'griddle or iron',
        minutes: [0, 0],
        how: 'Stir it once, let it lose its chill for ten minutes, bake it as ever.',
        atOnce: 1,
        ovenC: null,
      },
    ];
  const cold = l.state === 'frozen' ? 1 : 0.6;
  const early = l.cooked === 'early' ? 1 : 0;
  const min = (a: number, b: number): readonly [number, number] => [
    Math.max(0.5, Math.round(2 * (a * cold + early)) / 2),
    Math.max(0.5, Math.round(2 * (b * cold + early)) / 2),
  ];
  const oven: Reheat = {
    by: `oven, ${REHEAT_OVEN_C} C`,
    atOnce: AT_ONCE.oven,
    ovenC: REHEAT_OVEN_C,
    minutes: min(8, 12),
    how: CRISP.includes(l.kind)
      ? 'On a rack, one layer, uncovered.'
      : 'One layer, under foil; crepes and cakes dry out uncovered.',
  };
  const toaster: Reheat = {
    by: 'toaster',
    atOnce: AT_ONCE.toaster,
    ovenC: null,
    minutes: min(2, 4),
    how: l.cooked === 'early' ? 'Twice through, until it is brown.' : 'Once through, low.',
  };
  const pan: Reheat = {
    by: 'dry pan, medium',
    atOnce: AT_ONCE.pan,
    ovenC: null,
    minutes: min(1, 3),
    how: THIN.includes(l.kind) ? 'Half a minute a side.' : 'Covered, turned once.',
  };
  const wave: Reheat = {
    by: 'microwave',
    atOnce: AT_ONCE.microwave,
    ovenC: null,
    minutes: min(0.5, 1.5),
    how: 'Under a damp cloth, three at a time: soft, not crisp.',
  };
  if (l.kind === 'oven') return [{ ...oven, how: 'On a tray. It does not puff a second time.' }];
  if (l.kind === 'waffle') return [toaster, oven];
  if (l.kind === 'crepe') return [pan, oven, wave];
  if (l.kind === 'ball') return [oven, wave];
  return [toaster, oven, pan, wave];
}

/**
 * How so many pieces come back together: in few loads beside the heat, else in the oven; and how long that takes in
 * all.
 */
export function reheatOf(
  l: Pick<KeptLot, 'state' | 'kind' | 'cooked'> & { readonly pieces: number },
): Reheat & { readonly loads: number; readonly allMin: number } {
  const ways = reheatsOf(l);
  const loadsOf = (r: Reheat): number => Math.max(1, Math.ceil(l.pieces / r.atOnce));
  const way =
    ways.find((r) => r.ovenC === null && loadsOf(r) <= MOST_LOADS) ??
    ways.find((r) => r.ovenC !== null) ??
    (ways[0] as Reheat);
  const loads = loadsOf(way);
  return { ...way, loads, allMin: Math.max(2, Math.ceil(loads * way.minutes[1])) };
}

/** A batter with less of its rise than this is given fresh powder, or made into what needs none, percent. Ours. */
const FADED_PCT = 70;

/**
 * What batter that was kept cold makes the next day.
 * @param leftPct what it has of its rise, percent; null where that can't be told: as little as may be
 */
export function leftoverMakes(kind: KindId, leftPct: number | null): readonly string[] {
  const faded = leftPct === null || leftPct < FADED_PCT;
  const { pieces } = kindById(kind);
  if (kind === 'crepe') return [`Stirred once, ${pieces} as today: rested longer they tear less.`];
  if (kind === 'oven') return ['Poured into a hot pan as today, it puffs a little less.'];
  if (kind === 'foam') return ['Its foam is gone: thin cakes, or whip one more white and fold it in.'];
  const thin = 'Thinned with about a fifth of its weight in its own liquid: crepes.';
  if (!faded) return [`${pieces.replace(/^./, (c) => c.toUpperCase())}, a little flatter.`, thin];
  return [
    `${pieces.replace(/^./, (c) => c.toUpperCase())} that lie flatter; a little fresh baking powder, stirred in at the last, lifts them again.`,
    ...(kind === 'waffle' ? [] : ['Waffles: the iron’s steam lifts what has faded.']),
    thin,
  ];
}

/** "8 to 12 min", "2 min". */
export const minutesSaid = ([a, b]: Reheat['minutes']): string =>
  b === 0 ? '' : a === b ? `${a} min` : `${a} to ${b} min`;

/** What is done before it is put away. */
export function packingOf(l: Pick<KeptLot, 'state' | 'parcel'>): readonly string[] {
  if (l.state === 'batter') return ['Cover it close to its face, and put it where it is cold at once.'];
  const wrap = l.parcel === null ? 'Wrap each by itself.' : `Wrap them in parcels of ${l.parcel}, paper between.`;
  return [
    'Cool them in one layer on a rack, not stacked, until no steam is left.',
    wrap,
    l.state === 'frozen' ? 'Label them, and freeze them flat.' : 'Label them, and put them where it is cold.',
  ];
}

/** Stands once with everything that is kept. */
export const KEPT_CAUTION =
  'How fast food has to be cooled, how cold it has to be kept, how long, and how hot it has to be heated again is the local food code’s. The days here are for quality alone.';

/** "16 griddle cakes", "batter for 16 griddle cakes". */
export const keptWords = (l: Pick<KeptLot, 'state' | 'kind'>, pieces: number): string => {
  const many = kindById(l.kind).pieces;
  const name = pieces === 1 ? many.replace(/s$/, '') : many;
  return l.state === 'batter' ? `batter for ${pieces} ${name}` : `${pieces} ${name}`;
};

export const lotName = (l: Pick<KeptLot, 'number'>): string => `K-${l.number}`;

/**
 * A label for each parcel, or one for all that is wrapped singly.
 * @param day how the house writes a day @param notice what has to be told to whoever eats
 */
export function keptLabels(l: KeptLot, day: (d: string) => string, notice: readonly string[]): readonly Label[] {
  const parcels = l.parcel === null ? 1 : Math.ceil(l.pieces / l.parcel);
  return Array.from({ length: parcels }, (_, n): Label => {
    const of = l.parcel === null ? l.pieces : Math.min(l.parcel, l.pieces - n * l.parcel);
    return {
      key: String(n),
      title: l.name,
      sub: `${lotName(l)}: ${keptWords(l, of)}${l.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[l.state]}`}${parcels > 1 ? `, ${n + 1} of ${parcels}` : ''}`,
      body: [
        `Made ${day(l.made)}. Best by ${day(l.bestBy)}.`,
        ...reheatsOf(l).map(
          (r) => `${capital(r.by)}${minutesSaid(r.minutes) ? `, ${minutesSaid(r.minutes)}` : ''}: ${r.how}`,
        ),
        ...notice,
      ],
      foot: ['Cooling, keeping and heating again: as the local food code has it.'],
    };
  });
}

/** Lots with something left, that which has to be used first in front. */
export const toUseFirst = (lots: readonly KeptLot[]): readonly KeptLot[] =>
  lots
    .filter((l) => l.left > 0)
    .sort((a, b) => (a.bestBy < b.bestBy ? -1 : a.bestBy > b.bestBy ? 1 : a.number - b.number));
