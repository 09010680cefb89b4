'use client';
import { useState } from 'react';
import { freeGearId, type Gear, portionFor, SORT_NAMES } from '@/core/pantry/gear';
import { grams, millilitres, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { GearDialog } from '../shared/gear-dialog';

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
    case 'drum':
      return `${grams(g.drumG, u)} of a dry mix at once`;
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
    <div className="grid gap-3">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
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
                ? [...gear, { ...g, id: freeGearId(g.name, gear) }]
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
    </div>
  );
}
