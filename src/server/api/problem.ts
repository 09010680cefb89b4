/** Errors of the JSON interface as problem details (RFC 9457), and reading a body that may be anything. */
import type { z } from 'zod';
import { clean } from '@/contract/clean';
import { TROUBLE_WORDS, type TroubleKind } from '@/contract/trouble';
import { formatOfType } from '@/core/exchange/formats';
import type { OpenRecipe } from '@/core/exchange/open-recipe';
import { wordsInFile } from '@/core/exchange/read-file';
import { inReader } from '../reading/reader';

interface ProblemField {
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
  422: 'What was sent cannot be worked',
  503: 'The database is away',
  507: 'The disk is full',
};

/** A problem-details answer. `type` says where the kind of problem is described: in the OpenAPI document. */
export function problem(
  status: number,
  detail: string,
  errors: readonly ProblemField[] = [],
  more: Readonly<Record<string, unknown>> = {},
): Response {
  const body = {
    type: `/api/v1/openapi.json#problem-${status}`,
    title: TITLES[status] ?? 'Error',
    status,
    detail,
    errors,
    ...more,
  };
  const headers: Record<string, string> = { 'content-type': 'application/problem+json', 'cache-control': 'no-store' };
  if (status === 503) headers['retry-after'] = '5';
  return new Response(JSON.stringify(body), { status, headers });
}

const TROUBLE_STATUS: Readonly<Record<TroubleKind, number>> = { away: 503, slow: 503, full: 507, unkeepable: 422 };

/**
 * The answer where the records are in trouble: the kind, told as forms and pages tell it, without what only a form can
 * promise.
 */
export const troubled = (kind: TroubleKind): Response =>
  problem(TROUBLE_STATUS[kind], TROUBLE_WORDS[kind].split(/ (?=What you typed)/)[0] ?? '');

export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), {
    status,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
  });

const MOST_BODY_BYTES = 1_048_576;

type Body<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

/** The bytes of a body; null where there are more than are taken. */
export async function limitedBytes(request: Request, most: number): Promise<Uint8Array | null> {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null;
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      return null;
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

async function limitedText(request: Request): Promise<string | null> {
  const bytes = await limitedBytes(request, MOST_BODY_BYTES);
  return bytes === null ? null : new TextDecoder('utf-8', { fatal: true }).decode(bytes);
}

/** A page saved from a browser may be larger than any other body. */
const MOST_PAGE_BYTES = 10_000_000;

/**
 * A file sent as it is, by its content type.
 * @returns null where the type is none of the open formats; else its recipe: the only one, or the one that `?recipe=`
 * names by its number; or the answer to give: 413, 400 for what is no text, 422 for what holds no recipe or several
 */
export async function rawRecipe(request: Request): Promise<Body<OpenRecipe> | null> {
  const type = request.headers.get('content-type') ?? '';
  const format = /^application\/json\b/i.test(type) ? null : formatOfType(type);
  if (format === null) return null;
  const no = (response: Response): Body<never> => ({ ok: false, response });
  const most = format === 'html' ? MOST_PAGE_BYTES : MOST_BODY_BYTES;
  const bytes = await limitedBytes(request, most);
  if (bytes === null)
    return no(problem(413, `A body of this type has at most ${most === MOST_PAGE_BYTES ? '10 MB' : '1 MB'}.`));
  const words = wordsInFile(bytes);
  if (words === null) return no(problem(400, 'The body is no text.'));
  const found = await inReader('recipes', format, words);
  if (!found.ok) return no(problem(422, found.error.message));
  const which = new URL(request.url).searchParams.get('recipe');
  const n = which === null ? 1 : Number(which);
  const one = found.value[n - 1];
  if (which === null && found.value.length > 1) {
    const recipes = found.value.map((r, k) => ({ recipe: k + 1, name: r.name }));
    return no(
      problem(
        422,
        `There are ${found.value.length} recipes in it. Which? Ask again with ?recipe= and its number.`,
        [],
        { recipes },
      ),
    );
  }
  return one
    ? { ok: true, value: one }
    : no(
        problem(400, `recipe: a number from 1 to ${found.value.length}.`, [
          { path: 'recipe', message: 'There is no such recipe in it.' },
        ]),
      );
}

/**
 * Reads and checks a JSON body.
 * @returns the value, or the answer to give: 415 for another type, 413 over 1 MB, 400 for no JSON or a wrong shape
 */
export async function body<S extends z.ZodType>(request: Request, schema: S): Promise<Body<z.output<S>>> {
  const no = (response: Response): Body<never> => ({ ok: false, response });
  const type = request.headers.get('content-type') ?? '';
  if (!/^application\/(?!ld\+)(?:[\w.-]+\+)?json\b/i.test(type))
    return no(problem(415, `Send application/json, not ${type || 'a body without a type'}.`));
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
    return no(
      problem(400, `The body is not JSON: ${e instanceof Error ? e.message.slice(0, 120) : 'it cannot be parsed'}.`),
    );
  }
  return checked(schema, data);
}

/** Reads and checks what a GET asks in its address, each value as text. */
export const askedFor = <S extends z.ZodType>(request: Request, schema: S): Body<z.output<S>> =>
  checked(schema, Object.fromEntries(new URL(request.url).searchParams));

function checked<S extends z.ZodType>(schema: S, data: unknown): Body<z.output<S>> {
  const no = (response: Response): Body<never> => ({ ok: false, response });
  const checked = schema.safeParse(clean(data));
  if (!checked.success) {
    const errors = checked.error.issues
      .slice(0, 50)
      .map((i) => ({ path: i.path.map(String).join('.'), message: i.message }));
    const first = errors[0];
    return no(
      problem(400, first ? `${first.path || 'body'}: ${first.message}` : 'The body does not fit its schema.', errors),
    );
  }
  return { ok: true, value: checked.data };
}
