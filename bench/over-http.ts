/** Acts asked over HTTP, as a browser's outbox sends them. */
import type { ActName } from '../src/contract/acts';

/** Nobody answered, or the records are away: the same may be asked again. */
export class Later extends Error {}

/** @param url of the running app */
export const actsOver =
  (url: string) =>
  async <T extends object>(name: ActName, input: unknown): Promise<{ readonly ok: true } & T> => {
    const r = await fetch(`${url}/acts`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: url },
      body: JSON.stringify({ name, input, agoMs: 0 }),
    }).catch(() => {
      throw new Later();
    });
    const text = await r.text().catch(() => {
      throw new Later();
    });
    if (r.status >= 500) throw new Later();
    if (!r.ok) throw new Error(`${name}: ${r.status} ${text.slice(0, 200)}`);
    const answer = JSON.parse(text) as
      | ({ readonly ok: true } & T)
      | { readonly ok: false; readonly kind: string; readonly message: string };
    if (answer.ok) return answer;
    if (answer.kind === 'away') throw new Later();
    throw new Error(`${name}: ${answer.message}`);
  };
