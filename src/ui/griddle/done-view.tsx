'use client';
import { DONE_AT_THE_HEAT, doneAtTheHeat } from '@/core/batch/acts';
import type { KindId } from '@/core/formula/kinds';
import { choicesOf, MATTERS, schoolMeant } from '@/core/formula/schools';
import type { Ways } from '@/core/formula/ways';
import { Choice } from '../kit/choice';
import type { OpenEventLog } from '../live/use-event-log';

/**
 * How it is done at the heat today, where that is not as the house has it: noted, so that what comes out can be told
 * from it.
 */
export function DoneView({
  kind,
  ways,
  log,
}: {
  readonly kind: KindId;
  readonly ways: Ways;
  readonly log: OpenEventLog;
}) {
  const now = doneAtTheHeat(log.entries, ways);
  return (
    <section aria-label="How it is done today" className="grid min-w-0 gap-2 rounded-plate bg-white px-4 py-3">
      {DONE_AT_THE_HEAT.map((way) => (
        <Choice
          key={way}
          label={MATTERS[way].name}
          value={schoolMeant(way, now[way], kind)}
          onChange={(value) => log.enter({ what: 'way', way, value })}
          options={choicesOf(way)
            .filter(([value]) => value !== 'usual')
            .map(([value, c]) => ({ value, label: c.name }))}
        />
      ))}
    </section>
  );
}
