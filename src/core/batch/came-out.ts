/**
 * What came out of a batch: marks, a tap each, and scales of five steps that are drawn, from "too little" over "as
 * wanted" to "too much".
 */
import { KIND_IDS, type KindId } from '../formula/kinds';

export const SCALES = ['colour', 'face', 'edge', 'crumb', 'taste', 'spread'] as const;
export type ScaleId = (typeof SCALES)[number];
export const STEPS = [1, 2, 3, 4, 5] as const;
export type Scales = Partial<Readonly<Record<ScaleId, number>>>;

/** Words of each step, the first to the fifth; the third is what most want. */
export const SCALE_WORDS: Readonly<Record<ScaleId, readonly [string, string, string, string, string]>> = {
  colour: ['pale', 'light', 'golden', 'deep brown', 'burnt'],
  face: ['bare', 'faint', 'even', 'spotted', 'patchy'],
  edge: ['ragged and wet', 'soft', 'dull and set', 'crisp', 'hard'],
  crumb: ['dense', 'tight', 'even', 'open', 'full of holes'],
  taste: ['flat', 'mild', 'balanced', 'strong', 'harsh'],
  spread: ['in a heap', 'narrow', 'as wanted', 'wide', 'run together'],
};

/** "colour golden, crumb close". */
export const scalesInWords = (s: Scales): readonly string[] =>
  SCALES.flatMap((id) => {
    const step = s[id];
    const word = step === undefined ? undefined : SCALE_WORDS[id][step - 1];
    return word ? [`${id} ${word}`] : [];
  });

interface MarkRow {
  readonly name: string;
  /** Left out: any kind. */
  readonly kinds?: readonly KindId[];
  /** Wanted, and no fault. */
  readonly good?: true;
  /** Only the end of a scale: not tapped by itself. */
  readonly scaleOnly?: true;
}

const TURNED: readonly KindId[] = ['griddle', 'small', 'foam', 'ball'];
const POURED_SIDE_BY_SIDE: readonly KindId[] = ['griddle', 'small', 'foam'];
/** A crepe and an oven pancake are meant to be wide. */
const KEEPS_ITS_PLACE: readonly KindId[] = ['griddle', 'small', 'foam', 'ball', 'waffle'];

const MARK_ROWS = {
  pale: { name: 'pale' },
  dark: { name: 'dark' },
  flat: { name: 'flat, dense' },
  tall: { name: 'tall', good: true },
  tender: { name: 'tender', good: true },
  tough: { name: 'tough' },
  gummy: { name: 'gummy middle' },
  dry: { name: 'dry' },
  greasy: { name: 'greasy' },
  stuck: { name: 'stuck' },
  tore: { name: 'torn', kinds: ['crepe', 'griddle', 'small', 'foam', 'waffle'] },
  soapy: { name: 'soapy, harsh' },
  raw: { name: 'dark outside, raw inside' },
  spotted: { name: 'spotted face', kinds: ['griddle', 'small', 'foam', 'ball'] },
  broke: { name: 'broke on the turn', kinds: TURNED },
  splashed: { name: 'splashed on the turn', kinds: POURED_SIDE_BY_SIDE },
  ran: { name: 'ran together, or over', kinds: KEEPS_ITS_PLACE },
  'wont-run': { name: 'would not run', kinds: ['crepe'] },
  soggy: { name: 'thick and soggy', kinds: ['crepe'] },
  limp: { name: 'limp', kinds: ['waffle'] },
  'no-puff': { name: 'did not puff', kinds: ['oven'] },
  'soggy-stack': { name: 'soggy in the stack', kinds: ['griddle', 'small', 'foam', 'crepe', 'waffle'] },
  'one-side': { name: 'one side paler' },
  uneven: { name: 'rose unevenly', kinds: ['griddle', 'small', 'foam', 'ball', 'waffle', 'oven'] },
  sank: { name: 'bits sank' },
  threads: { name: 'threads of egg' },
  green: { name: 'grey-green crumb', kinds: ['griddle', 'small', 'foam', 'ball', 'waffle'] },
  'first-poor': { name: 'only the first was poor', kinds: ['griddle', 'small', 'foam', 'ball', 'crepe', 'waffle'] },
  bare: { name: 'bare face', scaleOnly: true },
  patchy: { name: 'patchy face', scaleOnly: true },
  ragged: { name: 'ragged, wet edge', scaleOnly: true },
  hard: { name: 'hard edge', scaleOnly: true },
  holes: { name: 'full of holes', scaleOnly: true },
  bland: { name: 'flat taste', scaleOnly: true },
  heaped: { name: 'in a heap, would not spread', scaleOnly: true },
} as const satisfies Readonly<Record<string, MarkRow>>;

/** What was seen, a tap each, or the end of a scale. */
export type Mark = keyof typeof MARK_ROWS;
export const MARKS = Object.keys(MARK_ROWS) as readonly Mark[];

const rowOf = (m: Mark): MarkRow => MARK_ROWS[m];
/** @param m as it is kept; what an older log has and nobody knows any more is said as it stands */
export const markName = (m: string): string => (m in MARK_ROWS ? rowOf(m as Mark).name : m);
export const isFault = (m: Mark): boolean => !rowOf(m).good;
/** Whether a mark can be seen on a kind. */
export const occursOn = (m: Mark, kind: KindId): boolean => rowOf(m).kinds?.includes(kind) ?? KIND_IDS.includes(kind);
/** The marks that are offered for a kind. */
export const marksOf = (kind: KindId): readonly Mark[] => MARKS.filter((m) => !rowOf(m).scaleOnly && occursOn(m, kind));

/** The fault that a step of a scale is. A spotted face is wanted in a crepe. */
const FAULTS: Partial<Readonly<Record<ScaleId, Partial<Readonly<Record<number, Mark>>>>>> = {
  colour: { 1: 'pale', 5: 'dark' },
  face: { 1: 'bare', 4: 'spotted', 5: 'patchy' },
  edge: { 1: 'ragged', 5: 'hard' },
  crumb: { 1: 'flat', 5: 'holes' },
  taste: { 1: 'bland', 5: 'soapy' },
  spread: { 1: 'heaped', 5: 'ran' },
};

/** The marks of a kind that no drawn step says already. */
export const marksInWords = (kind: KindId): readonly Mark[] =>
  marksOf(kind).filter((m) => !SCALES.some((id) => STEPS.some((step) => FAULTS[id]?.[step] === m)));

/** What the scales say that is a fault of a kind. */
export const faultsIn = (s: Scales, kind: KindId): readonly Mark[] =>
  SCALES.flatMap((id) => {
    const step = s[id];
    const mark = step === undefined ? undefined : FAULTS[id]?.[step];
    return mark && occursOn(mark, kind) ? [mark] : [];
  });

/** What a test showed of a slip that may have happened, by the slip's id: it was so, or it was not. */
export type Tested = Readonly<Record<string, boolean>>;
