/**
 * When a breakfast is to be ready, in the words of one sentence: "Sunday 9", "in an hour", "from 7:30 to 10 on the 5th".
 * Days in words are left to a package; hours, holidays and what a day and an hour mean together are read here.
 */
import { casual, GB } from 'chrono-node/en';
import { dayAfter, timeIn, wordDay } from '../quantity/day';
import { CAKE, COUNT, LEADS_COUNT, numberOf, PERSONS, Rest } from './words';

/** A day as yyyy-mm-dd and a time as hh:mm, each with what else the same words may mean; null: not said. */
export interface When {
  readonly day: string | null;
  readonly orDay: string | null;
  readonly time: string | null;
  readonly orTime: string | null;
}
type Time = Pick<When, 'time' | 'orTime'>;
type Day = Pick<When, 'day' | 'orDay'>;

/** Minutes from midnight of a time as hh:mm. */
export const minutesInto = (time: string): number => 60 * Number(time.slice(0, 2)) + Number(time.slice(3));
const two = (n: number): string => String(n).padStart(2, '0');
const HOUR_WORDS = String.raw`\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve`;
const HOUR = `(${HOUR_WORDS})`;
/** Breakfast is at this hour at the earliest; an hour before is of the afternoon. */
const FIRST_HOUR = 5;
/** A bare hour, as it is likely meant, and what else it may mean. */
function hourAs(h: number, min: number): Time {
  const at = (x: number): string => `${two((x + 24) % 24)}:${two(min)}`;
  if (h > 23) return { time: null, orTime: null };
  if (h > 12 || h < 1) return { time: at(h), orTime: null };
  const later = (h % 12) + 12;
  return h < FIRST_HOUR || h === 12 ? { time: at(later), orTime: at(h % 12) } : { time: at(h), orTime: at(later) };
}

/** Minutes past the hour, or before it, in words. */
const PAST: Readonly<Record<string, number>> = {
  five: 5,
  ten: 10,
  quarter: 15,
  twenty: 20,
  'twenty-five': 25,
  half: 30,
};
const SPOKEN = new RegExp(
  String.raw`\b(?:at\s+|by\s+)?(?:a\s+)?(five|ten|quarter|twenty(?:[- ]five)?|half|[1-5]?[05])\s+(past|to|after|(?<=quarter\s)of)\s+${HOUR}\b(?!\s*(?:${PERSONS}|am|pm|[:.]\d))`,
  'i',
);
/** "Half ten": half past it. */
const HALF = new RegExp(String.raw`\b(?:at\s+|by\s+)?half\s+${HOUR}\b(?!\s*(?:${PERSONS}))`, 'i');
const PART_OF_DAY = new RegExp(
  String.raw`\b(?:at\s+|by\s+)?(\d{1,2}(?:[:.][0-5]\d)?|${HOUR_WORDS})\s*(?:o[’']?\s?clock\s+)?in the (morning|afternoon|evening)\b`,
  'i',
);
const EXACT =
  /\b(?:at\s+|by\s+|from\s+|for\s+(?=\d{1,2}[:.\s]?\d*\s*[ap]))?(\d{1,2}(?:[:.][0-5]\d)?\s*(?:am|pm|a\.m\.|p\.m\.))(?![\w])/i;
/** With a colon, as 0830 or 8h30; a point is of a time where no month can stand behind it. */
const CLOCK =
  /(?<![\d,/-])\b(?:at\s+|by\s+|from\s+|for\s+)?(?:([01]?\d|2[0-3])(?::|h|[.](?=00|1[3-9]|[2-5]\d))([0-5]\d)|(0\d)([0-5]\d))h?\b(?![.]\d)/i;
