import type { Entry } from '@/core/formula/formula';
import type { LineAsking } from './line-dialogs';
import type { BenchAction } from './state';

/** What a line of the sheet can ask of the Bench. Stable from one render to the next. */
export interface LineTools {
  readonly send: (a: BenchAction) => void;
  readonly choose: (key: string, choice: Partial<Omit<Entry, 'key' | 'text'>>) => void;
  /** Opens what is asked about a line. */
  readonly ask: (what: LineAsking['what'], key: string) => void;
}
