'use client';
import { useState } from 'react';
import { GEAR_SORTS, type Gear, type GearSort, portionFor, SORT_NAMES } from '@/core/pantry/gear';
import { grams, millilitres, type Units } from '@/core/quantity/say';
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
};

const figures = (g: Gear): Readonly<Record<string, number>> => g as unknown as Record<string, number>;

/** What a piece of gear comes to, in words. */
function words(g: Gear, u: Units): string {
  switch (g.sort) {
    case 'scale':
      return `steps of ${grams(g.stepG, u)}, up to ${grams(g.mostG, u)}`;
    case 'griddle':
      return `${g.wideCm} × ${g.deepCm} cm`;
    case 'pan':
      return `${g.acrossCm} cm: a crepe of ${millilitres(portionFor(g, 'crepe') ?? 0)}, an oven pancake of ${millilitres(portionFor(g, 'oven') ?? 0)}`;
    case 'iron':
      return `${g.pieces} at once: about ${millilitres(portionFor(g, 'waffle') ?? 0)} each`;
    case 'ball-pan':
      return `${g.hollows} hollows of ${g.hollowMl} ml`;
    case 'bowl':
      return `${g.bowls === 1 ? 'one' : g.bowls} of ${millilitres(g.bowlMl)}`;
  }
}

function freeId(name: string, gear: readonly Gear[]): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'thing';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!gear.some((g) => g.id === id)) return id;
  }
}

/** Scales, bowls, griddles, pans and irons: what the kitchen weighs with, mixes in and cooks on. */
export function GearList({
  gear,
  units,
  onGear,
}: {
  readonly gear: readonly Gear[];
  readonly units: Units;
  readonly onGear: (gear: readonly Gear[]) => void;
}) {
  const [editing, setEditing] = useState<Gear | 'new' | null>(null);
  return (
    <section aria-label="Scales and gear" className="grid gap-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h2 className="text-xl">Scales, bowls, griddles, pans and irons</h2>
          <p className="text-[15px] text-soft">
            The finest scale decides what can’t be weighed honestly; bowls say how a large batch is split; pans and
            irons offer their own portions. Ladles and scoops stand under Pantry, My measures.
          </p>
        </div>
        <Button onClick={() => setEditing('new')}>Add one</Button>
      </div>
      {gear.length === 0 ? <p>None yet. A scale first: without one, whole grams are taken for its step.</p> : null}
      <ul className="grid gap-x-10 md:grid-cols-2">
        {gear.map((g) => (
          <li key={g.id} className="flex items-center gap-3 border-b border-line py-1">
            <span className="min-w-0 flex-1">
              <strong className="[overflow-wrap:anywhere]">{g.name}</strong>{' '}
              <span className="text-soft">{SORT_NAMES[g.sort].toLowerCase()}</span>
              <span className="block text-[15px] text-soft">{words(g, units)}</span>
            </span>
            <Button look="bare" aria-label={`Change ${g.name}`} onClick={() => setEditing(g)}>
              Change
            </Button>
          </li>
        ))}
      </ul>
      {editing ? (
        <GearDialog
          was={editing === 'new' ? null : editing}
          onClose={() => setEditing(null)}
          onKeep={(g) => {
            setEditing(null);
            onGear(
              editing === 'new'
                ? [...gear, { ...g, id: freeId(g.name, gear) }]
                : gear.map((x) => (x.id === editing.id ? { ...g, id: x.id } : x)),
            );
          }}
          onRemove={
            editing === 'new'
              ? null
              : () => {
                  setEditing(null);
                  onGear(gear.filter((x) => x.id !== editing.id));
                }
          }
        />
      ) : null}
    </section>
  );
}

function GearDialog({
  was,
  onClose,
  onKeep,
  onRemove,
}: {
  readonly was: Gear | null;
  readonly onClose: () => void;
  readonly onKeep: (g: Gear) => void;
  readonly onRemove: (() => void) | null;
}) {
  const [sort, setSort] = useState<GearSort>(was?.sort ?? 'scale');
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
          options={GEAR_SORTS.map((s) => ({ value: s, label: SORT_NAMES[s] }))}
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
