/** What a piece that was practised on came out as: what it is worth, what cost it most, and one sentence of advice. */
import { mean } from 'simple-statistics';
import { brownOf, type FlatPiece, heightKept, rawShare } from './flat';
import {
  type BallPiece,
  ballApart,
  ballSet,
  type OvenPiece,
  ovenBrown,
  PUFF_STANDS,
  puffOf,
  type ShapedPiece,
  STEAM_STOPS,
  STOPS_AT_S,
  steamOf,
  type WafflePiece,
  waffleBrown,
} from './shaped';

export type PracticePiece = FlatPiece | ShapedPiece;

/** Colours, 1 being golden, each up to its number: the five steps of the drawn scale. */
const COLOURS = [
  [0.4, 'pale'],
  [0.6, 'light'],
  [1.4, 'golden'],
  [2.5, 'dark'],
  [Number.POSITIVE_INFINITY, 'burnt'],
] as const;
const GOLDEN = [COLOURS[1][0], COLOURS[2][0]] as const;
/** A second side is done from this colour on. */
const SECOND_FROM = 0.35;
/** Quarters of a ball differ by no more than this. */
const ALIKE = 0.4;

/** A colour's step on the drawn scale, 1 to 5. */
export const colourStep = (b: number): number => 1 + COLOURS.findIndex(([to]) => b <= to);
/** "pale", "golden", "dark", "burnt". */
export const colourWord = (b: number): string => COLOURS[colourStep(b) - 1]?.[1] ?? '';

interface Loss {
  /** Of its worth, 0 to 1. */
  readonly cost: number;
  /** What it was: "pale beneath". */
  readonly was: string;
  readonly advice: string;
}

export interface PieceOutcome {
  /** 0 to 1. */
  readonly worth: number;
  /** What it was, the costliest first; nothing: as it should be. */
  readonly losses: readonly Loss[];
  /** When it would have been best, s, and by which sign; null: its sign never came. */
  readonly bestS: number | null;
  readonly sign: string;
  /** Seconds too soon (below 0) or too late; 0 within a few; null: its sign never came. */
  readonly byS: number | null;
  readonly advice: string;
}

const off = (b: number, [low, high]: readonly [number, number]): number => Math.max(0, low - b, b - high);
const colourLoss = (
  b: number,
  zone: readonly [number, number],
  where: string,
  hotter: string,
  cooler: string,
): Loss => ({
  cost: Math.min(0.8, off(b, zone) / 1.2),
  was: `${colourWord(b)} ${where}`,
  advice: b < zone[0] ? hotter : cooler,
});

/** A turn is on time this close to its best moment, s. */
export const ON_TIME_S = 12;

function lossesOfFlat(p: FlatPiece): readonly Loss[] {
  const { first, second } = brownOf(p);
  const { film } = p.made.how;
  const turnedLate = p.turnedS !== null && p.bestS !== null && p.turnedS > p.bestS + ON_TIME_S;
  const turnedEarly = p.turnedS !== null && (p.bestS === null || p.turnedS < p.bestS - ON_TIME_S);
  return [
    colourLoss(
      first,
      GOLDEN,
      'on the first side',
      turnedEarly ? 'Wait for its sign before it is turned.' : 'A little more heat: it was set before it was golden.',
      turnedLate ? 'Turn it at its sign: it lay on.' : 'A little less heat: it was golden before it was set.',
    ),
    colourLoss(
      second,
      [SECOND_FROM, GOLDEN[1]],
      'on the second side',
      'Leave the second side a little longer; a look beneath says when.',
      'Take it off sooner: the second side is quick.',
    ),
    {
      cost: 0.8 * rawShare(p),
      was: 'raw within',
      advice: film ? 'Turn it once it slides.' : 'Wait until it springs back before it comes off.',
    },
    {
      cost: p.splash,
      was: 'batter thrown out',
      advice: 'It was turned wet: wait until the edge is dull and bubbles stay open.',
    },
    { cost: p.folded ? 0.1 : 0, was: 'folded', advice: 'A little later, and the turner right under the middle.' },
    {
      cost: 1.5 * p.torn,
      was: 'torn',
      advice: film
        ? 'Shake the pan: only what slides is turned.'
        : p.onFat === 'none'
          ? 'Fat on the plate first, and wiped.'
          : 'Look beneath later: before half of the bubbles stay it tears.',
    },
    {
      cost: 0.7 * (1 - heightKept(p)),
      was: 'flat',
      advice: p.pressed ? 'Never press it.' : 'Turn it at its sign: gas goes while it waits.',
    },
    {
      cost: film && p.swirled === false ? 0.4 : 0,
      was: 'thick where it was poured',
      advice: 'Run it over the pan at once, within four seconds.',
    },
    { cost: p.onFat === 'pool' ? 0.1 : 0, was: 'mottled', advice: 'Wipe the fat off again before you pour.' },
  ];
}

const lossesOfWaffle = (p: WafflePiece): readonly Loss[] => [
  { cost: p.torn ? 0.7 : 0, was: 'in two halves', advice: 'The lid stays shut until the steam has all but stopped.' },
  {
    cost: !p.torn && steamOf(p) >= STEAM_STOPS && p.ripeS < STOPS_AT_S ? 0.3 : 0,
    was: 'soft',
    advice: 'Wait until the steam has all but stopped.',
  },
  colourLoss(
    waffleBrown(p),
    GOLDEN,
    'all over',
    'Wait until the steam has stopped.',
    'Open it as the steam stops: it lay on.',
  ),
];

