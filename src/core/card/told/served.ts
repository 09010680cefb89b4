/**
 * What pieces are eaten with, as a card's sentences of the table tell it: "serve with maple syrup and berries", "lemon on
 * top", "dust with icing sugar". What is left to the guest, a drink, and what some earlier line has over, is none of it.
 */
import type { KitchenConventions } from '../../pantry/conventions';
import { asksWhich } from '../items';
import { type Line, readLine } from '../line';
import { type Clause, clausesOf } from './clause';

/** A thing that goes onto the plate, and the sentence that tells it. */
export interface ServedThing {
  /** As the card names it: "fresh berries". */
  readonly said: string;
  /** The line that it would be. */
  readonly line: Line;
  readonly words: string;
}

const PIECES = String.raw`(?:them|it|these|those|everything|each(?: one| piece)?|the (?:lot|stack|pile|(?:\p{L}+ )?(?:pan|griddle |hot)?cakes?|waffles?|cr[eê]pes?|pancakes?|tops?)|mine|ours|yours|theirs|his|hers)`;
/** What comes before the things. */
const TABLE_WITH: readonly RegExp[] = [
  String.raw`\b(?:serve[ds]?|serving|eat|eaten|enjoy(?:ed)?|garnish(?:ed)?|finish(?:ed)?|dress(?:ed)?|smother(?:ed)?)\b(?:,? (?!with\b)[\p{L}\d’'-]+){0,5},? with `,
  String.raw`\b(?:have|like|want|take)s? ${PIECES}(?: (?!with\b)[\p{L}’'-]+){0,2} with `,
  String.raw`\b(?:goe?s?(?: well| best| great| lovely)?|good|great|lovely|best|nice|delicious|perfect) with `,
  String.raw`^(?:then |and )?(?:pass(?: round| around)?|offer|bring out|put out|set out) (?=[^.]*(?:\btable\b|$))`,
  "^(?:to serve|toppings?|on the table|at the table|zum servieren|dazu(?! (?:pass|gib|schmeck|reich|ess))|pour servir|para servir)(?: we have| there[’']s| there is)?(?: ?:|,)? ",
  String.raw`(?<!\p{L})dazu (?:passt|passen|gibt es|gibt[’']s|schmeckt|schmecken|reichen wir|essen wir) `,
  String.raw`(?<!\p{L})(?:wir essen|ich esse|schmecken|gut) (?:\p{L}+ ){0,2}mit `,
  String.raw`(?<!\p{L})(?:serv(?:ir|ez|ie[zr]|is)|dégust\p{L}+|accompagn\p{L}+|mange[rz]?)(?!\p{L})(?:,? (?!avec |con |d[eu] |d[’'])[\p{L}’'-]+){0,4},? (?:avec |d[eu] |d[’'])`,
  String.raw`(?<!\p{L})(?:serv(?:ir|id|imos|ed)|sírve\p{L}*|acompañ\p{L}+|com(?:er|emos))(?!\p{L})(?:,? (?!con |de )[\p{L}-]+){0,4},? (?:con |de )`,
].map((w) => new RegExp(w, 'giu'));
/** The same by words that are said of a piece on the heat as well. */
const LAID_WITH: readonly RegExp[] = [
  String.raw`\b(?:drizzle[ds]?|dust(?:ed)?|top(?:ped)?|sprinkle[ds]?|spread|fill(?:ed)?|stuff(?:ed)?|layer(?:ed)?|stack(?:ed)?|roll(?:ed)?)\b(?: (?!with\b)[\p{L}’'-]+){0,3} with `,
  String.raw`(?<!\p{L})(?:saupoudre[rz]?|napper|nappez|arrose[rz]?|garni[rs]\p{L}*)(?!\p{L})(?: (?!avec |d[eu] |d[’'])[\p{L}’'-]+){0,3} (?:avec |d[eu] |d[’'])`,
  String.raw`(?<!\p{L})(?:espolvore|rellen)\p{L}+(?: (?!con |de )[\p{L}-]+){0,3} (?:con |de )`,
].map((w) => new RegExp(w, 'giu'));

