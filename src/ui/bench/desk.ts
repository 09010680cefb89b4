/**
 * The Bench while what works on it (the reader, the pantry, the arithmetic) is fetched: that comes when it is first wanted.
 * Until it is here an act waits, in its turn; what is typed is seen at once.
 */
import type { Entry, Formula } from '@/core/formula/formula';
import { later } from '../kit/later';
import { type BenchAction, type BenchState, startBench } from './state';

/** All that works on a formula. */
export const engine = later(() => import('./engine'));
export type Engine = typeof import('./engine');

export interface Desk {
  /** As it is seen. */
  readonly state: BenchState;
  /** As it stood before the first act that waits. */
  readonly before: BenchState;
  readonly waiting: readonly BenchAction[];
}

/** Every act that waited can be worked now. */
export type DeskAction = BenchAction | { readonly do: 'settle' };

const NONE: readonly BenchAction[] = [];

export const deskWith = (state: BenchState): Desk => ({ state, before: state, waiting: NONE });

/** An act as far as it can be seen before it is worked. A line typed anew is not what was chosen for its old words. */
function seenOf(s: BenchState, a: BenchAction): BenchState {
  const f = s.formula;
  const seen = (formula: Formula): BenchState => ({ ...s, formula });
  switch (a.do) {
    case 'set':
      return seen({ ...f, ...a.part });
    case 'type':
      return seen({
        ...f,
        entries: f.entries.map((e): Entry => {
          if (e.key !== a.key) return e;
          const { stands: _, ingredientId: __, ...rest } = e;
          return { ...rest, text: a.text };
        }),
      });
    case 'put':
      return seen(a.formula);
    case 'load':
      return startBench({ formula: a.formula, house: s.house });
    case 'house':
      return { ...s, house: a.house };
    default:
      return s;
  }
}

export function deskReducer(d: Desk, a: DeskAction): Desk {
  const core = engine.here();
  if (!core) return a.do === 'settle' ? d : { state: seenOf(d.state, a), before: d.before, waiting: [...d.waiting, a] };
  const done = d.waiting.reduce(core.benchReducer, d.before);
  const state = a.do === 'settle' ? done : core.benchReducer(done, a);
  return state === d.state && d.waiting.length === 0 ? d : deskWith(state);
}
