import { WISHES } from '@/core/balance/moves';
import { COURSE_WORDS, type Course, nearerFrom, type Score } from '@/core/judge/target';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';

/** Where a formula has a target: what its last judged making missed, and the wishes that lead nearer. */
export function TargetBand({
  formulaId,
  score,
  course,
}: {
  readonly formulaId: string;
  readonly score: Score | null;
  readonly course: Course | null;
}) {
  const nearer = score ? nearerFrom(score) : [];
  const moves = [...new Set(nearer.flatMap((n) => n.move ?? []))].flatMap(
    (id) => WISHES.find((m) => m.id === id) ?? [],
  );
  const tips = nearer.filter((n) => n.tip !== '').slice(0, 2);
  return (
    <section
      aria-label="Target"
      className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-r-hold border-l-8 border-rim bg-white px-3 py-2 print:hidden"
    >
      <p className="min-w-0 flex-1 basis-72">
        <Link href={`/formulas/${formulaId}/target`} className="font-semibold text-rim underline">
          Target
        </Link>
        {score?.pct === null || score === null
          ? ': no making has been held against it yet.'
          : `: ${Math.round(score.pct)} % by the last making${course ? `; ${COURSE_WORDS[course]}` : ''}. `}
        {nearer.length > 0
          ? `${nearer
              .map((n) => n.says)
              .slice(0, 3)
              .join('; ')}. `.replace(/^./, (c) => c.toUpperCase())
          : ''}
        {tips.map((n) => n.tip).join(' ')}
      </p>
      {moves.length > 0 ? (
        <span className="flex flex-wrap gap-2">
          {moves.map((m) => (
            <Link key={m.id} href={`/formulas/${formulaId}?towards=${m.id}`} className={lookOf()}>
              {m.name}
            </Link>
          ))}
        </span>
      ) : null}
    </section>
  );
}
