/**
 * What a cook puts on the surface before a piece, and how. A clause tells it where it names a fat and means the surface
 * by it: by the surface's name, a verb of greasing or frying, or as a few words of their own among those of the heat.
 */
import { type Clause, FRIES_OTHER, type ToldFact } from './clause';
import { AT_THE_HEAT, anyWord, DIALLED, GREASES, HOT_HEAT, LITTLE, SURFACE } from './words';

const LITTLE_OF = new RegExp(LITTLE, 'giu');

/** Fats as they are called, with the ingredient; the longer names first. */
const FATS: readonly (readonly [id: string, names: string])[] = [
  ['butter-clarified', 'clarified butter|ghee|butterschmalz|beurre clarifié|mantequilla clarificada'],
  ['lard', 'lard|pork fat|schweineschmalz|schmalz|saindoux|manteca de cerdo'],
  ['tallow', 'suet|(?:bacon |beef |pan )?drippings?|bacon (?:fat|grease|rind)|beef fat|tallow'],
  ['margarine', 'margarine'],
  ['oil-olive', "olive oil|olivenöl|huile d[’']olive|aceite de oliva"],
  ['oil-coconut', 'coconut (?:oil|fat)|kokosöl|aceite de coco'],
  ['butter-unsalted', 'butter|beurre|mantequilla|manteca'],
  ['oil-vegetable', '(?:non-?stick |cooking |oil )?spray|oil|öl|huile|aceite'],
];
const FAT = anyWord(FATS.map(([, names]) => names).join('|'));
const EVERY_FAT = new RegExp(FAT, 'giu');
/** Each fat, or surface's state, with the pattern of one of its names alone. */
const namesAlone = (of: readonly (readonly [id: string, words: string])[]): readonly (readonly [string, RegExp])[] =>
  of.map(([id, words]) => [id, new RegExp(`^(?:${words})$`, 'iu')] as const);
const FAT_ALONE = namesAlone(FATS);
/** Words that say that a surface has fat on it, or is given some; without a fat's name it is any. */
const GREASED: readonly (readonly [id: string, words: string])[] = [
  [
    'butter-unsalted',
    String.raw`(?:re-)?buttered|buttery|beurr(?:ée?s?|e[rz])|(?:ge)?butter[nt]\p{L}*|enmantecad[ao]s?|enmantequillad[ao]s?`,
  ],
  [
    'oil-vegetable',
    String.raw`(?:re-)?oiled|oily|huil(?:ée?s?|e[rz])|(?:ein|ge)öl(?:en|t\p{L}*)|aceitad[ao]s?|sprayed`,
  ],
  ['lard', 'larded'],
  [
    'any',
    String.raw`(?:re-)?greased|graiss(?:ée?s?|e[rz])|(?:ein|be|ge)fett(?:en|et\p{L}*)|engras(?:ad[ao]s?|ar(?:la|lo)?)`,
  ],
];
const GREASED_BY = new RegExp(anyWord(GREASED.map(([, words]) => words).join('|')), 'giu');
const GREASED_ALONE = namesAlone(GREASED);
/** "Butter the pan", "oil it": the fat is the verb. */
const VERB =
  /(?:^|\b(?:and|then|lightly|generously|again|to|i|we|you|he|she)\s+)(butter|oil|lard|grease|spray|film)(?:s|ed)?\s+(?:(?:lightly|well)\s+)?(?:the|a|an|your|my|each|every|both|it|them|between|skillet|pan|griddle|(?:waffle )?iron)\b/i;
/** "Oil very lightly": of the surface, which was just named. */
const VERB_ALONE =
  /^(?:then |and )?(?:re-?)?(butter|oil|grease|spray)(?: (?:only|for|the|first|one|every|each|other|second|third|few|load|batch|griddleful|panful|very|lightly|well|sparingly|thinly|again|generously|once|between batches))+$/i;
