/** A row of the pantry's table: its cells by column, read one at a time, each complaint kept with its place. */
import { ALLERGENS, type Allergen } from '../pantry/ingredient';

export const COLUMNS = [
  'name',
  'category',
  'like',
  'per',
  'base_g',
  'kcal',
  'fat_g',
  'carbohydrate_g',
  'sugars_g',
  'fibre_g',
  'fibre_within',
  'protein_g',
  'salt_g',
  'alcohol_g',
  'water_g',
  'leavened',
  'g_per_100ml',
  'blend',
  'allergens',
  'price',
  'pack_g',
  'on_hand_g',
  'opened',
  'best_before',
] as const;
export type Column = (typeof COLUMNS)[number];

export interface RowError {
  /** Line of the file, the head being 1. */
  readonly row: number;
  readonly column: Column | 'file';
  readonly message: string;
}

const NO = new Set(['', 'no', 'n', 'false', '0']);
const YES = new Set(['yes', 'y', 'true', '1']);

export class CsvRow {
  readonly errors: RowError[] = [];
  constructor(
    readonly cells: Readonly<Record<string, string | undefined>>,
    readonly at: number,
  ) {}
  /** Whether the table has such a column at all: one that is left out leaves what is known as it is. */
  has(c: Column): boolean {
    return c in this.cells;
  }
  text(c: Column): string {
    // a sheet program's guard against formulas
    return (this.cells[c] ?? '').trim().replace(/^'(?=[=+\-@])/, '');
  }
  say(column: Column, message: string): void {
    this.errors.push({ row: this.at, column, message });
  }
  number(c: Column, most: number): number | null {
    const t = this.text(c).replace(/\s/g, '').replace(',', '.');
    if (t === '') return null;
    const x = /^[+-]?\d*\.?\d+(?:e[+-]?\d+)?$/i.test(t) ? Number(t) : Number.NaN;
    if (!Number.isFinite(x)) this.say(c, `"${this.text(c).slice(0, 30)}" is no number.`);
    else if (x < 0) this.say(c, `${x} is less than nothing.`);
    else if (x > most) this.say(c, `${x} is more than ${most.toLocaleString('en-GB')}.`);
    else return x;
    return null;
  }
  yes(c: Column): boolean {
    const t = this.text(c).toLowerCase();
    if (!NO.has(t) && !YES.has(t)) this.say(c, `"${t.slice(0, 30)}": yes or no.`);
    return YES.has(t);
  }
  day(c: Column): string | null {
    const t = this.text(c);
    if (t === '') return null;
    const ok = /^\d{4}-\d{2}-\d{2}$/.test(t) && !Number.isNaN(Date.parse(t)) && new Date(t).toISOString().startsWith(t);
    if (!ok) this.say(c, `"${t.slice(0, 30)}" is no day: write year-month-day, as 2026-11-25.`);
    return ok ? t : null;
  }
  allergens(): readonly Allergen[] | null {
    const t = this.text('allergens').toLowerCase();
    if (t === '') return null;
    if (t === 'none') return [];
    const words = t.split(/[;,|]/).map((w) => w.trim().replace(/\s+/g, '-'));
    const bad = words.find((w) => !(ALLERGENS as readonly string[]).includes(w));
    if (bad !== undefined)
      this.say('allergens', `"${bad.slice(0, 30)}" is none we list: ${ALLERGENS.join(', ')}, or none.`);
    return words.filter((w): w is Allergen => (ALLERGENS as readonly string[]).includes(w));
  }
  oneOf<T extends string>(c: Column, of: readonly T[], usual: T | null): T | null {
    const t = this.text(c).toLowerCase().replace(/\s+/g, '');
    const found = of.find((x) => x === t || x.replace(/-/g, '') === t);
    if (!found && t !== '') this.say(c, `"${t.slice(0, 30)}" is none of ${of.join(', ')}.`);
    else if (!found && usual === null) this.say(c, `Which? One of ${of.join(', ')}.`);
    return found ?? usual;
  }
}
