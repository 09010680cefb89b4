/** What stands before a line on a card and is no part of it: bullets, tick boxes, numbering, table bars, dot leaders. */

const BULLET = /^\s*(?:[•●▪◦‣∙·*☐☑✓✔□–—]|\[[ x]?\]|-(?!\s*\d)|-(?=\s+\d))\s*/iu;
const NUMBERING = /^\s*\(?\d{1,2}[.)]\s+(?=\S)/;

/** "| Flour | 2 cups |": a row of a table, as "Flour: 2 cups". */
const unTable = (text: string): string => {
  const row = /^\s*\|(.*)\|\s*$/.exec(text);
  if (!row) return text;
  const cells = (row[1] ?? '').split('|').map((c) => c.trim());
  return cells.every((c) => /^:?-*:?$/.test(c)) ? '' : cells.filter(Boolean).join(': ');
};

/** Takes bullets, tick boxes, numbering, table bars and dot leaders off a line; the rest is as written. */
export const stripBullet = (text: string): string =>
  unTable(text)
    .replace(BULLET, '')
    .replace(NUMBERING, '')
    .replace(/\s*\.{3,}\s*|\s*…\s*/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
