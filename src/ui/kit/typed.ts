/** Numbers as they are typed: comma or point, spaces and a unit behind forgiven. */

/** A typed number; NaN for anything else, and for nothing. @param unit forgiven behind it */
export function numberIn(text: string, unit = 'g'): number {
  const t = text.trim().replace(/\s+/g, '').replace(',', '.');
  const bare = t.toLowerCase().endsWith(unit) ? t.slice(0, -unit.length) : t;
  return bare === '' ? Number.NaN : Number(bare);
}
