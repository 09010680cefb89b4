import { z } from 'zod';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { photoFile } from '@/server/queries/photos';

const sizeSchema = z.enum(['small', 'large', 'original']);

/** A copy of a photograph: it never changes, and is this browser's alone to keep. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ id: string; size: string }> },
): Promise<Response> {
  const { id, size } = await params;
  const of = sizeSchema.safeParse(size);
  if (!isUuid(id) || !of.success) return problem(404, 'There is no such photograph.');
  const r = await reach(() => photoFile(id, of.data));
  if (!r.up) return troubled(r.kind);
  if (!r.value) return problem(404, 'There is no such photograph.');
  return new Response(new Uint8Array(r.value), {
    headers: {
      'content-type': 'image/jpeg',
      'cache-control': 'private, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  });
}
