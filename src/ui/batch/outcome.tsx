'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import type { ActionResult, Kept } from '@/contract/action-result';
import { type Batch, MARKS, type Mark, VERDICT_WORDS, VERDICTS, type Verdict } from '@/core/batch/batch';
import type { Scales } from '@/core/batch/came-out';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { faultsIn, type Judged } from '@/core/judge/diagnose';
import { minutesAndSeconds } from '@/core/quantity/say';
import { answerOf } from '../kit/answer';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { ManyTaps, Taps } from '../kit/choice';
import { Field, TextField } from '../kit/field';
import { Notice } from '../kit/notice';
import { Clashes, useRevised } from '../kit/revised';
import { Causes } from './causes';
import { ScalesView } from './scales-view';

/** Where the second side is no half of the first. */
const SECOND_SIDE: Readonly<Partial<Record<Batch['kind'], string>>> = {
  crepe: 'a crepe takes 10 to 20 s',
  waffle: 'none in an iron',
  oven: 'none in the oven',
  ball: 'all the turns together',
};

interface Form {
  readonly pieces: string;
  readonly first: string;
  readonly second: string;
  readonly verdict: Verdict | '';
  readonly marks: readonly Mark[];
  readonly note: string;
  readonly scales: Scales;
  readonly waste: string;
  readonly change: string;
  /** What was in the log when this was begun to be written: it outlives a reload with it. */
  readonly begun: { readonly revision: number; readonly base: object };
}

const clockText = (s: number | null): string => (s === null ? '' : minutesAndSeconds(s));

/** "2:25", "145" or "145 s" as seconds; null when empty; NaN when it is no time. */
function seconds(text: string): number | null {
  const t = text.trim();
  if (t === '') return null;
  const m = /^(\d{1,3}):([0-5]\d)$/.exec(t);
  if (m) return Number(m[1]) * 60 + Number(m[2]);
  const s = /^(\d{1,5})\s*s?$/.exec(t);
  return s ? Number(s[1]) : Number.NaN;
}

const known = (s: number | null): number | null => (s === null || Number.isNaN(s) ? null : s);

/** What was tapped at the griddle: what stands in the boxes until the cook says otherwise. */
export interface Seen {
  readonly pieces: number | null;
  readonly firstSideS: number | null;
  readonly secondSideS: number | null;
}

const from = (b: Batch, seen: Seen): Form => ({
  pieces: String(b.pieces ?? seen.pieces ?? ''),
  first: clockText(b.firstSideS ?? seen.firstSideS),
  second: clockText(b.secondSideS ?? seen.secondSideS),
  verdict: b.verdict ?? '',
  marks: MARKS.filter((m) => b.marks.includes(m)),
  note: b.note,
  scales: b.scales,
  waste: b.waste === null ? '' : String(b.waste),
  change: b.change,
  begun: {
    revision: b.outcomeRevision ?? 1,
    base: {
      pieces: b.pieces,
      firstSideS: b.firstSideS,
      secondSideS: b.secondSideS,
      verdict: b.verdict,
      marks: b.marks,
      note: b.note,
      scales: b.scales,
      waste: b.waste,
      change: b.change,
    },
  },
});

/** Outcome: numbers for what was measured, taps for what was seen, a note. */
export function OutcomeForm({
  batch,
  seen,
  judged,
  save,
}: {
  readonly batch: Batch;
  readonly seen: Seen;
  /** What is known of it, but for the times that are written here. */
  readonly judged: Omit<Judged, 'firstS' | 'secondS'>;
  readonly save: (input: unknown) => Promise<ActionResult<Kept>>;
}) {
  const router = useRouter();
  const [form, set, sent] = useCopied<Form>(`outcome:${batch.id}`, () => from(batch, seen));
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const revised = useRevised(form.begun.revision, form.begun.base);

  const submit = async (): Promise<void> => {
    if (saving) return;
    const wrong: Record<string, string> = {};
    const pieces = form.pieces.trim() === '' ? null : /^\s*\d{1,6}\s*$/.test(form.pieces) ? Number(form.pieces) : Number.NaN;
    const firstSideS = seconds(form.first);
    const secondSideS = seconds(form.second);
    if (Number.isNaN(pieces)) wrong.pieces = 'Pieces: a whole number.';
    const waste = form.waste.trim() === '' ? null : /^\s*\d{1,6}\s*$/.test(form.waste) ? Number(form.waste) : Number.NaN;
    if (Number.isNaN(waste)) wrong.waste = 'Thrown away: a whole number.';
    if (Number.isNaN(firstSideS)) wrong.firstSideS = 'Write minutes and seconds, 2:25, or seconds.';
    if (Number.isNaN(secondSideS)) wrong.secondSideS = 'Write minutes and seconds, 1:10, or seconds.';
    if (form.verdict === '') wrong.verdict = 'Tap a verdict.';
    setErrors(wrong);
    setRefusal(null);
    if (Object.keys(wrong).length > 0) return;
    setSaving(true);
    const answer = await answerOf(
      () =>
        save({
          batchId: batch.id,
          pieces,
          firstSideS,
          secondSideS,
          verdict: form.verdict,
          marks: form.marks,
          note: form.note,
          scales: form.scales,
          waste,
          change: form.change,
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
    <form
      className="mx-auto grid max-w-4xl gap-6"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
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
        <ManyTaps label="What was seen" values={form.marks} onChange={(marks) => set({ marks })} options={MARKS.map((m) => ({ value: m, label: m }))} />
        <div className="mt-4">
          <Causes
            marks={[...new Set([...form.marks, ...faultsIn(form.scales)])]}
            judged={{ ...judged, firstS: known(seconds(form.first)), secondS: known(seconds(form.second)) }}
            formulaId={batch.formulaId}
            version={batch.versionNumber}
            onChange={(change) => set({ change })}
          />
        </div>
      </section>
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
      <TextField label="Note" rows={3} maxLength={4000} value={form.note} onChange={(e) => set({ note: e.target.value })} error={errors.note} />
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
    </form>
  );
}
