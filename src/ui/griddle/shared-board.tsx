'use client';
/** One surface with the pieces of several batches: the one next thing, what goes in one act, and where each lies. */
import { Undo2 } from 'lucide-react';
import { type ReactNode, useRef, useState } from 'react';
import type { EventLog } from '@/core/day/event-log';
import type { ToldTap } from '@/core/griddle/board';
import type { BoardFacts } from '@/core/griddle/griddle-now';
import { type Lying, type PourHere, type SharedSurface, sharedSurface } from '@/core/griddle/shared';
import { counted } from '@/core/quantity/say';
import { useAlarm } from '../kit/alarm';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Link } from '../kit/link';
import { Press } from '../kit/press';
import { useRefresh } from '../kit/refresh';
import { useTime } from '../kit/time';
import { kitchenNow, useNow } from '../live/clock';
import { Trouble } from '../live/trouble';
import { type OpenEventLog, useEventLog } from '../live/use-event-log';
import { ACT_WORDS, clock, DONE_WORDS } from '../shared/clock-words';

interface Here {
  readonly facts: BoardFacts;
  readonly first: EventLog;
}

/** Batches at a surface are told apart by a letter. */
const letter = (of: number): string => String.fromCharCode(65 + of);
const called = (l: Lying): string => `${letter(l.of)}${l.piece.piece}`;
const named = (l: Lying | undefined): string => (l ? called(l) : '');

/** A batch's log is opened, then the next one's: each has its own. */
function WithLogs({
  left,
  logs,
  show,
}: {
  readonly left: readonly Here[];
  readonly logs: readonly OpenEventLog[];
  readonly show: (logs: readonly OpenEventLog[]) => ReactNode;
}) {
  const [head, ...rest] = left;
  return head ? <WithLog key={head.facts.batch.id} of={head} rest={rest} logs={logs} show={show} /> : show(logs);
}
function WithLog({
  of,
  rest,
  logs,
  show,
}: {
  readonly of: Here;
  readonly rest: readonly Here[];
  readonly logs: readonly OpenEventLog[];
  readonly show: (logs: readonly OpenEventLog[]) => ReactNode;
}) {
  const refresh = useRefresh();
  const log = useEventLog(of.facts.batch.id, of.first, refresh);
  return <WithLogs left={rest} logs={[...logs, log]} show={show} />;
}

export function SharedBoard({ id, batches }: { readonly id: string; readonly batches: readonly Here[] }) {
  const [now, refresh] = useNow(500);
  return now === null ? (
    <p role="status">Looking at the clock …</p>
  ) : (
    <WithLogs
      left={batches}
      logs={[]}
      show={(logs) => <SurfaceAt id={id} batches={batches} logs={logs} now={now} onNow={refresh} />}
    />
  );
}

interface At {
  readonly id: string;
  readonly batches: readonly Here[];
  readonly logs: readonly OpenEventLog[];
  readonly now: number;
}

/** A tap on this surface, and whose. */
interface TapHere {
  readonly of: number;
  readonly tap: Omit<ToldTap, 'id' | 'surface' | 'at'>;
}

/** What was done in one act: the taps of it, by batch. */
interface DoneHere {
  readonly words: string;
  readonly taps: readonly { readonly of: number; readonly tapId: string }[];
}

