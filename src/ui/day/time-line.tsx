'use client';
import { useRef, useState } from 'react';
import type { ActionResult, Kept } from '@/contract/action-result';
import type { Batch } from '@/core/batch/batch';
import { lastPlateAt, type Serving } from '@/core/batch/serving';
import { lineNow } from '@/core/day/done';
import type { EventLog } from '@/core/day/event-log';
import { type Clash, clashesBetween, dayList, fromNow, type OnCounter } from '@/core/day/schedule';
import type { Step } from '@/core/day/step';
import { asRead, minutesOrHours } from '@/core/quantity/say';
import { act, answerTo } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { Clashes, useRevised } from '../kit/revised';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';
import { useNow } from '../live/clock';
import { Trouble } from '../live/trouble';
import { useEventLog } from '../live/use-event-log';
import { DragArea, DragRow } from './drag-rows';
import { NowBand } from './now-band';
import { ServingForm } from './serving-form';
import type { Window } from './step-row';

const MIN = 60_000;
const NUDGE_MIN = 5;
/** Where nobody has said when plates go: so long from now, to the next five minutes. */
const ROUND_MS = NUDGE_MIN * MIN;

interface Props {
  readonly batch: Batch;
  readonly steps: readonly Step[];
  /** Other batches about the same time. */
  readonly others: readonly OnCounter[];
  readonly first: EventLog;
  readonly serve: (input: unknown) => Promise<ActionResult<Kept>>;
  /** By the server's clock, ms since 1970. */
  readonly drawnAt: number;
}

