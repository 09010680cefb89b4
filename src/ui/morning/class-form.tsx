'use client';
/** A class in a few words: how many benches, who is at each, what they make and when they eat. */
import { useRouter } from 'next/navigation';
import type { ActionResult, Kept } from '@/contract/action-result';
import { classPlan } from '@/core/morning/class';
import type { KitchenPerson } from '@/core/morning/people';
import { act } from '../kit/answer';
import { Button } from '../kit/button';
import { Choice, Taps } from '../kit/choice';
import { DayField, TimeField } from '../kit/date-fields';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Form } from '../kit/form';
import { RowNotices, useRowForm } from '../kit/row-form';
import { Switch } from '../kit/switch';
import { type ClassTyped, freshClass, readClass } from './class.state';
import { type DishOffered, dishOptions } from './morning-form';

interface Props {
  readonly day: string;
  readonly ovens: number;
  readonly hob: number;
  readonly people: readonly KitchenPerson[];
  readonly choices: readonly DishOffered[];
  readonly keep: (input: unknown) => Promise<ActionResult<Kept>>;
}

const KINDS = [
  { value: 'pan', label: 'a pan' },
  { value: 'griddle', label: 'a griddle' },
  { value: 'iron', label: 'an iron' },
] as const;

export function ClassForm({ day, ovens, hob, people, choices, keep }: Props) {
  const router = useRouter();
  const teaches = people.find((p) => p.role === 'lead') ?? people[0];
  const form = useRowForm<ClassTyped>('morning:class', null, () => freshClass(day, teaches?.name ?? ''));
  const { typed, set, errors, text } = form;
  const submit = async (): Promise<void> => {
    const { asked, errors: wrong } = readClass(typed, people, { ovens, hob });
    let made = '';
    const a = await form.save(
      wrong,
      ({ requestId }) => {
        made = requestId ?? '';
        const plan = classPlan(asked);
        return act('keep-morning', plan.name || `the class of ${plan.day}`, keep, { id: made, plan, seen: null });
      },
      true,
    );
    if (a) router.push(`/mornings/${made}`);
  };
  return (
    <Form
      noValidate
      aria-label="The class"
      className="grid content-start gap-5 rounded-plate bg-white p-4"
      act={submit}
    >
      <div className="flex flex-wrap gap-3">
        <DayField
          label="Day they cook"
          className="w-40"
          value={typed.day}
          error={errors.day}
          onDay={(d) => set({ day: d })}
        />
        <TimeField
          label="They come"
          className="w-28"
          value={typed.from}
          error={errors.from}
          onTime={(from) => set({ from })}
        />
        <TimeField label="They eat" className="w-28" value={typed.at} error={errors.at} onTime={(at) => set({ at })} />
        <Field
          label="What it is, if you like"
          className="min-w-40 flex-1"
          maxLength={80}
          placeholder="Juniors’ class"
          {...text('name')}
        />
      </div>
      <div>
        <Choice
          label="What every bench makes"
          value={typed.of}
          placeholder="Choose a formula"
          options={dishOptions(choices)}
          onChange={(of) => set({ of })}
        />
        {errors.of ? (
          <p role="alert" className="text-sm font-semibold text-berry">
            {errors.of}
          </p>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-3">
        <Field label="Benches" className="w-24" inputMode="numeric" {...text('benches')} />
        <Field label="People at each" className="w-32" inputMode="numeric" {...text('hands')} />
        <Field label="At most for each of them" unit="pcs" className="w-48" inputMode="numeric" {...text('each')} />
      </div>
      <div className="flex flex-wrap items-end gap-3">
        <div className="grid gap-1">
          <p className="text-sm font-semibold text-soft">Each bench cooks on</p>
          <Taps
            label="Each bench cooks on"
            value={typed.kind}
            options={KINDS}
            onChange={(kind) => kind && set({ kind })}
          />
        </div>
        <Field label="That takes at once" unit="pcs" className="w-40" inputMode="numeric" {...text('places')} />
      </div>
      <div className="flex flex-wrap items-end gap-6">
        <Field label="Who teaches" className="w-44" maxLength={40} list={PEOPLE_LIST} {...text('teacher')} />
        <Switch label="Two days: weighed the evening before" on={typed.before} onSwitch={(before) => set({ before })} />
      </div>
      <RowNotices of={form} />
      <Button type="submit" look="now" size="work" className="justify-self-start" disabled={form.busy}>
        Work it out
      </Button>
    </Form>
  );
}
