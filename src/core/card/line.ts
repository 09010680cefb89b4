/**
 * A line of a card: what the cook wrote, and what it was understood to mean. The text is the source; ingredient,
 * amounts, grams and the rest are read from it each time, with the cook's own choices on top. Nothing is guessed at in
 * silence: what is not understood keeps its text and says what is missing.
 */

import { type FillMethod, houseKey, type KitchenConventions } from '../pantry/conventions';
import { type Ingredient, kitchenName, membersOf } from '../pantry/ingredient';
import type { NameReading } from '../pantry/lookup';
import { findIngredient } from '../pantry/pantry';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { Language } from '../pantry/tables/other-names';
import { disagreementBracket, doubtsOf, type Weighed, weigh } from '../pantry/weigh';
import { type Amount, type Combined, combine, writeAmount } from '../quantity/amount';
import { grams as g } from '../quantity/say';
import { CUP_SYSTEMS } from '../quantity/units';
import { type SplitLine, wayOf } from './claims/reader';
import { languagesIn } from './language';
import type { LineFinding, Use, Vessel } from './parts';
import { BY_TASTE, CHANGED, COOKED_FOOD, KEPT_BACK } from './phrases';
import { splitLine } from './split';
import { isWord, tokensOf, type Word } from './words';

type LineStatus = 'read' | 'unclear' | 'unknown';
type Peaks = 'soft' | 'firm';

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
  /** Its whites are whipped apart, as the method tells: how far. */
  readonly foam?: Peaks | null | undefined;
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
  /** Every word of the line, as it was claimed. */
  readonly words: readonly Word[];
  /** Other things that will do ("or oil"), with what the line would weigh with each. */
  readonly alternatives: readonly Alternative[];
  /** Where two readings of a number are possible: each, as the line would be written then. */
  readonly readings: readonly Reading[];
  /** What with the batter it is for: "for the apples"; null mostly. */
  readonly side: string | null;
  /** Where the line is several in one: each as it would stand alone. */
  readonly rows: readonly string[];
}

interface Alternative {
  readonly ingredient: Ingredient;
  readonly grams: number | null;
}

export interface Reading {
  readonly ingredientId: string | null;
  readonly grams: number | null;
  /** The line written so that it can be read no other way. */
  readonly text: string;
  readonly why: string;
}

const BRUSHED = /\b(?:to brush|for brushing|for (?:each|every) \p{L}+)\s*\)?\s*$/iu;

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
  const separated =
    /\bsep(?:arated?)?\b|\b(?:yolks|whites)\b.*\bapart\b/.test(p) ||
    (i.id !== 'egg-white' && /\bwhites\b.*\b(?:whipped|beaten|whisked|stiff|peaks?)\b/.test(p));
  const whipped = /\b(?:whipped|peaks?|stiff)\b|\b(?:beaten|whisked)\b.*\b(?:soft|firm|stiff|foam)/.test(p);
  if (!separated && !(whipped && i.id === 'egg-white')) return null;
  return /\b(?:firm|stiff)\b/.test(p) ? 'firm' : 'soft';
}

/** A blend is read as what it is made of. */
const partsOf = (i: Ingredient, w: Pick<Weighed, 'grams' | 'low' | 'high'>): LinePart[] =>
  membersOf(i).map((m) => ({
    ingredient: m.ingredient,
    grams: w.grams * m.share,
    low: w.low * m.share,
    high: w.high * m.share,
  }));

const purposeOf = (v: Vessel): Use => (v === 'pan' || v === 'topping' ? v : 'batter');

interface Settled {
  readonly weighed: Weighed;
  readonly findings: readonly LineFinding[];
}

/** Which of several written amounts counts: a weight, then a volume given exactly, then the rest. Smaller is better. */
function rankOf(a: Combined, w: Weighed, roughly: boolean, i: Ingredient): number {
  if (a.unit === 'g' || a.unit === 'kg' || a.unit === 'mg') return 0;
  if (a.unit === 'oz' || a.unit === 'lb') return 1;
  // millilitres said roughly never stand before an exact cup
  if (a.unit === 'ml' || a.unit === 'cl' || a.unit === 'dl' || a.unit === 'l') return roughly ? 5 : 2;
  // eggs are counted; what they fill is said roughly
  return w.basis === 'piece' ? 4 : roughly && i.category === 'egg' ? 5 : 3;
}

