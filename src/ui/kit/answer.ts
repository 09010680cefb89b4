/** Asking the server: an answer, a refusal with its places, or that it does not answer, all as one kind of value. */
import type { Refusal } from '@/contract/action-result';

export type Refused = Refusal;

/**
 * What the server says; where it does not answer, a refusal that says so.
 * @param still what became of what the cook typed
 */
export async function answerOf<A extends { readonly ok: boolean }>(
  work: () => Promise<A>,
  still = 'What you typed is still here: save it when it is back.',
): Promise<A | Refused> {
  try {
    return await work();
  } catch {
    return { ok: false, kind: 'away', message: `Even Crumb does not answer just now. ${still}`, fields: {} };
  }
}
