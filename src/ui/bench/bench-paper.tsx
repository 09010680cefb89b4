import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import type { BenchSight } from '@/core/bench/sight';
import type { Formula } from '@/core/formula/formula';
import { RAIL_NAMES, sayRail } from '@/core/formula/kinds';
import { grams, percent, type Units } from '@/core/quantity/say';
import { TableHead } from '../kit/table-head';

/** Whether the page is being printed: what is for paper alone is drawn then and not before. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const to = (on: boolean) => () => flushSync(() => setPrinting(on));
    const [before, after] = [to(true), to(false)];
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printing;
}

/** The Bench on paper: what it is, its lines with their weights and shares, and its ratios. No control prints. */
export function BenchPaper({
  formula,
  version,
  sight,
  units,
}: {
  readonly formula: Formula;
  /** "version 3, changed since"; empty for one that is not saved. */
  readonly version: string;
  readonly sight: BenchSight;
  readonly units: Units;
}) {
  const { flourG, lines, rails, findings } = sight;
  return (
    <section aria-label="On paper" className="hidden print:block">
      <h1 className="text-[26px]">{formula.name || 'A formula without a name'}</h1>
      {version ? <p className="mb-3 text-soft">{version}</p> : null}
      <table className="w-full text-left">
        <caption className="sr-only">Lines</caption>
        <TableHead columns={['As written', { right: 'Weight' }, { right: 'Of flour' }]} />
        <tbody>
          {lines
            .filter((l) => !l.off)
            .map((l) => (
              <tr key={l.key} className="border-b border-line">
                <th scope="row" className="py-0.5 font-normal">
                  {l.text}
                </th>
                <td className="text-right">{l.grams === null ? '' : grams(l.grams, units)}</td>
                <td className="text-right">
                  {l.grams === null || l.use !== 'batter' || !(flourG > 0) ? '' : percent((100 * l.grams) / flourG)}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      <p className="mt-3">
        {rails
          .filter((r) => r.reading)
          .map((r) => `${RAIL_NAMES[r.rail]} ${sayRail(r.rail, r.tested)}`)
          .join(' · ')}
      </p>
      {findings.length > 0 ? (
        <ul className="mt-2 list-disc pl-5 text-[15px]">
          {findings.map((f) => (
            <li key={`${f.code} ${f.message}`}>{f.message}</li>
          ))}
        </ul>
      ) : null}
    </section>
  );
}
