/** How much is poured for a piece, and how wide it lies. */
import type { KitchenConventions } from '../../pantry/conventions';
import { levelOnes } from '../../pantry/weigh';
import { readAmount } from '../../quantity/amount';
import { mlOf, unitById } from '../../quantity/units';
import { type Clause, clausesOf, hundredths, type ToldFact } from './clause';
import { inFigures, middle } from './spoken';
import { anyWord, AT_THE_HEAT as HEAT } from './words';

const POURS =
  /\b(?:echar?|tip in|vierte|vierta|versez|verser|ladle|pour|verter|drop|scoops?|spoon|swirl|use|fill|portion|measure|put|give|each|apiece|of batter|using|by)\b/iu;
const PER_PIECE =
  /\b(?:(?:for|für|pour|para|per|pro|por|par|je|to) (?:jede[nrs]? |chaque |cada |an? )?(?:iron|pc|portion|each|every|cada(?: un[ao])?|chaque|chacune?|one|a|an|hot ?cake|pikelet|flapjack|filloa|panqueque|pfannkuchen|galette|cr[êe]pe|gaufre|gofre|cake|pancake|waffle|crepe|piece|plate|hole|hollow|blinis?|blin|ball|fritter|waffel|square|stück|tortita|pieza|pièce)|(?:une?|eine?|una?|chaque|cada|jede[rs]?) (?:crêpe|galette|gaufre|pfannkuchen|waffel|tortita|crepe|gofre|pancake) (?:prend|demande|braucht|bekommt|lleva|necesita)(?= )|(?:use|with) (?:the|a|my) (?:quarter|third|half|\d\/\d)[- ]cup|fills (?:it|the|my|one)|(?:the|my|an) iron takes?|fills? (?:the|my|an?) iron|(?:it|this one|mine) takes|(?:every|each) (?:iron|pan|hollow|hole|one) (?:gets|takes)|pour on|(?:dollops|blobs|spoonfuls|pools|puddles|pieces|cakes|pancakes|crepes|waffles) of(?= (?:about )?\d)|apiece|(?<=\d ?(?:ml|g|oz))\/ ?(?:pc|piece|ea(?:ch)?)|a (?:hole|hollow|dimple|piece|crepe|cake|pancake|waffle)|each|ea|makes? (?:one|a|1)|(?:fill|into) (?:the |each |every )?(?:iron|hollow|well|hole|mould)s?|at a time|a go|je(?= \d)|(?:of )?(?:the )?batter|de (?:la )?(?:masa|pâte)|teig|(?:gives (?:me |you )?|does )(?:an?|one)|and (?:swirl|tilt|spread|rotate|tip)|swirl|measure|porci[oó]n(?:es)?|portions?|scoops?|ladles?(?:ful)?)\b/i;

