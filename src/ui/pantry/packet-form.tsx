'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { allergenName } from '@/core/formula/tally';
import type { House } from '@/core/pantry/conventions';
import { ALLERGENS, type Allergen, CATEGORIES, CATEGORY_NAMES, type Category, kitchenName } from '@/core/pantry/ingredient';
import { energyDoubt, ingredientOf, type OwnThing, type Packet, type Panel, type PanelBase } from '@/core/pantry/packet';
import { findIngredient, PANTRY } from '@/core/pantry/pantry';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { Choice, ManyTaps, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';
import { IngredientField, ingredientNamed } from './ingredient-field';

export type ThingAnswer =
  | { readonly ok: true; readonly id: string }
  | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };

const FIGURES = [
  ['kcal', 'Energy', 'kcal'],
  ['fatG', 'Fat', 'g'],
  ['carbohydrateG', 'Carbohydrate', 'g'],
  ['sugarsG', 'of which sugars', 'g'],
  ['fibreG', 'Fibre', 'g'],
  ['proteinG', 'Protein', 'g'],
  ['saltG', 'Salt', 'g'],
] as const;
const MORE_FIGURES = [
  ['waterG', 'Water', 'g'],
  ['alcoholG', 'Alcohol', 'g'],
] as const;
type Figure = (typeof FIGURES)[number][0] | (typeof MORE_FIGURES)[number][0];

const KJ_PER_KCAL = 4.184;
/** g of salt in a gram of sodium, as packets count. */
const SALT_PER_SODIUM = 2.5;

interface Form {
  readonly name: string;
  readonly by: 'panel' | 'blend';
  readonly category: Category;
  readonly like: string;
  readonly base: PanelBase;
  readonly baseG: string;
  readonly figures: Readonly<Record<Figure, string>>;
  readonly energyIn: 'kcal' | 'kJ';
  readonly saltAs: 'salt' | 'sodium';
  readonly fibreWithin: boolean;
  readonly leavened: boolean;
  readonly gPer100Ml: string;
  readonly allergens: 'unread' | 'none' | 'some';
  readonly held: readonly Allergen[];
  readonly members: readonly { readonly name: string; readonly parts: string }[];
}

const NO_FIGURES: Readonly<Record<Figure, string>> = {
  kcal: '',
  fatG: '',
  carbohydrateG: '',
  sugarsG: '',
  fibreG: '',
  proteinG: '',
  saltG: '',
  waterG: '',
  alcoholG: '',
};
const EMPTY: Form = {
  name: '',
  by: 'panel',
  category: 'flour',
  like: '',
  base: '100g',
  baseG: '',
  figures: NO_FIGURES,
  energyIn: 'kcal',
  saltAs: 'salt',
  fibreWithin: false,
  leavened: false,
  gPer100Ml: '',
  allergens: 'unread',
  held: [],
  members: [
    { name: '', parts: '' },
    { name: '', parts: '' },
  ],
};

const shown = (x: number | null): string => (x === null ? '' : String(Number(x.toFixed(4))));

function formOf(t: OwnThing | null, house: House): Form {
  if (!t) return EMPTY;
  const p = t.packet;
  const nameOf = (id: string): string => kitchenName(findIngredient(id, house.own) ?? { name: id });
  if (p.by === 'blend')
    return {
      ...EMPTY,
      name: t.name,
      by: 'blend',
      category: p.category,
      members: p.members.map((m) => ({ name: nameOf(m.ingredientId), parts: String(m.parts) })),
    };
  return {
    ...EMPTY,
    name: t.name,
    category: p.category,
    like: p.like === null ? '' : nameOf(p.like),
    base: p.base,
    baseG: shown(p.baseG),
    figures: {
      kcal: shown(p.kcal),
      fatG: shown(p.fatG),
      carbohydrateG: shown(p.carbohydrateG),
      sugarsG: shown(p.sugarsG),
      fibreG: shown(p.fibreG),
      proteinG: shown(p.proteinG),
      saltG: shown(p.saltG),
      waterG: shown(p.waterG),
      alcoholG: shown(p.alcoholG),
    },
    fibreWithin: p.fibreWithin,
    leavened: p.leavened,
    gPer100Ml: shown(p.gPer100Ml),
    allergens: p.allergens === null ? 'unread' : p.allergens.length === 0 ? 'none' : 'some',
    held: p.allergens ?? [],
  };
}

