'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { Batch } from '@/core/batch/batch';
import { inMeasures } from '@/core/batch/exactness';
import { asTaken } from '@/core/batch/taken';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';
import type { Refused } from '../kit/answer';
import { Refusal, useAsking } from '../kit/asking';
import { Button } from '../kit/button';

/** What a batch took off the shelf, what was short of it, and the way to put it back if it is not made after all. */
export function TakenView({
  batch,
  lots,
  house,
  putBack,
}: {
  readonly batch: Batch;
  /** Lots of premix its bags came from. */
  readonly lots: readonly { readonly id: string; readonly number: string; readonly premixName: string; readonly bags: number }[];
  readonly house: Kitchen;
  readonly putBack: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}) {
  const router = useRouter();
  const asking = useAsking();
  if (batch.deductions.length === 0 && lots.length === 0) return null;
  const nameOf = (id: string): string => {
    const i = findIngredient(id, house.conventions.own);
    return i ? kitchenName(i) : id;
  };
  /** As the batch is measured: a cook with cups reads no grams. */
  const said = (id: string, g: number): string => {
    const i = findIngredient(id, house.conventions.own);
    return i && inMeasures(batch.exactness) ? asTaken(i, g, { ...house, exactness: batch.exactness }).measure : grams(g, house.units);
  };
  const short = batch.deductions.filter((t) => t.takenG < t.wantedG - 0.05);
  const back = async (): Promise<void> => {
    const a = await asking.ask(() => putBack({ batchId: batch.id }));
    if (a?.ok) router.refresh();
  };
  return (
    <section aria-label="From stock" className="grid gap-2 print:hidden">
      {lots.map((l) => (
        <p key={l.id}>
          {l.bags} {l.bags === 1 ? 'bag' : 'bags'} of {l.premixName}, from{' '}
          <Link className="font-semibold text-rim underline" href={`/premix/lots/${l.id}`}>
            lot {l.number}
          </Link>
          .
        </p>
      ))}
      {batch.deductions.length > 0 ? (
        <p>
          Taken from stock: {batch.deductions.map((t) => `${nameOf(t.id)} ${said(t.id, t.takenG)}`).join(', ')}.
          {short.length > 0 ? <strong> Short: {short.map((t) => `${nameOf(t.id)} ${said(t.id, t.wantedG - t.takenG)}`).join(', ')}.</strong> : null}
        </p>
      ) : null}
      <Refusal text={asking.refusal} />
      {batch.finishedAt === null ? (
        <Button className="justify-self-start" disabled={asking.busy} onClick={() => void back()}>
          Not made: put it back into stock
        </Button>
      ) : null}
    </section>
  );
}
