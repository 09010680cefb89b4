import { problem } from '@/server/api/problem';
import { formulaAsked } from '@/server/api/version-asked';
import { formulaCard } from '@/server/print/formula-card';
import { asPdf } from '@/server/print/paper';

/** A formula as a card to keep: `?as=index` for two index cards, else one page; `times` as large. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const asked = await formulaAsked(request, (await params).id);
  if (!asked.ok) return asked.response;
  const { version, house, query, times } = asked.value;
  const card = formulaCard(version, house, { end: query.get('end'), times, index: query.get('as') === 'index' });
  return card.ok ? asPdf(card.value.paper, card.value.name) : problem(422, card.error);
}
