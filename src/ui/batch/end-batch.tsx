'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActName } from '@/contract/acts';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { MoreMenu } from '../kit/menu';
import { toastUndoAct } from '../kit/undo';

type Ask = (input: unknown) => Promise<{ readonly ok: true } | Refused>;

export interface EndActs {
  /** Given up: what it took goes back, or is used up. */
  readonly away: Ask;
  /** Made to the end, and no outcome written. */
  readonly end: Ask;
  /** Under way again. */
  readonly again: Ask;
}

/** The way out of a batch, on each of its pages: given up, or made and ended without an outcome; undone after. */
export function EndBatch({
  batchId,
  name,
  acts,
}: {
  readonly batchId: string;
  readonly name: string;
  readonly acts: EndActs;
}) {
  const router = useRouter();
  const asking = useAsking();
  const [open, setOpen] = useState(false);
  const leave = async (name: ActName, work: Ask, input: object, said: string): Promise<void> => {
    const a = await asking.ask(() => act(name, said, work, { batchId, ...input }));
    if (!a?.ok) return;
    setOpen(false);
    toastUndoAct(
      said,
      () => act('take-up', `${said}: taken up again`, acts.again, { batchId }),
      () => router.push(`/batches/${batchId}/plan`),
    );
    router.push('/');
  };
  return (
    <>
      <MoreMenu
        label="More of this batch"
        className="!min-h-11 !px-3"
        entries={() => [{ name: 'Give up this batch …', act: () => setOpen(true) }]}
      />
      <Dialog open={open} onOpen={setOpen} title={`End ${name}?`}>
        <div className="grid gap-2">
          <p>It stays in the log either way. How it came out can still be written there.</p>
          <Button
            size="work"
            disabled={asking.busy}
            onClick={() =>
              void leave('put-away', acts.away, { back: true }, `${name} is given up; what it took is back in stock`)
            }
          >
            Give it up: what it took goes back into stock
          </Button>
          <Button
            size="work"
            disabled={asking.busy}
            onClick={() =>
              void leave('put-away', acts.away, { back: false }, `${name} is given up; what it took is used up`)
            }
          >
            Give it up: what it took is used up
          </Button>
          <Button
            size="work"
            disabled={asking.busy}
            onClick={() => void leave('end-batch', acts.end, {}, `${name} is ended`)}
          >
            It is made: end it without an outcome
          </Button>
          <RefusalNotice text={asking.refusal} waits={asking.waits} />
          <Button look="bare" onClick={() => setOpen(false)}>
            Go on with it
          </Button>
        </div>
      </Dialog>
    </>
  );
}
