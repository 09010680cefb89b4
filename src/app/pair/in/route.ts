/** A device comes in: with a good code it gets the cookie that it is known by. */
import { wayIn } from '@/app/way-in';
import { pairSchema } from '@/contract/device';
import { body, json, problem } from '@/server/api/problem';
import { pairDevice } from '@/server/queries/devices';

export const dynamic = 'force-dynamic';

/** The cookie lasts as long as browsers let it, s. */
const LASTS_S = 400 * 86_400;

export async function POST(request: Request): Promise<Response> {
  if (wayIn(request.headers) === 'own') return problem(409, 'This is the server’s own screen: it needs no pairing.');
  const sent = await body(request, pairSchema);
  if (!sent.ok) return sent.response;
  const a = await pairDevice(sent.value);
  if (!a.ok)
    return problem(
      422,
      a.message,
      Object.entries(a.fields).map(([path, message]) => ({ path, message })),
    );
  const answer = json({ paired: true });
  answer.headers.append(
    'set-cookie',
    `__Host-device=${a.token}; Path=/; Max-Age=${LASTS_S}; Secure; HttpOnly; SameSite=Strict`,
  );
  return answer;
}
