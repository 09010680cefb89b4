/**
 * A card that is written as a table: a head that names its columns (tabs, bars, semicolons, commas or wide spaces
 * between), or three rows alike of a thing, a number and its unit. Each of its rows becomes a line as it would be written
 * by hand; a share of the flour beside an amount says nothing more. No word of another row is changed, and no row is dropped.
 */
import type { KitchenConventions } from '../pantry/conventions';
import { lookUp } from '../pantry/lookup';
import { readAmount } from '../quantity/amount';

/**
 * What a column holds: a thing, how much, how much of a card in one of its sizes, its unit, percent of flour, words, what
 * is done, what is no line's; or numbers of one unit, "g".
 */
type Column = 'name' | 'amount' | 'size' | 'unit' | 'percent' | 'note' | 'method' | 'other' | { readonly unit: string };

const UNITS = 'k?g|gr|grams?|gramm|gramos|grammes|m?l|cl|dl|millilit(?:re|er)s?|oz|ounces?|lbs?|pounds?';
/** The words of a column's head, by what it holds. */
const HEADS: readonly (readonly [RegExp, Exclude<Column, object> | 'measured'])[] = [
  [/^(?:ingr(?:\.|edients?)?|items?|what|name|zutat(?:en)?|ingrédients?|ingredientes?|ingredienti)$/i, 'name'],
  [
    new RegExp(
      String.raw`^(?:(?:weight|mass|amount|quantity|qty|gewicht|menge|poids|peso|quantité|cantidad)?\s*(?:in\s+)?[[(]?\s*(${UNITS})\s*[\])]?)$`,
      'iu',
    ),
    'measured',
  ],
  [
    /^(?:(?:[ea]p |net |gross )?(?:amounts?|quantity|qty)|weight|measure|volume|metric|us|imperial|cups?|menge|gewicht|quantité|cantidad|quantità|poids|peso|how much)$/i,
    'amount',
  ],
  [/^(?:units?|uom|einheit(?:en)?|unités?|unidad(?:es)?|unità)$/i, 'unit'],
  [/^(?:%|percent(?:age)?s?|(?:baker.?s? )?(?:%|percent(?:age)?s?)|bp|%? ?of flour|anteil)$/i, 'percent'],
  [
    /^(?:(?:unit |total )?(?:cost|price)|ext(?:\.|ension|ended)?|brand|supplier|aisle|store|shop|kcal|calories|no\.?|nr\.?|#|yield ?%)$/i,
    'other',
  ],
  [
    /^(?:(?:single|double|triple|half|full|whole|quarter|one|two|three|½|1\/2) ?(?:batch(?:es)?|recipe)?|small|medium|large|(?:x|×) ?\d+|\d+ ?(?:x|×)|(?:for|serves|makes|yields?) \d+(?: \p{L}+)?|\d+ (?:people|persons?|guests?|servings?|portions?|serves|pax|covers|pieces|pcs|pancakes|waffles|cr[eê]pes|cakes|personen|personnes|personas|stück)|einfach|doppelt|simple|doble)$/iu,
    'size',
  ],
  [/^(?:method|directions?|instructions?|procedure|steps?|zubereitung)$/i, 'method'],
  [/^(?:notes?|prep(?:aration)?|comments?|remarks?|bemerkung(?:en)?|remarques?|notas?)$/i, 'note'],
];
const UNIT_OF: Readonly<Record<string, string>> = {
  gr: 'g',
  gram: 'g',
  grams: 'g',
  gramm: 'g',
  gramos: 'g',
  grammes: 'g',
  ounce: 'oz',
  ounces: 'oz',
  pound: 'lb',
  pounds: 'lb',
};

/** What a column of this head holds; null: nothing that is known. */
export function columnOf(head: string): Column | null {
  for (const [re, holds] of HEADS) {
    const m = re.exec(head.trim());
    if (!m) continue;
    if (holds !== 'measured') return holds;
    const unit = (m[1] ?? '').toLowerCase();
    return { unit: UNIT_OF[unit] ?? unit };
  }
  return null;
}

/** What parts the cells of a row. */
const PARTED: readonly (readonly [is: RegExp, cells: (raw: string) => readonly string[]])[] = [
  [/\t/, (raw) => raw.split('\t')],
  [/\|/, (raw) => (/^\s*\|/.test(raw) ? raw.replace(/^\s*\||\|\s*$/g, '') : raw).split('|')],
  [/;/, (raw) => raw.split(';')],
  // a comma within quotes parts none
  [/,/, (raw) => raw.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/).map((c) => c.replace(/^\s*"|"\s*$/g, ''))],
  [/ \/ /, (raw) => raw.split(' / ')],
  // above a column of names its head may be empty
  [/\S {2,}\S/, (raw) => [...(/^ {2}/.test(raw) ? [''] : []), ...raw.trim().split(/ {2,}/)]],
];
/** The first of them part nothing but cells: below a head that they part, one column may be of anything. */
const SURE_SIGNS = 3;
/** Without a head, so many of them part a table; by strokes and gaps any list is parted. */
const HEADLESS_SIGNS = 4;
type Parting = (typeof PARTED)[number];
/** No row of a table is longer: sentences are. */
const MOST_ROW_CHARS = 600;
const cellsOf = (raw: string, [is, cells]: Parting): readonly string[] =>
  raw.length <= MOST_ROW_CHARS && is.test(raw) ? cells(raw).map((c) => c.trim()) : [];

