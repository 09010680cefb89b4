'use client';
/** What a morning is planned with: who comes when, what is made, by whom, on what. */
import { Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Side } from '@/core/batch/sides';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { ROLES } from '@/core/morning/morning';
import { type KitchenPerson, ROLE_WORDS } from '@/core/morning/people';
import { type MorningPlan, surfacesIn } from '@/core/morning/plan';
import { ALLERGENS, allergenName } from '@/core/pantry/ingredient';
import { counted, grams } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { Button } from '../kit/button';
import { Choice, ManyTaps } from '../kit/choice';
import { DayField, TimeField } from '../kit/date-fields';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { RowNotices, useRowForm } from '../kit/row-form';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';
import { ArrivalsPart } from './arrivals-part';
import {
  type ArrivalsTyped,
  blankDish,
  comes,
  coversTyped,
  freshMorning,
  type MorningTyped,
  morningTyped,
  NO_ARRIVALS,
  readMorning,
} from './morning.state';

export interface DishOffered {
  readonly id: string;
  readonly name: string;
  readonly ends: readonly { readonly id: string; readonly name: string }[] | null;
}

interface Props {
  /** Null: it is a new one. */
  readonly morning: { readonly id: string; readonly revision: number; readonly plan: MorningPlan } | null;
  /** yyyy-mm-dd, of a new one. */
  readonly day: string;
  /** The formula that a new one begins with; empty: none. */
  readonly of: string;
  /** The morning that a new one is a copy of; null: of none. */
  readonly like?: MorningPlan | null;
  /** Which that is, so that what is typed over it comes back over no other. */
  readonly from?: string | null;
  readonly house: Pick<Kitchen, 'gear' | 'learned'>;
  readonly people: readonly KitchenPerson[];
  readonly choices: readonly DishOffered[];
  /** The kitchen's sauces and sides. */
  readonly sauces: readonly Pick<Side, 'id' | 'name' | 'servingG'>[];
  /** Batches under way that a new one takes in. */
  readonly takes?: readonly string[];
  readonly keep: (input: unknown) => Promise<ActionResult<Kept>>;
}

const ROLE_OPTIONS = ROLES.map((value) => ({ value, label: ROLE_WORDS[value] }));
const ALLERGEN_OPTIONS = ALLERGENS.map((value) => ({ value, label: allergenName(value) }));
const BY_OPTIONS = [
  { value: 'share', label: '% of all' },
  { value: 'count', label: 'plates' },
] as const;

const Part = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <fieldset className="grid min-w-0 gap-2">
    <legend className="mb-1 text-xl font-bold">{title}</legend>
    {children}
  </fieldset>
);

const Remove = ({ what, onRemove }: { readonly what: string; readonly onRemove: () => void }) => (
  <Button look="bare" className="mt-6 !min-h-11 !px-2" aria-label={`Remove ${what}`} onClick={onRemove}>
    <X size={18} aria-hidden />
  </Button>
);

const Add = ({ what, onAdd }: { readonly what: string; readonly onAdd: () => void }) => (
  <Button look="bare" className="justify-self-start" onClick={onAdd}>
    <Plus size={18} aria-hidden />
    {what}
  </Button>
);

type Change<T> = (to: Partial<T>) => void;
interface Fields {
  readonly typed: MorningTyped;
  readonly set: Change<MorningTyped>;
  readonly errors: Readonly<Record<string, string>>;
}

/** Changes one of a list of things that are typed, takes it out, or adds one. */
function listIn<K extends 'waves' | 'dishes' | 'people' | 'surfaces' | 'sides'>({ typed, set }: Fields, key: K) {
  type Row = MorningTyped[K][number];
  const all = typed[key] as readonly Row[];
  const to = (rows: readonly Row[]): void => set({ [key]: rows } as unknown as Partial<MorningTyped>);
  return {
    put: (n: number, part: Partial<Row>) => to(all.map((x, i) => (i === n ? { ...x, ...part } : x))),
    remove: (n: number) => to(all.filter((_, i) => i !== n)),
    add: (row: Row) => to([...all, row]),
  };
}

