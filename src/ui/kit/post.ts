/** Sending something small to an address of ours that answers in JSON, or tells a problem with its places. */
type Posted =
  | { readonly ok: true; readonly told: unknown }
  | { readonly ok: false; readonly detail: string; readonly fields: Readonly<Record<string, string>> };

const nobody = (detail: string): Posted => ({ ok: false, detail, fields: {} });

/** What is told where the answer is none of ours. */
const ASTRAY = 'The server does not answer as it should. Try it again.';

/** A text of an answer by its name, or null: hand-written, for every page loads this and none needs more. */
export const textIn = (told: unknown, name: string): string | null => {
  const bag: unknown = typeof told === 'object' && told !== null ? Reflect.get(told, name) : null;
  return typeof bag === 'string' ? bag : null;
};

const fieldsOf = (told: unknown): Readonly<Record<string, string>> => {
  const errors: unknown = typeof told === 'object' && told !== null ? Reflect.get(told, 'errors') : null;
  return Object.fromEntries(
    (Array.isArray(errors) ? errors : []).flatMap((e: unknown) => {
      const [path, message] = [textIn(e, 'path'), textIn(e, 'message')];
      return path === null || message === null ? [] : [[path, message]];
    }),
  );
};

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
    const detail = textIn(told, 'detail');
    return detail === null ? nobody(ASTRAY) : { ok: false, detail, fields: fieldsOf(told) };
  } catch {
    return nobody('The server does not answer. Try it again.');
  }
}
