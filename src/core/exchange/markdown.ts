/** Markdown: read as a card (front matter, headings, lists, task boxes, tables, bold), and written. */

import type { List, Root, RootContent, Table } from 'mdast';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { gfmFromMarkdown } from 'mdast-util-gfm';
import { toString as wordsOf } from 'mdast-util-to-string';
import { gfm } from 'micromark-extension-gfm';
import { parse as parseYaml } from 'yaml';
import { type OpenRecipe, oneRow, type Recipes, remark, under, unread } from './open-recipe';
import { rowOfCells } from './table';

const FRONT = /^\ufeff?---[ \t]*\r?\n([\s\S]*?)\r?\n(?:---|\.\.\.)[ \t]*(?:\r?\n|$)/;

/** Fields of the front matter by what they mean to a card. */
const TITLES = new Set(['title', 'name', 'recipe']);
const YIELDS = new Set(['yield', 'yields', 'makes', 'serves', 'servings', 'portions']);

const flat = (x: unknown): string => {
  if (Array.isArray(x)) return x.map(flat).join(', ');
  if (x instanceof Date) return x.toISOString().slice(0, 10);
  if (typeof x === 'object' && x !== null)
    return Object.entries(x)
      .map(([k, v]) => `${k} ${flat(v)}`)
      .join(', ');
  return x === null || x === undefined ? '' : String(x);
};

function frontOf(text: string): { readonly fields: readonly (readonly [string, string])[]; readonly rest: string } {
  const m = FRONT.exec(text);
  if (!m) return { fields: [], rest: text };
  try {
    const of: unknown = parseYaml(m[1] ?? '', { maxAliasCount: 10 });
    if (typeof of !== 'object' || of === null || Array.isArray(of)) return { fields: [], rest: text };
    return { fields: Object.entries(of).map(([k, v]) => [k, oneRow(flat(v))] as const), rest: text.slice(m[0].length) };
  } catch {
    // no front matter after all: its rows are read as what they are
    return { fields: [], rest: text };
  }
}

/** The words of a paragraph, a row for each of its lines. */
const rowsOf = (n: RootContent): readonly string[] =>
  ('children' in n
    ? n.children.map((c) => (c.type === 'break' ? '\n' : c.type === 'html' ? ` ${c.value} ` : wordsOf(c))).join('')
    : wordsOf(n)
  )
    .split(/\r?\n/)
    .map(oneRow)
    .filter(Boolean);

/** Rows of a list; one that leads a list of its own is that one's heading. Steps keep their numbers. */
function listRows(l: List): readonly string[] {
  return l.children.flatMap((item, n) => {
    const inner = item.children.filter((c): c is List => c.type === 'list');
    const own = item.children.filter((c) => c.type !== 'list').flatMap((c) => rowsOf(c));
    const nested = inner.flatMap(listRows);
    if (nested.length > 0 && own.length > 0 && l.ordered !== true) return [...under(own.join(' '), nested), ''];
    const [first, ...more] = own;
    return [
      ...(first === undefined ? [] : [l.ordered ? `${(l.start ?? 1) + n}. ${first}` : first]),
      ...more,
      ...nested,
    ];
  });
}

const tableRows = (t: Table): readonly string[] => {
  const [head, ...body] = t.children.map((r) => r.children.map((c) => oneRow(wordsOf(c))));
  return body.map((cells) => rowOfCells(head ?? [], cells)).filter(Boolean);
};

function cardRows(root: Root): { readonly title: string | null; readonly rows: readonly string[] } {
  let title: string | null = null;
  const rows: string[] = [];
  for (const n of root.children) {
    if (n.type === 'heading') {
      const words = oneRow(wordsOf(n));
      if (title === null && n.depth === 1 && rows.length === 0) title = words;
      else if (words !== '') rows.push('', `${words.replace(/:$/, '')}:`);
    } else if (n.type === 'list') rows.push(...listRows(n));
    else if (n.type === 'table') rows.push(...tableRows(n));
    else if (n.type === 'code') rows.push(...n.value.split(/\r?\n/));
    else if (n.type === 'blockquote')
      rows.push(...n.children.flatMap((c) => (c.type === 'list' ? listRows(c) : rowsOf(c))));
    else if (n.type !== 'thematicBreak' && n.type !== 'definition') rows.push('', ...rowsOf(n));
  }
  return { title, rows };
}

/** Lists and quotes within each other, more than which no recipe has. */
const MOST_DEPTH = 8;
/**
 * Signs of one paragraph that may be emphasis, links or code; more are no writing of a cook, and cost a reader their
 * square.
 */
const MOST_SIGNS = 120;

/** How deep a row opens lists and quotes, by its own signs and by how far it stands in. */
const depthOf = (row: string): number => {
  const [opens = ''] = /^(?:[ \t]*(?:[-*+>]|\d{1,9}[.)])(?=\s|>|$))*[ \t]*/.exec(row) ?? [];
  return Math.max((opens.match(/[-*+>]|\d+[.)]/g) ?? []).length, Math.floor(opens.length / 2) - 1);
};

/** The words of a paragraph whose signs are too many to be meant. */
const plain = (paragraph: string): string =>
  (paragraph.match(/[*_~[\]`<!]/g)?.length ?? 0) > MOST_SIGNS ? paragraph.replace(/[*_~[\]`<!]/g, ' ') : paragraph;

/** Rows with words in them: as many as a card has at most. */
const MOST_ROWS = 1_500;

/** @returns the recipe of a Markdown file */
export function readMarkdown(text: string): Recipes {
  const { fields, rest } = frontOf(text);
  const written = rest.split(/\r?\n/).filter((r) => r.trim() !== '');
  if (written.length > MOST_ROWS)
    return unread(
      `It has ${written.length.toLocaleString('en-GB')} rows; a recipe has at most ${MOST_ROWS.toLocaleString('en-GB')}.`,
    );
  if (written.some((r) => depthOf(r) > MOST_DEPTH))
    return unread('Its lists stand deeper within each other than those of any recipe.');
  const words = rest
    .split(/(\n[ \t]*\r?\n)/)
    .map(plain)
    .join('');
  const { title, rows } = cardRows(fromMarkdown(words, { extensions: [gfm()], mdastExtensions: [gfmFromMarkdown()] }));
  const front = (names: ReadonlySet<string>) => fields.find(([k, v]) => names.has(k.toLowerCase()) && v !== '');
  const name = front(TITLES)?.[1] ?? title;
  const yields = front(YIELDS);
  const card = [
    ...(name ? [name] : []),
    // the page's own heading, where the front matter calls it otherwise
    ...(title && title !== name ? [title] : []),
    ...(yields ? [`${/^serv|^port/i.test(yields[0]) ? 'Serves' : 'Makes'} ${yields[1]}`] : []),
    ...rows,
  ].join('\n');
  const remarks = fields.flatMap(([k, v]) =>
    v === '' || TITLES.has(k.toLowerCase()) || YIELDS.has(k.toLowerCase()) ? [] : [remark(k, v)],
  );
  const r: OpenRecipe = { name, card, lines: [], method: [], remarks, nutrition: null, formula: undefined };
  return rows.every((x) => x.trim() === '')
    ? unread('There is nothing in this file but its title.')
    : { ok: true, value: [r] };
}
