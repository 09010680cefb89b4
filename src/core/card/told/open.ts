/**
 * Lengths of time and amounts of a method that nothing was taken from, each with what it most likely is, by how far the
 * making has come where it is told: asked, so that nothing told is lost.
 */
import type { KitchenConventions } from '../../pantry/conventions';
import { type Clause, FRIES_OTHER, hundredths, type ToldFact } from './clause';
import { bareCelsius } from './heat';
import { fatNamedIn } from './pan-fat';
import { portionAmidst } from './portion';
import { TIME_ALONE } from './rests';
import { BETWEEN_LOADS, isShutFor, isWork, OVEN_WORD, speaksOfIron, UNDER_FOIL } from './sides';
import { HOT_SURFACE } from './words';

/** From here on a method is at the heat. */
const AT_HEAT = new RegExp(
  `${HOT_SURFACE.source}|\\b(?:pour|ladle|scoop|fry|oven|turn|flip|swirl|bubbles?|apiece|per (?:cake|pancake|waffle|crepe)|finish)\\b`,
  'iu',
);
/** What a dish is called by is nothing hot. */
const OF_A_DISH = /\b(?:griddle|pan|waffle)[ -]?(?:cakes?|iron cakes?)\b/gi;
const BAKED = /\bbaked?\b/i;
/** What is told of the pieces when they are done, of another day, or of the cook. */
const AFTERWARDS =
  /\b(?:keeps?|kept|hold|holds|warm|serve[ds]?|freez\w+|left ?overs?|reheat\w*|toast\w*|off the heat|before (?:serving|cutting)|cool|ready in|total|prep|cook(?:ing)? time|(?:zubereitungs|arbeits|gesamt|koch|back|vorbereitungs)zeit|fertig in|(?:temps (?:de )?(?:préparation|cuisson|total))|(?:préparation|cuisson|preparaci[oó]n|cocci[oó]n|elaboraci[oó]n|tiempo(?: total| de \p{L}+)?)(?= ?:)|prêt en|list[ao]s? en|from (?:start|cupboard|bowl|scratch|cold|nothing) to \w+)\b/iu;
/** What goes on in the bowl: an amount there is poured into it. */
const IN_THE_BOWL = /\b(?:whisk|stir|mix|add|beat|blend|combine|fold)\b/i;
/** What soaks by itself, and is neither the batter nor in it yet. */
const SOAKED =
  /(?<!\p{L})(?:einweichen|tremper|macérer|remojar|soak)(?!\p{L}).*(?<!\p{L})(?:rum|rhum|ron|wasser|eau|agua|water|tea)(?!\p{L})|(?<!\p{L})(?:rum|rhum|ron|wasser|eau|agua)(?!\p{L}).*(?<!\p{L})(?:einweichen|tremper|remojar)(?!\p{L})/iu;
/** A batter is not rested for less, nothing of a side is asked that is longer, and nothing bakes for longer: minutes. */
const LEAST_REST = 5;
const MOST_ASKED_SIDE = 8;
const MOST_BAKE = 60;
const MOST_REST = 24 * 60;

type Open = Pick<ToldFact, 'fact' | 'of'>;

