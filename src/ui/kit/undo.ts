/** The way back as an act: with the server away it waits in the outbox like any other, and what is refused is said. */
import type { ActionResult } from '@/contract/action-result';
import { answerTo, type SentAct } from './answer';
import { toast, toastUndo } from './toast';

const WAITS = 'Kept in this browser: it goes in by itself when the records are back';

/** Does an act that no form waits for. @returns the yes; null: it was refused, and that is said */
export async function doAct<T extends object>(
  act: SentAct<ActionResult<T>>,
): Promise<(T & { readonly ok: true }) | null> {
  const a = await answerTo(act, null, () => toast(WAITS));
  if (a.ok) return a;
  toast(a.message);
  return null;
}

/** Says what was done, with the way back. @param done when it is back */
export const toastUndoAct = <T extends object>(
  said: string,
  back: () => SentAct<ActionResult<T>>,
  done: (a: T & { readonly ok: true }) => void,
): void =>
  toastUndo(said, async () => {
    const a = await doAct(back());
    if (a) done(a);
  });
