/** Words of a method by what they mean, in the languages that cards are written in: every fact is found by these. */

/** Any of some words, as whole words. */
export const anyWord = (words: string): RegExp => new RegExp(String.raw`(?<![\p{L}\d])(?:${words})(?!\p{L})`, 'iu');

/** A sentence longer than this is no sentence of a card. */
export const MOST_SENTENCE_CHARS = 1500;

/** Where a sentence of a method ends: at a point that belongs to no shortened word, or with its row. */
export const SENTENCE =
  /(?<=[.!])(?<!\b(?:[Nn]o|[Cc]a|[Ee]nv|[Aa]pprox|[Aa]prox|[Uu]ngef)\.(?=\s+\d))(?<!\b(?:ca|approx|hrs?|[Tt]bsp|[Tt]sp|[Oo]z|[Ss]td)\.(?=\s+[a-z]))(?<!(?<!\d\d)\d\s?c\.(?=\s+[a-zà]))(?<!\bc\.?\s?à\.?\s?[sc]\.(?=\s+(?:de|d|par|pour|chac)))(?<!\b[Mm]in\.(?=\s+(?:per|a|an|each|either|on|or|until|till|at|in|for|and|then|more|side|rest(?! (?:it|them|the|for|at|in|until|till)\b)|of|by|bei|kühl|kalt|warten|im|ausbacken|braten|vor|an|zum|in den|Ruhe|Teigruhe|au|dans|de|en|a|al|más|pro|je|par|por|de|und|y|et|dann|then|with|over|under|ruhen|quellen|stehen|gehen|ziehen|rasten|backen|goldbraun|goldgelb|knusprig|lang|von|auf|zugedeckt|jede|lassen|pro|hasta|cada|jusqu|sur|à|reposer|cuire|reposar)\b))\s+(?=\S)|(?<=[)?])\s+(?=\d{1,2}\.\s+[A-Z])|\n+/;

/** What is heated by itself, and pieces are made on. */
const HOT =
  'griddles?|girdle|flat[- ]?tops?|pans?|frypans?|frying[- ]pans?|skillets?|cast[- ]iron|irons?|waffle[- ]makers?|hot[- ]?plates?|(?:crepe )?plates?(?! (?:over|on top|on it)(?!\\p{L}))|(?:grill|back|herd|koch)?platte(?! (?:legen|geben|anrichten|stapeln))|surface|stone|grill|induction|wok|tawa|comal|\\p{L}*pfannen?|panquequera|non-?stick(?! (?:cooking )?spray)|(?:waffel)?eisen|sartén|plancha|crepera|gofrera|filloeira|poêle|crêpière|gaufrier|plaque|billi[gk]|bili[gk]';
export const HOT_SURFACE = anyWord(HOT);
/** The heat, and nothing of a bowl. */
export const HOT_HEAT = new RegExp(
  `${HOT_SURFACE.source}|\\b(?:heat|low|medium|high|\\d{3}(?! ?(?:g|ml|kg|of)\\b| (?!degrees|griddle|plate|iron|surface|oven|then|when|with|until|over)\\p{L}{3,})(?: ?°?[CF])?)\\b`,
  'iu',
);
/** What pieces are made on, or in. */
export const SURFACE = anyWord(
  `${HOT}|holes?|hollows?|dimples?|wells?|moulds?|molds?|rings?|tins?|dish|dishes|baking (?:sheet|tray)|half[- ]sheet|sheet[- ]pan|form|blech|bandeja|plat|moule`,
);
/** A little of something. */
export const LITTLE = anyWord(
  'bit|little|few|thimble(?:ful)?|lump|dot|ghost|skim|skin|veil|sheen|hint|shallow|knob|whisper|trace|touch|film|slick|dab|lick|smear|scrap|smidge|smidgen|nut|drops?|splash|squirt|spritz|dash|swirl|(?:tea|table)?spoon(?:ful)?s?|thin (?:layer|coat)|coat|rub|wipe|noisette|filet|peu|wenig|etwas|gotas|chorrito|poco',
);
/** Verbs by which a surface is given its fat. */
export const GREASES = anyWord(
  String.raw`(?:re-?)?grease|brush(?:ed)?|wiped?|rub(?:bed)?|coat(?:ed)?|filmed?|spread|smear(?:ed)?|swirls?|spray(?:ed)?|drizzle|dribble|sizzles?|foam(?:s|ing)?|(?:be|ein|aus)?pinseln|einölen|einfetten|einstreichen|einreiben|graiss\p{L}+|frott\p{L}+|unta(?:r|d[ao]s?)|engrasar|pincelar`,
);
/** A heat without its degrees. */
export const DIALLED =
  /\b(?:low|medium|moderate|high|gentle)\b[^,;.]{0,12}\b(?:heat|flame|fire)\b|\bbei \w+ hitze\b|(?<!\p{L})à feu \p{L}+|\ba fuego \p{L}+/iu;
/** What tells that a sentence is about pieces on the heat. */
export const AT_THE_HEAT = new RegExp(
  String.raw`${SURFACE.source}|(?<!\p{L})(?:heat|flame|fire|hot|low|medium|moderate|high|each|apiece|minutes?|min|seconds?|sec|turn|flip|hitze|pfanne|feu|fuego|minuten|minutos)(?!\p{L})|\d\s*°|\d{3}\s*[CF]\b`,
  'iu',
);
/** What lies on the heat is told of, or has just been put there. */
export const ON_HEAT = new RegExp(
  `${AT_THE_HEAT.source}|(?<!\\p{L})(?:ladle|pour|portions?|pan|lid|batter|crêpe|crepe|side)(?!\\p{L})`,
  'iu',
);
