/** Amounts said once more, in packs, each or by the head; and all of a line put together. */
import Fraction from 'fraction.js';
import type { NameReading } from '../../pantry/lookup';
import { FILLER, HARMLESS, STATE } from '../../pantry/tables/words';
import { type Amount, sameSize, scaleAmount } from '../../quantity/amount';
import { gramsOf, mlOf, unitById } from '../../quantity/units';
import { isWord, saidAs, type Token } from '../words';
import { several } from './more-things';
import { beginsName, nameOf } from './names';
import { single } from './one-thing';
import {
  type At,
  countOf,
  isVague,
  type LaterAmount,
  PUT_INTO,
  preparationOf,
  type Reader,
  type Span,
  type SplitLine,
  unitOf,
  wayOf,
} from './reader';

const TIMES_COUNT = /\s*\b[x×]\s*(\d{1,3})\b(?!\s*(?:cm|mm|g\b|ml\b))/iu;

const OR_TWO = /\s+or\s+(two|three)\b/i;

const PACK =
  /^\s*-?\s*(?:(?:small|large|whole|full)\s+)?(?:cans?|tins?|packets?|packages?|packs?|pkgs?\.?|jars?|sachets?|sticks?|bars?|containers?|tubs?|cartons?|pots?|bags?|sacks?|box(?:es)?|bottles?|jugs?|pails?|buckets?|cases?|crates?|blocks?|envelopes?|pouch(?:es)?|cups?(?=\s+of\s+(?:yog|cream)))(?![\p{L}])/iu;

const EACH = /^\s*(?:each|apiece|a\s+piece|per\s+(?:\w+)|every)(?![\p{L}])/iu;

const ALL_TOGETHER =
  /^\s*(?:environ|ungefähr|aprox(?:imadamente|\.)?|en tout|insgesamt|en total|in total|total|in all|altogether|net(?: weight)?|weight|drained(?: weight)?|(?:shelled|peeled|sifted|mashed)(?: weight)?|without (?:the )?(?:shells?|skin|stones?)|(?:when|once|after) (?:peeled|mashed|melted|sifted|drained|shelled|sifting|peeling|mashing|draining|melting|shelling))(?![\p{L}])/iu;

/** So much for each of the guests: how much that is hangs on how many come. */
const PER_HEAD =
  /\b(?:per|for each|for every)\s+(?:person|head|guest|eater|portion|serving|pancake|waffle|crepe|batch|egg)\b/i;

