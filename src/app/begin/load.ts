/** A sentence as the address has it, with what was put right of it since. */
import { cleanText } from '@/contract/clean';
import { type Begin, beginIn, mentionKey } from '@/core/begin/sentence';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { ALLERGENS, type Allergen } from '@/core/pantry/ingredient';
import { dayIn, localDay, localTime, momentOf, timeIn } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { formulaShelf } from '@/server/queries/formulas';
import { BEGIN_PARAMS, type BeginAddress, WAVES_DROPPED } from '@/ui/today/begin.state';

export type Params = Readonly<Record<string, string | string[] | undefined>>;

const one = (v: Params[string], most = 300): string => (typeof v === 'string' ? cleanText(v).slice(0, most) : '');
const whole = (text: string): number | null =>
  /^\d{1,4}$/.test(text.trim()) && Number(text) > 0 ? Number(text) : null;

export const addressIn = (p: Params): BeginAddress =>
  Object.fromEntries(BEGIN_PARAMS.map((k) => [k, one(p[k])])) as unknown as BeginAddress;

interface BegunBySentence {
  readonly b: Begin;
  /** What can't stand as it was put right, by its field. */
  readonly errors: Readonly<Partial<Record<'people' | 'each' | 'day' | 'time', string>>>;
  /** When it is to be ready, ms since 1970; null: nobody has said. */
  readonly serveAt: number | null;
  readonly of: string | null;
  readonly other: string | null;
}

export function bySentence(a: BeginAddress, house: Kitchen): BegunBySentence {
  const now = Date.now();
  const today = localDay(now, house.units);
  const read = beginIn(a.say, house.gear, today, localTime(now, house.units), house.units.days !== 'month-day');
  const [people, each] = [whole(a.people), whole(a.each)];
  const day = a.day === '' ? read.day : dayIn(a.day, house.units, today);
  const time = a.time === '' ? read.time : timeIn(a.time);
  const [drop, off] = [a.drop.split(' '), a.off.split(' ')];
  const b: Begin = {
    ...read,
    people: a.people === '' ? read.people : people,
    each: a.each === '' ? read.each : each,
    day,
    time,
    without: read.without.filter((w) => !drop.includes(mentionKey(w))),
    waves: drop.includes(WAVES_DROPPED) ? [] : read.waves,
    on: read.on.filter((id) => !off.includes(id)),
  };
  const serveAt = day !== null && time !== null ? momentOf(day, time, house.units) : null;
  const isOver = serveAt !== null && serveAt < now;
  return {
    b,
    errors: {
      ...(a.people !== '' && people === null && { people: 'How many, in figures.' }),
      ...(a.each !== '' && each === null && { each: 'How many, in figures.' }),
      ...(a.day !== '' && day === null && { day: 'A day, as Sunday or 29 Nov.' }),
      ...(a.time !== '' && time === null
        ? { time: 'A time, as 9:00.' }
        : isOver
          ? { time: 'That is over already.' }
          : {}),
    },
    serveAt: isOver ? null : serveAt,
    of: isUuid(a.of) ? a.of : null,
    other: isUuid(a.other) ? a.other : null,
  };
}

/** Formulas looked at for one sentence. */
const MOST_LOOKED_AT = 300;
export type OfShelf = Awaited<ReturnType<typeof formulaShelf>>['rows'][number];

/** The shelf, and by each allergen that somebody does without, the formulas that are noted to hold none. */
export async function shelfWithout(b: Begin): Promise<{
  readonly shelf: readonly OfShelf[];
  /** Whether a formula is noted to hold none of these. */
  readonly lacks: (id: string, allergens: readonly Allergen[]) => boolean;
}> {
  const asked = ALLERGENS.filter((x) => b.without.some((w) => w.allergens.includes(x)));
  const [all, ...lists] = await Promise.all([
    formulaShelf({}, MOST_LOOKED_AT),
    ...asked.map((without) => formulaShelf({ without }, MOST_LOOKED_AT)),
  ]);
  const free = new Map(asked.map((x, n) => [x, new Set(lists[n]?.rows.map((r) => r.id))]));
  return { shelf: all?.rows ?? [], lacks: (id, of) => of.every((x) => free.get(x)?.has(id) ?? false) };
}
