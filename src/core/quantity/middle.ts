/** The middle of some numbers; of an even count the mean of the two. Null where there are none. */
export function median(xs: readonly number[]): number | null {
  const s = [...xs].sort((a, b) => a - b);
  const m = Math.floor(s.length / 2);
  if (s.length === 0) return null;
  return s.length % 2 === 1 ? (s[m] as number) : ((s[m - 1] as number) + (s[m] as number)) / 2;
}
