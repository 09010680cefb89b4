/** Several whole ingredients on one row, taken apart: "flour 200 g, eggs 3 and milk 400 ml". */
import type { KitchenConventions } from '../pantry/conventions';
import { languagesOf, singular } from '../pantry/lookup';
import type { Language } from '../pantry/tables/other-names';
import { HEADS, VARIANT } from '../pantry/tables/words';
import { readAmount } from '../quantity/amount';
import { type Line, readLine } from './line';
import * as phrases from './phrases';

/** Where one item may end and the next begin. */
const SEAM =
  /\s*;\s*|(?<!(?<!\p{L})(?:pr|msp|p[ac]?ckc?h?e?n?|pkg|stk|btl|gl|gestr|geh|tsp|tbsp|oz|lbs?|pkt|approx|ca|env|lge?|lrg|med|sm|[ctgl]|ml|cl|[et]l|cdas?|cdtas?|cuil))[.!]\s+(?=[A-Z0-9½¼¾])|\s*,\s+(?:and\s+|plus\s+|then\s+|&\s*)?|\s+(?:and then|and|then|plus|und|et|y|&|\+)\s+|\s+[–—-]\s+|\s+[/|•·]\s+/giu;

/** What "and" adds to the amount before it, and no thing of its own. */
const A_HALF_MORE =
  /^(?:an?\s+(?:half|third|quarter)|three[\s-]quarters)\b(?!\s+(?:of\s+)?(?:an?\s+)?(?:cups?|pints?|tsp|tbsp|teaspoons?|tablespoons?|lit(?:re|er)s?|sticks?|pounds?|kilos?|spoons?))/i;
const NOT_WHOLE = new RegExp(phrases.IN_A_VESSEL.source, 'iu');
const whole = (l: Line): boolean =>
  l.ingredient !== null &&
  !NOT_WHOLE.test(l.text) &&
  l.written.length > 0 &&
  (l.status === 'read' || l.findings[0]?.code !== 'two-amounts');
/** "Salt", "a little vanilla" among measured things: an item that takes no amount. */
const isToTaste = (l: Line): boolean =>
  l.written.length === 0 && (l.ingredient?.category === 'salt' || l.ingredient?.category === 'flavour');
/** A name, and no amount. */
const FEW_WORDS = /^\p{L}+(?:\s+\p{L}+){0,3}$/u;
const isEgg = (l: Line): boolean => l.ingredient?.category === 'egg';

/** "Tablespoon of sugar", as it is said in a list: one of them. */
const ONE_UNIT =
  /^\s*(?:tablespoon|teaspoon|dessertspoon|spoon|cup|pinch|splash|glass|knob|handful|dash|stick|pint)(?:ful)?\s+of\s/i;

/** "3 eggs, yolks with 200 ml milk": what a part of the eggs goes with is a thing of its own. */
export const PART_OF_EGGS =
  /^(?:(?:the|egg)\s+)*(?:yolks?|whites?)\s+(?:(?:beaten|mixed|whisked|stirred|go|goes)\s+)?(?:in(?:to)?\s+)?(?:with|in(?:to)?)\s+(?=\d|[½¼¾⅓⅔]|(?:half|an?|one|two|three|four|five|six|seven|eight|nine|ten|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)\s)/i;

/** "Water one and three quarter cups", "salt a pinch": a name, and how much in words. */
const ENDS_IN_AMOUNT =
  /^\s*(?!(?:in|into|to|for|with|by|and|then|add|use|pour|give)\b)\p{L}+(?:\s\p{L}+)?\s(?:an?|half|quarter|third|one|two|three|four|five|six|eight|ten|twelve)(?:\s(?:and\s)?(?:an?|half|quarters?|thirds?|three)|\sof\san?)*\s(?:cups?|spoons?|tbsp|tsp|tablespoons?|teaspoons?|pinch|dash|splash|grams?|litres?|pints?|sticks?)\s*$/iu;

const ENDS_IN_FIGURES = /\p{L}\s+\d[\d.,/]*\s*\p{L}{0,12}(?:\s*\([^()]*\))?\s*$/u;
/** "Flour 1 cup", "salt a pinch": the name first. */
export const endsInAmount = (text: string): boolean =>
  /^\s*\p{L}/u.test(text) && !readAmount(text.trim()) && (ENDS_IN_FIGURES.test(text) || ENDS_IN_AMOUNT.test(text));

/** "Sugar 1/3 c packed brown": a name, how much, and how it is. */
const NAME_MUCH_STATE =
  /^\s*(?!(?:add|beat|blend|fold|melt|mix|pour|put|sift|stir|take|use|whisk|with)\b)\p{L}[\p{L} .’'-]{1,30}?\s[\d½¼¾⅓⅔⅛][\d./½¼¾⅓⅔⅛]*(?: \d\/\d)? ?(?:k?g|m?l|oz|lbs?|c|t|T|cups?|tsp|tbsp)\.?(?: \p{L}+){1,3}\s*$/iu;
/** Whether what begins here is an item of its own: it starts with an amount, or ends in one. */
const begins = (text: string): boolean => {
  const a = readAmount(text.trim());
  return (
    a !== null ||
    // "butter 50 g (melted)"
    /\d\s*\p{L}{0,12}(?:\s*\([^()]*\))?\s*$/u.test(text) ||
    NAME_MUCH_STATE.test(text) ||
    /^\s*(?:(?:a\s+)?(?:little|bit|touch)(?:\s+bit)?\s+of|some|etwas|ein (?:wenig|bisschen)|un peu de|un poco de)\s/i.test(
      text,
    ) ||
    phrases.AS_MUCH_OF.test(text) ||
    ENDS_IN_AMOUNT.test(text) ||
    ONE_UNIT.test(text)
  );
};

/**
 * "2 cups flour · 1 tsp salt · 2 eggs, beaten": parted by strokes of one kind alone; null where there are fewer than
 * two.
 */
function strokesOf(text: string): readonly string[] | null {
  for (const stroke of [' · ', ' • ', ' | ']) {
    const parts = text.split(stroke).map((x) => x.trim());
    if (parts.length > 2 && parts.every((x) => x !== '')) return parts;
  }
  return null;
}

/** A thing with its amount, its state and a note takes no more letters; what is longer tells what is done. */
const LONGEST_ITEM = 100;

/** "4 eggs, one yolk left out": less of what stands before, and no thing of its own. */
const TAKEN_AWAY =
  /\b(?:left out|taken (?:out|away|off)|removed|held back|discarded|thrown (?:out|away)|not used)[.)\s]*$/i;

