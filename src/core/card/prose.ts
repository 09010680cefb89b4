/**
 * The ingredients that sentences tell: "Beat 2 eggs with 1 cup milk". What is done and where it goes are taken off,
 * what the
 * pan and the table take is theirs, and what is measured and not understood is asked about.
 */
import type { KitchenConventions } from '../pantry/conventions';
import type { Language } from '../pantry/tables/other-names';
import { asksWhich, COUNT_WORDS, itemsIn, measuredIn, PART_OF_EGGS } from './items';
import { type Line, readLine } from './line';
import { reworded } from './reworded';
import { clausesOf } from './told/clause';
import { MOST_SENTENCE_CHARS } from './told/words';

/** Minutes, degrees and widths at the start of a text: no food. */
export const CLOCK =
  /^(?:about\s+)?[\d.,½¼¾/ –-]+\s*(?:(?:to|or)\s+\d+\s*)?(?:min(?:ute)?s?|hours?|hrs?|h|seconds?|secs?|°|degrees?|cm\b|mm\b|inch(?:es)?\b)(?:\b|\s|$)/i;

/** What is done, before what it is done with. */
export const DOES =
  /^(?:in(?:to)?\s+(?:an?|the|another)\s[^,\d]{2,24},\s*)?(?:(?:then|next|now|first|finally|and|so|i|we|you|she|he|they|just|also)[,\s]+)*(?:(?:gently|slowly|gradually|carefully|quickly|lightly)\s+)?(?:make an? (?:well|hole)[^\d]*?\b(?:and|then)\s+)?(?:mix|whisk|combine|beat|melt|add|stir|blend|sift|sieve|fold|pour|put|place|take|rub|crack|tip|dissolve|weigh|measure|whip|work|cream|loosen|mash|soak|scald|crush|grate|toss|nimm|verrühre|mische|gib)(?:\s+(?:in|together|out|up))*\s+(?=\S)/i;
/** Where it goes and how far it is taken, behind it. */
const WHITHER =
  /(?:,?\s+\p{L}+ing)?\s+(?:(?:in|into|to|onto|over)\s+(?:an?|the|another|one|your|it|this|make|form|get|give|soft|stiff|firm|smooth)\b|until\b|till\b|together\b|well\b|with\s+an?\s+(?:whisk|fork|spoon|spatula)\b)[^\d½¼¾⅓⅔⅛]*$/iu;
/** "Cook spoonfuls in 15 g butter": what it is fried in. */
const FRIED_IN = /^(?:(?:then|now|finally)[,\s]+)*(?:cook|fry|bake|brown)\b[^\d½¼¾]*\s(?:in|with)\s+(.*\S)$/iu;
/**
 * "Melt 30 g butter in the pan, pour the batter in": the pan's too; melted there and no more is said, it is the
 * batter's.
 */
const IN_THE_PAN =
  /^(?:(?:then|now|meanwhile)[,\s]+)*(?:(?:melt|heat|warm|put)\s+)?(\S.*?)\s+in\s+(?:(?:an?|the|your)\s+)?(?:[a-z-]+\s+){0,2}(?:pan|skillet|griddle|iron|tin|dish)\b.*\b(?:batter|pour|fry|cook|bake|swirl|tilt|all of it in|in it goes|it all goes in)\b/i;
/** "Thirty grams of butter goes in the hot skillet". */
const IN_HOT_PAN =
  /^(\S[^,;]*?)\s+(?:goes?\s+)?in(?:to)?\s+(?:the|a|your|my)\s+hot\s+(?:\p{L}+\s+)?(?:pan|skillet|griddle|iron|dish|tin)\b/iu;
