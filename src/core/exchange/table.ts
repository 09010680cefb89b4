/** Files of lines as a table: CSV and TSV. What is pasted of one is read as a card (`card/table.ts`). */

import Papa from 'papaparse';
import { columnOf, lineOfCells } from '../card/table';
import { oneRow, type Recipes, unread } from './open-recipe';

/** Columns of a file besides those of a card: a line as it was written, and the group it stands in. */
const AS_WRITTEN = /^(?:line|as written|text|row|written)$/i;
const GROUP = /^(?:group|part|section|bowl|for|heading)$/i;
const isKnown = (head: string): boolean =>
  AS_WRITTEN.test(oneRow(head)) || GROUP.test(oneRow(head)) || columnOf(oneRow(head)) !== null;

const NUMBER = /^[\d.,/½¼¾⅓⅔⅛ ]+$/;

/**
 * One row as a line of a card: "2 cups flour, sifted". @param head names of the columns; unknown ones keep their order
 */
export function rowOfCells(head: readonly string[], cells: readonly string[]): string {
  const said = cells.map(oneRow);
  const written = said[head.findIndex((h) => AS_WRITTEN.test(oneRow(h)))] ?? '';
  if (written !== '') return written;
  const line = lineOfCells(
    said,
    head.map((h) => columnOf(oneRow(h))),
  );
  if (line !== null) return line;
  const all = said.filter(Boolean);
  // no heads, or strange ones: a name before its number goes behind it, as a card has it
  const [first = '', second = '', third = '', ...more] = all;
  const behind = NUMBER.test(second) && !NUMBER.test(first);
  return (
    behind
      ? [
          /^\p{L}{1,12}$/u.test(third) ? `${second} ${third}` : second,
          first,
          ...(/^\p{L}{1,12}$/u.test(third) ? [] : [third]),
          ...more,
        ]
      : all
  )
    .filter(Boolean)
    .join(' ');
}

const isHead = (cells: readonly string[]): boolean =>
  cells.filter(isKnown).length >= 2 ||
  (cells.length <= 2 && cells.some((c) => /^(?:line|as written|ingredients?)$/i.test(oneRow(c))));

const MOST_ROWS = 1_500;

/** @param delimiter "\t", or "" to find it out. @returns the one recipe of a table */
export function readTable(text: string, delimiter = ''): Recipes {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    delimiter,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  });
  if (data.length > MOST_ROWS)
    return unread(
      `This table has ${data.length.toLocaleString('en-GB')} rows; a card has at most ${MOST_ROWS.toLocaleString('en-GB')}.`,
    );
  const heads = data.findIndex(isHead);
  const head = heads < 0 ? [] : (data[heads] ?? []);
  const groupAt = head.findIndex((h) => GROUP.test(oneRow(h)));
  const rows: string[] = [];
  let name: string | null = null;
  let group = '';
  for (const [n, cells] of data.entries()) {
    if (n === heads) continue;
    // what stands above the heads is the title
    if (n < heads) {
      const words = cells.map(oneRow).filter(Boolean).join(' ');
      if (name === null) name = words;
      else rows.push(words);
      continue;
    }
    const of = groupAt < 0 ? '' : oneRow(cells[groupAt] ?? '');
    if (of !== group && of !== '') rows.push('', `${of.replace(/:$/, '')}:`);
    group = of;
    const row = rowOfCells(head, groupAt < 0 ? cells : cells.map((c, k) => (k === groupAt ? '' : c)));
    if (row !== '') rows.push(row);
  }
  if (rows.length === 0) return unread('There are no lines in this table.');
  return {
    ok: true,
    value: [
      {
        name,
        card: [...(name ? [name, ''] : []), ...rows].join('\n'),
        lines: [],
        method: [],
        remarks: [],
        nutrition: null,
        formula: undefined,
      },
    ],
  };
}
