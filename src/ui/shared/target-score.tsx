import { MEASURE_WORDS, type MeasureId, type Score, type ScoreRow } from '@/core/judge/target';

const nameOf = (what: ScoreRow['what']): string => (what in MEASURE_WORDS ? MEASURE_WORDS[what as MeasureId] : what);

/** How near a making is to what is wanted, scale by scale. */
export function TargetScore({
  score,
  title = 'Against its target',
}: {
  readonly score: Score;
  readonly title?: string;
}) {
  return (
    <section aria-label={title} className="rounded-plate bg-white p-3">
      <h3 className="text-lg">
        {title}:{' '}
        {score.pct === null ? (
          <span className="text-soft">nothing that is wanted is judged yet</span>
        ) : (
          <strong>{Math.round(score.pct)} %</strong>
        )}
      </h3>
      <ul className="mt-1.5 grid grid-cols-[repeat(auto-fit,minmax(min(100%,17rem),1fr))] gap-x-8 gap-y-1">
        {score.rows.map((r) => (
          <li key={r.what} className="grid grid-cols-[4.5rem_1fr] items-center gap-x-2 text-[15px]">
            <span className="font-semibold first-letter:uppercase">{nameOf(r.what)}</span>
            {r.score === null ? (
              <span className="text-soft">wanted {r.wanted}, not judged</span>
            ) : (
              <span className="flex flex-wrap items-center gap-x-2">
                <span aria-hidden="true" className="h-2 w-14 overflow-hidden rounded-full bg-line">
                  <span className="block h-full bg-rim" style={{ width: `${r.score}%` }} />
                </span>
                {r.off === 0 ? (
                  <span>✓ {r.got}</span>
                ) : (
                  <span>
                    {r.got}, wanted {r.wanted}
                  </span>
                )}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
