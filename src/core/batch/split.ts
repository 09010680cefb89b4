/** How a batch is parted: in one bowl, in equal mixes, or as kits for benches. */

export type Split =
  | { readonly by: 'one' }
  /** The batch in equal mixes; `atOnce` of them joined together. */
  | {
      readonly by: 'bowls';
      readonly mixes: number;
      readonly atOnce: number;
      readonly bowl: string | null;
      readonly lifeMin: number | null;
      readonly apartMin: number | null;
    }
  /** The batch once for each bench, and again for each class. */
  | { readonly by: 'kits'; readonly benches: number; readonly classes: number };

export const ONE: Split = { by: 'one' };

export const mixesIn = (s: Split): number => (s.by === 'bowls' ? s.mixes : s.by === 'kits' ? s.benches * s.classes : 1);

/** What one of several is called: "mix 2", "bench 3, class 1". @param n from 1 */
export function mixName(s: Split, n: number): string {
  if (s.by !== 'kits') return `mix ${n}`;
  const bench = `bench ${((n - 1) % s.benches) + 1}`;
  return s.classes > 1 ? `${bench}, class ${Math.floor((n - 1) / s.benches) + 1}` : bench;
}
