/** What a card says of how its formula is made: each offered with the words it comes from, and taken with one tap. */

import type { Line } from '../card/line';
import { type Clause, clausesOf, type ToldFact } from '../card/told/clause';
import { restDenied } from '../card/told/rests';
import { type ServedThing, servedIn } from '../card/told/served';
import { factsTold } from '../card/told/told';
import type { KitchenConventions } from '../pantry/conventions';
import { type Category, type Ingredient, kitchenName } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import { listAnd, minutesAndParts, temperature, type Units } from '../quantity/say';
import { type ActEdit, withEdit, withWay } from './act-edits';
import { type Formula, MOMENT_NAMES, type Moment, nextKey } from './formula';
import { choicesOf, MEASURED, WAY_IDS, type WayId } from './schools';
import { wayName } from './ways';

/** Something the card's method says of how this formula is made: what it would set, and the words it came from. */
export type Offer = { readonly words: string } & (
  | { readonly what: 'way'; readonly way: WayId; readonly value: string | number; readonly says: string }
  | { readonly what: 'measure'; readonly of: keyof typeof MEASURED; readonly value: string; readonly says: string }
  | { readonly what: 'portion'; readonly ml: number; readonly says: string }
  | { readonly what: 'moment'; readonly key: string; readonly moment: Moment; readonly says: string }
  /** How long or how hot an act of the making is. */
  | { readonly what: 'act'; readonly edit: ActEdit; readonly says: string }
  /** What lines say, by their keys. */
  | { readonly what: 'texts'; readonly texts: Readonly<Record<string, string>>; readonly says: string }
  /** Lines that the card has none of: what its pieces are eaten with. */
  | { readonly what: 'lines'; readonly texts: readonly string[]; readonly says: string }
  /** A line is parted, a row for each use. */
  | { readonly what: 'rows'; readonly key: string; readonly rows: readonly string[]; readonly says: string }
);

/** A formula with what the card offers taken; rows are a line's own matter. */
export function withOffer(f: Formula, o: Exclude<Offer, { readonly what: 'rows' }>): Formula {
  switch (o.what) {
    case 'way':
      return { ...f, edits: withWay(f.edits, o.way, o.value, o.words) };
    case 'measure':
      return { ...f, conventions: { ...f.conventions, [o.of]: o.value } };
    case 'portion':
      return { ...f, portionMl: o.ml };
    case 'act':
      return { ...f, edits: withEdit(f.edits, o.edit) };
    case 'texts':
      return { ...f, entries: f.entries.map((e) => ({ ...e, text: o.texts[e.key] ?? e.text })) };
    case 'lines': {
      const entries = [...f.entries];
      for (const text of o.texts) entries.push({ key: nextKey(entries), text });
      return { ...f, entries };
    }
    case 'moment':
      return { ...f, entries: f.entries.map((e) => (e.key === o.key ? { ...e, moment: o.moment } : e)) };
  }
}

/** What the card tells besides, for which a formula has no place of its own. */
interface CardTells {
  readonly says: string;
  readonly words: string;
}

/** Minutes as a named rest where it is one, else as they are. */
const restFor = (min: number): string | number =>
  ({ 0: 'none', 10: 'short', 30: 'half-hour', 60: 'hour', 720: 'overnight' })[Math.round(min)] ?? Math.round(min);

const MOST_WORDS = 160;
/** The first sentence that says something as it is done: not denied, left to taste or another's way. */
function saidDone(clauses: readonly Clause[], is: RegExp): string | null {
  const c = clauses.find(({ sentence, text, taken }) => {
    const at = is.exec(sentence)?.index;
    const from = sentence.indexOf(text);
    return at !== undefined && taken === 'told' && at >= from && at < from + text.length;
  });
  return c ? c.sentence.slice(0, MOST_WORDS) : null;
}

/**
 * What a card's notes say of this formula's own ways.
 * @param lines for the add-ins whose moment is told @param facts what the notes tell, where that is known already
 */
export function offersFrom(
  notes: string,
  lines: readonly (Line & { readonly key: string })[],
  house: KitchenConventions,
  facts: readonly ToldFact[] = factsTold(notes, house),
): readonly Offer[] {
  const told = facts.filter((f) => f.taken === 'told');
  const clauses = clausesOf(notes);
  return [
    ...waysTold(notes, told, clauses),
    ...measuresTold(clauses),
    ...portionTold(told),
    ...momentsTold(notes, told, lines),
    ...servedTold(notes, lines, house),
  ];
}

