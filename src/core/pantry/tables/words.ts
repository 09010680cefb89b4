/**
 * The words that stand around an ingredient's name on a card, by what they do to it. All in lower case, without
 * accents, in
 * the singular. What stands in none of these lists is not understood, and said so.
 */

const list = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/).filter(Boolean));

/** Say nothing: articles, belongings, joining words, here and in the languages of `other-names`. */
export const FILLER = list(
  `of the a an and or my our your his her this that these those some any such as it s
  i we you use take add get need put have like just also then so plus maybe say please about
  de du des d le la les l un une et ou en el los las una y o di del della dei degli delle il lo gli e ed
  von vom der die das den dem ein eine einen etwas und oder mit circa van het een en of af av och og eller i til
  gestrichen gestrichener gestrichene`,
);

/** Praise and habit: they change neither what it is nor what is done to it. */
export const HARMLESS = list(
  `good quality best nice lovely proper decent usual usually ordinary normal standard regular everyday favourite favorite local organic bio biologique biologisch
  okologisk ekologisk range freerange cage hen hens chicken barn pasture pastured raised pure real genuine natural neutral flavoured flavored flavourless flavorless
  unbleached unbl bleached enriched unenriched fortified pasteurised pasteurized homogenised homogenized ripe overripe very really quite rather well nicely thoroughly
  fresh freshly extra more shop supermarket store bought homemade home made own brand preferably ideally approx
  cooking baking household all purpose pantry table about size sized medium-sized clear runny thick thin new old fashioned style
  piece pieces cube cubes stick sticks grade premium artisan farmhouse cultured plain simple single-origin fair trade fairtrade seasonal
  leftover slightly stiffly softly quickly gently completely fully partly still again possibly
  gute guter gutes bonne bonnes bon bons buen buena buenos buenas hochwertige hochwertiger hochwertiges echte echter echtes normale normaler normales ordinaire
  neutrale neutrales neutraler neutralem suave ungesusst ungesusste ungesusster ungesusstes beau beaux belle belles fermier fermiers camperos campero ecologico ecologica ecologicos mehligkochend mehligkochende festkochende vorwiegend farineuse farineuses harinosa harinosas kohlensaurehaltig kohlensaurehaltiges stilles naturel naturelle nature
  petit petite petits petites pequeno pequena pequenos pequenas klein kleine kleiner kleines grosser grosses grande grandes mittelgross mittelgrosse mediano mediana
  sehr tres tre bien muy ganz molto maduro madura maduros maduras reif reife reifer reifes frais frai fraiche fraiches fraich fresco fresca frescos frescas frisch frische frischer frisches
  large medium med small big little tiny huge giant jumbo xl l m grosse gr maat talla taglia calibre taille moyen moyens gros grote kleine middelgrote store stor stora sma
  sweet-cream clean dried-out needed wanted desired hand heaping heaped level scant generous amount quantity dose serving
  unfed fed neutre neutres kl klasse calibro sauerlich sauerliche sauerlicher sauerlichen
  quanto basta total each apiece altogether only alone nos pcs pc ea stk stuck stuks ud uds unidad unidade unidades pz pza 100% x`,
);

