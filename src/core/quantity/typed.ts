/** Numbers and amounts as they are typed: comma or point, spaces and a unit behind forgiven. */

/**
 * A typed number; NaN for anything else, and for nothing. @param units each forgiven behind it; grams where none is
 * said
 */
export function typedNumber(text: string, ...units: readonly string[]): number {
  const t = text
    .trim()
    .replace(/[\s\u2009\u202f]+/g, '')
    .replace(',', '.');
  const unit = (units.length > 0 ? units : ['g']).find((u) => u !== '' && t.toLowerCase().endsWith(u.toLowerCase()));
  const bare = unit ? t.slice(0, -unit.length) : t;
  // "0x1f", "1e9" and "Infinity" are numbers to a machine alone
  return /^[-+\u2212]?(?:\d+\.?\d*|\.\d+)$/.test(bare) ? Number(bare.replace('\u2212', '-')) : Number.NaN;
}

/** "1.5 kg" and "1500" are 1500 g; null where nothing is typed, NaN where it is no amount. */
export function typedGrams(text: string): number | null {
  const t = text.trim().toLowerCase();
  if (t === '') return null;
  return t.endsWith('kg') ? 1000 * typedNumber(t, 'kg') : typedNumber(t);
}
