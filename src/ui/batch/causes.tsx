import { isFault, type Mark, markName } from '@/core/batch/came-out';
import { causesOf } from '@/core/judge/diagnose';
import type { Judged } from '@/core/judge/evidence';
import { asRead } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useUnits } from '../kit/units';

/** What likely caused what was seen, with this batch's own numbers, and one change to try on the Bench. */
export function Causes({
  marks,
  judged,
  formulaId,
  version,
  onChange,
}: {
  readonly marks: readonly Mark[];
  readonly judged: Judged;
  readonly formulaId: string;
  readonly version: number;
  /** It is the one change for next time. */
  readonly onChange: (change: string) => void;
}) {
  const units = useUnits();
  const told = marks.filter(isFault).map((mark) => ({ mark, causes: causesOf(mark, judged) }));
  if (told.length === 0) return null;
  return (
    <section aria-label="Likely causes" className="grid gap-4">
      {told.map(({ mark, causes }) => (
        <div key={mark}>
          <h3 className="text-lg">{markName(mark).replace(/^./, (c) => c.toUpperCase())}: likely</h3>
          {causes.length === 0 ? (
            <p className="text-soft">
              This batch’s own numbers speak against all that usually causes it. Note what else was different.
            </p>
          ) : null}
          <ol>
            {causes.map((c) => (
              <li
                key={c.cause}
                className="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[15rem_1fr_auto] sm:items-center"
              >
                <span className="font-semibold">{c.cause}</span>
                <span>
                  {c.evidence ? <span className="block text-[15px]">here: {c.evidence}</span> : null}
                  <span className="text-soft">{asRead(c.change, units)}</span>
                </span>
                <span className="flex flex-wrap items-center gap-x-4">
                  <Button
                    className="min-h-11"
                    aria-label={`Next time: ${asRead(c.change, units)}`}
                    onClick={() => onChange(asRead(c.change, units))}
                  >
                    Next time
                  </Button>
                  {c.move ? (
                    <Link
                      href={`/formulas/${formulaId}?version=${version}&towards=${c.move}`}
                      className="inline-flex min-h-11 items-center font-semibold text-rim underline"
                    >
                      Try it on the Bench
                    </Link>
                  ) : null}
                </span>
              </li>
            ))}
          </ol>
        </div>
      ))}
      <p className="text-sm text-soft">
        Kitchen sense, weighed by this batch’s numbers: a ranking, not a finding. Change one thing at a time.
      </p>
    </section>
  );
}
