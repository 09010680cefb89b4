/** Nobody has signed on this device any more; or who has signs again before anything is done. */
import { z } from 'zod';
import { senderOf } from '@/app/way-in';
import { body, json, problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { lockScreen, noteDone, signOff } from '@/server/queries/sign-in';

export const dynamic = 'force-dynamic';

const outSchema = z.object({ lock: z.boolean() });

export async function POST(request: Request): Promise<Response> {
  const { device, person } = senderOf(request.headers);
  if (!device) return problem(409, 'This is the server’s own screen: nobody signs here.');
  const sent = await body(request, outSchema);
  if (!sent.ok) return sent.response;
  const { lock } = sent.value;
  const r = await reach(async () => {
    await (lock ? lockScreen(device) : signOff(device));
    await noteDone(lock ? 'lock' : 'sign-off', 'done', { device, person });
  });
  if (!r.up) return troubled(r.kind);
  return json({ out: true });
}
