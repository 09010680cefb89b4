'use client';
import { useState } from 'react';
import type { Bench } from '@/core/balance/bench';
import type { PourSight } from '@/core/bench/sight';
import { whatIf } from '@/core/bench/what-if';
import { POUR_WORDS } from '@/core/formula/kinds';
import { millilitres } from '@/core/quantity/say';
import { PourDrawing } from '../drawings/pour';
import { TypedNumber } from '../kit/typed-number';
import type { BenchAction } from './state';

interface Props {
  readonly bench: Bench;
  readonly pour: PourSight | null;
  readonly send: (a: BenchAction) => void;
}

/** The poured portion: how it leaves the ladle, how many there are, and how one lies. */
export function PourView({ bench, pour: p, send }: Props) {
  if (!p) return null;
  const { lies } = p;
  return (
    <div className="flex items-center gap-4">
      <PourDrawing pour={p.pour} className="h-22 w-24 shrink-0 text-rim" />
      <div className="leading-snug">
        <p className="text-lg font-semibold">
          {p.foamed ? 'Before the foam it ' : 'It '}
          {POUR_WORDS[p.pour]}
        </p>
        {p.pieces === null ? (
          <p>{millilitres(p.volumeMl)} of batter</p>
        ) : (
          <p>
            {millilitres(p.volumeMl)}: <strong>{p.pieces}</strong> {p.piecesName} of{' '}
            <Portion portion={p.portionMl} usual={p.usualMl} send={send} />
          </p>
        )}
        {lies?.thickOnHeat ? <p className="text-soft">Thick: cover it or go lower.</p> : null}
        <WhatIf bench={bench} lies={lies} />
      </div>
    </div>
  );
}

/** The size of a portion, to be typed over; emptied, it is the usual one again. */
function Portion({
  portion,
  usual,
  send,
}: {
  readonly portion: number;
  readonly usual: number;
  readonly send: (a: BenchAction) => void;
}) {
  const set = (portionMl: number | null): void => send({ do: 'set', part: { portionMl }, place: 'portion' });
  return (
    <span className="inline-flex items-baseline gap-1 whitespace-nowrap">
      <span className="inline-block w-14">
        <TypedNumber
          label="Portion, ml"
          value={String(Number(portion.toFixed(1)))}
          wrong={(x) => (x > 0 && x <= 5000 ? null : 'From 1 to 5000 ml.')}
          onCommit={(x) => set(x === usual ? null : x)}
          onEmpty={() => set(null)}
          className="h-8 border-edge bg-white px-1 font-semibold hover:border-rim"
        />
      </span>
      ml
    </span>
  );
}

/** What a little more milk or flour would do, and what the rest does. */
function WhatIf({ bench, lies }: Pick<Props, 'bench'> & Pick<PourSight, 'lies'>) {
  const [open, setOpen] = useState(false);
  return (
    <details open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer rounded font-semibold text-rim">
        How it lies, and what a little more would do
      </summary>
      {open ? (
        <div className="mt-1 grid gap-1 text-[15px]">
          {lies ? (
            <p>
              One lies about {lies.acrossCm.toFixed(0)} cm wide, {lies.thickMm.toFixed(lies.thickMm < 3 ? 1 : 0)} mm
              thick (estimate)
              {lies.atOnce.map((g) => `; the ${g.name.toLowerCase()} takes ${g.pieces} at once`).join('')}.
            </p>
          ) : null}
          {whatIf(bench).map((s) => (
            <p key={s}>{s}</p>
          ))}
          <p className="text-sm text-soft">This is approximate: add half, pour a test, look again.</p>
        </div>
      ) : null}
    </details>
  );
}
