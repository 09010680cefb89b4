/**
 * A pasted card as a formula: its lines as entries, its companions and ends as groups, the kind it seems to be with the
 * reason, and what its method says of this formula's own ways. Guesses are offered with the words they come from.
 */

import { stripBullet } from '../card/bullet';
import { notesOn, placeOf, readCard, type Section } from '../card/card';
import { DISH, type Role } from '../card/headings';
import { type Line, readLine } from '../card/line';
import { servingClaim, yieldClaim } from '../card/method';
import type { ToldFact } from '../card/told/clause';
import { restDenied } from '../card/told/rests';
import { factsTold } from '../card/told/told';
import type { KitchenConventions } from '../pantry/conventions';
import { nounsOf } from '../pantry/nouns';
import { behaviourOf } from '../pantry/tables/behaviour';
import { capital } from '../quantity/say';
import { type ActEdit, withEdit, withWay } from './act-edits';
import {
  type End,
  type EndId,
  type Entry,
  type Formula,
  type Group,
  MOMENT_NAMES,
  MOST_NAME_CHARS,
  type Moment,
  nextKey,
} from './formula';
import { KIND_IDS, type KindId, kindById, kindFromWords, readZone } from './kinds';
import { choicesOf, MEASURED, WAY_IDS, type WayId } from './schools';
import { tally } from './tally';
import { wayName } from './ways';

interface PastedCard {
  readonly title: string | null;
  readonly entries: readonly Entry[];
  readonly notes: string;
  /** The names of the card's two ends, sweet and savoury; null mostly. */
  readonly ends: readonly [string, string] | null;
  readonly guess: KindGuess | null;
}

const MOST_GROUP_NAME = 60;

/** The end of a forked card that a section is for. */
const ENDS_OF: Partial<Readonly<Record<Role, EndId>>> = { sweet: 'a', savoury: 'b' };
const IN_A_BOWL: ReadonlySet<Role> = new Set(['dry', 'wet', 'fold-in']);

/** The group of the lines under a heading; null: they are the batter's as any others. */
function groupOf({ heading, role, asked }: Section): Group | null {
  if (!heading || IN_A_BOWL.has(role)) return null;
  const use = placeOf(role);
  const apart = use === 'side' || use === 'pan' || use === 'topping';
  if (!apart && !asked) return null;
  return { name: groupName(heading), role: apart ? use : 'batter', ...(asked && { asked: true as const }) };
}

/**
 * Turns a pasted card into entries. Where a heading put a line into a vessel other than the one it would have by
 * itself, that is kept as the cook's choice; so is an ingredient that only the rest of the card told.
 * @returns the reason when the text is too long to be a card
 */
export function entriesFromCard(
  text: string,
  house: KitchenConventions,
  after: readonly Entry[] = [],
): { readonly ok: true; readonly value: PastedCard } | { readonly ok: false; readonly message: string } {
  const card = readCard(text, house);
  if (!card.ok) return { ok: false, message: card.error.message };
  const { title, lines, sections } = card.value;
  const entries: Entry[] = [...after];
  const first = entries.length;
  const forked = sections.some((s) => s.role === 'sweet') && sections.some((s) => s.role === 'savoury');
  for (const l of lines) {
    const text = stripBullet(l.text);
    const alone = readLine(text, house);
    const section = sections.find((s) => s.id === l.section);
    const group = section ? groupOf(section) : null;
    const end = forked ? ENDS_OF[section?.role ?? 'batter'] : undefined;
    entries.push({
      key: nextKey(entries),
      text,
      ...(alone.vessel !== l.vessel && { vessel: l.vessel }),
      ...(l.ingredient && alone.ingredient?.id !== l.ingredient.id && { ingredientId: l.ingredient.id }),
      ...(l.foam && alone.foam !== l.foam && { foam: l.foam }),
      ...(group && { group }),
      ...(end && { end }),
    });
  }
  const notes = notesOn(card.value);
  const value: PastedCard = {
    title,
    entries: entries.slice(first),
    notes,
    ends: forked ? ['sweet', 'savoury'] : null,
    guess: guessKind(title ?? '', lines, notes),
  };
  return { ok: true, value };
}

