/** Readings as they come, to whoever listens (server-sent events). */
const EVERY_MS = 200;

/** @param read what is shown now; null: nothing, and nothing is sent */
export function streamOf(request: Request, read: () => object | null): Response {
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
        const r = read();
        if (r) out.enqueue(text.encode(`data: ${JSON.stringify(r)}\n\n`));
      }, EVERY_MS);
      request.signal.addEventListener('abort', end);
    },
    cancel: () => clearInterval(timer),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' },
  });
}
