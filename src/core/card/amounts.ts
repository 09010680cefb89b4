/**
 * The amounts of a line: the one it starts with (or ends with, "Flour: 2 cups"), and a second one that says the same again
 * in brackets or behind a slash. What stands in the brackets and is no amount is a remark, and kept.
 */
import Fraction from 'fraction.js';
import type { FillMethod } from '../pantry/conventions';
import { type Amount, type ReadAmount, scaleAmount } from '../quantity/amount';
import { unitById } from '../quantity/units';

export type ReadAmountFn = (text: string) => ReadAmount | null;

export const PREFILL = /^(?:(firmly|tightly|lightly|loosely|well)[\s-]+)?(packed|sifted|spooned|loose|dipped|fluffed)\s+/i;

export function fillOf(how: string | undefined, word: string): FillMethod {
  const w = word.toLowerCase();
  if (w === 'packed') return /lightly|loosely/i.test(how ?? '') ? 'spooned' : 'packed';
  if (w === 'sifted' || w === 'dipped' || w === 'fluffed') return w;
  return 'spooned';
}

export const unitOf = (a: Amount): string | null => a.terms[0]?.unit ?? null;
const isVague = (a: Amount): boolean => unitById(unitOf(a) ?? '')?.dimension === 'vague';
const count = (a: Amount): Fraction => a.terms[0]?.low ?? new Fraction(1);

/** "Flour: 2 cups", "butter, 2 tbsp, melted": the amount stands after the name. */
function trailing(text: string, read: ReadAmountFn): { amount: ReadAmount; before: string; after: string } | null {
  const seam =
    /\s*(?:[:=–—]|\s-|,|\()\s*(?=[\d.½¼¾⅓⅔⅛a-z~])|\s+(?=[\d½¼¾⅓⅔⅛])|\s+(?=(?:an?|one|two|three|half(?:\s+an?)?)\s+(?:pinch|dash|smidgen|knob|splash|handful|cup|tablespoon|teaspoon|stick)(?:e?s)?\b)/giu;
  for (let m = seam.exec(text); m; m = seam.exec(text)) {
    if (m.index === 0) continue;
    const at = m.index + m[0].length;
    const a = read(text.slice(at));
    if (!a) continue;
    const after = text.slice(at + a.length);
    if (!/^\s*(?:$|[,;()/]|(?:firmly\s+|lightly\s+|loosely\s+)?(?:packed|sifted|loose)\b)/i.test(after)) continue;
    // a bare word such as "a" after a comma is no amount
    const [first] = a.amount.terms;
    if (first?.unit === null && !/[\d½¼¾⅓⅔⅛]/.test(text.slice(at, at + a.length)) && !m[0].includes(':')) continue;
    return { amount: a, before: text.slice(0, m.index), after: after.replace(/^\s*\)/, '') };
  }
  return null;
}

/** Reads "(240 g)", "(15 oz each)", "(about 2 cups)" as a second amount of the first. */
function second(inner: string, first: Amount | undefined, read: ReadAmountFn): Amount | null {
  const t = inner.trim().replace(/^(?:or|=|i\.e\.|equals)\s+/i, '');
  const a = read(t);
  if (!a || a.amount.terms.some((x) => x.unit === null)) return null;
  const rest = t.slice(a.length).trim();
  if (rest !== '' && !/^(?:each|apiece|in total|total|in all|weight|drained|per \w+)$/i.test(rest)) return null;
  const each = /^(?:each|apiece|per )/i.test(rest) || (first !== undefined && isVague(first) && !/total|in all/i.test(rest));
  return each && first ? scaleAmount(a.amount, count(first)) : a.amount;
}

interface Head {
  readonly amounts: Amount[];
  fill: FillMethod | null;
  /** What stood before an amount that came after the name. */
  readonly front: string;
  rest: string;
  readonly remarks: string[];
}