type Errors = Readonly<Record<string, string>>;

/** A typed number: null when empty; an error at its field when it is none. */
function numberAt(field: string, text: string, errors: Record<string, string>): number | null {
  const t = text.trim().replace(',', '.');
  if (t === '' || t === '-') return null;
  const x = Number(t.replace(/^</, ''));
  if (!Number.isFinite(x)) errors[field] = 'Write a number, or leave it empty where the packet is silent.';
  else if (x < 0) errors[field] = 'Not less than nothing.';
  else return x;
  return null;
}

function packetOf(f: Form, house: House): { readonly packet: Packet; readonly errors: Errors } {
  const errors: Record<string, string> = {};
  if (f.name.trim() === '') errors.name = 'Give it a name.';
  if (f.by === 'blend') {
    const members = f.members.flatMap((m, n) => {
      if (m.name.trim() === '' && m.parts.trim() === '') return [];
      const i = ingredientNamed(m.name, house);
      if (!i) errors[`members.${n}`] = 'The pantry has nothing, or more than one thing, of that name.';
      return [{ ingredientId: i?.id ?? '', parts: numberAt(`members.${n}`, m.parts, errors) ?? 0 }];
    });
    return { packet: { by: 'blend', category: f.category, members }, errors };
  }
  const like = f.like.trim() === '' ? null : ingredientNamed(f.like, house);
  if (f.like.trim() !== '' && (!like || !PANTRY.some((i) => i.id === like.id))) errors.like = 'Name one that came with the pantry, or leave it empty.';
  const fig = (k: Figure): number | null => numberAt(k, f.figures[k], errors);
  const energy = fig('kcal');
  const salt = fig('saltG');
  const panel: Panel = {
    by: 'panel',
    category: f.category,
    like: like?.id ?? null,
    base: f.base,
    baseG: f.base === '100g' ? null : numberAt('baseG', f.baseG, errors),
    kcal: energy === null ? null : f.energyIn === 'kJ' ? energy / KJ_PER_KCAL : energy,
    fatG: fig('fatG'),
    carbohydrateG: fig('carbohydrateG'),
    sugarsG: fig('sugarsG'),
    fibreG: fig('fibreG'),
    fibreWithin: f.fibreWithin,
    proteinG: fig('proteinG'),
    // sodium stands on packets in milligrams
    saltG: salt === null ? null : f.saltAs === 'sodium' ? (salt * SALT_PER_SODIUM) / 1000 : salt,
    alcoholG: fig('alcoholG'),
    waterG: fig('waterG'),
    leavened: f.leavened,
    gPer100Ml: numberAt('gPer100Ml', f.gPer100Ml, errors),
    allergens: f.allergens === 'unread' ? null : f.allergens === 'none' ? [] : f.held,
  };
  return { packet: panel, errors };
}

