import type { AllergenBoard as Board } from '@/core/morning/papers';
import { capital } from '@/core/quantity/say';
import { TableHead } from '../kit/table-head';
import { Wide } from '../kit/wide';

/** What each dish of a morning holds, on one sheet for whoever serves. */
export const AllergenBoardView = ({ board }: { readonly board: Board }) => (
  <Wide label="Allergens by dish" plate={false}>
    <table aria-label="Allergens by dish" className="w-full">
      <TableHead columns={['Dish', ...board.names.map((n) => capital(n)), 'Not known']} />
      <tbody>
        {board.rows.map((r) => (
          <tr key={r.dish} className="border-b border-line align-top last:border-b-0">
            <th scope="row" className="min-w-36 py-2 pr-3 text-left text-lg">
              {r.dish}
            </th>
            {board.names.map((n) => {
              const from = r.holds.get(n);
              return (
                <td key={n} className="py-2 pr-3">
                  {from ? (
                    <>
                      <strong className="uppercase">Holds</strong>
                      <span className="block text-sm text-soft">{from.join(', ').toLowerCase()}</span>
                    </>
                  ) : (
                    <span className="text-soft">not in the table</span>
                  )}
                </td>
              );
            })}
            <td className="py-2 text-sm">{r.unknown.length > 0 ? r.unknown.join(', ') : '–'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </Wide>
);
