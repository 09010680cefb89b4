'use client';
import { useEffect, useRef, useState } from 'react';
import { answerOf, answerTo, isAct, type Refused, type SentAct } from './answer';
import { pressOf, pressOver } from './drafts';
import { Notice, WaitsNotice } from './notice';

export interface Asking {
  /** By field. */
  readonly errors: Readonly<Record<string, string>>;
  readonly refusal: string | null;
  readonly busy: boolean;
  /** What was sent waits in the outbox: the server is away. */
  readonly waits: boolean;
  /** Something was changed: what was refused is forgotten, and the next press is another one. */
  readonly touched: () => void;
  /** Errors that are found before anybody is asked; none lets it go on. @returns whether there are any */
  readonly found: (errors: Readonly<Record<string, string>>) => boolean;
  /**
   * Asks, one at a time. The same press of a button, however often it arrives, has one id. An act whose server is away
   * waits in the outbox; the form is open meanwhile, and hears the answer when there is one.
   * @param leaves where a yes leads away: the form stays shut until it has
   * @returns the yes; or the no, already shown; null while another is under way
   */
  readonly ask: <A extends { readonly ok: true }>(
    work: (requestId: string) => Promise<A | Refused> | SentAct<A | Refused>,
    leaves?: boolean,
  ) => Promise<A | Refused | null>;
}

/**
 * Asking the server: what it refuses and where, and that nothing is asked twice.
 * @param draft the draft in this browser that acts are sent from
 */
export function useAsking(draft: string | null = null): Asking {
  const [errors, setErrors] = useState<Asking['errors']>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [waits, setWaits] = useState(false);
  const under = useRef(false);
  const request = useRef<string | null>(null);
  const closes = useRef<() => void>(() => {});
  const over = (): void => (draft === null ? undefined : pressOver(draft));
  useEffect(() => () => closes.current(), []);
  const say = (fields: Asking['errors'], message: string | null): void => {
    setErrors(fields);
    setRefusal(message);
  };
  return {
    errors,
    refusal,
    busy,
    waits,
    touched: () => {
      request.current = null;
      over();
      say({}, null);
    },
    found: (fields) => {
      say(fields, null);
      return Object.keys(fields).length > 0;
    },
    ask: async (work, leaves = false) => {
      if (under.current) return null;
      under.current = true;
      setBusy(true);
      setRefusal(null);
      request.current ??= draft === null ? crypto.randomUUID() : pressOf(draft);
      const id = request.current;
      const doing = work(id);
      const opened = (close: () => void): void => {
        closes.current = close;
        under.current = false;
        setBusy(false);
        setWaits(true);
      };
      const answer = await (isAct(doing) ? answerTo(doing, draft, opened) : answerOf(() => doing));
      setWaits(false);
      if (!answer.ok) say(answer.fields, answer.message);
      else over();
      if (answer.ok && !leaves) request.current = null;
      if (!answer.ok || !leaves) {
        under.current = false;
        setBusy(false);
      }
      return answer;
    },
  };
}

/** Errors of an act that is signed with who and why. */
export const unsigned = (who: string, why: string): Readonly<Record<string, string>> => ({
  ...(who.trim() === '' && { who: 'Write who.' }),
  ...(why.trim() === '' && { why: 'Write why.' }),
});

/** What was refused, said aloud; or that it waits. */
export const RefusalNotice = ({ text, waits = false }: { readonly text: string | null; readonly waits?: boolean }) =>
  waits ? (
    <WaitsNotice />
  ) : text === null ? null : (
    <Notice weight="stop" role="alert">
      {text}
    </Notice>
  );
