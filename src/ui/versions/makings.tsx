'use client';
import { VERDICT_WORDS } from '@/core/batch/batch';
import { markName } from '@/core/batch/came-out';
import { type Came, CHANGE_STATE_WORDS, cameOf, type Making, marksMoved, type Trend } from '@/core/judge/came-back';
import type { Photograph } from '@/core/judge/photographs';
import { COURSE_WORDS, type Course } from '@/core/judge/target';
import { minutesAndSeconds } from '@/core/quantity/say';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { PhotoFigure } from '../shared/photo-figure';
import type { AnswerChange } from './next-time';
import { TrendChart } from './trend-chart';

const CAME: Readonly<Record<Came, string>> = {
  better: 'It came out better',
  'the same': 'It came out the same',
  worse: 'It came out worse',
};

interface MakingRow extends Making {
  /** As the house writes it. */
  readonly when: string;
  readonly photo: Photograph | null;
  /** Against the formula's target, 0 to 100. */
  readonly score: number | null;
}

/** What a version or a kitchen has come to, in a line of numbers. */
export function TrendLine({ trend }: { readonly trend: Trend }) {
  const facts = [
    ...Object.entries(trend.verdicts).map(
      ([v, n]) => `${VERDICT_WORDS[v as keyof typeof VERDICT_WORDS].toLowerCase()} ${n}`,
    ),
    ...(trend.yieldPct === null ? [] : [`${Math.round(trend.yieldPct)} % of the pieces planned`]),
    ...(trend.wastePct === null ? [] : [`${Math.round(trend.wastePct)} % thrown away`]),
    ...(trend.firstS === null ? [] : [`first side ${minutesAndSeconds(Math.round(trend.firstS))}`]),
    ...(trend.secondS === null ? [] : [`second side ${minutesAndSeconds(Math.round(trend.secondS))}`]),
    ...(trend.driftS === null || Math.abs(trend.driftS) < 5
      ? []
      : [
          `the last pieces lie ${Math.round(Math.abs(trend.driftS))} s ${trend.driftS > 0 ? 'longer than the first: the griddle cools' : 'shorter than the first: the griddle heats up'}`,
        ]),
    ...(trend.drift === null
      ? []
      : [Math.abs(trend.drift) < 0.25 ? 'about the same lately' : trend.drift > 0 ? 'better lately' : 'worse lately']),
  ];
  return (
    <p className="text-[15px]">
      <strong>{trend.makings === 1 ? 'One making' : `${trend.makings} makings`}</strong>
      {facts.length > 0 ? `: ${facts.join(', ')}.` : '.'}
    </p>
  );
}

/**
 * Every making of a formula with its version, what it was to change, and what came of that: a list, and a small chart.
 */
export function Makings({
  formulaId,
  makings,
  trend,
  wanted,
  course,
  answer,
}: {
  readonly formulaId: string;
  readonly makings: readonly MakingRow[];
  readonly trend: Trend;
  /** Whether the formula has a target. */
  readonly wanted: boolean;
  readonly course: Course | null;
  readonly answer: AnswerChange;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const of = new Map(makings.map((m) => [m.batchId, m]));
  const scored = [...makings]
    .reverse()
    .flatMap((m) => m.score ?? [])
    .slice(-8);
  if (makings.length === 0)
    return <p className="pt-2 text-soft">It was not made yet. What comes out of it stands here, making by making.</p>;
  return (
    <section aria-label="What came of it" className="grid gap-3">
      <h2 className="text-xl">What came of it</h2>
      <TrendLine trend={trend} />
      <p className="text-[15px]">
        <Link href={`/formulas/${formulaId}/target`} className="inline-block min-h-6 font-semibold text-rim underline">
          {wanted ? 'Target' : 'Say what is wanted: a target'}
        </Link>
        {wanted && scored.length > 0
          ? `: ${scored.map((s) => `${Math.round(s)} %`).join(', ')}, the first making to the last${course ? `: ${COURSE_WORDS[course]}` : ''}.`
          : ''}
        {wanted && scored.length === 0 ? ': no making has been held against it yet.' : ''}
      </p>
      <TrendChart makings={makings.map((m) => ({ ...m, label: `v${m.version}` }))} />
      <RefusalNotice text={asking.refusal} />
      <ol className="divide-y divide-line border-y border-line">
        {makings.map((m) => {
          const source = m.tries === null ? undefined : of.get(m.tries);
          const came = source ? cameOf(source, m) : null;
          const moved = source ? marksMoved(source, m) : null;
          return (
            <li key={m.batchId} className={m.photo ? 'grid grid-cols-[1fr_6rem] gap-x-3 py-2.5' : 'py-2.5'}>
              <div className="grid content-start gap-1">
                <p className="flex flex-wrap items-baseline gap-x-3">
                  <Link
                    href={`/batches/${m.batchId}/outcome`}
                    className="inline-block min-h-6 font-semibold text-rim underline"
                  >
                    {m.when}
                  </Link>
                  <span className="text-[15px] text-soft">version {m.version}</span>
                  {m.verdict ? (
                    <strong>{VERDICT_WORDS[m.verdict]}</strong>
                  ) : (
                    <span className="text-soft">not judged</span>
                  )}
                  {m.score === null ? null : <span className="text-[15px]">{Math.round(m.score)} % of its target</span>}
                  {m.pieces === null ? null : (
                    <span className="text-[15px]">
                      {m.pieces} pieces{m.planned === null ? '' : ` of ${m.planned} planned`}
                    </span>
                  )}
                  {m.firstS === null && m.secondS === null ? null : (
                    <span className="text-[15px]">
                      {[m.firstS, m.secondS]
                        .map((s) => (s === null ? '–' : minutesAndSeconds(Math.round(s))))
                        .join(' / ')}{' '}
                      a side
                    </span>
                  )}
                  {m.waste ? <span className="text-[15px] text-soft">{m.waste} thrown away</span> : null}
                  {m.marks.length > 0 ? (
                    <span className="text-[15px] text-soft">{m.marks.map((x) => markName(x)).join(', ')}</span>
                  ) : null}
                </p>
                {source ? (
                  <p className="text-[15px]">
                    Tried: {source.change.replace(/[.\s]+$/, '')}.{' '}
                    {came ? <strong>{CAME[came]}</strong> : 'It can’t be told: one of the two was not judged'}
                    {moved && moved.gone.length > 0 ? `; gone: ${moved.gone.map((x) => markName(x)).join(', ')}` : ''}
                    {moved && moved.come.length > 0 ? `; new: ${moved.come.map((x) => markName(x)).join(', ')}` : ''}.
                  </p>
                ) : null}
                {m.change === '' ? null : (
                  <p className="flex flex-wrap items-center gap-x-3 text-[15px]">
                    <span className="[overflow-wrap:anywhere]">
                      <span className="font-semibold">Next time:</span> {m.change}
                      {m.state ? <span className="text-soft"> ({CHANGE_STATE_WORDS[m.state]})</span> : null}
                    </span>
                    {m.state === 'not-now' || m.state === 'done' ? (
                      <Button
                        look="bare"
                        disabled={asking.busy}
                        onClick={() =>
                          void asking
                            .ask(() => answer({ batchId: m.batchId, state: null }))
                            .then((a) => a?.ok && refresh())
                        }
                      >
                        Take it up again
                      </Button>
                    ) : null}
                  </p>
                )}
              </div>
              {m.photo ? <PhotoFigure photo={m.photo} name={`Version ${m.version}, ${m.when}`} /> : null}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
