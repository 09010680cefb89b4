import { writePantry } from '@/core/exchange/pantry-csv';
import { PANTRY } from '@/core/pantry/pantry';
import { troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { ownThings, stockNoted } from '@/server/queries/pantry';

/** The pantry as a file of comma-separated values. */
export async function GET(): Promise<Response> {
  const r = await reach(() => Promise.all([ownThings(), stockNoted()]));
  if (!r.up) return troubled(r.kind);
  const [own, stock] = r.value;
  return new Response(`\uFEFF${writePantry({ shipped: PANTRY, own }, stock)}`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="even-crumb-pantry.csv"',
      'cache-control': 'no-store',
    },
  });
}
