/**
 * What a card's method tells, fact by fact: rests, portions, heat, minutes, pan fat, peaks. A sentence is read clause
 * by clause: what is denied, left to taste, or said of other people's ways is a remark and no fact; and what a rest, a
 * heat or a fat is of decides where it belongs.
 */
import type { KitchenConventions } from '../../pantry/conventions';
import { readLine } from '../line';
import { servingClaim, yieldClaim } from '../method';
import { type Clause, clausesOf, type FactId, isDenied, TAKEN, type ToldFact } from './clause';
import { heatsIn, SURFACE, speaksFahrenheit } from './heat';
import { portionsTold } from './portion';
import { restsIn, sidesIn } from './times';

const FAT_NAME =
  '((?:a mix(?:ture)? of )?(?:butter and (?:a little )?oil|oil and (?:a little )?butter)|clarified butter|ghee|(?:melted |soft(?:ened)? |foaming )?butter|(?:[a-z]+ )?oil|lard|dripping|bacon (?:fat|drippings?)|bacon grease|cooking spray|spray|margarine|fat)';
const PAN_FAT: readonly RegExp[] = [
  new RegExp(
    `\\b(?:fry|fried|cook|cooked|brown|bake)\\b[^,;.]{0,40}\\bin\\s+((?:a (?:little|knob of|spoon of|bit of|film of)|some|hot|foaming|plenty of|\\d[\\d/. ]*\\s*(?:g|tbsp|tsp|tablespoons?|teaspoons?)(?: of)?)?\\s*)${FAT_NAME}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:grease|brush|wipe|rub|coat|film|spray|oil|butter)(?: it| them| the (?:hot )?(?:pan|griddle|skillet|iron|plate)| (?:a|an|your) (?:[a-z]+ )?(?:pan|griddle|skillet|iron))?(?: (?:lightly|well|thinly|again|between batches))?\\s+(?:with|in)\\s+((?:a (?:little|knob of|film of|bit of|cloth dipped in)|some|the)?\\s*)${FAT_NAME}\\b`,
    'i',
  ),
  new RegExp(
    `\\b(?:heat|melt|warm|swirl|add|put)\\s+((?:a (?:little|knob of|spoon of|bit of|teaspoon of|tablespoon of)|some|\\d[\\d/. ]*\\s*(?:g|tbsp|tsp|tablespoons?|teaspoons?)(?: of)?)?\\s*(?:the\\s+)?)${FAT_NAME}\\b[^,;.]{0,20}\\b(?:in|to|into|on|over) (?:a|an|the|your|each|every) (?:[a-z-]+ ){0,2}(?:pan|skillet|griddle|iron|plate|hollow|well|hole|mould|mold|tin|dish)\\b`,
    'i',
  ),
  new RegExp(
    `\\b((?:plenty of|a little|some|a (?:thin )?(?:film|knob|drop|smear|slick) of|enough)\\s+)${FAT_NAME}\\b[^,;.]{0,15}\\b(?:in|on|over|across) (?:the|a|your) (?:hot )?(?:pan|griddle|skillet|iron|plate)\\b`,
    'i',
  ),
];
/** Fat told by its verb alone: a buttered paper, a spray, a swirl of oil. */
const FAT_BY_VERB: readonly (readonly [RegExp, string, string])[] = [
  [/\b(?:wipe|rub)\b[^,;.]{0,30}\bwith (?:an? )?(buttered|oiled|greased) (?:paper|cloth|rag)\b/i, '', 'wiped'],
  [
    /\bin (?:wenig |etwas |heißem |viel )?(butterschmalz|butter|öl|schmalz)\b[^,;.]{0,20}\b(?:aus)?(?:backen|braten)\b/i,
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
  [/\bengras(?:ar?|ad[oa])\b[^,;.]{0,20}\bcon (?:un poco de )?(mantequilla|aceite|manteca)\b/i, '', 'greased'],
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
    /\b(?:drop|little|bit|knob|dab) of (oil|butter|lard|ghee) (?:per|in each|in every|for each|to each) (?:hole|hollow|well)/i,
    '',
    'a little',
  ],
  [/\b(butter|öl|butterschmalz|schmalz)\b[^,;.]{0,12}\bin (?:einer|der|die|eine) [^,;.]{0,20}pfanne/i, '', 'a little'],
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
  [/^(?:a )?(?:quick |light |good )?(spray)$/i, '', 'sprayed'],
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
    /\b(?:wiped|brushed|rubbed|greased) with (?:a little |some )?(?:melted |soft )?(lard|butter|oil|ghee|dripping|fat)\b/i,
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

const FAT_IDS: readonly (readonly [RegExp, string])[] = [
  [/clarified|ghee|butterschmalz/i, 'butter-clarified'],
  [/butter|beurr|mantequilla/i, 'butter-unsalted'],
  [/olive/i, 'oil-olive'],
  [/coconut/i, 'oil-coconut'],
  [/lard|schmalz|saindoux|manteca/i, 'lard'],
  [/dripping|bacon/i, 'tallow'],
  [/margarine/i, 'margarine'],
  [/spray|oil|fat|öl|huil|aceite/i, 'oil-vegetable'],
];

function panFatIn({ text, sentence, taken }: Clause): readonly ToldFact[] {
  if (
    /\b(?:dry|ungreased|no fat|without (?:any )?fat|no (?:oil|butter|grease) (?:on|in))\b/i.test(text) &&
    (SURFACE.test(text) ||
      (/^(?:no fat|dry|ungreased)$/i.test(text) && SURFACE.test(sentence)) ||
      (/\bno (?:oil|butter|fat|grease) (?:on|in) (?:it|the)\b/i.test(text) && SURFACE.test(sentence)) ||
      /\bno fat (?:is )?(?:needed|required|necessary)\b/i.test(text))
  )
    return [{ fact: 'panFat', value: 'none', unit: null, of: 'dry', words: text, taken }];
  const said = PAN_FAT.map((re) => re.exec(text)).find((m) => m !== null);
  const verb =
    /\b(butter|oil|grease)\s+(?:the|a|your)\s+(?:hot\s+|\d+[\s-]?(?:cm|inch)\s+)?(?:pan|griddle|skillet|iron|plates?|hollows|wells|holes|moulds)\b/i.exec(
      text,
    );
  const lightly =
    /\b(?:(?:lightly|well|barely|thinly)[- ]|(?<=\b(?:on|onto|in) an? ))(oiled|buttered|greased)\b[^,;.]{0,30}\b(?:pan|griddle|skillet|iron)\b/i.exec(
      text,
    );
  const bare = SURFACE.test(sentence)
    ? (/^(?:then |and )?(?:(?:a )?(?:small |little |good |big |tiny )?(?:knob|bit|piece|drop|slick|spoon) of )?(lard|butter|oil|ghee|dripping)(?: it)?$/i.exec(
        text,
      ) ?? / and (butter|oil|grease) it$/i.exec(text))
    : null;
  const by = FAT_BY_VERB.map(([re, is, how]) => ({ m: re.exec(text), is, how })).find((x) => x.m !== null);
  const fat =
    said?.[2] ?? verb?.[1] ?? lightly?.[1] ?? bare?.[1] ?? (by && (by.is || by.m?.[1]?.replace(/^oiled$/i, 'oil')));
  if (!fat) return [];
  const id = FAT_IDS.find(([re]) => re.test(fat))?.[1];
  const how =
    (said?.[1] ?? '').trim() ||
    (lightly ? lightly[0].split(/[- ]/)[0]?.toLowerCase() : '') ||
    (fat && !said && !verb ? by?.how : '') ||
    'greased';
  // greased, and nobody says with what
  if (!id)
    return [
      { fact: 'panFat', value: 'any', unit: null, of: how, words: text, taken: taken === 'told' ? 'asked' : taken },
    ];
  return [{ fact: 'panFat', value: id, unit: null, of: how, words: text, taken }];
}

/** Facts that one word tells, in their order; of each the first that is found in a clause. */
const WORDS: readonly { readonly fact: FactId; readonly value: string; readonly is: RegExp }[] = [
  {
    fact: 'whites',
    value: 'firm',
    is: /\b(?:firm|stiff)(?:,?\s+\w+)?\s+(?:peaks?|foam|snow|meringue)\b|\bbeaten stiff\b|\bwhites?\b[^,;.]{0,45}\b(?:stiff|firm)\b|\bstiffly beaten\b|\bneige\b|\bpunto de nieve\b|\bsteif(?:e[mn])?\b[^,;.]{0,20}\b(?:schnee|schlagen)\b|\beischnee\b/i,
  },
  {
    fact: 'whites',
    value: 'soft',
    is: /\bsoft(?:\s+\w+)?\s+(?:peaks?|foam|snow)\b|\bwhites?\b[^,;.]{0,20}\b(?:softly|lightly|soft)\b(?! peak)/i,
  },
  {
    fact: 'fold',
    value: 'thirds',
    is: /\b(?:a|one) third of (?:the |them)|\bfold (?:in |through )?a third\b|\bfold\b[^;.]{0,60}\b(?:thirds|three (?:goes|additions|batches|lots|parts)|a third at a time)\b|\bin three (?:goes|additions|batches|lots|parts)\b/i,
  },
  {
    fact: 'fold',
    value: 'once',
    is: /^(?!.*\bin (?:two|several|four) (?:goes|additions|batches|lots|parts)\b).*(?:\bfold\b[^;.]{0,40}\b(?:whites?|foam|meringue|together)\b|\bfold (?:(?:it|them) )?in(?: gently)?$|\bfold (?:it|them) in\b|\bunterheben\b)/i,
  },
  { fact: 'mix', value: 'blender', is: /\b(?:blender|food processor|liquidi[sz]er|blitz)\b/i },
  {
    fact: 'mix',
    value: 'smooth',
    is: /\b(?:until|till) (?:it is |very |quite |perfectly |completely |just |nice and )*smooth\b|\bno lumps?\b|\blumps are gone\b|\blump[- ]free\b|\bsmooth batter\b|\b(?:beat|whisk|mix|stir|blend)\b[^,;.]{0,20}\bsmooth\b/i,
  },
  {
    fact: 'mix',
    value: 'just',
    is: /\b(?:as soon as|until|till) no (?:dry )?flour\b|\blumps? (?:do(?:es)?n[o’']t|do not) matter\b|\bdo(?:n[o’']t| not) worry about (?:the )?lumps\b|\b(?:only|just) (?:until|till) (?:the flour (?:disappears|is wet|is gone)|no (?:dry )?flour)|\b(?:until|till) just (?:combined|mixed|together|blended|moistened|wet)\b|\bjust (?:until|till|enough)\b|\blumps? (?:are fine|are ok|stay|is fine|remain|are good)\b|\blumps and all\b|\bmix(?:ed)? (?:only )?briefly\b|\b(?:leave|some|few|small) (?:the )?lumps\b|\b(?:stays?|still|leave it|should be|will be) lumpy\b/i,
  },
  { fact: 'turns', value: 'quarters', is: /\bquarter[- ]turns?\b|\bturn (?:them |it )?(?:by )?(?:a )?quarters?\b/i },
  {
    fact: 'turns',
    value: 'several',
    is: /\b(?:keep turning|turn (?:them )?(?:often|several times|constantly|again and again))\b/i,
  },
  {
    fact: 'turns',
    value: 'once',
    is: /\b(?:flip|turn) (?:it |them )?(?:only |just )?once\b|\b(?:one|a single) (?:turn|flip) only\b|\bonly one (?:turn|flip)\b/i,
  },
];
const AHEAD =
  /\b(?:the (?:night|day|evening) before|a day ahead|(?:the )?(?:previous|evening) (?:night|day)|ahead of time|up to (?:a|one|two|\d) days? (?:ahead|before)|in advance)\b/i;

function wordsIn({ text, taken }: Clause): readonly ToldFact[] {
  const out: ToldFact[] = [];
  for (const { fact, value, is } of WORDS) {
    if (out.some((f) => f.fact === fact) || !is.test(text)) continue;
    // cream has peaks too
    if (fact === 'whites' && /\bcream\b/i.test(text) && !/\bwhites?\b/i.test(text)) continue;
    out.push({ fact, value, unit: null, of: null, words: text, taken });
  }
  const ahead = AHEAD.exec(text);
  // that it can wait is told, whether it does or not
  const can = isDenied(text) ? taken : 'told';
  if (ahead) out.push({ fact: 'ahead', value: ahead[0].toLowerCase(), unit: null, of: null, words: text, taken: can });
  return out;
}

const MOMENTS: readonly (readonly [RegExp, string])[] = [
  [
    /\b(?:sprinkle|scatter|dot|press|drop|arrange|lay|push|put|place)\s+(?:on\s+)?(?:a few |some |the |over )?([a-z -]{3,30}?)\s+(?:on(?:to)?|over|into|in)\b[^,;.]{0,30}\b(?:before (?:you )?(?:turn|flip))/i,
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
  [/^top (?:it |them |each )?with (?:a few |some )?([a-z -]{3,30}?)$/i, 'topped'],
  [/\b(?:lay|arrange|place)\s+(?:a few |some |the )?([a-z -]{3,30}?)\s+(?:on top|over the top)/i, 'topped'],
  [/\badd (?:a few |some |the )?([a-z -]{3,30}?) to each (?:cake|pancake|waffle|crepe|one|piece)\b/i, 'poured'],
  [/\bstir (?:a few |some |the )?([a-z -]{3,30}?) (?:through|in) (?:last|at the end|just before)\b/i, 'folded'],
  [/\bfold in (?:a few |some |the )?([a-z -]{3,30}?)(?:\s+(?:last|at the end|gently|after|just before)|$)/i, 'folded'],
  [/\bfold (?:the )?([a-z -]{3,30}?) in\b[^,;.]*\b(?:last|end|just before)\b/i, 'folded'],
  [/\bpress (?:slices|pieces|a few|some) of ([a-z -]{3,30}?) (?:into|onto|on)\b/i, 'poured'],
];

/** What goes on pieces by a word that names several things: which of them, the card's lines tell. */
const SOME_OF = /^(?:the |some |a few )?(?:chopped |toasted )?(?:nuts|berries|fruits?|seeds|chips|herbs)$/i;

function momentsIn({ text, taken }: Clause, house: KitchenConventions): readonly ToldFact[] {
  const before = /\b(?:just )?before (?:you )?(?:turn|flip)/i.test(text);
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
  ].filter((f, _, every) => f.fact !== 'firstSide' || !every.some((x) => isRestOf(x, f)));
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
      const key = `${f.fact} ${f.value} ${f.of}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}