/** What is done to it in the languages of `other-names`, by the English word that everything else is worked from. */
const STATES_ABROAD: Readonly<Record<string, string>> = {
  melted:
    'zerlassen zerlassene zerlassener geschmolzen geschmolzene geschmolzener fondu fondue fondus fondues derretida derretido derretidas derretidos fundida fundido fuso sciolto sciolta gesmolten smeltet smalt',
  soft:
    'weich weiche weicher weiches ramolli ramollie mou molle pommade pomada blanda blando ablandada reblandecida morbido morbida ammorbidito zachte blodt mjukt',
  'room-temperature': 'zimmerwarm zimmerwarme zimmerwarmes',
  cold: 'kalt kalte kalter kaltes froid froide froids fria frio frios freddo fredda koud koude kallt koldt',
  chilled: 'gekuhlt gekuhlte',
  lukewarm: 'lauwarm lauwarme lauwarmes tiede tibia tibio templada templado tiepido tiepida lauwe lun ljummen tiedi tiedie',
  warm: 'warm warme warmer warmes',
  hot: 'chaud chaude caliente caldo varmt varm',
  boiling: 'kochend kochendes bouillante hirviendo bollente kokend',
  browned: 'gebraunt gebraunte',
  separated: 'getrennt getrennte separes separees separados separadas separati gesplitst gescheiden adskilte delt delte delade skilt skilte',
  beaten:
    'verquirlt verquirlte battu battus battue batido batidos batida batidas sbattuti sbattute sbattuto geklopt geklopte',
  whisked: 'fouette fouettes fouettee pisket vispade',
  whipped: 'geschlagen geschlagene montado montados montada montadas monte montes montees montee montati montate',
  stiff: 'steif steife neige nieve neve schnee eischnee',
  'whipped-stiff': 'steifgeschlagen steifgeschlagene stijfgeslagen stiftpiskede stivpiskede hardpiskade',
  foamy: 'schaumig',
  firm: 'ferme fermes firme firmes fest feste',
  sifted:
    'gesiebt gesiebte gesiebtes tamise tamisee tamizada tamizado cernida cernido setacciata setacciato gezeefd gezeefde sigtet siktat',
  chopped:
    'gehackt gehackte gehackter hache hachee haches hachees picado picada picados picadas tritato tritati tritate gehakt gehakte ciselee cisele ciseles ciselees',
  grated:
    'geraspelt geraspelte geraspelter gerieben geriebene geriebener rape rapee rapes rapees rallado rallada rallados ralladas grattugiato grattugiata grattugiati geraspt',
  mashed:
    'zerdruckt zerdruckte zerdruckter ecrase ecrasee ecrases ecrasees machacado machacada machacados machacadas aplastado aplastada aplastados aplastadas schiacciata schiacciate geprakt geprakte durchgepresst chafado chafada chafados chafadas gestampft',
  pureed: 'puriert purierte',
  cooked: 'gekocht gekochte gekochter cuit cuite cuits cuites cocido cocida cocidos cocidas gekookt gekookte',
  toasted:
    'gerostet gerostete grille grillee grilles grillees torrefie torrefies torrefiees tostado tostada tostados tostadas',
  soaked:
    'eingeweicht eingeweichte trempe trempes trempees remojado remojada remojados remojadas geweekt geweekte eingelegt eingelegte marine marines macere maceree maceres macerees macerado macerada macerados maceradas hidratado hidratada hidratados hidratadas rehydrates',
  peeled:
    'geschalt geschalte geschalter pele pelee peles pelees epluche epluchee epluches epluchees pelado pelada pelados peladas geschild geschilde',
  diced: 'gewurfelt gewurfelte',
  cut:
    'geschnitten geschnittene coupe coupes coupee coupees cortado cortados cortada cortadas troceado troceada troceados troceadas tagliato tagliata tagliati tagliate gesneden',
  sliced: 'tranchee tranchees emince eminces emincee emincees laminado laminada laminados laminadas',
  halved: 'halbiert halbierte',
  pitted: 'entsteint entsteinte denoyaute denoyautes denoyautees deshuesado deshuesada deshuesados deshuesadas',
  drained:
    'abgetropft abgetropfte egoutte egouttee egouttes egouttees escurrido escurrida escurridos escurridas uitgelekt',
  thawed:
    'aufgetaut aufgetaute decongele decongelee decongeles decongelees descongelado descongelada descongelados descongeladas',
  cored: 'entkernt entkernte epepine epepinee epepines epepinees evide evides evidee evidees descorazonado descorazonada descorazonadas',
  thin: 'dunn dunne dunnen',
  fine: 'fein feine feinen fines finement finas finos fina fino finamente',
  coarse: 'grob grobe groben grossierement gruesa grueso',
  washed: 'gewaschen gewaschene lave lavee laves lavees lavado lavada lavados lavadas',
  fork: 'gabel fourchette tenedor',
  frozen: 'tk gefroren gefrorene tiefgekuhlt tiefgekuhlte surgele surgelee surgeles surgelees congele congelado congelada congelados congeladas',
  cooled: 'abgekuhlt abgekuhlte ausgekuhlt refroidi refroidie refroidis enfriado enfriada',
  crushed: 'concasse concassee concasses concassees',
  crumbled: 'zerbrockelt zerbrockelte zerbroselt emiette emiettee emiettes desmenuzado desmenuzada desmigado desmigada',
  squeezed: 'ausgedruckt ausgedruckte essore essoree essores essorees exprimido exprimida exprimidos exprimidas',
  blended: 'mixe mixee triturado triturada triturados trituradas',
  scraped: 'ausgekratzt grattee raspada',
  split: 'fendue abierta aufgeschlitzt',
  pressed: 'gepresst gepresste presse pressee presses pressees prensado prensada',
  liquid: 'flussig flussige liq',
};
/** Shapes that things are cut into, by the English word. */
const SHAPES: Readonly<Record<string, string>> = {
  cubes: 'cubes cubos dados cubitos wurfeln wurfel cubetti blokjes des',
  slices: 'rondelles rodajas lamelles laminas scheiben fette plakjes',
  pieces: 'morceaux trozos trocitos stucken stucke stuckchen pezzi pezzetti stukjes',
  strips: 'streifen raspeln tiras batonnets',
  quarters: 'quartiers gajos spalten',
  rings: 'ringen ringe',
};
/** A German state as it stands alone: before a noun it is declined ("mit lauwarmer Milch", "den geraspelten Äpfeln"). */
const DECLINED =
  /^(?:ge[a-z]+(?:t|en)|ver[a-z]+t|zer[a-z]+(?:t|en)|ein[a-z]+t|kalt|lauwarm|weich|warm|heiss|kochend|steif|fest|zimmerwarm|steifgeschlagen)$/;
