/** Lessons in their order: what each is of, what it aims at, and when it is passed. */
import { mean } from 'simple-statistics';
import { pooled } from '../batter/spread';
import { type Surface, surfaceOf } from '../batter/surface';
import type { PouredPiece } from '../cooking/expected';
import type { KindId } from '../formula/kinds';
import { type Gear, usualGear } from '../pantry/gear';
import type { FlatPiece } from './flat';
import { type HowMuch, POURED, type PracticeOf, type PracticeRun } from './run';
import type { ShapedKind } from './shaped';
import { cameOff, loadOutcome, ON_TIME_S } from './worth';

export interface PracticeLesson {
  readonly id: string;
  readonly title: string;
  readonly aim: string;
  readonly kind: KindId;
  readonly does: 'flat' | ShapedKind;
  /** Where the dial stands as it begins; on it, not in the plate: a plate is some 12 degrees less. */
  readonly dialC: number;
  readonly fat: FlatPiece['onFat'];
  /** It is over when so many are off. */
  readonly pieces: number;
  /** The bell, s from the first pour; null: none rings. */
  readonly bellS: number | null;
  /** How fast it may begin. */
  readonly speed: number;
  readonly passes: (run: PracticeRun) => readonly Point[];
}

/** One thing that a lesson asks for, and how that went. */
interface Point {
  readonly asks: string;
  readonly met: boolean;
  readonly was: string;
}

const worthsOf = (run: PracticeRun): readonly number[] =>
  run.pieces.filter((p) => p.offAt !== null).map((p) => cameOff(p.piece).worth);
const hundredths = (w: number): string => `${Math.round(100 * w)} of 100`;

const eachWorth =
  (least: number, but = 0): PracticeLesson['passes'] =>
  (run) => {
    const worths = worthsOf(run);
    const good = worths.filter((w) => w >= least).length;
    return [
      {
        asks: `${but === 0 ? 'Each' : `All but ${but === 1 ? 'one' : but}`} worth ${hundredths(least)} at least`,
        met: good >= worths.length - but,
        was: worths.map(hundredths).join(', '),
      },
    ];
  };
/** Poured only where the plate was right for cakes. */
const pouredRight: PracticeLesson['passes'] = (run) => {
  const first = run.pieces[0];
  const c = Math.round(first?.pouredC ?? 0);
  return [
    {
      asks: 'The drop read before the first pour',
      met: run.readAt !== null && run.readAt <= (first?.pouredAt ?? 0),
      was: run.readAt === null ? 'it was not read' : 'read',
    },
    { asks: 'Poured at 160 to 195 degrees', met: c >= 160 && c <= 195, was: `${c} degrees` },
  ];
};
const inOrder: PracticeLesson['passes'] = (run) => {
  const load = loadOutcome(run.pieces);
  return [
    {
      asks: 'Turned in the order they were poured',
      met: load.outOfOrder.length === 0,
      was: load.outOfOrder.length === 0 ? 'in order' : `out of order: ${load.outOfOrder.join(', ')}`,
    },
  ];
};
const onTime =
  (least: number): PracticeLesson['passes'] =>
  (run) => {
    const load = loadOutcome(run.pieces);
    return [
      {
        asks: `${least} turned within ${ON_TIME_S} seconds of their sign`,
        met: load.onTime >= least,
        was: `${load.onTime} of ${load.turned}`,
      },
    ];
  };
const byTheBell =
  (least: number, worth: number): PracticeLesson['passes'] =>
  (run) => {
    const bell = bellAt(run, BELL_S);
    const good = run.pieces.filter(
      (p) => p.offAt !== null && p.offAt <= bell && cameOff(p.piece).worth >= worth,
    ).length;
    const lies = run.pieces.filter((p) => p.offAt === null || p.offAt > bell).length;
    return [
      {
        asks: `${least} off the heat by the bell, each worth ${hundredths(worth)}`,
        met: good >= least,
        was: `${good}`,
      },
      { asks: 'Nothing left on the heat', met: lies === 0, was: lies === 0 ? 'nothing' : `${lies} left` },
    ];
  };