/** The time line of a batch: counted back from the plates, moved by hand, and, once the day has begun, its list. */
export function TimeLineView({ batch, steps, others, first, serve, drawnAt }: Props) {
  const [now, onNow] = useNow(5000, drawnAt);
  const time = useTime();
  const refresh = useRefresh();
  const log = useEventLog(batch.id, first, refresh);
  // what this screen has had kept last: the page knows of it a little later
  const [mine, setMine] = useState<{ readonly revision: number; readonly serving: Serving } | null>(null);
  // what is on its way to the records, or was refused by them
  const [pending, setPending] = useState<Serving | null>(null);
  const own = pending ?? (mine && mine.revision >= (batch.timelineRevision ?? 1) ? mine.serving : null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const revised = useRevised(batch.timelineRevision ?? 1, batch.timeline);
  // what the next change is made from: what was shown, or what came of the change before it
  const from = useRef<Serving | null>(null);
  const underWay = useRef(0);
  const failed = useRef(false);
  const turn = useRef<Promise<void>>(Promise.resolve());
  const [openClash, setOpenClash] = useState<Serving | null>(null);
  const [proposed] = useState<Serving>(() => {
    const from = fromNow(steps, lastPlateAt(now), now);
    return { ...from, at: Math.ceil(from.at / ROUND_MS) * ROUND_MS };
  });
  const serving = own ?? batch.timeline ?? proposed;
  const isSet = own !== null || batch.timeline !== null;
  const { planned, done, running, line } = lineNow(steps, batch, log, serving, isSet, now);
  const opens = planned.placed[0]?.start ?? now;
  const list = running ? dayList(line, planned, now) : null;

  const send = async (to: Serving): Promise<void> => {
    const input = { batchId: batch.id, serving: to, seen: { ...revised.seen, base: from.current } };
    // while it waits in the outbox the next is moved, and goes in its place
    await new Promise<void>((goOn) => {
      const waits = (): void => {
        underWay.current--;
        failed.current = true;
        setWaits(true);
        goOn();
      };
      void answerTo(act('serve-at', `the time line of ${batch.name}`, serve, input), null, waits).then((a) => {
        if (!failed.current) underWay.current--;
        setWaits(false);
        heard(a, to);
        goOn();
      });
    });
  };
  const heard = (a: ActionResult<Kept>, to: Serving): void => {
    revised.heard(a);
    setOpenClash(!a.ok && a.conflict ? to : null);
    failed.current = !a.ok;
    if (!a.ok) {
      if (!a.conflict) setRefusal(a.message);
      return;
    }
    from.current = to;
    // what another screen has moved comes with the page
    setMine(a.merged.length === 0 ? { revision: a.revision, serving: to } : null);
    if (underWay.current === 0) setPending(null);
    if (a.merged.length > 0) refresh();
  };
  // one after the other: the second is kept against what came of the first
  const keep = (to: Serving): void => {
    if (underWay.current === 0 && !failed.current) from.current = isSet ? serving : null;
    underWay.current++;
    setPending(to);
    setRefusal(null);
    turn.current = turn.current.then(() => send(to));
  };
  const move = (id: string, to: number): void =>
    keep({ ...serving, moved: { ...serving.moved, [id]: Math.round(to / MIN) * MIN } });
  const release = (id: string): void =>
    keep({ ...serving, moved: Object.fromEntries(Object.entries(serving.moved).filter(([k]) => k !== id)) });
  const tick = (id: string): void => {
    onNow();
    const had = log.entries.find((e) => e.act.what === 'step' && e.act.step === id);
    if (had) log.tell({ do: 'strike', entryId: had.id });
    else log.enter({ what: 'step', step: id });
  };

  const days = [
    { name: 'The day before', placed: line.placed.filter((p) => p.ahead) },
    { name: serving.dayOneAt === null ? '' : 'On the day', placed: line.placed.filter((p) => !p.ahead) },
  ].filter((d) => d.placed.length > 0);
  const over = steps.filter((s) => done.has(s.id));
  return (
    <section aria-label="Time line" className="grid gap-4">
      <Trouble log={log} />
      {list ? (
        <NowBand
          list={list}
          now={now}
          servedAt={line.servedAt}
          wanted={serving.at}
          anchor={serving.anchor}
          onDone={tick}
        />
      ) : null}
      <ServingForm
        serving={serving}
        isSet={isSet}
        now={now}
        disabled={batch.finishedAt !== null}
        canSplit={steps.some((s) => s.ahead)}
        onServing={(s) => keep(s)}
        onFromNow={() => keep(fromNow(steps, serving, now))}
      />
      <Clashes of={revised} />
      {openClash && revised.conflict ? (
        <Button look="now" size="work" className="justify-self-start" onClick={() => keep(openClash)}>
          Set it so
        </Button>
      ) : null}
      <RefusalNotice text={refusal} waits={waits} />
      {!running && line.servedAt > serving.at + MIN ? (
        <Notice weight="look" role="status">
          Moved so, {serving.anchor === 'first' ? 'the first plates go' : 'the last plate goes'} at{' '}
          {time.ofDay(line.servedAt)}, {minutesOrHours(Math.round((line.servedAt - serving.at) / MIN))} late.
        </Notice>
      ) : null}
      {!running && opens < now - MIN && batch.finishedAt === null ? (
        <Notice weight="look" role="status">
          It would have to have been begun at {time.andDay(opens, now)}. Serve later, or start the times from now.
        </Notice>
      ) : null}
      <ClashNotice clashes={line.clashes} />
      {days.map((d) => {
        const window: Window = {
          from: Math.min(...d.placed.map((p) => p.start)),
          to: Math.max(...d.placed.map((p) => p.end)),
        };
        return (
          <DragArea
            key={d.name || 'day'}
            onDrop={(id, part, way) => {
              const p = d.placed.find((x) => x.step.id === id);
              if (p)
                move(
                  id,
                  p.start + (Math.round((part * (window.to - window.from)) / MIN / NUDGE_MIN) * NUDGE_MIN || way) * MIN,
                );
            }}
          >
            <div>
              {d.name ? (
                <h3 className="mb-1 text-lg text-rim">
                  {d.name}, {time.andDay(window.from, now)} to {time.ofDay(window.to)}
                </h3>
              ) : null}
              <ol className="border-t border-line bg-white">
                {d.placed.map((p) => (
                  <DragRow
                    key={p.step.id}
                    placed={p}
                    window={window}
                    state={list?.find((x) => x.step.id === p.step.id)?.state ?? null}
                    clash={line.clashes.some((c) => c.step === p.step.id || c.with === p.step.id)}
                    helpers={serving.helpers}
                    open={open === p.step.id}
                    ticks={running}
                    fixed={batch.finishedAt !== null}
                    onOpen={() => setOpen(open === p.step.id ? null : p.step.id)}
                    onTick={() => tick(p.step.id)}
                    onMove={(to) => move(p.step.id, to)}
                    onRelease={() => release(p.step.id)}
                  />
                ))}
              </ol>
            </div>
          </DragArea>
        );
      })}
      {others.map((o) => (
        <Beside key={o.id} other={o} clashes={clashesBetween(line.placed, o.placed, o.name)} now={now} />
      ))}
      {running && over.length > 0 ? (
        <div className="flex flex-wrap items-center gap-2">
          <span className="text-soft">Done:</span>
          {over.map((s) =>
            log.entries.some((e) => e.act.what === 'step' && e.act.step === s.id) ? (
              <Button
                key={s.id}
                className="min-h-11"
                aria-label={`${s.name}: not done after all`}
                onClick={() => tick(s.id)}
              >
                ✓ {s.name}
              </Button>
            ) : (
              <span key={s.id} className="px-1">
                ✓ {s.name}
              </span>
            ),
          )}
        </div>
      ) : null}
      <p className="text-sm text-soft">
        Minutes are defaults of ours and, at the heat, this kitchen’s own taps. Whatever is out of the cold, held warm
        or cooled keeps to the local food code.
      </p>
    </section>
  );
}

const MOST_CLASHES = 6;

/** What does not go together, in words. */
function ClashNotice({ clashes }: { readonly clashes: readonly Clash[] }) {
  const units = useUnits();
  if (clashes.length === 0) return null;
  return (
    <Notice weight="look" role="status">
      <ul>
        {clashes.slice(0, MOST_CLASHES).map((c) => (
          <li key={`${c.step} ${c.what} ${c.with}`}>{asRead(c.text, units)}</li>
        ))}
        {clashes.length > MOST_CLASHES ? <li>And {clashes.length - MOST_CLASHES} more.</li> : null}
      </ul>
    </Notice>
  );
}

/** Another batch about the same time: its steps, and what both want at once. */
function Beside({
  other,
  clashes,
  now,
}: {
  readonly other: OnCounter;
  readonly clashes: readonly Clash[];
  readonly now: number;
}) {
  const time = useTime();
  const units = useUnits();
  return (
    <section aria-label={`Also on this counter: ${other.name}`} className="grid gap-2">
      <h3 className="text-lg text-rim">
        Also on this counter:{' '}
        <Link href={`/batches/${other.id}/plan`} className="underline">
          {other.name}
        </Link>
      </h3>
      <ClashNotice clashes={clashes} />
      {other.placed.length === 0 ? (
        <p className="text-soft">Nothing of it is left to do.</p>
      ) : (
        <ol className="grid gap-x-8 sm:grid-cols-2 lg:grid-cols-3">
          {other.placed.map((p) => {
            const clash = clashes.some((c) => c.with === p.step.id);
            return (
              <li key={p.step.id} className="flex gap-3 py-0.5 text-[15px]">
                <span className="w-28 shrink-0 text-soft">{time.andDay(p.start, now)}</span>
                <span className={clash ? 'font-semibold text-berry' : ''}>
                  {asRead(p.step.name, units)}
                  {clash ? ' (clashes)' : ''}
                </span>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}
