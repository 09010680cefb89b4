/**
 * Labels of kits: a dry bag and a wet tub for every bench, each saying what is in it, whom it concerns and how it is
 * kept.
 */

import { allergensOf } from '../formula/tally';
import { type Ingredient, isA } from '../pantry/ingredient';
import { dayAfter, localDay, sayDay } from '../quantity/day';
import { capital, grams, type Units } from '../quantity/say';
import type { Batch } from './batch';
import type { Label } from './label';
import { linesOfSheet } from './sheet';
import { measureSaid, type SheetLine } from './sheet-line';
import { mixesIn, mixName } from './split';

const said = (l: SheetLine, u: Units): string => (l.measure === null ? l.name : `${l.name} ${measureSaid(l, u)}`);

/** What is held, for a label; deferring to the packets. */
export function holds(lines: readonly SheetLine[], find: (id: string) => Ingredient | undefined): string {
  const { held, unstated, unread } = allergensOf(linesOfSheet(lines, find));
  const open = unstated.length > 0 || unread.length > 0 ? '; not all are stated, ask' : '';
  return `Holds: ${held.map((h) => h.name).join(', ') || 'none of the allergens listed'}${open}.`;
}

/**
 * Two labels for each kit.
 * @param find the pantry @param made when; the wet tub is to be used the day after in the calendar at the latest (a
 * default of ours: the local food code rules)
 */
export function kitLabels(
  b: Pick<Batch, 'name' | 'split' | 'sheet' | 'timeline'>,
  find: (id: string) => Ingredient | undefined,
  units: Units,
  made: Date,
): readonly Label[] {
  const packed = localDay(made.getTime(), units);
  const day = (d: string): string => sayDay(d, units);
  // melted it would set in a tub that stands cold: it is kept for the morning
  const keptBack = (l: SheetLine): boolean =>
    Boolean(b.timeline?.dayOneAt) && /\bmelt/i.test(`${l.preparation} ${l.text}`);
  return Array.from({ length: mixesIn(b.split) }, (_, k) => k + 1).flatMap((mix): readonly Label[] => {
    const own = b.sheet.filter(
      (l) => l.mix === mix || (mixesIn(b.split) === 1 && l.mix === undefined && l.side === undefined),
    );
    const part = (key: string, what: string, lines: readonly SheetLine[], foot: readonly string[]): readonly Label[] =>
      lines.length === 0
        ? []
        : [
            {
              key: `${key}${mix}`,
              title: mixesIn(b.split) > 1 ? `${capital(mixName(b.split, mix))}: ${what}` : capital(what),
              sub: `${b.name}, ${grams(
                lines.reduce((a, l) => a + (l.grams ?? 0), 0),
                units,
              )}`,
              body: lines.map((l) => said(l, units)),
              foot: [
                holds(lines, find),
                ...(linesOfSheet(lines, find).some((l) => l.parts.some((p) => isA(p.ingredient, 'honey')))
                  ? ['Honey: not for infants under one.']
                  : []),
                ...foot,
              ],
            },
          ];
    const of = (...vessels: readonly SheetLine['vessel'][]) => own.filter((l) => vessels.includes(l.vessel));
    return [
      ...part('dry', 'dry bag', of('dry'), [
        `Packed ${day(packed)}. Dry and closed; whisk it through before it is used.`,
      ]),
      ...part(
        'wet',
        'wet tub',
        of('wet', 'fold-in').filter((l) => !keptBack(l)),
        [
          `Packed ${day(packed)}, use by ${day(dayAfter(packed, 1))}. Covered and cold; stir again, combine with the bag only at use.`,
          ...(of('wet').some(keptBack)
            ? [
                `On the day: ${of('wet')
                  .filter(keptBack)
                  .map((l) => said(l, units))
                  .join(', ')}.`,
              ]
            : []),
          'Not tasted raw. The local food code has the last word.',
        ],
      ),
    ];
  });
}
