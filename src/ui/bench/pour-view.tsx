'use client';
import { useState } from 'react';
import { circumstancesOf, type Worked } from '@/core/analyse-formula';
import type { Bench } from '@/core/balance/bench';
import { atOnce } from '@/core/batch/portions';
import { MOST_TIMED_MM, spreadOf } from '@/core/batter/spread';
import { thickness } from '@/core/batter/thickness';
import { piecesOf } from '@/core/batter/volume';
import { atEnd, mainsOf } from '@/core/formula/formula';
import { POUR_WORDS, usualPortionMl } from '@/core/formula/kinds';
import { pouredG } from '@/core/formula/tally';
import { numbersOf } from '@/core/numbers';
import { isFlour, kitchenName } from '@/core/pantry/ingredient';
import { behaviourOf } from '@/core/pantry/tables/behaviour';
import { millilitres, minutesOrHours } from '@/core/quantity/say';
import { PourDrawing } from '../drawings/pour';
import { TypedNumber } from '../kit/typed-number';
import type { BenchAction } from './state';

/** The poured portion: how it leaves the ladle, how many there are, and how one lies. */
export function PourView({ bench, worked, send }: { readonly bench: Bench; readonly worked: Worked; readonly send: (a: BenchAction) => void }) {
  const { analysis: a } = worked;
  if (!a.thickness || !a.volume) return null;
  const portion = a.portionMl ?? 60;
  const pan = a.school?.portionMl === null;
  const made = piecesOf(pouredG(a.tally), a.volume.densityGPerMl, portion);
  const spread = a.kind && !pan ? spreadOf(a.kind, a.thickness.paS, portion) : null;
  return (
    <div className="flex items-center gap-4">
      <PourDrawing pour={a.thickness.pour} className="h-22 w-24 shrink-0 text-rim" />
      <div className="leading-snug">
        <p className="text-lg font-semibold">
          {a.volume.foamed ? 'Before the foam it ' : 'It '}
          {POUR_WORDS[a.thickness.pour]}
        </p>
        {pan ? (
          <p>{millilitres(a.volume.volumeMl)} of batter</p>
        ) : (
          <p>
            {millilitres(a.volume.volumeMl)}: <strong>{made.pieces}</strong> {a.kind?.pieces ?? 'pieces'} of{' '}
            <Portion portion={portion} usual={a.school ? usualPortionMl(a.school) : 60} send={send} />
          </p>
        )}
        {spread ? (
          <p className="text-soft">
            one lies about {spread.diameterCm.toFixed(0)} cm wide, {spread.thickMm.toFixed(spread.thickMm < 3 ? 1 : 0)} mm thick (estimate)
            {spread.thickMm > MOST_TIMED_MM && !a.volume.foamed ? ': cover it or go lower' : ''}
            {a.kind?.tilted
              ? ''
              : atOnce(bench.house, spread.diameterCm)
                  .map((g) => `; the ${g.name.toLowerCase()} takes ${g.pieces} at once`)
                  .join('')}
          </p>
        ) : null}
        <WhatIf bench={bench} worked={worked} />
      </div>
    </div>
  );
}

/** The size of a portion, to be typed over; emptied, it is the usual one again. */
function Portion({ portion, usual, send }: { readonly portion: number; readonly usual: number; readonly send: (a: BenchAction) => void }) {
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

/** What 15 g more milk or flour would do, and what the rest does: in classes, the model is good for no more. */
function WhatIf({ bench, worked: { lines, analysis: a } }: { readonly bench: Bench; readonly worked: Worked }) {
  const [open, setOpen] = useState(false);
  const mains = mainsOf(lines);
  const pick = (name: string | null, flour: boolean) =>
    lines
      .flatMap((l) => (l.use === 'batter' ? l.parts : []))
      .find((p) => isFlour(p.ingredient) === flour && (flour || behaviourOf(p.ingredient).poured) && kitchenName(p.ingredient) === name);
  const at = atEnd(bench.formula, bench.end);
  const more = (which: 'liquid' | 'flour'): string | null => {
    const part = pick(mains[which], which === 'flour');
    if (!part) return null;
    const added = [...lines, { parts: [{ ingredient: part.ingredient, grams: 15 }], use: 'batter' as const }];
    const then = numbersOf(added, at.kind, at.school, circumstancesOf(at, bench.house));
    if (!then.thickness || !a.thickness || !then.percent || !a.percent) return null;
    const factor = then.thickness.paS / a.thickness.paS;
    const change = Math.round(100 * Math.abs(factor - 1));
    return `15 g more ${kitchenName(part.ingredient).toLowerCase()}: ${change} % ${factor < 1 ? 'thinner' : 'thicker'}, ${POUR_WORDS[then.thickness.pour]}; water ${a.percent.freeWater.toFixed(0)} to ${then.percent.freeWater.toFixed(0)} %.`;
  };
  const atOnce = thickness(lines, 0, a.standing.batterC);
  const rest =
    atOnce && a.thickness && a.standing.restMin > 0
      ? `Fresh it ${POUR_WORDS[atOnce.pour]}; ${minutesOrHours(a.standing.restMin)} of rest let the flour drink: ${(a.thickness.paS / atOnce.paS).toFixed(1)} times as thick.`
      : 'No rest: the flour has not drunk yet, and it thickens as it stands.';
  return (
    <details open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer rounded font-semibold text-rim">What a little more would do</summary>
      {open ? (
        <div className="mt-1 grid gap-1 text-[15px]">
          {[more('liquid'), more('flour'), rest]
            .filter((s) => s !== null)
            .map((s) => (
              <p key={s}>{s}</p>
            ))}
          <p className="text-sm text-soft">Model, good to one class: add half, pour a test, look again.</p>
        </div>
      ) : null}
    </details>
  );
}