function SurfaceAt({ id, batches, logs, now, onNow }: At & { readonly onNow: () => void }) {
  const [chosen, setChosen] = useState<number | null>(null);
  const [done, setDone] = useState<readonly DoneHere[]>([]);
  const nextKey = useRef<HTMLButtonElement>(null);
  const it = sharedSurface(
    id,
    batches.map((b, n) => ({ facts: b.facts, taps: logs[n]?.taps ?? [], entries: logs[n]?.entries ?? [] })),
    chosen,
    now,
  );
  useAlarm(it.next.do === 'flip' || it.next.do === 'pull' ? `${it.next.do} ${it.next.lying.piece.id}` : '');
  const tell = (words: string, taps: readonly TapHere[]): void => {
    onNow();
    const told = taps.map(({ of, tap }) => {
      const tapId = crypto.randomUUID();
      logs[of]?.tell({ do: 'tap', tap: { id: tapId, surface: id, at: kitchenNow(), ...tap } });
      return { of, tapId };
    });
    setDone((d) => [...d, { words, taps: told }]);
    // the next thing stays under one key, wherever the hand has been
    nextKey.current?.focus({ preventScroll: true });
  };
  const act = (lying: readonly Lying[]): void => {
    const [first] = lying;
    if (!first) return;
    const what = lying.length === 1 ? called(first) : counted(lying.length, 'pieces');
    tell(
      `${ACT_WORDS[first.act].toLowerCase()} ${what}`,
      lying.map((l) => ({ of: l.of, tap: { act: l.act, of: l.piece.id, slot: l.piece.slot } })),
    );
  };
  const pour = (p: PourHere, slots: readonly number[]): void =>
    tell(
      `pour ${slots.length} of ${letter(p.of)}`,
      slots.map((slot) => ({ of: p.of, tap: { act: 'pour', of: null, slot, ...(p.end.end && { end: p.end.end }) } })),
    );
  const takeBack = (): void => {
    const last = done.at(-1);
    for (const { of, tapId } of last?.taps ?? []) logs[of]?.tell({ do: 'untap', tapId });
    setDone((d) => d.slice(0, -1));
    onNow();
  };
  const pouring = it.pours.find((p) => p.of === chosen) ?? it.pours.find((p) => p.free.length > 0) ?? it.pours[0];
  const { next } = it;
  // the oldest row; the next is asked for when it is done
  const [row] = it.rows;
  return (
    <div className="grid gap-4">
      {logs.map((log, n) => (
        <Trouble key={batches[n]?.facts.batch.id} log={log} />
      ))}
      <section aria-label="Next" className="grid gap-3 rounded-plate bg-white p-4">
        <NextWords it={it} batches={batches} now={now} />
        <div className="flex flex-wrap gap-3">
          {next.do === 'done' ? null : (
            <Button
              look={next.do === 'wait' ? 'plain' : 'now'}
              size="work"
              className="min-h-16 !px-8 text-xl"
              ref={nextKey}
              autoFocus
              onClick={() => (next.do === 'pour' ? pour(next.from, next.from.free.slice(0, 1)) : act([next.lying]))}
            >
              {next.do === 'pour'
                ? `${DONE_WORDS.pour}: one of ${letter(next.from.of)}`
                : `${DONE_WORDS[next.lying.act]}${next.do === 'wait' ? ' already' : ''}: ${called(next.lying)}`}
            </Button>
          )}
          {next.do === 'flip' || next.do === 'pull' ? (
            <Button
              size="work"
              className="min-h-16"
              onClick={() =>
                tell(`not yet ${called(next.lying)}`, [
                  { of: next.lying.of, tap: { act: 'wait', of: next.lying.piece.id, slot: next.lying.piece.slot } },
                ])
              }
            >
              Not yet: {called(next.lying)}
            </Button>
          ) : null}
          {row ? (
            <Button size="work" className="min-h-16" onClick={() => act(row)}>
              {row[0]?.act === 'flip' ? 'Turned the row: ' : 'Took the row off: '}
              {row.length}, {named(row[0])} to {named(row.at(-1))}
            </Button>
          ) : null}
          {pouring &&
          pouring.row.length > 1 &&
          pouring.row.length < pouring.free.length &&
          pouring.restsUntil === null ? (
            <Button size="work" className="min-h-16" onClick={() => pour(pouring, pouring.row)}>
              Poured a row: {pouring.row.length} of {letter(pouring.of)}
            </Button>
          ) : null}
          {pouring && pouring.free.length > 1 && pouring.restsUntil === null ? (
            <Button size="work" className="min-h-16" onClick={() => pour(pouring, pouring.free)}>
              Poured all free: {pouring.free.length} of {letter(pouring.of)}
            </Button>
          ) : null}
          {done.length > 0 ? (
            <Button size="work" className="min-h-16" onClick={takeBack}>
              <Undo2 size={20} aria-hidden />
              Take back “{done.at(-1)?.words}”
            </Button>
          ) : null}
        </div>
      </section>
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_20rem]">
        {pouring ? <Drawn it={it} pouring={pouring} now={now} onPiece={(l) => act([l])} onFree={pour} /> : null}
        <BatchesHere it={it} batches={batches} pouring={pouring} onChoose={setChosen} />
      </div>
    </div>
  );
}

function NextWords({ it, batches, now }: Pick<At, 'batches' | 'now'> & { readonly it: SharedSurface }) {
  const { next } = it;
  const name = (of: number): string => batches[of]?.facts.batch.name ?? '';
  if (next.do === 'done') return <p className="text-3xl font-bold">Nothing lies here, and nothing is to be poured.</p>;
  const of = next.do === 'pour' ? next.from.of : next.lying.of;
  return (
    <>
      <p aria-live="polite" className="text-3xl leading-tight font-bold">
        {next.do === 'pour'
          ? `Pour ${letter(of)}`
          : next.do === 'wait'
            ? `${ACT_WORDS[next.lying.act]} ${called(next.lying)} in ${clock(next.lying.dueAt - now)}`
            : `${ACT_WORDS[next.lying.act]} ${called(next.lying)}`}
      </p>
      <p className="text-lg text-soft [overflow-wrap:anywhere]">{name(of)}</p>
    </>
  );
}