/** A food by weight, measure or count. */
export const A_MEASURE = new RegExp(
  String.raw`[\d½¼¾⅓⅔⅛][\d.,/½¼¾⅓⅔⅛ ]*(?:g|kg|ml|cl|dl|l|oz|lb|cups?|tbsps?|tsps?|tablespoons?|teaspoons?|sticks?|pints?|quarts?|litres?|liters?|grams?)(?![\p{L}])|(?:\d|\b(?:an?|${COUNT_WORDS}))\s+(?:(?:large|medium|small|whole)\s+)?(?:eggs?|eiern?|œufs?|oeufs?|huevos?|uova|eieren)\b|\b(?:an?|half|${COUNT_WORDS})\s[^,;]{0,12}?(?:cups?|spoons?|spoonfuls?|tablespoons?|teaspoons?|grams?|kilos?|litres?|liters?|pints?|quarts?|sticks?|ounces?|pounds?|pinch)\b|\b(?:quarter|third) (?:of a )?(?:cup|pint|litre|pound) of (?!batter|it\b|the\b)\p{L}|\b(?:une?|deux|trois|una?|dos|tres|ein(?:e[nmr]?)?|zwei|drei|un|due|tre|\d)\s(?:petite?\s|grande?\s)?(?:cuill[eè]res?\s[àa]\s(?:soupe|caf[eé]|th[eé])|cucharad(?:it)?as?|cucchiain?[oi]|ess ?löffel|teelöffel|pinc[eé]es?|pizcas?|prisen?|pizzico|tazas?|tasses?|verres?|vasos?)(?![\p{L}])|(?:\d|\b(?:two|three|four|five|six|eight))\s+(?:(?:large|egg|extra)\s+)?(?:whites|yolks)(?:\b(?!\s+(?:in|get|are|go)\b))|^(?:cup|stick|pint|quart|lit(?:re|er)|kilo|pound|mug|sachet|spoon|tablespoon|teaspoon|dessertspoon)\s+of\b|(?<![\d.,])(?:\d \d\/\d|\d\/\d|\d? ?[½¼¾⅓⅔⅛]|\d)\s?(?:c|t|tb|tbs|[et]l|cdt?as?)\.?(?=\s(?:of\s)?\p{L}{2})`,
  'iu',
);

/** "The yolks", "stir in the dry things": told before, and measured there. */
const TOLD_ALREADY =
  /^(?:egg\s+)?(?:whites?|yolks?)(?:\s+(?:get|are|go|is|being)\b|$)|^(?:(?:then|and)\s+)*(?:(?:stir|fold|mix|beat|whisk|pour|add)\s+(?:in|into|with|to)?\s*)?(?:it\b|them\b|all\b|together\b|the\s+(?:(?:egg\s+)?(?:yolks?|whites?)|eggs?|dry|wet|liquids?|mix(?:ture)?|batter|rest|remaining|flour)\b)/i;

/** A step without where it goes; "into two cups of milk" is more of it. */
function withoutWhither(step: string): string {
  const listed = step.replace(/\s+(?:in|into|to|onto|over|with)\s+(?=(.*))/gi, (all, then: string) =>
    A_MEASURE.exec(then.slice(0, 30))?.index === 0 ? ', ' : all,
  );
  const m = WHITHER.exec(listed);
  // more is measured there: "into the blender with a cup of milk"
  return m && !A_MEASURE.test(listed.slice(m.index)) ? listed.slice(0, m.index) : listed;
}

