import { cleanText } from '@/contract/clean';
import { recallCsv } from '@/core/premix/recall';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { fileNamed } from '@/server/print/file-named';
import { loadHouse } from '@/server/queries/house';
import { recalled } from '@/server/usecases/premix-lots';

/** What a lot leads to, as a table: `?code=` as it stands on the packet. */
export async function GET(request: Request): Promise<Response> {
  const code = cleanText(new URL(request.url).searchParams.get('code') ?? '')
    .trim()
    .slice(0, 40);
  if (code === '') return problem(400, 'Say which lot: ?code=');
  const r = await reach(async () => ({ house: await loadHouse(), found: await recalled(code) }));
  if (!r.up) return troubled(r.kind);
  return new Response(recallCsv(code, r.value.found.lots, r.value.found.batches, r.value.house.units), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; ${fileNamed(`lot ${code}`, 'csv')}`,
      'cache-control': 'no-store',
    },
  });
}
