/** A morning for a calendar: one entry for each person, from the first thing to the last, with what there is to do. */
import { clockOf } from '@/core/morning/morning';
import { personSteps } from '@/core/morning/show';
import { momentOf } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { asCalendar } from '@/server/print/calendar';
import { morningById } from '@/server/queries/mornings';
import { morningNow } from '../../load';

const MINUTE_MS = 60_000;

export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ readonly id: string }> },
): Promise<Response> {
  const { id } = await params;
  const who = new URL(request.url).searchParams.get('who');
  const r = await reach(async () => {
    const morning = isUuid(id) ? await morningById(id) : null;
    return [morning, morning?.plan ? await morningNow(morning, false) : null] as const;
  });
  if (!r.up) return troubled(r.kind);
  const [morning, now] = r.value;
  if (!morning?.plan || !now?.ok) return problem(404, 'That morning is not in this kitchen, or can’t be worked.');
  const { shown, house } = now.value;
  const name = morning.plan.name || 'A morning';
  const midnight = momentOf(morning.day, '00:00', house.units);
  const people = morning.plan.people.filter((p) => who === null || p.name === who);
  const entries = people.flatMap((p) => {
    const mine = personSteps(shown.solved.steps, p.name);
    if (mine.length === 0) return [];
    const [from, to] = [Math.min(...mine.map((s) => s.from)), Math.max(...mine.map((s) => s.to))];
    return [
      {
        uid: `${id}-${p.name.replace(/[^\w]+/g, '-')}`,
        title: who === null ? `${name}: ${p.name}` : name,
        description: mine.map((s) => `${clockOf(s.from, house.units.clock)} ${s.name}`).join('\n'),
        start: midnight + from * MINUTE_MS,
        end: midnight + to * MINUTE_MS,
      },
    ];
  });
  return asCalendar(who === null ? name : `${name}, ${who}`, entries, house.units.zone);
}
