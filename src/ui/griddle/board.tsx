'use client';
import { Undo2 } from 'lucide-react';
import { type RefObject, useMemo, useRef, useState } from 'react';
import { doneAtTheHeat, VERDICTS_OF_TEST } from '@/core/batch/acts';
import { hasTestPiece } from '@/core/batch/driver';
import type { Life } from '@/core/batch/mixes';
import { isTestPiece } from '@/core/batch/pieces';
import { scriptOfBatch } from '@/core/batch/script-of';
import type { MeasuredWith } from '@/core/batch/taken';
import type { EventLog } from '@/core/day/event-log';
import type { EndId } from '@/core/formula/formula';
import { FILLING_NAMES, kindById } from '@/core/formula/kinds';
import type { Ways } from '@/core/formula/ways';
import { actFor, joinedAt, onHeat, type Piece, type Place, type Tap } from '@/core/griddle/board';
import { type BoardFacts, type EndAt, type GriddleNow, griddleNow } from '@/core/griddle/griddle-now';
import type { HeatReading } from '@/core/griddle/heat';
import { addInsOf } from '@/core/griddle/progress';
import type { SurfaceAct, SurfaceReading } from '@/core/griddle/simulated-surface';
import { oneChange, TEST_WORDS } from '@/core/griddle/times';
import type { FadePoint } from '@/core/lift/fade';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { foldedAt, isLookedAt } from '@/core/prep/check';
import { asRead, portionWords } from '@/core/quantity/say';
import { heatIn, holdIn, putOnIn } from '@/core/script/read';
import { useAlarm, useAlarms } from '../kit/alarm';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { useInstrument } from '../kit/instrument';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { Switch } from '../kit/switch';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';
import { BowlClock } from '../live/bowl-clock';
import { kitchenNow, useNow } from '../live/clock';
import { Trouble } from '../live/trouble';
import { type OpenEventLog, useEventLog } from '../live/use-event-log';
import { AskGear } from '../shared/ask-gear';
import { ACT_WORDS, DONE_WORDS } from '../shared/clock-words';
import { LitPart } from '../shared/lit-part';
import { SurfaceView } from '../shared/surface-view';
import { useAsTaken } from './as-taken';
import { CountView } from './count-view';
import { DoneView } from './done-view';
import { HeatView } from './heat-view';
import { HoldView } from './hold-view';
import { HeatCaution } from './notices';
import { type Saying, saidAtGriddle } from './said';
import { StepView } from './step-view';

