'use client';
import { useEffect, useState } from 'react';
import { STORE_FULL } from '../kit/browser-copy';
import { later } from '../kit/later';
import { Notice } from '../kit/notice';
import type { Tell } from './send';

const EVERY_MS = 5000;
/** Looking whether something waits keeps no page from being there: it comes after it. */
const FIRST_MS = 2000;
const sending = later(() => Promise.all([import('./outbox'), import('./send')]));

/**
 * On every page: what was told at the counter while the records were away goes in, whichever page is open when they are
 * back; and where the browser has no room to keep what is typed, that is said.
 */
export function OutboxSender({ tell }: { readonly tell: Tell }) {
  const [full, setFull] = useState(false);
  useEffect(() => {
    let busy = false;
    const go = async (): Promise<void> => {
      if (busy) return;
      busy = true;
      // its script did not come: the line is down, and it is tried again
      const parts = await sending.load().catch(() => null);
      // where nobody answers it is tried again, and the working screen says so
      if (parts) for (const batchId of await parts[0].batchesWaiting()) await parts[1].sendWaiting(batchId, tell);
      busy = false;
    };
    const first = setTimeout(() => void go(), FIRST_MS);
    const timer = setInterval(() => void go(), EVERY_MS);
    const noRoom = (): void => setFull(true);
    window.addEventListener(STORE_FULL, noRoom);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
      window.removeEventListener(STORE_FULL, noRoom);
    };
  }, [tell]);
  return full ? (
    <div className="fixed inset-x-4 bottom-4 z-40 mx-auto max-w-2xl print:hidden">
      <Notice weight="stop" role="alert">
        This browser has no room left for what is not saved yet: what you type and tap now is kept only while this page
        is open. Save it, or make room in the browser’s own settings.
      </Notice>
    </div>
  ) : null;
}
