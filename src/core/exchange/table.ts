/** Tables of lines: CSV, TSV, and what a spreadsheet gives to the clipboard. */

import Papa from 'papaparse';
import { oneRow, type Recipes, unread } from './open-recipe';

/** What columns are called, by what they hold. */
const COLUMNS: Readonly<Record<'amount' | 'unit' | 'name' | 'grams' | 'percent' | 'note' | 'group' | 'line', RegExp>> =
  {
    line: /^(?:line|as written|text|row|written)$/i,
    amount: /^(?:amounts?|quantity|qty|how much|measure|menge|quantité|cantidad)$/i,
    unit: /^(?:units?|measure unit|einheit|unité|unidad)$/i,
    name: /^(?:ingredients?|items?|what|name|zutat(?:en)?|ingrédients?|ingredientes?)$/i,
    grams: /^(?:grams?|g|weight|weight(?: in)?,? ?\(?g\)?|gramm|grammes)$/i,
    percent: /^(?:percent(?:age)?|%|baker.?s ?%|% ?of flour|percent of flour)$/i,
    note: /^(?:notes?|prep(?:aration)?|how|remarks?)$/i,
    group: /^(?:group|part|section|bowl|for|heading)$/i,
  };
type Column = keyof typeof COLUMNS;

const columnOf = (head: string): Column | null =>
  (Object.keys(COLUMNS) as Column[]).find((c) => COLUMNS[c].test(oneRow(head))) ?? null;

const NUMBER = /^[\d.,/½¼¾⅓⅔⅛ ]+$/;

/**
 * One row as a line of a card: "2 cups flour, sifted". @param head names of the columns; unknown ones keep their order
 */
export function rowOfCells(head: readonly string[], cells: readonly string[]): string {
  const columns = head.map(columnOf);
  const at = (c: Column): string => {
    const n = columns.indexOf(c);
    return n < 0 ? '' : oneRow(cells[n] ?? '');
  };
  if (at('line') !== '') return at('line');
  if (at('name') !== '') {
    const amount = [at('amount'), at('unit')].filter(Boolean).join(' ');
    const grams = at('grams') === '' ? '' : NUMBER.test(at('grams')) ? `${at('grams')} g` : at('grams');
    // two ways to say it stand as a card writes them: "2 cups (250 g) flour"
    const measured = amount !== '' && grams !== '' ? `${amount} (${grams})` : amount || grams;
    const rest = cells.flatMap((c, n) => (columns[n] === null && oneRow(c) !== '' ? [oneRow(c)] : []));
    return [[measured, at('name')].filter(Boolean).join(' '), at('note'), ...rest].filter(Boolean).join(', ');
  }
  const all = cells.map(oneRow).filter(Boolean);
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
  cells.filter((c) => columnOf(c) !== null).length >= 2 ||
  (cells.length <= 2 && cells.some((c) => /^(?:line|as written|ingredients?)$/i.test(oneRow(c))));

/**
 * What a spreadsheet gives to the clipboard, as a card: its columns by their heads, so that grams are grams and percent
 * is none of them. Any other text stays as it is.
 */
export function cardOfPasted(text: string): string {
  const rows = text.split(/\r?\n/).map((r) => r.split('\t'));
  if (!rows.some((r) => r.length > 1 && isHead(r))) return text;
  const read = readTable(text, '\t');
  return read.ok ? (read.value[0]?.card ?? text) : text;
}

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
  const groupAt = head.findIndex((h) => columnOf(h) === 'group');
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