function WhenPart(form: Fields) {
  const { typed, set, errors } = form;
  const waves = listIn(form, 'waves');
  const covers = coversTyped(typed);
  const [spreads, setSpreads] = useState<ArrivalsTyped | null>(null);
  return (
    <Part title="Who comes">
      <div className="flex flex-wrap gap-3">
        <DayField label="Day" className="w-40" value={typed.day} error={errors.day} onDay={(day) => set({ day })} />
        <Field
          label="What it is, if you like"
          className="min-w-40 flex-1"
          maxLength={80}
          placeholder="Regatta breakfast"
          value={typed.name}
          onChange={(e) => set({ name: e.target.value })}
        />
      </div>
      {typed.waves.map((w, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a wave is its place in the list
        <div key={n} className="flex items-start gap-3">
          <TimeField
            label="At"
            className="w-28"
            value={w.at}
            error={errors[`waves.${n}.at`]}
            onTime={(at) => waves.put(n, { at })}
          />
          <Field
            label="Covers"
            className="w-28"
            inputMode="numeric"
            value={w.covers}
            error={errors[`waves.${n}.covers`]}
            onChange={(e) => waves.put(n, { covers: e.target.value })}
          />
          {typed.waves.length > 1 ? <Remove what={`the wave at ${w.at}`} onRemove={() => waves.remove(n)} /> : null}
        </div>
      ))}
      <div className="flex flex-wrap">
        <Add what="Another wave" onAdd={() => waves.add({ at: '', covers: typed.waves.at(-1)?.covers ?? '' })} />
        <Button look="bare" aria-expanded={spreads !== null} onClick={() => setSpreads(spreads ? null : NO_ARRIVALS)}>
          They come over a time
        </Button>
      </div>
      {spreads ? (
        <ArrivalsPart
          typed={spreads}
          onTyped={setSpreads}
          onWaves={(to) => {
            set({ waves: to });
            setSpreads(null);
          }}
        />
      ) : null}
      {typed.waves.length > 1 && covers > 0 ? <p className="text-soft">{covers} covers in all.</p> : null}
    </Part>
  );
}

/** Formulas as a dish can be one, each end of a forked one by itself. */
export const dishOptions = (
  choices: readonly DishOffered[],
): readonly { readonly value: string; readonly label: string }[] =>
  choices.flatMap((c) =>
    c.ends
      ? c.ends.map((e) => ({ value: `${c.id} ${e.id}`, label: `${c.name}, ${e.name}` }))
      : [{ value: c.id, label: c.name }],
  );

function DishesPart({ choices, house, ...form }: Fields & Pick<Props, 'choices' | 'house'>) {
  const { typed, errors } = form;
  const dishes = listIn(form, 'dishes');
  const [open, setOpen] = useState<string | null>(null);
  const options = dishOptions(choices);
  const several = typed.dishes.length > 1;
  return (
    <Part title="What is made">
      {typed.dishes.map((d, n) => {
        const called = options.find((o) => o.value === d.of)?.label ?? `dish ${n + 1}`;
        const wrong = errors[`dishes.${n}.formulaId`];
        return (
          <div key={d.id} className="grid gap-1 border-b border-line pb-2 last:border-b-0">
            <div className="flex items-start gap-2">
              <div className="min-w-0 flex-1">
                <Choice
                  label={several ? `Dish ${n + 1}` : 'Dish'}
                  value={d.of}
                  placeholder="Choose a formula"
                  options={options}
                  onChange={(of) => dishes.put(n, { of })}
                />
                {wrong ? (
                  <p role="alert" className="text-sm font-semibold text-berry">
                    {wrong}
                  </p>
                ) : null}
              </div>
              {several ? <Remove what={called} onRemove={() => dishes.remove(n)} /> : null}
            </div>
            <div className="flex flex-wrap items-start gap-3">
              <Field
                label="On a plate"
                className="w-28"
                unit="pcs"
                inputMode="decimal"
                value={d.each}
                error={errors[`dishes.${n}.each`]}
                onChange={(e) => dishes.put(n, { each: e.target.value })}
              />
              {several || d.by === 'count' ? (
                <>
                  <Field
                    label="For"
                    className="w-20"
                    inputMode="decimal"
                    value={d.amount}
                    error={errors[`dishes.${n}.of`]}
                    onChange={(e) => dishes.put(n, { amount: e.target.value })}
                  />
                  <Choice label="of them" value={d.by} options={BY_OPTIONS} onChange={(by) => dishes.put(n, { by })} />
                </>
              ) : null}
            </div>
            <Button
              look="bare"
              className="justify-self-start !px-0"
              aria-expanded={open === d.id}
              onClick={() => setOpen(open === d.id ? null : d.id)}
            >
              {d.without.length > 0 ? `Without ${d.without.map(allergenName).join(', ')}` : 'Without …'}
            </Button>
            {open === d.id ? (
              <ManyTaps
                label={`${called} has to be without`}
                values={d.without}
                options={ALLERGEN_OPTIONS}
                onChange={(without) => dishes.put(n, { without })}
              />
            ) : null}
          </div>
        );
      })}
      <Add what="Another dish" onAdd={() => dishes.add(blankDish(typed.dishes, house.learned))} />
    </Part>
  );
}

