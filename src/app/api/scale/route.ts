import { problem } from '@/server/problem';
import { readScale, touchScale } from '@/server/scale';
import { scaleActSchema } from '@/server/schemas';

export const dynamic = 'force-dynamic';

const EVERY_MS = 200;

/** The practice scale's readings, as they come; nothing while it is unplugged. */
export function GET(request: Request): Response {
  const text = new TextEncoder();
  let timer: ReturnType<typeof setInterval> | undefined;
  const body = new ReadableStream<Uint8Array>({
    start(out) {
      const end = (): void => {
        clearInterval(timer);
        try {
          out.close();
        } catch {
          // the reader has gone first
        }
      };
      out.enqueue(text.encode('retry: 1000\n\n'));
      timer = setInterval(() => {
        const r = readScale();
        if (r) out.enqueue(text.encode(`data: ${JSON.stringify(r)}\n\n`));
      }, EVERY_MS);
      request.signal.addEventListener('abort', end);
    },
    cancel: () => clearInterval(timer),
  });
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' } });
}

/** A hand at the practice scale: it pours, spills, tares, clears the plate, or pulls the plug. */
export async function POST(request: Request): Promise<Response> {
  const act = scaleActSchema.safeParse(await request.json().catch(() => null));
  if (!act.success) return problem(400, 'That is nothing a scale can be asked.');
  touchScale(act.data);
  return new Response(null, { status: 204 });
}
