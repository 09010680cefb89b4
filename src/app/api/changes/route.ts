import { onChange } from '@/server/live/changes';
import { streamWhen } from '@/server/live/stream';

export const dynamic = 'force-dynamic';

/** What changes in the records, as it changes; from the moment that the page was drawn, or the stream was cut. */
export function GET(request: Request): Response {
  const said = request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after');
  const after = Number(said ?? Number.NaN);
  return streamWhen(request, (tell) => onChange(tell, Number.isFinite(after) ? after : Date.now()));
}
