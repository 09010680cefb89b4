/**
 * Talk written down in one breath, without a sign: a point is set where the next thing is done, and a comma where the
 * next is measured, so that it is read as the sentences it is. No word is another. The clauses of a method that is typed
 * by hand are parted in `told/clause.ts`, by a few patterns that every page can carry.
 */
import type { Language } from '../pantry/tables/other-names';
import { capital } from '../quantity/say';
import { COUNT_WORDS } from './items';

/** A dictated row as long as this, without a sign, is several sentences. */
const LEAST_RUN_CHARS = 90;
/** Signs that part; those within a number part nothing. */
const SIGN = /(?<!\d)[,.:]|[,.:](?!\d)|[;!?()–—|]/;
const isOneBreath = (t: string): boolean => t.length >= LEAST_RUN_CHARS && !SIGN.test(t.replace(/[.!?]+$/, ''));

/** One of the words of a list, for a pattern; what has a space of its own is written with `\s`. */
const oneOf = (list: string): string => list.trim().split(/\s+/).join('|');
/** A pattern where none of the words stands right before. */
const notBehind = (words: string): string => String.raw`(?<!(?<!\p{L})(?:${words}))`;

/** The places of the signs that one language of such talk wants: the space before what is next. */
interface Signs {
  readonly points: readonly RegExp[];
  readonly commas: readonly RegExp[];
}

/** What is told of a language: its words, from which its signs come. */
interface Manner {
  /** Begins a sentence, by its first words. */
  readonly begins: readonly string[];
  /** What follows these words belongs to them. */
  readonly leadsOn: string;
  /** Ends a sentence, whatever follows: the verb, where it stands last. */
  readonly ends: string;
  /** How much of a thing is the next one's. */
  readonly amount: string;
  /** The words an amount belongs to that follows them, besides those that lead on. */
  readonly takes: string;
}

const signsOf = (m: Manner): Signs => ({
  points: [
    new RegExp(String.raw`${notBehind(m.leadsOn)}\s+(?=(?:${m.begins.join('|')}))`, 'giu'),
    new RegExp(String.raw`(?<=(?<!\p{L})(?:${m.ends}))\s+(?!(?:und|oder|lassen|bis)(?!\p{L}))`, 'giu'),
  ],
  commas: [
    new RegExp(
      String.raw`(?<=\p{L}{2})(?<!(?<!\p{L})(?:${m.leadsOn}|${m.takes})(?<!(?:pancake|waffle|baking|dry|cake) mix))\s+(?=${m.amount})`,
      'giu',
    ),
  ],
});

/** How many, in English; a number beside its thing. */
export const COUNT_SAID = `(?:an?|half an?|${COUNT_WORDS}|[0-9]+)`;
const TENS = '(?:ten|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)';
const TIME = '(?:minutes?|mins?|seconds?|secs?|hours?)';
const PORTION = '(?:cups?|ladles?|ladlefuls?|scoops?|spoonfuls?|tablespoons?|ml|grams?|ounces?)';
const PIECE = '(?:pancakes?|waffles?|cr[eê]pes?|cakes?|pieces?|galettes?|go)';
const PLATE = '(?:griddle|pan|skillet|oven|iron|girdle|plate)';
const DOES = oneOf(String.raw`
    add beat blend blitz break brush chill cook cover crack cut dissolve drain drop dust fill finish
    fold fork fry bake grate heat keep knead ladle leave let make mash melt mix pour preheat put
    (?<!${TIME}\s)rest rub (?<!(?:${PORTION}|\d|ten|twelve|sixteen|twenty)\s)scoop season separate
    serve sieve sift soak spoon spread sprinkle stack stand stir strain swirl take tip top turn use
    wait (?<!(?:them|it|em|keep)\s)warm whip whisk whizz? work (?:cover|mix|add|whisk|stirr)ed left`);
const WITH_WHAT = `(?:${oneOf(`
    it em them that this the your my a everything all in on onto over up out together with for half
    until till while wet dry yolks whites batter smooth well just about (?:tablespoon|spoon)fuls`)}|${COUNT_SAID})`;
