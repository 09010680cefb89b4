/**
 * A unit: a word a cook writes after a number, and what it holds.
 * Volumes are millilitres, masses grams, both as exact decimal strings so that 48 teaspoons are a US cup to
 * the last digit. Cup, spoons, pints and fluid ounces depend on whose cup is meant (`CupSystem`); the sizes are
 * the legal definitions (US customary from the 231 cubic inch gallon, imperial from the 4.54609 L gallon).
 */
import Fraction from 'fraction.js';

export const CUP_SYSTEMS = ['us-customary', 'us-label', 'metric', 'imperial'] as const;
export type CupSystem = (typeof CUP_SYSTEMS)[number];

/** Whose tablespoon, where it is not the cup's own: Australian ones hold a third more. */
export const TABLESPOONS = ['with-cup', 'us', 'metric', 'australian'] as const;
export type Tablespoon = (typeof TABLESPOONS)[number];
const TABLESPOON_ML: Readonly<Record<Exclude<Tablespoon, 'with-cup'>, string>> = { us: '14.78676478125', metric: '15', australian: '20' };

/** What decides how much a cup and a spoon hold. */
export interface Sizes {
  readonly cup: CupSystem;
  /** Left out: the cup's own. */
  readonly tablespoon?: Tablespoon | undefined;
}

type Dimension = 'mass' | 'volume' | 'count' | 'vague';

/** Where a measure without a set size mostly falls, in mL or g. */
interface Usual {
  readonly in: 'ml' | 'g';
  readonly low: number;
  readonly best: number;
  readonly high: number;
}

export interface Unit {
  readonly id: string;
  readonly dimension: Dimension;
  /** How it is written back: one of it, several of it. */
  readonly one: string;
  readonly many: string;
  /** Grams of one (mass, and the sticks and pats that butter is cut by). */
  readonly grams?: string;
  /** Millilitres of one; four sizes where the cup system decides. */
  readonly ml?: string | Readonly<Record<CupSystem, string>>;
  /** A spoon is heaped higher, for its size, than a cup. */
  readonly heap?: 'spoon' | 'cup';
  /** Only butter, lard and margarine come in it. */
  readonly butterOnly?: true;
  /** Half-width of the honest bracket as a share, where the unit itself is loose (a pinch). */
  readonly spread?: readonly [low: number, high: number];
  /** For a vague unit: the question to put to the cook, and the bracket it usually falls in. */
  readonly ask?: string;
  readonly usual?: Usual;
  /**
   * A movement of the hand, not a vessel: a splash of milk is not a splash of rum, and is remembered for each by
   * itself.
   */
  readonly gesture?: true;
}

const cupSet = (us: string, label: string, metric: string, imperial: string): Readonly<Record<CupSystem, string>> => ({
  'us-customary': us,
  'us-label': label,
  metric,
  imperial,
});

/** A measure without a set size: asked about, never guessed. */
const vague = (id: string, many: string, unit: Usual['in'], low: number, best: number, high: number, ask: string) =>
  ({ id, dimension: 'vague', one: id, many, ask, usual: { in: unit, low, best, high } }) as const;

