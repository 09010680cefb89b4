'use client';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type Piece, piecesFrom } from '@/core/griddle/board';
import { isOver, lessonById, type PracticeLesson, resultOf, untilBell } from '@/core/practice/lessons';
import {
  advance,
  beginRun,
  HANDS,
  type Hand,
  type HowMuch,
  type PracticeAct,
  type PracticeOf,
  type PracticeRun,
  practise,
  STEP_S,
  signsOf,
} from '@/core/practice/run';
import { celsiusFrom, degreesRead, temperature } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { useUnits } from '../kit/units';
import { clock } from '../shared/clock-words';
import { SurfaceView } from '../shared/surface-view';
import { drawFaces } from './draw-faces';
import { LessonEnd } from './lesson-end';
import { type Learner, type Send, useLearner } from './who';

const SPEEDS = ['0', '1', '2', '4', '8'] as const;
type Speed = (typeof SPEEDS)[number];
const DIAL_STEP_C = 5;
/** Free play: where a dial stands that nobody has turned, for cakes and for crepes. */
const FREE_DIAL_C = { cakes: 187, film: 212 } as const;
/** A screen that was away is not made up for, s. */
const MOST_FRAME_S = 0.25;
const TOLD_EACH_MS = 250;
const STILL_MS = 1000;

/** What each hand is called, by what lies there. */
const HAND_WORDS: Readonly<Record<PracticeOf['does'], Partial<Readonly<Record<Hand, string>>>>> = {
  flat: { turn: 'Turn', peek: 'Look beneath', press: 'Press', move: 'Move', off: 'Take off' },
  waffle: { peek: 'Open the lid', off: 'Take off' },
  ball: { turn: 'A quarter further', peek: 'Look beneath', off: 'Take off' },
  oven: { peek: 'Open the door', off: 'Out of the oven' },
};

/** The practice griddle: a surface, what a hand does on it, and what comes of that. */
export function Trainer({
  lessonId,
  of,
  people,
  keep,
}: {
  /** Null: free play, which nobody judges. */
  readonly lessonId: string | null;
  readonly of: PracticeOf;
  readonly people: readonly Learner[];
  readonly keep: Send;
}) {
  const lesson = lessonId === null ? null : (lessonById(lessonId) ?? null);
  // known long before the lesson is over
  const [who] = useLearner(people);
  const film = of.made?.usual.how.film === true;
  const dialC = lesson?.dialC ?? (film ? FREE_DIAL_C.film : FREE_DIAL_C.cakes);
  const fresh = (): PracticeRun => beginRun(of, Math.random(), dialC, lesson?.fat ?? 'film');
  const [run, setRun] = useState<PracticeRun | null>(null);
  // a seed is drawn in the browser alone: the server's page and this one are then the same
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, as it is opened
  useEffect(() => setRun(fresh()), []);
  if (!run) return <p role="status">The griddle warms up …</p>;
  return (
    <Practising
      key={run.seed}
      run={run}
      lesson={lesson}
      film={film}
      personId={who?.id ?? null}
      keep={keep}
      onAgain={() => setRun(fresh())}
    />
  );
}