/** "Drop in the butter": into what is hot. */
const PUTS = /\b(?:drop|add|put|tip|throw|slide|melt) (?:in |on )?(?:the |a |some )?/i;
/** Words of a batter that is being made. */
const MIXES = /\b(?:bowl|dough|flour|eggs?|milk|sugar|whisk|stir|mix|beat|blend|fold)\b/i;
/** What is buttered at the table, or goes into a bowl, is no surface. */
const NO_SURFACE =
  /\b(?:batter(?! sticks)|bowl|dough|eggs?|egg whites?|milk|flour|sugar|honey|sauce ?pan|teig|schüssel|pâte|farine|masa|harina|no (?:oil|butter|fat|grease)|(?:butter|oil) (?:knife|dish|flavou?r)|sticks|dot(?:ted)? (?:it |them |the \w+ )?with|serve|served|top(?:ped)? with|the top|the tops|toast|syrup|jam|on top|table)\b/i;
const FRIES =
  /\b(?:shallow[- ]?fry|pan[- ]?fry|fry|fried|frying|cook|cooked|brown|bake|sizzle|crisp|ausbacken|braten|backen|cuire|cuisez|dorer|poêler|frire|freír|cocinar|dorar)\b/i;
const IN = /\b(?:in|with|en|con|dans|au|avec|mit|von|de|over)\b/i;
const FOR_IT =
  /\bfor (?:the |my |your )?(?:pan|griddle|skillet|iron|frying|first)\b|\bzum (?:braten|ausbacken|einfetten)\b|\bpour la (?:poêle|cuisson)\b|\bpara (?:la sartén|freír|engrasar)\b/i;
/** Words that may stand around a fat that is told in a few words of their own. */
const BESIDE =
  /(?<!\p{L})(?:i|use|goes|half|rest|remaining|panful|batch|griddleful|a|an|the|some|just|only|then|and|of|good|small|generous|wiped|con|avec|mit|thin|light|lightly|barely|thinly|very|well|leicht|légèrement|ligeramente|apenas|unas|unos|à|peine|d|l|quick|big|tiny|plenty|lots|enough|hot|warm|melted|soft|foaming|unsalted|salted|neutral|vegetable|sunflower|rapeseed|once|each|every|time|first|between|batches|again|it|one|two|un|une|peu|du|put|puts|few|fat|mm|la|le|les|sie|de|poco|etwas|wenig|ein|eine|in|with|needed|as|does|is|will|do|g|tbsp|tsp|teaspoons?|tablespoons?|spoonful|\d+|none|after|per|for|to|cup|hollow|hole|pan|piece|crepe|cake|pancake|waffle)(?!\p{L})/giu;

const HOW: readonly (readonly [RegExp, string])[] = [
  [/\bspray/i, 'sprayed'],
  [/\b(?:wipe|wiped|rub|rubbed|cloth|rag|paper|dipped|frott\p{L}+|wisch\p{L}+)\b/iu, 'wiped'],
  [/\b(?:brush|brushed|(?:be|ein|aus)?pinsel\p{L}*)\b/iu, 'brushed'],
  [/\bplenty of\b|\b(?:deep|shallow)[- ]?fr(?:y|ied|ying)\b/i, 'plenty of'],
  [/\b(?:lightly|thinly|barely) (?:oiled|buttered|greased)\b/i, 'lightly'],
];
/** "2 tbsp", "3 mm of": so much of it. */
const SO_MUCH =
  /\b(\d[\d/. ]*\s*(?:g|tbsp|tsp|mm|tablespoons?|teaspoons?)(?: of)?(?!\s*(?:each|apiece|per\b))|\d[\d/.]* ?cm of|(?:half )?(?:an?|one|two|three) (?:tea|table|dessert)spoons?(?:ful)? of(?! (?:the )?batter))\b/i;

const NO_FAT =
  /(?<!\b(?:looks?|are|is|edges?|turns?|goes?|the|your) )\b(?:dry(?! (?:bowl|ingredients|things|part|flour|mix|goods))|sin (?:aceite|grasa)|sans (?:matière grasse|huile)|ohne (?:fett|öl)|ungreased|unoiled|unbuttered|no fat|without (?:any )?fat|no (?:oil|butter|grease) (?:on|in))\b/i;
