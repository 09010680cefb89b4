'use client';
import { Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef } from 'react';
import { entriesOf, VERDICTS_OF_TEST } from '@/core/batch/acts';
import type { Batch } from '@/core/batch/batch';
import { endOfPiece, hasTestPiece } from '@/core/batch/driver';
import { asTaken, type MeasuredWith } from '@/core/batch/kitchen';
import type { Life } from '@/core/batch/mixes';
import { litOf, surfacesFor, withWhatLies } from '@/core/batch/surface';
import type { EventLog } from '@/core/day/event-log';
import { kindById, type Zone } from '@/core/formula/kinds';
import type { Ways } from '@/core/formula/ways';
import { actFor, joinedAt, nextStep, onHeat, type Piece, type Place, piecesFrom } from '@/core/griddle/board';
import type { HeatReading } from '@/core/griddle/heat';
import { addInsOf, progressOf } from '@/core/griddle/progress';
import type { SurfaceAct, SurfaceReading } from '@/core/griddle/simulated-surface';
import { cuesFor, type KnownTimes, oneChange, TEST_WORDS, timesNow } from '@/core/griddle/times';
import { doneAtTheHeat } from '@/core/judge/process';
import type { FadePoint } from '@/core/lift/fade';
import type { Gear } from '@/core/pantry/gear';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { foldedAt, isLookedAt } from '@/core/prep/check';
import { LitPart } from '../batch/lit-part';
import { kitchenNow, useNow } from '../day/clock';
import type { Tell } from '../day/send';
import { Trouble } from '../day/trouble';
import { useEventLog } from '../day/use-event-log';
import { useAlarm, useAlarms } from '../kit/alarm';
import type { Refused } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { useInstrument } from '../kit/instrument';
import { Switch } from '../kit/switch';
import { BowlClock } from './bowl-clock';
import { CountView } from './count-view';
import { DoneView } from './done-view';
import { HeatView } from './heat-view';
import { HoldView } from './hold-view';
import { StepView } from './step-view';
import { SurfaceView } from './surface-view';
import { ACT_WORDS, DONE_WORDS } from './words';