/** An ingredient of the kitchen's own: from its packet's panel, or as a blend of others. */
export function PacketForm({
  was,
  house,
  keep,
}: {
  readonly was: OwnThing | null;
  readonly house: House;
  readonly keep: (input: unknown) => Promise<ThingAnswer>;
}) {
  const router = useRouter();
  // a copy of an ingredient that was changed since is no copy of this one
  const [form, change, sent] = useCopied<Form>(`packet:${was ? `${was.id}:${JSON.stringify(was)}` : 'new'}`, () => formOf(was, house));
  const [tried, setTried] = useState(false);
  const [refused, setRefused] = useState<{ readonly message: string; readonly fields: Errors } | null>(null);
  const [busy, setBusy] = useState(false);
  const set = (part: Partial<Form>): void => {
    setRefused(null);
    change(part);
  };
  const { packet, errors: typed } = packetOf(form, house);
  const made = ingredientOf({ id: was?.id ?? 'own-new', name: form.name || 'it', packet }, (id) => findIngredient(id, house.own));
  const worked: Errors = made.ok ? {} : Object.fromEntries(made.errors.map((e) => [e.field, e.message]));
  const errors: Errors = { ...worked, ...typed, ...refused?.fields };
  // what can't be is said at once; what is still missing only after a first try
  const missing = new Set(['name', 'baseG', 'members', ...form.members.map((_, n) => `members.${n}`)]);
  const at = (field: string): string | undefined => (errors[field] && (tried || !missing.has(field)) ? errors[field] : undefined);
  const doubt = packet.by === 'panel' && made.ok ? energyDoubt(packet) : null;

  const submit = async (): Promise<void> => {
    setTried(true);
    if (busy || Object.keys(typed).length > 0 || !made.ok) return;
    setBusy(true);
    try {
      const a = await keep({ id: was?.id ?? null, name: form.name.trim(), packet });
      if (a.ok) {
        sent();
        toast(was ? 'Kept' : 'In the pantry');
        router.push(`/pantry/${a.id}`);
      } else setRefused({ message: a.message, fields: a.fields });
    } catch {
      setRefused({ message: 'Even Crumb does not answer just now. What you typed is still here: try again in a moment.', fields: {} });
    } finally {
      setBusy(false);
    }
  };
  const figure = ([key, label, unit]: readonly [Figure, string, string]) => (
    <Field
      key={key}
      label={label}
      unit={key === 'kcal' ? form.energyIn : key === 'saltG' && form.saltAs === 'sodium' ? 'mg' : unit}
      inputMode="decimal"
      value={form.figures[key]}
      error={at(key)}
      className="w-40"
      onChange={(e) => set({ figures: { ...form.figures, [key]: e.target.value } })}
    />
  );
  return (
    <form
      noValidate
      className="grid max-w-4xl gap-5"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Name" value={form.name} maxLength={90} error={at('name')} className="w-80" onChange={(e) => set({ name: e.target.value })} />
        <Choice
          label="What sort"
          value={form.category}
          onChange={(category) => set({ category })}
          options={CATEGORIES.map((c) => ({ value: c, label: CATEGORY_NAMES[c] }))}
        />
      </div>
      <Taps
        label="Known by"
        value={form.by}
        onChange={(by) => by !== '' && set({ by })}
        options={[
          { value: 'panel', label: 'The packet’s panel' },
          { value: 'blend', label: 'A blend of others' },
        ]}
      />
      {form.by === 'blend' ? (
        <BlendPart form={form} house={house} at={at} set={set} />
      ) : (
        <>
          <section aria-label="Panel" className="grid gap-3">
            <div className="flex flex-wrap items-end gap-3">
              <Choice
                label="The panel is for"
                value={form.base}
                onChange={(base) => set({ base })}
                options={[
                  { value: '100g', label: '100 g' },
                  { value: '100ml', label: '100 ml' },
                  { value: 'serving', label: 'a serving' },
                ]}
              />
              {form.base === '100g' ? null : (
                <Field
                  label={form.base === 'serving' ? 'A serving is' : '100 ml weigh'}
                  unit="g"
                  inputMode="decimal"
                  value={form.baseG}
                  error={at('baseG')}
                  className="w-40"
                  onChange={(e) => set({ baseG: e.target.value })}
                />
              )}
              <Choice
                label="Energy in"
                value={form.energyIn}
                onChange={(energyIn) => set({ energyIn })}
                options={[
                  { value: 'kcal', label: 'kcal' },
                  { value: 'kJ', label: 'kJ' },
                ]}
              />
              <Choice
                label="Salt said as"
                value={form.saltAs}
                onChange={(saltAs) => set({ saltAs })}
                options={[
                  { value: 'salt', label: 'salt, g' },
                  { value: 'sodium', label: 'sodium, mg' },
                ]}
              />
            </div>
            <div className="flex flex-wrap items-start gap-3">{FIGURES.map(figure)}</div>
            <div className="flex flex-wrap items-start gap-3">{MORE_FIGURES.map(figure)}</div>
            <p className="text-[15px] text-soft">
              What the packet does not say, leave empty: it stays unknown in the ratios, and says so. Water is worked by difference where fat, carbohydrate and
              protein are known.
            </p>
            {at('sum') ? (
              <Notice weight="stop" role="alert">
                {at('sum')}
              </Notice>
            ) : null}
            {doubt ? <Notice weight="look">{doubt}</Notice> : null}
            <div className="flex flex-wrap gap-x-6">
              <Switch label="its carbohydrate has the fibre in it" on={form.fibreWithin} onSwitch={(fibreWithin) => set({ fibreWithin })} />
              <Switch label="there is soda or powder in it" on={form.leavened} onSwitch={(leavened) => set({ leavened })} />
            </div>
          </section>
          <section aria-label="In a batter" className="flex flex-wrap items-start gap-3">
            <IngredientField
              label="Behaves most like"
              text={form.like}
              onText={(like) => set({ like })}
              house={house}
              error={at('like')}
              hint="Lends its acidity, thirst and cup weight (model). Without one the lift of a formula with it can’t be told."
              className="w-80"
            />
            <Field
              label="100 ml of it weigh"
              unit="g"
              inputMode="decimal"
              value={form.gPer100Ml}
              error={at('gPer100Ml')}
              hint="Empty: as what it is like."
              className="w-48"
              onChange={(e) => set({ gPer100Ml: e.target.value })}
            />
          </section>
          <section aria-label="Allergens" className="grid gap-2">
            <h2 className="text-lg">Allergens on the packet</h2>
            <Taps
              label="Allergens on the packet"
              value={form.allergens}
              onChange={(allergens) => allergens !== '' && set({ allergens })}
              options={[
                { value: 'unread', label: 'not read yet' },
                { value: 'none', label: 'none of those listed' },
                { value: 'some', label: 'some' },
              ]}
            />
            {form.allergens === 'some' ? (
              <ManyTaps
                label="Which"
                values={form.held}
                onChange={(held) => set({ held })}
                options={ALLERGENS.map((a) => ({ value: a, label: allergenName(a) }))}
              />
            ) : null}
          </section>
        </>
      )}
      {refused ? (
        <Notice weight="stop" role="alert">
          {refused.message}
        </Notice>
      ) : null}
      <div className="flex gap-2">
        <Button look="now" type="submit" disabled={busy}>
          {was ? 'Keep the change' : 'Put it in the pantry'}
        </Button>
        <Button
          onClick={() => {
            sent();
            router.back();
          }}
        >
          Leave it
        </Button>
      </div>
    </form>
  );
}

