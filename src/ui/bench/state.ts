/** What the Bench holds while a formula is worked on: the formula as it stands, the end that is looked at, and the way back. */

import { addAfter, type Bench, editEntry, withEntries } from '@/core/balance/bench';
import { asRows, moveLine, removeLine, setGrams, setPercent, switchLine } from '@/core/balance/lines';
import { readLine } from '@/core/card/line';
import type { Vessel } from '@/core/card/parts';
import { type EndId, type Entry, type Formula, type GroupRole, kitchenOf, placeGroup } from '@/core/formula/formula';
import { entriesFromCard, withCard } from '@/core/formula/from-card';
import type { Kitchen } from '@/core/formula/kitchen-settings';

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
  | { readonly do: 'set'; readonly part: Partial<Omit<Formula, 'entries'>>; readonly place: string | null }
  | { readonly do: 'type'; readonly key: string; readonly text: string }
  | { readonly do: 'choose'; readonly key: string; readonly choice: Partial<Omit<Entry, 'key' | 'text'>> }
  | { readonly do: 'grams'; readonly key: string; readonly grams: number }
  | { readonly do: 'percent'; readonly key: string; readonly percent: number }
  | { readonly do: 'switch'; readonly key: string; readonly off: boolean }
  | { readonly do: 'move'; readonly key: string; readonly vessel: Vessel; readonly before: string | null }
  | { readonly do: 'add'; readonly text: string }
  | { readonly do: 'take-off'; readonly key: string }
  | { readonly do: 'paste'; readonly text: string }
  /** One line that says several things, as so many lines. */
  | { readonly do: 'part'; readonly key: string; readonly rows: readonly string[] }
  /** Where the lines under one heading go. */
  | { readonly do: 'place'; readonly group: string; readonly role: GroupRole }
  /** What a tool of the Bench made of the formula. */
  | { readonly do: 'put'; readonly formula: Formula }
  | { readonly do: 'look-at'; readonly end: EndId }
  | { readonly do: 'load'; readonly formula: Formula }
  /** The house changed: a measure was remembered. */
  | { readonly do: 'house'; readonly house: Kitchen }
  | { readonly do: 'undo' }
  | { readonly do: 'redo' };

const MOST_STEPS = 200;

export const startBench = ({ formula, house }: { readonly formula: Formula; readonly house: Kitchen }): BenchState => ({
  formula,
  house,
  end: formula.ends?.[0].id ?? null,
  past: [],
  future: [],
  place: null,
});

const benchOf = (s: BenchState): Bench => ({ formula: s.formula, house: s.house, end: s.end });

function step(s: BenchState, formula: Formula, place: string | null): BenchState {
  const same = place !== null && place === s.place;
  return { ...s, formula, end: endFor(s, formula), past: same ? s.past : [...s.past, s.formula].slice(-MOST_STEPS), future: [], place };
}

/** The end looked at, as long as the formula has one. */
const endFor = (s: BenchState, f: Formula): EndId | null => (f.ends ? (s.end ?? f.ends[0].id) : null);

/** A line typed anew: what was chosen for the old words is dropped where the new ones speak for themselves. */
function retype(e: Entry, text: string, s: BenchState): Entry {
  const { stands: _, ingredientId, ...rest } = e;
  const alone = readLine(text, kitchenOf(s.formula, s.house).conventions);
  return alone.ingredient || ingredientId === undefined ? { ...rest, text } : { ...rest, ingredientId, text };
}

function paste(s: BenchState, text: string): BenchState {
  const card = entriesFromCard(text, kitchenOf(s.formula, s.house).conventions, s.formula.entries);
  return card.ok ? step(s, withCard(s.formula, card.value), null) : s;
}

/** A typed line; one that says several things becomes as many. */
function typedLine(s: BenchState, text: string): Formula {
  const card = entriesFromCard(text, kitchenOf(s.formula, s.house).conventions, s.formula.entries);
  const several = card.ok && card.value.title === null && card.value.notes === '' && card.value.entries.length > 1;
  return several ? withEntries(s.formula, [...s.formula.entries, ...card.value.entries]) : addAfter(s.formula, null, text);
}

export function benchReducer(s: BenchState, a: BenchAction): BenchState {
  const f = s.formula;
  const b = benchOf(s);
  const to = (formula: Formula, place: string | null = null): BenchState => (formula === f ? s : step(s, formula, place));
  switch (a.do) {
    case 'set':
      return to({ ...f, ...a.part }, a.place);
    case 'type':
      return to(
        withEntries(
          f,
          f.entries.map((e) => (e.key === a.key ? retype(e, a.text, s) : e)),
        ),
        `line ${a.key}`,
      );
    case 'choose':
      return to(editEntry(f, a.key, a.choice));
    case 'grams':
      return to(setGrams(b, a.key, a.grams));
    case 'percent':
      return to(setPercent(b, a.key, a.percent) ?? f);
    case 'switch':
      return to(switchLine(b, a.key, a.off));
    case 'move':
      return to(moveLine(f, a.key, { vessel: a.vessel, before: a.before }));
    case 'add':
      return to(typedLine(s, a.text));
    case 'take-off':
      return to(removeLine(b, a.key));
    case 'paste':
      return paste(s, a.text);
    case 'part':
      return to(asRows(f, a.key, a.rows));
    case 'place':
      return to(withEntries(f, placeGroup(f.entries, a.group, a.role)));
    case 'put':
      return to(a.formula);
    case 'look-at':
      return f.ends ? { ...s, end: a.end, place: null } : s;
    case 'house':
      return s.house === a.house ? s : { ...s, house: a.house };
    case 'load':
      return startBench({ formula: a.formula, house: s.house });
    case 'undo': {
      const last = s.past.at(-1);
      return last ? { ...s, formula: last, end: endFor(s, last), past: s.past.slice(0, -1), future: [f, ...s.future], place: null } : s;
    }
    case 'redo': {
      const next = s.future[0];
      return next ? { ...s, formula: next, end: endFor(s, next), past: [...s.past, f], future: s.future.slice(1), place: null } : s;
    }
  }
}
