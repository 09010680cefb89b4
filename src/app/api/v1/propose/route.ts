import { proposeRequest } from '@/contract/api';
import { proposeCall } from '@/server/api/calls';
import { body, json } from '@/server/api/problem';

export async function POST(request: Request): Promise<Response> {
  const b = await body(request, proposeRequest);
  if (!b.ok) return b.response;
  const answer = await proposeCall(b.value);
  return answer.ok ? json(answer.value) : answer.response;
}
