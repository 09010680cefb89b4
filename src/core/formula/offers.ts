/** What a card says of how its formula is made: each offered with the words it comes from, and taken with one tap. */

import type { Line } from '../card/line';
import { servingClaim, yieldClaim } from '../card/method';
import type { ToldFact } from '../card/told/clause';
import { restDenied } from '../card/told/rests';
import { factsTold } from '../card/told/told';
import type { KitchenConventions } from '../pantry/conventions';
import { nounsOf } from '../pantry/nouns';
import { behaviourOf } from '../pantry/tables/behaviour';
import { type ActEdit, withEdit, withWay } from './act-edits';
import { type Formula, MOMENT_NAMES, type Moment } from './formula';
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

const sentenceOf = (text: string, at: number): string => {
  const from = Math.max(text.lastIndexOf('.', at - 1), text.lastIndexOf('\n', at - 1)) + 1;
  const ends = [text.indexOf('.', at), text.indexOf('\n', at)].filter((n) => n >= 0);
  return text
    .slice(from, ends.length > 0 ? Math.min(...ends) : text.length)
    .trim()
    .slice(0, 160);
};

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
  return [...waysTold(notes, told), ...measuresTold(notes), ...portionTold(told), ...momentsTold(notes, lines)];
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
export function waysTold(notes: string, told: readonly ToldFact[]): readonly Offer[] {
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
        const m = choice.card?.exec(notes);
        if (m) return [way(of, value, sentenceOf(notes, m.index))];
      }
      return [];
    }),
  ];
}

const measuresTold = (notes: string): readonly Offer[] =>
  (Object.keys(MEASURED) as (keyof typeof MEASURED)[]).flatMap((of): readonly Offer[] => {
    const names = MEASURED[of].names as Readonly<Record<string, string>>;
    for (const [value, re] of Object.entries(MEASURED[of].card)) {
      const m = re.exec(notes);
      if (m) return [{ what: 'measure', of, value, says: names[value] ?? value, words: sentenceOf(notes, m.index) }];
    }
    return [];
  });

function portionTold(told: readonly ToldFact[]): readonly Offer[] {
  const p = told.find((f) => f.fact === 'portion');
  if (!p || typeof p.value !== 'number') return [];
  const says = `${p.said ?? `${Math.round(p.value)} ml`} a piece`;
  return [{ what: 'portion', ml: Math.round(10 * p.value) / 10, says, words: p.words }];
}

/** When the add-ins go in that the method puts on the pieces, or folds in late. */
const momentsTold = (notes: string, lines: readonly (Line & { readonly key: string })[]): readonly Offer[] =>
  lines.flatMap((l): readonly Offer[] => {
    if (!l.ingredient || !behaviourOf(l.ingredient).inclusion) return [];
    for (const noun of nounsOf(l.ingredient)) {
      const poured = new RegExp(
        `\\b(?:sprinkle|scatter|dot|press|drop|arrange|lay|push|fold(?=[^.;\\n]*\\b(?:after|once|rested|before (?:cooking|frying|baking|pouring)))|place)\\b[^.;\\n]{0,40}\\b${noun.replace(/y$/, '(?:y|ie)')}(?:s|es)?\\b[^.;\\n]{0,40}`,
        'i',
      ).exec(notes);
      if (!poured) continue;
      const words = sentenceOf(notes, poured.index);
      const moment = momentIn(words);
      return [{ what: 'moment', key: l.key, moment, says: `${noun}: ${MOMENT_NAMES[moment]}`, words }];
    }
    return [];
  });

/** When a sentence has an add-in go in: folded in late, before the turn, laid on top; else on the poured face. */
function momentIn(words: string): Moment {
  if (/\b(?:before|just before) (?:you )?(?:flip|turn)/i.test(words)) return 'flip';
  if (/\bfold\b/i.test(words)) return 'rest';
  return /\b(?:lay|arrange|place)\b[^.;\n]*\b(?:on top|over the top|on the batter)\b/i.test(words) ? 'top' : 'poured';
}

/** What else the card tells: yield, serving, heat, minutes a side. */
export function toldBy(notes: string): readonly CardTells[] {
  const out: CardTells[] = [];
  const claim = yieldClaim(notes);
  if (claim) out.push({ says: `makes ${claim.pieces}`, words: claim.text });
  const serves = servingClaim(notes);
  if (serves) out.push({ says: `serves ${serves.people}`, words: serves.text });
  const heat =
    /\b\d{2,3}\s*(?:°|º|degrees?)\s*[CF]?\b(?:\s*\/\s*\d{2,3}\s*°?\s*[CF])?|\b(?:low|medium(?:[- ](?:low|high))?|high|moderate)\s+heat\b/i.exec(
      notes,
    );
  if (heat) out.push({ says: heat[0].trim(), words: sentenceOf(notes, heat.index) });
  const sides =
    /\b([\d½¼¾]+(?:\s*(?:-|–|to)\s*\d+)?\s*(?:min(?:ute)?s?|sec(?:ond)?s?)) on one(?: side)?,? (?:and|then) (?:about )?(\S+)(?: (?:min(?:ute)?s?|sec(?:ond)?s?))? on the other/i.exec(
      notes,
    );
  if (sides) out.push({ says: `${sides[1]}, then ${sides[2]}`, words: sentenceOf(notes, sides.index) });
  const side =
    /\b((?:about\s+)?[\d½¼¾]+(?:\s*(?:-|–|to)\s*\d+)?\s*(?:min(?:ute)?s?|sec(?:ond)?s?))\s*(?:a|per|each|on each|on every|on one|for each)\s*side/i.exec(
      notes,
    );
  if (!sides && side?.[1]) out.push({ says: `${side[1]} a side`, words: sentenceOf(notes, side.index) });
  return out;
}