const UNITS = [
  { id: 'g', dimension: 'mass', one: 'g', many: 'g', grams: '1' },
  { id: 'kg', dimension: 'mass', one: 'kg', many: 'kg', grams: '1000' },
  { id: 'mg', dimension: 'mass', one: 'mg', many: 'mg', grams: '0.001' },
  { id: 'oz', dimension: 'mass', one: 'oz', many: 'oz', grams: '28.349523125' },
  { id: 'lb', dimension: 'mass', one: 'lb', many: 'lb', grams: '453.59237' },
  { id: 'ml', dimension: 'volume', one: 'ml', many: 'ml', ml: '1' },
  { id: 'cl', dimension: 'volume', one: 'cl', many: 'cl', ml: '10' },
  { id: 'dl', dimension: 'volume', one: 'dl', many: 'dl', ml: '100' },
  { id: 'l', dimension: 'volume', one: 'l', many: 'l', ml: '1000' },
  { id: 'krm', dimension: 'volume', one: 'krm', many: 'krm', ml: '1', heap: 'spoon' },
  // the metric spoons that tsk, TL, c. à c. and the like always mean
  { id: 'tsp-5ml', dimension: 'volume', one: 'metric teaspoon', many: 'metric teaspoons', ml: '5', heap: 'spoon' },
  { id: 'tbsp-15ml', dimension: 'volume', one: 'metric tablespoon', many: 'metric tablespoons', ml: '15', heap: 'spoon' },
  { id: 'dsp', dimension: 'volume', one: 'dessertspoon', many: 'dessertspoons', ml: '10', heap: 'spoon' },
  { id: 'tsp', dimension: 'volume', one: 'teaspoon', many: 'teaspoons', heap: 'spoon', ml: cupSet('4.92892159375', '5', '5', '5') },
  { id: 'tbsp', dimension: 'volume', one: 'tablespoon', many: 'tablespoons', heap: 'spoon', ml: cupSet('14.78676478125', '15', '15', '15') },
  { id: 'cup', dimension: 'volume', one: 'cup', many: 'cups', heap: 'cup', ml: cupSet('236.5882365', '240', '250', '284.130625') },
  { id: 'fl-oz', dimension: 'volume', one: 'fl oz', many: 'fl oz', ml: cupSet('29.5735295625', '30', '28.4130625', '28.4130625') },
  { id: 'gill', dimension: 'volume', one: 'gill', many: 'gills', ml: cupSet('118.29411825', '120', '142.0653125', '142.0653125') },
  { id: 'pint', dimension: 'volume', one: 'pint', many: 'pints', ml: cupSet('473.176473', '480', '568.26125', '568.26125') },
  { id: 'quart', dimension: 'volume', one: 'quart', many: 'quarts', ml: cupSet('946.352946', '960', '1136.5225', '1136.5225') },
  { id: 'gallon', dimension: 'volume', one: 'gallon', many: 'gallons', ml: cupSet('3785.411784', '3840', '4546.09', '4546.09') },
  { id: 'tad', dimension: 'volume', one: 'tad', many: 'tads', ml: '1.232', spread: [0.5, 1.6] },
  { id: 'dash', dimension: 'volume', one: 'dash', many: 'dashes', ml: '0.616', spread: [0.6, 1.6] },
  { id: 'pinch', dimension: 'volume', one: 'pinch', many: 'pinches', ml: '0.308', spread: [0.5, 2] },
  { id: 'smidgen', dimension: 'volume', one: 'smidgen', many: 'smidgens', ml: '0.154', spread: [0.5, 2] },
  { id: 'drop', dimension: 'volume', one: 'drop', many: 'drops', ml: '0.05', spread: [0.6, 1.5] },
  { id: 'stick', dimension: 'mass', one: 'stick', many: 'sticks', grams: '113.4', butterOnly: true },
  { id: 'pfund', dimension: 'mass', one: 'pound of 500 g', many: 'pounds of 500 g', grams: '500' },
  { id: 'cube-42g', dimension: 'mass', one: 'cube', many: 'cubes', grams: '42' },
  { id: 'sachet-11g', dimension: 'mass', one: 'sachet', many: 'sachets', grams: '11' },
  { id: 'pat', dimension: 'mass', one: 'pat', many: 'pats', grams: '5', butterOnly: true, spread: [0.9, 1.95] },
  { id: 'dozen', dimension: 'count', one: 'dozen', many: 'dozen' },
  { id: 'gross', dimension: 'count', one: 'gross', many: 'gross' },
  { id: 'egg-tray', dimension: 'count', one: 'tray', many: 'trays' },
  vague('knob', 'knobs', 'g', 10, 15, 25, 'A knob has no set size, mostly 10 to 25 g of butter. Weigh it once, or write tablespoons.'),
  vague('walnut-size', 'walnut-sizes', 'g', 15, 20, 30, 'The size of a walnut is mostly 15 to 30 g of butter. Weigh it once.'),
  vague('hazelnut-size', 'hazelnut-sizes', 'g', 4, 6, 10, 'The size of a hazelnut is mostly 4 to 10 g of butter. Weigh it once.'),
  vague('egg-size', 'egg-sizes', 'g', 45, 55, 70, 'The size of an egg is mostly 45 to 70 g of butter. Weigh it once.'),
  vague('ladle', 'ladles', 'ml', 60, 120, 250, 'Which ladle? Write its size, "2 oz ladle", or measure yours once: what it holds in ml.'),
  vague('scoop', 'scoops', 'ml', 25, 60, 120, 'Which scoop? Write its number, "#16 scoop", or measure yours once: what it holds in ml.'),
  vague('handful', 'handfuls', 'g', 25, 40, 60, 'A handful is 25 to 60 g of most things, and yours is yours. Weigh it once.'),
  vague('can', 'cans', 'g', 200, 400, 450, 'What does the can hold? Write "1 can (400 g)".'),
  vague('packet', 'packets', 'g', 7, 7, 16, 'What does the packet hold? Write "1 packet (7 g)".'),
  vague('bag', 'bags', 'g', 100, 250, 1000, 'How much is in it? Write "1 bag (500 g)".'),
  vague('punnet', 'punnets', 'g', 125, 150, 400, 'What does the punnet hold? Write "1 punnet (150 g)".'),
  vague('bar', 'bars', 'g', 80, 100, 200, 'What does the bar weigh? Write "1 bar (100 g)".'),
  vague('tub', 'tubs', 'g', 125, 200, 500, 'What does the tub hold? Write "1 tub (250 g)".'),
  vague('pail', 'containers', 'g', 500, 4000, 15000, 'What does it hold? Write "1 jug (4 l)", "1 pail (7 kg)".'),
  vague('shot', 'shots', 'ml', 20, 30, 50, 'A shot is 25 to 45 ml by country, an eggcup about 40. Measure yours once, or write ml.'),
  vague('capful', 'capfuls', 'ml', 2, 5, 10, 'A cap holds 2 to 10 ml. Measure yours once, or write teaspoons.'),
  vague('jar', 'jars', 'g', 200, 350, 450, 'What does the jar hold? Write "1 jar (370 g)".'),
  vague('glass', 'glasses', 'ml', 150, 250, 350, 'Glasses run from 150 to 350 ml. Fill yours with water and weigh it: grams are millilitres.'),
  vague('mug', 'mugs', 'ml', 250, 300, 400, 'Mugs run from 250 to 400 ml. Fill yours with water and weigh it: grams are millilitres.'),
  { ...vague('splash', 'splashes', 'ml', 5, 15, 30, 'A splash is 5 to 30 ml. Say what you would pour.'), gesture: true },
  { ...vague('drizzle', 'drizzles', 'ml', 5, 10, 15, 'A drizzle is 5 to 15 ml. Say what you would pour.'), gesture: true },
  vague('dollop', 'dollops', 'g', 10, 20, 40, 'A dollop is mostly 10 to 40 g, and differs from thing to thing. Weigh yours once.'),
  vague('dab', 'dabs', 'g', 2, 5, 10, 'A dab is mostly 2 to 10 g. Weigh yours once, or write teaspoons.'),
  vague('sprinkle', 'sprinkles', 'g', 0.5, 2, 5, 'A sprinkle is mostly 0.5 to 5 g. Weigh yours once, or write teaspoons.'),
  { ...vague('squeeze', 'squeezes', 'ml', 2, 5, 15, 'A squeeze is mostly 2 to 15 ml. Say what you would squeeze in.'), gesture: true },
  vague('grating', 'gratings', 'g', 0.1, 0.3, 1, 'A grating is well under a gram. Write an eighth of a teaspoon, or weigh yours once.'),
  {
    id: 'measure',
    dimension: 'vague',
    one: 'measure',
    many: 'measures',
    ask: 'How much is that? Weigh it once, or write grams or spoons.',
  },
  vague('part', 'parts', 'g', 1, 100, 1000, 'How much is one part? Write grams or cups for one of them.'),
  vague('bowl', 'bowls', 'ml', 200, 350, 600, 'Bowls run from 200 to 600 ml. Fill yours with water and weigh it: grams are millilitres.'),
  vague('carton', 'cartons', 'ml', 200, 500, 1000, 'What does the carton hold? Write "1 carton (500 ml)".'),
  vague('house-cup', 'cups', 'ml', 125, 240, 250, 'Which cup? It runs from 125 to 250 ml by country and kitchen. Write ml, or weigh yours once.'),
  vague('spoonful', 'spoonfuls', 'ml', 5, 10, 15, 'Which spoon: teaspoon or tablespoon?'),
  vague('slice', 'slices', 'g', 10, 25, 50, 'What does a slice weigh? Say grams.'),
] as const satisfies readonly Unit[];

