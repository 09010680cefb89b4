/**
 * What the Bench holds while a formula is worked on: the formula as it stands, the end that is looked at, and the way
 * back.
 */
import type { Vessel } from '@/core/card/parts';
import type { EndId, Entry, Formula, GroupRole } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { PastedCard } from '@/core/formula/pasted';

export interface BenchState {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly end: EndId | null;
  readonly past: readonly Formula[];
  readonly future: readonly Formula[];
  /** Typing on in the same place is one step back, not one a letter. */
  readonly place: string | null;
}

export type BenchAction =
  /** The proposed amounts are right, all of them. */
  | { readonly do: 'told' }
  | { readonly do: 'set'; readonly part: Partial<Omit<Formula, 'entries'>>; readonly place: string | null }
  | { readonly do: 'type'; readonly key: string; readonly text: string }
  | { readonly do: 'choose'; readonly key: string; readonly choice: Partial<Omit<Entry, 'key' | 'text'>> }
  | { readonly do: 'grams'; readonly key: string; readonly grams: number }
  | { readonly do: 'percent'; readonly key: string; readonly percent: number }
  | { readonly do: 'switch'; readonly key: string; readonly off: boolean }
  | { readonly do: 'move'; readonly key: string; readonly vessel: Vessel; readonly before: string | null }
  /** A typed line, and what it says read as a card. */
  | { readonly do: 'add'; readonly text: string; readonly card: PastedCard | null }
  | { readonly do: 'take-off'; readonly key: string }
  | { readonly do: 'paste'; readonly card: PastedCard }
  /** One line that says several things, as so many lines. */
  | { readonly do: 'part'; readonly key: string; readonly rows: readonly string[] }
  /** Where the lines under one heading go. */
  | { readonly do: 'place'; readonly group: string; readonly role: GroupRole }
  /** What a tool of the Bench made of the formula. */
  | { readonly do: 'put'; readonly formula: Formula }
  /** Yolks on one line, whites on another. */
  | { readonly do: 'apart'; readonly key: string }
  /** Which finish a line is of; null: both, `differ`: another amount in each. */
  | { readonly do: 'end'; readonly key: string; readonly to: EndId | null | 'differ' }
  | { readonly do: 'fork'; readonly names: readonly [string, string]; readonly schools: readonly [string, string] }
  | { readonly do: 'keep-only'; readonly end: EndId }
  | { readonly do: 'look-at'; readonly end: EndId }
  | { readonly do: 'load'; readonly formula: Formula }
  /** The house changed: a measure was remembered. */
  | { readonly do: 'house'; readonly house: Kitchen }
  | { readonly do: 'undo' }
  | { readonly do: 'redo' };

export const startBench = ({ formula, house }: { readonly formula: Formula; readonly house: Kitchen }): BenchState => ({
  formula,
  house,
  end: formula.ends?.[0].id ?? null,
  past: [],
  future: [],
  place: null,
});