const LED_ON = oneOf(String.raw`
    to and then so until till if when while that which who what where how as because than or of the
    an? your my is in on with for don[’']t i we you he she they just can will should gently slowly
    first next now once meanwhile usually maybe medium moderate low high least whatever anyone kinda
    sorta til um uh hot about around pancake waffle crepe baking let\s(?:it|them|that) barely always
    never only little big`);
const ENGLISH_MANNER: Manner = {
  begins: [
    String.raw`(?:and |so )?(?:next|after that|now|also|finally|last(?:ly| of all)?|meanwhile|first|once|usually|maybe|at least|no more than) (?!(?:and|i|you|we|side|thing|night)\b)`,
    String.raw`(?:and )?(?:slowly |gently )?(?:${DOES}) (?:${WITH_WHAT}\b(?! of\b)|and (?:then )?(?:${DOES})\b)`,
    String.raw`(?:stir|mix|whisk|blend|beat|shake) (?=(?:${DOES})\b)`,
    String.raw`add \p{L}|flip\b|don[’']t `,
    String.raw`(?:butter|oil|grease) (?:(?:the|your|my) (?:hot )?${PLATE}|each (?:hole|hollow|well))\b`,
    '(?:a (?:little|bit of) )?(?<!(?:spoons?|of) )(?:oil|butter) in each ',
    String.raw`batter (?:goes )?in\b(?! (?:each|the|a|every)\b)`,
    String.raw`(?:this|next|the next) (?:morning|day)\b|last night\b`,
    String.raw`(?:and )?(?:i|we|you|he|she|they)(?:[’'](?:ll|d|ve|re|m))? \p{L}`,
    "(?:it|that|let)[’']?s? (?:takes?|needs?|wants?|makes?|does|goes|is|an?|do|made) |that[’']s (?:it|all) ",
    "there[’']s |to that |(?:makes|serves|feeds|gives|keeps) ",
    String.raw`(?:egg )?(?:yolks|whites) (?=(?:\p{L}+ ){0,4}(?:together|beaten|whipped|folded|stiff)\b)`,
    String.raw`(?:medium|low|high)(?:[ -](?:low|high))? heat\b|lightly grease`,
    String.raw`in (?:a|the|my|another) (?:\p{L}+ )?(?:bowl|jug|blender|pan) (?=(?:i|we|you|goes?|put|${COUNT_SAID})\b)`,
    `(?:hot |little |big |dry )?${PLATE} (?:at|to|on|is|hot|goes|gets) `,
    // "griddle three seventy five"
    String.raw`${PLATE} (?:(?:one|two|three|four)(?: hundred)?(?: and)?(?: ${TENS}(?: five)?)?|\d{3})\b(?! ${TIME})`,
    // "quarter cup each", "60 ml a crepe", "half a cup of batter"
    String.raw`(?<!(?:half|quarter|thirds?) )(?:about )?(?:a |half a |a third of a |a quarter |quarter |third |two thirds |${COUNT_SAID} )(?:of )?(?:an? )?${PORTION}(?: (?:of batter|each|apiece|per)| an? ${PIECE})\b`,
    String.raw`(?:a |the )?(?:number|no) (?:\p{L}+|\d+) scoop`,
    // "about two minutes a side", "thirty seconds flip"
    String.raw`(?:about )?(?:${COUNT_SAID} (?:to|or) )?${COUNT_SAID}(?: and a half)? ${TIME} (?:a side|per side|each side|on the|on one|in the (?:iron|oven|pan)|first side|flip|turn)\b`,
  ],
  leadsOn: LED_ON,
  ends: String.raw`batter (?:goes )?in(?! (?:each|the|an?|every)\b)`,
  amount: String.raw`(?:(?:um|uh) )?(?:about )?(?:half (?:an? )?|(?:a |one |three )?quarters?(?: of an?)? |a third of a |two thirds of a |${COUNT_SAID}(?: and an? (?:half|quarter)| and three quarters?| hundred(?: and \p{L}+)?)? )(?:heaped |heaping |level |small |large |big |good |scant |(?:quarters?|thirds?) (?:of an? )?)?(?:${oneOf(
    `
    cups? tablespoons? teaspoons? tbsp tsp pints? quarts? ml g grams? kilos? kg lit(?:re|er)s? ounces?
    oz pounds? lb pinch(?:es)? splash sticks? handful knob dash sachets? packets? eggs? yolks whites`,
  )})\b`,
  takes: `${oneOf(`
    mixed whisked stirred added used took made put did about around roughly over into onto plus from
    by at say like some along goes add use take get grab pour whisk stir beat fold crack tip sift
    sieve melt warm mix rub work want need have got do weigh out make up half forget scoop hundred
    thousand`)}|${COUNT_WORDS}`,
};

