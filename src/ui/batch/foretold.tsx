import {
  type AgainstForetold,
  beyondSaid,
  type Foretold,
  foretoldName,
  foretoldNumber,
  foretoldRange,
  foretoldSaid,
} from '@/core/batch/foretold';
import type { Units } from '@/core/quantity/say';
import { Link } from '../kit/link';

const LEARNED = '/house/learned';

/** What a plan will be in this kitchen, each number with the range that eight of ten batches fall into. */
export function ForetoldView({ foretold, units }: { readonly foretold: Foretold | null; readonly units: Units }) {
  if (!foretold || foretold.numbers.length === 0) return null;
  return (
    <section aria-label="Foretold" className="grid gap-2 rounded-plate bg-white p-5 print:hidden">
      <h2 className="text-xl">Foretold for this kitchen</h2>
      <dl className="flex flex-wrap gap-x-6 gap-y-2">
        {foretold.numbers.map((n) => {
          const [number, range] = foretoldSaid(n, units);
          return (
            <div key={n.what} className="flex flex-col-reverse">
              <dt className="text-[15px] text-soft">
                {foretoldName(n.what)}
                {range ? `, ${range}` : ''}
              </dt>
              <dd className="text-2xl font-semibold">{number}</dd>
            </div>
          );
        })}
      </dl>
      <p className="text-[15px] text-soft">
        Eight of ten batches should fall in these ranges.{' '}
        {foretold.by.length > 0 ? 'They rest on' : 'An estimate, and nothing learned here is in use:'}{' '}
        <Link href={LEARNED} className="font-semibold text-rim underline">
          what was learned
        </Link>
        .
      </p>
    </section>
  );
}

/** What was foretold of a batch, and what came; nothing where nobody measured any of it. */
export function ForetoldAndSeen({ held, units }: { readonly held: readonly AgainstForetold[]; readonly units: Units }) {
  if (held.length === 0) return null;
  const within = held.filter((h) => h.within).length;
  return (
    <section aria-label="Foretold and seen" className="mx-auto mt-8 grid max-w-4xl gap-2">
      <h2 className="text-xl">
        Foretold, and seen: {within} of {held.length} in range
      </h2>
      <ul className="grid gap-1 text-[15px]">
        {held.map((h) => (
          <li key={h.what}>
            <strong>{foretoldNumber(h.what, h.seen, units)}</strong> {foretoldName(h.what)}, foretold{' '}
            {foretoldRange(h, units) ?? foretoldNumber(h.what, h.value, units)}
            {h.within ? '' : `: ${beyondSaid(h)} than foretold`}
          </li>
        ))}
      </ul>
      <p>
        <Link href={LEARNED} className="font-semibold text-rim underline">
          What this kitchen has learned
        </Link>
      </p>
    </section>
  );
}
