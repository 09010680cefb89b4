import { revalidatePath } from 'next/cache';
import { doneAs, senderOf, senderOfAct } from '@/app/way-in';
import { sentAsSchema } from '@/contract/device';
import { photoAskedSchema } from '@/contract/photo';
import { MOST_PHOTO_BYTES } from '@/core/judge/photographs';
import { json, limitedBytes, problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { keepPhoto } from '@/server/queries/photos';
import { copiesOf } from '@/server/usecases/photo-copies';

/** A photograph as it comes from a camera or a file, onto an outcome or a target. */
export async function POST(request: Request): Promise<Response> {
  const params = Object.fromEntries(new URL(request.url).searchParams);
  const asked = photoAskedSchema.safeParse(params);
  if (!asked.success) return problem(400, asked.error.issues[0]?.message ?? 'It is not said what it is of.');
  if (!/^(?:image\/|application\/octet-stream)/i.test(request.headers.get('content-type') ?? ''))
    return problem(415, 'Send a photograph: JPEG, PNG, WebP or AVIF.');
  const bytes = await limitedBytes(request, MOST_PHOTO_BYTES);
  if (bytes === null)
    return problem(413, `It is larger than a photograph is taken: at most ${MOST_PHOTO_BYTES / 1e6} MB.`);
  const copies = await copiesOf(bytes, asked.data.original === '1');
  if (!copies.ok) return problem(422, copies.says);
  const as = sentAsSchema.safeParse(params);
  if (!as.success) return problem(400, 'It is not said who has taken it.');
  const r = await reach(async () => {
    const { session, device, agoMs } = as.data;
    const sent = await senderOfAct(senderOf(request.headers), session, device, [agoMs]);
    return sent.ok ? doneAs(sent.who, 'keep-photo', () => keepPhoto(asked.data, copies.value)) : sent;
  });
  if (!r.up) return troubled(r.kind);
  // on a screen that waits for a PIN it waits too
  if (!r.value.ok) return r.value.kind === 'away' ? troubled('away') : problem(422, r.value.message);
  revalidatePath('/', 'layout');
  return json({ id: r.value.id });
}
