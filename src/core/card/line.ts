/**
 * A line of a card: what the cook wrote, and what it was understood to mean. The text is the source; ingredient,
 * amounts, grams and the rest are read from it each time, with the cook's own choices on top. Nothing is guessed at in
 * silence: what is not understood keeps its text and says what is missing.
 */

import { type FillMethod, houseKey, type KitchenConventions } from '../pantry/conventions';
import { type Ingredient, kitchenName, membersOf } from '../pantry/ingredient';
import { lookUp } from '../pantry/lookup';
import { findIngredient } from '../pantry/pantry';
import { behaviourOf } from '../pantry/tables/behaviour';
import { disagreementBracket, doubtsOf, type Weighed, weigh } from '../pantry/weigh';
import { type Amount, type Combined, combine, readAmount } from '../quantity/amount';
import { grams as g } from '../quantity/say';
import type { LineFinding, Use, Vessel } from './parts';
import { splitLine } from './split';

export type LineStatus = 'read' | 'unclear' | 'unknown';
export type Peaks = 'soft' | 'firm';

export interface LinePart {
  readonly ingredient: Ingredient;
  readonly grams: number;
  readonly low: number;
  readonly high: number;
}

/** What the cook settled about a line, over and above its text. */
export interface LineChoice {
  readonly ingredientId?: string | undefined;
  readonly vessel?: Vessel | undefined;
  /** Written twice and they disagree: which of the two counts. */
  readonly stands?: 'weight' | 'volume' | undefined;
}

export interface Line {
  readonly text: string;
  readonly status: LineStatus;
  readonly ingredient: Ingredient | null;
  /** As written, each in its own unit; two where it was written twice. */
  readonly amounts: readonly Combined[];
  readonly written: readonly Amount[];
  /** What it is made of: one part, or two for "2 eggs plus 1 yolk". Empty when it has no grams. */
  readonly parts: readonly LinePart[];
  readonly grams: number | null;
  readonly gramsLow: number | null;
  readonly gramsHigh: number | null;
  /** How the best value was come by. */
  readonly basis: Weighed['basis'] | null;
  readonly use: Use;
  readonly vessel: Vessel;
  /** What is done to it, as written: "melted and cooled". */
  readonly preparation: string;
  /** Whites that go in as foam, and how stiff; for "eggs, separated" the whites are soft. */
  readonly foam: Peaks | null;
  readonly findings: readonly LineFinding[];
  readonly suggestions: readonly Ingredient[];
}

/** Longer than any ingredient line: it is prose. */
const MOST_LINE_CHARS = 300;

const DRY = new Set(['flour', 'starch', 'sugar', 'leavening', 'acid', 'salt', 'dry-dairy']);

function vesselFor(i: Ingredient | null, use: Use, foam: Peaks | null): Vessel {
  if (use !== 'batter') return use;
  if (!i) return 'dry';
  if (foam && i.id === 'egg-white') return 'fold-in';
  if (behaviourOf(i).inclusion) return i.id === 'lemon-zest' ? 'wet' : 'fold-in';
  if (DRY.has(i.category)) return 'dry';
  if (i.category === 'flavour') return i.id === 'vanilla-extract' ? 'wet' : 'dry';
  return 'wet';
}

function foamOf(i: Ingredient | null, preparation: string): Peaks | null {
  if (i?.category !== 'egg') return null;
  const p = preparation.toLowerCase();
  const separated = /\bseparated\b/.test(p);
  const whipped = /\b(?:whipped|peaks?|stiff)\b|\b(?:beaten|whisked)\b.*\b(?:soft|firm|stiff|foam)/.test(p);
  if (!separated && !(whipped && i.id === 'egg-white')) return null;
  return /\b(?:firm|stiff)\b/.test(p) ? 'firm' : 'soft';
}

