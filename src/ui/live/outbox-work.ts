/** The outbox at work: it looks every few seconds, sends what waits, and tells what has gone in. */
import { OUTBOX_CHANGED, tellIn } from '../kit/answer';
import { everyAct, isTold, type Queued, thingsWaiting } from '../kit/outbox';
import { sendWaiting, wasHeard } from '../kit/send';
import { toast } from '../kit/toast';
import { actWords, madeAt } from './act-words';
import { type LeftDraft, leftDrafts } from './left-drafts';

const EVERY_MS = 5000;

/** The page that is open. */
interface OpenPage {
  readonly path: () => string;
  readonly refresh: () => void;
  readonly go: (to: string) => void;
}

/** What this browser keeps that is not in the records: acts that wait, and what was typed and not sent. */
export interface NotIn {
  readonly acts: readonly Queued[];
  readonly drafts: readonly LeftDraft[];
}

async function notIn(): Promise<NotIn> {
  const acts = await everyAct();
  // what was sent from a draft stands for it until it is in
  const drafts = (await leftDrafts()).filter((d) => !acts.some((a) => a.draft === d.name && a.tab === d.tab));
  return { acts, drafts };
}

/** @param looked hears of what is not in the records, each time it was looked at */
export function sending(
  page: OpenPage,
  looked: (found: NotIn) => void,
): { readonly now: () => Promise<void>; readonly stop: () => void } {
  let busy = false;
  const now = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    try {
      looked(await notIn());
      for (const of of await thingsWaiting()) {
        const { kept } = await sendWaiting(of);
        const forms = kept.filter((w) => !isTold(w) && !wasHeard(w.seq));
        if (forms.length === 0) continue;
        looked(await notIn());
        toast(`In the records now: ${[...new Set(forms.map(actWords))].join(', ')}`);
        for (const w of forms) tellIn(w);
        // on the page it was done on: what it made opens, or shows as it is now
        const mine = forms.filter((w) => w.href.split('?')[0] === page.path());
        const made = mine.map(madeAt).find((to) => to !== null);
        if (made) page.go(made);
        else if (mine.length > 0) page.refresh();
      }
      looked(await notIn());
    } finally {
      busy = false;
    }
  };
  const go = (): void => void now();
  const timer = setInterval(go, EVERY_MS);
  window.addEventListener(OUTBOX_CHANGED, go);
  window.addEventListener('online', go);
  go();
  return {
    now,
    stop: () => {
      clearInterval(timer);
      window.removeEventListener(OUTBOX_CHANGED, go);
      window.removeEventListener('online', go);
    },
  };
}
