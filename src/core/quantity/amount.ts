/**
 * An amount as written: one or more measured terms that add up ("1 cup plus 2 tablespoons", "1 lb 4 oz"), each an
 * exact number (or range) of a unit, with how full the measure was. What an amount weighs is not known here: that
 * takes an ingredient and a kitchen (see pantry/weigh).
 */
import Fraction from 'fraction.js';
import { readNumber, writeNumber } from './number';
import { gramsOf, mlOf, readLadle, readUnit, readWhich, type Sizes, unitById } from './units';

export type Fullness = 'scant' | 'level' | 'rounded' | 'heaping' | 'generous';

export interface Term {
  readonly sign: 1 | -1;
  readonly low: Fraction;
  readonly high: Fraction | null;
  /** A unit id; null is a bare count ("2 eggs"). */
  readonly unit: string | null;
  /** Which of several of that sort: the "tall" of a tall glass. */
  readonly which?: string;
  readonly fullness: Fullness | null;
}

export interface Amount {
  readonly terms: readonly Term[];
  /** "about", "approx.": the cook did not mean it to the gram. */
  readonly approximate: boolean;
}

export interface ReadAmount {
  readonly amount: Amount;
  readonly length: number;
  /** How the measure is said to be filled, when that stands before the unit ("2 packed cups"). */
  readonly fill: 'packed' | 'sifted' | 'spooned' | null;
}

const ABOUT = /^(?:about|approximately|approx\.?|roughly|around|circa|ca\.?|some|~|≈)\s*/i;
const FULL = /^(scant|level|rounded|heaping|heaped|generous|good|big|overflowing)\b\s*/i;
const FILL = /^(?:firmly\s+|tightly\s+|well[\s-]+)?(packed|sifted|lightly\s+spooned|spooned|loosely\s+packed|lightly\s+packed|loose)\b\s*/i;
const OF = /^of\s+(?:an?\s+)?/i;
const PLUS = /^\s*(?:,\s*)?(plus|\+|and|&|minus|less|−)\s*(?:an?\s+(?:extra|additional)\s+|another\s+|an?\s+further\s+)?/i;

const ONE = new Fraction(1);

/** "pinch of salt", "knob of butter": one, though nobody wrote it. */
function unsaidOne(text: string): { low: Fraction; high: null; length: number } | null {
  const unit =
    /^(?:(?:small|large)\s+(?=(?:pinch|dash|smidgen|tad)\b)|(?=(?:(?:small|large)\s+)?(?:pinch|dash|smidgen|knob|splash|handful|drizzle|glug|tad)\b))/i.exec(
      text,
    );
  return unit ? { low: ONE, high: null, length: unit[0].length } : null;
}

function fullnessOf(word: string): Fullness {
  const w = word.toLowerCase();
  if (w === 'heaped' || w === 'overflowing') return 'heaping';
  if (w === 'good' || w === 'big') return 'generous';
  return w as Fullness;
}

function fillOf(word: string): 'packed' | 'sifted' | 'spooned' {
  const w = word.toLowerCase();
  if (w.startsWith('sift')) return 'sifted';
  return w === 'packed' ? 'packed' : 'spooned';
}

/** French "cc" is a teaspoon; ten and more of them are cubic centimetres. */
const ccUnit = (low: Fraction): string => (low.compare(10) >= 0 ? 'ml' : 'tsp-5ml');

