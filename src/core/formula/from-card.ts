/**
 * A pasted card as a formula: its lines as entries, its companions and ends as groups, the kind it seems to be with the
 * reason, and what its method says of this formula's own ways. Guesses are offered with the words they come from.
 */

import { stripBullet } from '../card/bullet';
import { notesOn, placeOf, readCard, type Section } from '../card/card';
import { DISH, type Role } from '../card/headings';
import { type Line, readLine } from '../card/line';
import type { ToldFact } from '../card/told/clause';
import { factsTold } from '../card/told/told';
import type { KitchenConventions } from '../pantry/conventions';
import { capital } from '../quantity/say';
import { type End, type EndId, type Entry, type Formula, type Group, MOST_NAME_CHARS, nextKey } from './formula';
import { KIND_IDS, type KindId, kindById, kindFromWords, readZone } from './kinds';
import { tally } from './tally';

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
    guess: guessKind(title ?? '', lines, notes, factsTold(notes, house)),
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

/** It is baked in an oven for so long, and no side of it is told: stronger than a title of pancakes, or of no leavening. */
const IN_THE_OVEN = 8;
const isBakedWhole = (facts: readonly ToldFact[]): boolean => {
  const is = (fact: ToldFact['fact'], of: string | null = null): boolean =>
    facts.some((f) => f.taken === 'told' && f.fact === fact && (of === null || f.of === of));
  return is('bake') && is('heat', 'oven') && !is('firstSide');
};

/** A method that whips whites. */
const WHIPS = /\b(?:stiff|soft|firm) peaks\b|\bwhip(?:ped)? (?:the )?(?:egg )?whites\b/i;
/** Percent of flour: whites of fewer eggs make a leavened cake lighter, and are not what raises it. */
const RAISED_BY_FOAM = 60;

/**
 * The kind a card seems to be, by its title, its method, its whites and its ratios; and the school its ratios fit best.
 * @param facts what the method tells
 * @returns null where nothing speaks for any
 */
export function guessKind(
  title: string,
  lines: readonly Line[],
  method: string,
  facts: readonly ToldFact[],
): KindGuess | null {
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
  if (isBakedWhole(facts)) add('oven', IN_THE_OVEN, 'the method bakes it whole in the oven');
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
