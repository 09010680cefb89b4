'use client';
import type { ActionResult } from '@/contract/action-result';
import { type DishClosing, MOST_NEXT_CHARS, type MorningClosing, unaccounted } from '@/core/morning/closing';
import { counted } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { act } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Field, TextField } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { useTypedForm } from '../kit/row-form';
import { toast } from '../kit/toast';

const COUNTS = { made: 'Made', served: 'Served', kept: 'Kept', thrown: 'Thrown away' } as const;
type Count = keyof typeof COUNTS;
const NAMES = Object.keys(COUNTS) as readonly Count[];

type Row = Readonly<Record<Count, string>>;
interface Typed {
  readonly dishes: Readonly<Record<string, Row>>;
  readonly next: string;
}

const textOf = (x: number | null): string => (x === null ? '' : String(x));

export function ClosingForm({
  id,
  name,
  dishes,
  made,
  closing,
  close,
}: {
  readonly id: string;
  readonly name: string;
  readonly dishes: readonly { readonly id: string; readonly name: string }[];
  /** Pieces that are marked as made, by dish, and how many were to be. */
  readonly made: readonly { readonly dish: string; readonly made: number; readonly planned: number }[];
  /** As it was closed; null: it is not. */
  readonly closing: MorningClosing | null;
  readonly close: (input: unknown) => Promise<ActionResult>;
}) {
  const refresh = useRefresh();
  const form = useTypedForm<Typed>(`closing:${id}`, () => ({
    dishes: Object.fromEntries(
      dishes.map((d) => {
        const had = closing?.dishes.find((x) => x.dish === d.id);
        const marked = made.find((x) => x.dish === d.id)?.made ?? 0;
        return [
          d.id,
          {
            made: had ? textOf(had.made) : String(marked),
            served: textOf(had?.served ?? null),
            kept: textOf(had?.kept ?? null),
            thrown: textOf(had?.thrown ?? null),
          },
        ];
      }),
    ),
    next: closing?.next ?? '',
  }));
  const { typed, set, errors } = form;
  const rowOf = (dish: string): Row => typed.dishes[dish] ?? { made: '', served: '', kept: '', thrown: '' };
  const countOf = (text: string): number | null => (text.trim() === '' ? null : typedNumber(text));
  const closed = (dish: string): DishClosing => {
    const r = rowOf(dish);
    return { dish, made: countOf(r.made), served: countOf(r.served), kept: countOf(r.kept), thrown: countOf(r.thrown) };
  };
  const submit = async (): Promise<void> => {
    const wrong = Object.fromEntries(
      dishes.flatMap((d) =>
        NAMES.filter((k) => Number.isNaN(closed(d.id)[k] ?? 0)).map((k) => [`${d.id} ${k}`, 'Write a number.']),
      ),
    );
    if (form.found(wrong)) return;
    const input = { id, closing: { dishes: dishes.map((d) => closed(d.id)), next: typed.next } };
    const a = await form.ask(() => act('close-morning', `${name}, closed`, close, input));
    if (!a?.ok) return;
    form.sent();
    toast('The morning is closed');
    refresh();
  };
  return (
    <Form noValidate aria-label="Closing" className="grid gap-4 rounded-plate bg-white p-4" act={submit}>
      {dishes.map((d) => {
        const left = unaccounted(closed(d.id));
        const planned = made.find((x) => x.dish === d.id)?.planned ?? 0;
        return (
          <fieldset key={d.id} className="grid gap-1 border-b border-line pb-3">
            <legend className="text-xl font-bold">{d.name}</legend>
            <p className="text-soft">{counted(planned, 'pieces')} planned.</p>
            <div className="flex flex-wrap items-start gap-3">
              {NAMES.map((k) => (
                <Field
                  key={k}
                  label={COUNTS[k]}
                  className="w-28"
                  inputMode="numeric"
                  value={rowOf(d.id)[k]}
                  error={errors[`${d.id} ${k}`]}
                  onChange={(e) =>
                    set({ dishes: { ...typed.dishes, [d.id]: { ...rowOf(d.id), [k]: e.target.value } } })
                  }
                />
              ))}
            </div>
            {left !== null && !Number.isNaN(left) && left !== 0 ? (
              <p className="font-semibold">
                {left > 0
                  ? `${counted(left, 'pieces')} more were made than served, kept and thrown away.`
                  : `${counted(-left, 'pieces')} more went out than were made.`}
              </p>
            ) : null}
          </fieldset>
        );
      })}
      <TextField
        label="Next time"
        rows={3}
        maxLength={MOST_NEXT_CHARS}
        placeholder="One bowl of waffles less for the last wave"
        hint="Comes back when this morning is copied to another day."
        value={typed.next}
        onChange={(e) => set({ next: e.target.value })}
      />
      <RefusalNotice text={form.refusal} waits={form.waits} />
      <Button type="submit" look="now" size="work" className="justify-self-start" disabled={form.busy}>
        {closing ? 'Keep it so' : 'Close the morning'}
      </Button>
    </Form>
  );
}