const POINTED = /\b(?:at\s+|by\s+|from\s+|for\s+)?([01]?\d|2[0-3])[.]([0-5]\d)\b/i;
const O_CLOCK = new RegExp(String.raw`\b(?:at\s+|by\s+)?${HOUR}(?:\s+o[’']?\s?clock|[- ]?ish|(?<=\d)\s?h)\b`, 'i');
/** "Around 9": of a breakfast's hours; more are guests. */
const AROUND = String.raw`(?<!\bfor\s)around\s+(?=(?:[6-9]|1[01]|six|seven|eight|nine|ten|eleven)\b)`;
const AT = new RegExp(
  String.raw`\b(?:${AROUND}|(?:at|by|from|before|(?:no|not) later than|latest|say)\s+(?:about\s+|around\s+)?)${HOUR}\b(?!\s*(?:%|cm|inch|in\b|x|×|by\b|/|${PERSONS}))`,
  'i',
);
/** "Six thirty": the minutes behind the hour, both in words. */
const WORDS_CLOCK = new RegExp(
  String.raw`\b(?:at\s+|by\s+|from\s+)?(one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)[ -](fifteen|twenty|thirty|forty(?:[ -]five)?|fifty)\b(?!\s*(?:${PERSONS}|${CAKE}))`,
  'i',
);
const NOON = /\b(?:at\s+|by\s+)?(?:noon|midday)\b/i;

const T = String.raw`(\d{1,2}(?:[:.][0-5]\d)?)\s*(am|pm)?`;
const T_IN_WORDS = String.raw`(\d{1,2}(?:[:.][0-5]\d)?|${HOUR_WORDS}|noon|midday)\s*(am|pm)?`;
const TO = String.raw`\s*(?:-|–|—|to|till|until)\s*`;
/** "From 7:30 to 10", "8 to 10 am": the first is when it is to be ready. */
const RANGES: readonly RegExp[] = [
  new RegExp(
    String.raw`\b(?:from|between)\s+${T_IN_WORDS}(?:${TO}|\s*and\s*)${T_IN_WORDS}\b(?!\s*(?:${PERSONS}|cm))`,
    'i',
  ),
  new RegExp(String.raw`(?<![\d:.,/-])\b(?=[^,;]{0,14}(?::\d\d|[ap]m\b))${T}${TO}${T}\b(?!\s*(?:${PERSONS}|cm))`, 'i'),
];
/** "Sunday brunch 11-13": hours, where no others are told. */
const BARE_RANGE = new RegExp(
  String.raw`(?<!\bfor\s+)(?<![\d:.,/-])\b(\d{1,2})\s*(?:[-–]|(?:to|till|until)\b)\s*(\d{1,2})\b(?!\s*(?:${PERSONS}|cm|[:.\d-]))`,
  'i',
);

const hourAndMinute = (said: string): readonly number[] =>
  /^(?:noon|midday)$/i.test(said) ? [12, 0] : said.split(/[:.]/).map((x) => numberOf(x) ?? Number(x));

function rangeIn(rest: Rest): Time | null {
  for (const re of RANGES) {
    const m = rest.first(re);
    if (!m) continue;
    const half = (m[2] ?? m[4])?.toLowerCase();
    const [h = 0, min = 0] = hourAndMinute(m[1] ?? '');
    const [end = 0] = hourAndMinute(m[3] ?? '');
    // "10 to 1 pm" begins in the morning
    if (half === 'pm' && m[2] === undefined && h > end && h < 12)
      return { time: `${two(h)}:${two(min)}`, orTime: null };
    return half === undefined ? hourAs(h, min) : { time: timeIn(`${h}:${two(min)} ${half}`), orTime: null };
  }
  return null;
}

