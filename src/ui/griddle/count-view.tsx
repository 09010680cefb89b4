'use client';
import { Minus, Plus } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Progress } from '@/core/griddle/progress';
import type { KnownTimes } from '@/core/griddle/times';
import { counted, minutesAndSeconds } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { useTime } from '../kit/time';

/** Pieces out of pieces wanted, what the bowl still pours, and what the times rest on. */
export function CountView({
  progress: { off, bowl, bowls, leftInBowl, joinBy, loads, lastAt },
  wanted,
  pieces,
  filling,
  ends,
  hasTest,
  known: { times, from, aside },
  now,
  busy,
  refusal,
  onWanted,
  children,
}: {
  readonly progress: Progress;
  readonly wanted: number | null;
  readonly pieces: string;
  /** What one filling of the heat is called. */
  readonly filling: string;
  /** Of two ends each; empty: there is one. */
  readonly ends: readonly { readonly name: string; readonly off: number; readonly pieces: number | null }[];
  readonly hasTest: boolean;
  readonly known: KnownTimes;
  readonly now: number;
  readonly busy: boolean;
  readonly refusal: string | null;
  readonly onWanted: (by: number) => void;
  /** The bowl's clock. */
  readonly children: ReactNode;
}) {
  const time = useTime();
  return (
    <section aria-label="Count" className="grid gap-3 rounded-plate bg-white p-4">
      <p>
        <strong className="text-[56px] leading-none">{off}</strong>
        <span className="text-2xl text-soft"> {wanted === null ? 'off' : `of ${wanted}`}</span>
        <span className="block text-soft">
          {pieces} off the heat{hasTest ? ', the test piece not counted' : ''}
        </span>
      </p>
      {ends.length > 0 ? (
        <p>
          {ends.map((e, n) => (
            <span key={e.name}>
              {n > 0 ? ', ' : ''}
              {e.name} <strong>{e.off}</strong>
              {e.pieces === null ? '' : ` of ${e.pieces}`}
            </span>
          ))}
          .
        </p>
      ) : null}
      {wanted === null ? null : (
        <div className="flex items-center gap-2">
          <Button size="work" aria-label="One fewer wanted" disabled={busy || wanted <= 1} onClick={() => onWanted(-1)}>
            <Minus size={22} aria-hidden />
          </Button>
          <Button size="work" aria-label="One more wanted" disabled={busy} onClick={() => onWanted(1)}>
            <Plus size={22} aria-hidden />
          </Button>
          <Button size="work" aria-label="Ten more wanted" disabled={busy} onClick={() => onWanted(10)}>
            +10
          </Button>
        </div>
      )}
      {refusal ? <p className="font-semibold text-berry">{refusal}</p> : null}
      {leftInBowl === null ? null : (
        <p>
          {bowls > 1 ? `Bowl ${bowl} of ${bowls}: ` : ''}
          <strong>{leftInBowl}</strong> still to pour
          {joinBy !== null
            ? `; combine the next ${joinBy <= now ? 'now' : `by ${time.ofDay(joinBy)}`}`
            : leftInBowl === 0
              ? ': stop mixing'
              : ''}
          {loads !== null && lastAt !== null && loads > 0
            ? `. About ${counted(loads, `${filling}s`)} left, the last off near ${time.ofDay(lastAt)}`
            : ''}
          .
        </p>
      )}
      {children}
      <p className="text-sm text-soft">
        {minutesAndSeconds(Math.round(times.first))}
        {times.second === null ? '' : ` and ${minutesAndSeconds(Math.round(times.second))}`}
        {from > 0
          ? `, the middle of ${from} taps here${aside > 0 ? `, ${aside} set aside` : ''}`
          : ', expected until there are taps of this kitchen'}
        . The tap is the truth.
      </p>
    </section>
  );
}
