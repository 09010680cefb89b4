/**
 * schema.org Recipe, as JSON-LD: read from any program's file, every ingredient line and every field accounted for; and
 * written so that others read it.
 */

import { type OpenNutrition, type OpenRecipe, oneRow, type Recipes, remark, under, unread } from './open-recipe';

type Node = Readonly<Record<string, unknown>>;

const isNode = (x: unknown): x is Node => typeof x === 'object' && x !== null && !Array.isArray(x);
const listOf = (x: unknown): readonly unknown[] => (Array.isArray(x) ? x : x === undefined || x === null ? [] : [x]);

/** "http://schema.org/Recipe", "schema:Recipe", "Recipe". */
const typeName = (t: unknown): string => (typeof t === 'string' ? (/([A-Za-z]+)$/.exec(t)?.[1] ?? '') : '');
const isA = (n: Node, ...types: readonly string[]): boolean =>
  listOf(n['@type']).some((t) => types.includes(typeName(t)));

const MOST_DEPTH = 40;
const MOST_NODES = 200_000;

/** Every recipe in a document, wherever it hangs. */
export function recipesIn(document: unknown): readonly Node[] {
  const found: Node[] = [];
  let nodes = 0;
  const look = (x: unknown, depth: number): void => {
    if (depth > MOST_DEPTH || ++nodes > MOST_NODES) return;
    if (Array.isArray(x)) for (const y of x) look(y, depth + 1);
    else if (isNode(x)) {
      if (isA(x, 'Recipe')) found.push(x);
      else for (const y of Object.values(x)) look(y, depth + 1);
    }
  };
  look(document, 0);
  return found;
}

/** What a value says in one row: its text, or the name of what it points to. */
function said(x: unknown): string {
  if (typeof x === 'string') return oneRow(x);
  if (typeof x === 'number' || typeof x === 'boolean') return String(x);
  if (Array.isArray(x)) return x.map(said).filter(Boolean).join(', ');
  if (!isNode(x)) return '';
  const own = x['@value'] ?? x.name ?? x.text ?? x.headline;
  if (own !== undefined) return said(own);
  return Object.entries(x)
    .filter(([k]) => !k.startsWith('@'))
    .map(([k, v]) => `${k} ${said(v)}`)
    .join(', ');
}

/** "PT1H15M": 1 h 15 min. What is no such time stays as it is written. */
export function timeSaid(x: string): string {
  const m = /^P(?:(\d+(?:\.\d+)?)D)?(?:T(?:(\d+(?:\.\d+)?)H)?(?:(\d+(?:\.\d+)?)M)?(?:(\d+(?:\.\d+)?)S)?)?$/.exec(
    x.trim(),
  );
  if (!m || m[0] === 'P' || m[0] === 'PT') return x;
  const [days, hours, minutes, seconds] = [m[1], m[2], m[3], m[4]].map((v) => Number(v ?? 0));
  const all = (days ?? 0) * 1440 + (hours ?? 0) * 60 + (minutes ?? 0) + Math.round((seconds ?? 0) / 60);
  const [h, min] = [Math.floor(all / 60), all % 60];
  return [h > 0 ? `${h} h` : '', min > 0 || h === 0 ? `${min} min` : ''].filter(Boolean).join(' ');
}

const TIMES: Readonly<Record<string, string>> = {
  prepTime: 'Preparation',
  cookTime: 'Cooking',
  performTime: 'Doing',
  totalTime: 'Total time',
};
/** Fields with a place of their own in what is read. */
const PLACED = new Set([
  ...['name', 'headline', 'recipeIngredient', 'ingredients', 'recipeInstructions', 'recipeYield', 'yield', 'nutrition'],
  ...Object.keys(TIMES),
]);
/** What names the thing to machines, and says a cook nothing. */
const MACHINE = /^@|^(?:mainEntityOfPage|identifier|isPartOf|potentialAction|interactionStatistic|inLanguage)$/;

/** Steps of the instructions, with the headings of their sections. */
function stepsOf(x: unknown, depth = 0): readonly string[] {
  if (depth > MOST_DEPTH) return [];
  if (typeof x === 'string')
    return x
      .replace(/<\/(?:p|li|div)>|<br\s*\/?>/gi, '\n')
      .split(/\n+/)
      .map(oneRow)
      .filter(Boolean);
  if (Array.isArray(x)) return x.flatMap((y) => stepsOf(y, depth + 1));
  if (!isNode(x)) return [];
  const inside = x.itemListElement ?? x.steps;
  if (isA(x, 'HowToSection', 'ItemList', 'HowToStep') && inside !== undefined) {
    const rows = stepsOf(inside, depth + 1);
    return isA(x, 'HowToSection') ? under(said(x.name) || null, rows) : rows;
  }
  if (x.item !== undefined) return stepsOf(x.item, depth + 1);
  const [name, text] = [said(x.name), said(x.text ?? x.description)];
  const row =
    text === '' || text.startsWith(name.replace(/\s*(?:…|\.\.\.)$/, ''))
      ? text || name
      : name === ''
        ? text
        : `${name}: ${text}`;
  return row === '' ? [] : [row];
}

