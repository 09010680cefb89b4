'use client';
import Fuse from 'fuse.js';
import { useMemo, useState } from 'react';
import type { FormulaLine } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { namedOn } from '@/core/formula/named-on';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { PANTRY } from '@/core/pantry/pantry';
import { typedGrams } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { AmountField, Field } from '../kit/field';
import { Form } from '../kit/form';

const SHOWN = 8;

/** "Same as …": the thing the pantry has that a line is to be counted as; what is written stays written. */
export function SameDialog({
  line,
  house,
  onClose,
  onSame,
}: {
  readonly line: FormulaLine;
  readonly house: Kitchen;
  readonly onClose: () => void;
  readonly onSame: (i: Ingredient) => void;
}) {
  const [text, setText] = useState('');
  const all = useMemo(() => [...(house.conventions.own?.ingredients ?? []), ...PANTRY], [house.conventions.own]);
  const fuse = useMemo(() => new Fuse(all, { keys: ['name', 'aliases'], threshold: 0.35 }), [all]);
  const found =
    text.trim() === '' ? line.suggestions.slice(0, SHOWN) : fuse.search(text, { limit: SHOWN }).map((r) => r.item);
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title={`“${namedOn(line).slice(0, 50)}” is the same as`}>
      <Field
        label="Find it in the pantry"
        type="search"
        value={text}
        autoFocus
        maxLength={60}
        onChange={(e) => setText(e.target.value)}
      />
      <ul aria-label="Found" className="mt-3 grid gap-1">
        {found.map((i) => (
          <li key={i.id}>
            <Button className="w-full !justify-start" onClick={() => onSame(i)}>
              {kitchenName(i)}
            </Button>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[15px] text-soft" role="status">
        {text.trim() !== '' && found.length === 0
          ? 'Nothing of that name.'
          : 'It is weighed, balanced and its allergens are told as of that. The line keeps its words.'}
      </p>
    </Dialog>
  );
}

/** "Weigh it yourself": what a line's amount comes to on the cook's own scale. */
export function WeighDialog({
  line,
  onClose,
  onText,
}: {
  readonly line: FormulaLine;
  readonly onClose: () => void;
  readonly onText: (text: string) => void;
}) {
  const [text, setText] = useState('');
  const [error, setError] = useState<string | undefined>();
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title="Weigh it yourself">
      <Form
        noValidate
        act={() => {
          const g = typedGrams(text);
          if (g === null || !(g > 0) || g > 1_000_000) setError('A number of grams, more than nothing.');
          else onText(`${Math.round(10 * g) / 10} g ${namedOn(line)}`);
        }}
      >
        <p className="mb-3">Put what “{line.text.slice(0, 60)}” means on the scale, and write what it shows.</p>
        <AmountField
          label="It weighs"
          value={text}
          error={error}
          onText={(t) => {
            setText(t);
            setError(undefined);
          }}
        />
        <div className="mt-4 flex gap-2">
          <Button look="now" type="submit">
            Write it on the line
          </Button>
          <Button onClick={onClose}>Not now</Button>
        </div>
      </Form>
    </Dialog>
  );
}
