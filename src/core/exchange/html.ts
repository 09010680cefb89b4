/**
 * A page saved from a browser: the recipe that is marked in it, as JSON-LD or as microdata. The page is only read:
 * nothing of it is run or shown.
 */

import { type ChildNode, type Element, isTag, isText, type ParentNode } from 'domhandler';
import { Parser, parseDocument } from 'htmlparser2';
import { recipeFrom, recipesIn } from './json-ld';
import { type OpenRecipe, oneRow, type Recipes, unread } from './open-recipe';

const SILENT = new Set(['script', 'style', 'noscript', 'template', 'svg']);
const BLOCK = new Set(['p', 'li', 'div', 'br', 'tr', 'h1', 'h2', 'h3', 'h4', 'dd', 'dt', 'section']);

/** Puts children on a stack so that the first comes off first; one by one, since a page may have a million of them. */
function pushAll(open: (ChildNode | string)[], children: readonly ChildNode[]): void {
  for (let n = children.length - 1; n >= 0; n--) open.push(children[n] as ChildNode);
}

/** Elements within elements, and in all: more than any page of a recipe has. */
const MOST_DEPTH = 400;
const MOST_ELEMENTS = 200_000;

/** Whether a page is nested deeper than that, or has more; found before it is made a tree. */
function isTooMuch(text: string): boolean {
  let depth = 0;
  let most = 0;
  let all = 0;
  const tooMuch = (): boolean => most > MOST_DEPTH || all > MOST_ELEMENTS;
  const parser = new Parser({
    onopentag: () => {
      all++;
      depth++;
      most = Math.max(most, depth);
    },
    onclosetag: () => {
      depth--;
    },
  });
  // piece by piece: the rest of a page that is too much is not looked at
  for (let at = 0; at < text.length && !tooMuch(); at += 65_536) parser.write(text.slice(at, at + 65_536));
  return tooMuch();
}

/** The words of a part of a page, rows where it breaks. */
function wordsOf(n: ChildNode | ParentNode): string {
  if (isText(n)) return n.data.replace(/\s+/g, ' ');
  if (!('children' in n)) return '';
  if (isTag(n) && SILENT.has(n.name)) return '';
  // no recursion: a page may be nested as deep as it likes
  const out: string[] = [];
  const open: (ChildNode | string)[] = [...n.children].reverse();
  while (open.length > 0) {
    const at = open.pop();
    if (at === undefined) continue;
    if (typeof at === 'string') out.push(at);
    else if (isText(at)) out.push(at.data.replace(/\s+/g, ' '));
    else if (isTag(at) && !SILENT.has(at.name)) {
      if (BLOCK.has(at.name)) {
        out.push('\n');
        open.push('\n');
      }
      pushAll(open, at.children);
    }
  }
  return out.join('');
}

/** Every element of a tree, in its order. */
function* elements(root: ParentNode): Generator<Element> {
  const open: ChildNode[] = [...root.children].reverse();
  while (open.length > 0) {
    const n = open.pop();
    if (!n || !('children' in n)) continue;
    if (isTag(n)) yield n;
    pushAll(open, n.children);
  }
}

/** What an element of microdata says: its content, address or words. */
function saidBy(e: Element): string {
  const { content, datetime, href, src } = e.attribs;
  if (content !== undefined) return content;
  if (e.name === 'time' && datetime !== undefined) return datetime;
  if (e.name === 'img' || e.name === 'meta') return src ?? '';
  if (e.name === 'link') return href ?? '';
  return wordsOf(e).trim();
}

/** An item of microdata as the node that JSON-LD would have. */
function itemNode(item: Element): Record<string, unknown> {
  const node: Record<string, unknown> = { '@type': (item.attribs.itemtype ?? '').split(/\s+/)[0] };
  const put = (names: string, value: unknown): void => {
    for (const name of names.split(/\s+/).filter(Boolean)) {
      const had = node[name];
      node[name] = had === undefined ? value : Array.isArray(had) ? [...had, value] : [had, value];
    }
  };
  const open: ChildNode[] = [...item.children].reverse();
  while (open.length > 0) {
    const n = open.pop();
    if (!n || !isTag(n)) continue;
    const { itemprop, itemscope } = n.attribs;
    if (itemprop !== undefined && itemscope !== undefined) put(itemprop, itemNode(n));
    else if (itemprop !== undefined) {
      // a list of lines under one name is so many values
      const rows = /^(?:recipeIngredient|ingredients|recipeInstructions)$/.test(itemprop)
        ? saidBy(n).split('\n').map(oneRow).filter(Boolean)
        : [saidBy(n)];
      for (const row of rows) put(itemprop, row);
    } else if (itemscope === undefined) pushAll(open, n.children);
  }
  return node;
}

/** JSON as pages have it: wrapped in comments, with bare line breaks in its texts. */
function json(text: string): unknown {
  const bare = text
    .replace(/^\s*(?:<!--|\/\/\s*<!\[CDATA\[|<!\[CDATA\[)/, '')
    .replace(/(?:-->|\/\/\s*\]\]>|\]\]>)\s*$/, '');
  for (const t of [bare, bare.replace(/\p{Cc}+/gu, ' ')]) {
    try {
      return JSON.parse(t);
    } catch {}
  }
  return null;
}

/** What two markings of one recipe have in common. */
const sameOf = (r: OpenRecipe): string => `${r.name ?? ''} ${r.card.replace(/\W+/g, '')}`.toLowerCase();

/** @returns the recipes marked in a page; or, in plain words, that there is none */
export function readHtml(text: string): Recipes {
  if (isTooMuch(text))
    return unread(
      'This page is nested deeper, or has more in it, than any recipe. Select the recipe in it, copy it, and paste its words.',
    );
  const document = parseDocument(text, { lowerCaseTags: true, decodeEntities: true });
  const found: OpenRecipe[] = [];
  let broken = false;
  for (const e of elements(document)) {
    if (e.name === 'script' && /ld\+json/i.test(e.attribs.type ?? '')) {
      const of = json(e.children.map((c) => (isText(c) ? c.data : '')).join(''));
      if (of === null) broken = true;
      else found.push(...recipesIn(of).map((r) => recipeFrom(r)));
    } else if (e.attribs.itemscope !== undefined && /schema\.org\/Recipe\b/i.test(e.attribs.itemtype ?? ''))
      found.push(recipeFrom(itemNode(e)));
  }
  const once = found.filter((r, n) => found.findIndex((o) => sameOf(o) === sameOf(r)) === n && r.card.includes('\n'));
  if (once.length > 0) return { ok: true, value: once };
  return unread(
    broken
      ? 'The recipe that is marked in this page is broken JSON. Select the recipe in the page, copy it, and paste its words.'
      : 'No recipe is marked in this page. Select the recipe in it, copy it, and paste its words.',
  );
}
