/**
 * The pantry as a table of comma-separated values: one row an ingredient, own ones with their packet or blend, all of
 * them with price, stock and dates. Read row by row: what is wrong is said with its row and column, and nothing is
 * taken in until every row is right or the wrong ones are left out on purpose. Papaparse does the quoting and finds the
 * separator.
 */
import Papa from 'papaparse';
import { CATEGORIES, type Category, type Ingredient } from '../pantry/ingredient';
import { ingredientOf, type OwnThing, PANEL_BASES, type Packet, type PanelBase } from '../pantry/packet';
import { EMPTY_STOCK, type Shelf, type Stock } from '../pantry/stock';
import { COLUMNS, type Column, CsvRow, type RowError } from './csv-row';

export const MOST_ROWS = 5000;
export const MOST_CSV_CHARS = 1_000_000;
export const MOST_OWN_NAME = 80;

interface PantryRow {
  readonly row: number;
  /** Null where the row is a shipped ingredient's stock. */
  readonly thing: OwnThing | null;
  readonly stock: Stock;
}

export interface PantryRead {
  readonly rows: readonly PantryRow[];
  readonly errors: readonly RowError[];
}

/** What became of a table that was brought in. */
export type ImportedPantry =
  | { readonly ok: true; readonly taken: number; readonly fresh: number }
  | {
      readonly ok: false;
      readonly message: string;
      readonly errors: readonly RowError[];
      /** Why nothing was taken in: the table itself, or the records. */
      readonly kind: 'refused' | 'invalid' | 'conflict' | 'away' | 'full' | 'slow' | 'unkeepable' | 'fault';
    };

/** What a row may speak of. */
interface KnownThings {
  /** The shipped ingredients, and nothing else. */
  readonly shipped: readonly Ingredient[];
  readonly own: readonly OwnThing[];
  /** What is noted of the shelf; left out: nothing. */
  readonly shelf?: Shelf;
}

const slug = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 48) || 'thing';

/** A free id for a thing of the kitchen's own. @param taken ids that stand */
export function ownId(name: string, taken: ReadonlySet<string>): string {
  const base = `own-${slug(name)}`;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id)) return id;
  }
}

export const plainName = (name: string): string => name.trim().replace(/\s+/g, ' ').toLowerCase();

/** The most that a figure of a panel, a pack or a shelf can be; beyond it a finger slipped. */
const MOST_G = 10_000_000;
const STOCK_COLUMNS: readonly Column[] = ['price', 'pack_g', 'on_hand_g', 'opened', 'best_before'];
const PACKET_COLUMNS = COLUMNS.filter((c) => c !== 'name' && !STOCK_COLUMNS.includes(c));
const PANEL_COLUMNS: readonly Column[] = [
  'category',
  'per',
  'kcal',
  'fat_g',
  'carbohydrate_g',
  'sugars_g',
  'fibre_g',
  'protein_g',
  'salt_g',
  'blend',
];

/** What a row says of the shelf; where the table has no such column, what was noted before stays. */
const stockOf = (r: CsvRow, { ingredientId, ...before }: Stock): Stock => {
  const stock = {
    ingredientId,
    price: r.has('price') ? r.number('price', 1_000_000) : before.price,
    packG: r.has('pack_g') ? r.number('pack_g', MOST_G) : before.packG,
    onHandG: r.has('on_hand_g') ? r.number('on_hand_g', MOST_G) : before.onHandG,
    opened: r.has('opened') ? r.day('opened') : before.opened,
    bestBefore: r.has('best_before') ? r.day('best_before') : before.bestBefore,
  };
  if (stock.packG === 0) r.say('pack_g', 'A pack of nothing has no price by the gram.');
  if (stock.price !== null && stock.packG === null)
    r.say('pack_g', 'A price needs its pack: how many grams are in it?');
  return stock;
};

