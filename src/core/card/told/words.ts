/** Words of a method by what they mean, in the languages that cards are written in: every fact is found by these. */

/** Any of some words, as whole words. */
export const oneOf = (words: string): RegExp => new RegExp(String.raw`(?<![\p{L}\d])(?:${words})(?!\p{L})`, 'iu');

/** What pieces are made on. */
export const SURFACE = oneOf(
  'griddles?|girdle|flat[- ]?tops?|pans?|frypans?|frying[- ]pans?|skillets?|cast[- ]iron|irons?|waffle[- ]makers?|hot[- ]?plates?|(?:crepe )?plates?|surface|stone|grill|wok|holes?|hollows?|wells?|moulds?|molds?|rings?|tin|dish|baking (?:sheet|tray)|pfannen?|form|blech|waffeleisen|sartén|plancha|crepera|gofrera|bandeja|filloeira|poêle|crêpière|gaufrier|plaque|plat|moule|billi[gk]',
);
/** A little of something. */
export const LITTLE = oneOf(
  'bit|little|knob|whisper|trace|touch|film|slick|dab|lick|smear|scrap|nut|drops?|splash|dash|swirl|(?:tea|table)?spoon(?:ful)?s?|thin (?:layer|coat)|coat|rub|wipe|noisette|filet|peu|wenig|etwas|gotas|chorrito|poco',
);
/** Verbs by which a surface is given its fat. */
export const GREASES = oneOf(
  String.raw`(?:re-?)?grease|brush(?:ed)?|wiped?|rub(?:bed)?|coat(?:ed)?|filmed?|smear(?:ed)?|swirl|drizzle|dribble|sizzle|foam|pinseln|bepinseln|einstreichen|einreiben|graiss\p{L}+|frott\p{L}+|untar|engrasar|pincelar`,
);
/** A heat without its degrees. */
export const DIALLED =
  /\b(?:low|medium|moderate|high|gentle)\b[^,;.]{0,12}\b(?:heat|flame|fire)\b|\bbei \w+ hitze\b|(?<!\p{L})à feu \p{L}+|\ba fuego \p{L}+/iu;
/** What tells that a sentence is about pieces on the heat. */
export const AT_THE_HEAT = new RegExp(
  String.raw`${SURFACE.source}|(?<!\p{L})(?:heat|flame|fire|hot|low|medium|moderate|high|each|apiece|minutes?|min|seconds?|sec|turn|flip|hitze|pfanne|feu|fuego|minuten|minutos)(?!\p{L})|\d\s*°|\d{3}\s*[CF]\b`,
  'iu',
);
