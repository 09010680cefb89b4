'use client';
import { useState } from 'react';
import type { Worked } from '@/core/analyse-formula';
import type { Bench, editEntry, Proposal } from '@/core/balance/bench';
import { usingUp } from '@/core/balance/drive';
import { swapOnly, swapRebalanced } from '@/core/balance/swaps';
import { mostDrained } from '@/core/formula/drained';
import type { FormulaLine } from '@/core/formula/formula';
import { asTyped, grams, gramsNumber } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { DayField } from '../kit/date-fields';
import { Dialog } from '../kit/dialog';
import { AmountField, Field } from '../kit/field';
import { Form } from '../kit/form';
import { type Answered, SizeDialog, StandsDialog } from './measure-dialogs';
import type { BenchAction } from './state';
import { SwapDialog } from './swap-dialog';
import { SameDialog, WeighDialog } from './unknown-dialog';

/** What is asked about a line, and of which. */
export interface LineAsking {
  readonly what: 'swap' | 'drive' | 'opened' | 'drained' | 'size' | 'stands' | 'same' | 'weigh';
  readonly key: string;
}

interface DialogsProps {
  readonly asking: LineAsking;
  readonly bench: Bench;
  readonly worked: Worked;
  readonly today: string;
  readonly send: (a: BenchAction) => void;
  readonly onPropose: (proposals: readonly Proposal[]) => void;
  readonly onRemember: (a: Answered) => Promise<string | null>;
  readonly onClose: () => void;
}

/** The dialog that is asked for, and what comes of its answer. */
export function LineDialogs({ asking, bench, worked, today, send, onPropose, onRemember, onClose }: DialogsProps) {
  const line = worked.lines.find((l) => l.key === asking.key);
  if (!line) return null;
  const choose = (choice: Parameters<typeof editEntry>[2]): void => {
    send({ do: 'choose', key: line.key, choice });
    onClose();
  };
  const propose = (proposals: readonly (Proposal | null)[]): void => {
    onClose();
    onPropose(proposals.filter((p) => p !== null));
  };
  switch (asking.what) {
    case 'swap':
      return (
        <SwapDialog
          line={line}
          onClose={onClose}
          onPick={(s) =>
            propose([swapRebalanced(bench, line, s), { ...swapOnly(bench, line, s), title: 'Only this line' }])
          }
        />
      );
    case 'drive':
      return (
        <DriveDialog
          line={line}
          onClose={onClose}
          onDrive={(g) => propose([usingUp(bench, line.key, g, 'scale'), usingUp(bench, line.key, g, 'rebalance')])}
          onLimit={(mostG) => choose({ mostG })}
        />
      );
    case 'size':
      return (
        <SizeDialog
          line={line}
          onClose={onClose}
          onRemember={onRemember}
          onText={(text) => {
            send({ do: 'type', key: line.key, text });
            onClose();
          }}
        />
      );
    case 'stands':
      return (
        <StandsDialog
          bench={bench}
          line={line}
          onClose={onClose}
          onPut={(formula) => {
            send({ do: 'put', formula });
            onClose();
          }}
        />
      );
    case 'same':
      return (
        <SameDialog line={line} house={bench.house} onClose={onClose} onSame={(i) => choose({ ingredientId: i.id })} />
      );
    case 'weigh':
      return (
        <WeighDialog
          line={line}
          onClose={onClose}
          onText={(text) => {
            send({ do: 'type', key: line.key, text });
            onClose();
          }}
        />
      );
    case 'drained':
      return <DrainedDialog line={line} onClose={onClose} onDrained={(drainedG) => choose({ drainedG })} />;
    case 'opened':
      return <OpenedDialog line={line} today={today} onClose={onClose} onOpened={(opened) => choose({ opened })} />;
  }
}

