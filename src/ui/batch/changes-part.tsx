'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { entriesOf } from '@/core/batch/acts';
import type { Batch } from '@/core/batch/batch';
import { kindById } from '@/core/formula/kinds';
import { typedNumber } from '@/core/quantity/typed';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { useTime } from '../kit/time';

const PAPER_NAMES: Readonly<Record<string, string>> = {
  sheet: 'the sheet',
  sheets: 'the sheets by mix',
  cooks: 'the sheets for prep cooks',
  shopping: 'the shopping list',
  labels: 'the labels',
  notice: 'the allergen notice',
  timeline: 'the time line',
};

type Ask<T = object> = (input: unknown) => Promise<({ readonly ok: true } & T) | Refused>;

/** What changes after the start: covers, stand-ins undone, or made once more. */
export function ChangesPart({
  batch,
  covers,
  undo,
  again,
}: {
  readonly batch: Batch;
  readonly covers: Ask<{ readonly stays: readonly string[] }>;
  readonly undo: Ask;
  readonly again: (input: unknown) => Promise<ActionResult<{ readonly batchId: string }>>;
}) {
  const router = useRouter();
  const refresh = useRefresh();
  const time = useTime();
  const asking = useAsking();
  const { pieces: piecesName } = kindById(batch.kind);
  const [pieces, setPieces] = useState(String(batch.piecesPlanned ?? ''));
  const [stays, setStays] = useState<readonly string[] | null>(null);
  const n = typedNumber(pieces, '');
  const wrong = !(Number.isInteger(n) && n >= 1 && n <= 100_000);
  const open = batch.finishedAt === null;
  // a paper counts as it was last printed
  const printed = new Map(entriesOf(batch.entries, 'printed').map((e) => [e.act.paper, e.act] as const));
  const old = [...printed.values()].filter((p) => p.state < (batch.sheetState ?? 1));
  const standIns = batch.sheet.filter((l) => l.standsFor && (l.mix ?? 1) === 1);
  const make = async (): Promise<void> => {
    const a = await asking.ask(
      (requestId) => act('make-again', `${batch.name}, once more`, again, { batchId: batch.id, requestId }),
      true,
    );
    if (a?.ok) router.push(`/batches/${a.batchId}/prep`);
  };
  return (
    <section aria-label="If things change" className="grid gap-3 rounded-plate bg-white p-4 print:hidden">
      <h2 className="text-2xl">If things change</h2>
      {old.length > 0 && batch.sheetAt ? (
        <Notice weight="look" role="status">
          The sheet is another since {time.ofDay(batch.sheetAt.getTime())}. No longer true:{' '}
          {old.map((p) => PAPER_NAMES[p.paper] ?? p.paper).join(', ')}, printed before. Print{' '}
          {old.length === 1 ? 'it' : 'them'} again.
        </Notice>
      ) : null}
      {standIns.length > 0 ? (
        <div className="flex flex-wrap items-center gap-3">
          <p>
            Standing in:{' '}
            <strong>{standIns.map((l) => `${l.name} for ${l.standsFor?.toLowerCase()}`).join('; ')}</strong>.
          </p>
          {open && batch.unswapped
            ? (batch.standIns?.length ? [...batch.standIns.entries()] : [[null, null] as const]).map(([nth, s]) => (
                <Button
                  key={nth}
                  disabled={asking.busy}
                  onClick={() =>
                    void asking
                      .ask((requestId) =>
                        act(
                          'undo-swaps',
                          `${batch.name}: no ${s === null ? 'stand-ins' : s.name.toLowerCase()} after all`,
                          undo,
                          { batchId: batch.id, nth, requestId },
                          batch.id,
                        ),
                      )
                      .then((a) => {
                        if (a?.ok) refresh();
                      })
                  }
                >
                  {s === null
                    ? 'Undo them'
                    : `No ${s.name.toLowerCase()} after all, back to ${s.standsFor.toLowerCase()}`}
                </Button>
              ))
            : null}
        </div>
      ) : null}
      {open && batch.piecesPlanned !== null && !batch.sheet.some((l) => l.lot) ? (
        <Form
          className="flex flex-wrap items-end gap-3"
          act={() => {
            if (wrong) return;
            void asking
              .ask(() => act('change-covers', `${n} ${piecesName}, in all`, covers, { batchId: batch.id, pieces: n }))
              .then((a) => {
                if (!a?.ok) return;
                setStays(a.stays);
                refresh();
              });
          }}
        >
          <Field
            label={`More or fewer ${piecesName}, in all`}
            inputMode="numeric"
            value={pieces}
            onChange={(e) => {
              setPieces(e.target.value);
              setStays(null);
              asking.touched();
            }}
            error={wrong ? 'A whole number of pieces.' : undefined}
            className="w-56"
          />
          <Button type="submit" size="work" disabled={wrong || asking.busy || n === batch.piecesPlanned}>
            Plan it for {wrong ? '…' : n}
          </Button>
        </Form>
      ) : null}
      {stays ? (
        <Notice weight={stays.length > 0 ? 'look' : 'note'} role="status">
          {stays.length > 0
            ? stays.join(' ')
            : 'Planned anew: what is not weighed is as it has to be, and stock has given or got back the difference.'}
        </Notice>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <div className="flex flex-wrap gap-3">
        {batch.sheet.some((l) => l.lot) ? null : (
          <Button disabled={asking.busy} onClick={() => void make()}>
            Make it again from its plan
          </Button>
        )}
      </div>
    </section>
  );
}
