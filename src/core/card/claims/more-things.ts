/** A line of more amounts, each with words of its own: sums, differences, things besides, things instead. */
import { type NameReading, readName } from '../../pantry/lookup';
import { FILLER, HARMLESS, STATE } from '../../pantry/tables/words';
import type { Amount } from '../../quantity/amount';
import type { LineFinding } from '../parts';
import * as phrases from '../phrases';
import { isWord, type Token } from '../words';
import { takeFill, takeFillAfter } from './amounts';
import { type NamedThing, readNames } from './choices';
import { claimName, isUnknown, lentName, nameOf, saidBy } from './names';
import {
  type At,
  type Extra,
  finish,
  type LaterAmount,
  nothing,
  PUT_INTO,
  type Reader,
  type Span,
  type SplitLine,
  twoAmounts,
} from './reader';

const ASIDE = 'Two amounts side by side: which one counts? Put the second in brackets if it says the same twice.';

const EACH_ITS_LINE =
  'Two amounts on one line: give each ingredient a line of its own, or put the second in brackets if it says the same twice.';

const signed = (a: Amount, sign: 1 | -1): Amount['terms'] =>
  a.terms.map((t) => ({ ...t, sign: (t.sign * sign) as 1 | -1 }));

const LESS = /^(?:minus|less|−|but for)$/i;

/** What a line of more amounts comes to, so far. */
interface Line {
  readonly r: Reader;
  readonly named: NamedThing;
  readonly amounts: Amount[];
  readonly spans: Span[];
  readonly extras: Extra[];
  readonly alternatives: SplitLine['alternatives'][number][];
  problem: LineFinding | null;
}

/** An amount with words of its own, and where they stand. */
interface Beside extends LaterAmount {
  /** Where the word that joins it begins, and where its own words end. */
  readonly start: number;
  readonly end: number;
  readonly isLast: boolean;
  readonly words: readonly Token[];
  /** Those that say something. */
  readonly own: readonly Token[];
  /** "plus a little more": of the same. */
  readonly moreOf: boolean;
  readonly name: NameReading;
}

const JOINING = new RegExp(
  String.raw`(?:[\s,(]*(?:plus|\+|and|&|minus|less|−|with|or|but for|${PUT_INTO})\s*(?:an?\s+(?:extra|additional|further)\s+|another\s+|about\s+)?)$`,
  'i',
);
/** The joining word stands before the later amount. */
const joinAt = (r: Reader, l: LaterAmount): number => JOINING.exec(r.text.slice(0, l.at.start))?.index ?? l.at.start;

const isMore = (t: Token): boolean => /^(?:more|extra|additional)$/.test(t.norm);

/** "two eggs and a white": of an egg, whatever else is white. */
const isOnlyWhite = (own: readonly Token[], { name }: NamedThing): boolean =>
  own.length === 1 &&
  /^whites?$/.test(own[0]?.norm ?? '') &&
  name.kind === 'found' &&
  name.ingredient.category === 'egg';
const whiteOf = (r: Reader): NameReading => {
  const white = readName(['egg', 'white'], r.asking.house);
  return { ...white, as: white.as.slice(1) } as NameReading;
};

/** A name as it stands; "or 15 g fresh", behind yeast, with the noun of what it stands in for. */
function orOf(r: Reader, named: NamedThing, l: LaterAmount, words: readonly Token[]): NameReading {
  const name = nameOf(r, words);
  const noun =
    l.or && isUnknown(name) ? r.tokens.find((t) => named.said.endsWith(t.text) && t.end <= l.at.start) : null;
  if (!noun) return name;
  const lent = lentName(r, [...words, noun]);
  return isUnknown(lent) ? name : ({ ...lent, as: lent.as.slice(0, words.length) } as NameReading);
}

function besideOf(r: Reader, named: NamedThing, l: LaterAmount, next: LaterAmount | undefined, to: number): Beside {
  const end = next ? joinAt(r, next) : to;
  const words = r.free(l.at.end, end).filter(isWord);
  const own = words.filter((t) => !FILLER.has(t.norm));
  const moreOf = own.some(isMore) && own.every((t) => isMore(t) || STATE.has(t.norm));
  const name = own.length === 0 || moreOf ? nothing : isOnlyWhite(own, named) ? whiteOf(r) : orOf(r, named, l, words);
  return { ...l, start: joinAt(r, l), end, isLast: next === undefined, words, own, moreOf, name };
}

