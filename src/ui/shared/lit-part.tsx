'use client';
import { useState } from 'react';
import { gearFor, type Lit, litUsually, placesIn, type Surface } from '@/core/batter/surface';
import type { KindId } from '@/core/formula/kinds';
import type { Gear } from '@/core/pantry/gear';
import { typedNumber } from '@/core/quantity/typed';
import { ManyTaps } from '../kit/choice';
import { Field } from '../kit/field';
import { AskGear } from './ask-gear';

/** What is lit, and how many lie there at a time at most: "six for beginners". */
export function LitPart({
  of = null,
  gear,
  kind,
  lit,
  places,
  onLit,
}: {
  /** Of two ends the one it is for, by name. */
  readonly of?: string | null;
  readonly gear: readonly Gear[];
  readonly kind: KindId;
  readonly lit: Lit;
  readonly places: readonly Surface[];
  readonly onLit: (lit: Lit) => void;
}) {
  const title = of ? `What is lit for ${of}` : 'What is lit';
  const able = gearFor(gear, kind);
  const on = lit.on ?? litUsually(gear, kind).map((g) => g.id);
  const [typed, setTyped] = useState(lit.most === null ? '' : String(lit.most));
  const n = placesIn(places);
  const bad = typed.trim() !== '' && lit.most === null;
  return (
    <section aria-label={title} className="grid gap-2">
      <span aria-hidden className="text-sm font-semibold text-soft">
        {title}
      </span>
      {able.length === 0 ? <AskGear kind={kind} /> : null}
      {able.length > 1 ? (
        <ManyTaps
          label="Surfaces"
          values={on}
          options={able.map((g) => ({ value: g.id, label: g.name }))}
          // something is always lit: the last one stays
          onChange={(ids) => ids.length > 0 && onLit({ ...lit, on: ids })}
        />
      ) : null}
      <div className="flex items-end gap-3">
        <Field
          label={able.length === 0 ? 'How many at once?' : 'At a time, at most'}
          inputMode="numeric"
          className="w-40"
          value={typed}
          placeholder={able.length === 0 ? '' : String(n)}
          onChange={(e) => {
            setTyped(e.target.value);
            const most = typedNumber(e.target.value, '');
            onLit({ ...lit, most: Number.isInteger(most) && most >= 1 && most <= 1000 ? most : null });
          }}
          error={bad ? 'A whole number, from 1.' : undefined}
        />
        <p className="pb-2.5 text-[15px] text-soft">
          {able.length === 0
            ? 'Or how many lie there at a time: the time line needs to know one of the two.'
            : `${n} at once on ${places.map((s) => s.name.toLowerCase()).join(', ')}`}
        </p>
      </div>
    </section>
  );
}
