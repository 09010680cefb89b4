import { tapsOf } from '@/server/griddle';
import { isUuid } from '@/server/params';
import { reach } from '@/server/pool';
import { json, problem } from '@/server/problem';

export const dynamic = 'force-dynamic';

/** What was tapped of a batch so far, for a second screen that follows it. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such batch.');
  const r = await reach(() => tapsOf(id));
  return r.up ? json({ taps: r.value }) : problem(503, 'The records are out of reach just now.');
}
