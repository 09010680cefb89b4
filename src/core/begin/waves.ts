/** Who comes after whom, where one sentence tells more hours than one: "20 at 8 and 15 at 9:30". */
import { clearTimeIn, minutesInto } from './when';
import { COUNT, numberOf, PERSONS, Rest } from './words';

/** A first hour and the minutes until each wave behind it; what a wave counts is told with it. */
export interface WaveSaid {
  readonly people: number;
  /** After the first wave, min. */
  readonly afterMin: number;
}
/** "20 more at", "15 people from": how many, right before their hour; "9:00 for 12": right behind it. */
const BEFORE_HOUR = new RegExp(
  String.raw`\b(?:another\s+)?(${COUNT})\s+(?:(?:more|others|of (?:them|us)|(?:more\s+)?(?:${PERSONS}))\s+)?(?:(?:come|coming|arrive|eat|due)\s+)?(?=(?:at|from|by)\s*$)`,
  'iu',
);
const BEHIND_HOUR = new RegExp(String.raw`^\s*for\s+(${COUNT})\b(?:\s+(?:${PERSONS})\b)?`, 'iu');
const IN_SO_MANY = new RegExp(String.raw`\b(?:in\s+)?${COUNT}\s+(?:waves|sittings|seatings)\b`, 'i');
/** What tells one wave from the next. */
const NEXT_WAVE = /[,;]|\b(?:and|then|plus)\b/giu;

/** "20 at 8 and 15 at 9:30": waves, in their order; none where there are not two. The first hour is left to be read. */
export function wavesSaidIn(rest: Rest): readonly WaveSaid[] {
  const ends = [...[...rest.text.matchAll(NEXT_WAVE)].map((m) => m.index), rest.text.length];
  const found = ends.flatMap((end, n) => {
    const from = ends[n - 1] ?? 0;
    const words = rest.text.slice(from, end);
    const copy = new Rest(words);
    const time = clearTimeIn(copy)?.time;
    if (!time) return [];
    const hourAt = [...words].map((_, k) => k).filter((k) => copy.text[k] !== words[k]);
    const [first = 0, last = 0] = [hourAt[0], (hourAt.at(-1) ?? 0) + 1];
    // the word before the hour belongs to the hour
    const hour = /^(?:at|from|by)\s/i.exec(words.slice(first))?.[0] ?? '';
    const before = BEFORE_HOUR.exec(words.slice(0, first + hour.length));
    const behind = BEHIND_HOUR.exec(words.slice(last));
    const m = before ?? behind;
    if (!m) return [];
    const at = from + (before ? before.index : last);
    return [{ at, length: m[0].length, from, copy, people: numberOf(m[1] ?? '') ?? 0, min: minutesInto(time) }];
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