const both =
  (...all: readonly PracticeLesson['passes'][]): PracticeLesson['passes'] =>
  (run) =>
    all.flatMap((f) => f(run));

const CAKES = { kind: 'griddle', does: 'flat', dialC: 187, fat: 'film', bellS: null, speed: 1 } as const;
const BELL_S = 720;

export const LESSONS: readonly PracticeLesson[] = [
  {
    ...CAKES,
    id: 'first-cake',
    title: 'The first cake',
    aim: 'Pour one. Turn it when half of its bubbles stay open and its edge is dull; take it off when it springs back.',
    pieces: 1,
    passes: eachWorth(0.75),
  },
  {
    ...CAKES,
    id: 'two',
    title: 'Two at a time',
    aim: 'Two, poured one after the other: the first poured is the first turned.',
    pieces: 2,
    passes: both(eachWorth(0.7), inOrder),
  },
  {
    ...CAKES,
    id: 'too-hot',
    title: 'The griddle too hot',
    aim: 'Let a drop of water fall first. Where it skitters off, turn the dial down and wait before you pour.',
    dialC: 240,
    pieces: 1,
    speed: 2,
    passes: both(pouredRight, eachWorth(0.65)),
  },
  {
    ...CAKES,
    id: 'too-cool',
    title: 'The griddle too cool',
    aim: 'A drop that sizzles away says wait. Dial up, read again, and pour when it dances.',
    dialC: 145,
    fat: 'none',
    pieces: 1,
    speed: 2,
    passes: both(pouredRight, eachWorth(0.65)),
  },
  {
    ...CAKES,
    id: 'eight',
    title: 'Eight, in the order they were poured',
    aim: 'Fill eight places. The hand that turns follows the hand that poured.',
    pieces: 8,
    passes: both(inOrder, onTime(6)),
  },
  {
    ...CAKES,
    id: 'crepes',
    title: 'Crepes',
    aim: 'Run each over the pan at once. It is turned when its rim lifts and it slides; the second side is quick. The first is a test.',
    kind: 'crepe',
    dialC: 212,
    pieces: 3,
    passes: eachWorth(0.7, 1),
  },
  {
    ...CAKES,
    id: 'waffles',
    title: 'Waffles, by their steam',
    aim: 'The lid stays shut until the steam has all but stopped.',
    kind: 'waffle',
    does: 'waffle',
    dialC: 200,
    pieces: 2,
    speed: 4,
    passes: eachWorth(0.7),
  },
  {
    ...CAKES,
    id: 'balls',
    title: 'Balls, a quarter at a time',
    aim: 'Turn each by a quarter once it is golden beneath, four times round.',
    kind: 'ball',
    does: 'ball',
    pieces: 2,
    speed: 2,
    passes: eachWorth(0.7),
  },
  {
    ...CAKES,
    id: 'door',
    title: 'The oven’s door',
    aim: 'Look through the glass: opened before it stands, it falls. It is ready when it is golden.',
    kind: 'oven',
    does: 'oven',
    dialC: 232,
    pieces: 1,
    speed: 8,
    passes: eachWorth(0.7),
  },
  {
    ...CAKES,
    id: 'bell',
    title: 'A morning with the bell',
    aim: 'Twelve minutes. As many good ones as you can, ten at least, and nothing on the heat when it rings.',
    pieces: 40,
    bellS: BELL_S,
    speed: 2,
    passes: byTheBell(10, 0.6),
  },
];

export const lessonById = (id: string): PracticeLesson | undefined => LESSONS.find((l) => l.id === id);

const bellAt = (run: PracticeRun, bellS: number): number => (run.pieces[0]?.pouredAt ?? 0) + bellS;

/** Seconds until the bell; null: none rings, or nothing is poured yet. */
export const untilBell = (l: Pick<PracticeLesson, 'bellS'>, run: PracticeRun): number | null =>
  l.bellS === null || run.pieces.length === 0 ? null : bellAt(run, l.bellS) - run.s;