function readTerm(text: string, sign: 1 | -1): { term: Term; length: number; fill: ReadAmount['fill'] } | null {
  let at = 0;
  let fullness: Fullness | null = null;
  let fill: ReadAmount['fill'] = null;
  const early = FULL.exec(text);
  if (early) {
    // "a heaping cup" and "heaping 1/2 cup" alike
    fullness = fullnessOf(early[1] ?? '');
    at += early[0].length;
  }
  const ladle = readLadle(text.slice(at));
  if (ladle) return { term: { sign, low: ONE, high: null, unit: ladle.id, fullness }, length: at + ladle.length, fill };
  const n = readNumber(text.slice(at)) ?? unsaidOne(text.slice(at));
  if (!n) return null;
  at += n.length;
  const numberEnd = at;
  let { low, high } = n;
  at += /^\s*/.exec(text.slice(at))?.[0].length ?? 0;
  const times = /^[x×]\s*(?=\d)/i.exec(text.slice(at));
  if (times) {
    const inner = readNumber(text.slice(at + times[0].length));
    if (inner && !inner.high && !high) {
      low = low.mul(inner.low);
      at += times[0].length + inner.length;
      at += /^\s*/.exec(text.slice(at))?.[0].length ?? 0;
    }
  }
  for (let again = true; again; ) {
    again = false;
    const full = FULL.exec(text.slice(at));
    if (full) {
      fullness = fullnessOf(full[1] ?? '');
      at += full[0].length;
      again = true;
    }
    const filled = FILL.exec(text.slice(at));
    if (filled) {
      fill = fillOf(filled[1] ?? '');
      at += filled[0].length;
      again = true;
    }
  }
  const of = OF.exec(text.slice(at));
  const unitFrom = of && readUnit(text.slice(at + of[0].length)) ? at + of[0].length : at;
  const which = readWhich(text.slice(unitFrom));
  let found = readUnit(text.slice(unitFrom + (which?.length ?? 0)));
  if (which && found) found = { id: found.id, length: found.length + which.length };
  if (!found) {
    const dash = /^-\s*/.exec(text.slice(unitFrom));
    found = dash ? readUnit(text.slice(unitFrom + dash[0].length)) : null;
    if (dash && found) found = { id: found.id, length: found.length + dash[0].length };
  }
  if (!found) return { term: { sign, low, high, unit: null, fullness }, length: times ? at : numberEnd, fill: null };
  let unit = found.id;
  if (unit === 'cc') unit = ccUnit(low);
  if (unit === 'dozen') {
    low = low.mul(12);
    high = high?.mul(12) ?? null;
    return { term: { sign, low, high, unit: null, fullness: null }, length: unitFrom + found.length, fill: null };
  }
  at = unitFrom + found.length;
  // "a cup and a half"
  const part = /^\s+and\s+an?\s+(half|third|quarter)\b/i.exec(text.slice(at));
  if (part && !high) {
    low = low.add(new Fraction(1, { half: 2, third: 3, quarter: 4 }[(part[1] ?? '').toLowerCase()] ?? 1));
    at += part[0].length;
  }
  // "1 cup to 1 1/4 cups": a range with its unit said twice
  const again = /^\s*(?:-|–|—|to|or)\s*(?=[\d.¼-¾⅐-⅞])/u.exec(text.slice(at));
  if (again && !high) {
    const second = readTerm(text.slice(at + again[0].length), sign);
    if (second && second.term.unit === unit && !second.term.high && second.term.low.compare(low) > 0) {
      high = second.term.low;
      at += again[0].length + second.length;
    }
  }
  return { term: { sign, low, high, unit, fullness, ...(which && { which: which.which }) }, length: at, fill };
}

const family = (id: string | null): 'mass' | 'volume' | null => {
  const u = id === null ? undefined : unitById(id);
  return u?.dimension === 'mass' ? 'mass' : u?.dimension === 'volume' ? 'volume' : null;
};

/** "lb 4 oz": a smaller unit of the same family straight after a larger one. */
function followsOn(a: Term, b: Term): boolean {
  if (b.fullness || family(a.unit) === null || family(a.unit) !== family(b.unit)) return false;
  const size = (t: Term): number => {
    const u = unitById(t.unit ?? '');
    return u ? (gramsOf(u) ?? mlOf(u, { cup: 'us-customary' }) ?? new Fraction(0)).valueOf() : 0;
  };
  return size(b) < size(a);
}

