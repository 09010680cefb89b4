'use client';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Scales } from '@/core/batch/came-out';
import type { Target } from '@/core/judge/target';
import { act, pageName } from '../kit/answer';
import { Button } from '../kit/button';
import { Field, TextField } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { RowNotices, useRowForm } from '../kit/row-form';
import { toast } from '../kit/toast';
import { measuresTyped } from '../shared/outcome.state';
import { ScalesView } from '../shared/scales-view';

interface Fields {
  readonly scales: Scales;
  readonly height: string;
  readonly across: string;
  readonly note: string;
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
  const refresh = useRefresh();
  const form = useRowForm<Fields>(`target:${formulaId}`, { revision, base: target }, () => ({
    scales: target.scales,
    height: target.heightMm === null ? '' : String(target.heightMm),
    across: target.acrossMm === null ? '' : String(target.acrossMm),
    note: target.note,
  }));
  const submit = async (): Promise<void> => {
    const { heightMm, acrossMm, errors } = measuresTyped(form.typed);
    const { scales, note } = form.typed;
    const a = await form.save(errors, ({ seen }) =>
      act('save-target', pageName(), save, { formulaId, scales, heightMm, acrossMm, note, seen }),
    );
    if (!a) return;
    toast('The target is kept with the formula');
    refresh();
  };
  return (
    <Form className="grid gap-5" act={submit}>
      <ScalesView scales={form.typed.scales} onScales={(scales) => form.set({ scales })} />
      <div className="grid gap-4 sm:grid-cols-2">
        <Field
          label="Height of one"
          unit="mm"
          inputMode="decimal"
          {...form.text('height', 'heightMm')}
          hint="Left empty, it does not count."
        />
        <Field label="Across" unit="mm" inputMode="decimal" {...form.text('across', 'acrossMm')} />
      </div>
      <TextField
        label="In words: one tasted elsewhere, who it is for"
        rows={3}
        maxLength={4000}
        {...form.text('note')}
      />
      <RowNotices of={form} />
      <div>
        <Button type="submit" look="now" size="work" disabled={form.busy}>
          {form.busy ? 'Keeping it' : 'Keep the target'}
        </Button>
      </div>
    </Form>
  );
}
