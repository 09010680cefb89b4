/**
 * Asking the server: an answer, a refusal with its places, or that it does not answer, all as one kind of value. What
 * is an act waits in the outbox where nobody answers, and its form hears the answer when there is one.
 */

import type { Refusal } from '@/contract/action-result';
import type { ActName } from '@/contract/acts';
import { claimTab, thisTab } from './drafts';
import { later } from './later';
import type { ActIn } from './send';

export type Refused = Refusal;

/** What is done with a form, so that it can wait: its name, what it is of in a cook's words, and how it is sent. */
export interface SentAct<A> {
  readonly name: ActName;
  readonly words: string;
  readonly input: unknown;
  readonly blob?: Blob;
  /** The thing whose earlier acts go first, where it is no form of this page: a batch, whose ticks it stands on. */
  readonly of?: string;
  readonly run: () => Promise<A>;
}

/** The page that something is done on, by its title. */
export const pageName = (): string => document.title.split(' · ')[0] ?? '';

/** @param words what it is, as the list of what waits says it: "the price of flour" */
export const act = <A>(
  name: ActName,
  words: string,
  run: (input: unknown) => Promise<A>,
  input: unknown,
  of?: string,
): SentAct<A> => ({
  name,
  words,
  input,
  ...(of && { of }),
  run: () => run(input),
});

export const isAct = <A>(x: SentAct<A> | Promise<A>): x is SentAct<A> => 'run' in x;

const box = later(() => Promise.all([import('./outbox'), import('./send')]));
/** Told on the window when an act is in whose form had been closed, or drawn anew: what it was, and the answer. */
const ACT_IN = 'even-crumb-in';
export const tellIn = (a: ActIn): void => void window.dispatchEvent(new CustomEvent(ACT_IN, { detail: a }));

/** Hears that an act is in that was sent from a draft before this page was drawn. @returns what stops it */
export function whenIn(draft: string, hear: (a: ActIn) => void): () => void {
  const on = (e: Event): void => {
    const a = (e as CustomEvent<ActIn>).detail;
    if (a.draft === draft) hear(a);
  };
  window.addEventListener(ACT_IN, on);
  return () => window.removeEventListener(ACT_IN, on);
}

/** Told on the window when the outbox has another act, or one less. */
export const OUTBOX_CHANGED = 'even-crumb-outbox';

/** Nobody answers. @param still what became of what the cook typed */
const nobody = (still = 'What you typed is still here: save it when it is back.'): Refused => ({
  ok: false,
  kind: 'away',
  message: `Even Crumb does not answer just now. ${still}`,
  fields: {},
});

/**
 * What the server says; where it does not answer, a refusal that says so.
 * @param still what became of what the cook typed
 */
export async function answerOf<A extends { readonly ok: boolean }>(
  work: () => Promise<A>,
  still?: string,
): Promise<A | Refused> {
  try {
    return await work();
  } catch {
    return nobody(still);
  }
}

/** The records are out of reach, or nobody answers. */
const isAway = (a: object): boolean => 'kind' in a && a.kind === 'away';

/** A form that was refused before, and is in now, stands in the list no more. */
async function mended(of: string): Promise<void> {
  const [outbox] = (await box.load().catch(() => null)) ?? [];
  const refused = ((await outbox?.asideOf(of)) ?? []).filter((w) => w.tab === thisTab());
  if (!outbox || refused.length === 0) return;
  await outbox.letGo(refused.map((w) => w.seq));
  window.dispatchEvent(new Event(OUTBOX_CHANGED));
}

/**
 * What the server says to an act. Where it is away the act goes into the outbox and is sent by itself: `waits` is told,
 * and the answer comes when there is one, also after an hour.
 * @param draft the draft in this browser that goes with it
 * @param waits told that it waits, with what to call when its form closes
 */
export async function answerTo<A extends { readonly ok: boolean }>(
  a: SentAct<A>,
  draft: string | null,
  waits: (closes: () => void) => void,
): Promise<A | Refused> {
  const of = a.of ?? `${a.name} ${window.location.pathname}`;
  // one that waits already goes first
  const parts = await box.load().catch(() => null);
  const behind = ((await parts?.[0].waiting(of)) ?? []).length > 0;
  const now = behind ? nobody() : await answerOf(a.run);
  if (!isAway(now)) {
    if (now.ok) void mended(of);
    return now;
  }
  // the part that keeps it did not come with the page: the form keeps what was typed
  if (!parts) return nobody();
  const [outbox, sending] = parts;
  await claimTab();
  const seq = await outbox.keepWaiting(
    outbox.doneNow({
      name: a.name,
      of,
      tab: thisTab(),
      words: a.words,
      href: window.location.pathname + window.location.search,
      draft,
      input: a.input,
      blob: a.blob ?? null,
    }),
  );
  const answer = sending.heardOf(seq);
  void navigator.storage?.persist?.();
  window.dispatchEvent(new Event(OUTBOX_CHANGED));
  waits(() => sending.unheard(seq));
  return (await answer) as unknown as A | Refused;
}
