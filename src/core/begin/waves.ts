/** Who comes after whom, where one sentence tells more hours than one: "20 at 8 and 15 at 9:30". */
import { clearTimeIn, minutesInto } from './when';
import { CAKE, COUNT, numberOf, PERSONS, Rest } from './words';

/** A first hour and the minutes until each wave behind it; what a wave counts is told with it. */
export interface WaveSaid {
  /** Null: only the hours are told. */
  readonly people: number | null;
  /** After the first wave, min. */
  readonly afterMin: number;
}
/** "20 more at", "15 people from": how many, right before their hour; "9:00 for 12": right behind it. */
const BEFORE_HOUR = new RegExp(
  String.raw`\b(?:another\s+)?(${COUNT})\s+(?:(?:more|others|of (?:them|us)|(?:more\s+)?(?:${PERSONS}))\s+)?(?:(?:come|coming|arrive|eat|due)\s+)?(?=(?:(?:(?:want|have|get|eat)\s+)?(?:${CAKE})\s+)?(?:at|from|by)\s*$)`,
  'iu',
);
const BEHIND_HOUR = new RegExp(String.raw`^\s*for\s+(${COUNT})\b(?:\s+(?:${PERSONS})\b)?`, 'iu');
const IN_SO_MANY = new RegExp(String.raw`\b(?:in\s+)?${COUNT}\s+(?:waves|sittings|seatings)\b`, 'i');
/** What tells one wave from the next. */
const NEXT_WAVE = /[,;]|\b(?:and|then|plus)\b/giu;

const T = String.raw`(?:\d{1,2}(?:[:.][0-5]\d)?(?:\s*[ap]m)?|ten|nine|eight|seven|eleven|noon)`;
const HOURS = new RegExp(
  String.raw`(?:\b(?:at|from)\s+|(?:waves|sittings|seatings)\s*:?\s*(?:at\s+)?)(${T}(?:\s*,\s*${T})*\s*,?\s*(?:and|&|then)\s+(?:at\s+)?${T})\b(?!\s*(?:${PERSONS}|at\b|more\b))`,
  'i',
);
const EACH_WAVE = new RegExp(
  String.raw`\b(?:waves|sittings|seatings)\s+of\s+(${COUNT})\b|\b(${COUNT})\s+(?:(?:${PERSONS})\s+)?(?:each|in each|to each|per (?:wave|sitting|seating))\b`,
  'i',
);
/** "30 people in two waves at 9 and 10", "sittings at 9 and 10:30, 30 each": hours alone, where waves are spoken of. */
function hoursOfWaves(rest: Rest): readonly WaveSaid[] {
  const m = /\b(?:waves|sittings|seatings)\b/i.test(rest.text) ? HOURS.exec(rest.text) : null;
  const hours = (m?.[1] ?? '')
    .split(/\s*(?:,|\b(?:and|then)\b|&)\s*/)
    .filter((x) => x !== '')
    .map((x) => {
      const said = `at ${x.replace(/^at\s+/i, '')}`;
      const time = clearTimeIn(new Rest(said))?.time;
      return { said, min: time ? minutesInto(time) : null };
    });
  const known = hours
    .flatMap(({ said, min }) => (min === null ? [] : [{ said, min }]))
    .toSorted((x, y) => x.min - y.min);
  const [first] = known;
  if (!m || !first || known.length < 2 || known.length < hours.length) return [];
  const each = EACH_WAVE.exec(rest.text);
  const people = numberOf(each?.[1] ?? each?.[2] ?? '');
  if (each && people !== null) rest.take(each.index, each[0].length);
  rest.take(m.index, m[0].length);
  rest.first(IN_SO_MANY);
  const many = new RegExp(String.raw`\b(?:in\s+)?${COUNT}\s+$`, 'i').exec(rest.text.slice(0, m.index));
  if (many && /^[ws]/i.test(m[0])) rest.take(many.index, many[0].length);
  // the first hour is left to be read
  rest.put(m.index, first.said);
  return known.map((x) => ({ people, afterMin: x.min - first.min }));
}

/** The parts of a sentence that tell an hour each: from where, their words, without the hour, and the hour's own place. */
function partsWithAnHour(rest: Rest) {
  const ends = [...[...rest.text.matchAll(NEXT_WAVE)].map((m) => m.index), rest.text.length];
  return ends.flatMap((end, n) => {
    const from = ends[n - 1] ?? 0;
    const words = rest.text.slice(from, end);
    const copy = new Rest(words);
    const time = clearTimeIn(copy)?.time;
    if (!time) return [];
    const hourAt = [...words].map((_, k) => k).filter((k) => copy.text[k] !== words[k]);
    return [{ from, words, copy, min: minutesInto(time), first: hourAt[0] ?? 0, last: (hourAt.at(-1) ?? 0) + 1 }];
  });
}

const EATEN = new RegExp(String.raw`\b(?:${CAKE}|breakfast|brunch|eat(?:ing)?|serv(?:e|ed|ing)|food|ready)\b`, 'i');
/**
 * "Coffee at 9, pancakes at 10": hours of something else than what is eaten are hidden while the time is read.
 * @returns how they are put back, to stand among what nobody understood
 */
export function hideOtherHours(rest: Rest): () => void {
  const parts = partsWithAnHour(rest);
  const others = parts.filter((p) => !EATEN.test(p.words));
  if (others.length === 0 || others.length === parts.length) return () => undefined;
  const hidden = others.map((p) => ({ at: p.from + p.first, text: p.words.slice(p.first, p.last) }));
  for (const { at, text } of hidden) rest.take(at, text.length);
  return () => {
    for (const { at, text } of hidden) rest.put(at, text);
  };
}

/** "20 at 8 and 15 at 9:30": waves, in their order; none where there are not two. The first hour is left to be read. */
export function wavesSaidIn(rest: Rest): readonly WaveSaid[] {
  const hours = hoursOfWaves(rest);
  if (hours.length > 0) return hours;
  const found = partsWithAnHour(rest).flatMap(({ from, words, copy, min, first, last }) => {
    // the word before the hour belongs to the hour
    const hour = /^(?:at|from|by)\s/i.exec(words.slice(first))?.[0] ?? '';
    const before = BEFORE_HOUR.exec(words.slice(0, first + hour.length));
    const behind = BEHIND_HOUR.exec(words.slice(last));
    const m = before ?? behind;
    if (!m) return [];
    const at = from + (before ? before.index : last);
    return [{ at, length: m[0].length, from, copy, people: numberOf(m[1] ?? '') ?? 0, min }];
  });
  const waves = found.toSorted((a, b) => a.min - b.min);
  const [first] = waves;
  if (!first || new Set(waves.map((w) => w.min)).size < 2) return [];
  for (const w of waves) {
    if (w !== first)
      rest.text = rest.text.slice(0, w.from) + w.copy.text + rest.text.slice(w.from + w.copy.text.length);
    rest.take(w.at, w.length);
  }
  rest.first(IN_SO_MANY);
  return waves.map((w) => ({ people: w.people, afterMin: w.min - first.min }));
}
