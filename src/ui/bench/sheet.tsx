'use client';
import { type ClipboardEvent, useRef, useState } from 'react';
import type { Analysis } from '@/core/analyse';
import { readCard } from '@/core/card/card';
import { VESSEL_NAMES, VESSELS, type Vessel } from '@/core/card/parts';
import { type Formula, type FormulaLine, MOST_ENTRIES, MOST_NOTES_CHARS } from '@/core/formula/formula';
import { grams } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { TextField } from '../kit/field';
import { LineRow } from './line-row';
import type { BenchAction } from './state';

interface Props {
  readonly formula: Formula;
  readonly lines: readonly FormulaLine[];
  readonly analysis: Analysis;
  readonly send: (a: BenchAction) => void;
}

/** The sheet: the lines by the vessel they go into, a place to add one, and what stood around them on the card. */
export function Sheet({ formula, lines, analysis, send }: Props) {
  const list = useRef<HTMLDivElement>(null);
  // a line being typed stays where it is, though half a word may read as something for another bowl
  const [held, setHeld] = useState<{ readonly key: string; readonly vessel: Vessel } | null>(null);
  const vesselOf = (l: FormulaLine): Vessel => (held?.key === l.key ? held.vessel : l.vessel);
  const onFocus = (key: string | null): void => {
    const line = lines.find((l) => l.key === key);
    setHeld(key && line ? { key, vessel: line.vessel } : null);
  };
  const onMove = (from: HTMLInputElement, by: 1 | -1): void => {
    const inputs = [...(list.current?.querySelectorAll<HTMLInputElement>('[data-line],[data-add]') ?? [])];
    inputs[inputs.indexOf(from) + by]?.focus();
  };
  const groups = VESSELS.map((v) => ({ vessel: v, lines: lines.filter((l) => vesselOf(l) === v) })).filter((g) => g.lines.length > 0);
  return (
    <section aria-label="Sheet" ref={list}>
      <h2 className="sr-only">Sheet</h2>
      {lines.length > 0 ? (
        <div aria-hidden className="grid grid-cols-[1fr_5.5rem_4rem_2.25rem] gap-x-1 text-right text-[13px] text-soft">
          <span className="pl-2 text-left">as written</span>
          <span>weight</span>
          <span>of flour</span>
        </div>
      ) : null}
      {groups.map((g) => (
        <div key={g.vessel} className="mb-2">
          <h3 className="flex justify-between border-b border-line px-2 pb-0.5 text-[15px] font-bold text-rim">
            {VESSEL_NAMES[g.vessel]}
            <span className="font-sans font-normal text-soft">{sum(g.lines)}</span>
          </h3>
          <ul>
            {g.lines.map((l) => (
              <LineRow key={l.key} line={l} flourG={analysis.tally.flourG} send={send} onFocus={onFocus} onMove={onMove} />
            ))}
          </ul>
        </div>
      ))}
      <AddLine full={lines.length >= MOST_ENTRIES} formula={formula} send={send} />
      {formula.cardNotes !== '' || lines.length > 0 ? (
        <details className="mt-3" open={false}>
          <summary className="cursor-pointer rounded px-2 font-semibold text-rim">
            Around the card{formula.cardNotes === '' ? '' : `: ${formula.cardNotes.split('\n')[0]?.slice(0, 60)}`}
          </summary>
          <TextField
            className="mt-2 px-2"
            label="Yield, method, remarks"
            rows={5}
            maxLength={MOST_NOTES_CHARS}
            value={formula.cardNotes}
            onChange={(e) => send({ do: 'set', part: { cardNotes: e.target.value }, place: 'notes' })}
          />
        </details>
      ) : null}
    </section>
  );
}

const sum = (lines: readonly FormulaLine[]): string => {
  const total = lines.reduce((a, l) => a + (l.grams ?? 0), 0);
  return total > 0 ? grams(total) : '';
};

function AddLine({ full, formula, send }: { readonly full: boolean } & Pick<Props, 'formula' | 'send'>) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (full) return <p className="px-2 text-sm text-soft">{MOST_ENTRIES} lines are as many as a formula has.</p>;
  const add = (): void => {
    if (text.trim() === '') return;
    send({ do: 'add', text: text.trim() });
    setText('');
  };
  const onPaste = (e: ClipboardEvent<HTMLInputElement>): void => {
    const pasted = e.clipboardData.getData('text');
    if (!pasted.trim().includes('\n')) return;
    e.preventDefault();
    const card = readCard(pasted, formula.conventions);
    setError(card.ok ? null : card.error.message);
    if (card.ok) send({ do: 'paste', text: pasted });
  };
  return (
    <form
      data-own-undo
      className="px-2 pt-1"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <div className="flex gap-2">
        <input
          data-add
          aria-label="Add a line"
          placeholder="Add a line: 1 1/2 cups milk"
          value={text}
          maxLength={2000}
          onChange={(e) => setText(e.target.value)}
          onPaste={onPaste}
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
    </form>
  );
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
export function PasteCard({ formula, send, onDone, first }: Pick<Props, 'formula' | 'send'> & { readonly onDone: () => void; readonly first: boolean }) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | null>(null);
  const read = (): void => {
    const card = readCard(text, formula.conventions);
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
