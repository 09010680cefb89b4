'use client';
import { useCallback, useEffect, useLayoutEffect, useReducer, useState } from 'react';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { useLater } from '../kit/later';
import { type Desk, type DeskAction, deskReducer, deskWith, type Engine, engine } from './desk';
import { type BenchState, startBench } from './state';

export interface OnDesk {
  readonly state: BenchState;
  /** What works on it; null until it has been fetched. */
  readonly core: Engine | null;
  /** Nothing waits to be worked. */
  readonly settled: boolean;
  /** What stands on it is another formula than the one it was opened with, and can't be read yet. */
  readonly opening: boolean;
  readonly send: (a: DeskAction) => void;
  /** Asks for what works on it: a hand comes near. */
  readonly want: () => void;
}

/** @param first what the Bench begins with; `handed` what another Bench left for it */
export function useDesk(first: { readonly formula: Formula; readonly house: Kitchen }, handed: BenchState | null): OnDesk {
  const [desk, dispatch] = useReducer(deskReducer, first, (f): Desk => deskWith(handed ?? startBench(f)));
  const [wanted, setWanted] = useState(handed !== null);
  const core = useLater(engine, wanted);
  const want = useCallback((): void => setWanted(true), []);
  const send = useCallback((a: DeskAction): void => {
    setWanted(true);
    dispatch(a);
  }, []);
  // before it is seen: what waited is worked as soon as it can be
  useLayoutEffect(() => {
    if (core) dispatch({ do: 'settle' });
  }, [core]);
  const { house } = first;
  useEffect(() => {
    if (house !== desk.state.house) dispatch({ do: 'house', house });
  }, [house, desk.state.house]);
  const other = handed !== null || desk.waiting.some((a) => a.do === 'put' || a.do === 'load' || a.do === 'paste');
  return { state: desk.state, core, settled: desk.waiting.length === 0, opening: core === null && other, send, want };
}