const byId = new Map<string, Unit>(UNITS.map((u) => [u.id, u]));

/** Words for each unit, besides its own `one` and `many`. Matched without case and final dot, but for t and T. */
const SPELLINGS: Readonly<Record<string, string>> = {
  g: 'g gr grs grm grms gm gms gram grams gramme grammes gramm gramos grammi grammo gramos',
  kg: 'kg kgs kilo kilos kilogram kilograms kilogramme kilogrammes kilogramm kilogramo kilogramos chilo chili chilogrammo chilogrammi',
  mg: 'mg milligram milligrams',
  oz: 'oz ozs ounce ounces',
  lb: 'lb lbs pound pounds libra libras',
  pfund: 'pfund pond livre livres',
  ml: 'ml mls millilitre millilitres milliliter milliliters mil mils mililitro mililitros millilitri millilitro',
  cl: 'cl centilitre centilitres centiliter centiliters centilitro centilitros centilitri',
  dl: 'dl decilitre decilitres deciliter deciliters decilitri',
  l: 'l ltr ltrs lt litre litres liter liters litro litri litros',
  krm: 'krm kryddmatt',
  'tsp-5ml':
    'tsk teske teskje teskjeer teskeer tl teeloffel teel ts theelepel theelepels cucharadita cucharaditas cdta cdtas cdita cucchiaino cucchiaini cac c.a.c lzicka lyzeczka',
  'tbsp-15ml':
    'msk matsked matskedar el essloffel essl ss spsk spiseske spiseskeer spiseskje spiseskjeer eetlepel eetlepels cucharada cucharadas cda cdas cucchiaio cucchiai cas c.a.s cs lzice lyzka',
  dsp: 'dsp dsps dstspn dessertsp dessertspoon dessertspoons dessertspoonful dessertspoonfuls',
  tsp: 'tsp tsps tspn tspns teasp teasps teaspn teaspoon teaspoons teaspoonful teaspoonfuls teaspoonsful teapsoon teapsoons',
  tbsp: 'tbsp tbsps tbs tb tblsp tblsps tbl tbls tblspn tablespoon tablespoons tablespoonful tablespoonfuls tablespoonsful tabs tblspns tbspn tbspns tblespoon tblespoons tablspoon tablspoons tablepoon tablepoons',
  cup: 'cup cups c cupful cupfuls cupsful',
  gill: 'gill gills',
  pint: 'pint pints pt pts',
  quart: 'quart quarts qt qts',
  gallon: 'gallon gallons gal gals',
  tad: 'tad tads',
  dash: 'dash dashes',
  pinch:
    'pinch pinches prise prisen pr nypa nypor nip knivspids knivspiss klype pincee pincees pizzico pizzichi pizca pizcas pellizco pellizcos snufje snufjes mespunt messerspitze msp punta pointe',
  smidgen: 'smidgen smidgens smidgin smidge',
  drop: 'drop drops tropfen goutte gouttes gota gotas goccia gocce druppel druppels drabe draper droppar',
  stick: 'stick sticks stk stks',
  pat: 'pat pats',
  dozen: 'dozen dozens doz',
  knob: 'knob knobs nob nobs nub nubs lump lumps noix klat klont klontje klick',
  ladle: 'ladle ladles ladleful ladlefuls kelle kellen schopfkelle schopfloffel louche louches cazo cazos cucharon cucharones',
  scoop: 'scoop scoops scoopful scoopfuls',
  handful: 'handful handfuls bunch bunches bund bouquet bouquets botte bottes manojo manojos handvoll poignee handje naeve neve punado manciata',
  can: 'can cans tin tins dose dosen boite lata lattina blik dase boks burk',
  packet:
    'packet packets pkt pkts pk package packages pkg pkgs pkge pkges pckg sachet sachets env envelope envelopes pack packs pouch pouches packchen packung beutel btl tute tuten pck pkch p bustina bustine zakje zakjes sobre sobres paquete paquetes pose paquet sachets brev paket',
  bag: 'bag bags sack sacks box boxes block blocks container containers',
  punnet: 'punnet punnets barquette barquettes schale schalen',
  bar: 'bar bars tafel tafeln tablette tablettes tableta tabletas',
  tub: 'tub tubs pot pots becher tarrina tarrinas',
  jar: 'jar jars glas glaser tarro tarros bocal bocaux',
  pail: 'jug jugs jugful pitcher pitchers pail pails bucket buckets case cases crate crates',
  capful: 'capful capfuls bouchon bouchons thimble thimbles thimbleful thimblefuls',
  shot: 'schnapsglas stamperl shot shots jigger jiggers eggcup eggcups eggcupful eggcupfuls',
  glass: 'glass glasses glassful glassfuls tumbler tumblers tumblerful wineglass wineglasses wineglassful verre verres bicchiere bicchieri vaso vasos',
  mug: 'mug mugs mugful mugfuls',
  splash: 'splash splashes glug glugs slug slugs slosh sloshes dribble dribbles schuss scheutje chorrito chorro trait stank skvatt',
  drizzle: 'drizzle drizzles filo filet',
  dollop: 'dollop dollops blob blobs',
  dab: 'dab dabs lick licks smear smears',
  sprinkle: 'sprinkle sprinkles sprinkling sprinklings dusting dustings shake shakes scattering',
  squeeze: 'squeeze squeezes squirt squirts',
  grating: 'grating gratings twist twists grind grinds scrape scrapes scraping scrapings',
  part: 'part parts',
  bowl: 'bowlful bowlfuls bowl bowls bol bols cuenco cuencos',
  carton: 'carton cartons bottle bottles brik',
  'house-cup': 'tasse tassen tasses taza tazas tazza tazze kop koppen kopje kopjes kopp kopper kopp koppar filizanka teacup teacups teacupful',
  spoonful: 'spoonful spoonfuls spoonsful spoon spoons cuilleree cuillerees cuillere cuilleres loffel cuchara',
  slice:
    'slice slices rasher rashers strip strips sprig sprigs sheet sheets square squares tranche tranches scheibe scheiben fetta fette rodaja rodajas loncha lonchas plak plakken skive skiver skiva skivor',
};

