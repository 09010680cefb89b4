/** Acts asked over HTTP, as a browser's outbox sends them. */
import type { ActName } from '../src/contract/acts';

/** Nobody answered, or the records are away: the same may be asked again. */
export class Later extends Error {}

async function asked(what: string, url: string, init: RequestInit): Promise<string> {
  const r = await fetch(url, { method: 'POST', ...init }).catch(() => {
    throw new Later();
  });
  const text = await r.text().catch(() => {
    throw new Later();
  });
  if (r.status >= 500) throw new Later();
  if (!r.ok) throw new Error(`${what}: ${r.status} ${text.slice(0, 200)}`);
  return text;
}

/** Sends a photograph of a batch. @returns its id */
export async function photoOver(url: string, bytes: Uint8Array, batch: string, request: string): Promise<string> {
  const of = new URLSearchParams({ batch, request, shows: 'face' });
  const headers = { 'content-type': 'image/png', origin: url };
  const text = await asked('keep-photo', `${url}/photos?${of}`, { headers, body: Buffer.from(bytes) });
  return (JSON.parse(text) as { readonly id: string }).id;
}

/** @param url of the running app */
export const actsOver =
  (url: string) =>
  async <T extends object>(name: ActName, input: unknown): Promise<{ readonly ok: true } & T> => {
    const text = await asked(name, `${url}/acts`, {
      headers: { 'content-type': 'application/json', origin: url },
      body: JSON.stringify({ name, input, agoMs: 0 }),
    });
    const answer = JSON.parse(text) as
      | ({ readonly ok: true } & T)
      | { readonly ok: false; readonly kind: string; readonly message: string };
    if (answer.ok) return answer;
    if (answer.kind === 'away') throw new Later();
    throw new Error(`${name}: ${answer.message}`);
  };
