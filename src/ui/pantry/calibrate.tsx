'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import {
  LEAST_WEIGHINGS,
  MOST_WEIGHING_G,
  MOST_WEIGHINGS,
  measureFrom,
  WATER_G_PER_ML,
  withMeasure,
} from '@/core/pantry/calibrate';
import type { OwnMeasure } from '@/core/pantry/own';
import { hangsOnFill } from '@/core/pantry/weigh';
import { typedNumber } from '@/core/quantity/typed';
import { unitById } from '@/core/quantity/units';
import { answerOf, type Refused } from '../kit/answer';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { toast } from '../kit/toast';
import { IngredientField, ingredientNamed } from '../shared/ingredient-field';
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
/** A griddle batter, whisked. */
const USUAL_BATTER = '1.05';

type Filling = 'ingredient' | 'water' | 'batter';

interface Weighing {
  readonly unit: string;
  readonly which: string;
  readonly full: string;
  readonly filling: Filling;
  readonly of: string;
  readonly density: string;
  readonly typed: readonly string[];
}
const EMPTY: Weighing = {
  unit: 'cup',
  which: '',
  full: '1',
  filling: 'ingredient',
  of: 'flour',
  density: USUAL_BATTER,
  typed: ['', '', ''],
};

/**
 * A few guided minutes: weigh three of one measure, see how they spread and what they change, and use them from then
 * on.
 */
