'use client';
import { useRouter } from 'next/navigation';
import { type ReactNode, useRef, useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import { type Batch, VERDICT_WORDS, VERDICTS } from '@/core/batch/batch';
import { faultsIn, markName, marksInWords } from '@/core/batch/came-out';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Judged } from '@/core/judge/evidence';
import type { Possible } from '@/core/judge/happenings';
import { scoreOf, type Target } from '@/core/judge/target';
import { act } from '../kit/answer';
import { Button } from '../kit/button';
import { ManyTaps, Taps } from '../kit/choice';
import { Field, TextField } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { RowNotices, useRowForm } from '../kit/row-form';
import { toast } from '../kit/toast';
import { known, mm, type OutcomeFields, outcomeOf, outcomeToSend, type Seen, seconds } from '../shared/outcome.state';
import { ScalesView } from '../shared/scales-view';
import { TargetScore } from '../shared/target-score';
import { Causes } from './causes';
import { timedAs, WhatHappened } from './what-happened';

/** Where the second side is no half of the first. */
const SECOND_SIDE: Readonly<Partial<Record<Batch['kind'], string>>> = {
  crepe: 'a crepe takes 10 to 20 s',
  waffle: 'none in an iron',
  oven: 'none in the oven',
  ball: 'all the turns together',
};

/** Outcome: numbers for what was measured, taps for what was seen, a note. */
export function OutcomeForm({
  batch,
  seen,
  judged,
  possible,
  save,
  stuck,
  target,
}: {
  readonly batch: Batch;
  readonly seen: Seen;
  /** What is known of it, but for the times that are written here. */
  readonly judged: Omit<Judged, 'firstS' | 'secondS'>;
  /** What may have happened to it. */
  readonly possible: Possible;
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
  /** Shown where something stuck. */
  readonly stuck: ReactNode;
  /** What is wanted of its formula; null: nobody has said. */
  readonly target: Target | null;
}) {
  const router = useRouter();
  const refresh = useRefresh();
  const { row, fields } = outcomeOf(batch, seen);
  const form = useRowForm<OutcomeFields>(`outcome:${batch.id}`, row, () => fields);
  const { typed, set, errors } = form;

  // what an older log has seen stays to be seen
  const offered = [...new Set([...marksInWords(batch.kind), ...typed.marks])];
  const [isInWords, setIsInWords] = useState(false);
  // what was not good wants a word for it
  const inWords = isInWords || typed.marks.length > 0 || typed.verdict === 'fair' || typed.verdict === 'poor';

  // opened by what is measured, and not shut under the hand that empties a field
  const measured = useRef(false);
  measured.current ||= target !== null || typed.height !== '' || typed.across !== '';

  const submit = async (): Promise<void> => {
    const { errors: wrong, outcome } = outcomeToSend(typed);
    const a = await form.save(wrong, ({ seen }) =>
      act('save-outcome', `what came out of ${batch.name}`, save, { batchId: batch.id, ...outcome, seen }),
    );
    if (!a) return;
    toast('Written in the log');
    router.push('/log');
    refresh();
  };

  return (
    <Form className="mx-auto grid max-w-4xl gap-6" act={submit}>
      <section aria-labelledby="verdict">
        <h2 id="verdict" className="mb-2 text-xl">
          How was it, for {schoolOf(kindById(batch.kind), batch.school).name} {kindById(batch.kind).pieces}?
        </h2>
        <Taps
          label="How it was"
          size="work"
          optional
          value={typed.verdict}
          onChange={(verdict) => set({ verdict })}
          options={VERDICTS.map((v) => ({ value: v, label: VERDICT_WORDS[v] }))}
        />
        {errors.verdict ? (
          <p role="alert" className="mt-1 font-semibold text-berry">
            {errors.verdict}
          </p>
        ) : null}
      </section>
      <section aria-labelledby="marks">
        <h2 id="marks" className="mb-2 text-xl">
          What did you see?
        </h2>
        <div className="mb-4">
          <ScalesView scales={typed.scales} onScales={(scales) => set({ scales })} first={['colour', 'crumb']} />
        </div>
        {target ? (
          <div className="mb-4">
            <TargetScore
              score={scoreOf(target, {
                scales: typed.scales,
                heightMm: known(mm(typed.height)),
                acrossMm: known(mm(typed.across)),
              })}
            />
          </div>
        ) : null}
        {inWords ? (
          <ManyTaps
            label="What was seen"
            values={typed.marks}
            onChange={(marks) => set({ marks })}
            options={offered.map((m) => ({ value: m, label: markName(m) }))}
          />
        ) : (
          <Button look="bare" className="!min-h-11" onClick={() => setIsInWords(true)}>
            Tender, tough, gummy: in words …
          </Button>
        )}
        <div className="mt-4">
          <WhatHappened
            possible={possible}
            seen={typed}
            timed={timedAs(known(seconds(typed.first)), judged.usual.first)}
            tested={typed.tested ?? {}}
            onTested={(tested) => set({ tested })}
            onChange={(change) => set({ change })}
          />
          <Causes
            marks={[...new Set([...typed.marks, ...faultsIn(typed.scales, batch.kind)])]}
            judged={{ ...judged, firstS: known(seconds(typed.first)), secondS: known(seconds(typed.second)) }}
            formulaId={batch.formulaId}
            version={batch.versionNumber}
            onChange={(change) => set({ change })}
          />
        </div>
      </section>
      {typed.marks.includes('stuck') ? stuck : null}
      <Field
        label="One change for next time"
        maxLength={500}
        {...form.text('change')}
        hint="One, so that its effect can be told."
        inputClass="!min-h-14 text-xl"
      />
      <section aria-label="Numbers" className="grid gap-4 sm:grid-cols-4">
        <Field
          label="Pieces that came out"
          inputMode="numeric"
          {...form.text('pieces')}
          hint={batch.piecesPlanned ? `${batch.piecesPlanned} planned` : ''}
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="Thrown away"
          inputMode="numeric"
          {...form.text('waste')}
          hint="pieces"
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="First side"
          unit="min:s"
          {...form.text('first', 'firstSideS')}
          hint="2:25 or 145"
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="Second side"
          unit="min:s"
          {...form.text('second', 'secondSideS')}
          hint={SECOND_SIDE[batch.kind] ?? 'mostly about half the first'}
          inputClass="!min-h-14 text-xl font-semibold"
        />
      </section>
      <details open={measured.current}>
        <summary className="w-fit cursor-pointer rounded font-semibold text-rim">Measured: height, across</summary>
        <div className="mt-2 grid gap-4 sm:grid-cols-4">
          <Field
            label="Height of one"
            unit="mm"
            inputMode="decimal"
            {...form.text('height', 'heightMm')}
            inputClass="!min-h-14 text-xl font-semibold"
          />
          <Field
            label="Across"
            unit="mm"
            inputMode="decimal"
            {...form.text('across', 'acrossMm')}
            inputClass="!min-h-14 text-xl font-semibold"
          />
        </div>
      </details>
      <TextField label="Note" rows={3} maxLength={4000} {...form.text('note')} />
      <RowNotices of={form} />
      <div>
        <Button type="submit" look="now" size="work" disabled={form.busy}>
          {form.busy ? 'Writing' : batch.finishedAt ? 'Write it again' : 'Write it in the log'}
        </Button>
      </div>
    </Form>
  );
}
