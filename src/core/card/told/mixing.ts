/** How far a batter is mixed and whether it is strained, how the whites are whipped and folded in: by the words of a clause. */
import type { Clause, FactId, ToldFact } from './clause';
import { anyWord } from './words';

const MIXES = String.raw`mix\w*|stir\w*|whisk\w*|combin\w*|blend\w*|beat\w*|work\w*|fold\w*|rühr\w*|verrühr\w*|mélang\w*|mezcl\w*|batir|schlag\p{L}*|geschlagen|grind|mash|blitz|pur[ée]e`;
const MIXING = anyWord(MIXES);

/** Lumps, and what is said of them. */
const LUMPS = anyWord(String.raw`lump\p{L}*(?! of)|klümpchen\p{L}*|klumpen|grumeau\p{L}*|grumeleu\p{L}*|grumos?`);
const NO_LUMPS = new RegExp(
  String.raw`(?<!\p{L})(?:no|not an?|without(?: an?| any)?|free of|can(?:no|[’']?)t (?:see|feel|find) (?:an?|any|one)(?: single)?|(?:is|are)(?:n[’']t| not) an?(?: single)?|there[’']s not an?|out (?:every|any|all|of)|rid of(?: all)?|zero|sans|plus de|pas de|sin|ni|éviter les|evitar(?: los)?|to avoid|keine?|ohne|no (?:queden?|hay))\s+(?:(?:the|any|big|more|una?|más)\s+)*${LUMPS.source}|${LUMPS.source}\s*(?:are|is)?\s*(?:gone|left over|out)(?!\p{L})|(?<!\p{L})(?:lump[- ]?free|klümpchenfrei|klumpenfrei)`,
  'iu',
);
/** "Don't beat out the lumps", "there's no need to beat out the lumps". */
const LUMPS_STAY =
  /\bdo(?:n[’']t| not) (?:worry|fuss|mind)\b[^,;.]*\b(?:rough|lumpy|lumps|perfect)\b|n(?:ot|[’']t) (?:try to )?(?:beat|whisk|get|stir) (?:out )?(?:all )?the lumps|\bno need to beat out\b|\bnever mind (?:the )?lumps\b/i;
const SMOOTH_WORDS = anyWord(
  String.raw`(?:very |really |quite |perfectly |completely |nice and |silky )*(?:smooth|silky|velvety)|glatt\p{L}*|lisses?|lis[ao]|homog[eéè]n\p{L}+|(?<!capa (?:muy |bien )?)fin[ao]`,
);
/** How it looks as it is mixed; said of the batter alone it is how thick it is. */
const LIKE_CREAM = /\blike (?:(?:single|thin|thick|double|pouring) )?(?:cream|silk|paint)\b/i;
const GLATT = /(?<!\p{L})glatt(?:ge|zu)?(?:rühr|schlag|mix)/iu;
const NEARLY = /\b(?:nearly|almost|not quite|mostly|more or less) (?:smooth|silky)\b|\bsmooth(?:ish| enough)\b/i;
const UNTIL = anyWord(
  String.raw`until|till|when it(?:[’']s| is)|make|gets?|(?:i|you|we) want it|comes? out|so(?: that)?|bis|zu|jusqu\p{L}*|hasta|quede|soit|should be|must be|has to be|wants to be|batter|teig|pâte|masa`,
);

/** So little mixing: what it is mixed until, or how. */
const BARELY = anyWord('barely|hardly|scarcely|only just|just|briefly|lightly|nur kurz|kurz|apenas|à peine');
/** So little mixing, in a phrase of its own. */
const LITTLE_WORK = anyWord(
  String.raw`lo justo|sans (?:insister|trop \p{L}+)|(?:sin|no) (?:batir|mezclar|trabajar|remover) (?:demasiado|de más|mucho|en exceso)`,
);
const TOGETHER =
  "combined?|mixed|together|blended|moist(?:ened)?|wet(?:ted)?|incorporated|stirred|there(?!’s|'s| is| are)|holds? together|comes? together|bound|amalgamated|mixed in";
