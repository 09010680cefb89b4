'use client';
/** The board of a morning under way: what each has to do now, what lies where, what of each wave is ready. */
import { Check } from 'lucide-react';
import { useState } from 'react';
import type { ActionResult } from '@/contract/action-result';
import { stationsOf } from '@/core/morning/class';
import { clockOf } from '@/core/morning/morning';
import type { AllergenBoard } from '@/core/morning/papers';
import type { KitchenPerson } from '@/core/morning/people';
import type { MorningPlan } from '@/core/morning/plan';
import type { MorningPreview } from '@/core/morning/preview';
import type { RehearsedPlan } from '@/core/morning/rehearse';
import { allDone, boardOf, poursBeforeBell, type StationNow } from '@/core/morning/running';
import type { SolvedMorning } from '@/core/morning/solve';
import { counted } from '@/core/quantity/say';
import { PLATE_MIN } from '@/core/script/on-heat';
import { PersonMarkIcon } from '../drawings/person-mark';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { useRefresh } from '../kit/refresh';
import { TableHead } from '../kit/table-head';
import { doAct, toastUndoAct } from '../kit/undo';
import { useUnits } from '../kit/units';
import { Wide } from '../kit/wide';
import { useNow } from '../live/clock';
import { AtThisPace } from './at-this-pace';
import { BoardChanges } from './board-changes';
import { DishMark, letterOf } from './morning-parts';
import type { KeepsMorning } from './use-take';

type Ask = (input: unknown) => Promise<ActionResult>;
type Step = SolvedMorning['steps'][number];

interface Props {
  readonly id: string;
  readonly plan: MorningPlan;
  readonly schedule: Pick<SolvedMorning, 'steps' | 'bowls'>;
  /** When each step was marked as done, minutes of the day. */
  readonly done: readonly (readonly [string, number])[];
  readonly dishes: readonly { readonly id: string; readonly name: string }[];
  readonly people: readonly KitchenPerson[];
  /** What is left of it can be rehearsed; null: it is over, or can't be worked any more. */
  readonly rehearsed: RehearsedPlan | null;
  /** The day it is for, in words: "Sun 29 Nov". */
  readonly day: string;
  /** The midnight with which the day begins, and when the page was drawn, ms since 1970. */
  readonly midnight: number;
  readonly drawnAt: number;
  /** Whose screen this is; null: everybody's. */
  readonly who: string | null;
  readonly revision: number;
  /** What each dish holds, in the order of the dishes. */
  readonly allergens: AllergenBoard['rows'];
  readonly keep: KeepsMorning['keep'];
  readonly preview: (input: unknown) => Promise<ActionResult<{ readonly preview: MorningPreview }>>;
  readonly swap: Ask;
  readonly mark: Ask;
  readonly place: Ask;
}

/** A step that should have begun so long ago is told as late, min. */
const LATE_MIN = 3;
/** So late that the rest is better placed anew, min. */
const TOO_LATE_MIN = 10;
const DAY_MIN = 1440;
/** How often the clock is looked at, ms. */
const TICK_MS = 5000;

/** What is said of a step: of a load the dish, how many and where. */
function stepWords(s: Step, dishes: Props['dishes']): string {
  if (s.dish === null || s.wave === null) return s.on ? `${s.name}, ${s.on}` : s.name;
  const dish = dishes.find((d) => d.id === s.dish)?.name ?? s.name;
  return `${dish}: ${counted(s.places, 'pieces')}${s.on ? `, ${s.on}` : ''}`;
}