const halfOfDay = (rest: Rest): Time | null => {
  const m = rest.first(PART_OF_DAY);
  if (!m) return null;
  const [h = 0, min = 0] = hourAndMinute(m[1] ?? '');
  return { time: timeIn(`${h}:${two(min)} ${/morning/i.test(m[2] ?? '') ? 'am' : 'pm'}`), orTime: null };
};
const pastIn = (rest: Rest): Time | null => {
  const m = rest.first(SPOKEN);
  if (!m) return null;
  const said = (m[1] ?? '').toLowerCase().replace(' ', '-');
  const min = PAST[said] ?? Number(said);
  const h = numberOf(m[3] ?? '') ?? 0;
  return /^(?:to|of)$/i.test(m[2] ?? '') ? hourAs(h - 1 || 12, 60 - min) : hourAs(h, min);
};
const halfHourIn = (rest: Rest): Time | null => {
  const m = rest.first(HALF);
  return m && hourAs(numberOf(m[1] ?? '') ?? 0, 30);
};
const exactIn = (rest: Rest): Time | null => {
  const m = rest.first(EXACT);
  return m && { time: timeIn(m[1] ?? ''), orTime: null };
};
const clockIn = (rest: Rest): Time | null => {
  const m = rest.first(CLOCK);
  if (!m) return null;
  const [h, min] = [m[1] ?? m[3] ?? '', m[2] ?? m[4] ?? ''];
  return h.startsWith('0') ? { time: `${h}:${min}`, orTime: null } : hourAs(Number(h), Number(min));
};
const wordsClockIn = (rest: Rest): Time | null => {
  const m = rest.first(WORDS_CLOCK);
  return m && hourAs(numberOf(m[1] ?? '') ?? 0, numberOf((m[2] ?? '').replace(' ', '-')) ?? 0);
};
const noonIn = (rest: Rest): Time | null => (rest.first(NOON) ? { time: '12:00', orTime: null } : null);
const hourIn = (rest: Rest): Time | null => {
  const m = rest.first(O_CLOCK) ?? rest.first(AT);
  const h = m && numberOf(m[1] ?? '');
  return h ? hourAs(h, 0) : null;
};
/** Times that are told as times, wherever they stand. */
const CLEAR_TIMES = [rangeIn, halfOfDay, pastIn, halfHourIn, exactIn, clockIn, wordsClockIn, noonIn, hourIn];
/** The first of them in the sentence: "20 at 8 and 15 at 9:30" begins at eight. */
export function clearTimeIn(rest: Rest): Time | null {
  const found = CLEAR_TIMES.flatMap((read) => {
    const copy = new Rest(rest.text);
    const time = read(copy);
    const at = [...copy.text].findIndex((c, n) => c !== rest.text[n]);
    return time && at >= 0 ? [{ time, at, text: copy.text }] : [];
  }).sort((a, b) => a.at - b.at)[0];
  if (!found) return null;
  rest.text = found.text;
  return found.time;
}

const HOW_LONG: readonly (readonly [RegExp, number])[] = [
  [/^an hour and a half$/i, 90],
  [/^half an hour$/i, 30],
  [/^three quarters of an hour$/i, 45],
  [/^an hour$/i, 60],
];
const IN_SO_LONG = new RegExp(
  String.raw`\bin\s+(?:about\s+|around\s+)?(half an hour|an hour and a half|three quarters of an hour|an hour|(${COUNT})\s*(?:and a half\s+)?(hours?|hrs?|h|minutes?|mins?|min)(?:\s+(?:and a half))?)\b`,
  'i',
);
const MINUTES_A_DAY = 1440;
/** "In an hour", "in 45 minutes": from now. */
function soonIn(rest: Rest, today: string, now: string): When | null {
  const m = rest.first(IN_SO_LONG);
  if (!m) return null;
  const half = /and a half/i.test(m[0]) && m[2] !== undefined ? 0.5 : 0;
  const per = /^h/i.test(m[3] ?? '') ? 60 : 1;
  const min = HOW_LONG.find(([re]) => re.test(m[1] ?? ''))?.[1] ?? ((numberOf(m[2] ?? '') ?? 0) + half) * per;
  const at = minutesInto(now) + min;
  const of = at % MINUTES_A_DAY;
  return {
    day: dayAfter(today, Math.floor(at / MINUTES_A_DAY)),
    orDay: null,
    time: `${two(Math.floor(of / 60))}:${two(of % 60)}`,
    orTime: null,
  };
}

const WEEKDAY = /\b(?:mon|tues?|wed|thurs?|fri|sat|sun)\p{L}*/iu;
const MONTH = /\b(?:jan|feb|mar|apr|may|june?|july?|aug|sep|oct|nov|dec)\p{L}*\.?$/iu;
const MONTHS = 'jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec';
const MONTH_DAY = new RegExp(String.raw`\b(?:${MONTHS})\p{L}*\.?\s+\d{1,2}\b`, 'iu');
/** The next day of that number of a month. */
function dayOfMonth(n: number, today: string): string | null {
  for (let k = 0; k < 62; k++) {
    const day = dayAfter(today, k);
    if (Number(day.slice(8)) === n) return day;
  }
  return null;
}

