/** A sauce, butter, filling or topping as it stands in its form. */
import type { Side } from '@/core/batch/sides';
import type { KitchenConventions } from '@/core/pantry/conventions';
import type { Ingredient } from '@/core/pantry/ingredient';
import { typedNumber } from '@/core/quantity/typed';
import { ingredientNamed } from '../shared/ingredient-field';

export interface SideTyped {
  readonly name: string;
  readonly by: Side['by'];
  readonly parts: readonly { readonly name: string; readonly parts: string }[];
  readonly serving: string;
  readonly method: string;
}

export const BLANK_PART = { name: '', parts: '' };

/** @param nameOf what to write for an ingredient; empty where the pantry does not know it */
export const sideTyped = (side: Side | null, nameOf: (id: string) => string): SideTyped => ({
  name: side?.name ?? '',
  by: side?.by ?? 'weight',
  parts: side?.parts.map((p) => ({ name: nameOf(p.ingredientId), parts: String(p.parts) })) ?? [BLANK_PART, BLANK_PART],
  serving: side ? String(side.servingG) : '',
  method: side?.method ?? '',
});

interface SideRead {
  /** Rows with anything in them; an error's place is a row of these. */
  readonly rows: SideTyped['parts'];
  readonly named: readonly { readonly ingredient: Ingredient | null; readonly parts: number }[];
  /** Every row names something and has an amount. */
  readonly whole: boolean;
  readonly serving: number;
  readonly errors: Readonly<Record<string, string>>;
  /** What is sent, where there are no errors. */
  readonly parts: readonly { readonly ingredientId: string; readonly parts: number }[];
}

export function readSide(typed: SideTyped, house: KitchenConventions): SideRead {
  const rows = typed.parts.filter((p) => p.name.trim() !== '' || p.parts.trim() !== '');
  const named = rows.map((p) => ({ ingredient: ingredientNamed(p.name, house), parts: typedNumber(p.parts) }));
  const serving = typedNumber(typed.serving);
  const errors: Record<string, string> = {};
  rows.forEach((p, n) => {
    if (!named[n]?.ingredient)
      errors[`parts.${n}.ingredientId`] =
        p.name.trim() === '' ? 'Write what it is.' : 'Not in the pantry, or more than one thing.';
    if (!((named[n]?.parts ?? 0) > 0)) errors[`parts.${n}.parts`] = 'Write a number.';
  });
  if (Number.isNaN(serving)) errors.servingG = 'Write a number of grams.';
  return {
    rows,
    named,
    whole: named.length > 0 && named.every((p) => p.ingredient !== null && p.parts > 0),
    serving,
    errors,
    parts: named.map((p) => ({ ingredientId: p.ingredient?.id ?? '', parts: p.parts })),
  };
}