function start(t: string, read: ReadAmountFn): Head {
  const lead = read(t);
  if (lead) return { amounts: [lead.amount], fill: lead.fill, front: '', rest: t.slice(lead.length), remarks: [] };
  const tail = trailing(t, read);
  if (!tail) return { amounts: [], fill: null, front: '', rest: t, remarks: [] };
  const after = tail.after.trim();
  const filled = PREFILL.exec(`${after} `);
  const fill = filled ? fillOf(filled[1], filled[2] ?? '') : tail.amount.fill;
  return { amounts: [tail.amount.amount], fill, front: tail.before.trim(), rest: filled ? after.slice(filled[0].length) : tail.after, remarks: [] };
}

const PACK = /^\s*-?\s*(?:cans?|tins?|packets?|packages?|pkgs?\.?|jars?|sachets?|sticks?|bars?|containers?|tubs?|cartons?|pots?|bags?|boxe?s?|bottles?)\b\s*/i;

/** "(240 g)", "(15 oz) can", "(make sure it's fresh)". */
function takeBracket(h: Head, read: ReadAmountFn): boolean {
  const bracket = /^\s*[([]([^()[\]]*)[)\]]\s*/.exec(h.rest);
  if (!bracket) return false;
  const [first] = h.amounts;
  const inner = bracket[1] ?? '';
  const said = second(inner, first, read);
  const after = h.rest.slice(bracket[0].length);
  const pack = PACK.exec(after);
  if (said && pack && first && unitOf(first) === null) {
    h.amounts[0] = scaleAmount(said, count(first));
    h.rest = after.slice(pack[0].length);
    return true;
  }
  if (said && h.amounts.length > 1) return false;
  if (said) h.amounts.push(said);
  else h.remarks.push(inner.trim());
  h.rest = after;
  return true;
}

/** "/ 2 cups", ", about 240 g". */
function takeSecond(h: Head, read: ReadAmountFn): boolean {
  const seam = /^\s*(?:[/|=]|,?\s*(?:about|approx\.?|approximately|or about)(?=\s))\s*/i.exec(h.rest);
  const other = seam && h.amounts.length < 2 ? read(h.rest.slice(seam[0].length)) : null;
  if (!seam || !other || unitOf(other.amount) === null) return false;
  h.amounts.push(other.amount);
  h.rest = h.rest.slice(seam[0].length + other.length);
  return true;
}

/** "1 15-oz can": so many packs of a size. */
function takePack(h: Head, read: ReadAmountFn): boolean {
  const [first] = h.amounts;
  const size = first && unitOf(first) === null ? read(h.rest.trimStart()) : null;
  if (!first || !size || unitOf(size.amount) === null) return false;
  const after = h.rest.trimStart().slice(size.length);
  const pack = PACK.exec(after);
  if (!pack) return false;
  h.amounts[0] = scaleAmount(size.amount, count(first));
  h.rest = after.slice(pack[0].length);
  return true;
}

/** Takes the amounts off a line. */
export function takeAmounts(t: string, read: ReadAmountFn): Readonly<Head> {
  const h = start(t, read);
  while (h.amounts.length > 0 && (takeBracket(h, read) || takeSecond(h, read) || takePack(h, read)));
  return h;
}

/**
 * Brackets further on in a line: a second amount, or a remark.
 * @param amounts what was found so far; an amount found here is added to it
 */
export function takeBrackets(text: string, amounts: Amount[], read: ReadAmountFn): { readonly body: string; readonly remarks: readonly string[] } {
  const remarks: string[] = [];
  const body = text.replace(/\s*[([]([^()[\]]*)[)\]]\s*/g, (_all, bracket: string) => {
    const inner = bracket.trim();
    const only = amounts.length === 0 ? read(inner) : null;
    const whole = only && unitOf(only.amount) !== null && only.length === inner.length ? only.amount : null;
    const said = amounts.length === 1 ? second(inner, amounts[0], read) : whole;
    if (said) amounts.push(said);
    else remarks.push(inner);
    return ' ';
  });
  return { body: body.trim(), remarks };
}
