/** Sending something small to an address of ours that answers in JSON, or tells a problem with its places. */
import { z } from 'zod';

const problemSchema = z.object({
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).catch([]),
});

type Posted =
  | { readonly ok: true; readonly told: unknown }
  | { readonly ok: false; readonly detail: string; readonly fields: Readonly<Record<string, string>> };

const nobody = (detail: string): Posted => ({ ok: false, detail, fields: {} });

export async function postTo(path: string, body: object): Promise<Posted> {
  try {
    // told also where the page is left at this moment
    const answer = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      keepalive: true,
    });
    const told: unknown = await answer.json().catch(() => null);
    if (answer.ok) return { ok: true, told };
    const no = problemSchema.safeParse(told);
    return no.success
      ? {
          ok: false,
          detail: no.data.detail,
          fields: Object.fromEntries(no.data.errors.map((e) => [e.path, e.message])),
        }
      : nobody('The server does not answer as it should. Try it again.');
  } catch {
    return nobody('The server does not answer. Try it again.');
  }
}
