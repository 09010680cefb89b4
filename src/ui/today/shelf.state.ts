/** What is looked for on the shelf, and the address that says it. */
import type { Verdict } from '@/core/batch/batch';
import type { KindId } from '@/core/formula/kinds';
import type { Allergen } from '@/core/pantry/ingredient';

/** What is looked for, as the address has it; empty: anything. */
export interface ShelfAsked {
  readonly find: string;
  readonly kind: KindId | '';
  readonly flour: string;
  readonly liquid: string;
  readonly without: Allergen | '';
  readonly verdict: Verdict | 'none' | '';
  readonly use: boolean;
  /** Those that were archived. */
  readonly away: boolean;
}

export const NOTHING_ASKED: ShelfAsked = {
  find: '',
  kind: '',
  flour: '',
  liquid: '',
  without: '',
  verdict: '',
  use: false,
  away: false,
};
/** The address of what is asked. @param after where the page before ended */
export function shelfAddress(a: ShelfAsked, after: string | null = null): string {
  const q = new URLSearchParams(
    Object.entries({
      ...a,
      find: a.find.trim(),
      use: a.use ? 'up' : '',
      away: a.away ? 'yes' : '',
      after: after ?? '',
    }).filter(([, v]) => v !== ''),
  );
  return q.size > 0 ? `/?${q}` : '/';
}
