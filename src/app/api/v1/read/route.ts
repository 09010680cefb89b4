import { readAsked, readRequest } from '@/contract/api';
import { wholeText } from '@/core/exchange/open-recipe';
import { read } from '@/server/api/calls';
import { askedFor, body, json, rawRecipe } from '@/server/api/problem';

/** A card as JSON; or a file of an open format as it is, by its content type. */
export async function POST(request: Request): Promise<Response> {
  const raw = await rawRecipe(request);
  if (raw) {
    if (!raw.ok) return raw.response;
    const text = wholeText(raw.value);
    const answer = await read({ text });
    return answer.ok ? json({ ...answer.value, title: raw.value.name ?? answer.value.title, text }) : answer.response;
  }
  const b = await body(request, readRequest);
  if (!b.ok) return b.response;
  const answer = await read(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}

/** The explanation of a line or a short card, to look at in a browser: /api/v1/read?text=2 cups flour */
export async function GET(request: Request): Promise<Response> {
  const q = askedFor(request, readAsked);
  if (!q.ok) return q.response;
  const answer = await read(q.value);
  return answer.ok ? json(answer.value) : answer.response;
}
