/** A class as it stands in its form, and what is asked of it. */
import type { EndId } from '@/core/formula/formula';
import { type ClassAsked, MOST_AT_A_BENCH, MOST_BENCHES } from '@/core/morning/class';
import { typedNumber } from '@/core/quantity/typed';
import { A_TIME, minuteIn } from './morning.state';

export interface ClassTyped {
  readonly name: string;
  readonly day: string;
  readonly from: string;
  readonly at: string;
  /** The formula, and which of its ends: "<id>" or "<id> a"; empty: none is chosen. */
  readonly of: string;
  readonly benches: string;
  readonly hands: string;
  readonly each: string;
  readonly kind: ClassAsked['kind'];
  readonly places: string;
  readonly teacher: string;
  readonly before: boolean;
}

export const freshClass = (day: string, teacher: string): ClassTyped => ({
  name: '',
  day,
  from: '09:30',
  at: '11:00',
  of: '',
  benches: '4',
  hands: '2',
  each: '3',
  kind: 'pan',
  places: '3',
  teacher,
  before: true,
});

interface ClassRead {
  readonly asked: ClassAsked;
  /** By the field. */
  readonly errors: Readonly<Record<string, string>>;
}

const MOST_EACH = 50;
const MOST_PLACES = 100;

/** What is asked of what is typed. @param people of the kitchen: whoever teaches may be one of them */
export function readClass(
  typed: ClassTyped,
  people: readonly { readonly id: string; readonly name: string }[],
  { ovens, hob }: Pick<ClassAsked, 'ovens' | 'hob'>,
): ClassRead {
  const errors: Record<string, string> = {};
  const whole = (key: 'benches' | 'hands' | 'each' | 'places', most: number): number => {
    const n = typedNumber(typed[key], '');
    if (!(Number.isInteger(n) && n >= 1 && n <= most)) errors[key] = `A whole number up to ${most}.`;
    return n;
  };
  const time = (key: 'from' | 'at'): number => {
    const min = minuteIn(typed[key]);
    if (Number.isNaN(min)) errors[key] = A_TIME;
    return min;
  };
  const [from, at] = [time('from'), time('at')];
  if (at <= from) errors.at = 'They eat after they have come.';
  if (typed.of === '') errors.of = 'Choose what is made.';
  const teacher = typed.teacher.trim();
  if (teacher === '') errors.teacher = 'A first name or nickname.';
  const [formulaId = '', end] = typed.of.split(' ');
  const asked: ClassAsked = {
    name: typed.name.trim(),
    day: typed.day,
    from,
    at,
    formulaId,
    end: (end as EndId | undefined) ?? null,
    benches: whole('benches', MOST_BENCHES),
    hands: whole('hands', MOST_AT_A_BENCH),
    each: whole('each', MOST_EACH),
    kind: typed.kind,
    places: whole('places', MOST_PLACES),
    ovens,
    hob,
    teacher: {
      personId: people.find((p) => p.name.toLowerCase() === teacher.toLowerCase())?.id ?? null,
      name: teacher,
    },
    before: typed.before,
  };
  return { asked, errors };
}
