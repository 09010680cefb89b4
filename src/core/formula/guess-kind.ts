/** The kind of batter a card seems to be, and the style of it, with the reason in words. */

import { DISH } from '../card/headings';
import type { Line } from '../card/line';
import type { ToldFact } from '../card/told/clause';
import { KIND_IDS, type KindId, kindById, kindFromWords, readZone } from './kinds';
import { tally } from './tally';

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
    /(?<!\p{L})(?:palatschinken?|pala[cč]ink[aey]\p{L}*|palacsinta|nale[sś]nik\p{L}*|letut|lettuja|r[aä]iskale\p{L}*|plinsen|frittaten|flensjes|pannkakssmet|clătite|clatite|filloas?|frixuelos?|fl[aä]dle)(?!\p{L})/iu,
    'crepe',
  ],
  [
    /(?<!\p{L})(?:pl[aä]ttar|blinchiki|oladi|oladyi|syrniki|racuchy|racuszki|lapper|svele\p{L}*|liwanzen)(?!\p{L})/iu,
    'small',
  ],
  // thick, and raised
  [
    /(?<!\p{L})(?:(?:amerikanische|dicke|fluffige|luftige)\s+pfannkuchen|(?:buttermilch|hefe|joghurt|quark)-?pfannkuchen)(?!\p{L})/iu,
    'griddle',
  ],
  [/\b(?:dutch bab(?:y|ies)|oven[- ]pancakes?|german pancakes?|puffed|baked pancakes?|sheet[- ]pan)\b/i, 'oven'],
  [/(?<!\p{L})(?:kleine|mini)[ -]?(?:pfannkuchen|pannenkoek\p{L}*|tortitas)(?!\p{L})/iu, 'small'],
  [/(?<!\p{L})souffl[eé]s?(?=[ -]\p{L}*(?:pfannkuchen|cr[eê]pes?))/iu, 'foam'],
  [/(?<!\p{L})(?:\p{L}*waffeln?|waffles?|gofres?|v[aå]ff?l(?:er|or)|gaufres?|wafels?)(?!\p{L})/iu, 'waffle'],
  [
    /(?<!\p{L})(?:cr[eê]pes?|creps|\p{L}*galettes?|crespelle|blintz(?:es)?|crepas|\p{L}*pfannkuchen|pannenkoeken|pannkakor|pandekager)(?!\p{L})/iu,
    'crepe',
  ],
  [/\b(?:souffl[eé]|clouds?|foam)/iu, 'foam'],
  [
    /\b(?:silver dollars?|drop scones?|blinis?|pikelets?|scotch pancakes?|(?:mini|small|little)\b(?!.*\bballs?\b))/i,
    'small',
  ],
];
/** The words with which a card without a title begins: "Pour les gaufres :", "my nan's scotch pancakes, she'd take". */
const OPENING = /^[^.:;,\n–—]{0,60}/;
/** Said of the children, or of the batch, as well. */
const SIZE_ALONE = /^(?:mini|small|little)$/i;
/** The kind that a card without a title names at its beginning, and the word for it. */
function saidAtFirst(method: string): readonly [said: string, kind: KindId] | null {
  const opening = OPENING.exec(method.trim())?.[0] ?? '';
  for (const [re, kind] of TITLE_WORDS) {
    const said = re.exec(opening)?.[0];
    if (said && !SIZE_ALONE.test(said)) return [said, kind];
  }
  return null;
}

/** Thin where nothing raises it, thick where something does. */
const THIN_OR_THICK = /(?:pfannkuchen|pannenkoeken|pannkakor|pandekager)"$/i;
const METHOD_WORDS: readonly (readonly [RegExp, KindId, number, string])[] = [
  [
    /\b(?:waffle[- ]?irons?|waffle maker|the iron\b|in(?:to)? (?:an?|my) (?:(?!cast)\w+ )?iron\b(?! (?:pan|skillet|griddle|pot)))|(?<!\p{L})(?:waffeleisen|gaufrier|gofrera|wafelijzer|v[åa]ffeljärn)/iu,
    'waffle',
    4,
    'the method bakes it in an iron',
  ],
  [/\b(?:ball pan|hollows?|round[- ]pan|quarter turn|skewer)\b/i, 'ball', 4, 'the method turns it in a ball pan'],
  [
    /\b(?:(?<!\bbutter\b[^.;]{0,30})swirl(?! (?:the )?butter)|tilt|paper[- ]thin|thin layer|very thin)\b/i,
    'crepe',
    3,
    'the method swirls it thin',
  ],
  [
    // anchored: unanchored, each character of a long method would be looked at for each other
    /^(?=[\s\S]*\boven\b)(?=[\s\S]*\b(?:skillet|pan|dish|tin)\b)(?=[\s\S]*\b(?:puff|golden and puffed|bake)\b)(?![\s\S]*\b(?:flip|turn over)\b)/i,
    'oven',
    3,
    'the method bakes it in the oven, in its pan',
  ],
  [/\b(?:griddle|bubbles?|flip)\b/i, 'griddle', 1, 'the method bakes it on a griddle and flips it'],
];

