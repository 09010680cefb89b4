import Link from 'next/link';
import { type AccountLine, besideLines } from '@/core/batch/account';
import { allergensOf } from '@/core/formula/tally';

/** Who has to be told: everything on the sheet, pan and toppings too. */
export function Allergens({
  lines,
  notice,
}: {
  readonly lines: readonly AccountLine[] /** Where the notice to print is; null where there is none yet. */;
  readonly notice: string | null;
}) {
  const { held, unstated, unread } = allergensOf(lines);
  // a sauce that is left off the plate takes its allergens with it
  const beside = besideLines(lines).flatMap((s) => {
    const own = allergensOf(s.lines).held.map((h) => h.name);
    return own.length > 0 ? [`${s.name}: ${own.join(', ')}`] : [];
  });
  if (held.length === 0 && unstated.length === 0 && unread.length === 0) return null;
  return (
    <p className="text-sm text-soft">
      Holds {held.length > 0 ? held.map((h) => h.name).join(', ') : 'none of the allergens we list'}
      {unstated.length > 0 ? `; of ${unstated.join(', ')} nobody has stated them` : ''}
      {unread.length > 0 ? `; ${unread.length} ${unread.length === 1 ? 'line is' : 'lines are'} not read, and may hold more` : ''}.
      {beside.length > 0 ? ` Sauces and sides: ${beside.join('; ')}.` : ''} From the pantry’s table: check the packets, and mind what else touches the tools.{' '}
      {notice ? (
        <Link href={notice} className="font-semibold text-rim underline">
          A notice to print
        </Link>
      ) : null}
    </p>
  );
}
