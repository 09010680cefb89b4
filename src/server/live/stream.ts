/** What a server tells as it comes, to whoever listens (server-sent events). */
import { type HeardAt, placeText } from '@/contract/changes';

const EVERY_MS = 200;
/** So often a stream that tells nothing says that it is there, ms. */
const THERE_MS = 15_000;

/** @param begin tells through `send`. @returns what ends it when the reader has gone */
function stream(request: Request, begin: (send: (text: string) => void) => () => void): Response {
  const text = new TextEncoder();
  let over = (): void => {};
  const body = new ReadableStream<Uint8Array>({
    start(out) {
      const send = (said: string): void => {
        try {
          out.enqueue(text.encode(said));
        } catch {
          over();
        }
      };
      send('retry: 1000\n\n');
      over = begin(send);
      request.signal.addEventListener('abort', () => {
        over();
        try {
          out.close();
        } catch {
          // the reader has gone first
        }
      });
    },
    cancel: () => over(),
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' },
  });
}

const event = (x: object, id?: string): string =>
  `${id === undefined ? '' : `id: ${id}\n`}data: ${JSON.stringify(x)}\n\n`;

/** @param read what is shown now; null: nothing, and nothing is sent */
export const streamOf = (request: Request, read: () => object | null): Response =>
  stream(request, (send) => {
    const timer = setInterval(() => {
      const r = read();
      if (r) send(event(r));
    }, EVERY_MS);
    return () => clearInterval(timer);
  });

/** @param on hears of each thing to be told, with its place, by which who comes back says what it has. */
export const streamWhen = (
  request: Request,
  on: (tell: (x: { readonly at: HeardAt }) => void) => () => void,
): Response =>
  stream(request, (send) => {
    const off = on((x) => send(event(x, placeText(x.at))));
    const timer = setInterval(() => send(': here\n\n'), THERE_MS);
    return () => {
      off();
      clearInterval(timer);
    };
  });
