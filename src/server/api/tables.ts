import { reach } from '../db/pool';
import { type TableOut, tableOut } from '../usecases/tables-out';
import { problem, troubled } from './problem';

/** One of some tables as a file to keep, as the address asks: `?what=`. */
export async function tableAsked(request: Request, tables: readonly TableOut[]): Promise<Response> {
  const what = tables.find((t) => t === new URL(request.url).searchParams.get('what'));
  const which = `One of ${tables.join(', ')}.`;
  if (!what) return problem(400, `what: ${which}`, [{ path: 'what', message: which }]);
  const r = await reach(() => tableOut(what));
  if (!r.up) return troubled(r.kind);
  // with a mark that sheet programs know the letters by
  return new Response(`\uFEFF${r.value}`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="even-crumb-${what}.csv"`,
      'cache-control': 'no-store',
    },
  });
}
