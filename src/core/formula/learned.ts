/**
 * What this kitchen's own records have taught and its cook has agreed to use: by how much the models and the usual
 * numbers are off here. A kitchen that uses nothing has none.
 */
import { KIND_IDS, type KindId } from './kinds';

/**
 * What can be learned. `spread`: cubed width of a poured cake. `time`: both sides on the heat, of one kind. `height`: of
 * a cooked cake. `pours`: batter that a piece takes, of what its portion says.
 * `appetite`: pieces that a guest eats more than was planned; it adds, and is kept as e to that many.
 */
export type LessonId = 'spread' | 'height' | 'pours' | 'appetite' | `time:${KindId}`;

export const LESSON_IDS: readonly LessonId[] = [
  'spread',
  'height',
  'pours',
  'appetite',
  ...KIND_IDS.map((k) => `time:${k}` as const),
];

export interface Lesson {
  /** Here it is so many times what is foretold without it. */
  readonly factor: number;
  /** How far one batch lies from it, as a share: one standard deviation of the logarithm. */
  readonly sd: number;
  /** Batches that it was learned from. */
  readonly from: number;
}

export type Learned = Readonly<Partial<Record<LessonId, Lesson>>>;

/** By how much a number is off here; 1 where nothing was learned. */
export const factorOf = (l: Learned, id: LessonId): number => l[id]?.factor ?? 1;

/** Pieces for each guest, where nobody says how many: the usual ones and what guests here eat more or less, to a tenth. */
export const eachHere = (l: Learned | undefined, usual: number): number =>
  Math.max(0.5, Math.round(10 * (usual + Math.log(factorOf(l ?? {}, 'appetite')))) / 10);