/** A blend is read as what it is made of. */
const partsOf = (i: Ingredient, w: Pick<Weighed, 'grams' | 'low' | 'high'>): LinePart[] =>
  membersOf(i).map((m) => ({ ingredient: m.ingredient, grams: w.grams * m.share, low: w.low * m.share, high: w.high * m.share }));

const purposeOf = (v: Vessel): Use => (v === 'pan' || v === 'topping' ? v : 'batter');

interface Settled {
  readonly weighed: Weighed;
  readonly findings: readonly LineFinding[];
}

const isWeight = (a: Combined): boolean => a.unit === 'g' || a.unit === 'kg' || a.unit === 'mg' || a.unit === 'oz' || a.unit === 'lb';

/** Which of one or two written amounts counts, and whether two disagree. */
function settle(
  i: Ingredient,
  written: readonly Amount[],
  combined: readonly Combined[],
  fill: FillMethod | null,
  house: KitchenConventions,
  choice: LineChoice,
): Settled | LineFinding {
  const tries = written.map((a) => weigh(a, i, fill, house));
  const [first, second] = tries;
  if (!first) return { code: 'no-amount', message: `How much ${shortName(i)}? No amount is written.` };
  if (!second) return first.ok ? { weighed: first.value, findings: [] } : { code: first.error.reason, message: first.error.message };
  // a can of a stated weight, a stick of so many spoons: the one that can be weighed counts
  if (!first.ok) return second.ok ? { weighed: second.value, findings: [] } : { code: first.error.reason, message: first.error.message };
  if (!second.ok) return { weighed: first.value, findings: [] };
  const weightFirst = combined[0] !== undefined && isWeight(combined[0]);
  const weightSecond = combined[1] !== undefined && isWeight(combined[1]);
  const [weight, volume] = weightFirst || !weightSecond ? [first.value, second.value] : [second.value, first.value];
  const { low: lo, high: hi } = disagreementBracket(volume);
  const apart = weight.grams < lo * (1 - 1e-9) || weight.grams > hi * (1 + 1e-9);
  const weighed = choice.stands === 'volume' ? volume : weight;
  if (!apart || choice.stands !== undefined) return { weighed, findings: [] };
  const other =
    volume.basis === 'weight'
      ? `the other ${g(volume.grams)}`
      : `the other weighs ${g(lo)} to ${g(hi)}${volume.basis === 'fill-not-stated' ? ' however it is filled' : ''}`;
  const message = `Written twice, and the two disagree: one says ${g(weight.grams)}, ${other}. ${g(weight.grams)} is used until you say which stands.`;
  return { weighed, findings: [{ code: 'amounts-disagree', message }] };
}

const shortName = (i: Ingredient): string => kitchenName(i).toLowerCase();

/** Lines read before, by everything that decides what they mean: on the Bench all but the one being typed are the same. */
const read = new Map<string, Line>();
const MOST_READ = 5000;

/**
 * Reads one ingredient line.
 * @param text as the cook wrote it, bullets allowed
 * @param house the conventions for whatever the line does not say
 * @param choice what the cook settled about this line before
 * @param hint where a heading above the line says it belongs
 */
export function readLine(text: string, house: KitchenConventions, choice: LineChoice = {}, hint: Vessel | null = null): Line {
  const key = [houseKey(house), choice.ingredientId, choice.vessel, choice.stands, hint, text].join('\n');
  const known = read.get(key);
  if (known) return known;
  const line = readAnew(text, house, choice, hint);
  if (read.size >= MOST_READ) read.clear();
  read.set(key, line);
  return line;
}