/**
 * Half of the smallest step an amount is written in, as grams: "1 g" of yeast and "1/2 teaspoon" are rounded. @param
 * fine a spoon of it is counted
 */
function roundedBy(a: Combined, w: Weighed, fine: boolean): number {
  const value = a.low.valueOf();
  if (a.unit === 'g' || a.unit === 'ml') return Number.isInteger(value) ? 0.5 * (w.grams / value) : 0;
  if ((a.unit === 'tsp' || a.unit === 'tbsp') && !fine) return 0.25 * (w.grams / value);
  return 0;
}

/**
 * Beyond how it may be filled a cup is off by this share, and still one said twice; of leavening and salt, which are
 * spooned, by this of the smaller.
 */
const SLACK = 0.05;
const SLACK_OF_FINE = 0.2;

/** Whether a pint or a cup says the same in somebody's kitchen: a card of another country is no disagreement. */
const anyCup = (
  amount: Amount,
  i: Ingredient,
  fill: FillMethod | null,
  house: KitchenConventions,
  grams: number,
): boolean =>
  amount.terms.some((t) => t.unit === 'pint' || t.unit === 'quart' || t.unit === 'fl-oz' || t.unit === 'gill') &&
  CUP_SYSTEMS.some((cup) => {
    const w = weigh(amount, i, fill, { ...house, cup });
    if (!w.ok) return false;
    const { low, high } = disagreementBracket(w.value);
    return grams >= low && grams <= high;
  });

/** An amount that can be weighed, among those a line says. */
interface Known {
  readonly weighed: Weighed;
  readonly a: Combined;
  readonly amount: Amount;
  readonly rank: number;
}

/** A counted fruit or root may weigh so many times as much as its bracket, or as little. */
const GROWN = 1.6;

/** Whether two amounts of a line are further apart than rounding and filling explain. */
function isApart(best: Known, other: Known, i: Ingredient): boolean {
  // "1 potato (200 g)": what grows comes in every size
  const grown = other.a.unit === null && i.category !== 'egg' ? GROWN : 1;
  const bracket = disagreementBracket(other.weighed);
  const [low, high] = [bracket.low / grown, bracket.high * grown];
  const fine = i.category === 'leavening' || i.category === 'salt';
  const share = fine
    ? SLACK_OF_FINE * Math.min(best.weighed.grams, other.weighed.grams)
    : other.weighed.basis.startsWith('fill')
      ? SLACK * best.weighed.grams
      : 0;
  const slack = share + roundedBy(best.a, best.weighed, fine) + roundedBy(other.a, other.weighed, fine);
  return best.weighed.grams < low * (1 - 1e-9) - slack || best.weighed.grams > high * (1 + 1e-9) + slack;
}

function disagreement(best: Weighed, other: Weighed): LineFinding {
  const { low, high } = disagreementBracket(other);
  const said =
    other.basis === 'weight'
      ? `the other ${g(other.grams)}`
      : `the other weighs ${g(low)} to ${g(high)}${other.basis === 'fill-not-stated' ? ' however it is filled' : ''}`;
  const message = `Written twice, and the two disagree: one says ${g(best.grams)}, ${said}. ${g(best.grams)} is used until you say which stands.`;
  return { code: 'amounts-disagree', message };
}

