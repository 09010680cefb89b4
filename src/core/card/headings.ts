/**
 * Headings of a card: recognised by their shape and by what follows them, and told apart by their words. A heading
 * whose words are in none of the tables is not guessed at: its group is asked about.
 */
import { plain } from '../quantity/units';

const ROLES = [
  'batter',
  'dry',
  'wet',
  'fold-in',
  'pan',
  'topping',
  'side',
  'method',
  'notes',
  'sweet',
  'savoury',
  'unknown',
] as const;
export type Role = (typeof ROLES)[number];

/** What a heading is about, by a word in it; the first row that fits counts. */
const BY_WORDS: readonly (readonly [Role, RegExp])[] = [
  [
    'method',
    /^(?:(?:the )?method|directions?|instructions?|preparation|steps?|how (?:to|we|i) .{0,40}|how[- ]to|procedure|do|what to do|making (?:them|it|the .{1,20})|to make(?: .{1,30})?|to (?:cook|mix|prepare|assemble|bake)(?: .{1,30})?|cooking|assembly|zubereitung|preparation|procedimento|preparacion|elaboracion|bereiding|fremgangsmade|framgangsmate|gor sa har|so wird'?s gemacht|so geht'?s|anleitung|arbeitsschritte|herstellung|etapes?|realisation(?: de la recette)?|deroulement(?: de la recette)?|pasos|cuisson|coccion|modo de (?:preparacion|hacerlo)|como (?:se hacen?|hacerl[oa]s?)|instrucciones|bereidingswijze)$/,
  ],
  [
    'notes',
    /^(?:notes?|tips?|variations?|storage|nutrition(?: facts)?|equipment|tools|you(?:'ll| will) need|remarks?|source|make ahead|to store|substitutions?|serving suggestions?|hinweise?|tipps?|astuces?)$/,
  ],
  ['savoury', /^(?:for (?:the |a )?)?(?:savou?ry)(?: (?:version|end|ones?|half|variation|pancakes|crepes|waffles))?$/],
  ['sweet', /^(?:for (?:the |a )?)?(?:sweet)(?: (?:version|end|ones?|half|variation|pancakes|crepes|waffles))?$/],
  [
    'pan',
    /^(?:(?:for|to) (?:the |your )?(?:hot )?(?:pans?|griddle|skillet|irons?|waffle irons?|frying|fry|greasing|grease|cooking|brushing|ball pan|tins?|moulds?)(?: the (?:pans?|griddle|irons?))?|(?:for|to) (?:coat(?:ing)?|oil(?:ing)?|film(?:ing)?) (?:the )?(?:pans?|griddle|irons?)|pans?|griddle|greasing|(?:frying|pan|griddle) (?:fat|oil|butter)|(?:oil|butter|fat) for (?:the )?(?:pan|griddle|frying|iron)|zum (?:ausbacken|braten|anbraten|backen|einfetten|frittieren)|fur (?:die )?pfanne|pour (?:la )?(?:poele|cuisson|graisser|frire)|per la padella|para (?:(?:la )?(?:sarten|plancha)|freir|engrasar)|til stegning|til steking|till stekning|om in te bakken)$/,
  ],
  // cards of old head their groups by what is done with them
  [
    'dry',
    /^(?:(?:first|then|now) )?(?:sift|sieve|sieben|tamiser|tamisez|tamizar)(?: (?:together|well|twice|dry|into (?:a|the) (?:large |big )?bowl))*$/,
  ],
  [
    'fold-in',
    /^(?:(?:then|finally|lastly|last|now|gently|carefully|lightly) )+fold in(?: (?:last|at the end))?$|^(?:unterheben|unterziehen)$/,
  ],
  [
    'batter',
    /^(?:(?:first|then|next|now|and|finally|lastly|gently|slowly|gradually|alternately|lightly) )*(?:whisk|beat|stir|mix|combine|blend|whizz|dissolve|rub|cut|pour|moisten|scald|mash|grate|proof|melt|cream(?= together)|put|place|take|measure|have|add|verruhren|ruhren|schlagen|mischen|vermischen|dazugeben|melanger|melangez|battre|battez|fouetter|ajouter|ajoutez|mezclar|batir|anadir)(?: (?:together|in|into|over|with|well|out|ready|up|until \S+|(?:in|into) (?:(?:a|the|another|one) )?(?:large |big |small |mixing )?(?:bowl|jug|blender|saucepan|pan)|(?:to|with) (?:the )?(?:dry|wet|flour|milk|eggs?|batter|mix(?:ture)?|this|that|it)))*$|^(?:in|into|to|over|with) (?:this|that|it|(?:the |a )?(?:dry|wet|flour|milk|eggs?|mix(?:ture)?|blender))(?: (?:add|stir in|pour|beat in|whisk in|mix in))?$|^(?:you )?need$|^(?:with|mise(?: en place)?|mit|avec|con)$/,
  ],
  // what is for the batter itself is the batter's, however it begins
  [
    'batter',
    /^(?:(?:to|for) )?(?:finish(?:ing)?|complete|completing|loosen(?:ing)?|thin(?:ning)?|lighten(?:ing)?|enrich(?:ing)?) (?:off )?(?:the )?(?:batter|mix(?:ture)?|dough|base)$|^(?:the )?next (?:morning|day)$|^(?:in )?(?:the )?(?:morning|evening)$|^(?:the )?day of$|^(?:then |and then |finally |lastly |also |next )?add(?: (?:last|later|in|at the end|all at once|all together|all|together|(?:in(?:to)?|to) the (?:dry|flour|above|bowl|mix(?:ture)?|wet)(?: \S+)?))?$|^(?:also|plus|and)$|^(?:raising agents?|leavening|leaveners?|fats?|sweeteners?|flavou?r(?:ing)?s?|aromatics|spices?|seasonings?|soaker|soaked (?:oats|grains|bran|seeds|cereal)|porridge|tangzhong|yudane|roux|pre-?ferments?|ferment|autolyse|scald)$|^on the (?:day|morning)$|^before (?:baking|cooking|frying)$/,
  ],
  [
    'topping',
    /^(?:(?:for|to) (?:serve|serving|finish|finishing|garnish|top|dust|dusting|decorate|the (?:table|plates?|top)|spread)(?: .{1,20})?|finish|toppings|serving|garnish(?:es)?|(?:for |to go )?on top|for over|at the table|on the side|decorations?|coating|for (?:rolling|coating|dredging|brushing(?: over)?|glazing)|egg ?wash|(?:to )?brush(?: (?:with|over))?|sprinkles?|sprinkle (?:with|over)|extras?|optional toppings?|serve with|to go with|zum servieren|zum bestauben|pour servir|per servire|para servir|om te serveren|til servering|till servering|accompaniments?|alongside|belag|fur (?:den )?belag|dazu|finition|garnir|cobertura|acompanamientos?|decoracion|accompagnements?|ausserdem(?: zum \S+)?|zusatzlich|sonstiges|deko(?:ration)?|zum (?:garnieren|bestreichen|dekorieren|bestreuen|belegen)|pour (?:accompagner|decorer|la decoration|le dressage|le dessus)|para (?:acompanar|decorar|adornar|espolvorear))$/,
  ],
  [
    'side',
    /^(?:for (?:the |my |a )?)?(?:.{0,40}\b)?(?:sauces?|glaze|compote|coulis|syrups?|fillings?|icing|frosting|drizzle|caramel|custard|curd|ganache|crumble|streusel|whipped (?:cream|butter)|(?:honey|cinnamon|maple|flavou?red|compound|herb|orange|lemon|brown|berry|vanilla|nut|garlic) butter|salsa|dip|relish|ragout|spread|jam|chutney|gravy|stew|swirl|praline|(?:the|pastry|lemon|vanilla|sour|cheese|chantilly|custard) cream|mousse|marinade|dressing|topping|whip|soak|crunch|brittle|slaw|salad|hash|\S*fullung|\S*sosse|\S*kompott|\S*glasur|\S*creme|compota|almibar|mermelada|crema(?: pastelera)?|creme patissiere|(?:salsa|sauce|crema|creme) (?:de |du |au |aux |a la )\S+(?: \S+)?|farce|garniture|ripieno|relleno|vulling|saus|fyld|fyll|fyllning)(?: (?:for|to go|on) .{1,30})?$/,
  ],
  ['side', /^(?:savou?ry |sweet )?(?:filling|stuffing|sauce)s? (?:per|for (?:each|one|every)|each)\b/],
  [
    'side',
    /^for (?:the |my )?(?:(?:caramelised|caramelized|fried|stewed|spiced|roasted|macerated|warm|cooked) )?(?:apples?|pears?|bananas?|peach(?:es)?|plums?|cherries|berries|strawberries|blueberries|raspberries|fruit|topping|mushrooms?|spinach|ham|salmon|bacon|cheese|butter|nuts|chicken)$/,
  ],
  [
    'side',
    /^(?:(?:caramelised|caramelized|fried|stewed|spiced|roasted|macerated|warm|cooked) )(?:apples?|pears?|bananas?|peach(?:es)?|plums?|cherries|berries|strawberries|blueberries|fruit|mushrooms?|onions?)$/,
  ],
  [
    'fold-in',
    /^(?:folded|fold|(?:to )?(?:fold|mix|stir)(?:ed)?[- ]?ins?|add[- ]?ins?|(?:for )?(?:the )?(?:egg )?(?:whites|meringue)|fold in (?:last|at the end)|last)$/,
  ],
  [
    'dry',
    /^(?:trockene zutaten|ingredients secs|ingredientes secos|ingredienti secchi|(?:the )?dry(?: ingredients?| mix(?:ture)?| bowl| team| things| stuff| part)?|flour mix(?:ture)?)$/,
  ],
  [
    'wet',
    /^(?:(?:feuchte|flussige|nasse) zutaten|ingredients (?:liquides|humides)|ingredientes (?:humedos|liquidos)|ingredienti liquidi|(?:the )?wet(?: ingredients?| mix(?:ture)?| bowl| team| things| stuff| part)?|liquids?|milk mix(?:ture)?|egg mix(?:ture)?|(?:for )?(?:the )?(?:egg )?yolks?)$/,
  ],
  [
    'batter',
    /^optional$|^(?:in )?(?:an?|one|another|the|1st|2nd|3rd|first|second|third|other) (?:other )?(?:big |large |small )?(?:bowl|jug|mug|basin|saucepan)$|^(?:and )?(?:first|then|next|later|at the end|finally|lastly|second|third|after (?:the )?rest(?:ing)?|just before (?:cooking|frying|baking|pouring))$|\b(?:ingredients?|ingr|batter|base|leaven|mix(?:ture)?|dough|sponge|starter|levain|poolish|pancakes?|pan-?cakes?|hot-?cakes?|griddle-?cakes?|flap-?jacks?|waffles?|crepes?|galettes?|blini|blinis|drop scones?|balls?|dutch bab(?:y|ies)|popovers?|fritters?|johnnycakes?|cakes?|yeast mix|(?:step|part|day|bowl|stage|group) (?:\d{1,2}|one|two|three|a|b)|night before|evening before|(?:in the |the next )morning|overnight|main|basics?|zutaten|teig|pfannkuchen|waffeln|ingredienti|impasto|pastella|ingredientes|masa|pate|ingredients|beslag|ingredienten|pannenkoeken|dej|deig|smet|deg|ingredienser|pandekager|pannekaker|pannkakor|rore|vafler|vafflor|crespelle)\b/,
  ],
];

/** "sauce-free", "no sauce", "without": the word does not name a sauce. */
const DENIED = /\b(?:free|no|without|non|un)\b/;

/** The words of a heading, without its marks, its yield and its colon. */
const headingWords = (text: string): string =>
  text
    .replace(/^[#=*_>\s]+|[#=*_\s]+$/g, '')
    .replace(/^\[([^[\]]+)\]$/, '$1')
    .replace(/\s*[([][^)\]]*[)\]]\s*$/, '')
    // "Batter (yields ~9 L):"
    .replace(
      /\s*\((?:yields?|makes|gives)?\s*(?:~|about |ca\.? )?[\d.,]+ ?(?:l|lit(?:re|er)s?|kg|g|ml|cups?|quarts?|gallons?)\)\s*:\s*$/i,
      '',
    )
    .replace(/[\s:–—-]+$/, '')
    .trim();

/** What a heading's words say it is about; null: they say nothing that is known. */
export function roleOf(words: string): Exclude<Role, 'unknown'> | null {
  const t = plain(words)
    .replace(/[’]/g, "'")
    .replace(/\bpan-cake/g, 'pancake')
    .replace(/\s+for \d.*$/, '')
    .replace(/^(?:optional|some) (?=\S)/, '')
    .replace(/(?<=\S)\s+(?:ideas?|suggestions?|options?)$/, '')
    .replace(/^ingredients? for (?:the )?(?=\S)/, '')
    .replace(
      /^(?:for|the|pour|per|para|til|till|voor|fur|zum|zur)\s+(?:the |la |le |les |il |l'|el |den |das |die |de |het )?(?=(?:batter|pancakes?|waffles?|crepes?|dough|base|balls?|cakes?|griddle ?cakes?)\b)/,
      '',
    )
    .trim();
  const bare = t.replace(/(?<!^(?:dry|wet))\s+ingredients?$/, '');
  for (const [role, re] of BY_WORDS) {
    const words = role === 'side' || role === 'topping' || role === 'pan' ? bare : t;
    if (re.test(words) && !(role === 'side' && DENIED.test(words))) return role as Exclude<Role, 'unknown'>;
  }
  return null;
}

interface HeadingShape {
  readonly words: string;
  /** Marked as one: a colon, a hash, bold, capitals, "For the ...". */
  readonly marked: boolean;
}

const LEADS = /^(?:for|to|pour|per|para|für|zum|til|till|voor)\s+\p{L}/iu;

/** "Zutaten (4 Pers.)". */
const FOR_SO_MANY =
  /\s*\((?:für |pour |para |for )?\d{1,3} (?:pers|people|person|guests?|portion|serving|stück|stk|pieces?|pcs|pancake|waffle|cr[eê]pe|waffel|pfannkuchen|raciones|uds)\p{L}*\.?\)$/iu;

/** Whether a row could be a heading by its shape alone. @param raw as written, marks and all */
export function headingShape(raw: string, text: string): HeadingShape | null {
  if (text.length > 80 || /^[\d½¼¾⅓⅔⅛]/u.test(text)) return null;
  const words = headingWords(text);
  const count = words.split(/\s+/).filter(Boolean).length;
  if (count === 0 || count > 8 || words.length > 60) return null;
  // "Batter (for 12):" may hold a number, "Sauce 2 cups" may not
  if (
    /\d/.test(words.replace(FOR_SO_MANY, '')) &&
    !/(?<!\p{L})(?:for|für|pour|para|per|voor|til|till|serves|makes|step|part|day|bowl|stage|group)\s+\d/iu.test(words)
  )
    return null;
  if (/:\s+\S/.test(text) || /[.!?]$/.test(text.trim()) || /,/.test(words)) return null;
  const bold = /^\s*(?:(\*{1,2}|_{1,2})[^*_\s][^*_]*\1|>{2,}\s[^*_]+)\s*:?\s*$/.test(raw);
  const capitals = /\p{Lu}{3}/u.test(words) && words === words.toUpperCase();
  const marked =
    /:\s*$/.test(text) ||
    /^\s*(?:#|=)/.test(raw) ||
    /^(?:[-–—]+\s*\S.*\S\s*[-–—]+|\[[^[\]]+\])$/.test(raw.trim()) ||
    bold ||
    capitals ||
    LEADS.test(words);
  return { words, marked };
}

/** What heads the list of a page, and no words besides. */
export const HEADS_LIST = /^(?:ingredients?|zutaten|ingr[eé]dients|ingredientes|ingredienti)\s*:?$/iu;

/** What a dish is called: a first row of it is the title, however it is marked. */
export const DISH =
  /\b(?:pan-?\s?cakes?|hot-?\s?cakes?|griddle-?\s?cakes?|flap-?jacks?|waffles?|cr[eê]pes?|galettes?|blinis?|drop scones?|balls?|dutch bab(?:y|ies)|popovers?|fritters?|johnny-?cakes?|cakes|pfannkuchen|waffeln|pannenkoeken|pandekager|pannekaker|pannkakor|v[aå]ff?l(?:er|or)|crespelle|frittelle|tortitas|crepas|gofres|gaufres|panqueques|palatschinken|eierkuchen|pfannekuchen|poffertjes|pikelets|hotcakes)\b/iu;
