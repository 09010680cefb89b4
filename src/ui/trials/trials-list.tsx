import { capital, counted } from '@/core/quantity/say';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { unbroken } from '../kit/unbroken';

/** What is worth trying next, and the trials there were. */
export function Trials({
  formulaId,
  next,
  trials,
}: {
  readonly formulaId: string;
  readonly next: readonly {
    readonly key: string;
    readonly text: string;
    readonly why: string;
    readonly moved: readonly string[];
  }[];
  readonly trials: readonly {
    readonly id: string;
    readonly when: string;
    readonly version: number;
    readonly tasters: number;
    readonly opened: boolean;
  }[];
}) {
  return (
    <div className="grid gap-6">
      {next.length > 0 ? (
        <section aria-label="Worth trying next" className="grid gap-3">
          <h2 className="text-xl">Worth trying next</h2>
          {next.map((n) => (
            <div key={`${n.key} ${n.text}`} className="grid justify-items-start gap-1.5 border-t border-line pt-2">
              <p>
                <strong className="[overflow-wrap:anywhere]">{unbroken(capital(n.moved.join('; ')))}.</strong>{' '}
                {unbroken(n.why)}
              </p>
              <Link
                className={lookOf('plain')}
                href={`/formulas/${formulaId}/trial?line=${encodeURIComponent(n.key)}&text=${encodeURIComponent(n.text)}`}
              >
                Try this
              </Link>
            </div>
          ))}
          <p className="text-sm text-soft">
            What nobody here has tasted yet, moved half of the way to where most batters like this stop.
          </p>
        </section>
      ) : null}
      <section aria-label="Trials so far" className="grid gap-2">
        <h2 className="text-xl">Trials so far</h2>
        {trials.length === 0 ? (
          <p className="text-soft">None yet.</p>
        ) : (
          <ul className="divide-y divide-line border-y border-line">
            {trials.map((t) => (
              <li key={t.id} className="flex flex-wrap items-baseline gap-x-4 py-2">
                <Link href={`/trials/${t.id}`} className="inline-block min-h-6 font-semibold text-rim underline">
                  {t.when}
                </Link>
                <span className="text-soft">version {t.version}</span>
                <span>
                  {t.opened ? 'letters open' : 'under way'}, {counted(t.tasters, 'tasters')}
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}
