'use client';
import { type Batch, waysOf } from '@/core/batch/batch';
import { batterLife, lifeOf } from '@/core/batch/mixes';
import { bowlLines } from '@/core/batch/sheet-line';
import { mixesIn } from '@/core/batch/split';
import { fadeOf } from '@/core/batter/standing';
import { bowlOf } from '@/core/day/bowl';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { piecesFrom } from '@/core/griddle/board';
import { findIngredient } from '@/core/pantry/pantry';
import { foldedAt } from '@/core/prep/check';
import { inTheBowl } from '@/core/prep/correct';
import { actIn, foldingIn } from '@/core/script/read';
import type { OpenEventLog } from '../live/use-event-log';
import { CorrectView } from './correct-view';
import { RestView } from './rest-view';

/** The rest and the putting right of a bowl, by what is really in it; worked out when this stage is looked at. */
export function RestStage({
  batch,
  house,
  mix,
  mixedAt,
  stepG,
  log,
}: {
  readonly batch: Batch;
  readonly house: Kitchen;
  readonly mix: number;
  readonly mixedAt: number;
  readonly stepG: number;
  readonly log: OpenEventLog;
}) {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const ways = waysOf(batch, house);
  const { analysis, standing, script } = bowlOf(batch, ways, house, find);
  const folding = foldingIn(script);
  const inBowl = inTheBowl(batch, mix, find);
  // in one bowl every piece came out of it; of several nobody has said which
  const pouredG =
    mixesIn(batch.split) === 1
      ? piecesFrom(log.taps).length * (batch.portionMl ?? 0) * (analysis.volume?.densityGPerMl ?? 1)
      : 0;
  return (
    <>
      <RestView
        at={mixedAt}
        restMin={standing.restMin}
        life={lifeOf(analysis, folding !== null)}
        batterLife={batterLife(analysis)}
        fade={analysis.thickness ? fadeOf(inBowl, { paS: analysis.thickness.paS, batterC: standing.batterC }) : []}
        foam={
          folding
            ? {
                ...folding,
                at: foldedAt(log.entries, mix),
                onFolded: () => log.enter({ what: 'folded', mix }),
              }
            : null
        }
        parting={actIn(script, 'part')?.says[0]?.do ?? ''}
        addIns={bowlLines(batch.sheet, mix)
          .filter((l) => l.grams !== null && l.moment === 'rest')
          .map((l) => l.name)}
        griddle={`/batches/${batch.id}/griddle`}
      />
      <CorrectView
        batch={batch}
        mix={mix}
        lines={inBowl}
        standing={standing}
        stepG={stepG}
        measured={{ ...house, exactness: batch.exactness }}
        pouredG={pouredG}
        log={log}
        find={find}
      />
    </>
  );
}
