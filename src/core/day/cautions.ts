/** The usual cautions of a batch, each once and where it belongs: short, and never a claim that anything is safe. */

import type { Batch } from '../batch/batch';
import { kindsIn } from '../batch/pourings';
import { linesOfSheet } from '../batch/sheet';
import type { KindId } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { powderStrength, WEAK } from '../formula/powder-age';
import type { Ways } from '../formula/ways';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { sayDay } from '../quantity/day';

/** Where in the work it is said. */
type CautionPlace = 'prep' | 'griddle';

interface Caution {
  readonly id: 'raw' | 'knife' | 'powder' | 'fat' | 'steam' | 'handle' | 'flame';
  readonly place: CautionPlace;
  readonly says: string;
}

/** What goes into a batch, with what is done to it. */
export interface CautionLine {
  readonly ingredients: readonly Ingredient[];
  readonly preparation: string;
}

const CUT = /\b(?:slic|chop|dic|minc|grat|zest|peel|cor|shav|julienn|halv|quarter)/i;
/** From so much alcohol on, g in 100 g, a thing burns when it meets a flame. */
const BURNS_G = 15;

/** The days that a kitchen's powders were opened on, and how it writes a day. */
type AgedBy = Pick<Kitchen, 'openedOn' | 'today' | 'units'>;

/** "Baking powder was opened on 4 Feb 2026", of each that has lost enough to be worth a word. */
const oldPowders = (lines: readonly CautionLine[], { openedOn = {}, today, units }: AgedBy): readonly string[] =>
  [...new Map(lines.flatMap((l) => l.ingredients.map((i) => [i.id, i] as const))).values()].flatMap((i) => {
    const opened = openedOn[i.id];
    return today !== null && opened !== undefined && i.ownAcidMeqPer100g > 0 && powderStrength(opened, today) < WEAK[0]
      ? [`${kitchenName(i)} was opened on ${sayDay(opened, units)}`]
      : [];
  });

/**
 * @param kinds what is poured, one or two @param lines all of it: batter, pan, toppings, sauces
 * @param ways whether there is fat in the pan @param house by whose shelf a powder is old
 */
export function cautionsOf(
  kinds: readonly KindId[],
  lines: readonly CautionLine[],
  ways: Pick<Ways, 'panFat'>,
  house: AgedBy | null = null,
): readonly Caution[] {
  const of = (test: (i: Ingredient) => boolean): boolean => lines.some((l) => l.ingredients.some(test));
  const is = (k: KindId): boolean => kinds.includes(k);
  const egg = of((i) => i.category === 'egg');
  const flour = of((i) => i.category === 'flour');
  const old = house ? oldPowders(lines, house) : [];
  const fat = kinds.some((k) => k !== 'oven' && k !== 'waffle') && ways.panFat !== 'none';
  const all: readonly (readonly [Caution['id'], CautionPlace, boolean, string])[] = [
    [
      'raw',
      'prep',
      egg || flour,
      `${egg && flour ? 'Raw egg and raw flour are' : egg ? 'Raw egg is' : 'Raw flour is'} not tasted; wash hands, bowls and spoons after.`,
    ],
    [
      'knife',
      'prep',
      lines.some((l) => CUT.test(l.preparation)),
      'Knife and grater: a board that does not slip, and fingers back.',
    ],
    ['powder', 'prep', old.length > 0, `${old.join('; ')}: a spoonful in hot water has to foam, or it is done.`],
    [
      'fat',
      'griddle',
      fat || is('oven'),
      is('ball')
        ? 'Hot fat stands in the hollows: no water near it, children away.'
        : 'Hot fat spits: dry hands, no water into it, and never on its own on the heat.',
    ],
    [
      'steam',
      'griddle',
      is('waffle'),
      'Steam comes out of the iron at its side: open it away from your face and wrist.',
    ],
    [
      'handle',
      'griddle',
      is('oven'),
      'The pan comes out as hot as the oven, and heavy: both hands, a dry cloth on the handle, and leave the cloth there.',
    ],
    [
      'flame',
      'griddle',
      of((i) => i.per100g.alcoholG >= BURNS_G),
      'There is spirit in this: pour it away from the flame, never from the bottle into a hot pan.',
    ],
  ];
  return all.flatMap(([id, place, when, says]) => (when ? [{ id, place, says }] : []));
}

/** Those of one place in a batch, from its sheet as it is. */
export function batchCautions(
  b: Pick<Batch, 'sheet' | 'kind' | 'driver'>,
  place: CautionPlace,
  ways: Pick<Ways, 'panFat'>,
  house: AgedBy,
  find: (id: string) => Ingredient | undefined,
): readonly Caution[] {
  const lines = linesOfSheet(b.sheet, find).map((l, n) => ({
    ingredients: l.parts.map((p) => p.ingredient),
    preparation: `${b.sheet[n]?.preparation ?? ''} ${b.sheet[n]?.text ?? ''}`,
  }));
  return cautionsOf(kindsIn(b), lines, ways, house).filter((c) => c.place === place);
}
