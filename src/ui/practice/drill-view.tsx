'use client';
import { useEffect, useRef, useState } from 'react';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { DRILL_WORDS, type DrillId, type DrillQuestion, isRight, nextQuestion } from '@/core/practice/drills';
import { readNumber } from '@/core/quantity/number';
import { typedNumber } from '@/core/quantity/typed';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';
import { type Learner, type Send, useLearner } from './who';

const MINUTE_S = 60;
const TICK_MS = 500;

/** A fraction as it is typed: "1 1/2", "0.75". */
function numberSaid(text: string): number {
  const bare = text.trim();
  const read = readNumber(bare);
  return read && read.length === bare.length ? read.low.valueOf() : typedNumber(bare);
}

/** A drill of a minute: one question after the other, each answer explained. */
export function DrillView({
  id,
  house,
  people,
  keep,
}: {
  readonly id: DrillId;
  readonly house: Kitchen;
  readonly people: readonly Learner[];
  readonly keep: Send;
}) {
  const [who] = useLearner(people);
  const asking = useAsking();
  const asked = useRef(new Set<string>());
  const [question, setQuestion] = useState<DrillQuestion | null>(null);
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | undefined>();
  const [told, setTold] = useState<{ readonly right: boolean; readonly why: string } | null>(null);
  const [count, setCount] = useState({ asked: 0, right: 0 });
  const [left, setLeft] = useState(MINUTE_S);
  const over = left <= 0;
  const next = (): void => {
    const { question: q, key } = nextQuestion(id, Math.random(), house, asked.current);
    asked.current.add(key);
    setQuestion(q);
    setTyped('');
    setWrong(undefined);
    setTold(null);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the first question, in the browser alone
  useEffect(next, []);
  // the clock stands while an answer is explained
  useEffect(() => {
    if (over || told) return;
    const timer = window.setInterval(() => setLeft((s) => Math.max(0, s - TICK_MS / 1000)), TICK_MS);
    return () => window.clearInterval(timer);
  }, [over, told]);
  const answer = (said: number): void => {
    if (!question || told) return;
    if (Number.isNaN(said)) {
      setWrong('Write a number.');
      return;
    }
    const right = isRight(question, said);
    setTold({ right, why: question.why });
    setCount((c) => ({ asked: c.asked + 1, right: c.right + Number(right) }));
    const input = {
      id: crypto.randomUUID(),
      personId: who?.id ?? null,
      what: `drill:${id}`,
      passed: right,
      worth: Number(right),
      was: '',
    };
    void asking.ask(() => act('keep-try', 'an answer of a drill', keep, input));
  };
  const again = (): void => {
    setCount({ asked: 0, right: 0 });
    setLeft(MINUTE_S);
    next();
  };
  return (
    <div className="grid max-w-2xl gap-4">
      <p className="text-soft">{DRILL_WORDS[id].says}</p>
      <p role="timer" className="text-xl font-semibold">
        {Math.ceil(left)} s left; {count.right} right of {count.asked}
      </p>
      {question ? (
        <Asked
          question={question}
          told={told}
          typed={typed}
          wrong={wrong}
          off={over && told === null}
          onType={(t) => {
            setTyped(t);
            setWrong(undefined);
          }}
          onAnswer={answer}
        />
      ) : (
        <p role="status">The first question comes …</p>
      )}
      {told ? (
        <Notice weight={told.right ? 'note' : 'look'} role="status">
          <strong>{told.right ? 'Right.' : 'Not quite.'}</strong> {told.why}
        </Notice>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
      <div className="flex flex-wrap gap-3">
        {told && !over ? (
          <Button look="now" size="work" onClick={next}>
            Next
          </Button>
        ) : null}
        {over ? (
          <>
            <p role="status" className="w-full text-lg">
              The minute is over: {count.right} right of {count.asked}.
            </p>
            <Button look="now" size="work" onClick={again}>
              Another minute
            </Button>
          </>
        ) : null}
        <Link href="/practice" className={lookOf('plain', 'work')}>
          All of practice
        </Link>
      </div>
    </div>
  );
}

/** One question, and where it is answered. */
function Asked({
  question: q,
  told,
  typed,
  wrong,
  off,
  onType,
  onAnswer,
}: {
  readonly question: DrillQuestion;
  readonly told: { readonly right: boolean } | null;
  readonly typed: string;
  readonly wrong: string | undefined;
  readonly off: boolean;
  readonly onType: (text: string) => void;
  readonly onAnswer: (said: number) => void;
}) {
  const { answer: a } = q;
  const isCard = a.by === 'choice' && a.of === q.card;
  return (
    <section aria-label="Question" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">{q.asks}</h2>
      {q.card.length > 0 && !isCard ? (
        <ul className="rounded-hold bg-wash p-3">
          {q.card.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      ) : null}
      {a.by === 'choice' && told ? (
        <ul className="grid gap-2">
          {a.of.map((text, n) => (
            <li key={text} className={n === a.is ? 'font-bold' : 'text-soft'}>
              {n === a.is ? '✓ ' : ''}
              {text}
            </li>
          ))}
        </ul>
      ) : a.by === 'choice' ? (
        <div className="grid gap-2">
          {a.of.map((text, n) => (
            <Button key={text} className="justify-start text-left" disabled={off} onClick={() => onAnswer(n)}>
              {text}
            </Button>
          ))}
        </div>
      ) : (
        <Form noValidate className="flex flex-wrap items-start gap-3" act={async () => onAnswer(numberSaid(typed))}>
          <Field
            label="Your answer"
            unit={a.unit}
            inputMode="decimal"
            className="w-40"
            value={typed}
            error={wrong}
            onChange={(e) => onType(e.target.value)}
          />
          <Button type="submit" className="mt-7 min-h-11" disabled={off || told !== null}>
            That is it
          </Button>
        </Form>
      )}
    </section>
  );
}