function blendIn(r: CsvRow, find: (word: string) => Ingredient | undefined): Packet {
  const members = r
    .text('blend')
    .split(/[;|]/)
    .map((m) => m.trim())
    .filter(Boolean)
    .map((m) => {
      const at = /^(.+?)\s+(\d+(?:[.,]\d+)?)\s*%?$/.exec(m);
      const i = at?.[1] ? find(at[1]) : undefined;
      if (!at) r.say('blend', `"${m.slice(0, 40)}": write a name and its part, as flour-buckwheat 30.`);
      else if (!i) r.say('blend', `"${at[1]?.slice(0, 40)}" is not in the pantry.`);
      return { ingredientId: i?.id ?? '', parts: Number((at?.[2] ?? '0').replace(',', '.')) };
    });
  return { by: 'blend', category: r.oneOf('category', CATEGORIES, null) ?? 'flour', members };
}

function panelIn(r: CsvRow, find: (word: string) => Ingredient | undefined): Packet {
  const like = r.text('like');
  const likeIt = like === '' ? undefined : find(like);
  if (like !== '' && !likeIt) r.say('like', `"${like.slice(0, 40)}" is not in the pantry.`);
  return {
    by: 'panel',
    category: (r.oneOf<Category>('category', CATEGORIES, likeIt?.category ?? null) ?? 'flour') as Category,
    like: likeIt?.id ?? null,
    base: r.oneOf<PanelBase>('per', PANEL_BASES, '100g') ?? '100g',
    baseG: r.number('base_g', 10_000),
    kcal: r.number('kcal', 100_000),
    fatG: r.number('fat_g', 10_000),
    carbohydrateG: r.number('carbohydrate_g', 10_000),
    sugarsG: r.number('sugars_g', 10_000),
    fibreG: r.number('fibre_g', 10_000),
    fibreWithin: r.yes('fibre_within'),
    proteinG: r.number('protein_g', 10_000),
    saltG: r.number('salt_g', 10_000),
    alcoholG: r.number('alcohol_g', 10_000),
    waterG: r.number('water_g', 10_000),
    leavened: r.yes('leavened'),
    gPer100Ml: r.number('g_per_100ml', 500),
    allergens: r.allergens(),
  };
}

/** Where an error of a packet stands in the table. */
const COLUMN_OF: Readonly<Record<string, Column>> = {
  baseG: 'base_g',
  kcal: 'kcal',
  fatG: 'fat_g',
  carbohydrateG: 'carbohydrate_g',
  sugarsG: 'sugars_g',
  fibreG: 'fibre_g',
  proteinG: 'protein_g',
  saltG: 'salt_g',
  alcoholG: 'alcohol_g',
  waterG: 'water_g',
  sum: 'carbohydrate_g',
  like: 'like',
};

type Cells = Readonly<Record<string, string | undefined>>;

/** The rows of a table as cells by column, each with its line of the file; or why it is no table. */
function cellsOf(text: string):
  | {
      readonly ok: true;
      readonly rows: readonly { readonly at: number; readonly cells: Cells }[];
      readonly errors: readonly RowError[];
    }
  | { readonly ok: false; readonly message: string } {
  const no = (message: string): { ok: false; message: string } => ({ ok: false, message });
  const many = (n: number): string => n.toLocaleString('en-GB');
  if (text.length > MOST_CSV_CHARS)
    return no(`The file has ${many(text.length)} characters; at most ${many(MOST_CSV_CHARS)} are read.`);
  if (['\u0000', '\uFFFD'].some((c) => text.slice(0, 4000).includes(c)))
    return no('That is no table of text. Save the sheet as CSV, in UTF-8.');
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    transformHeader: (h) =>
      h
        .trim()
        .toLowerCase()
        .replace(/[\s-]+/g, '_'),
  });
  const heads = parsed.meta.fields ?? [];
  if (!heads.includes('name'))
    return no(`The first row has to name its columns, with "name" among them: ${COLUMNS.join(', ')}.`);
  const strange = heads
    .filter((h) => h !== '' && !(COLUMNS as readonly string[]).includes(h))
    .map((h) => `"${h.slice(0, 30)}"`);
  if (strange.length > 0)
    return no(`No column is called ${strange.slice(0, 3).join(', ')}. There are: ${COLUMNS.join(', ')}.`);
  const rows = parsed.data
    .map((cells, n) => ({ at: n + 2, cells }))
    .filter(({ cells }) => Object.values(cells).some((c) => String(c).trim() !== ''));
  if (rows.length === 0) return no('There are no rows under the head.');
  if (rows.length > MOST_ROWS) return no(`${many(rows.length)} rows; at most ${many(MOST_ROWS)} are read at once.`);
  const filled = new Set(rows.map((r) => r.at));
  const errors = parsed.errors.flatMap((e): RowError[] => {
    if (e.row === undefined) return [];
    // an open quote is counted with the head, the number of cells without it
    const row = e.type === 'Quotes' ? e.row + 1 : e.row + 2;
    const message = FAULTS[e.code] ?? 'A quote is not closed here.';
    return filled.has(row) ? [{ row, column: 'file', message }] : [];
  });
  return { ok: true, rows, errors };
}