/** Which of the written amounts counts, and whether two disagree. */
function settle(
  i: Ingredient,
  written: readonly Amount[],
  combined: readonly Combined[],
  fill: FillMethod | null,
  house: KitchenConventions,
  choice: LineChoice,
): Settled | LineFinding {
  const tries = written.map((a) => weigh(a, i, fill, house));
  const [first] = tries;
  if (!first) return { code: 'no-amount', message: `How much ${shortName(i)}? No amount is written.` };
  // nearly every line says its amount once
  if (tries.length === 1)
    return first.ok
      ? { weighed: first.value, findings: [] }
      : { code: first.error.reason, message: first.error.message };
  // a number that counts nothing beside an amount that measures: "1 1/2 1/2 cups milk"
  const bare = tries.findIndex(
    (t, n) => !t.ok && t.error.reason === 'no-unit' && combined[n]?.unit === null && !combined[n]?.low.equals(1),
  );
  if (bare >= 0)
    return {
      code: 'two-amounts',
      message: `How much ${shortName(i)}? Two numbers stand there, and one of them has no unit.`,
    };
  const known = tries.flatMap((t, n): readonly Known[] => {
    const a = combined[n];
    const amount = written[n];
    return t.ok && a && amount
      ? [{ weighed: t.value, a, amount, rank: rankOf(a, t.value, amount.approximate, i) }]
      : [];
  });
  // a can of a stated weight, a stick of so many spoons: the one that can be weighed counts
  if (known.length === 0)
    return first.ok
      ? { weighed: first.value, findings: [] }
      : { code: first.error.reason, message: first.error.message };
  const ranked = [...known].sort((x, y) => x.rank - y.rank);
  const [best, ...others] = ranked;
  if (!best) return { code: 'no-amount', message: `How much ${shortName(i)}? No amount is written.` };
  const apart = others.find((o) => isApart(best, o, i) && !anyCup(o.amount, i, fill, house, best.weighed.grams));
  if (apart && choice.stands !== undefined)
    return { weighed: choice.stands === 'volume' ? apart.weighed : best.weighed, findings: [] };
  if (apart) return { weighed: best.weighed, findings: [disagreement(best.weighed, apart.weighed)] };
  const stands = choice.stands === 'volume' ? others[0] : undefined;
  return { weighed: stands?.weighed ?? best.weighed, findings: [] };
}

const shortName = (i: Ingredient): string => kitchenName(i).toLowerCase();

/**
 * Lines read before, by everything that decides what they mean: on the Bench all but the one being typed are the same.
 */
const read = new Map<string, Line>();
const MOST_READ = 5000;

/**
 * Reads one ingredient line.
 * @param text as the cook wrote it, bullets allowed
 * @param house the conventions for whatever the line does not say
 * @param choice what the cook settled about this line before
 * @param hint where a heading above the line says it belongs
 * @param languages those the card seems to be in, besides English; null: any
 */
export function readLine(
  text: string,
  house: KitchenConventions,
  choice: LineChoice = {},
  hint: Vessel | null = null,
  languages: ReadonlySet<Language> | null = null,
): Line {
  const settled =
    choice.ingredientId === undefined &&
    choice.vessel === undefined &&
    choice.stands === undefined &&
    choice.foam === undefined
      ? ''
      : `${choice.ingredientId} ${choice.vessel} ${choice.stands} ${choice.foam}`;
  const key = `${houseKey(house)}\n${settled}\n${hint ?? ''}\n${languages ? [...languages].join('') : ''}\n${text}`;
  const known = read.get(key);
  if (known) return known;
  const line = readAnew(text, house, choice, hint, languages);
  if (read.size >= MOST_READ) read.clear();
  read.set(key, line);
  return line;
}

const NONE = {
  parts: [],
  grams: null,
  gramsLow: null,
  gramsHigh: null,
  basis: null,
  alternatives: [],
  readings: [],
} as const;

const found = (n: NameReading): Ingredient | null => (n.kind === 'found' ? n.ingredient : null);

/** Both readings of a number that can be read two ways, each as the line would be written. */
function readingsOf(s: SplitLine, i: Ingredient, house: KitchenConventions): readonly Reading[] {
  const [a] = s.amounts;
  const [span] = s.amountSpans;
  if (!a || !span || !a.terms.some((t) => t.other)) return [];
  const plainly = (pick: 'low' | 'other'): Reading => {
    const amount: Amount = {
      ...a,
      terms: a.terms.map(({ other, ...t }) => ({
        ...t,
        low: pick === 'other' && other ? other : t.low,
        high: other ? null : t.high,
      })),
    };
    const w = weigh(amount, i, s.fill, house);
    const said = writeAmount(amount);
    return {
      ingredientId: i.id,
      grams: w.ok ? w.value.grams : null,
      text: `${s.text.slice(0, span.start)}${said}${s.text.slice(span.end)}`,
      why: said,
    };
  };
  return [plainly('low'), plainly('other')];
}

