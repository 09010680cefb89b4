/**
 * Amounts that the one who tells puts right: "two eggs, no, three eggs", "Mum used 4 eggs. I only use 3 eggs". The
 * amount that is meant stays a line; the other is set aside with its words.
 */
import { COUNT_WORDS } from './items';
import type { Line } from './line';
import type { Vessel } from './parts';
import { isClean } from './prose';
import { type RowReading, readRows } from './rows';

const AMOUNT = new RegExp(`[\\d½¼¾⅓⅔⅛]|\\b(?:an?|half|quarter|third|${COUNT_WORDS})\\b`, 'i');
const AMOUNTS = new RegExp(AMOUNT.source, 'gi');
const SLIP = `no|nope|sorry|wait|oops|i mean|i meant|or rather|rather|correction|scratch that`;
/** Right before an amount: what was said before it is taken back. */
const TAKEN_BACK = new RegExp(
  String.raw`(?:^|[\s,;.–—-])(?:(?:${SLIP})|(?:actually[,\s]*)?make (?:it|that|them)|actually)[,\s]*(?:(?:it[’']s|that[’']s|use|take|make (?:it|that)|should be|i (?:use|take|put))\s+)?$`,
  'i',
);
/** At the end of what is taken back. */
const SLIP_BEHIND = new RegExp(String.raw`[\s,]+(?:${SLIP})$`, 'i');
/** "I only use": the cook's own amount, instead of one that was told. */
const OWN_ONLY =
  /\b(?:i|we) (?:(?:only|just|now|these days|always|actually) )+(?:use|take|put)(?: in)?(?: only| just)?\s*$/i;
const OWN = /\b(?:i|we) (?:use|take|put)(?: in)?\s*$/i;
/** Whose amount stands before it. */
const OTHERS =
  /\b(?:she|he|they|mum|mom|dad|gran(?:ny|dma|dad|dpa)?|nan|my \w+|the (?:card|book|recipe|packet|original)) (?:always |usually )?(?:used?|uses|says?|said|puts?|had|has|takes?|took|calls? for|wants?)\b/i;

/** "2 eggs... no, make that 3 eggs": what is told first of a thing, and what is meant; null: the row tells one. */
function putRightAtOnce(row: string, r: RowReading, hint: Vessel | null): readonly Line[] | null {
  for (const m of row.matchAll(AMOUNTS)) {
    const [slip] = m.index > 0 ? (TAKEN_BACK.exec(row.slice(0, m.index)) ?? []) : [];
    if (slip === undefined) continue;
    const told = row.slice(0, m.index - slip.length).replace(/[\s,;.…–—-]+$/, '');
    const lines = [told, row.slice(m.index)].flatMap((part) => readRows(part, r, hint));
    const [first, meant] = lines;
    const isOne = lines.length === 2 && lines.every(isClean) && first?.ingredient?.id === meant?.ingredient?.id;
    if (isOne) return lines;
  }
  return null;
}

/** "Actually make that 4 eggs.": the line of a row that takes back what was told of a thing; null: it does not. */
export function rowPutRight(row: string, r: RowReading, hint: Vessel | null): readonly Line[] | null {
  const at = row.search(AMOUNT);
  if (at === 0) return putRightAtOnce(row, r, hint);
  if (at < 0 || !TAKEN_BACK.test(row.slice(0, at))) return null;
  const lines = readRows(row.slice(at).replace(/[.!]$/, ''), r, hint);
  const [line] = lines;
  const isOf = line && isClean(line) && r.before.some((x) => x.ingredient?.id === line.ingredient?.id);
  return isOf && lines.length === 1 ? lines : null;
}

interface Told<L> {
  readonly line: L;
  /** Words between the line told before it, or the row's start, and its own amount. */
  readonly before: string;
  /** What the sentence says behind it. */
  readonly after: string;
}

/** Each line with the words before its amount. @param rowOf the row that a line was told in */
function withWords<L extends Line>(lines: readonly L[], rowOf: (l: L) => string): readonly Told<L>[] {
  let [row, from] = ['', 0];
  return lines.map((line) => {
    const now = rowOf(line);
    if (now !== row) [row, from] = [now, 0];
    const at = Math.max(now.indexOf(line.text, from), from);
    const before = now.slice(from, at) + line.text.slice(0, Math.max(0, line.text.search(AMOUNT)));
    from = Math.min(now.length, at + line.text.length);
    return { line, before, after: now.slice(from).split(/[.;!?]/)[0] ?? '' };
  });
}

/** A cook's own amount of a thing is within so much of another's; less is a part of it ("I only put in a cup first"). */
const MOST_APART = 2;
const isNear = (a: Line, b: Line): boolean =>
  a.grams === null || b.grams === null || Math.max(a.grams, b.grams) <= MOST_APART * Math.min(a.grams, b.grams);

/** Whether a line says again, and otherwise, what was told before. */
function takesBack<L extends Line>(now: Told<L>, was: Told<L>, isNext: boolean): boolean {
  const before = now.before.trimEnd();
  return (
    TAKEN_BACK.test(now.before) ||
    (isNext && SLIP_BEHIND.test(was.line.text)) ||
    (isNear(now.line, was.line) && (OWN_ONLY.test(before) || (OWN.test(before) && OTHERS.test(was.before))))
  );
}

/** "A cup of the milk first, then the rest": a part of what was told before. */
const THE_REST = /\bthe (?:rest|remaining|remainder|other half)\b/i;
const A_PART = /^(?:about )?(?:half|a third|a quarter|two thirds|some|most|a little)(?: of)? the \p{L}/iu;
const isOfAnother = <L extends Line>(now: Told<L>, all: readonly Told<L>[]): boolean =>
  A_PART.test(now.line.text) &&
  now.line.grams === null &&
  all.some((x) => x.line.ingredient?.id === now.line.ingredient?.id && x.line.grams !== null);
const isPart = <L extends Line>(now: Told<L>, before: readonly Told<L>[]): boolean =>
  THE_REST.test(now.after) &&
  before.some((was) => was.line.ingredient?.id === now.line.ingredient?.id && isMore(was.line, now.line));
const isMore = (all: Line, part: Line): boolean =>
  all.ingredient !== null && all.grams !== null && part.grams !== null && all.grams > part.grams;

/** @returns the lines that are meant, and those that were taken back or are a part of another */
export function amountsPutRight<L extends Line>(
  lines: readonly L[],
  rowOf: (l: L) => string,
): { readonly meant: readonly L[]; readonly takenBack: readonly L[] } {
  const told = withWords(lines, rowOf);
  const takenBack = told.flatMap((was, n) => {
    const id = was.line.ingredient?.id;
    if (isPart(was, told.slice(0, n)) || isOfAnother(was, told)) return [was.line];
    if (id === undefined || was.line.written.length === 0) return [];
    const isBack = told
      .slice(n + 1)
      .some((now, k) => now.line.ingredient?.id === id && now.line.written.length > 0 && takesBack(now, was, k === 0));
    return isBack ? [was.line] : [];
  });
  return { meant: lines.filter((l) => !takenBack.includes(l)), takenBack };
}