function PeoplePart({ people, ...form }: Fields & Pick<Props, 'people'>) {
  const { typed, errors } = form;
  const rows = listIn(form, 'people');
  const away = people.filter((p) => !typed.people.some((x) => x.personId === p.id));
  return (
    <Part title="Who cooks">
      {typed.people.map((p, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a person is the place in the list while the name is typed
        <div key={n} className="flex flex-wrap items-start gap-2">
          <Field
            label="Name"
            className="w-32"
            maxLength={40}
            list={PEOPLE_LIST}
            value={p.name}
            error={errors[`people.${n}.name`]}
            onChange={(e) => {
              const name = e.target.value;
              const known = people.find((x) => x.name.toLowerCase() === name.trim().toLowerCase());
              rows.put(n, { name, personId: known?.id ?? null, ...(known && { role: known.role }) });
            }}
          />
          <Choice
            narrow
            label="Takes part"
            value={p.role}
            options={ROLE_OPTIONS}
            onChange={(role) => rows.put(n, { role })}
          />
          <TimeField
            label="From"
            className="w-24"
            value={p.from}
            error={errors[`people.${n}.from`]}
            onTime={(from) => rows.put(n, { from })}
          />
          <TimeField
            label="To"
            className="w-24"
            value={p.to}
            error={errors[`people.${n}.to`]}
            onTime={(to) => rows.put(n, { to })}
          />
          {typed.people.length > 1 ? <Remove what={p.name || 'this person'} onRemove={() => rows.remove(n)} /> : null}
        </div>
      ))}
      <div className="flex flex-wrap">
        {away.map((p) => (
          <Add key={p.id} what={p.name} onAdd={() => rows.add(comes(p))} />
        ))}
        <Add what="Somebody else" onAdd={() => rows.add(comes(null))} />
      </div>
    </Part>
  );
}

function SurfacesPart({ house, ...form }: Fields & Pick<Props, 'house'>) {
  const { typed, set, errors } = form;
  const rows = listIn(form, 'surfaces');
  const gear = surfacesIn(house.gear);
  const other = typed.surfaces.flatMap((s, n) => (gear.some((g) => g.gearId === s.gearId) ? [] : [{ s, n }]));
  return (
    <Part title="On what">
      {gear.length === 0 && other.length === 0 ? (
        <p className="text-soft">No griddle, pan or iron is noted under House. Add here what there is.</p>
      ) : null}
      {gear.map((g) => {
        const n = typed.surfaces.findIndex((s) => s.gearId === g.gearId);
        return (
          <Switch
            key={g.gearId}
            label={g.name}
            on={n >= 0}
            onSwitch={(on) =>
              on ? rows.add({ gearId: g.gearId, name: g.name, kind: g.kind, places: '', bench: null }) : rows.remove(n)
            }
          />
        );
      })}
      {other.map(({ s, n }) => (
        <div key={s.name} className="flex items-start gap-2">
          <Field
            label="Another"
            className="min-w-0 flex-1"
            value={s.name}
            error={errors[`surfaces.${n}.name`]}
            onChange={(e) => rows.put(n, { name: e.target.value })}
          />
          <Field
            label="Takes"
            unit="pcs"
            className="w-28"
            inputMode="numeric"
            value={s.places}
            error={errors[`surfaces.${n}.places`]}
            onChange={(e) => rows.put(n, { places: e.target.value })}
          />
          <Remove what={s.name} onRemove={() => rows.remove(n)} />
        </div>
      ))}
      <div className="flex flex-wrap">
        {(['griddle', 'iron', 'pan'] as const).map((kind) => (
          <Add
            key={kind}
            what={`Another ${kind}`}
            onAdd={() =>
              rows.add({
                gearId: null,
                name: `${kind} ${typed.surfaces.length + 1}`,
                kind,
                places: kind === 'iron' ? '2' : '6',
                bench: null,
              })
            }
          />
        ))}
      </div>
      <div className="flex gap-3">
        <Field
          label="Ovens"
          className="w-24"
          inputMode="numeric"
          value={typed.ovens}
          error={errors.ovens}
          onChange={(e) => set({ ovens: e.target.value })}
        />
        <Field
          label="Pans on the hob at once"
          className="w-44"
          inputMode="numeric"
          value={typed.hob}
          error={errors.hob}
          onChange={(e) => set({ hob: e.target.value })}
        />
      </div>
    </Part>
  );
}

/** Grams of a sauce for all who come. */
const SauceInAll = ({ of, covers }: { readonly of: Props['sauces'][number] | undefined; readonly covers: number }) =>
  of ? (
    <p className="w-full text-soft">
      {counted(covers, 'covers')}, {grams(of.servingG)} each: {grams(of.servingG * covers)} in all.
    </p>
  ) : null;

/** What a sauce takes at the stove where nobody has said, min. Ours. */
const SAUCE_MIN = '10';