/** What a blend is made of, by weight. */
function BlendPart({
  form,
  house,
  at,
  set,
}: {
  readonly form: Form;
  readonly house: House;
  readonly at: (field: string) => string | undefined;
  readonly set: (part: Partial<Form>) => void;
}) {
  const put = (n: number, part: Partial<Form['members'][number]>): void => set({ members: form.members.map((m, k) => (k === n ? { ...m, ...part } : m)) });
  const total = form.members.reduce((a, m) => a + (Number(m.parts.replace(',', '.')) || 0), 0);
  return (
    <section aria-label="Blend" className="grid gap-2">
      {form.members.map((m, n) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the list
        <div key={n} className="flex flex-wrap items-start gap-3">
          <IngredientField
            label={`Part ${n + 1}`}
            text={m.name}
            onText={(name) => put(n, { name })}
            house={house}
            error={at(`members.${n}`)}
            className="w-80"
          />
          <Field
            label="By weight"
            inputMode="decimal"
            value={m.parts}
            className="w-28"
            onChange={(e) => put(n, { parts: e.target.value })}
            {...(total > 0 && Number(m.parts.replace(',', '.')) > 0 ? { hint: `${((100 * Number(m.parts.replace(',', '.'))) / total).toFixed(0)} %` } : {})}
          />
          {form.members.length > 2 ? (
            <Button look="bare" className="mt-6" aria-label={`Take part ${n + 1} off`} onClick={() => set({ members: form.members.filter((_, k) => k !== n) })}>
              Take off
            </Button>
          ) : null}
        </div>
      ))}
      {at('members') ? (
        <p role="alert" className="text-sm font-semibold text-berry">
          {at('members')}
        </p>
      ) : null}
      <Button className="justify-self-start" disabled={form.members.length >= 20} onClick={() => set({ members: [...form.members, { name: '', parts: '' }] })}>
        One more part
      </Button>
      <p className="text-[15px] text-soft">
        A line of it is read as its parts: composition, allergens and lift are theirs. Its cup weight is a model until you weigh one.
      </p>
    </section>
  );
}