/** Words by which no fat is meant for the surface, though the clause names none. */
const NO_FAT_ALONE =
  /^(?:(?:cuire |cuisez |à cuire )?sans (?:matière grasse|graisse|huile)|(?:cocinar |cocer |hacer )?sin (?:aceite|grasa)|ohne (?:fett|öl)(?: (?:aus)?backen| braten)?|kein(?:e|en)? (?:fett|öl|butter) in die pfanne|(?:and |so )?no (?:grease|greasing|oil|butter|fat)(?: at all)?(?: on mine| (?:is )?(?:needed|required|necessary))?|(?:.* so )?nothing (?:in|on) (?:it|the pan)|without (?:any )?(?:fat|oil|butter)|dry[- ]fr(?:y|ied)(?: them| it)?)$|\bthe (?:pan|griddle|skillet|iron) needs none\b|\b(?:wants|needs|takes|gets) no (?:oil|butter|fat|grease)\b|\bno fat (?:is )?(?:needed|required|necessary)\b/i;
const NO_FAT_OF_SENTENCE =
  /^(?:no fat|dry|ungreased|unoiled|unbuttered)$|\bno (?:oil|butter|fat|grease) (?:on|in) (?:it|the)\b/i;
const NEVER_GREASED =
  /(?:^|\b(?:i|we) )(?:(?:d(?:o|id)(?:n[’']t| not)|never)|no need to) (?:grease|oil|butter) (?:it|them|(?:an?|the) (?:[\w-]+ )?(?:pan|iron|griddle|skillet))s?\b/i;
const isDry = ({ text, sentence }: Clause): boolean =>
  (NO_FAT.test(text) && SURFACE.test(text)) ||
  NO_FAT_ALONE.test(text) ||
  (NO_FAT_OF_SENTENCE.test(text) && SURFACE.test(sentence));

const idOf = (said: string, of: typeof FAT_ALONE): string | null => of.find(([, name]) => name.test(said))?.[0] ?? null;
/** The fat that a text names, butter before the oil that is with it. */
const fatNamed = (text: string): string | null => {
  const all = [...text.matchAll(EVERY_FAT)].map((m) => m[0]);
  return all.find((w) => idOf(w, FAT_ALONE) !== 'oil-vegetable') ?? all[0] ?? null;
};
/** "In heißem Öl ausbacken", "fry in a little lard". */
const FRIED_IN = new RegExp(String.raw`${IN.source}\s+(?:[\p{L}\d]+\s+){0,4}?${FAT.source}`, 'iu');

/** The fat of "butter the pan", "grease it with lard"; undefined where no fat is the verb. */
function fatOfVerb(text: string): string | null | undefined {
  const verb = (VERB.exec(text) ?? VERB_ALONE.exec(text))?.[1]?.toLowerCase();
  if (!verb) return undefined;
  const named = fatNamed(text.slice(text.toLowerCase().indexOf(verb) + verb.length));
  if (named) return idOf(named, FAT_ALONE);
  return verb === 'film' || verb === 'grease' ? 'any' : idOf(verb, FAT_ALONE);
}

/** "The first one gets oil". */
const GETS = /\b(?:first|each|every)(?: \w+)? (?:gets|has|takes)\b/i;

/** "Wet: 260 g oat drink, 20 g maple syrup, 15 g rapeseed oil": amounts in a row are what goes into the bowl. */
const isListed = (sentence: string): boolean =>
  (sentence.match(/\d\s*(?:g|ml|kg|dl|cl|l|oz|tbsp|tsp|cups?|tablespoons?|teaspoons?)\b/gi) ?? []).length >= 3;

/** The fat that a clause means for the surface; null: it names none, or means another thing by it. */
function fatIn({ text, sentence }: Clause): string | null {
  const fat = fatNamed(text);
  const mixes = MIXES.test(text);
  if (fat && FRIED_IN.test(text) && (FRIES.test(text) || (!mixes && DIALLED.test(text)))) return idOf(fat, FAT_ALONE);
  if (NO_SURFACE.test(text)) return null;
  const verb = fatOfVerb(text);
  if (verb !== undefined) return verb;
  const words = [...text.matchAll(GREASED_BY)].map((m) => m[0]);
  const greased = words.find((w) => idOf(w, GREASED_ALONE) !== 'any') ?? words[0];
  const on = SURFACE.test(text);
  const few = (rest: string): boolean =>
    rest
      .replace(LITTLE_OF, ' ')
      .replace(BESIDE, ' ')
      .replace(/[^\p{L}]/gu, '') === '';
  if (fat) {
    const id = idOf(fat, FAT_ALONE);
    if (on || greased || GETS.test(text) || GREASES.test(text) || FOR_IT.test(text) || CLOTH.test(text)) return id;
    // "drop in the butter, swirl, pour"; "bit of butter, wipe it round"
    const alone =
      few(text.replaceAll(fat, ' ')) || (PUTS.test(text) && /\b(?:hot|swirl|sizzles?|pour|oven|tin)\b/i.test(sentence));
    const whole = sentence.replace(/[.!]$/, '') === text && LITTLE.test(text);
    return alone &&
      !MIXES.test(sentence) &&
      !isListed(sentence) &&
      (whole || /\b(?:oven|tin)\b/i.test(sentence) || AT_THE_HEAT.test(sentence) || GREASES.test(sentence))
      ? id
      : null;
  }
  if (!greased) return null;
  return on || few(text.replace(greased, ' ')) || CLOTH.test(text) ? idOf(greased, GREASED_ALONE) : null;
}

/** What fat is rubbed on with. */
const CLOTH = anyWord('rag|cloth|paper|pad|felt|chiffon|papier|\\p{L}*tuch|papel|trapo|servilleta');

/** The fat that a clause names, where it is of no bowl and no table. */
export const fatNamedIn = ({ text }: Clause): string | null => {
  const isMeasured = /\d ?(?:g|ml|kg|cups?|grammes?|gramm|gramos)\b/i.test(text);
  const fat = isMeasured || NO_SURFACE.test(text) || MIXES.test(text) ? null : fatNamed(text);
  return fat === null ? null : idOf(fat, FAT_ALONE);
};

/** Whether a text is the name of a fat, and nothing more. */
export const isFatAlone = (text: string): boolean =>
  idOf(text.trim().replace(/^(?:(?:a (?:little|bit of)|some|good|my|the) )+/i, ''), FAT_ALONE) !== null;

/** "Coconut oil, not much": so little may stand behind it, characters. */
const MOST_BESIDE = 16;
/** "Coconut oil.": a fat and nothing else, among what is told of the heat. */
function fatAlone({ text, sentence }: Clause, beside: readonly (Clause | undefined)[]): string | null {
  const [, more = ''] = sentence.replace(/[.!]$/, '').split(text);
  if (
    !sentence.startsWith(text) ||
    (more.length > MOST_BESIDE && !LITTLE.test(sentence)) ||
    !beside.some((x) => x && HOT_HEAT.test(x.sentence))
  )
    return null;
  return idOf(text.replace(/^(?:i|we|he|she) uses? /i, ''), FAT_ALONE);
}

function howIn(text: string): string {
  const much = SO_MUCH.exec(text)?.[1]?.trim();
  return much ?? HOW.find(([re]) => re.test(text))?.[1] ?? (LITTLE.test(text) ? 'a little' : 'greased');
}

/** @param beside the clauses before and behind it */
export function panFatIn(c: Clause, beside: readonly (Clause | undefined)[]): readonly ToldFact[] {
  const { text, taken } = c;
  if (FRIES_OTHER.test(text)) return [];
  // "I don't grease them": the denial is what is done
  if (NEVER_GREASED.test(text) && !/\bif\b/i.test(text))
    return [{ fact: 'panFat', value: 'none', unit: null, of: 'dry', words: text, taken: 'told' }];
  if (isDry(c)) return [{ fact: 'panFat', value: 'none', unit: null, of: 'dry', words: text, taken }];
  const named = fatIn(c) ?? fatAlone(c, beside);
  if (named === null) return [];
  const id = named === 'butter-unsalted' && /\bbutter, clarified\b/i.test(c.sentence) ? 'butter-clarified' : named;
  const of = howIn(text);
  // greased, and nobody says with what
  return id === 'any'
    ? [{ fact: 'panFat', value: 'any', unit: null, of, words: text, taken: taken === 'told' ? 'asked' : taken }]
    : [{ fact: 'panFat', value: id, unit: null, of, words: text, taken }];
}
