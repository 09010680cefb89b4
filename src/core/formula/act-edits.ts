/**
 * What a formula changes of its making: which way of a matter it takes, how long or how hot an act is, what is left out,
 * what is done besides. Kept with the formula and laid over the acts that kind, style and house give (`core/script`), so
 * that better acts reach it too. An edit whose act is there no more is kept, and told.
 */
import type { Ways } from './ways';

/** An act by its id: verb, object, and a number from the second of its kind on. */
type ActId = string;

interface Worded {
  /** The card's words, where it is the card's. */
  readonly words?: string | undefined;
}

export type ActEdit = Worded &
  (
    | { readonly do: 'way'; readonly act: keyof Ways; readonly value: string | number }
    /** Other numbers: minutes of the whole act, degrees Celsius. */
    | {
        readonly do: 'set';
        readonly act: ActId;
        readonly minutes?: number | undefined;
        readonly heatC?: number | undefined;
        /** What the heat is changed to once it has begun: "hot first, then low". */
        readonly thenC?: number | undefined;
        /** Of what is poured: pieces that are made at a time, at most. */
        readonly load?: number | undefined;
      }
    | { readonly do: 'leave'; readonly act: ActId }
    /** What no number says: "hot first, then low". */
    | { readonly do: 'note'; readonly act: ActId; readonly note: string }
    /** Something done besides, before another act: its id is what is done. Minutes, and of them with hands bound. */
    | {
        readonly do: 'own';
        readonly act: ActId;
        readonly before: ActId;
        readonly does: string;
        readonly minutes: number;
        readonly hands: number;
      }
  );
export type EditOf<D extends ActEdit['do']> = Extract<ActEdit, { readonly do: D }>;

export const MOST_EDITS = 60;
export const MOST_DOES_CHARS = 80;
export const MOST_ACT_NOTE_CHARS = 200;
/** Pieces at a time. */
export const MOST_LOAD = 60;
/** Minutes of one act: two days. */
export const MOST_ACT_MIN = 2 * 24 * 60;

/** The edits with one more: it takes the place of what was said of the same act in the same manner. */
export const withEdit = (edits: readonly ActEdit[], e: ActEdit): readonly ActEdit[] => [
  ...edits.filter((x) => x.act !== e.act || x.do !== e.do),
  e,
];

/** The edits without those of an act, or of a matter. */
export const withoutEdits = (edits: readonly ActEdit[], act: ActId): readonly ActEdit[] =>
  edits.filter((e) => e.act !== act);

/** The id of an act of the cook's own. */
export const ownActId = (does: string): ActId => `do ${does}`;

/** Whether two edits come to the same, whosever word they are. */
export function sameEdit(a: ActEdit, b: ActEdit): boolean {
  if (a.act !== b.act || a.do !== b.do) return false;
  if (a.do === 'set' && b.do === 'set')
    return a.minutes === b.minutes && a.heatC === b.heatC && a.thenC === b.thenC && a.load === b.load;
  return a.do !== 'way' || b.do !== 'way' || a.value === b.value;
}

const isWay = (e: ActEdit): e is EditOf<'way'> => e.do === 'way';

/**
 * Pieces that are made at a time by a formula's own word; null: as many as there is room for.
 * @param noted this kitchen's surfaces for it are noted: what a card says is of the pan of whoever wrote it
 */
export const mostAtOnce = (edits: readonly ActEdit[], noted: boolean): number | null =>
  edits.findLast((e): e is EditOf<'set'> => e.do === 'set' && e.load !== undefined && !(noted && e.words !== undefined))
    ?.load ?? null;

/** The ways a formula has of its own. */
export const waysIn = (edits: readonly ActEdit[]): Partial<Ways> =>
  Object.fromEntries(edits.filter(isWay).map((e) => [e.act, e.value]));

/** The same edits with another way of a matter. @param value undefined: as the house has it */
export const withWay = (
  edits: readonly ActEdit[],
  act: keyof Ways,
  value: string | number | undefined,
  words?: string,
): readonly ActEdit[] =>
  value === undefined
    ? withoutEdits(edits, act)
    : withEdit(edits, { do: 'way', act, value, ...(words !== undefined && { words }) });

/** Several ways, as edits. */
export const wayEdits = (ways: Partial<Ways>): readonly ActEdit[] =>
  Object.entries(ways).map(([act, value]) => ({ do: 'way', act: act as keyof Ways, value }));

/** A formula's settings as versions before 0.21.0 kept them: its ways stood apart, and nothing else was an edit. */
export function editsSince(kept: unknown): unknown {
  if (typeof kept !== 'object' || kept === null || !('ways' in kept)) return kept;
  const { ways, edits, ...rest } = kept as { readonly ways: Partial<Ways> | null; readonly edits?: unknown };
  return { ...rest, edits: [...wayEdits(ways ?? {}), ...(Array.isArray(edits) ? edits : [])] };
}
