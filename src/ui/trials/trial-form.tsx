'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import { MATTERS, WAY_IDS, type WayId } from '@/core/formula/schools';
import type { Ways } from '@/core/formula/ways';
import { act } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { useTypedForm } from '../kit/row-form';
import { useUnits } from '../kit/units';
import { WayChoice } from '../kit/way-fields';
import {
  type ActOffered,
  canAddWay,
  canDropWay,
  NEW_WAY,
  SORT_WORDS,
  type Sort,
  type TrialTyped,
  trialAsked,
  type WayTyped,
} from './trial.state';

interface Offered {
  readonly lines: readonly { readonly key: string; readonly text: string }[];
  readonly acts: readonly ActOffered[];
  /** Earlier versions, and what each has otherwise. */
  readonly versions: readonly { readonly number: number; readonly note: string; readonly moved: readonly string[] }[];
  /** Ways as the formula is worked now. */
  readonly ways: Ways;
}

const SORTS = Object.keys(SORT_WORDS) as readonly Sort[];
const ORDINALS = ['The first', 'The second', 'The third', 'The fourth'];

/** What is otherwise in one way. */
function WayFields({
  typed: w,
  onTyped,
  offered,
  error,
}: {
  readonly typed: WayTyped;
  readonly onTyped: (part: Partial<WayTyped>) => void;
  readonly offered: Offered;
  readonly error: string | undefined;
}) {
  const { temperature } = useUnits();
  const line = (
    <Choice
      label="Line"
      value={w.key}
      placeholder="pick one"
      onChange={(key) => onTyped({ key, text: offered.lines.find((l) => l.key === key)?.text ?? '' })}
      options={offered.lines.map((l) => ({ value: l.key, label: l.text.slice(0, 80) }))}
    />
  );
  const text = (key: 'text' | 'minutes' | 'degrees' | 'ml') => ({
    value: w[key],
    onChange: (e: { readonly target: { readonly value: string } }) => onTyped({ [key]: e.target.value }),
  });
  const version = offered.versions.find((v) => String(v.number) === w.version);
  const acts = offered.acts.find((a) => a.id === w.act);
  const hasText = w.sort === 'add' || (w.sort === 'line' && w.key !== '');
  return (
    <div className="flex flex-wrap items-start gap-3">
      <Choice
        label="What is otherwise"
        value={w.sort}
        onChange={(sort) => onTyped({ ...NEW_WAY, sort })}
        options={SORTS.filter((s) => s !== 'version' || offered.versions.length > 0).map((value) => ({
          value,
          label: SORT_WORDS[value],
        }))}
      />
      {w.sort === 'line' || w.sort === 'leave' ? line : null}
      {hasText ? (
        <Field
          label={w.sort === 'line' ? 'is to be' : 'The line'}
          placeholder={w.sort === 'line' ? '60 g oil' : '10 g vanilla sugar'}
          maxLength={300}
          className="min-w-60 flex-1"
          error={error}
          {...text('text')}
        />
      ) : null}
      {w.sort === 'way' ? (
        <>
          <Choice
            label="Of what"
            value={w.way}
            onChange={(way) => onTyped({ way, value: '' })}
            options={WAY_IDS.map((value) => ({ value, label: MATTERS[value].name }))}
          />
          <WayChoice
            way={w.way as WayId}
            value={w.value === '' ? undefined : w.value}
            house={offered.ways[w.way]}
            onChange={(v) => onTyped({ value: v === undefined ? '' : String(v) })}
          />
        </>
      ) : null}
      {w.sort === 'act' ? (
        <>
          <Choice
            label="Step"
            value={w.act}
            placeholder="pick one"
            onChange={(id) => onTyped({ act: id, minutes: '', degrees: '' })}
            options={offered.acts.map((a) => ({ value: a.id, label: a.name }))}
          />
          {acts?.minutes ? (
            <Field label="Minutes" unit="min" inputMode="decimal" className="w-32" {...text('minutes')} />
          ) : null}
          {acts?.heat ? (
            <Field label="Degrees" unit={`°${temperature}`} inputMode="decimal" className="w-32" {...text('degrees')} />
          ) : null}
        </>
      ) : null}
      {w.sort === 'portion' ? (
        <Field label="Portion" unit="ml" inputMode="decimal" className="w-36" {...text('ml')} />
      ) : null}
      {w.sort === 'version' ? (
        <Choice
          label="Version"
          value={w.version}
          placeholder="pick one"
          onChange={(v) => onTyped({ version: v })}
          options={offered.versions.map((v) => ({
            value: String(v.number),
            label: `${v.number}${v.note ? `: ${v.note.slice(0, 50)}` : ''}`,
          }))}
        />
      ) : null}
      {version ? (
        <div className="w-full">
          {version.moved.length > 1 ? (
            <Notice weight="look">
              {version.moved.length} things are otherwise in it: {version.moved.join('; ')}. Nobody can tell which of
              them is tasted.
            </Notice>
          ) : (
            <p>Otherwise in it: {version.moved[0] ?? 'nothing that is tasted'}.</p>
          )}
        </div>
      ) : null}
      {error && !hasText ? (
        <p role="alert" className="w-full text-sm font-semibold text-berry">
          {error}
        </p>
      ) : null}
    </div>
  );
}