/** A bare heat: of a griddle in C or F, or of an oven. */
const HEAT =
  /(?<![\d.,/#])(1[5-9]\d|2[0-4]\d|3[2-9]\d|4[0-5]\d)(?![\d.,/%]| ?(?:g|ml|kg|of|cakes|pieces|covers)\b| (?!on|in|for|until|till|then|and|or|degrees|dry|oiled)\p{L}{2,})/iu;
/** A heat in words, and nothing else that is low or high. */
const DIAL = /\b(low|medium|high)\b(?!\s*(?:speed|side|tin|shelf|table|altitude|power|in\b|sided))/i;

/** @param told a heat or a dial is told @returns the heat that a clause names in passing */
function heatLeft(c: Clause, baked: boolean, told: boolean): readonly ToldFact[] {
  if (told || (!baked && OVEN_WORD.test(c.text))) return [];
  const [, degrees] = HEAT.exec(c.text) ?? [];
  const asked = { words: c.text, taken: 'asked' } as const;
  if (degrees !== undefined) {
    const value = Math.round(bareCelsius(Number(degrees)));
    return [{ fact: 'heat', value, unit: 'C', of: baked ? 'oven' : 'surface', ...asked }];
  }
  const dial = DIAL.exec(c.text)?.[1]?.toLowerCase();
  return dial === undefined ? [] : [{ fact: 'dial', value: dial, unit: null, of: 'surface', ...asked }];
}

const BAKE: Open = { fact: 'bake', of: null };
const timeLeft = (c: Clause, open: Open | null | undefined): readonly ToldFact[] =>
  open ? [{ ...open, value: hundredths(c.times[0]?.min ?? 0), unit: 'min', words: c.text, taken: 'asked' }] : [];

/** Whether a fact has the length of time that a clause tells. */
const isTimeTaken = (c: Clause, facts: readonly ToldFact[]): boolean =>
  facts.some(
    (f) =>
      f.unit === 'min' &&
      (f.words === c.text ||
        // "let it sit while the iron heats, ten minutes": how long, in the clause behind
        (c.sentence.includes(f.words) && f.taken === 'told' && f.value === hundredths(c.times[0]?.min ?? 0))),
  );
/** Whether a clause is of what is neither the batter nor a piece on the heat. */
const isOfOther = (c: Clause): boolean =>
  UNDER_FOIL.test(c.text) ||
  BETWEEN_LOADS.test(c.sentence) ||
  (AFTERWARDS.test(c.text) && !isShutFor(c)) ||
  FRIES_OTHER.test(c.text) ||
  SOAKED.test(c.text);

/** "Steam the potato until soft, 12 minutes": how long that takes. */
const isOfOtherBefore = (c: Clause, before: Clause | undefined): boolean =>
  before !== undefined && before.sentence === c.sentence && TIME_ALONE.test(c.text) && FRIES_OTHER.test(before.text);

/** @param facts what was taken of them @returns what is left open, as asked */
export function leftOpen(
  clauses: readonly Clause[],
  facts: readonly ToldFact[],
  house: KitchenConventions,
): readonly ToldFact[] {
  const out: ToldFact[] = [];
  const has = (...names: readonly string[]): boolean =>
    [...facts, ...out].some((f) => names.includes(f.fact) && f.taken !== 'remark');
  const ironed = speaksOfIron(clauses);
  const baked = clauses.some((c) => OVEN_WORD.test(c.text) || BAKED.test(c.text));
  const isTurned = clauses.some((c) => /\b(?:turn|flip|toss|side)\w*\b/i.test(c.text));
  /** What a length of time may be, by what is told and what is not. */
  const mayBe = (min: number, atHeat: boolean): Open | null => {
    if (!atHeat)
      return min >= LEAST_REST && min <= MOST_REST && !has('rest', 'chill') ? { fact: 'rest', of: 'batter' } : null;
    if ((ironed && !isTurned) || baked) return min <= MOST_BAKE && !has('bake', 'firstSide') ? BAKE : null;
    // nothing lies on a side so long
    if (min > MOST_ASKED_SIDE && min <= MOST_BAKE && !has('bake', 'firstSide')) return BAKE;
    if (min > MOST_ASKED_SIDE || has('bake') || facts.some((f) => f.value === 'quarters')) return null;
    if (!has('firstSide')) return { fact: 'firstSide', of: null };
    return has('secondSide') ? null : { fact: 'secondSide', of: null };
  };
  let atHeat = false;
  for (const [n, c] of clauses.entries()) {
    atHeat ||= AT_HEAT.test(c.text.replace(OF_A_DISH, ' '));
    if (c.taken !== 'told' || isTimeTaken(c, facts) || isOfOther(c) || isOfOtherBefore(c, clauses[n - 1])) continue;
    const open = isShutFor(c) && !has('bake') ? BAKE : null;
    const [time] = isWork(clauses, n) && !open ? [] : c.times;
    out.push(...timeLeft(c, time && (open ?? mayBe(time.min, atHeat))));
    if (atHeat) out.push(...heatLeft(c, baked, has('heat', 'dial')));
    const fat = atHeat && !has('panFat') ? fatNamedIn(c) : null;
    if (fat) out.push({ fact: 'panFat', value: fat, unit: null, of: 'greased', words: c.text, taken: 'asked' });
    const portion = atHeat && !has('portion') && !IN_THE_BOWL.test(c.sentence) ? portionAmidst(c, house) : null;
    if (portion) out.push({ ...portion, taken: 'asked' });
  }
  return out;
}
