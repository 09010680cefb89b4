import { surfaceActSchema } from '@/contract/instrument';
import { problem } from '@/server/api/problem';
import { streamOf } from '@/server/live/stream';
import { readSurface, touchSurface } from '@/server/live/surface';

export const dynamic = 'force-dynamic';

/** What the practice probe shows, as it comes; nothing while it is unplugged. */
export const GET = (request: Request): Response => streamOf(request, readSurface);

/** A hand at the practice griddle: it turns the dial, pours, lets it cool, or pulls the plug of the probe. */
export async function POST(request: Request): Promise<Response> {
  const act = surfaceActSchema.safeParse(await request.json().catch(() => null));
  if (!act.success) return problem(400, 'That is nothing a griddle can be asked.');
  touchSurface(act.data);
  return new Response(null, { status: 204 });
}
