/** Errors of the JSON interface as problem details (RFC 9457), and reading a body that may be anything. */
import type { z } from 'zod';
import { clean } from '@/contract/clean';

export interface FieldError {
  readonly path: string;
  readonly message: string;
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'The request could not be read',
  404: 'Not found',
  405: 'Method not allowed',
  409: 'A newer version exists',
  413: 'The request is too large',
  415: 'Send JSON',
  422: 'The formula cannot be worked',
  503: 'The database is away',
};

/** A problem-details answer. `type` says where the kind of problem is described: in the OpenAPI document. */
export function problem(status: number, detail: string, errors: readonly FieldError[] = [], more: Readonly<Record<string, unknown>> = {}): Response {
  const body = { type: `/api/v1/openapi.json#problem-${status}`, title: TITLES[status] ?? 'Error', status, detail, errors, ...more };
  const headers: Record<string, string> = { 'content-type': 'application/problem+json', 'cache-control': 'no-store' };
  if (status === 503) headers['retry-after'] = '5';
  return new Response(JSON.stringify(body), { status, headers });
}

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } });

const MOST_BODY_BYTES = 1_048_576;

type Body<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

async function limitedText(request: Request): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BODY_BYTES) return null;
  const reader = request.body?.getReader();
  if (!reader) return '';
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > MOST_BODY_BYTES) {
      await reader.cancel();
      return null;
    }
    parts.push(value);
  }
  return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(parts));
}

/**
 * Reads and checks a JSON body.
 * @returns the value, or the answer to give: 415 for another type, 413 over 1 MB, 400 for no JSON or a wrong shape
 */
export async function body<S extends z.ZodType>(request: Request, schema: S): Promise<Body<z.output<S>>> {
  const no = (response: Response): Body<never> => ({ ok: false, response });
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/(?:[\w.-]+\+)?json\b/i.test(type)) return no(problem(415, `Send application/json, not ${type || 'a body without a type'}.`));
  let text: string | null;
  try {
    text = await limitedText(request);
  } catch {
    return no(problem(400, 'The body is not UTF-8 text.'));
  }
  if (text === null) return no(problem(413, 'A body has at most 1 MB.'));
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (e) {
    return no(problem(400, `The body is not JSON: ${e instanceof Error ? e.message.slice(0, 120) : 'it cannot be parsed'}.`));
  }
  return checked(schema, data);
}

/** Reads and checks what a GET asks in its address, each value as text. */
export const asked = <S extends z.ZodType>(request: Request, schema: S): Body<z.output<S>> =>
  checked(schema, Object.fromEntries(new URL(request.url).searchParams));

function checked<S extends z.ZodType>(schema: S, data: unknown): Body<z.output<S>> {
  const no = (response: Response): Body<never> => ({ ok: false, response });
  const checked = schema.safeParse(clean(data));
  if (!checked.success) {
    const errors = checked.error.issues.slice(0, 50).map((i) => ({ path: i.path.map(String).join('.'), message: i.message }));
    const first = errors[0];
    return no(problem(400, first ? `${first.path || 'body'}: ${first.message}` : 'The body does not fit its schema.', errors));
  }
  return { ok: true, value: checked.data };
}