const FAULTS: Readonly<Record<string, string>> = {
  TooManyFields: 'More cells than the head has columns.',
  TooFewFields: 'Fewer cells than the head has columns.',
};

/** What is known while a table is read: more with every row. */
class Shelves {
  private readonly shelf: Shelf;
  readonly ownBy: ReadonlyMap<string, OwnThing>;
  private readonly shippedBy: ReadonlyMap<string, Ingredient>;
  private readonly taken: Set<string>;
  private readonly made = new Map<string, Ingredient>();
  private readonly named: Map<string, string>;
  readonly seen = new Map<string, number>();

  constructor({ shipped, own, shelf = {} }: KnownThings) {
    this.shelf = shelf;
    // by its own name before any other's word for something else
    this.shippedBy = new Map([
      ...shipped.flatMap((i) => i.aliases.map((a) => [plainName(a), i] as const)),
      ...shipped.flatMap((i) => [[plainName(i.name), i] as const, [i.id, i] as const]),
    ]);
    this.ownBy = new Map(own.map((o) => [plainName(o.name), o]));
    this.taken = new Set(own.map((o) => o.id));
    this.named = new Map([...this.ownBy].map(([n, o]) => [n, o.id]));
    for (const o of [...own].sort((a, b) => Number(a.packet.by === 'blend') - Number(b.packet.by === 'blend'))) {
      const m = ingredientOf(o, this.byId);
      if (m.ok) this.made.set(o.id, m.ingredient);
    }
  }

  readonly byId = (id: string): Ingredient | undefined => this.made.get(id) ?? this.shippedBy.get(id);
  readonly find = (word: string): Ingredient | undefined =>
    this.shippedBy.get(plainName(word)) ?? this.byId(word) ?? this.byId(this.named.get(plainName(word)) ?? '');
  /** The shipped ingredient a row's name means, unless the kitchen has one of that name. */
  readonly shipped = (plain: string): Ingredient | undefined =>
    this.ownBy.has(plain) ? undefined : this.shippedBy.get(plain);
  readonly noted = (ingredientId: string): Stock => this.shelf[ingredientId] ?? { ...EMPTY_STOCK, ingredientId };
  readonly idFor = (name: string): string => this.ownBy.get(plainName(name))?.id ?? ownId(name, this.taken);
  keep(thing: OwnThing, ingredient: Ingredient): void {
    this.taken.add(thing.id);
    this.made.set(thing.id, ingredient);
    this.named.set(plainName(thing.name), thing.id);
  }
}

function rowIn(r: CsvRow, shelves: Shelves): PantryRow | null {
  const name = r.text('name').replace(/\s+/g, ' ');
  const plain = plainName(name);
  if (name === '') r.say('name', 'No name.');
  if (name.length > MOST_OWN_NAME) r.say('name', `A name has at most ${MOST_OWN_NAME} characters.`);
  const before = shelves.seen.get(plain);
  if (before !== undefined) r.say('name', `"${name.slice(0, 40)}" stands in row ${before} already.`);
  else shelves.seen.set(plain, r.at);
  const shipped = shelves.shipped(plain);
  if (shipped) {
    const own = PANEL_COLUMNS.find((c) => r.text(c) !== '');
    if (own)
      r.say(own, `${shipped.name} comes with its own composition: leave this empty, or give yours another name.`);
    return { row: r.at, thing: null, stock: stockOf(r, shelves.noted(shipped.id)) };
  }
  const had = shelves.ownBy.get(plain);
  // a table of prices and stock alone leaves packets as they are
  const packet =
    had && !PACKET_COLUMNS.some((c) => r.has(c))
      ? had.packet
      : r.text('blend') === ''
        ? panelIn(r, shelves.find)
        : blendIn(r, shelves.find);
  const thing: OwnThing = { id: shelves.idFor(name), name, packet };
  const stock = stockOf(r, shelves.noted(thing.id));
  if (r.errors.length > 0) return null;
  const m = ingredientOf(thing, shelves.byId);
  if (m.ok) shelves.keep(thing, m.ingredient);
  else
    for (const e of m.errors)
      r.say(COLUMN_OF[e.field] ?? (e.field.startsWith('members') ? 'blend' : 'name'), e.message);
  return { row: r.at, thing, stock };
}

