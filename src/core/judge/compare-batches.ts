/** Two batches side by side: how they were made and what came of it, in the words of the log. */

import { type Batch, VERDICT_WORDS } from '../batch/batch';
import { markName, scalesInWords } from '../batch/came-out';
import { EXACTNESS_WORDS } from '../batch/exactness';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { FRESH_UNITS, grams, millilitres, minutesAndSeconds, temperature, type Units } from '../quantity/say';
import type { Process } from './process';

export interface SideBySide {
  readonly name: string;
  readonly a: string;
  readonly b: string;
}

export interface MadeBatch {
  readonly batch: Pick<
    Batch,
    | 'pieces'
    | 'piecesPlanned'
    | 'portionMl'
    | 'firstSideS'
    | 'secondSideS'
    | 'verdict'
    | 'marks'
    | 'note'
    | 'scales'
    | 'waste'
    | 'heightMm'
    | 'acrossMm'
    | 'change'
    | 'massG'
    | 'exactness'
  >;
  readonly process: Process;
  readonly batterC: number;
}

type Say = (m: MadeBatch) => string;
const seconds = (s: number | null): string => (s === null ? '' : minutesAndSeconds(s));
const minutes = (m: number | null): string => (m === null ? '' : `${Math.round(m)} min`);

/** How late plates went, in words. */
export const lateWords = (min: number | null): string =>
  min === null ? '' : Math.abs(min) < 1 ? 'in time' : `${Math.round(Math.abs(min))} min ${min > 0 ? 'late' : 'early'}`;

const PROCESS = (find: (id: string) => Ingredient | undefined, u: Units): readonly (readonly [string, Say])[] => [
  ['Batter', ({ batch }) => grams(batch.massG, u)],
  ['Measured', ({ batch }) => EXACTNESS_WORDS[batch.exactness]],
  ['Portion', ({ batch }) => (batch.portionMl === null ? '' : millilitres(batch.portionMl))],
  [
    'Went in off the plan',
    ({ process }) =>
      process.off.map((o) => `${o.name} ${o.byG > 0 ? '+' : '−'}${grams(Math.abs(o.byG), u)}`).join(', '),
  ],
  ['Second look', ({ process }) => process.checkedBy.join(', ')],
  ['Mixed', ({ process }) => (process.turns === null ? '' : `${Math.round(process.turns)} turns`)],
  ['Rest', ({ process }) => minutes(process.restMin)],
  [
    'Stirred in',
    ({ process }) =>
      process.corrected
        .map((c) => {
          const i = find(c.ingredientId);
          return `${grams(c.grams, u)} ${i ? kitchenName(i).toLowerCase() : c.ingredientId}`;
        })
        .join(', '),
  ],
  ['Batter at', ({ batterC }) => temperature(batterC, u)],
  ['Surface', ({ process }) => (process.heatC === null ? '' : temperature(process.heatC, u))],
  ['First side', ({ batch }) => seconds(batch.firstSideS)],
  ['Second side', ({ batch }) => seconds(batch.secondSideS)],
  ['Held', ({ process }) => minutes(process.heldMin)],
  ['Plates', ({ process }) => lateWords(process.lateMin)],
];

const OUTCOME: readonly (readonly [string, Say])[] = [
  ['How it was', ({ batch }) => (batch.verdict ? VERDICT_WORDS[batch.verdict] : 'under way')],
  [
    'Pieces',
    ({ batch }) => `${batch.pieces ?? '–'}${batch.piecesPlanned === null ? '' : ` of ${batch.piecesPlanned}`}`,
  ],
  ['Thrown away', ({ batch }) => (batch.waste === null ? '' : String(batch.waste))],
  ['Height', ({ batch }) => (batch.heightMm === null ? '' : `${batch.heightMm} mm`)],
  ['Across', ({ batch }) => (batch.acrossMm === null ? '' : `${batch.acrossMm} mm`)],
  ['On the scales', ({ batch }) => scalesInWords(batch.scales).join(', ')],
  ['Seen', ({ batch }) => batch.marks.map(markName).join(', ')],
  ['Change for next time', ({ batch }) => batch.change],
  ['Note', ({ batch }) => batch.note],
];

const rowsOf = (table: readonly (readonly [string, Say])[], a: MadeBatch, b: MadeBatch): readonly SideBySide[] =>
  table.map(([name, say]) => ({ name, a: say(a), b: say(b) })).filter((r) => r.a !== '' || r.b !== '');

/** How each was made, and what came of it; what neither says is left out. */
export const besideEachOther = (
  a: MadeBatch,
  b: MadeBatch,
  find: (id: string) => Ingredient | undefined,
  u: Units = FRESH_UNITS,
): { readonly process: readonly SideBySide[]; readonly outcome: readonly SideBySide[] } => ({
  process: rowsOf(PROCESS(find, u), a, b),
  outcome: rowsOf(OUTCOME, a, b),
});
