'use client';
import { CloudOff, Minus, Plus, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Batch } from '@/core/batch/batch';
import type { Life } from '@/core/batch/mixes';
import { mixesIn } from '@/core/batch/plan';
import { kindById } from '@/core/formula/kinds';
import { actFor, dueAt, joinedAt, nextStep, onHeat, type Piece, type Place, piecesFrom, type Step, type Surface, type Tap } from '@/core/griddle/board';
import { CUES, type KnownTimes, learned, oneChange, sidesOf, TEST_WORDS, type TestVerdict, VERDICTS_OF_TEST } from '@/core/griddle/times';
import type { FadePoint } from '@/core/lift/fade';
import { minutesAndSeconds } from '@/core/quantity/say';
import type { Refused } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { Button, lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { Notice } from '../kit/notice';
import { BowlClock } from './bowl-clock';
import { type Send, useTaps } from './use-taps';

interface Props {
  readonly batch: Batch;
  readonly surfaces: readonly Surface[];
  readonly known: KnownTimes;
  /** How long a joined bowl is good for, and how its lift fades. */
  readonly life: Life;
  readonly fade: readonly FadePoint[];
  readonly first: readonly Tap[];
  readonly send: Send;
  readonly drop: Send;
  readonly want: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

const ACT_WORDS = { pour: 'Pour', flip: 'Turn', pull: 'Take off', join: 'Join bowl' } as const;
const DONE_WORDS = { pour: 'Poured', flip: 'Turned', pull: 'Taken off' } as const;
/** Between two loads: pouring, taking off, wiping, s. And to join a bowl before it is needed, ms. */
const BETWEEN_S = 30;
const JOIN_MS = 5 * 60_000;

const clock = (ms: number): string => minutesAndSeconds(Math.max(0, Math.round(ms / 1000)));
const timeOfDay = (at: number): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The griddle's board; drawn where the clock is, in the browser: the server's is another. */
export function Board(props: Props) {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    setNow(Date.now());
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  return now === null ? <p role="status">Looking at the clock …</p> : <BoardAt {...props} now={now} onNow={() => setNow(Date.now())} />;
}

/** What lies where and since when, the one next thing, and how many there still are to make. */
function BoardAt({ batch, surfaces, known, life, fade, first, send, drop, want, now, onNow }: Props & { readonly now: number; readonly onNow: () => void }) {
  const router = useRouter();
  const asking = useAsking();
  const { taps, trouble, tap, back } = useTaps(batch.id, first, send, drop);
  const nextKey = useRef<HTMLButtonElement>(null);
  const [verdict, setVerdict] = useState<TestVerdict | ''>('');
  useEffect(() => {
    const said = copyOf(`test:${batch.id}`);
    setVerdict(VERDICTS_OF_TEST.find((v) => v === said) ?? '');
  }, [batch.id]);

  const kind = kindById(batch.kind);
  const hasTest = batch.driver.by === 'guests' && batch.driver.testPiece;
  const pieces = piecesFrom(taps);
  const counted = pieces.filter((p) => !(hasTest && p.piece === 1));
  const off = counted.filter((p) => p.pulledAt !== null).length;
  const wanted = batch.piecesPlanned;
  // this batch's own pieces teach as it goes
  const own = sidesOf(pieces);
  const [f, s] = [learned(own.first), learned(own.second)];
  const times = {
    first: f && f.from >= 3 ? f.seconds : known.times.first,
    second: known.times.second === null ? null : s && s.from >= 3 ? s.seconds : known.times.second,
  };
  const from = f && f.from >= 3 ? f.from : known.from;
  const toPour = wanted === null ? Number.POSITIVE_INFINITY : wanted + (hasTest ? 1 : 0) - pieces.length;
  const places: readonly Place[] = surfaces.flatMap((x) => x.slots.map((_, slot) => ({ surface: x.id, slot })));
  const test = hasTest ? pieces.find((p) => p.piece === 1) : undefined;
  // the test piece is looked at before the next is poured
  const held = hasTest && test !== undefined && (test.pulledAt === null || verdict === '');
  const step = nextStep(pieces, places, times, held ? 0 : hasTest && test === undefined ? Math.min(1, toPour) : toPour, now);

  const act = (what: 'pour' | 'flip' | 'pull', piece: number, place: Place): void => {
    onNow();
    tap({ id: crypto.randomUUID(), piece, act: what, surface: place.surface, slot: place.slot, at: Date.now() });
  };
  const next = Math.max(0, ...pieces.map((p) => p.piece)) + 1;
  const onPlace = (place: Place): void => {
    const here = onHeat(pieces).find((p) => p.surface === place.surface && p.slot === place.slot);
    if (here) act(actFor(here, times), here.piece, place);
    else if (toPour > 0) act('pour', next, place);
    // the next thing stays under one key, wherever the hand has been
    nextKey.current?.focus({ preventScroll: true });
  };
  const go = (): void => {
    if (step.do === 'pour') act('pour', next, step.place);
    else if (step.do === 'flip' || step.do === 'pull') act(step.do, step.piece.piece, step.piece);
    else if (step.do === 'wait') act(actFor(step.piece, times), step.piece.piece, step.piece);
  };
  const last = [...taps].sort((a, b) => b.at - a.at)[0];

  // bowls: how much of this one is poured, and when the next has to be joined
  const mixes = mixesIn(batch.split);
  const perBowl = wanted === null ? null : Math.ceil(wanted / mixes);
  const bowl = perBowl === null ? 1 : Math.min(mixes, Math.floor(counted.length / perBowl) + 1);
  const leftInBowl = perBowl === null || wanted === null ? null : Math.max(0, Math.min(bowl * perBowl, wanted) - counted.length);
  const cycleMs = 1000 * (times.first + (times.second ?? 0) + BETWEEN_S);
  const joinBy = leftInBowl !== null && bowl < mixes && places.length > 0 ? now + (leftInBowl / places.length) * cycleMs - JOIN_MS : null;
  const loads = wanted === null || places.length === 0 ? null : Math.max(0, Math.ceil((wanted - off) / places.length));
  const changeWanted = async (by: number): Promise<void> => {
    if (wanted === null || wanted + by < 1) return;
    const a = await asking.ask(() => want({ batchId: batch.id, pieces: wanted + by }));
    if (a?.ok) router.refresh();
  };
  if (surfaces.length === 0)
    return (
      <div className="grid max-w-xl justify-items-start gap-3">
        <p className="text-lg">Nothing that {kind.pieces} are made on is noted. Under House, Scales and gear, say what there is and how large.</p>
        <Link href="/house" className={lookOf('now', 'work')}>
          To the house’s gear
        </Link>
      </div>
    );
  return (
    <div className="grid gap-4">
      {trouble ? (
        <Notice weight="look" role="status">
          <CloudOff size={18} aria-hidden className="mr-1 inline" />
          {trouble}
        </Notice>
      ) : null}
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_20rem]">
        <section aria-label="Next" className="rounded-plate bg-white p-4">
          <StepView
            step={step}
            times={times}
            now={now}
            kind={batch.kind}
            next={next}
            held={held && test?.pulledAt !== null && test !== undefined}
            test={hasTest && next === 1}
          />
          <div className="mt-3 flex flex-wrap gap-3">
            {step.do === 'done' ? (
              held ? null : (
                <Link href={`/batches/${batch.id}/outcome`} className={`${lookOf('now', 'work')} min-h-16 !px-8 text-xl`}>
                  Write what came out
                </Link>
              )
            ) : (
              <Button look={step.do === 'wait' ? 'plain' : 'now'} size="work" className="min-h-16 !px-8 text-xl" ref={nextKey} autoFocus onClick={go}>
                {step.do === 'wait'
                  ? `${DONE_WORDS[actFor(step.piece, times)]} already: ${step.piece.piece}`
                  : `${DONE_WORDS[step.do]}: ${step.do === 'pour' ? next : step.piece.piece}`}
              </Button>
            )}
            {last ? (
              <Button
                size="work"
                onClick={() => {
                  back(last.id);
                  nextKey.current?.focus({ preventScroll: true });
                }}
              >
                <Undo2 size={20} aria-hidden />
                Take back “{ACT_WORDS[last.act].toLowerCase()} {last.piece}”
              </Button>
            ) : null}
          </div>
          {hasTest && test && test.pulledAt !== null ? (
            <div className="mt-4 grid gap-2 border-t border-line pt-3">
              <p className="font-semibold">The test piece is</p>
              <Taps
                label="The test piece is"
                size="work"
                value={verdict}
                onChange={(v) => {
                  setVerdict(v);
                  keepCopy(`test:${batch.id}`, v === '' ? null : v);
                }}
                options={VERDICTS_OF_TEST.map((v) => ({ value: v, label: TEST_WORDS[v] }))}
              />
              {verdict === '' ? null : <p className="text-lg font-semibold">{oneChange(verdict, batch.massG / mixes)}</p>}
            </div>
          ) : null}
        </section>
        <section aria-label="Count" className="grid gap-3 rounded-plate bg-white p-4">
          <p>
            <strong className="text-[56px] leading-none">{off}</strong>
            <span className="text-2xl text-soft"> {wanted === null ? 'off' : `of ${wanted}`}</span>
            <span className="block text-soft">
              {kind.pieces} off the heat{hasTest ? ', the test piece not counted' : ''}
            </span>
          </p>
          {wanted === null ? null : (
            <div className="flex items-center gap-2">
              <Button size="work" aria-label="One fewer wanted" disabled={asking.busy || wanted <= 1} onClick={() => void changeWanted(-1)}>
                <Minus size={22} aria-hidden />
              </Button>
              <Button size="work" aria-label="One more wanted" disabled={asking.busy} onClick={() => void changeWanted(1)}>
                <Plus size={22} aria-hidden />
              </Button>
              <Button size="work" aria-label="Ten more wanted" disabled={asking.busy} onClick={() => void changeWanted(10)}>
                +10
              </Button>
            </div>
          )}
          {asking.refusal ? <p className="font-semibold text-berry">{asking.refusal}</p> : null}
          {leftInBowl === null ? null : (
            <p>
              {mixes > 1 ? `Bowl ${bowl} of ${mixes}: ` : ''}
              <strong>{leftInBowl}</strong> still to pour
              {joinBy !== null ? `; join the next ${joinBy <= now ? 'now' : `by ${timeOfDay(joinBy)}`}` : leftInBowl === 0 ? ': stop mixing' : ''}
              {loads !== null && loads > 0
                ? `. About ${loads} ${loads === 1 ? 'load' : 'loads'} left, the last off near ${timeOfDay(now + loads * cycleMs)}`
                : ''}
              .
            </p>
          )}
          <BowlClock
            bowl={bowl}
            bowls={mixes}
            at={joinedAt(taps, bowl)}
            now={now}
            life={life}
            points={fade}
            onJoin={() => {
              onNow();
              tap({ id: crypto.randomUUID(), piece: bowl, act: 'join', surface: '', slot: 0, at: Date.now() });
              nextKey.current?.focus({ preventScroll: true });
            }}
          />
          <p className="text-sm text-soft">
            {minutesAndSeconds(Math.round(times.first))}
            {times.second === null ? '' : ` and ${minutesAndSeconds(Math.round(times.second))}`}
            {from > 0 ? `, the middle of ${from} taps here` : ', usual for the kind until there are taps of this kitchen'}. The tap is the truth.
          </p>
        </section>
      </div>
      {surfaces.map((surface) => (
        <SurfaceView key={surface.id} surface={surface} pieces={pieces} times={times} step={step} now={now} full={toPour <= 0} onPlace={onPlace} />
      ))}
      <p className="text-sm text-soft">
        Hot metal and hot fat: long sleeves, no hurry, children at arm’s length. Cooked through, held and served as the local food code has it; this clock says
        nothing about that.
      </p>
    </div>
  );
}

function StepView({
  step,
  times,
  now,
  kind,
  next,
  held,
  test,
}: {
  readonly step: Step;
  readonly times: { readonly first: number; readonly second: number | null };
  readonly now: number;
  readonly kind: Batch['kind'];
  readonly next: number;
  readonly held: boolean;
  readonly test: boolean;
}) {
  const cue = (p: Piece): string => (p.flippedAt === null ? CUES[kind].first : CUES[kind].second);
  if (step.do === 'done')
    return (
      <p role="status" className="text-[56px] leading-tight font-bold">
        {held ? 'How is the test piece?' : 'All off the heat'}
      </p>
    );
  if (step.do === 'pour')
    return (
      <div role="status">
        <p className="text-[56px] leading-tight font-bold">Pour {next}</p>
        <p className="text-xl text-soft">{test ? 'one to test with, in the middle of the heat' : `at place ${step.place.slot + 1}`}</p>
      </div>
    );
  const over = now - dueAt(step.piece, times);
  if (step.do === 'wait')
    return (
      <div role="status">
        <p className="text-[56px] leading-tight font-bold">
          Look at {step.piece.piece} in {clock(-over)}
        </p>
        <p className="text-xl">{cue(step.piece)}</p>
      </div>
    );
  return (
    <div role="status">
      <p className="text-[56px] leading-tight font-bold">
        {ACT_WORDS[step.do]} {step.piece.piece}?
      </p>
      <p className="text-xl">{cue(step.piece)}</p>
      <p className="text-soft">{over > 3000 ? `asked ${clock(over)} ago` : ''}</p>
    </div>
  );
}

function SurfaceView({
  surface,
  pieces,
  times,
  step,
  now,
  full,
  onPlace,
}: {
  readonly surface: Surface;
  readonly pieces: readonly Piece[];
  readonly times: { readonly first: number; readonly second: number | null };
  readonly step: Step;
  readonly now: number;
  /** No more are to be poured. */
  readonly full: boolean;
  readonly onPlace: (place: Place) => void;
}) {
  const on = onHeat(pieces).filter((p) => p.surface === surface.id);
  const percentOf = (cm: number, of: number): string => `${(100 * cm) / of}%`;
  return (
    <section aria-label={surface.name}>
      <h2 className="mb-1 text-lg text-rim">{surface.name}</h2>
      <div
        className={`relative w-full border-4 border-rim bg-wash ${surface.round ? 'max-w-72 rounded-full' : 'max-w-[1000px] rounded-plate'}`}
        style={{ aspectRatio: `${surface.wideCm} / ${surface.deepCm}`, maxWidth: surface.round || surface.slots.length > 4 ? undefined : '34rem' }}
      >
        {surface.slots.map((at, slot) => {
          const piece = on.find((p) => p.slot === slot);
          const asked = (step.do === 'flip' || step.do === 'pull') && step.piece === piece;
          const here = step.do === 'pour' && step.place.surface === surface.id && step.place.slot === slot;
          const side = piece ? (piece.flippedAt === null ? 'first side' : 'second side') : '';
          const age = piece ? clock(now - (piece.flippedAt ?? piece.pouredAt)) : '';
          const due = piece ? now >= dueAt(piece, times) : false;
          return (
            <button
              key={`${at.x} ${at.y}`}
              type="button"
              disabled={!piece && full}
              aria-label={piece ? `Place ${slot + 1}: piece ${piece.piece}, ${side}, ${age}${due ? ', look' : ''}` : `Place ${slot + 1}: free`}
              onClick={() => onPlace({ surface: surface.id, slot })}
              className={`absolute grid min-h-11 min-w-11 -translate-x-1/2 -translate-y-1/2 place-content-center rounded-full text-center leading-none ${
                piece
                  ? `border-[3px] border-rim text-ink ${asked ? 'bg-butter' : 'bg-white'} ${piece.flippedAt === null ? '' : 'border-double !border-[6px]'}`
                  : `border-2 border-dashed border-rim text-soft ${here ? '!border-solid bg-butter' : 'bg-transparent'} disabled:opacity-50`
              }`}
              style={{
                left: percentOf(at.x, surface.wideCm),
                top: percentOf(at.y, surface.deepCm),
                width: percentOf(surface.acrossCm, surface.wideCm),
                aspectRatio: '1',
              }}
            >
              {piece ? (
                <>
                  <strong className="text-2xl">{piece.piece}</strong>
                  <span className="text-[15px]">{age}</span>
                  {due ? <span className="text-[13px] font-bold">look</span> : null}
                </>
              ) : (
                <span className="text-[15px]">{slot + 1}</span>
              )}
            </button>
          );
        })}
      </div>
    </section>
  );
}
