import { morningRequest } from '@/contract/api';
import { morningCall } from '@/server/api/morning';
import { body, json } from '@/server/api/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, morningRequest);
  if (!b.ok) return b.response;
  const answer = await morningCall(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