/** By the word abroad, in lower case and without accents, the English one. */
const inEnglish = (table: Readonly<Record<string, string>>): ReadonlyMap<string, string> =>
  new Map(Object.entries(table).flatMap(([english, words]) =>
    words
      .split(' ')
      // as it stands, and as the words of a name are looked up: the singular of an English word
      .flatMap((w) => [w, w.replace(/s$/, ''), w.replace(/(?<=ch|x)es$/, '')])
      .flatMap((w) => (DECLINED.test(w) ? [w, ...['e', 'er', 'es', 'en', 'em'].map((end) => w + end)] : [w]))
      .map((w) => [w, english.replace('-', ' ')]),
  ),
);
export const STATE_IN_ENGLISH = inEnglish(STATES_ABROAD);
export const SHAPE_IN_ENGLISH = inEnglish(SHAPES);

/** What is done to it, or how warm it is: melted, chopped, at room temperature. */
export const STATE: ReadonlySet<string> = new Set([
  ...list(
  `sep parted apart temperatura ambiente ambiante melted softened soft cooled warm warmed lukewarm tepid hot boiling boiled cold chilled iced icy cool room temperature temp sifted unsifted packed loosely firmly lightly
  tightly beaten whisked whipped up separated separately chopped snipped crisped deseeded seeded finely roughly coarsely thinly thickly coarse fine grated shredded mashed sliced diced cubed cut minced crushed crumbled
  cooked baked fried grilled steamed poached prepared pureed blended blitzed toasted roasted browned burnt noisette clarified-by-hand drained squeezed strained pressed rinsed washed thawed defrosted frozen peeled unpeeled cored
  pitted stoned hulled stemmed trimmed halved quartered torn broken bashed smashed juiced zested scalded simmered reduced dissolved soaked steeped infused rubbed creamed
  plumped smooth stiff firm peaks peak foamy frothy frothed fluffy mixed stirred folded combined divided kept reserved set aside optional shelled shell skin skinned removed off
  spooned dipped levelled leveled fluffed loose sieved scooped swept tapped heaped-up aerated measured weighed poured
  wilted dip sweep straight fridge refrigerator freezer oven microwave warmed-through taken out overnight earlier ahead beforehand brewed left opened heated crumbed
  reif reife reifer entier kall einzeln nacheinander abwechselnd wechsel portionsweise dazu unterruhren unterheben unterziehen verruhren verquirlen geruhrt ruhren punto
  twice thrice scraped shaken stirred bashed scored wiped turned juicy bruised segmented rolled pinched browned`,
  ),
  ...STATE_IN_ENGLISH.keys(),
]);