/** "let it sit ten minutes griddle at": what stands behind a length of time is another's, but for such words. */
const BEHIND_TIME = new RegExp(
  String.raw`(?<=(?:\d|\b(?:an?|half|${COUNT_WORDS})) ${TIME}|\bovernight)\s+(?!(?:${oneOf(
    `
    an? each per on in at to or until till and for over before after if while with more so total maybe
    max from of rest(?:ing)? apiece the side under covered later longer tops uncovered out without
    when ish plus go is was does minimum first second then apart ago`,
  )})\b)(?=\p{L})`,
  'giu',
);
/** "The oven gets to four fifty three tablespoons butter in": what stands behind a heat is another's. */
const BEHIND_HEAT = new RegExp(
  String.raw`(?<=\b(?:to|at|griddle|oven|iron|pan) (?:(?:one|two|three|four) (?:hundred(?: and ${TENS}(?: five)?)?|${TENS}(?: five)?)|\d{3})(?: degrees)?)\s+(?!(?:five(?! (?:minutes|more))|degrees|[fc]|fahrenheit|celsius|and|for|or|to|with|until|till|in|on|oven|griddle|${TENS}(?! (?:minutes?|more|grams?|seconds?)))\b)(?=\p{L})`,
  'giu',
);
/** What is done next, whatever stands before it; "then two more" is of what was told. */
const THEN = new RegExp(
  String.raw`${notBehind(oneOf('so but only just since until till by and i we you he she flip turn'))}\s+(?=(?:and |so )?then (?!and\b|i\b|you\b|we\b|(?:about |another )?${COUNT_SAID}(?: and a half)?(?: more| gives| makes|$)))`,
  'giu',
);
/** "pinch of nutmeg", "tablespoon sugar": nobody says how many where it is one. */
const ONE_OF = new RegExp(
  String.raw`(?<=\p{L}{3})${notBehind(
    `${oneOf(`
    and with of about add the half quarters? thirds? heaped heaping level rounded scant generous small
    big large good tiny little wee plus same`)}|${COUNT_WORDS}`,
  )}\s+(?=(?:(?:tiny |big |good |little |wee )?(?:pinch|splash|dash|knob|tablespoon|teaspoon)(?: of)?|(?:the )?same of) (?!(?:at|each|per|in|on|measures?|it|that)\b)\p{L}{3})`,
  'giu',
);
/** "half a teaspoon baking powder salt and pepper". */
const SALT_NEXT = new RegExp(
  String.raw`(?<=\p{L}{3})${notBehind(
    oneOf(`
    pinch(?:es)? teaspoons? tablespoons? table sea kosher fine coarse rock flaky cooking iodi[sz]ed
    dash some and with the little bit grams? ounces? epsom of add plus cups? tsp tbsp then garlic
    onion celery no your half quarter without`),
  )}\s+(?=salt\b)`,
  'giu',
);

/** In these the verb stands first, and ends no sentence. */
const NOWHERE = '(?!)';

