'use client';
import type { Begin } from '@/core/begin/sentence';
import type { Gear } from '@/core/pantry/gear';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useNoteGear } from '../shared/note-gear';

/** A size that was said and none of the gear has, noted in a press; what is no griddle and no pan is noted under House. */
export function NoteSize({ of }: { readonly of: NonNullable<Begin['sized']> }) {
  const { busy, note } = useNoteGear();
  const [wideCm, deepCm] = [Math.round(of.wideCm), of.deepCm === null ? null : Math.round(of.deepCm)];
  const gear: Gear | null =
    of.sort === 'griddle' && deepCm !== null
      ? { id: '', sort: 'griddle', name: `Griddle, ${wideCm} by ${deepCm} cm`, wideCm, deepCm }
      : of.sort === 'pan'
        ? { id: '', sort: 'pan', name: `Pan, ${wideCm} cm`, acrossCm: wideCm }
        : null;
  return gear ? (
    <Button look="bare" disabled={busy} onClick={() => note(gear)}>
      Note it: {gear.name}
    </Button>
  ) : (
    <Link href="/house#gear" className="font-semibold text-rim underline">
      Note it under House.
    </Link>
  );
}
