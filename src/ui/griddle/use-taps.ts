'use client';
/**
 * The taps of a batch: shown at once, kept in this browser until the server has them, sent in order, once; and what other
 * screens have tapped, a few seconds behind at most.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Tap } from '@/core/griddle/board';
import { copyOf, keepCopy } from '../kit/browser-copy';

export type Item = { readonly tap: Tap } | { readonly drop: string };
export type Send = (input: unknown) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;

const FOLLOW_MS = 2000;

const kept = (name: string): readonly Item[] => {
  const copy = copyOf(name);
  return Array.isArray(copy) ? (copy as readonly Item[]) : [];
};

/** What the server has, with what is still to be sent done to it, in order. */
export const applied = (server: readonly Tap[], queue: readonly Item[]): readonly Tap[] => {
  let taps = server;
  for (const i of queue) taps = 'tap' in i ? (taps.some((t) => t.id === i.tap.id) ? taps : [...taps, i.tap]) : taps.filter((t) => t.id !== i.drop);
  return taps;
};

export interface Taps {
  readonly taps: readonly Tap[];
  readonly trouble: string | null;
  readonly tap: (tap: Tap) => void;
  /** Takes a tap back. */
  readonly back: (id: string) => void;
}

export function useTaps(batchId: string, first: readonly Tap[], send: Send, drop: Send): Taps {
  const name = `taps:${batchId}`;
  const [server, setServer] = useState(first);
  const [queue, setQueue] = useState<readonly Item[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const busy = useRef(false);
  useEffect(() => setQueue(kept(name)), [name]);

  const sendAll = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      for (let next = kept(name)[0]; next; next = kept(name)[0]) {
        const item = next;
        const answer = await ('tap' in item ? send({ batchId, taps: [item.tap] }) : drop({ batchId, id: item.drop }));
        if (!answer.ok) {
          setTrouble(answer.message);
          return;
        }
        setServer((s) => applied(s, [item]));
        const rest = kept(name).slice(1);
        keepCopy(name, rest.length > 0 ? rest : null);
        setQueue(rest);
      }
      setTrouble(null);
    } catch {
      setTrouble('Even Crumb does not answer. Your taps are kept in this browser and go in when it is back.');
    } finally {
      busy.current = false;
    }
  }, [name, batchId, send, drop]);

  useEffect(() => {
    const follow = async (): Promise<void> => {
      await sendAll();
      try {
        const r = await fetch(`/api/batches/${batchId}/taps`);
        if (r.ok && kept(name).length === 0) setServer(((await r.json()) as { readonly taps: readonly Tap[] }).taps);
      } catch {
        // sending says that the server is away; following goes on when it is back
      }
    };
    const timer = setInterval(() => void follow(), FOLLOW_MS);
    return () => clearInterval(timer);
  }, [batchId, name, sendAll]);

  const put = (item: Item): void => {
    const next = [...kept(name), item];
    keepCopy(name, next);
    setQueue(next);
    void sendAll();
  };
  return { taps: applied(server, queue), trouble, tap: (tap) => put({ tap }), back: (id) => put({ drop: id }) };
}