const PINCH_BEHIND = /(?<!\p{L})(?:pinch|dash|prise|pincée|pizca)$/iu;

/** "2 eggs, salt": a thing without an amount; where it is the only other, no name is written the other way round so. */
const mayStandBare = (text: string, alone: boolean): boolean =>
  FEW_WORDS.test(text) && (!alone || /^(?:sea )?salt$/i.test(text));

/** What stands on both sides of a seam. */
interface Sides {
  readonly seam: string;
  /** The row has no other. */
  readonly alone: boolean;
  readonly left: string;
  /** As far as the next seam, and to the end of the row. */
  readonly right: string;
  readonly rest: string;
}

/** "2 eggs, salt", "salt, nutmeg": whether a thing without an amount begins behind a seam. */
function isBareSeam({ seam, alone, left, right }: Sides, read: (t: string) => Line): boolean {
  const isOneOf = !alone || FEW_WORDS.test(left);
  if (!/[,;.!]/.test(seam) || !mayStandBare(right, !isOneOf)) return false;
  const [l, r] = [read(left), read(right)];
  // "salt pinch": its amount stands last
  return (whole(l) || (isOneOf && isToTaste(l))) && (isToTaste(r) || (PINCH_BEHIND.test(right) && whole(r)));
}

/** Whether one item ends where a seam stands, and the next begins. */
function isSeam(of: Sides, read: (t: string) => Line): boolean {
  const { seam, alone, left, right, rest } = of;
  if (!left || !right || TAKEN_AWAY.test(right) || left.length > LONGEST_ITEM) return false;
  // where an amount begins is seen without a reading, and there is none behind most seams of a sentence
  if (!begins(right)) return isBareSeam(of, read);
  const comma = /[,;.!]/.test(seam);
  const l = read(left);
  if (!whole(l) && !(comma && !alone && isToTaste(l))) return false;
  const r = right.length > LONGEST_ITEM ? null : read(right);
  const isFar =
    r !== null &&
    (whole(r) || (r.written.length > 0 && asksWhich(r)) || (comma && r.ingredient !== null && r.written.length === 0));
  const far = isFar || (comma && rest.length <= LONGEST_ITEM && whole(read(rest.trim())));
  if (!far || comma) return far;
  // "2 eggs and 1 yolk" are one line of two parts; so is "1 cup plus 2 tablespoons"
  if (isEgg(l) && r && isEgg(r)) return false;
  // "a pint and a half of milk" is one amount
  if (A_HALF_MORE.test(rest)) return false;
  // "1 tbsp flaxseed + 3 tbsp water" are two things, "2 tbsp butter + 1 tbsp for the pan" one
  return !(alone && /plus|\+/i.test(seam) && l.ingredient?.id === r?.ingredient?.id);
}

export const asksWhich = (l: Line): boolean => l.findings.some((f) => f.code === 'which-ingredient');

/** "Half a cup each of milk and flour": an amount, and the things it is of. */
const EACH_OF =
  /^([^,;.()]{3,40}?) each of ((?:\p{L}+(?: \p{L}+)?, )*\p{L}+(?: \p{L}+)?,? and \p{L}+(?: \p{L}+)?)(?=\s*(?:[,;.)]|$))/iu;
const itemsOfEach = (m: RegExpExecArray): readonly string[] =>
  (m[2] ?? '').split(/,? and |, /).map((name) => `${m[1]} ${name}`);
/** "Equal weights: say 200 g each of egg, flour and milk": nothing else is told; null: it is. */
function sharedAll(text: string): readonly string[] | null {
  const bare = text.replace(/^(?:[\p{L} ]{3,40}:\s+)?(?:(?:use|take|put|say|weigh|about)\s+)*/iu, '');
  const m = EACH_OF.exec(bare);
  return m && m[0].length === bare.length ? itemsOfEach(m) : null;
}
/** "1 tsp each: baking powder, soda, cinnamon": one amount, and behind it nothing but names. */
const A_NAME = String.raw`(?!and\b)[\p{L}.’'-]+(?: (?!and\b)[\p{L}.’'-]+){0,3}`;
const EACH_BEFORE = new RegExp(
  String.raw`^(\S[^,;()]{0,30}?)(?<!\b(?:in|into|to|on|for|from|with))\s+(?:of\s+)?each(?:\s*[:–—-]\s*|\s+of\s+|\s+)((?:${A_NAME}(?:\s*,\s*(?:and\s+|&\s+)?|\s+(?:and|&|\+)\s+))+${A_NAME})$`,
  'u',
);
const NAMES_PARTED = /\s*,\s*(?:and\s+|&\s+)?|\s+(?:and|&|\+)\s+/;
function namedAll(text: string, read: (t: string) => Line): readonly string[] | null {
  const [, amount, names] = EACH_BEFORE.exec(text) ?? [];
  if (amount === undefined || names === undefined) return null;
  const items = names.split(NAMES_PARTED).map((name) => `${amount} ${name}`);
  const known = items.filter((x) => whole(read(x))).length;
  return known >= 2 && known >= items.length / 2 ? items : null;
}

/**
 * The items of a row, each as it was written; null where the row is one item.
 * @param least so many amounts have to be found for the row to be parted
 */