function PersonCard({
  of,
  mark,
  dishes,
  clock,
  busy,
  onDone,
}: {
  readonly of: StationNow;
  readonly mark: KitchenPerson['mark'] | null;
  readonly dishes: Props['dishes'];
  readonly clock: (min: number) => string;
  readonly busy: boolean;
  readonly onDone: (s: Step) => void;
}) {
  const { now, next, lateMin } = of;
  return (
    <section aria-label={of.name} className="grid min-w-0 content-start gap-2 rounded-plate bg-white p-4">
      <div className="flex flex-wrap items-center gap-2">
        {mark ? <PersonMarkIcon mark={mark} /> : null}
        <h2 className="min-w-0 text-xl [overflow-wrap:anywhere]">{of.name}</h2>
        <span className="ml-auto text-soft tabular-nums">
          {of.done} of {of.done + of.left} done
        </span>
      </div>
      {now ? (
        <>
          <p className={`font-semibold tabular-nums ${lateMin >= LATE_MIN ? 'text-berry' : 'text-soft'}`}>
            {clock(now.from)}
            {lateMin >= LATE_MIN ? `, ${Math.round(lateMin)} min late` : ''}
          </p>
          <p className="text-2xl leading-tight font-bold [overflow-wrap:anywhere]">{stepWords(now, dishes)}</p>
          <Button look="now" size="work" className="justify-self-start" disabled={busy} onClick={() => onDone(now)}>
            <Check size={22} aria-hidden />
            Done
          </Button>
          {next.length > 0 ? (
            <ol aria-label={`Then, ${of.name}`} className="border-t border-line pt-1 text-[15px]">
              {next.map((s) => (
                <li key={s.id} className="grid grid-cols-[4.5rem_1fr] py-0.5">
                  <span className="whitespace-nowrap text-soft tabular-nums">{clock(s.from)}</span>
                  <span className="min-w-0 [overflow-wrap:anywhere]">{stepWords(s, dishes)}</span>
                </li>
              ))}
            </ol>
          ) : null}
        </>
      ) : (
        <p className="text-lg">{of.done > 0 ? 'All done.' : 'Nothing to do: a hand to spare.'}</p>
      )}
    </section>
  );
}