/**
 * Reads an amount at the start of a text, as far as it goes.
 * @param text trimmed on the left
 * @returns the amount, the characters it took and a fill said within it; null when no number stands there
 */
export function readAmount(text: string): ReadAmount | null {
  const about = ABOUT.exec(text);
  let at = about?.[0].length ?? 0;
  const first = readTerm(text.slice(at), 1);
  if (!first) return null;
  const terms: Term[] = [first.term];
  const fill = first.fill;
  at += first.length;
  while (terms.length < 4) {
    const joined = PLUS.exec(text.slice(at));
    if (joined) {
      const sign = /^(?:minus|less|−)$/i.test(joined[1] ?? '') ? -1 : 1;
      const next = readTerm(text.slice(at + joined[0].length), sign);
      if (!next || family(next.term.unit) === null || family(first.term.unit) === null) break;
      terms.push(next.term);
      at += joined[0].length + next.length;
      continue;
    }
    const gap = /^(?:\s*,)?\s+(?=[\d¼-¾⅐-⅞])/u.exec(text.slice(at));
    const last = terms[terms.length - 1];
    if (!gap || !last) break;
    const next = readTerm(text.slice(at + gap[0].length), 1);
    if (!next || !followsOn(last, next.term)) break;
    terms.push(next.term);
    at += gap[0].length + next.length;
  }
  return { amount: { terms, approximate: about !== null }, length: at, fill };
}

/** Reads a text that is an amount and nothing else. */
export function parseAmount(text: string): Amount | null {
  const t = text.trim();
  const r = readAmount(t);
  return r && r.length === t.length ? r.amount : null;
}

function writeTerm(t: Term): string {
  const n = t.high ? `${writeNumber(t.low)} to ${writeNumber(t.high)}` : writeNumber(t.low);
  const unit = t.unit === null ? null : unitById(t.unit);
  if (!unit) return t.fullness ? `${t.fullness} ${n}` : n;
  const several = (t.high ?? t.low).compare(1) > 0;
  return `${n} ${t.fullness ? `${t.fullness} ` : ''}${t.which ? `${t.which} ` : ''}${several ? unit.many : unit.one}`;
}

/** Writes an amount so that reading it back gives the same terms. */
export function writeAmount(a: Amount): string {
  const body = a.terms.map((t, i) => (i === 0 ? '' : t.sign < 0 ? ' minus ' : ' plus ') + writeTerm(t)).join('');
  return a.approximate ? `about ${body}` : body;
}

/** Scales every term of an amount by an exact factor > 0. */
export function scaleAmount(a: Amount, factor: Fraction): Amount {
  return { ...a, terms: a.terms.map((t) => ({ ...t, low: t.low.mul(factor), high: t.high?.mul(factor) ?? null })) };
}

export interface Combined {
  readonly low: Fraction;
  readonly high: Fraction | null;
  readonly unit: string | null;
  readonly which?: string;
}

/**
 * The whole amount in its first term's unit, exact: 1 cup plus 2 tablespoons is 1 1/8 cup.
 * @param sizes whose cup: with a metric cup 2 tablespoons are 3/25 of it
 */
export function combine(a: Amount, sizes: Sizes): Combined {
  const [first, ...others] = a.terms;
  if (!first) return { low: new Fraction(0), high: null, unit: null };
  const size = (id: string | null): Fraction | null => {
    const u = id === null ? undefined : unitById(id);
    return u ? (gramsOf(u) ?? mlOf(u, sizes)) : null;
  };
  const base = size(first.unit);
  let low = first.low;
  let high = first.high;
  for (const t of others) {
    const s = size(t.unit);
    if (!s || !base) continue;
    const add = (v: Fraction): Fraction => v.mul(s).div(base).mul(t.sign);
    if (high || t.high) high = (high ?? low).add(add(t.high ?? t.low));
    low = low.add(add(t.low));
  }
  return { low, high, unit: first.unit, ...(first.which && { which: first.which }) };
}
