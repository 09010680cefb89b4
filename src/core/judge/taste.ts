/**
 * A tasting without names: who tastes in which order, what was picked, and how often chance alone would give as clear a
 * count. The ways are called by the letters of their bowls until all have tasted.
 */
import { factorial } from 'simple-statistics';
import { counted } from '../quantity/say';

/** Letters of the bowls of a trial; at most so many ways are tried at once. */
export const BOWLS = ['A', 'B', 'C', 'D'] as const;
export type BowlLetter = (typeof BOWLS)[number];

/** What one taster says. */
export interface Ballot {
  readonly taster: string;
  /** The order in which the bowls were tasted. */
  readonly tasted: readonly BowlLetter[];
  /** Best first, as far as the taster would say; none: no preference. */
  readonly picked: readonly BowlLetter[];
}

/** The same name, however it is written. */
const nameKey = (name: string): string => name.trim().toLocaleLowerCase();
export const isSameTaster = (a: string, b: string): boolean => nameKey(a) === nameKey(b);

/** What counts of each taster, in the order they first spoke: the last word stands. */
export function lastWords(ballots: readonly Ballot[]): readonly Ballot[] {
  const last = new Map<string, Ballot>();
  for (const b of ballots) last.set(nameKey(b.taster), b);
  return [...last.values()];
}

const ordersOf = (bowls: readonly BowlLetter[]): readonly (readonly BowlLetter[])[] =>
  bowls.length <= 1
    ? [bowls]
    : bowls.flatMap((first) => ordersOf(bowls.filter((b) => b !== first)).map((rest) => [first, ...rest]));

/**
 * The order for the next taster: each bowl comes in each place, and right after each other bowl, as equally often as
 * those before leave it to. @param before the orders that were tasted in
 */
export function nextOrder(
  bowls: readonly BowlLetter[],
  before: readonly (readonly BowlLetter[])[],
): readonly BowlLetter[] {
  const seen = new Map<string, number>();
  const steps = (order: readonly BowlLetter[]): readonly string[] => [
    ...order.map((b, n) => `${b} at ${n}`),
    ...order.slice(1).map((b, n) => `${b} after ${order[n]}`),
  ];
  for (const order of before) for (const s of steps(order)) seen.set(s, (seen.get(s) ?? 0) + 1);
  // squared, so that what was had twice already weighs more than two things had once
  const cost = (order: readonly BowlLetter[]): number =>
    steps(order).reduce((a, s) => a + ((seen.get(s) ?? 0) + 1) ** 2 - (seen.get(s) ?? 0) ** 2, 0);
  return ordersOf([...bowls].sort()).reduce((best, o) => (cost(o) < cost(best) ? o : best));
}

/** Every way to part so many picks among so many bowls. */
function* partings(picks: number, bowls: number): Generator<readonly number[]> {
  if (bowls === 1) {
    yield [picks];
    return;
  }
  for (let n = 0; n <= picks; n++) for (const rest of partings(picks - n, bowls - 1)) yield [n, ...rest];
}

/**
 * How likely the bowl that is picked most often gets so many picks or more, where nobody tells any difference: each
 * picks one of the bowls by chance.
 * @param most picks of the bowl that is ahead @param picks all of them, at most 100 @returns 0 to 1
 */
export function chanceOfFirst(most: number, picks: number, bowls: number): number {
  if (most * bowls <= picks) return 1;
  let sum = 0;
  for (const p of partings(picks, bowls))
    if (Math.max(...p) >= most) sum += p.reduce((a, n) => a / factorial(n), factorial(picks)) / bowls ** picks;
  return Math.min(1, sum);
}

const THOUSAND = 1000;
/** "about once in 3 to 4 times". @param p 0 to 1 */
export function timesInWords(p: number): string {
  const once = 1 / p;
  if (p > 0.99) return 'always';
  if (once < 1.25) return 'nearly always';
  if (once < 1.75) return 'about two times in three';
  if (once > THOUSAND) return 'less than once in 1,000 times';
  const [low, part] = [Math.floor(once), once - Math.floor(once)];
  if (once < 10 && part >= 0.25 && part < 0.75) return `about once in ${low} to ${low + 1} times`;
  const n = Math.round(once);
  return `about once in ${n < 20 ? n : n < 100 ? 5 * Math.round(n / 5) : 50 * Math.round(n / 50)} times`;
}

