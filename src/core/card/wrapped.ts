/**
 * A card whose rows were broken where the page ended: a scan, a letter of 72 columns, a narrow frame. A word, a
 * sentence or a line of the list that goes on in the next row is put in one row again; the rows that it leaves stay,
 * empty, so that each row of the text keeps its number.
 */
import type { KitchenConventions } from '../pantry/conventions';
import { DISH, roleOf } from './headings';
import { type Line, readLine } from './line';
import { saysUnit } from './shares';
import { DOING, firstWord, SHORTENED } from './writing';

/** "butter-" above "milk"; what has its hyphen in one row too keeps it: "all-" above "purpose". */
const HALF_WORD = /(?<!\p{L})(\p{L}{2,})-$/u;
const KEEPS_HYPHEN =
  /^(?:all|self|half|whole|low|full|non|semi|stone|free|gluten|fat|reduced|two|three|four|five|six|eight|ten|cast|large|medium|small|quick|extra|cream|ready|pre|well|high|ice|egg|deep|heavy|oven)$/i;

/** Words that what they belong to follows: at the end of a row the next one goes on. */
const LEADS_ON =
  /(?<!\p{L})(?:and|or|with|without|of|the|an?|to|in|into|on|onto|over|for|from|at|by|about|around|until|till|per|each|every|another|than|that|which|is|are|then|your|my|its|it’s|if|as|but|not|plus|very|just|lightly|well|additional|medium|high|low|hot|und|oder|mit|ohne|der|die|das|den|dem|ein|eine|einer|einem|im|in|zu|zum|bis|etwa|für|je|pro|et|ou|avec|sans|le|la|les|un|une|du|des|de|dans|pour|à|y|o|con|sin|el|los|las|una|del|en|para|por|hasta)$|,$|\d$/iu;
/** What begins no step. */
const NEVER_FIRST = /^(?:until|till|per|and|or|of)\s/;
/** A row that goes on may begin with what is no word of its own. */
const OF_NUMBER = /^(?:°|º|degrees?\b|[CF]\b[.,;]?)/;
const A_BIT_OF =
  /^(?:good |big |small |tiny )?(?:pinch|dash|splash|knob|handful|squeeze|glug|drizzle)(?:e?s)? of \p{L}/iu;