export const isMeasure = (x: string): boolean => A_MEASURE.test(x);
export const isClean = (l: Line): boolean => l.ingredient !== null && !l.findings.some((f) => OPEN_WORDS.has(f.code));
/** "The 60 ml scoop": what is measured with, and nothing that is. "About 50 ml each": poured. */
const POURED_BY =
  /^(?:verter|echar|verser|versez|vierte) (?:unos |environ )?\d+ ?(?:ml|cl)\b(?! (?:de |d[’'])(?!(?:la )?(?:pâte|masa)))|^(?:(?:i|we) use )?(?:the|my|a|an) (?:\S+ ?ml |(?:no\.?|number) ?\d+ |(?:quarter|third|half)[- ]cup )?(?:scoop|ladle|measure|disher)\b|^(?:about )?[^,;.\d]{1,22}(?:cups?|ladles?|ladlefuls?|scoops?) (?:in(?:to)?|on(?:to)?) the (?:middle|cent(?:re|er)|hot iron|iron|pan|griddle|skillet)\b|^(?:a |the |my )?(?:third|quarter|half|two[- ]thirds)[- ](?:of[- ])?(?:a[- ])?cup scoop\b|^(?:a |the )?(?:(?:big|small|full|good) )?ladle(?:ful)?\b(?! of (?!batter))|^(?:about |some )?(?:an? |one )?(?:third|quarter|half|two[- ]thirds) (?:of )?(?:an? )?cup(?=,\s[^,;]*\b(?:min(?:ute)?s?|sec(?:ond)?s?|sides?)\b)|^(?:dollops|blobs|spoonfuls|pools|puddles) of\b|^(?:about |some )?(?:[\d.,]+|(?:(?:[a-z]+(?:ty|teen)|(?:a )?hundred|one|two|five|and) ){1,4}) ?(?:ml|mils?|cl|g|grams?|oz) (?:portions?|(?:each|apiece)\b(?! of)|(?:per|an?) (?:piece|waffle|pancake|cake|crepe|galette)|for each)\b|^(?:about |some )?(?:[\d.,½¼]+ ?(?:ml|cl|dl)|(?:a |one )?(?:third|quarter|half|two[- ]thirds|three[- ]quarters) (?:of )?a cup|(?:an?|one|two|three|four|half|quarter|third|[\d½¼⅓]+)(?: an?| of a)?[ -](?:cups?|(?:table|tea|dessert)?spoon(?:ful)?s?)) (?:each|apiece|per|for each|a piece)\b/iu;
/** "Zwei Esslöffel Teig pro Waffel", "tres cucharadas cada una". */
const POURED_BY_ABROAD =
  /^(?:\S+ ){1,3}(?:teig|pâte|masa) (?:pro|je|für|par|pour|por|cada)(?!\p{L})|^(?:\S+ ){2,4}(?:cada un[ao]|pro (?:waffel|pfannkuchen|crêpe|stück)|par (?:crêpe|galette|gaufre|pièce)|por (?:tortita|crepa|pieza|panqueque))$/iu;
const OPEN_WORDS: ReadonlySet<string> = new Set(['not-understood', 'two-amounts']);
/** "1/4 cup of batter for each": poured, not put in. */
const OF_BATTER = /\b(?:batter|dough|mix(?:ture)?|pancakes?|waffles?|cakes?|crepes?)\b/i;
const OF_A_BATTER_ABROAD = /(?<!\p{L})(?:masa|pâte|appareil|teig)$/iu;
/** "A cup of pancake mix": bought or blended, and put in. */
const DRY_MIX = /\b(?:pancake|waffle|crepe|baking|bread|biscuit|muffin|cake|breakfast|dry|house|own|our) mix\b/gi;
const isOfBatter = (text: string): boolean => OF_BATTER.test(text.replace(DRY_MIX, ''));
/** What a sentence speaks of that begins so is no part of the batter: what is served, and what the pan takes. */
const AT_TABLE =
  /^(?:(?:then|now|finally|and|to|so|i|we|you|just)[,\s]+)*(?:serve|top|drizzle|dust|garnish|finish(?! (?:the|this|your) (?:batter|mix|dough))|eat|sprinkle|servir|servez|sirve|servid)\b|\bservieren$|^[^,;.]{2,40} (?:in|on) (?:some|a few|half|most) of (?:them|the (?:pancakes|waffles|cakes|crepes|pieces))\b|^(?!.*\b(?:siev|sift|jug|bowl|whisk|stir|mix))(?=.*\bon(?:to)? (?:each|top)\b)/i;
const AT_THE_HEAT =
  /^(?:(?:then|now|finally|and|so|i|we|you|just)[,\s]+)*(?:while )?(?:(?:the |my |an? )?(?:hot |warm |dry |well[- ]greased |waffle )?(?:irons?|griddle|pans?|skillets?|oven)\b|(?:(?:die|eine|in (?:die|der|einer)|la|une|dans (?:une|la)|una|(?:en|a) (?:la|una)) )?(?:[a-zäöüéß]+ )?(?:pfanne|poêle|sart[eé]n)(?!\p{L})|(?:in|into|on|onto) the (?:hot |warm |dry )*(?:pan|griddle|skillet|iron)\b(?=.*\b(?:butter|ghee|oil|lard|fat|dripping)\b)|each (?:hole|hollow|well)\b|cook|fry|bake|steam|grill|heat|grease|brush|spread|swirl|turn|flip)(?!\p{L})/iu;
const POURS =
  /^(?:(?:then|now|finally|and|so|i|we|you|just)[,\s]+)*(?:(?:in|on)?to the (?:hot |warm )?(?:iron|pan|griddle|skillet)|ladle|pour(?! (?:les?|la|des?|une?|nous)\b| l[’'])|scoop|spoon|drop|portion|use)\b/i;
/** "Whisk it, let it sit, and pour a quarter cup for each": nothing is measured but the portion. */
const POURS_LAST =
  /(?:,|\band|\bthen)\s+(?:(?:and|then|i|we|you)\s+)*(?:pour|ladle|scoop|spoon|drop|portion)\b[^.;]*\b(?:each|apiece|per (?:cake|piece|pancake|waffle|crepe)|a piece)\b/i;
/** What is done with a batter that is made. */
const AT_WORK =
  /\b(?:flip|turn (?:it|them|when)|swirled?|(?:pan|griddle|skillet|iron) (?:on |at )?(?:a )?(?:medium|low|high|hot)|fill (?:the )?(?:holes|hollows|wells))\b/i;
/** "Next day a splash of milk if it's gone thick": what may be done, and no amount of the card's. */
const THINNED_IF =
  /\b(?:splash|drop|bit|dash|drizzle|touch|little|some)\b[^.;\d]*\b(?:if|when|should) (?:it|the (?:batter|mix))\b[^.;]*\b(?:thick\w*|stiff\w*|heavy|tight|stodgy|set up)\b/i;
const MOST_THINNED_CHARS = 90;
/** No amount of a thing stands beside it. */
const isThinned = (said: string): boolean =>
  said.length < MOST_THINNED_CHARS &&
  THINNED_IF.test(said) &&
  !new RegExp(`\\d|\\b(?:${COUNT_WORDS})\\b`, 'i').test(said);
/** "If it's thick add 50 g of milk", "thin with another 100 ml of water if needed": kept back, with its amount. */
const TOO_THICK = String.raw`\b(?:if|when|where|should) (?:it|this|that|the (?:batter|mix(?:ture)?))\b[^.;,]{0,30}\b(?:thick\w*|stiff\w*|heavy|tight|stodgy|set up)\b`;
const THINNING = new RegExp(
  String.raw`(?:^|[,;]\s*|\b(?:and|but)\s+)(?:(?:(?:then|and|but|next day|the next day|in the morning|later),?\s+)*(?:thin|loosen|slacken|let (?:it|the batter) down)\b[^,;.]*\b(?:if|when|where|should)\b[^,;.]*|${TOO_THICK}[^.;,]*(?:,\s*[^.;,]*)?|(?:(?:then|you can|can)\s+)?(?:add|stir in|whisk in|beat in|up to)\b[^,;.]*${TOO_THICK}[^,;.]*)$`,
  'iu',
);
/** "It does about 250 at 60 ml": what comes of it. */
const YIELDS =
  /^(?:it|that|this|they|(?:an?|one|two|three|four|half an?|\d+) (?:cups?|pints?|mugs?|lit(?:re|er)s?|batch(?:es)?))\s+(?:does|makes?|gives?|yields?|comes? to|feeds?|serves?)\b/i;
/** "Tablespoon of oil in the pan on medium": on the heat, where nothing is melted for the bowl. */
const FAT_IN_A_PAN =
  /^(?!.*\b(?:melt|brown|warm)\w*\b)[^,;.]{3,40}\b(?:oil|butter|ghee|lard|fat) in(?:to)? (?:the|a|my|your) (?:hot |large |small |frying )?(?:pan|skillet)\b(?=\s*(?:on|over|at|[,.;]|$))/i;
/** "Flour to make a thin batter": no amount, and nothing goes without it. */
const ENOUGH = /\b(?:(?:enough )?(?:flour|milk|water)(?: enough)? (?:to make|for|to form) an?\s[^.,;]{3,40})/i;

const BATTER_IN = /\b(?:then |and |the )*batter (?:goes )?in\b/i;

/** Nobody has these on the plate. */
const NEVER_SERVED: ReadonlySet<string> = new Set(['leavening', 'flour', 'starch']);

const isNeverServed = (l: Line): boolean => NEVER_SERVED.has(l.ingredient?.category ?? '');
/** Nobody fries these: a sentence that measures them tells of the batter, whatever it begins with. */
const isNeverFried = (l: Line): boolean => isNeverServed(l) || l.ingredient?.category === 'egg';
/** On top of what is in the bowl, or of what is on the plate: what is laid there tells. */
const LAID_ON = /\bon top\b(?! of (?:each|the (?:stack|pile)|them))/i;

/** "flour, milk, eggs and a bit of salt": known things and no amounts; null where one of them is none. */
export function thingsNamed(
  bare: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly Line[] | null {
  const bits = bare.split(/\s*,\s*(?:and\s+)?|\s+and\s+/).filter((x) => x !== '');
  if (bits.length < 2 || bits.some((x) => x.split(' ').length > 6)) return null;
  const lines = bits.map((x) => readLine(x, house, {}, null, languages));
  return lines.every((l) => l.ingredient !== null && !l.findings.some((f) => OPEN_WORDS.has(f.code))) ? lines : null;
}

export function enoughIn(said: string, house: KitchenConventions): readonly Line[] {
  const enough = ENOUGH.exec(said)?.[0];
  return enough === undefined ? [] : [readLine(enough, house)].filter((l) => l.ingredient !== null);
}

/** "2 c. flour, 4 tsp. powder": a point behind a measure ends no sentence. */
export const MEASURE_POINT =
  /(?<=[\d½¼¾⅓⅔⅛]\s?)(c|t|tsp|tbsp?|tbs|tblsp|oz|lbs?|pts?|qts?|pkg|g|ml|cl|dl|l|kg)\.(?=\s+\p{Ll})/giu;

/** "2 c. à s. de sucre". */
const SPOON_ABROAD = /(?<!\p{L})(c)\.? ?à ?([sc])\.(?=\s)/giu;

/**
 * The ingredients a step tells with their amounts, where no list gives them; what is measured there and not understood
 * is asked about.
 * @param then the sentence that follows
 */
export function toldIn(
  text: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
  then = '',
): readonly Line[] {
  const read = (x: string): Line => readLine(x, house, {}, null, languages);
  const sentences = reworded(text.replace(MEASURE_POINT, '$1').replace(SPOON_ABROAD, '$1 à $2')).split(
    /(?<=[.!?;])\s+/,
  );
  return sentences.flatMap((sentence, n) => {
    const whole = sentence.replace(/^\s*(?:(?:step\s*)?\d{1,2}\s*[:.)](?!\d)\s*)/i, '').replace(/[.!?;]$/, '');
    const said = whole.replace(THINNING, '');
    if (
      said.length > MOST_SENTENCE_CHARS ||
      KEPT_FOR.test(said) ||
      YIELDS.test(said) ||
      POURED_BY.test(said) ||
      POURED_BY_ABROAD.test(said) ||
      isThinned(said)
    )
      return [];
    const keptBack = measuredIn(whole.slice(said.length), house, languages, isMeasure)
      .filter((m) => m.ingredient !== null)
      .map((m) => read(`${m.text.replace(/\b(?:more|another|extra)\s|\s(?:if|when)\b.*$/gi, '')} if needed`));
    if (said === '') return keptBack;
    const after = sentences[n + 1] ?? then;
    const fried = friedIn(said, after, read);
    if (fried) return [fried, ...keptBack];
    // "un cucharón de masa": of the batter
    const measured = measuredIn(said, house, languages, isMeasure).filter((m) => !OF_A_BATTER_ABROAD.test(m.text));
    // "three tablespoons of butter in, swirl, batter in"; "a tablespoon of oil in the pan on medium"
    const before =
      (BATTER_IN.test(said) || FAT_IN_A_PAN.test(said)) &&
      measured.length > 0 &&
      measured.every((m) => m.ingredient?.category === 'fat');
    // "then the dry goes right on top: two cups of flour": on the wet
    const atTable = AT_TABLE.test(said) && !(LAID_ON.test(said) && measured.some(isNeverServed));
    const atHeat =
      (AT_THE_HEAT.test(said) || WIPED_ROUND.test(said) || before) && measured.filter(isNeverFried).length < 2;
    const beside = atTable ? 'to serve' : atHeat ? 'for the pan' : null;
    if (beside !== null)
      return [
        ...measured.flatMap((m) => {
          // "a teaspoon of baking powder goes on top": on the flour
          if (beside === 'to serve' && isNeverServed(m)) return [m];
          const line = m.use === 'batter' ? read(`${m.text} ${beside}`) : m;
          return m.ingredient !== null && line.use !== 'batter' ? [line] : [];
        }),
        ...keptBack,
      ];
    // "pour half of it over an egg"
    const bare = withoutWhither(said.replace(DOES, '')).replace(
      /^(?:half|some|most|a little|the rest) of (?:it|that|this|them),\s+/i,
      '',
    );
    const more = enoughIn(said, house);
    const told = putIn(bare, house, languages) ?? measuredOrAsked({ said, bare, measured, more, read });
    return [...withMeasured(said, told, measured), ...keptBack];
  });
}

/** "Bit of butter, wipe it round": of the surface, though nobody names it. */
const WIPED_ROUND =
  /\b(?:butter|oil|ghee|lard|fat|dripping)\b[^.;\d]{0,14}\b(?:wiped?|swirl(?:ed)?|rub(?:bed)?|smear(?:ed)?|brush(?:ed)?)\b(?: it| that)?(?: round| around| over| off| out| about)?\s*$/i;

/** The fat that is fried in: "Melt 40 g butter in the pan. Pour in." @param after the sentence that follows */
function friedIn(said: string, after: string, read: (x: string) => Line): Line | null {
  const next = /^(?:pour|add the batter)\b/i.test(after) ? `${said}. ${after}` : said;
  const fat = (IN_THE_PAN.exec(next) ?? IN_HOT_PAN.exec(said) ?? FRIED_IN.exec(said))?.[1]?.replace(
    /(?:\s+(?:at|for|over|until)|,)\s.*$/i,
    '',
  );
  const fried = fat === undefined ? null : read(`${fat} for frying`);
  // warm milk in a pan is the batter's all the same
  const isKnob = fried?.findings.every((f) => f.code === 'vague-unit') ?? false;
  const isSure = fried !== null && (fried.status === 'read' || isKnob) && fried.written.length > 0;
  return isSure && fried.ingredient?.category === 'fat' ? fried : null;
}

/** More than a name stands before the amount, and a thing behind it: it tells what is done. */
const isAct = (bit: string): boolean => {
  const m = A_MEASURE.exec(bit);
  return (
    m !== null &&
    bit.slice(0, m.index).trim().split(/\s+/).length > 3 &&
    /\s\p{L}{3,}\s*$/u.test(bit.slice(m.index + m[0].length))
  );
};

/** "Salt with three quarters of a cup of cornmeal": two things, and no eggs with a yolk more. */
const isOfTwoThings = (l: Line): boolean =>
  / with /.test(l.text) && l.parts.length > 1 && l.parts.some((p) => p.ingredient.category !== 'egg');

/** Where a list parts; "two hundred and forty grams" is one number. */
const PARTED = new RegExp(`,\\s+|(?<!\\bhundred|\\bthousand)\\s+and\\s+|\\s+and\\s+(?!(?:${COUNT_WORDS})\\b)`, 'i');

/** A step whose seams part it wholly: "3 eggs, 125 ml milk and 60 g flour"; null where they don't. */
function putIn(
  bare: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly Line[] | null {
  const read = (x: string): Line => readLine(x, house, {}, null, languages);
  // "the yolks, 20 g sugar": what was told already is not told again
  const bits = (itemsIn(bare, house, languages) ?? bare.split(PARTED))
    // "yolks in with four hundred ml of milk": what the yolks go with
    .map((bit) => bit.replace(PART_OF_EGGS, ''))
    .filter((bit) => A_MEASURE.test(bit) || !TOLD_ALREADY.test(bit))
    // "140 g flour + 1 tsp baking powder folded in, then the whites"
    .flatMap((bit) => itemsIn(bit, house, languages) ?? [bit]);
  const apart = bits.map(read);
  // "whites get whipped with two spoons of sugar" is no item: its amount stands in the middle of what is done
  if (bits.some(isAct) || apart.some(isOfTwoThings)) return null;
  if (apart.every(isClean) && apart.some((l) => l.written.length > 0)) return apart;
  const parted = /^separate\s+(\S.*)$/i.exec(bare)?.[1];
  const eggs = parted === undefined ? null : read(`${parted}, separated`);
  return eggs?.status === 'read' ? [eggs] : null;
}

/** Words of a length of time, a heat or a width: no food, though a number stands before them. */
const NO_AMOUNT = /\b(?:min|sec|hour|day|night|degree|cm|inch|times?|turns?|strokes?|more|each|goes|lots|parts)\w*\b/i;
const COUNTED_THING = new RegExp(`^(?:\\d{1,2}|${COUNT_WORDS}|a couple of) \\p{L}{3,}(?: \\p{L}+){0,3}$`, 'iu');
/** Counted among things that are put in, and not put in. */
const NO_THING =
  /\b(?:bowls?|jugs?|pans?|whisks?|forks?|hands?|people|persons?|serv\w+|portions?|pieces?|pancakes?|waffles?|crepes?|cakes?|batch\w*|additions?|stages?|speed|of (?:us|them)|by|at)\b/i;
/** "Flour till it looks right": by eye. */
const BY_EYE = / (?:till|until|to (?:loosen|thin|bind|slacken|thicken)|by eye|by feel)\b.*$/i;
/**
 * What a list of measured things tells beside them: a known thing without an amount ("vanilla"), and a number with words
 * that no table knows ("fifty plain"), which is asked about.
 */
function unmeasured(
  said: string,
  known: readonly Line[],
  measured: readonly Line[],
  read: (x: string) => Line,
): readonly Line[] {
  const bits = said
    .replace(/^[^:\d]{1,40}:\s+/, '')
    .replace(DOES, '')
    .split(/[,;]\s+(?:and\s+)?/)
    .map((bit) => bit.trim());
  const isThere = (text: string): boolean => measured.some((m) => m.text.includes(text) || text.includes(m.text));
  // one thing is measured, and all the others are named: "flour till it looks right, two eggs, salt"
  const isNamed = (bit: string): boolean => isThere(bit) || read(bit.replace(BY_EYE, '')).ingredient !== null;
  // "a hundred grams starter, hundred flour, hundred water"
  const isCounted = (bit: string): boolean => /^(?:an? )?hundred \p{L}+$/iu.test(bit) && read(bit).ingredient !== null;
  if (known.length === 0 || (known.length < 2 && !(bits.length > 2 && bits.every(isNamed))))
    return known.length === 0 ? [] : bits.filter(isCounted).map(read);
  return bits.flatMap((bit, n) => {
    // "milk till it drops, call it a third of a pint": how much follows
    const isSaid = /^(?:call it|say|about|around|that[’']s|maybe|roughly)\b/i.test(bits[n + 1] ?? '');
    const text = isSaid ? bit : bit.replace(BY_EYE, '');
    if (text === '' || isThere(text)) return [];
    if (/^\p{L}+(?: (?:extract|essence|powder|zest|seeds?))?$/u.test(text)) {
      const line = read(text);
      return line.ingredient !== null && isClean(line) && !known.some((k) => k.ingredient?.id === line.ingredient?.id)
        ? [line]
        : [];
    }
    const counted = new RegExp(
      `^(?:\\d{2,4}|(?:an? |(?:${COUNT_WORDS}) )?hundred(?: and (?:${COUNT_WORDS}))?(?: of)?|(?:${COUNT_WORDS})(?:[ -](?:and |${COUNT_WORDS})+)*)(?: of)? \\p{L}+$`,
      'iu',
    ).test(text);
    return counted && !NO_AMOUNT.test(text) && !NO_THING.test(text) ? [read(text)] : [];
  });
}

/** "4 sheets matzo, 2 eggs", "three rusks crumbled": a count of what no table knows, told before what is put in. */
function countedIn(said: string, told: readonly Line[], read: (x: string) => Line): readonly Line[] {
  const lastAt = Math.max(...told.map((k) => said.lastIndexOf(k.text)));
  return said
    .slice(0, Math.max(lastAt, 0))
    .replace(/^[^:\d]{1,40}:\s+/, '')
    .replace(DOES, '')
    .split(/,\s+(?:and\s+)?|\s+and\s+/)
    .map((bit) => bit.trim())
    .filter((bit) => COUNTED_THING.test(bit) && !A_MEASURE.test(bit) && !NO_AMOUNT.test(bit) && !NO_THING.test(bit))
    .filter((bit) => !told.some((l) => l.text.includes(bit) || bit.includes(l.text)))
    .map(read)
    .filter((l) => l.ingredient === null);
}

/** "A third of a cup portions", "ten litres at a time": how a batter is parted, and nothing of it. */
const SERVED_OUT =
  /\b(?:cups?|ml|ounces?|spoons?|tablespoons?) (?:portions?|scoops?|ladles?|measures?|pours?)\b|\b(?:lit(?:re|er)s?|kilos?|cups?|batches?) at a time\b/i;

/** "It should drop off a spoon": how thick it is. */
const OFF_A_SPOON = /\b(?:off|from|coats?|covers?|back of)\b[^,;.\d]{0,20}\bspoon\b/i;

/** "Then in a measuring cup": where, and nothing that goes in. */
const IN_A_CUP = /^(?:(?:and|then|now|next)\s+)*in(?:to)? an? (?:measuring )?(?:cup|jug|mug)$/i;

/** Lines in the order that a sentence tells them; one in other words than the sentence's stands where it is. */
function inOrderTold(said: string, lines: readonly Line[]): readonly Line[] {
  let last = -1;
  const placed = lines.map((line) => {
    const whole = said.indexOf(line.text);
    // "glug of oil", as one
    const at = whole < 0 ? said.indexOf(line.text.replace(/^(?:a|1) /, '')) : whole;
    last = at < 0 ? last : at;
    return { line, at: last };
  });
  return placed.sort((a, b) => a.at - b.at).map((p) => p.line);
}

/** "Flour 300, powder 12, salt 4, zest of a lemon": names and numbers, most of them; each is asked for its unit. */
const NAME_AND_NUMBER = /^\p{L}+(?: \p{L}+)? \d{1,4}(?:[.,]\d)?$/u;
const MOSTLY_NUMBERED = 0.6;
function numberedIn(said: string, read: (x: string) => Line): readonly Line[] {
  const bits = said
    .replace(/^[^:\d]{1,40}:\s+/, '')
    .split(/,\s+(?:and\s+)?/)
    .map((bit) => bit.trim());
  const numbered = bits.filter((bit) => NAME_AND_NUMBER.test(bit));
  if (numbered.length < 2 || numbered.length < MOSTLY_NUMBERED * bits.length) return [];
  const lines = bits.map(read).filter((l) => l.ingredient !== null || NAME_AND_NUMBER.test(l.text));
  return lines.filter((l) => l.ingredient !== null).length * 2 > lines.length ? lines : [];
}

/** Nothing that is known and measured is lost, however parted: "half a teaspoon of bicarb in a splash of water". */
export function withMeasured(said: string, told: readonly Line[], measured: readonly Line[]): readonly Line[] {
  const isThere = (m: Line): boolean =>
    told.some((l) =>
      l.ingredient === null
        ? l.text.includes(m.text) || m.text.includes(l.text)
        : l.ingredient.id === m.ingredient?.id ||
          l.parts.some((p) => p.ingredient.id === m.ingredient?.id) ||
          // "two teaspoons of baking powder, make sure it says gluten free"
          (l.ingredient.category === m.ingredient?.category && l.text.includes(m.text)),
    );
  const lost = measured.filter((m) => m.ingredient !== null && !isThere(m));
  return told.length === 0 || lost.length === 0 ? told : inOrderTold(said, [...told, ...lost]);
}

/** "Keep the two whites for meringue": not put in. */
const KEPT_FOR =
  /^(?:(?:and|then|you can) )*(?:keep|save|reserve|freeze|put by) (?:the |those |your |back )?[^.;]*\bfor (?!the (?:pan|griddle|iron|batter)\b)/i;

/** What is measured in a sentence, and what of it is not understood. */
function measuredOrAsked({
  said,
  bare,
  measured,
  more,
  read,
}: {
  readonly said: string;
  readonly bare: string;
  readonly measured: readonly Line[];
  readonly more: readonly Line[];
  readonly read: (x: string) => Line;
}): readonly Line[] {
  const numbered = numberedIn(said, read);
  if (numbered.length > measured.length) return numbered;
  const known = measured.filter((m) => m.ingredient !== null);
  // a portion of the batter is no part of it
  const isMix = (text: string): boolean => known.length > 1 && /\bmix$/i.test(text);
  const asked =
    POURS.test(said) && known.length < 2
      ? []
      : measured.filter((m) => m.ingredient === null && (isMix(m.text) || !isOfBatter(m.text)));
  if (known.length > 0 || more.length > 0) {
    const told = [...known, ...asked, ...more, ...unmeasured(said, known, measured, read)];
    return inOrderTold(said, [...told, ...countedIn(said, told, read)]);
  }
  // "10 powder."
  const which = asked.filter(asksWhich);
  if (which.length > 0) return which;
  // what each of the pieces takes is not how much there is
  if (!A_MEASURE.test(bare) || CLOCK.test(bare) || POURS.test(said) || POURS_LAST.test(said)) return [];
  if (/\b(?:each|apiece|a piece)\s*(?:,|$)/i.test(said) && known.length === 0) return [];
  if (SERVED_OUT.test(said) || OFF_A_SPOON.test(said) || IN_A_CUP.test(said)) return [];
  // "350 griddle, a third of a cup, flip when it is dry": told of the heat
  if (AT_WORK.test(said)) return [];
  // "my sister adds a tablespoon but I don't"
  if (clausesOf(said).every((c) => c.taken === 'remark')) return [];
  return asked.length > 0 || measured.length === 0 ? [read(bare)] : [];
}
