'use client';
import type { ReactNode } from 'react';
import { typedNumber } from '@/core/quantity/typed';
import { Field } from '../kit/field';

/** How many are taken of each, as typed, by its id. */
export type TakenTyped = Readonly<Record<string, string>>;

interface InStore {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly left: number;
}

/**
 * What is typed of things that come whole. @param units forgiven behind a number @param many what they are called where
 * they are not whole
 */
export function readTaken(
  typed: TakenTyped,
  offered: readonly Pick<InStore, 'id' | 'left'>[],
  many: string,
): {
  readonly taken: readonly { readonly id: string; readonly count: number }[];
  readonly errors: Readonly<Record<string, string>>;
} {
  const errors: Record<string, string> = {};
  const taken = offered.flatMap(({ id, left }) => {
    const text = (typed[id] ?? '').trim();
    if (text === '' || text === '0') return [];
    const count = typedNumber(text, many.toLowerCase());
    if (!Number.isInteger(count) || count < 1) errors[id] = `${many} come whole.`;
    else if (count > left) errors[id] = `Only ${left} ${left === 1 ? 'is' : 'are'} left.`;
    else return [{ id, count }];
    return [];
  });
  return { taken, errors };
}

/** What there is already, and makes a part of what is asked. */
export function StorePart({
  title,
  offered,
  typed,
  set,
  errors,
  children,
}: {
  readonly title: string;
  readonly offered: readonly InStore[];
  readonly typed: TakenTyped;
  readonly set: (t: TakenTyped) => void;
  readonly errors: Readonly<Record<string, string>>;
  /** What comes of it, in words. */
  readonly children: ReactNode;
}) {
  return (
    <section aria-label={title} className="grid gap-2">
      <span aria-hidden className="text-sm font-semibold text-soft">
        {title}
      </span>
      {offered.map((o) => (
        <Field
          key={o.id}
          label={o.label}
          hint={o.hint}
          inputMode="numeric"
          value={typed[o.id] ?? ''}
          placeholder="none"
          onChange={(e) => set({ ...typed, [o.id]: e.target.value })}
          error={errors[o.id]}
        />
      ))}
      {children}
    </section>
  );
}