/** How far a fact says it is mixed, how it is turned: as the choices are called. */
const MIXED: Readonly<Record<string, readonly [WayId, string]>> = {
  just: ['mixing', 'lumps'],
  smooth: ['mixing', 'smooth'],
  blender: ['joining', 'blender'],
};
const TURNED: Readonly<Record<string, string>> = { once: 'once', several: 'several', quarters: 'several' };
/** So much that it is left in the pan, and not wiped off again. */
const LEFT_IN = /\d|spoon|plenty/i;

/** The choice that a fat of the pan comes to; null: no choice is like it. */
function panFatOf({ value, of, words }: ToldFact): string | null {
  const id = String(value);
  const how = of ?? '';
  if (id === 'none' || id === 'any') return id === 'none' ? id : null;
  if (how === 'sprayed' || /spray/.test(id)) return 'spray';
  if (/clarified/.test(id)) return 'clarified';
  if (/^(?:butter|margarine)/.test(id))
    return /(?<!\p{L})(?:oil|öl|huile|aceite)(?!\p{L})/iu.test(words) ? 'butter-oil' : 'butter';
  if (/lard|tallow/.test(id)) return 'lard';
  return LEFT_IN.test(how) ? 'oil' : 'film';
}

/** The way that a fact of the method is, beside rests and whites; null: it is none. @param strained it goes through a sieve */
function wayOf(f: ToldFact, strained: boolean): readonly [WayId, string] | null {
  if (f.fact === 'mix' && f.value === 'blender' && strained) return ['joining', 'blender-sieve'];
  if (f.fact === 'mix') return MIXED[String(f.value)] ?? null;
  const turned = f.fact === 'turns' ? TURNED[String(f.value)] : undefined;
  if (turned !== undefined) return ['flip', turned];
  const fat = f.fact === 'panFat' ? panFatOf(f) : null;
  return fat === null ? null : ['panFat', fat];
}

/** Ways that the method speaks for: how long it rests, and of each other matter the first choice. */
export function waysTold(notes: string, told: readonly ToldFact[], clauses: readonly Clause[] = []): readonly Offer[] {
  const way = (of: WayId, value: string | number, words: string, says = wayName(of, value)): Offer => ({
    what: 'way',
    way: of,
    value,
    says,
    words,
  });
  const rest = told.find((f) => (f.fact === 'rest' && f.of === 'batter') || f.fact === 'chill');
  const denied = rest ? null : restDenied(notes);
  const whites = told.find((f) => f.fact === 'whites');
  const strained = told.some((f) => f.fact === 'strain');
  // of each matter what is told first
  const factWays = told
    .flatMap((f) => {
      const is = wayOf(f, strained);
      return is ? [[...is, f.words] as const] : [];
    })
    .filter(([of], n, all) => all.findIndex((x) => x[0] === of) === n);
  const rests = (min: number): string => (min >= 240 ? 'rests overnight' : `rests ${Math.round(min)} minutes`);
  return [
    ...(rest && typeof rest.value === 'number'
      ? [way('rest', restFor(rest.value), rest.words, rests(rest.value))]
      : []),
    ...(denied === null ? [] : [way('rest', 'none', denied)]),
    ...(whites ? [way('whites', whites.value, whites.words)] : []),
    ...factWays.map(([of, value, words]) => way(of, value, words)),
    ...WAY_IDS.filter((w) => w !== 'whites' && !factWays.some(([of]) => of === w)).flatMap((of): readonly Offer[] => {
      for (const [value, choice] of choicesOf(of)) {
        const words = choice.card && (value !== 'strained' || strained) ? saidDone(clauses, choice.card) : null;
        if (words !== null) return [way(of, value, words)];
      }
      return [];
    }),
  ];
}

const measuresTold = (clauses: readonly Clause[]): readonly Offer[] =>
  (Object.keys(MEASURED) as (keyof typeof MEASURED)[]).flatMap((of): readonly Offer[] => {
    const names = MEASURED[of].names as Readonly<Record<string, string>>;
    for (const [value, re] of Object.entries(MEASURED[of].card)) {
      const words = saidDone(clauses, re);
      if (words !== null) return [{ what: 'measure', of, value, says: names[value] ?? value, words }];
    }
    return [];
  });

function portionTold(told: readonly ToldFact[]): readonly Offer[] {
  const p = told.find((f) => f.fact === 'portion');
  if (!p || typeof p.value !== 'number') return [];
  const says = `${p.said ?? `${Math.round(p.value)} ml`} a piece`;
  return [{ what: 'portion', ml: Math.round(10 * p.value) / 10, says, words: p.words }];
}

const MOMENT_OF: Readonly<Record<string, Moment>> = { poured: 'poured', turned: 'flip', topped: 'top', folded: 'rest' };
/** What is mostly mashed or stirred in, and may be laid on as well. */
const PUT_ON: ReadonlySet<Category> = new Set(['fruit-veg', 'nut-seed', 'topping']);
/** Folded in when the batter has stood, by the words for it. */
const AFTER_REST = /\b(?:after|once|rested|before (?:cooking|frying|baking|pouring))\b/i;