/** Days that have a name every year, as mm-dd. */
const NAMED: readonly (readonly [RegExp, string])[] = [
  [/\b(?:on\s+)?new year[’']?s? eve\b/i, '12-31'],
  [/\b(?:on\s+)?new year(?:[’']?s)?(?: day)?\b/i, '01-01'],
  [/\b(?:on\s+)?christmas eve\b/i, '12-24'],
  [/\b(?:on\s+)?(?:christmas|xmas)(?: day)?\b/i, '12-25'],
  [/\b(?:on\s+)?boxing day\b/i, '12-26'],
];
/** Easter Sunday of a year, by the anonymous rule for the Gregorian calendar. */
function easterOf(year: number): string {
  const [a, b, c] = [year % 19, Math.floor(year / 100), year % 100];
  const e = Math.floor(b / 4);
  const g = Math.floor((8 * b + 13) / 25);
  const h = (19 * a + b - e - g + 15) % 30;
  const l = (32 + 2 * (b % 4) + 2 * Math.floor(c / 4) - h - (c % 4)) % 7;
  const m = Math.floor((a + 11 * h + 22 * l) / 451);
  const at = h + l - 7 * m + 114;
  return `${year}-${two(Math.floor(at / 31))}-${two((at % 31) + 1)}`;
}
/** Days that go with Easter, by how many days after it they are. */
const BY_EASTER: readonly (readonly [RegExp, number])[] = [
  [/\b(?:on\s+)?(?:shrove tuesday|pancake (?:tuesday|day))\b/i, -47],
  [/\b(?:on\s+)?good friday\b/i, -2],
  [/\b(?:on\s+)?easter monday\b/i, 1],
  [/\b(?:on\s+)?(?:easter(?: sunday)?)\b/i, 0],
];
const yearsFrom = (today: string): readonly number[] => [Number(today.slice(0, 4)), Number(today.slice(0, 4)) + 1];

/** How many days from a day with a name: "the day after Christmas" is one; null: it is not said. */
function beside(rest: Rest, named: RegExp): number | null {
  const m = rest.first(named);
  if (!m) return null;
  const by = /\b(?:on\s+)?(?:the\s+)?day (after|before)\s+$/i.exec(rest.text.slice(0, m.index));
  if (!by) return 0;
  rest.take(by.index, by[0].length);
  return by[1]?.toLowerCase() === 'after' ? 1 : -1;
}

/** Days that the package does not know by their words. */
function dayByName(rest: Rest, today: string): Day | null {
  if (rest.first(/\b(?:the\s+)?day after tomorrow\b/i)) return { day: dayAfter(today, 2), orDay: null };
  if (rest.first(/\bthis\s+(?:morning|afternoon|evening)\b/i)) return { day: today, orDay: null };
  for (const [re, day] of NAMED) {
    const from = beside(rest, re);
    if (from !== null) {
      const of = yearsFrom(today).map((y) => dayAfter(`${y}-${day}`, from));
      return { day: of.find((d) => d >= today) ?? null, orDay: null };
    }
  }
  for (const [re, after] of BY_EASTER) {
    const from = beside(rest, re);
    if (from !== null) {
      const of = yearsFrom(today).map((y) => dayAfter(easterOf(y), after + from));
      return { day: of.find((d) => d >= today) ?? null, orDay: null };
    }
  }
  // "Tuesday week": a week after the next one
  const week = rest.first(
    /\b(?:on\s+)?(?:(mon|tue|wed|thu|fri|sat|sun)\p{L}* week|a week on (mon|tue|wed|thu|fri|sat|sun)\p{L}*)\b/iu,
  );
  const of = week && wordDay((week[1] ?? week[2] ?? '').toLowerCase(), today);
  if (of) return { day: dayAfter(of, 7), orDay: null };
  if (rest.first(/\b(?:(?:at|on|over)\s+)?(?:this|the)\s+weekend\b/i)) {
    const saturday = wordDay('saturday', today) ?? today;
    return { day: saturday, orDay: dayAfter(saturday, 1) };
  }
  const numbered = rest.first(
    new RegExp(
      String.raw`\b(?:(?:on\s+)?(?:mon|tues?|wed|thurs?|fri|sat|sun)\p{L}*,?\s+)?(?:on\s+)?the\s+(\d{1,2})(?:st|nd|rd|th)\b(?!\s+(?:of\s+)?(?:${MONTHS}|us\b|them\b|the\b))`,
      'iu',
    ),
  );
  return numbered && { day: dayOfMonth(Number(numbered[1]), today), orDay: null };
}

/** The words of a day at the start of what was found, without the time behind them. */
function dayWords(text: string): string {
  const words = /^(.*?)(?:,?\s+(?:at\s+)?\d{1,2}(?:[:.]\d\d)?\s*(?:am|pm)?)?$/i.exec(text)?.[1] ?? text;
  // "December 6": the number is the day's
  return MONTH.test(words) && !/\d/.test(words) ? (/^.*?\d{1,2}(?:st|nd|rd|th)?/i.exec(text)?.[0] ?? text) : words;
}

const NO_DAY = new RegExp(
  String.raw`\b${COUNT}\s+(?:hours?|minutes?|mins?)\b|\b${COUNT}(?=\s+(?:\p{L}+\s+)?(?:${PERSONS})\b)|\b(?:for|of|${LEADS_COUNT})\s+${COUNT}(?![\d:]|\.\d|\s*(?:am|pm|st|nd|rd|th|(?:${MONTHS})\p{L}*)\b)(?=[\s,.;]|$)`,
  'giu',
);
/** Numbers right before a weekday that are no date of it. */
const BEFORE_WEEKDAY =
  /\b\d{1,3}(?:(?=,\s*(?:mon|tue|wed|thu|fri|sat|sun))|\s+(?:to|or|-)\s+\d{1,3}(?=\s+(?:on\s+)?(?:mon|tue|wed|thu|fri|sat|sun)))/gi;
/** "Sunday 9 to 11": hours. */
const HOURS_BEHIND = /(?<=\b(?:mon|tue|wed|thu|fri|sat|sun)\p{L}*,?\s+)\d{1,2}\s+(?:to|till|until)\s+\d{1,2}\b/giu;
/** Keeps the place of what is no date. */
const hidden = (m: string): string => '~'.repeat(m.length);

/** A day in words or figures, with the place behind it; numbers of people are none. */
function dayIn(rest: Rest, today: string, dayFirst: boolean): (Day & { readonly end: number }) | null {
  // over what is read already no date goes on
  const text = rest.text
    .replace(NO_DAY, hidden)
    .replace(/ {2,}/g, hidden)
    // "24, Sat": the number is no day's; "8 to 10 on Saturday": people
    .replace(BEFORE_WEEKDAY, hidden)
    .replace(HOURS_BEHIND, hidden)
    // "12.12."
    .replace(/\b(\d{1,2})\.(\d{1,2})\.(?=\s|,|~|$)/, '$1/$2 ');
  // where the day comes first, "Dec 12" is read by the other
  const found = (dayFirst ? [GB, ...(MONTH_DAY.test(text) ? [casual] : [])] : [casual])
    .flatMap((c) => c.parse(text, new Date(`${today}T00:00:00`), { forwardDate: true }))
    .find((r) => r.start.isCertain('weekday') || r.start.isCertain('day'));
  if (!found) return null;
  // "16 on Sat 12/12": the number is no day's
  const people = /^\d{1,3}\s+(?:on\s+)?(?=(?:mon|tue|wed|thu|fri|sat|sun|to|next|this))/i.exec(found.text)?.[0] ?? '';
  const words = dayWords(found.text.slice(people.length)).replace(/[\s,~]+$/, '');
  const end = found.index + people.length + words.length;
  rest.take(end - words.length, words.length);
  const d = found.start.date();
  const named = WEEKDAY.test(words) && !/\d/.test(words);
  const numbered = named ? rest.first(/\b(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)\b/i) : null;
  const of = numbered ? dayOfMonth(Number(numbered[1]), today) : null;
  const at = `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
  // "next week Tuesday": the one that is nearest
  const other =
    !named && /\bweeks?\b/i.test(words) ? rest.first(/\b(?:on\s+)?(mon|tue|wed|thu|fri|sat|sun)\p{L}*\b/iu) : null;
  const near = other && wordDay((other[1] ?? '').toLowerCase(), dayAfter(at, -3));
  const day = of ?? near ?? at;
  const isNamed = named && of === null;
  // "next Saturday" is for some the one that comes first
  const isLater = isNamed && day >= dayAfter(today, 7);
  return { day, orDay: isNamed ? dayAfter(day, isLater ? -7 : 7) : null, end };
}

const EVENINGS = /\b(?:tonight|night|evening|afternoon|dinner|supper)\b/i;
/** What stands behind a bare number that is no hour. */
const COUNTS = `${PERSONS}|${CAKE}|of them|vegans?|coeliacs?|celiacs?|gluten|without|by|x|×|cm|each`;

/** @param today yyyy-mm-dd @param now hh:mm @param dayFirst whether 6/12 is the sixth of December */
export function whenSaid(rest: Rest, today: string, now: string, dayFirst: boolean): When {
  const soon = soonIn(rest, today, now);
  if (soon) return soon;
  const isEvening = EVENINGS.test(rest.text);
  const asMeant = (t: Time): Time =>
    isEvening && t.orTime !== null && t.orTime > (t.time ?? '') ? { time: t.orTime, orTime: t.time } : t;
  let at = clearTimeIn(rest);
  const named = dayByName(rest, today);
  const said = named ? { ...named, end: null } : dayIn(rest, today, dayFirst);
  if (said?.end != null && at === null) {
    // "Sunday 9": a bare hour right behind the day
    const bare = new RegExp(
      String.raw`^\s*(?:morning\s+)?(\d{1,2}|seven|eight|nine|ten|eleven)(?![\d:.–-]|\s*(?:am|pm|${COUNTS})\b)(?:\s+(?:to|till|until)\s+\d{1,2}(?!\s*(?:${COUNTS})\b))?(?=\s*(?:,|$|\s))`,
      'i',
    ).exec(rest.text.slice(said.end));
    const h = bare ? numberOf(bare[1] ?? '') : null;
    if (bare && h !== null && h >= 1 && h <= 23) {
      rest.take(said.end, bare[0].length);
      at = hourAs(h, 0);
    }
  }
  at ??= lateTimeIn(rest);
  const { time, orTime } = asMeant(at ?? { time: null, orTime: null });
  if (!said) return { day: null, orDay: null, time, orTime };
  const { day, orDay } = said;
  // "Sunday 9", said on a Sunday at ten, is next week's
  const isOver = orDay !== null && day === today && time !== null && time < now;
  return isOver ? { day: orDay, orDay: dayAfter(orDay, 7), time, orTime } : { day, orDay, time, orTime };
}

/** Times that might be days, once the day is read: "7.10", "11-13". */
function lateTimeIn(rest: Rest): Time | null {
  const m = rest.first(POINTED);
  if (m) return hourAs(Number(m[1]), Number(m[2]));
  const range = BARE_RANGE.exec(rest.text);
  if (!range || Number(range[1]) > 23 || Number(range[2]) > 24) return null;
  // "8 to 10 on Saturday" are people, where nobody else is counted
  const others = rest.text.slice(0, range.index) + rest.text.slice(range.index + range[0].length);
  if (/to|till/i.test(range[0]) && !new RegExp(String.raw`\b${COUNT}\b`, 'i').test(others)) return null;
  rest.take(range.index, range[0].length);
  return hourAs(Number(range[1]), 0);
}

/** "15 guests, 9": the hour, by a number alone where the people are told and no time is. */
export function hourAlone(rest: Rest): Time | null {
  const m = new RegExp(String.raw`(?:^|,)\s*${HOUR}\s*(?=,|$)`, 'i').exec(rest.text);
  const h = m && numberOf(m[1] ?? '');
  if (!m || !h || h > 23) return null;
  rest.take(m.index, m[0].length);
  return hourAs(h, 0);
}
