'use client';
import { useDeferredValue, useMemo } from 'react';
import type { Bench } from '@/core/balance/bench';
import { fillsSideBySide } from '@/core/balance/fills';
import { heard } from '@/core/findings/finding';
import { RAIL_NAMES, railOf, sayRail } from '@/core/formula/kinds';
import { CONVENTION_NAMES } from '@/core/pantry/conventions';
import { grams } from '@/core/quantity/say';
import { TableHead } from '../kit/table-head';

const SHOWN = ['water', 'egg', 'fat', 'lift'] as const;

/** The same card by every way of filling a cup: how far apart the ways are, and what each makes of the balance. */
export function FillsView({ bench }: { readonly bench: Bench }) {
  const at = useDeferredValue(bench);
  const fills = useMemo(() => fillsSideBySide(at), [at]);
  if (fills.length === 0) return <p className="text-soft">No amount here rests on how a cup is filled.</p>;
  const { units } = bench.house;
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-[15px]">
        <TableHead
          light
          columns={[
            'the cup is',
            { right: 'flour' },
            { right: 'to liquid' },
            ...SHOWN.map((r) => ({ right: RAIL_NAMES[r].toLowerCase() })),
          ]}
        />
        <tbody>
          {fills.map(({ fill, now, worked, liquidToFlour }) => {
            const [top] = heard(worked.analysis, bench.formula).open;
            return (
              <tr key={fill} className={`border-t border-line text-right ${now ? 'bg-butter/45' : ''}`}>
                <th scope="row" className="py-1 pl-1 text-left font-semibold">
                  {CONVENTION_NAMES.flourFill[fill]}
                  {now ? <span className="font-normal"> (now)</span> : null}
                  <span className="block text-[13px] font-normal text-soft">
                    {worked.analysis.thickness?.pour ?? ''}
                    {top ? `; ${top.code.replaceAll('-', ' ')}` : '; nothing out of line'}
                  </span>
                </th>
                <td className="whitespace-nowrap">{grams(worked.analysis.tally.flourG, units)}</td>
                <td className="px-2 font-semibold whitespace-nowrap">
                  {liquidToFlour === null ? '' : `1 : ${liquidToFlour.toFixed(2)}`}
                </td>
                {SHOWN.map((r) => {
                  const reading = railOf(worked.analysis, r);
                  return (
                    <td key={r} className="px-1 whitespace-nowrap">
                      {reading ? sayRail(r, reading.tested) : ''}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">
        One card in different hands: this is why it comes out differently elsewhere. Table weights, each good to 6 to 12
        %; weigh your own cup under Pantry, My measures.
      </p>
    </div>
  );
}