interface Props {
  readonly batch: Batch;
  readonly gear: readonly Gear[];
  /** What thins and thickens this batter, and how the batch is measured. */
  readonly means: { readonly thin: Ingredient; readonly thick: Ingredient };
  readonly measured: MeasuredWith;
  /** How far one piece spreads where it is poured freely, cm. */
  readonly acrossCm: number | undefined;
  readonly known: KnownTimes;
  readonly ways: Ways;
  /** How long a joined bowl is good for, and how its lift fades. */
  readonly life: Life;
  /** The same until the whites are in; and whether there are any. */
  readonly batterLife: Life;
  readonly whites: boolean;
  readonly fade: readonly FadePoint[];
  /** How hot the kind wants it, C; and what dials have meant before. */
  readonly zone: Zone;
  readonly dials: readonly HeatReading[];
  /** Somebody has to look before bowls are joined. */
  readonly checks: boolean;
  readonly first: EventLog;
  readonly tell: Tell;
  readonly want: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

/** The griddle's board; drawn where the clock is, in the browser: the server's is another. */
export function Board(props: Props) {
  const [now, refresh] = useNow(500);
  return now === null ? <p role="status">Looking at the clock …</p> : <BoardAt {...props} now={now} onNow={refresh} />;
}

/** What lies where and since when, the one next thing, and how many there still are to make. */
function BoardAt({
  batch,
  gear,
  means,
  measured,
  acrossCm,
  known,
  ways,
  life,
  batterLife,
  whites,
  fade,
  zone,
  dials,
  checks,
  first,
  tell,
  want,
  now,
  onNow,
}: Props & { readonly now: number; readonly onNow: () => void }) {
  const router = useRouter();
  const asking = useAsking();
  const log = useEventLog(batch.id, first, tell, () => router.refresh());
  const { taps } = log;
  const probe = useInstrument<SurfaceReading, SurfaceAct>('/api/surface', 'practice-griddle');
  const [alarms, setAlarms] = useAlarms();
  const nextKey = useRef<HTMLButtonElement>(null);
  const verdict = entriesOf(log.entries, 'test').at(-1)?.act.verdict ?? '';

  const kind = kindById(batch.kind);
  const hasTest = hasTestPiece(batch.driver);
  const pieces = piecesFrom(taps);
  const wanted = batch.piecesPlanned;
  const { times, from, aside } = timesNow(known, pieces);
  const sayStir = (what: 'thin' | 'thick', g: number): string => `${asTaken(means[what], g, measured).measure} of ${kitchenName(means[what]).toLowerCase()}`;
  const lit = litOf(log.entries);
  const surfaces = surfacesFor(gear, batch.kind, acrossCm, lit);
  const drawn = withWhatLies(surfaces, gear, batch.kind, acrossCm, onHeat(pieces));
  const places: readonly Place[] = surfaces.flatMap((x) => x.slots.map((_, slot) => ({ surface: x.id, slot })));
  const progress = progressOf(batch, pieces, times, places.length, now);
  const { toPour } = progress;
  const test = hasTest ? pieces.find((p) => p.piece === 1) : undefined;
  // the test piece is looked at before the next is poured
  const held = hasTest && test !== undefined && (test.pulledAt === null || verdict === '');
  const step = nextStep(pieces, places, times, held ? 0 : hasTest && test === undefined ? Math.min(1, toPour) : toPour, now);

  // what goes on as it is poured, or before it is turned
  const turns = (step.do === 'flip' || step.do === 'wait') && step.piece.flippedAt === null && times.second !== null;
  const goesOn = step.do === 'pour' ? 'poured' : turns ? 'flip' : null;
  const asks = step.do === 'flip' || step.do === 'pull' ? `${step.do} ${step.piece.piece}` : '';
  useAlarm(asks);

  const act = (what: 'pour' | 'flip' | 'pull', place: Place, of: Piece | null): void => {
    onNow();
    log.tell({
      do: 'tap',
      tap: { id: crypto.randomUUID(), act: what, of: of?.id ?? null, surface: place.surface, slot: place.slot, at: kitchenNow() },
    });
    // the practice griddle feels what is poured on it
    if (what === 'pour' && probe.on) probe.act({ do: 'pour', pieces: 1 });
  };
  const next = Math.max(0, ...pieces.map((p) => p.piece)) + 1;
  const onPlace = (place: Place): void => {
    const here = onHeat(pieces).find((p) => p.surface === place.surface && p.slot === place.slot);
    if (here) act(actFor(here, times), place, here);
    else if (toPour > 0) act('pour', place, null);
    // the next thing stays under one key, wherever the hand has been
    nextKey.current?.focus({ preventScroll: true });
  };
  const go = (): void => {
    if (step.do === 'pour') act('pour', step.place, null);
    else if (step.do === 'flip' || step.do === 'pull') act(step.do, step.piece, step.piece);
    else if (step.do === 'wait') act(actFor(step.piece, times), step.piece, step.piece);
  };
  const last = taps.at(-1);

  const changeWanted = async (by: number): Promise<void> => {
    if (wanted === null || wanted + by < 1) return;
    const a = await asking.ask((requestId) => want({ batchId: batch.id, by, requestId }));
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
      <Trouble log={log} />
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_20rem]">
        <div className="grid min-w-0 gap-4">
          <section aria-label="Next" className="rounded-plate bg-white p-4">
            <StepView
              step={step}
              times={times}
              now={now}
              cues={cuesFor(batch.kind, { ...ways, ...doneAtTheHeat(log.entries, ways) })}
              next={next}
              held={held && test?.pulledAt !== null && test !== undefined}
              test={hasTest && next === 1}
              measured={measured}
              end={endOfPiece(batch.driver, next - (hasTest ? 1 : 0))}
              addIns={addInsOf(batch, goesOn, (id) => findIngredient(id, measured.conventions.own))}
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
                    log.tell({ do: 'untap', tapId: last.id });
                    nextKey.current?.focus({ preventScroll: true });
                  }}
                >
                  <Undo2 size={20} aria-hidden />
                  Take back “{ACT_WORDS[last.act].toLowerCase()} {last.piece}”
                </Button>
              ) : null}
            </div>
            <p className="mt-3 text-lg lg:hidden">
              <strong>{progress.off}</strong> {wanted === null ? 'off' : `of ${wanted} off`}
              {progress.leftInBowl === null ? '' : `; ${progress.leftInBowl} still to pour from ${progress.bowls > 1 ? `bowl ${progress.bowl}` : 'the bowl'}`}.
            </p>
            {hasTest && test && test.pulledAt !== null ? (
              <div className="mt-4 grid gap-2 border-t border-line pt-3">
                <p className="font-semibold">The test piece is</p>
                <Taps
                  label="The test piece is"
                  size="work"
                  value={verdict}
                  onChange={(v) => v !== '' && log.enter({ what: 'test', verdict: v })}
                  options={VERDICTS_OF_TEST.map((v) => ({ value: v, label: TEST_WORDS[v] }))}
                />
                {verdict === '' ? null : <p className="text-lg font-semibold">{oneChange(verdict, batch.massG / progress.bowls, sayStir)}</p>}
                {verdict === 'thick' || verdict === 'thin' ? (
                  <Link href={`/batches/${batch.id}/prep`} className="inline-flex min-h-11 items-center font-semibold text-rim underline">
                    By how much, from a look or a measured pour
                  </Link>
                ) : null}
              </div>
            ) : null}
          </section>
          {drawn.map((surface) => (
            <SurfaceView key={surface.id} surface={surface} pieces={pieces} times={times} step={step} now={now} full={toPour <= 0} onPlace={onPlace} />
          ))}
        </div>
        <div className="grid min-w-0 gap-4">
          <CountView
            progress={progress}
            wanted={wanted}
            pieces={kind.pieces}
            hasTest={hasTest}
            times={times}
            from={from}
            aside={aside}
            now={now}
            busy={asking.busy}
            refusal={asking.refusal}
            onWanted={(by) => void changeWanted(by)}
          >
            <BowlClock
              bowl={progress.bowl}
              bowls={progress.bowls}
              at={joinedAt(taps, progress.bowl)}
              folded={whites ? foldedAt(log.entries, progress.bowl) : undefined}
              now={now}
              life={whites && foldedAt(log.entries, progress.bowl) === null ? batterLife : life}
              points={fade}
              guard={checks && !isLookedAt({ ...batch, ticked: log.ticked, entries: log.entries }, progress.bowl) ? `/batches/${batch.id}/prep` : null}
              onJoin={() => {
                onNow();
                log.tell({ do: 'tap', tap: { id: crypto.randomUUID(), piece: progress.bowl, act: 'join', surface: '', slot: 0, at: kitchenNow() } });
                nextKey.current?.focus({ preventScroll: true });
              }}
            />
          </CountView>
          <HoldView
            off={progress.off}
            left={wanted === null ? null : Math.max(0, wanted - progress.off)}
            places={places.length}
            times={times}
            log={log}
            now={now}
          />
          <DoneView kind={batch.kind} ways={ways} log={log} />
          <div className="rounded-plate bg-white px-4 py-3">
            <LitPart gear={gear} kind={batch.kind} lit={lit} places={surfaces} onLit={(l) => log.enter({ what: 'lit', ...l })} />
          </div>
          <HeatView surfaces={drawn} zone={zone} log={log} earlier={dials} probe={probe} now={now} />
          <div className="flex flex-wrap gap-x-5 gap-y-1 rounded-plate bg-white px-4 py-2">
            <Switch size="work" label="sound" on={alarms.sound} onSwitch={(sound) => setAlarms({ ...alarms, sound })} />
            <Switch size="work" label="flash" on={alarms.flash} onSwitch={(flash) => setAlarms({ ...alarms, flash })} />
          </div>
        </div>
      </div>
      <p className="text-sm text-soft">
        Hot metal and hot fat: long sleeves, no hurry, children at arm’s length. Cooked through, held and served as the local food code has it; this clock says
        nothing about that.
      </p>
    </div>
  );
}