/** What speaks for a kind: how strongly, and why in words. */
type Speaks = readonly [kind: KindId, n: number, why: string];

/** It is baked whole, and no side of it is told: stronger than a title of pancakes, or of no leavening. */
const IN_THE_OVEN = 8;
/** No iron and no griddle keeps a piece so long, minutes. */
const LONG_BAKE_MIN = 15;
/** From both sides at once, in some minutes: as an iron does. */
const IN_AN_IRON = 3;
/** What the minutes and the heat that are told of a piece speak for. */
function saidByBaking(facts: readonly ToldFact[]): readonly Speaks[] {
  const told = (fact: ToldFact['fact'], of: string | null = null): ToldFact | undefined =>
    facts.find((f) => f.taken === 'told' && f.fact === fact && (of === null || f.of === of));
  const bake = told('bake');
  if (!bake || told('firstSide') || told('secondSide')) return [];
  return told('heat', 'oven') || Number(bake.value) >= LONG_BAKE_MIN
    ? [['oven', IN_THE_OVEN, 'the method bakes it whole in the oven']]
    : [['waffle', IN_AN_IRON, 'the method bakes it from both sides at once']];
}

/** What a method speaks for. */
const saidByMethod = (method: string, facts: readonly ToldFact[]): readonly Speaks[] => [
  ...METHOD_WORDS.flatMap(([re, kind, n, why]): readonly Speaks[] => (re.test(method) ? [[kind, n, why]] : [])),
  ...saidByBaking(facts),
];

/** What a title speaks for, or the beginning of a card without one. @param named the title without the size of its batch */
function saidByName(title: string, named: string, method: string): readonly Speaks[] {
  const titled = TITLE_WORDS.find(([re]) => re.test(named));
  if (titled) return [[titled[1], NAMED, `the title says "${titled[0].exec(named)?.[0]}"`]];
  const began = title === '' ? saidAtFirst(method) : null;
  if (began) return [[began[1], NAMED, `it begins with "${began[0]}"`]];
  const kind = kindFromWords(named);
  if (kind) return [[kind, NAMED, `the title says "${named.trim()}"`]];
  const dish = DISH.exec(named)?.[0];
  return dish === undefined ? [] : [['griddle', NAMED_A_DISH, `the title says "${dish}"`]];
}
const NAMED = 5;
const NAMED_A_DISH = 2.5;

/** A method that whips whites. */
const WHIPS = /\b(?:stiff|soft|firm) peaks\b|\bwhip(?:ped)? (?:the )?(?:egg )?whites\b/i;
/** Percent of flour: whites of fewer eggs make a leavened cake lighter, and are not what raises it. */
const RAISED_BY_FOAM = 60;

/** What leavening, whites and water speak for. @param name what the title speaks for */
function saidByBatter(batter: readonly Line[], method: string, [name]: readonly Speaks[]): readonly Speaks[] {
  const t = tally(batter);
  const leavened = batter.some((l) => l.ingredient?.category === 'leavening' || (l.ingredient?.sodaPct ?? 0) > 0);
  const few = leavened && t.flourG > 0 && (100 * t.eggG) / t.flourG < RAISED_BY_FOAM;
  const foam: readonly Speaks[] =
    batter.some((l) => l.foam !== null) || WHIPS.test(method) ? [['foam', few ? 1 : 4, 'the whites are whipped']] : [];
  const water = t.flourG > 0 ? (100 * t.waterG) / t.flourG : null;
  if (water === null || (leavened ? water >= 260 : water < 220)) return foam;
  if (!leavened) return [...foam, ['crepe', 2, `no leavening, and ${Math.round(water)} % water on the flour`]];
  return name?.[0] === 'crepe' && THIN_OR_THICK.test(name[2])
    ? [...foam, ['griddle', NAMED + 1, `${name[2]}, and it is leavened`]]
    : [...foam, ['griddle', 1, 'leavened, and thick enough for a griddle']];
}

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
  // a small batch is no small cake
  const named = title.replace(/\b(?:small|mini|big|large)[- ](?:batch|recipe|family|crowd)\b/gi, ' ');
  const batter = lines.filter((l) => l.use === 'batter');
  const name = saidByName(title, named, method);
  const all = [...name, ...saidByMethod(method, facts), ...saidByBatter(batter, method, name)];
  const best = KIND_IDS.flatMap((kind) => {
    const own = all.filter((s) => s[0] === kind);
    const why = own.reduce<Speaks | null>((top, s) => (top && top[1] >= s[1] ? top : s), null)?.[2];
    return why === undefined ? [] : [{ kind, why, n: own.reduce((sum, s) => sum + s[1], 0) }];
  }).sort((a, b) => b.n - a.n)[0];
  return best ? { kind: best.kind, school: schoolFor(best.kind, named, batter), why: best.why } : null;
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
