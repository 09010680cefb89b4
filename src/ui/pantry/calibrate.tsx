'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { LEAST_WEIGHINGS, MOST_WEIGHINGS } from '@/core/pantry/calibrate';
import type { OwnMeasure } from '@/core/pantry/own';
import { unitById } from '@/core/quantity/units';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { type TypedForm, useTypedForm } from '../kit/row-form';
import { toast } from '../kit/toast';
import { IngredientField } from '../shared/ingredient-field';
import { kitchenWith, type MeasureTyped, measureAtHand, NOTHING_WEIGHED, wrongWeighing } from './calibrate.state';
import { WaitingWeighing, WeighedResult } from './weighed';

// with a place to wait of its own: else what is typed meanwhile would wait for it, and be lost
const EffectView = dynamic(() => import('./effect-view').then((m) => m.EffectView), {
  loading: () => <div className="min-h-40" />,
});

interface MeasureActions {
  readonly keepWeighed: (input: unknown) => Promise<{ readonly ok: true; readonly measure: OwnMeasure } | Refused>;
  readonly switchMeasure: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

interface Props extends MeasureActions {
  readonly house: Kitchen;
  /** A formula the cook knows, to show the difference on; null in a kitchen without one. */
  readonly formula: { readonly id: string; readonly formula: Formula } | null;
  readonly formulas: readonly { readonly id: string; readonly name: string }[];
}

const MEASURES = ['cup', 'tbsp', 'tsp', 'ladle', 'scoop', 'glass', 'mug', 'jar', 'handful', 'knob'] as const;
const FULLS = ['1', '3/4', '2/3', '1/2', '1/3', '1/4'] as const;
const FULL_NAMES: Readonly<Record<string, string>> = {
  '1': 'level full',
  '3/4': 'three quarters',
  '2/3': 'two thirds',
  '1/2': 'half',
  '1/3': 'a third',
  '1/4': 'a quarter',
};
/**
 * A few guided minutes: weigh three of one measure, see how they spread and what they change, and use them from then
 * on.
 */
export function Calibrate({ house, formula, formulas, keepWeighed, switchMeasure }: Props) {
  const router = useRouter();
  const form = useTypedForm<MeasureTyped>('weighing', () => NOTHING_WEIGHED);
  const [kept, setKept] = useState<{ readonly measure: OwnMeasure; readonly before: Kitchen } | null>(null);
  const { ingredient, vague, weighings, asked, measure } = measureAtHand(form.typed, house);
  // as it was before it was kept, so that the difference stays in sight after
  const before = kept?.before ?? house;
  const key = measure ? JSON.stringify(measure) : '';
  const after = useMemo(
    () => (key ? kitchenWith(before, JSON.parse(key) as OwnMeasure, ingredient) : null),
    [key, before, ingredient],
  );
  const set = (part: Partial<MeasureTyped>): void => {
    setKept(null);
    form.set(part);
  };
  const keep = async (): Promise<void> => {
    if (!measure) return;
    const a = await form.ask(() => act('keep-measure', 'a measure that was weighed', keepWeighed, asked));
    if (!a?.ok) return;
    form.sent();
    setKept({ measure: a.measure, before: house });
  };
  const goBack = async (): Promise<void> => {
    if (!kept) return;
    const a = await form.ask(() =>
      act('switch-measure', 'a measure out of use', switchMeasure, { id: kept.measure.id, used: false }),
    );
    if (!a?.ok) return;
    toast('As before. The weighings are kept, not in use.');
    setKept(null);
  };
  return (
    <section
      aria-label="Weigh a measure"
      className="grid items-start gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,26rem)_1fr]"
    >
      <Form noValidate className="grid gap-4" act={keep}>
        <WhatPart form={form} set={set} vague={vague} known={ingredient !== null} house={house} />
        <WeighingsPart form={form} set={set} />
        <RefusalNotice text={form.refusal} waits={form.waits} />
        {kept ? (
          <div className="grid gap-2">
            <Notice weight="note" role="status">
              In use from now on: every formula that says nothing else follows.
            </Notice>
            <Button className="justify-self-start" disabled={form.busy} onClick={() => void goBack()}>
              Go back to how it was
            </Button>
          </div>
        ) : (
          <Button look="now" type="submit" className="justify-self-start" disabled={!measure || form.busy}>
            Use mine from now on
          </Button>
        )}
      </Form>
      <div className="grid gap-4" aria-live="polite">
        {measure ? (
          <WeighedResult measure={measure} house={before} />
        ) : (
          <WaitingWeighing left={Math.max(0, LEAST_WEIGHINGS - weighings.filter((w) => w > 0).length)} />
        )}
        {measure && after && formula ? (
          <section aria-label="What it changes" className="grid gap-2">
            <div className="flex flex-wrap items-end justify-between gap-3">
              <h3 className="text-lg">What it does to a formula you know</h3>
              <Choice
                label="Formula"
                value={formula.id}
                inline
                narrow
                onChange={(id) => router.replace(`/pantry/measures?formula=${id}`, { scroll: false })}
                options={formulas.map((f) => ({ value: f.id, label: f.name }))}
              />
            </div>
            <EffectView formula={formula.formula} before={before} after={after} />
          </section>
        ) : null}
      </div>
    </section>
  );
}

interface Part {
  readonly form: TypedForm<MeasureTyped>;
  readonly set: (part: Partial<MeasureTyped>) => void;
}

/** Which measure, how full, and with what. */
function WhatPart({
  form,
  set,
  vague,
  known,
  house,
}: Part & { readonly vague: boolean; readonly known: boolean; readonly house: Kitchen }) {
  const { unit, which, full, filling, of, density } = form.typed;
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Which measure"
          value={unit}
          onChange={(v) => set({ unit: v, ...(unitById(v)?.usual?.in === 'g' && { filling: 'ingredient' }) })}
          options={MEASURES.map((m) => ({ value: m, label: unitById(m)?.one ?? m }))}
        />
        {vague ? (
          <Field
            label="Which one, if several"
            placeholder="blue"
            value={which}
            maxLength={14}
            error={form.errors.which}
            className="w-40"
            onChange={(e) => set({ which: e.target.value })}
          />
        ) : null}
        <Choice
          label="How full"
          value={full}
          onChange={(v) => set({ full: v })}
          options={FULLS.map((f) => ({ value: f, label: FULL_NAMES[f] ?? f }))}
        />
      </div>
      <div className="grid gap-1">
        <span className="text-sm font-semibold text-soft">Filled with</span>
        <Taps
          label="Filled with"
          value={filling}
          onChange={(v) => v !== '' && set({ filling: v })}
          options={[
            { value: 'ingredient', label: 'an ingredient' },
            ...(unitById(unit)?.usual?.in === 'g'
              ? []
              : ([
                  { value: 'water', label: 'water' },
                  { value: 'batter', label: 'batter' },
                ] as const)),
          ]}
        />
      </div>
      {filling === 'ingredient' ? (
        <IngredientField
          label="Of what"
          text={of}
          onText={(of) => set({ of })}
          house={house.conventions}
          error={
            form.errors.ingredientId ??
            (of.trim() !== '' && !known ? 'The pantry has nothing, or more than one thing, of that name.' : undefined)
          }
        />
      ) : filling === 'batter' ? (
        <Field
          label="A millilitre of that batter weighs"
          unit="g"
          inputMode="decimal"
          value={density}
          hint="The Bench’s Yield says it for each formula; 1.05 is usual for a griddle batter."
          error={form.errors.gPerMl}
          className="w-72"
          onChange={(e) => set({ density: e.target.value })}
        />
      ) : (
        <p className="text-[15px] text-soft">A gram of water is a millilitre. This measure then holds for anything.</p>
      )}
    </>
  );
}

