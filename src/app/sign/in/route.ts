/** A person signs on a paired device: with the right PIN it gets the cookie that they are known by there. */
import { senderOf } from '@/app/way-in';
import { signSchema } from '@/contract/device';
import { body, json, problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { noteDone, signIn } from '@/server/queries/sign-in';

export const dynamic = 'force-dynamic';

export async function POST(request: Request): Promise<Response> {
  const { device } = senderOf(request.headers);
  if (!device) return problem(409, 'This is the server’s own screen: nobody signs here.');
  const sent = await body(request, signSchema);
  if (!sent.ok) return sent.response;
  const { person, pin } = sent.value;
  const r = await reach(async () => {
    const a = await signIn(device, person, pin);
    await noteDone('sign-in', a.ok ? 'done' : a.kind, { device, person });
    return a;
  });
  if (!r.up) return troubled(r.kind);
  const a = r.value;
  if (!a.ok)
    return problem(
      422,
      a.message,
      Object.entries(a.fields).map(([path, message]) => ({ path, message })),
    );
  const answer = json({ session: a.session });
  // no longer than the browser is open
  answer.headers.append('set-cookie', `__Host-signed=${a.token}; Path=/; Secure; HttpOnly; SameSite=Strict`);
  return answer;
}