const JUST: readonly RegExp[] = [
  LITTLE_WORK,
  new RegExp(
    String.raw`${BARELY.source}\s+(?:(?:until|till|enough|to|it|them|the)\s+)*(?:it\s+|it[’']s\s+|they\s+|the \w+\s+)?(?:is\s+|are\s+)?(?:${TOGETHER}|comes?|bring|combine|mix|stir)(?!\p{L})`,
    'iu',
  ),
  new RegExp(
    String.raw`(?<!\p{L})(?:only )?(?:until|till?)\s+(?:(?:it|they|the flour|everything|all) )?(?:is |are )?(?:just |only just |barely )?(?:${TOGETHER})(?!\p{L})`,
    'iu',
  ),
  new RegExp(
    String.raw`${MIXING.source}[^,;.]{0,40}(?<!\p{L})(?:just (?:until|till|enough|to)|no more than|as (?:little|few)\b|only briefly|briefly|not too much|as little as)(?!\p{L})`,
    'iu',
  ),
  new RegExp(String.raw`${BARELY.source}\s+(?:(?:it|ver|unter|durch|das)\s*)?(?:${MIXES})`, 'iu'),
  /\b(?:as soon as|until|till|when|once|so(?: that)?) (?:there is |there[’']s |you see )?(?:almost |hardly any )?(?:no (?:more )?(?:dry )?flour|(?:you|they|i) can(?:no|[’']?)t see (?:any |the )?flour|the (?:dry |last )?flour (?:disappears|is (?:wet|gone|in|moist))|no (?:streaks|dry (?:patches|spots|bits|pockets)))\b/i,
  /\bstreaks? of (?:dry )?flour\b|\b(?:\d+|(?:a )?few|two|three|four|five|six|eight|ten|a dozen|twelve|fifteen|twenty|thirty)(?: or so)? (?:(?:light|slow|gentle|good|big) )?(?:strokes|stirs|(?<!\bin \w+ )folds(?! of)|turns(?! of)|(?:turns|folds) of the (?:spoon|spatula|whisk))\b/i,
  /\b(?:stir|mix|fold)\b[^,;.]*\b(?:\d{1,2}|six|eight|ten|twelve|fifteen|twenty) times\b|\bthe (?:second|moment) (?:the|it|there)\b[^,;.]*\b(?:stop|enough|leave)\b|^(?:just )?(?:(?:\d+|three|four|five|six|eight|ten) (?:or|to) )?(?:\d+|four|five|six|eight|ten|twelve|fifteen|twenty) (?:turns|times|stirs|strokes)$|\bas few\b|\bstop while (?:it|there)\b|\bstop at (?:\d+|ten|twelve|fifteen|twenty|thirty)\b|\bstop (?:stirring|mixing|whisking) (?:when|as soon as|once)\b/i,
];

