'use client';
import { useState } from 'react';
import { lastPlateAt, type Serving } from '@/core/batch/serving';
import { fromNow, timeLine } from '@/core/day/schedule';
import { lower, type Step } from '@/core/day/step';
import { Switch } from '../kit/switch';
import { useTime } from '../kit/time';
import { useNow } from '../live/clock';
import { MomentField } from '../shared/moment';

const MIN = 60_000;
const ROUND_MS = 5 * MIN;

/** When the last plate goes, while it is planned: by when the first thing has to be begun. */
export function ServePart({
  steps,
  serving,
  onServing,
  onWrong,
}: {
  readonly steps: readonly Step[];
  readonly serving: Serving | null;
  readonly onServing: (s: Serving | null) => void;
  readonly onWrong: (wrong: boolean) => void;
}) {
  const time = useTime();
  const [now] = useNow(20_000);
  // as it was when it was last switched off
  const [had, setHad] = useState<Serving | null>(null);
  if (now === null) return null;
  const line = serving ? timeLine(steps, serving, null) : null;
  const first = line?.placed[0];
  return (
    <section aria-label="When it is served" className="grid gap-2">
      <Switch
        label="served at a set time"
        on={serving !== null}
        onSwitch={(on) => {
          if (!on) {
            setHad(serving);
            onWrong(false);
            onServing(null);
            return;
          }
          const soonest = fromNow(steps, lastPlateAt(now), now);
          onServing(had ?? { ...soonest, at: Math.ceil(soonest.at / ROUND_MS) * ROUND_MS });
        }}
      />
      {serving ? (
        <MomentField
          label="Everything ready at"
          at={serving.at}
          onAt={(at) => onServing({ ...serving, at })}
          onWrong={onWrong}
        />
      ) : null}
      {serving && first ? (
        <p className="text-[15px]" role="status">
          {first.start < now - MIN ? <strong>Too late for that: </strong> : null}
          begin at <strong>{time.andDay(first.start, now)}</strong>: {lower(first.step.name)}.{' '}
          <span className="text-soft">{steps.length} steps; the whole line stands under Plan of the batch.</span>
        </p>
      ) : null}
    </section>
  );
}
