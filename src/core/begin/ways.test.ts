/** A breakfast in one sentence, its parts in whatever words, order and signs: each is taken for what it is. */
import { beginIn } from './sentence';

/** As it is said, and what it is. */
type Said<T> = readonly (readonly [said: string, is: T])[];

/** A Tuesday. */
const TODAY = '2026-12-01';
const PEOPLE: Said<number> = [
  ['4 people', 4],
  ['12 guests', 12],
  ['for 6', 6],
  ['eight of us', 8],
  ['a dozen', 12],
  ['thirty people', 30],
  ['twenty-five guests', 25],
  ['for ten', 10],
  ['me and my wife', 2],
  ['just me', 1],
  ['6 adults and 2 kids', 8],
  ['a party of 15', 15],
  ['40 covers', 40],
  ['two', 2],
  ['six friends', 6],
  ['feed 20', 20],
  ['breakfast for five', 5],
  ['we are seven', 7],
  ['family of 4', 4],
  ['8 ppl', 8],
];
const DAYS: Said<string> = [
  ['Sunday', '2026-12-06'],
  ['on Saturday', '2026-12-05'],
  ['tomorrow', '2026-12-02'],
  ['this Sunday', '2026-12-06'],
  ['on the 6th', '2026-12-06'],
  ['6 December', '2026-12-06'],
  ['today', '2026-12-01'],
  ['Sun', '2026-12-06'],
  ['tomorrow morning', '2026-12-02'],
];
const TIMES: Said<string> = [
  ['at 9', '09:00'],
  ['at 8:30', '08:30'],
  ['9 am', '09:00'],
  ['at half past nine', '09:30'],
  ['at nine o’clock', '09:00'],
  ['ready at 10', '10:00'],
  ['by 8', '08:00'],
  ['09:00', '09:00'],
  ['at quarter to nine', '08:45'],
  ['around 9', '09:00'],
  ['from 9', '09:00'],
  ['@9', '09:00'],
  ['at ten thirty', '10:30'],
];
const DISHES: Said<string | null> = [
  ['', null],
  ['pancakes', 'griddle'],
  ['waffles', 'waffle'],
  ['an oven pancake', 'oven'],
  ['ball pancakes', 'ball'],
];
/** As `mentionKey` has it. */
const WITHOUT: Said<string> = [
  ['', ''],
  ['one without milk', '1:milk'],
  ['two vegan', '2:milk+egg'],
  ['one gluten-free', '1:gluten+wheat'],
  ['no nuts', 'all:tree-nut+peanut'],
  ['nobody eats eggs', 'all:egg'],
  ['two of them vegan', '2:milk+egg'],
  ['one can’t have egg', '1:egg'],
  ['one coeliac', '1:gluten+wheat'],
  ['one is lactose intolerant', '1:milk'],
];
/** Which stand first: people, day, time, dish, without. */
const ORDERS = [
  [3, 0, 1, 2, 4],
  [0, 1, 2, 4],
  [1, 2, 0, 3, 4],
  [3, 1, 2, 0, 4],
  [0, 4, 1, 2, 3],
  [2, 1, 0, 3, 4],
  [1, 0, 2, 4],
];

const at = <T>(of: readonly T[], n: number): T => of[n % of.length] as T;

test.each([', ', '; ', ' - ', '. '])('a breakfast in one sentence, parted by “%s”', (sign) => {
  const wrong = PEOPLE.flatMap((people, p) =>
    ORDERS.flatMap((order, o) =>
      DAYS.flatMap((day, d) => {
        const [time, dish, without] = [at(TIMES, p + o + d), at(DISHES, p + d), at(WITHOUT, o + 2 * d + p)];
        const parts = [people, day, time, dish, without];
        const text = order
          .map((k) => parts[k]?.[0])
          .filter((x) => x !== '')
          .join(sign);
        const b = beginIn(text, [], TODAY, '14:00');
        const found = [
          b.people,
          b.day,
          b.time,
          order.includes(3) ? b.kind : dish[1],
          b.without.map((w) => `${w.guests ?? 'all'}:${w.allergens.join('+')}`).join(),
        ].join(' ');
        const meant = parts.map(([, is]) => is).join(' ');
        return found === meant && b.unread.length === 0 ? [] : [`${text} → ${found}, and not ${b.unread}`];
      }),
    ),
  );
  expect(wrong).toEqual([]);
});

test.each([
  // with a hyphen one number, with spaces around it a sign
  ['twenty-five guests Sunday at 9', 25],
  ['10-12 people Sunday at 9', 12],
  ['10 - 12 people Sunday at 9', 12],
  ['ten to twelve people Sunday at 9', 12],
  ['Sunday - from 9 - two - ball pancakes', 2],
])('how many: %s', (text, people) => expect(beginIn(text, [], TODAY, '14:00').people).toBe(people));