/** What by chance comes less often than this is a clear winner; and what less often than this leans to one. */
const CLEAR = 0.05;
const LEANS = 0.2;

export interface Tasted {
  /** First picks of each bowl, most first. */
  readonly picks: readonly { readonly bowl: BowlLetter; readonly first: number }[];
  readonly tasters: number;
  /** Tasters without a preference. */
  readonly none: number;
  /** The bowl picked most often; null: nobody picked, or two are level. */
  readonly ahead: BowlLetter | null;
  /** How often chance alone gives one bowl as many picks; null: nobody picked. */
  readonly chance: number | null;
  readonly verdict: 'clear' | 'leans' | 'open';
}

/** What a tasting came to. @param ballots each taster's last word counts */
export function tastedOf(bowls: readonly BowlLetter[], ballots: readonly Ballot[]): Tasted {
  const last = lastWords(ballots);
  const picks = bowls
    .map((bowl) => ({ bowl, first: last.filter((b) => b.picked[0] === bowl).length }))
    .sort((a, b) => b.first - a.first || a.bowl.localeCompare(b.bowl));
  const picked = picks.reduce((a, p) => a + p.first, 0);
  const [top, next] = picks;
  const chance = top && picked > 0 ? chanceOfFirst(top.first, picked, bowls.length) : null;
  const ahead = top && next && top.first > next.first ? top.bowl : null;
  return {
    picks,
    tasters: last.length,
    none: last.length - picked,
    ahead,
    chance,
    verdict:
      ahead === null || chance === null ? 'open' : chance <= CLEAR ? 'clear' : chance <= LEANS ? 'leans' : 'open',
  };
}

const WORDS = [
  'none',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

/** The count and its chance: "6 of 8 chose B. By chance one of the two gets six or more about once in 3 to 4 times: no clear winner." */
export function tastedInWords(t: Tasted): string {
  const [top] = t.picks;
  const picked = t.tasters - t.none;
  if (t.tasters === 0) return 'Nobody has tasted yet.';
  const none = t.none === 0 ? '' : ` ${t.none === 1 ? 'One' : t.none} had no preference.`;
  if (!top || picked === 0 || t.chance === null)
    return `${t.tasters === 1 ? 'The one who tasted has' : `None of the ${counted(t.tasters, 'tasters')} has`} ${t.tasters === 1 ? 'no' : 'a'} preference.`;
  if (t.ahead === null)
    return `Level: ${t.picks.map((p) => `${p.first} for ${p.bowl}`).join(', ')}.${none} No clear winner.`;
  const many = WORDS[top.first] ?? String(top.first);
  const by = `By chance one of the ${WORDS[t.picks.length] ?? t.picks.length} gets ${many}${top.first < picked ? ' or more' : ''} ${timesInWords(t.chance)}`;
  const so =
    t.verdict === 'clear'
      ? `${t.ahead} is clearly liked more`
      : t.verdict === 'leans'
        ? `it leans to ${t.ahead}, and is not clear`
        : 'no clear winner';
  return `${top.first} of ${picked} chose ${t.ahead}.${none} ${by}: ${so}.`;
}

/** More tasters than this nobody asks at a breakfast. */
const MOST_ASKED = 60;
/**
 * How many tasters with a preference would make the same share a clear winner; null: more than a kitchen can ask, or
 * nobody is ahead.
 */
export function tastersFor({ picks, ahead, tasters, none }: Tasted): number | null {
  const [top] = picks;
  const picked = tasters - none;
  if (!top || ahead === null || picked === 0) return null;
  for (let n = picked + 1; n <= MOST_ASKED; n++)
    if (picks.length > 2 && n > 30) return null;
    else if (chanceOfFirst(Math.round((n * top.first) / picked), n, picks.length) <= CLEAR) return n;
  return null;
}
