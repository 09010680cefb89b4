import { lineNow } from '@/core/day/done';
import { troubled } from '@/server/api/problem';
import { tableAsked } from '@/server/api/tables';
import { reach } from '@/server/db/pool';
import { appointmentsOf, asCalendar, type DayOf } from '@/server/print/calendar';
import { underWay } from '@/server/queries/batches';
import { tapsOf } from '@/server/queries/griddle';
import { loadHouse } from '@/server/queries/house';
import { dayOf } from '@/server/usecases/day';
import { LOG_TABLES } from '@/server/usecases/tables-out';

/** Every batch under way that is served at a set time, in one calendar. */
async function calendar(): Promise<Response> {
  const r = await reach(async () => {
    const [house, batches] = await Promise.all([loadHouse(), underWay()]);
    const days = await Promise.all(
      batches.map(async (b): Promise<readonly DayOf[]> => {
        if (!b.timeline) return [];
        const [day, taps] = await Promise.all([dayOf(b, house), tapsOf(b.id)]);
        return [
          {
            name: b.name,
            batchId: b.id,
            placed: lineNow(day.steps, b, { ...b, taps }, b.timeline, true, Date.now()).line.placed,
          },
        ];
      }),
    );
    return { days: days.flat(), zone: house.units.zone };
  });
  if (!r.up) return troubled(r.kind);
  return asCalendar('Even Crumb', appointmentsOf(r.value.days), r.value.zone);
}

/** `?what=batches|outcomes|taps` as comma-separated values; `?what=calendar` for a calendar. */
export const GET = (request: Request): Promise<Response> =>
  new URL(request.url).searchParams.get('what') === 'calendar' ? calendar() : tableAsked(request, LOG_TABLES);