function readAnew(text: string, house: KitchenConventions, choice: LineChoice, hint: Vessel | null): Line {
  if (text.length > MOST_LINE_CHARS) {
    const finding: LineFinding = {
      code: 'too-long',
      message: `${text.length} characters on one line: an ingredient line has at most ${MOST_LINE_CHARS}. Split it.`,
    };
    return blank(text, 'unknown', [finding], hint);
  }
  const nameOf = (phrase: string): string | null => {
    const r = lookUp(phrase, house);
    return r.kind === 'found' ? r.ingredient.id : r.kind === 'ambiguous' ? `?${r.suggestions[0]?.id}` : null;
  };
  const s = splitLine(text, nameOf, readAmount);
  const where = choice.vessel ?? hint;
  const use: Use = choice.vessel ? purposeOf(choice.vessel) : (s.use ?? (where ? purposeOf(where) : 'batter'));
  const chosen = choice.ingredientId === undefined ? undefined : findIngredient(choice.ingredientId, house.own);
  const found = chosen ? ({ kind: 'found', ingredient: chosen } as const) : lookUp(s.name, house);
  const i = found.kind === 'found' ? found.ingredient : null;
  const combined = s.amounts.map((a) => combine(a, house));
  const foam = foamOf(i, `${s.name} ${s.preparation}`);
  const vessel = choice.vessel ?? (hint && use === 'batter' && hint !== 'pan' && hint !== 'topping' ? hint : vesselFor(i, use, foam));
  const base = { text, ingredient: i, amounts: combined, written: s.amounts, use, vessel, preparation: s.preparation, foam };
  const none = { parts: [], grams: null, gramsLow: null, gramsHigh: null, basis: null };

  if (s.problem) return { ...base, ...none, status: 'unclear', findings: [s.problem], suggestions: [] };
  if (!i) {
    const suggestions = found.kind === 'found' ? [] : found.suggestions;
    if (found.kind === 'ambiguous')
      return { ...base, ...none, status: 'unclear', suggestions, findings: [{ code: 'which-ingredient', message: `Which is meant by "${s.name}"?` }] };
    const message = s.name ? `"${s.name}" is not in the pantry.` : 'No ingredient is named on this line.';
    return { ...base, ...none, status: 'unknown', suggestions, findings: [{ code: 'unknown-ingredient', message }] };
  }
  if (s.amounts.length === 0) {
    const message = use === 'batter' ? `How much ${shortName(i)}? No amount is written.` : 'No amount is written; it is not counted in the batter.';
    return { ...base, ...none, status: 'unclear', suggestions: [], findings: [{ code: 'no-amount', message }] };
  }
  const settled = settle(i, s.amounts, combined, s.fill, house, choice);
  if ('code' in settled) return { ...base, ...none, status: 'unclear', suggestions: [], findings: [settled] };
  const parts: LinePart[] = partsOf(i, settled.weighed);
  const findings: LineFinding[] = [...settled.findings, ...s.amounts.flatMap((a) => doubtsOf(a, i))];
  for (const extra of s.extras) {
    const also = lookUp(extra.name, house);
    const w = also.kind === 'found' ? weigh(extra.amount, also.ingredient, null, house) : null;
    if (also.kind !== 'found' || !w?.ok) {
      const message = `"${extra.name}" could not be added: give it a line of its own.`;
      return { ...base, ...none, status: 'unclear', suggestions: [], findings: [{ code: 'two-amounts', message }] };
    }
    parts.push(...partsOf(also.ingredient, w.value));
  }
  const sum = (pick: (p: LinePart) => number): number => parts.reduce((a, p) => a + pick(p), 0);
  return {
    ...base,
    status: 'read',
    parts,
    grams: sum((p) => p.grams),
    gramsLow: sum((p) => p.low),
    gramsHigh: sum((p) => p.high),
    basis: settled.weighed.basis,
    findings,
    suggestions: [],
  };
}

function blank(text: string, status: LineStatus, findings: readonly LineFinding[], hint: Vessel | null): Line {
  return {
    text,
    status,
    ingredient: null,
    amounts: [],
    written: [],
    parts: [],
    grams: null,
    gramsLow: null,
    gramsHigh: null,
    basis: null,
    use: hint === 'pan' || hint === 'topping' ? hint : 'batter',
    vessel: hint ?? 'dry',
    preparation: '',
    foam: null,
    findings,
    suggestions: [],
  };
}
