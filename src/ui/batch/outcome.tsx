'use client';
import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import { type Batch, VERDICT_WORDS, VERDICTS } from '@/core/batch/batch';
import { faultsIn, markName, marksOf } from '@/core/batch/came-out';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Judged } from '@/core/judge/evidence';
import { scoreOf, type Target } from '@/core/judge/target';
import { answerOf } from '../kit/answer';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { ManyTaps, Taps } from '../kit/choice';
import { Field, TextField } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Clashes, useRevised } from '../kit/revised';
import { toast } from '../kit/toast';
import { known, mm, type OutcomeFields, outcomeOf, outcomeToSend, type Seen, seconds } from '../shared/outcome.state';
import { ScalesView } from '../shared/scales-view';
import { TargetScore } from '../shared/target-score';
import { Causes } from './causes';

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
  save,
  stuck,
  target,
}: {
  readonly batch: Batch;
  readonly seen: Seen;
  /** What is known of it, but for the times that are written here. */
  readonly judged: Omit<Judged, 'firstS' | 'secondS'>;
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
  /** Shown where something stuck. */
  readonly stuck: ReactNode;
  /** What is wanted of its formula; null: nobody has said. */
  readonly target: Target | null;
}) {
  const router = useRouter();
  const [form, set, sent] = useCopied<OutcomeFields>(`outcome:${batch.id}`, () => outcomeOf(batch, seen));
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const revised = useRevised(form.begun.revision, form.begun.base);

  // what an older log has seen stays to be seen
  const offered = [...new Set([...marksOf(batch.kind), ...form.marks])];

  const submit = async (): Promise<void> => {
    if (saving) return;
    const { errors: wrong, outcome } = outcomeToSend(form);
    setErrors(wrong);
    setRefusal(null);
    if (Object.keys(wrong).length > 0) return;
    setSaving(true);
    const answer = await answerOf(
      () =>
        save({
          batchId: batch.id,
          ...outcome,
          seen: { ...revised.seen, ...form.begun },
        }),
      'What you wrote is still here: save it when it is back.',
    );
    setSaving(false);
    revised.heard(answer);
    if (!answer.ok) {
      setErrors(answer.fields);
      setRefusal(answer.message);
      return;
    }
    sent();
    toast('Written in the log');
    router.push('/log');
    router.refresh();
  };

  return (
    <Form className="mx-auto grid max-w-4xl gap-6" act={submit}>
      <section aria-labelledby="verdict">
        <h2 id="verdict" className="mb-2 text-xl">
          How was it, for {schoolOf(kindById(batch.kind), batch.school).name} {kindById(batch.kind).pieces}?
        </h2>
        <Taps
          label="Verdict"
          size="work"
          optional
          value={form.verdict}
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
          <ScalesView scales={form.scales} onScales={(scales) => set({ scales })} />
        </div>
        {target ? (
          <div className="mb-4">
            <TargetScore
              score={scoreOf(target, {
                scales: form.scales,
                heightMm: known(mm(form.height)),
                acrossMm: known(mm(form.across)),
              })}
            />
          </div>
        ) : null}
        <ManyTaps
          label="What was seen"
          values={form.marks}
          onChange={(marks) => set({ marks })}
          options={offered.map((m) => ({ value: m, label: markName(m) }))}
        />
        <div className="mt-4">
          <Causes
            marks={[...new Set([...form.marks, ...faultsIn(form.scales, batch.kind)])]}
            judged={{ ...judged, firstS: known(seconds(form.first)), secondS: known(seconds(form.second)) }}
            formulaId={batch.formulaId}
            version={batch.versionNumber}
            onChange={(change) => set({ change })}
          />
        </div>
      </section>
      {form.marks.includes('stuck') ? stuck : null}
      <section aria-label="Numbers" className="grid gap-4 sm:grid-cols-4">
        <Field
          label="Pieces that came out"
          inputMode="numeric"
          value={form.pieces}
          onChange={(e) => set({ pieces: e.target.value })}
          error={errors.pieces}
          hint={batch.piecesPlanned ? `${batch.piecesPlanned} planned` : ''}
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="Thrown away"
          inputMode="numeric"
          value={form.waste}
          onChange={(e) => set({ waste: e.target.value })}
          error={errors.waste}
          hint="pieces"
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="First side"
          unit="min:s"
          value={form.first}
          onChange={(e) => set({ first: e.target.value })}
          error={errors.firstSideS}
          hint="2:25 or 145"
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="Second side"
          unit="min:s"
          value={form.second}
          onChange={(e) => set({ second: e.target.value })}
          error={errors.secondSideS}
          hint={SECOND_SIDE[batch.kind] ?? 'mostly about half the first'}
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="Height of one"
          unit="mm"
          inputMode="decimal"
          value={form.height ?? ''}
          onChange={(e) => set({ height: e.target.value })}
          error={errors.heightMm}
          hint="where it is measured"
          inputClass="!min-h-14 text-xl font-semibold"
        />
        <Field
          label="Across"
          unit="mm"
          inputMode="decimal"
          value={form.across ?? ''}
          onChange={(e) => set({ across: e.target.value })}
          error={errors.acrossMm}
          hint="where it is measured"
          inputClass="!min-h-14 text-xl font-semibold"
        />
      </section>
      <Field
        label="One change for next time"
        maxLength={500}
        value={form.change}
        onChange={(e) => set({ change: e.target.value })}
        error={errors.change}
        hint="One, so that its effect can be told."
        inputClass="!min-h-14 text-xl"
      />
      <TextField
        label="Note"
        rows={3}
        maxLength={4000}
        value={form.note}
        onChange={(e) => set({ note: e.target.value })}
        error={errors.note}
      />
      <Clashes of={revised} />
      {refusal && !revised.conflict ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : null}
      <div>
        <Button type="submit" look="now" size="work" disabled={saving}>
          {saving ? 'Writing' : batch.finishedAt ? 'Write it again' : 'Write it in the log'}
        </Button>
      </div>
    </Form>
  );
}
