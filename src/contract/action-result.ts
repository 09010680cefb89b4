/** What an action answers: done, or a refusal with its place and what kind of refusal it is. */

/** Two people changed the same thing since this form was opened. */
interface EditClash {
  /** Which thing, as a path into what was sent: "price", "moved.rest", "gear:griddle-1". */
  readonly path: string;
  readonly theirs: unknown;
  readonly yours: unknown;
}

export interface Conflict {
  readonly revision: number;
  /** The whole of it as it is now kept, to go on from. */
  readonly theirs: unknown;
  readonly clashes: readonly EditClash[];
}

/**
 * `invalid` and `refused` will be refused again as they stand; `away` goes on by itself; `full`, `slow`, `unkeepable`
 * and
 * `fault` are told as they are; `conflict` brings both sides.
 */
type RefusalKind = 'invalid' | 'refused' | 'conflict' | 'away' | 'full' | 'slow' | 'unkeepable' | 'fault';

export interface Refusal {
  readonly ok: false;
  readonly kind: RefusalKind;
  readonly message: string;
  /** Field errors by dotted path. */
  readonly fields: Readonly<Record<string, string>>;
  readonly conflict?: Conflict;
}

export type ActionResult<T extends object = object> = ({ readonly ok: true } & T) | Refusal;

/** What a save of an editable row answers: its revision now, and what of it another screen had changed meanwhile. */
export interface Kept {
  readonly revision: number;
  /** Paths of what another screen had changed and is kept with it. */
  readonly merged: readonly string[];
}

export const refuse = (message: string, fields: Refusal['fields'] = {}, kind: RefusalKind = 'refused'): Refusal => ({
  ok: false,
  kind,
  message,
  fields,
});

/** A save that would undo what another has done meanwhile is not done; both sides are told. */
export const clashing = (conflict: Conflict): Refusal => ({
  ...refuse(
    'Another screen has changed the same thing since this was opened. Choose which stands, then save again.',
    {},
    'conflict',
  ),
  conflict,
});
