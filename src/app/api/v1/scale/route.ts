import { scaleCall } from '@/server/api';
import { scaleRequest } from '@/server/api-schemas';
import { body, json } from '@/server/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, scaleRequest);
  if (!b.ok) return b.response;
  const answer = await scaleCall(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