/** Words with wide spaces between, each below the head that it stands nearest to. */
function cellsBelow(raw: string, head: string): readonly string[] {
  const starts = [...(/^ {2}/.test(head) ? [0] : []), ...[...head.matchAll(/\S+(?: \S+)*/g)].map((m) => m.index)];
  // "150 ml 300 ml": parted by one gap alone, where the next head begins
  const gaps = new Set(starts.flatMap((at) => (raw[at - 1] === ' ' && /\S/.test(raw[at] ?? '') ? [at - 1] : [])));
  const wide = [...raw].map((c, n) => (gaps.has(n) ? '\t' : c)).join('');
  const said = [...wide.matchAll(/\S+(?: \S+)*/g)];
  if (said.length === starts.length) return said.map((m) => m[0]);
  const cells = starts.map(() => '');
  for (const m of said) {
    const far = (n: number): number => Math.abs((starts[n] ?? 0) - m.index);
    const at = starts.reduce((best, _, n) => (far(n) < far(best) ? n : best), 0);
    cells[at] = `${cells[at]} ${m[0]}`.trim();
  }
  return cells;
}
const isRule = (cells: readonly string[]): boolean => cells.every((c) => /^:?-*:?$/.test(c));

interface Head {
  readonly cells: (raw: string) => readonly string[];
  readonly columns: readonly (Column | null)[];
}

/** "Single | Double": the first of several sizes is how much; the others are the same card, scaled. */
const ofOneSize = (columns: readonly (Column | null)[]): readonly (Column | null)[] =>
  columns.map((c, n) => (c === 'size' ? (columns.indexOf('size') === n ? 'amount' : 'other') : c));

/** The head of a table; null: the row is none. */
function headOf(raw: string): Head | null {
  for (const by of PARTED) {
    const cells = cellsOf(raw, by);
    const known = cells.map(columnOf);
    // a first column without a head names the things
    const named =
      known[0] === null && cells[0] === '' && !known.includes('name') ? ['name' as const, ...known.slice(1)] : known;
    const columns = ofOneSize(named);
    const isSure = PARTED.indexOf(by) < SURE_SIGNS && columns.filter((c) => c !== null).length >= 2;
    if (cells.length >= 2 && columns.includes('name') && (isSure || columns.every((c) => c !== null)))
      return { cells: by === PARTED.at(-1) ? (row) => cellsBelow(row, raw) : (row) => cellsOf(row, by), columns };
  }
  return null;
}

const BARE = /^[\d½¼¾⅓⅔⅛][\d.,/ ½¼¾⅓⅔⅛]*$/u;
/** Amounts of a row by its columns, each with its unit. */
function amountsOf(cells: readonly string[], columns: readonly (Column | null)[]): readonly string[] {
  return columns.flatMap((c, n): readonly string[] => {
    const cell = cells[n] ?? '';
    if (cell === '' || c === null) return [];
    if (typeof c === 'object') return [BARE.test(cell) ? `${cell} ${c.unit}` : cell];
    if (c !== 'amount') return [];
    const unit = columns[n + 1] === 'unit' ? (cells[n + 1] ?? '') : '';
    return [`${cell} ${unit}`.trim()];
  });
}

/**
 * A row of a table as a card has it, "2 cups (250 g) flour, sifted"; what an unknown column holds stands behind.
 * @returns null: it holds no thing
 */
