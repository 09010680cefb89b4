'use client';
import dynamic from 'next/dynamic';
import { useEffect, useRef, useState } from 'react';
import { ACCEPTED } from '@/core/exchange/formats';
import { type Formula, kitchenOf } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { leftOut, type PastedCard } from '@/core/formula/pasted';
import { counted } from '@/core/quantity/say';
import type { FromFile } from '@/workers/files.worker';
import { Button, lookOf } from '../kit/button';
import { TextField } from '../kit/field';
import { Pick } from '../kit/press';
import { toast } from '../kit/toast';
import { cardReader, fetchReader, NO_READER } from './card-reader';
import type { CardActs } from './import-list';
import { readFiles } from './read-files';
import type { BenchAction } from './state';

const ImportList = dynamic(() => import('./import-list').then((m) => m.ImportList), { ssr: false });

interface Props {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly send: (a: BenchAction) => void;
  readonly onDone: () => void;
  /** A card is being read. */
  readonly onReading: (is: boolean) => void;
  readonly first: boolean;
  /** What the server does with many cards; left out: one file at a time. */
  readonly cards?: CardActs | undefined;
}

const EXAMPLE = `Saturday griddle cakes
2 cups flour
2 tsp baking powder
1/2 tsp baking soda
1/2 tsp salt
1 3/4 cups buttermilk
2 eggs
1/2 stick butter, melted`;

/**
 * A place to paste or drop a whole card, or files of any open format. What is refused stays in the box; words go into
 * it first, one recipe of another format goes onto an empty sheet at once, and several are a list before any is kept.
 */
export function PasteCard({ formula, house, send, onDone, onReading, first, cards }: Props) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  // recipes of one text, to be chosen from
  const [several, setSeveral] = useState<PastedCard['recipes']>([]);
  const [reading, setReading] = useState<'card' | 'files' | null>(null);
  const [found, setFound] = useState<readonly FromFile[] | null>(null);
  // a second press while the first still reads is no second card
  const busy = useRef(false);
  const box = useRef<HTMLTextAreaElement>(null);
  // who has turned to something else meanwhile gets no card
  const gone = useRef(false);
  useEffect(() => {
    fetchReader();
    gone.current = false;
    return () => {
      gone.current = true;
    };
  }, []);
  const read = async (one?: string): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    onReading(true);
    setReading('card');
    try {
      await readNow(one);
    } finally {
      busy.current = false;
      onReading(false);
      setReading(null);
    }
  };
  const readNow = async (one?: string): Promise<void> => {
    // what stands in the box, typed before the page heard it too
    const typed = one ?? box.current?.value ?? text;
    const card = await cardReader().then(
      (as) => as(typed, kitchenOf(formula, house).conventions),
      () => ({ ok: false as const, message: NO_READER }),
    );
    if (gone.current) return;
    if (!card.ok) {
      setError(card.message);
      return;
    }
    if (card.value.entries.length === 0) {
      setError(
        typed.trim() === ''
          ? 'Paste or type a card first.'
          : 'No ingredient line was found in this text. A line starts with an amount, like "2 cups flour".',
      );
      return;
    }
    setError(null);
    if (one === undefined && card.value.recipes.length > 0) {
      setSeveral(card.value.recipes);
      return;
    }
    send({ do: 'paste', card: card.value });
    const left = leftOut(card.value);
    if (left) toast(left);
    onDone();
  };
  const onto = (f: Formula): void => {
    send({ do: 'put', formula: f });
    onDone();
  };
  const take = async (list: FileList | null): Promise<void> => {
    const files = [...(list ?? [])];
    if (files.length === 0) return;
    setReading('files');
    setError(null);
    const of = await readFiles(files, kitchenOf(formula, house));
    setReading(null);
    const [one] = of;
    if (of.length !== 1 || !one) {
      if (cards) setFound(of);
      else setError('One card at a time here. Many at once are read under New formula.');
    } else if (!one.ok) setError(`${one.file}: ${one.says}`);
    else if (one.plain || !first) setText(one.text);
    else {
      onto(one.imported.formula);
      toast(`Read from ${one.file}: ${counted(one.imported.lines, 'lines')}`);
    }
  };
  if (found && cards) return <ImportList found={found} acts={cards} onOpen={onto} onClose={() => setFound(null)} />;
  return (
    <section
      aria-label="Paste a card"
      data-own-undo
      className="rounded-plate bg-white p-4"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        if (e.dataTransfer.files.length === 0) return;
        e.preventDefault();
        void take(e.dataTransfer.files);
      }}
    >
      <TextField
        label={first ? 'Paste a card, as it is: title, cups and spoons, method and all' : 'Paste more lines'}
        ref={box}
        rows={first ? 13 : 7}
        value={text}
        placeholder={EXAMPLE}
        error={error ?? undefined}
        onChange={(e) => {
          setText(e.target.value);
          setError(null);
          setSeveral([]);
        }}
        autoFocus
      />
      {several.length > 0 ? (
        <fieldset className="mt-3">
          <legend className="font-semibold">There are {several.length} recipes in it. Which one?</legend>
          <div className="mt-2 flex flex-wrap gap-2">
            {several.map((r, n) => (
              <Button key={r.text} autoFocus={n === 0} onClick={() => void read(r.text)}>
                {r.title}
              </Button>
            ))}
          </div>
        </fieldset>
      ) : null}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look={several.length > 0 ? 'plain' : 'now'} onClick={() => void read()}>
          {reading === 'card' ? 'Reading …' : 'Read the card'}
        </Button>
        <label className={`${lookOf('plain')} cursor-pointer has-[:focus-visible]:outline-3`}>
          {reading === 'files' ? 'Reading …' : 'Choose files'}
          <Pick
            type="file"
            multiple={cards !== undefined}
            accept={ACCEPTED}
            disabled={reading !== null}
            className="sr-only"
            onChange={(e) => {
              void take(e.target.files);
              e.target.value = '';
            }}
          />
        </label>
        <Button look="bare" onClick={onDone}>
          {first ? 'Type the lines instead' : 'Close'}
        </Button>
      </div>
      {first ? (
        <p className="mt-2 text-[15px] text-soft">
          Text, Markdown, a saved page, JSON-LD, CSV: one file or many, chosen or dropped here.
        </p>
      ) : null}
    </section>
  );
}