/** What the scale showed each time. */
function WeighingsPart({ form, set }: Part) {
  const { typed } = form.typed;
  return (
    <div>
      <p className="mb-1 font-semibold">Fill it as you always do, weigh what is in it, empty it, and again.</p>
      <div className="flex flex-wrap gap-3">
        {typed.map((t, n) => (
          <Field
            // biome-ignore lint/suspicious/noArrayIndexKey: a weighing is its place in the row
            key={n}
            label={['First', 'Second', 'Third'][n] ?? `${n + 1}th`}
            unit="g"
            inputMode="decimal"
            value={t}
            error={wrongWeighing(t)}
            className="w-28"
            inputClass="!min-h-14 text-xl font-semibold"
            onChange={(e) => set({ typed: typed.map((x, m) => (m === n ? e.target.value : x)) })}
          />
        ))}
        {typed.every((t) => t.trim() !== '') && typed.length < MOST_WEIGHINGS ? (
          <Button look="bare" className="self-end" onClick={() => form.set({ typed: [...typed, ''] })}>
            One more
          </Button>
        ) : null}
      </div>
      {form.errors.weighings ? (
        <p role="alert" className="text-sm font-semibold text-berry">
          {form.errors.weighings}
        </p>
      ) : null}
    </div>
  );
}