/** Plans a trial of a formula: what is otherwise in each way, how many pieces, and who mixes. */
export function TrialForm({
  formulaId,
  versionId,
  name,
  offered,
  portionMl,
  begin,
  keep,
}: {
  readonly formulaId: string;
  readonly versionId: string;
  readonly name: string;
  readonly offered: Offered;
  readonly portionMl: number;
  /** A change that is proposed: it stands in the form at once. */
  readonly begin: Partial<WayTyped> | null;
  readonly keep: (input: unknown) => Promise<ActionResult>;
}) {
  const router = useRouter();
  const units = useUnits();
  const form = useTypedForm<TrialTyped>(`trial:${formulaId}:${begin ? `${begin.key} ${begin.text}` : ''}`, () => ({
    ways: [{ ...NEW_WAY, ...begin }],
    pieces: '6',
    portion: String(portionMl),
    maker: '',
  }));
  const { typed, set, errors } = form;
  const submit = async (): Promise<void> => {
    const r = trialAsked(typed, units);
    if (form.found('errors' in r ? r.errors : {}) || !('asked' in r)) return;
    // the press names the trial: sent twice it is one
    let planned = '';
    const a = await form.ask((id) => {
      planned = id;
      return act('keep-trial', `a trial of ${name}`, keep, { id, versionId, ...r.asked });
    }, true);
    if (!a?.ok) return;
    form.sent();
    router.push(`/trials/${planned}`);
  };
  return (
    <Form noValidate aria-label="A trial" className="grid gap-4 rounded-plate bg-white p-4" act={submit}>
      <p>
        <strong>The first way:</strong> as the formula is written.
      </p>
      {typed.ways.map((w, n) => (
        // ways have no name but their place
        // biome-ignore lint/suspicious/noArrayIndexKey: a way is its place in the list
        <fieldset key={n} className="grid gap-2 border-t border-line pt-3">
          <legend className="sr-only">{ORDINALS[n + 1]} way</legend>
          <p className="flex items-center justify-between gap-3">
            <strong>{ORDINALS[n + 1]} way:</strong>
            {canDropWay(typed) ? (
              <Button look="bare" onClick={() => set({ ways: typed.ways.filter((_, m) => m !== n) })}>
                Drop it
              </Button>
            ) : null}
          </p>
          <WayFields
            typed={w}
            offered={offered}
            error={errors[`changes.${n + 1}`]}
            onTyped={(part) => set({ ways: typed.ways.map((x, m) => (m === n ? { ...x, ...part } : x)) })}
          />
        </fieldset>
      ))}
      {canAddWay(typed) ? (
        <Button look="bare" className="justify-self-start" onClick={() => set({ ways: [...typed.ways, NEW_WAY] })}>
          Another way
        </Button>
      ) : null}
      <div className="flex flex-wrap items-start gap-3 border-t border-line pt-3">
        <Field label="Pieces of each way" inputMode="numeric" className="w-40" {...form.text('pieces')} />
        <Field label="Portion" unit="ml" inputMode="decimal" className="w-36" {...form.text('portion', 'portionMl')} />
        <Field
          label="Who mixes"
          hint="Knows the letters, and does not taste."
          className="w-64"
          maxLength={40}
          list={PEOPLE_LIST}
          placeholder="optional"
          {...form.text('maker')}
        />
      </div>
      <RefusalNotice text={form.refusal} waits={form.waits} />
      <Button type="submit" look="now" size="work" className="justify-self-start" disabled={form.busy}>
        Plan the trial
      </Button>
    </Form>
  );
}