/** A formula with a card's lines behind its own: named, of its kind and forked by it where it has nothing yet. */
export function withCard(f: Formula, { title, entries, notes, guess, ends }: PastedCard): Formula {
  const first = f.entries.length === 0 && guess !== null;
  const begun = {
    ...f,
    name: f.name.trim() === '' && title ? title.slice(0, MOST_NAME_CHARS) : f.name,
    ...(first && { kind: guess.kind, school: guess.school }),
  };
  const end = (id: 'a' | 'b', name: string): End => ({
    id,
    name,
    school: begun.kind === 'crepe' ? (id === 'a' ? 'sweet' : 'savoury') : begun.school,
  });
  return {
    ...begun,
    ends: begun.ends ?? (ends ? [end('a', ends[0]), end('b', ends[1])] : null),
    entries: [...f.entries, ...entries],
    cardNotes: [f.cardNotes, notes].filter(Boolean).join('\n'),
  };
}

/** "For the caramel sauce:" is the caramel sauce's group. */
const groupName = (heading: string): string => {
  const bare = heading.replace(/^for (?:the |my |a )?/i, '').trim() || heading;
  return (bare === bare.toUpperCase() ? bare.charAt(0) + bare.slice(1).toLowerCase() : capital(bare)).slice(
    0,
    MOST_GROUP_NAME,
  );
};

export interface KindGuess {
  readonly kind: KindId;
  readonly school: string;
  /** The reason, in words: "the title says waffles". */
  readonly why: string;
}

const TITLE_WORDS: readonly (readonly [RegExp, KindId])[] = [
  // what a kind is called in other tongues
  [
    /(?<!\p{L})(?:ugnspannkak\p{L}*|uunipannukakku|pannukakku|ofenpfannkuchen|ovnpannekake\p{L}*|ovnpandekage\p{L}*|ovenpannenkoek\p{L}*|kropsua)(?!\p{L})/iu,
    'oven',
  ],
  [/(?<!\p{L})(?:(?:æ|ae|e)bleskiver?|poffertjes?|munker|paniyarams?)(?!\p{L})/iu, 'ball'],
  [
    /(?<!\p{L})(?:palatschinken?|pala[cč]ink[aey]\p{L}*|palacsinta|nale[sś]nik\p{L}*|letut|lettuja|r[aä]iskale\p{L}*|plinsen|frittaten|flensjes|pannkakssmet|clătite|clatite)(?!\p{L})/iu,
    'crepe',
  ],
  [/(?<!\p{L})(?:pl[aä]ttar|blinchiki|oladi|oladyi|syrniki|racuchy|racuszki|lapper|svele\p{L}*)(?!\p{L})/iu, 'small'],
  [/\b(?:dutch bab(?:y|ies)|oven[- ]pancakes?|german pancakes?|puffed|baked pancakes?|sheet[- ]pan)\b/i, 'oven'],
  [/\b(?:waffeln?|waffles?|gofres?|v[aå]ff?l(?:er|or)|gaufres?|wafels?)\b/iu, 'waffle'],
  [
    /\b(?:cr[eê]pes?|galettes?|crespelle|blintz(?:es)?|crepas|pfannkuchen|pannenkoeken|pannkakor|pandekager)\b/iu,
    'crepe',
  ],
  [/\b(?:souffl[eé]|clouds?|foam)/iu, 'foam'],
  [/\b(?:silver dollars?|drop scones?|blinis?|pikelets?|mini|small|little|scotch pancakes?)\b/i, 'small'],
];
const METHOD_WORDS: readonly (readonly [RegExp, KindId, number, string])[] = [
  [/\b(?:waffle[- ]?irons?|waffle maker|in the iron|the iron\b)/i, 'waffle', 4, 'the method bakes it in an iron'],
  [/\b(?:ball pan|hollows?|round[- ]pan|quarter turn|skewer)\b/i, 'ball', 4, 'the method turns it in a ball pan'],
  [/\b(?:swirl|tilt|paper[- ]thin|thin layer|very thin)\b/i, 'crepe', 3, 'the method swirls it thin'],
  [
    // anchored: unanchored, each character of a long method would be looked at for each other
    /^(?=[\s\S]*\boven\b)(?=[\s\S]*\b(?:skillet|pan|dish|tin)\b)(?=[\s\S]*\b(?:puff|golden and puffed|bake)\b)(?![\s\S]*\b(?:flip|turn over)\b)/i,
    'oven',
    3,
    'the method bakes it in the oven, in its pan',
  ],
  [/\b(?:griddle|bubbles?|flip)\b/i, 'griddle', 1, 'the method bakes it on a griddle and flips it'],
];

/** A method that whips whites. */
const WHIPS = /\b(?:stiff|soft|firm) peaks\b|\bwhip(?:ped)? (?:the )?(?:egg )?whites\b/i;
/** Percent of flour: whites of fewer eggs make a leavened cake lighter, and are not what raises it. */
const RAISED_BY_FOAM = 60;

/**
 * The kind a card seems to be, by its title, its method, its whites and its ratios; and the school its ratios fit best.
 * @returns null where nothing speaks for any
 */
