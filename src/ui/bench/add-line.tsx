'use client';
import { type ClipboardEvent, useState } from 'react';
import { type Formula, kitchenOf, MOST_ENTRIES } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { leftOut } from '@/core/formula/pasted';
import { Button } from '../kit/button';
import { Form } from '../kit/form';
import { toast } from '../kit/toast';
import { cardReader, fetchReader, NO_READER } from './card-reader';
import type { BenchAction } from './state';

interface Props {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly send: (a: BenchAction) => void;
}

/** A place to type one more line; several pasted at once are read as a card. */
export function AddLine({ full, formula, house, send }: Props & { readonly full: boolean }) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (full) return <p className="px-2 text-sm text-soft">{MOST_ENTRIES} lines are as many as a formula has.</p>;
  const { conventions } = kitchenOf(formula, house);
  const add = async (): Promise<void> => {
    const line = text.trim();
    if (line === '') return;
    setText('');
    // without the reader it is one line, which asks for itself
    const card = await cardReader().then(
      (read) => read(line, conventions),
      () => null,
    );
    send({ do: 'add', text: line, card: card?.ok ? card.value : null });
  };
  const onPaste = async (e: ClipboardEvent<HTMLInputElement>): Promise<void> => {
    const pasted = e.clipboardData.getData('text');
    if (!pasted.trim().includes('\n')) return;
    e.preventDefault();
    const card = await cardReader().then(
      (read) => read(pasted, conventions),
      () => ({ ok: false as const, message: NO_READER }),
    );
    const several = card.ok ? card.value.recipes.map((r) => r.title) : [];
    setError(
      card.ok
        ? several.length > 0
          ? `There are ${several.length} recipes in it: ${several.join(', ')}. Paste one of them.`
          : null
        : card.message,
    );
    if (!card.ok || several.length > 0) return;
    send({ do: 'paste', card: card.value });
    const left = leftOut(card.value);
    if (left) toast(left);
  };
  return (
    <Form data-own-undo className="px-2 pt-1" act={add}>
      <div className="flex gap-2">
        <input
          autoComplete="off"
          data-add
          aria-label="Add a line"
          placeholder="Add a line: 1 1/2 cups milk"
          value={text}
          maxLength={2000}
          onChange={(e) => setText(e.target.value)}
          onFocus={fetchReader}
          onPaste={(e) => void onPaste(e)}
          onKeyDown={(e) => {
            if (e.key !== 'ArrowUp') return;
            const inputs = [...document.querySelectorAll<HTMLInputElement>('[data-line]')];
            inputs.at(-1)?.focus();
            e.preventDefault();
          }}
          spellCheck={false}
          className="hold min-h-10 w-full px-3 placeholder:text-soft"
        />
        <Button type="submit" disabled={text.trim() === ''}>
          Add
        </Button>
      </div>
      {error ? (
        <p role="alert" className="mt-1 text-sm font-semibold text-berry">
          {error}
        </p>
      ) : null}
    </Form>
  );
}