/** What leads to the things and what comes behind them. */
type Around = readonly [led: RegExp, end: RegExp];
const around = (led: string, end: string): Around => [new RegExp(led, 'giu'), new RegExp(end, 'iu')];
const BEGINS = '(?:^|, )(?:(?:then|and|with|plus|put|set(?: out)?|lay|place|bring) )*';
const MIT = String.raw`(?<!\p{L})mit `;
const TABLE_BEHIND: readonly Around[] = [
  around(
    BEGINS,
    String.raw` (?:to serve|for serving|(?:at|on|to) the table|on the side|along(?:side)|to finish)(?!\p{L})`,
  ),
  around(
    MIT,
    String.raw` (?:(?:bestreut |bestäubt |heiß |warm )?(?:servieren|reichen|essen|genießen)|(?:zu|auf den) tisch)(?!\p{L})`,
  ),
  around('(?:^|, )', ' (?:dazu(?: (?:reichen|servieren|essen))?|zum servieren)$'),
];
const ALL_OVER = String.raw` (?:them|each|the (?:stack|pile)|generously|while)\b`;
const LAID_BEHIND: readonly Around[] = [
  around(BEGINS, String.raw` (?:on (?:the )?top|over the top)(?! of)(?!\p{L})`),
  around(
    String.raw`(?<!\p{L})(?:pour|spoon|drizzle|dust|sprinkle|grate|squeeze|dollop|sift|shake|strew|trickle) `,
    ` (?:over|on|onto)(?: (?:the )?top(?: of)?)?(?: ${PIECES})?(?=$|,)`,
  ),
  around(`(?:^|, )(?=(?:butter|sugar)${ALL_OVER})`, ALL_OVER),
  around(MIT, String.raw` (?:bestreuen|bestäuben|beträufeln|bestreichen|belegen|füllen)(?!\p{L})`),
];
/** A sentence of a piece that is still on the heat, or of what is heated. */
const ON_THE_HEAT =
  /\b(?:turn|flip|cook|bake|fry|wet|raw|batter|griddle|skillet|board|pinch|shape|seal|poured|before (?:they|it)|halfway)\w*|(?<!\p{L})(?:wenden|backen|teig|retourne|cuire|pâte|voltear|vuelta|masa)\p{L}*/iu;
/** A clause where the next thing is done. */
const NEXT_DONE =
  /,?\s+(?:and|und|et|y)\s+(?=(?:serve|eat|enjoy|dust|drizzle|top|garnish|finish|sprinkle|roll|fold|keep|pass|spoon|pour|send|carry|bring|run|you|mit|servieren|zusammen|aufrollen|servir|servez|saupoudr|roul|pli|espolvore|enroll|dobl)\p{L}*(?!\p{L}))/iu;