/**
 * Reads a table.
 * @param text the file's text; comma, semicolon or tab between
 * @param known what rows may name: a shipped ingredient's name makes a stock row, an own one's updates it, any other is
 * new
 * @returns the rows that are right, and every error with its row and column
 */
export function readPantry(text: string, known: KnownThings): PantryRead {
  const table = cellsOf(text);
  if (!table.ok) return { rows: [], errors: [{ row: 1, column: 'file', message: table.message }] };
  const shelves = new Shelves(known);
  const errors: RowError[] = [...table.errors];
  const rows: PantryRow[] = [];
  // blends may stand above what they are made of: packets are read first
  const isBlend = (cells: Cells): number => Number(Boolean(cells.blend?.trim()));
  for (const { at, cells } of [...table.rows].sort((a, b) => isBlend(a.cells) - isBlend(b.cells))) {
    const r = new CsvRow(cells, at);
    const row = rowIn(r, shelves);
    errors.push(...r.errors);
    if (row) rows.push(row);
  }
  const bad = new Set(errors.map((e) => e.row));
  return {
    rows: rows.filter((r) => !bad.has(r.row)).sort((a, b) => a.row - b.row),
    errors: errors.sort((a, b) => a.row - b.row),
  };
}

const num = (x: number | null): string => (x === null ? '' : String(x));
const yesNo = (x: boolean): string => (x ? 'yes' : '');

const packetCells = (p: Packet): Partial<Record<Column, string>> =>
  p.by === 'blend'
    ? { category: p.category, blend: p.members.map((m) => `${m.ingredientId} ${m.parts}`).join('; ') }
    : {
        category: p.category,
        like: p.like ?? '',
        per: p.base,
        base_g: num(p.baseG),
        kcal: num(p.kcal),
        fat_g: num(p.fatG),
        carbohydrate_g: num(p.carbohydrateG),
        sugars_g: num(p.sugarsG),
        fibre_g: num(p.fibreG),
        fibre_within: yesNo(p.fibreWithin),
        protein_g: num(p.proteinG),
        salt_g: num(p.saltG),
        alcohol_g: num(p.alcoholG),
        water_g: num(p.waterG),
        leavened: yesNo(p.leavened),
        g_per_100ml: num(p.gPer100Ml),
        allergens: p.allergens === null ? '' : p.allergens.length === 0 ? 'none' : p.allergens.join('; '),
      };

const stockCells = (s: Stock | undefined): Partial<Record<Column, string>> =>
  s
    ? {
        price: num(s.price),
        pack_g: num(s.packG),
        on_hand_g: num(s.onHandG),
        opened: s.opened ?? '',
        best_before: s.bestBefore ?? '',
      }
    : {};

/**
 * The pantry as a table: every shipped ingredient with its stock, then the kitchen's own with their packets. Read
 * again, it changes nothing.
 */
export function writePantry(known: KnownThings, shelf: Shelf): string {
  const rows = [
    ...known.shipped.map((i) => ({ name: i.name, ...stockCells(shelf[i.id]) })),
    ...known.own.map((o) => ({ name: o.name, ...packetCells(o.packet), ...stockCells(shelf[o.id]) })),
  ];
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows.map((r) => COLUMNS.map((c) => (r as Partial<Record<Column, string>>)[c] ?? '')) }, { escapeFormulae: true, newline: '\n' })}\n`;
}