interface Props extends BoardFacts {
  /** What thins and thickens this batter, and how the batch is measured. */
  readonly means: { readonly thin: Ingredient; readonly thick: Ingredient };
  readonly measured: MeasuredWith;
  /** What is on its sheet, by id. */
  readonly things: Readonly<Record<string, Ingredient>>;
  readonly ways: Ways;
  /** How long a joined bowl is good for, and how its lift fades. */
  readonly life: Life;
  /** The same until the whites are in; and whether there are any. */
  readonly batterLife: Life;
  readonly whites: boolean;
  readonly fade: readonly FadePoint[];
  /** What dials have meant before. */
  readonly dials: readonly HeatReading[];
  /** Somebody has to look before bowls are joined. */
  readonly checks: boolean;
  readonly first: EventLog;
  readonly want: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

/** The griddle's board; drawn where the clock is, in the browser: the server's is another. */
export function Board(props: Props) {
  const [now, refresh] = useNow(500);
  return now === null ? <p role="status">Looking at the clock …</p> : <BoardAt {...props} now={now} onNow={refresh} />;
}

/** What lies where and since when, the one next thing, and how many there still are to make. */
function BoardAt(props: Props & { readonly now: number; readonly onNow: () => void }) {
  const { batch, gear, ways, first, now, onNow } = props;
  const refresh = useRefresh();
  const log = useEventLog(batch.id, first, refresh);
  const probe = useInstrument<SurfaceReading, SurfaceAct>('/api/surface', 'practice-griddle');
  const [chosen, setChosen] = useState<EndId | null>(null);
  const nextKey = useRef<HTMLButtonElement>(null);
  const it = griddleNow(props, log.taps, log.entries, chosen, now);
  const { pieces, ends, pouring, drawn, step, progress } = it;
  const holdC = useMemo(
    () => holdIn(scriptOfBatch(batch, ways, (id) => props.things[id])),
    [batch, ways, props.things],
  );
  useAlarm(step.do === 'flip' || step.do === 'pull' ? `${step.do} ${step.piece.piece}` : '');
  // the next thing stays under one key, wherever the hand has been
  const toNext = (): void => nextKey.current?.focus({ preventScroll: true });

  const act = (what: Exclude<Tap['act'], 'join'>, place: Place, of: Piece | null, end = pouring): void => {
    onNow();
    log.tell({
      do: 'tap',
      tap: {
        id: crypto.randomUUID(),
        act: what,
        of: of?.id ?? null,
        surface: place.surface,
        slot: place.slot,
        at: kitchenNow(),
        ...(what === 'pour' && end.end && { end: end.end }),
      },
    });
    // the practice griddle feels what is poured on it
    if (what === 'pour' && probe.on) probe.act({ do: 'pour', pieces: 1 });
  };
  const [moving, setMoving] = useState<Moving>(null);
  const onPlace = (place: Place, of: EndAt): void => {
    const lies = onHeat(pieces).find((p) => p.surface === place.surface && p.slot === place.slot);
    if (moving && lies) {
      setMoving(lies);
      return;
    }
    if (moving) {
      if (moving !== 'which') act('move', place, moving);
      setMoving(null);
    } else if (lies) act(actFor(lies, it.timesOf(lies)), place, lies);
    else if (progress.toPour > 0 && of.left > 0) act('pour', place, null, of);
    toNext();
  };
  if (drawn.length === 0) return <AskGear kind={batch.kind} />;
  return (
    <div className="grid gap-4">
      <Trouble log={log} />
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_20rem]">
        <div className="grid min-w-0 gap-4">
          <NextPart
            {...props}
            it={it}
            log={log}
            nextKey={nextKey}
            act={act}
            toNext={toNext}
            onEnd={setChosen}
            moving={moving}
            onMoving={setMoving}
          />
          {drawn.map(({ surface, of }) => (
            <SurfaceView
              key={surface.id}
              surface={surface}
              end={ends.length > 1 ? of.name : null}
              pieces={pieces}
              timesOf={it.timesOf}
              map={props.places?.[surface.id]}
              step={step}
              now={now}
              full={(progress.toPour <= 0 || of.left <= 0) && (moving === null || moving === 'which')}
              onPlace={(place) => onPlace(place, of)}
            />
          ))}
        </div>
        <div className="grid min-w-0 gap-4">
          <CountPart {...props} it={it} log={log} toNext={toNext} />
          <HoldView
            off={progress.off}
            left={batch.piecesPlanned === null ? null : Math.max(0, batch.piecesPlanned - progress.off)}
            places={it.places.length}
            kind={pouring.kind}
            holdC={holdC}
            times={pouring.known.times}
            log={log}
            now={now}
          />
          <DoneView kind={pouring.kind} ways={ways} log={log} />
          <div className="grid gap-4 rounded-plate bg-white px-4 py-3">
            {ends
              .filter((e, n) => n === 0 || e.kind !== ends[0]?.kind)
              .map((e, n) => (
                <LitPart
                  key={e.end ?? 'all'}
                  of={ends.length > 1 && ends[1]?.kind !== ends[0]?.kind ? e.name : null}
                  gear={gear}
                  kind={e.kind}
                  lit={e.lit}
                  places={e.surfaces}
                  onLit={(l) => log.enter({ what: 'lit', ...(n > 0 && { end: 'b' as const }), ...l })}
                />
              ))}
          </div>
          <HeatView
            surfaces={drawn.map((d) => d.surface)}
            zoneOf={(id) => (drawn.find((d) => d.surface.id === id)?.of ?? pouring).zone}
            log={log}
            earlier={props.dials}
            probe={probe}
            now={now}
          />
          <AlarmsPart />
        </div>
      </div>
      <HeatCaution />
    </div>
  );
}

function AlarmsPart() {
  const [alarms, setAlarms] = useAlarms();
  return (
    <div className="flex flex-wrap gap-x-5 gap-y-1 rounded-plate bg-white px-4 py-2">
      <Switch size="work" label="sound" on={alarms.sound} onSwitch={(sound) => setAlarms({ ...alarms, sound })} />
      <Switch size="work" label="flash" on={alarms.flash} onSwitch={(flash) => setAlarms({ ...alarms, flash })} />
    </div>
  );
}

interface Part extends Props {
  readonly it: GriddleNow;
  readonly log: OpenEventLog;
  readonly now: number;
  /** Puts the focus on the key of the next thing. */
  readonly toNext: () => void;
}

/** A piece that is being moved: which, before it is said; null: none is. */
type Moving = Piece | 'which' | null;

