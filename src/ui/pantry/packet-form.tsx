'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { KitchenConventions } from '@/core/pantry/conventions';
import { ALLERGENS, allergenName, CATEGORIES, CATEGORY_NAMES } from '@/core/pantry/ingredient';
import { energyDoubt, ingredientOf, type OwnThing } from '@/core/pantry/packet';
import { findIngredient } from '@/core/pantry/pantry';
import { act } from '../kit/answer';
import { Button } from '../kit/button';
import { Choice, ManyTaps, Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { RowNotices, useRowForm } from '../kit/row-form';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';
import { IngredientField } from '../shared/ingredient-field';
import { BlendPart } from './blend-part';
import { type Errors, FIGURES, type Figure, formOf, MORE_FIGURES, type PacketFields, packetOf } from './packet-fields';

/** An ingredient of the kitchen's own: from its packet's panel, or as a blend of others. */
export function PacketForm({
  was,
  broken = null,
  named = '',
  house,
  keep,
}: {
  readonly was: (OwnThing & { readonly revision?: number }) | null;
  /** One whose packet can't be read: it is entered anew under its name. */
  readonly broken?: { readonly id: string; readonly name: string } | null;
  /** What a new one is called to begin with. */
  readonly named?: string;
  readonly house: KitchenConventions;
  readonly keep: (input: unknown) => Promise<ActionResult<Kept & { readonly id: string }>>;
}) {
  const router = useRouter();
  const row = useRowForm<PacketFields>(
    `packet:${was?.id ?? broken?.id ?? `new${named}`}`,
    was && { revision: was.revision, base: { name: was.name, packet: was.packet } },
    () => ({
      ...formOf(was, house),
      ...(broken ? { name: broken.name } : named ? { name: named } : {}),
    }),
  );
  const { typed: form, set } = row;
  const [tried, setTried] = useState(false);
  const { packet, errors: typed } = packetOf(form, house);
  const made = ingredientOf({ id: was?.id ?? 'own-new', name: form.name || 'it', packet }, (id) =>
    findIngredient(id, house.own),
  );
  const worked: Errors = made.ok ? {} : Object.fromEntries(made.errors.map((e) => [e.field, e.message]));
  const errors: Errors = { ...worked, ...typed, ...row.errors };
  // what can't be is said at once; what is still missing only after a first try
  const missing = new Set(['name', 'baseG', 'members', ...form.members.map((_, n) => `members.${n}`)]);
  const at = (field: string): string | undefined =>
    errors[field] && (tried || !missing.has(field)) ? errors[field] : undefined;
  const doubt = packet.by === 'panel' && made.ok ? energyDoubt(packet) : null;

  const submit = async (): Promise<void> => {
    setTried(true);
    if (Object.keys(typed).length > 0 || !made.ok) return;
    const a = await row.save({}, ({ seen }) =>
      act('keep-ingredient', form.name.trim(), keep, {
        id: was?.id ?? broken?.id ?? null,
        name: form.name.trim(),
        packet,
        seen,
      }),
    );
    if (!a) return;
    toast(was ? 'Kept' : 'In the pantry');
    router.push(`/pantry/${a.id}`);
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
    <Form noValidate className="grid max-w-4xl gap-5" act={submit}>
      <div className="flex flex-wrap items-end gap-3">
        <Field
          label="Name"
          value={form.name}
          maxLength={90}
          error={at('name')}
          className="w-80"
          onChange={(e) => set({ name: e.target.value })}
        />
        <Choice
          label="What type"
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
              What the packet does not say, leave empty: it stays unknown in the ratios, and says so. Water is worked by
              difference where fat, carbohydrate and protein are known.
            </p>
            {at('sum') ? (
              <Notice weight="stop" role="alert">
                {at('sum')}
              </Notice>
            ) : null}
            {doubt ? <Notice weight="look">{doubt}</Notice> : null}
            <div className="flex flex-wrap gap-x-6">
              <Switch
                label="its carbohydrate has the fibre in it"
                on={form.fibreWithin}
                onSwitch={(fibreWithin) => set({ fibreWithin })}
              />
              <Switch
                label="there is soda or powder in it"
                on={form.leavened}
                onSwitch={(leavened) => set({ leavened })}
              />
            </div>
          </section>
          <section aria-label="In a batter" className="flex flex-wrap items-start gap-3">
            <IngredientField
              label="Behaves most like"
              text={form.like}
              onText={(like) => set({ like })}
              house={house}
              error={at('like')}
              hint="Lends its acidity, thirst and cup weight (estimate). Without one the rise of a formula with it can’t be told."
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
      <RowNotices of={row} />
      <div className="flex gap-2">
        <Button look="now" type="submit" disabled={row.busy}>
          {was ? 'Keep the change' : 'Put it in the pantry'}
        </Button>
        <Button
          onClick={() => {
            row.sent();
            router.back();
          }}
        >
          Leave it
        </Button>
      </div>
    </Form>
  );
}
