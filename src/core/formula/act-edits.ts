/**
 * What a formula changes of its making, act by act: how long, how hot, what is left out, what is done besides. Kept with
 * the formula and laid over the acts that kind, style and ways give (`core/script`), so that better acts reach it too.
 * An edit whose act is there no more is kept, and told.
 */

/** An act by its id: verb, object, and a number from the second of its kind on. */
type ActId = string;

export type ActEdit =
  /** Other numbers: minutes of the whole act, degrees Celsius. */
  | {
      readonly do: 'set';
      readonly act: ActId;
      readonly minutes?: number;
      readonly heatC?: number;
      readonly words?: string;
    }
  | { readonly do: 'leave'; readonly act: ActId; readonly words?: string }
  /** Something done besides, before another act: its id is what is done. Minutes, and of them with hands bound. */
  | {
      readonly do: 'own';
      readonly act: ActId;
      readonly before: ActId;
      readonly does: string;
      readonly minutes: number;
      readonly hands: number;
      readonly words?: string;
    };

export const MOST_EDITS = 40;
export const MOST_DOES_CHARS = 80;
/** Hours of one act: two days. */
export const MOST_ACT_MIN = 2 * 24 * 60;

/** The edits with one more: it takes the place of what was said of the same act in the same manner. */
export const withEdit = (edits: readonly ActEdit[], e: ActEdit): readonly ActEdit[] => [
  ...edits.filter((x) => x.act !== e.act || x.do !== e.do),
  e,
];

export const withoutEdits = (edits: readonly ActEdit[], act: ActId): readonly ActEdit[] =>
  edits.filter((e) => e.act !== act);

/** The id of an act of the cook's own. */
export const ownActId = (does: string): ActId => `do ${does}`;

/** Whether two edits come to the same, whosever word they are. */
export function sameEdit(a: ActEdit, b: ActEdit): boolean {
  if (a.act !== b.act || a.do !== b.do) return false;
  if (a.do === 'set' && b.do === 'set') return a.minutes === b.minutes && a.heatC === b.heatC;
  return true;
}
