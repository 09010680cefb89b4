'use client';
/**
 * What is ticked and weighed of a batch. It shows at once and is kept in this browser until the server has it, so that a
 * reload or an absent server loses none; it is sent in order, once.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Batch } from '@/core/batch/batch';
import { keepPending, type Pending, readPending } from '../batch/pending';

export type TickAnswer = { readonly ok: true } | { readonly ok: false; readonly message: string };
export type Send = (input: unknown) => Promise<TickAnswer>;

const RETRY_MS = 4000;

export interface Done {
  readonly ticked: ReadonlySet<string>;
  readonly weights: Readonly<Record<string, number>>;
  readonly trouble: string | null;
  /** Ticks, unticks, or writes what was weighed. */
  readonly put: (key: string, to: boolean | number) => void;
  /** Sends what is left to send. @returns whether the server has all of it */
  readonly settle: () => Promise<boolean>;
}

export function useDone(batch: Batch, tick: Send, weigh: Send): Done {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(() => new Set(batch.ticked));
  const [weights, setWeights] = useState(batch.weights);
  const [pending, setPending] = useState<Pending>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const sending = useRef<Promise<void> | null>(null);

  const show = useCallback((change: Pending): void => {
    setTicked((old) => {
      const next = new Set(old);
      for (const [key, to] of Object.entries(change)) {
        if (to === false) next.delete(key);
        else next.add(key);
      }
      return next;
    });
    setWeights((old) => {
      const next = { ...old };
      for (const [key, to] of Object.entries(change)) {
        if (typeof to === 'number') next[key] = to;
        else delete next[key];
      }
      return next;
    });
  }, []);

  useEffect(() => {
    const kept = readPending(batch.id);
    setPending(kept);
    show(kept);
  }, [batch.id, show]);

  const sendAll = useCallback(async () => {
    if (sending.current) return sending.current;
    const work = (async (): Promise<void> => {
      try {
        for (let left = Object.entries(readPending(batch.id)); left[0]; left = Object.entries(readPending(batch.id))) {
          const [lineKey, to] = left[0];
          const answer = await (typeof to === 'number' ? weigh({ batchId: batch.id, lineKey, grams: to }) : tick({ batchId: batch.id, lineKey, ticked: to }));
          if (!answer.ok) {
            setTrouble(answer.message);
            return;
          }
          const { [lineKey]: still, ...rest } = readPending(batch.id);
          // changed again meanwhile: that one still has to go
          const next = still === to ? rest : { ...rest, ...(still === undefined ? {} : { [lineKey]: still }) };
          keepPending(batch.id, next);
          setPending(next);
        }
        setTrouble(null);
      } catch {
        setTrouble('Even Crumb does not answer. Your ticks are kept in this browser and go in when it is back.');
      }
    })();
    sending.current = work;
    await work;
    sending.current = null;
  }, [batch.id, tick, weigh]);

  useEffect(() => {
    if (Object.keys(pending).length === 0) return;
    void sendAll();
    const again = setInterval(() => void sendAll(), RETRY_MS);
    return () => clearInterval(again);
  }, [pending, sendAll]);

  return {
    ticked,
    weights,
    trouble,
    put: (key, to) => {
      show({ [key]: to });
      const next = { ...readPending(batch.id), [key]: to };
      keepPending(batch.id, next);
      setPending(next);
    },
    settle: async () => {
      await sendAll();
      return Object.keys(readPending(batch.id)).length === 0;
    },
  };
}