function Practising({
  run,
  lesson,
  film,
  personId,
  keep,
  onAgain,
}: {
  readonly run: PracticeRun;
  readonly lesson: PracticeLesson | null;
  readonly film: boolean;
  readonly personId: string | null;
  readonly keep: Send;
  readonly onAgain: () => void;
}) {
  const [hand, setHand] = useState<Hand>(run.does === 'flat' || run.does === 'ball' ? 'turn' : 'peek');
  const [much, setMuch] = useState<HowMuch>('usual');
  const [moving, setMoving] = useState<number | null>(null);
  const [said, setSaid] = useState('');
  const { speed, setSpeed, canvas, told } = useClockwork(run, lesson);
  const over = lesson !== null && isOver(lesson, run);
  const pieces = piecesFrom(run.taps);
  const act = (a: PracticeAct): void => {
    if (over) return;
    setSaid(practise(run, a));
    told();
  };
  const onPlace = (slot: number): void => {
    const here = pieces.find((p) => p.slot === slot && p.pulledAt === null);
    if (moving !== null) {
      act({ do: 'move', piece: moving, slot });
      setMoving(null);
    } else if (!here) act({ do: 'pour', slot, much });
    else if (hand === 'move') {
      setMoving(here.piece);
      setSaid(`Piece ${here.piece}: now tap a free place.`);
    } else if (film && swirls(run, here.piece)) act({ do: 'swirl', piece: here.piece });
    // a piece that is turned is taken off by the same hand
    else
      act({ do: hand === 'turn' && run.does === 'flat' && here.flippedAt !== null ? 'off' : hand, piece: here.piece });
  };
  const practised = (p: Piece) => run.pieces.find((x) => x.number === p.piece);
  const saysOf = (p: Piece): string =>
    signsOf(practised(p)?.piece ?? (run.pieces[0] as PracticeRun['pieces'][number]).piece).join(', ');
  const words = HAND_WORDS[run.does];
  return (
    <div className="grid gap-4 lg:grid-cols-[1fr_20rem]">
      <div className="grid content-start gap-3">
        {lesson ? <p>{lesson.aim}</p> : null}
        <p
          role="status"
          className="min-h-12 content-center rounded-r-hold border-l-8 border-rim bg-white px-3 py-1.5 text-lg"
        >
          {said || 'Tap a free place to pour.'}
        </p>
        <SurfaceView
          surface={run.surface}
          end={null}
          pieces={pieces}
          timesOf={() => ({ first: Number.POSITIVE_INFINITY, second: Number.POSITIVE_INFINITY })}
          step={{ do: 'done' }}
          now={1000 * run.s}
          full={over}
          map={undefined}
          drawn={{ under: <canvas ref={canvas} aria-hidden className="absolute inset-0 size-full" />, saysOf }}
          onPlace={({ slot }) => onPlace(slot)}
        />
        {over && lesson ? (
          <LessonEnd
            lesson={lesson}
            run={run}
            result={resultOf(lesson, run)}
            personId={personId}
            keep={keep}
            onAgain={onAgain}
          />
        ) : null}
      </div>
      <div className="grid content-start gap-4">
        <Times run={run} lesson={lesson} speed={speed} onSpeed={setSpeed} />
        <Labelled says="A tap on a piece">
          <Taps
            label="A tap on a piece"
            value={hand}
            onChange={(h) => h && setHand(h)}
            options={HANDS.flatMap((h) => (words[h] ? [{ value: h, label: words[h] ?? '' }] : []))}
          />
        </Labelled>
        {run.does === 'flat' ? (
          <Labelled says="A tap on a free place pours">
            <Taps
              label="A tap on a free place pours"
              value={much}
              onChange={(m) => m && setMuch(m)}
              options={[
                { value: 'less', label: 'less' },
                { value: 'usual', label: 'as usual' },
                { value: 'more', label: 'more' },
              ]}
            />
          </Labelled>
        ) : null}
        <HeatAndFat run={run} onAct={act} />
        {lesson === null && run.does === 'flat' ? <Leans run={run} onAct={act} /> : null}
        {lesson === null ? <Button onClick={onAgain}>Begin anew</Button> : null}
      </div>
    </div>
  );
}

const swirls = (run: PracticeRun, number: number): boolean => {
  const p = run.pieces.find((x) => x.number === number)?.piece;
  return p?.does === 'flat' && p.swirled === null;
};

/** The run goes on with the clock, at its speed; the canvas follows it, React four times a second. */
function useClockwork(run: PracticeRun, lesson: PracticeLesson | null) {
  const [speed, setSpeed] = useState<Speed>(String(lesson?.speed ?? 1) as Speed);
  const [, setTick] = useState(0);
  const canvas = useRef<HTMLCanvasElement>(null);
  const told = (): void => setTick((n) => n + 1);
  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    let frame = 0;
    let timer = 0;
    let last = performance.now();
    let toldAt = 0;
    let behind = 0;
    let shown = 0;
    const step = (now: number): void => {
      const real = Math.min(still ? STILL_MS / 1000 : MOST_FRAME_S, (now - last) / 1000);
      last = now;
      shown += real;
      behind += real * Number(speed);
      // in whole steps, so that the same acts at the same seconds are the same morning
      const whole = Math.floor(behind / STEP_S) * STEP_S;
      if (whole > 0 && !(lesson && isOver(lesson, run))) advance(run, whole);
      behind -= whole;
      if (canvas.current) drawFaces(canvas.current, run, shown);
      if (now - toldAt > TOLD_EACH_MS) {
        toldAt = now;
        setTick((n) => n + 1);
      }
      if (still) timer = window.setTimeout(() => step(performance.now()), STILL_MS);
      else frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(timer);
    };
  }, [run, lesson, speed]);
  return { speed, setSpeed, canvas, told };
}