const HOW_MANY_DE = String.raw`(?:ein(?:e[nmr]?)?(?: halbe[nr]?)?|halbe[nr]?|zwei|drei|vier|fünf|sechs|sieben|acht|neun|zehn|zwölf|anderthalb|\d+)`;
const GERMAN: Manner = {
  begins: [
    `(?:und )?(?:dann|danach|anschließend|zum schluss|zuletzt|jetzt|nun) `,
    'alles ',
    '(?:das )?(?:reicht|ergibt|macht|gibt|langt) ',
    String.raw`(?:bei|auf) (?:mittlerer|mittelhoher|schwacher|starker|hoher|kleiner)\b`,
    String.raw`(?:die |eine )?pfanne (?:heiß|gut|auf|mit)\b|(?<!(?:butter|öl|schmalz|fett) )in (?:der|einer|die|eine) (?:\p{L}+ )?pfanne\b|teig (?:rein|in|portionsweise)\b`,
    String.raw`(?:pro|je|für jede[ns]?) (?:waffel|pfannkuchen|crêpe|stück|seite)\b|(?:von )?(?:jede[r]?|beide[n]?) seiten?\b`,
    String.raw`(?:eine|je eine|eine halbe) (?:kleine |große )?(?:schöpf)?kelle\b`,
    // "eigelb mit milch und mehl verrühren"
    `(?:die |das )?(?:eigelbe?|eiweiße?|eischnee|butter|mehl|eier|hefe) (?:mit|und|in|steif|einzeln|unter|zu) `,
  ],
  leadsOn: oneOf(`
    und oder mit in auf der die das den dem ein eine einen einer einem bis wenn wie dann danach
    flüssige weiche zerlassene geschmolzene etwas von aus für bei je pro halbe gramm g ml milliliter
    liter esslöffel teelöffel tassen? prise zwei drei vier fünf sechs acht zehn im ins zum`),
  ends: oneOf(String.raw`
    (?:ver|ein|unter|an|aus)?(?:rühren|mischen|schlagen|quirlen|heben|backen|kneten) pürieren
    (?:stehen|ruhen|quellen|gehen|ziehen|werden)\slassen trennen wenden zerreißen ausgießen bestreuen
    ausbacken zugeben dazugeben hineingeben`),
  amount: String.raw`(?:etwa |ca |ungefähr )?${HOW_MANY_DE} (?:viertel |halbe[nr]? |gehäufte[nr]? |gestrichene[nr]? |große |kleine |gute )?(?:${oneOf(
    `
    gramm g kilo ml milliliter liter esslöffel el teelöffel tl tassen? becher prisen? päckchen schuss
    spritzer messerspitzen? eier eiern ei eigelbe? eiweiße?`,
  )})(?!\p{L})`,
  takes: 'etwa|ca|ungefähr|nehme?n?|noch|zusätzlich|hundert|zweihundert|dreihundert|hab|brauche?|immer',
};

const HOW_MANY_FR =
  '(?:un(?:e)?(?: demi[- ]?e?)?|deux|trois|quatre|cinq|six|sept|huit|neuf|dix|douze|vingt|trente|cinquante|cent|[0-9]+)';
const FRENCH: Manner = {
  ends: NOWHERE,
  begins: [
    String.raw`(?:et |alors |après |puis |ensuite )?(?:je|on|tu|vous|nous|elle|il) (?:l[ea]s? |y |me )?\p{L}+`,
    '(?:et )?(?:puis|ensuite|enfin|après) (?!je\\b|on\\b|vous\\b)',
    '(?:et )?(?:ça|cela) (?:fait|donne) ',
    String.raw`(?:mélanger?z?|laisser?z?|battre|battez|ajouter?z?|verser?z?|faire cuire|faites cuire|mixer?z?|fouetter?z?|reposer) (?:l[ea]s?|le tout|tout|bien|dans|avec|au|\d+|${HOW_MANY_FR}|reposer)(?!\p{L})`,
    `(?:une |avec une )?(?:petite |bonne |demi )?louche (?:par|de pâte|pour)`,
    `(?:la )?poêle (?:bien )?(?:chaude|beurrée)|(?:dans|sur) (?:la|une) (?:poêle|crêpière)`,
    `(?:environ )?${HOW_MANY_FR} minutes? (?:de chaque|par|puis|d[’']un)`,
  ],
  leadsOn: oneOf(`
    et ou de du des le la les un une petite grande bonne demi avec dans sur pour que qui quand si puis
    ensuite alors après je on vous tu nous bien fait laisse me`),
  amount: String.raw`(?:environ )?${HOW_MANY_FR} (?:demi |petite? |grande? |bonne |grosse )?(?:${oneOf(
    `
    grammes? g kilos? ml millilitres? cl centilitres? litres? cuill[eè]r(?:e ée)s? tasses? verres?
    pinc[eé]es? sachets? paquets? [oœ]eufs? œufs? jaunes blancs gouttes?`,
  )})(?!\p{L})`,
  takes: 'environ|prends|mets|plus|par|chaque|ajoute|cent|mille|vingt|trente|quarante|cinquante|soixante|quatre|demi',
};