/** Whether a lesson is over: all of it is off, or the bell has rung. */
export const isOver = (l: Pick<PracticeLesson, 'pieces' | 'bellS'>, run: PracticeRun): boolean =>
  (l.bellS !== null && (untilBell(l, run) ?? 1) <= 0) ||
  (run.pieces.length >= l.pieces && run.pieces.every((p) => p.offAt !== null));

export interface LessonResult {
  readonly passed: boolean;
  /** Mean of what came off, 0 to 1. */
  readonly worth: number;
  readonly points: readonly Point[];
}
export function resultOf(l: PracticeLesson, run: PracticeRun): LessonResult {
  const points = l.passes(run);
  const worths = worthsOf(run);
  return {
    passed: points.length > 0 && points.every((p) => p.met),
    worth: worths.length > 0 ? mean(worths) : 0,
    points,
  };
}

/** The batter of the lessons: a common one, that pours in ribbons. Pa.s; mL of a usual cake, and of a crepe. */
const BATTER = { paS: 2, densityGPerMl: 1.02, waterShare: 0.55, liftMl: 180, batterC: 21, browns: 1 };
const USUAL_ML = 60;
const FILM: PouredPiece = {
  pour: { kgPerM2: 1.9, densityGPerMl: 1.08, waterShare: 0.7, liftMl: 0, batterC: 21, browns: 1 },
  how: { sugarPercent: 6, film: true },
  acrossCm: 22,
};

/** The lessons' own batter as it lies, by how much is poured. */
function lessonPour(kind: KindId, share: number): PouredPiece {
  if (kind === 'crepe') return { ...FILM, pour: { ...FILM.pour, kgPerM2: FILM.pour.kgPerM2 * Math.sqrt(share) } };
  const { paS, ...batter } = BATTER;
  const lies = pooled(paS, USUAL_ML * share);
  return {
    pour: { ...batter, kgPerM2: lies.thickMm * batter.densityGPerMl },
    how: { sugarPercent: 9, film: false },
    acrossCm: lies.diameterCm,
  };
}

const byMuch = (of: (share: number) => PouredPiece): Readonly<Record<HowMuch, PouredPiece>> =>
  Object.fromEntries(Object.entries(POURED).map(([much, share]) => [much, of(share)])) as Record<HowMuch, PouredPiece>;

/**
 * What a lesson is practised on: this kitchen's own gear, the largest first; where it has none, a usual one. Its minutes
 * are the model's own: what was learned of a surface counts in free play alone, so that a lesson is the same for all.
 */
export function lessonOf(
  l: Pick<PracticeLesson, 'kind' | 'does' | 'pieces' | 'bellS'>,
  gear: readonly Gear[],
): PracticeOf | null {
  const made = l.does === 'flat' ? byMuch((share) => lessonPour(l.kind, share)) : null;
  const surface = surfaceFor(l.kind, gear, made?.usual.acrossCm);
  return surface ? { does: l.does, made, surface: nearMiddle(surface, l), places: null, slow: 1 } : null;
}

/** A surface with no more places than a lesson fills, those nearest to its middle, in the order they are poured. */
function nearMiddle(s: Surface, { pieces, bellS }: Pick<PracticeLesson, 'pieces' | 'bellS'>): Surface {
  if (bellS !== null || s.slots.length <= pieces) return s;
  const far = ({ x, y }: Surface['slots'][number]): number => Math.hypot(x - s.wideCm / 2, y - s.deepCm / 2);
  const least = [...s.slots].sort((a, b) => far(a) - far(b)).slice(0, pieces);
  return { ...s, slots: s.slots.filter((at) => least.includes(at)) };
}

const OVEN_PAN_CM = 24;
/** The surface with the most places of a kind's. */
export function surfaceFor(kind: KindId, gear: readonly Gear[], acrossCm = OVEN_PAN_CM): Surface | null {
  const able = (list: readonly Gear[]): readonly Surface[] => list.flatMap((g) => surfaceOf(g, kind, acrossCm) ?? []);
  const most = (list: readonly Surface[]): Surface | undefined =>
    [...list].sort((a, b) => b.slots.length - a.slots.length)[0];
  return most(able(gear)) ?? most(able(usualGear(kind))) ?? null;
}