export function Calibrate({ house, formula, formulas, keepWeighed, switchMeasure }: Props) {
  const router = useRouter();
  const [form, change, sent] = useCopied<Weighing>('weighing', () => EMPTY);
  const { unit, which, full, filling, of, density, typed } = form;
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState<{ readonly measure: OwnMeasure; readonly before: Kitchen } | null>(null);

  const ingredient = filling === 'ingredient' ? ingredientNamed(of, house.conventions) : null;
  const gPerMl = filling === 'water' ? WATER_G_PER_ML : typedNumber(density);
  const filled = typed.filter((t) => t.trim() !== '');
  const weighings = filled.map((t) => typedNumber(t));
  const good =
    weighings.every((w) => w > 0 && w <= MOST_WEIGHING_G) && (filling !== 'batter' || (gPerMl > 0 && gPerMl <= 3));
  const vague = unitById(unit)?.dimension === 'vague';
  const named = { unit, which: vague ? which.trim().toLowerCase() : '', full };
  const enough = good && weighings.length >= LEAST_WEIGHINGS && (filling !== 'ingredient' || ingredient !== null);
  const measure = enough
    ? measureFrom({
        id: 'new',
        ...named,
        ingredientId: ingredient?.id ?? null,
        weighings,
        gPerMl: filling === 'ingredient' ? 1 : gPerMl,
      })
    : null;
  // as it was before it was kept, so that the difference stays in sight after
  const before = kept?.before ?? house;
  const key = measure ? JSON.stringify(measure) : '';
  const after = useMemo((): Kitchen | null => {
    if (!key) return null;
    const m = JSON.parse(key) as OwnMeasure;
    const own = withMeasure(before.conventions.own, m);
    const fills = ingredient !== null && hangsOnFill(ingredient);
    return { ...before, conventions: { ...before.conventions, own, ...(fills && { flourFill: 'own' as const }) } };
  }, [key, before, ingredient]);

  const set = (part: Partial<Weighing>): void => {
    setErrors({});
    setRefusal(null);
    setKept(null);
    change(part);
  };
  const keep = async (): Promise<void> => {
    if (!measure || busy) return;
    setBusy(true);
    setRefusal(null);
    const a = await answerOf(() =>
      keepWeighed({
        ...named,
        ingredientId: measure.ingredientId,
        weighings,
        gPerMl: filling === 'ingredient' ? 1 : gPerMl,
      }),
    );
    setBusy(false);
    if (!a.ok) {
      setErrors(a.fields);
      setRefusal(a.message);
      return;
    }
    sent();
    setKept({ measure: a.measure, before: house });
  };
  const goBack = async (): Promise<void> => {
    if (!kept || busy) return;
    setBusy(true);
    const a = await answerOf(() => switchMeasure({ id: kept.measure.id, used: false }), 'Nothing was changed.');
    setBusy(false);
    if (!a.ok) {
      setRefusal(a.message);
      return;
    }
    toast('As before. The weighings are kept, not in use.');
    setKept(null);
  };
  const wrong = (t: string): string | undefined => {
    if (t.trim() === '') return undefined;
    const w = typedNumber(t);
    return !Number.isFinite(w)
      ? 'A number of grams.'
      : w <= 0
        ? 'More than nothing.'
        : w > MOST_WEIGHING_G
          ? `At most ${MOST_WEIGHING_G.toLocaleString('en-GB')} g.`
          : undefined;
  };
  return (
    <section
      aria-label="Weigh a measure"
      className="grid items-start gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,26rem)_1fr]"
    >
      <Form noValidate className="grid gap-4" act={keep}>
        <div className="flex flex-wrap items-end gap-3">
          <Choice
            label="Which measure"
            value={unit}
            onChange={(v) => {
              set({ unit: v, ...(unitById(v)?.usual?.in === 'g' && { filling: 'ingredient' }) });
            }}
            options={MEASURES.map((m) => ({ value: m, label: unitById(m)?.one ?? m }))}
          />
          {vague ? (
            <Field
              label="Which one, if several"
              placeholder="blue"
              value={which}
              maxLength={14}
              error={errors.which}
              className="w-40"
              onChange={(e) => {
                set({ which: e.target.value });
              }}
            />
          ) : null}
          <Choice
            label="How full"
            value={full}
            onChange={(v) => {
              set({ full: v });
            }}
            options={FULLS.map((f) => ({ value: f, label: FULL_NAMES[f] ?? f }))}
          />
        </div>
        <div className="grid gap-1">
          <span className="text-sm font-semibold text-soft">Filled with</span>
          <Taps
            label="Filled with"
            value={filling}
            onChange={(v) => {
              if (v !== '') set({ filling: v });
            }}
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
            onText={(t) => {
              set({ of: t });
            }}
            house={house.conventions}
            error={
              errors.ingredientId ??
              (of.trim() !== '' && !ingredient
                ? 'The pantry has nothing, or more than one thing, of that name.'
                : undefined)
            }
          />
        ) : filling === 'batter' ? (
          <Field
            label="A millilitre of that batter weighs"
            unit="g"
            inputMode="decimal"
            value={density}
            hint="The Bench’s Yield says it for each formula; 1.05 is usual for a griddle batter."
            error={errors.gPerMl}
            className="w-72"
            onChange={(e) => {
              set({ density: e.target.value });
            }}
          />
        ) : (
          <p className="text-[15px] text-soft">
            A gram of water is a millilitre. This measure then holds for anything.
          </p>
        )}
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
                error={wrong(t)}
                className="w-28"
                inputClass="!min-h-14 text-xl font-semibold"
                onChange={(e) => {
                  set({ typed: typed.map((x, m) => (m === n ? e.target.value : x)) });
                }}
              />
            ))}
            {filled.length === typed.length && typed.length < MOST_WEIGHINGS ? (
              <Button look="bare" className="self-end" onClick={() => change({ typed: [...typed, ''] })}>
                One more
              </Button>
            ) : null}
          </div>
          {errors.weighings ? (
            <p role="alert" className="text-sm font-semibold text-berry">
              {errors.weighings}
            </p>
          ) : null}
        </div>
        {refusal ? (
          <Notice weight="stop" role="alert">
            {refusal}
          </Notice>
        ) : null}
        {kept ? (
          <div className="grid gap-2">
            <Notice weight="note" role="status">
              In use from now on: every formula that says nothing else follows.
            </Notice>
            <Button className="justify-self-start" disabled={busy} onClick={() => void goBack()}>
              Go back to how it was
            </Button>
          </div>
        ) : (
          <Button look="now" type="submit" className="justify-self-start" disabled={!measure || busy}>
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
