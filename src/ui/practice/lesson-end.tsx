'use client';
import { useEffect, useRef } from 'react';
import type { ScaleId } from '@/core/batch/came-out';
import type { LessonResult, PracticeLesson } from '@/core/practice/lessons';
import type { PracticeRun } from '@/core/practice/run';
import { cameOff, colourStep, colourWord, crumbStep, loadOutcome, shownBrown } from '@/core/practice/worth';
import { CameOutDrawing } from '../drawings/came-out';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { clock } from '../shared/clock-words';
import type { Send } from './who';

const Scale = ({ scale, step, word }: { readonly scale: ScaleId; readonly step: number; readonly word: string }) => (
  <span className="grid justify-items-center text-[13px] text-soft">
    <CameOutDrawing scale={scale} step={step} className="w-16 text-rim" />
    {word}
  </span>
);

/** What became of each piece, whether the lesson is passed, and what to do next. */
export function LessonEnd({
  lesson,
  run,
  result,
  personId,
  keep,
  onAgain,
}: {
  readonly lesson: PracticeLesson;
  readonly run: PracticeRun;
  readonly result: LessonResult;
  /** Whose go it is; null: nobody is named. */
  readonly personId: string | null;
  readonly keep: Send;
  readonly onAgain: () => void;
}) {
  const asking = useAsking();
  const head = useRef<HTMLHeadingElement>(null);
  const sent = useRef(false);
  const outcomes = run.pieces.map((p) => ({ ...p, outcome: cameOff(p.piece) }));
  const worst = outcomes.flatMap((o) => o.outcome.losses).sort((a, b) => b.cost - a.cost)[0];
  const load = loadOutcome(run.pieces);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a go is kept once, as it is over
  useEffect(() => {
    head.current?.focus();
    if (sent.current) return;
    sent.current = true;
    const input = {
      id: crypto.randomUUID(),
      personId,
      what: `lesson:${lesson.id}`,
      passed: result.passed,
      worth: result.worth,
      was: (worst?.was ?? '').slice(0, 200),
    };
    void asking.ask(() => act('keep-try', `a go at ${lesson.title.toLowerCase()}`, keep, input));
  }, []);
  return (
    <section aria-label="How it went" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 ref={head} tabIndex={-1} className="text-xl outline-none">
        {result.passed ? 'Passed' : 'Not yet'}: {Math.round(100 * result.worth)} of 100
      </h2>
      <ul className="grid gap-1">
        {result.points.map((p) => (
          <li key={p.asks}>
            <strong>{p.met ? 'Yes' : 'No'}</strong>: {p.asks} ({p.was || 'nothing came off'})
          </li>
        ))}
        {outcomes.length > 1 ? (
          <li className="text-soft">
            The best and the worst are {Math.round(100 * load.apart)} apart
            {run.hits > 0 ? `; wet batter hit a neighbour ${run.hits === 1 ? 'once' : `${run.hits} times`}` : ''}.
          </li>
        ) : null}
      </ul>
      <ul className="grid gap-2">
        {outcomes.map(({ number, piece, outcome: o }) => (
          <li key={number} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line pt-2">
            <span className="flex gap-2">
              <Scale scale="colour" step={colourStep(shownBrown(piece))} word={colourWord(shownBrown(piece))} />
              <Scale scale="crumb" step={crumbStep(piece)} word="cut" />
            </span>
            <span className="min-w-56 flex-1">
              <strong>
                Piece {number}: {Math.round(100 * o.worth)} of 100
              </strong>
              {o.losses.length > 0 ? `, ${o.losses.map((l) => l.was).join(', ')}` : ''}.{' '}
              {o.bestS !== null
                ? `Best at ${clock(1000 * o.bestS)}: ${o.sign}${o.byS ? `; it was turned ${Math.abs(Math.round(o.byS))} s ${o.byS < 0 ? 'sooner' : 'later'}` : ''}. `
                : `Its sign: ${o.sign}. `}
              {o.advice}
            </span>
          </li>
        ))}
      </ul>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <div className="flex flex-wrap gap-3">
        <Button look="now" size="work" onClick={onAgain}>
          Once more
        </Button>
        <Link href="/practice" className={lookOf('plain', 'work')}>
          All lessons
        </Link>
      </div>
    </section>
  );
}
