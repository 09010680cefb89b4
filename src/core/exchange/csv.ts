import Papa from 'papaparse';

type Cell = string | number | boolean | Date | null | undefined | readonly string[];

const cell = (c: Cell): string => {
  if (c === null || c === undefined) return '';
  if (c instanceof Date) return c.toISOString();
  const text = Array.isArray(c) ? c.join('; ') : String(c);
  return typeof c !== 'number' && /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
};

/**
 * A table as comma-separated values: a sheet program opens it, and runs nothing of it (what begins like a formula
 * begins with an apostrophe).
 */
export const csvOf = (heads: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse({ fields: [...heads], data: rows.map((r) => r.map(cell)) }, { newline: '\r\n' })}\r\n`;
