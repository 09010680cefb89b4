import { type Dating, sayWeekday } from '@/core/quantity/day';
import { Link } from '../kit/link';

/** Mornings that are over: each opens, and can be had again on another day. */
export const EarlierMornings = ({
  mornings,
  units,
}: {
  readonly mornings: readonly {
    readonly id: string;
    readonly day: string;
    readonly name: string;
    readonly covers: number;
  }[];
  readonly units: Dating;
}) => (
  <section aria-label="Earlier mornings" className="mb-4 max-w-2xl rounded-plate bg-white px-4 py-3">
    <h2 className="text-xl">Like an earlier one</h2>
    <ul className="divide-y divide-line">
      {mornings.map((m) => (
        <li key={m.id} className="flex flex-wrap items-center gap-x-3">
          <Link
            href={`/mornings/${m.id}`}
            className="inline-flex min-h-11 min-w-0 items-center font-semibold text-rim underline [overflow-wrap:anywhere]"
          >
            {m.name || 'A morning'}
          </Link>
          <span className="mr-auto text-soft">
            {sayWeekday(Date.parse(`${m.day}T12:00:00Z`), { ...units, zone: 'UTC' })}, {m.covers} covers
          </span>
          <Link
            href={`/mornings/new?like=${m.id}`}
            aria-label={`Copy ${m.name || 'the morning'} of ${m.day}`}
            className="inline-flex min-h-11 items-center px-2 font-semibold text-rim underline"
          >
            Copy it
          </Link>
        </li>
      ))}
    </ul>
  </section>
);
