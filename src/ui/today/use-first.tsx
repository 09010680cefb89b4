import { KEPT_STATE_WORDS, type KeptLot, keptWords, lotName } from '@/core/batch/kept';
import { type Dating, sayDay } from '@/core/quantity/day';
import { Link } from '../kit/link';
import { NearDay } from '../shared/near-day';

/** What is kept, that which has to be used first in front. */
export const UseFirst = ({
  kept,
  more,
  units,
  today,
}: {
  readonly kept: readonly KeptLot[];
  readonly more: boolean;
  readonly units: Dating;
  readonly today: string | null;
}) => (
  <section aria-label="Use first" className="mb-6 rounded-plate bg-white px-4 py-3">
    <h2 className="mb-1 text-xl">Use first</h2>
    <ul className="divide-y divide-line">
      {kept.map((l) => (
        <li key={l.id} className="flex flex-wrap items-baseline gap-x-3 py-1.5">
          <Link href={`/kept/${l.id}`} className="font-semibold text-rim underline [overflow-wrap:anywhere]">
            {lotName(l)} {l.name}
          </Link>
          <span>
            {keptWords(l, l.left)}
            {l.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[l.state]}`}
          </span>
          <span className="text-soft">
            best by {sayDay(l.bestBy, units)}
            <NearDay bestBy={l.bestBy} today={today} />
          </span>
        </li>
      ))}
    </ul>
    {more ? (
      <Link href="/kept" className="font-semibold text-rim underline">
        All that is kept
      </Link>
    ) : null}
  </section>
);