/** What a line asks that names nothing the pantry has, or more than one thing. */
function unnamed(s: SplitLine): readonly [LineStatus, LineFinding, { readonly suggestions: readonly Ingredient[] }] {
  const { name } = s;
  const offered = {
    get suggestions() {
      return name.kind === 'found' ? [] : name.suggestions;
    },
  };
  if (s.problem) return ['unclear', s.problem, { suggestions: [] }];
  if (s.name.kind === 'ambiguous')
    return ['unclear', { code: 'which-ingredient', message: `Which is meant by "${s.said}"?` }, offered];
  const message = s.said ? `"${s.said}" is not in the pantry.` : 'No ingredient is named on this line.';
  return ['unknown', { code: 'unknown-ingredient', message }, offered];
}

/** From so many on, a bare number behind "eggs" may be grams; "35 egg" from fewer. */
const MOST_NAMED_EGGS = 100;
const MOST_SINGULAR = 6;
/** "Egg 35", "35 egg": so many, or grams as in the rows around it? Null: it is clear. */
function eggsOrGrams(s: SplitLine, i: Ingredient): LineFinding | null {
  const [amount, ...others] = s.amounts;
  const [term, ...more] = amount?.terms ?? [];
  if (i.category !== 'egg' || !term || term.unit !== null || others.length > 0 || more.length > 0) return null;
  const n = term.low.valueOf();
  const isLast = /^\P{L}*\p{L}[\p{L}\s,:–—-]*?\d{3,4}[\s.,*]*$/u.test(s.text);
  const isOne = /\begg\b(?!\s*(?:whites?|yolks?))/i.test(s.text) && !/\beggs\b/i.test(s.text);
  return (isLast && n >= MOST_NAMED_EGGS) || (isOne && n > MOST_SINGULAR)
    ? { code: 'no-unit', message: `${n} eggs, or ${n} g? Write “${n} g” or “${n} eggs”.` }
    : null;
}

/** What a line asks before its amount can be weighed; null: nothing. */
function asksBefore(
  s: SplitLine,
  i: Ingredient,
  use: Use,
  hasAmount: boolean,
  readings: readonly Reading[],
  house: KitchenConventions,
): LineFinding | null {
  const problem = s.problem ?? eggsOrGrams(s, i);
  if (problem) return problem;
  const name = shortName(i);
  if (!hasAmount) {
    const message =
      use !== 'batter'
        ? 'No amount is written; it is not counted in the batter.'
        : BY_TASTE.test(s.text)
          ? 'No amount is written: it goes in by taste, and nothing of it is counted.'
          : `How much ${name}? No amount is written.`;
    return { code: 'no-amount', message };
  }
  const [span] = s.amountSpans;
  if (readings.length > 0) {
    const message = `"${s.text.slice(span?.start, span?.end).trim()}" can be read two ways: ${readings.map((x) => x.why).join(' or ')}. Which is it?`;
    return { code: 'two-readings', message };
  }
  const changed = span && CHANGED.exec(s.text.slice(span.end));
  if (changed) {
    const message = `“${changed[0].trim().split(/\s+/)[0]}” changes what ${name} weighs: is the amount from before or after? Write what went in.`;
    return { code: 'no-density', message };
  }
  if (COOKED_FOOD.test(s.text) && isDryStuff(i)) {
    const message = `Cooked, ${name} weighs otherwise than dry, and holds other water: weigh it, and write what dry went into it.`;
    return { code: 'no-density', message };
  }
  if (
    /\b(?:cooked|wilted|steamed|blanched)\b/i.test(s.text) &&
    LEAVES.has(i.id) &&
    s.amounts.some((a) => wayOf(a).startsWith('volume'))
  ) {
    const message = `Cooked, ${name} fills far less of a cup than fresh: weigh it.`;
    return { code: 'no-density', message };
  }
  // "3 parts flour to 1 part cornstarch": the second is a thing with an amount of its own
  const second = s.words.find(
    (w, n) =>
      w.as === 'state' && s.words[n - 1]?.as === 'amount' && found(splitLine(w.text, house, null).name) !== null,
  );
  if (second)
    return { code: 'two-amounts', message: `"${second.text}" has an amount of its own: give it a line of its own.` };
  const stray = strayNumber(s);
  return stray
    ? { code: 'two-amounts', message: `"${stray}" on this line is not understood: is it another amount?` }
    : null;
}

/** The parts of a second thing on the line; null: it can't be weighed. */
function extraParts(
  extra: SplitLine['extras'][number],
  s: SplitLine,
  house: KitchenConventions,
): readonly LinePart[] | null {
  const also = found(extra.name);
  const w = also ? weigh(extra.amount, also, s.rows.length > 0 ? s.fill : null, house) : null;
  return also && w?.ok ? partsOf(also, w.value) : null;
}

