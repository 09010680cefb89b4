'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import type { Batch } from '@/core/batch/batch';
import {
  bestByOf,
  COOKED_WORDS,
  type Cooked,
  KEPT_STATE_WORDS,
  KEPT_STATES,
  type KeptLot,
  type KeptState,
  keptWords,
  leftoverMakes,
  lotName,
  packingOf,
} from '@/core/batch/kept';
import { typedNumber } from '@/core/quantity/typed';
import { act } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { DayField } from '../kit/date-fields';
import { Dialog } from '../kit/dialog';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Link } from '../kit/link';
import { useTypedForm } from '../kit/row-form';
import { toast } from '../kit/toast';

interface Typed {
  readonly state: KeptState;
  readonly early: 'done' | 'early';
  readonly pieces: string;
  readonly parcel: string;
  readonly place: string;
  /** yyyy-mm-dd; null: as long as it keeps. */
  readonly bestBy: string | null;
}
const FRESH: Typed = { state: 'frozen', early: 'done', pieces: '', parcel: '', place: '', bestBy: null };

/** What is over of a batch is kept: how much, how, where, and until when. */
export function KeepPart({
  batch,
  made,
  kept,
  fadePct,
  keep,
}: {
  readonly batch: Batch;
  /** yyyy-mm-dd. */
  readonly made: string;
  readonly kept: readonly KeptLot[];
  /** What its batter has of its rise by tomorrow, percent; null where that can't be told. */
  readonly fadePct: number | null;
  readonly keep: (input: unknown) => Promise<ActionResult<{ readonly id: string }>>;
}) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const form = useTypedForm<Typed>(`keep:${batch.id}`, () => FRESH);
  const { set, errors } = form;
  const { state, early, pieces, parcel, place, bestBy } = form.typed;
  const cooked: Cooked = state === 'batter' ? 'raw' : early;
  const until = bestBy ?? bestByOf(made, state, batch.kind);
  const inParcels = parcel.trim() === '' || state === 'batter' ? null : typedNumber(parcel, '');
  const save = async (): Promise<void> => {
    const a = await form.ask(
      (requestId) =>
        act('keep-lot', `what is over of ${batch.name}`, keep, {
          batchId: batch.id,
          state,
          cooked,
          pieces: typedNumber(pieces, ''),
          parcel: inParcels,
          place,
          made,
          bestBy: until,
          note: '',
          who: '',
          requestId,
        }),
      true,
    );
    if (!a?.ok) return;
    form.sent();
    setOpen(false);
    toast('Kept: its label is on its page');
    router.push(`/kept/${a.id}`);
  };
  return (
    <section aria-label="What is over" className="grid justify-items-start gap-2">
      <h2 className="text-2xl">What is over</h2>
      {kept.map((l) => (
        <p key={l.id}>
          <Link href={`/kept/${l.id}`} className="font-semibold text-rim underline">
            {lotName(l)}
          </Link>
          : {keptWords(l, l.pieces)}
          {l.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[l.state]}`}, {l.left} left
        </p>
      ))}
      <Button size="work" onClick={() => setOpen(true)}>
        Keep what is over …
      </Button>
      <Dialog open={open} onOpen={setOpen} title={`Keep of ${batch.name}`} wide>
        <Form noValidate className="grid gap-4" act={save}>
          <Taps
            label="How it is kept"
            value={state}
            onChange={(v) => v !== '' && set({ state: v, bestBy: null })}
            options={KEPT_STATES.map((s) => ({
              value: s,
              label: KEPT_STATE_WORDS[s].replace(/^./, (c) => c.toUpperCase()),
            }))}
          />
          {state === 'batter' ? (
            <div className="text-[15px]">
              <p>
                {fadePct === null
                  ? 'How much of its rise it has by tomorrow can’t be told.'
                  : `By tomorrow it has about ${Math.round(fadePct)} % of its rise (estimate).`}{' '}
                It then makes:
              </p>
              <ul className="list-disc pl-5">
                {leftoverMakes(batch.kind, fadePct).map((m) => (
                  <li key={m}>{m}</li>
                ))}
              </ul>
            </div>
          ) : (
            <Taps
              label="How far it is baked"
              value={early}
              onChange={(v) => v !== '' && set({ early: v })}
              options={(['done', 'early'] as const).map((c) => ({
                value: c,
                label: COOKED_WORDS[c].replace(/^./, (x) => x.toUpperCase()),
              }))}
            />
          )}
          <div className="flex flex-wrap items-start gap-3">
            <Field
              label={state === 'batter' ? 'Batter for so many pieces' : 'Pieces'}
              inputMode="numeric"
              className="w-40"
              maxLength={8}
              {...form.text('pieces')}
            />
            {state === 'batter' ? null : (
              <Field
                label="In parcels of (empty: singly)"
                inputMode="numeric"
                className="w-56"
                maxLength={8}
                {...form.text('parcel')}
              />
            )}
            <Field label="Where" maxLength={80} className="w-56" {...form.text('place')} />
            <DayField
              label="Best by"
              className="w-44"
              value={until}
              error={errors.bestBy}
              onDay={(d) => set({ bestBy: d })}
            />
          </div>
          <ol className="list-decimal pl-5 text-[15px] text-soft">
            {packingOf({ state, parcel: inParcels !== null && Number.isInteger(inParcels) ? inParcels : null }).map(
              (p) => (
                <li key={p}>{p}</li>
              ),
            )}
          </ol>
          <RefusalNotice text={Object.keys(errors).length === 0 ? form.refusal : null} waits={form.waits} />
          <div className="flex flex-wrap gap-2">
            <Button type="submit" look="now" size="work" disabled={form.busy}>
              Keep it
            </Button>
            <Button size="work" onClick={() => setOpen(false)}>
              Not now
            </Button>
          </div>
        </Form>
      </Dialog>
    </section>
  );
}