/** When the add-ins go in that the method puts on the pieces, or folds in late. */
function momentsTold(
  notes: string,
  told: readonly ToldFact[],
  lines: readonly (Line & { readonly key: string })[],
): readonly Offer[] {
  const isAddIn = (i: Ingredient | null): boolean => i !== null && (behaviourOf(i).inclusion || PUT_ON.has(i.category));
  const addIns = lines.filter((l) => l.use === 'batter' && isAddIn(l.ingredient));
  const rest = told.find((f) => (f.fact === 'rest' && f.of === 'batter') || f.fact === 'chill');
  return addIns.flatMap((l): readonly Offer[] => {
    // "scatter the berries over": of the only thing that it can be
    const of = told.find(
      (f) => f.fact === 'moment' && (f.of === l.ingredient?.id || (f.of === null && addIns.length === 1)),
    );
    const moment = of && MOMENT_OF[String(of.value)];
    // what is folded in with nothing to wait for goes into the bowl as any other
    const isLate =
      moment !== 'rest' ||
      AFTER_REST.test(of?.words ?? '') ||
      (rest !== undefined && notes.indexOf(rest.words) < notes.indexOf(of?.words ?? ''));
    if (!of || !moment || !isLate || !l.ingredient) return [];
    const says = `${kitchenName(l.ingredient).toLowerCase()}: ${MOMENT_NAMES[moment]}`;
    return [{ what: 'moment', key: l.key, moment, says, words: of.words }];
  });
}

/** The last word of a name, in the singular, as letters to look for. */
const lastWord = (name: string): string =>
  (/\p{L}+$/u.exec(name)?.[0] ?? name.replace(/\P{L}/gu, '')).toLowerCase().replace(/s$/, '');

/**
 * What the method serves beside the pieces and no line has, as lines of the table; of what goes into pieces there is
 * some.
 */
function servedTold(
  notes: string,
  lines: readonly (Line & { readonly key: string })[],
  house: KitchenConventions,
): readonly Offer[] {
  const beside = lines.filter(
    (l) => l.use === 'topping' || l.side !== null || (l.ingredient !== null && PUT_ON.has(l.ingredient.category)),
  );
  const isThere = ({ said, line }: ServedThing): boolean =>
    beside.some(
      (l) =>
        (l.ingredient !== null && l.ingredient.id === line.ingredient?.id) ||
        new RegExp(`(?<!\\p{L})${lastWord(said)}`, 'iu').test(`${l.text} ${l.side ?? ''}`),
    );
  const served = servedIn(notes, house).filter((t) => !isThere(t));
  if (served.length === 0) return [];
  return [
    {
      what: 'lines',
      texts: served.map((t) => `${t.said}, to serve`),
      says: `to serve: ${listAnd(served.map((t) => t.said))}`,
      words: [...new Set(served.map((t) => t.words))].join(' ').slice(0, MOST_WORDS),
    },
  ];
}

const SIDE_OF: Readonly<Record<string, string>> = { firstSide: 'first side', secondSide: 'second side' };

/** What else the card tells: yield, serving, heat, minutes a side. @param facts what its notes tell */
export function toldBy(facts: readonly ToldFact[], units: Pick<Units, 'temperature'>): readonly CardTells[] {
  const told = facts.filter((f) => f.taken === 'told');
  const sides = told.filter((f) => f.fact in SIDE_OF);
  const [one, two] = sides;
  const bothSides = one && two && one.words === two.words && one.value === two.value;
  return told.flatMap((f): readonly CardTells[] => {
    const is = (says: string): readonly CardTells[] => [{ says, words: f.words }];
    if (f.fact === 'pieces') return is(`makes ${f.value}`);
    if (f.fact === 'serves') return is(`serves ${f.value}`);
    if (f.fact === 'heat' && typeof f.value === 'number' && (f.of === 'surface' || f.of === 'oven'))
      return is(`${f.of === 'oven' ? 'oven ' : ''}${temperature(f.value, units)}`);
    if (f.fact === 'dial' && f.of === 'surface') return is(`heat at ${f.value}`);
    if (f.fact === 'bake' && typeof f.value === 'number') return is(`bakes ${minutesAndParts(f.value)}`);
    if (typeof f.value !== 'number' || SIDE_OF[f.fact] === undefined) return [];
    if (bothSides) return f === one ? is(`${minutesAndParts(f.value)} a side`) : [];
    return is(`${SIDE_OF[f.fact]} ${minutesAndParts(f.value)}`);
  });
}
