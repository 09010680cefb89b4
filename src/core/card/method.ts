/**
 * What stands around the lines of a card, read for what can be checked: the yield it claims and the things its method
 * uses.
 */
import { kitchenNouns } from '../pantry/nouns';
import { readNumber } from '../quantity/number';
import { type InFigures, inFigures, middle, spokenInFigures } from './told/spoken';
import { anyWord, SENTENCE } from './told/words';

interface YieldClaim {
  readonly pieces: number;
  readonly text: string;
}

const EACH_FOR =
  /\b(\d+|one|two|three|four|five|six)\s+(?:each|apiece|a head)\s+for\s+(\d+|two|three|four|five|six|eight|ten|twelve)\b/i;
/** "For 12 people (5 each)", "84 covers at two each". */
export const PEOPLE_EACH =
  /\b(\d+|two|three|four|five|six|eight|ten|twelve)\s+(?:people|persons?|guests?|covers?|diners|portions|servings|plates)\s*[,(]?\s*(?:(?:at|@)\s+)?(\d+|one|two|three|four|five|six)\s+(?:(?:pan|hot|griddle )?cakes|waffles|cr[eê]pes|each|ea|apiece|a head|a plate|per plate)\b/i;
/** "Makes about 24": pieces it claims. "Serves 8" claims people, not pieces, and is not tested. */
export function yieldClaim(notes: string, said = spokenInFigures(notes)): YieldClaim | null {
  for (const row of notes.split('\n')) {
    const each = EACH_FOR.exec(row) ?? PEOPLE_EACH.exec(row);
    const [pieces, people] = each ? [readNumber(each[1] ?? ''), readNumber(each[2] ?? '')] : [null, null];
    if (pieces && people) return { pieces: Math.round(pieces.low.valueOf() * people.low.valueOf()), text: row.trim() };
  }
  const tells = (text: string, sentence: string): boolean =>
    (MADE.test(text) && !/\benough for\b/i.test(text)) ||
    PIECES.test(text) ||
    SO_MANY.test(text) ||
    (ABOUT_SO_MANY.test(text) && !MEASURES.test(sentence));
  const told =
    countTold(said, tells, [PIECES, MADE]) ??
    countTold(
      said,
      (text, whole) =>
        (DOES_ALONE.test(text) && !APIECE.test(whole)) ||
        (THAT_DOES.test(text) && FEEDS_BESIDE.test(whole)) ||
        DOES_MANY.test(text),
      [FED, FED],
    );
  if (told) return { pieces: told.count, text: told.text };
  const { text, asSaid } = said;
  for (const { is, least } of COUNTS_ALONE)
    for (const m of text.matchAll(is)) {
      const [all, count = ''] = m;
      const n = OTHERS_COUNTED.test(count) || PEOPLE.test(count) ? null : middle(count);
      const at = m.index + all.indexOf(count);
      if (n && n.value >= least) return { pieces: Math.round(n.value), text: asSaid(at, at + count.length) };
    }
  return null;
}
/** What a last count is none of. */
const OTHERS_COUNTED =
  /(?:\bmin(?:ut(?:en?|es|os?))?s?\b.*|\b(?:stunden?|sekunden?|grad|heures?|horas?|segundos?)\b.*|\binch.*|\bcm.*|across|minutes?|hours|seconds|strokes|eggs|cups|spoons|fuls|adults|sides|times|turns|days|degrees|grams|parts|drops|lots|ons|friends)$/i;

/** "Does ten.": pieces, unless how many those are is told elsewhere; then people. */
const APIECE = /\b(?:apiece|each)\b/i;
const DOES_ALONE = /^does (?:about )?\S+$/i;
/** "That does about a hundred and ten": so many are no guests of one bowl. */
const DOES_MANY =
  /^(?:that|this|it) does (?:about |around )?(?:an? (?:hundred|dozen)|(?:two|three|four) dozen|[2-9]\d|\d{3}|twenty|thirty|forty|fifty|sixty|eighty)(?: \p{L}+)*$/iu;
/** "That does about ten, enough for the four of us": pieces, for people are told beside them. */
const THAT_DOES = /^(?:that|this) does (?:about |around )?\S+$/i;
const FEEDS_BESIDE = /\b(?:enough|plenty) for\b|\b(?:feeds|serves|of us|people)\b/i;

/** Pieces, as they are called. */
const PIECES = anyWord(
  'pcs|ct|uds|unidades|stk|pièces?|squares?|dosas?|cones?|balls?|scones?|waffles?|pancakes?|cakes?|cr[eê]pes?|pieces?|rounds?|blinis?|galettes?|gaufres?|gofres?|tortitas?|filloas?|stück|waffeln?|pfannkuchen|palatschinken|eierkuchen|panqueques?|hotcakes?|fritters?|pikelets?|crumpets?|piezas?|slices?|wedges?|patt(?:y|ies)',
);
/** Counts without a word for a piece, in the order that they are looked for; fewer than the least are none. */
const COUNTS_ALONE: readonly { readonly is: RegExp; readonly least: number }[] = [
  // "for about 20 crepes I use", "Für 12 Waffeln brauche ich", "what you need for 12 waffles"
  {
    is: new RegExp(
      String.raw`(?<=^|[.!\n]\s*|\bneed )(?:for|für|pour(?= (?:environ )?\S+ (?:crêpes|galettes|gaufres|blinis|pancakes,? (?:il|je|on)))|para) (?:about |around |etwa |ca\.? |environ |unas? |unos )?([\w-]+) (?:(?!cm|mm|inch)\p{L}+ )?${PIECES.source}(?=,? (?:i|we|you|it|nehme|brauch\p{L}*|man|il|je|on|necesit\p{L}*|uso)(?!\p{L})|\s*[.:]?\s*(?:\n|$))`,
      'giu',
    ),
    least: 2,
  },
  // "60 ml each -> ~10 pcs", "65 g/pc → 9 pc"
  { is: /(?:[-=]>|→|⇒|=)\s*(?:~|ca\.?|about)?\s*(\d+)(?=\s*(?:pcs?|pieces?|stk|stück|pz|uds?)\b)/giu, least: 1 },
  { is: /\bhow many\b[^?]*\?\s*(?:about |around )?([\w-]+)/giu, least: 2 },
  // "I got nine", "you'll have fifty if you're careful"
  {
    is: /(?<=^|[.!\n;]\s*)(?:and )?(?:you|i|we)(?:[’']ll| will| should| always| usually)? (?:have|get|got|had) (?:about |around |roughly )?([\w-]+)(?= (?:if|when|or so|by|last|this|today|out of|from|of (?:them|it)|in the end)\b|[.!;\n]|$)/giu,
    least: 2,
  },
  // "divide between 12 muffin tins", "16 pieces of 60 ml"
  {
    is: /\b(?:divide|share|split|pour|spoon|ladle)\b[^.;\n]{0,30}?\b(?:between|among|amongst|into) (?:the |an? )?([\w-]+)(?:-(?:hole|cup|well))? (?:(?:greased|buttered|oiled|large|small|deep|muffin|popover|pudding|bun|paper|metal|hot)\s)*(?:tins?|cups|wells|holes|moulds|molds|ramekins|rings|cases)\b/giu,
    least: 2,
  },
  {
    is: /(?<=^|[.!\n,;]\s*)([\w-]+) (?:pieces|portions|cakes|pancakes|crepes|waffles) (?:of|at) (?:about )?\d{2,3} ?(?:ml|g)\b/giu,
    least: 2,
  },
  { is: /(?<=^|[.!\n]\s*)(?:gets|got) (?:about )?([\w-]+)(?=[.!\n]|$)/giu, least: 2 },
  // "Forty, and nobody had seconds", last of all
  { is: /(?<=[.!?]\s+)(\p{L}{3,}(?:-\p{L}+)?)(?=, and\b[^.!?]*[.!]?\s*$)/gu, least: 4 },
  // "Eleven.", "~11": a sentence that is a number
  {
    is: /(?<=[.!?]\s+)(?:about |around |maybe )?(\p{L}{3,}(?:-\p{L}+)?)(?: odd| or so|ish)?(?=[.!]|$|, \S+ (?:each|apiece|a head))/gu,
    least: 4,
  },
  { is: /(?<=[.!?;]\s)~? ?(\d{1,3})(?=(?:ish| or so)?\.?$|(?:ish| or so)\.\s)/gu, least: 4 },
  // "Ten hoppers.", last of all: of whatever name
  {
    is: /(?<=^|[.!]\s+|\n\s*)(?:about |around |roughly )?(?!\S+ (?:lit(?:re|er)s|grams|cups|kilos|ounces|pints|millilit(?:re|er)s)\b)(\S+ (?:(?:or|to) \S+|(?:\S+ )?\p{L}{3,}(?:s|en)))\.?\s*$/giu,
    least: 1,
  },
];
/** That so many are made of it. */
const MADE = anyWord(
  String.raw`makes?|making|yields?|gives|(?:gonna|going to|will|[’']ll) give (?:you|me|us)|comes to|should come to|(?:that|this|it) does (?:me|us|you)|that[’']ll (?:be|make)|it does|count(?:[’']s| is)|ends? up (?:with|as)|should (?:get|have|give)(?: you)?|(?:i )?(?:reckon|count) on|(?:shape|form|roll|divide|pat)(?: (?:it|them|this|the (?:mix(?:ture)?|dough|mash)))? in(?:to)?|cut (?:it|this) in(?:to)?|da para|reicht für(?= \S+ (?:waffeln|stück|pfannkuchen|crêpes|blinis))|alcanza para(?= \S+ (?:gofres|tortitas|crepes|piezas))|(?:you|i|we)(?:[’']ll|[’']d| will| should| can)?(?: usually| always| generally)? get|(?:he|she) gets|comes? (?:out )?of|c[ao]mes? out|out comes?|that makes|i make it|you[’']ll have(?= \S+(?:$| (?:if|or|by)\b))|(?:i|we|you) (?:got|had)(?= \S+(?:$| (?:out of|from|of (?:them|it))\b))|cut(?= \d)|cuts? in(?:to)?|divides? in(?:to)?|ergibt|ergeben|gibt|rinde|me salen|salen|sale|donne|ça fait|cela fait|on en fait|j[’']en fais|out of (?:that|it|this)|from (?:that|it|this)(?: comes?| you get| we get| i get)?`,
);
/** "Twelve or so": a number of what the card makes, and nothing else. */
const SO_MANY =
  /\b(?:or so|or thereabouts|give or take|more or less|in all$|of them|i[’']d (?:think|say|guess))\b|^\d{1,3} environ$|(?:^|\bwe (?:want|need) )\S+ (?:of (?:the|these|those) )?(?:small|little|large|big|thin|good) ones$|^(?:an?|half a|one|two|three) dozen$|^\S+ (?:small|little|large|big|good)$|^\S+ (?:of|at) \d{1,2} ?(?:cm|in(?:ch(?:es)?)?)\b/iu;
/** "About twelve.", where the sentence speaks of no measure. */
const ABOUT_SO_MANY =
  /^(?:about|around|roughly|some|environ|unas?|unos|etwa|ca\.?) \S+(?: (?:small|little|large|big|thin|good) ones| ones)?$|^(?:so )?that(?:[’']s| was) (?:about |around )?\S+(?: (?:this|last) (?:week|time))?$|^(?:so|(?:you|we|i) want) \S+$/iu;
const MEASURES =
  /\b(?:mugs?|eggs?|bananas?|cm|centimet(?:re|er)s?|inch(?:es)?|across|saucer|ladle|scoop|dipper|disher|cup|ml|degrees|iron|griddle|oven|rack|pans?|skillets?|hot|heat(?:ed)?|surface|temperature)\b/i;
/** Words that stand with people, and are not said of them alone. */
const FED = anyWord('does|do|for|für|para|pour|children');
const PEOPLE = anyWord(
  "serves?|feeds?|eats?|servings?|people|ppl|children|persons?|guests?|of us|eaters?|adults?|kids|juniors|mouths?|covers?|pers|personen|personas|personnes|raciones|porciones|comensales|convives|sirven?(?: para)?|(?:ça|cela) sert|portions?|portionen|parts|that[’']ll do|this does|(?:enough|plenty|good|nice|right|breakfast|brunch) for|reicht für|alcanza para|(?:family|crowd|table|party) of",
);
/** Words that may stand around a count, and say nothing more. */
const AROUND =
  /(?<!\p{L})(?:about|around|roughly|some|approx\w*|or|so|thereabouts|give|take|more|less|in|all|of|it|them|these|this|that|s|the|a|an|small|mini|little|tiny|sized|petites?|petits?|grandes?|grosses?|belles?|kleine|große|pequeñas?|big|large|medium|thin|thick|good|nice|hungry|greedy|you|get|i|we|me|us|ll|re|there|were|was|are|want|need|is|as|starters?|mains?|snacks?|desserts?|will|should|can|be|batch|recipe|batter|up|to|just|unas?|unos|etwa|ca|circa|environ|reicht|alcanza|salen|menge|quantité|cantidad|zutaten|ingr[eé]dients?|ingredientes|de|des|d|ein|eine|einem|mit|with|here|last|time|week|today|usually|normally|lot|expect|reckon|think|guess|say|each|apiece|ones?|enough|which|for|from|out|pour|für|para|family|crowd|table|party|serve|at|once|ich|wir|macht|bekommen?|heraus|werden|wird|wurden|es|das|on|obtient|fait|faire|j|en|tire|quoi|hacen?|ergibt|rinde)(?!\p{L})/giu;
/** Numbers that are words for a heap of things. */
const HEAPS: readonly (readonly [RegExp, number])[] = [
  [/\bhalf a dozen\b/i, 6],
  [/\ba baker[’']s dozen\b/i, 13],
  [/\b(?:a|one|une|una|ein) (?:good )?(?:dozen|douzaine|docena|dutzend)\b/i, 12],
  [/\bune quinzaine\b/i, 15],
  [/\b(?:une dizaine|una decena)\b/i, 10],
  [/\b(?:une vingtaine|una veintena)\b/i, 20],
  [/\bune trentaine\b/i, 30],
];
const MOST_COUNT = 10_000;
const A_NUMBER =
  /(?<![\p{L}\d.,/])(?:\d|(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|zwei|drei|vier|sechs|acht|zehn|deux|trois|quatre|dos|tres|cuatro)\b)/iu;
/** "Two minutes a side makes eight": the yield, at the end of much that no sign parts. */
const RUNS_ON_TO = /(?<=^.{60,})\s(?:makes|serves|feeds) (?:about )?\S+[.!]?$/i;
/** Parts of a sentence; what stands behind a colon is apart where a number stands before it: "for four: 200 g flour". */
const partsOf = (sentence: string): readonly string[] => {
  // dictated in one breath
  const last = /[,;:]/.test(sentence) ? null : RUNS_ON_TO.exec(sentence);
  if (last) return [sentence.slice(0, last.index), last[0].trim()];
  const [head = '', ...more] = sentence.split(/:\s+/);
  const parted = A_NUMBER.test(inFigures(head)) ? [head, more.join(': ')] : [[head, ...more].join(': ')];
  return parted.flatMap((p) =>
    p.split(
      /\s*[,;()]\s*(?!\s*(?:\d{3}\b|give or take|more or less|or so|i[’']d))|\?\s+|\s+[–—·/]\s+|\s+and (?=(?:it|that|this) (?:makes|gives|does|comes)|that[’']s (?:breakfast|brunch|enough|plenty)|\S+ (?:children|people|guests|adults|kids)\b)/,
    ),
  );
};

/** The number that a text tells, and what stands before and behind it. @param most of a range, its end */
function countIn(
  text: string,
  most: boolean,
): { readonly count: number; readonly before: string; readonly after: string } | null {
  const heap = HEAPS.find(([re]) => re.test(text));
  const said = heap?.[0].exec(text);
  if (heap && said)
    return { count: heap[1], before: text.slice(0, said.index), after: text.slice(said.index + said[0].length) };
  // figures are as long as the words they stand for
  const figures = inFigures(text);
  const at = figures.search(A_NUMBER);
  const n = at < 0 ? null : readNumber(figures.slice(at));
  if (!n) return null;
  // "2 dozen"
  const dozen = /^\s*doz(?:en\b|\b\.?)/i.exec(figures.slice(at + n.length))?.[0] ?? '';
  const per = dozen === '' ? 1 : 12;
  const low = per * n.low.valueOf();
  const high = n.high ? per * n.high.valueOf() : low;
  const count = most ? high : Math.round((low + high) / 2);
  return { count, before: text.slice(0, at), after: figures.slice(at + n.length + dozen.length) };
}

/** What so many of are neither pieces nor people. */
const OTHERWISE =
  /^\s*["”″]|^\s*-?\s*(?:cups?|g(?:rams)?|kilos?|mil|[mcd]?l|litres?|kg|oz|(?:table|tea|dessert)?spoons?|tbsp|tsp|(?:ess|tee)löffel|[et]l|cuill\p{L}+|c\.|cucharad\p{L}+|batter|cm|mm|inch(?:es)?|min(?:ute)?s?|hours?|more|turns?|(?:\p{L}+ )?(?:on |in )?at (?:once|a time)|(?:on|in) (?:the|this|my|a|one) (?:griddle|pan|plate|go)|on)(?!\p{L})/iu;

/** "Makes 4 servings": people, though they are made. */
const SERVINGS =
  /^\s*(?:servings?|portions?|people|persons?|guests?|covers?|personen|personnes|personas|convives|portionen|porciones|raciones)\b/i;
const MAKES_SERVINGS =
  /\b(?:makes?|yields?|gives)\s*:?\s+(?:about )?(\S+)(?: (?:to|or|-) \S+)? (?:serving|portion)s\b/i;

/**
 * A count that a part of a sentence tells: right behind a word for it ("makes about 12"), whatever follows; or where
 * every other word is one of what is counted, or says nothing.
 */
function countTold(
  { text: all, asSaid }: InFigures,
  tells: (text: string, sentence: string) => boolean,
  counted: readonly [RegExp, RegExp],
  most = false,
): { readonly count: number; readonly text: string } | null {
  const left = (rest: string): string =>
    counted
      .reduce((t, re) => t.replace(new RegExp(re.source, 'giu'), ' '), rest)
      // how wide they are is told beside it
      .replace(/\S+[- ](?:inch|cm|centimet(?:re|er)s?)\b/gi, ' ')
      // and whom they are for
      .replace(most ? /^$/ : /\bfor \S+(?: people| persons| guests)?\s*$/i, ' ')
      .replace(AROUND, ' ')
      .replace(/[^\p{L}\d]/gu, '');
  const behind = new RegExp(
    `${counted[1].source}\\W*(?:(?:about|around|some|up to|the|a|me|us|etwa|ca|environ|unas?|unos)\\W+)*$`,
    'iu',
  );
  // one piece is the portion's: "a ladle makes one"
  const least = most ? 1 : 2;
  for (const sentence of all.split(SENTENCE))
    for (const part of partsOf(sentence)) {
      const text = part.replace(/[.!?]+$/, '').trim();
      const told = tells(text, sentence) ? countIn(text, most) : null;
      if (!told || told.count < least || told.count > MOST_COUNT || OTHERWISE.test(told.after)) continue;
      // "serve two butter pats on each": an order, and nobody is counted
      const isOrder = /\bserve\W*$/i.test(told.before) && /^\s*\p{L}/u.test(told.after);
      const direct = behind.test(told.before) && !isOrder && !(most ? PIECES : SERVINGS).test(told.after);
      const at = all.indexOf(text);
      if (direct || left(`${told.before} ${told.after}`) === '')
        return { count: told.count, text: at < 0 ? text : asSaid(at, at + text.length) };
    }
  return null;
}

/** "Your uncle eats five of them": so many pieces, and nobody is counted. */
const EATEN = /\b(?:eats?|ate|eaten)\b[^,;.]*\b(?:of (?:them|these|those|it)|cakes?|pancakes?|waffles?)\b/i;

/** "Serve two each": on a plate. */
const SERVED_EACH = /\bserved? (?:about )?\S+ (?:each|apiece|(?:per|a) (?:person|head|guest))\b/i;

/** "Portion: 2 each", "per person: 2": what one has. */
const OF_ONE = /^(?:portion|serving(?: size)?|each|per (?:person|head|guest|portion|serving|plate))\b/i;

/** "Dutch baby for two, four eggs": what it is and for whom, before anything is measured. */
const DISH_FOR =
  /^(?!.*\b(?:room|cook|fry|bake|leave|rest|beat|whisk|hold|wait|stand|sit|chill|blend|mix|stir|boil|simmer|keep|give|steep|soak|heat|close|shut|flip|turn|press|cover|let|put|pour|grill|toast|wipe|grease|the|it|them)\b)[^,.:;\d]{3,40}\bfor (\d{1,2}|two|three|four|five|six|eight|ten|twelve)(?=[,.:;](?!\d))/iu;

/** "Serves 4", "two each for two people": for how many it is meant. */
export function servingClaim(
  notes: string,
  said = spokenInFigures(notes),
): { readonly people: number; readonly text: string } | null {
  const counted =
    /(?<!\p{L})(?:for|pour|für|para) (\S+(?: (?:to|or|à|a|o|bis|oder|-|–) \d+)?) (?:(?:hungry|greedy|small|big) )?(?:people|persons|personnes|personen|personas|leute|gäste)(?!\p{L})/iu.exec(
      notes,
    );
  const many = counted && readNumber(inFigures(counted[1] ?? ''));
  const isOfShare =
    counted && /\b(?:halve|half|double|triple|scale|third)\b[^.;\n]*$/i.test(notes.slice(0, counted.index));
  if (counted && many && !isOfShare) return { people: (many.high ?? many.low).valueOf(), text: counted[0] };
  const dish = DISH_FOR.exec(notes);
  const eaters = dish && readNumber(inFigures(dish[1] ?? ''));
  if (dish && eaters) return { people: eaters.low.valueOf(), text: dish[0] };
  const group = /\bfor (?:the )?(\S+(?: (?:to|or) \S+)?) of us\b|\b(?:party|table|family|crowd) of (\S+)/i.exec(notes);
  const heads = group && readNumber(inFigures(group[1] ?? group[2] ?? ''));
  if (group && heads) return { people: (heads.high ?? heads.low).valueOf(), text: group[0] };
  const made = MAKES_SERVINGS.exec(notes);
  const served = made && readNumber(inFigures(made[1] ?? ''));
  if (made && served) return { people: (served.high ?? served.low).valueOf(), text: made[0] };
  const each = EACH_FOR.exec(notes);
  const fed = each && readNumber(each[2] ?? '');
  if (each && fed) return { people: fed.low.valueOf(), text: each[0] };
  const told = countTold(
    said,
    (text, sentence) =>
      (PEOPLE.test(text) && !EATEN.test(text) && !SERVED_EACH.test(text) && !OF_ONE.test(text)) ||
      (DOES_ALONE.test(text) && yieldClaim(notes, said)?.text !== text && !APIECE.test(sentence)) ||
      // "does six, two apiece": pieces
      (!/^does\b.*\b(?:apiece|each)\b/i.test(sentence) &&
        /^(?:(?:it[’']s |that[’']s |this is )?for|für|pour|para|feeds|does(?= (?:about )?(?:the )?\S+ \S)) (?:about )?(?:the )?\S+(?: (?:or|to|bis|oder|à|ou|a|o) \S+)?(?: as (?:an? )?(?:starters?|mains?|snacks?|light \w+|sides?|desserts?|pudding))?$|^(?:that|this|it) does (?:the )?\S+ of (?:them|us)$/i.test(
          text,
        )),
    [FED, PEOPLE],
    true,
  );
  return told && { people: told.count, text: told.text };
}

/** Shorter than this it is a remark and no method. */
const LEAST_METHOD_CHARS = 40;

/** The method text of a card's notes, without its yield line; null when there is none to speak of. */
export function methodOf(notes: string): string | null {
  const text = notes
    .split('\n')
    .filter((row) => !/^\s*(?:makes?|serves?|yields?)\b/i.test(row))
    .join('\n')
    .trim();
  return text.length >= LEAST_METHOD_CHARS ? text : null;
}

const singular = (w: string): string => w.replace(/ies$/, 'y').replace(/(?<=[^s])s$/, '');

/** Every word of a text, in lower case and the singular. */
export function wordsOf(text: string): ReadonlySet<string> {
  // "butter the pan", "oil the griddle", "cream together": verbs name nothing
  const t = text
    .toLowerCase()
    .replace(/\b(?:butter|oil|flour|sugar)\s+(?=(?:the|a|your)\b)/g, ' ')
    .replace(/\bcream(?:y|ed|ing)?\s+(?=(?:the|together|until)\b)/g, ' ');
  return new Set((t.match(/[a-z]+/g) ?? []).flatMap((w) => [w, singular(w)]));
}

/** The things of the pantry that a text names, as singular nouns; only nouns that mean one thing in a kitchen. */
export function namesIn(text: string): ReadonlySet<string> {
  const words = wordsOf(text);
  return new Set([...kitchenNouns()].filter((n) => words.has(n)));
}
