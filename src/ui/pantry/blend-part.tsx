'use client';
import type { KitchenConventions } from '@/core/pantry/conventions';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { IngredientField } from '../shared/ingredient-field';
import type { PacketFields } from './packet-fields';

/** What a blend is made of, by weight. */
export function BlendPart({
  form,
  house,
  at,
  set,
}: {
  readonly form: PacketFields;
  readonly house: KitchenConventions;
  readonly at: (field: string) => string | undefined;
  readonly set: (part: Partial<PacketFields>) => void;
}) {
  const put = (n: number, part: Partial<PacketFields['members'][number]>): void =>
    set({ members: form.members.map((m, k) => (k === n ? { ...m, ...part } : m)) });
  const total = form.members.reduce((a, m) => a + (typedNumber(m.parts) || 0), 0);
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
            {...(total > 0 && typedNumber(m.parts) > 0
              ? { hint: `${((100 * typedNumber(m.parts)) / total).toFixed(0)} %` }
              : {})}
          />
          {form.members.length > 2 ? (
            <Button
              look="bare"
              className="mt-6"
              aria-label={`Take part ${n + 1} off`}
              onClick={() => set({ members: form.members.filter((_, k) => k !== n) })}
            >
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
      <Button
        className="justify-self-start"
        disabled={form.members.length >= 20}
        onClick={() => set({ members: [...form.members, { name: '', parts: '' }] })}
      >
        One more part
      </Button>
      <p className="text-[15px] text-soft">
        A line of it is read as its parts: composition, allergens and rise are theirs. Its cup weight is an estimate
        until you weigh one.
      </p>
    </section>
  );
}
