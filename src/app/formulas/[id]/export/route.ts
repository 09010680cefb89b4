import { problem } from '@/server/api/problem';
import { formulaAsked } from '@/server/api/version-asked';
import { fileNamed } from '@/server/print/file-named';
import { TEXT_FORMATS, writtenAs } from '@/server/usecases/written';

/**
 * A version of a formula as a file: `?format=text|markdown|jsonld|csv|pdf`, `version`, `times` as large, `end` of two.
 */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const asked = await formulaAsked(request, (await params).id);
  if (!asked.ok) return asked.response;
  const { version, house, query, times } = asked.value;
  const end = query.get('end');
  if (query.get('format') === 'pdf') {
    // drawn by a package that only this needs
    const [{ formulaCard }, { asPdf }] = await Promise.all([
      import('@/server/print/formula-card'),
      import('@/server/print/paper'),
    ]);
    const card = formulaCard(version, house, { end, times, index: false });
    return card.ok ? asPdf(card.value.paper, card.value.name) : problem(422, card.error);
  }
  const format = TEXT_FORMATS.find((f) => f === query.get('format'));
  const which = `One of ${TEXT_FORMATS.join(', ')}, pdf.`;
  if (!format) return problem(400, `format: ${which}`, [{ path: 'format', message: which }]);
  const file = writtenAs(version, house, format, { end, times });
  return new Response(file.body, {
    headers: {
      'content-type': file.type,
      'content-disposition': `attachment; ${fileNamed(file.name, file.ending)}`,
      'cache-control': 'no-store',
    },
  });
}
