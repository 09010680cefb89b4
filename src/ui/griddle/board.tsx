'use client';
import { Undo2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState } from 'react';
import { doneAtTheHeat, entriesOf, litOf, VERDICTS_OF_TEST } from '@/core/batch/acts';
import type { Batch } from '@/core/batch/batch';
import { hasTestPiece } from '@/core/batch/driver';
import type { Life } from '@/core/batch/mixes';
import { countedNumber, isTestPiece } from '@/core/batch/pieces';
import { type Pouring, pouringOf, pouringsOf } from '@/core/batch/pourings';
import { scriptOfBatch } from '@/core/batch/script-of';
import type { MeasuredWith } from '@/core/batch/taken';
import { type Lit, placesIn, type Surface, surfacesFor, withWhatLies } from '@/core/batter/surface';
import type { EventLog } from '@/core/day/event-log';
import type { EndId } from '@/core/formula/formula';
import { FILLING_NAMES, kindById, type Zone } from '@/core/formula/kinds';
import type { Ways } from '@/core/formula/ways';
import { actFor, joinedAt, nextStep, onHeat, type Piece, type Place, piecesFrom } from '@/core/griddle/board';
import type { HeatReading } from '@/core/griddle/heat';
import { addInsOf, offAtOf, progressOf } from '@/core/griddle/progress';
import type { SurfaceAct, SurfaceReading } from '@/core/griddle/simulated-surface';
import { type KnownTimes, oneChange, TEST_WORDS, timesNow } from '@/core/griddle/times';
import type { FadePoint } from '@/core/lift/fade';
import type { Gear } from '@/core/pantry/gear';
import { type Ingredient, kitchenName } from '@/core/pantry/ingredient';
import { foldedAt, isLookedAt } from '@/core/prep/check';
import { asRead, portionWords } from '@/core/quantity/say';
import type { SideTimes } from '@/core/script/on-heat';
import { heatIn } from '@/core/script/read';
import { useAlarm, useAlarms } from '../kit/alarm';
import type { Refused } from '../kit/answer';
import { useAsking } from '../kit/asking';
import { Button, lookOf } from '../kit/button';
import { Taps } from '../kit/choice';
import { useInstrument } from '../kit/instrument';
import { Link } from '../kit/link';
import { Switch } from '../kit/switch';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';
import { BowlClock } from '../live/bowl-clock';
import { kitchenNow, useNow } from '../live/clock';
import type { Tell } from '../live/send';
import { Trouble } from '../live/trouble';
import { useEventLog } from '../live/use-event-log';
import { LitPart } from '../shared/lit-part';
import { useAsTaken } from './as-taken';
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
  /** What is on its sheet, by id. */
  readonly things: Readonly<Record<string, Ingredient>>;
  /**
   * Of each end that is poured: how far one piece spreads, cm, what is known of its times, and how hot its kind wants
   * it, C.
   */
  readonly ends: readonly { readonly acrossCm: number | undefined; readonly known: KnownTimes; readonly zone: Zone }[];
  readonly ways: Ways;
  /** How long a bowl rests before it is poured, minutes. */
  readonly restMin: number;
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
  readonly tell: Tell;
  readonly want: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}

/** An end as it stands at the heat. */
interface EndAt extends Pouring {
  readonly mine: readonly Piece[];
  readonly left: number;
  readonly off: number;
  readonly acrossCm: number | undefined;
  readonly zone: Zone;
  readonly lit: Lit;
  readonly surfaces: readonly Surface[];
  readonly known: KnownTimes;
}

