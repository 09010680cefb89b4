import { scaleActSchema } from '@/contract/instrument';
import { problem } from '@/server/api/problem';
import { readScale, touchScale } from '@/server/live/scale';
import { streamOf } from '@/server/live/stream';

export const dynamic = 'force-dynamic';

/** The practice scale's readings, as they come; nothing while it is unplugged. */
export const GET = (request: Request): Response => streamOf(request, readScale);

/** A hand at the practice scale: it pours, spills, tares, clears the plate, or pulls the plug. */
export async function POST(request: Request): Promise<Response> {
  const act = scaleActSchema.safeParse(await request.json().catch(() => null));
  if (!act.success) return problem(400, 'That is nothing a scale can be asked.');
  touchScale(act.data);
  return new Response(null, { status: 204 });
}
