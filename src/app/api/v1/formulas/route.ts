import { newFormulaRequest } from '@/contract/api';
import { keepRecipe, listFormulas, requestIdOf } from '@/server/api/kitchen';
import { body, problem, rawRecipe } from '@/server/api/problem';
import { inReader } from '@/server/reading/reader';

/** `?find=` words, `?after=` the next page. */
export const GET = (request: Request): Promise<Response> => listFormulas(new URL(request.url).searchParams);

/** A new formula: JSON with its text, or a file of an open format as it is. */
export async function POST(request: Request): Promise<Response> {
  const requestId = requestIdOf(request);
  if (requestId === false)
    return problem(400, 'Idempotency-Key: a UUID.', [{ path: 'Idempotency-Key', message: 'A UUID.' }]);
  const raw = await rawRecipe(request);
  if (raw) return raw.ok ? keepRecipe(raw.value, {}, requestId) : raw.response;
  const b = await body(request, newFormulaRequest);
  if (!b.ok) return b.response;
  const { text, ...asked } = b.value;
  const read = await inReader('recipes', 'text', text);
  return read.ok && read.value[0]
    ? keepRecipe(read.value[0], asked, requestId)
    : problem(422, read.ok ? 'There is nothing in it.' : read.error.message);
}
