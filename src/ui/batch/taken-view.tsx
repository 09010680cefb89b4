'use client';
import type { Batch } from '@/core/batch/batch';
import { act, pageName, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import type { TakenSaid } from './taken-said';

/** What a batch took off the shelf, what was short of it, and the way to put it back if it is not made after all. */
export function TakenView({
  batch,
  lots,
  taken,
  putBack,
}: {
  readonly batch: Pick<Batch, 'id' | 'deductions' | 'finishedAt'>;
  /** Lots of premix its bags came from. */
  readonly lots: readonly {
    readonly id: string;
    readonly number: string;
    readonly premixName: string;
    readonly bags: number;
  }[];
  readonly taken: TakenSaid;
  readonly putBack: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  if (batch.deductions.length === 0 && lots.length === 0) return null;
  const back = async (): Promise<void> => {
    const a = await asking.ask(() =>
      act('put-back', `${pageName()}: what it took put back`, putBack, { batchId: batch.id }),
    );
    if (a?.ok) refresh();
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
          Taken from stock: {taken.all.join(', ')}.
          {taken.short.length > 0 ? <strong> Short: {taken.short.join(', ')}.</strong> : null}
        </p>
      ) : null}
      <RefusalNotice text={asking.refusal} />
      {batch.finishedAt === null ? (
        <Button className="justify-self-start" disabled={asking.busy} onClick={() => void back()}>
          Not made: put it back into stock
        </Button>
      ) : null}
    </section>
  );
}