const lossesOfBall = (p: BallPiece): readonly Loss[] => [
  {
    cost: 0.2 * p.broken,
    was: 'its shell broke',
    advice: 'A quarter is turned once it is golden beneath: the shell bears it.',
  },
  { cost: 0.8 * (1 - ballSet(p)), was: 'liquid within', advice: 'Four quarters, and a skewer that comes out clean.' },
  {
    cost: Math.min(0.5, Math.max(0, ballApart(p) - ALIKE) / 1.2),
    was: 'uneven',
    advice: 'Give each quarter the same time.',
  },
  colourLoss(
    Math.max(...p.brown),
    GOLDEN,
    'outside',
    'A little longer on each quarter.',
    'Turn it sooner: a quarter is quick.',
  ),
];

const lossesOfOven = (p: OvenPiece): readonly Loss[] => [
  { cost: p.fell ? 0.5 : 0, was: 'fallen', advice: 'The door stays shut until it stands: look through the glass.' },
  {
    cost: 0.6 * Math.max(0, PUFF_STANDS - puffOf(p)) * (p.fell ? 0 : 1),
    was: 'not risen',
    advice: 'Leave it in until it stands.',
  },
  colourLoss(ovenBrown(p), GOLDEN, 'on top', 'Leave it in until it is golden.', 'Out of the oven as it is golden.'),
];

function lossesOf(p: PracticePiece): readonly Loss[] {
  switch (p.does) {
    case 'flat':
      return lossesOfFlat(p);
    case 'waffle':
      return lossesOfWaffle(p);
    case 'ball':
      return lossesOfBall(p);
    case 'oven':
      return lossesOfOven(p);
  }
}

const SIGNS: Readonly<Record<PracticePiece['does'] | 'film', string>> = {
  flat: 'half of the bubbles stay open, and the edge is dull',
  film: 'its rim lifts, and it slides as the pan is shaken',
  waffle: 'the steam has all but stopped',
  ball: 'the quarter beneath is golden',
  oven: 'it stands, and is golden',
};

/** Less than this of a worth is not spoken of. */
const SPOKEN_OF = 0.03;

/** A piece as it came off. */
export function cameOff(p: PracticePiece): PieceOutcome {
  const all = lossesOf(p);
  const losses = all.filter((l) => l.cost > SPOKEN_OF).sort((a, b) => b.cost - a.cost);
  const worth = Math.max(0, 1 - all.reduce((a, l) => a + l.cost, 0));
  const flat = p.does === 'flat' ? p : null;
  const bestS = flat?.bestS ?? null;
  const did = flat ? flat.turnedS : null;
  const byS = bestS === null || did === null ? null : Math.abs(did - bestS) <= ON_TIME_S ? 0 : did - bestS;
  const sign = SIGNS[flat?.made.how.film ? 'film' : p.does];
  return {
    worth,
    losses,
    bestS,
    sign,
    byS,
    advice: losses[0]?.advice ?? 'As it should be: do the same again.',
  };
}

/** Its cut by the drawn scale of crumbs, 1 to 5: 3 as it should be, 2 flatter, 1 dense or raw. */
export function crumbStep(p: PracticePiece): number {
  if (p.does === 'flat') return rawShare(p) > 0.2 ? 1 : heightKept(p) < 0.9 ? 2 : 3;
  const { worth } = cameOff(p);
  return worth > 0.7 ? 3 : worth > 0.4 ? 2 : 1;
}

/** The side that was first down, or the darkest there is: 1 is golden. */
export function shownBrown(p: PracticePiece): number {
  if (p.does === 'flat') return brownOf(p).first;
  return p.does === 'ball' ? Math.max(...p.brown) : p.does === 'waffle' ? waffleBrown(p) : ovenBrown(p);
}

interface LoadOutcome {
  /** Pieces that were poured before another and turned after it, by their numbers. */
  readonly outOfOrder: readonly number[];
  readonly onTime: number;
  readonly turned: number;
  /** Mean worth, and how far the best and the worst are apart. */
  readonly worth: number;
  readonly apart: number;
}

/** A load as it came off: order, time, evenness. @param pieces in the order they were poured, with their seconds */
export function loadOutcome(
  pieces: readonly {
    readonly number: number;
    readonly pouredAt: number;
    readonly turnedAt: number | null;
    readonly piece: PracticePiece;
  }[],
): LoadOutcome {
  const outcomes = pieces.map((p) => ({ ...p, ...cameOff(p.piece) }));
  const turned = outcomes.filter((p) => p.turnedAt !== null);
  const outOfOrder = turned.filter((p) =>
    turned.some((q) => q.pouredAt > p.pouredAt && (q.turnedAt ?? 0) < (p.turnedAt ?? 0)),
  );
  const worths = outcomes.map((o) => o.worth);
  return {
    outOfOrder: outOfOrder.map((p) => p.number),
    onTime: turned.filter((p) => p.byS === 0).length,
    turned: turned.length,
    worth: worths.length > 0 ? mean(worths) : 0,
    apart: worths.length > 0 ? Math.max(...worths) - Math.min(...worths) : 0,
  };
}
