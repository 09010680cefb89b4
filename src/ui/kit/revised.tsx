'use client';
/** A form over a row that others may change meanwhile: what was seen, what both changed, and which side stands. */
import { useState } from 'react';
import type { ActionResult, Conflict, Kept } from '@/contract/action-result';
import { pathWords, sideWords } from '@/core/records/editable';
import type { MergeSide } from '@/core/records/merge';
import { Taps } from './choice';
import { Notice } from './notice';
import { toast } from './toast';

export interface RevisedSeen {
  readonly revision: number;
  readonly base: unknown;
  readonly decided?: { readonly revision: number; readonly paths: Readonly<Record<string, MergeSide>> };
}

export interface Revised {
  /** Goes with every save. */
  readonly seen: RevisedSeen;
  readonly conflict: Conflict | null;
  readonly chosen: Readonly<Record<string, MergeSide>>;
  readonly choose: (path: string, side: MergeSide) => void;
  /** Hears the answer of a save; tells what of another screen's was kept with it. */
  readonly heard: (answer: ActionResult<Partial<Kept>> | null) => void;
}

/** "price and note". */
const listed = (paths: readonly string[]): string => [...new Set(paths.map(pathWords))].join(', ');

/**
 * @param revision of the row when the form was opened
 * @param base the row as it was then, in the shape it is saved in
 */
export function useRevised(revision: number, base: unknown): Revised {
  const [first] = useState({ revision, base });
  const [conflict, setConflict] = useState<Conflict | null>(null);
  const [chosen, setChosen] = useState<Readonly<Record<string, MergeSide>>>({});
  return {
    seen: conflict ? { ...first, decided: { revision: conflict.revision, paths: chosen } } : first,
    conflict,
    chosen,
    choose: (path, side) => setChosen((c) => ({ ...c, [path]: side })),
    heard: (answer) => {
      if (!answer) return;
      if (!answer.ok) {
        if (!answer.conflict) return;
        // another revision than the one that was chosen about: asked anew
        if (answer.conflict.revision !== conflict?.revision) setChosen({});
        setConflict(answer.conflict);
        return;
      }
      setConflict(null);
      setChosen({});
      if (answer.merged && answer.merged.length > 0)
        toast(`Kept together with what another screen had changed: ${listed(answer.merged)}.`);
    },
  };
}

/** What two screens have changed to different things: theirs or yours, one by one. */
export function Clashes({ of }: { readonly of: Revised }) {
  if (!of.conflict) return null;
  return (
    <Notice weight="look" role="alert">
      <p className="font-semibold">Another screen has changed the same since this was opened. Which stands?</p>
      <ul className="mt-2 grid gap-2">
        {of.conflict.clashes.map((c) => (
          <li key={c.path} className="flex flex-wrap items-center gap-3">
            <span className="min-w-28 font-semibold">{pathWords(c.path)}</span>
            <Taps
              label={`${pathWords(c.path)}: theirs or yours`}
              value={of.chosen[c.path] ?? ''}
              onChange={(side) => side !== '' && of.choose(c.path, side)}
              options={[
                { value: 'theirs', label: `theirs: ${sideWords(c.theirs)}` },
                { value: 'yours', label: `yours: ${sideWords(c.yours)}` },
              ]}
            />
          </li>
        ))}
      </ul>
      <p className="mt-2">Then save again. Everything else that was changed is kept from both.</p>
    </Notice>
  );
}
