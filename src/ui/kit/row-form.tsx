'use client';
/**
 * The state of a form: what is typed outlives a reload, what the server refuses stands at its field, nothing is sent
 * twice at a time. Where the form is over a row of the records, another screen may change that row meanwhile.
 */
import { useEffect } from 'react';
import type { ActionResult, Kept, Refusal } from '@/contract/action-result';
import type { SentAct } from './answer';
import { type Asking, RefusalNotice, useAsking } from './asking';
import { useCopy } from './drafts';
import { Clashes, type Revised, type RevisedSeen, useRevised } from './revised';
import { toastUndoAct } from './undo';

type Errors = Readonly<Record<string, string>>;
type TextKey<T> = { [K in keyof T]: T[K] extends string ? K : never }[keyof T] & string;

export interface TypedForm<T>
  extends Pick<Asking, 'errors' | 'busy' | 'waits' | 'refusal' | 'ask' | 'found' | 'touched'> {
  readonly typed: T;
  /** Something was typed: what was refused is forgotten. */
  readonly set: (part: Partial<T>) => void;
  /** What a text field takes. @param at name of its errors, where it isn't the field's own */
  readonly text: (
    key: TextKey<T>,
    at?: string,
  ) => {
    readonly value: string;
    readonly error: string | undefined;
    readonly onChange: (e: { readonly target: { readonly value: string } }) => void;
  };
  /** What it stands over is another now. */
  readonly follow: (part: Partial<T>) => void;
  /** It was sent: the copy in the browser goes. */
  readonly sent: () => void;
}

/** @param name of the copy in the browser @param initial what stands in it when it is opened */
export function useTypedForm<T extends object>(name: string, initial: () => T): TypedForm<T> {
  const { value: typed, set: change, follow, drop: sent } = useCopy<T>(name, initial);
  const asking = useAsking(name);
  const set = (part: Partial<T>): void => {
    asking.touched();
    change(part);
  };
  return {
    ...asking,
    typed,
    set,
    follow,
    sent,
    text: (key, at = key) => ({
      value: typed[key] as string,
      error: asking.errors[at],
      onChange: (e) => set({ [key]: e.target.value } as unknown as Partial<T>),
    }),
  };
}

/** What goes with every save: of a row what was seen of it; of a new one the id of the press. */
interface Sent {
  readonly seen: RevisedSeen | null;
  readonly requestId: string | null;
}

export interface RowForm<T> extends TypedForm<T> {
  readonly revised: Revised;
  /**
   * Saves what is typed; a refusal or a clash is shown.
   * @param wrong errors that are found before anybody is asked, by field: with any, nobody is
   * @param leaves where a yes leads away: the form stays shut until it has
   * @returns the yes; null: it was not saved
   */
  readonly save: <A extends Partial<Kept>>(
    wrong: Errors,
    keep: (sent: Sent) => Promise<ActionResult<A>> | SentAct<ActionResult<A>>,
    leaves?: boolean,
  ) => Promise<(A & { readonly ok: true }) | null>;
}

/** The row a form is over, as it was opened, in the shape that it is saved in; null: there is none yet. */
interface RowBefore {
  readonly revision: number | undefined;
  readonly base: unknown;
}

/** What was in the records when the form was begun to be filled in: it outlives a reload with what is typed. */
interface Begun<T> {
  readonly begun: { readonly revision: number; readonly base: unknown };
  /** The fields as they stood before anybody typed: what still is so follows the row. */
  readonly shown: T;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

export function useRowForm<T extends object>(name: string, row: RowBefore | null, initial: () => T): RowForm<T> {
  const form = useTypedForm<T & Begun<T>>(name, () => ({
    ...initial(),
    begun: { revision: row?.revision ?? 1, base: row?.base ?? null },
    shown: initial(),
  }));
  const { begun, shown } = form.typed;
  // another hand has changed the row, here or while the draft lay: what nobody has typed follows, what is typed stays
  // biome-ignore lint/correctness/useExhaustiveDependencies: followed once for each revision, and for a draft of an older
  useEffect(() => {
    if (row?.revision === undefined || row.revision === begun.revision) return;
    const now = initial();
    const typed = form.typed as T;
    const own = (Object.keys(now) as (keyof T & string)[]).filter(
      (k) => !same(typed[k], shown[k]) && !same(typed[k], now[k]),
    );
    const rest = Object.fromEntries(Object.entries(now).filter(([k]) => !own.includes(k as keyof T & string)));
    // what is typed is against what was seen: the save finds what both have changed
    const anew = own.length === 0 ? { begun: { revision: row.revision, base: row.base } } : {};
    form.follow({ ...rest, shown: now, ...anew } as Partial<T & Begun<T>>);
  }, [row?.revision, begun.revision]);
  const revised = useRevised(begun.revision, begun.base);
  return {
    ...(form as unknown as TypedForm<T>),
    revised,
    save: async <A extends Partial<Kept>>(
      wrong: Errors,
      keep: (sent: Sent) => Promise<ActionResult<A>> | SentAct<ActionResult<A>>,
      leaves = false,
    ) => {
      if (form.found(wrong)) return null;
      type Answer = (A & { readonly ok: true }) | Refusal;
      const a = await form.ask<A & { readonly ok: true }>(
        (requestId) =>
          keep(row ? { seen: { ...revised.seen, ...begun }, requestId: null } : { seen: null, requestId }) as
            | Promise<Answer>
            | SentAct<Answer>,
        leaves,
      );
      revised.heard(a);
      if (!a?.ok) return null;
      form.sent();
      // what was sent is as good as read: where the records have it otherwise, the form follows them
      const sent = Object.fromEntries(Object.keys(initial()).map((k) => [k, form.typed[k as keyof T]]));
      form.follow({ shown: sent } as unknown as Partial<T & Begun<T>>);
      return a;
    },
  };
}

/** What was refused, or what two screens have changed to different things; above the form's buttons. */
export const RowNotices = ({ of }: { readonly of: Pick<RowForm<object>, 'revised' | 'refusal' | 'waits'> }) => (
  <>
    <Clashes of={of.revised} />
    <RefusalNotice text={of.revised.conflict ? null : of.refusal} waits={of.waits} />
  </>
);

/** Tells that a row is deleted, with a way to bring it back as a new one. */
export const toldDeleted = (
  words: string,
  again: () => SentAct<ActionResult<{ readonly id: string }>>,
  to: (id: string) => void,
): void => toastUndoAct(words, again, ({ id }) => to(id));
