'use client';
/**
 * The book of a batch on a screen: what is told shows at once, is kept in this browser until the server has it, and is sent
 * in order, once; what other screens have told comes in a few seconds behind at most.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Act, Entry } from '@/core/batch/acts';
import { type Book, type Item, type Told, withItems } from '@/core/day/book';
import { arrived, keepWaiting, parcel, sendsItself, waiting } from './outbox';

export type Tell = (input: unknown) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;

const FOLLOW_MS = 2000;
const GONE = 'Even Crumb does not answer. What you did is kept in this browser and goes in when it is back.';

export interface OpenBook extends Book {
  readonly trouble: string | null;
  readonly tell: (t: Told) => void;
  /** Notes an act, now. */
  readonly enter: (act: Act) => Entry;
  /** Sends what is left to send. @returns whether the server has all of it */
  readonly settle: () => Promise<boolean>;
}

/**
 * @param first the book as the page was drawn with it
 * @param onOther the sheet, the time line or what is wanted has been changed by another hand
 */
export function useBook(batchId: string, first: Book, send: Tell, onOther: () => void): OpenBook {
  const [server, setServer] = useState<Book>(first);
  const [queue, setQueue] = useState<readonly Item[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const sending = useRef<Promise<void> | null>(null);
  // counts what was sent: a book that was fetched before is older than what is shown
  const sent = useRef(0);
  const stamp = useRef<string | null>(null);
  const other = useRef(onOther);
  other.current = onOther;
  useEffect(() => {
    setQueue(waiting(batchId));
    return sendsItself(batchId);
  }, [batchId]);

  const sendAll = useCallback((): Promise<void> => {
    sending.current ??= (async (): Promise<void> => {
      try {
        for (let items = parcel(batchId); items.length > 0; items = parcel(batchId)) {
          const now = items;
          const answer = await send({ batchId, items: now });
          if (!answer.ok) {
            setTrouble(answer.message);
            return;
          }
          sent.current++;
          setServer((s) => withItems(s, now));
          setQueue(arrived(batchId, now));
        }
        setTrouble(null);
      } catch {
        setTrouble(GONE);
      }
    })().finally(() => {
      // after it was set, also where there was nothing to send
      sending.current = null;
    });
    return sending.current;
  }, [batchId, send]);

  useEffect(() => {
    const follow = async (): Promise<void> => {
      await sendAll();
      // another page of this browser may have sent some of it
      setQueue((q) => (q.length === waiting(batchId).length ? q : waiting(batchId)));
      const before = sent.current;
      try {
        const r = await fetch(`/api/batches/${batchId}/book`);
        if (!r.ok || waiting(batchId).length > 0 || sent.current !== before) return;
        const { stamp: now, ...book } = (await r.json()) as Book & { readonly stamp: string };
        setServer(book);
        if (stamp.current !== null && stamp.current !== now) other.current();
        stamp.current = now;
      } catch {
        // sending says that the server is away; following goes on when it is back
      }
    };
    void follow();
    const timer = setInterval(() => void follow(), FOLLOW_MS);
    return () => clearInterval(timer);
  }, [batchId, sendAll]);

  const tell = (t: Told): void => {
    const next = [...waiting(batchId), { ...t, id: crypto.randomUUID() }];
    keepWaiting(batchId, next);
    setQueue(next);
    void sendAll();
  };
  return {
    ...withItems(server, queue),
    trouble,
    tell,
    enter: (act) => {
      const entry: Entry = { id: crypto.randomUUID(), at: Date.now(), act };
      tell({ do: 'enter', entry });
      return entry;
    },
    settle: async () => {
      await sendAll();
      return waiting(batchId).length === 0;
    },
  };
}