/** Lower case, no accents, the German sharp s and the Nordic letters as they are typed without them. */
export const plain = (word: string): string =>
  word.toLowerCase().replace(/ß/g, 'ss').replace(/[æ]/g, 'ae').replace(/œ/g, 'oe').replace(/ø/g, 'o').normalize('NFD').replace(/\p{M}/gu, '');

const bySpelling = new Map<string, string>();
for (const [id, words] of Object.entries(SPELLINGS)) for (const w of words.split(' ')) bySpelling.set(w, id);

/** The units written in more than one word, longest first. */
const PHRASES: readonly (readonly [RegExp, (m: RegExpExecArray) => string])[] = [
  // thirty, as they are packed
  [/^(?:flats?|trays?)(?=\s+(?:of\s+)?(?:\p{L}+\s+){0,2}eggs?\b)/iu, () => 'egg-tray'],
  [/^gross(?=\s+(?:of\s+)?(?:\p{L}+\s+){0,2}eggs?\b)/iu, () => 'gross'],
  [/^caps?(?=\s+of\b)/i, () => 'capful'],
  [/^nips?(?=\s+of\s+(?:\p{L}+\s+)?(?:brandy|rum|whisk[ey]+|liqueur|calvados|cognac|kirsch|gin|vodka|sherry|port)\b)/iu, () => 'shot'],
  [/^egg[\s-]cups?(?:ful)?s?\b/i, () => 'shot'],
  // pressed yeast, as it is sold
  [
    /^(?:würfel|cubes?|cubos?|cubett[oi])(?=\s+(?:(?:of|de|di)\s+)?(?:(?:fresh|frische[rn]?)\s+)?(?:yeast|(?:frisch)?hefe|levure|levadura|lievito)(?![\p{L}]))/iu,
    () => 'cube-42g',
  ],
  // a French one
  [/^sachets?(?=\s+(?:de\s+)?(?:levure\s+chimique|poudre\s+(?:à|a)\s+lever))/iu, () => 'sachet-11g'],
  [/^(?:pointes?\s+de\s+couteau|puntas?\s+de\s+cuchillo|punta\s+di\s+coltello)(?![\p{L}])/iu, () => 'pinch'],
  [/^(noix|nuez|noisette|avellana)(?=\s+de\s+(?:beurre|mantequilla))/iu, (m) => (/^no?ise|^ave/i.test(m[0]) ? 'hazelnut-size' : 'knob')],
  [
    /^(walnut|hazelnut|nut)s?(?=\s+of\s+(?:\p{L}+\s+)?(?:butter|lard|margarine|fat|dripping|ghee)\b)/iu,
    (m) => `${m[1]?.toLowerCase() === 'walnut' ? 'walnut' : 'hazelnut'}-size`,
  ],
  [/^(?:fl\.?\s*)?(?:oz|ounces?)\.?\s+\(?by\s+volume\)?/i, () => 'fl-oz'],
  [/^(?:oz|ounces?)\.?\s+\(?(?:by\s+|in\s+)?(?:weight|wt)\b\.?\)?/i, () => 'oz'],
  [/^(?:tea|coffee|breakfast)[\s-]cups?(?:ful)?\b/i, () => 'house-cup'],
  [/^(walnut|hazelnut|egg)-size\b/i, (m) => `${m[1]?.toLowerCase()}-size`],
  [/^(?:fl\.?|fluid)[\s-]*(?:ozs?|ounces?)\b\.?/i, () => 'fl-oz'],
  [/^floz\b/i, () => 'fl-oz'],
  [/^c(?:uil(?:l(?:[eè]res?|er[eé]es?))?)?\.?\s*[àa]\.?\s*(?:caf[eé]|th[eé]|c)(?![\p{L}])\.?/iu, () => 'tsp-5ml'],
  [/^c(?:uil(?:l(?:[eè]res?|er[eé]es?))?)?\.?\s*[àa]\.?\s*(?:soupe|table|s)(?![\p{L}])\.?/iu, () => 'tbsp-15ml'],
  [/^cucchiain[oi]\s+da\s+(?:t[eèh]+|caff[eè])(?![\p{L}])/iu, () => 'tsp-5ml'],
  [/^cucchiai[o]?\s+da\s+(?:tavola|minestra)(?![\p{L}])/iu, () => 'tbsp-15ml'],
  [/^c\/s(?![\p{L}/])\.?/iu, () => 'tbsp-15ml'],
  [/^c\/c(?![\p{L}/])\.?/iu, () => 'tsp-5ml'],
  [/^cucharadas?\s+soperas?(?![\p{L}])/iu, () => 'tbsp-15ml'],
  [/^cucharad(?:it)?as?\s+de\s+(?:caf[eé]|t[eé]|postre)(?![\p{L}])/iu, () => 'tsp-5ml'],
  [/^(?:tea|table|dessert)[\s-]+spoon(?:ful|sful)?s?\b/i, (m) => (/^tea/i.test(m[0]) ? 'tsp' : /^table/i.test(m[0]) ? 'tbsp' : 'dsp')],
  [/^(?:5\s*ml|metric)\s+(?:teaspoons?|tsp)\b\.?/i, () => 'tsp-5ml'],
  [/^(?:15\s*ml|metric)\s+(?:tablespoons?|tbsp)\b\.?/i, () => 'tbsp-15ml'],
  [/^(?:scoops?\s*)?\(?\s*(?:#|no\.?\s*)(\d{1,2})\s*\)?(?:\s*-?\s*(?:scoops?|dishers?))?/i, (m) => `scoop-${m[1]}`],
];

/** "tall glass", "blue ladle": one of several of its sort, told apart by a word. */
const WHICH = /^(?!(?:tea|table|dessert)\s)(\p{L}{3,12})\s+(?=(?:ladle|scoop|glass|mug|handful|knob|jar|splash|drizzle|dollop|bowl|spoon)(?:e?s|fuls?)?\b)/iu;

/** Reads the word that tells one vague measure from another of its sort, where one stands before it. */
export function readWhich(text: string): { readonly which: string; readonly length: number } | null {
  const m = WHICH.exec(text);
  return m?.[1] ? { which: m[1].toLowerCase(), length: m[0].length } : null;
}

/** A ladle names its own size: "2 oz ladle", "60 ml ladle". */
const LADLES: typeof PHRASES = [
  [/^(\d+(?:\.\d+)?|½|1\/2)\s*-?\s*(?:fl\.?\s*)?oz\.?\s+ladles?\b/i, (m) => `ladle-${m[1] === '½' || m[1] === '1/2' ? '0.5' : m[1]}oz`],
  [/^(\d+)\s*-?\s*ml\s+ladles?\b/i, (m) => `ladle-${m[1]}ml`],
];

function readPhrase(text: string, phrases: typeof PHRASES): { readonly id: string; readonly length: number } | null {
  for (const [re, make] of phrases) {
    const m = re.exec(text);
    const id = m ? make(m) : null;
    if (m && id && unitById(id)) return { id, length: m[0].length };
  }
  return null;
}

/** Reads a sized ladle; without a count before it, "2 oz ladle of milk", it is one. */
export const readLadle = (text: string): { readonly id: string; readonly length: number } | null => readPhrase(text, LADLES);

/** mL in a US quart, exact. */
export const QUART_ML = '946.352946';

/** US quart / number: the volume of a portion scoop, mL. */
const scoopMl = (n: number): string => new Fraction(QUART_ML).div(n).toString();

/**
 * Looks a unit up by id.
 * @param id a table id, or `scoop-16`, `ladle-2oz`, `ladle-60ml`, made on the spot
 * @returns the unit, or undefined when there is none
 */
export function unitById(id: string): Unit | undefined {
  const known = byId.get(id);
  if (known) return known;
  const made = makeSized(id);
  if (made) byId.set(id, made);
  return made;
}

function makeSized(id: string): Unit | undefined {
  const scoop = /^scoop-(\d{1,2})$/.exec(id);
  if (scoop) {
    const n = Number(scoop[1]);
    if (n < 4 || n > 70) return undefined;
    // makers differ by up to a tenth
    return { id, dimension: 'volume', one: `#${n} scoop`, many: `#${n} scoops`, ml: scoopMl(n), spread: [0.9, 1.1] };
  }
  const ladle = /^ladle-(\d+(?:\.\d+)?)(oz|ml)$/.exec(id);
  if (ladle) {
    const size = Number(ladle[1]);
    if (!(size > 0) || size > 5000) return undefined;
    const ml = ladle[2] === 'oz' ? new Fraction(ladle[1] ?? '0').mul('29.5735295625').toString() : String(size);
    const name = `${ladle[1]} ${ladle[2]} ladle`;
    return { id, dimension: 'volume', one: name, many: `${name}s`, ml, spread: [0.9, 1.1] };
  }
  return undefined;
}

/**
 * Reads a unit at the start of a text.
 * @param text what follows the number; `T` is a tablespoon, `t` a teaspoon
 * @returns the unit's id and how many characters it took, or null when no unit stands there
 */
export function readUnit(text: string): { readonly id: string; readonly length: number } | null {
  const phrase = readLadle(text) ?? readPhrase(text, PHRASES);
  if (phrase) return phrase;
  const m = /^([\p{L}]+(?:\.[\p{L}]+)*)(\.?)/u.exec(text);
  if (!m?.[1]) return null;
  const word = m[1];
  const length = m[0].length;
  if (word === 'T') return { id: 'tbsp', length };
  if (word === 't') return { id: 'tsp', length };
  if (word === 'cc') return { id: 'cc', length };
  const id = bySpelling.get(word.toLowerCase()) ?? bySpelling.get(plain(word));
  return id ? { id, length } : null;
}

const fractions = new Map<string, Fraction>();
function exact(decimal: string): Fraction {
  let f = fractions.get(decimal);
  if (!f) {
    f = new Fraction(decimal);
    fractions.set(decimal, f);
  }
  return f;
}

/** Millilitres of one of a volume unit by whose cup and tablespoon it is, exact; null for a unit that is no volume. */
export function mlOf(unit: Unit, { cup, tablespoon = 'with-cup' }: Sizes): Fraction | null {
  if (unit.ml === undefined) return null;
  if (unit.id === 'tbsp' && tablespoon !== 'with-cup') return exact(TABLESPOON_ML[tablespoon]);
  return exact(typeof unit.ml === 'string' ? unit.ml : unit.ml[cup]);
}

/** Grams of one of a mass unit, exact; null for a unit that is no mass. */
export function gramsOf(unit: Unit): Fraction | null {
  return unit.grams === undefined ? null : exact(unit.grams);
}