/**
 * Change what the thing is: a name with one of them that the pantry does not hold is asked about, never read as the
 * plain thing.
 */
export const VARIANT = list(
  `dried dry powdered powder condensed evaporated sweetened candied crystallised glace canned tinned smoked salted lightly-salted pickled fermented malted instant active quick
  light dark white brown black red green yellow golden blue pink purple low high reduced fat free full skim skimmed semi half nonfat lite diet sugarfree gluten glutenfree wheatfree dairy
  vegan vegetarian lactose plant whole wholemeal wholegrain wholewheat multigrain seeded self raising rising strong-flour sweet sour soured bitter bittersweet
  ground granulated caster castor icing confectioner powdery raw unrefined refined virgin toasted-sesame concentrated concentrate diluted cordial double single heavy
  whipping clotted thickened cultured-cream squirty aerosol long life uht sterilised greek turkish icelandic bulgarian
  dutch dutched alkalised alkalized process processed natural-process protein high-protein vital nut seed seeds bean beans root leaf leaves stem peel rind zest juice juiced-of oil butter
  rice oat almond soya soy coconut hemp cashew macadamia pea potato barley spelt rye corn maize millet teff sorghum quinoa amaranth chickpea gram besan lentil lupin
  buckwheat kamut einkorn emmer khorasan durum semolina tapioca cassava arrowroot banana acorn chestnut tigernut teff hazelnut peanut walnut pecan pistachio sesame sunflower rapeseed
  canola olive palm avocado grapeseed corn safflower vegetable goat sheep buffalo camel mare duck goose quail ostrich turkey bantam liquid imitation substitute replacer replacement
  artificial mock vegetarian-style flavour flavor essence extract paste syrup sauce jelly jam spread mix blend filling topping crumb crumbs cheese cream ice frozen-yoghurt sorbet
  maple honey vanilla chocolate caramel cinnamon ginger lemon lime orange strawberry raspberry blueberry cherry berry apple pear pumpkin mint coffee tea rum brandy beer cider wine
  onion garlic celery sea table-salt kosher rock himalayan flaky flake flakes iodised iodized msg smoked-salt seasoning
  barista flavoured-milk skyr kefir quark whey casein egg yolk yolks whites albumen pasteurised-egg boxed cartoned nitrite self-rising
  premixed ready made-up roux jaggery piloncillo muscovado demerara turbinado molasses treacle stevia erythritol xylitol sweetener fructose glucose dextrose invert
  bran germ semolina-fine polenta grits masa harina nixtamal`,
);

