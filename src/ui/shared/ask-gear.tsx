'use client';
import { useState } from 'react';
import { type KindId, kindById } from '@/core/formula/kinds';
import { GEAR_SORTS, madeOn, usualGear } from '@/core/pantry/gear';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { GearDialog } from './gear-dialog';
import { useNoteGear } from './note-gear';

/** What pieces of a kind are made on, asked where it first matters: a usual size in one tap, or another. */
export function AskGear({ kind }: { readonly kind: KindId }) {
  const { refusal, waits, busy, note } = useNoteGear();
  const [other, setOther] = useState(false);
  const usual = usualGear(kind);
  const sorts = GEAR_SORTS.filter((s) => usual.some((g) => g.sort === s));
  return (
    <section aria-label="What it is made on" className="grid justify-items-start gap-2">
      <h2 className="text-lg">What are {kindById(kind).pieces} made on here?</h2>
      <ul className="flex flex-wrap gap-2">
        {usual
          .filter((g) => madeOn(g, kind))
          .map((g) => (
            <li key={g.name}>
              <Button disabled={busy} onClick={() => note(g)}>
                {g.name}
              </Button>
            </li>
          ))}
        <li>
          <Button look="bare" disabled={busy} onClick={() => setOther(true)}>
            Another size …
          </Button>
        </li>
      </ul>
      <RefusalNotice text={refusal} waits={waits} />
      {other ? (
        <GearDialog
          was={null}
          sorts={sorts}
          onClose={() => setOther(false)}
          onKeep={(g) => {
            setOther(false);
            note(g);
          }}
        />
      ) : null}
    </section>
  );
}
