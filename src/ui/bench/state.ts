/** What the Bench holds while a formula is worked on: the formula as it stands, and the way back. */

import { readLine } from '@/core/card/line';
import { type Entry, entriesFromCard, type Formula, nextKey } from '@/core/formula/formula';
import { kindById, kindFromWords } from '@/core/formula/kinds';

export interface BenchState {
  readonly formula: Formula;
  readonly past: readonly Formula[];
  readonly future: readonly Formula[];
  /** Typing on in the same place is one step back, not one a letter. */
  readonly place: string | null;
}

export type BenchAction =
  | { readonly do: 'set'; readonly part: Partial<Omit<Formula, 'entries'>>; readonly place: string | null }
  | { readonly do: 'type'; readonly key: string; readonly text: string }
  | { readonly do: 'choose'; readonly key: string; readonly choice: Partial<Omit<Entry, 'key' | 'text'>> }
  | { readonly do: 'add'; readonly text: string }
  | { readonly do: 'take-off'; readonly key: string }
  | { readonly do: 'paste'; readonly text: string }
  | { readonly do: 'load'; readonly formula: Formula }
  | { readonly do: 'undo' }
  | { readonly do: 'redo' };

const MOST_STEPS = 200;

export const startBench = (formula: Formula): BenchState => ({ formula, past: [], future: [], place: null });

function step(s: BenchState, formula: Formula, place: string | null): BenchState {
  const same = place !== null && place === s.place;
  return { formula, past: same ? s.past : [...s.past, s.formula].slice(-MOST_STEPS), future: [], place };
}

const withEntries = (f: Formula, entries: readonly Entry[]): Formula => ({ ...f, entries });

/** A line typed anew: what was chosen for the old words is dropped where the new ones speak for themselves. */
function retype(e: Entry, text: string, f: Formula): Entry {
  const { stands: _, ingredientId, ...rest } = e;
  const alone = readLine(text, f.conventions);
  return alone.ingredient || ingredientId === undefined ? { ...rest, text } : { ...rest, ingredientId, text };
}

export function benchReducer(s: BenchState, a: BenchAction): BenchState {
  const f = s.formula;
  switch (a.do) {
    case 'set':
      return step(s, { ...f, ...a.part }, a.place);
    case 'type':
      return step(
        s,
        withEntries(
          f,
          f.entries.map((e) => (e.key === a.key ? retype(e, a.text, f) : e)),
        ),
        `line ${a.key}`,
      );
    case 'choose':
      return step(
        s,
        withEntries(
          f,
          f.entries.map((e) => (e.key === a.key ? { ...e, ...a.choice } : e)),
        ),
        null,
      );
    case 'add':
      return step(s, withEntries(f, [...f.entries, { key: nextKey(f.entries), text: a.text }]), null);
    case 'take-off':
      return step(
        s,
        withEntries(
          f,
          f.entries.filter((e) => e.key !== a.key),
        ),
        null,
      );
    case 'paste': {
      const card = entriesFromCard(a.text, f.conventions, f.entries);
      if (!card.ok) return s;
      const { title, entries, notes } = card.value;
      const name = f.name.trim() === '' && title ? title.slice(0, 120) : f.name;
      const kind = f.entries.length === 0 ? (kindFromWords(`${title ?? ''}`) ?? f.kind) : f.kind;
      const school = kind === f.kind ? f.school : kindById(kind).schools[0].id;
      return step(s, { ...f, name, kind, school, entries: [...f.entries, ...entries], cardNotes: [f.cardNotes, notes].filter(Boolean).join('\n') }, null);
    }
    case 'load':
      return startBench(a.formula);
    case 'undo': {
      const last = s.past.at(-1);
      return last ? { formula: last, past: s.past.slice(0, -1), future: [f, ...s.future], place: null } : s;
    }
    case 'redo': {
      const next = s.future[0];
      return next ? { formula: next, past: [...s.past, f], future: s.future.slice(1), place: null } : s;
    }
  }
}