/** "240 kcal", "9,5 g": the number. */
function figure(x: unknown): number | null {
  const m = /(\d+(?:[.,]\d+)?)\s*(kj)?/i.exec(said(x));
  if (!m) return null;
  const n = Number((m[1] ?? '').replace(',', '.'));
  return m[2] ? n / 4.184 : n;
}

const servingsIn = (yields: string): number | null => {
  const n = Number(/\d+/.exec(yields)?.[0] ?? Number.NaN);
  return n > 0 && n < 10_000 ? n : null;
};

function nutritionIn(x: unknown, yields: string): OpenNutrition | null {
  if (!isNode(x)) return null;
  const n = {
    kcal: figure(x.calories),
    fatG: figure(x.fatContent),
    sugarsG: figure(x.sugarContent),
    proteinG: figure(x.proteinContent),
  };
  return Object.values(n).some((v) => v !== null) ? { ...n, servings: servingsIn(yields) } : null;
}

/** Under this name one of our own formulas travels whole. */
export const OWN_PROPERTY = 'even-crumb-formula';

const properties = (r: Node): readonly Node[] => listOf(r.additionalProperty).filter(isNode);

function ownFormula(r: Node): unknown {
  const own = properties(r).find((p) => p.propertyID === OWN_PROPERTY || p.name === OWN_PROPERTY);
  if (typeof own?.value !== 'string') return undefined;
  try {
    return JSON.parse(own.value);
  } catch {
    return undefined;
  }
}

/** Yields as a row that a card has: "12 pieces", "Makes 12". */
const yieldRow = (y: string): string => (/^\d+$/.test(y) ? `Serves ${y}` : /^\d/.test(y) ? `Makes ${y}` : y);

export function recipeFrom(r: Node): OpenRecipe {
  const name = said(r.name ?? r.headline) || null;
  const yields = listOf(r.recipeYield ?? r.yield)
    .map(said)
    .filter(Boolean);
  // the same yield is often said twice: "4", "4 servings"
  const told = [...yields].sort((a, b) => b.length - a.length)[0] ?? '';
  const rows = listOf(r.recipeIngredient ?? r.ingredients)
    .flatMap((x) => (typeof x === 'string' ? x.split(/\r?\n/) : [said(x)]))
    .map(oneRow)
    .filter(Boolean);
  const remarks = [
    ...Object.entries(TIMES).flatMap(([k, as]) => (said(r[k]) === '' ? [] : [`${as}: ${timeSaid(said(r[k]))}`])),
    ...(isNode(r.nutrition) && said(r.nutrition) !== ''
      ? [remark('Nutrition, as the source has it', said(r.nutrition))]
      : []),
    ...properties(r).flatMap((p) =>
      p.propertyID === OWN_PROPERTY || p.name === OWN_PROPERTY || said(p.name) === ''
        ? []
        : [remark(said(p.name), [said(p.value), said(p.unitText)].filter(Boolean).join(' '))],
    ),
    ...Object.entries(r).flatMap(([k, v]) =>
      PLACED.has(k) || MACHINE.test(k) || k === 'additionalProperty' || said(v) === ''
        ? []
        : [remark(k.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase(), said(v))],
    ),
  ];
  return {
    name,
    card: [...(name ? [name] : []), ...(told ? [yieldRow(told)] : []), '', ...rows].join('\n'),
    lines: rows,
    method: stepsOf(r.recipeInstructions),
    remarks,
    nutrition: nutritionIn(r.nutrition, told),
    formula: ownFormula(r),
  };
}

/** @returns the recipes of a JSON-LD file; what is wrong with it */
export function readJsonLd(text: string): Recipes {
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (e) {
    const where = /position (\d+)/.exec(e instanceof Error ? e.message : '')?.[1];
    return unread(
      `This is no whole JSON${where === undefined ? '' : `: it breaks off near character ${Number(where).toLocaleString('en-GB')}`}.`,
    );
  }
  const found = recipesIn(document);
  return found.length === 0
    ? unread('There is no recipe in this file: no "@type": "Recipe" of schema.org.')
    : { ok: true, value: found.map((r) => recipeFrom(r)) };
}