/** The surface from above, to scale. */
function Drawn({
  it,
  pouring,
  now,
  onPiece,
  onFree,
}: {
  readonly it: SharedSurface;
  readonly pouring: PourHere;
  readonly now: number;
  readonly onPiece: (l: Lying) => void;
  readonly onFree: (p: PourHere, slots: readonly number[]) => void;
}) {
  const place = (x: number, y: number, across: number) => ({
    left: `${(100 * x) / it.wideCm}%`,
    top: `${(100 * y) / it.deepCm}%`,
    width: `${(100 * across) / it.wideCm}%`,
    aspectRatio: '1',
  });
  const at =
    'absolute grid min-h-11 min-w-11 -translate-x-1/2 -translate-y-1/2 place-content-center rounded-full text-center leading-none';
  const resting = pouring.restsUntil !== null;
  return (
    <section aria-label="What lies where">
      <div
        className={`relative w-full border-4 border-rim bg-wash ${it.round ? 'max-w-80 rounded-full' : 'max-w-[1000px] rounded-plate'}`}
        style={{ aspectRatio: `${it.wideCm} / ${it.deepCm}` }}
      >
        {pouring.free.map((slot) => {
          const s = pouring.surface?.slots[slot];
          return s && pouring.surface ? (
            <Press
              key={slot}
              type="button"
              disabled={resting}
              aria-label={`Free place ${slot + 1}: pour ${letter(pouring.of)}`}
              onClick={() => onFree(pouring, [slot])}
              className={`${at} border-2 border-dashed border-rim bg-transparent text-[15px] text-soft off:opacity-50`}
              style={place(s.x, s.y, pouring.surface.acrossCm)}
            >
              {letter(pouring.of)}
            </Press>
          ) : null;
        })}
        {it.lying.map((l) => {
          const isDue = l.dueAt <= now;
          const side = l.piece.flippedAt === null ? 'first side' : 'second side';
          const age = clock(now - (l.piece.flippedAt ?? l.piece.pouredAt));
          return (
            <Press
              key={l.piece.id}
              type="button"
              aria-label={`${called(l)}, ${side}, ${age}${isDue ? ', look' : ''}`}
              onClick={() => onPiece(l)}
              className={`${at} border-[3px] border-rim text-ink ${isDue ? 'bg-butter' : 'bg-white'} ${l.piece.flippedAt === null ? '' : 'border-double !border-[6px]'}`}
              style={place(l.x, l.y, l.acrossCm)}
            >
              <strong className="text-xl max-md:text-[15px]">{called(l)}</strong>
              <span className={`text-[15px] max-md:text-[13px] ${isDue ? 'max-md:hidden' : ''}`}>{age}</span>
              {isDue ? <span className="text-[13px] font-bold">look</span> : null}
            </Press>
          );
        })}
      </div>
    </section>
  );
}

/** Which letter is which batch, how many of it are to come, and which is poured next. */
function BatchesHere({
  it,
  batches,
  pouring,
  onChoose,
}: Pick<At, 'batches'> & {
  readonly it: SharedSurface;
  readonly pouring: PourHere | undefined;
  readonly onChoose: (of: number) => void;
}) {
  const time = useTime();
  const state = (p: PourHere): string => {
    if (p.held) return 'its test piece is looked at first, on its own board';
    if (p.left <= 0) return 'none left to pour';
    if (p.surface === null) return 'not lit for it: choose that on its own board';
    const left = Number.isFinite(p.left) ? `${p.left} to pour` : 'poured as long as there is batter';
    return p.restsUntil === null ? left : `${left}, rests until ${time.ofDay(p.restsUntil)}`;
  };
  return (
    <section aria-label="Batches on it" className="grid gap-3 rounded-plate bg-white p-4">
      {batches.length > 1 ? (
        <Taps
          label="Pouring now"
          size="work"
          value={letter(pouring?.of ?? 0)}
          options={batches.map((_, n) => ({ value: letter(n), label: letter(n) }))}
          onChange={(v) => onChoose(v.charCodeAt(0) - 65)}
        />
      ) : null}
      <ul>
        {it.pours.map((p) => {
          const batch = batches[p.of]?.facts.batch;
          return batch ? (
            <li key={batch.id} className="grid gap-0.5 border-b border-line py-2 last:border-b-0">
              <Link
                href={`/batches/${batch.id}/griddle`}
                className="inline-flex min-h-11 min-w-0 items-center gap-2 font-semibold text-rim underline [overflow-wrap:anywhere]"
              >
                <strong className="grid size-8 flex-none place-content-center rounded-full border-[3px] border-rim text-ink">
                  {letter(p.of)}
                </strong>
                {batch.name}
              </Link>
              <span className="text-[15px] text-soft">{state(p)}</span>
            </li>
          ) : null;
        })}
      </ul>
    </section>
  );
}