/** Words of VARIANT that change nothing with some things, by what the name's last word is. */
export const HARMLESS_WITH: readonly (readonly [word: string, with_: RegExp])[] = [
  ['sharp', /^(?:cheddar|cheese)$/],
  ['mature', /^(?:cheddar|cheese|gouda)$/],
  ['aged', /^(?:cheddar|cheese|gouda|parmesan)$/],
  ['mild', /^(?:cheddar|cheese|gouda|honey)$/],
  ['white', /^(?:egg|radish)$/],
  ['one', /^egg$/],
  ['active', /^starter$/],
  ['brown', /^egg$/],
  ['red', /^(?:apple|onion|pear|cherry|currant|raspberry|strawberry|plum|grape)$/],
  ['green', /^(?:apple|pear)$/],
  ['yellow', /^(?:apple|plum|peach|onion|mustard)$/],
  ['black', /^(?:coffee|pepper|tea|cherry)$/],
  ['golden', /^(?:apple|raisin|honey)$/],
  ['dark', /^(?:rum|honey|beer|coffee|cherry|cocoa)$/],
  ['light', /^(?:rum|honey|beer|oil|agave|ale)$/],
  ['sweet', /^(?:cherry|apple|orange|butter)$/],
  ['sour', /^(?:apple)$/],
  ['raw', /^(?:egg|honey|milk|almond|walnut|hazelnut|cashew|pecan|cocoa|peanut|carrot|apple)$/],
  ['whole', /^(?:egg|almond|hazelnut|walnut|pecan|cashew|blueberry|raspberry|strawberry|lemon|banana|spice|milk|yoghurt|yogurt|kefir)$/],
  ['full', /^(?:yoghurt|yogurt|milk|cheese|quark|mascarpone|kefir|ricotta|cream|fraiche)$/],
  ['fat', /^(?:yoghurt|yogurt|mascarpone|kefir|ricotta|fraiche)$/],
  ['ground', /^(?:cinnamon|ginger|nutmeg|clove|cardamom|allspice|spice|pepper|turmeric|linseed|salt|coffee|corn\s?meal|cornmeal)$/],
  ['powder', /^(?:cinnamon|ginger|cardamom|turmeric|cocoa|mustard|vanilla|matcha|nutmeg|clove)$/],
  ['powdered', /^(?:cinnamon|ginger|cardamom|turmeric|cocoa|nutmeg|clove)$/],
  ['dried', /^(?:date|raisin|sultana|oregano|yeast)$/],
  ['dry', /^(?:yeast|ginger|cinnamon|raisin)$/],
  ['tinned', /^(?:pumpkin|puree|sweetcorn|pineapple|peach|pear|cherry|mango|apricot|plum)$/],
  ['canned', /^(?:pumpkin|puree|sweetcorn|pineapple|peach|pear|cherry|mango|apricot|plum)$/],
  ['unsalted', /^(?:almond|walnut|pecan|hazelnut|cashew|pistachio|peanut|nut|margarine|shortening|lard|seed)$/],
  ['salted', /^(?:peanut butter|courgette|zucchini|potato|onion|cabbage|cucumber|carrot|aubergine|eggplant)$/],
  ['refined', /^(?:oil|sugar|salt)$/],
  ['virgin', /^oil$/],
  ['strong', /^(?:coffee|espresso|tea|cheese|rum)$/],
  ['granulated', /^sugar$/],
  ['table', /./],
  ['uht', /^(?:milk|cream)$/],
  ['long', /^(?:milk|cream)$/],
  ['life', /^(?:milk|cream)$/],
  ['sterilised', /^(?:milk|cream)$/],
  ['free', /^(?:egg|chicken)$/],
  ['cheese', /^(?:ricotta|mascarpone|feta|quark|cheddar|parmesan|mozzarella)$/],
  ['unsweetened', /./],
  ['iodised', /^salt$/],
  ['iodized', /^salt$/],
  ['active', /^yeast$/],
  ['quick', /^(?:yeast|oat)$/],
  ['instant', /^yeast$/],
  ['natural', /./],
  ['liquid', /^(?:honey|smoke|oil|butter|ghee|shortening|lard|margarine)$/],
  ['seed', /^(?:raspberry|chia|poppy|sesame)$/],
  ['root', /^ginger$/],
  ['peel', /^(?:zest|peel|banana)$/],
  ['corn', /^(?:cornmeal|polenta)$/],
  ['wheat', /^(?:bran|flour)$/],
  ['bean', /^vanilla$/],
  ['flavour', /^(?:vanilla)$/],
];

/** Prepositions that lead into where it comes from or what it is like: the words after them belong to the state. */
export const LEADS_INTO_STATE = list('at from until till by to into on over under without inside through after before while when if in with for as using');
/** The same in other languages, where what is done stands before it, or the shape that it is cut into behind it. */
export const LEADS_ABROAD = list('in im en em dans dan au aux a al alla zu zum');

/**
 * Words that may be parts of a vulgar name but are units or numbers too: an amount is tried first, unless the name
 * holds them.
 */
export const HEADS = list(
  `flour milk sugar butter oil syrup salt powder cream cheese nut starch drink vinegar juice chip jam egg yoghurt yogurt meal cornmeal cocoa chocolate sauce spice bean seed water extract
  honey puree rum yeast beer coffee zest spread beverage berry`,
);

/** Parts of a thing that something may be done to: "seeds scraped", "skin removed". */
export const ITS_PARTS = list('seed seeds skin stone stones core stem stalk peel zest flesh shell rind juice leaf leaves edge edges crust lid stalk pip pips husk');
