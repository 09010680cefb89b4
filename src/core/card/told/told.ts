/**
 * What a card's method tells, fact by fact: rests, portions, heat, minutes, pan fat, peaks. A sentence is read clause
 * by clause: what is denied, left to taste, or said of other people's ways is a remark and no fact; and what a rest, a
 * heat or a fat is of decides where it belongs.
 */
import type { KitchenConventions } from '../../pantry/conventions';
import { readLine } from '../line';
import { servingClaim, yieldClaim } from '../method';
import { type Clause, clausesOf, type FactId, isDenied, TAKEN, type ToldFact } from './clause';
import { heatsIn, OVEN, SURFACE, speaksFahrenheit } from './heat';
import { panFatIn } from './pan-fat';
import { portionsTold } from './portion';
import { restsIn, sidesIn } from './times';

/** Facts that one word tells, in their order; of each the first that is found in a clause. */
const WORDS: readonly { readonly fact: FactId; readonly value: string; readonly is: RegExp }[] = [
  {
    fact: 'whites',
    value: 'firm',
    is: /\b(?:firm|stiff)(?:,?\s+\w+)?\s+(?:peaks?|foam|snow|meringue)\b|\bbeaten stiff\b|\bwhites?\b[^,;.]{0,45}\b(?:stiff|firm|stand(?: up)?$)|\bmeringue\b[^,;.]{0,20}\bholds?\b|\bstiffly beaten\b|\bneige\b|\bpunto de nieve\b|\bsteif(?:e[mn])?\b[^,;.]{0,20}\b(?:schnee|schlagen)\b|\bzu (?:steifem |festem )?schnee\b|\beischnee\b/i,
  },
  {
    fact: 'whites',
    value: 'soft',
    is: /^soft(?:ly)?$|\bsoft(?:\s+\w+)?\s+(?:peaks?|foam|snow)\b|\bsoft(?:ly)?[- ](?:whipped|beaten) whites?\b|\bzu weichem schnee\b|\bpicos suaves\b|\bwhites?\b[^,;.]{0,20}\b(?:softly|lightly|soft)\b(?! peak)/i,
  },
  {
    fact: 'fold',
    value: 'thirds',
    is: /\b(?:a|one)[ -]third of (?:the |them)|\bfold (?:in |through )?a third\b|\bfold\b[^;.]{0,60}\b(?:thirds|three (?:goes|additions|batches|lots|parts)|a third at a time)\b|\bin three (?:goes|additions|batches|lots|parts)\b|\bin drei (?:portionen|teilen|schritten)\b|\ben trois fois\b|\ben tres (?:veces|tandas)\b/i,
  },
  {
    fact: 'fold',
    value: 'once',
    is: /\bunterheben\b|\bunter (?:den|die) \p{L}*(?:teig|masse) (?:heben|ziehen)\b|\bincorpor\p{L}+\b[^,;.]{0,30}\b(?:blancs|claras)\b|\bles incorporer\b|\bincorporarlas\b|\bmovimientos envolventes\b/iu,
  },
  {
    fact: 'mix',
    value: 'blender',
    is: /\b(?:blender|blend\b[^,;.]{0,20}\b(?:on|at) (?:high|low|full)|batidora|licuadora|licuar|(?:in den|im) mixer|tout mixer|mixeur|pürier\w+|food processor|liquidi[sz]er|blitz)\b/i,
  },
  {
    fact: 'mix',
    value: 'smooth',
    is: /\b(?:until|till) (?:it is |very |quite |perfectly |completely |just |nice and )*(?<!\b(?:nearly|almost) )(?:smooth|silky|velvety)\b|\bwithout (?:a lump|lumps)\b|\bquede (?:fin|lis|homogéne)[oa]\b|\b(?:no|not a) lumps?\b|\blumps are gone\b|\blump[- ]free\b|\bglatt (?:ver|ge)?(?:rühr|schlag|mix)|\bglatte[nr] teig\b|\bklümpchenfrei|\bpâte (?:bien |soit |est )?lisse\b|\bsans grumeaux\b|\bsin grumos\b|\bno queden? grumos\b|\bmasa (?:lisa|homogénea)\b|\bsmooth batter\b|\b(?:should|must|has to) be (?:\w+ )?smooth\b|\bout (?:every|any|all the) lumps?\b|\b(?:beat|whisk|mix|stir|blend)\b[^,;.]{0,20}(?<!\b(?:nearly|almost) )\bsmooth\b/i,
  },
  {
    fact: 'mix',
    value: 'just',
    is: /\b(?:as soon as|until|till) no (?:dry )?flour\b|\blumps? (?:do(?:es)?n[o’']t|do not) matter\b|\bdo(?:n[o’']t| not) (?:worry|fuss|fret) about (?:the )?lumps\b|\b(?:only|just) (?:until|till) (?:the flour (?:disappears|is wet|is gone)|no (?:dry )?flour)|\b(?:until|till|the flour is) (?:only )?just (?:combined|mixed|together|blended|moistened|wet|incorporated)\b|\bonly (?:until|till) (?:it is |just )?(?:combined|mixed|together|blended|moistened|wet|incorporated)\b|\b(?:mix|stir|whisk|combine|blend|beat|work)\w*\b[^,;.]{0,40}\bjust (?:until|till|enough|to)\b|^just (?:until|till|enough to) (?:it |they |the )?(?:comes?|combined?|mix|bring|moisten|wet|blended|together)|\b(?:barely|hardly|only just) (?:combined|mixed|together|blended|moistened|wet)\b|\bstreaks? of (?:dry )?flour\b|\b(?:\d+|ten|twelve|fifteen|twenty|thirty) (?:strokes|stirs)\b|\bbeat out the lumps\b|\b(?:mix|stir|whisk)(?: it)? as little as (?:you can|possible)\b|\bstop (?:stirring|mixing|whisking) (?:when|as soon as|once) (?:the )?flour\b|\bnur kurz (?:ver|unter|durch)?rühr|\bsans trop (?:mélanger|travailler)\b|\b(?:sin batir|sin mezclar) (?:demasiado|de más)\b|\blumps? (?:stay|remain|(?:are|is) (?:fine|ok|okay|good|welcome|what you want))\b|\blumpy batter is (?:fine|good|ok|okay|right|what)\b|\blumps and all\b|\b(?:mix|whisk|stir)(?:ed)? (?:it )?(?:only |just )?briefly\b|\b(?:leave|some|few|small) (?:the )?lumps\b|\bleave (?:it )?(?:a bit )?lumpy\b|\b(?:wants? to be|be|stay|keep) (?:a bit )?lumpy\b|\bpâte reste grumeleuse\b|\bstill (?:see |have )?lumps\b|\blumps welcome\b|\bstir\b[^,;.]{0,12}\bnot too much\b|\bnearly smooth\b|\balmost smooth\b|\bmixed just together\b|\blo justo\b|^klümpchen dürfen\b|^just (?:combine|mix|stir)(?: it| them| together)?$|\bsans insister\b|\bpeut rester des grumeaux\b|\b(?:stays?|still|leave it|should be|will be) lumpy\b/i,
  },
  { fact: 'turns', value: 'quarters', is: /\bquarter[- ]turns?\b|\bturn (?:them |it )?(?:by )?(?:a )?quarters?\b/i },
  {
    fact: 'turns',
    value: 'several',
    is: /\b(?:(?:flip|turn) (?:it |them )?every \d+ (?:seconds|s)|keep (?:on )?(?:turning|flipping)|turn (?:them )?(?:often|several times|constantly|again and again))\b/i,
  },
  {
    fact: 'turns',
    value: 'once',
    is: /\b(?:flip|turn) (?:it |them )?(?:only |just )?(?:the )?once\b(?! (?:the|it|they|you|bubbles?|edges?|golden|brown|set|dry|its|their))|\b(?:one|a single) (?:turn|flip) only\b|\bonly one (?:turn|flip)\b|^one (?:turn|flip)$|\bnever (?:flip|turn) (?:it |them )?twice\b/i,
  },
];
const SAID_BY_DENIAL = /n(?:ot|[’']t) (?:try to )?beat out the lumps\b|\bnever (?:flip|turn) (?:it |them )?twice\b/i;
const AHEAD =
  /\b(?:the (?:night|day|evening) before|a day ahead|(?:the )?(?:previous|evening) (?:night|day)|am vorabend|am abend (?:vorher|zuvor)|einen tag (?:vorher|im voraus)|la veille|la víspera|la noche anterior|un día antes|ahead of time|up to (?:a|one|two|\d) days? (?:ahead|before)|in advance)\b/i;

/** In goes that are no thirds. */
const IN_GOES = /\bin (?:two|several|four) (?:goes|additions|batches|lots|parts)\b/i;

/** Fruit, nuts and chips. */
const BITS =
  '(?:berries|bananas?|apples?|pears?|peaches|cherries|chips|chunks|nuts|pecans|walnuts|hazelnuts|almonds|raisins|currants|sultanas|coconut)';
/** The foam is folded in: it is named, or spoken of by a pronoun. A crepe is folded too. */
const FOLDS =
  /\bfold(?:ed|s|ing)?\b(?! (?:over|in half|in(?:to)? (?:quarters|half)|(?:the |each )?(?:crepes?|edges?|pancakes?)))/i;
const FOAM = /\b(?:whites?|foam|meringue|snow)\b/i;
const IT_FOLDED =
  /\bfold(?:ed)? (?:it|them|those|these|together)\b|\bfold(?:ed)? (?:in|through)(?: (?:gently|carefully|last|at the end|in one go|all at once))*$|\bfold(?:ed)? (?:gently |carefully )?(?:in|into|through) (?:the )?(?:batter|mix(?:ture)?)\b/i;
const SOME_BITS = new RegExp(BITS, 'i');
const foldsFoam = (text: string): boolean =>
  FOLDS.test(text) && (FOAM.test(text) || (IT_FOLDED.test(text) && !SOME_BITS.test(text)));

function wordsIn({ text, sentence, taken }: Clause): readonly ToldFact[] {
  const out: ToldFact[] = [];
  for (const { fact, value, is } of WORDS) {
    const isFold = fact === 'fold' && value === 'once';
    if (out.some((f) => f.fact === fact) || !(is.test(text) || (isFold && foldsFoam(text)))) continue;
    if (isFold && IN_GOES.test(sentence)) continue;
    if (fact === 'whites' && /^soft(?:ly)?$/i.test(text) && !FOAM.test(sentence)) continue;
    // cream has peaks too
    if (fact === 'whites' && /\bcream\b/i.test(text) && !/\bwhites?\b/i.test(text)) continue;
    // "don't beat out the lumps": the denial is what is done
    const done = SAID_BY_DENIAL.test(text) ? 'told' : taken;
    out.push({ fact, value, unit: null, of: null, words: text, taken: done });
  }
  const ahead = AHEAD.exec(text);
  // that it can wait is told, whether it does or not
  const can = isDenied(text) ? taken : 'told';
  if (ahead) out.push({ fact: 'ahead', value: ahead[0].toLowerCase(), unit: null, of: null, words: text, taken: can });
  return out;
}

const MOMENTS: readonly (readonly [RegExp, string])[] = [
  [
    /\b(?:sprinkle|scatter|dot|press|drop|arrange|lay|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over |\d+ |two |three |four )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into|in)\b[^,;.]{0,30}\b(?:before (?:you )?(?:turn|flip))/i,
    'turned',
  ],
  [
    /\b(?:sprinkle|scatter|dot|press|drop|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into)\s+(?:the\s+)?(?:(?:raw|wet|poured)\s+)?(?:batter|face|side|top|cakes?|pancakes?|each|them)/i,
    'poured',
  ],
  [
    /\b(?:dot|sprinkle|scatter) (?:it |them |each )?with (?:a few |some )?([a-z -]{3,30}?)\s+(?:just )?before (?:you )?(?:turn|flip)/i,
    'turned',
  ],
  [/\b(?:drop|scatter|sprinkle) (?:a few |some )?([a-z -]{3,30}?)\s+onto each\b/i, 'poured'],
  [
    /^(?:throw|put|scatter|drop|sprinkle) (?:a few |some |the )?([a-z -]{3,30}?) on (?:as soon as|once|when) (?:it|the batter|they)(?:[’']s| is| are)? (?:poured|on|in)\b/i,
    'poured',
  ],
  [/^(?:the |a few |some )?([a-z -]{3,30}?) (?:go|goes) on (?:as soon as|once|when) the batter\b/i, 'poured'],
  [/^(?:the |a few |some )?([a-z -]{3,30}?) folded in (?:last|at the end)\b/i, 'folded'],
  [/^fold through (?:the )?(?:grated |chopped )?([a-z -]{3,30}?)$/i, 'folded'],
  [/^(?:the |a few |some )?([a-z -]{3,30}?) on top before (?:you )?(?:turn|flip)/i, 'turned'],
  [/^top (?:it |them |each )?with (?:a few |some )?([a-z -]{3,30}?)$/i, 'topped'],
  [/\b(?:lay|arrange|place)\s+(?:a few |some |the )?([a-z -]{3,30}?)\s+(?:on top|over the top)/i, 'topped'],
  [/\bincorporer (?:les |la |le )(\p{L}{3,20}) à la fin\b/iu, 'folded'],
  [/\bpress (?:a few |some |\d |two |three |four )?([a-z -]{3,30}?) into each\b/i, 'poured'],
  [/\b(?:scatter|sprinkle) (?:the )?([a-z -]{3,30}?) on the wet tops?\b/i, 'poured'],
  [/\badd (?:a few |some |the )?([a-z -]{3,30}?) to the (?:uncooked|wet|raw|top) (?:side|face)\b/i, 'poured'],
  [/\badd (?:a few |some |the )?([a-z -]{3,30}?) to each (?:cake|pancake|waffle|crepe|one|piece)\b/i, 'poured'],
  [/\bstir (?:a few |some |the )?([a-z -]{3,30}?) (?:through|in) (?:last|at the end|just before)\b/i, 'folded'],
  [/\bfold in (?:a few |some |the )?([a-z -]{3,30}?)(?:\s+(?:last|at the end|gently|after|just before)|$)/i, 'folded'],
  [/\bfold (?:the )?([a-z -]{3,30}?) in\b[^,;.]*\b(?:last|end|just before)\b/i, 'folded'],
  // what lies in the batter and what is dusted over it at the table are told apart by what it is
  [new RegExp(`^(?:sprinkle|scatter|dot) with (?:a few |some )?([a-z -]*?${BITS})$`, 'i'), 'poured'],
  [
    new RegExp(
      `^(?:gently |carefully |then |finally |lightly )*(?:stir|fold|mix|toss) in (?:a few |some |the )?([a-z -]*?${BITS})(?: last| at the end)?$`,
      'i',
    ),
    'folded',
  ],
  [/\b(?:dot|scatter|sprinkle|top) (?:it |them |each )(?:one )?with (?:a few |some )?([a-z -]{3,30}?)$/i, 'poured'],
  [/\bpress (?:slices|pieces|a few|some) of ([a-z -]{3,30}?) (?:into|onto|on)\b/i, 'poured'],
];

/** What goes on pieces by a word that names several things: which of them, the card's lines tell. */
const SOME_OF = /^(?:the |some |a few )?(?:chopped |toasted )?(?:nuts|berries|fruits?|seeds|chips|herbs)$/i;

/** "Cook 2 minutes, sprinkle with chips, flip". */
const COOKED_AND_FLIPPED = /\b(?:minutes?|min|seconds?)\b.*\b(?:sprinkle|scatter|dot|top)\b.*\b(?:flip|turn)\b/i;

function momentsIn({ text, sentence, taken }: Clause, house: KitchenConventions): readonly ToldFact[] {
  const before =
    /\b(?:just )?before (?:you )?(?:turn|flip)/i.test(text) ||
    (/^(?:sprinkle|scatter|dot|top) (?:it |them |each )?with\b/i.test(text) && COOKED_AND_FLIPPED.test(sentence));
  for (const [re, moment] of MOMENTS) {
    const m = re.exec(text);
    const i = m?.[1]
      ? readLine(m[1].trim().replace(/ (?:slices|pieces|halves|chunks|rounds)$/i, ''), house).ingredient
      : null;
    const some = m?.[1] && SOME_OF.test(m[1].trim());
    if (some) return [{ fact: 'moment', value: before ? 'turned' : moment, unit: null, of: null, words: text, taken }];
    if (i && i.id !== 'egg-white')
      return [{ fact: 'moment', value: before ? 'turned' : moment, unit: null, of: i.id, words: text, taken }];
  }
  return [];
}

/** "Preheat 425 F", and nothing but an oven on the card: a heat of no griddle. */
const ofOven = (f: ToldFact, notes: string): boolean =>
  f.fact === 'heat' &&
  f.of === 'surface' &&
  /^(?:pre-?heat|heat)\b/i.test(f.words) &&
  !SURFACE.test(f.words) &&
  OVEN.test(notes);

/** "Leave it five minutes" is told once: what rests lies on no side. */
const isRestOf = (x: ToldFact, f: ToldFact): boolean => x.fact === 'rest' && x.words === f.words && x.value === f.value;

/** All that a card's notes tell, each once: what is told before what is asked, and both before remarks. */
export function factsTold(notes: string, house: KitchenConventions): readonly ToldFact[] {
  const clauses = clausesOf(notes);
  const inF = speaksFahrenheit(notes);
  const all: ToldFact[] = [
    ...clauses.flatMap((c, n) => [
      ...restsIn(c, clauses.slice(n + 1, n + 3)),
      ...portionsTold(c, house, clauses[n + 1]),
      ...heatsIn(c, inF),
      ...panFatIn(c),
      ...wordsIn(c),
      ...momentsIn(c, house),
    ]),
    ...sidesIn(clauses),
  ]
    .filter((f, _, every) => !['firstSide', 'bake'].includes(f.fact) || !every.some((x) => isRestOf(x, f)))
    .map((f) => (ofOven(f, notes) ? { ...f, of: 'oven' } : f));
  const claim = yieldClaim(notes);
  if (claim) all.push({ fact: 'pieces', value: claim.pieces, unit: null, of: null, words: claim.text, taken: 'told' });
  const serves = servingClaim(notes);
  if (serves)
    all.push({ fact: 'serves', value: serves.people, unit: null, of: null, words: serves.text, taken: 'told' });
  // a fold in thirds that is told in two clauses is one
  const thirds = all.some((f) => f.fact === 'fold' && f.value === 'thirds' && f.taken === 'told');
  const seen = new Set<string>();
  return [...all]
    .sort((a, b) => TAKEN.indexOf(a.taken) - TAKEN.indexOf(b.taken))
    .filter((f) => {
      if (thirds && f.fact === 'fold' && f.value === 'once') return false;
      // one fat is one, however often it is put on
      const key = `${f.fact} ${f.value} ${f.fact === 'panFat' ? '' : f.of}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}
