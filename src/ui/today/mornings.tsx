import { ArrowRight } from 'lucide-react';
import { type Dating, sayWeekday } from '@/core/quantity/day';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';

interface MorningRow {
  readonly id: string;
  readonly day: string;
  readonly name: string;
  /** In all its waves. */
  readonly covers: number;
  readonly waves: number;
  readonly dishes: number;
}

const some = (n: number, one: string, more: string): string => `${n} ${n === 1 ? one : more}`;

/** Mornings that are planned, the next in front. */
export const Mornings = ({ mornings, units }: { readonly mornings: readonly MorningRow[]; readonly units: Dating }) => (
  <section aria-labelledby="mornings" className="mb-6">
    <h2 id="mornings" className="mb-2 text-2xl">
      Mornings
    </h2>
    <ul className="grid gap-2 lg:grid-cols-2">
      {mornings.map((m) => (
        <li key={m.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-plate bg-white px-4 py-3">
          <div className="min-w-48 flex-1">
            <h3 className="truncate text-xl">{m.name || 'A morning'}</h3>
            <p className="text-sm text-soft">
              {sayWeekday(Date.parse(`${m.day}T12:00:00Z`), { ...units, zone: 'UTC' })}: {m.covers} covers
              {m.waves > 1 ? ` in ${m.waves} waves` : ''}, {some(m.dishes, 'dish', 'dishes')}
            </p>
          </div>
          <Link
            href={`/mornings/${m.id}`}
            aria-label={`Open ${m.name || 'the morning'}`}
            className={lookOf('plain', 'work')}
          >
            Open
            <ArrowRight size={20} aria-hidden />
          </Link>
        </li>
      ))}
    </ul>
  </section>
);

/** The way to a whole morning, for who cooks for guests in waves. */
export const MorningDoor = () => (
  <p className="mb-4 text-soft">
    Several dishes, guests in waves, more than one cook?{' '}
    <Link href="/mornings/new" className="font-semibold text-rim underline">
      Plan a whole morning
    </Link>
  </p>
);
