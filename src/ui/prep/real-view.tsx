import type { Batch } from '@/core/batch/batch';
import { bowlLines } from '@/core/batch/sheet-line';
import { mixesIn, mixName } from '@/core/batch/split';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { numbersOf } from '@/core/numbers';
import { findIngredient } from '@/core/pantry/pantry';
import { inTheBowl } from '@/core/prep/correct';
import { StillRails } from '../shared/still-rails';

/** The ratios of what really went in, once all of a mix is weighed. */
export function RealView({
  batch,
  house,
  mix,
  ticked,
  weights,
}: {
  readonly batch: Batch;
  readonly house: Kitchen;
  readonly mix: number;
  readonly ticked: ReadonlySet<string>;
  readonly weights: Batch['weights'];
}) {
  const bowls = bowlLines(batch.sheet, mix).filter((l) => l.grams !== null);
  const stirred = batch.entries.some((e) => e.act.what === 'corrected' && e.act.mix === mix);
  if (!(stirred || bowls.some((l) => weights[l.key] !== undefined)) || bowls.some((l) => !ticked.has(l.key)))
    return null;
  const { rails } = numbersOf(
    inTheBowl({ ...batch, weights }, mix, (id) => findIngredient(id, house.conventions.own)),
    batch.kind,
    batch.school,
  );
  return (
    <section aria-label="What really went in" className="mb-4 rounded-plate bg-white p-4">
      <h2 className="text-xl">What really went in{mixesIn(batch.split) > 1 ? `, ${mixName(batch.split, mix)}` : ''}</h2>
      <StillRails rails={rails} />
    </section>
  );
}
