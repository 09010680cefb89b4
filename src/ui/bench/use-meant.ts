import { useEffect, useRef, useState } from 'react';
import type { Bench } from '@/core/balance/bench';
import type { Meant } from '@/core/balance/meant';
import { type Asker, startMeant } from './solver';

const NONE: Meant = { settled: null, slips: [] };
/** ms that a hand pauses before what is meant is looked for. */
const PAUSE_MS = 250;

/**
 * What the lines on the bench may have been meant to say; nothing while it is looked for.
 * @param loud something is found that is more than a note
 */
export function useMeant(bench: Bench, loud: boolean): Meant {
  const [found, setFound] = useState<{ readonly bench: Bench; readonly meant: Meant } | null>(null);
  const asker = useRef<Asker<Bench, Meant> | null>(null);
  useEffect(
    () => () => {
      asker.current?.end();
      asker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (!loud) return;
    const later = setTimeout(() => {
      asker.current ??= startMeant();
      void asker.current.ask(bench).then((meant) => meant && setFound({ bench, meant }));
    }, PAUSE_MS);
    return () => clearTimeout(later);
  }, [bench, loud]);
  return loud && found?.bench === bench ? found.meant : NONE;
}
