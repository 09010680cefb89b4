'use client';
import { type Swap, type SwapEffect, swapsFor } from '@/core/balance/swaps';
import type { FormulaLine } from '@/core/formula/formula';
import { allergenName, kitchenName } from '@/core/pantry/ingredient';
import { grams, meq, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { useUnits } from '../kit/units';

const signed = (x: number, u: Units): string => `${x > 0 ? '+' : '−'}${grams(Math.abs(x), u)}`;

/** What changes with the stand-in alone, in the numbers that move. */
function effects(e: SwapEffect, u: Units): readonly string[] {
  const g: readonly (readonly [string, number, number])[] = [
    ['water', e.waterG, 1],
    ['fat', e.fatG, 0.5],
    ['sugar', e.sugarG, 0.5],
    ['salt', e.saltG, 0.1],
  ];
  return [
    ...g.filter(([, x, least]) => Math.abs(x) >= least).map(([name, x]) => `${name} ${signed(x, u)}`),
    ...(Math.abs(e.acidMeq) >= 0.5 ? [`acid ${e.acidMeq > 0 ? '+' : '−'}${meq(Math.abs(e.acidMeq))}`] : []),
    ...(e.allergensIn.length > 0 ? [`brings ${e.allergensIn.map(allergenName).join(', ')}`] : []),
    ...(e.allergensOut.length > 0 ? [`without ${e.allergensOut.map(allergenName).join(', ')}`] : []),
  ];
}

/** The sensible stand-ins for a line, each with what it changes. */
export function SwapDialog({
  line,
  onClose,
  onPick,
}: {
  readonly line: FormulaLine;
  readonly onClose: () => void;
  readonly onPick: (s: Swap) => void;
}) {
  const units = useUnits();
  const swaps = swapsFor(line);
  return (
    <Dialog
      open
      onOpen={(o) => !o && onClose()}
      wide
      title={`In place of ${line.ingredient ? kitchenName(line.ingredient).toLowerCase() : 'this'}`}
    >
      {swaps.length === 0 ? (
        <p>There is no usual swap for this line. Type another ingredient in its place.</p>
      ) : (
        <ul className="divide-y divide-line">
          {swaps.map((s) => (
            <li
              key={`${s.standIn.to} ${s.standIn.with?.id ?? ''}`}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2"
            >
              <div className="min-w-0 flex-1 basis-72">
                <p>
                  <strong>{s.name}</strong>, {s.amount}
                </p>
                <p className="text-[15px] text-soft">
                  {[s.standIn.says, ...effects(s.effect, units)].join('; ')}
                  {s.standIn.caution ? <strong className="text-ink">. {s.standIn.caution}</strong> : null}
                </p>
              </div>
              <Button onClick={() => onPick(s)} aria-label={`See it with ${s.name}`}>
                See it
              </Button>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-3 text-sm text-soft">
        The numbers are the swap alone, before the other amounts change too. They say nothing of who may safely eat it:
        ask, and keep to the local food code.
      </p>
    </Dialog>
  );
}
