/** Several recipes in one text: each begins with what its dish is called, and measures a batter of its own. */
import { DISH, HEADS_LIST, roleOf } from './headings';

/** One of them: its rows, from its name to the next, as places in the text. */
export interface Recipe {
  readonly title: string;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

const A_RULE = /^[\s\-–—=_~*#+.·•]*$/u;
const FLOURS =
  /flour|mehl|farine|harina|farina|buckwheat|cornmeal|semolina|\boats?\b|oatmeal|masa\b|meal\b|avena|hafer|avoine|grieß/iu;
const WET =
  /milk|drink|juice|eggs?\b|water|kefir|yogh?urt|cream|beer|milch|\beier\b|\bei\b|wasser|lait|œufs?|oeufs?|\beau\b|leche|huevos?|agua|latte|uova/iu;
const EGGS = /\beggs?\b|\beier\b|\bei\b|œufs?|oeufs?|huevos?|uova|yolks?|whites?/iu;
const AMOUNT = /[\d½¼¾⅓⅔⅛][\d.,/ ]*\p{L}|[\d½¼¾⅓⅔⅛]\s*$/u;
const AMOUNTS = new RegExp(AMOUNT.source, 'gu');
const LEAST_AMOUNTS = 3;
/** Numbers of no thing: a step's, minutes, degrees, widths. */
const NO_AMOUNT =
  /^\s*\(?\d{1,2}[.)]\s+|\d+(?:[-–]\d+)?\s*(?:min\p{L}*|sec\p{L}*|h(?:ours?|rs?)?|stunden?|sekunden|°|grad|degrees|cm|(?<=\d\d ?)[CF])(?!\p{L})/giu;
const measuredOf = (rows: readonly string[]): readonly string[] =>
  rows.map((row) => row.replace(NO_AMOUNT, '')).filter((row) => /[\d½¼¾⅓⅔⅛]/u.test(row));
/** Whether rows measure a batter: flour of some kind, what wets it, and more than those. */
const isWhole = (rows: readonly string[]): boolean => {
  const measured = measuredOf(rows);
  const amounts = measured.reduce((n, row) => n + (row.match(AMOUNTS)?.length ?? 0), 0);
  return amounts >= LEAST_AMOUNTS && measured.some((r) => FLOURS.test(r)) && measured.some((r) => WET.test(r));
};

/** Whether they are a batter by all that is in them, whatever stands above: with eggs, and with what wets it besides. */
const isBatterItself = (rows: readonly string[]): boolean => {
  const measured = measuredOf(rows);
  return isWhole(rows) && measured.some((r) => EGGS.test(r)) && measured.some((r) => !EGGS.test(r) && WET.test(r));
};

/** "## Thin crepes (serves 4)", "2. Thin crepes": without its marks, its number and its bracket. */
const bareTitle = (row: string): string =>
  row
    .replace(/^[\s#=*_>•-]+|[\s#=*_:]+$/g, '')
    .replace(/^(?:(?:recipe|rezept|recette|receta)\s*(?:no\.?\s*)?\d*\s*[:.)–—-]\s*|\d{1,2}[.)]\s+)/i, '')
    .replace(/\s*[([][^)\]]*[)\]]\s*$/, '')
    .replace(/\s*(?:[-–—,|·]\s*)?(?:makes|serves|yields?|for)\s*:?\s*(?:about\s+)?\d.*$/i, '')
    .trim();
const MOST_TITLE_WORDS = 7;
/** Whether a row calls a dish by its name, above a list of its own. */
function isTitle(rows: readonly string[], n: number): boolean {
  const row = rows[n] ?? '';
  const above = rows[n - 1];
  const isMarked = /^\s*(?:#|\*\*|==)/.test(row);
  if (above !== undefined && !A_RULE.test(above) && !isMarked) return false;
  const title = bareTitle(row);
  if (!/^\p{Lu}[^\d½¼¾⅓⅔⅛;]*$/u.test(title) || /[.?]$/.test(title)) return false;
  if (title.includes(',') && !DISH.test(title)) return false;
  if (title.split(/\s+/).length > MOST_TITLE_WORDS || /^(?:for|to|the|zum|für|pour|para)\b/iu.test(title)) return false;
  const role = roleOf(title);
  if (role !== null && !(role === 'batter' && DISH.test(title))) return false;
  const next = rows
    .slice(n + 1)
    .find((r) => !A_RULE.test(r) && !/^\W*(?:makes|serves|yields?|for|prep|cook|total)\b/i.test(r));
  return (
    DISH.test(title) ||
    HEADS_LIST.test(bareTitle(next ?? '')) ||
    (isBatterItself(rows.slice(n)) && isBatterItself(rows.slice(0, n)))
  );
}

/** "To make a batch:", below a dry mix: a recipe of its own, whose flour is the mix. */
const OF_THE_MIX =
  /^\W*(?:to (?:make|use|cook|prepare)\b(?! the (?:dry )?mix\b).{0,40}|for (?:one|a|each|1) batch|per batch|when you(?:[’']re ready| want) .{0,30}):?\s*$/i;
const SO_MUCH_MIX = /[\d½¼¾⅓⅔⅛] ?(?:\p{L}+\.? )?(?:of )?(?:(?:the|your|this|dry|pancake|waffle|jar) )*mix\b/iu;
function isOfMix(rows: readonly string[], from: number, n: number): boolean {
  if (!OF_THE_MIX.test(rows[n] ?? '')) return false;
  const [above, below] = [measuredOf(rows.slice(from, n)), measuredOf(rows.slice(n + 1))];
  return (
    above.length >= LEAST_AMOUNTS &&
    above.some((r) => FLOURS.test(r)) &&
    !above.some((r) => WET.test(r) && !/powder|dry|dried/i.test(r)) &&
    below.some((r) => WET.test(r)) &&
    below.some((r) => SO_MUCH_MIX.test(r))
  );
}

/** @returns the recipes of a card's rows, where there are two at least; none, where they are one card or no card */
export function recipesOnCard(rows: readonly string[]): readonly Recipe[] {
  const starts: number[] = [0];
  for (const [n] of rows.entries()) {
    const from = starts.at(-1) ?? 0;
    if (n <= from) continue;
    const isAnother = isTitle(rows, n) && isWhole(rows.slice(n)) && isWhole(rows.slice(from, n));
    if (isAnother || isOfMix(rows, from, n)) starts.push(n);
  }
  if (starts.length < 2) return [];
  return starts.map((start, n) => {
    const to = starts[n + 1] ?? rows.length;
    // above the first of them may stand what the page is called
    const measured = rows.findIndex((row, k) => k >= start && AMOUNT.test(row));
    const named = rows.findIndex((_, k) => k >= start && k < measured && isTitle(rows, k));
    const from = named < 0 ? start : named;
    return { title: bareTitle(rows[from] ?? ''), from, to, text: rows.slice(from, to).join('\n').trim() };
  });
}

/** The rows of one recipe alone: all others are empty, so that each keeps its place. */
export const rowsOfRecipe = (rows: readonly string[], { from, to }: Recipe): readonly string[] =>
  rows.map((row, n) => (n >= from && n < to ? row : ''));
