import { read } from '@/server/api';
import { readRequest } from '@/server/api-schemas';
import { body, json } from '@/server/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, readRequest);
  if (!b.ok) return b.response;
  const answer = await read(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
