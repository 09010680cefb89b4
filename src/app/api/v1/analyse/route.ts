import { analyseRequest } from '@/contract/api';
import { analyseCall } from '@/server/api/calls';
import { body, json } from '@/server/api/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, analyseRequest);
  if (!b.ok) return b.response;
  const answer = await analyseCall(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
