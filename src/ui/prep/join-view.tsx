'use client';
import { Check } from 'lucide-react';
import { entriesOf } from '@/core/batch/acts';
import { joinedAt } from '@/core/griddle/board';
import { asRead } from '@/core/quantity/say';
import type { JoinPart } from '@/core/script/act';
import type { Joining } from '@/core/script/read';
import { useAlarm } from '../kit/alarm';
import { Button } from '../kit/button';
import { Press } from '../kit/press';
import { useUnits } from '../kit/units';
import { useNow } from '../live/clock';
import type { OpenEventLog } from '../live/use-event-log';

const TURN_MS = 1000;

/** Dry meets wet: all parts ready, then how far to mix, counted aloud, and stop. */
export function JoinView({
  mix,
  name,
  joining: { parts, steps, far },
  log,
  waits,
}: {
  readonly mix: number;
  /** "mix 2"; empty where there is one. */
  readonly name: string;
  readonly joining: Joining;
  readonly log: OpenEventLog;
  /** What has to be done before; empty: nothing. */
  readonly waits: string;
}) {
  const [now, refresh] = useNow(250);
  const units = useUnits();
  const ready = entriesOf(log.entries, 'ready').filter((e) => e.act.mix === mix);
  const isReady = (p: JoinPart): boolean => ready.some((e) => e.act.part === p);
  const at = joinedAt(log.taps, mix);
  const gone = at === null || now === null ? 0 : Math.max(0, Math.floor((now - at) / TURN_MS));
  const enough = gone >= far.count;
  useAlarm(now === null || at === null ? null : enough ? 'stop' : '');
  const all = parts.every((p) => isReady(p.part));
  const begin = (): void => {
    refresh();
    log.tell({
      do: 'tap',
      tap: { id: crypto.randomUUID(), piece: mix, act: 'join', surface: '', slot: 0, at: Date.now() },
    });
  };
  const stop = (): void => void log.enter({ what: 'mixed', mix, turns: Math.min(gone, 9999) });
  if (at !== null)
    return (
      <section
        aria-label="Combining"
        className={`grid gap-4 rounded-plate bg-white p-4 ${enough ? 'ring-8 ring-berry' : ''}`}
      >
        <p className="text-[72px] leading-none font-bold">
          {enough ? 'Stop.' : `${gone} of ${far.count}`}
          <span className="block text-2xl font-normal text-soft">
            {enough
              ? `${far.count} ${far.unit}: ${far.words}.`
              : `${far.unit}, ${far.unit === 'turns' ? 'about one a second; ' : ''}${far.words}`}
          </span>
        </p>
        <span className="sr-only" role="status">
          {enough ? 'Stop.' : `Count ${far.count} ${far.unit}`}
        </span>
        <div className="flex flex-wrap gap-3">
          <Button
            look={enough ? 'now' : 'stop'}
            size="work"
            className="min-h-16 !px-8 text-xl"
            autoFocus
            onClick={stop}
          >
            {enough ? 'It is mixed: let it rest' : `Stop now, at ${gone}`}
          </Button>
        </div>
      </section>
    );
  return (
    <section aria-label="Combining" className="grid gap-4">
      <h2 className="text-3xl">{name ? `Combine ${name}: is` : 'Is'} every part ready?</h2>
      <ul className="grid gap-2">
        {parts.map(({ part, name: called, is }) => (
          <li key={part}>
            <Press
              aria-pressed={isReady(part)}
              onClick={() => {
                const had = ready.find((e) => e.act.part === part);
                if (had) log.tell({ do: 'strike', entryId: had.id });
                else log.enter({ what: 'ready', mix, part });
              }}
              className={`hold flex min-h-16 w-full items-center gap-4 px-3 text-left text-xl hover:bg-wash ${isReady(part) ? '!border-line !bg-enamel' : ''}`}
            >
              <span
                className={`grid size-9 shrink-0 place-items-center rounded-lg border-[3px] border-rim ${isReady(part) ? 'bg-rim text-white' : 'bg-white'}`}
              >
                {isReady(part) ? <Check size={26} aria-hidden strokeWidth={3} /> : null}
              </span>
              <span>
                <strong>{called}</strong> <span className="text-soft">{asRead(is, units)}</span>
              </span>
            </Press>
          </li>
        ))}
      </ul>
      <ol className="list-inside list-decimal rounded-plate bg-white p-4 text-xl">
        {steps.map((s) => (
          <li key={s}>{s}</li>
        ))}
        <li>
          About {far.count} {far.unit}, {far.words}. Then stop.
        </li>
      </ol>
      {waits ? <p className="text-lg font-semibold">{waits}</p> : null}
      <div>
        <Button
          look={all && !waits ? 'now' : 'plain'}
          size="work"
          className="min-h-16 !px-8 text-xl"
          disabled={!all || waits !== ''}
          onClick={begin}
        >
          Combine: count
        </Button>
      </div>
    </section>
  );
}
