/** What a cook puts in the pan before a piece, and how: told by a verb, by its place, or by neither fat nor pan named. */
import { type Clause, FRIES_OTHER, type ToldFact } from './clause';
import { SURFACE } from './heat';

const FAT_NAME =
  '((?:a mix(?:ture)? of )?(?:butter and (?:a little )?oil|oil and (?:a little )?butter)|clarified butter|ghee|(?:melted |soft(?:ened)? |foaming )?butter|(?:[a-z]+ )?oil|lard|dripping|bacon (?:fat|drippings?)|bacon grease|(?:non-?stick |cooking )?spray|margarine|fat)';
const PAN_FAT: readonly RegExp[] = [
  new RegExp(
    `\\b(?:fry|fried|cook|cooked|brown|bake)\\b[^,;.]{0,40}\\bin\\s+((?:\\d+ mm (?:of )?(?:hot )?|a (?:little|knob of|spoon of|bit of|film of)|some|hot|foaming|plenty of|\\d[\\d/. ]*\\s*(?:g|tbsp|tsp|tablespoons?|teaspoons?)(?: of)?)?\\s*)${FAT_NAME}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:(?:re-?)?grease|brush|wipe|rub|coat|film|spray|oil|butter)(?: it| them| (?:each|every)(?: \\w+)?(?: one| cake| time)?| the (?:hot )?(?:pan|griddle|skillet|iron|plate)| (?:a|an|your) (?:[a-z]+ )?(?:pan|griddle|skillet|iron))?(?: (?:lightly|well|thinly|again|between batches))?\\s+(?:with|in)\\s+((?:a (?:little|knob of|film of|bit of|cloth dipped in)|some|the)?\\s*)${FAT_NAME}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:heat|melt|warm|swirl|add|put)\\s+((?:a (?:little|knob of|spoon of|bit of|teaspoon of|tablespoon of)|some|\\d[\\d/. ]*\\s*(?:g|tbsp|tsp|tablespoons?|teaspoons?)(?: of)?)?\\s*(?:the\\s+)?)${FAT_NAME}\\b[^,;.]{0,20}\\b(?:in|to|into|on|over) (?:a|an|the|your|each|every) (?:[a-z-]+ ){0,2}(?:pan|skillet|griddle|iron|plate|hollow|well|hole|mould|mold|tin|dish)\\b`,
    'i',
  ),
  new RegExp(
    `\\b((?:plenty of|a little|some|a (?:thin )?(?:film|knob|drop|smear|slick) of|enough)\\s+)${FAT_NAME}\\b[^,;.]{0,15}\\b(?:in|on|over|across) (?:the|a|your|each|every) (?:hot )?(?:pan|griddle|skillet|iron|plate|well|hollow|hole)\\b`,
    'i',
  ),
];
/** Fat told by its verb alone: a buttered paper, a spray, a swirl of oil. */
const FAT_BY_VERB: readonly (readonly [RegExp, string, string])[] = [
  [/^use (?:a little )?((?:\w+ )?oil|butter|lard|ghee) for frying\b/i, '', 'for frying'],
  [
    /\b(butter|oil|lard|ghee|dripping)(?:,| is)? for (?:(?:the |my )?(?:pan|griddle|skillet|iron)|frying)\b/i,
    '',
    'greased',
  ],
  [/^(?:grease|for (?:frying|the pan|the griddle)): (?:a little )?(butter|oil|lard|ghee|dripping)\b/i, '', 'greased'],
  [/\b(?:lots|plenty) of (butter|oil|lard|ghee) in the (?:pan|skillet|griddle)\b/i, '', 'plenty of'],
  [
    /^(?:just )?a (?:smear|lick|film|wipe|bit|little|knob|touch) of (butter|oil|lard|ghee|fat) (?:does it|is enough|will do|each time|every time|between)\b/i,
    '',
    'a little',
  ],
  [/\b(?:wipe|rub)\b[^,;.]{0,24}\bwith an (oil)y (?:cloth|rag|paper)\b/i, '', 'wiped'],
  [
    /\b(?:rub|wipe|brush|spread|smear) (?:a (?:little|bit of|film of) |some )?(?:\w+ )?(butter|oil|lard|ghee|fat) (?:over|onto|on|across|around) (?:the|my|your|a) (?:hot )?(?:pan|griddle|skillet|iron|plates?)\b/i,
    '',
    'wiped',
  ],
  [
    /\b(?:dip|dipped)\b[^,;.]{0,30}\bin (?:a little |some )?(?:\w+ )?(butter|oil|lard|ghee|fat) and (?:wipe|rub|brush|grease)/i,
    '',
    'wiped',
  ],
  [/\b(?:sizzle|foam) (?:a (?:little|bit of|knob of) |some )?(butter|lard|ghee)\b/i, '', 'a little'],
  [
    /\b(?:fondre|chauffer|mousser)\b[^,;.]{0,20}\b(beurre|huile|saindoux) dans (?:la|une|votre) (?:poêle|crêpière|plaque)/i,
    '',
    'a little',
  ],
  [/\b(mantequilla|aceite|manteca) en (?:la|una) (?:sartén|plancha|crepera)/i, '', 'a little'],
  [/\b(?:wipe|rub)\b[^,;.]{0,30}\bwith (?:an? )?(buttered|oiled|greased) (?:paper|cloth|rag)\b/i, '', 'wiped'],
  [
    /\bin (?:wenig |etwas |heißem |viel )?(butterschmalz|butter|öl|schmalz)\b[^,;.]{0,45}\b(?:aus)?(?:backen|braten)\b/i,
    '',
    'a little',
  ],
  [/\b(?:cuire|dorer|poêler)\b[^,;.]{0,50}\bdans (?:du |le |un peu de )?(beurre|huile|saindoux)\b/i, '', 'a little'],
  [
    /\b(?:freír|cocinar|dorar)\b[^,;.]{0,20}\b(?:en|con) (?:un poco de )?(mantequilla|aceite|manteca)\b/i,
    '',
    'a little',
  ],
  [
    /\bmit (?:etwas |ein wenig |wenig )?(öl|butter|butterschmalz|schmalz)\b[^,;.]{0,15}\b(?:aus|ein|be)?(?:pinseln|streichen|fetten|reiben|wischen)/i,
    '',
    'brushed',
  ],
  [
    /\b(huile|beurre)[rz](?: légèrement| bien)?(?:[- ]l[ae]\b| (?:une?|votre) (?:poêle|crêpière|plaque|gaufrier))/i,
    '',
    'greased',
  ],
  [
    /\bengras(?:ar?|ar(?:la|lo)|ad[oa])\b[^,;.]{0,20}\bcon (?:un poco de )?(mantequilla|aceite|manteca)\b/i,
    '',
    'greased',
  ],
  [
    /\b(?:bit|little|knob|film|lick|smear|scrap) of (butter|oil|lard|ghee)\b[^,;.]{0,12}\bfor the first\b/i,
    '',
    'a little',
  ],
  [
    /\b(?:pan|griddle|skillet|iron)\b[^;.]{0,16}\bwith (?:a |some )?(?:\w+ of )?((?:\w+ )?oil|butter|lard|ghee|dripping)\b/i,
    '',
    'a little',
  ],
  [
    /\b(?:drop|little|bit|knob|dab|(?:tea|table)?spoon(?:ful)?) of (oil|butter|lard|ghee) (?:per|in each|in every|for each|to each) (?:hole|hollow|well)/i,
    '',
    'a little',
  ],
  [
    /(?<!\p{L})(butter|öl|butterschmalz|schmalz)\b[^,;.]{0,12}\bin (?:einer|der|die|eine) [^,;.]{0,20}(?:pfanne|form)/iu,
    '',
    'a little',
  ],
  [/(?<!\p{L})(?:ein|be)?(öl|fett)en\b/iu, '', 'greased'],
  [/^(?:lightly |well |barely |thinly )(oiled|buttered|greased)(?: with \w+)?$/i, '', 'greased'],
  [/^(butter|oil|lard|ghee) (?:into|in) the (?:hot )?(?:pan|skillet)\b/i, '', 'greased'],
  [/^(?:un peu|une noisette|noisette|un filet) (?:d[’']|de )(huile|beurre|saindoux)$/i, '', 'a little'],
  [/^(?:wenig|etwas|ein wenig) (öl|butter|butterschmalz|schmalz)$/iu, '', 'a little'],
  [/^(?:unas gotas|un poco|un chorrito) de (aceite|mantequilla|manteca)$/i, '', 'a little'],
  [/\bpfanne mit (?:wenig |etwas )?(butter|öl|butterschmalz|schmalz)\b/i, '', 'a little'],
  [/^(butter|öl|butterschmalz) in die (?:heiße )?pfanne\b/iu, '', 'a little'],
  [/(?<!\p{L})frottée?s? (?:d[’']|de |au |avec )(huile|beurre)/iu, '', 'wiped'],
  [/\b(beurr)(?:er|ez) (?:le|un|la) (?:plat|moule|poêle)/i, '', 'greased'],
  [/\b(mantequilla|manteca)\b(?=.*\bbandeja\b)|\ben(manteca)d[ao]/i, '', 'greased'],
  [/\b(butter|oil|lard|ghee)\b[^,;.]{0,12}\b(?:on|in) the (?:baking (?:sheet|tray)|tin|dish)\b/i, '', 'melted'],
  [/^(?:brush|wipe|rub|smear) on (?:a little |some )?((?:\w+ )?oil|butter|lard|ghee)$/i, '', 'brushed'],
  [/\bdipped in (oil|butter|lard)\b/i, '', 'wiped'],
  [/\b(butter) paper\b/i, '', 'wiped'],
  [/^(buttered|oiled) (?:pan|griddle|skillet|iron)$/i, '', 'greased'],
  [
    /^(?:a )?(?:generous |good |small |thin )?(?:smear|splash|knob|touch|film|slick|dab|lick|rub) of ((?:\w+ )?oil|butter|lard|ghee|dripping)$/i,
    '',
    'a little',
  ],
  [/\bwith a (?:touch|smear|film|little bit) of ((?:\w+ )?oil|butter|lard|ghee)$/i, '', 'a little'],
  [/\bgraissée?s?\b[^,;.]{0,10}\b(?:au|avec du|avec de l[’']|à l[’'])\s?(beurre|huile|saindoux)\b/i, '', 'greased'],
  [/\b(?:poêle|crêpière|plaque|gaufrier)\b[^,;.]{0,20}\b(huil|beurr)ée?s?(?!\p{L})/iu, '', 'greased'],
  [
    /\bmit (?:etwas |wenig |ein wenig )?(öl|butter|butterschmalz|schmalz)\b[^,;.]{0,45}\b(?:aus)?(?:backen|braten)/i,
    '',
    'a little',
  ],
  [/\b(buttered|oiled|greased) for each\b/i, '', 'greased'],
  [
    /\bgraiss(?:ez|er)\b[^,;.]{0,25}\b(?:avec|au|à l)[ ’'](?:du |de |le |un peu de )?(beurre|huile|saindoux)\b/i,
    '',
    'greased',
  ],
  [/\buntar\b[^,;.]{0,25}\bcon (?:un poco de )?(mantequilla|aceite|manteca)\b/i, '', 'greased'],
  [/^(?:a )?(?:quick |light |good )?(?:oil |cooking )?(spray)$/i, '', 'sprayed'],
  [
    /^(?:a )?(?:thin |good |quick )?(?:rub|wipe|lick|smear|dab|film|slick|touch) of (lard|butter|oil|ghee|fat)$/i,
    '',
    'greased',
  ],
  [
    /\beach (?:hole|hollow|well) (?:gets|takes|wants) (?:a |some )?(?:\w+ of )?(butter|oil|ghee|lard|fat)\b/i,
    '',
    'a little',
  ],
  [/\bspray (?:the )?(?:pan|griddle|iron|skillet|plates?)\b/i, 'spray', 'sprayed'],
  [/^(oiled|buttered)$/i, '', 'greased'],
  [/\b(?:bit|little|knob|film|spoon) of (butter|oil|lard|ghee) in it\b/i, '', 'a little'],
  [
    /\b(?:wiped|brushed|rubbed|greased|engrasad[ao]) (?:with|con) (?:a little |some )?(?:melted |soft )?(clarified butter|lard|butter|(?:\w+ )?oil|ghee|dripping|aceite|mantequilla)\b/i,
    '',
    'greased',
  ],
  [/\b(?:griddle|pan|skillet|iron)\b[^;.]{0,40}\band (butter|oil|grease) it\b/i, '', 'greased'],
  [
    /\b(?:swirl|film|drop|splash|dash|slick|knob|bit|little) of (oil|butter|lard|fat)\b[^,;.]{0,20}\b(?:heat|shimmer|pan|skillet)/i,
    '',
    'a little',
  ],
  [/\bgive the (?:pan|griddle|skillet) a \w+ of (oil|butter|lard|fat)\b/i, '', 'a little'],
];

/** A fat that is put on a surface, in whatever words: the two in one clause, and a verb of cooking or greasing. */
const FAT_ON = new RegExp(
  `\\b(?:heat|melt|warm|swirl|add|put|use|brush|grease|wipe|rub|coat|film|spray|spread|smear|drop|tip|place)\\b(?=.*\\b(?:pan|griddle|skillet|iron|plates?|surface)\\b)[^,;]*?((?:a (?:thin |light )?(?:little|bit|knob|film|layer|coat|slick|spoon(?:ful)?|teaspoon|tablespoon)(?: of)?|some|the)?\\s*)\\b${FAT_NAME}\\b`,
  'i',
);
/** A fat that goes into the batter, or melts by itself in a small pan. */
const NOT_THE_PANS =
  /\b(?:batter(?! sticks)|bowl|dough|eggs?|milk|flour|sugar|small pan|sauce ?pan|no (?:oil|butter|fat|grease)|without|sticks)\b/i;

const FAT_IDS: readonly (readonly [RegExp, string])[] = [
  [/clarified|ghee|butterschmalz/i, 'butter-clarified'],
  [/butter|beurr|mantequilla|^manteca$/i, 'butter-unsalted'],
  [/olive/i, 'oil-olive'],
  [/coconut/i, 'oil-coconut'],
  [/lard|schmalz|saindoux|manteca de cerdo/i, 'lard'],
  [/dripping|bacon/i, 'tallow'],
  [/margarine/i, 'margarine'],
  [/spray|oil|öl|huil|aceite/i, 'oil-vegetable'],
];

const NO_FAT =
  /(?<!\b(?:looks?|are|is|edges?|turns?|goes?) )\b(?:dry(?! (?:bowl|ingredients|things|part|flour|mix))|sin (?:aceite|grasa)|sans (?:matière grasse|huile)|ohne (?:fett|öl)|ungreased|no fat|without (?:any )?fat|no (?:oil|butter|grease) (?:on|in)|(?:wants|needs|takes|gets) no (?:oil|butter|fat|grease))\b/i;
/** Words by which no fat is meant for the surface, though the clause names none. */
const NO_FAT_ALONE =
  /\bthe (?:pan|griddle|skillet|iron) needs none\b|\b(?:wants|needs|takes|gets) no (?:oil|butter|fat|grease)\b|\bno fat (?:is )?(?:needed|required|necessary)\b/i;
const NO_FAT_OF_SENTENCE = /^(?:no fat|dry|ungreased)$|\bno (?:oil|butter|fat|grease) (?:on|in) (?:it|the)\b/i;
const isDry = ({ text, sentence }: Clause): boolean =>
  (NO_FAT.test(text) && SURFACE.test(text)) ||
  NO_FAT_ALONE.test(text) ||
  (NO_FAT_OF_SENTENCE.test(text) && SURFACE.test(sentence));

/** "Butter the pan", "oil the irons lightly". */
const BY_VERB =
  /\b(butter|oil|grease)\s+(?:the|a|your)\s+(?:(?:hot|heavy|large|small|\d+[\s-]?(?:cm|inch)|baking|cast[- ]iron)\s+){0,2}(?:pans?|griddle|girdle|skillet|irons?|plates?|hollows|wells|holes|moulds|dish|tin)\b/i;
/** "On a lightly oiled griddle". */
const LIGHTLY =
  /\b(?:(lightly|well|barely|thinly)[- ]|(?<=\b(?:on|onto|in) an? ))(oiled|buttered|greased)\b[^,;.]{0,30}\b(?:pan|griddle|skillet|iron)\b/i;
const GREASED = /\bgreased (?:hot |cast[- ]iron )?(?:pan|griddle|skillet|iron|plate)\b/i;
/** "A knob of butter", in a sentence of a pan. */
const BARE =
  /^(?:then |and )?(?:(?:a )?(?:small |little |good |big |tiny )?(?:knob|bit|piece|drop|slick|spoon) of |lots of |plenty of )?(lard|butter|oil|ghee|dripping)(?: it)?$| and (butter|oil|grease) it$/i;

/** The fat that a clause names for the surface, and how it comes there; null where it names none. */
function fatIn({ text, sentence }: Clause): { readonly fat: string; readonly how: string } | null {
  const said = PAN_FAT.map((re) => re.exec(text)).find((m) => m !== null);
  if (said) return { fat: said[2] ?? '', how: said[1]?.trim() ?? '' };
  const verb = BY_VERB.exec(text);
  if (verb) return { fat: verb[1] ?? '', how: '' };
  const lightly = LIGHTLY.exec(text);
  if (lightly) return { fat: lightly[2] ?? '', how: (lightly[1] ?? lightly[2] ?? '').toLowerCase() };
  const bare = SURFACE.test(sentence) ? BARE.exec(text) : null;
  if (bare) return { fat: bare[1] ?? bare[2] ?? '', how: '' };
  for (const [re, is, how] of FAT_BY_VERB) {
    const m = re.exec(text);
    if (m) return { fat: is || (m[1] ?? ''), how };
  }
  const on = NOT_THE_PANS.test(text) ? null : FAT_ON.exec(text);
  if (on) return { fat: on[2] ?? '', how: on[1]?.trim() ?? '' };
  return GREASED.test(text) ? { fat: '', how: '' } : null;
}

export function panFatIn(c: Clause): readonly ToldFact[] {
  const { text, taken } = c;
  if (FRIES_OTHER.test(text)) return [];
  if (isDry(c)) return [{ fact: 'panFat', value: 'none', unit: null, of: 'dry', words: text, taken }];
  const told = fatIn(c);
  if (!told) return [];
  const id = FAT_IDS.find(([re]) => re.test(told.fat))?.[1];
  const of = told.how || 'greased';
  if (id) return [{ fact: 'panFat', value: id, unit: null, of, words: text, taken }];
  // greased, and nobody says with what
  return [{ fact: 'panFat', value: 'any', unit: null, of, words: text, taken: taken === 'told' ? 'asked' : taken }];
}
