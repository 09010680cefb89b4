import type { AccountLine } from '@/core/facts/account';
import { allergensOf } from '@/core/formula/tally';
import type { Allergen } from '@/core/pantry/ingredient';
import { localDay, localTime } from '@/core/quantity/day';
import type { Units } from '@/core/quantity/say';
import { Link } from '../kit/link';

/** What guests often do without, as a sentence says it. */
const OFTEN: readonly (readonly [words: string, of: readonly Allergen[]])[] = [
  ['milk', ['milk']],
  ['egg', ['egg']],
  ['gluten', ['gluten', 'wheat']],
  ['nuts', ['tree-nut', 'peanut']],
  ['soy', ['soy']],
];

/** Ways to a bowl of its own for a guest who does without something that the batch holds: as a sentence begins it. */
export function GuestBowl({
  formulaId,
  lines,
  many,
  each,
  servingAt,
  units,
}: {
  readonly formulaId: string;
  readonly lines: readonly AccountLine[];
  /** "30 people", "24 griddle cakes"; null: nobody has said how many. */
  readonly many: string | null;
  /** Pieces for each, where people are counted. */
  readonly each: number | null;
  readonly servingAt: number | null;
  readonly units: Units;
}) {
  const { held } = allergensOf(lines);
  const offers = OFTEN.filter(([, of]) => held.some((h) => of.includes(h.allergen)));
  if (offers.length === 0) return null;
  const to = (without: string): string =>
    `/begin?${new URLSearchParams({
      say: `${many === null ? '' : `${many}, `}one without ${without}`,
      of: formulaId,
      ...(each !== null && { each: String(each) }),
      ...(servingAt === null
        ? { when: 'later' }
        : { day: localDay(servingAt, units), time: localTime(servingAt, units) }),
    })}`;
  return (
    <p className="flex flex-wrap items-center gap-x-4">
      A bowl of its own for a guest without
      {offers.map(([words]) => (
        <Link
          key={words}
          href={to(words)}
          className="inline-flex min-h-11 items-center font-semibold text-rim underline"
          aria-label={`A bowl for a guest without ${words}`}
        >
          {words}
        </Link>
      ))}
    </p>
  );
}
