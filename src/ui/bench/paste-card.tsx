'use client';
import { useState } from 'react';
import { readCard } from '@/core/card/card';
import { type Formula, kitchenOf } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { Button, lookOf } from '../kit/button';
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

/** A card is a page of text, and no more. */
const MOST_BYTES = 200_000;

/** What a dropped file says, or why it is no card. */
async function textOf(file: File): Promise<{ readonly text: string | null; readonly error: string | null }> {
  const no = (error: string) => ({ text: null, error });
  if (file.size > MOST_BYTES) return no(`${file.name} is larger than any card: at most ${MOST_BYTES / 1000} kB of text.`);
  const text = await file.text();
  if (text.trim() === '') return no(`${file.name} is empty.`);
  // a picture or a document of another program is no text
  if ([...text].some((c) => c === '\ufffd' || c.charCodeAt(0) < 9)) return no(`${file.name} is no text: copy the words out of it, and paste them here.`);
  return { text, error: null };
}

/** A place to paste or drop a whole card. What is refused stays in the box. */
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
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const got = await textOf(file);
    setError(got.error);
    if (got.text !== null) setText(got.text);
  };
  return (
    <section
      aria-label="Paste a card"
      data-own-undo
      className="rounded-plate bg-white p-4"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        if (e.dataTransfer.files.length === 0) return;
        e.preventDefault();
        void take(e.dataTransfer.files[0]);
      }}
    >
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
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look="now" onClick={read}>
          Read the card
        </Button>
        <label className={`${lookOf('plain')} cursor-pointer has-[:focus-visible]:outline-3`}>
          Choose a text file
          <input
            type="file"
            accept=".txt,.md,.text,text/plain,text/markdown"
            className="sr-only"
            onChange={(e) => {
              void take(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </label>
        <Button look="bare" onClick={onDone}>
          {first ? 'Type the lines instead' : 'Close'}
        </Button>
      </div>
    </section>
  );
}
