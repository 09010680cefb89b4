'use client';
import { useState } from 'react';
import { readCard } from '@/core/card/card';
import { type Formula, kitchenOf } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { Button } from '../kit/button';
import { TextField } from '../kit/field';
import type { BenchAction } from './state';

interface Props {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly send: (a: BenchAction) => void;
  readonly onDone: () => void;
  readonly first: boolean;
}

const EXAMPLE = `Saturday griddle cakes
2 cups flour
2 tsp baking powder
1/2 tsp baking soda
1/2 tsp salt
1 3/4 cups buttermilk
2 eggs
1/2 stick butter, melted`;

/** A place to paste a whole card. What is refused stays in the box. */
export function PasteCard({
  formula,
  house,
  send,
  onDone,
  first,
}: Pick<Props, 'formula' | 'house' | 'send'> & { readonly onDone: () => void; readonly first: boolean }) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const read = (): void => {
    const card = readCard(text, kitchenOf(formula, house).conventions);
    if (!card.ok) {
      setError(card.error.message);
      return;
    }
    if (card.value.lines.length === 0) {
      setError(
        text.trim() === '' ? 'Paste or type a card first.' : 'No ingredient line was found in this text. A line starts with an amount, like "2 cups flour".',
      );
      return;
    }
    setError(null);
    send({ do: 'paste', text });
    onDone();
  };
  return (
    <section aria-label="Paste a card" data-own-undo className="rounded-plate bg-white p-4">
      <TextField
        label={first ? 'Paste a card, as it is: title, cups and spoons, method and all' : 'Paste more lines'}
        rows={first ? 13 : 7}
        value={text}
        placeholder={EXAMPLE}
        error={error ?? undefined}
        onChange={(e) => {
          setText(e.target.value);
          setError(null);
        }}
        autoFocus
      />
      <div className="mt-3 flex gap-2">
        <Button look="now" onClick={read}>
          Read the card
        </Button>
        <Button look="bare" onClick={onDone}>
          {first ? 'Type the lines instead' : 'Close'}
        </Button>
      </div>
    </section>
  );
}
