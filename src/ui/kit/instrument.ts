'use client';
/** An instrument on the counter, read as it streams; one that has stopped answering says so. */
import { useEffect, useMemo, useState } from 'react';
import { copyOf, keepCopy } from './browser-copy';

/** Without a reading for so long it is stalled. */
const STALLED_MS = 2000;

export interface Instrument<Reading, Act> {
  readonly on: boolean;
  readonly turn: (on: boolean) => void;
  /** Null while there is none, or it is stalled. */
  readonly reading: Reading | null;
  readonly stalled: boolean;
  readonly act: (act: Act) => void;
}

/** So long one touch may take before the next one goes, ms. */
const TOUCH_MS = 10_000;

/** Touches that reach an instrument in the order they were made: the next goes when the one before has arrived. */
export function touchesInOrder<Act>(
  send: (act: Act) => Promise<unknown>,
  failed: () => void,
): (act: Act) => Promise<void> {
  let before = Promise.resolve();
  return (act) => {
    before = before.then(() => send(act)).then(() => undefined, failed);
    return before;
  };
}

/**
 * @param path where it streams, and where it is touched
 * @param name under which the browser remembers whether it is used
 */
export function useInstrument<Reading, Act>(path: string, name: string): Instrument<Reading, Act> {
  const [on, setOn] = useState(false);
  const [reading, setReading] = useState<Reading | null>(null);
  const [stalled, setStalled] = useState(false);
  const touch = useMemo(
    () =>
      touchesInOrder<Act>(
        (act) => fetch(path, { method: 'POST', body: JSON.stringify(act), signal: AbortSignal.timeout(TOUCH_MS) }),
        // what does not answer shows itself as stalled
        () => setStalled(true),
      ),
    [path],
  );
  useEffect(() => setOn(copyOf(name) === true), [name]);
  useEffect(() => {
    if (!on) {
      setReading(null);
      setStalled(false);
      return;
    }
    const stream = new EventSource(path);
    let last = Date.now();
    stream.onmessage = (e) => {
      last = Date.now();
      setStalled(false);
      setReading(JSON.parse(String(e.data)) as Reading);
    };
    const watch = setInterval(() => {
      if (Date.now() - last < STALLED_MS) return;
      setStalled(true);
      setReading(null);
    }, 500);
    return () => {
      stream.close();
      clearInterval(watch);
    };
  }, [on, path]);
  return {
    on,
    turn: (to) => {
      setOn(to);
      keepCopy(name, to ? true : null);
    },
    reading,
    stalled,
    act: (act) => void touch(act),
  };
}
