import { revalidatePath } from 'next/cache';
import { json, limitedBytes, problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { kitchenArchive, MOST_ARCHIVE_BYTES, readKitchenBack } from '@/server/usecases/kitchen-archive';

/** The whole kitchen as one file. */
export async function GET(): Promise<Response> {
  const r = await reach(kitchenArchive);
  if (!r.up) return troubled(r.kind);
  const day = new Date().toISOString().slice(0, 10);
  return new Response(new Uint8Array(r.value), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="even-crumb-kitchen-${day}.zip"`,
      'cache-control': 'no-store',
    },
  });
}

/** Such a file, read back into an empty kitchen. */
export async function POST(request: Request): Promise<Response> {
  const bytes = await limitedBytes(request, MOST_ARCHIVE_BYTES);
  if (bytes === null) return problem(413, `It is larger than any kitchen: at most ${MOST_ARCHIVE_BYTES / 1e6} MB.`);
  const r = await reach(() => readKitchenBack(bytes));
  if (!r.up) return troubled(r.kind);
  if (!r.value.ok) return problem(422, r.value.message);
  revalidatePath('/', 'layout');
  return json({ rows: r.value.rows });
}