/** A piece is moved by two presses: itself, then a free place. */
const MoveKey = ({ moving, onMoving }: { readonly moving: Moving; readonly onMoving: (to: Moving) => void }) => (
  <>
    <Button size="work" look="bare" aria-pressed={moving !== null} onClick={() => onMoving(moving ? null : 'which')}>
      {moving ? 'Move nothing' : 'Move a piece'}
    </Button>
    {moving ? (
      <p role="status" className="w-full text-lg font-semibold">
        {moving === 'which' ? 'Press the piece that is moved.' : `Press a free place for piece ${moving.piece}.`}
      </p>
    ) : null}
  </>
);

/** The one next thing with its key, the step back, and the test piece once it is off. */
function NextPart({
  batch,
  measured,
  means,
  things,
  ways,
  whites,
  it,
  log,
  now,
  nextKey,
  act,
  toNext,
  onEnd,
  moving,
  onMoving,
}: Part & {
  readonly nextKey: RefObject<HTMLButtonElement | null>;
  readonly act: (what: Exclude<Tap['act'], 'join'>, place: Place, of: Piece | null) => void;
  readonly onEnd: (end: EndId) => void;
  readonly moving: Moving;
  readonly onMoving: (to: Moving) => void;
}) {
  const units = useUnits();
  const time = useTime();
  const asTaken = useAsTaken(measured);
  const { panFat, flip } = doneAtTheHeat(log.entries, ways);
  const script = useMemo(
    () => scriptOfBatch(batch, { ...ways, panFat, flip }, (id) => things[id]),
    [batch, ways, panFat, flip, things],
  );
  const { ends, pouring, at, step, next, held, restsUntil, progress, test, verdict } = it;
  const wanted = batch.piecesPlanned;
  const sayStir = (what: 'thin' | 'thick', g: number): string =>
    `${asTaken(means[what], g)} of ${kitchenName(means[what]).toLowerCase()}`;
  const go = (): void => {
    if (step.do === 'pour') act('pour', step.place, null);
    else if (step.do === 'flip' || step.do === 'pull') act(step.do, step.piece, step.piece);
    else if (step.do === 'wait') act(actFor(step.piece, it.timesOf(step.piece)), step.piece, step.piece);
  };
  const last = log.taps.at(-1);
  const heat = heatIn(script, Math.max(0, ends.indexOf(at)));
  const saying: Saying = {
    step,
    next,
    test: isTestPiece(batch, next),
    held: held && test?.pulledAt !== null && test !== undefined,
    end: ends.length > 1 ? at.name : null,
    rests: restsUntil === null ? null : time.ofDay(restsUntil),
  };
  return (
    <section aria-label="Next" className="rounded-plate bg-white p-4">
      {ends.filter((e) => e.left > 0).length > 1 ? (
        <div className="mb-3">
          <Taps
            label="Pouring now"
            size="work"
            value={pouring.end ?? 'a'}
            onChange={(v) => v !== '' && onEnd(v)}
            options={ends.map((e) => ({ value: e.end ?? 'a', label: `${e.name}, ${e.left} left` }))}
          />
        </div>
      ) : null}
      <span role="status" className="sr-only">
        {saidAtGriddle(saying, log.taps.at(-1) ?? null)}
      </span>
      <StepView
        {...saying}
        times={at.known.times}
        now={now}
        cues={heat.cues}
        thenC={heat.thenC}
        measured={measured}
        portion={at.portionMl === null ? null : portionWords(at.portionMl, at.said)}
        addIns={addInsOf(batch, it.goesOn === null ? [] : putOnIn(script, it.goesOn), (id) => things[id], at)}
      />
      {whites && step.do === 'pour' && foldedAt(log.entries, progress.bowl) === null ? (
        <p className="mt-2 text-lg font-semibold">
          The whites are not folded in yet:{' '}
          <Link href={`/batches/${batch.id}/prep`} className="text-rim underline">
            to Prep
          </Link>
          .
        </p>
      ) : null}
      <div className="mt-3 flex flex-wrap gap-3">
        {step.do === 'done' ? (
          held ? null : (
            <Link href={`/batches/${batch.id}/outcome`} className={`${lookOf('now', 'work')} min-h-16 !px-8 text-xl`}>
              Write what came out
            </Link>
          )
        ) : (
          <Button
            look={step.do === 'wait' || restsUntil !== null ? 'plain' : 'now'}
            size="work"
            className="min-h-16 !px-8 text-xl"
            ref={nextKey}
            autoFocus
            onClick={go}
          >
            {step.do === 'wait'
              ? `${DONE_WORDS[actFor(step.piece, it.timesOf(step.piece))]} already: ${step.piece.piece}`
              : `${restsUntil === null ? DONE_WORDS[step.do] : 'Poured early'}: ${step.do === 'pour' ? next : step.piece.piece}`}
          </Button>
        )}
        {step.do === 'flip' || step.do === 'pull' ? (
          <Button
            size="work"
            onClick={() => {
              act('wait', step.piece, step.piece);
              toNext();
            }}
          >
            Not yet: {step.piece.piece}
          </Button>
        ) : null}
        {onHeat(it.pieces).length > 0 ? <MoveKey moving={moving} onMoving={onMoving} /> : null}
        {last ? (
          <Button
            size="work"
            onClick={() => {
              log.tell({ do: 'untap', tapId: last.id });
              toNext();
            }}
          >
            <Undo2 size={20} aria-hidden />
            Take back “{ACT_WORDS[last.act].toLowerCase()} {last.piece}”
          </Button>
        ) : null}
      </div>
      <p className="mt-3 text-lg lg:hidden">
        <strong>{progress.off}</strong> {wanted === null ? 'off' : `of ${wanted} off`}
        {progress.leftInBowl === null
          ? ''
          : `; ${progress.leftInBowl} still to pour from ${progress.bowls > 1 ? `bowl ${progress.bowl}` : 'the bowl'}`}
        .
      </p>
      {test && test.pulledAt !== null ? (
        <div className="mt-4 grid gap-2 border-t border-line pt-3">
          <p className="font-semibold">The test piece is</p>
          <Taps
            label="The test piece is"
            size="work"
            value={verdict}
            onChange={(v) => v !== '' && log.enter({ what: 'test', verdict: v })}
            options={VERDICTS_OF_TEST.map((v) => ({ value: v, label: TEST_WORDS[v] }))}
          />
          {verdict === '' ? null : (
            <p className="text-lg font-semibold">
              {asRead(oneChange(verdict, batch.massG / progress.bowls, sayStir), units)}
            </p>
          )}
          {verdict === 'thick' || verdict === 'thin' ? (
            <Link
              href={`/batches/${batch.id}/prep`}
              className="inline-flex min-h-11 items-center font-semibold text-rim underline"
            >
              By how much, from a look or a measured pour
            </Link>
          ) : null}
        </div>
      ) : null}
    </section>
  );
}

