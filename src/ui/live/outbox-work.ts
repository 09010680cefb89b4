/** The outbox at work: it looks every few seconds, sends what waits, and tells what has gone in. */
import { OUTBOX_CHANGED, tellIn } from '../kit/answer';
import { everyAct, isTold, type Queued, thingsWaiting } from '../kit/outbox';
import { sendWaiting, wasHeard } from '../kit/send';
import { toast } from '../kit/toast';
import { actWords, madeAt } from './act-words';

const EVERY_MS = 5000;

/** The page that is open. */
interface OpenPage {
  readonly path: () => string;
  readonly refresh: () => void;
  readonly go: (to: string) => void;
}

/** @param looked hears of what waits, each time it was looked at */
export function sending(
  page: OpenPage,
  looked: (acts: readonly Queued[]) => void,
): { readonly now: () => Promise<void>; readonly stop: () => void } {
  let busy = false;
  const now = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    try {
      looked(await everyAct());
      for (const of of await thingsWaiting()) {
        const { kept } = await sendWaiting(of);
        const forms = kept.filter((w) => !isTold(w) && !wasHeard(w.seq));
        if (forms.length === 0) continue;
        looked(await everyAct());
        toast(`In the records now: ${[...new Set(forms.map(actWords))].join(', ')}`);
        for (const w of forms) tellIn(w);
        // on the page it was done on: what it made opens, or shows as it is now
        const mine = forms.filter((w) => w.href.split('?')[0] === page.path());
        const made = mine.map(madeAt).find((to) => to !== null);
        if (made) page.go(made);
        else if (mine.length > 0) page.refresh();
      }
      looked(await everyAct());
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
