import { readAsked, readRequest } from '@/contract/api';
import { read } from '@/server/api/calls';
import { asked, body, json } from '@/server/api/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, readRequest);
  if (!b.ok) return b.response;
  const answer = await read(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}

/** The explanation of a line or a short card, to look at in a browser: /api/v1/read?text=2 cups flour */
export async function GET(request: Request): Promise<Response> {
  const q = asked(request, readAsked);
  if (!q.ok) return q.response;
  const answer = await read(q.value);
  return answer.ok ? json(answer.value) : answer.response;
}