function BesidesPart({ sauces, ...form }: Fields & Pick<Props, 'sauces'>) {
  const { typed, set, errors } = form;
  const sides = listIn(form, 'sides');
  const covers = coversTyped(typed);
  const away = sauces.filter((s) => !typed.sides.some((x) => x.sideId === s.id));
  return (
    <Part title="Besides">
      {typed.sides.map((s, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a side is the place in the list while the name is typed
        <div key={n} className="flex flex-wrap items-start gap-2">
          <Field
            label="Sauce or side"
            className="min-w-32 flex-1"
            value={s.name}
            error={errors[`sides.${n}.name`]}
            onChange={(e) => sides.put(n, { name: e.target.value })}
          />
          <Field
            label="Takes"
            unit="min"
            className="w-28"
            inputMode="numeric"
            value={s.min}
            error={errors[`sides.${n}.min`]}
            onChange={(e) => sides.put(n, { min: e.target.value })}
          />
          <span className="pt-7">
            <Switch label="on the hob" on={s.onHob} onSwitch={(onHob) => sides.put(n, { onHob })} />
          </span>
          <Remove what={s.name || 'this side'} onRemove={() => sides.remove(n)} />
          {covers > 0 ? <SauceInAll of={sauces.find((x) => x.id === s.sideId)} covers={covers} /> : null}
        </div>
      ))}
      {away.length > 0 ? (
        <Choice
          label="One of the kitchen’s sauces"
          value=""
          placeholder="Choose one"
          options={away.map((s) => ({ value: s.id, label: s.name }))}
          onChange={(id) => {
            const of = away.find((s) => s.id === id);
            if (of) sides.add({ sideId: of.id, name: of.name, min: SAUCE_MIN, onHob: true });
          }}
        />
      ) : null}
      <Add
        what={away.length > 0 ? 'Something else' : 'A sauce or side'}
        onAdd={() => sides.add({ sideId: null, name: '', min: SAUCE_MIN, onHob: true })}
      />
      {typed.kept.map((k) => (
        <p key={k.lotId} className="flex items-center gap-2">
          {counted(k.pieces, 'kept pieces')} are heated again.
          <Button look="bare" onClick={() => set({ kept: typed.kept.filter((x) => x.lotId !== k.lotId) })}>
            Leave them
          </Button>
        </p>
      ))}
      <Switch
        label="What can be weighed the evening before is"
        on={typed.before}
        onSwitch={(before) => set({ before })}
      />
      <TimeField
        label="All over by, if a bell rings"
        className="w-44"
        value={typed.bell}
        error={errors.bell}
        onTime={(bell) => set({ bell })}
      />
    </Part>
  );
}

export function MorningForm({
  morning,
  day,
  of,
  like = null,
  from = null,
  house,
  people,
  choices,
  sauces,
  takes = [],
  keep,
}: Props) {
  const router = useRouter();
  const refresh = useRefresh();
  const form = useRowForm<MorningTyped>(
    morning ? `morning:${morning.id}` : like ? `morning:copy:${from}` : 'morning:new',
    morning && { revision: morning.revision, base: morning.plan },
    () => {
      if (morning) return morningTyped(morning.plan);
      // kept pieces that it took are eaten by now
      if (like) return morningTyped({ ...like, day, kept: [] });
      return freshMorning(day, of, house.gear, people, house.learned);
    },
  );
  const fields: Fields = { typed: form.typed, set: form.set, errors: form.errors };
  const submit = async (): Promise<void> => {
    const { plan, errors } = readMorning(form.typed, morning?.plan ?? null);
    let made = '';
    const a = await form.save(
      errors,
      ({ seen, requestId }) => {
        made = morning?.id ?? requestId ?? '';
        return act('keep-morning', plan.name || `the morning of ${plan.day}`, keep, {
          id: made,
          plan,
          seen,
          batches: takes,
        });
      },
      morning === null,
    );
    if (!a) return;
    if (morning) {
      if (a.merged.length === 0) toast('Worked again');
      refresh();
    } else router.push(`/mornings/${made}`);
  };
  return (
    <Form
      noValidate
      aria-label="The morning"
      className="grid content-start gap-6 rounded-plate bg-white p-4"
      act={submit}
    >
      <WhenPart {...fields} />
      <DishesPart {...fields} choices={choices} house={house} />
      <PeoplePart {...fields} people={people} />
      <SurfacesPart {...fields} house={house} />
      <BesidesPart {...fields} sauces={sauces} />
      <div className="sticky bottom-0 -mx-4 -mb-4 grid gap-2 rounded-b-plate border-t border-line bg-white px-4 py-3 max-md:bottom-16">
        <RowNotices of={form} />
        <Button type="submit" look="now" size="work" className="justify-self-start" disabled={form.busy}>
          {morning ? 'Work it again' : 'Work it out'}
        </Button>
      </div>
    </Form>
  );
}
