'use client';
import { useState } from 'react';
import { FILLING_NAMES, type KindId } from '@/core/formula/kinds';
import { bellOf, holdingOf, loadsBefore } from '@/core/griddle/hold';
import { dayAfter, localDay, localTime, momentOf } from '@/core/quantity/day';
import { asRead, minutesOrHours } from '@/core/quantity/say';
import { HOLDS_MIN, type SideTimes } from '@/core/script/on-heat';
import { Button } from '../kit/button';
import { TimeField } from '../kit/date-fields';
import { useTime } from '../kit/time';
import { useUnits } from '../kit/units';
import type { OpenEventLog } from '../live/use-event-log';
import { clock } from '../shared/clock-words';

const MIN = 60_000;

/** The holding oven and the plates: what went in when, the oldest first; and what still fits before the bell. */
export function HoldView({
  off,
  left,
  places,
  kind,
  holdC,
  times,
  log,
  now,
}: {
  /** Pieces off the heat so far. */
  readonly off: number;
  /** Still wanted; null where nothing is counted. */
  readonly left: number | null;
  readonly places: number;
  /** What is poured. */
  readonly kind: KindId;
  /** How hot its formula wants the holding oven, Celsius; null: as usual. */
  readonly holdC: number | null;
  readonly times: SideTimes;
  readonly log: OpenEventLog;
  readonly now: number;
}) {
  const time = useTime();
  const units = useUnits();
  const filling = FILLING_NAMES[kind];
  const keepsMin = HOLDS_MIN[kind];
  const { waiting, trays, inOven, plated } = holdingOf(log.entries, off);
  const bell = bellOf(log.entries);
  const [typed, setTyped] = useState<string | null>(null);
  const oldest = trays[0];
  const loads = bell === null ? null : loadsBefore(bell, now, times);
  const fit = loads === null ? null : loads * places;
  const lastLoad = left === null || places === 0 ? 0 : left % places;
  const setBell = (text: string): void => {
    setTyped(text);
    const today = localDay(now, units);
    const at = momentOf(today, text, units);
    if (Number.isNaN(at)) return;
    // a bell that has rung today is tomorrow's
    log.enter({ what: 'bell', bellAt: at < now ? momentOf(dayAfter(today, 1), text, units) : at });
  };
  return (
    <section aria-label="Holding" className="grid gap-3 rounded-plate bg-white p-4">
      <h2 className="text-xl">Oven and plates</h2>
      <p role="status">
        <strong>{waiting}</strong> by the griddle, <strong>{inOven}</strong> in the oven, <strong>{plated}</strong> on
        plates.
      </p>
      {waiting > 0 ? (
        <div className="flex flex-wrap gap-2">
          <Button size="work" onClick={() => log.enter({ what: 'held', pieces: waiting })}>
            {waiting} into the oven
          </Button>
          <Button size="work" onClick={() => log.enter({ what: 'plated', pieces: waiting })}>
            {waiting} onto plates
          </Button>
        </div>
      ) : null}
      {trays.length > 0 ? (
        <ol aria-label="In the oven">
          {trays.map((t, n) => {
            const held = (now - t.at) / MIN;
            return (
              <li key={t.at} className={`border-t border-line py-1 ${n === 0 ? 'text-lg font-semibold' : ''}`}>
                {t.pieces} since {time.ofDay(t.at)}, {clock(now - t.at)}
                {held > keepsMin ? <strong className="text-berry">, past {keepsMin} min: serve or spare</strong> : null}
              </li>
            );
          })}
        </ol>
      ) : null}
      {oldest ? (
        <Button size="work" onClick={() => log.enter({ what: 'out', pieces: oldest.pieces })}>
          The oldest {oldest.pieces} out, onto plates
        </Button>
      ) : null}
      <div className="flex items-end gap-2">
        <TimeField
          label="The bell rings at"
          value={typed ?? (bell === null ? '' : localTime(bell, units))}
          onTime={setBell}
          className="w-36"
        />
        {bell === null ? null : (
          <Button
            className="min-h-11"
            onClick={() => {
              setTyped('');
              log.enter({ what: 'bell', bellAt: null });
            }}
          >
            No bell
          </Button>
        )}
      </div>
      {bell !== null && loads !== null && fit !== null ? (
        <p role="status" className="font-semibold">
          {bell <= now
            ? 'The bell has rung: take off what is on, and stop.'
            : `The bell rings in ${minutesOrHours(Math.ceil((bell - now) / MIN))}: ${loads === 0 ? `no more ${filling}s` : `${loads === 1 ? `one more ${filling}` : `${loads} more ${filling}s`}`}${left !== null && left > fit ? `, ${left - fit} stay unmade` : ''}.`}
        </p>
      ) : null}
      {lastLoad > 0 ? (
        <p className="text-soft">
          The last {filling} is a part of one: {lastLoad}.
        </p>
      ) : null}
      <p className="text-sm text-soft">
        {asRead(holdC === null ? '90 to 95 °C' : `${holdC} °C`, units)}, the door ajar, one layer. About {keepsMin} min
        for quality; what may be held, and how hot, the local food code says.
      </p>
    </section>
  );
}
