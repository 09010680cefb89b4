'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Scales } from '@/core/batch/came-out';
import type { Target } from '@/core/judge/target';
import { answerOf } from '../kit/answer';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { Field, TextField } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { Clashes, useRevised } from '../kit/revised';
import { toast } from '../kit/toast';
import { measuresTyped } from '../shared/outcome.state';
import { ScalesView } from '../shared/scales-view';

interface Fields {
  readonly scales: Scales;
  readonly height: string;
  readonly across: string;
  readonly note: string;
  readonly begun: { readonly revision: number; readonly base: Target };
}

/** The pancake that is wanted: on the drawn scales, in mm where it is measured, in words. */
export function TargetForm({
  formulaId,
  target,
  revision,
  save,
}: {
  readonly formulaId: string;
  readonly target: Target;
  readonly revision: number;
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
}) {
  const router = useRouter();
  const [form, set, sent] = useCopied<Fields>(`target:${formulaId}:${revision}`, () => ({
    scales: target.scales,
    height: target.heightMm === null ? '' : String(target.heightMm),
    across: target.acrossMm === null ? '' : String(target.acrossMm),
    note: target.note,
    begun: { revision, base: target },
  }));
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const revised = useRevised(form.begun.revision, form.begun.base);
  const submit = async (): Promise<void> => {
    if (saving) return;
    const { heightMm, acrossMm, errors: wrong } = measuresTyped(form);
    setErrors(wrong);
    setRefusal(null);
    if (Object.keys(wrong).length > 0) return;
    setSaving(true);
    const answer = await answerOf(
      () =>
        save({
          formulaId,
          scales: form.scales,
          heightMm,
          acrossMm,
          note: form.note,
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
    toast('The target is kept with the formula');
    router.refresh();
  };
  return (
    <Form className="grid gap-5" act={submit}>
      <ScalesView scales={form.scales} onScales={(scales) => set({ scales })} />
      <div className="grid gap-4 sm:grid-cols-2">
        <Field
          label="Height of one"
          unit="mm"
          inputMode="decimal"
          value={form.height}
          onChange={(e) => set({ height: e.target.value })}
          error={errors.heightMm}
          hint="Left empty, it does not count."
        />
        <Field
          label="Across"
          unit="mm"
          inputMode="decimal"
          value={form.across}
          onChange={(e) => set({ across: e.target.value })}
          error={errors.acrossMm}
        />
      </div>
      <TextField
        label="In words: one tasted elsewhere, who it is for"
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
          {saving ? 'Keeping it' : 'Keep the target'}
        </Button>
      </div>
    </Form>
  );
}