/** What is told of a line that was read: what could stand instead, what was not understood, what is kept back. */
function doubtsOnLine(s: SplitLine, i: Ingredient, chosen: boolean): readonly LineFinding[] {
  const others = chosen ? [] : s.alternatives.filter((a) => found(a.name)?.id !== i.id);
  const name = (a: (typeof others)[number]): string => {
    const is = found(a.name);
    return is ? shortName(is) : `"${a.said}"`;
  };
  const odd = s.words.filter((w) => w.as === 'unknown').map((w) => w.text);
  const unread = odd.filter((w) => !s.alternatives.some((a) => a.said.includes(w)));
  const keptBack = s.use === null && KEPT_BACK.test(s.text) && !/\b(?:more|extra|additional)\b/i.test(s.text);
  return [
    ...(others.length > 0
      ? [
          {
            code: 'alternatives' as const,
            message: `${kitchenName(i)} stands, ${others.map((a) => `or ${name(a)}`).join(', ')}: choose which you use.`,
          },
        ]
      : []),
    ...(unread.length > 0
      ? [{ code: 'not-understood' as const, message: `Not understood: ${unread.map((w) => `"${w}"`).join(', ')}.` }]
      : []),
    ...(keptBack
      ? [{ code: 'kept-back' as const, message: 'Kept back until the batter asks for it? All of it is counted.' }]
      : []),
  ];
}

const FRIED = /\b(?:for|to)\s+fry(?:ing)?\b(?!\s+pan)/i;
/** What may go on a surface before the batter; "4 eggs for frying" go with the piece. */
const ON_SURFACE: ReadonlySet<string> = new Set(['fat', 'flour', 'starch', 'sugar', 'salt']);
/** "For brushing", "for each", "for frying": the pan's with fat, the piece's with egg, milk or jam. */
function toldUse(s: SplitLine, i: Ingredient | null): Use | null {
  if (s.use !== 'pan' || i === null || i.category === 'fat') return s.use;
  return BRUSHED.test(s.text) || (FRIED.test(s.text) && !ON_SURFACE.has(i.category)) ? 'topping' : 'pan';
}

/** A line alone tells its own language, where two know a word of it: "1 EL Öl zum Braten" is no beer. */
function splitInOwnWords(text: string, house: KitchenConventions, languages: ReadonlySet<Language> | null): SplitLine {
  const s = splitLine(text, house, languages);
  const spoken = languages === null && s.name.kind === 'ambiguous' ? languagesIn(text) : null;
  return spoken ? splitLine(text, house, spoken) : s;
}

