import { isUuid } from '@/server/api/params';
import { json, problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { eventLogOf } from '@/server/queries/event-log';

export const dynamic = 'force-dynamic';

/** What has been told of a batch so far, for a screen that follows it. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such batch.');
  const r = await reach(() => eventLogOf(id));
  if (!r.up) return troubled(r.kind);
  return r.value ? json({ ...r.value }) : problem(404, 'There is no such batch.');
}
