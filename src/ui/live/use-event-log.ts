'use client';
/**
 * The event log of a batch on a screen: what is told shows at once, is kept in this browser until the server has it,
 * and is sent in order, once; what other screens have told comes in a few seconds behind at most.
 */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Act, ActEntry } from '@/core/batch/acts';
import { type EventLog, type Told, withItems } from '@/core/day/event-log';
import {
  asideOf,
  isTold,
  itemOf,
  keepWaiting,
  letGo,
  markRefused,
  type Queued,
  sendsItself,
  tellings,
  toldNow,
  waiting,
} from '../kit/outbox';
import { sendWaiting } from '../kit/send';
import type { WaitingAct } from '../kit/store';
import { isFollowing, onChanged } from './changes';
import { kitchenNow, setKitchenClock } from './clock';

const FOLLOW_MS = 2000;
/** Where changes are told as they come it is asked once in so many times. */
const QUIET_TIMES = 10;
/** An answer that the browser has kept, and not the server's: when it was. */
const KEPT_AT = 'x-kept-at';

export interface OpenEventLog extends EventLog {
  readonly trouble: string | null;
  /** What the records refused of what this browser told: the rest has gone in. */
  readonly aside: readonly Queued[];
  /** Drops something that was set aside, or sends it once more. */
  readonly resolve: (s: Queued, again: boolean) => void;
  readonly tell: (t: Told) => void;
  /** Notes an act, now. */
  readonly enter: (act: Act) => ActEntry;
  /** Sends what is left to send. @returns whether the server has all of it */
  readonly settle: () => Promise<boolean>;
}

/**
 * @param first the event log as the page was drawn with it
 * @param onOther the sheet, the time line or what is wanted has been changed by another hand
 */
export function useEventLog(batchId: string, first: EventLog, onOther: () => void): OpenEventLog {
  const [server, setServer] = useState<EventLog>(first);
  const [queue, setQueue] = useState<readonly WaitingAct[]>([]);
  const [aside, setRefused] = useState<readonly Queued[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  // something waits: it is tried again soon
  const held = useRef(false);
  const sending = useRef<Promise<void> | null>(null);
  // what was told and is still on its way into the browser's store
  const keeping = useRef<Promise<void>>(Promise.resolve());
  const [tellingsNow] = useState(tellings);
  // counts what was sent: a log that was fetched before is older than what is shown
  const sent = useRef(0);
  const stamp = useRef<string | null>(null);
  const copied = useRef(false);
  const other = useRef(onOther);
  other.current = onOther;
  useEffect(() => sendsItself(batchId), [batchId]);

  /**
   * What is shown as waiting is what the store has, unless something was told since it was read: another look follows
   * that.
   */
  const look = useCallback(async (): Promise<void> => {
    const whole = tellingsNow.reading();
    const [left, refused] = await Promise.all([waiting(batchId), asideOf(batchId)]);
    if (whole()) setQueue(left.filter(isTold));
    const told = refused.filter(isTold);
    setRefused((was) => (was.length === 0 && told.length === 0 ? was : told));
  }, [batchId, tellingsNow]);

  const sendAll = useCallback((): Promise<void> => {
    sending.current ??= (async (): Promise<void> => {
      await keeping.current;
      const { kept, trouble: why } = await sendWaiting(batchId);
      if (kept.length > 0) {
        sent.current++;
        setServer((s) => withItems(s, kept.filter(isTold).map(itemOf)));
      }
      setTrouble(why);
      held.current = why !== null;
      await look();
    })().finally(() => {
      // after it was set, also where there was nothing to send
      sending.current = null;
    });
    return sending.current;
  }, [batchId, look]);

  useEffect(() => {
    const ask = async (): Promise<void> => {
      await sendAll();
      const before = sent.current;
      const whole = tellingsNow.reading();
      try {
        const asked = Date.now();
        const r = await fetch(`/api/batches/${batchId}/events`);
        if (!r.ok) return;
        if (r.headers.has(KEPT_AT)) {
          // the browser's own: a page that is a copy comes up to it once, with what waits told after it
          if (copied.current || !document.documentElement.dataset.keptAt || !whole()) return;
          copied.current = true;
          setServer((await r.json()) as EventLog);
          return;
        }
        const {
          stamp: now,
          now: clock,
          ...log
        } = (await r.json()) as EventLog & { readonly stamp: string; readonly now: number };
        setKitchenClock(clock, asked, Date.now());
        const left = await waiting(batchId);
        if (sent.current !== before || left.length > 0 || !whole()) return;
        setServer(log);
        if (stamp.current !== null && stamp.current !== now) other.current();
        stamp.current = now;
      } catch {
        // sending says that the server is away; following goes on when it is back
      }
    };
    let asking: Promise<void> | null = null;
    let again = false;
    const follow = (): void => {
      again = asking !== null;
      asking ??= ask().finally(() => {
        asking = null;
        if (again) follow();
      });
    };
    follow();
    let quiet = 0;
    const timer = setInterval(() => {
      // changes are told as they come: it is asked now and then all the same
      if (isFollowing() && !held.current && ++quiet < QUIET_TIMES) return;
      quiet = 0;
      follow();
    }, FOLLOW_MS);
    const off = onChanged((thing) => thing === `batch:${batchId}`, follow);
    return () => {
      off();
      clearInterval(timer);
    };
  }, [batchId, sendAll, tellingsNow]);

  const tell = (t: Told): void => {
    const w = toldNow(batchId, { ...t, id: crypto.randomUUID() });
    setQueue((q) => [...q, w]);
    tellingsNow.begin();
    keeping.current = keeping.current.then(() => keepWaiting(w).then(() => {})).finally(tellingsNow.end);
    // one that is on its way has not seen this: another follows it
    void (sending.current ?? Promise.resolve()).then(sendAll);
  };
  return {
    ...withItems(server, queue.map(itemOf)),
    trouble,
    aside,
    resolve: (s, again) => void (again ? markRefused(s, null) : letGo([s.seq])).then(sendAll),
    tell,
    enter: (act) => {
      const entry: ActEntry = { id: crypto.randomUUID(), at: kitchenNow(), act };
      tell({ do: 'enter', entry });
      return entry;
    },
    settle: async () => {
      await sendAll();
      return (await waiting(batchId)).length === 0;
    },
  };
}
