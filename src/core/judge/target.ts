/** The pancake that is wanted, and how near a making comes to it, scale by scale. */

import { SCALE_WORDS, SCALES, type ScaleId, type Scales, STEPS } from '../batch/came-out';

/** What is measured of one piece, mm. */
export const TARGET_MEASURES = ['heightMm', 'acrossMm'] as const;
export type MeasureId = (typeof TARGET_MEASURES)[number];
export const MEASURE_WORDS: Readonly<Record<MeasureId, string>> = { heightMm: 'height', acrossMm: 'across' };

/** What can be wanted, and what can be found of a piece. */
export interface TargetPiece {
  readonly scales: Scales;
  readonly heightMm: number | null;
  readonly acrossMm: number | null;
}

export interface Target extends TargetPiece {
  /** One tasted elsewhere, in words. */
  readonly note: string;
}

export const NO_TARGET: Target = { scales: {}, heightMm: null, acrossMm: null, note: '' };

const measuresIn = (p: TargetPiece): readonly MeasureId[] => TARGET_MEASURES.filter((m) => p[m] !== null);

/** Whether it wants anything that a making can be held against. */
export const wantsAnything = (t: TargetPiece): boolean => Object.keys(t.scales).length > 0 || measuresIn(t).length > 0;

/** A measure so far off, as a part of what is wanted, is as far off as can be. Ours. */
const FAR_OFF = 0.5;

export interface ScoreRow {
  readonly what: ScaleId | MeasureId;
  /** In words, or in mm. */
  readonly wanted: string;
  /** Null: it was not judged. */
  readonly got: string | null;
  /** Below 0: less than wanted (paler, denser, lower); above: more. 0: met. Null: not judged. */
  readonly off: number | null;
  /** 0 to 100; null: not judged. */
  readonly score: number | null;
}

export interface Score {
  readonly rows: readonly ScoreRow[];
  /** The mean of what was judged, 0 to 100; null: nothing that is wanted was judged. */
  readonly pct: number | null;
  readonly judged: number;
}

/**
 * A step off costs a quarter of a scale; a measure loses evenly to nothing at half off what is wanted.
 * @returns a row for everything that is wanted, in the order of the scales; what is not wanted counts nothing
 */
export function scoreOf(target: TargetPiece, made: TargetPiece): Score {
  const scales = SCALES.flatMap((what): ScoreRow[] => {
    const [want, got] = [target.scales[what], made.scales[what]];
    if (want === undefined) return [];
    const word = (step: number): string => SCALE_WORDS[what][step - 1] ?? String(step);
    if (got === undefined) return [{ what, wanted: word(want), got: null, off: null, score: null }];
    return [
      {
        what,
        wanted: word(want),
        got: word(got),
        off: got - want,
        score: 100 * (1 - Math.abs(got - want) / (STEPS.length - 1)),
      },
    ];
  });
  const measures = TARGET_MEASURES.flatMap((what): ScoreRow[] => {
    const [want, got] = [target[what], made[what]];
    if (want === null) return [];
    const mm = (x: number): string => `${Math.round(x)} mm`;
    if (got === null) return [{ what, wanted: mm(want), got: null, off: null, score: null }];
    return [
      {
        what,
        wanted: mm(want),
        got: mm(got),
        off: got - want,
        score: 100 * Math.max(0, 1 - Math.abs(got - want) / (FAR_OFF * want)),
      },
    ];
  });
  const rows = [...scales, ...measures];
  const scored = rows.flatMap((r) => (r.score === null ? [] : [r.score]));
  return {
    rows,
    pct: scored.length > 0 ? scored.reduce((a, s) => a + s, 0) / scored.length : null,
    judged: scored.length,
  };
}

/** What leads nearer: a wish of the Bench where there is one, or what to do at the heat. */
interface Nearer {
  readonly what: ScoreRow['what'];
  /** "crumb close, wanted open" */
  readonly says: string;
  /** The Bench's wish that does it, by its id. */
  readonly move: string | null;
  /** What to do else; empty where a wish does it. */
  readonly tip: string;
}

type Way = { readonly move: string } | { readonly tip: string };
/** By what is off: there is less of it than is wanted, or more. */
const WAYS: Readonly<Record<ScoreRow['what'], { readonly less: Way; readonly more: Way }>> = {
  colour: { less: { tip: 'A hotter surface, or a quarter of a minute longer.' }, more: { move: 'less-sweet' } },
  face: {
    less: { tip: 'A little more fat on the surface, wiped thin.' },
    more: { tip: 'Wipe the fat off until the surface only shines; pour when it is evenly hot.' },
  },
  edge: { less: { move: 'crisp' }, more: { move: 'tender' } },
  crumb: { less: { move: 'taller' }, more: { move: 'thicker' } },
  taste: { less: { move: 'tang' }, more: { move: 'milder' } },
  spread: { less: { move: 'thinner' }, more: { move: 'thicker' } },
  heightMm: { less: { move: 'taller' }, more: { move: 'thinner' } },
  acrossMm: { less: { tip: 'A larger portion, poured in one go.' }, more: { tip: 'A smaller portion.' } },
};

/** A measure that is nearer than this, as a part of what is wanted, is met. Ours. */
const MET = 0.05;

/** What is off in a score and what leads nearer, the farthest off first. */
export const nearerFrom = (score: Score): readonly Nearer[] =>
  score.rows
    .filter((r) => r.off !== null && r.score !== null && r.score < 100 * (1 - MET / FAR_OFF))
    .sort((a, b) => (a.score ?? 0) - (b.score ?? 0))
    .map((r) => {
      const way = WAYS[r.what][(r.off ?? 0) < 0 ? 'less' : 'more'];
      const name = r.what in MEASURE_WORDS ? MEASURE_WORDS[r.what as MeasureId] : r.what;
      return {
        what: r.what,
        says: `${name} ${r.got}, wanted ${r.wanted}`,
        move: 'move' in way ? way.move : null,
        tip: 'tip' in way ? way.tip : '',
      };
    });

/** @param makings the newest first @returns the newest that was judged by what is wanted, and where all of them go */
export function heldAgainst(
  target: TargetPiece,
  makings: readonly TargetPiece[],
): { readonly score: Score | null; readonly course: Course | null } {
  const scored = makings.map((m) => scoreOf(target, m)).filter((s) => s.judged > 0);
  return { score: scored[0] ?? null, course: courseOf(scored.flatMap((s) => s.pct ?? []).reverse()) };
}

export type Course = 'nearer' | 'farther' | 'as near';
export const COURSE_WORDS: Readonly<Record<Course, string>> = {
  nearer: 'it comes nearer',
  farther: 'it goes farther away',
  'as near': 'it stays as near',
};
/** So many points are no difference: one step of one of several scales is more. Ours. */
const SAME_POINTS = 3;

/**
 * Whether makings come nearer, by the first and the last that were scored; null below two. @param scores in the order
 * of time
 */
export function courseOf(scores: readonly number[]): Course | null {
  const [first, last] = [scores[0], scores.at(-1)];
  if (scores.length < 2 || first === undefined || last === undefined) return null;
  return Math.abs(last - first) < SAME_POINTS ? 'as near' : last > first ? 'nearer' : 'farther';
}