const HOW_MANY_ES =
  '(?:un[ao]?|medi[oa]|dos|tres|cuatro|cinco|seis|siete|ocho|nueve|diez|doce|quince|veinte|cien|[0-9]+)';
const SPANISH: Manner = {
  ends: NOWHERE,
  begins: [
    String.raw`(?:y |luego |después |entonces )?(?:l[oa]s? |se |yo )?(?:mezcl|bat|lic|dej|añad|ech|cocin|viert|agreg|incorpor|doy|calenta|pong)\p{L}* (?:l[oa]s?|todo|reposar|en|con|bien|el|un[ao]?|la)(?!\p{L})`,
    `(?:y )?(?:luego|después|al final) `,
    String.raw`(?:lo|y lo|la|los) (?:mezclo|bato|dejo|echo|licuo|cocino|vierto|pongo)(?!\p{L})`,
    String.raw`reposar (?=\p{L}|\d)`,
    '(?:y )?en (?:la|una) (?:sartén|plancha)',
    '(?:la )?sartén (?:bien )?caliente',
    '(?:a )?fuego (?:medio|bajo|alto|lento)',
    `(?:un cuarto de |media |una )(?:taza|cucharón|cucharada) (?:cada|por|para)`,
    `${HOW_MANY_ES} minutos? (?:por|de un|cada|y medio por)`,
    '(?:y )?(?:salen|rinde|da para|me salen) ',
  ],
  leadsOn: oneOf(`
    y o de del con el la los las un una en para que si cuando hasta lo luego después se al a por dejo
    todo deja dejar yo`),
  amount: String.raw`(?:unos |unas )?${HOW_MANY_ES} (?:y medi[oa] |cuartos? de |buena |grandes? |pequeñ[oa]s? )?(?:${oneOf(
    `
    gramos? g kilos? ml mililitros? litros? tazas? cucharad(?:it)?as? vasos? pizcas? sobres? huevos?
    chorr(?:it)?os? yemas claras`,
  )})(?!\p{L})|taza y media de`,
  takes: 'unos|unas|pongo|echo|más|añado|por|cada|cien|doscientos|trescientos|treinta|cuarenta|cincuenta',
};

const ofEnglish = signsOf(ENGLISH_MANNER);
const ENGLISH: Signs = {
  points: [BEHIND_TIME, BEHIND_HEAT, ...ofEnglish.points, THEN],
  commas: [...ofEnglish.commas, ONE_OF, SALT_NEXT],
};
const ABROAD: Readonly<Partial<Record<Language, Signs>>> = {
  de: signsOf(GERMAN),
  fr: signsOf(FRENCH),
  es: signsOf(SPANISH),
};

/**
 * A row dictated in one breath, with the signs it would be written with; any other as it is.
 * @param languages those of its card; null: English
 */
export function pointed(row: string, languages: ReadonlySet<Language> | null): string {
  if (!isOneBreath(row)) return row;
  const abroad = [...(languages ?? [])].flatMap((l) => ABROAD[l] ?? []);
  const all = abroad.length > 0 ? abroad : [ENGLISH];
  const sentences = all.flatMap((m) => m.points).reduce((texts, p) => texts.flatMap((t) => t.split(p)), [row]);
  const commas = all.flatMap((m) => m.commas);
  return sentences
    .map((s) => s.trim())
    .filter((s) => s !== '')
    .map((s) => capital(commas.reduce((t, c) => t.replace(c, ', '), s)))
    .join('. ');
}
