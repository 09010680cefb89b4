/** A batter that stands: what the wait does to its lift and to how thick it pours. Both are models, for comparing. */
import { FADE_TIMES, type FadePoint, fade } from '../lift/fade';
import { type LiftLine, ledger } from '../lift/ledger';
import { foamAirMl } from './volume';

/**
 * The fade of batter lines.
 * @param paS of the batter before any foam; batterC degrees while it stands
 * @param times minutes, rising
 */
export function fadeOf(
  lines: readonly LiftLine[],
  at: { readonly paS: number; readonly batterC: number },
  times: readonly number[] = FADE_TIMES,
): readonly FadePoint[] {
  let batterG = 0;
  let waterG = 0;
  for (const l of lines) {
    if (l.use !== 'batter') continue;
    for (const p of l.parts) {
      batterG += p.grams;
      waterG += (p.ingredient.per100g.waterG * p.grams) / 100;
    }
  }
  return fade(ledger(lines), { ...at, batterG, waterG, foamMl: foamAirMl(lines) }, times);
}

/** Share of the fresh lift that is left after a rest, 0 to 1; null where there is no lift to lose. */
export function liftLeft(
  lines: readonly LiftLine[],
  at: { readonly paS: number; readonly batterC: number },
  restMin: number,
): number | null {
  const [fresh, then] = fadeOf(lines, at, [0, restMin]);
  return fresh && then && fresh.lift > 1 ? then.lift / fresh.lift : null;
}