/** A row of taps with what it is for above it: the row's own label is for whoever can't see it. */
const Labelled = ({ says, children }: { readonly says: string; readonly children: ReactNode }) => (
  <div className="grid gap-1">
    <span aria-hidden className="text-sm font-semibold text-soft">
      {says}
    </span>
    {children}
  </div>
);

/** The clock of the practice, the bell, and how fast it goes. */
function Times({
  run,
  lesson,
  speed,
  onSpeed,
}: {
  readonly run: PracticeRun;
  readonly lesson: PracticeLesson | null;
  readonly speed: Speed;
  readonly onSpeed: (s: Speed) => void;
}) {
  const bell = lesson ? untilBell(lesson, run) : null;
  return (
    <div className="grid gap-2">
      <p className="text-2xl font-semibold">
        {clock(1000 * run.s)}
        {bell === null ? '' : `; the bell in ${clock(1000 * Math.max(0, bell))}`}
      </p>
      <Labelled says="Speed">
        <Taps
          label="Speed"
          value={speed}
          onChange={(s) => s && onSpeed(s)}
          options={SPEEDS.map((s) => ({ value: s, label: s === '0' ? 'stop' : `${s} ×` }))}
        />
      </Labelled>
    </div>
  );
}

const LEANS = ['0', '1', '2', '3'] as const;
/** Free play on a plate that doesn't stand level, as many don't. */
const Leans = ({ run, onAct }: { readonly run: PracticeRun; readonly onAct: (a: PracticeAct) => void }) => (
  <Labelled says="The plate leans to its front">
    <Taps
      label="The plate leans to its front"
      value={String(run.leanDeg) as (typeof LEANS)[number]}
      onChange={(deg) => deg && onAct({ do: 'lean', deg: Number(deg) })}
      options={LEANS.map((deg) => ({ value: deg, label: deg === '0' ? 'level' : `${deg}°` }))}
    />
  </Labelled>
);

const FAT_WORDS = { film: 'a little fat, wiped', pool: 'fat, not wiped', none: 'dry' } as const;

/** The dial, the drop of water, and the fat. */
function HeatAndFat({ run, onAct }: { readonly run: PracticeRun; readonly onAct: (a: PracticeAct) => void }) {
  const units = useUnits();
  const { dialC } = run.heat;
  // so that the dial moves by whole fives in the house's own degrees
  const by = (n: number): number => {
    const shown = degreesRead(dialC, units);
    const step = units.temperature === 'F' ? 2 * DIAL_STEP_C : DIAL_STEP_C;
    return celsiusFrom(Math.max(0, step * (Math.round(shown / step) + n)), units);
  };
  return (
    <fieldset className="grid gap-2">
      <legend className="text-sm font-semibold text-soft">Heat and fat</legend>
      <div className="flex flex-wrap items-center gap-2">
        <Button aria-label="Dial down" onClick={() => onAct({ do: 'dial', toC: by(-1) })}>
          −
        </Button>
        <span className="min-w-28 text-center" role="status">
          dial {temperature(dialC, units)}
        </span>
        <Button aria-label="Dial up" onClick={() => onAct({ do: 'dial', toC: by(1) })}>
          +
        </Button>
        {run.does === 'flat' ? <Button onClick={() => onAct({ do: 'drop' })}>A drop of water</Button> : null}
      </div>
      {run.does === 'flat' ? (
        <div className="flex flex-wrap items-center gap-2">
          <Button onClick={() => onAct({ do: 'fat' })}>Put fat on</Button>
          <Button onClick={() => onAct({ do: 'wipe' })}>Wipe it</Button>
          <span className="text-soft">{FAT_WORDS[run.fat.is]}</span>
        </div>
      ) : null}
    </fieldset>
  );
}