/** How many are off and to come, and the bowl's clock. */
function CountPart({
  batch,
  want,
  whites,
  life,
  batterLife,
  fade,
  checks,
  it,
  log,
  now,
  onNow,
  toNext,
}: Part & { readonly onNow: () => void }) {
  const refresh = useRefresh();
  const asking = useAsking();
  const { ends, pouring, progress } = it;
  const wanted = batch.piecesPlanned;
  const folded = whites ? foldedAt(log.entries, progress.bowl) : undefined;
  const changeWanted = async (by: number): Promise<void> => {
    if (wanted === null || wanted + by < 1) return;
    const a = await asking.ask((requestId) =>
      act('want-pieces', `${by > 0 ? by : -by} ${by > 0 ? 'more' : 'fewer'} wanted`, want, {
        batchId: batch.id,
        by,
        requestId,
      }),
    );
    if (a?.ok) refresh();
  };
  return (
    <CountView
      progress={progress}
      wanted={wanted}
      pieces={ends.length > 1 ? 'pieces' : kindById(batch.kind).pieces}
      ends={ends.length > 1 ? ends.map((e) => ({ name: e.name ?? '', off: e.off, pieces: e.pieces })) : []}
      filling={FILLING_NAMES[pouring.kind]}
      hasTest={hasTestPiece(batch.driver)}
      known={pouring.known}
      now={now}
      busy={asking.busy}
      refusal={asking.refusal}
      onWanted={(by) => void changeWanted(by)}
    >
      <BowlClock
        bowl={progress.bowl}
        bowls={progress.bowls}
        at={joinedAt(log.taps, progress.bowl)}
        folded={folded}
        now={now}
        life={folded === null ? batterLife : life}
        points={fade}
        guard={
          checks && !isLookedAt({ ...batch, ticked: log.ticked, entries: log.entries }, progress.bowl)
            ? `/batches/${batch.id}/prep`
            : null
        }
        onJoin={() => {
          onNow();
          const id = crypto.randomUUID();
          log.tell({
            do: 'tap',
            tap: { id, piece: progress.bowl, act: 'join', surface: '', slot: 0, at: kitchenNow() },
          });
          toNext();
        }}
      />
    </CountView>
  );
}
