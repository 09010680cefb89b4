'use client';
import { useEffect, useState } from 'react';
import { STORE_FULL } from '../kit/browser-copy';
import { Notice } from '../kit/notice';
import { batchesWaiting } from './outbox';
import { sendWaiting, type Tell } from './send';

const EVERY_MS = 5000;

/**
 * On every page: what was told at the counter while the records were away goes in, whichever page is open when they are back;
 * and where the browser has no room to keep what is typed, that is said.
 */
export function OutboxSender({ tell }: { readonly tell: Tell }) {
  const [full, setFull] = useState(false);
  useEffect(() => {
    let busy = false;
    const go = async (): Promise<void> => {
      if (busy) return;
      busy = true;
      // where nobody answers it is tried again, and the working screen says so
      for (const batchId of await batchesWaiting()) await sendWaiting(batchId, tell);
      busy = false;
    };
    void go();
    const timer = setInterval(() => void go(), EVERY_MS);
    const noRoom = (): void => setFull(true);
    window.addEventListener(STORE_FULL, noRoom);
    return () => {
      clearInterval(timer);
      window.removeEventListener(STORE_FULL, noRoom);
    };
  }, [tell]);
  return full ? (
    <div className="fixed inset-x-4 bottom-4 z-40 mx-auto max-w-2xl print:hidden">
      <Notice weight="stop" role="alert">
        This browser has no room left for what is not saved yet: what you type and tap now is kept only while this page is open. Save it, or make room in the
        browser’s own settings.
      </Notice>
    </div>
  ) : null;
}
