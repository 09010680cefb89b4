'use client';
import { useId, useMemo } from 'react';
import type { KitchenConventions } from '@/core/pantry/conventions';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { lookUp } from '@/core/pantry/lookup';
import { everyIngredient } from '@/core/pantry/pantry';
import { Field } from '../kit/field';

/** What typed words mean in this kitchen; null where they name nothing, or more than one thing. */
export function ingredientNamed(text: string, house: KitchenConventions): Ingredient | null {
  if (text.trim() === '') return null;
  const found = lookUp(text, house);
  return found.kind === 'found' ? found.ingredient : null;
}

/** What to write so that this very thing is meant: its kitchen name, or its whole one where another has that. */
export const writtenName = (i: Ingredient, house: KitchenConventions): string =>
  ingredientNamed(kitchenName(i), house)?.id === i.id ? kitchenName(i) : i.name;

/** An ingredient by its name, with what there is to choose from as it is typed. */
export function IngredientField({
  label,
  text,
  onText,
  house,
  error,
  hint,
  className = '',
}: {
  readonly label: string;
  readonly text: string;
  readonly onText: (text: string) => void;
  readonly house: KitchenConventions;
  readonly error?: string | undefined;
  readonly hint?: string;
  readonly className?: string;
}) {
  const list = useId();
  const names = useMemo(() => [...new Set(everyIngredient(house.own).map((i) => writtenName(i, house)))], [house]);
  const found = ingredientNamed(text, house);
  const means =
    found && kitchenName(found).toLowerCase() !== text.trim().toLowerCase()
      ? `That is ${kitchenName(found).toLowerCase()}.`
      : hint;
  return (
    <div className={className}>
      <Field
        label={label}
        list={list}
        value={text}
        onChange={(e) => onText(e.target.value)}
        error={error}
        autoComplete="off"
        {...(means === undefined ? {} : { hint: means })}
      />
      <datalist id={list}>
        {names.map((n) => (
          <option key={n} value={n} />
        ))}
      </datalist>
    </div>
  );
}
