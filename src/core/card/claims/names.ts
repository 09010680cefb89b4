/** The name of a thing among the words that are left, and what is done to it. */
import { type NameReading, readName } from '../../pantry/lookup';
import {
  FILLER,
  HARMLESS,
  HEADS,
  ITS_PARTS,
  LEADS_ABROAD,
  LEADS_INTO_STATE,
  SHAPE_IN_ENGLISH,
  STATE,
  STATE_IN_ENGLISH,
  VARIANT,
} from '../../pantry/tables/words';
import { isWord, type Token } from '../words';
import type { Reader } from './reader';

/** Names split off by "or", "and" or commas, as spans of free words. */
interface Group {
  readonly tokens: readonly Token[];
}

export function groupsOf(tokens: readonly Token[], parts: RegExp): readonly Group[] {
  const out: { tokens: Token[] }[] = [{ tokens: [] }];
  for (const t of tokens) {
    const here = out[out.length - 1];
    const joins = t.as !== 'amount' && t.as !== 'state' && parts.test(t.text);
    if (joins && here?.tokens.some(isWord)) out.push({ tokens: [] });
    else if (!joins) here?.tokens.push(t);
  }
  return out.filter((g) => g.tokens.some(isWord));
}

/** Where a new part of the words begins: past a comma, a bracket or a dash; as places among the words. */
function breaksOf(r: Reader, words: readonly Token[]): readonly number[] {
  const out: number[] = [];
  for (let n = 1; n < words.length; n++) {
    const [a, b] = [words[n - 1], words[n]];
    if (a && b && /[,;:()[\]–—]|\s-\s/.test(r.text.slice(a.end, b.start))) out.push(n);
  }
  return out;
}

export const nameOf = (r: Reader, words: readonly Token[]): NameReading =>
  readName(
    words.map((t) => t.norm),
    r.asking.house,
    { breaks: breaksOf(r, words), languages: r.asking.languages },
  );

/** A name with a noun lent from elsewhere in the line: what stands between parts nothing. */
export const lentName = (r: Reader, words: readonly Token[]): NameReading =>
  readName(
    words.map((t) => t.norm),
    r.asking.house,
    { languages: r.asking.languages },
  );

export const isUnknown = (n: NameReading): boolean => n.kind === 'unknown';

export const saidBy = (r: Reader, words: readonly Token[]): string => {
  const [a, b] = [words[0], words[words.length - 1]];
  return a && b ? r.text.slice(a.start, b.end) : '';
};

export function claimName(words: readonly Token[], n: NameReading): void {
  words.forEach((t, k) => {
    t.as = n.as[k] ?? 'unknown';
  });
}

const isPartWord = (t: Token): boolean =>
  /^(?:white|whites|yolk|blancs?|jaunes?|claras?|yemas?|eiweiss|eigelb|dotter)$/.test(t.norm);
const isBeaten = (t: Token): boolean =>
  /^(?:beaten|whisked|whipped|separated|stiff|separate|apart)$/.test(STATE_IN_ENGLISH.get(t.norm) ?? t.norm);
const saysNothing = (t: Token): boolean => STATE.has(t.norm) || FILLER.has(t.norm) || HARMLESS.has(t.norm);

/**
 * "eggs, whites whipped"; "oats, skin and all": what is done to a part of the thing. @param ofEgg the thing is an egg
 */
const isOfItsPart = (part: readonly Token[], ofEgg: boolean): boolean =>
  (ofEgg && part.some(isPartWord) && part.some(isBeaten)) ||
  (part.some((t) => STATE.has(t.norm)) &&
    part.some((t) => ITS_PARTS.has(t.norm)) &&
    part.every((t) => saysNothing(t) || ITS_PARTS.has(t.norm)));

/** A word that may be the thing's own, whatever leads into it. */
const isDangerous = (t: Token): boolean => VARIANT.has(t.norm) || HEADS.has(t.norm) || /\d/.test(t.norm);

/** "En rodajas finas": cut so. */
const isShape = (rest: readonly Token[]): boolean => rest[0] !== undefined && SHAPE_IN_ENGLISH.has(rest[0].norm);

/** "Noisettes en poudre": what it seems to come from is in the name of another thing. @param n where that begins */
function isOfTheName(r: Reader, part: readonly Token[], n: number): boolean {
  const whole = nameOf(r, part);
  return whole.kind === 'found' && whole.as.slice(n).every((a) => a === 'ingredient');
}

/** Whether a word leads into what is done to the thing, or where it comes from. @param rest what stands behind it */
const leadsInto = (t: Token, rest: readonly Token[], stateBefore: boolean, endsInState: boolean): boolean =>
  LEADS_INTO_STATE.has(t.norm) ||
  (LEADS_ABROAD.has(t.norm) && (stateBefore || isShape(rest))) ||
  (/^(?:zum?|im)$/.test(t.norm) && endsInState) ||
  // "mit der Gabel zerdrückt": with a tool, and with nothing of the pantry
  (/^(?:mit|avec|con)$/.test(t.norm) && rest.length > 0 && rest.every(saysNothing));

/** Claims a part from the word that leads into where it comes from. @param isFirst it stands before any comma */
function takeLeading(r: Reader, part: readonly Token[], isFirst: boolean): void {
  for (const [n, t] of part.entries()) {
    const [before, rest] = [part[n - 1], part.slice(n + 1)];
    const stateBefore = before !== undefined && (STATE.has(before.norm) || before.as === 'state');
    // "in Rum eingeweicht"
    const endsInState = STATE_IN_ENGLISH.has(rest.at(-1)?.norm ?? '');
    // "en polvo" may be another thing, "remojadas en ron" is not
    if (!leadsInto(t, rest, stateBefore, endsInState)) continue;
    if (rest.length === 0 && r.tokens[r.tokens.indexOf(t) + 1]?.as === 'state') t.as = 'state';
    if (rest.length === 0 && !stateBefore) continue;
    if (isFirst && (!before || isOfTheName(r, part, n))) return;
    if (!stateBefore && !endsInState && !isShape(rest) && rest.some(isDangerous)) continue;
    // a temperature or a fridge is told with what leads into it
    for (const x of part.slice(n)) x.as = 'state';
    return;
  }
}

/** Words that lead into where it comes from, and the state words before them, are claimed to the end of their part. */
export function takeStates(r: Reader, words: readonly Token[]): readonly Token[] {
  const breaks = [0, ...breaksOf(r, words), words.length];
  const parts = breaks.slice(1).map((to, n) => words.slice(breaks[n], to));
  const ofEgg = parts[0]?.some((t) => /^(?:egg|eier|ei|oeufs?|huevos?)$/.test(t.norm)) ?? false;
  for (const [p, part] of parts.entries()) {
    if (p === 0 || !isOfItsPart(part, ofEgg)) takeLeading(r, part, p === 0);
    else for (const t of part) t.as = 'state';
  }
  return words.filter((t) => t.as === null);
}

/** Whether words by themselves are a thing, so that an amount before them is theirs. */
export function beginsName(r: Reader, words: readonly Token[]): boolean {
  const n = nameOf(r, words);
  return !isUnknown(n) && n.as.some((a) => a === 'ingredient');
}