/** "Stir it together, not too much"; "and it looks a mess". */
const NOT_MUCH =
  /^(?:but |and )?(?:(?:only )?(?:briefly|lightly|barely)|not (?:too|very|so) (?:much|long|hard)|no more(?: than that)?|don[’']t overdo it)$|\blooks? (?:like )?a mess\b/i;

const BLENDER =
  /\b(?:blender|(?:stick|hand|immersion)[- ]?blend(?:ed)?|i blended (?:it|this|that|the lot)\b|blend(?:ed)?(?: (?:it|that|this|all|everything|the lot|the rest))?(?: for)?(?: about)?(?: (?:a|two|three|ten|fifteen|twenty|thirty|\d+|full|good|half|one)){1,3} (?:min(?:ute)?|sec(?:ond)?)s?\b|blend\b[^,;.]{0,20}\b(?:on|at) (?:high|low|full)|batidora|licuadora|licuar|(?:in den|im|mit dem) (?:stand)?mixer|tout mixer|mixer (?:le )?tout|mixeur|pürier\w+|(?:food )?processor|purée? (?:in|it|the)|whizz?(?! the \p{L}+ (?:to|into)\b)(?!.*\bsmooth)|^(?:then )?blend(?: in \w+ batches)?$|^(?:then )?blend (?=\d|an?\b|one|two|three|four|five|six|everything|all|the (?:whole )?lot|it all)|liquidi[sz]er|blitz)\b/iu;

/** "Blend eggs, milk, flour 20 s": the first of what goes in. */
const BLENDS = /^(?:then )?blend \p{L}+$/iu;
const FOR_SECONDS = /\b\d+ ?(?:s|secs?|seconds)\b/i;

/** @returns how far the batter is mixed by what a clause says; null: it says nothing of it */
function mixedIn({ text, sentence }: Clause): 'blender' | 'smooth' | 'just' | null {
  if (/^mash\b|\b(?:big|good|small|little|nice) lump\b/i.test(text)) return null;
  // "spread with the T in two turns": on the plate
  if (/\b(?:spread|swirl|tilt)\w*\b[^,;.]*\bturns?\b/i.test(text)) return null;
  if (BLENDER.test(text) || (BLENDS.test(text) && FOR_SECONDS.test(sentence))) return 'blender';
  const stay =
    LUMPS_STAY.test(text) ||
    (LUMPS.test(text) && !NO_LUMPS.test(text) && !/(?<!\b(?:fine|ok|okay|good|right) )\bif\b/i.test(text));
  const smooth =
    !NEARLY.test(text) &&
    (NO_LUMPS.test(text) ||
      GLATT.test(text) ||
      /(?:^|: )(?:quite |really |very )?smooth$/i.test(text) ||
      /^(?:\p{L}+ ){1,2}smooth$/iu.test(text) ||
      (LIKE_CREAM.test(text) && MIXING.test(text)) ||
      (SMOOTH_WORDS.test(text) && (UNTIL.test(text) || MIXING.test(text))));
  if (smooth && !stay) return 'smooth';
  if (NOT_MUCH.test(text) && MIXING.test(sentence)) return 'just';
  return stay || NEARLY.test(text) || JUST.some((re) => re.test(text)) ? 'just' : null;
}

/** Egg white beaten, in whatever word for it. */
const FOAM = anyWord(String.raw`(?:egg )?whites?|foam|meringue|snow|eiweiß\p{L}*|eischnees?|schnees?|blancs?|claras?`);
/** Whether a text speaks of beaten whites at all. */
export const tellsOfFoam = (text: string): boolean => FOAM.test(text);
const STIFF = anyWord(
  String.raw`stiff(?:ly)?|firm(?:ly)?|fermes?|hold(?:s|ing)?(?: (?:an? )?(?:firm |stiff )?(?:peak|shape)s?)?|eischnee|zu schnee|turn the bowl (?:over|upside)|upside down|stand(?:s)?(?: up)?|steif\p{L}*|fest\p{L}*|neige|(?:punto|a punto) de nieve|nieve|montées?|firmes?`,
);
const SOFT = anyWord(String.raw`soft(?:ly)?|lightly|weich\p{L}*|halbsteif\p{L}*|souples?|suaves?|mous?|molle`);
const PEAKS = anyWord('peaks?|foam|snow|meringue|schnee|picos|schlagen');
const CREAM = /\b(?:cream|sahne|crème|nata)\b/i;

const FLOPS =
  /\bstill soft\b|\b(?:tips?|peaks?|tops?) (?:that |which )?(?:just )?(?:flops?|droops?|bends?|curls?|nods?)\b/i;

const SOFT_ABROAD = anyWord(
  String.raw`halbsteif\p{L}*|(?:nicht|pas|no) (?:zu|ganz|trop|muy|demasiado) (?:steif\p{L}*|fest|fermes?|firmes?|duras?)|souples?|mousseux|suaves?|semimontad[ao]s?|semimontar`,
);

/** @returns how far the whites are whipped; null: it is not told */
function whitesIn(text: string, sentence: string): 'firm' | 'soft' | null {
  const foam = FOAM.test(text);
  // cream has peaks too
  if (CREAM.test(text) && !foam) return null;
  if (/\bsoft(?:\s+\w+)?\s+peaks?\b/i.test(text)) return 'soft';
  if (foam && /\bjust (?:about )?hold(?:s|ing)? (?:their|its|a) shape\b/i.test(text)) return 'soft';
  // "till they stand up but are still soft on top"
  if (FLOPS.test(sentence)) return foam || FLOPS.test(text) ? 'soft' : null;
  // "neige" and "nieve" are foam of any stiffness
  if (foam && SOFT_ABROAD.test(text)) return 'soft';
  const peaks = PEAKS.test(text);
  const ofFoam = FOAM.test(sentence);
  if (
    STIFF.test(text) &&
    (foam ||
      peaks ||
      (ofFoam &&
        /^(?:then )?(?:stiff|firm|beaten|whipped|whisked|montad[ao]s|batid[ao]s|mont[ée]s|battus)(?!\p{L})/iu.test(
          text,
        )))
  )
    return 'firm';
  if (/\bstiffly beaten\b|\bbeaten stiff\b/i.test(text)) return 'firm';
  if (
    SOFT.test(text) &&
    (peaks || (foam && /\b(?:beat|whip|whisk|froth|beaten|whipped|whisked|schlagen|soft)\w*/i.test(text)))
  )
    return 'soft';
  return ofFoam && /^(?:(?:beaten|whipped|whisked) )?soft(?:ly)?$/i.test(text) ? 'soft' : null;
}

/** Fruit, nuts and chips. */
export const BITS =
  '(?:berries|bananas?|apples?|pears?|peaches|cherries|chips|chunks|nuts|pecans|walnuts|hazelnuts|almonds|raisins|currants|sultanas|coconut)';
const SOME_BITS = new RegExp(BITS, 'i');
/** The foam is folded in: it is named, or spoken of by a pronoun. A crepe is folded too. */
const FOLDS =
  /\bfold(?:ed|s|ing)?\b(?! (?:over|in half|in(?:to)? (?:quarters|half)|(?:the |each )?(?:crepes?|edges?|pancakes?)))/i;
const IT_FOLDED =
  /\bfold(?:ed)? (?:it|[’']?em|them|those|these|together)\b|\bfold(?:ed)? (?:in|through)(?: (?:gently|carefully|last|at the end|in one go|all at once))*$|\bfold(?:ed)? (?:gently |carefully )?(?:in|into|through) (?:the )?(?:batter|mix(?:ture)?)\b|^(?:then |and )?fold$/i;
const OTHER_FOLDS =
  /\b(?:unterheben|unterziehen|untergehoben|unterzogen)\b|\b(?:heb|zieh)(?:e|t|en)?(?: sie)? (?:es|ihn|das|den|die|sie)\b[^,;.]{0,40}\bunter\b|\bunter (?:den|die) \p{L}*(?:teig|masse) (?:heben|ziehen)\b|\bincorpor\p{L}+\b[^,;.]{0,30}\b(?:blancs|claras)\b|\bles incorporer\b|\bajout\p{L}+ (?:délicatement )?les blancs\b|\bincorpore[rz]?[- ]les\b|\bincorporarlas\b|\bincorpóralas\b|\bmovimientos envolventes\b|\bal final (?:se añaden )?las claras\b/iu;
const THIRDS =
  /^(?:a )?third in\b|\b(?:a|one)[ -]third of (?:the |them|it\b)|\b(?:scoop|stir|mix|whisk|beat|work|put) (?:about )?a third in\b|\b(?:a|one) third (?:is |gets )?(?:stirred|folded|worked|beaten|mixed) in\b|\b(?:fold|work|stir|beat|lighten)\w* (?:\w+ )?(?:in |through |with )?a third\b|\bfold\b[^;.]{0,60}\b(?:thirds|(?:three|3) (?:goes|additions|batches|lots|parts|steps|stages)|a third at a time)\b|\bin (?:three|3) (?:goes|additions|batches|lots|parts|steps|stages)\b|(?:\bein drittel|\b1\/3)\s+(?:des|vom|der|davon)\b[^,;.]*(?:eischnees?|eiweiß(?:es)?|schnees?)|(?:\bun tiers|\b1\/3)\s+des blancs\b|(?:\bun tercio|\b1\/3)\s+de las claras\b|\bin drei (?:portionen|teilen|schritten)\b|\ben trois fois\b|\ben tres (?:veces|tandas)\b/i;
/** "Fold them in, in thirds": how, in a clause behind the folding. */
const IN_THIRDS =
  /\bfold[^.;]*\ba third (?:to|first|goes)\b|\bfold[^.;]*\bin (?:thirds|(?:three|3) (?:goes|additions|batches|lots|parts|steps|stages))\b|\ba third at a time\b/i;
/** "Whip the whites till firm. Fold." */
const FOLD_ALONE = /^(?:then |and )?fold$/i;
/** In goes that are no thirds. */
const IN_GOES =
  /\bin (?:two|several|four) (?:goes|additions|batches|lots|parts)\b|\bin zwei (?:portionen|teilen|schritten)\b|\ben deux fois\b|\ben dos (?:veces|tandas)\b/i;

/** "Whites to soft peaks with the sugar in three lots": another thing goes in in goes. */
const OTHER_IN_GOES = /\b(?:sugar|flour|milk|butter|liquid|water)\b[^,;.]{0,12}\bin (?:two|three|four|several) \w+/i;

/** @returns how the foam is folded in; null: it is not told */
function foldIn({ text, sentence }: Clause, before?: Clause): 'thirds' | 'once' | null {
  if (OTHER_IN_GOES.test(text) && !FOLDS.test(text)) return null;
  if (THIRDS.test(text) || (FOLDS.test(text) && IN_THIRDS.test(sentence))) return 'thirds';
  if (IN_GOES.test(sentence)) return null;
  if (OTHER_FOLDS.test(text) || (FOLD_ALONE.test(text) && FOAM.test(before?.text ?? ''))) return 'once';
  return FOLDS.test(text) &&
    (FOAM.test(text) ||
      (FOAM.test(sentence) && /\bthe rest\b|^folded(?: in\b|$)/i.test(text)) ||
      (IT_FOLDED.test(text) && !SOME_BITS.test(text) && (FOAM.test(sentence) || !FOLD_ALONE.test(text))))
    ? 'once'
    : null;
}

/** Facts that a clause tells of mixing: which, and what. @param before the clause before it */
export const mixingIn = (c: Clause, before?: Clause): readonly (readonly [fact: FactId, value: string])[] => {
  const [whites, fold, mix] = [whitesIn(c.text, c.sentence), foldIn(c, before), mixedIn(c)];
  return [
    ...(whites ? [['whites', whites] as const] : []),
    ...(fold ? [['fold', fold] as const] : []),
    ...(mix ? [['mix', mix] as const] : []),
  ];
};
/** "Don't beat out the lumps": the denial is what is done. */
export const saidByDenial = (text: string): boolean =>
  LUMPS_STAY.test(text) ||
  /\blumps (?:(?:are|is) (?:fine|ok(?:ay)?|good|welcome)|(?:never|won[’']t|don[’']t) (?:hurt|matter))\b/i.test(text) ||
  /\bnever (?:flip|turn) (?:it |them )?twice\b/i.test(text);

const SIEVE = `(?:through|thru) (?:(?:a|the|my) )?(?:(?:fine|clean|wire|mesh)[- ]?(?:mesh )?)*(?:sieve|strainer|chinois|tamis)`;
const BATTER = `(?:it|that|this|everything|(?:the|this|your|all the) (?:whole )?(?:batter|mix(?:ture)?|lot))`;
const STRAINS = new RegExp(
  String.raw`(?<!\p{L})(?:(?:strain|sieve) ${BATTER}(?!\p{L})|(?:pass|push|pour|put|run|press|work|rub|send) ${BATTER} ${SIEVE}|(?:then |and )?(?:strain|pass)(?: it)?(?: ${SIEVE})(?: into (?:a|the|another|your) \w+)?$|^(?:then |and )?(?:it all )?${SIEVE}(?: into (?:a|the) \w+)?$|(?:then |and )?strain$|^(?:then |and )?sieve$|(?:strain|sieve)(?= and (?:refrigerat|chill|rest|leave|let|stand))|strained into (?:the|a)\b|(?:den teig |die masse |alles |ihn )?durch ein(?:en)? (?:feines |feinen )?(?:haar)?sieb (?:gießen|streichen|passieren|drücken|geben)|(?:passe[rz]|filtre[rz]) (?:la pâte|le tout|l[’']appareil)(?: (?:au|dans une?|à travers une?|au travers d[’']une?) (?:tamis|chinois|passoire)(?: fine?)?)?$|passe[rz] (?:au travers d[’']une?|à travers une?|au) (?:tamis|chinois|passoire)(?: fine?)?$|(?:colar|cuela)(?= y (?:dejar|deja|reposar|refrigerar|guardar))|(?:colar|cuela|pasar) (?:la masa|todo|la mezcla)(?: por (?:un|el) colador(?: fino)?)?$)`,
  'iu',
);
/** What is strained before it is a batter, or is none. */
const NO_BATTER =
  /\b(?:infus\w*|steep\w*|yogh?urt|whey|curd|raisins?|currants?|tea|berries|compote|syrup|sauce|juice|seeds?|butter|flour|cocoa|sugar|powder|soak\w*)\b/i;

/** A batter that is put through a sieve. */
export const strainIn = ({ text, sentence, taken }: Clause): readonly ToldFact[] =>
  STRAINS.test(text) && !NO_BATTER.test(sentence)
    ? [{ fact: 'strain', value: 'sieve', unit: null, of: 'batter', words: text, taken }]
    : [];