export function lineOfCells(cells: readonly string[], columns: readonly (Column | null)[]): string | null {
  const of = (kind: Column): string => cells[columns.indexOf(kind)] ?? '';
  const name = of('name');
  if (!/\p{L}/u.test(name)) return null;
  const [amount, ...again] = amountsOf(cells, columns);
  const share = of('percent').replace(/\s*%$/, '');
  // a share is how much, where nothing else is
  const told = amount ?? (share === '' ? '' : `${share} %`);
  const measured = again.length > 0 ? `${told} (${again.join('; ')})` : told;
  const rest = columns.flatMap((c, n) => (c === null && cells[n] ? [cells[n]] : []));
  // a note with a number says it again: "150 g eggs (3 large)"
  const note = of('note');
  const behind = /\d/.test(note) ? ` (${note})` : '';
  return [[measured, name].filter(Boolean).join(' ') + behind, behind === '' ? note : '', ...rest]
    .filter(Boolean)
    .join(', ');
}

/** Rows of three cells alike: a thing, a number and its unit, in any order. */
const LEAST_ALIKE = 3;
const isUnit = (cell: string): boolean =>
  cell === '' || (/^\p{L}{1,12}\.?$/u.test(cell) && readAmount(`1 ${cell}`)?.amount.terms[0]?.unit != null);
function columnsOf(cells: readonly string[]): readonly Column[] | null {
  if (cells.length !== 3) return null;
  const number = cells.findIndex((c) => BARE.test(c));
  const unit = cells.findIndex((c, n) => n !== number && isUnit(c));
  const name = cells.findIndex((c, n) => n !== number && n !== unit && /\p{L}{3}/u.test(c));
  // a number stands before its unit
  if (number < 0 || unit !== number + 1 || name < 0) return null;
  return cells.map((_, n) => (n === number ? 'amount' : n === unit ? 'unit' : 'name'));
}

/** Rows alike from one on, without a head; null: too few. */
function alikeFrom(raws: readonly string[], from: number): Head | null {
  for (const by of PARTED.slice(0, HEADLESS_SIGNS)) {
    const columns = columnsOf(cellsOf(raws[from] ?? '', by));
    if (!columns) continue;
    const same = raws
      .slice(from, from + LEAST_ALIKE)
      .every((raw) => columnsOf(cellsOf(raw, by))?.join() === columns.join());
    if (same && raws.length >= from + LEAST_ALIKE) return { cells: (row) => cellsOf(row, by), columns };
  }
  return null;
}

/** Whether a row is nothing but the names of a table's columns. */
export const isTableHead = (row: string): boolean => headOf(row) !== null;

/** What a row of a stacked list holds: nothing but how much, or nothing but a thing; null: neither. */
function stacked(raw: string): 'amount' | 'thing' | null {
  const row = raw.trim();
  if (/^[\d½¼¾⅓⅔⅛]/u.test(row)) return readAmount(row)?.length === row.length ? 'amount' : null;
  return /^\p{L}[^\d:.!?]*$/u.test(row) && row.split(' ').length <= MOST_NAME_WORDS ? 'thing' : null;
}
const MOST_NAME_WORDS = 6;
const LEAST_STACKED = 3;
/** So many of the things are known before rows are taken for a stack. */
const KNOWN_SHARE = 0.75;

interface StackRow {
  readonly at: number;
  readonly row: string;
  readonly is: 'amount' | 'thing' | null;
}

/** Amounts with their things of rows that take turns; a title may stand above them, or what is done below. */
function pairsOf(run: readonly StackRow[], house: KitchenConventions): readonly (readonly [StackRow, StackRow])[] {
  const isKnown = (name: string | undefined): boolean => lookUp(name ?? '', house).kind !== 'unknown';
  const isOdd = run.length % 2 === 1;
  const isTitled = isOdd && run[0]?.is === 'thing' && !isKnown(run[0].row);
  const rows = isTitled ? run.slice(1) : run.slice(0, run.length - (isOdd ? 1 : 0));
  const things = rows.filter((p) => p.is === 'thing');
  const known = things.filter((t) => isKnown(t.row)).length;
  if (things.length < LEAST_STACKED || known < KNOWN_SHARE * things.length) return [];
  return rows.flatMap((one, n) => {
    const two = n % 2 === 0 ? rows[n + 1] : undefined;
    return two ? [[one, two] as const] : [];
  });
}

/**
 * "2 cups", "flour", "2", "eggs", a row each, or the thing above its amount: both on one row, the other left empty.
 * @param house what the kitchen calls its things
 */
