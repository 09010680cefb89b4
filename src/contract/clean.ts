/**
 * Text as the records can hold it: without NUL, which no text column takes, and without halves of a surrogate pair,
 * which are no character. Done once, where something enters.
 */

// biome-ignore lint/suspicious/noControlCharactersInRegex: NUL is what it is for
const UNKEEPABLE = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

export const cleanText = (s: string): string => s.replace(UNKEEPABLE, '');

const MOST_DEEP = 64;

/** The same of everything in a value, names of fields too. What lies deeper than anything of ours is left out. */
export function clean(value: unknown, depth = 0): unknown {
  if (typeof value === 'string') return cleanText(value);
  if (typeof value !== 'object' || value === null || value instanceof Date) return value;
  if (depth > MOST_DEEP) return null;
  if (Array.isArray(value)) return value.map((v) => clean(v, depth + 1));
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [cleanText(k), clean(v, depth + 1)]));
}
