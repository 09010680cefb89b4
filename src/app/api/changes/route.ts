import { placeIn } from '@/contract/changes';
import { onChange } from '@/server/live/changes';
import { streamWhen } from '@/server/live/stream';

export const dynamic = 'force-dynamic';

/** What changes in the records, as it changes; from where the page was drawn, or the stream was cut. */
export function GET(request: Request): Response {
  const said = request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('after');
  return streamWhen(request, (tell) => onChange(tell, placeIn(said ?? '')));
}
