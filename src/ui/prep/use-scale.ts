'use client';
/** The scale on the counter, read as it streams; one that has stopped answering says so. */
import { useEffect, useState } from 'react';
import type { Reading, ScaleAct } from '@/core/prep/simulated-scale';
import { copyOf, keepCopy } from '../kit/browser-copy';

/** Without a reading for so long it is stalled. */
const STALLED_MS = 2000;
const NAME = 'practice-scale';

export interface Scale {
  readonly on: boolean;
  readonly turn: (on: boolean) => void;
  /** Null while there is none, or it is stalled. */
  readonly reading: Reading | null;
  readonly stalled: boolean;
  readonly act: (act: ScaleAct) => void;
}

export function useScale(): Scale {
  const [on, setOn] = useState(false);
  const [reading, setReading] = useState<Reading | null>(null);
  const [stalled, setStalled] = useState(false);
  useEffect(() => setOn(copyOf(NAME) === true), []);
  useEffect(() => {
    if (!on) {
      setReading(null);
      setStalled(false);
      return;
    }
    const stream = new EventSource('/api/scale');
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
  }, [on]);
  return {
    on,
    turn: (to) => {
      setOn(to);
      keepCopy(NAME, to ? true : null);
    },
    reading,
    stalled,
    act: (act) => {
      // a scale that does not answer shows itself as stalled
      void fetch('/api/scale', { method: 'POST', body: JSON.stringify(act) }).catch(() => setStalled(true));
    },
  };
}
