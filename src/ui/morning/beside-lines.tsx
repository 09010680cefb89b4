import { goesOnScale, type SheetLine } from '@/core/batch/sheet-line';
import type { SauceFor } from '@/core/morning/papers';
import { counted, grams } from '@/core/quantity/say';
import { TableHead } from '../kit/table-head';

/** What a sauce is made of for all who get it, on paper. */
export const BesideLines = ({ of, lines }: { readonly of: SauceFor; readonly lines: readonly SheetLine[] }) => (
  <section aria-label={of.side.name} className="mt-4 break-inside-avoid">
    <h3 className="text-lg">
      {of.side.name}, {grams(of.side.servingG * of.people)} for {counted(of.people, 'covers')}
    </h3>
    <table aria-label={`What goes into ${of.side.name}`} className="w-full max-w-md tabular-nums">
      <TableHead columns={['What', { right: 'Weighs' }]} />
      <tbody>
        {lines.map((l) => (
          <tr key={l.key} className="border-b border-line last:border-b-0">
            <th scope="row" className="py-1 pr-3 text-left font-normal">
              {l.name}
            </th>
            <td className="py-1 text-right whitespace-nowrap">
              {l.grams === null ? '' : grams(l.grams)}
              {l.measure && !goesOnScale(l) ? <span className="text-soft"> {l.measure}</span> : null}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
    {of.side.method === '' ? null : <p className="mt-1 whitespace-pre-line text-soft">{of.side.method}</p>}
  </section>
);