export function guessKind(title: string, lines: readonly Line[], method: string): KindGuess | null {
  const score = new Map<KindId, { n: number; why: string; top: number }>();
  const add = (kind: KindId, n: number, why: string): void => {
    const had = score.get(kind) ?? { n: 0, why, top: 0 };
    score.set(kind, { n: had.n + n, why: n > had.top ? why : had.why, top: Math.max(n, had.top) });
  };
  // a small batch is no small cake
  const named = title.replace(/\b(?:small|mini|big|large)[- ](?:batch|recipe|family|crowd)\b/gi, ' ');
  const says = TITLE_WORDS.find(([re]) => re.test(named));
  const said = says ? (says[0].exec(named)?.[0] ?? '') : '';
  if (says) add(says[1], 5, `the title says "${said}"`);
  else {
    const kind = kindFromWords(named);
    if (kind) add(kind, 5, `the title says "${named.trim()}"`);
    else if (DISH.test(named)) add('griddle', 2.5, `the title says "${DISH.exec(named)?.[0] ?? named}"`);
  }
  for (const [re, kind, n, why] of METHOD_WORDS) if (re.test(method)) add(kind, n, why);
  const batter = lines.filter((l) => l.use === 'batter');
  const t = tally(batter);
  const leavened = batter.some((l) => l.ingredient?.category === 'leavening' || (l.ingredient?.sodaPct ?? 0) > 0);
  if (batter.some((l) => l.foam !== null) || WHIPS.test(method)) {
    const few = leavened && t.flourG > 0 && (100 * t.eggG) / t.flourG < RAISED_BY_FOAM;
    add('foam', few ? 1 : 4, 'the whites are whipped');
  }
  if (t.flourG > 0) {
    const water = (100 * t.waterG) / t.flourG;
    if (!leavened && water >= 220) add('crepe', 2, `no leavening, and ${Math.round(water)} % water on the flour`);
    else if (leavened && water < 260) add('griddle', 1, 'leavened, and thick enough for a griddle');
  }
  const best = KIND_IDS.flatMap((k) => {
    const s = score.get(k);
    return s ? [{ kind: k, ...s }] : [];
  }).sort((a, b) => b.n - a.n)[0];
  if (!best) return null;
  return { kind: best.kind, school: schoolFor(best.kind, named, batter), why: best.why };
}

/** By so many misses another school has to fit better than the usual one. */
const CLEARLY = 2;

/** The school whose words the title holds, else the one whose zones the ratios miss least. */
function schoolFor(kind: KindId, title: string, lines: readonly Line[]): string {
  const { schools } = kindById(kind);
  const said = schools.find((s) => new RegExp(`\\b${s.name.replace(/[^\p{L} ]/gu, '.')}`, 'iu').test(title));
  if (said || schools.length === 1) return (said ?? schools[0]).id;
  const t = tally(lines);
  if (!(t.flourG > 0)) return schools[0].id;
  const pct = {
    water: (100 * t.waterG) / t.flourG,
    egg: (100 * t.eggG) / t.flourG,
    fat: (100 * t.fatG) / t.flourG,
    sugar: (100 * t.sugarG) / t.flourG,
  };
  const buckwheat = lines.some((l) => l.ingredient?.id === 'flour-buckwheat');
  const misses = schools.map((s) => ({
    id: s.id,
    n:
      (Object.keys(pct) as (keyof typeof pct)[]).reduce((a, rail) => {
        const z = readZone(pct[rail], s.zones[rail]);
        return a + (z.standing === 'in' ? 0 : z.far ? 2 : 1);
      }, 0) + (s.id === 'buckwheat' && !buckwheat ? 3 : 0),
  }));
  // the kind's first school is what most cooks mean: another has to fit clearly better
  const [usual] = misses;
  const best = misses.reduce((a, b) => (b.n < a.n ? b : a));
  return usual && best.n > usual.n - CLEARLY ? usual.id : best.id;
}

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
  const rests = (min: number): string => (min >= 240 ? 'rests overnight' : `rests ${Math.round(min)} minutes`);
  return [
    ...(rest && typeof rest.value === 'number'
      ? [way('rest', restFor(rest.value), rest.words, rests(rest.value))]
      : []),
    ...(denied === null ? [] : [way('rest', 'none', denied)]),
    ...(whites ? [way('whites', whites.value, whites.words)] : []),
    ...WAY_IDS.filter((w) => w !== 'whites').flatMap((of): readonly Offer[] => {
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
  const says = `${p.said ?? `${p.value} ml`} a piece`;
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
