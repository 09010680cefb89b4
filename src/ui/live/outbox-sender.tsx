'use client';
/** The outbox on every page: it sends what waits, and the page's band says how much that is. */
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { STORE_FULL } from '../kit/browser-copy';
import { later, useLater, whenHere } from '../kit/later';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import type { NotIn } from './outbox-work';

/** Looking whether something waits keeps no page from being there: it comes after it. */
const FIRST_MS = 2000;
const line = later(() => import('./outbox-line'));
const work = later(() => import('./outbox-work'));

/** What is not in the records, as it was looked at last: the page's band shows it, wherever it is drawn. */
const NOTHING: NotIn = { acts: [], drafts: [] };
let known = NOTHING;
const isNothing = ({ acts, drafts }: NotIn): boolean => acts.length + drafts.length === 0;
let sendNow: () => Promise<void> = async () => {};
const shown = new Set<() => void>();
const lookedAt = (found: NotIn): void => {
  if (isNothing(found) && isNothing(known)) return;
  known = found;
  for (const draw of shown) draw();
};
const follow = (draw: () => void): (() => void) => {
  shown.add(draw);
  return () => void shown.delete(draw);
};

/** In the band of every page: how much is not in the records yet. Its script comes with the first that waits. */
export function OutboxMark() {
  const path = usePathname();
  const { acts, drafts } = useSyncExternalStore(
    follow,
    () => known,
    () => NOTHING,
  );
  // what is being typed here is in front of the cook
  const left = drafts.filter((d) => d.href.split('?')[0] !== path);
  // drawn from the first that waited on, so that its list can say that all of it is in
  const [drawn, setDrawn] = useState(false);
  if (acts.length + left.length > 0 && !drawn) setDrawn(true);
  const part = useLater(line, drawn);
  return part ? <part.OutboxLine acts={acts} drafts={left} onDone={() => sendNow()} /> : null;
}

/**
 * On every page: what waits in the outbox goes in, whichever page is open when the records are back; and where the
 * browser has no room to keep what is typed, that is said.
 */
export function OutboxSender() {
  const router = useRouter();
  const refresh = useRefresh();
  const path = usePathname();
  const [full, setFull] = useState(false);
  const here = useRef(path);
  here.current = path;
  useEffect(() => {
    let stop = (): void => {};
    const page = { path: () => here.current, refresh: refresh, go: (to: string) => router.replace(to) };
    const first = setTimeout(() => {
      stop = whenHere(work, ({ sending }) => {
        const s = sending(page, lookedAt);
        sendNow = s.now;
        stop = s.stop;
      });
      // here before anything waits: it can't be fetched with the server away
      void line.load().catch(() => {});
    }, FIRST_MS);
    const noRoom = (): void => setFull(true);
    window.addEventListener(STORE_FULL, noRoom);
    return () => {
      clearTimeout(first);
      stop();
      window.removeEventListener(STORE_FULL, noRoom);
    };
  }, [router, refresh]);
  return full ? (
    <div className="fixed inset-x-4 bottom-4 z-40 mx-auto max-w-2xl print:hidden">
      <Notice weight="stop" role="alert">
        This browser has no room left for what is not saved yet: what you type and tap now is kept only while this page
        is open. Save it, or make room in the browser’s own settings.
      </Notice>
    </div>
  ) : null;
}
