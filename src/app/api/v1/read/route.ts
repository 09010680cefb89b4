import { readRequest } from '@/contract/api';
import { read } from '@/server/api/calls';
import { body, json } from '@/server/api/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, readRequest);
  if (!b.ok) return b.response;
  const answer = await read(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