/** Where the things end and the sentence goes on. */
const ENDS =
  /\s+(?:if|while|when|before|after|until|till|at|in|from|for|on|over|between|because|so|as|to|which|that|who|wenn|solange|auf|zum|pour|sur|por|para|mientras|servieren|reichen)(?=\s|$).*$|\s*[(:–—].*$/iu;
const JOINED = /\s*,\s*(?:and |und |et |y )?|\s+(?:and|&|\+|plus|und|et|y|e)\s+/iu;
/** How much of it, without a number, and whose: not a part of its name. */
const SOME =
  /^(?:(?:an?|the|some|more|extra|plenty of|lots of|loads of|a lot of|your(?: favou?rite)?|my|our|good|just|only|also|with|(?:little|bit|knobs?|dollops?|drizzle|squeeze|dusting|handful|spoon(?:ful)?|scoop|pat|splash|jug|bowl|dish|pot|jar|pinch|sprinkl(?:e|ing)|slick|wedges?|slices?|pile|blob|swirl) of|little|etwas|viel|reichlich|ein(?:e[mnrs]?)?|der|die|das|den|dem|du|de la|de l[’']|des?|d[’']|un peu de|une? (?:noisette|cuillerée|boule) de|les?|la|las?|los|el|un poco de|un[ao]?)(?:\s+|(?<=[’'])))+/iu;
/** Had over from a line, or no food of a plate. */
const NOT_NEW =
  /\b(?:with|pan|dish|plates?|bowl|rest|remaining|reserved|left|leftover|same|that|this|other|batter|milk|water|coffee|tea|juice|cocoa|flour|wine|prise|liter|milch|mehl|eier|wasser|kaffee)\b/i;
/** What is eaten with pieces by its last word, whatever the pantry knows of it: "lingonberry jam". */
const BY_ITS_NAME =
  /(?:\b(?:jam|jelly|sauce|compote|coulis|curd|fruits?|salad|relish|chutney|preserves?|syrup|marmalade|roe|caviar|salmon)|konfitüre|marmelade|beeren|früchten?|obst|fruits rouges|frutas|kompott|soße|sirup|confiture|compote|coulis|mermelada|compota|salsa)$/iu;
const MOST_NAME_WORDS = 5;
/** Things that a table has in one sentence. */
const MOST_THINGS = 8;

/** A name that is written large anywhere. */
const OF_A_LAND = /^(?:Greek|Turkish|Swiss|French|Italian|English|Cornish|Danish)\b/;

type Thing = Pick<ServedThing, 'said' | 'line'>;

/** One thing as the line it would be; null: no thing to eat that can be named. */
function thingOf(words: string, house: KitchenConventions): Thing | null {
  const said = words
    // what closes its sentence or a bracket is no part of a name
    .replace(/[^\p{L}\p{N}]+$/u, '')
    .trim()
    .replace(SOME, '')
    .trim();
  if (said === '' || /\d/.test(said) || NOT_NEW.test(said) || said.split(' ').length > MOST_NAME_WORDS) return null;
  const line = readLine(`${said}, to serve`, house);
  return line.ingredient !== null || asksWhich(line) || BY_ITS_NAME.test(said) ? { said, line } : null;
}

/** Things of a list, as far as each can be named; none where the first of them can't. */
function thingsIn(list: string, house: KitchenConventions): readonly Thing[] {
  const out: Thing[] = [];
  for (const words of list.replace(ENDS, '').split(JOINED)) {
    const thing = thingOf(words, house);
    if (!thing) break;
    out.push(thing);
  }
  return out;
}

/** Whether a text is nothing but things. */
const isBare = (text: string, house: KitchenConventions): boolean =>
  text.split(JOINED).every((w) => thingOf(w, house) !== null);

/** Things behind the words of the table. */
const afterWords = (text: string, words: readonly RegExp[], house: KitchenConventions): readonly Thing[] =>
  words.flatMap((re) => [...text.matchAll(re)].flatMap((m) => thingsIn(text.slice(m.index + m[0].length), house)));

/** Things before such words: the longest that are nothing else. */
const beforeWords = (text: string, words: readonly Around[], house: KitchenConventions): readonly Thing[] =>
  words.flatMap(([led, end]): readonly Thing[] => {
    const at = end.exec(text)?.index;
    if (at === undefined) return [];
    const list = [...text.matchAll(led)]
      .map((m) => text.slice(m.index + m[0].length, at))
      .find((x) => x !== '' && isBare(x, house));
    return list === undefined ? [] : thingsIn(list, house);
  });

/** Worth reading for what is served. */
const OF_TABLE =
  /\b(?:serv|eat|enjoy|garnish|finish|drizzl|dust|dress|top|smother|sprinkl|spread|fill|stuff|layer|stack|roll|have|like|want|take|with|pass|offer|bring|put|set|table|side|alongside|pour|spoon|grate|squeeze|dollop|sift|shake|strew|trickle|butter|sugar)|dazu|servier|reich|essen|genieß|bestreu|bestäub|beträuf|bestreich|beleg|füllen|servir|servez|dégust|accompagn|mange|saupoudr|napp|arros|garni|sírve|servid|acompañ|comer|comemos|espolvor|rellen/iu;

/** What counts of a sentence, as it runs on: what doesn't parts it. */
function runsOf(clauses: readonly Clause[], counts: (c: Clause) => boolean): ReadonlyMap<string, readonly string[]> {
  const runs = new Map<string, string[]>();
  let goesOn = false;
  for (const c of clauses) {
    const { sentence, text } = c;
    const isMeant = counts(c);
    const of = runs.get(sentence);
    const said = text.replace(/\bw\/(?=\s|\p{L})/iu, 'with').replace(/[.!?]+$/, '');
    if (isMeant && of && goesOn) of.push(`${of.pop() ?? ''}, ${said}`);
    else if (isMeant) runs.set(sentence, [...(of ?? []), said]);
    else if (!of) runs.set(sentence, []);
    goesOn = isMeant;
  }
  return runs;
}

/**
 * What a card's method says its pieces are eaten with, once each, in its order; amounts that it tells are lines already.
 * @param notes the sentences of a card that are no lines
 */
export const servedIn = (notes: string, house: KitchenConventions): readonly ServedThing[] =>
  OF_TABLE.test(notes) ? servedInClauses(clausesOf(notes), house) : [];

/** The same of sentences that are parted already. @param counts which of them are meant */
export function servedInClauses(
  clauses: readonly Clause[],
  house: KitchenConventions,
  counts = (c: Clause): boolean => c.taken === 'told',
): readonly ServedThing[] {
  const out: ServedThing[] = [];
  for (const [words, runs] of runsOf(clauses, counts)) {
    if (!OF_TABLE.test(words)) continue;
    const isLaid = !ON_THE_HEAT.test(words);
    const before = isLaid ? [...TABLE_WITH, ...LAID_WITH] : TABLE_WITH;
    const behind = isLaid ? [...TABLE_BEHIND, ...LAID_BEHIND] : TABLE_BEHIND;
    const parts = runs.flatMap((r) => r.split(NEXT_DONE));
    const things = parts.flatMap((p) => {
      const after = afterWords(p, before, house);
      return after.length > 0 ? after : beforeWords(p, behind, house);
    });
    for (const t of things) {
      // what begins its sentence is no name for it
      const said =
        words.startsWith(t.said) && !OF_A_LAND.test(t.said) ? t.said.charAt(0).toLowerCase() + t.said.slice(1) : t.said;
      if (out.length < MOST_THINGS && !out.some((x) => x.said.toLowerCase() === said.toLowerCase()))
        out.push({ ...t, said, words });
    }
  }
  return out;
}