const SAYS_AGAIN =
  /^[\s,;()[\]:–—-]*(?:or|oder|ou|o|bzw\.?|=|soit|entspricht|équivaut à|equivalen? a|son|i\.?\s?e\.?|that[’']?s|that is|which is|which makes|equals?|equal to|(?:the )?equivalent (?:is|of|to)|equivalent|about|approx(?:imately|\.)?|roughly|around|aka|so|meaning|makes|comes to|weighing|weighs|in weight|by weight|(?:peeled|geschält|épluchée?s?|peladas?|mashed|zerdrückt|écrasée?s?)(?: weight)?|(?:i|we)\s+(?:weigh|measure|make|call|reckon)\s+(?:it|that|them)(?:\s+(?:as|at))?|~|≈|\/|\|)?[\s,:(]*(?:(?:is|to|of|or)\s+)?(?:about|approx(?:imately|\.)?|roughly|around|ca\.?|etwa|~|≈)?[\s,]*$/i;

const CONNECTS =
  /^(?:or|oder|ou|o|bzw|equivale|equivalen|equivaut|plus|minus|less|about|equal|equivalent|i|e|ie|aka|roughly|around|approximately|approx|is|that|which|make|come|weigh|weighing|equals|by|weight|mean|meaning)$/;

const JOINED = new RegExp(
  String.raw`(?:^|[\s,(])(plus|\+|and|&|und|et|y|sowie|minus|less|−|with|but for|${PUT_INTO})\s*(?:an?\s+(?:extra|additional|further)\s+|another\s+|about\s+)?$`,
  'i',
);

/** What a line's amounts come to: the one that is meant, said once or more, and others. */
interface Told {
  readonly amounts: Amount[];
  readonly spans: Span[];
  readonly later: LaterAmount[];
}

/** An amount that follows another, and what stands around it. */
interface Follows {
  readonly r: Reader;
  readonly told: Told;
  readonly to: number;
  readonly prev: At;
  readonly cur: At;
  readonly next: At | undefined;
  /** The line between the two, and behind the second. */
  readonly between: string;
  readonly after: string;
  /** Words of a name between the two. */
  readonly names: readonly Token[];
  /** The amount that is meant so far. */
  readonly standing: Amount;
  /** "4 oz in all". */
  readonly total: RegExpExecArray | null;
}

const nameWords = (r: Reader, start: number, end: number): Token[] =>
  r.free(start, end).filter((t) => isWord(t) && !FILLER.has(t.norm) && !CONNECTS.test(t.norm));

/** "2 (400 g) tins": so many packs of a size. */
function takePack({ r, told, cur, between, after, names, standing }: Follows): boolean {
  const { amounts, spans } = told;
  // "(8 oz / 225 g) package": the size of the pack, said twice
  const inside = /[([]\s*$/.test(between) ? /^([^()[\]]*)[)\]]/.exec(after) : null;
  const twiceIn =
    inside?.[1] !== undefined &&
    /\d/.test(inside[1]) &&
    nameWords(r, cur.end, cur.end + inside[1].length).length === 0 &&
    PACK.test(after.slice(inside[0].length));
  const packedIn =
    twiceIn ||
    PACK.test(after) ||
    (/^\s*[([]?\s*$/.test(between) && /^\s*[)\]]\s*/.test(after) && PACK.test(after.replace(/^\s*[)\]]/, '')));
  const isSize = unitOf(standing) === null && unitOf(cur.amount) !== null && wayOf(cur.amount) !== 'vague';
  if (names.length > 0 || spans.length !== 1 || !isSize || !packedIn) return false;
  amounts[0] = scaleAmount(cur.amount, countOf(standing));
  const start = spans[0]?.start ?? cur.start;
  const close = (twiceIn ? inside?.[0].length : /^\s*[)\]]?/.exec(after)?.[0].length) ?? 0;
  const word = PACK.exec(after.slice(close));
  const end = word ? cur.end + close + word[0].length : cur.end;
  if (word) r.claim(cur.end, end, 'amount');
  spans[0] = { start, end };
  return true;
}

/** "2 sachets vanilla sugar (16 g)", "half a packet of yeast (3.5 g)": of all, where the pantry's pack of it says so. */
function isPacksOf(name: NameReading, count: number, bracket: Amount): boolean {
  const one = name.kind === 'found' ? name.ingredient.piece?.grams : undefined;
  const [term] = bracket.terms;
  if (one === undefined || count === 1 || term?.unit !== 'g') return false;
  const grams = term.low.valueOf();
  return Math.abs(Math.log(grams / (count * one))) < Math.abs(Math.log(grams / one));
}

/** The name before the second amount, or else behind it. */
const nameBeside = ({ r, to, cur, names }: Follows): NameReading =>
  nameOf(r, names.length > 0 ? names : nameWords(r, cur.end, to));

