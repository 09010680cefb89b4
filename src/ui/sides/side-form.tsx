'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import { MOST_PARTS, partsOf, type Side, sideCautions } from '@/core/batch/sides';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { findIngredient } from '@/core/pantry/pantry';
import { grams, percent } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { DeleteButton } from '../kit/delete-button';
import { Field, TextField } from '../kit/field';
import { Form } from '../kit/form';
import { Notice } from '../kit/notice';
import { RowNotices, toldDeleted, useRowForm } from '../kit/row-form';
import { toast } from '../kit/toast';
import { IngredientField, writtenName } from '../shared/ingredient-field';
import { BLANK_PART, readSide, type SideTyped, sideTyped } from './side.state';

const TRIED_PEOPLE = 10;

/** A sauce, whipped butter, filling or topping: its parts, by weight or by volume, and what one person has of it. */
export function SideForm({
  side,
  house,
  keep,
  drop,
}: {
  readonly side: Side | null;
  readonly house: Kitchen;
  readonly keep: (input: unknown) => Promise<ActionResult<Kept & { readonly id: string }>>;
  readonly drop: (input: unknown) => Promise<ActionResult>;
}) {
  const router = useRouter();
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const nameOf = (id: string): string => {
    const i = find(id);
    return i ? writtenName(i, house.conventions) : '';
  };
  const base = side && {
    name: side.name,
    by: side.by,
    parts: side.parts,
    servingG: side.servingG,
    method: side.method,
  };
  const form = useRowForm<SideTyped>(
    side ? `side:${side.id}` : 'side:new',
    side && { revision: side.revision, base },
    () => sideTyped(side, nameOf),
  );
  const { typed, set, errors, busy } = form;
  const [seenAt, setSeenAt] = useState(side?.revision ?? 1);
  const put = (n: number, part: Partial<SideTyped['parts'][number]>): void =>
    set({ parts: typed.parts.map((p, k) => (k === n ? { ...p, ...part } : p)) });

  const { rows, named, whole, serving, errors: bad, parts } = readSide(typed, house.conventions);
  const shares = whole ? partsOf({ by: typed.by, parts }, find).parts : [];

  const submit = async (): Promise<void> => {
    // blank rows are dropped, so that an error's place is a row that is seen
    // and only then: a press told again has the id that it had
    if (rows.length !== typed.parts.length) set({ parts: rows.length > 0 ? rows : [BLANK_PART] });
    const { name, by, method } = typed;
    const a = await form.save(
      bad,
      (sent) =>
        act('keep-side', name, keep, { id: side?.id ?? null, name, by, parts, servingG: serving, method, ...sent }),
      true,
    );
    if (!a) return;
    toast(side ? 'Kept' : 'Kept: a batch can take it along');
    router.push('/sides');
  };
  const remove = async (): Promise<boolean> => {
    if (!side) return false;
    const a = await form.ask(
      () => act('drop-side', `${side.name} deleted`, drop, { id: side.id, revision: seenAt }),
      true,
    );
    // told of a change, the next press drops what was told of
    if (a && !a.ok && a.conflict) setSeenAt(a.conflict.revision);
    if (!a?.ok) return false;
    toldDeleted(
      `“${side.name}” is deleted; batches that had it keep it`,
      () => act('keep-side', side.name, keep, { id: null, ...base, seen: null, requestId: crypto.randomUUID() }),
      (id) => router.push(`/sides/${id}`),
    );
    router.push('/sides');
    return true;
  };
  return (
    <Form noValidate className="grid max-w-4xl gap-4" act={submit}>
      <div className="flex flex-wrap items-start gap-4">
        <Field label="Name" {...form.text('name')} className="w-96 max-w-full" />
        <Field
          label="One person has"
          unit="g"
          inputMode="decimal"
          {...form.text('serving', 'servingG')}
          className="w-40"
        />
      </div>
      <div className="grid gap-1">
        <span className="text-sm font-semibold text-soft">Its parts are</span>
        <Taps
          label="Its parts are"
          value={typed.by}
          onChange={(by) => by && set({ by })}
          options={[
            { value: 'weight', label: 'by weight' },
            { value: 'volume', label: 'by volume' },
          ]}
        />
      </div>
      <section aria-label="Parts" className="grid gap-2">
        {typed.parts.map((p, n) => {
          const at = rows.indexOf(p);
          const share = whole && at >= 0 ? shares[at] : undefined;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the list
            <div key={n} className="flex flex-wrap items-start gap-3">
              <IngredientField
                label={`Part ${n + 1}`}
                text={p.name}
                onText={(name) => put(n, { name })}
                house={house.conventions}
                error={errors[`parts.${n}.ingredientId`]}
                className="w-80 max-w-full"
              />
              <Field
                label="Parts"
                inputMode="decimal"
                value={p.parts}
                onChange={(e) => put(n, { parts: e.target.value })}
                error={errors[`parts.${n}.parts`]}
                className="w-28"
              />
              <p className="mt-8 min-w-64 text-[15px]">
                {share ? (
                  <>
                    {percent(100 * share.byWeight)} by weight, {percent(100 * share.byVolume)} by volume
                    {serving > 0 ? (
                      <span className="text-soft">
                        ; {grams(serving * TRIED_PEOPLE * share.byWeight, house.units)} for ten
                      </span>
                    ) : null}
                  </>
                ) : null}
              </p>
              {typed.parts.length > 1 ? (
                <Button
                  look="bare"
                  className="mt-6"
                  aria-label={`Take part ${n + 1} off`}
                  onClick={() => set({ parts: typed.parts.filter((_, k) => k !== n) })}
                >
                  Take off
                </Button>
              ) : null}
            </div>
          );
        })}
        {errors.parts ? (
          <p role="alert" className="text-sm font-semibold text-berry">
            {errors.parts}
          </p>
        ) : null}
        <Button
          className="justify-self-start"
          disabled={typed.parts.length >= MOST_PARTS}
          onClick={() => set({ parts: [...typed.parts, BLANK_PART] })}
        >
          One more part
        </Button>
      </section>
      <TextField label="How it is made" rows={3} {...form.text('method')} />
      {sideCautions(named.flatMap((p) => (p.ingredient ? [p.ingredient] : []))).map((c) => (
        <Notice key={c} weight="note">
          {c}
        </Notice>
      ))}
      <RowNotices of={form} />
      <div className="flex flex-wrap gap-3">
        <Button look="now" size="work" type="submit" disabled={busy}>
          {busy ? 'Keeping' : 'Keep it'}
        </Button>
        {side ? (
          <DeleteButton name={`“${side.name}”`} says="Batches that had it keep it." of={form} onDelete={remove} />
        ) : null}
      </div>
    </Form>
  );
}
