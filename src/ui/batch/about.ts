/** What stands under a sheet's name: how much it is, and how it is split. */
import type { Batch } from '@/core/batch/batch';
import { type Driver, hasTestPiece, wantedPieces } from '@/core/batch/driver';
import { inMeasures } from '@/core/batch/exactness';
import { mixesIn, type Split, wavesIn } from '@/core/batch/split';
import { kindById } from '@/core/formula/kinds';
import { counted, grams, millilitres, minutesOrHours, portionWords, type Units } from '@/core/quantity/say';

/** How mixes follow each other, in words. */
export function wavesWords(s: Extract<Split, { readonly by: 'bowls' }>): string {
  const waves = wavesIn(s);
  if (waves === 1) return s.mixes === 1 ? '' : 'all combined together';
  return `${s.atOnce === 1 ? 'one' : s.atOnce} at a time, ${waves} waves${s.apartMin === null ? '' : ` about ${minutesOrHours(s.apartMin)} apart`}`;
}

export interface About {
  readonly driver: Driver | null;
  readonly split: Split | null;
  /** Pieces asked for, in one kit where there are kits. */
  readonly wanted: number | null;
  /** Pieces that one mix pours. */
  readonly made: number | null;
  readonly portionMl: number | null;
  /** The portion as it was said; null: in millilitres. */
  readonly portionSaid?: string | null | undefined;
  readonly pieces: string;
  readonly massG: number;
  readonly volumeMl: number | null;
  /** Taken with cups and spoons: no grams are said. */
  readonly cups?: boolean;
  readonly units: Units;
}

export function sheetAbout(a: About): readonly string[] {
  const n = a.split ? mixesIn(a.split) : 1;
  const of = a.portionMl === null ? '' : ` of ${portionWords(a.portionMl, a.portionSaid)}`;
  // the cook's own number is what is said back
  const people =
    a.driver?.by === 'guests' ? `for ${a.driver.guests} ${a.driver.guests === 1 ? 'person' : 'people'}: ` : '';
  const test = a.driver && hasTestPiece(a.driver) ? ' and one to test' : '';
  const pieces =
    a.driver?.by === 'both'
      ? `${[a.driver.a, a.driver.b].map((e) => `${e.pieces} ${e.name} of ${portionWords(e.portionMl, e.said)}`).join(' and ')}${test}`
      : a.wanted !== null
        ? `${people}${counted(a.wanted, a.pieces)}${of}${test}`
        : a.made !== null && a.portionMl !== null
          ? `${people}${counted(a.made * (a.split?.by === 'bowls' ? n : 1), a.pieces)}${of}${test}`
          : '';
  const volume = a.volumeMl === null ? '' : `, ${millilitres(a.volumeMl)}`;
  if (a.split?.by === 'kits')
    return [
      `${n} kits`,
      pieces && `each ${pieces}`,
      a.cups ? '' : `${grams(a.massG / n, a.units)} of batter each, ${grams(a.massG, a.units)} in all`,
    ];
  const all = a.cups
    ? a.volumeMl === null
      ? ''
      : `${millilitres(a.volumeMl)} of batter`
    : `${grams(a.massG, a.units)} of batter${volume}`;
  return a.split?.by === 'bowls' && n > 1
    ? [pieces, all, `${n} equal mixes${a.cups ? '' : ` of ${grams(a.massG / n, a.units)}`}`, wavesWords(a.split)]
    : [pieces, all];
}

/** The same of a batch that was started. */
export const batchAbout = (b: Batch, units: Units): readonly string[] =>
  sheetAbout({
    driver: b.driver,
    split: b.split,
    wanted: wantedPieces(b.driver),
    made: b.piecesPlanned === null || b.split.by === 'kits' ? null : b.piecesPlanned / mixesIn(b.split),
    portionMl: b.piecesPlanned === null ? null : b.portionMl,
    portionSaid: b.portionSaid,
    pieces: kindById(b.kind).pieces,
    massG: b.massG,
    volumeMl: null,
    cups: inMeasures(b.exactness),
    units,
  });
