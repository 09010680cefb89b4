'use client';
import { useEffect, useRef, useState } from 'react';
import type { Bench } from '@/core/balance/bench';
import { type Slip, sayEnds, sayIf } from '@/core/balance/slips';
import type { Formula } from '@/core/formula/formula';
import { RAIL_NAMES, type RailReading, sayRail } from '@/core/formula/kinds';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { type Asker, startSlips } from './solver';

const NONE: readonly Slip[] = [];
/** ms that a hand pauses before slips are looked for. */
const PAUSE_MS = 250;

/** What may be a slip of the pen in the formula on the bench; nothing while it is looked for. @param loud something is found that is more than a note */
export function useSlips(bench: Bench, loud: boolean): readonly Slip[] {
  const [found, setFound] = useState<{ readonly bench: Bench; readonly slips: readonly Slip[] } | null>(null);
  const asker = useRef<Asker<Bench, readonly Slip[]> | null>(null);
  useEffect(
    () => () => {
      asker.current?.end();
      asker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (!loud) return;
    const later = setTimeout(() => {
      asker.current ??= startSlips();
      void asker.current.ask(bench).then((slips) => slips && setFound({ bench, slips }));
    }, PAUSE_MS);
    return () => clearTimeout(later);
  }, [bench, loud]);
  return loud && found?.bench === bench ? found.slips : NONE;
}

const said = (r: RailReading): string => sayRail(r.rail, r.tested);

/** What a line may have been meant to say, before anything is mended: both balances, and one tap that writes it so. */
export function SlipsView({
  slips,
  onMeant,
  onAnswer,
}: {
  readonly slips: readonly Slip[];
  readonly onMeant: (f: Formula) => void;
  readonly onAnswer: (answers: readonly string[]) => void;
}) {
  if (slips.length === 0) return null;
  const asWritten = (
    <Button look="bare" className="!min-h-9" onClick={() => onAnswer(slips.map((s) => s.answer))}>
      It is meant as it is written
    </Button>
  );
  return (
    <Notice weight="look" role="status">
      <ul className="grid gap-3">
        {slips.map((s) => (
          <li key={s.answer + sayIf(s)} className="grid gap-1.5">
            <p className="leading-snug">
              {sayIf(s)}, <strong>{sayEnds(s)}</strong>.{' '}
              <span className="text-sm text-soft">({s.lines.map((l) => l.as).join('; ')})</span>
            </p>
            {s.rails.length > 0 ? (
              <table className="w-fit text-[15px] tabular-nums">
                <thead className="text-left text-sm text-soft">
                  <tr>
                    <th className="pr-4 font-normal">of the flour</th>
                    <th className="pr-4 font-normal">as written</th>
                    <th className="font-normal">so read</th>
                  </tr>
                </thead>
                <tbody>
                  {s.rails.map(({ before, after }) => (
                    <tr key={before.rail}>
                      <th className="pr-4 text-left font-normal">{RAIL_NAMES[before.rail]}</th>
                      <td className="pr-4">{said(before)}</td>
                      <td className="font-semibold">{said(after)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            ) : null}
            <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
              <Button look="now" onClick={() => onMeant(s.formula)}>
                It is {s.lines.map((l) => l.meant).join(' and ')}
              </Button>
              {slips.length === 1 ? asWritten : null}
            </div>
          </li>
        ))}
      </ul>
      {slips.length === 1 ? null : asWritten}
    </Notice>
  );
}