/** Every surface once, with the end whose pieces lie there; where none do, the one that is poured now. */
function drawnOf(
  ends: readonly EndAt[],
  pouring: EndAt,
  gear: readonly Gear[],
): readonly { readonly surface: Surface; readonly of: EndAt }[] {
  const all = [pouring, ...ends.filter((e) => e !== pouring)].flatMap((of) =>
    withWhatLies(of.surfaces, gear, of.kind, of.acrossCm, onHeat(of.mine)).map((surface) => ({ surface, of })),
  );
  const lies = (d: (typeof all)[0]): boolean => onHeat(d.of.mine).some((p) => p.surface === d.surface.id);
  const ids = [...new Set(all.map((d) => d.surface.id))];
  return ids.flatMap((id) => {
    const here = all.filter((d) => d.surface.id === id);
    // two ends of one kind and portion share it place by place
    const [first] = here;
    const shared = first && here.every((d) => d.of.kind === first.of.kind && d.of.acrossCm === first.of.acrossCm);
    return (shared ? first : (here.find(lies) ?? first)) ?? [];
  });
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
  things,
  ends: theirs,
  ways,
  restMin,
  life,
  batterLife,
  whites,
  fade,
  dials,
  checks,
  first,
  tell,
  want,
  now,
  onNow,
}: Props & { readonly now: number; readonly onNow: () => void }) {
  const router = useRouter();
  const units = useUnits();
  const time = useTime();
  const asking = useAsking();
  const log = useEventLog(batch.id, first, tell, () => router.refresh());
  const { taps } = log;
  const probe = useInstrument<SurfaceReading, SurfaceAct>('/api/surface', 'practice-griddle');
  const [alarms, setAlarms] = useAlarms();
  const [chosen, setChosen] = useState<EndId | null>(null);
  const nextKey = useRef<HTMLButtonElement>(null);

  const kind = kindById(batch.kind);
  const hasTest = hasTestPiece(batch.driver);
  const pieces = piecesFrom(taps);
  const wanted = batch.piecesPlanned;
  const pourings = pouringsOf(batch);
  const { panFat, flip } = doneAtTheHeat(log.entries, ways);
  const script = useMemo(
    () => scriptOfBatch(batch, { ...ways, panFat, flip }, (id) => things[id]),
    [batch, ways, panFat, flip, things],
  );
  const ofPiece = (p: Piece): Pouring => pouringOf(pourings, p, countedNumber(batch, p.piece));
  const ends = pourings.map((p, n): EndAt => {
    const mine = pieces.filter((x) => ofPiece(x) === p);
    const counted = mine.filter((x) => !isTestPiece(batch, x.piece));
    const { acrossCm, known, zone } = theirs[n] ?? (theirs[0] as (typeof theirs)[0]);
    const lit = litOf(log.entries, p.end);
    const surfaces = surfacesFor(gear, p.kind, acrossCm, lit);
    const left = p.pieces === null ? Number.POSITIVE_INFINITY : Math.max(0, p.pieces - counted.length);
    return {
      ...p,
      mine,
      left,
      off: counted.filter((x) => x.pulledAt !== null).length,
      acrossCm,
      zone,
      lit,
      surfaces,
      known: timesNow(known, mine),
    };
  });
  const pouring = (ends.find((e) => e.end === chosen && e.left > 0) ??
    ends.find((e) => e.left > 0) ??
    ends[0]) as EndAt;
  const endAt = (p: Piece): EndAt => ends.find((e) => e.mine.includes(p)) ?? pouring;
  const timesOf = (p: Piece): SideTimes => endAt(p).known.times;
  const { times, from, aside } = pouring.known;
  const asTaken = useAsTaken(measured);
  const sayStir = (what: 'thin' | 'thick', g: number): string =>
    `${asTaken(means[what], g)} of ${kitchenName(means[what]).toLowerCase()}`;
  const drawn = drawnOf(ends, pouring, gear);
  const here = drawn.filter((d) => d.of === pouring && pouring.surfaces.some((s) => s.id === d.surface.id));
  const places: readonly Place[] = here.flatMap(({ surface: x }) =>
    x.slots.map((_, slot) => ({ surface: x.id, slot })),
  );
  const several = ends.map((e) => ({
    left: e.left,
    offAt: offAtOf(e.mine, e.known.times, now),
    places: placesIn(e.surfaces),
    times: e.known.times,
  }));
  const progress = progressOf(batch, pieces, times, places.length, now, ends.length > 1 ? several : null);
  const { toPour } = progress;
  const test = pieces.findLast((p) => isTestPiece(batch, p.piece));
  const verdict = (test && entriesOf(log.entries, 'test').findLast((e) => e.at >= test.pouredAt)?.act.verdict) ?? '';
  // the test piece is looked at before the next is poured
  const held = test !== undefined && (test.pulledAt === null || verdict === '');
  const mayPour = Math.min(toPour, ends.length > 1 ? pouring.left : toPour);
  const step = nextStep(pieces, places, timesOf, held ? 0 : mayPour, now);
  // a bowl that still rests is not poured yet
  const joined = joinedAt(taps, progress.bowl);
  const rested = joined === null ? null : joined + restMin * 60_000;
  // whoever has begun to pour it all the same is not asked again
  const begun = joined !== null && taps.some((t) => t.act === 'pour' && t.at >= joined);
  const restsUntil = step.do === 'pour' && rested !== null && rested > now && !begun ? rested : null;
  // the end that the next thing is done to
  const at = step.do === 'pour' || step.do === 'done' ? pouring : endAt(step.piece);

  // what goes on as it is poured, or before it is turned
  const turns =
    (step.do === 'flip' || step.do === 'wait') && step.piece.flippedAt === null && at.known.times.second !== null;
  const goesOn = step.do === 'pour' ? 'poured' : turns ? 'flip' : null;
  const asks = step.do === 'flip' || step.do === 'pull' ? `${step.do} ${step.piece.piece}` : '';
  useAlarm(asks);

  const act = (what: 'pour' | 'flip' | 'pull', place: Place, of: Piece | null, end = pouring): void => {
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
  const next = Math.max(0, ...pieces.map((p) => p.piece)) + 1;
  const onPlace = (place: Place, of: EndAt): void => {
    const lies = onHeat(pieces).find((p) => p.surface === place.surface && p.slot === place.slot);
    if (lies) act(actFor(lies, timesOf(lies)), place, lies);
    else if (toPour > 0 && of.left > 0) act('pour', place, null, of);
    // the next thing stays under one key, wherever the hand has been
    nextKey.current?.focus({ preventScroll: true });
  };
  const go = (): void => {
    if (step.do === 'pour') act('pour', step.place, null);
    else if (step.do === 'flip' || step.do === 'pull') act(step.do, step.piece, step.piece);
    else if (step.do === 'wait') act(actFor(step.piece, timesOf(step.piece)), step.piece, step.piece);
  };
  const last = taps.at(-1);

  const changeWanted = async (by: number): Promise<void> => {
    if (wanted === null || wanted + by < 1) return;
    const a = await asking.ask((requestId) => want({ batchId: batch.id, by, requestId }));
    if (a?.ok) router.refresh();
  };
  if (drawn.length === 0)
    return (
      <div className="grid max-w-xl justify-items-start gap-3">
        <p className="text-lg">
          Nothing that {kind.pieces} are made on is noted. Under House, Scales and gear, say what there is and how
          large.
        </p>
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
            {ends.filter((e) => e.left > 0).length > 1 ? (
              <div className="mb-3">
                <Taps
                  label="Pouring now"
                  size="work"
                  value={pouring.end ?? 'a'}
                  onChange={(v) => v !== '' && setChosen(v)}
                  options={ends.map((e) => ({ value: e.end ?? 'a', label: `${e.name}, ${e.left} left` }))}
                />
              </div>
            ) : null}
            <StepView
              step={step}
              times={at.known.times}
              now={now}
              cues={heatIn(script, Math.max(0, ends.indexOf(at))).cues}
              next={next}
              held={held && test?.pulledAt !== null && test !== undefined}
              test={isTestPiece(batch, next)}
              measured={measured}
              end={ends.length > 1 ? at.name : null}
              rests={restsUntil === null ? null : time.ofDay(restsUntil)}
              portion={at.portionMl === null ? null : portionWords(at.portionMl, at.said)}
              addIns={addInsOf(batch, goesOn, (id) => things[id], at)}
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
                  <Link
                    href={`/batches/${batch.id}/outcome`}
                    className={`${lookOf('now', 'work')} min-h-16 !px-8 text-xl`}
                  >
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
                    ? `${DONE_WORDS[actFor(step.piece, timesOf(step.piece))]} already: ${step.piece.piece}`
                    : `${restsUntil === null ? DONE_WORDS[step.do] : 'Poured all the same'}: ${step.do === 'pour' ? next : step.piece.piece}`}
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
          {drawn.map(({ surface, of }) => (
            <SurfaceView
              key={surface.id}
              surface={surface}
              end={ends.length > 1 ? of.name : null}
              pieces={pieces}
              timesOf={timesOf}
              step={step}
              now={now}
              full={toPour <= 0 || of.left <= 0}
              onPlace={(place) => onPlace(place, of)}
            />
          ))}
        </div>
        <div className="grid min-w-0 gap-4">
          <CountView
            progress={progress}
            wanted={wanted}
            pieces={ends.length > 1 ? 'pieces' : kind.pieces}
            ends={ends.length > 1 ? ends.map((e) => ({ name: e.name ?? '', off: e.off, pieces: e.pieces })) : []}
            filling={FILLING_NAMES[pouring.kind]}
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
              guard={
                checks && !isLookedAt({ ...batch, ticked: log.ticked, entries: log.entries }, progress.bowl)
                  ? `/batches/${batch.id}/prep`
                  : null
              }
              onJoin={() => {
                onNow();
                log.tell({
                  do: 'tap',
                  tap: {
                    id: crypto.randomUUID(),
                    piece: progress.bowl,
                    act: 'join',
                    surface: '',
                    slot: 0,
                    at: kitchenNow(),
                  },
                });
                nextKey.current?.focus({ preventScroll: true });
              }}
            />
          </CountView>
          <HoldView
            off={progress.off}
            left={wanted === null ? null : Math.max(0, wanted - progress.off)}
            places={places.length}
            filling={FILLING_NAMES[pouring.kind]}
            times={times}
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
            earlier={dials}
            probe={probe}
            now={now}
          />
          <div className="flex flex-wrap gap-x-5 gap-y-1 rounded-plate bg-white px-4 py-2">
            <Switch size="work" label="sound" on={alarms.sound} onSwitch={(sound) => setAlarms({ ...alarms, sound })} />
            <Switch size="work" label="flash" on={alarms.flash} onSwitch={(flash) => setAlarms({ ...alarms, flash })} />
          </div>
        </div>
      </div>
      <p className="text-sm text-soft">
        Hot metal and hot fat: long sleeves, no hurry, children at arm’s length. Cooked through, held and served as the
        local food code has it; this clock says nothing about that.
      </p>
    </div>
  );
}