/** "All of the buttermilk": how much there is of a line that drives the rest. */
function DriveDialog({
  line,
  onClose,
  onDrive,
  onLimit,
}: {
  readonly line: FormulaLine;
  readonly onClose: () => void;
  readonly onDrive: (grams: number) => void;
  readonly onLimit: (grams: number) => void;
}) {
  const [text, setText] = useState(asTyped(gramsNumber(line.grams ?? 0)));
  const piece = line.ingredient?.piece;
  const [error, setError] = useState<string | undefined>();
  const go = (grams: number, to = onDrive): void => {
    if (!Number.isFinite(grams) || grams <= 0) setError('How much is there? A number of grams, more than nothing.');
    else if (grams > 1_000_000) setError('At most 1,000,000 g.');
    else to(grams);
  };
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title="Set the rest by it">
      <Form
        noValidate
        act={() => {
          go(typedNumber(text));
        }}
      >
        <p className="mb-3">
          How much of “{line.text.slice(0, 60)}” is there? It is kept at that, and the rest follows; nothing then asks
          for more of it.
        </p>
        <AmountField
          label="All there is"
          value={text}
          error={error}
          onText={(t) => {
            setText(t);
            setError(undefined);
          }}
        />
        {piece ? (
          <div className="mt-2 flex flex-wrap gap-2">
            {[1, 2, 3, 5].map((n) => (
              <Button key={n} onClick={() => setText(String(n * piece.grams))}>
                {n} × {piece.grams} g
              </Button>
            ))}
          </div>
        ) : null}
        <div className="mt-4 flex flex-wrap gap-2">
          <Button look="now" type="submit">
            Show what follows
          </Button>
          <Button onClick={() => go(typedNumber(text), onLimit)}>Only note that there is no more</Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </Form>
    </Dialog>
  );
}

/** The day a powder was opened. */
function OpenedDialog({
  line,
  today,
  onClose,
  onOpened,
}: {
  readonly line: FormulaLine;
  readonly today: string;
  readonly onClose: () => void;
  readonly onOpened: (day: string | undefined) => void;
}) {
  const [day, setDay] = useState(line.opened ?? today);
  const [error, setError] = useState<string | undefined>();
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title="When was it opened?">
      <Form
        noValidate
        act={() => {
          if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) setError('Write the day it was opened.');
          else if (day > today) setError('That day is still to come.');
          else onOpened(day);
        }}
      >
        <p className="mb-3">
          The day that stands with it in the Pantry counts for every formula; one said here counts for this line alone.
          An opened powder is counted as fresh for three months, then weaker each month: an estimate. A spoonful in hot
          water tells the truth.
        </p>
        <DayField
          label="Opened on"
          value={day}
          error={error}
          onDay={(d) => {
            setDay(d);
            setError(undefined);
          }}
        />
        <div className="mt-4 flex gap-2">
          <Button look="now" type="submit">
            Count it so
          </Button>
          {line.opened ? <Button onClick={() => onOpened(today)}>Count it as fresh</Button> : null}
        </div>
      </Form>
    </Dialog>
  );
}

/** Water that was squeezed out of fruit or drained off fresh cheese. */
function DrainedDialog({
  line,
  onClose,
  onDrained,
}: {
  readonly line: FormulaLine;
  readonly onClose: () => void;
  readonly onDrained: (grams: number | undefined) => void;
}) {
  const most = mostDrained(line, line.drainedG);
  const [text, setText] = useState(line.drainedG > 0 ? String(line.drainedG) : '');
  const [error, setError] = useState<string | undefined>();
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title="Squeezed or drained">
      <Form
        noValidate
        act={() => {
          const x = typedNumber(text);
          if (text.trim() === '') onDrained(undefined);
          else if (!Number.isFinite(x) || x <= 0)
            setError('A number of grams, more than nothing; leave it empty for none.');
          else if (x > most) setError(`There is not so much water in it: at most ${grams(most)}.`);
          else onDrained(x);
        }}
      >
        <p className="mb-3">
          How much water came out of “{line.text.slice(0, 60)}”? Weigh what ran off, or weigh before and after. The rest
          goes in, drier.
        </p>
        <Field
          label="Pressed out"
          unit="g"
          inputMode="decimal"
          value={text}
          error={error}
          autoFocus
          onChange={(e) => {
            setText(e.target.value);
            setError(undefined);
          }}
        />
        <div className="mt-4 flex gap-2">
          <Button look="now" type="submit">
            Count it so
          </Button>
          {line.drainedG > 0 ? <Button onClick={() => onDrained(undefined)}>Nothing was pressed out</Button> : null}
        </div>
      </Form>
    </Dialog>
  );
}
