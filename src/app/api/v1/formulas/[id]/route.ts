import { formatOfType } from '@/core/exchange/formats';
import { oneFormula } from '@/server/api/kitchen';
import { json } from '@/server/api/problem';
import { formulaAsked } from '@/server/api/version-asked';
import { TEXT_FORMATS, writtenAs } from '@/server/usecases/written';

/** A formula as JSON; or, by its `accept`, as a file of an open format. `?version=`, `?times=`, `?end=`. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const asked = await formulaAsked(request, (await params).id);
  if (!asked.ok) return asked.response;
  const { version, house, query, times } = asked.value;
  const types = (request.headers.get('accept') ?? '').split(',').map((t) => t.trim());
  const wanted = types.find((t) => t.startsWith('application/json') || formatOfType(t) !== null);
  const format =
    wanted === undefined || wanted.startsWith('application/json')
      ? null
      : TEXT_FORMATS.find((f) => f === formatOfType(wanted));
  if (!format) return json(oneFormula(version, house));
  const file = writtenAs(version, house, format, { end: query.get('end'), times });
  return new Response(file.body, { headers: { 'content-type': file.type, 'cache-control': 'no-store' } });
}
