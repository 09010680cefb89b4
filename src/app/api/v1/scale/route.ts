import { scaleRequest } from '@/contract/api';
import { scaleCall } from '@/server/api/calls';
import { body, json } from '@/server/api/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, scaleRequest);
  if (!b.ok) return b.response;
  const answer = await scaleCall(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
