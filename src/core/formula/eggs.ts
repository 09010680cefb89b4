/**
 * Eggs to crack: whole ones, and yolks and whites weighed apart. Yolks and whites come from the same eggs as far as
 * they go; the extras crack more, and what they leave over is said.
 */
import { EGG_G, WHITE_G, YOLK_G } from '../pantry/egg-parts';
import type { TallyLine } from './tally';

export interface EggCount {
  /** Eggs to crack, whole ones too; not rounded. */
  readonly eggs: number;
  readonly whole: number;
  readonly yolks: number;
  readonly whites: number;
  /** Left over from eggs cracked for the other part: `yolk`, `white` or nothing. */
  readonly left: { readonly part: 'yolk' | 'white'; readonly count: number; readonly grams: number } | null;
}

const SHELL_EGG = /^egg-(?:(?:small|medium|large|extra-large)(?:-eu)?|jumbo|duck)$/;
/** Whether an ingredient of the pantry is a whole egg that is cracked. */
export const isShellEgg = (id: string): boolean => SHELL_EGG.test(id);

/**
 * Counts the eggs of batter lines.
 * @param eggGrams grams of one of the kitchen's eggs without its shell: yolks and whites follow its size
 * @returns null where there are none
 */
export function countEggs(lines: readonly TallyLine[], eggGrams: number): EggCount | null {
  let whole = 0;
  let yolks = 0;
  let whites = 0;
  const size = eggGrams / EGG_G;
  for (const l of lines) {
    if (l.use !== 'batter') continue;
    for (const { ingredient: i, grams } of l.parts) {
      if (i.id === 'egg-yolk') yolks += grams / (YOLK_G * size);
      else if (i.id === 'egg-white') whites += grams / (WHITE_G * size);
      else if (i.category === 'egg') whole += grams / (i.piece?.grams ?? eggGrams);
    }
  }
  if (whole + yolks + whites === 0) return null;
  const over = yolks - whites;
  const left =
    Math.abs(over) < 0.05
      ? null
      : over > 0
        ? ({ part: 'white', count: over, grams: over * WHITE_G * size } as const)
        : ({ part: 'yolk', count: -over, grams: -over * YOLK_G * size } as const);
  return { eggs: whole + Math.max(yolks, whites), whole, yolks, whites, left };
}