const WIDTH =
  /(\d+(?:[.,]\d+)?|\b(?:two|three|four|five|six|seven|eight|nine|ten|twelve)\b)(?:\s*(?:-|–|to|bis|à|a)\s*(\d+))?[\s-]*(cm|centimet(?:re|er)s?|inch(?:es)?|in\.|")[\s-]*(?:wide|across|in diameter|circles?|rounds?|pancakes?|cakes?|discs?|pools?|puddles?|crepes?|waffles?|thick|breit|groß|durchmesser|de diamètre|de diámetro|de large|de ancho)?/i;
/** A width of these is none of a piece. */
const OF_GEAR = /\b(?:pan|skillet|griddle|thick|apart|deep|high|whisk)\b/i;
/** "13x18-inch rimmed sheet pan". */
const GEAR_BEHIND = /^[\s-]*(?:(?:rimmed|sheet|baking|deep|heavy|square|round) )*(?:pan|tin|tray|dish|sheet)\b/i;
/** "In a large pan (28 cm)". */
const GEAR_BEFORE = /(?<!\p{L})(?:pan|skillet|\p{L}*pfanne|poêle|crêpière|sartén)\s*\($/iu;
const LIES =
  /bigger than|flatten|press|shape|rake|edge|pat(?:ted)?\b|nudge|ease|spiral|roll|wide|across|diameter|circle|round|cake|disc|pool|puddle|crepe|waffle|spread|breit|groß|durchmesser|diamètre|diámetro|de large|de ancho|fladen|galettes|kreise|disques|círculos|verstreichen|étale[rz]|extend[eé]r|ø/i;
const CM_IN_INCH = 2.54;

function widthsIn({ text, sentence, taken }: Clause): readonly ToldFact[] {
  const m = WIDTH.exec(text);
  // "little ones, 6 cm"
  const alone =
    m !== null &&
    m[0].trim() === text &&
    /\b(?:size|ones|rings|rake|edge|cakes|pancakes|crepes|rounds|circles|puddles|pools|discs|dollops|blobs|\d ?(?:ml|cups?|tbsp)|tablespoons?)\b/i.test(
      sentence,
    ) &&
    !OF_GEAR.test(sentence);
  if (!m || /\bthick\b/i.test(m[0]) || !(alone || LIES.test(text))) return [];
  const end = m.index + m[0].length;
  const isGears =
    OF_GEAR.test(text.slice(end, end + 14)) ||
    GEAR_BEHIND.test(text.slice(end)) ||
    GEAR_BEFORE.test(text.slice(0, m.index));
  const n = isGears ? undefined : middle(text.slice(m.index))?.value;
  if (!n) return [];
  const cm = /^c/i.test(m[3] ?? '') ? n : CM_IN_INCH * n;
  return [{ fact: 'width', value: hundredths(cm), unit: 'cm', of: 'piece', words: text, taken }];
}

/** Where an amount may begin. */
const BEGINS =
  /(?:\b(?:(?:quarter|third|half|eighth|two[- ]thirds|three[- ]quarters) of a cup|about|a generous|a bit under|a bit less than|a little (?:less|under)|just under|scant|half[- ]full|(?:half|two[- ]thirds|three[- ]quarters|a third) of (?:a|the)|quarter|third|a|an|one|two|three|four|half)\b|[\d½¼¾⅓⅔])/gi;
/** A part of a measure, and how much of it. */
const PARTS: readonly (readonly [RegExp, number])[] = [
  [/^(?:a )?quarter of (?:a|the)\s+/i, 0.25],
  [/^(?:an )?eighth of (?:a|the)\s+/i, 1 / 8],
  [/^third of (?:a|the)\s+/i, 1 / 3],
  [/^(?:half[- ]full|half of (?:a|the))\s+/i, 0.5],
  [/^two[- ]thirds of (?:a|the)\s+/i, 2 / 3],
  [/^three[- ]quarters of (?:a|the)\s+/i, 0.75],
  [/^a third of (?:a|the)\s+/i, 1 / 3],
];
const UNDER = /^(?:a scant|a bit under|a bit less than|a little (?:less|under)(?: than)?|just under|scant)\s+/i;
const HEAPED = /\b(?:heap(?:ed|ing)|rounded|gehäufte[nr]?|bombées?|colmadas?)(?!\p{L})/iu;
/** "A bit under" is taken for a tenth, and asked. */
const A_BIT = 0.9;
/** What follows a portion; anything else is what is put into the batter. */
const FOLLOWS =
  /^(?:batter|blobs?|dollops?|circles|discs|puddles|pools|ones|mounds|patties|drops|rounds|pancakes|cakes|crepes?|measures?|scoops?|ladles?|pours|fills?|dishers?|while|as|here|there|to|it|mix(?:ture)?|for|per|each|ea|apiece|a|at|in|into|on|onto|of|goes?|does|spread|swirled|tilted|portions?|is|makes?|and|round|around|teig|masa|pâte|por|par|pro|je|für|pour|para|cada)$/i;
const FLUID_OUNCE_ML = 29.5735;
const A_PIECE =
  /\b(?:each|ea|apiece|a piece|of (?:the )?batter|portions?|pcs?|(?:per|(?:for|to) (?:each|every|one|an?)) (?:griddle ?)?(?:piece|cake|pancake|waffle|cr[eê]pe|galette|blini|one|ball|iron|pan)|an? (?:cake|pancake|waffle|cr[eê]pe|galette|blini)|(?:par|pro|je|por|cada) (?:crêpe|crepa|galette|gaufre|pièce|stück|pfannkuchen|waffel|pieza|tortita|una?))\b/i;
/** mL that anybody pours for one piece. */
const LEAST_ML = 4;
const MOST_ML = 500;

/** A measure that a text begins with, as an amount is written, and what share of it is meant. */
function measureAt(said: string): { readonly bare: string; readonly share: number; readonly under: boolean } {
  const part = PARTS.map(([re, share]) => ({ length: re.exec(said)?.[0].length ?? 0, share })).find(
    (p) => p.length > 0,
  );
  const under = UNDER.exec(said)?.[0].length ?? 0;
  const cut = said.slice(part?.length ?? under);
  const isBare = (part || under > 0) && /^\p{L}/u.test(cut) && !/^(?:an?|one|two)\b|^(?:quarter|third|half)/i.test(cut);
  const bare = (isBare ? `1 ${cut}` : cut)
    .replace(/^(?:about|a generous(?= half| quarter| third))\s+/i, '')
    .replace(/^(?:a\s+)?quarter\b/i, '1/4')
    .replace(/^(?:a\s+)?third\b/i, '1/3')
    .replace(/^(\d\/\d|[½¼⅓⅔¾])\s+of a\s+/i, '$1 ')
    // a scoop that holds so much
    .replace(
      /\b(cup|ml)[- ](?:(?:dry|measuring) )?(?:scoop|ladle|disher|dipper|spoon|measure|jug|beaker)(s?)\b/i,
      '$1$2',
    );
  return { bare, share: (part?.share ?? 1) * (under > 0 ? A_BIT : 1), under: under > 0 };
}

/** The portion that a text begins with; null where it begins with none. */
function portionAt(said: string, { text, taken }: Clause, house: KitchenConventions): ToldFact | null {
  const { bare, share, under } = measureAt(said);
  const read = readAmount(bare);
  const term = read?.amount.terms[0];
  const unit = term?.unit ? unitById(term.unit) : undefined;
  if (!read || !term || !unit) return null;
  // an ounce of batter is poured, and not weighed
  const ounces = unit.id === 'oz' && /^\s*(?:of )?(?:the )?batter\b/i.test(bare.slice(read.length));
  const isWeighed = unit.dimension === 'mass' && !ounces;
  const after = bare.slice(read.length).replace(/^\s*(?:measure|cup|scoop|ladle|jug|of)\b/i, '');
  const thing = /^\s*(?:(?:of|de|du|von)\s+)?(?:(?:the|la)\s+)?(\p{L}+)/u.exec(after)?.[1] ?? '';
  if (thing && !FOLLOWS.test(thing)) return null;
  const asked = taken === 'told' ? ('asked' as const) : taken;
  const fact = { fact: 'portion', of: 'piece', words: text } as const;
  // what a piece weighs is told; how many ml that is hangs on the batter
  if (isWeighed && !A_PIECE.test(text)) return null;
  if (isWeighed) return { ...fact, value: bare.slice(0, read.length).trim(), unit: null, taken: asked };
  const each = ounces ? FLUID_OUNCE_ML : mlOf(unit, house)?.valueOf();
  // a ladle has no set size
  const asRead = said.slice(0, said.length - bare.length + read.length).trim();
  if (each === undefined) {
    const value = share === 1 && !under ? bare.slice(0, read.length).trim() : asRead.toLowerCase();
    return { ...fact, value, unit: null, taken: asked };
  }
  const n = (term.low.valueOf() + (term.high ?? term.low).valueOf()) / 2;
  const filled = term.fullness && HEAPED.test(text) ? levelOnes(term.fullness, unit) : 1;
  const ml = share * filled * each * n;
  if (ml < LEAST_ML || ml > MOST_ML) return null;
  return {
    ...fact,
    value: Math.round(1000 * ml) / 1000,
    unit: 'ml',
    // a heaped spoon holds more than the spoon
    taken: under || HEAPED.test(text) ? asked : taken,
    said: asRead,
  };
}

/** "Drop by heaping tablespoons": one of them. */
const BY =
  /\b(?:by (?:the )?((?:(?:heaping|heaped|rounded|level|scant|large) )?(?:(?:quarter|third|half)[- ]cup|\d\/\d[- ]cup|tablespoon|teaspoon|dessertspoon)(?:ful)?s?)|(?:drop|spoon|dollop|scoop|place|fry) (?:in |on |out )?((?:(?:heaping|heaped|rounded|level|scant|large) )?(?:tablespoon|teaspoon|dessertspoon)(?:fuls?|s))|^((?:tablespoon|teaspoon|dessertspoon)(?:fuls|s)) of batter)\b/i;
const PORTIONED = new RegExp(`${POURS.source}|\\bfry (?:in )?(?:tablespoon|dessertspoon|teaspoon)`, 'iu');
/** "The scoop's a hundred and fifty": millilitres, though nobody says so. */
const HOLDS = /^(?:the |my )?(?:scoop|ladle|disher)(?:[’']s| is| holds)(?: about)? (\d{2,3})$/i;
/** "A number 16 scoop"; and its number alone, where the sentence speaks of a scoop. */
const NUMBERED_SCOOP =
  /(?:#|\b(?:no\.?|number|size))\s?(\d{1,2})\s*(?:(?:ice[- ]?cream|cookie|portion) )?(?:scoop|disher|dipper)|\b(?:scoop|disher|dipper) \((?:#|no\.?|number|size) ?(\d{1,2})\)|^portion(?: with)?(?: a)? #(\d{1,2})$/i;
const SCOOP_ALONE =
  /^(?:that[’']s )?(?:a )?(?:#|no\.? |number )(\d{1,2})$|^(?:the |my )?(?:scoop|disher)(?:[’']s| is|:) (?:a |an )?(?:#|no\.? |number )?(\d{1,2})$/i;

/** "Big spoonful.", "a heaped half cup": so much, and nobody knows how much. */
const SPOON_ALONE =
  /^(?:use )?(?:an? )?(?:(?:big|small|large|good|little|serving) (?:spoon(?:ful)?s?|ladle(?:ful)?s?|scoops?|splodges?|dollops?|blobs?)|(?:heaped|heaping) (?:half|quarter|third|\d\/\d)[- ]cup)(?: of batter)?(?: each| for each)?$/i;
/** So much that it covers or fills what it is poured into: how much that is, the cook says. */
const FILLS =
  /\b(?:enough (?:batter )?to (?:cover|coat|film)|enough (?:batter )?so (?:that )?(?:the|its) (?:bottom|base)(?:[’']s| is)? (?:just )?covered|to (?:about )?an? (?:finger|thumb|cm|centimetre|half inch|inch) (?:from|below|short of) the (?:top|rim)|(?:cover|coat|film) the (?:bottom|base|pan)\b|(?:half|two[- ]thirds|three[- ]quarters|almost|nearly|just) full|(?:to|under|below|to (?:just )?(?:under|below)) the (?:rim|brim|top)\b|to (?:just )?(?:under|below) (?:the )?rim\b|(?:^|\band )fill(?:ing)? (?:(?:them|each|(?:the |each |your )?(?:\w+|rings|holes|wells)) )?(?:about |up |to )?(?:half(?:way)?|two[- ]thirds|three[- ]quarters|[1-3]\/[2-4](?! ?(?:cups?|c\b|ml|tbsp)))(?!\p{L})|\bhalf[- ]fill\b|(?:use|with|by) (?:an? |the |my )?(?:big |small |large )?(?:ice[- ]cream scoop|cookie scoop|serving spoon|gravy ladle|soup ladle)|(?:tip|pour|put) in an? (?:coffee|tea)? ?(?:cup|mug)(?:ful)? of batter|(?:drop|pour|put|place|spoon|fry) (?:heaped |large |small |big )?(?:(?:dessert|table|tea)?spoonfuls|ladlefuls|dollops|blobs)|des cuillerées|half the (?:mix|batter)|(?:(?:about |roughly )?the size of|as (?:big|large|wide) as|no (?:bigger|larger) than) (?:an?|your|my|the) (?:(?:small|large|side|tea|coffee|dinner) ?)*(?:saucer|hand|palm|plate|fist|biscuit|coaster|jar lid|mug|cup|coin)|un (?:cacillo|quart de tasse|cuarto de taza|tercio de taza)|media taza(?= por)|(?:fill )?(?:almost|nearly) to the top|(?:einer? )?(?:halben? |kleinen? |großen? |knappen? )?(?:schöpf)?kelle|(?:une )?(?:demi[- ]|petite |grande |bonne )?louche|(?:un |medio )?(?:cucharón|cazo|cacito)(?: pequeño| grande)?)(?!\p{L})/iu;
/** What may stand before an amount that says how much a measure holds: "my ladle is about", "so". */
const BEFORE_AMOUNT =
  /^(?:the |so |which is )?(?:(?:mine|my \w+|that|it|this|they)(?:[’']s| is| holds?) )?(?:about |around |some |(?:let[’']s |i[’']d )?say |roughly |probably |unos |unas |etwa |ca\.? |environ )*/i;
/** And behind one. */
const SAID_OF_AMOUNT =
  / (?:i[’']d (?:say|think|guess)|i (?:think|reckon|guess)|or so|near enough|more or less|give or take|i suppose)$/i;
const AMOUNT_ALONE =
  /^(?:\d|[½¼¾⅓⅔]|(?:ten|fifteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)\b)[^,;.]{0,14}$/i;

/** "The ladle holds half a cup, do it two-thirds full", "a half cup measure, but I fill it halfway". */
const FILLED =
  /\b(?:do|fill(?:ed)?|use|take|only) (?:it |that )?(?:about |only )?(?:half(?:way)?|1\/2|two[- ]thirds|2\/3|three[- ]quarters|3\/4)(?: full)?\b/i;
/** "Half-fill a quarter-cup measure". */
const PART_FILLED =
  /\b(?:half|two[- ]thirds|three[- ]quarters)[- ]fill(?:s|ed|ing)?\b|\((?:only |about )?(?:half|two[- ]thirds|three[- ]quarters)[- ]full\)/i;
const SHARES: readonly (readonly [RegExp, number])[] = [
  [/\b(?:half(?:way)?|1\/2)\b/i, 0.5],
  [/\b(?:two[- ]thirds|2\/3)(?!\d)/i, 2 / 3],
  [/\b(?:three[- ]quarters|3\/4)(?!\d)/i, 0.75],
];
function partOf(f: ToldFact, filled: string): ToldFact {
  const share = SHARES.find(([re]) => re.test(filled))?.[1] ?? 1;
  return typeof f.value === 'number' && f.fact === 'portion'
    ? { ...f, value: Math.round(1000 * share * f.value) / 1000 }
    : f;
}

/** What holds a portion, and nobody knows how much of it. */
const MEASURE = anyWord('scoop|ladle(?:ful)?|disher|measure|cucharón|cazo|cacillo|kelle|schöpfkelle|schöpfer|louche');

const OF_THE_MIX =
  /\b(?:cups?|g|grams?|ml|scoops?|parts?)\s+(?:of\s+)?(?:(?:the|this|dry|your|my)\s+)*(?:pre-?)?mix\b/i;
const MADE_WITH = /\b(?:add|plus|eggs?|milk|water|buttermilk|oil)\b/i;

const filledTo = (c: Clause, then: Clause | undefined): string =>
  (PART_FILLED.exec(c.text) ?? FILLED.exec(then?.text ?? ''))?.[0] ?? '';

/** Whether a clause is of what is poured, what it is poured into, or how large it lies. */
const speaksOfPouring = (text: string): boolean =>
  SIZE_OF.test(text) ||
  /\b(?:splodge|dollop|blob|pour|ladle|fill|batter|pan|mould|mold|hollow|well|hole|drop|put|place|spoon|scoop|cup|fill|fry|mix|cuire|chacune?|cada un|por|kelle|louche|cucharón|cazo|cacito)/i.test(
    text,
  );

/** @param then the clause that follows: "a ladleful each, 50 ml" */
export function portionsTold(c: Clause, house: KitchenConventions, then?: Clause): readonly ToldFact[] {
  // "a cup each of milk and flour"
  if (/\beach of \p{L}+/iu.test(c.text) && !/\beach of (?:them|these|the|it)\b/i.test(c.text)) return [];
  // "to one cup of mix add an egg": what the mix becomes
  if (OF_THE_MIX.test(c.text) && MADE_WITH.test(c.sentence)) return [];
  const filled = filledTo(c, then);
  const told = portionsIn(c, house).map((f) => partOf(f, filled));
  const amounts = told.filter((f) => f.unit === 'ml').length;
  // "a quarter cup measure, not quite full"
  if (/^(?:not quite|nearly|almost) full$/i.test(then?.text ?? ''))
    return told.map((f) => (f.fact === 'portion' && f.taken === 'told' ? { ...f, taken: 'asked' } : f));
  const open = told.find((f) => f.fact === 'portion' && f.taken === 'asked' && f.unit === null);
  // "a small ladle (60 ml)", "fill three quarters (about 2 tbsp)"
  const inside =
    /\((?:about |ca\.? |environ |unos )?(?:\d{2,3} ?ml|[1-4] ?(?:tbsp|tablespoons?))\)|(?<=\b(?:louche|kelle|cazo|cacillo|ladle|scoop) (?:de|von|of|mit) )\d{2,3} ?ml/i
      .exec(c.text)?.[0]
      .replace(/[()]|about |ca\.? |environ |unos /gi, '');
  const amount = inside === undefined || told.some((f) => f.unit === 'ml') ? null : portionAt(inside, c, house);
  if (amount && (open || FILLS.test(c.text) || POURS.test(c.text))) return [...told.filter((f) => f !== open), amount];
  const next = (then?.text ?? '').replace(BEFORE_AMOUNT, '').replace(SAID_OF_AMOUNT, '');
  const isMeasured = open || (amounts === 0 && MEASURE.test(c.text));
  if (isMeasured && then?.sentence === c.sentence && AMOUNT_ALONE.test(next)) {
    const amount = portionAt(next, then, house);
    if (amount) return [...told.filter((f) => f !== open), amount];
  }
  const fills =
    told.some((f) => f.fact === 'portion') || /\b(?:with|in) (?:\w+ ){0,2}(?:oil|butter|ghee|lard|fat)\b/i.test(c.text)
      ? null
      : (SPOON_ALONE.exec(c.text) ?? FILLS.exec(c.text));
  if (
    !fills ||
    // "the size of a saucer, so twelve centimetres": how wide it is, is told in figures
    (SIZE_OF.test(fills[0]) && WIDE_IN_FIGURES.test(c.sentence)) ||
    !speaksOfPouring(c.text)
  )
    return told;
  const taken = c.taken === 'told' ? ('asked' as const) : c.taken;
  return [
    ...told,
    {
      fact: 'portion',
      value: fills[0].replace(/^./, (c) => c.toLowerCase()),
      unit: null,
      of: 'piece',
      words: c.text,
      taken,
    },
  ];
}

/** "The size of a saucer", "no bigger than your palm": as wide as a thing. */
export const SIZE_OF = /\b(?:size of|(?:big|large|wide|bigger|larger) (?:as|than))\b/i;
const WIDE_IN_FIGURES = /\b(?:cm|centimet(?:re|er)s?|inch(?:es)?)\b/i;
/** What may stand around an amount that is poured, and nothing else. */
const AROUND =
  /(?<!\p{L})(?:a|an|the|of|in|on|onto|into|out|for|per|to|each|every|one|apiece|with|by|use|using|about|roughly|around|some|say|level|scant|full|generous|and|then|at|time|go|feel|eye|gives|makes|fills|extender|extiende|your|my|hot|middle|centre|batter|mix|mixture|dough|teig|pâte|masa|crêpe|crepes?|waffles?|pancakes?|cakes?|pieces?|blinis?|blin|galette|gaufre|tortita|gofre|stück|pro|je|par|por|de|del|du|la|le|chaque|cada|uno|pours?|poured|ladled?|ladle|spoon|spooned|drop|dropped|deposit|portions?|measures?|scoops?|dishers?|depositor|dispenser|set|lots|fill|roll|tilt|echa|echar|versez|from|outside|inwards?|edge|spiral|eingießen|einfüllen|schwenken|und|et|y|rounds?|blobs?|circles?|discs?|puddles?|dollops?|mounds?|verser|verter|vierta|put|tip|goes|beaker|jug|full|des|petite?s|tas|mug|glass|iron|pan|griddle|skillet|swirl|spread|i|we|you|apart|mine|me|squirt|bottle|small|little|barely|lightly|well|oiled|greased|buttered|ones|cm|centimet(?:re|er)s?|inch|across|\d+)(?!\p{L})/giu;
/** Something that says for what it is poured, or of what. */
const FOR_A_PIECE =
  /(?<!\p{L})(?:each|every|per|par|por|pro|je|cada|chacune?|apiece|portions?|measures?|scoops?|depositor|dispenser|rounds|batter|teig|pâte|masa|swirl|spread|goes in)(?!\p{L})/iu;
/** The sentence is of pieces on the heat, or of filling what they are made in. */
const HEATED = new RegExp(
  `${HEAT.source}|(?<!\\p{L})(?:fill|ladle|roll|tilt|swirl|spiral|squirt|squeeze|spread|lid|middle|pouring|drop|extender|extiende|étaler|(?:do|make|pour|drop) them|i go for|schwenken|eingießen)(?!\\p{L})`,
  'iu',
);
const FAT_BEFORE = /\bin (?:\w+ ){0,2}(?:butter|oil|lard|ghee|fat|dripping)\s*,\s*$/i;
const NUMBERLESS =
  /^(?:(?:then|a|good) )*(?=(?:(?:heaped|heaping|rounded|level|scant) )?(?:tablespoon|dessertspoon|teaspoon)(?:ful)?s?\b)/i;
/** "Une cuillère à soupe par pancake": one. */
const ONE_ABROAD =
  /(?<!\p{L})(?:une?|una|eine[nr]?) (?=(?:cuill|cuchara|(?:gehäuften? )?(?:ess|tee)löffel|tasse\b|taza\b))/giu;
/** "Ladle per crepe". */
const LADLE_ALONE = /^(?=(?:ladle|scoop)(?:ful)? (?:per|for|each|a)\b)/i;
const MEASURES_ALONE =
  /^(?:pour |use )?(?:\d\/\d|[½¼⅓⅔¾]) (?:cup(?:ful)?s?|c)$|^[\d.,]+ (?:dl|cl)$|^(?:pour |use )?[1-4] (?:tbsp|tablespoons?)$|^(?:a )?(?:quarter|third|half) of a cup$|^(?:quarter|third|half)[- ]cups?(?: (?:measures|scoops|portions))?$|^1 (?:table|dessert|tea)spoon(?:fuls|s| lots)$|^\d{2,3} ml(?: (?:dishers?|scoops?|ladles?))?$/i;

/** "50 ml de pâte par crêpe", "third-cup measures", "tablespoon each": an amount, and only what may stand around it. */
function amountAlone(c: Clause, house: KitchenConventions): ToldFact | null {
  const text = inFigures(c.text)
    .replace(/[- ](?:oz|ounce)[- ](?=ladle|scoop|disher)/i, ' fl oz ')
    .replace(/(?<=\b(?:depositor|dispenser|scoop|ladle|disher)(?: is| at| of)? [\d.]+ ?)(?:oz|ounces?)\b/i, 'fl oz')
    .replace(/(?<=\b(?:cups?|tbsp|tablespoons?|ml))-ish\b/i, '')
    .replace(/\s+/g, ' ')
    .replace(NUMBERLESS, '1 ');
  for (const m of text.matchAll(BEGINS)) {
    const portion = portionAt(text.slice(m.index), c, house);
    if (portion?.unit !== 'ml' || portion.said === undefined) continue;
    const rest = text
      .replace(
        /\b(?:while|as you|as i|and (?:i |you |we )?(?:get|let|keep|cover|close|start|give|tilt|swirl|turn|roll|flatten|spread|press))\b.*/i,
        '',
      )
      .replace(BEFORE_AMOUNT, '')
      .replace(portion.said, ' ')
      .replace(AROUND, ' ')
      .replace(/[^\p{L}]/gu, '');
    if (
      rest === '' &&
      (FOR_A_PIECE.test(text) || MEASURES_ALONE.test(text.replace(BEFORE_AMOUNT, '')) || HEATED.test(c.sentence))
    )
      return portion;
  }
  return null;
}

/** "100 g" behind an iron's setting, "drop 70 g", "12 pucks of 50 g", "120 g a galette": what one of them weighs. */
const WEIGHED_ALONE =
  /^(?:drop |pour |portion |use |about |ca\.? |etwa |environ |unos )*\d{2,3} ?(?:g|grams?|gramm|grammes|gramos)$/i;
const WEIGHED_EACH =
  /\b(?:[2-9]|[1-9]\d) (?:even |equal )?(?:pucks|rounds|patties|cakes|balls|pieces|discs|portions) of (?:about |around )?(\d{2,3} ?(?:g|grams?))\b|\b(?:boules|pâtons|kugeln|bolas|balls|pucks|patties) (?:de|von|à|zu|of) (\d{2,3} ?g)\b/iu;
function weighedAlone(c: Clause): ToldFact | null {
  const isAlone = WEIGHED_ALONE.test(c.text) && (HEATED.test(c.sentence) || /^(?:drop|pour|portion)/i.test(c.text));
  const amount = /\d{2,3} ?\p{L}+/iu;
  const value =
    WEIGHED_EACH.exec(c.text)
      ?.slice(1)
      .find((x) => x !== undefined) ?? (isAlone || A_PIECE.test(c.text) ? amount.exec(c.text)?.[0] : undefined);
  const grams = value !== undefined && readAmount(value)?.amount.terms[0]?.unit === 'g';
  const taken = c.taken === 'told' ? 'asked' : c.taken;
  return grams ? { fact: 'portion', value, unit: null, of: 'piece', words: c.text, taken } : null;
}

/** So much and no word of a piece: a volume, or what a piece weighs. */
const saidAlone = (c: Clause, house: KitchenConventions): ToldFact | null => amountAlone(c, house) ?? weighedAlone(c);

/** A volume among whatever other words: what may be poured for a piece. */
export function portionAmidst(c: Clause, house: KitchenConventions): ToldFact | null {
  const text = inFigures(c.text).replace(/\s+/g, ' ');
  for (const m of text.matchAll(BEGINS)) {
    const portion = portionAt(text.slice(m.index), c, house);
    if (portion?.unit === 'ml') return portion;
  }
  return null;
}

function portionsIn(c: Clause, house: KitchenConventions): readonly ToldFact[] {
  const { text, sentence, taken } = c;
  const widths = widthsIn(c);
  // "it should coat the back of a spoon": a spoon that measures nothing
  if (/\b(?:back of|off|from) (?:an?|the|your) (?:wooden )?(?:spoon|whisk|ladle)\b/i.test(text)) return widths;
  // "in butter, a teaspoon for each": of the fat
  if (
    /^(?:an?|half an?) (?:tea|table)?spoon/i.test(text) &&
    FAT_BEFORE.test(c.sentence.slice(0, c.sentence.indexOf(text)))
  )
    return widths;
  const drops = BY.exec(text);
  const by = drops
    ?.slice(1)
    .find((w) => w !== undefined)
    ?.replace(/(?:ful)?s?$/i, '')
    .replace(/[- ]cup$/i, ' cup');
  const each = by === undefined ? null : portionAt(/^(?:\d|quarter|third|half)/i.test(by) ? by : `1 ${by}`, c, house);
  if (each && PORTIONED.test(text)) return [...widths, each];
  const disher =
    /^(?:a |the |my )?(?:#|no\.?|number) ?\d{1,2} (?:scoop|disher)$/i.test(text) ||
    NUMBERED_SCOOP.test(text) ||
    (SCOOP_ALONE.test(text) && /\b(?:scoop|disher)\b/i.test(sentence));
  const figures = inFigures(text).replace(/\s+/g, ' ');
  if (!disher && !PER_PIECE.test(figures)) {
    const told = saidAlone(c, house);
    return told ? [...widths, told] : widths;
  }
  const holds = HOLDS.exec(text)?.[1];
  if (holds !== undefined)
    return [...widths, { fact: 'portion', value: Number(holds), unit: 'ml', of: 'piece', words: text, taken }];
  const number = NUMBERED_SCOOP.exec(text) ?? (disher ? SCOOP_ALONE.exec(text) : null);
  const scoop = unitById(`scoop-${number?.slice(1).find((x) => x !== undefined) ?? ''}`);
  const ml = scoop ? mlOf(scoop, house)?.valueOf() : undefined;
  if (ml !== undefined)
    return [
      ...widths,
      { fact: 'portion', value: Math.round(1000 * ml) / 1000, unit: 'ml', of: 'piece', words: text, taken },
    ];
  let open: ToldFact | null = null;
  const numbered = figures.replace(LADLE_ALONE, '1 ').replace(ONE_ABROAD, '1 ');
  for (const m of numbered.matchAll(BEGINS)) {
    const portion = portionAt(numbered.slice(m.index), c, house);
    if (portion?.unit === 'ml') return [...widths, portion];
    // "one ladle of 80 ml": how much a ladle holds may follow
    open ??= portion;
  }
  const told = amountAlone(c, house) ?? open;
  return told ? [...widths, told] : widths;
}

/** A portion as a card tells it: ml; open, where its words leave how much, or tell several. */
export type ToldPortion = number | 'open';

/** The portion that a card's notes tell; null where they tell none. */
export function portionTold(notes: string, house: KitchenConventions): ToldPortion | null {
  const told = clausesOf(notes)
    .flatMap((c, n, all) => portionsTold(c, house, all[n + 1]))
    .filter((f) => f.fact === 'portion' && f.taken !== 'remark');
  const [one] = told;
  if (one === undefined) return null;
  return told.length === 1 && one.unit === 'ml' && one.taken === 'told' ? Number(one.value) : 'open';
}
