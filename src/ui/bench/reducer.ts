/** What each act makes of the Bench. */
import { addAfter, type Bench, editEntry, withEntries } from '@/core/balance/bench';
import {
  asRows,
  differByEnd,
  fork,
  joinEnds,
  moveLine,
  removeLine,
  setGrams,
  setPercent,
  switchLine,
  takeApart,
  toEnd,
} from '@/core/balance/lines';
import { readLine } from '@/core/card/line';
import { type EndId, type Entry, type Formula, kitchenOf, placeGroup } from '@/core/formula/formula';
import { type PastedCard, withCard } from '@/core/formula/pasted';
import { type BenchAction, type BenchState, startBench } from './state';

const MOST_STEPS = 200;

const benchOf = (s: BenchState): Bench => ({ formula: s.formula, house: s.house, end: s.end });

function step(s: BenchState, formula: Formula, place: string | null): BenchState {
  const same = place !== null && place === s.place;
  return {
    ...s,
    formula,
    end: endFor(s, formula),
    past: same ? s.past : [...s.past, s.formula].slice(-MOST_STEPS),
    future: [],
    place,
  };
}

/** The end looked at, as long as the formula has one. */
const endFor = (s: BenchState, f: Formula): EndId | null => (f.ends ? (s.end ?? f.ends[0].id) : null);

/** A line typed anew: what was chosen for the old words is dropped where the new ones speak for themselves. */
function retype(e: Entry, text: string, s: BenchState): Entry {
  const { stands: _, proposed: __, ingredientId, ...rest } = e;
  const alone = readLine(text, kitchenOf(s.formula, s.house).conventions);
  return alone.ingredient || ingredientId === undefined ? { ...rest, text } : { ...rest, ingredientId, text };
}

/** The amount of a line is the cook's, proposed no more. */
const told = (f: Formula, key: string): Formula =>
  f.entries.some((e) => e.key === key && e.proposed) ? editEntry(f, key, { proposed: undefined }) : f;

/** A typed line; one that says several things becomes as many. @param card the line as a card; null: nobody read it so */
const typedLine = (f: Formula, text: string, card: PastedCard | null): Formula =>
  card && card.title === null && card.notes === '' && card.entries.length > 1
    ? withEntries(f, withCard(f, { ...card, guess: null, ends: null }).entries)
    : addAfter(f, null, text);

export function benchReducer(s: BenchState, a: BenchAction): BenchState {
  const f = s.formula;
  const b = benchOf(s);
  const to = (formula: Formula, place: string | null = null): BenchState =>
    formula === f ? s : step(s, formula, place);
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
    case 'told':
      return to(
        withEntries(
          f,
          f.entries.map(({ proposed: _, ...e }) => e),
        ),
      );
    case 'choose':
      return to(editEntry(f, a.key, a.choice));
    case 'grams':
      return to(told(setGrams(b, a.key, a.grams), a.key));
    case 'percent':
      return to(told(setPercent(b, a.key, a.percent) ?? f, a.key));
    case 'switch':
      return to(switchLine(b, a.key, a.off));
    case 'move':
      return to(moveLine(f, a.key, { vessel: a.vessel, before: a.before }));
    case 'add':
      return to(typedLine(f, a.text, a.card));
    case 'take-off':
      return to(removeLine(b, a.key));
    case 'paste':
      return to(withCard(f, a.card));
    case 'part':
      return to(asRows(f, a.key, a.rows));
    case 'place':
      return to(withEntries(f, placeGroup(f.entries, a.group, a.role)));
    case 'put':
      return to(a.formula);
    case 'apart':
      return to(takeApart(b, a.key) ?? f);
    case 'end':
      return to(a.to === 'differ' ? differByEnd(f, a.key) : toEnd(f, a.key, a.to));
    case 'fork':
      return to(fork(f, a.names, a.schools));
    case 'keep-only':
      return to(joinEnds(f, a.end));
    case 'look-at':
      return f.ends ? { ...s, end: a.end, place: null } : s;
    case 'house':
      return s.house === a.house ? s : { ...s, house: a.house };
    case 'load':
      return startBench({ formula: a.formula, house: s.house });
    case 'undo': {
      const last = s.past.at(-1);
      return last
        ? {
            ...s,
            formula: last,
            end: endFor(s, last),
            past: s.past.slice(0, -1),
            future: [f, ...s.future],
            place: null,
          }
        : s;
    }
    case 'redo': {
      const next = s.future[0];
      return next
        ? { ...s, formula: next, end: endFor(s, next), past: [...s.past, f], future: s.future.slice(1), place: null }
        : s;
    }
  }
}
