'use client';
import { useEffect } from 'react';
import { arrived, batchesWaiting, parcel } from './outbox';
import type { Tell } from './use-book';

const EVERY_MS = 5000;

/** On every page: what was told at the counter while the records were away goes in, whichever page is open when they are back. */
export function OutboxSender({ tell }: { readonly tell: Tell }) {
  useEffect(() => {
    let busy = false;
    const go = async (): Promise<void> => {
      if (busy) return;
      busy = true;
      for (const batchId of batchesWaiting()) {
        const items = parcel(batchId);
        // where it is refused or nobody answers, it is tried again, and the working screen says so
        const answer = items.length > 0 ? await tell({ batchId, items }).catch(() => null) : null;
        if (answer?.ok) arrived(batchId, items);
      }
      busy = false;
    };
    void go();
    const timer = setInterval(() => void go(), EVERY_MS);
    return () => clearInterval(timer);
  }, [tell]);
  return null;
}