export function itemsIn(
  text: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly string[] | null {
  if (text.length > 2000 || !/[,;&+–—-]|[.!]\s+[A-Z0-9]|\s[/|•·]\s|\b(?:and|then|plus|und|et|y)\b/i.test(text))
    return null;
  const read = (t: string): Line => readLine(t, house, {}, null, languages);
  const shared = sharedAll(text);
  if (shared?.every((x) => whole(read(x)))) return shared;
  const named = namedAll(text, read);
  if (named) return named;
  const parted = strokesOf(text);
  if (parted && parted.filter((x) => whole(read(x))).length >= 0.6 * parted.length) return parted;
  const seams = [...text.matchAll(SEAM)].filter(
    // "one and a half litres": within a number there is no seam
    (m) =>
      m[0] !== '' &&
      m.index > 0 &&
      // "a hundred and fifty grams"
      !(
        /\band\s+$/i.test(m[0]) &&
        HUNDRED.test(text.slice(0, m.index)) &&
        STARTS_COUNT.test(text.slice(m.index + m[0].length))
      ) &&
      !(AND_A_PART.test(text.slice(m.index)) && ENDS_IN_COUNT.test(text.slice(0, m.index))) &&
      !(A_HALF_MORE.test(text.slice(m.index).replace(/^\s+and\s+/i, '')) && ENDS_IN_UNIT.test(text.slice(0, m.index))),
  );
  if (seams.length === 0) return null;
  // inside brackets nothing is parted
  const depth = (at: number): number =>
    (text.slice(0, at).match(/[([]/g)?.length ?? 0) - (text.slice(0, at).match(/[)\]]/g)?.length ?? 0);
  const out: string[] = [];
  let strokes = 0;
  // "yolks in with 400 ml of milk, 80 g butter": what they go with comes first
  let from = PART_OF_EGGS.exec(text)?.[0].length ?? 0;
  for (const [n, m] of seams.entries()) {
    if (depth(m.index) > 0) continue;
    const seam = m.index + m[0].length;
    const at = seam + (PART_OF_EGGS.exec(text.slice(seam))?.[0].length ?? 0);
    const left = text.slice(from, m.index).trim();
    const right = text.slice(at, seams[n + 1]?.index ?? text.length).trim();
    if (!isSeam({ seam: m[0], alone: seams.length === 1, left, right, rest: text.slice(at) }, read)) continue;
    out.push(left);
    if (/[/|•·]/.test(m[0])) strokes++;
    from = at;
  }
  const last = text.slice(from).trim();
  // one stroke stands between two ways to take one thing as often as between two things
  if (out.length === 0 || strokes === 1) return null;
  // the last may be known and have no amount: "and a bit of salt"
  const end = read(last);
  const isNamed =
    !/[.!?,]\s/.test(last) &&
    last.length < 60 &&
    (end.ingredient !== null || end.rows.length > 1 || (asksWhich(end) && end.written.length > 0));
  return whole(end) || isNamed ? [...out, last] : null;
}

/** Numbers in words that food is counted with. */
export const COUNT_WORDS =
  'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|sixteen|eighteen|twenty|twenty[- ]four|thirty|thirty[- ]six|forty|fifty|sixty|seventy|eighty|ninety';
const HUNDRED = /\b(?:hundred|thousand)$/i;
const STARTS_COUNT = new RegExp(`^(?:${COUNT_WORDS})\\b`, 'i');
/** One, half and the like in the other languages of cards. */
const COUNT_WORDS_ABROAD =
  'eine?[nmr]?|halbe[nmr]?|halve|anderthalb|dreiviertel|driekwart|anderhalve|zwei|drei|vier|fünf|sechs|acht|zehn|zwölf|une?|deux|trois|quatre|cinq|huit|dix|douze|una|dos|tres|cuatro|cinco|seis|siete|ocho|diez|doce|medi[oa]|due|tre|quattro|mezz[oa]|twee|drie|een';
/** What begins an amount without a number. */
const BEGIN_AMOUNTS: readonly string[] = [
  // "etwas Zimt", "un peu de cannelle"
  String.raw`(?:etwas|ein (?:bisschen|wenig))(?=\s+\p{L})|un peu(?=\s+d)|un poc[oa](?=\s+de)`,
  // "le zeste d’un citron"
  String.raw`(?:the |grated |finely )*(?:zest|juice)(?=\s+(?:of|from)\s)|(?:die\s+)?(?:abgeriebene\s+)?(?:schale|saft)(?=\s+(?:von|einer)\s)|(?:le |la |el )?(?:zeste|jus|ralladura|zumo|jugo)(?=\s+d(?:e\s|[’']))`,
  // "taza y media", without an article
  String.raw`(?:taza|cucharada|cucharadita|vaso|litro|tasse|verre|litre)(?=\s+(?:y|et)\s+(?:medi[oa]|demie?)(?!\p{L}))`,
  // "flour quarter cup"
  String.raw`(?<!\b(?:an?|one|two|three|and|of)\s)(?<=\p{L}\s)(?:third|quarter|two[- ]thirds|three[- ]quarters)(?=\s+(?:cup|teaspoon|tablespoon|pint|lit(?:re|er)|pound)s?\b)`,
];
/** What begins one where a list or a sentence goes on: "and cup of milk", "pincée de sel". */
const BEGIN_AMOUNTS_NEXT: readonly string[] = [
  String.raw`(?:würfel|löffel|esslöffel|teelöffel|päckchen|becher|tasse|glas|cuillère|verre|sachet|pot|vaso|taza|cucharada|cucharadita|sobre)(?=\s+(?:à (?:soupe|café) )?(?:d(?:e\s|[’'])|\p{Lu}\p{L}))|(?:prise|messerspitze|schuss|schluck|spritzer|handvoll|pincée|poignée|pizca|chorrito|puñado|pinch|tsp|tbsp|teaspoon|tablespoon|dessertspoon|couple(?:\s+of)?)(?=\s+(?:of\s+|de\s+|d[’'])?\p{L})`,
  String.raw`(?:cup|stick|pint|quart|lit(?:re|er)|kilo|pound|mug|knob|sachet|spoon|handful|can|tin|tub|packet|carton|splash|dash|glug)(?=\s+of\s|\s+and\s+(?:a|half|three)\b)`,
  String.raw`(?:third|quarter|two[- ]thirds|three[- ]quarters)(?=\s+(?:of\s+an?\s|(?:cup|teaspoon|tablespoon|pint|lit(?:re|er)|pound)\b))`,
];
/** Where an amount may begin in a sentence. */
const NUMBER = new RegExp(
  String.raw`(?<![\p{L}\p{N}.,/#°-])(?:about\s+)?(?:\d[\d.,/]*(?:\s+\d+\/\d+)?|[½¼¾⅓⅔⅛]|(?:(?:an? )?hundred and (?:${COUNT_WORDS})|(?<!\by\s)an?(?!\s(?:une?|deux|trois|quatre|cinq|dos|tres|cuatro|cinco|veces|las?|los|fuego|\d+ (?:huevos|yemas|claras|plátanos))\b)|half|${COUNT_WORDS}|${COUNT_WORDS_ABROAD})(?!\p{L})|${BEGIN_AMOUNTS.join('|')}|(?<=(?:^|[,;.:?]\s{1,3}|\b(?:and|und|et|y)\s))(?:${BEGIN_AMOUNTS_NEXT.join('|')}))(?=\s*\S|$)`,
  'giu',
);
/** How many amounts may begin in a text. */
export const amountsIn = (text: string): number => [...text.matchAll(NUMBER)].length;

/** Where what is measured ends: the next thing that is done, where it goes, how long. */
const ENDS =
  /\s*(?:[;:!?()]|[.,](?!\d)(?<!(?<!\p{L})c\.(?= ?à)|à ?[sc]\.))|\s+\+\s|\s+(?:and|und|et|y|e|ed|en|og|och|plus|then|with|mit|avec|con|más|puis|luego|dazu|nach und nach|schaumig|glatt|rein|hinein|drunter|hinterher|genommen|petit à petit|peu à peu|poco a poco|(?:unter|ver|ein|glatt|auf|zusammen|hinein)?(?:rühren|mischen|mengen|quirlen|schlagen|kneten|heben|ziehen)|(?:zer|ein|fein)?(?:drücken|stampfen|quetschen|kleinern|pürieren|reiben|raspeln|schälen|würfeln|hacken|waschen|schneiden|entkernen)|(?:wird|werden|kommt|kommen)(?= \p{L})|(?:zu )?eine[mnr]? (?:(?:glatten?|dünnen?|dicken?|zähen?|flüssigen?) )?(?:Teig|Masse|Brei)|(?:unter|hinzu|ein|um|sieben)(?=\s*(?:[.,;]|$))|sur|sobre(?! de )|par-dessus|por encima|à la|au (?:fouet|mixeur|batteur|robot)|jusqu|hasta|(?:a|por)(?= (?:\d|una?\b|dos\b|tres\b|cuatro\b))|(?:da|hin)?zu(?:geben|fügen|tun)|dazugeben|hineingeben|geben|nehmen|dans|into|in|to|onto|over|on|until|till|from|at|by|round|around|along|while|before|after|go|goes|gets|together|gradually|slowly|gently|alternately|little by little|a (?:little|bit|spoon(?:ful)?|few|third|half|handful|splash) at a time|bit by bit|one at a time|one by one|all at once|all(?![ -]purpose)|very|well|trennen|separieren|machen|lauwarm|auflösen|anrühren|erwärmen|schmelzen|erst|zuerst|davon|dedans|adentro|dentro|whisking|stirring|beating|sometimes|usually|followed|if|when|i|he|she|we|they|inside|instead|here|there|ready|already|straight|right|until|last|first|next|as|so|but|because|since|which|that|per|each|of the|for|(?:mix|whisk|stir|beat|blend|leave|let|fold|pour|fry|cook|bake|rest|chill|give|get|put|keep|turn)(?=\s+(?:it|them|that|this|everything|all|the|well|till|until|just|and)\b)|(?<!\bof\s)(?:an|one|two|three|four)(?=\s+eggs?\b))\b|\s+à(?=\s(?:\d|une?\b|deux\b|trois\b|quatre\b))/giu;
/** Behind these a tail says what it is for, and belongs to it. */
const TAILS =
  /^\s*,(?:\s+(?:the|an?) (?:small|big|large|little|tall) (?:one|tin|can)s?,)?\s+(?:(?:about|that[’']s|so) )?[\d.,]+ ?(?:g|grams?|ml|oz)(?=\s*(?:[,.;]|$))(?:,?\s+(?:but )?(?:i |we )?(?:only |just )?(?:use|need|take) (?:only |just )?(?:half|a third|a quarter)(?: of (?:it|that))?(?=\s*(?:[,.;]|$)))?|^\s*\((?:i|we|mine|was|up from|the original)\b[^()]{0,20}\d[^()]{0,12}\)|^\s*\((?:about |ca\.? |= ?|or )?[\d.,½¼¾]+ ?(?:g|grams?|kg|ml|l|oz|lbs?|cups?)(?: \p{L}+)?\)|^\s+(?:for (?:(?:the|greasing|brushing) )?(?:pan|griddle|iron|skillet|frying|greasing|brushing|dusting|sprinkling|serving|top|topping)|to (?:serve|taste|finish|fry|grease|sprinkle|dust)|of the)\b/iu;
/** What is done to a thing, behind its comma. */
const STATE =
  /^\s*,\s*(?:(?:well,?\s+)?(?:just|only|but only)\s+(?:the\s+)?(?:yolks?|whites?)\b|(?:(?:well|lightly|finely|roughly|very|stiffly|just)\s+)*(?:melted|softened|separated|beaten|whipped|chopped|grated|sifted|mashed|warmed|cooled|browned|crumbled|sliced|diced|peeled|zested|juiced|drained|toasted|room[- ]temperature|at room temperature)(?:\s+(?:stiff|and cooled|to (?:soft|stiff|firm) peaks|until (?:stiff|foamy)))?)/i;
/** Minutes, degrees, widths, people: a number of no food. */
const NO_FOOD =
  /^\s*(?:(?:-|–|to|or)\s*\S+\s*)?(?:min(?:ute)?s?\b|hours?\b|hrs?\b|seconds?\b|secs?\b|days?\b|nights?\b|weeks?\b|months?\b|years?\b|°|degrees?\b|%|cm\b|mm\b|inch(?:es)?\b|times?\b|people\b|persons?\b|person(?:en|nes|as)\b|leute\b|gäste\b|kinder\b|enfants\b|niños\b|guests?\b|servings?\b|sides?\b|at a time\b)/i;

/** A thing and what is done to it take no more room than that. */
const MOST_ITEM_CHARS = 160;

/** A number, and then somebody who does something. */
const SPEAKS = /^\S+\s+(?:of us\s+)?(?:i|we|you)\s+(?:\p{L}+\s+){1,3}(?:\d|an?\b|one\b|two\b|three\b|four\b|half\b)/iu;

/** What is worked in or with, behind its article. */
const A_VESSEL = new RegExp(
  String.raw`^\s+(?:${phrases.VESSEL}|(?:großen? |kleinen? |grand |petit )?(?:Schüssel|Rührschüssel|Topf|Krug|Messbecher|saladier|bol|cul-de-poule|jatte|terrine|cuenco|ensaladera|jarra|olla)(?!\p{L}))`,
  'iu',
);

/** "A can of pumpkin, 425 g, but only use half": asked which of it goes in. */
const A_PART_OF_IT = /\b(?:use|need|take) (?:only |just )?(?:half|a third|a quarter)(?: of (?:it|that))?$/i;

/** "Etwas Zimt": no amount, and a thing all the same. */
const SOME_ABROAD = /^(?:etwas|ein (?:bisschen|wenig)|un peu d|un poc[oa] de)/i;
const isThing = (l: Line): boolean => l.ingredient !== null && (l.written.length > 0 || SOME_ABROAD.test(l.text));
interface ItemAt {
  readonly line: Line | null;
  readonly length: number;
  readonly text: string;
}
/** "One cup of flour one cup of milk": the next number begins another thing. Null: the line is one. */
function upToNext(line: Line, text: string, read: (text: string) => Line): ItemAt | null {
  if (!line.findings.some((f) => f.code === 'two-amounts')) return null;
  // "one and a half cups flour three teaspoons powder": behind the whole of its own amount
  const amount = readAmount(text)?.length ?? 0;
  const next = [...text.matchAll(NUMBER)].find((m) => m.index >= Math.max(1, amount))?.index;
  // "2 eggs (I use 3)": within the bracket it is said of the same
  if (next !== undefined && /\([^()]*$/.test(text.slice(0, next))) return null;
  if (A_PART_OF_IT.test(text)) return null;
  const own = next === undefined ? '' : text.slice(0, next).trim();
  const first = own === '' ? null : read(own);
  return first && isThing(first) && first.status === 'read' ? { line: first, length: own.length, text: own } : null;
}

const AND_A_PART = /^\s+and\s+(?:an?\s+(?:half|third|quarter)|three[\s-]quarters)\b/i;
/** "Una cucharadita y media", "une cuillère et demie". */
const HALF_MORE = /^\s+(?:y medi[oa]|et demie?|und eine? halbe?)(?!\p{L})/iu;
const OF_A_THING = /^\S+ \S+ (?:y medi[oa]|et demie?) d(?:e |[’'])\p{L}+$/iu;
const OF_A_NAME = /^ of \p{L}+(?: \p{L}+)?$/u;
const ENDS_IN_COUNT = new RegExp(`(?:^|[\\s,])(?:\\d+|${COUNT_WORDS})$`, 'i');
const ENDS_IN_UNIT = /\b(?:cups?|pints?|quarts?|lit(?:re|er)s?|(?:tea|table)spoons?|pounds?|kilos?|sticks?)$/i;
const LAST_COUNT = new RegExp(`\\s+(?:\\d+|an?|${COUNT_WORDS})$`, 'i');
/** Where a thing ends that ends before an index, with its tail. */
function endOf(rest: string, at: number): number {
  const behind = rest.slice(at);
  // "flour three and a half teaspoons": a number that goes on is the next thing's
  const own = AND_A_PART.test(behind) ? rest.slice(0, at).replace(LAST_COUNT, '').length : at;
  return own < at ? own : at + ((TAILS.exec(behind) ?? STATE.exec(behind))?.[0].length ?? 0);
}
/** What of a text is asked about, where nothing is known of it: its amount, with its name where that follows. */
function unknownAt(rest: string, first: string | null, last: string): string {
  // "una cucharadita y media de levadura"
  if (OF_A_THING.test(last)) return last;
  // "four hundred and fifty grams", of what was named before it
  const amount = readAmount(rest);
  const isOne = amount?.amount.terms.length === 1 && amount.amount.terms[0]?.unit !== null;
  const measured = amount && isOne ? rest.slice(0, amount.length).trim() : '';
  if (measured.length <= (first?.length ?? 0)) return first ?? rest.trim();
  // "two and a half cups of sour milk"
  return last.startsWith(measured) && OF_A_NAME.test(last.slice(measured.length)) ? last : measured;
}

/** Words that a name has at most, behind its amount. */
const MOST_NAME_WORDS = 6;
/** "An egg slice", "two egg rings": what is worked with. */
const A_TOOL =
  /^(?:slices?|rings?|pans?|whisks?|timers?|cups?|irons?|plates?|beaters?|cookers?|corers?|peelers?|graters?|knife|knives|spoons?|trays?|boxe?s?|cartons?|dish(?:es)?)$/i;
/** A word that makes another thing of what stands before it: "milk | powder", "coconut | kefir". */
const isOfAName = (word: string): boolean => {
  const w = singular(word.toLowerCase());
  return (
    /^(?:\W|(?:de|du|des|del|of|d[’'].*|grease|drippings?|fat)$)/iu.test(word) ||
    VARIANT.has(w) ||
    HEADS.has(w) ||
    A_TOOL.test(word) ||
    languagesOf(word).length > 0
  );
};
/** Where the last word of a name stands: before a sign, before "and" or "with", or at the end. */
const ENDS_NAME = /^\s*(?:[,.;:!?)]|$|(?:and|with|then|plus|und|mit|et|avec|y|con)(?!\p{L}))/iu;
/** "Stir the milk through": where it goes, and how; no noun. */
const HOW = /^(?:through|down|over|up|off|round|around|about|along|after|before|last|first|too|also|again|\p{L}+ly)$/iu;
/** "200 g milk zork, ...": a noun that no table knows, which may make another thing of it; a German one has a capital. */
const mayBeNoun = (next: string, behind: string, text: string): boolean =>
  ENDS_NAME.test(behind) && !HOW.test(next) && !(/\s\p{Lu}/u.test(text) && /^\p{Ll}/u.test(next));

/**
 * The thing that a text begins with where no word for what is done ends it: the most words that are read whole, and the
 * next one is of no name. "300 ml milk down into it": 300 ml milk. Null: there is none; nor is there of an article alone.
 */
function longestThing(rest: string, read: (text: string) => Line): ItemAt | null {
  const amount = readAmount(rest)?.length ?? 0;
  const upTo = /[,.;:!?()](?!\d)/.exec(rest.slice(amount))?.index ?? rest.length;
  const words = [...rest.slice(0, amount + upTo).matchAll(/\S+/g)];
  const own = words.filter((w) => w.index < amount).length;
  for (let n = Math.min(words.length, own + MOST_NAME_WORDS); n > own; n--) {
    const last = words[n - 1];
    const next = words[n]?.[0] ?? '';
    if (!last || (next !== '' && isOfAName(next))) continue;
    const text = rest.slice(0, last.index + last[0].length);
    if (next !== '' && mayBeNoun(next, rest.slice((words[n]?.index ?? 0) + next.length), text)) continue;
    // of two things, or of what was told before it
    if (/[,&+]|\s(?:and|und|et|y|of the)\s/i.test(text.slice(amount))) continue;
    const line = read(text);
    // "an egg slice", "one egg pan"; not "a grated apple is in", nor in German, where a noun begins with a capital
    const isOneOf =
      line.written[0]?.terms[0]?.unit === null &&
      /^(?:an?|one|ein\p{L}*|une?|una?)\s\S+$/iu.test(text) &&
      !(/^ein\p{L}*\s/iu.test(text) && /^\p{Ll}/u.test(next));
    const isSure = line.status === 'read' && line.words.every((w) => w.as !== 'unknown');
    if (!isOneOf && isThing(line) && isSure && line.written.every((a) => a.terms.length === 1))
      return { line, length: text.length, text };
  }
  return null;
}

/** "300 g of the gluten-free blend": its name is still to come. */
const OF_THE_BLEND = /^\s+of the (?:[\p{L}-]+ ){0,3}(?:blend|mix)\b/iu;
/** The thing that a text begins with, as far as it reaches; and its first words, where nothing is known of it. */
function itemAt(rest: string, read: (text: string) => Line): ItemAt {
  let first: string | null = null;
  let last = '';
  let ended = false;
  for (const e of rest.matchAll(ENDS)) {
    if (e.index === 0) continue;
    const length = endOf(rest, e.index);
    const text = rest.slice(0, length).trim();
    // "300 g of the blend": nothing is named yet
    if (OF_THE_BLEND.test(rest.slice(e.index)) && readAmount(rest)?.length === e.index) continue;
    first ??= text;
    last = text;
    const line = read(text);
    if (isThing(line)) return upToNext(line, text, read) ?? { line, length, text };
    // "1 cup and 2 tablespoons flour" goes on; anything else ends here
    // "a teaspoon and some sugar": of another thing
    const isNext = /^\s+and (?:some|a (?:bit|little|pinch|splash))\b/i.test(rest.slice(e.index));
    ended = isNext || (!/^\s+(?:and|plus)\b/i.test(e[0]) && !HALF_MORE.test(rest.slice(e.index)));
    if (ended) break;
  }
  // "two and a half cups of milk": it goes on to the end
  const line = ended ? null : read(rest.trim());
  if (line && isThing(line)) return upToNext(line, rest, read) ?? { line, length: rest.length, text: rest.trim() };
  const longest = asksWhich(read(first ?? rest.trim())) ? null : longestThing(rest, read);
  if (longest) return longest;
  if (line && first === null) return { line: null, length: rest.length, text: rest.trim() };
  const text = unknownAt(rest, first, last);
  return { line: null, length: text.length, text };
}

/** A thing with a word for little, at its comma or its "and". */
const A_BIT =
  /(?:^(?:then\s+)?|[,;]\s+|\b(?:and|plus|und|et|y)\s+|\bwith\s+(?=some\s|a\s+(?:squeeze|bit|little|touch|pinch|dash|splash|drop)\b))((?:(?:a\s+)?(?:(?:good|big|small|tiny|wee|decent|generous|healthy|fat|hearty|light)\s+)?(?:little|bit|touch|pinch|dash|splash|knob|drop|shake|grating|squeeze|glug|slug|slosh|drizzle|dollop)(?:\s+bit)?\s+of|some|a\s+(?:little|(?:wee|tiny)\s+bit)|(?:the\s+)?same(?:\s+(?:weight|amount|again))?\s+(?:of|in)|(?:twice|double|half)\s+(?:that|as\s+much)(?:\s+(?:of|in))?|etwas|ein (?:bisschen|wenig)|un peu d(?:e\s|[’'])|un poco de)\s*\p{L}+(?:\s+(?!and\b)\p{L}+)?)(?=\s*(?:[,.;]|$|\s(?:and|plus)\s))/giu;
/** What stands right before a thing that is the pan's, or the plate's; and how its line says so. */
const FOR_THE_PAN = 'for the pan';
const BESIDE: readonly (readonly [RegExp, string])[] = [
  [/\b(?:fry|fried|cook|brown)\b[^,;.]{0,12}\b(?:with|in)\s+$/i, FOR_THE_PAN],
  // "on a medium pan with a smear of oil"
  [
    /\b(?:on|in) (?:an? |the |my )?(?:[\p{L}-]+ ){0,2}(?:pan|skillet|griddle|iron|plate)s? with (?:just )?$/iu,
    FOR_THE_PAN,
  ],
  // "put the skillet in the oven with three spoons of butter"
  [
    /\b(?:cast[- ]iron|skillet|pan|tin|tray|dish|irons?)(?: goes?)? in(?:to)?(?: (?:the|a|an) (?:hot )?oven)? with (?:the |about )?$/i,
    FOR_THE_PAN,
  ],
  [/\bserved?\b[^,;.]{0,12}\bwith\s+$/i, 'to serve'],
];
/** What is done at the heat, or at the table. */
const AT_THE_PAN = /\b(?:fry|cook|bake|serve|brush|(?<!\bon )top|drizzle|dust|grease|swirl|wipe|rub)\b/i;
/** So much for each guest, or for each piece, behind an amount. */
const FOR_EACH =
  /^\s*(?:(?:for|to) (?:every|each)(?: (?:person|guest|egg|one|two|three|four|hundred (?:grams?|g)|\d+ ?g|cup|pound|kilo))?\b|per (?:head|person|guest|egg|(?:a )?hundred(?: (?:grams?|g))?|\d+ ?g|cup|pound|kilo)\b|a (?:head|person)\b)/i;
const PER_PAN =
  /^\s*(?:(?:per|for (?:each|every)|each|every) (?:pan(?:ful)?|batch|griddle(?:ful)?|go)|(?:a?round|along) the (?:edges?|rim|sides?))\b/i;
/** "Half a teaspoon of oil in each well". */
const IN_EACH_WELL =
  /^\s*(?:in|into|to|down) (?:each|every)(?: (?:one )?of (?:the )?(?:\w+ )?)? ?(?:wells?|hollows?|holes?|dimples?|cups?|moulds?|tins?)\b/iu;
/** "Flour is 250 grams": the thing before its amount. */
const IS = new RegExp(
  [
    String.raw`(?:^|[,;.:]\s*|\b(?:the|my|and|then|with|add|use|need|want|put|take)\s+)`,
    String.raw`((?!(?:and|then|the|my)\b)[\p{L}-]+(?:\s+(?!(?:with|of|in|and|to|for|the|from)\b)[\p{L}-]+){0,2}?)(?:,\s+(?:melted|softened|sifted|beaten|warm(?:ed)?|soft|grated|chopped|sieved))?`,
    String.raw`(?:(?:\s+(?:is|are|was|were|comes? to|goes? in|comes?(?: in)?|i[’']d (?:guess|say)(?: is| it[’']s)?|i (?:think|guess|reckon)(?: is| it[’']s)?)|[’']s),?\s+|,\s+(?:that[’']s|that is|which is|call it|say|maybe|roughly)\s+|(?:\s+(?:first|next|last))?:\s+|,\s+)(?:about\s+)?$`,
  ].join(''),
  'iu',
);
/** "Water, a splash.", and no more: of no set size, and asked. */
const VAGUELY = /^(?:[^\p{L}]*)(?:(?:the|and|then|you|i|we|need|want|use|take)\s+)*[\p{L}-]+(?: [\p{L}-]+){0,2},\s*$/iu;
/** "Milk, about 1 and 3/4." */
const ENDS_SENTENCE = /^(?: and (?:\d\/\d|a half|a quarter))?[.!\s]*$/;
/** "Plain flour about 180": its name. */
const nameAbout = (before: string, amount: string): string | undefined =>
  /^about\s/i.test(amount)
    ? /(?:^|[,;.:]\s*|\b(?:and|then|the)\s+)([\p{L}-]+(?: [\p{L}-]+)?),?\s+$/iu.exec(before)?.[1]
    : undefined;
function saidBefore(before: string, amount: string, after: string, read: (text: string) => Line): Line | null {
  // "flour, egg and milk: a hundred grams, three, ...": of each of them, one after the other
  const name = /, \p{L}+ and \p{L}+:\s*$/u.test(before)
    ? undefined
    : (IS.exec(before)?.[1] ?? nameAbout(before, amount));
  const line = name === undefined ? null : read(`${amount} ${name.toLowerCase()}`);
  if (!line?.ingredient) return null;
  const isVague = line.written.length === 1 && line.findings.every((f) => f.code === 'vague-unit');
  const isBare = line.findings.every((f) => f.code === 'no-unit');
  const isAlone = VAGUELY.test(before) && ENDS_SENTENCE.test(after);
  const isAbout = isBare && nameAbout(before, amount) !== undefined;
  return line.status === 'read' || isAbout || ((isVague || isBare) && isAlone) ? line : null;
}

const ADJECTIVE = /^(?:a\s+)?(?:tiny|wee|decent|generous|healthy|fat|hearty|light)\b/i;
/** "And a bit of salt": known, and nobody says how much. @param measured where the last that is measured ends */
function bitsIn(sentence: string, measured: number, read: (text: string) => Line): readonly Line[] {
  const lines = [...sentence.matchAll(A_BIT)]
    // "tiny bit of oil", and nothing else: on what it is fried in
    .filter(
      (m) =>
        !(m[0].trim() === sentence.trim() && ADJECTIVE.test(m[0]) && read(m[1] ?? '').ingredient?.category === 'fat'),
    )
    // "a little oil", with nothing that is measured before it
    .filter(
      (m) =>
        !(
          measured === 0 &&
          /^a\s+(?:little|wee|tiny)\b/i.test(m[1] ?? '') &&
          read(m[1] ?? '').ingredient?.category === 'fat'
        ),
    )
    // "fry with a knob of butter", "serve with a drop of honey": not put in
    .filter((m) => !AT_THE_PAN.test(sentence.slice(Math.min(measured, m.index), m.index + 8)))
    .map((m) => {
      const line = read(m[1] ?? '');
      const isPans = line.ingredient?.category === 'fat' && AT_A_PAN.test(sentence.slice(0, m.index));
      return isPans ? read(`${m[1]} ${FOR_THE_PAN}`) : line;
    })
    .filter((l) => l.ingredient !== null);
  return lines.filter((l, n) => lines.findIndex((x) => x.ingredient?.id === l.ingredient?.id) === n);
}

/** What steams beneath a lid goes into no batter. */
const LID_ON_WITH = /\b(?:lid|cover(?:ed)?)\b[^.;]{0,24}\b(?:with|and)\s+$/i;
const FOR_STEAM =
  /^\s*(?:under the lid|for (?:the )?steam|(?:a?round|beside|next to|between) (?:it|them|the (?:cakes|pancakes|rings)))\b/i;
/** "The oven's on with a skillet in it, four tablespoons of butter in that". */
const HOT_DISH = /\b(?:skillet|pan|tin|dish)\b[^.;]{0,20}$/i;
/** "Small pan, bit of butter": the pan's, though nobody says so. */
const AT_A_PAN = /\b(?:pan|skillet|griddle|iron)\b[^.;]{0,12}$/i;

/** "Une noisette de beurre dans la poêle". */
const IN_A_PAN_ABROAD =
  /^\s*(?:dans (?:la|une)|in (?:die|der|einer|eine)|en (?:la|una)) (?:\p{L}+ )?(?:poêle|pfanne|sart[eé]n)(?!\p{L})/iu;
const AT_HEAT_ABROAD =
  /(?<!\p{L})(?:\p{L}*pfanne|poêle|sart[eé]n|\p{L}*eisen|gaufrier|gofrera|plancha|(?:aus)?backen|braten|cuire|freír|engras\p{L}+|graiss\p{L}+|(?:ein)?fetten)(?!\p{L})/iu;
/** The line of what is not the batter's: the pan's, or the plate's; `tool`: what is wiped with; null: it is the batter's. */
function besides({
  before,
  after,
  text,
  line,
  read,
}: {
  readonly before: string;
  readonly after: string;
  readonly text: string;
  readonly line: Line | null;
  readonly read: (text: string) => Line;
}): Line | 'tool' | null {
  const isFat = line?.ingredient?.category === 'fat';
  // "lid on with a spoon of water"
  if (line?.ingredient?.id === 'water' && (LID_ON_WITH.test(before) || FOR_STEAM.test(after))) return 'tool';
  // "in der Pfanne mit etwas Butter"
  if (isFat && SOME_ABROAD.test(text) && AT_HEAT_ABROAD.test(before + after)) return 'tool';
  // "wipe with half an onion"
  if (
    /\b(?:wip(?:e|es|ed|ing)|rub(?:s|bed|bing)?|greas(?:e|es|ed|ing))\b[^,;.]{0,16}\bwith\s+$/i.test(before) &&
    !isFat
  )
    return 'tool';
  // "and fry with a knob of butter", "and serve with a drop of honey"
  const beside = BESIDE.find(([re]) => re.test(before))?.[1];
  const apart = beside === undefined ? null : read(`${text} ${beside}`);
  // semolina cooked in milk keeps its milk
  if (apart?.ingredient && (beside !== FOR_THE_PAN || apart.ingredient.category === 'fat')) return apart;
  // "a teaspoon of butter per panful", "a drop of oil wiped round"
  return isFat &&
    (PER_PAN.test(after) ||
      IN_EACH_WELL.test(after) ||
      /\bwiped\b/i.test(text) ||
      IN_A_PAN_ABROAD.test(after) ||
      (/^\s*in(?:to)? (?:that|it|there)\b/i.test(after) && HOT_DISH.test(before)))
    ? read(`${text} ${FOR_THE_PAN}`)
    : null;
}

/** "Feeds six as a starter": a course. */
const AS_A_COURSE = /\b(?:feeds|serves|for|people|does|enough)\b[^,;.]*\bas\s+$/i;

/** Behind an amount: what is poured for a piece. */
const EACH_POURED =
  /^\s*(?:(?:each|apiece|a piece)\b(?!\s+of\b)|(?:to|in|into|for) (?:an|each|every|the|one) (?:waffle )?iron\b|per (?:(?:pan|hot|griddle)?cake|pancake|waffle|cr[eê]pe|piece|fritter|scone|one|blini)\b)/i;

/** Whether a number in a sentence measures no food: minutes, degrees, a bowl. */
const isNoAmount = (sentence: string, at: number, number: string, after: string): boolean =>
  NO_FOOD.test(after) ||
  // "I use a 5 litre bucket": what it is mixed in
  /^(?: \d+)?[ -]?(?:lit(?:re|er)s?|l|quarts?|cups?|pints?|gallons?)[ -](?:bucket|bowl|jug|jar|tub|pot|pan|container|pail|basin)\b(?! of\b)/i.test(
    after,
  ) ||
  // "200 C" is a heat, "2 c" are cups
  (/\d{2}/.test(number) && /^\s*[CF]\b/.test(after)) ||
  // "I got the pan at a sale"
  (/^an?$/i.test(number) && /\bat\s+$/i.test(sentence.slice(0, at))) ||
  // "in a jug I whisk two eggs": where, and not how much
  (A_VESSEL.test(after) &&
    /(?<!\p{L})(?:in|into|to|with|from|take|get|grab|use|dans|en)\s+$/iu.test(sentence.slice(0, at)));

/** What no table knows is asked about where it is measured, and where its name is of several ("un sachet de levure"). */
const isAsked = (before: string, text: string, read: (t: string) => Line, isMeasure: (t: string) => boolean): boolean =>
  !SPEAKS.test(text) &&
  !/\b(?:measuring|(?:one|two|three|four|six|\d)[- ]cup) (?:cup|jug|bowl|measure|ladle|scoop)s?$/i.test(text) &&
  // "blitz the oats to a powder": what becomes of them
  (isMeasure(text) || (!/\b(?:to|into|as|like)\s+$/i.test(before) && asksWhich(read(text))));

/**
 * The line of an item, where it stands in a sentence; null: nothing is measured by it.
 * @param named the thing it is of, told before it
 */
function measuredAt({
  before,
  after,
  item: { line, text },
  named,
  read,
}: {
  readonly before: string;
  readonly after: string;
  readonly item: ItemAt;
  readonly named: Line | null;
  readonly read: (text: string) => Line;
}): Line | null {
  const apart = besides({ before, after, text, line, read });
  if (apart !== null) return apart === 'tool' ? null : apart;
  // "a dessertspoon each": poured
  if (line === null && EACH_POURED.test(after)) return null;
  const each = FOR_EACH.exec(after)?.[0];
  // so much for each guest is not how much there is: asked with its words; of a thing nobody names it is a portion
  if (each !== undefined) return line === null ? null : read(`${text}${each}`);
  return line ?? named ?? read(text);
}

/**
 * What a sentence measures, each thing as a line: "Put 250 g flour in a bowl and break in 4 eggs". A number of minutes,
 * degrees or pieces is none.
 * @param isMeasure whether a text holds a food by weight, measure or count
 */
export function measuredIn(
  sentence: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
  isMeasure: (text: string) => boolean,
): readonly Line[] {
  // "cup and a quarter of milk", "teaspoon salt": one
  const read = (text: string): Line =>
    readLine(
      /^(?:cup|pint|quart|lit(?:re|er)|kilo|pound|mug|stick|sachet|pinch|spoon|handful|can|tin|tub|packet|carton|splash|dash|glug|tsp|tbsp|teaspoon|tablespoon|dessertspoon)\b/i.test(
        text,
      )
        ? `a ${text.replace(/^./, (x) => x.toLowerCase())}`
        : /^(?:würfel|löffel|esslöffel|teelöffel|päckchen|becher|tasse|glas|cuillère|verre|sachet|pot|vaso|taza|cucharada|cucharadita|sobre|schuss|schluck|spritzer|handvoll|pincée|poignée|chorrito|puñado)(?!\p{L})/iu.test(
              text,
            )
          ? `1 ${text}`
          : text,
      house,
      {},
      null,
      languages,
    );
  const out: Line[] = [];
  let from = 0;
  for (const m of sentence.matchAll(NUMBER)) {
    if (m.index < from) continue;
    const before = sentence.slice(0, m.index);
    const rest = sentence.slice(m.index, m.index + MOST_ITEM_CHARS);
    if (isNoAmount(sentence, m.index, m[0], rest.slice(m[0].length)) || AS_A_COURSE.test(before)) continue;
    const shared = EACH_OF.exec(rest);
    const item = shared ? null : itemAt(rest, read);
    // "water, a splash"
    const named = item?.line === null ? saidBefore(before, item.text, rest.slice(item.length), read) : null;
    // "for us four I do a cup of flour": the amount is the next number's
    if (item?.line === null && named === null && !isAsked(before, item.text, read, isMeasure)) continue;
    from = m.index + (shared?.[0] ?? '').length + (item?.length ?? 0);
    if (shared) out.push(...itemsOfEach(shared).map(read));
    if (item === null) continue;
    const told = measuredAt({ before, after: sentence.slice(from), item, named, read });
    if (told?.use !== 'batter') from += IN_EACH_WELL.exec(sentence.slice(from))?.[0].length ?? 0;
    if (told) out.push(told);
  }
  const isNamed = (l: Line): boolean => out.some((x) => x.ingredient?.id === l.ingredient?.id);
  return [...out, ...bitsIn(sentence, from, read).filter((l) => !isNamed(l))];
}
