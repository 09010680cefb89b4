'use client';
import { type Meant, sayEnds, sayIf, saySettled, sayTake } from '@/core/balance/meant';
import type { Formula } from '@/core/formula/formula';
import { RAIL_NAMES, type RailReading, sayRail } from '@/core/formula/kinds';
import { Button } from '../kit/button';
import { Notice } from '../kit/notice';
import { TableHead } from '../kit/table-head';

const said = (r: RailReading): string => sayRail(r.rail, r.tested);

/** Two balances side by side, the ratios alone that stand otherwise. */
function Beside({
  heads: [one, other],
  rails,
}: {
  readonly heads: readonly [string, string];
  readonly rails: readonly (readonly [RailReading, RailReading])[];
}) {
  if (rails.length === 0) return null;
  return (
    <table className="w-fit text-[15px] tabular-nums">
      <TableHead light columns={['of the flour', one, other]} />
      <tbody>
        {rails.map(([a, b]) => (
          <tr key={a.rail}>
            <th className="pr-4 text-left font-normal">{RAIL_NAMES[a.rail]}</th>
            <td className="pr-4">{said(a)}</td>
            <td className="font-semibold">{said(b)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What lines may have been meant to say, before anything is mended: both balances, and one tap that writes it so. */
export function MeantView({
  meant: { settled, slips },
  onMeant,
  onAnswer,
}: {
  readonly meant: Meant;
  readonly onMeant: (f: Formula) => void;
  readonly onAnswer: (answers: readonly string[]) => void;
}) {
  const asWritten = (
    <Button look="bare" className="!min-h-9" onClick={() => onAnswer(slips.map((s) => s.answer))}>
      It is meant as it is written
    </Button>
  );
  return (
    <>
      {settled ? (
        <Notice weight="look" role="status">
          <div className="grid gap-1.5">
            <p className="leading-snug">
              {saySettled(settled)}: <strong>so the whole card agrees</strong>.
            </p>
            <Beside heads={['otherwise', 'so read']} rails={settled.rails.map((r) => [r.otherwise, r.so])} />
            <Button look="now" className="justify-self-start" onClick={() => onMeant(settled.formula)}>
              Read {settled.lines.length === 1 ? 'it' : 'them'} so
            </Button>
          </div>
        </Notice>
      ) : null}
      {slips.length > 0 ? (
        <Notice weight="look" role="status">
          <ul className="grid gap-3">
            {slips.map((s) => (
              <li key={s.answer + sayIf(s)} className="grid gap-1.5">
                <p className="leading-snug">
                  {sayIf(s)}, <strong>{sayEnds(s)}</strong>.{' '}
                  <span className="text-sm text-soft">({s.lines.map((l) => l.as).join('; ')})</span>
                </p>
                <Beside heads={['as on the card', 'so read']} rails={s.rails.map((r) => [r.before, r.after])} />
                <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
                  <Button look="now" onClick={() => onMeant(s.formula)}>
                    {sayTake(s)}
                  </Button>
                  {slips.length === 1 ? asWritten : null}
                </div>
              </li>
            ))}
          </ul>
          {slips.length === 1 ? null : asWritten}
        </Notice>
      ) : null}
    </>
  );
}
