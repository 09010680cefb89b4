/** How a batch is parted: in one bowl, in equal mixes, or as kits for several cooks. */

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

/** How many waves its mixes are worked in: bowls joined together, the kits of a class. */
export const wavesIn = (s: Split): number =>
  s.by === 'bowls' ? Math.ceil(s.mixes / Math.max(1, s.atOnce)) : s.by === 'kits' ? s.classes : 1;

/** The wave a mix is of, from 1. @param mix from 1 */
export const waveOf = (s: Split, mix: number): number =>
  s.by === 'bowls' ? Math.ceil(mix / Math.max(1, s.atOnce)) : s.by === 'kits' ? Math.ceil(mix / s.benches) : 1;

/** "Wave 2", "Class 2". @param n from 1 */
export const waveName = (s: Split, n: number): string => `${s.by === 'kits' ? 'Class' : 'Wave'} ${n}`;