export function BoardView(p: Props) {
  const refresh = useRefresh();
  const { clock: hours } = useUnits();
  const [at] = useNow(TICK_MS, p.drawnAt);
  // shown as done at once, and taken for it when the records have it
  const [told, setTold] = useState<ReadonlyMap<string, boolean>>(new Map());
  const placing = useAsking();
  const clock = (min: number): string => clockOf(min, hours);
  const now = (at - p.midnight) / 60_000;
  const done = new Map(p.done);
  for (const [step, is] of told)
    if (!is) done.delete(step);
    else if (!done.has(step)) done.set(step, now);
  const staffed = stationsOf(p.plan);
  const names = staffed.map((x) => x.name);
  // what a bench makes its pieces on is on that bench's screen
  const places = p.plan.surfaces.filter((x) => !x.bench).map((x) => x.name);
  const board = boardOf(p.schedule, done, staffed, places, now);
  const [whose, setWhose] = useState(p.who && [...names, ...places].includes(p.who) ? p.who : '');
  const stations = board.surfaces.filter((x) => x.done + x.left > 0);
  const shown = whose === '' ? board.people : [...board.people, ...stations].filter((x) => x.name === whose);
  const tell = (step: string, is: boolean, words: string) =>
    act('mark-step', words, p.mark, { id: crypto.randomUUID(), morningId: p.id, step, done: is });
  const set = (step: string, is: boolean): void => setTold((t) => new Map(t).set(step, is));
  const markDone = async (s: Step): Promise<void> => {
    const words = stepWords(s, p.dishes);
    set(s.id, true);
    toastUndoAct(
      `Done: ${words}`,
      () => {
        set(s.id, false);
        return tell(s.id, false, `${words}: not done after all`);
      },
      refresh,
    );
    if (!(await doAct(tell(s.id, true, `${words}: done`)))) set(s.id, false);
    else refresh();
  };
  const last = poursBeforeBell(p.schedule, done, p.plan.bell, PLATE_MIN, now);
  const latest = Math.max(0, ...board.people.map((x) => x.lateMin));
  const anew = async (): Promise<void> => {
    const a = await placing.ask(() =>
      act('place-morning', `${p.plan.name || 'the morning'}, placed anew`, p.place, { id: p.id }),
    );
    if (a?.ok) refresh();
  };
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-center gap-4">
        <p role="timer" className="text-3xl font-bold tabular-nums">
          {clock(now)}
        </p>
        {now < 0 || now >= DAY_MIN ? <p className="text-lg text-soft">This is for {p.day}.</p> : null}
        <Taps
          label="Whose screen this is"
          value={whose === '' ? 'all' : whose}
          options={[
            { value: 'all', label: 'Everybody' },
            ...[...names, ...stations.map((x) => x.name)].map((n) => ({ value: n, label: n })),
          ]}
          onChange={(v) => setWhose(v === 'all' ? '' : v)}
        />
      </div>
      {latest >= TOO_LATE_MIN ? (
        <div className="flex flex-wrap items-center gap-3 rounded-r-hold border-l-8 border-berry bg-berry-wash px-3 py-2">
          <p className="font-semibold">
            {Math.round(latest)} min behind. What is left can be placed anew from now on: what has begun stays where it
            is.
          </p>
          <Button disabled={placing.busy} onClick={() => void anew()}>
            Place the rest anew
          </Button>
        </div>
      ) : null}
      <RefusalNotice text={placing.refusal} waits={placing.waits} />
      <div className={`grid gap-3 ${shown.length > 1 ? 'sm:grid-cols-2 xl:grid-cols-4' : ''}`}>
        {shown.map((x) => (
          <PersonCard
            key={x.name}
            of={x}
            mark={p.people.find((k) => k.id === p.plan.people.find((y) => y.name === x.name)?.personId)?.mark ?? null}
            dishes={p.dishes}
            clock={clock}
            busy={placing.busy}
            onDone={(s) => void markDone(s)}
          />
        ))}
      </div>
      {last.length > 0 ? (
        <section aria-label="Before the bell" className="rounded-plate border-2 border-berry bg-white p-4">
          <h2 className="mb-1 text-xl">Before the bell at {clock(p.plan.bell ?? 0)}</h2>
          <ul className="tabular-nums">
            {last.map((l) => (
              <li key={l.dish}>
                {l.at <= now ? (
                  <strong>Pour no more {p.dishes.find((d) => d.id === l.dish)?.name}</strong>
                ) : (
                  <>
                    Pour {p.dishes.find((d) => d.id === l.dish)?.name} until <strong>{clock(l.at)}</strong>
                  </>
                )}
                {l.unpoured > 0
                  ? `: ${counted(l.unpoured, 'pieces')} would stay in the bowl; keep it, give it to the staff, or bin it`
                  : ''}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <Wide label="Pieces ready">
        <h2 className="mb-1 text-xl">Pieces ready</h2>
        <table aria-label="Pieces ready by wave" className="w-full tabular-nums">
          <TableHead columns={['Dish', ...p.plan.waves.map((w) => ({ right: `for ${clock(w.at)}` }))]} />
          <tbody>
            {p.dishes.map((d) => (
              <tr key={d.id} className="border-b border-line last:border-b-0">
                <th scope="row" className="min-w-36 py-1.5 pr-3 text-left font-normal">
                  <DishMark letter={letterOf(p.dishes, d.id)} /> {d.name}
                </th>
                {p.plan.waves.map((w, n) => {
                  const of = board.waves.find((x) => x.wave === n && x.dish === d.id);
                  return (
                    <td key={w.at} className="py-1.5 pr-3 text-right whitespace-nowrap last:pr-0">
                      {of ? (
                        <>
                          <strong>{of.ready}</strong> of {of.wanted}
                          {of.onHeat > 0 ? <span className="text-soft">, {of.onHeat} on the heat</span> : null}
                        </>
                      ) : (
                        '–'
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      <BoardChanges {...p} steps={p.schedule.steps} done={allDone(p.schedule.steps, done)} />
      {p.rehearsed && now >= 0 && now < DAY_MIN ? (
        <AtThisPace plan={p.rehearsed} done={allDone(p.schedule.steps, done)} now={now} clock={clock} />
      ) : null}
      {board.lies.length > 0 ? (
        <section aria-label="On the heat" className="rounded-plate bg-white p-4">
          <h2 className="mb-1 text-xl">On the heat</h2>
          <ul>
            {board.lies.map((l) => (
              <li
                key={`${l.on} ${l.dish} ${l.until}`}
                className="flex flex-wrap gap-x-3 border-b border-line py-1 last:border-b-0"
              >
                <strong className="min-w-36">{l.on}</strong>
                <span className="flex-1">
                  <DishMark letter={letterOf(p.dishes, l.dish)} /> {counted(l.pieces, 'pieces')} of{' '}
                  {p.dishes.find((d) => d.id === l.dish)?.name}
                </span>
                <span className={`tabular-nums ${l.until < now ? 'font-bold text-berry' : 'text-soft'}`}>
                  off at {clock(l.until)}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </div>
  );
}
