'use client';
import { useRef, useState } from 'react';
import { answerOf, type Refused } from './answer';
import { Notice } from './notice';

export interface Asking {
  /** By field. */
  readonly errors: Readonly<Record<string, string>>;
  readonly refusal: string | null;
  readonly busy: boolean;
  /** Something was changed: what was refused is forgotten, and the next press is another one. */
  readonly touched: () => void;
  /** Errors that are found before anybody is asked; none lets it go on. @returns whether there are any */
  readonly found: (errors: Readonly<Record<string, string>>) => boolean;
  /**
   * Asks, one at a time. The same press of a button, however often it arrives, has one id.
   * @param leaves where a yes leads away: the form stays shut until it has
   * @returns the yes; or the no, already shown; null while another is under way
   */
  readonly ask: <A extends { readonly ok: true }>(
    work: (requestId: string) => Promise<A | Refused>,
    leaves?: boolean,
  ) => Promise<A | Refused | null>;
}

/** Asking the server: what it refuses and where, and that nothing is asked twice. */
export function useAsking(): Asking {
  const [errors, setErrors] = useState<Asking['errors']>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const under = useRef(false);
  const request = useRef<string | null>(null);
  const say = (fields: Asking['errors'], message: string | null): void => {
    setErrors(fields);
    setRefusal(message);
  };
  return {
    errors,
    refusal,
    busy,
    touched: () => {
      request.current = null;
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
      request.current ??= crypto.randomUUID();
      const id = request.current;
      const answer = await answerOf(() => work(id));
      if (!answer.ok) say(answer.fields, answer.message);
      else if (!leaves) request.current = null;
      if (!answer.ok || !leaves) {
        under.current = false;
        setBusy(false);
      }
      return answer;
    },
  };
}

/** What was refused, said aloud. */
export const RefusalNotice = ({ text }: { readonly text: string | null }) =>
  text === null ? null : (
    <Notice weight="stop" role="alert">
      {text}
    </Notice>
  );