export function unstacked(raws: readonly string[], house: KitchenConventions): readonly string[] {
  const full = raws.flatMap((raw, at): readonly StackRow[] =>
    raw.trim() === '' ? [] : [{ at, row: raw.trim(), is: stacked(raw) }],
  );
  const out = [...raws];
  for (let from = 0; from < full.length; ) {
    let end = from + 1;
    while (full[from]?.is && full[end]?.is && full[end]?.is !== full[end - 1]?.is) end++;
    for (const [one, two] of pairsOf(full.slice(from, end), house)) {
      out[one.at] = one.is === 'amount' ? `${one.row} ${two.row}` : `${two.row} ${one.row}`;
      out[two.at] = '';
    }
    from = end;
  }
  return out;
}

/** An amount in its cell: a number first, or a word or two; what ends with a point is a sentence. */
const AN_AMOUNT = /^[\d½¼¾⅓⅔⅛]|^\S+(?: \S+){0,2}(?<![.!])$/u;
/** Whether a row goes on with a table: it has no more cells, and amounts where those stand. */
function isOfTable(cells: readonly string[], columns: readonly (Column | null)[]): boolean {
  if (cells.filter((c) => c !== '').length < 2 && !columns.includes('method')) return false;
  const measured = cells.filter((c, n) => c !== '' && (columns[n] === 'amount' || typeof columns[n] === 'object'));
  return (
    cells.length > 0 && cells.slice(columns.length).every((c) => c === '') && measured.every((c) => AN_AMOUNT.test(c))
  );
}

/** "Eggs 2 ....... 0.50", "2 cups flour   $0.30": what it costs, last of all. */
const COSTS = /\s*[.…·]{2,}\s*\d{1,3}[.,]\d\d\s*$|\s+(?:[$€£]\s?\d{1,3}(?:[.,]\d\d)?|\d{1,3}[.,]\d\d\s?[$€£])\s*$/u;
const LEAST_COSTS = 3;
/** Rows of a costed list without what each costs: where it stands last on several rows, and an amount before it. */
export function withoutCosts(raws: readonly string[]): readonly string[] {
  const isCosted = (raw: string): boolean => /[\d½¼¾⅓⅔⅛]/u.test(raw.replace(COSTS, '')) && COSTS.test(raw);
  return raws.filter(isCosted).length < LEAST_COSTS
    ? raws
    : raws.map((raw) => (isCosted(raw) ? raw.replace(COSTS, '') : raw));
}

/** "Latte ml 250", "Uova n. 2": its unit before the number. */
const UNIT_BEFORE = /^(\s*(?:[-*•–]\s*)?\p{L}[\p{L}\d ’'(),]*?)[\s:]+(g|gr|kg|ml|cl|dl|l|nr?)\.?\s+(\d[\d.,/]*)\s*$/iu;
const LEAST_UNIT_BEFORE = 3;
/** The rows of a list that is written so, each number before its unit. */
export const withUnitsBehind = (raws: readonly string[]): readonly string[] =>
  raws.filter((r) => UNIT_BEFORE.test(r)).length < LEAST_UNIT_BEFORE
    ? raws
    : raws.map((raw) =>
        raw.replace(UNIT_BEFORE, (_, name: string, unit: string, n: string) =>
          /^n/i.test(unit) ? `${name} ${n}` : `${name} ${n} ${unit}`,
        ),
      );

/** The rows of a card, those of a table as lines; what its column of steps tells stands behind all of them. */
export function withTables(raws: readonly string[]): readonly string[] {
  let table: Head | null = null;
  const steps: string[] = [];
  const rows = raws.map((raw, n) => {
    const head = headOf(raw);
    if (head) {
      table = head;
      return head
        .cells(raw)
        .map((c, k) => (k === 0 && c === '' ? 'Ingredient' : c))
        .join(' | ');
    }
    table ??= alikeFrom(raws, n);
    if (!table) return raw;
    const cells = table.cells(raw);
    if (!isOfTable(cells, table.columns)) {
      table = null;
      return raw;
    }
    const step = cells[table.columns.indexOf('method')] ?? '';
    if (step !== '') steps.push(step);
    return isRule(cells) ? raw : (lineOfCells(cells, table.columns) ?? (step === '' ? raw : ''));
  });
  return steps.length === 0 ? rows : [...rows, '', 'Method:', ...steps];
}
