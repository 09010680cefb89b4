'use client';
import { type Remote, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Chosen } from '@/core/balance/kitchen';
import type { AccountLine } from '@/core/batch/account';
import { kitchenLines, takenInKitchen } from '@/core/batch/kitchen';
import type { Taken } from '@/core/batch/scale';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { KitchenApi } from '@/workers/kitchen.worker';

export interface InKitchen {
  readonly taken: readonly (Taken | null)[];
  readonly drift: number;
  readonly plainDrift: number;
}

/** Until the hand that types has come to rest. */
const REST_MS = 150;

/**
 * A batch's lines in kitchen measures, worked in a worker; the newest question wins.
 * @param factor times the card; null: nothing is asked
 * @returns null while it is worked; `failed` where the worker can't be had
 */
export function useKitchen(lines: readonly AccountLine[], factor: number | null, house: Kitchen): InKitchen | 'failed' | null {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly value: InKitchen | 'failed' } | null>(null);
  const worker = useRef<{ readonly thread: Worker; readonly remote: Remote<KitchenApi> } | null>(null);
  useEffect(
    () => () => {
      worker.current?.thread.terminate();
      worker.current = null;
    },
    [],
  );
  const key = factor === null ? '' : `${factor} ${lines.map((l) => `${l.text} ${l.parts.map((p) => p.grams).join(' ')}`).join('\n')} ${house.drawer.join()}`;
  const asked = useRef({ lines, factor, house });
  asked.current = { lines, factor, house };
  useEffect(() => {
    if (key === '') return;
    let passed = false;
    const ask = async (): Promise<void> => {
      const { lines: at, factor: times, house: k } = asked.current;
      if (times === null) return;
      if (!worker.current) {
        const thread = new Worker(new URL('../../workers/kitchen.worker.ts', import.meta.url), { type: 'module' });
        worker.current = { thread, remote: wrap<KitchenApi>(thread) };
      }
      const { thread, remote } = worker.current;
      const broken = new Promise<never>((_, fail) => {
        thread.addEventListener('error', () => fail(new Error('the worker stopped')), { once: true });
      });
      let value: InKitchen | 'failed';
      try {
        const chosen: Chosen = await Promise.race([remote.choose(kitchenLines(at, times), k.conventions, k.drawer), broken]);
        value = { taken: takenInKitchen(at, times, chosen.takes, k.conventions, k.drawer), drift: chosen.drift, plainDrift: chosen.plainDrift };
      } catch {
        value = 'failed';
      }
      if (!passed) setAnswer({ key, value });
    };
    const later = setTimeout(() => void ask(), REST_MS);
    return () => {
      passed = true;
      clearTimeout(later);
    };
  }, [key]);
  return answer && answer.key === key ? answer.value : null;
}