/** Adds an amount to what is meant, or takes it off. @returns whether there is an amount */
function add({ amounts, spans }: Line, at: At, sign: 1 | -1): boolean {
  const [a] = amounts;
  if (a) amounts[0] = { ...a, terms: [...a.terms, ...signed(at.amount, sign)] };
  spans.push(at);
  return a !== undefined;
}

/** "2 tbsp butter, plus 1 tbsp for the pan": two uses, each of which is a line. @param from to of the line before it */
function partUses({ r, named }: Line, b: Beside, from: number, to: number): LineFinding {
  const tail = r.text.slice(to).replace(/^[\s,(]+|[\s)]+$/g, '');
  r.rows.push(
    r.text.slice(from, b.start).replace(/[\s,(]+$/, ''),
    `${r.text.slice(b.at.start, b.at.end)} ${named.said} ${tail}`,
  );
  r.use = null;
  return { code: 'several-lines', message: 'Two uses on one line: each wants a line of its own.' };
}

const isSameThing = (a: NameReading, b: NameReading): boolean =>
  a.kind === 'found' && b.kind === 'found' && a.ingredient.id === b.ingredient.id;

/** So much more, or less, of the thing that is meant. */
function addSame(line: Line, { at, words, name }: Beside, sign: 1 | -1): void {
  if (!add(line, at, sign)) line.problem = twoAmounts(ASIDE);
  if (isSameThing(name, line.named.name)) claimName(words, name);
  else for (const t of words) t.as = STATE.has(t.norm) ? 'state' : 'filler';
}

/** What is poured off again is no part of the batter, or not all of it. */
const POURED_OFF =
  /\b(?:drain(?:ed)?|strain(?:ed)?|rins(?:e|ed)|squeez(?:e|ed)|discard(?:ed)?|poured? (?:off|away))\b/i;

/** An amount that a word adds or takes off. @returns false where its words are not understood */
function takeJoined(line: Line, b: Beside, joined: string, from: number, to: number): boolean {
  const { r, named, amounts } = line;
  const { own, words, name } = b;
  const known = named.name.kind !== 'unknown';
  const put = /^(\p{L}+)\s+(?:in|to|with)/iu.exec(joined)?.[1] ?? (/^in(?:to)?\s*$/i.test(joined) ? 'in' : undefined);
  if (put && POURED_OFF.test(r.text)) return false;
  const isElsewhere = r.use !== null || r.side !== null;
  if (isElsewhere && own.length === 0 && b.isLast && known) {
    line.problem = partUses(line, b, from, to);
  } else if (b.moreOf) {
    if (amounts[0]) amounts[0] = { ...amounts[0], bound: 'or-more' };
    for (const t of words) t.as = 'amount';
  } else if (isSameThing(name, named.name) || own.every((t) => STATE.has(t.norm) || HARMLESS.has(t.norm))) {
    addSame(line, b, LESS.test(joined) ? -1 : 1);
  } else if (!isUnknown(name) && known && !LESS.test(joined)) {
    // "1 tsp soda dissolved in 1 tbsp water": a line of each, where several may stand
    if (put)
      r.rows.push(
        r.text.slice(from, b.start) + (/^(?:dissolved|melted|soaked|bloomed)$/i.test(put) ? `, ${put}` : ''),
        r.text.slice(b.at.start, b.end),
      );
    line.extras.push({ amount: b.at.amount, name, said: saidBy(r, words) });
    claimName(words, name);
  } else return false;
  return true;
}

/** "With 2 tbsp taken out", "take out 2 tbsp": less of what stands before. @returns whether it is */
function takeOut(line: Line, b: Beside): boolean {
  const { r } = line;
  const behind = b.or ? null : phrases.TAKEN_OUT.exec(r.text.slice(b.at.end, b.end));
  const before = b.isLast && b.own.length === 0 ? phrases.TAKE_OUT.exec(r.text.slice(0, b.at.start)) : null;
  if (!behind && !before) return false;
  add(line, b.at, -1);
  if (behind) r.claim(b.at.end, b.at.end + behind[0].length, 'amount');
  // the words before it may have been taken for more of the name
  if (before) for (const t of r.tokens) if (t.start >= before.index && t.end <= b.at.start) t.as = 'amount';
  return true;
}

/** One amount more: taken out, instead, added, or nobody can say. */
function takeBeside(line: Line, b: Beside, from: number, to: number): void {
  const { r, named } = line;
  if (takeOut(line, b)) return;
  if (named.alternatives.length > 0 || (b.or && !b.isLast)) {
    line.problem = twoAmounts('One amount or several others: which do you use? Keep that one on the line.');
  } else if (b.or && b.own.length > 0 && !isUnknown(b.name)) {
    line.alternatives.push({ name: b.name, said: saidBy(r, b.words), amount: b.at.amount });
    claimName(b.words, b.name);
  } else if (b.joined === null || !takeJoined(line, b, b.joined, from, to)) {
    const within =
      r.text.slice(b.at.end).trim() === ''
        ? 'Two amounts on one line: put the second in brackets if it says the same twice, or take one off.'
        : EACH_ITS_LINE;
    line.problem ??= twoAmounts(b.own.length === 0 && named.said === '' ? ASIDE : within);
  }
}

/** "2 large or 3 small eggs": eggs of a size, whose noun stands at the end; null: something else. */
function sizedBefore(r: Reader, own: readonly Token[], { at }: LaterAmount, to: number): NamedThing | null {
  const egg = r.free(at.end, to).find((t) => t.norm === 'egg');
  if (!egg || own.length === 0 || own.some((t) => t.norm === 'egg')) return null;
  const name = lentName(r, [...own, egg]);
  if (name.kind !== 'found' || name.ingredient.category !== 'egg') return null;
  claimName(own, { ...name, as: name.as.slice(0, own.length) });
  return { name, said: `${saidBy(r, own)} ${egg.text}`, alternatives: [] };
}

/** "100 g plain and 50 g rye flour": flour, whose noun stands at the end; null: something else. */
function lentBefore(r: Reader, own: readonly Token[], first: LaterAmount | undefined, to: number): NamedThing | null {
  const noun =
    first && /^(?:and|plus|\+|&)$/i.test(first.joined ?? '') ? r.free(first.at.end, to).filter(isWord).at(-1) : null;
  if (!noun || own.length === 0 || !isUnknown(nameOf(r, own))) return null;
  const name = lentName(r, [...own, noun]);
  if (name.kind !== 'found') return null;
  claimName(own, { ...name, as: name.as.slice(0, own.length) });
  return { name, said: `${saidBy(r, own)} ${noun.text}`, alternatives: [] };
}

/** More amounts with words of their own: sums, differences, things besides, things instead. */
export function several(
  r: Reader,
  from: number,
  to: number,
  amounts: Amount[],
  spans: Span[],
  later: readonly LaterAmount[],
): SplitLine {
  takeFill(r, spans.slice(0, 1));
  const [first] = later;
  const mainEnd = first ? Math.min(first.at.start, joinAt(r, first)) : to;
  const own = r.free(from, mainEnd).filter(isWord);
  const named = (first?.or && sizedBefore(r, own, first, to)) || lentBefore(r, own, first, to) || readNames(r, own);
  const line: Line = { r, named, amounts, spans, extras: [], alternatives: [], problem: null };
  for (const [n, l] of later.entries()) {
    r.claim(joinAt(r, l), l.at.start, 'filler');
    takeBeside(line, besideOf(r, named, l, later[n + 1], to), from, to);
  }
  for (const t of r.free(from, to))
    if (isWord(t)) t.as = FILLER.has(t.norm) ? 'filler' : STATE.has(t.norm) ? 'state' : null;
  takeFillAfter(r);
  return {
    ...finish(r),
    amounts,
    amountSpans: spans,
    ...named,
    alternatives: [...named.alternatives, ...line.alternatives],
    extras: line.extras,
    problem: line.problem ?? r.problem,
  };
}
