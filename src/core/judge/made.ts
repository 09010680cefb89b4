/** A batch as it was noted, for finding what happened to it: what went in, what was read off a scale, how it was handled. */
import type { Batch } from '../batch/batch';
import { bareName, bowlLines, goesOnScale } from '../batch/sheet-line';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { inTheBowl } from '../prep/correct';
import type { AsMade } from './happenings';
import type { Process } from './process';

type OfBatch = Pick<Batch, 'kind' | 'school' | 'sheet' | 'weights' | 'entries'>;

/**
 * @param at how it went, and what its kind is used to
 * @param strengthOf share of its gas a powder still has by its day, by the key of its line
 */
export function madeOf(
  b: OfBatch,
  at: Pick<AsMade, 'standing' | 'heatZone' | 'usualTurns' | 'portion'> &
    Pick<Process, 'restMin' | 'heatC' | 'turns' | 'heldMin'>,
  strengthOf: (key: string) => number,
  find: (id: string) => Ingredient | undefined,
): AsMade {
  const sheet = bowlLines(b.sheet, 1);
  const lines = inTheBowl(b, 1, find).map((l, n) => {
    const written = sheet[n];
    const [part] = l.parts;
    return {
      ...l,
      name: written ? bareName(written) : part ? kitchenName(part.ingredient) : '',
      strength: written ? strengthOf(written.key) : 1,
      // what was stirred in after was asked for by how it poured
      weighed: written === undefined || (b.weights[written.key] !== undefined && goesOnScale(written)),
    };
  });
  const { standing, heatZone, usualTurns, portion, restMin, heatC, turns, heldMin } = at;
  const handled = { standing, heatZone, usualTurns, portion, restMin, heatC, turns, heldMin };
  return { kind: b.kind, school: b.school, lines, ...handled };
}