const AMOUNT_ROW = /^(?:[\d½¼¾⅓⅔⅛~]|l (?=\p{L}))/u;
const IS_BULLET = /^(?:[lo] (?=\d)|[l] (?=\p{L}))/u;
/** A sentence has ended within the row, and another begun. */
const NEW_SENTENCE = /(?<=(\p{L}{2,}|\d))[.!?;] +(?:\p{Lu}|then\b)/u;
const isNewSentence = (row: string): boolean => {
  const last = NEW_SENTENCE.exec(row)?.[1];
  return last !== undefined && !SHORTENED.test(last) && (last.length > 3 || !AMOUNT_ROW.test(row));
};
const ENDED = /[.!?:;)\]"]$/u;
const LONG_WORDS = 8;
/** "flour 200 g", "salt, a pinch": of a list, and no part of a sentence. */
const IS_ITEM =
  /^\p{L}[\p{L} ’'-]{1,28}[,:]?\s+(?:[\d½¼¾⅓⅔⅛][\d.,/ ]*\s?\p{L}{0,10}\.?|an? (?:pinch|dash|splash|knob))$/u;
/** "flour – 200 g", "2 eggs, separated", "Flour    2 cups": a row of a list. */
const IS_ROW = /^[\d½¼¾⅓⅔⅛][^.;]*$|^\p{L}[\p{L} ’'()-]{1,30}?(?:\s*[–—:=-]\s*|\s)[\d½¼¾⅓⅔⅛][^.;]*$/u;
const COLUMNS = /\S(?:\s{3,}|\t)\S/;
const STEP_MARK = /^\s*(?:(?:step )?\(?\d{1,2}[.):]|[-–—•*·☐▢])\s+/iu;
/** Whether a row begins a thing of its own; "5. Mix" below a row that is not at its end may be a number's point. */
const isOwn = (row: string, next: string): boolean =>
  IS_BULLET.test(next) ||
  saysUnit(next) ||
  (STEP_MARK.test(next) && (!/^\(?\d/.test(next) || row === '' || ENDED.test(row) || STEP_MARK.test(row)));

/** A row with more commas than a thing of a list has, the last at its end, goes on. */
const MOST_COMMAS = 3;
/** A row that tells what is done: no line of the list, and no name. */
function isProse(row: string): boolean {
  const text = row.replace(STEP_MARK, '');
  if (ENDED.test(text)) return false;
  const words = text.split(/\s+/);
  return (
    isNewSentence(text) ||
    (text.split(',').length > MOST_COMMAS && text.endsWith(',')) ||
    (/^\p{Lu}/u.test(text) &&
      ((words.length >= LONG_WORDS && !text.includes(':')) || (words.length > 2 && DOING.has(firstWord(text)))))
  );
}

/**
 * Whether the next row goes on with the sentence that a row has begun.
 * @param isPointed the text ends its sentences with points
 * @param fills the next row's first word had no room in this one
 */
function goesOn(row: string, next: string, isPointed: boolean, fills: boolean): boolean {
  if (isOwn(row, next)) return false;
  if (OF_NUMBER.test(next) && /\d$/.test(row)) return true;
  const leads = LEADS_ON.test(row);
  if (/^\(/.test(next)) return leads || fills;
  if (/^[\d½¼¾⅓⅔⅛]/u.test(next)) return leads && !/\d$/.test(row);
  if (!/^\p{Ll}/u.test(next)) return leads && /\p{L}$/u.test(row) && /^\p{L}/u.test(next) && fills;
  if (leads) return true;
  // "splash of vanilla": a row of a list
  if (A_BIT_OF.test(next)) return false;
  return NEVER_FIRST.test(next) || (isPointed && !IS_ITEM.test(next) && (!DOING.has(firstWord(next)) || fills));
}

/** Where rows stand together: from the first behind a gap to the next gap. */
function paragraphAt(rows: readonly string[], n: number): readonly string[] {
  const from = rows.slice(0, n).findLastIndex((x) => x.trim() === '') + 1;
  const to = rows.slice(n).findIndex((x) => x.trim() === '');
  return rows.slice(from, to < 0 ? rows.length : n + to);
}

/** Halves of words in one row: "2 tsp. baking pow-" above "der". */
function withWholeWords(rows: readonly string[]): readonly string[] {
  const out = [...rows];
  for (let n = 0; n + 1 < out.length; n++) {
    const half = HALF_WORD.exec(out[n]?.trimEnd() ?? '');
    const rest = /^\s*(\p{Ll}\p{L}*[.,;:!?)]*)\s*(.*)$/u.exec(out[n + 1] ?? '');
    if (!half || !rest || /^[\d½¼¾⅓⅔⅛]/u.test(rest[2] ?? '')) continue;
    const row = (out[n] ?? '').trimEnd();
    // "Wet ingredients-" above "milk" heads it
    const name = row.replace(STEP_MARK, '').slice(0, -1);
    if (roleOf(name) !== null || DISH.test(name)) continue;
    out[n] = (KEEPS_HYPHEN.test(half[1] ?? '') ? row : row.slice(0, -1)) + rest[1];
    out[n + 1] = rest[2] ?? '';
  }
  return out;
}

/**
 * Sentences that go on in the next row, each in the row that it begins in.
 * @param written the rows before any was put to another: what is empty only since then is no gap
 */
function withWholeSentences(rows: readonly string[], written: readonly string[]): readonly string[] {
  const out = [...rows];
  const isPointed = rows.some(isNewSentence) || rows.filter((r) => /[.!]$/.test(r.trim())).length > 1;
  const places = rows.flatMap((row, n) => (row.trim() !== '' || written[n]?.trim() === '' ? [n] : []));
  let from: number | null = null;
  for (const [k, n] of places.entries()) {
    const at = places[k + 1];
    const [row, next] = [rows[n]?.trim() ?? '', at === undefined ? '' : (rows[at]?.trim() ?? '')];
    if (from === null) from = isProse(row) ? n : null;
    else if (row === '' || ENDED.test(row)) from = null;
    if (from === null || at === undefined || next === '') continue;
    const width = Math.max(...paragraphAt(rows, n).map((x) => x.trimEnd().length));
    if (goesOn(row, next, isPointed, isFull(row, next, width))) {
      out[from] = `${out[from]?.trimEnd()} ${next}`;
      out[at] = '';
    } else from = null;
  }
  return out;
}

/** A paragraph that fills its width has so many rows at least, and more where it is narrow. */
const LEAST_FILLED = 3;
const LEAST_NARROW = 4;
const NARROW_CHARS = 44;
const LEAST_CHARS = 28;
/** So much of its rows begins small, as within a sentence, or behind a word that leads on. */
const SMALL_SHARE = 1 / 3;

/** Whether the first word of the next row had no room in a row, in a paragraph of this width. */
const isFull = (row: string, next: string, width: number): boolean =>
  row.trimEnd().length + 1 + (/^\S+/.exec(next.trim())?.[0].length ?? 0) > width;

/** Paragraphs that fill their width to the last row, as one row: the list, the method or talk, whatever it is. */
function withWholeParagraphs(rows: readonly string[]): readonly string[] {
  const out = [...rows];
  const goesDown = (n: number): boolean => {
    const next = rows[n + 1]?.trim() ?? '';
    const width = Math.max(...paragraphAt(rows, n).map((x) => x.trimEnd().length));
    const row = rows[n]?.trim() ?? '';
    if (next === '' || isOwn(row, next) || /:$|^\|/.test(row)) return false;
    return width >= LEAST_CHARS && isFull(rows[n] ?? '', next, width);
  };
  for (let from = 0; from < rows.length; from++) {
    if (rows[from]?.trim() === '') continue;
    let end = from;
    while (end + 1 < rows.length && goesDown(end)) end++;
    const run = rows.slice(from, end + 1).map((x) => x.trim());
    const width = Math.max(...run.map((x) => x.length));
    const isList = run.filter((x) => IS_ROW.test(x)).length > run.length / 2 || run.some((x) => COLUMNS.test(x));
    const small = run.slice(1).filter((x, n) => /^\p{Ll}/u.test(x) || LEADS_ON.test(run[n] ?? '')).length;
    if (
      !isList &&
      run.length >= (width < NARROW_CHARS ? LEAST_NARROW : LEAST_FILLED) &&
      small >= SMALL_SHARE * (run.length - 1)
    ) {
      out[from] = run.join(' ');
      out.fill('', from + 1, end + 1);
    }
    from = end;
  }
  return out;
}

/** The rows of a text, words and sentences that go on in the next row in one; as many rows as there were. */
export const unwrapped = (rows: readonly string[]): readonly string[] =>
  withWholeSentences(withWholeParagraphs(withWholeWords(rows)), rows);

const isClear = (l: Line): boolean => l.status === 'read' && l.ingredient !== null && l.findings.length === 0;
const MOST_REST_WORDS = 6;
const isOpenBracket = (row: string): boolean => row.lastIndexOf('(') > row.lastIndexOf(')');
/**
 * Lines of a list that go on in the next row: "1 cup all-purpose" above "flour", "2 eggs, lightly" above "beaten".
 * The two are one where they read clearly together and the next alone is no line of its own.
 */
export function withWholeLines(rows: readonly string[], house: KitchenConventions): readonly string[] {
  const out = [...rows];
  for (let n = 0; n + 1 < out.length; n++) {
    const [row, next] = [out[n]?.trim() ?? '', out[n + 1]?.trim() ?? ''];
    if (!AMOUNT_ROW.test(row) || next.split(/\s+/).length > MOST_REST_WORDS) continue;
    const closes = isOpenBracket(row) && /^[^()]*\)/.test(next);
    if (!closes && (!/^\p{Ll}{2}/u.test(next) || IS_BULLET.test(next) || ENDED.test(row) || IS_ITEM.test(next)))
      continue;
    const both = readLine(`${row} ${next}`, house);
    if (!isClear(both) && !closes) continue;
    const [alone, rest] = [readLine(row, house), readLine(next, house)];
    const isRest = rest.ingredient === null || rest.ingredient.id === both.ingredient?.id;
    if (!closes && !(rest.written.length === 0 && (isRest || !isClear(alone)))) continue;
    out[n] = `${row} ${next}`;
    out[n + 1] = '';
  }
  return out;
}
