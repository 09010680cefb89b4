'use client';
/** A piece of gear as it is typed: what it is, what it is called, how large it is. */
import { useState } from 'react';
import { GEAR_SORTS, type Gear, type GearSort, SORT_NAMES } from '@/core/pantry/gear';
import { typedNumber } from '@/core/quantity/typed';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Dialog } from '../kit/dialog';
import { Field } from '../kit/field';
import { Form } from '../kit/form';

interface Asked {
  readonly key: string;
  readonly label: string;
  readonly unit: string;
  readonly most: number;
  readonly whole?: true;
}

/** What is asked of each sort of gear. */
const ASKS: Readonly<Record<GearSort, readonly [Asked, ...Asked[]]>> = {
  scale: [
    { key: 'stepG', label: 'Shows steps of', unit: 'g', most: 100 },
    { key: 'mostG', label: 'Weighs at most', unit: 'g', most: 1_000_000 },
  ],
  griddle: [
    { key: 'wideCm', label: 'Width', unit: 'cm', most: 500 },
    { key: 'deepCm', label: 'Depth', unit: 'cm', most: 500 },
  ],
  pan: [{ key: 'acrossCm', label: 'Its flat bottom, across', unit: 'cm', most: 200 }],
  iron: [
    { key: 'holdsMl', label: 'Holds, closed', unit: 'ml', most: 20_000 },
    { key: 'pieces', label: 'Pieces at once', unit: '', most: 100, whole: true },
  ],
  'ball-pan': [
    { key: 'hollowMl', label: 'A hollow holds', unit: 'ml', most: 500 },
    { key: 'hollows', label: 'Hollows', unit: '', most: 200, whole: true },
  ],
  bowl: [
    { key: 'bowlMl', label: 'One holds, to the rim', unit: 'ml', most: 500_000 },
    { key: 'bowls', label: 'How many there are', unit: '', most: 200, whole: true },
  ],
  drum: [{ key: 'drumG', label: 'Takes of a dry mix at once', unit: 'g', most: 500_000 }],
};

const figures = (g: Gear): Readonly<Record<string, number>> => g as unknown as Record<string, number>;

/** @param sorts what it can be, the likeliest first */
export function GearDialog({
  was,
  sorts = GEAR_SORTS,
  onClose,
  onKeep,
  onRemove = null,
}: {
  readonly was: Gear | null;
  readonly sorts?: readonly GearSort[];
  readonly onClose: () => void;
  readonly onKeep: (g: Gear) => void;
  readonly onRemove?: (() => void) | null;
}) {
  const [sort, setSort] = useState<GearSort>(was?.sort ?? sorts[0] ?? 'scale');
  const [name, setName] = useState(was?.name ?? '');
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() =>
    was ? Object.fromEntries(ASKS[was.sort].map((a) => [a.key, String(figures(was)[a.key])])) : {},
  );
  const [tried, setTried] = useState(false);
  const number = (a: Asked): number => typedNumber(typed[a.key] ?? '', a.unit || 'g');
  const wrong = (a: Asked): string | undefined => {
    const x = number(a);
    if (!Number.isFinite(x)) return 'Write a number.';
    if (x <= 0) return 'More than nothing.';
    if (x > a.most) return `At most ${a.most.toLocaleString('en-GB')}.`;
    return a.whole && !Number.isInteger(x) ? 'A whole number.' : undefined;
  };
  const noName =
    name.trim() === '' ? 'Give it a name.' : name.trim().length > 60 ? 'At most 60 characters.' : undefined;
  return (
    <Dialog open onOpen={(o) => !o && onClose()} title={was ? was.name : 'One more'}>
      <Form
        noValidate
        className="grid gap-3"
        act={() => {
          setTried(true);
          if (noName || ASKS[sort].some(wrong)) return;
          onKeep({
            id: '',
            name: name.trim(),
            sort,
            ...Object.fromEntries(ASKS[sort].map((a) => [a.key, number(a)])),
          } as unknown as Gear);
        }}
      >
        <Choice
          label="What it is"
          value={sort}
          onChange={setSort}
          options={sorts.map((s) => ({ value: s, label: SORT_NAMES[s] }))}
        />
        <Field
          label="What you call it"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          error={tried ? noName : undefined}
        />
        {ASKS[sort].map((a) => (
          <Field
            key={a.key}
            label={a.label}
            unit={a.unit}
            inputMode="decimal"
            value={typed[a.key] ?? ''}
            onChange={(e) => setTyped((t) => ({ ...t, [a.key]: e.target.value }))}
            error={tried ? wrong(a) : undefined}
          />
        ))}
        <div className="mt-2 flex flex-wrap gap-2">
          <Button look="now" type="submit">
            Keep it
          </Button>
          {onRemove ? <Button onClick={onRemove}>Delete</Button> : null}
        </div>
      </Form>
    </Dialog>
  );
}
