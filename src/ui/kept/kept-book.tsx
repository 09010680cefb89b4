'use client';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { HOW_WORDS, type KeptHow, type KeptLot } from '@/core/batch/kept';
import { typedNumber } from '@/core/quantity/typed';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { toast, toastUndo } from '../kit/toast';
import { doAct } from '../kit/undo';

interface Use {
  readonly id: string;
  readonly pieces: number;
  readonly how: KeptHow;
  readonly who: string;
  readonly undone: boolean;
  /** The batch it was taken into. */
  readonly into: { readonly id: string; readonly name: string } | null;
  readonly when: string;
}

/** What leaves a kept lot, and what left it: nothing is rubbed out, an entry is taken back. */
export function KeptBook({
  lot,
  uses,
  go,
  back,
}: {
  readonly lot: KeptLot;
  readonly uses: readonly Use[];
  readonly go: (input: unknown) => Promise<ActionResult<{ readonly id: string; readonly left: number }>>;
  readonly back: (input: unknown) => Promise<ActionResult>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [pieces, setPieces] = useState('');
  const takeBack = async (useId: string): Promise<void> => {
    const a = await doAct(act('kept-back', `${lot.name}: an entry taken back`, back, { useId }));
    if (a) toast('Taken back');
    refresh();
  };
  const leave = async (how: KeptHow): Promise<void> => {
    const a = await asking.ask((requestId) =>
      act('kept-gone', `${pieces.trim()} of ${lot.name}`, go, {
        lotId: lot.id,
        pieces: typedNumber(pieces, ''),
        how,
        who: '',
        requestId,
      }),
    );
    if (!a?.ok) return;
    setPieces('');
    toastUndo(`In the book: ${pieces.trim()} ${HOW_WORDS[how]}`, () => takeBack(a.id));
    refresh();
  };
  return (
    <section aria-label="What leaves" className="grid gap-3">
      {lot.left > 0 ? (
        <Form noValidate className="flex flex-wrap items-end gap-2" act={() => {}}>
          <Field
            label="Pieces"
            inputMode="numeric"
            className="w-28"
            value={pieces}
            error={asking.errors.pieces}
            onChange={(e) => {
              setPieces(e.target.value.slice(0, 8));
              asking.touched();
            }}
          />
          <Button look="now" className="min-h-11" disabled={asking.busy} onClick={() => void leave('served')}>
            Served
          </Button>
          <Button className="min-h-11" disabled={asking.busy} onClick={() => void leave('thrown')}>
            Thrown away
          </Button>
        </Form>
      ) : null}
      <RefusalNotice text={Object.keys(asking.errors).length === 0 ? asking.refusal : null} waits={asking.waits} />
      {uses.length > 0 ? (
        <ol aria-label="Book" className="divide-y divide-line border-y border-line">
          {uses.map((u) => (
            <li key={u.id} className="flex flex-wrap items-center gap-x-3 py-1.5">
              <span className={u.undone ? 'text-soft line-through' : ''}>
                {u.pieces}{' '}
                {u.into ? (
                  <>
                    taken into{' '}
                    <Link href={`/batches/${u.into.id}/plan`} className="font-semibold text-rim underline">
                      {u.into.name}
                    </Link>
                  </>
                ) : (
                  HOW_WORDS[u.how]
                )}
                , {u.when}
              </span>
              {u.undone ? (
                <span className="text-soft">taken back</span>
              ) : (
                <Button
                  look="bare"
                  disabled={asking.busy}
                  aria-label={`Take back: ${u.pieces} ${HOW_WORDS[u.how]}, ${u.when}`}
                  onClick={() => void takeBack(u.id)}
                >
                  Take it back
                </Button>
              )}
            </li>
          ))}
        </ol>
      ) : null}
    </section>
  );
}