function readAnew(
  text: string,
  house: KitchenConventions,
  choice: LineChoice,
  hint: Vessel | null,
  languages: ReadonlySet<Language> | null,
): Line {
  if (text.length > MOST_LINE_CHARS) {
    const finding: LineFinding = {
      code: 'too-long',
      message: `${text.length} characters on one line: an ingredient line has at most ${MOST_LINE_CHARS}. Split it.`,
    };
    return blank(text, 'unknown', [finding], hint);
  }
  const s = splitInOwnWords(text, house, languages);
  const where = choice.vessel ?? hint;
  const chosen = choice.ingredientId === undefined ? undefined : findIngredient(choice.ingredientId, house.own);
  const instead = chosen && s.alternatives.find((a) => found(a.name)?.id === chosen.id);
  const i = chosen ?? found(s.name);
  const use: Use = choice.vessel ? purposeOf(choice.vessel) : (toldUse(s, i) ?? (where ? purposeOf(where) : 'batter'));
  const written = instead?.amount ? [instead.amount] : s.amounts;
  const combined = written.map((a) => combine(a, house));
  const foam =
    foamOf(i, `${s.text}; ${s.preparation}`) ??
    (i?.category === 'egg' && i.id !== 'egg-yolk' ? (choice.foam ?? null) : null);
  const vessel =
    choice.vessel ??
    (hint && use === 'batter' && hint !== 'pan' && hint !== 'topping' ? hint : vesselFor(i, use, foam));
  const open = (
    status: LineStatus,
    finding: LineFinding,
    more: { suggestions?: readonly Ingredient[]; readings?: readonly Reading[] } = {},
  ): Line => ({
    text,
    ingredient: i,
    amounts: combined,
    written,
    use,
    vessel,
    preparation: s.preparation,
    foam,
    words: s.words,
    side: s.side,
    rows: s.rows,
    ...NONE,
    status,
    findings: [finding],
    get suggestions() {
      return more.suggestions ?? [];
    },
    readings: more.readings ?? [],
  });

  if (!i) return open(...unnamed(s));
  const readings = readingsOf(s, i, house);
  const asks = asksBefore(s, i, use, written.length > 0, readings, house);
  if (asks) return open('unclear', asks, { readings });
  const settled = settle(i, written, combined, s.fill, house, choice);
  if ('code' in settled) return open('unclear', settled);
  const parts: LinePart[] = partsOf(i, settled.weighed);
  const findings: LineFinding[] = [...settled.findings, ...written.flatMap((a) => doubtsOf(a, i))];
  for (const extra of s.extras) {
    const more = extraParts(extra, s, house);
    if (!more) {
      const message = `"${extra.said}" could not be added: give it a line of its own.`;
      return open('unclear', { code: 'two-amounts', message });
    }
    parts.push(...more);
  }
  const sum = (pick: (p: LinePart) => number): number => parts.reduce((a, p) => a + pick(p), 0);
  const others = alternativesOf(s, i, written, house);
  const weights = others.flatMap((a) => (a.grams === null || chosen ? [] : [a.grams]));
  findings.push(...doubtsOnLine(s, i, chosen !== undefined));
  const low = sum((p) => p.low);
  const high = sum((p) => p.high);
  // written out: this is the path of nearly every line, and spreading objects is most of its cost
  return {
    text,
    status: 'read',
    ingredient: i,
    amounts: combined,
    written,
    parts,
    grams: sum((p) => p.grams),
    gramsLow: weights.length > 0 ? Math.min(low, ...weights) : low,
    gramsHigh: weights.length > 0 ? Math.max(high, ...weights) : high,
    basis: settled.weighed.basis,
    use,
    vessel,
    preparation: s.preparation,
    foam,
    findings,
    suggestions: [],
    words: s.words,
    alternatives: others,
    readings: [],
    side: s.side,
    rows: s.rows,
  };
}

/** Grain, meal and starch: dry on the shelf, and another thing when it is cooked. */
/** Leaves that fall together as they are cooked. */
const LEAVES = new Set(['spinach', 'kale', 'chard']);

const isDryStuff = (i: Ingredient): boolean => i.category === 'flour' || i.category === 'starch';

/** Words that say how much without a number. */
const HOW_MUCH = new Set('less fewer more twice double triple thrice again half few several many much lots'.split(' '));
/** A word with a digit, or one that says how much, that nobody claimed: the line is a question. */
const strayNumber = (s: SplitLine): string | null =>
  s.words.find((w) => w.as === 'unknown' && (/\d/.test(w.text) || HOW_MUCH.has(w.text.toLowerCase())))?.text ?? null;

/** Everything that will do on a line, the one that stands left out, with what each would weigh. */
function alternativesOf(
  s: SplitLine,
  i: Ingredient,
  written: readonly Amount[],
  house: KitchenConventions,
): readonly Alternative[] {
  const all = [{ name: s.name, amount: null as Amount | null }, ...s.alternatives];
  if (all.length < 2) return [];
  return all.flatMap((a): Alternative[] => {
    const other = found(a.name);
    if (!other || other.id === i.id) return [];
    const amount = a.amount ?? written[0];
    const w = amount ? weigh(amount, other, s.fill, house) : null;
    return [{ ingredient: other, grams: w?.ok ? w.value.grams : null }];
  });
}

function blank(text: string, status: LineStatus, findings: readonly LineFinding[], hint: Vessel | null): Line {
  return {
    text,
    ingredient: null,
    amounts: [],
    written: [],
    ...NONE,
    status,
    use: hint === 'pan' || hint === 'topping' ? hint : 'batter',
    vessel: hint ?? 'dry',
    preparation: '',
    foam: null,
    findings,
    suggestions: [],
    words: tokensOf(text)
      .filter(isWord)
      .map((t) => ({ text: t.text, as: 'unknown' as const })),
    side: null,
    rows: [],
  };
}