/** "Two packets, that's 500 g": all of them. */
const ALL_OF_IT =
  /\b(?:so|that(?:[’']?s| is| was| makes)|which (?:is|was|makes|comes to)|comes? to|makes?|weigh(?:s|ed|ing)?|in (?:all|total)|together|equals)\b|=/i;
/** Measures that are bought full: a weight beside two of them is of one. */
const BOUGHT = new Set(['can', 'packet', 'bag', 'punnet', 'bar', 'tub', 'jar', 'carton', 'pail']);
/** Beyond what is usual, a measure may be so much larger or smaller still. */
const LARGER = 1.05;
const SMALLER = 0.8;
/** A tub this far from a usual one, as a natural logarithm, is hardly meant: about half of it, or double. */
const HARDLY = 0.6;
/** @param all,each shares of what is usual @returns whose share is nearer to it, where the other is hardly meant */
function nearest(all: number, each: number): 'all' | 'one' | 'either' {
  const [farOne, farEach] = [Math.abs(Math.log(all)), Math.abs(Math.log(each))];
  if (Math.max(farOne, farEach) < HARDLY) return 'either';
  return farEach < farOne ? 'all' : 'one';
}
/**
 * What an amount beside so many of a measure is of, by what one such measure holds: "2 mugs (600 ml)" of all, for no mug
 * is so large. Behind the thing, "2 glasses of milk (300 ml)", it may be either. Null: the measure does not tell.
 */
function heldBy({ r, cur, standing, names, between }: Follows): 'all' | 'one' | 'either' | null {
  const { id, usual, gesture } = unitById(unitOf(standing) ?? '') ?? {};
  const unit = unitById(unitOf(cur.amount) ?? '');
  if (!usual || !unit || cur.amount.terms.length !== 1) return null;
  const isWeight = unit.dimension === 'mass';
  // a vessel's size is told in millilitres, and a splash has none
  if (usual.in === 'ml' && (isWeight || (gesture && unit.dimension === 'volume'))) return 'all';
  const size = isWeight ? gramsOf(unit) : mlOf(unit, r.asking.house);
  if (!size || isWeight !== (usual.in === 'g')) return null;
  const count = countOf(standing).valueOf();
  const all = countOf(cur.amount).mul(size).valueOf();
  const each = all / count;
  const isBehind = count >= 2 && names.length > 0 && /[([]\s*$/.test(between);
  if (isBehind && id === 'tub') return nearest(all / usual.best, each / usual.best);
  const fitsOne = all >= usual.low && all <= LARGER * usual.high;
  const fitsEach = each >= SMALLER * usual.low && each <= LARGER * usual.high;
  if (fitsEach && !fitsOne) return 'all';
  return isBehind && usual.in === 'ml' && fitsEach ? 'either' : null;
}
/** Whether a weight behind so many of a measure is that of all: "two mugs, 300 g". A volume is the size of one. */
const isOfAll = (f: Follows): boolean => {
  const { cur, between, standing } = f;
  return (
    ALL_OF_IT.test(between) ||
    heldBy(f) === 'all' ||
    isPacksOf(nameBeside(f), countOf(standing).valueOf(), cur.amount) ||
    (!BOUGHT.has(unitOf(standing) ?? '') && wayOf(cur.amount).startsWith('mass') && !/\b(?:of|at)\s*$/i.test(between))
  );
};

/** "1/2 can (200 ml)", "2 tubs ricotta (250 g)": of the half or of the whole, of one or of both; asked. */
const isOpen = (f: Follows): boolean => {
  const { after, between, standing, total } = f;
  if (heldBy(f) === 'either') return !total && !EACH.test(after);
  return (
    isVague(standing) &&
    !total &&
    /[([,]\s*$/.test(between) &&
    countOf(standing).compare(1) < 0 &&
    heldBy(f) !== 'all' &&
    !isPacksOf(nameBeside(f), countOf(standing).valueOf(), f.cur.amount)
  );
};

/** "2 tins of 400 g", "3 eggs (50 g each)". */
function takeEach(f: Follows): boolean {
  const { r, told, prev, cur, between, after, names, standing, total } = f;
  const each = EACH.exec(after);
  const ofEach = isVague(standing) && !total && !JOINED.test(between) && !isOfAll(f);
  if (!each && isOpen(f)) return false;
  if (unitOf(cur.amount) === null || !(each || ofEach)) return false;
  told.amounts.push(scaleAmount(cur.amount, countOf(standing)));
  const end = cur.end + (each?.[0].length ?? 0);
  if (each) r.claim(cur.end, end, 'amount');
  r.claim(prev.end, cur.start, 'filler');
  told.spans.push({ start: cur.start, end });
  for (const t of names) t.as = null;
  return true;
}

/** Whether nothing but the amount stands in its bracket, if it is in one. */
function standsAlone({ r, to, prev, cur, total }: Follows): boolean {
  const { text } = r;
  const opened = Math.max(text.lastIndexOf('(', cur.start), text.lastIndexOf('[', cur.start));
  const closed = /[)\]]/.exec(text.slice(cur.end, to));
  return (
    total !== null ||
    opened < prev.end ||
    /[)\]]/.test(text.slice(opened, cur.start)) ||
    (SAYS_AGAIN.test(text.slice(opened, cur.start)) &&
      nameWords(r, cur.end, cur.end + (closed?.index ?? 0)).every((t) => STATE.has(t.norm) || HARMLESS.has(t.norm)))
  );
}

const IS_BRACKET = /[([]\s*(?:[^)\]]*)$/;
const SAYS_SAME =
  /[=/|≈~]|\b(?:or|oder|ou|o)\b|\bthat\b|\bi\.?e\b|\babout\b|\bequi|\bwhich\b|\bapprox|\broughly\b|\bweigh/i;

/** Things that are counted as well as weighed. */
const COUNTED = /\b(?:eggs?|yolks?|whites?|bananas?|apples?|pears?|lemons?|oranges?)\b/i;

/** "1 cup (240 ml) milk", "8 oz 225 g flour": the same amount said once more. */
function takeAgain(f: Follows): boolean {
  const { r, told, to, prev, cur, next, between, after, names, standing, total } = f;
  const nameEnd = names[names.length - 1]?.end ?? prev.end;
  if (isOpen(f)) return false;
  const saysAgain = SAYS_AGAIN.test(names.length === 0 ? between : r.text.slice(nameEnd, cur.start));
  const way = wayOf(cur.amount);
  // "100 g (2) eggs": so many in a bracket say again what was weighed
  const counts =
    way === 'count' && wayOf(standing).startsWith('mass') && /[([]\s*$/.test(between) && COUNTED.test(r.text);
  if (JOINED.test(between) || !saysAgain || !(cur.counted || counts) || !standsAlone(f)) return false;
  // "7 g 1 sachet yeast": one pack, which holds what was weighed
  const isItsPack =
    wayOf(standing).startsWith('mass') && BOUGHT.has(unitOf(cur.amount) ?? '') && countOf(cur.amount).equals(1);
  const otherWay = isItsPack || (way !== wayOf(standing) && way !== 'vague' && (way !== 'count' || counts));
  const afterNames = nameWords(r, cur.end, next?.start ?? to);
  const plainAfter =
    names.length === 0 || afterNames.length === 0 || /^\s*[)\]]/.test(after) || !beginsName(r, afterNames);
  const bracket = IS_BRACKET.test(between) || SAYS_SAME.test(between);
  const instead = /\bor\b/i.test(between) && names.length > 0 && afterNames.length > 0;
  if (!plainAfter || !(otherWay || sameSize(cur.amount, standing) || (bracket && !instead))) return false;
  told.amounts.push(cur.amount);
  told.spans.push(cur);
  if (total) r.claim(cur.end, cur.end + total[0].length, 'amount');
  r.claim(nameEnd, cur.start, 'filler');
  return true;
}

/** The amounts of a line, the first with what says it again, and those that say another thing. */
function toldIn(r: Reader, to: number): Told {
  const told: Told = { amounts: [], spans: [], later: [] };
  const [first] = r.amounts;
  if (!first) return told;
  const { text } = r;
  told.amounts.push(first.amount);
  told.spans.push(first);
  r.fill = first.fill;
  const packed = first.counted && !isVague(first.amount) ? PACK.exec(text.slice(first.end, to)) : null;
  if (
    packed &&
    !/^\s*(?:sticks?|cups?|bars?(?!\s+(?:of\s+)?(?:\p{L}+\s+)?chocolate))/iu.test(text.slice(first.end, to))
  ) {
    r.claim(first.end, first.end + packed[0].length, 'amount');
    told.spans[0] = { start: first.start, end: first.end + packed[0].length };
  }
  for (const [n, cur] of r.amounts.slice(1).entries()) {
    const prev = r.amounts[n];
    if (!prev || cur.start < (told.spans[told.spans.length - 1]?.end ?? 0)) continue;
    const between = text.slice(prev.end, cur.start);
    const after = text.slice(cur.end, to);
    const follows: Follows = {
      r,
      told,
      to,
      prev,
      cur,
      next: r.amounts[n + 2],
      between,
      after,
      names: nameWords(r, prev.end, cur.start),
      standing: told.amounts[0] ?? first.amount,
      total: ALL_TOGETHER.exec(after),
    };
    if (takePack(follows) || takeEach(follows) || takeAgain(follows)) continue;
    told.later.push({
      at: cur,
      joined: JOINED.exec(between)?.[1] ?? null,
      or: /\b(?:or|oder|ou)\s*$/i.test(between),
    });
  }
  return told;
}

/** Claims what stands there, whoever claimed it before. */
const reclaim = (r: Reader, start: number, end: number): void => {
  for (const t of r.tokens) if (t.start >= start && t.end <= end) t.as = 'amount';
};

/** "eggs x 3"; "400 ml tins x 3": so many of what stands before. */
function takeTimes(r: Reader, from: number, to: number, { amounts, spans, later }: Told): void {
  const times = /\b[x×]/iu.test(r.text) ? TIMES_COUNT.exec(r.text.slice(from, to)) : null;
  if (!times) return;
  const [at, end] = [from + times.index, from + times.index + times[0].length];
  const own = r.amounts.find((a) => a.start >= at && a.end <= end + 1);
  if (!own) return;
  reclaim(r, at, end);
  const n = new Fraction(Number(times[1]));
  const before = r.amounts[0] !== own ? r.amounts[0] : undefined;
  if (before && amounts[0]) amounts[0] = scaleAmount(before.amount, n);
  else amounts[0] = { terms: [{ sign: 1, low: n, high: null, unit: null, fullness: null }], approximate: false };
  spans[0] = before ? { start: before.start, end: before.end } : { start: at, end };
  for (let k = later.length - 1; k >= 0; k--) if (later[k]?.at === own) later.splice(k, 1);
}

/** "an egg or two". */
function takeOrTwo(r: Reader, from: number, to: number, { amounts, later }: Told): void {
  const [a] = amounts;
  const isOne = a && !r.amounts[0]?.counted && a.terms.length === 1 && countOf(a).equals(1);
  const m = isOne ? OR_TWO.exec(r.text.slice(from, to)) : null;
  if (!a || !m) return;
  const [start, end] = [from + m.index, from + m.index + m[0].length];
  reclaim(r, start, end);
  const high = new Fraction(m[1]?.toLowerCase() === 'two' ? 2 : 3);
  amounts[0] = { ...a, terms: a.terms.map((t) => ({ ...t, high })) };
  const n = later.findIndex((l) => l.at.start >= start && l.at.end <= end);
  if (n >= 0) later.splice(n, 1);
}

/** Amounts, names and what joins them, made one line. */
export function assemble(r: Reader, from: number, to: number): SplitLine {
  const told = toldIn(r, to);
  const { amounts, spans, later } = told;
  takeTimes(r, from, to, told);
  if (r.orMore && amounts[0]) amounts[0] = { ...amounts[0], bound: 'or-more' };
  takeOrTwo(r, from, to, told);
  const per = PER_HEAD.exec(r.text);
  if (per) r.problem = { code: 'no-amount', message: `"${per[0].trim()}": for how many? Write the whole amount.` };
  const done = later.length === 0 ? single(r, from, to, amounts, spans) : several(r, from, to, amounts, spans, later);
  return { ...done, words: saidAs(r.tokens), preparation: preparationOf(r, done.name.kind === 'found') };
}
