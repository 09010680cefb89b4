/** Pages by keyset: where the last row of a page stood, not how many came before it. */

/** Where a page ended: microseconds since 1970, and the row's id. */
export interface Cursor {
  readonly at: string;
  readonly id: string;
}

export interface Page<T> {
  readonly rows: readonly T[];
  /** Where the next page begins, as it stands in an address; null: this is the last. */
  readonly next: string | null;
}

export const cursorOf = (micros: string, id: string): string => `${micros}_${id}`;

/** A cursor out of an address; null where it is none. */
export function cursorIn(s: unknown): Cursor | null {
  const m =
    typeof s === 'string'
      ? /^(-?\d{1,18})_([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})$/.exec(s)
      : null;
  return m?.[1] && m[2] ? { at: m[1], id: m[2] } : null;
}

/** A page of `most`, out of one row more than that where there is more. */
export function pageOf<T>(rows: readonly T[], most: number, cursor: (row: T) => string): Page<T> {
  const page = rows.slice(0, most);
  const last = page.at(-1);
  return { rows: page, next: rows.length > most && last ? cursor(last) : null };
}
